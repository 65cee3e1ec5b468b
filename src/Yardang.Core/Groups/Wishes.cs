using System.Collections.Immutable;

namespace Yardang.Core.Groups;

/// <summary>What a teacher wishes of groups.</summary>
/// <param name="Together">Pairs who are to be in one group.</param>
/// <param name="Apart">Pairs who are not to be in one group.</param>
public sealed record Wishes(ImmutableArray<(int, int)> Together, ImmutableArray<(int, int)> Apart)
{
    /// <summary>No wishes.</summary>
    public static readonly Wishes None = new([], []);

    /// <summary>How much speaks against putting somebody into a group: a wish to keep them apart counts one, a wish to keep them together minus one.</summary>
    public int Against(int person, IReadOnlyCollection<int> group) => Count(Apart, person, group) - Count(Together, person, group);

    /// <summary>The pairs whose wish these groups do not fulfil; of those who are there.</summary>
    public ImmutableArray<(int, int)> BrokenBy(IReadOnlyList<ImmutableArray<int>> groups)
    {
        var groupOf = groups.SelectMany((people, i) => people.Select(p => (p, i))).ToDictionary(x => x.p, x => x.i);
        bool? Share((int A, int B) pair) => groupOf.TryGetValue(pair.A, out var a) && groupOf.TryGetValue(pair.B, out var b) ? a == b : null;
        return [.. Together.Where(pair => Share(pair) == false), .. Apart.Where(pair => Share(pair) == true)];
    }

    private static int Count(ImmutableArray<(int A, int B)> pairs, int person, IReadOnlyCollection<int> group) =>
        pairs.Count(pair => (pair.A == person && group.Contains(pair.B)) || (pair.B == person && group.Contains(pair.A)));
}
