using System.Collections.Immutable;
using Yardang.Core.Rooms;
using Yardang.Core.Threads;
using Yardang.Core.Wire;

namespace Yardang.Core.Walls;

/// <summary>To whom it is shown who wrote what. The numbers are on the wire.</summary>
public enum NamesTo
{
    /// <summary>To everybody.</summary>
    Everybody = 0,

    /// <summary>To teachers only. Nothing that reaches a classmate tells whose something is, or that two things have one author.</summary>
    Teachers = 1,

    /// <summary>To nobody. Teachers, too, are told no more than classmates are.</summary>
    Nobody = 2,
}

/// <summary>Staff: let out what classmates do not see yet. The program does so by itself once several have written.</summary>
[Kind(69)]
public sealed record LetCardsOut : Command;

/// <summary>
/// What students have done since the last time is seen by their classmates, all together: cards as they are now, whatever was done with them. Who has done
/// something was told of it at once.
/// </summary>
/// <param name="OwnFirst">Whether each sees only their own cards, and the teachers'.</param>
/// <param name="Cards">Those that are new or other than they were; what is down is told to its author and teachers.</param>
/// <param name="Down">Those that were up and are not any more.</param>
/// <param name="Links">Links that are new or other than they were.</param>
/// <param name="LinksDown">Those that are not there any more.</param>
/// <param name="Apart">Students' links that do not stand and are other than they were: for whoever made them, and teachers.</param>
[Kind(102)]
public sealed record CardsLetOut(bool OwnFirst, ImmutableArray<Card> Cards, ImmutableArray<long> Down, ImmutableArray<Link> Links, ImmutableArray<long> LinksDown, ImmutableArray<Link> Apart) : RoomEvent;

/// <summary>
/// What students know of each other's work where names are hidden from them: the wall as it was when something was let out last. What comes one by one in
/// front of a class tells who wrote it; so what several have done comes together, in no order. What happened since then each knows of their own.
/// </summary>
public sealed class LetOut
{
    /// <summary>How many students must have done something before it comes out by itself.</summary>
    public const int LeastPeople = 3;

    /// <summary>After so many events it comes out all the same: what is kept for late comers has a limit.</summary>
    public const int MostSince = 1_000;

    private readonly Dictionary<long, Card> _cards;
    private readonly Dictionary<long, Link> _links;
    private readonly List<Envelope> _since = [];
    private readonly SortedSet<int> _people;
    private readonly HashSet<long> _touched = [];
    private readonly HashSet<long> _linked = [];
    private bool _byStaff;
    private long _lastAt;

    private LetOut(WallPlan plan, IReadOnlyDictionary<long, Card> cards, Links links, IEnumerable<int> people)
    {
        Plan = plan;
        _cards = new(cards);
        _links = new(links.All);
        _people = [.. people];
    }

    /// <summary>Where names are for nobody, what fewer have done comes out when a teacher asks, once they have done nothing for so long, ms: she could see who is writing.</summary>
    public const long Quiet = 5 * 60_000;

    /// <summary>The plan as it was.</summary>
    public WallPlan Plan { get; }

    /// <summary>The cards as they were, by id.</summary>
    public IReadOnlyDictionary<long, Card> Cards => _cards;

    /// <summary>The links as they were, by id.</summary>
    public IReadOnlyDictionary<long, Link> Links => _links;

    /// <summary>What happened since then, in order.</summary>
    public IReadOnlyList<Envelope> Since => _since;

    /// <summary>The students who have done since then what classmates do not see yet, by actor number.</summary>
    public IReadOnlyCollection<int> People => _people;

    /// <summary>Whether a teacher who must not know whose something is can let it out.</summary>
    /// <param name="now">Server time, ms.</param>
    public bool MayComeOut(long now) => !IsAll && (_people.Count is 0 or >= LeastPeople || now - _lastAt >= Quiet);

    /// <summary>Whether everybody knows all that they may.</summary>
    public bool IsAll => _people.Count == 0 && !_byStaff;

    /// <summary>Whether it comes out by itself: several students have done something, or teachers alone.</summary>
    public bool IsDue => !IsAll && (_people.Count is 0 or >= LeastPeople || _since.Count >= MostSince);

    /// <summary>Everything is out.</summary>
    /// <param name="plan">The plan now.</param>
    /// <param name="cards">The cards now.</param>
    /// <param name="links">The links now.</param>
    /// <param name="people">In a reader's copy: of whom something is not out.</param>
    internal static LetOut Now(WallPlan plan, IReadOnlyDictionary<long, Card> cards, Links links, IEnumerable<int>? people = null) => new(plan, cards, links, people ?? []);

    /// <summary>Takes note of what happened. What concerns neither cards nor links nor the plan everybody is told of as ever.</summary>
    internal void Note(Envelope envelope)
    {
        var person = envelope.Event switch
        {
            LateWorkAccepted accepted => accepted.Outcome is null ? null : (int?)accepted.Person,
            CardPutUp or CardPutBack or CardReworded or CardMoved or CardTakenDown or AnswerGiven or AnswerPutBack or AnswerReworded or AnswerTakenDown or AskedToo or QuestionFiled or CardRespondedTo or CardJoined or CardColoured or CardLocked or SealBroken
                or CardPlaced or CardLaid or CardsLinked or LinkReworded or LinkReversed or LinkTakenDown or LinkPutBack or FieldLaid or PlanSet => envelope.Actor.IsStaff ? 0 : envelope.Actor.Number,
            _ => null,
        };
        if (person is null) return;
        _since.Add(envelope);
        if (envelope is { Audience: Audience.Everyone, Event: CardsLinked(var link, _) }) _linked.Add(link.Id);
        if (person > 0)
        {
            _people.Add(person.Value);
            _lastAt = envelope.Time;
        }
        else if (envelope.Audience == Audience.Everyone && TouchedBy(envelope.Event) is { } touched) _touched.Add(touched);
        else if (envelope.Audience != Audience.Everyone || envelope.Event is PlanSet { Laid: not null }) _byStaff = true;
    }

