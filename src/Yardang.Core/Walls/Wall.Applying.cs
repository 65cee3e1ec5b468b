using System.Collections.Immutable;
using Yardang.Core.Judges;
using Yardang.Core.Rooms;
using Yardang.Core.Threads;

namespace Yardang.Core.Walls;

// What an event makes of the wall.
public sealed partial class Wall
{
    private void Lay(ImmutableArray<CardSpot> spots)
    {
        foreach (var (card, spot) in spots) Change(card, c => c with { Spot = spot });
    }

    /// <inheritdoc/>
    protected override void Admitted(int client, int actor) => Veil.Own(client, actor);

    /// <inheritdoc/>
    protected override void RestoreState(RoomSnapshot snapshot)
    {
        var wall = (WallSnapshot)snapshot;
        (Plan, LastActivity) = (wall.Plan, wall.LastActivity);
        _cards.Clear();
        foreach (var card in wall.Cards) _cards[card.Id] = card;
        foreach (var late in wall.SetAside) _setAside[late.Number] = late;
        foreach (var act in wall.Acts) _acts[act.Person] = act;
        Judgements.Restore(wall.Judging);
        Visits.Restore(wall.Trip, wall.Visits);
        Placements.Restore(wall.Placing);
        Links.Restore(wall.Links);
        Reading.Restore(wall.Reading);
        Stances.Restore(wall.Stances);
        Starters.Restore(wall.Starters);
        Concerns.Restore(wall.Concerns);
        Out = Plan.HidesNames ? LetOut.Now(Plan, _cards, Links, wall.Held) : null;
    }

    /// <inheritdoc/>
    protected override void ApplyEvent(Envelope envelope)
    {
        Become(envelope);
        Starters.Follow(Plan);
        if (!Plan.HidesNames) Out = null;
        else if (Out is null || envelope.Event is CardsLetOut or CardsShown or CardsBrought) Out = LetOut.Now(Plan, _cards, Links);
        else Out.Note(envelope);
    }

    private void Become(Envelope envelope)
    {
        switch (envelope.Event)
        {
            case WorkSetAside(var command, var why):
                _setAside[envelope.Number] = new(envelope.Number, envelope.Actor, envelope.Client, envelope.Counter, envelope.Gesture, command, why, At: envelope.Time);
                return;
            case LateWorkAccepted(var number, var outcome, var person, _):
                _setAside.Remove(number);
                if (outcome is not null) Set(outcome, person);
                return;
            case LateWorkDiscarded(var number, _, _):
                _setAside.Remove(number);
                return;
            case WorkTakenUpAgain(var work):
                _setAside[work.Number] = work;
                return;
            case WorkReturned(var number, _, var words):
                if (_setAside.TryGetValue(number, out var returned)) _setAside[number] = returned with { Returned = words };
                return;
            case CardsBrought(var plan, var cards, var changedAt, var brought, var order, var links, var shifts):
                (Plan, LastActivity) = (plan, changedAt);
                Judgements.Bring(brought ?? []);
                Judgements.Follow(plan.Rules.Judging);
                Placements.Show(order);
                Stances.Restore(shifts is null ? StancesState.Begun : new(StanceStage.Shown, [], shifts));
                Links.Restore(links ?? []);
                _cards.Clear();
                foreach (var card in cards) _cards[card.Id] = card;
                return;
            case CardJudged judged:
                Judgements.Judge(judged, envelope.Actor.Number);
                break;
            case CardRespondedTo(var on, var stamp, var isOn, _):
                Change(on, c => c.RespondedTo(stamp, envelope.Actor.Number, envelope.Actor.IsStaff, isOn));
                break;
            case StanceTaken:
                Stances.Set(envelope.Event, envelope.Actor.Number);
                break;
            case ConcernRaised or ConcernsSettled:
                Concerns.Set(envelope);
                return;
            case StancesSteered:
                Stances.Set(envelope.Event, envelope.Actor.Number);
                return;
            case ResultsShown(var results):
                Judgements.Show(results);
                return;
            case JudgeLeftOut left:
                Judgements.LeaveOut(left);
                return;
            case ReadingGiven or CardRead:
                Reading.Set(envelope.Event, envelope.Actor.Number);
                return;
            case TripBegun or TripMovedOn or TripEnded or StationVisited:
                Visits.Set(envelope.Event, envelope.Actor.Number);
                return;
            case StartersGiven given:
                Starters.Set(given);
                return;
            case JudgingWentOn(var newRound):
                Judgements.GoOn(newRound);
                return;
            case OrderShown(var shown):
                Placements.Show(shown);
                return;
            case OrderHidden:
                Placements.Show(null);
                return;
            case CardsLetOut(_, var seen, var down, var joined, var parted, var apart):
                LetOutHere(seen, down, [.. joined, .. apart], parted);
                return;
            case CardPlacedAlone(var card, var at):
                Placements.Place(envelope.Actor.Number, card, at);
                break;
        }

        Set(envelope.Event, envelope.Actor.Number);
        if (!envelope.Actor.IsStaff) Note(envelope);
    }

    // What the program takes down, it does for the teacher.
    private static int By(int actor) => actor == Actor.Program.Number ? Actor.Owner.Number : actor;

