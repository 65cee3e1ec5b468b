using System.Collections.Immutable;
using System.Net;
using System.Net.Sockets;

namespace Yardang.Web.Links;

/// <summary>Which addresses are out in the world. All others, those of a school's own devices, of this server and of whoever runs it, are not asked for anything.</summary>
public static class PublicAddress
{
    // IANA, "IPv4 / IPv6 Special-Purpose Address Registry": whatever is not reachable by everybody, and what goes to many at once.
    private static readonly ImmutableArray<IPNetwork> s_notPublic =
    [
        .. new[]
        {
            "0.0.0.0/8", "10.0.0.0/8", "100.64.0.0/10", "127.0.0.0/8", "169.254.0.0/16", "172.16.0.0/12", "192.0.0.0/24", "192.0.2.0/24", "192.88.99.0/24", "192.168.0.0/16",
            "198.18.0.0/15", "198.51.100.0/24", "203.0.113.0/24", "224.0.0.0/4", "240.0.0.0/4",
        }.Select(IPNetwork.Parse),
    ];

    // In which all of IPv6 is that is given out; within it, what carries an address of IPv4 in it, and what is for examples and tests.
    private static readonly IPNetwork s_given = IPNetwork.Parse("2000::/3");
    private static readonly ImmutableArray<IPNetwork> s_notGiven = [.. new[] { "2001::/23", "2001:db8::/32", "2002::/16", "3fff::/20" }.Select(IPNetwork.Parse)];

    /// <summary>Whether an address is.</summary>
    public static bool IsPublic(IPAddress address)
    {
        if (address.IsIPv4MappedToIPv6) address = address.MapToIPv4();
        return address.AddressFamily == AddressFamily.InterNetwork
            ? !s_notPublic.Any(n => n.Contains(address))
            : address.AddressFamily == AddressFamily.InterNetworkV6 && s_given.Contains(address) && !s_notGiven.Any(n => n.Contains(address));
    }
}
