using System.Collections.Immutable;
using Yardang.Core.Activities;
using Yardang.Core.Rooms;

namespace Yardang.Core.Marks;

/// <summary>Put a new mark on a page.</summary>
public sealed record AddMark(long Id, long Page, Grip Grip, MarkBody Body, Style Style) : Command;

/// <summary>Put several marks on a page at once, all or none: pasted, duplicated, or an organizer. Back to front.</summary>
public sealed record AddMarks(long Page, ImmutableArray<NewMark> Marks) : Command;

/// <summary>A mark to be put on a page. Its author, order and page are given by the rules.</summary>
public sealed record NewMark(long Id, Grip Grip, MarkBody Body, Style Style, Place Place, Scale? Scale, ImmutableArray<int> Cuts, long Tie);

/// <summary>Drafts: put a new page in, before those of a larger order.</summary>
public sealed record AddPage(Page Page, double Order) : Command;

/// <summary>Change properties of things, all or none.</summary>
public sealed record MakeChanges(ImmutableArray<Change> Changes) : Command;

/// <summary>Take back what one of my gestures did.</summary>
public sealed record UndoGesture(long Gesture) : Command;

/// <summary>Do again what I took back.</summary>
public sealed record RedoGesture(long Gesture) : Command;

/// <summary>Staff: put work that was set aside on the board after all. The number is that of the event that set it aside.</summary>
public sealed record AcceptLateWork(long Number) : Command;

/// <summary>Staff: leave work that was set aside off the board.</summary>
public sealed record DiscardLateWork(long Number) : Command;

/// <summary>A mark stands on a page.</summary>
public sealed record MarkAdded(Mark Mark) : RoomEvent;

/// <summary>Marks stand on a page.</summary>
public sealed record MarksAdded(ImmutableArray<Mark> Marks) : RoomEvent;

/// <summary>A page was put in.</summary>
public sealed record PageAdded(Page Page, double Order) : RoomEvent;

/// <summary>Properties have new values.</summary>
/// <param name="Changes">The values.</param>
/// <param name="Back">The marks that are back with it, whole as they stand now: for those who never saw them. Null for none.</param>
public sealed record ChangesMade(ImmutableArray<Change> Changes, ImmutableArray<Mark>? Back = null) : RoomEvent;

/// <summary>A gesture was taken back.</summary>
/// <param name="Gesture">Which.</param>
/// <param name="Changes">The values that are back.</param>
/// <param name="Skipped">What stayed as it is, because somebody else has changed it since.</param>
/// <param name="Back">The marks that are back with it, whole as they stand now; null for none.</param>
public sealed record GestureUndone(long Gesture, ImmutableArray<Change> Changes, ImmutableArray<long> Skipped, ImmutableArray<Mark>? Back = null) : RoomEvent;

/// <summary>A gesture was done again.</summary>
/// <param name="Gesture">Which.</param>
/// <param name="Changes">The values.</param>
/// <param name="Skipped">What stayed as it is.</param>
/// <param name="Back">The marks that are back with it, whole as they stand now; null for none.</param>
public sealed record GestureRedone(long Gesture, ImmutableArray<Change> Changes, ImmutableArray<long> Skipped, ImmutableArray<Mark>? Back = null) : RoomEvent;

/// <summary>Work arrived when it could no longer be put on the board; it is kept for the teacher's decision.</summary>
public sealed record WorkSetAside(Command Command) : RoomEvent;

/// <summary>The teacher put it on the board after all.</summary>
/// <param name="Number">The event that set it aside.</param>
/// <param name="Outcome">What it did, on behalf of its author; null if it no longer fits.</param>
/// <param name="Person">Whose work it is, by actor number; 0 in old logs.</param>
/// <param name="Gesture">What it was part of; 0 in old logs.</param>
public sealed record LateWorkAccepted(long Number, RoomEvent? Outcome, int Person = 0, long Gesture = 0) : RoomEvent
{
    /// <inheritdoc/>
    public override bool Names(int person) => person == Person;
}

/// <summary>The teacher left it off.</summary>
/// <param name="Number">The event that set it aside.</param>
/// <param name="Person">Whose work it is, by actor number; 0 in old logs.</param>
public sealed record LateWorkDiscarded(long Number, int Person = 0) : RoomEvent
{
    /// <inheritdoc/>
    public override bool Names(int person) => person == Person;
}
