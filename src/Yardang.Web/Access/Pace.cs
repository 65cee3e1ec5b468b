using System.Collections.Concurrent;

namespace Yardang.Web.Access;

/// <summary>
/// Lets each source do something so often at once, and then only at a pace: whoever comes too early waits for their turn, and only when very many wait
/// already is somebody sent away. What turns out to be harmless is given back.
/// </summary>
/// <param name="atOnce">How often without waiting.</param>
/// <param name="perSecond">How many turns come free in a second.</param>
/// <param name="mostWaiting">How many may wait.</param>
/// <param name="clock">The clock.</param>
public sealed class Pace(int atOnce, double perSecond, int mostWaiting, TimeProvider clock)
{
    private const int SourcesKept = 20_000;

    private readonly ConcurrentDictionary<string, Source> _sources = new(StringComparer.Ordinal);

    /// <summary>Takes a turn, and waits for it. False if too many wait.</summary>
    public async Task<bool> EnterAsync(string source, CancellationToken stop)
    {
        if (TakeTurn(source) is not { } wait) return false;
        if (wait > TimeSpan.Zero) await Task.Delay(wait, clock, stop);
        return true;
    }

    /// <summary>Takes a turn; says how long to wait for it, null if too many wait.</summary>
    public TimeSpan? TakeTurn(string source, int turns = 1)
    {
        if (_sources.Count > SourcesKept) Forget();
        var found = _sources.GetOrAdd(source, _ => new Source(atOnce, clock.GetTimestamp()));
        lock (found)
        {
            Refill(found);
            if (found.Turns - turns < -mostWaiting) return null;
            found.Turns -= turns;
            return found.Turns >= 0 ? TimeSpan.Zero : TimeSpan.FromSeconds(-found.Turns / perSecond);
        }
    }

    /// <summary>Gives a turn back.</summary>
    public void GiveBack(string source)
    {
        if (!_sources.TryGetValue(source, out var found)) return;
        lock (found) found.Turns = Math.Min(atOnce, found.Turns + 1);
    }

    private void Refill(Source source)
    {
        var now = clock.GetTimestamp();
        source.Turns = Math.Min(atOnce, source.Turns + (clock.GetElapsedTime(source.AsOf, now).TotalSeconds * perSecond));
        source.AsOf = now;
    }

    // Those of whom nothing is held against them.
    private void Forget()
    {
        foreach (var (name, source) in _sources)
        {
            lock (source)
            {
                Refill(source);
                if (source.Turns >= atOnce) _sources.TryRemove(name, out _);
            }
        }
    }

    private sealed class Source(double turns, long asOf)
    {
        public double Turns { get; set; } = turns;

        public long AsOf { get; set; } = asOf;
    }
}
