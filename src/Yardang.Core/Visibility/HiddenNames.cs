using System.Collections.Immutable;
using Yardang.Core.Judges;
using Yardang.Core.Rooms;
using Yardang.Core.Threads;
using Yardang.Core.Walls;

namespace Yardang.Core.Visibility;

/// <summary>
/// What a student is told of a wall on which names are hidden, and a teacher where they are for nobody: of their own things everything, of teachers' as ever, and of classmates' nothing that tells
/// whose they are — no author, an id that says nothing of the tab that made it, no time finer than the minute — and not before it was let out (<see cref="LetOut"/>).
/// </summary>
public static class HiddenNames
{
    private const long Minute = 60_000;

    /// <summary>An event as a student is told it, of those that they are told of (<see cref="Sight"/>).</summary>
    /// <param name="reader">The student.</param>
    /// <param name="e">What happened.</param>
    /// <param name="veil">The ids that they know things by.</param>
    public static Envelope AsTold(Actor reader, Envelope e, Veil veil) => e with { Event = AsTold(reader, e.Event, veil) };

    /// <summary>The state of the wall, as the events add up that they were told of.</summary>
    internal static WallSnapshot Of(Wall wall, Actor reader)
    {
        var known = wall.Out!;
        long Id(long id) => wall.Veil.Over(reader, id);
        var copy = CopyOf(known.Plan, Restored(
            known.Plan,
            [.. known.Cards.Values.Where(card => Sight.Of(reader, card, known.Plan.Rules)).Select(card => AsTold(reader, Sight.AsSeen(reader, card), wall.Veil))],
            [.. known.Links.Values.Where(link => Sight.Of(reader, link, known.Cards, known.Plan.Rules)).Select(link => AsTold(reader, link, wall.Veil))]));
        foreach (var e in known.Since.Where(e => Sight.Of(reader, e)))
        {
            copy.AdvanceTo(e.Number - 1);
            copy.Apply(AsTold(reader, e, wall.Veil));
        }

        var judging = wall.Judgements.StateFor(judgement => Sight.Of(reader, judgement), person => Sight.OfJudge(reader, person));
        var placing = wall.Placements.StateFor(place => Sight.Of(reader, place));
        var stances = wall.Stances.StateFor(stance => Sight.Of(reader, stance));
        return Snapshots.Of(CopyOf(wall.Plan, Restored(wall.Plan, [.. copy.Cards.Values], [.. copy.Links.All.Values]) with
        {
            SetAside = [.. wall.SetAside.Values.Where(late => Sight.Of(reader, late)).Select(late => late with { Command = late.Command.WithIds(Id) })],
            LastActivity = wall.Acts.TryGetValue(reader.Number, out var own) ? own.At : null,
            Acts = [.. wall.Acts.Values.Where(act => Sight.Of(reader, act))],
            Judging = judging with
            {
                Given = [.. judging.Given.Select(j => j with { Card = Id(j.Card) })],
                Results = [.. judging.Results.Select(r => r with { Card = Id(r.Card) }).OrderBy(r => r.Round).ThenBy(r => r.Card)],
            },
            Trip = wall.Visits.Trip,
            Visits = [.. wall.Visits.All.Values.Where(visit => Sight.Of(reader, visit))],
            Reading = [.. wall.Reading.For(list => Sight.Of(reader, list)).Select(l => l with { Cards = [.. l.Cards.Select(Id).Order()], Read = [.. l.Read.Select(Id)] })],
            Stances = stances with { Own = [.. stances.Own.Select(s => s with { Moved = Id(s.Moved) })], Shown = stances.Shown?.WithIds(Id) },
            Starters = wall.Starters.For(own => Sight.Of(reader, own)),
            Concerns = [.. wall.Concerns.Open.Where(concern => Sight.Of(reader, concern)).Select(concern => concern with { About = Id(concern.About), Answer = Id(concern.Answer) })],
            Placing = new([.. placing.Own.Select(p => p with { Card = Id(p.Card) })], placing.Shown?.WithIds(Id)),
        }), reader) as WallSnapshot ?? throw new InvalidOperationException("A wall has another snapshot.");
    }

