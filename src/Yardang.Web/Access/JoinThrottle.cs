using System.Collections.Concurrent;
using System.Net;
using System.Net.Sockets;

namespace Yardang.Web.Access;

/// <summary>
/// Slows down guessing of codes by counting failures only. An address may fail often enough for a whole school behind it to mistype once: 300
/// times in 5 minutes. Devices that were let in before count apart, so that strangers at the same address do not hold them up; anybody can
/// become one of them, so they have no more tries. At that pace one address tries 172,800 of 1.1 × 10^11 codes a day. IPv6 addresses count by their /64.
/// </summary>
public sealed class JoinThrottle(TimeProvider clock)
{
    /// <summary>How often in a window those of an address who were let in before may fail, and how often the others.</summary>
    public const int FailuresPerWindow = 300;

    /// <summary>How long failures count.</summary>
    public static readonly TimeSpan Window = TimeSpan.FromMinutes(5);

    private const int AddressesKept = 10_000;

    private readonly ConcurrentDictionary<(string Address, bool WasLetIn), (long WindowStart, int Failures)> _failures = new();

    /// <summary>Whether this visitor has to wait before the next try.</summary>
    public bool MustWait(HttpContext context) => _failures.TryGetValue(Source(context), out var seen) && IsCurrent(seen.WindowStart) && seen.Failures >= FailuresPerWindow;

    /// <summary>Notes a wrong code.</summary>
    public void Failed(HttpContext context)
    {
        if (_failures.Count > AddressesKept)
        {
            foreach (var (address, seen) in _failures)
            {
                if (!IsCurrent(seen.WindowStart)) _failures.TryRemove(address, out _);
            }
        }

        _failures.AddOrUpdate(
            Source(context),
            _ => (clock.GetTimestamp(), 1),
            (_, seen) => IsCurrent(seen.WindowStart) ? (seen.WindowStart, seen.Failures + 1) : (clock.GetTimestamp(), 1));
    }

    private static (string Address, bool WasLetIn) Source(HttpContext context) => (AddressOf(context), Visitor.Of(context).Participants.Count > 0);

    private static string AddressOf(HttpContext context)
    {
        var address = context.Connection.RemoteIpAddress ?? IPAddress.None;
        if (address.IsIPv4MappedToIPv6) address = address.MapToIPv4();
        return address.AddressFamily == AddressFamily.InterNetworkV6 ? Convert.ToHexString(address.GetAddressBytes().AsSpan(0, 8)) : address.ToString();
    }

    private bool IsCurrent(long windowStart) => clock.GetElapsedTime(windowStart) < Window;
}
