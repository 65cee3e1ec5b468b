using System.Collections.Immutable;

namespace Yardang.Core.History;

/// <summary>What was done in one room, on the trail of somebody.</summary>
/// <param name="Room">The board or wall.</param>
/// <param name="Line">What.</param>
/// <param name="Place">On which page or under which topic, in words; empty for none.</param>
public sealed record TrailStep(Guid Room, LogLine Line, string Place);

/// <summary>Steps in one room that follow each other without a longer rest, and without something in another room between them.</summary>
/// <param name="Steps">In order of time; at least one.</param>
public sealed record Stretch(ImmutableArray<TrailStep> Steps)
{
    /// <summary>Where.</summary>
    public Guid Room => Steps[0].Room;

    /// <summary>When the first was done, server time in ms.</summary>
    public long From => Steps[0].Line.Time;

    /// <summary>When the last was done, ms.</summary>
    public long To => Steps[^1].Line.Time;
}

/// <summary>What one student, or those of a group, did in a lesson, from board to board.</summary>
/// <param name="Stretches">In order of time.</param>
/// <param name="LeftOut">How many earlier steps are not in it.</param>
public sealed record Trail(ImmutableArray<Stretch> Stretches, int LeftOut)
{
    /// <summary>More steps are not shown: the earliest are left out.</summary>
    public const int Most = 2_000;

    /// <summary>After a rest of so long another stretch begins, ms.</summary>
    public const long Rest = 5 * 60_000;

    /// <summary>Puts steps of several rooms in one order.</summary>
    public static Trail Of(IEnumerable<TrailStep> steps)
    {
        var all = steps.OrderBy(s => s.Line.Time).ThenBy(s => s.Room).ThenBy(s => s.Line.Number).ToList();
        var leftOut = Math.Max(0, all.Count - Most);
        var stretches = new List<List<TrailStep>>();
        foreach (var step in all.Skip(leftOut))
        {
            if (stretches.Count == 0 || stretches[^1][^1] is var last && (last.Room != step.Room || step.Line.Time - last.Line.Time > Rest)) stretches.Add([]);
            stretches[^1].Add(step);
        }

        return new([.. stretches.Select(s => new Stretch([.. s]))], leftOut);
    }
}
