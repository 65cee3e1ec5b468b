using System.Collections.Immutable;
using System.Text.Json.Serialization;
using Yardang.Core.Activities;
using Yardang.Core.Rooms;
using Yardang.Core.Wire;

namespace Yardang.Core.Lessons;

/// <summary>A part of the activity as a lesson knows it.</summary>
/// <param name="Number">Its number in the activity.</param>
/// <param name="Kind">What it is made of.</param>
/// <param name="Way">Who works with whom in it.</param>
/// <param name="IsOpen">Whether students see it now.</param>
/// <param name="Privacy">From whom the boards of students are kept until they are shown.</param>
/// <param name="AreUp">Whether all of these boards are up.</param>
public sealed record LessonPart(int Number, PartKind Kind, Way Way, bool IsOpen = true, Privacy Privacy = Privacy.None, bool AreUp = false)
{
    /// <summary>What its rooms are.</summary>
    [JsonIgnore]
    public RoomKind RoomKind => Kind == PartKind.Wall ? RoomKind.Wall : RoomKind.Board;
}
/// <summary>The parts of a lesson, in order.</summary>
public static class LessonParts
{
    /// <summary>Where somebody works in one of them. Where there is only one, who is in a group works with it, also if all began alone.</summary>
    /// <param name="parts">The parts.</param>
    /// <param name="part">Which one.</param>
    /// <param name="person">Who.</param>
    /// <param name="group">The number of their group; 0 if they are in none.</param>
    public static RoomPlace PlaceIn(this IReadOnlyCollection<LessonPart> parts, LessonPart part, int person, int group) =>
        RoomPlace.Of(part.Number, part.Way == Way.OneEach && parts.Count == 1 ? Way.ByGroup : part.Way, person, group);

    /// <summary>Whether groups make a difference in it.</summary>
    public static bool IsByGroup(this IReadOnlyCollection<LessonPart> parts, LessonPart part) => part.Way == Way.ByGroup || (part.Way == Way.OneEach && parts.Count == 1);
}

/// <summary>The program: the activity has these parts, by their numbers, in order.</summary>
/// <param name="Parts">All of them.</param>
/// <param name="OneByOne">Whether only the first is open to begin with.</param>
public sealed record PlanParts(ImmutableArray<int> Parts, bool OneByOne) : Command;

/// <summary>The lesson has these parts.</summary>
/// <param name="Parts">Their numbers, in order.</param>
/// <param name="Open">Which are open.</param>
[Kind(59)]
public sealed record PartsPlanned(ImmutableArray<int> Parts, ImmutableSortedSet<int> Open) : RoomEvent;

/// <summary>Staff: open a part, or close it again. What was done there stays.</summary>
[Kind(37)]
public sealed record SetPart(int Part, bool Open) : Command;

/// <summary>A part is open, or is not.</summary>
[Kind(60)]
public sealed record PartSet(int Part, bool Open) : RoomEvent;
