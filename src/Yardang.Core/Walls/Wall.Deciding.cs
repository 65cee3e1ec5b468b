using System.Collections.Immutable;
using Yardang.Core.Attachments;
using Yardang.Core.Judges;
using Yardang.Core.Rooms;
using Yardang.Core.Threads;

namespace Yardang.Core.Walls;

// What comes of a command, and who is told of it.
public sealed partial class Wall
{
    /// <inheritdoc/>
    protected override Decision DecideCommand(Submission submission, Actor actor, Situation situation)
    {
        var looks = NamesHidden is null ? situation.Allowed.Screen : situation.Allowed.ScreenWhereHidden ?? situation.Allowed.Screen;
        if (actor.IsStaff || looks is not { } screen) return DecideKnown(submission, actor, situation, waits: false);
        var screened = WallWords.Screened(submission.Command, screen);
        return screened.IsRefused || (screened.Waits && submission.Command is JudgeCard) ? Refusal.Words : DecideKnown(submission with { Command = screened.Command }, actor, situation, screened.Waits);
    }

    private Decision DecideKnown(Submission submission, Actor actor, Situation situation, bool waits)
    {
        if (Out is null) return DecideHere(submission, actor, situation, waits);
        var decision = DecideHere(SeesAll(actor) ? submission : submission with { Command = submission.Command.WithIds(id => Veil.Lift(actor, id)) }, actor, situation, waits);
        return decision is not Decision.Accepted accepted ? decision
            : !actor.IsStaff ? accepted with { Audience = Audience.AuthorAndStaff }
            : Out.Hides(accepted.Event, _cards) ? accepted with { Audience = Audience.Staff }
            : accepted;
    }

