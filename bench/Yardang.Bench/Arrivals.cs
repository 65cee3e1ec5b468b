using System.Collections.Concurrent;
using System.Diagnostics;

namespace Yardang.Bench;

/// <summary>When one thing that was said to all has arrived on each screen.</summary>
public sealed class Arrivals
{
    private static readonly TimeSpan s_longest = TimeSpan.FromSeconds(10);

    // Screens tell of it at once: whoever completes a round must not complete the next one.
    private sealed record Round(int Count, long Stamp)
    {
        public ConcurrentDictionary<int, double> At { get; } = new();

        public TaskCompletionSource All { get; } = new(TaskCreationOptions.RunContinuationsAsynchronously);
    }

    private Round _round = new(0, 0);

    /// <summary>When it was said.</summary>
    public long Stamp => _round.Stamp;

    /// <summary>It is said now, to so many.</summary>
    public long Begin(int count) => (_round = new(count, Stopwatch.GetTimestamp())).Stamp;

    /// <summary>Something that was said at such a moment is on this screen.</summary>
    public void Note(int screen, long stamp)
    {
        var round = _round;
        if (stamp != round.Stamp || stamp == 0) return;
        round.At.TryAdd(screen, Stopwatch.GetElapsedTime(stamp).TotalMilliseconds);
        if (round.At.Count == round.Count) round.All.TrySetResult();
    }

    /// <summary>How long it took to each, ms, once it is on all.</summary>
    public async Task<double[]> AllAsync()
    {
        var round = _round;
        await round.All.Task.WaitAsync(s_longest);
        return [.. round.At.Values];
    }
}
