using System.Collections.Immutable;
using Yardang.Core.Attachments;
using Yardang.Core.Rooms;
using Yardang.Core.Wire;

namespace Yardang.Core.Walls;

/// <summary>What a snapshot says of a wall.</summary>
/// <param name="Plan">What is planned for it now.</param>
/// <param name="Cards">The cards that the reader may see, by id.</param>
/// <param name="SetAside">Work waiting for the teacher's decision.</param>
/// <param name="LastActivity">When a student last did something here, server time in ms; null if none has. To a student: when they did themselves.</param>
/// <param name="Acts">What each student did last here; to a student, their own.</param>
/// <param name="Judging">What students said of each other's cards; to a student, what they said themselves, and what was shown.</param>
/// <param name="Trip">Groups on their way round; null if everybody goes where they like.</param>
/// <param name="Visits">Who was where; to a student, where they were.</param>
/// <param name="Placing">Where each placed cards; to a student, their own placement and what was shown.</param>
/// <param name="Links">The links that the reader may see, by id.</param>
/// <param name="Held">To teachers, where names are hidden from students: who has done what classmates do not see yet, by actor number.</param>
/// <param name="Reading">Who is to read which cards; to a student, their own list.</param>
/// <param name="Stances">Where students stand; to a student, where they do themselves, and what was shown.</param>
[Kind((int)RoomKind.Wall)]
public sealed record WallSnapshot(WallPlan Plan, ImmutableArray<Card> Cards, ImmutableArray<LateWork> SetAside, [OrMinusOne] long? LastActivity, ImmutableArray<LastAct> Acts, JudgingState Judging, RoundTrip? Trip, ImmutableArray<Visit> Visits, PlacingState Placing, ImmutableArray<Link> Links, ImmutableArray<int> Held, ImmutableArray<ReadingList> Reading, StancesState Stances) : RoomSnapshot;

/// <summary>A question, and cards that answer it, where all of its people can read them.</summary>
public sealed class Wall : Room, IWorkRoom
{
    private readonly SortedDictionary<long, Card> _cards = [];
    private readonly SortedDictionary<long, LateWork> _setAside = [];
    private readonly SortedDictionary<int, LastAct> _acts = [];
    private readonly LikeQuestions _like = new();
    private readonly VeilKey _key;

    /// <summary>A wall as it was handed out.</summary>
    /// <param name="version">What was planned for it.</param>
    /// <param name="key">Of ids where names are hidden; what it is matters to none but the room itself.</param>
    public Wall(WallPlan version, VeilKey key = default)
    {
        (Plan, _key) = (version, key);
        Veil = new(key);
        Judgements.Follow(version.Rules.Judging);
        foreach (var (given, i) in version.Given.Select((g, i) => (g, i)))
        {
            if (given.PutUp(i + 1) is { } card) _cards[card.Id] = card;
        }

        if (version.FieldShown is { } field) Lay(FreeSpots.ForThoseWithout(_cards.Values, field));
        if (version.HidesNames) Out = LetOut.Now(version, _cards, Links);
    }

    /// <inheritdoc/>
    public override RoomKind Kind => RoomKind.Wall;

    /// <summary>What students said of each other's cards.</summary>
    public Judgements Judgements { get; } = new();

    /// <summary>Who was where, and groups on their way round.</summary>
    public Visits Visits { get; } = new();

    /// <summary>Where each student placed cards for themselves.</summary>
    public Placements Placements { get; } = new();

    /// <summary>Who is to read which cards.</summary>
    public ReadingLists Reading { get; } = new();

    /// <summary>Where students stand on the question.</summary>
    public Stances Stances { get; } = new();

    /// <summary>Links between cards.</summary>
    public Links Links { get; } = new();

    /// <summary>What is planned for it now.</summary>
    public WallPlan Plan { get; private set; }

    /// <summary>Where names are hidden from students: what they know of each other's work; else null.</summary>
    public LetOut? Out { get; private set; }

    /// <summary>Whether it is a reader's copy: it holds what that reader was told, and as they were told it.</summary>
    public bool IsCopy { get; init; }

    /// <summary>The ids that students know things by where names are hidden.</summary>
    public Veil Veil { get; }

    /// <inheritdoc/>
    public override Veil? NamesHidden => Plan.HidesNames ? Veil : null;

    /// <inheritdoc/>
    public override bool IsSettled => Out is null or { IsAll: true };

