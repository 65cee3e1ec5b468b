using System.Collections.Immutable;
using Yardang.Core.Attachments;
using Yardang.Core.Judges;
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
/// <param name="Starters">How sentences may begin for some; to a student, their own.</param>
/// <param name="Concerns">What students told their teacher of; to a student, what they did.</param>
[Kind((int)RoomKind.Wall)]
public sealed record WallSnapshot(WallPlan Plan, ImmutableArray<Card> Cards, ImmutableArray<LateWork> SetAside, [OrMinusOne] long? LastActivity, ImmutableArray<LastAct> Acts, JudgingState Judging, RoundTrip? Trip, ImmutableArray<Visit> Visits, PlacingState Placing, ImmutableArray<Link> Links, ImmutableArray<int> Held, ImmutableArray<ReadingList> Reading, StancesState Stances, ImmutableArray<OwnStarters> Starters, ImmutableArray<Concern> Concerns) : RoomSnapshot;

/// <summary>A question, and cards that answer it, where all of its people can read them.</summary>
public sealed partial class Wall : Room, IWorkRoom
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
        (Plan, _key) = (version.ItsOwn, key);
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

    /// <summary>Sentence starters of some students.</summary>
    public StartersForSome Starters { get; } = new();

    /// <inheritdoc/>
    public Concerns Concerns { get; } = new();

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
    public override bool IsSealed => Plan.IsSealed;

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
        : Plan.CountsPerTopic ? Plan.Topics.Where(t => t.IsFor(person)).Sum(t => Math.Max(0, Plan.Rules.Least - UpOf(person, t.Id))) : Math.Max(0, Plan.Rules.Least - UpOf(person));

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
}
