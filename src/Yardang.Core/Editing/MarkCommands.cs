using System.Collections.Immutable;
using Yardang.Core.Marks;
using Yardang.Core.Pages;
using Yardang.Core.Rooms;
using Yardang.Core.Wire;

namespace Yardang.Core.Editing;

/// <summary>Put a new mark on a page.</summary>
[Kind(1)]
public sealed record AddMark(long Id, long Page, Grip Grip, MarkBody Body, Style Style) : Command;

/// <summary>Put several marks on a page at once, all or none: pasted, duplicated, or an organizer. Back to front.</summary>
[Kind(7)]
public sealed record AddMarks(long Page, [AtMost(Limits.NewMarks)] ImmutableArray<NewMark> Marks) : Command;

/// <summary>A mark to be put on a page. Its author, order and page are given by the rules.</summary>
public sealed record NewMark(long Id, Grip Grip, MarkBody Body, Style Style, Place Place, Scale? Scale, ImmutableArray<int> Cuts, long Tie);

/// <summary>Drafts: put a new page in, before those of a larger order.</summary>
[Kind(8)]
public sealed record AddPage(Page Page, double Order) : Command;

/// <summary>Change properties of things, all or none.</summary>
[Kind(2)]
public sealed record MakeChanges([AtMost(Limits.Changes)] ImmutableArray<Change> Changes) : Command;

/// <summary>Take back what one of my gestures did.</summary>
[Kind(3)]
public sealed record UndoGesture(long Gesture) : Command;

/// <summary>Do again what I took back.</summary>
[Kind(4)]
public sealed record RedoGesture(long Gesture) : Command;

/// <summary>Staff: put work that was set aside on the board after all. The number is that of the event that set it aside.</summary>
[Kind(5)]
public sealed record AcceptLateWork(long Number) : Command;

/// <summary>Staff: leave work that was set aside off the board.</summary>
[Kind(6)]
public sealed record DiscardLateWork(long Number) : Command;

/// <summary>A mark stands on a page.</summary>
[Kind(10)]
public sealed record MarkAdded(Mark Mark) : RoomEvent;

/// <summary>Marks stand on a page.</summary>
[Kind(17)]
public sealed record MarksAdded(ImmutableArray<Mark> Marks) : RoomEvent;

/// <summary>A page was put in.</summary>
[Kind(18)]
public sealed record PageAdded(Page Page, double Order) : RoomEvent;

/// <summary>Properties have new values.</summary>
/// <param name="Changes">The values.</param>
/// <param name="Back">The marks that are back with it, whole as they stand now: for those who never saw them. Null for none.</param>
[Kind(11)]
public sealed record ChangesMade([AtMost(Limits.Changes)] ImmutableArray<Change> Changes, [Since(2), NullIsEmpty] ImmutableArray<Mark>? Back = null) : RoomEvent;

/// <summary>A gesture was taken back.</summary>
/// <param name="Gesture">Which.</param>
/// <param name="Changes">The values that are back.</param>
/// <param name="Skipped">What stayed as it is, because somebody else has changed it since.</param>
/// <param name="Back">The marks that are back with it, whole as they stand now; null for none.</param>
[Kind(12)]
public sealed record GestureUndone(long Gesture, ImmutableArray<Change> Changes, ImmutableArray<long> Skipped, [Since(2), NullIsEmpty] ImmutableArray<Mark>? Back = null) : RoomEvent;

/// <summary>A gesture was done again.</summary>
/// <param name="Gesture">Which.</param>
/// <param name="Changes">The values.</param>
/// <param name="Skipped">What stayed as it is.</param>
/// <param name="Back">The marks that are back with it, whole as they stand now; null for none.</param>
[Kind(13)]
public sealed record GestureRedone(long Gesture, ImmutableArray<Change> Changes, ImmutableArray<long> Skipped, [Since(2), NullIsEmpty] ImmutableArray<Mark>? Back = null) : RoomEvent;

/// <summary>Work arrived when it could no longer be put on the board; it is kept for the teacher's decision.</summary>
[Kind(14)]
public sealed record WorkSetAside([Inline] Command Command) : RoomEvent;

/// <summary>The teacher put it on the board after all.</summary>
/// <param name="Number">The event that set it aside.</param>
/// <param name="Outcome">What it did, on behalf of its author; null if it no longer fits.</param>
/// <param name="Person">Whose work it is, by actor number; 0 in old logs.</param>
/// <param name="Gesture">What it was part of; 0 in old logs.</param>
[Kind(15)]
public sealed record LateWorkAccepted(long Number, [Inline, Since(2)] RoomEvent? Outcome, [Since(3)] int Person = 0, [Since(3)] long Gesture = 0) : RoomEvent
{
    /// <inheritdoc/>
    public override bool Names(int person) => person == Person;
}

/// <summary>The teacher left it off.</summary>
/// <param name="Number">The event that set it aside.</param>
/// <param name="Person">Whose work it is, by actor number; 0 in old logs.</param>
[Kind(16)]
public sealed record LateWorkDiscarded(long Number, [Since(2)] int Person = 0) : RoomEvent
{
    /// <inheritdoc/>
    public override bool Names(int person) => person == Person;
}
