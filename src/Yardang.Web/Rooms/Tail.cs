using Yardang.Core.Rooms;

namespace Yardang.Web.Rooms;

/// <summary>A durable event with its bytes.</summary>
public sealed record Published(Envelope Envelope, byte[] Payload);

/// <summary>
/// The last events of a room, for readers who are nearly up to date. One thread adds, any number read, nobody waits:
/// an entry is written before the number that announces it, and a reader checks afterwards that it was not overtaken.
/// </summary>
public sealed class Tail(long durable)
{
    private const int Size = 4_096;

    private readonly Published?[] _ring = new Published?[Size];
    private readonly long _start = durable;
    private long _durable = durable;

    /// <summary>Number of the last durable event.</summary>
    public long Durable => Volatile.Read(ref _durable);

    /// <summary>Adds the next event.</summary>
    public void Add(Published published)
    {
        Volatile.Write(ref _ring[published.Envelope.Number % Size], published);
        Volatile.Write(ref _durable, published.Envelope.Number);
    }

    /// <summary>The events after a number, up to <paramref name="limit"/> of them; null if they are no longer all here.</summary>
    public List<Published>? After(long number, int limit)
    {
        if (number < _start) return null;
        var through = Math.Min(Durable, number + limit);
        var events = new List<Published>((int)Math.Max(0, through - number));
        for (var n = number + 1; n <= through; n++)
        {
            var entry = Volatile.Read(ref _ring[n % Size]);
            if (entry is null || entry.Envelope.Number != n) return null;
            events.Add(entry);
        }

        return events;
    }
}
