using System.Collections.Concurrent;
using System.Diagnostics;

namespace Yardang.Bench;

/// <summary>When one thing that was said to all has arrived on each screen.</summary>
public sealed class Arrivals
{
    private static readonly TimeSpan s_longest = TimeSpan.FromSeconds(10);

    private ConcurrentDictionary<int, double> _at = new();
    private TaskCompletionSource _all = new();
    private int _count;

    /// <summary>When it was said.</summary>
    public long Stamp { get; private set; }

    /// <summary>It is said now, to so many.</summary>
    public long Begin(int count)
    {
        (_at, _all, _count) = (new(), new(TaskCreationOptions.RunContinuationsAsynchronously), count);
        return Stamp = Stopwatch.GetTimestamp();
    }

    /// <summary>Something that was said at such a moment is on this screen.</summary>
    public void Note(int screen, long stamp)
    {
        if (stamp != Stamp || stamp == 0) return;
        _at.TryAdd(screen, Stopwatch.GetElapsedTime(Stamp).TotalMilliseconds);
        if (_at.Count == _count) _all.TrySetResult();
    }

    /// <summary>How long it took to each, ms, once it is on all.</summary>
    public async Task<double[]> AllAsync()
    {
        await _all.Task.WaitAsync(s_longest);
        return [.. _at.Values];
    }
}