    /// <summary>Every card, those taken down included, by id.</summary>
    public IReadOnlyDictionary<long, Card> Cards => _cards;

    /// <summary>The cards that are up and of which the whole class may know.</summary>
    public IEnumerable<Card> Known => _cards.Values.Where(c => c.IsUp && Out?.Hides(c) != true);

    /// <inheritdoc/>
    public IReadOnlyDictionary<long, LateWork> SetAside => _setAside;

    /// <inheritdoc/>
    public IEnumerable<int> Writers => Stances.All.Keys.Concat(_cards.Values.Where(c => !c.ByStaff).Select(c => c.Author)).Concat(_cards.Values.SelectMany(c => c.Said).Where(a => !a.ByStaff).Select(a => a.Author)).Concat(Placements.People).Concat(Links.All.Values.Where(l => !l.ByStaff).Select(l => l.Author));

    /// <summary>What each student did last here, by actor number; the place is a topic.</summary>
    public IReadOnlyDictionary<int, LastAct> Acts => _acts;

    /// <summary>When a student last did something here, server time in ms; null if none has.</summary>
    public long? LastActivity { get; private set; }

    /// <summary>The number of a card where it is poured out onto other walls. Nobody outside of the server can tell from it which card it was.</summary>
    public long PouredAs(long card) => _key.NumberOf(card);

    /// <summary>The cards under a topic that are up, in order.</summary>
    public IEnumerable<Card> Under(long topic) => _cards.Values.Where(c => c.IsUp && c.Topic == topic).OrderBy(c => c.Order).ThenBy(c => c.Id);

    /// <summary>The ids of cards that resemble what is being typed, answered questions first; at most <see cref="LikeQuestions.Most"/>.</summary>
    /// <param name="text">What is being typed.</param>
    /// <param name="isSeen">Whether who types may know of a card.</param>
    public IReadOnlyList<long> Like(string text, Func<Card, bool> isSeen) => _like.Find(_cards, isSeen, text);

    /// <summary>How many cards somebody still owes.</summary>
    public int Owed(int person) => Plan.Rules.OnlyGiven ? 0
        : Plan.CountsPerTopic ? Plan.Topics.Sum(t => Math.Max(0, Plan.Rules.Least - UpOf(person, t.Id))) : Math.Max(0, Plan.Rules.Least - UpOf(person));

    /// <summary>At how many stations more somebody is asked for something.</summary>
    public int StationsOwed(int person) => Plan.Purpose != Purpose.Visit ? 0
        : Math.Max(0, Plan.Rules.Stations - _cards.Values.Where(c => c.IsUp && !c.ByStaff && c.Author == person && c.Topic != WallPlan.Nowhere).Select(c => c.Topic).Distinct().Count());

    /// <summary>How many cards of others somebody is still asked to answer. While each sees only their own, that can wait.</summary>
    public int AnswersOwed(int person) => Plan.Rules is not { Answers: true, OwnFirst: false } ? 0
        : Math.Max(0, Plan.Rules.LeastAnswers - _cards.Values.Count(c => c.IsUp && (c.ByStaff || c.Author != person) && c.Said.Any(a => a.IsUp && !a.ByStaff && a.Author == person)));

    /// <summary>Of how many cards of others somebody is still asked to say something, as long as it counts. No more than there are; while each sees only their own, it can wait.</summary>
    public int JudgingOwed(int person)
    {
        if (Plan.Rules is not { Judging: { } judging, OwnFirst: false, LeastJudged: > 0 and var least } || Judgements.IsShown) return 0;
        var others = _cards.Values.Count(c => c.IsUp && (c.ByStaff || c.Author != person) && Out?.Hides(c) != true);
        var asked = Math.Min(Math.Min(least, others), judging.Kind == JudgingKind.Choose ? judging.Choices : int.MaxValue);
        return Math.Max(0, asked - Judgements.JudgedBy(person, id => _cards.GetValueOrDefault(id)?.IsUp == true));
    }

    /// <summary>How many cards somebody still has to place, where each has a placement of their own.</summary>
    public int ToPlace(int person) => Plan.LineShown is not { Together: false } line ? 0
        : _cards.Values.Count(c => c.IsUp && (!Plan.Rules.OwnFirst || c.ByStaff || c.Author == person) && Placements.Of(person, c.Id)?.On != line.Kind);

