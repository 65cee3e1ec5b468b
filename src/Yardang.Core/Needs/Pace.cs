using System.Collections.Immutable;

namespace Yardang.Core.Needs;

/// <summary>How somebody's work stood at one moment.</summary>
/// <param name="At">When it was looked at, server time in ms.</param>
/// <param name="LastAct">When they did something last, ms.</param>
/// <param name="Size">How much of theirs stood there: marks, or cards and answers.</param>
public readonly record struct Sample(long At, long LastAct, int Size);

/// <summary>In what rhythm somebody works, from looking at their work every few seconds. Kept while a lesson is open on the server, and not stored.</summary>
public sealed record Pace
{
    /// <summary>Nothing is known yet.</summary>
    public static readonly Pace Unknown = new();

    /// <summary>How many looks are remembered.</summary>
    public const int MostSamples = 60;

    /// <summary>When they did something last, ms; null if never.</summary>
    public long? LastAct { get; private init; }

    /// <summary>The longest time for which they did nothing and then went on by themselves, ms. Pauses in which nobody could write do not count.</summary>
    public long LongestPause { get; private init; }

    /// <summary>The last looks, the newest last.</summary>
    public ImmutableArray<Sample> Samples { get; private init; } = [];

    /// <summary>What is known now that their work was looked at again.</summary>
    /// <param name="lastAct">When they did something last, ms; null if never.</param>
    /// <param name="size">How much of theirs stands there.</param>
    /// <param name="quietSince">Since when silence counts: writing was opened, a teacher was with them.</param>
    /// <param name="now">Server time, ms.</param>
    public Pace Seen(long? lastAct, int size, long quietSince, long now)
    {
        if (lastAct is not { } at) return this;
        var pause = LastAct is { } before && before >= quietSince ? at - before : 0;
        var samples = Samples.Length < MostSamples ? Samples : Samples.RemoveAt(0);
        return new() { LastAct = at, LongestPause = Math.Max(LongestPause, pause), Samples = samples.Add(new(now, at, size)) };
    }

    /// <summary>Whether they have been busy for so long without anything coming of it: they did something in most looks, took away at least twice, and there is no more than before.</summary>
    /// <param name="span">How long, ms.</param>
    /// <param name="now">Server time, ms.</param>
    public bool IsInCircles(long span, long now)
    {
        var window = Samples.Where(s => s.At >= now - span).ToList();
        if (window.Count < 3 || window[0].At > now - (span * 9 / 10)) return false;
        var (busy, taken) = (0, 0);
        for (var i = 1; i < window.Count; i++)
        {
            if (window[i].LastAct > window[i - 1].LastAct) busy++;
            taken += Math.Max(0, window[i - 1].Size - window[i].Size);
        }

        return busy * 10 >= (window.Count - 1) * 6 && taken >= 5 && window[^1].Size <= window[0].Size;
    }
}
