using System.Collections.Immutable;
using Yardang.Core.Boards;
using Yardang.Core.Editing;
using Yardang.Core.Lessons;
using Yardang.Core.Marks;
using Yardang.Core.Rooms;
using Yardang.Core.Threads;
using Yardang.Core.Walls;

namespace Yardang.Core.PersonalData;

/// <summary>
/// Takes what a person did out of the log of a room, for good. Numbers stay, so the log can be read as before. What others said to something of theirs stays with an empty frame of it;
/// what they moved of others' stays moved. What else they did is redacted.
/// </summary>
public sealed class Erasure
{
    /// <summary>Stands where something stood to which others had answered.</summary>
    public const string Gone = "—";

    private const int FrameSize = 700;

    private readonly int _person;
    private readonly HashSet<long> _marks = [];
    private readonly HashSet<long> _cards = [];
    private readonly HashSet<long> _answers = [];
    private readonly HashSet<long> _links = [];

    // Marks, cards and answers to which others have answered.
    private readonly HashSet<long> _answered = [];

    /// <summary>Looks through the log for what is theirs.</summary>
    /// <param name="log">All of it.</param>
    /// <param name="person">Whose, by actor number.</param>
    public Erasure(IEnumerable<Envelope> log, int person)
    {
        _person = person;
        foreach (var happened in log)
        {
            Note(happened.Event is LateWorkAccepted { Outcome: { } outcome } ? outcome : happened.Event);
        }
    }

    /// <summary>An event as it is kept from now on; the same if it says nothing of theirs.</summary>
    public Envelope Of(Envelope happened)
    {
        if (happened.Event is ClientAdmitted or Redacted) return happened;
        var isTheirs = happened.Actor.Number == _person && !happened.Actor.IsStaff;
        var left = happened.Event switch
        {
            LateWorkAccepted { Outcome: { } outcome } accepted when accepted.Person == _person => Theirs(outcome) is { } kept ? accepted with { Outcome = kept } : null,
            _ => isTheirs ? Theirs(happened.Event) : Others(happened.Event),
        };
        return left is null ? happened with { Event = new Redacted() } : ReferenceEquals(left, happened.Event) ? happened : happened with { Event = left };
    }

    private void Note(RoomEvent act)
    {
        switch (act)
        {
            case MarkAdded(var mark): Note([mark]); break;
            case MarksAdded(var marks): Note(marks); break;
            case CardPutUp(var card): Note([card]); break;
            case CardsBrought e: Note(e.Cards); break;
            case CardsShown e: Note(e.Cards); break;
            case CardsLinked(var link, _) when link.Author == _person && !link.ByStaff: _links.Add(link.Id); break;
            case AnswerGiven(_, var answer, _) when answer.Author == _person && !answer.ByStaff: _answers.Add(answer.Id); break;
            case AnswerGiven(var about, var answer, _):
                _answered.Add(about);
                _answered.Add(answer.To);
                break;
        }
    }

    private void Note(IEnumerable<Mark> marks) => _marks.UnionWith(marks.Where(m => m.Author == _person && !m.ByStaff).Select(m => m.Id));

    private void Note(IEnumerable<Card> cards) => _cards.UnionWith(cards.Where(c => c.Author == _person && !c.ByStaff).Select(c => c.Id));

    // Of what they did: only where something of others' is, or hangs on it.
    private RoomEvent? Theirs(RoomEvent act) => act switch
    {
        MarkAdded or MarksAdded or CardPutUp or CardPutBack or AnswerGiven or ChangesMade or GestureUndone or GestureRedone => Others(act),
        CardMoved e => Unless(e.Id, e),
        CardLaid e => Unless(e.Card, e),
        CardPlaced e => Unless(e.Card, e),
        CardJoined e => Unless(e.Card, e),
        CardTakenDown e => Unless(e.Id, e),
        _ => null,
    };

    private RoomEvent? Unless(long card, RoomEvent act) => _cards.Contains(card) && !_answered.Contains(card) ? null : act;