    private void Set(RoomEvent happened, int actor)
    {
        switch (happened)
        {
            case CardPutUp(var card): _cards[card.Id] = card; break;
            case CardPutBack(var card, var links):
                _cards[card.Id] = card.Over(_cards.GetValueOrDefault(card.Id));
                Links.TakeWith(card, links ?? [], _cards, Plan.Rules.OwnFirst);
                break;
            case CardReworded(var id, var language, var text, _, var shown): Change(id, c => c with { Language = language, Text = text, Attachments = shown }); break;
            case SealBroken(var id, var reason, var author): Change(id, c => c with { Unsealed = reason, Author = author != 0 ? author : c.Author }); break;
            case CardColoured(var id, var colour, _): Change(id, c => c with { Colour = colour }); break;
            case CardLocked(var id, var on, _): Change(id, c => c with { Locked = on }); break;
            case TopicLocked(var topic, var on): Plan = Plan.Locked(topic, on); break;
            case CardJoined(var id, var onto, _): Change(id, c => c with { Joined = onto }); break;
            case CardMoved(var id, var topic, var order, _): Change(id, c => c with { Topic = topic, Order = order }); break;
            case CardTakenDown(var id, _, _, var words, var removed, var by): Change(id, c => c with { DownBy = by != 0 ? by : By(actor), DownWhy = words, Removed = removed }); break;
            case AnswerGiven(var on, var answer, _): Change(on, c => c.With(answer)); break;
            case AnswerPutBack(var on, var answer, _): Change(on, c => c.With(answer)); break;
            case AnswerReworded(var on, var id, var language, var text, _): Change(on, id, a => a with { Language = language, Text = text }); break;
            case AnswerTakenDown down: Change(down.About, down.Id, a => a.TakenDown(down, By(actor))); break;
            case AskedToo(var on, var asks, _): Change(on, c => c.AskedBy(actor, asks)); break;
            case QuestionFiled(var on, var by, _): Change(on, c => c with { AnsweredBy = by }); break;
            case CardPlaced(var on, var at, _): Change(on, c => c with { At = at }); break;
            case CardLaid(var on, var spot, _): Change(on, c => c with { Spot = spot }); break;
            case FieldLaid(var spots): Lay(spots); break;
            case CardsLinked or LinkReworded or LinkReversed or LinkTakenDown or LinkPutBack: Links.Set(happened, actor); break;
            case CardsShown(var plan, var shown, var links):
                Placements.Follow(Plan, plan);
                Stances.Follow(Plan, plan);
                Plan = plan;
                Judgements.Follow(plan.Rules.Judging);

                // What a reader's copy still holds of a classmate and is not among them was taken down meanwhile.
                var up = shown.Select(c => c.Id).ToHashSet();
                foreach (var card in _cards.Values.Where(c => c.IsUp && !up.Contains(c.Id)).ToList()) _cards[card.Id] = card with { DownBy = By(actor) };
                foreach (var card in shown) _cards[card.Id] = card.Over(_cards.GetValueOrDefault(card.Id), isAll: true);
                Links.TakeAll(links ?? [], _cards);
                break;
            case PlanSet(var plan, var laid):
                Placements.Follow(Plan, plan);
                Stances.Follow(Plan, plan);
                Plan = plan;
                Judgements.Follow(plan.Rules.Judging);
                foreach (var card in _cards.Values.Where(c => !plan.Has(c.Topic)).ToList()) _cards[card.Id] = card with { Topic = WallPlan.Nowhere };
                Lay(laid ?? []);
                break;
        }
    }

    // Of what is down, a classmate's copy knows nothing any more; here it is down already.
    private void LetOutHere(ImmutableArray<Card> cards, ImmutableArray<long> down, ImmutableArray<Link> links, ImmutableArray<long> linksDown)
    {
        foreach (var card in cards) _cards[card.Id] = card;
        foreach (var id in down)
        {
            if (_cards.GetValueOrDefault(id) is { IsUp: true, Author: 0, ByStaff: false }) _cards.Remove(id);
        }

        Links.LetOut(links, linksDown);
    }

    // A reader's copy does not have the cards that its reader may not see.
    private void Change(long id, Func<Card, Card> change)
    {
        if (_cards.TryGetValue(id, out var card)) _cards[id] = change(card);
    }

    private void Change(long on, long id, Func<Answer, Answer> change)
    {
        if (Find(on, id) is { } answer) Change(on, c => c.With(change(answer)));
    }

    private void Note(Envelope envelope)
    {
        LastActivity = envelope.Time;
        var topic = envelope.Event switch
        {
            CardPutUp(var card) => card.Topic,
            CardMoved moved => moved.Topic,
            CardReworded reworded => _cards.GetValueOrDefault(reworded.Id)?.Topic ?? 0,
            AnswerGiven answered => _cards.GetValueOrDefault(answered.About)?.Topic ?? 0,
            CardJudged judged => _cards.GetValueOrDefault(judged.Card)?.Topic ?? 0,
            _ => 0,
        };
        _acts[envelope.Actor.Number] = new(envelope.Actor.Number, envelope.Time, topic);
    }
}