    private Decision DecideHere(Submission submission, Actor actor, Situation situation, bool waits)
    {
        switch (submission.Command)
        {
            case SetPlan(var wished):
                var plan = wished.LockedAs(Plan) with { Rules = wished.Rules.HeldBy(Plan.Rules.Held != LessonHolds.No) with { Locked = Plan.Rules.Locked } };
                if (!actor.IsStaff || !MayName(plan.Rules.Names)) return Refusal.NotAllowed;

                // Showing all is letting out.
                if (Plan.Rules.OwnFirst && !plan.Rules.OwnFirst && WhyNotOut(actor, situation.Time) is { } early) return early;
                return plan.Fault() is null ? Planned(plan, situation) : Refusal.OutOfRange;
            case FollowLesson:
                if (actor.Role != Role.Program) return Refusal.NotAllowed;
                return Following(situation) is var following && following == Plan.Rules ? Refusal.ChangedSince : Planned(Plan with { Rules = following }, situation);
            case GiveStarters give:
                return Starters.Decide(give, Plan, actor);
            case BringCards(var brought, var cards, var changedAt, var results, var shown, var links, var shifts):
                if (actor.Role != Role.Program || Number > 0) return Refusal.NotAllowed;
                var ids = cards.Select(c => c.Id).ToHashSet();
                return Card.FaultIn(brought, cards) is null && CardResult.AreSound(results ?? []) && (shown is null || ClassOrder.IsSound(shown, ids)) && Links.FaultIn(links ?? [], ids) is null && shifts?.IsSound(brought.Rules.Positions.Length, ids) != false
                    ? new CardsBrought(brought, cards, changedAt, results, shown, links, shifts) : Refusal.OutOfRange;
            case DiscardLateWork(var own, _) when IsTakenBack(own, actor):
                return new Decision.Accepted(new LateWorkDiscarded(own, actor.Number), Audience.NamedAndStaff);
            case AcceptLateWork or DiscardLateWork or ReturnWork or ShowResults or GoOnJudging or LeaveOutJudge or ShowOrder or TidyField or LayCards or LetCardsOut or LockCard or LockTopic when !actor.IsStaff:
                return Refusal.NotAllowed;
            case LockCard(var card, var on):
                return WhyNot(card, actor, c => c.Locked == on ? Refusal.ChangedSince : null) is { } still ? still : ToldOf(_cards[card], (c, whose) => new CardLocked(c.Id, on, whose));
            case LockTopic(var topic, var on):
                if (topic != WallPlan.Nowhere && !Plan.TopicsShown.Any(t => t.Id == topic)) return Refusal.NotFound;
                return on == (topic == WallPlan.Nowhere ? Plan.Rules.Locked : Plan.Topics.First(t => t.Id == topic).Locked) ? Refusal.ChangedSince : new TopicLocked(topic, on);
            case LetCardsOut:
                if (Out is { IsAll: true } && !SeesAll(actor)) return Refusal.NotYet;
                if (WhyNotOut(actor, situation.Time) is { } soon) return soon;
                if (Out is not null && !SeesAll(actor)) return Out.Event(Plan, _cards, Links, Unforeseen(situation));
                return Out is null || (actor.Role == Role.Program ? !Out.IsDue : Out.IsAll) ? Refusal.ChangedSince : Out.Event(Plan, _cards, Links, Unforeseen(situation));
            case ShowResults:
                if (IsSealed && Judgements.People < LetOut.LeastPeople) return Refusal.NotYet;
                return Plan.Rules.Judging is null || Judgements.IsShown ? Refusal.JudgingEnded : new ResultsShown(Judgements.ResultsOf(_cards.Values.Where(c => c.IsUp).Select(c => c.Id)));
            case GoOnJudging(var newRound):
                if (Plan.Rules.Judging is null) return Refusal.JudgingEnded;
                if (newRound && Judgements.Round >= Judging.MostRounds) return Refusal.Full;
                return newRound || Judgements.IsShown ? new JudgingWentOn(newRound) : Refusal.ChangedSince;
            case LeaveOutJudge leave:
                return IsSealed ? Refusal.NotAllowed : Plan.Rules.Judging is null ? Refusal.JudgingEnded : Judgements.Decide(leave);
            case JudgeCard judge:
                return WhyNot(judge, actor, situation) is { } reason ? reason : new Decision.Accepted(new CardJudged(judge.Card, judge.Value, judge.Reason, judge.Words), Audience.AuthorAndStaff);
            case ShowOrder(var on):
                if (Order() is not { } order) return Refusal.NotAllowed;
                if (on && IsSealed && order.People < LetOut.LeastPeople) return Refusal.NotYet;
                return on == Placements.Shown is not null ? Refusal.ChangedSince : on ? new OrderShown(order) : new OrderHidden();
            case AskToo or RespondToCard when actor.HasLeft || !situation.Lets(StudentActs.Judge, actor):
            case FileQuestion or PlaceCard or LayCard when !actor.IsStaff && (actor.HasLeft || !situation.Lets(ActOf(submission.Command), actor) || TouchesLocked(submission.Command)):
                return Refusal.TooLate;
            case TidyField or LayCards:
                return Laying.Decide(submission.Command, Plan, KnownTo(actor), Links);
            case GiveReading or ReadCard:
                return (Plan.Rules.OwnFirst || IsSealed) && actor.IsStaff ? Refusal.NotAllowed : Reading.Decide(submission.Command, actor, id => _cards.TryGetValue(id, out var card) && card.IsUp && Out?.Hides(card) != true ? card : null);
            case RaiseConcern or SettleConcerns:
                return Concerns.Decide(submission.Command, actor, (about, answer) => MayTellOf(about, answer, actor));
            case TakeStance or SteerStances:
                return Stances.Decide(submission.Command, Plan, actor, situation.Lets(StudentActs.Judge, actor), id => _cards.GetValueOrDefault(id) is { IsUp: true } card && !IsHidden(card, actor) ? card : null, IsKnownToAll);
            case BreakSeal seal:
                if (!actor.IsStaff) return Refusal.NotAllowed;
                var sealedCard = _cards.GetValueOrDefault(seal.Card) is { } known && !IsHidden(known, actor) ? known : null;
                return Seal.WhyNot(seal, sealedCard, Plan) is { } unbroken ? unbroken : new SealBroken(seal.Card, seal.Reason.Trim(), sealedCard!.Author);
            case BeginTrip or MoveOn or EndTrip or VisitStation:
                return Visits.Decide(submission.Command, Plan, actor);
            case AcceptLateWork(var number):
                if (!_setAside.TryGetValue(number, out var late)) return Refusal.NotFound;
                var put = Decide(late.Command, late.Actor, late.Client, situation) as Decision.Accepted;
                return new Decision.Accepted(new LateWorkAccepted(number, put?.Event, late.Actor.Number, late.Gesture), put is { Audience: Audience.Everyone } && Out is null ? Audience.Everyone : Audience.NamedAndStaff);
            case DiscardLateWork(var number, var why):
                return LateWork.LeaveOff(_setAside.GetValueOrDefault(number), why);
            case TakeUpAgain again:
                return LateWork.Again(again, actor, _setAside, Number);
            case ReturnWork(var number, var words):
                return LateWork.Return(_setAside.GetValueOrDefault(number), words);
        }

        if (!actor.IsStaff && (actor.HasLeft || !situation.Lets(ActOf(submission.Command), actor)))
        {
            // Who decides of it would know whose it is; it stays on the device of whoever wrote it.
            return IsSealed ? Refusal.TooLate : SettingAside(submission, actor, WhySetAside.Late);
        }

        if (!actor.IsStaff && TouchesLocked(submission.Command)) return IsSealed ? Refusal.TooLate : SettingAside(submission, actor, WhySetAside.Locked);
        if (waits) return IsSealed ? Refusal.Words : SettingAside(submission, actor, WhySetAside.Words);
        if (WallWords.SaysSomething(submission.Command) && !IsSealed && situation.AsksForApproval(actor)) return WouldBeTooMany(submission.Command, actor) ? Refusal.EnoughCards : SettingAside(submission, actor, WhySetAside.Approval);
        var decision = Decide(submission.Command, actor, submission.Client, situation);

        // What rests on work that waits waits with it.
        return decision is Decision.Refused && !actor.IsStaff && !IsSealed && _setAside.Values.Any(w => w.Actor.Number == actor.Number) && SettingAside(submission, actor, WhySetAside.Rests) is Decision.Accepted waiting ? waiting : decision;
    }