    // What a teacher did to it all were told at once: it is told of again, for a student may have made it since as it was before that.
    private static long? TouchedBy(RoomEvent act) => act switch
    {
        CardTakenDown e => e.Id,
        CardMoved e => e.Id,
        CardReworded e => e.Id,
        CardJoined e => e.Card,
        CardColoured e => e.Card,
        CardLocked e => e.Card,
        SealBroken e => e.Card,
        CardRespondedTo e => e.Card,
        QuestionFiled e => e.Card,
        CardPlaced e => e.Card,
        CardLaid e => e.Card,
        AnswerReworded e => e.About,
        AnswerTakenDown e => e.About,
        LinkTakenDown e => e.Id,
        LinkReworded e => e.Id,
        LinkReversed e => e.Id,
        _ => null,
    };

    /// <summary>Whether classmates do not know of a student's card yet.</summary>
    internal bool Hides(Card card) => !card.ByStaff && !_cards.ContainsKey(card.Id);

    /// <summary>Whether students do not know yet of what a teacher's act is about, but for whoever wrote it; they are told when that comes out.</summary>
    internal bool Hides(RoomEvent act, IReadOnlyDictionary<long, Card> cards) => act switch
    {
        AnswerGiven(var on, var answer, _) => HidesAnswer(on, answer.To, cards),
        AnswerReworded(var on, var id, _, _, _) => HidesAnswer(on, id, cards),
        AnswerTakenDown(var on, var id, _, _, _, _, _) => HidesAnswer(on, id, cards),
        AnswerPutBack(var on, var answer, _) => !answer.ByStaff || HidesAnswer(on, answer.To, cards),
        QuestionFiled(var on, var answer, _) => HidesAnswer(on, answer, cards),
        CardsLinked(var link, _) => Hides(cards[link.From]) || Hides(cards[link.To]),
        LinkReworded(var id, _, _, _, _) => HidesLink(id),
        LinkReversed(var id, _) => HidesLink(id),
        LinkTakenDown(var id, _) => HidesLink(id),
        CardPutBack(var card, _) => card.ByStaff,
        CardJoined(_, var onto, _) => onto != 0 && Hides(cards[onto]),
        LinkPutBack or FieldLaid => true,
        _ => false,
    };

    /// <summary>What is let out now.</summary>
    /// <param name="plan">The plan now.</param>
    /// <param name="cards">The cards now.</param>
    /// <param name="links">The links now.</param>
    /// <param name="chance">Chance that nobody outside of the server can know.</param>
    internal CardsLetOut Event(WallPlan plan, IReadOnlyDictionary<long, Card> cards, Links links, Chance chance)
    {
        ImmutableArray<Card> now = [.. cards.Values.Where(c => c.IsUp)];
        var up = plan.Rules.OwnFirst ? now : Laying.Shown(plan, Shuffled(now, c => !_cards.ContainsKey(c.Id), chance));
        var standing = links.Standing(cards).ToList();
        var stood = _links.Values.Where(l => Walls.Links.Stands(l, _cards)).ToDictionary(l => l.Id);
        return new(
            plan.Rules.OwnFirst,
            [.. up.Concat(cards.Values.Where(c => !c.IsUp)).Where(c => _touched.Contains(c.Id) || _cards.GetValueOrDefault(c.Id) != c)],
            [.. _cards.Values.Where(c => c.IsUp && cards.GetValueOrDefault(c.Id) is not { IsUp: true }).Select(c => c.Id).Order()],
            [.. standing.Where(l => stood.GetValueOrDefault(l.Id) != l || _touched.Contains(l.Id) || _touched.Contains(l.From) || _touched.Contains(l.To))],
            [.. stood.Keys.Except(standing.Select(l => l.Id)).Order()],
            [.. links.All.Values.Where(l => !l.ByStaff && !Walls.Links.Stands(l, cards) && _links.GetValueOrDefault(l.Id) != l)]);
    }

    /// <summary>Students' cards in which order nobody can read who came first: those that are new change places with one another under each topic.</summary>
    internal static ImmutableArray<Card> Shuffled(ImmutableArray<Card> cards, Func<Card, bool> isNew, Chance chance)
    {
        var orders = new Dictionary<long, double>();
        foreach (var topic in cards.Where(c => !c.ByStaff && isNew(c)).GroupBy(c => c.Topic).OrderBy(g => g.Key))
        {
            var places = topic.Select(c => c.Order).Order().ToList();
            foreach (var card in topic.OrderBy(c => c.Id))
            {
                var at = chance.Next(places.Count);
                orders[card.Id] = places[at];
                places.RemoveAt(at);
            }
        }

        return [.. cards.Select(c => orders.TryGetValue(c.Id, out var order) ? c with { Order = order } : c)];
    }

    private bool HidesLink(long id) => !_links.ContainsKey(id) && !_linked.Contains(id);

    private bool HidesAnswer(long on, long id, IReadOnlyDictionary<long, Card> cards) =>
        id != 0 && cards.GetValueOrDefault(on)?.Said.FirstOrDefault(a => a.Id == id) is { ByStaff: false } && _cards.GetValueOrDefault(on)?.Said.Any(a => a.Id == id) != true;
}
