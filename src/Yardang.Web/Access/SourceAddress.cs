using System.Net;
using System.Net.Sockets;

namespace Yardang.Web.Access;

/// <summary>The network address that somebody comes from, as limits count it: IPv6 addresses by their /64, for one household or school has as many as it likes.</summary>
public static class SourceAddress
{
    /// <summary>The address of a request. Behind a proxy that is configured, that of the visitor.</summary>
    public static string Of(HttpContext context)
    {
        var address = context.Connection.RemoteIpAddress ?? IPAddress.None;
        if (address.IsIPv4MappedToIPv6) address = address.MapToIPv4();
        return address.AddressFamily == AddressFamily.InterNetworkV6 ? Convert.ToHexString(address.GetAddressBytes().AsSpan(0, 8)) : address.ToString();
    }
}