    private bool TouchesLocked(Command command) => Locking.TouchesLocked(command, Plan, _cards, Links);

    // Whoever wrote what waits can take it back, to put it otherwise.
    private bool IsTakenBack(long number, Actor actor) => !actor.IsStaff && !actor.HasLeft && _setAside.GetValueOrDefault(number)?.Actor.Number == actor.Number;

    private Decision SettingAside(Submission submission, Actor actor, WhySetAside why) =>
        WhyNotSetAside(submission, actor) is { } refusal ? refusal : new Decision.Accepted(new WorkSetAside(submission.Command, why), Audience.AuthorAndStaff);

    // What is chosen and scored is decided about before.
    private static StudentActs ActOf(Command command) => command switch
    {
        GiveAnswer or RewordAnswer or TakeAnswerDown or PutAnswerBack => StudentActs.Answer,
        MoveCard or JoinCard or LayCard or PlaceCard => StudentActs.Move,
        _ => StudentActs.Write,
    };

    private Decision Decide(Command command, Actor actor, int client, Situation situation) => command switch
    {
        PutUpCard put => WhyNot(put, actor, client) is { } why ? why
            : ToldOf(CardOf(put, actor, situation.Time), (card, _) => new CardPutUp(card)),
        RewordCard reword => Theirs(reword.Id, actor) is { } why ? why
            : WhyNotShown(reword.Language, reword.Text, reword.Attachments ?? [], actor, _cards[reword.Id]) is { } wrong ? wrong
            : ToldOf(_cards[reword.Id], (_, whose) => new CardReworded(reword.Id, reword.Language, reword.Text, whose, reword.Attachments)),
        MoveCard move => WhyNotMoved(move.Id, actor) is { } why ? why
            : !Plan.Has(move.Topic) ? Refusal.NotFound
            : !actor.IsStaff && WhyNotUnder(move.Topic, actor) is { } elsewhere ? elsewhere
            : !Card.IsOrder(move.Order) ? Refusal.OutOfRange
            : HasNoRoomFor(_cards[move.Id], move.Topic, actor) ? Refusal.EnoughCards
            : ToldOf(_cards[move.Id], (_, whose) => new CardMoved(move.Id, move.Topic, move.Order, whose)),
        JoinCard join => Theirs(join.Card, actor) is { } why ? why : Stacks.WhyNot(join, _cards, actor, Plan, card => actor.IsStaff || !IsHidden(card, actor)) is { } reason ? reason
            : ToldOf(_cards[join.Card], (_, whose) => new CardJoined(join.Card, join.Onto, whose)),
        ColourCard colour => Theirs(colour.Card, actor) is { } why ? why
            : colour.Colour is < 0 or > WallPlan.Colours ? Refusal.OutOfRange : _cards[colour.Card].Colour == colour.Colour ? Refusal.ChangedSince
            : ToldOf(_cards[colour.Card], (_, whose) => new CardColoured(colour.Card, colour.Colour, whose)),
        TakeCardDown take => WhyNotDown(take, actor) is { } why ? why : ToldOf(_cards[take.Id], (card, whose) => CardsDown.Of(take, card, whose, actor)),
        PutCardBack(var id) => WhyNotBack(id, actor) is { } why ? why
            : ToldOf(_cards[id] with { DownBy = 0, DownWhy = "", Removed = false }, (card, _) => new CardPutBack(card.AsTold(), Links.TouchingAsTold(card, _cards, Plan.Rules.OwnFirst)), isHeld: Out is not null),
        GiveAnswer answer => WhyNot(answer, actor, client) is { } why ? why
            : ToldOf(_cards[answer.About], (card, whose) => new AnswerGiven(card.Id, Talk.Given(answer, actor, situation.Time), whose)),
        RewordAnswer reword => (IsTalkedAbout(reword.About, actor) ? Talk.WhyNotReworded(Find(reword.About, reword.Id), reword, actor) : Refusal.NotFound) is { } why ? why
            : ToldOf(_cards[reword.About], (card, whose) => new AnswerReworded(card.Id, reword.Id, reword.Language, reword.Text, whose)),
        TakeAnswerDown take => WhyNotDown(take, actor) is { } why ? why : ToldOf(_cards[take.About], (_, whose) => AnswersDown.Of(take, Find(take.About, take.Id)!, whose, actor)),
        PutAnswerBack(var on, var id) => WhyNotBack(on, id, actor) is { } why ? why : ToldOf(_cards[on], (card, whose) => new AnswerPutBack(card.Id, AnswersDown.Undone(Find(on, id)!), whose)),
        AskToo ask => WhyNot(ask.Card, actor, card => Questions.WhyNot(ask, card, Plan, actor)) is { } why ? why : ToldOf(_cards[ask.Card], (_, whose) => new AskedToo(ask.Card, ask.On, whose)),
        RespondToCard respond => WhyNot(respond.Card, actor, card => QuickResponses.WhyNot(respond, card, Plan, actor)) is { } why ? why : ToldOf(_cards[respond.Card], (_, whose) => new CardRespondedTo(respond.Card, respond.Stamp, respond.On, whose)),
        FileQuestion file => WhyNot(file.Card, actor, card => Questions.WhyNot(file, card, Plan, actor)) is { } why ? why : ToldOf(_cards[file.Card], (_, whose) => new QuestionFiled(file.Card, file.Answer, whose)),
        PlaceCard place => WhyNot(place.Card, actor, card => Placements.WhyNot(place, card, Plan, actor)) is { } why ? why
            : Plan.LineShown!.Together ? ToldOf(_cards[place.Card], (_, whose) => new CardPlaced(place.Card, place.At, whose))
            : new Decision.Accepted(new CardPlacedAlone(place.Card, place.At), Audience.AuthorAndStaff),
        LayCard lay => WhyNot(lay.Card, actor, card => Laying.WhyNot(lay, card, Plan, actor)) is { } why ? why : ToldOf(_cards[lay.Card], (_, whose) => new CardLaid(lay.Card, lay.Spot, whose)),
        LinkCards or RewordLink or ReverseLink or TakeLinkDown or PutLinkBack => Links.Decide(command, actor, client, Plan, KnownTo(actor), Out),
        _ => Refusal.NotAllowed,
    };