    /// <summary>The order of the class now, of the cards that everybody sees; null where each does not have a placement of their own.</summary>
    public ClassOrder? Order() => Plan.LineShown is { Together: false } line
        ? Placements.Order(line.Kind, _cards.Values.Where(c => c.IsUp && (c.ByStaff || !Plan.Rules.OwnFirst) && Out?.Hides(c) != true).Select(c => c.Id))
        : null;

    /// <inheritdoc/>
    protected override Decision DecideCommand(Submission submission, Actor actor, Situation situation)
    {
        if (Out is null) return DecideHere(submission, actor, situation);
        var decision = DecideHere(actor.IsStaff ? submission : submission with { Command = submission.Command.WithIds(id => Veil.Lift(actor, id)) }, actor, situation);
        return decision is not Decision.Accepted accepted ? decision
            : !actor.IsStaff ? accepted with { Audience = Audience.AuthorAndStaff }
            : Out.Hides(accepted.Event, _cards) ? accepted with { Audience = Audience.Staff }
            : accepted;
    }

    private Decision DecideHere(Submission submission, Actor actor, Situation situation)
    {
        switch (submission.Command)
        {
            case SetPlan(var plan):
                return !actor.IsStaff || (Out is not null && !plan.HidesNames && Writers.Any()) ? Refusal.NotAllowed : plan.Fault() is null ? Planned(plan, situation) : Refusal.OutOfRange;
            case BringCards(var brought, var cards, var changedAt, var results, var shown, var links, var shifts):
                if (actor.Role != Role.Program || Number > 0) return Refusal.NotAllowed;
                var ids = cards.Select(c => c.Id).ToHashSet();
                return Card.FaultIn(brought, cards) is null && CardResult.AreSound(results ?? []) && (shown is null || ClassOrder.IsSound(shown, ids)) && Links.FaultIn(links ?? [], ids) is null && shifts?.IsSound(brought.Rules.Positions.Length, ids) != false
                    ? new CardsBrought(brought, cards, changedAt, results, shown, links, shifts) : Refusal.OutOfRange;
            case AcceptLateWork or DiscardLateWork or ShowResults or GoOnJudging or ShowOrder or TidyField or LayCards or LetCardsOut when !actor.IsStaff:
                return Refusal.NotAllowed;
            case LetCardsOut:
                return Out is null || (actor.Role == Role.Program ? !Out.IsDue : Out.IsAll) ? Refusal.ChangedSince : Out.Event(Plan, _cards, Links, Unforeseen(situation));
            case ShowResults:
                return Plan.Rules.Judging is null || Judgements.IsShown ? Refusal.JudgingEnded : new ResultsShown(Judgements.ResultsOf(_cards.Values.Where(c => c.IsUp).Select(c => c.Id)));
            case GoOnJudging(var newRound):
                if (Plan.Rules.Judging is null) return Refusal.JudgingEnded;
                if (newRound && Judgements.Round >= Judging.MostRounds) return Refusal.Full;
                return newRound || Judgements.IsShown ? new JudgingWentOn(newRound) : Refusal.ChangedSince;
            case JudgeCard judge:
                return WhyNot(judge, actor, situation) is { } reason ? reason : new Decision.Accepted(new CardJudged(judge.Card, judge.Value, judge.Reason, judge.Words), Audience.AuthorAndStaff);
            case ShowOrder(var on):
                if (Order() is not { } order) return Refusal.NotAllowed;
                return on == Placements.Shown is not null ? Refusal.ChangedSince : on ? new OrderShown(order) : new OrderHidden();
            case AskToo or FileQuestion or PlaceCard or LayCard or RespondToCard when !actor.IsStaff && (actor.HasLeft || !situation.Allowed.StudentsMayWrite):
                return Refusal.TooLate;
            case TidyField or LayCards:
                return Laying.Decide(submission.Command, Plan, _cards, Links);
            case GiveReading or ReadCard:
                return Plan.Rules.OwnFirst && actor.IsStaff ? Refusal.NotAllowed : Reading.Decide(submission.Command, actor, id => _cards.TryGetValue(id, out var card) && card.IsUp && Out?.Hides(card) != true ? card : null);
            case TakeStance or SteerStances:
                return Stances.Decide(submission.Command, Plan, actor, situation.Allowed.StudentsMayWrite, id => _cards.GetValueOrDefault(id) is { IsUp: true } card && !IsHidden(card, actor) ? card : null, IsKnownToAll);
            case BeginTrip or MoveOn or EndTrip or VisitStation:
                return Visits.Decide(submission.Command, Plan, actor);
            case AcceptLateWork(var number):
                if (!_setAside.TryGetValue(number, out var late)) return Refusal.NotFound;
                var put = Decide(late.Command, late.Actor, late.Client, situation) as Decision.Accepted;
                return new Decision.Accepted(new LateWorkAccepted(number, put?.Event, late.Actor.Number, late.Gesture), put is { Audience: Audience.Everyone } && Out is null ? Audience.Everyone : Audience.NamedAndStaff);
            case DiscardLateWork(var number):
                return _setAside.TryGetValue(number, out var unwanted) ? new Decision.Accepted(new LateWorkDiscarded(number, unwanted.Actor.Number), Audience.NamedAndStaff) : Refusal.NotFound;
        }

        if (!actor.IsStaff && (actor.HasLeft || !situation.Allowed.StudentsMayWrite))
        {
            return WhyNotSetAside(submission, actor) is { } why ? why : new Decision.Accepted(new WorkSetAside(submission.Command), Audience.AuthorAndStaff);
        }

        return Decide(submission.Command, actor, submission.Client, situation);
    }