    /// <summary>A wall as teachers know it: where names are for nobody, a copy that holds what they are told; for exports, lists and archives.</summary>
    public static Wall AsTeachersKnow(Wall wall) => wall.IsSealed && !wall.IsCopy ? CopyOf(wall.Plan, Of(wall, Actor.Owner.ReadingWhere(isSealed: true))) : wall;

    private static Wall CopyOf(WallPlan plan, WallSnapshot state)
    {
        var copy = new Wall(plan) { IsCopy = true };
        copy.Restore(0, [], state);
        return copy;
    }

    private static WallSnapshot Restored(WallPlan plan, ImmutableArray<Card> cards, ImmutableArray<Link> links) =>
        new(plan, cards, [], null, [], JudgingState.Begun, null, [], PlacingState.Begun, links, [], [], StancesState.Begun, [], []);

    private static RoomEvent AsTold(Actor reader, RoomEvent happened, Veil veil)
    {
        long Id(long id) => veil.Over(reader, id);
        ImmutableArray<Card> Cards(IEnumerable<Card> cards) => [.. cards.Select(c => AsTold(reader, c, veil)).OrderBy(c => c.Id)];
        ImmutableArray<Link> Links(IEnumerable<Link> links) => [.. links.Select(l => AsTold(reader, l, veil)).OrderBy(l => l.Id)];
        return happened switch
        {
            CardsLetOut(var ownFirst, var cards, var down, var links, var linksDown, var apart) => new CardsLetOut(
                ownFirst,
                Cards(cards.Where(c => IsOwn(reader, c) || (c.IsUp && (!ownFirst || c.ByStaff)) || Sight.TookDown(reader, c)).Select(c => Sight.AsSeen(reader, c))),
                [.. down.Select(Id).Where(Veil.IsOver).Order()],
                Links(links.Where(l => !ownFirst || IsOwn(reader, l))),
                [.. linksDown.Select(Id).Where(Veil.IsOver).Order()],
                Links(apart.Where(l => IsOwn(reader, l)))),
            CardsShown shown => shown with { Cards = Cards(shown.Cards.Where(c => c.IsUp || IsOwn(reader, c) || Sight.TookDown(reader, c)).Select(c => Sight.AsSeen(reader, c))), Links = shown.Links is { } links ? Links(links.Where(l => l.IsUp || IsOwn(reader, l))) : null },
            CardsBrought brought => brought with
            {
                Cards = Cards(brought.Cards),
                Results = brought.Results is { } results ? ((ResultsShown)new ResultsShown(results).WithIds(Id)).Results : null,
                Order = brought.Order?.WithIds(Id),
                Shifts = brought.Shifts?.WithIds(Id),
                Links = brought.Links is { } links ? Links(links) : null,
            },
            CardPutUp(var card) => new CardPutUp(AsTold(reader, card, veil)),

            // What classmates said to it meanwhile, and linked with it, comes out together with what others did.
            CardPutBack(var card, var links) => new CardPutBack(
                AsTold(reader, card.WithOnly(a => IsOwn(reader, a) || a.ByStaff), veil),
                links is { } touching && Links(touching.Where(l => IsOwn(reader, l) || l.ByStaff)) is { IsEmpty: false } some ? some : null),
            AnswerGiven(var on, var answer, var whose) => new AnswerGiven(Id(on), AsTold(reader, answer, veil), whose),
            AnswerPutBack(var on, var answer, var whose) => new AnswerPutBack(Id(on), AsTold(reader, answer, veil), whose),
            CardsLinked(var link, var whose) => new CardsLinked(AsTold(reader, link, veil), whose),
            LinkPutBack(var link, var whose) => new LinkPutBack(AsTold(reader, link, veil), whose),
            SealBroken broken => broken with { Card = Id(broken.Card), Author = reader.IsStaff || broken.Author == reader.Number ? broken.Author : 0 },
            PlanSet(var plan, _) => new PlanSet(plan),
            WorkSetAside(var command, var why) => new WorkSetAside(command.WithIds(Id), why),
            WorkTakenUpAgain(var work) => new WorkTakenUpAgain(work with { Command = work.Command.WithIds(Id) }),
            LateWorkAccepted accepted => accepted with { Outcome = accepted.Outcome is { } outcome ? AsTold(reader, outcome, veil) : null },
            ConcernsSettled settled => (reader.IsStaff ? settled with { People = [] } : settled.AsTold(reader.Number)) is ConcernsSettled told ? told with { About = Id(told.About), Answer = Id(told.Answer) } : settled,
            CardTakenDown down => AsTold(reader, down, down.Author, _ => new CardTakenDown(Id(down.Id), down.Whose), (d, author) => d with { Id = Id(d.Id), Author = author, By = d.By == 0 ? 0 : author }),
            AnswerTakenDown down => AsTold(reader, down, down.Author, _ => new AnswerTakenDown(Id(down.About), Id(down.Id), down.Whose), (d, author) => d with { About = Id(d.About), Id = Id(d.Id), Author = author, By = d.By == 0 ? 0 : author }),
            _ => happened.WithIds(Id),
        };
    }

