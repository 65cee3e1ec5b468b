using System.Collections.Immutable;
using Yardang.Core.Editing;
using Yardang.Core.Marks;
using Yardang.Core.Shapes;

namespace Yardang.Core.Boards;

/// <summary>What somebody did last on a board.</summary>
/// <param name="Person">The actor number.</param>
/// <param name="At">When, server time in ms.</param>
/// <param name="Page">On which page; 0 if that cannot be told.</param>
public sealed record LastAct(int Person, long At, long Page);

/// <summary>How many marks of students lie in a zone.</summary>
/// <param name="Zone">Id of the zone.</param>
/// <param name="Marks">How many.</param>
public sealed record ZoneCount(long Zone, int Marks);

/// <summary>What teachers' lists have to know of a board without having it: a projection of its log.</summary>
/// <param name="Through">The event up to which it is right.</param>
/// <param name="LastActivity">When a student last changed something there, server time in ms; null if none has.</param>
/// <param name="Acts">What each student did last there.</param>
/// <param name="Zones">What lies in each zone.</param>
/// <param name="Waiting">How much work waits for a decision.</param>
public sealed record BoardSummary(long Through, long? LastActivity, ImmutableArray<LastAct> Acts, ImmutableArray<ZoneCount> Zones, int Waiting)
{
    /// <summary>What can be said of a board now. The zones are counted when it is asked for the outcome, so that no writer waits for it.</summary>
    public static Func<BoardSummary> Of(Board board)
    {
        var (through, lastActivity, waiting) = (board.Number, board.LastActivity, board.SetAside.Count);
        ImmutableArray<LastAct> acts = [.. board.Acts.Values];
        ImmutableArray<Mark> zones = [.. board.Sheets.Marks.Values.Where(m => m is { Erased: false, Body: ZoneBody })];
        ImmutableArray<Mark> marks = zones.IsEmpty ? [] : [.. board.Sheets.Marks.Values.Where(m => m is { Erased: false, ByStaff: false })];
        return () => new(through, lastActivity, acts, [.. zones.OrderBy(z => z.Id).Select(z => new ZoneCount(z.Id, marks.Count(m => m.Page == z.Page && Zoning.ZonesOf(m, [z]).Length > 0)))], waiting);
    }
}