    private Decision Decide(Command command, Actor actor, int client, Situation situation) => command switch
    {
        PutUpCard put => WhyNot(put, actor, client) is { } why ? why
            : ToldOf(CardOf(put, actor, situation.Time), (card, _) => new CardPutUp(card)),
        RewordCard reword => Theirs(reword.Id, actor) is { } why ? why
            : WhyNotShown(reword.Language, reword.Text, reword.Attachments ?? [], actor, _cards[reword.Id]) is { } wrong ? wrong
            : ToldOf(_cards[reword.Id], (_, whose) => new CardReworded(reword.Id, reword.Language, reword.Text, whose, reword.Attachments)),
        MoveCard move => WhyNotMoved(move.Id, actor) is { } why ? why
            : !Plan.Has(move.Topic) ? Refusal.NotFound
            : !actor.IsStaff && !Visits.MayPutUp(Plan, actor.Number, move.Topic) ? Refusal.NotHere
            : !Card.IsOrder(move.Order) ? Refusal.OutOfRange
            : HasNoRoomFor(_cards[move.Id], move.Topic, actor) ? Refusal.EnoughCards
            : ToldOf(_cards[move.Id], (_, whose) => new CardMoved(move.Id, move.Topic, move.Order, whose)),
        JoinCard join => Theirs(join.Card, actor) is { } why ? why : Stacks.WhyNot(join, _cards, actor, Plan, card => actor.IsStaff || !IsHidden(card, actor)) is { } reason ? reason
            : ToldOf(_cards[join.Card], (_, whose) => new CardJoined(join.Card, join.Onto, whose)),
        ColourCard colour => Theirs(colour.Card, actor) is { } why ? why
            : colour.Colour is < 0 or > WallPlan.Colours ? Refusal.OutOfRange : _cards[colour.Card].Colour == colour.Colour ? Refusal.ChangedSince
            : ToldOf(_cards[colour.Card], (_, whose) => new CardColoured(colour.Card, colour.Colour, whose)),
        TakeCardDown(var id) => Theirs(id, actor) is { } why ? why : ToldOf(_cards[id], (_, whose) => new CardTakenDown(id, whose)),
        PutCardBack(var id) => WhyNotBack(id, actor) is { } why ? why
            : ToldOf(_cards[id] with { DownBy = 0 }, (card, _) => new CardPutBack(card.AsTold(), Links.TouchingAsTold(card, _cards, Plan.Rules.OwnFirst)), isHeld: Out is not null),
        AnswerCard answer => WhyNot(answer, actor, client) is { } why ? why
            : ToldOf(_cards[answer.Card], (card, whose) => new CardAnswered(card.Id, new(answer.Id, answer.To, actor.Number, actor.IsStaff, answer.Language, answer.Text, situation.Time, Aloud: answer.Aloud, Says: answer.Says), whose)),
        RewordAnswer reword => Theirs(reword.Card, reword.Id, actor) is { } why ? why
            : !Answer.CanSay(reword.Text, Find(reword.Card, reword.Id)!.Aloud) || !Card.IsLanguage(reword.Language) ? Refusal.OutOfRange
            : ToldOf(_cards[reword.Card], (card, whose) => new AnswerReworded(card.Id, reword.Id, reword.Language, reword.Text, whose)),
        TakeAnswerDown(var on, var id) => Theirs(on, id, actor) is { } why ? why : ToldOf(_cards[on], (card, whose) => new AnswerTakenDown(card.Id, id, whose)),
        PutAnswerBack(var on, var id) => WhyNotBack(on, id, actor) is { } why ? why : ToldOf(_cards[on], (card, whose) => new AnswerPutBack(card.Id, Find(on, id)! with { DownBy = 0 }, whose)),
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

    // Of a card that is up and that they see.
    private Refusal? WhyNot(long id, Actor actor, Func<Card, Refusal?> otherwise) =>
        !_cards.TryGetValue(id, out var card) || !card.IsUp || IsHidden(card, actor) ? Refusal.NotFound : otherwise(card);

    // While each sees only their own, or where classmates do not know of it yet, what happens to a student's card is told to its author and teachers.
    private Decision.Accepted ToldOf(Card card, Func<Card, int, RoomEvent> happened, bool isHeld = false) => (Plan.Rules.OwnFirst || isHeld || Out?.Hides(card) == true) && !card.ByStaff
        ? new(happened(card, card.Author), Audience.NamedAndStaff)
        : new(happened(card, 0));

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
        return [.. Laying.Shown(plan, LetOut.Shuffled(up, _ => true, Unforeseen(situation))), .. _cards.Values.Where(c => !c.IsUp && !c.ByStaff).Select(Placed)];
    }

