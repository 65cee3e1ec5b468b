using System.Collections.Immutable;

namespace Yardang.Core.Ink;

/// <summary>
/// The parts of a stroke that were rubbed out: closed intervals of its length in 1/100 mm, as from, to, from, to ...,
/// sorted, disjoint and not touching. The stroke itself stays, with its id and author.
/// </summary>
public static class CutIntervals
{
    /// <summary>The cuts of both, in normal form.</summary>
    public static ImmutableArray<int> Union(ImmutableArray<int> a, ImmutableArray<int> b)
    {
        var pairs = Pairs(a).Concat(Pairs(b)).Where(p => p.To > p.From).OrderBy(p => p.From).ThenBy(p => p.To);
        var union = ImmutableArray.CreateBuilder<int>(a.Length + b.Length);
        foreach (var (from, to) in pairs)
        {
            if (union.Count > 0 && from <= union[^1]) union[^1] = Math.Max(union[^1], to);
            else union.AddRange(from, to);
        }

        return union.ToImmutable();
    }

    /// <summary>What is left of a stroke of the given length: the intervals between the cuts.</summary>
    public static ImmutableArray<int> Remaining(ImmutableArray<int> cuts, int length)
    {
        var left = ImmutableArray.CreateBuilder<int>(cuts.Length + 2);
        var at = 0;
        foreach (var (from, to) in Pairs(cuts))
        {
            if (from > at && at < length) left.AddRange(at, Math.Min(from, length));
            at = Math.Max(at, to);
        }

        if (at < length || (length == 0 && cuts.IsEmpty)) left.AddRange(at, length);
        return left.ToImmutable();
    }

    /// <summary>Whether the intervals are in normal form and start at 0 or later.</summary>
    public static bool IsNormal(ImmutableArray<int> cuts)
    {
        if (cuts.Length % 2 != 0) return false;
        for (var i = 0; i < cuts.Length; i++)
        {
            if (cuts[i] <= (i == 0 ? -1 : cuts[i - 1])) return false;
        }

        return true;
    }

    private static IEnumerable<(int From, int To)> Pairs(ImmutableArray<int> flat)
    {
        for (var i = 0; i + 1 < flat.Length; i += 2) yield return (flat[i], flat[i + 1]);
    }
}