    // Why it was taken down its author is told, and teachers, who may not be told whose it is.
    private static T AsTold<T>(Actor reader, T down, int author, Func<T, T> toOthers, Func<T, int, T> toThem) =>
        author == 0 || author == reader.Number && !reader.IsStaff ? toThem(down, author) : reader.IsStaff ? toThem(down, 0) : toOthers(down);

    private static bool IsOwn(Actor reader, Card card) => card.Author == reader.Number && !card.ByStaff;

    private static bool IsOwn(Actor reader, Answer answer) => answer.Author == reader.Number && !answer.ByStaff;

    private static bool IsOwn(Actor reader, Link link) => link.Author == reader.Number && !link.ByStaff;

    private static Card AsTold(Actor reader, Card card, Veil veil)
    {
        var isNamed = card.ByStaff || IsOwn(reader, card);
        return card with
        {
            Id = veil.Over(reader, card.Id),
            Author = isNamed || (reader.IsStaff && card.IsUnsealed) ? card.Author : 0,
            PutUpAt = isNamed ? card.PutUpAt : ToTheMinute(card.PutUpAt),
            Answers = card.Answers is { } answers ? [.. answers.Select(a => AsTold(reader, a, veil)).OrderBy(a => a.Id)] : null,
            AskedToo = card.AskedToo is { } askers ? [.. askers.Select(p => p == reader.Number ? p : 0).Order()] : null,
            Responses = card.Responses is { } responses ? [.. responses.Select(r => r with { People = [.. r.People.Select(p => p == reader.Number ? p : 0).Order()] })] : null,
            Joined = veil.Over(reader, card.Joined),
            From = card.From is { } from ? [.. from.Select(id => veil.Over(reader, id)).Order()] : null,
            AnsweredBy = veil.Over(reader, card.AnsweredBy),
        };
    }

    private static Answer AsTold(Actor reader, Answer answer, Veil veil)
    {
        var isNamed = answer.ByStaff || IsOwn(reader, answer);
        return answer with
        {
            Id = veil.Over(reader, answer.Id),
            To = veil.Over(reader, answer.To),
            Author = isNamed ? answer.Author : 0,
            SaidAt = isNamed ? answer.SaidAt : ToTheMinute(answer.SaidAt),
        };
    }

    private static Link AsTold(Actor reader, Link link, Veil veil) => link with
    {
        Id = veil.Over(reader, link.Id),
        From = veil.Over(reader, link.From),
        To = veil.Over(reader, link.To),
        Author = link.ByStaff || IsOwn(reader, link) ? link.Author : 0,
    };

    private static long ToTheMinute(long ms) => ms - (ms % Minute);
}