    // The seed of an event follows from what students know; this does not.
    private Chance Unforeseen(Situation situation) => new(situation.Seed ^ _key.First);

    private Refusal? WhyNot(PutUpCard put, Actor actor, int client)
    {
        if (Ids.ClientOf(put.Id) != client || client == 0) return Refusal.Malformed;
        if (_cards.ContainsKey(put.Id)) return Refusal.Duplicate;
        if (!Plan.Has(put.Topic)) return Refusal.NotFound;
        if (!actor.IsStaff && Plan.Rules.OnlyGiven) return Refusal.NotAllowed;
        if (!actor.IsStaff && !Visits.MayPutUp(Plan, actor.Number, put.Topic)) return Refusal.NotHere;
        if (put.Spot is { } spot && !FieldPlan.Holds(spot)) return Refusal.OutOfRange;
        if (put.For < 0 || (put.For > 0 && !actor.IsStaff)) return Refusal.NotAllowed;
        if (put.Poured < 0 || (put.Poured > 0 && (!actor.IsStaff || put.For > 0))) return Refusal.NotAllowed;
        if (put.Poured > 0 && _cards.Values.Any(c => c.Poured == put.Poured)) return Refusal.Duplicate;
        if (WhyNotShown(put.Language, put.Text, put.Attachments ?? [], actor) is { } why) return why;
        var author = put.For > 0 ? put.For : actor.Number;
        if (Plan.FieldShown is not null && _cards.Values.Count(c => c.IsUp) >= Tidying.MostCards) return Refusal.Full;
        if (_cards.Count >= Card.Most || _cards.Values.Count(c => c.Author == author) >= Card.MostOfOne) return Refusal.Full;
        return !actor.IsStaff && IsFull(actor.Number, put.Topic) ? Refusal.EnoughCards : null;
    }

    // What a card is to say and show. What it shows already it may go on showing, whatever the rules say since.
    private Refusal? WhyNotShown(string language, string text, ImmutableArray<Attachment> shown, Actor actor, Card? before = null)
    {
        if (!Card.CanSay(text, shown) || !Card.IsLanguage(language)) return Refusal.OutOfRange;
        if (shown.IsEmpty) return null;
        if (!actor.IsStaff && !shown.All(a => MayShow(a) || (before?.Shown.Contains(a) ?? false))) return Refusal.NotAllowed;
        var more = Attachment.WeightOf(shown) - Attachment.WeightOf(before?.Shown ?? []);
        if (more <= 0) return null;
        var (all, theirs) = (more, more);
        foreach (var card in _cards.Values)
        {
            var weight = Attachment.WeightOf(card.Shown);
            all += weight;
            if (card.Author == (before?.Author ?? actor.Number)) theirs += weight;
        }

        return all > Card.MostShown || theirs > Card.MostShownByOne ? Refusal.Full : null;
    }

    // Places are shown on the map of this wall.
    private bool MayShow(Attachment attachment) => Plan.Rules.Shows.HasFlag(attachment.Kind()) && (attachment is not PlaceAttachment place || place.Map == Plan.Map);

