using System.Collections.Concurrent;
using System.Net;
using System.Net.Sockets;

namespace Yardang.Web.Access;

/// <summary>
/// Slows down guessing of codes by counting failures only. A device that was let in before is never held up, and an address may fail
/// often enough for a whole school behind it to mistype once: 300 times in 5 minutes. At that pace one address tries 86,400 of 1.1 × 10^11
/// codes a day. IPv6 addresses count by their /64.
/// </summary>
public sealed class JoinThrottle(TimeProvider clock)
{
    private const int FailuresPerWindow = 300;
    private const int AddressesKept = 10_000;
    private static readonly TimeSpan s_window = TimeSpan.FromMinutes(5);

    private readonly ConcurrentDictionary<string, (long WindowStart, int Failures)> _failures = new(StringComparer.Ordinal);

    /// <summary>Whether this visitor has to wait before the next try.</summary>
    public bool MustWait(HttpContext context)
    {
        if (Visitor.Of(context).Participants.Count > 0) return false;
        return _failures.TryGetValue(Source(context), out var seen) && IsCurrent(seen.WindowStart) && seen.Failures >= FailuresPerWindow;
    }

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

    private static string Source(HttpContext context)
    {
        var address = context.Connection.RemoteIpAddress ?? IPAddress.None;
        if (address.IsIPv4MappedToIPv6) address = address.MapToIPv4();
        return address.AddressFamily == AddressFamily.InterNetworkV6 ? Convert.ToHexString(address.GetAddressBytes().AsSpan(0, 8)) : address.ToString();
    }

    private bool IsCurrent(long windowStart) => clock.GetElapsedTime(windowStart) < s_window;
}
