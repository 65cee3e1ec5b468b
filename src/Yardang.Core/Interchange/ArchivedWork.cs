using System.Collections.Immutable;
using System.Text.Json.Serialization;
using Yardang.Core.Boards;
using Yardang.Core.Judges;
using Yardang.Core.Lessons;
using Yardang.Core.Marks;
using Yardang.Core.Pages;
using Yardang.Core.Rooms;
using Yardang.Core.Walls;

namespace Yardang.Core.Interchange;

/// <summary>Somebody whose work is archived.</summary>
/// <param name="Number">The author number of their marks.</param>
/// <param name="Name">As they called themselves.</param>
/// <param name="JoinedAt">When they came; null if that is not known.</param>
/// <param name="HandedInAt">When their work was handed in; null if it was not.</param>
public sealed record ArchivedPerson(int Number, string Name, DateTimeOffset? JoinedAt = null, DateTimeOffset? HandedInAt = null);

/// <summary>A wall with all cards that are up on it.</summary>
/// <param name="Plan">What is planned for it at last.</param>
/// <param name="Cards">The cards, by topic and in order.</param>
/// <param name="Results">What all said of them, in numbers; null for nothing. Who said what is not archived.</param>
/// <param name="Order">The order of the class; null for none. Who placed what where is not archived.</param>
/// <param name="Links">Links between the cards; null for none.</param>
/// <param name="Shifts">Who stood where and stands where, in numbers; null for nothing. Who stands where is not archived.</param>
public sealed record ArchivedWall(WallPlan Plan, ImmutableArray<Card> Cards, ImmutableArray<CardResult>? Results = null, ClassOrder? Order = null, ImmutableArray<Link>? Links = null, StanceShifts? Shifts = null);

/// <summary>A board or wall with all that stands on it.</summary>
/// <param name="People">Who worked on it; empty for everybody's.</param>
/// <param name="Pages">In order; may be longer than those that were handed out.</param>
/// <param name="Marks">Printed ones included, back to front.</param>
/// <param name="Group">What the group is called whose board it is; null for other boards.</param>
/// <param name="ChangedAt">When a student last changed something there; null if none did.</param>
/// <param name="Wall">The wall; null for a board. A wall has no pages and no marks.</param>
/// <param name="Part">Of which part of the activity it is; null for part 1.</param>
/// <param name="Said">What was said to the marks of a board; null for nothing.</param>
/// <param name="Results">What all said of them, in numbers; null for nothing. Who said what is not archived.</param>
public sealed record ArchivedBoard(
    ImmutableArray<int> People, ImmutableArray<Page> Pages, ImmutableArray<Mark> Marks, string? Group = null, DateTimeOffset? ChangedAt = null, ArchivedWall? Wall = null,
    int? Part = null, ImmutableArray<MarkThread>? Said = null, ImmutableArray<CardResult>? Results = null)
{
    /// <summary>The number of the part of which it is.</summary>
    [JsonIgnore]
    public int OfPart => Part ?? RoomPlace.FirstPart;
}

/// <summary>The work of a lesson: <c>work.json</c> of an archive. The activity beside it is the version that was handed out.</summary>
/// <param name="Name">What the lesson was called.</param>
/// <param name="ClassName">For whom; may be empty.</param>
/// <param name="HandedOutAt">When.</param>
/// <param name="Way">Who shared a board in an activity of one part; where there are several, each part of the activity says its own.</param>
/// <param name="People">In the order of arrival.</param>
/// <param name="Boards">In the order of arrival.</param>
/// <param name="ClosedAt">When it was closed; null if it was running still.</param>
/// <param name="DueAt">When the work was due; null if it was not.</param>
/// <param name="HandsIn">Whether students handed their work in.</param>
public sealed record ArchivedWork(
    string Name, string ClassName, DateTimeOffset HandedOutAt, Way Way, ImmutableArray<ArchivedPerson> People, ImmutableArray<ArchivedBoard> Boards,
    DateTimeOffset? ClosedAt = null, DateTimeOffset? DueAt = null, bool HandsIn = false);