    // What is said too late counts no more: others may have seen the results meanwhile.
    private Refusal? WhyNot(JudgeCard judge, Actor actor, Situation situation)
    {
        if (actor.IsStaff) return Refusal.NotAllowed;
        if (actor.HasLeft || !situation.Allowed.StudentsMayWrite) return Refusal.JudgingEnded;
        if (!_cards.TryGetValue(judge.Card, out var card) || !card.IsUp || IsHidden(card, actor)) return Refusal.NotFound;
        if (card.Author == actor.Number && !card.ByStaff) return Refusal.NotAllowed;
        return Judgements.WhyNot(Plan.Rules.Judging, judge, actor.Number, id => _cards.TryGetValue(id, out var other) && other.IsUp, Plan.TextsOf(card));
    }

    // A card that is up, and one's own; teachers may change all.
    private Refusal? Theirs(long id, Actor actor) => !_cards.TryGetValue(id, out var card) || !(card.IsUp || actor.IsStaff) || IsHidden(card, actor)
        ? Refusal.NotFound
        : actor.IsStaff || (card.Author == actor.Number && !card.ByStaff) ? card.IsUp ? null : Refusal.ChangedSince : Refusal.NotYours;

    // While each sees only their own, a teacher's card that a student moves would stand there for all.
    private Refusal? WhyNotMoved(long id, Actor actor)
    {
        var why = Theirs(id, actor);
        return why == Refusal.NotYours && Plan is { Purpose: Purpose.Sort, Rules: { AnyMoves: true, OwnFirst: false } } && _cards[id].IsUp ? null : why;
    }

    private bool IsHidden(Card card, Actor actor) => (Plan.Rules.OwnFirst || Out?.Hides(card) == true) && !actor.IsStaff && !card.ByStaff && card.Author != actor.Number;

    // The cards that somebody may know of where names are hidden; else all.
    private IReadOnlyDictionary<long, Card> KnownTo(Actor actor) => Out is null || actor.IsStaff ? _cards : _cards.Where(c => !IsHidden(c.Value, actor)).ToDictionary();

    // What a teacher took down, its author cannot put back.
    private Refusal? WhyNotBack(long id, Actor actor)
    {
        if (!_cards.TryGetValue(id, out var card)) return Refusal.NotFound;
        if (!actor.IsStaff && (card.ByStaff || card.Author != actor.Number)) return Refusal.NotFound;
        if (card.IsUp) return Refusal.ChangedSince;
        if (actor.IsStaff) return null;
        if (card.DownBy != actor.Number) return Refusal.NotAllowed;
        return IsFull(actor.Number, card.Topic) ? Refusal.EnoughCards : null;
    }

    private Answer? Find(long card, long id) => _cards.GetValueOrDefault(card)?.Said.FirstOrDefault(a => a.Id == id);

    // While each sees only their own, a student's answer to a teacher's card would be read by all.
    private Refusal? WhyNot(AnswerCard answer, Actor actor, int client)
    {
        if (Ids.ClientOf(answer.Id) != client || client == 0) return Refusal.Malformed;
        if (!_cards.TryGetValue(answer.Card, out var card) || !card.IsUp || IsHidden(card, actor)) return Refusal.NotFound;
        if (!actor.IsStaff && (!Plan.Rules.Answers || (Plan.Rules.OwnFirst && card.ByStaff))) return Refusal.NotAllowed;
        if (answer.Aloud && !actor.IsStaff) return Refusal.NotAllowed;
        if (!actor.IsStaff && WhyNotOfKind(answer, card, actor) is { } wrong) return wrong;
        if (Find(card.Id, answer.Id) is not null) return Refusal.Duplicate;
        if (answer.To != 0 && Find(card.Id, answer.To) is not { IsUp: true }) return Refusal.NotFound;
        if (!Answer.CanSay(answer.Text, answer.Aloud) || !Card.IsLanguage(answer.Language)) return Refusal.OutOfRange;
        var (all, theirs) = (0, 0);
        foreach (var said in _cards.Values.SelectMany(c => c.Said))
        {
            all++;
            if (said.Author == actor.Number) theirs++;
        }

        return card.Said.Length >= Answer.MostOfCard || theirs >= Answer.MostOfOne || all >= Answer.Most ? Refusal.Full : null;
    }