    private Card CardOf(PutUpCard put, Actor actor, long time)
    {
        bool IsKnown(Card card) => IsKnownWith(card, actor);
        return CardAlone(put, actor, time) with
        {
            Joined = Stacks.MayJoin(_cards.GetValueOrDefault(put.Onto), actor, Plan, IsKnown) ? put.Onto : 0,
            From = Plan.TopicsStand ? Growth.SourcesOf(put, _cards, actor, Plan, IsKnown) : null,
            Poured = put.Poured,
        };
    }

    // What a student names they see; what a teacher names all of the class may know of, for all are told of the teacher's card.
    private bool IsKnownWith(Card card, Actor actor) => actor.IsStaff ? card.ByStaff || (!Plan.Rules.OwnFirst && Out?.Hides(card) != true) : !IsHidden(card, actor);

    private Card CardAlone(PutUpCard put, Actor actor, long time) => put.For == 0
        ? new(put.Id, put.Topic, put.Topic, actor.Number, actor.IsStaff, Behind(put.Topic, actor), put.Language, put.Text, time, Attachments: put.Attachments, Spot: Laying.SpotFor(put, actor, Plan, KnownTo(actor), Links))
        : new(put.Id, put.Topic, put.Topic, put.For, ByStaff: false, Behind(put.Topic, actor), put.Language, put.Text, time, Attachments: put.Attachments, PutUpBy: actor.Number, Spot: Laying.SpotFor(put, actor, Plan, _cards, Links));

