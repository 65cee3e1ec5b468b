using System.Collections.Immutable;
using Yardang.Core.Boards;
using Yardang.Core.Editing;
using Yardang.Core.Marks;
using Yardang.Core.Rooms;
using Yardang.Core.Threads;
using Yardang.Core.Walls;

namespace Yardang.Core.History;

/// <summary>What a teacher does to take back that they let something in: it goes down, or is as it was before.</summary>
/// <param name="room">The room as it is then.</param>
/// <returns>The command; null if somebody has changed since what was let in, or it cannot be taken back.</returns>
public delegate Command? TakeBack(Room room);

/// <summary>How things that were let in are taken back.</summary>
public static class TakingBack
{
    /// <summary>How what came of work is taken back later. What was there before is remembered at once.</summary>
    /// <param name="outcome">What it did.</param>
    /// <param name="before">The room as it was before.</param>
    public static TakeBack Of(RoomEvent outcome, Room before) => before switch
    {
        Board board => Of(outcome, board),
        Wall wall => Of(outcome, wall),
        _ => _ => null,
    };

    private static TakeBack Of(RoomEvent outcome, Board before) => outcome switch
    {
        MarkAdded(var mark) => now => Down([mark.Id], (Board)now),
        MarksAdded(var marks) => now => Down(marks.Select(m => m.Id), (Board)now),
        ChangesMade(var changes, _) => AsBefore(changes, before.Sheets),
        GestureUndone e => AsBefore(e.Changes, before.Sheets),
        GestureRedone e => AsBefore(e.Changes, before.Sheets),
        _ => OfAnswer(outcome, before.Talk.About, (now, about) => ((Board)now).Talk.About(about)),
    };

    private static MakeChanges? Down(IEnumerable<long> marks, Board now) =>
        marks.Where(id => now.Sheets.Marks.TryGetValue(id, out var mark) && mark.Stands).Select(id => (Change)new TakingDown(id, TakenDown.Hidden)).ToImmutableArray() is { IsEmpty: false } changes ? new MakeChanges(changes) : null;

    // Cuts are made one over the other; that they are as they were made is not asked.
    private static TakeBack AsBefore(ImmutableArray<Change> changes, Sheets before)
    {
        var steps = changes.Select(made => (Made: made, Was: before.Current(made.Target, made.Property))).Where(s => s.Was is not null).ToList();
        return now =>
        {
            var back = steps.Where(s => s.Made is Cutting || Equals(((Board)now).Sheets.Current(s.Made.Target, s.Made.Property), s.Made)).Select(s => s.Was!).ToImmutableArray();
            return back.IsEmpty ? null : new RestoreMarks(back);
        };
    }

    private static TakeBack Of(RoomEvent outcome, Wall before)
    {
        Card? Was(long id) => before.Cards.GetValueOrDefault(id);
        static TakeBack If(long id, Func<Card, bool> isSo, Func<Command> command) => now => ((Wall)now).Cards.GetValueOrDefault(id) is { } card && isSo(card) ? command() : null;
        return outcome switch
        {
            CardPutUp(var card) => If(card.Id, c => c.IsUp, () => new TakeCardDown(card.Id)),
            CardPutBack(var card, _) => If(card.Id, c => c.IsUp, () => new TakeCardDown(card.Id)),
            CardTakenDown e => If(e.Id, c => !c.IsUp, () => new PutCardBack(e.Id)),
            CardReworded e when Was(e.Id) is { } was => If(e.Id, c => string.Equals(c.Text, e.Text, StringComparison.Ordinal), () => new RewordCard(e.Id, was.Language, was.Text, was.Attachments)),
            CardMoved e when Was(e.Id) is { } was => If(e.Id, c => (c.Topic, c.Order) == (e.Topic, e.Order), () => new MoveCard(e.Id, was.Topic, was.Order)),
            CardColoured e when Was(e.Card) is { } was => If(e.Card, c => c.Colour == e.Colour, () => new ColourCard(e.Card, was.Colour)),
            CardJoined e when Was(e.Card) is { } was => If(e.Card, c => c.Joined == e.Onto, () => new JoinCard(e.Card, was.Joined)),
            CardLaid e when Was(e.Card) is { Spot: { } spot } => If(e.Card, c => c.Spot == e.Spot, () => new LayCard(e.Card, spot)),
            CardsLinked(var link, _) => _ => new TakeLinkDown(link.Id),
            LinkPutBack(var link, _) => _ => new TakeLinkDown(link.Id),
            LinkTakenDown e => _ => new PutLinkBack(e.Id),
            LinkReversed e => _ => new ReverseLink(e.Id),
            LinkReworded e when before.Links.All.GetValueOrDefault(e.Id) is { } was => now => string.Equals(((Wall)now).Links.All.GetValueOrDefault(e.Id)?.Text, e.Text, StringComparison.Ordinal) ? new RewordLink(e.Id, was.Word, was.Language, was.Text) : null,
            _ => OfAnswer(outcome, id => Was(id)?.Said ?? [], (now, about) => ((Wall)now).Cards.GetValueOrDefault(about)?.Said ?? []),
        };
    }

    private static TakeBack OfAnswer(RoomEvent outcome, Func<long, ImmutableArray<Answer>> before, Func<Room, long, ImmutableArray<Answer>> said)
    {
        TakeBack If(long about, long id, Func<Answer, bool> isSo, Func<Command> command) => now => said(now, about).FirstOrDefault(a => a.Id == id) is { } answer && isSo(answer) ? command() : null;
        return outcome switch
        {
            AnswerGiven(var about, var answer, _) => If(about, answer.Id, a => a.IsUp, () => new TakeAnswerDown(about, answer.Id)),
            AnswerPutBack(var about, var answer, _) => If(about, answer.Id, a => a.IsUp, () => new TakeAnswerDown(about, answer.Id)),
            AnswerTakenDown e => If(e.About, e.Id, a => !a.IsUp, () => new PutAnswerBack(e.About, e.Id)),
            AnswerReworded e when before(e.About).FirstOrDefault(a => a.Id == e.Id) is { } was => If(e.About, e.Id, a => string.Equals(a.Text, e.Text, StringComparison.Ordinal), () => new RewordAnswer(e.About, e.Id, was.Language, was.Text)),
            _ => _ => null,
        };
    }
}
