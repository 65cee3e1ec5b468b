using System.Collections.Immutable;
using Yardang.Core.Boards;
using Yardang.Core.Editing;
using Yardang.Core.LateChanges;
using Yardang.Core.Marks;
using Yardang.Core.Rooms;
using Yardang.Core.Threads;
using Yardang.Core.Walls;

namespace Yardang.Core.History;

/// <summary>What was done. As in <c>Client/history/steps.ts</c>, by the names there.</summary>
public enum Doing
{
    /// <summary>Ink, a shape or a connector came.</summary>
    Drew,

    /// <summary>Something that is written came.</summary>
    Wrote,

    /// <summary>A picture or stamp came.</summary>
    Put,

    /// <summary>Cards were linked.</summary>
    Linked,

    /// <summary>It stands somewhere else.</summary>
    Moved,

    /// <summary>A card joined another that says the same.</summary>
    Joined,

    /// <summary>It says something else.</summary>
    Reworded,

    /// <summary>It looks otherwise.</summary>
    Changed,

    /// <summary>The wall is planned otherwise.</summary>
    Planned,

    /// <summary>It was rubbed out, or part of it.</summary>
    Rubbed,

    /// <summary>What was rubbed out is back.</summary>
    Back,

    /// <summary>It was taken down.</summary>
    TookDown,

    /// <summary>What was taken down is up again.</summary>
    PutBack,

    /// <summary>A step was taken back.</summary>
    Undid,

    /// <summary>A step was done again.</summary>
    Redid,

    /// <summary>It was locked against students.</summary>
    Locked,

    /// <summary>It was locked, and is free again.</summary>
    Unlocked,

    /// <summary>Something was said to it.</summary>
    Answered,

    /// <summary>More was handed out.</summary>
    HandedOut,
}

/// <summary>One thing that somebody did on a board or wall, as far as something is seen of it.</summary>
/// <param name="Number">The number of the event.</param>
/// <param name="Time">When, server time in ms.</param>
/// <param name="Person">Who, by actor number.</param>
/// <param name="ByStaff">Whether it was a teacher, or the program for them.</param>
/// <param name="What">What they did.</param>
/// <param name="Place">Id of the page or topic; 0 for none.</param>
/// <param name="Things">Ids of the marks or cards.</param>
/// <param name="Words">What was said; empty for nothing.</param>
public sealed record LogLine(long Number, long Time, int Person, bool ByStaff, Doing What, long Place, ImmutableArray<long> Things, string Words)
{
    /// <summary>What an event did, in a room as it was before it; null if nothing is seen of it.</summary>
    public static LogLine? Of(Envelope envelope, Room before)
    {
        // What waited was done by whoever wrote it.
        var (happened, person, byStaff) = envelope.Event is LateWorkAccepted { Outcome: { } outcome } accepted
            ? (outcome, accepted.Person != 0 ? accepted.Person : envelope.Actor.Number, false)
            : (envelope.Event, envelope.Actor.Number, envelope.Actor.Role != Role.Student);
        var told = before switch
        {
            Board board => Told(happened, board),
            Wall wall => Told(happened, wall),
            _ => null,
        };
        return told is var (what, place, things, words) ? new(envelope.Number, envelope.Time, person, byStaff, what, place, things, words) : null;
    }

    private static (Doing, long, ImmutableArray<long>, string)? Told(RoomEvent happened, Board board) => happened switch
    {
        MarkAdded(var mark) => Added([mark]),
        MarksAdded({ IsEmpty: false } marks) => Added(marks),
        ChangesMade(var changes, _) => Changes(changes, board.Sheets, null),
        GestureUndone(_, var changes, _, _) => Changes(changes, board.Sheets, Doing.Undid),
        GestureRedone(_, var changes, _, _) => Changes(changes, board.Sheets, Doing.Redid),
        PageLocked locked => (Locks(locked.On), locked.Page, [], ""),
        LateChangeAdopted adopted => (Doing.HandedOut, adopted.Page, [.. adopted.Marks.Select(m => m.Id)], ""),
        AnswerGiven(var about, var answer, _) => (Doing.Answered, board.Sheets.Marks.GetValueOrDefault(about)?.Page ?? 0, [about], answer.Text),
        _ => null,
    };

    private static Doing Locks(bool on) => on ? Doing.Locked : Doing.Unlocked;

    private static (Doing, long, ImmutableArray<long>, string)? Added(ImmutableArray<Mark> marks)
    {
        var what = marks[0].Body switch
        {
            TextBody or NoteBody or BubbleBody or FormulaBody or FieldAnswerBody => Doing.Wrote,
            PictureBody or StampBody or ShownBody => Doing.Put,
            _ => Doing.Drew,
        };
        return (what, marks[0].Page, [.. marks.Select(m => m.Id)], Said(marks[0]));
    }

