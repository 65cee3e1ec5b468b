using System.Collections.Immutable;
using Yardang.Core.Rooms;
using Yardang.Core.Wire;

namespace Yardang.Core.Lessons;

/// <summary>When a lesson opens, is due and closes: server time in ms since 1970-01-01 UTC, null where nothing is said.</summary>
/// <param name="OpensAt">Before this, students who come wait.</param>
/// <param name="DueAt">What is handed in after this is late.</param>
/// <param name="ClosesAt">From this on, nobody writes any more.</param>
/// <param name="HandsIn">Whether students hand in what they have done.</param>
public sealed record LessonTimes([OrMinusOne] long? OpensAt = null, [OrMinusOne] long? DueAt = null, [OrMinusOne] long? ClosesAt = null, bool HandsIn = false)
{
    /// <summary>From the moment it is handed out until the teacher ends it.</summary>
    public static readonly LessonTimes None = new();

    /// <summary>Whether it opens before it is due, and is due before it closes.</summary>
    public bool IsInOrder
    {
        get
        {
            long[] said = [.. new[] { OpensAt, DueAt, ClosesAt }.OfType<long>()];
            return said.SequenceEqual(said.Distinct().Order());
        }
    }
}

/// <summary>A moment that the program announces when it has come.</summary>
public enum Moment
{
    /// <summary>The lesson opens.</summary>
    Opens = 1,

    /// <summary>The work is due.</summary>
    Due = 2,
}

/// <summary>Staff: when the lesson opens, is due and closes.</summary>
[Kind(34)]
public sealed record SetTimes([Inline] LessonTimes Times) : Command;

/// <summary>The program: a moment of the times has come.</summary>
public sealed record AnnounceMoment(Moment Moment) : Command;

/// <summary>A student: this is what I hand in; in a group, for all of it.</summary>
[Kind(35)]
public sealed record HandIn : Command;

/// <summary>A student: I go on working on what was handed in.</summary>
[Kind(36)]
public sealed record TakeWorkBack : Command;

/// <summary>The times were set.</summary>
[Kind(52)]
public sealed record TimesSet([Inline] LessonTimes Times) : RoomEvent;

/// <summary>A moment has come.</summary>
[Kind(53)]
public sealed record MomentCame(Moment Moment) : RoomEvent;

/// <summary>Somebody's work was handed in.</summary>
[Kind(54)]
public sealed record WorkHandedIn(ImmutableArray<int> People) : RoomEvent
{
    /// <inheritdoc/>
    public override bool Names(int person) => People.Contains(person);
}

/// <summary>It was taken back.</summary>
[Kind(55)]
public sealed record WorkTakenBack(ImmutableArray<int> People) : RoomEvent
{
    /// <inheritdoc/>
    public override bool Names(int person) => People.Contains(person);
}