    private RoomEvent? Others(RoomEvent act) => act switch
    {
        MarkAdded(var mark) => Left(mark) is { } left ? ReferenceEquals(left, mark) ? act : new MarkAdded(left) : null,
        MarksAdded(var marks) => Left(marks) is { IsEmpty: false } left ? left == marks ? act : new MarksAdded(left) : null,
        ChangesMade e => Left(e.Changes) is { IsEmpty: false } left ? e with { Changes = left, Back = Left(e.Back) } : null,
        GestureUndone e => e with { Changes = Left(e.Changes), Skipped = [.. e.Skipped.Where(id => !_marks.Contains(id))], Back = Left(e.Back) },
        GestureRedone e => e with { Changes = Left(e.Changes), Skipped = [.. e.Skipped.Where(id => !_marks.Contains(id))], Back = Left(e.Back) },
        CardPutUp(var card) => Left(card) is { } left ? ReferenceEquals(left, card) ? act : new CardPutUp(left) : null,
        CardPutBack e => Left(e.Card) is { } left ? e with { Card = left } : null,
        CardsShown e => e with { Cards = Left(e.Cards), Links = Left(e.Links) },
        CardsBrought e => e with { Cards = Left(e.Cards), Links = Left(e.Links) },
        CardsLetOut e => e with { Cards = Left(e.Cards) },
        CardReworded e => _cards.Contains(e.Id) ? null : e,
        CardTakenDown e => _cards.Contains(e.Id) && e.Words.Length > 0 ? e with { Words = "" } : e,
        SealBroken e => _cards.Contains(e.Card) ? null : e,
        AnswerGiven e => Left(e.Answer) is { } left ? ReferenceEquals(left, e.Answer) ? e : e with { Answer = left } : null,
        AnswerPutBack e => Left(e.Answer) is { } left ? ReferenceEquals(left, e.Answer) ? e : e with { Answer = left } : null,
        AnswerReworded e => _answers.Contains(e.Id) ? null : e,
        AnswerTakenDown e => _answers.Contains(e.Id) && e.Words.Length > 0 ? e with { Words = "" } : e,
        CardsLinked e => _links.Contains(e.Link.Id) ? null : e,
        LinkPutBack e => _links.Contains(e.Link.Id) ? null : e,
        LinkReworded e => _links.Contains(e.Id) ? null : e,
        LateWorkAccepted { Outcome: { } outcome } e => Others(outcome) is { } left ? ReferenceEquals(left, outcome) ? e : e with { Outcome = left } : null,
        LateWorkAccepted e => e.Person == _person ? null : e,
        LateWorkDiscarded e => e.Person == _person ? null : e,
        WorkReturned e => e.Person == _person ? null : e,
        WorkTakenUpAgain e => e.Work.Actor.Number == _person ? null : e,
        ClassCalled e => IsToThemAlone(e.People) ? e with { Words = "" } : e,
        PensHeld e => IsToThemAlone(e.People) ? e with { Words = "" } : e,
        _ => act,
    };

    private bool IsToThemAlone(ImmutableArray<int> people) => people is [var one] && one == _person;

    private Mark? Left(Mark mark)
    {
        if (!_marks.Contains(mark.Id)) return mark;
        if (!_answered.Contains(mark.Id)) return null;
        var box = mark.Body.Box();
        return mark with { Body = new TextBody((int)box.X, (int)box.Y, Math.Max(FrameSize, (int)box.Width), Math.Max(FrameSize, (int)box.Height), new Words(Gone, "", [Gone], FrameSize)), Cuts = [], Scale = null };
    }

    private ImmutableArray<Mark> Left(ImmutableArray<Mark> marks) => marks.Any(m => _marks.Contains(m.Id)) ? [.. marks.Select(Left).OfType<Mark>()] : marks;

    private ImmutableArray<Mark>? Left(ImmutableArray<Mark>? marks) => marks is { } some && Left(some) is { IsEmpty: false } left ? left : null;

    // Of an empty frame only where it stands, and whether.
    private ImmutableArray<Change> Left(ImmutableArray<Change> changes) =>
        changes.Any(c => _marks.Contains(c.Target)) ? [.. changes.Where(c => !_marks.Contains(c.Target) || (_answered.Contains(c.Target) && c is Placed or Erasing or Ordering or TakingDown))] : changes;

    private Card? Left(Card card)
    {
        var answers = card.Said.Any(a => _answers.Contains(a.Id)) ? [.. card.Said.Select(Left).OfType<Answer>()] : card.Said;
        if (!_cards.Contains(card.Id)) return answers == card.Said ? card : card with { Answers = answers.IsEmpty ? null : answers };
        return _answered.Contains(card.Id) ? card with { Language = "", Text = Gone, Attachments = null, DownWhy = "", Answers = answers.IsEmpty ? null : answers } : null;
    }

    private ImmutableArray<Card> Left(ImmutableArray<Card> cards) => [.. cards.Select(Left).OfType<Card>()];

    private Answer? Left(Answer answer) => !_answers.Contains(answer.Id) ? answer : _answered.Contains(answer.Id) ? answer with { Language = "", Text = Gone, DownWhy = "" } : null;

    private ImmutableArray<Link>? Left(ImmutableArray<Link>? links) => links is { } some && some.Where(l => !_links.Contains(l.Id)).ToImmutableArray() is { IsEmpty: false } left ? left : null;
}
