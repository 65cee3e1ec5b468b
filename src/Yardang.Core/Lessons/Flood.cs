namespace Yardang.Core.Lessons;

/// <summary>More newcomers in a row than a class has, none of whom is on a class list: somebody may be making them up.</summary>
/// <param name="Since">When the first of them came, server time in ms.</param>
/// <param name="People">Their numbers, in the order in which they came.</param>
public sealed record Flood(long Since, IReadOnlyList<int> People)
{
    /// <summary>So many newcomers in a row are no flood.</summary>
    public const int Many = 60;

    /// <summary>Between two who come in a row there is no longer pause, ms.</summary>
    public const long Pause = 30_000;

    /// <summary>The flood that came last among the people of a lesson, as long as they are in or wait; null if there is none.</summary>
    public static Flood? Among(IEnumerable<Person> people)
    {
        var newcomers = people.Where(p => !p.IsListed && p.Standing is Standing.In or Standing.Waiting).OrderBy(p => p.JoinedAt).ThenBy(p => p.Number).ToList();
        var first = newcomers.Count - 1;
        while (first > 0 && newcomers[first].JoinedAt - newcomers[first - 1].JoinedAt <= Pause) first--;
        return newcomers.Count - first <= Many ? null : new(newcomers[first].JoinedAt, [.. newcomers.Skip(first).Select(p => p.Number)]);
    }
}