    // One strength and one question to a card, from each; what is said to answers is free.
    private Refusal? WhyNotOfKind(AnswerCard answer, Card card, Actor actor)
    {
        if (!Enum.IsDefined(answer.Says)) return Refusal.OutOfRange;
        if ((Plan.Rules.InPairs && answer.To == 0) != (answer.Says != AnswerKind.Plain)) return Refusal.NotAllowed;
        return answer.Says != AnswerKind.Plain && card.Said.Any(a => a.IsUp && a.Says == answer.Says && a.Author == actor.Number && !a.ByStaff) ? Refusal.ChangedSince : null;
    }

    // An answer that is up, and one's own, to a card that is up; teachers may change all.
    private Refusal? Theirs(long on, long id, Actor actor)
    {
        if (!_cards.TryGetValue(on, out var card) || !(card.IsUp || actor.IsStaff) || IsHidden(card, actor) || Find(on, id) is not { } answer) return Refusal.NotFound;
        var isOwn = answer.Author == actor.Number && answer.ByStaff == actor.IsStaff;
        if (!actor.IsStaff && !isOwn) return answer.IsUp ? Refusal.NotYours : Refusal.NotFound;
        return answer.IsUp ? null : Refusal.ChangedSince;
    }

    private Refusal? WhyNotBack(long on, long id, Actor actor)
    {
        var why = Theirs(on, id, actor);
        if (why is null) return Refusal.ChangedSince;
        if (why != Refusal.ChangedSince || actor.IsStaff) return why == Refusal.ChangedSince ? null : why;
        var answer = Find(on, id)!;
        if (answer.DownBy != actor.Number) return Refusal.NotAllowed;
        return answer.Says != AnswerKind.Plain && _cards[on].Said.Any(a => a.IsUp && a.Says == answer.Says && a.Author == actor.Number && !a.ByStaff) ? Refusal.ChangedSince : null;
    }

    // By the same rules as work in time, but for what rests on work that waits too; and no more of one person than they can have written.
    private Refusal? WhyNotSetAside(Submission submission, Actor actor)
    {
        var theirs = _setAside.Values.Where(w => w.Actor.Number == actor.Number).ToList();
        if (theirs.Count >= Limits.LateWork || theirs.Sum(w => SizeOf(w.Command)) + SizeOf(submission.Command) > Limits.LateWorkSize) return Refusal.Full;
        bool Waits(long id) => theirs.Exists(w => w.Command is PutUpCard put && put.Id == id);
        bool Answered(long id) => theirs.Exists(w => w.Command is AnswerCard answer && answer.Id == id);
        bool Linked(long id) => theirs.Exists(w => w.Command is LinkCards link && link.Id == id);
        static Refusal? Fault(string text, string language) => Card.IsText(text) && Card.IsLanguage(language) ? null : Refusal.OutOfRange;
        return submission.Command switch
        {
            PutUpCard put => Waits(put.Id) ? Refusal.Duplicate : WhyNot(put, actor, submission.Client),
            RewordCard reword when Waits(reword.Id) => WhyNotShown(reword.Language, reword.Text, reword.Attachments ?? [], actor),
            JoinCard join when Waits(join.Card) => null,
            ColourCard colour when Waits(colour.Card) => colour.Colour is < 0 or > WallPlan.Colours ? Refusal.OutOfRange : null,
            MoveCard move when Waits(move.Id) => Plan.Has(move.Topic) ? null : Refusal.NotFound,
            TakeCardDown(var id) when Waits(id) => null,
            PutCardBack(var id) when Waits(id) => null,
            AnswerCard answer when Answered(answer.Id) => Refusal.Duplicate,
            AnswerCard answer when Waits(answer.Card) || Answered(answer.To) => answer.Aloud ? Refusal.NotAllowed : Fault(answer.Text, answer.Language),
            RewordAnswer reword when Answered(reword.Id) => Fault(reword.Text, reword.Language),
            TakeAnswerDown(_, var id) when Answered(id) => null,
            PutAnswerBack(_, var id) when Answered(id) => null,
            LinkCards link when theirs.Exists(w => w.Command is LinkCards other && other.Id == link.Id) => Refusal.Duplicate,
            LinkCards link when Waits(link.From) || Waits(link.To) => Link.CanSay(link.Word, link.Language, link.Text) ? null : Refusal.OutOfRange,
            RewordLink reword when Linked(reword.Id) => Link.CanSay(reword.Word, reword.Language, reword.Text) ? null : Refusal.OutOfRange,
            ReverseLink(var id) when Linked(id) => null,
            TakeLinkDown(var id) when Linked(id) => null,
            PutLinkBack(var id) when Linked(id) => null,
            _ => (Decide(submission.Command, actor, submission.Client, Situation.Open) as Decision.Refused)?.Reason,
        };
    }

