using System.Collections.Immutable;
using Yardang.Core.Editing;
using Yardang.Core.Marks;
using Yardang.Core.Rooms;
using Yardang.Core.Shapes;
using Yardang.Core.Walls;

namespace Yardang.Core.Boards;

/// <summary>How many marks of students lie in a zone, or cards under a topic.</summary>
/// <param name="Zone">Id of the zone or topic.</param>
/// <param name="Marks">How many.</param>
public sealed record ZoneCount(long Zone, int Marks);

/// <summary>What teachers' lists have to know of a board or wall without having it: a projection of its log.</summary>
/// <param name="Through">The event up to which it is right.</param>
/// <param name="LastActivity">When a student last changed something there, server time in ms; null if none has.</param>
/// <param name="Acts">What each student did last there.</param>
/// <param name="Zones">What lies in each zone, or under each topic.</param>
/// <param name="Waiting">How much work waits for a decision.</param>
public sealed record BoardSummary(long Through, long? LastActivity, ImmutableArray<LastAct> Acts, ImmutableArray<ZoneCount> Zones, int Waiting)
{
    /// <summary>What can be said of a board now. The zones are counted when it is asked for the outcome, so that no writer waits for it.</summary>
    public static Func<BoardSummary> Of(Board board)
    {
        var (through, lastActivity, waiting) = (board.Number, board.LastActivity, board.SetAside.Count);
        ImmutableArray<LastAct> acts = [.. board.Acts.Values];
        ImmutableArray<Mark> zones = [.. board.Sheets.Marks.Values.Where(m => m is { Stands: true, Body: ZoneBody })];
        ImmutableArray<Mark> marks = zones.IsEmpty ? [] : [.. board.Sheets.Marks.Values.Where(m => m is { Stands: true, ByStaff: false })];
        return () => new(through, lastActivity, acts, [.. zones.OrderBy(z => z.Id).Select(z => new ZoneCount(z.Id, marks.Count(m => m.Page == z.Page && Zoning.ZonesOf(m, [z]).Length > 0)))], waiting);
    }

    /// <summary>The same of a wall.</summary>
    /// <param name="known">The wall, as teachers know it.</param>
    /// <param name="through">The number of its last event.</param>
    public static Func<BoardSummary> Of(Wall known, long through)
    {
        BoardSummary sum = new(through, known.LastActivity, [.. known.Acts.Values], [.. known.Plan.Topics.Select(t => new ZoneCount(t.Id, known.Under(t.Id).Count(c => !c.ByStaff)))], known.SetAside.Count);
        return () => sum;
    }
}