    private bool IsKnownToAll(long id) => _cards.GetValueOrDefault(id) is { IsUp: true } card && IsKnownWith(card, Actor.Program);

    // Where names are for nobody, what few have done does not come out as soon as a teacher asks: she could see who is writing.
    private Refusal? WhyNotOut(Actor actor, long now) => Out is { IsAll: false } && !SeesAll(actor) && !Out.MayComeOut(now) ? Refusal.NotYet : null;

    // Where names are for nobody, teachers know no more than classmates do.
    private bool SeesAll(Actor actor) => actor.IsStaff && (!IsSealed || actor.Role == Role.Program);

    // What was written without names stays so; and what somebody has seen names of is not without them.
    private bool MayName(NamesTo names)
    {
        var now = Plan.Rules.Names;
        if (names == now || !Enum.IsDefined(names)) return true;
        return names == NamesTo.Nobody || now == NamesTo.Nobody ? !Writers.Any() && _acts.Count == 0 : names > now || !Writers.Any();
    }

    // Of a card that is up and that they see.
    private Refusal? WhyNot(long id, Actor actor, Func<Card, Refusal?> otherwise) =>
        !_cards.TryGetValue(id, out var card) || !card.IsUp || IsHidden(card, actor) ? Refusal.NotFound : otherwise(card);

    // While each sees only their own, or where classmates do not know of it yet, what happens to a student's card is told to its author and teachers.
    private Decision.Accepted ToldOf(Card card, Func<Card, int, RoomEvent> happened, bool isHeld = false) => (Plan.Rules.OwnFirst || isHeld || Out?.Hides(card) == true) && !card.ByStaff
        ? new(happened(card, card.Author), Audience.NamedAndStaff)
        : new(happened(card, 0));

    // Where names are for nobody and few have written, it is not the lesson that lets all come out: the wall goes on to hold it, until its teacher shows it.
    private WallRules Following(Situation situation)
    {
        var rules = Plan.Rules.HeldBy(situation.Allowed.OwnFirst);
        return Plan.Rules.OwnFirst && !rules.OwnFirst && IsSealed && Out is { IsAll: false } && !Out.MayComeOut(situation.Time) ? rules with { OwnFirst = true } : rules;
    }

    // Whoever saw only their own cards is given those of the others with the plan that lets them be seen.
    private RoomEvent Planned(WallPlan plan, Situation situation) => Plan.Rules.OwnFirst && !plan.Rules.OwnFirst
        ? new CardsShown(plan, ShownBy(plan, situation), Links.AllAsTold(_cards, plan.HidesNames))
        : new PlanSet(plan, plan.Rules.OwnFirst || plan.FieldShown is not { } field || FreeSpots.ForThoseWithout(_cards.Values.Where(c => c.IsUp), field) is not { IsEmpty: false } laid ? null : laid);

    // Where names are hidden, each is told in their own way, and so of all that is theirs, of what is down, too: some of what was done with it they were not told.
    private ImmutableArray<Card> ShownBy(WallPlan plan, Situation situation)
    {
        Card Placed(Card card) => plan.Has(card.Topic) ? card : card with { Topic = WallPlan.Nowhere };
        ImmutableArray<Card> up = [.. _cards.Values.Where(c => c.IsUp).Select(Placed)];
        if (!plan.HidesNames) return Laying.Shown(plan, [.. up.Select(Answers.AsTold)]);
        return [.. Laying.Shown(plan, LetOut.Shuffled(up, _ => true, Unforeseen(situation))), .. _cards.Values.Where(c => !c.IsUp).Select(Placed)];
    }

    // The seed of an event follows from what students know; this does not.
    private Chance Unforeseen(Situation situation) => new(situation.Seed ^ _key.First);
}