    private static int SizeOf(Command command) => command switch
    {
        PutUpCard put => put.Text.Length + Attachment.WeightOf(put.Attachments ?? []),
        RewordCard reword => reword.Text.Length + Attachment.WeightOf(reword.Attachments ?? []),
        AnswerCard answer => answer.Text.Length,
        RewordAnswer reword => reword.Text.Length,
        _ => 1,
    };

    // Where cards are counted under each topic, one's own goes to none where there are as many as each may have.
    private bool HasNoRoomFor(Card card, long topic, Actor actor) => Plan.CountsPerTopic && !actor.IsStaff && card.Author == actor.Number && !card.ByStaff && card.Topic != topic && IsFull(actor.Number, topic);

    private int UpOf(int person, long? topic = null) => _cards.Values.Count(c => c.IsUp && !c.ByStaff && c.Author == person && (topic is null || c.Topic == topic));

    // Whether somebody has up as many cards as each may: there, or altogether.
    private bool IsFull(int person, long topic) => Plan.Rules.Most > 0 && UpOf(person, Plan.CountsPerTopic ? topic : null) >= Plan.Rules.Most;

    // Behind those that everybody sees, and their own: so it says nothing of what they may not see.
    private double Behind(long topic, Actor actor) => Laying.Told(KnownTo(actor), Plan.Rules.OwnFirst, actor).Where(c => c.Topic == topic)
        .Select(c => Math.Floor(c.Order)).DefaultIfEmpty(0).Max() + 1;

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
        Out = Plan.HidesNames ? LetOut.Now(Plan, _cards, Links, wall.Held) : null;
    }

    /// <inheritdoc/>
    protected override void ApplyEvent(Envelope envelope)
    {
        Become(envelope);
        if (!Plan.HidesNames) Out = null;
        else if (Out is null || envelope.Event is CardsLetOut or CardsShown or CardsBrought) Out = LetOut.Now(Plan, _cards, Links);
        else Out.Note(envelope);
    }

    private void Become(Envelope envelope)
    {
        switch (envelope.Event)
        {
            case WorkSetAside(var command):
                _setAside[envelope.Number] = new(envelope.Number, envelope.Actor, envelope.Client, envelope.Counter, envelope.Gesture, command);
                return;
            case LateWorkAccepted(var number, var outcome, var person, _):
                _setAside.Remove(number);
                if (outcome is not null) Set(outcome, person);
                return;
            case LateWorkDiscarded(var number, _):
                _setAside.Remove(number);
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
            case StancesSteered:
                Stances.Set(envelope.Event, envelope.Actor.Number);
                return;
            case ResultsShown(var results):
                Judgements.Show(results);
                return;
            case ReadingGiven or CardRead:
                Reading.Set(envelope.Event, envelope.Actor.Number);
                return;
            case TripBegun or TripMovedOn or TripEnded or StationVisited:
                Visits.Set(envelope.Event, envelope.Actor.Number);
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
            case CardColoured(var id, var colour, _): Change(id, c => c with { Colour = colour }); break;
            case CardJoined(var id, var onto, _): Change(id, c => c with { Joined = onto }); break;
            case CardMoved(var id, var topic, var order, _): Change(id, c => c with { Topic = topic, Order = order }); break;
            case CardTakenDown(var id, _): Change(id, c => c with { DownBy = actor }); break;
            case CardAnswered(var on, var answer, _): Change(on, c => c.With(answer)); break;
            case AnswerPutBack(var on, var answer, _): Change(on, c => c.With(answer)); break;
            case AnswerReworded(var on, var id, var language, var text, _): Change(on, id, a => a with { Language = language, Text = text }); break;
            case AnswerTakenDown(var on, var id, _): Change(on, id, a => a with { DownBy = actor }); break;
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
                foreach (var card in _cards.Values.Where(c => c.IsUp && !up.Contains(c.Id)).ToList()) _cards[card.Id] = card with { DownBy = actor };
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
            CardAnswered answered => _cards.GetValueOrDefault(answered.Card)?.Topic ?? 0,
            CardJudged judged => _cards.GetValueOrDefault(judged.Card)?.Topic ?? 0,
            _ => 0,
        };
        _acts[envelope.Actor.Number] = new(envelope.Actor.Number, envelope.Time, topic);
    }
}