    private static (Doing, long, ImmutableArray<long>, string)? Changes(ImmutableArray<Change> changes, Sheets sheets, Doing? what)
    {
        if (changes.IsEmpty || !sheets.Marks.TryGetValue(changes[0].Target, out var mark)) return null;
        var words = changes.OfType<Wording>().FirstOrDefault()?.Words.Text ?? Said(mark);
        return (what ?? WhatOf(changes), mark.Page, [.. changes.Select(c => c.Target).Distinct()], words);
    }

    private static Doing WhatOf(ImmutableArray<Change> changes) =>
        changes.Any(c => c is Erasing { Erased: false }) ? Doing.Back
        : changes.Any(c => c is Erasing or Cutting) ? Doing.Rubbed
        : changes.OfType<TakingDown>().FirstOrDefault() is { } taking ? taking.Down == TakenDown.No ? Doing.PutBack : Doing.TookDown
        : changes.Any(c => c is Wording or Remaking) ? Doing.Reworded
        : changes.Any(c => c is Placed or Scaling or Ordering) ? Doing.Moved : Doing.Changed;

    private static string Said(Mark mark) => mark.Words?.Text ?? string.Join(' ', mark.Body.Said());

    private static (Doing, long, ImmutableArray<long>, string)? Told(RoomEvent happened, Wall wall) => happened switch
    {
        CardPutUp(var card) => Of(card, Doing.Wrote),
        CardPutBack(var card, _) => Of(card, Doing.PutBack),
        CardReworded reworded => Known(wall, reworded.Id, Doing.Reworded, reworded.Text),
        CardMoved moved => Known(wall, moved.Id, Doing.Moved),
        CardLaid laid => Known(wall, laid.Card, Doing.Moved),
        CardPlaced placed => Known(wall, placed.Card, Doing.Moved),
        CardJoined joined => Known(wall, joined.Card, joined.Onto == 0 ? Doing.Moved : Doing.Joined),
        CardColoured coloured => Known(wall, coloured.Card, Doing.Changed),
        CardLocked locked => Known(wall, locked.Card, Locks(locked.On)),
        TopicLocked locked => (Locks(locked.On), locked.Topic, [], ""),
        CardTakenDown taken => Known(wall, taken.Id, Doing.TookDown),
        AnswerGiven(var about, var answer, _) => Known(wall, about, Doing.Answered, answer.Text),
        AnswerReworded reworded => Known(wall, reworded.About, Doing.Reworded, reworded.Text),
        AnswerTakenDown taken => Known(wall, taken.About, Doing.TookDown),
        AnswerPutBack(var about, var answer, _) => Known(wall, about, Doing.PutBack, answer.Text),
        CardsLinked(var link, _) => Of(wall, link, Doing.Linked),
        LinkReworded reworded => Of(wall, wall.Links.All.GetValueOrDefault(reworded.Id), Doing.Reworded, reworded.Text),
        LinkReversed reversed => Of(wall, wall.Links.All.GetValueOrDefault(reversed.Id), Doing.Changed),
        LinkTakenDown taken => Of(wall, wall.Links.All.GetValueOrDefault(taken.Id), Doing.TookDown),
        LinkPutBack(var link, _) => Of(wall, link, Doing.PutBack),
        QuestionFiled filed => Known(wall, filed.Card, Doing.Changed),
        FieldLaid(var spots) => (Doing.Moved, 0, [.. spots.Select(s => s.Card)], ""),
        PlanSet or CardsShown => (Doing.Planned, 0, [], ""),
        _ => null,
    };

    private static (Doing, long, ImmutableArray<long>, string)? Of(Card card, Doing what) =>
        (what, card.Topic, [card.Id], card.Text.Length > 0 ? card.Text : string.Join(' ', card.Shown.Select(a => a.Said())));

    private static (Doing, long, ImmutableArray<long>, string)? Of(Wall wall, Link? link, Doing what, string? words = null)
    {
        if (link is null) return null;
        string Text(long card) => wall.Cards.GetValueOrDefault(card)?.Text ?? "";
        var said = words ?? link.Text;
        return Known(wall, link.From, what, $"{Text(link.From)} → {Text(link.To)}{(said.Length > 0 ? $": {said}" : "")}");
    }

    private static (Doing, long, ImmutableArray<long>, string)? Known(Wall wall, long id, Doing what, string? words = null) =>
        wall.Cards.GetValueOrDefault(id) is not { } card || Of(card, what) is not var (_, place, things, said) ? null : (what, place, things, words ?? said);
}
