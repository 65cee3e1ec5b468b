using System.Collections.Immutable;
using Yardang.Core.Marks;
using Yardang.Core.Pages;
using Yardang.Core.Rooms;
using Yardang.Core.Styles;
using Yardang.Core.Wire;

namespace Yardang.Core.Editing;

/// <summary>Put a new mark on a page.</summary>
/// <param name="Id">Its id.</param>
/// <param name="Page">Where.</param>
/// <param name="Grip">Who may grip it.</param>
/// <param name="Body">What it is made of.</param>
/// <param name="Style">How it looks.</param>
/// <param name="For">Boards, staff: who said it aloud, by actor number, to whom it belongs; 0: whoever puts it there.</param>
[Kind(1)]
public sealed record AddMark(long Id, long Page, Grip Grip, MarkBody Body, Style Style, [Since(2)] int For = 0) : Command;

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

/// <summary>Boards, staff: have marks as they were before, all or none. Unlike <see cref="MakeChanges"/>, what was rubbed out of ink since is there again.</summary>
[Kind(108)]
public sealed record RestoreMarks([AtMost(Limits.Changes)] ImmutableArray<Change> Changes) : Command;

/// <summary>Take back what one of my gestures did.</summary>
[Kind(3)]
public sealed record UndoGesture(long Gesture) : Command;

/// <summary>Do again what I took back.</summary>
[Kind(4)]
public sealed record RedoGesture(long Gesture) : Command;

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
public sealed record ChangesMade([AtMost(Limits.Changes)] ImmutableArray<Change> Changes, [Since(2), NullIsEmpty] ImmutableArray<Mark>? Back = null) : RoomEvent
{
    /// <inheritdoc/>
    public override bool Withdraws => Changes.Any(TakingDown.Withdraws);
}

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
public sealed record GestureRedone(long Gesture, ImmutableArray<Change> Changes, ImmutableArray<long> Skipped, [Since(2), NullIsEmpty] ImmutableArray<Mark>? Back = null) : RoomEvent
{
    /// <inheritdoc/>
    public override bool Withdraws => Changes.Any(TakingDown.Withdraws);
}
