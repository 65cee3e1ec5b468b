using System.Collections.Immutable;
using Yardang.Core.Rooms;

namespace Yardang.Core.Walls;

/// <summary>
/// The links of a wall. A link is seen where both of its cards are up and seen; while each sees only their own, students see besides their own none but those of teachers between teachers' cards. Whoever made one goes on
/// knowing it. Nothing is done to a link whose cards are not both up.
/// </summary>
public sealed class Links
{
    /// <summary>Tells that nobody but teachers is told.</summary>
    public const int Nobody = -1;

    private readonly SortedDictionary<long, Link> _all = [];

    /// <summary>Every link, those taken down included, by id.</summary>
    public IReadOnlyDictionary<long, Link> All => _all;

    /// <summary>Those that are up between cards that are up.</summary>
    /// <param name="cards">The cards of the wall, by id.</param>
    public IEnumerable<Link> Standing(IReadOnlyDictionary<long, Card> cards) => _all.Values.Where(l => Stands(l, cards));

    /// <summary>Whether a link is up between cards that are up.</summary>
    internal static bool Stands(Link link, IReadOnlyDictionary<long, Card> cards) => link.IsUp && IsUp(cards, link.From) && IsUp(cards, link.To);

    /// <summary>The links that whoever is shown a card again is told of: those of the card that all who are told see.</summary>
    internal ImmutableArray<Link>? TouchingAsTold(Card card, IReadOnlyDictionary<long, Card> cards, bool ownFirst) => OrNone(_all.Values.Where(l => IsToldWith(l, card, cards, ownFirst)));

    /// <summary>The links that everybody is told of who sees all cards from now on.</summary>
    /// <param name="cards">The cards of the wall, by id.</param>
    /// <param name="withDown">Whether who made one that is down is told of that, too.</param>
    internal ImmutableArray<Link>? AllAsTold(IReadOnlyDictionary<long, Card> cards, bool withDown) => OrNone(_all.Values.Where(l => Stands(l, cards) || (withDown && !l.IsUp && !l.ByStaff)));

    /// <summary>Where the links lie that everybody sees, and somebody's own.</summary>
    internal List<(FieldSpot From, FieldSpot To)> SpotsAsTold(IReadOnlyDictionary<long, Card> cards, bool ownFirst, Actor actor) =>
    [
        .. Standing(cards).Where(l => !ownFirst || (l.ByStaff ? cards[l.From].ByStaff && cards[l.To].ByStaff : !actor.IsStaff && l.Author == actor.Number))
            .Where(l => cards[l.From].Spot is not null && cards[l.To].Spot is not null).Select(l => (cards[l.From].Spot!, cards[l.To].Spot!)),
    ];

    /// <summary>Decides what is done with links.</summary>
    /// <param name="command">What is done.</param>
    /// <param name="actor">Who.</param>
    /// <param name="client">Of which tab.</param>
    /// <param name="plan">What is planned for the wall.</param>
    /// <param name="cards">The cards that they may know of, by id.</param>
    /// <param name="known">Where names are hidden: what students know of each other's work; else null.</param>
    internal Decision Decide(Command command, Actor actor, int client, WallPlan plan, IReadOnlyDictionary<long, Card> cards, LetOut? known)
    {
        if (plan.FieldShown is not { } field) return Refusal.NotAllowed;
        bool IsKnown(Link link) => known is null || actor.IsStaff || link.ByStaff || link.Author == actor.Number || known.Links.ContainsKey(link.Id);
        switch (command)
        {
            case LinkCards link:
                if (Ids.ClientOf(link.Id) != client || client == 0) return Refusal.Malformed;
                if (_all.ContainsKey(link.Id)) return Refusal.Duplicate;
                if (WhyNot(link.From, link.To, actor, plan, cards, IsKnown) is { } why) return why;
                if (WhyNotSaid(link.Word, link.Language, link.Text, actor, field) is { } wrong) return wrong;
                if (_all.Count >= Link.Most || _all.Values.Count(l => l.Author == actor.Number && l.ByStaff == actor.IsStaff) >= Link.MostOfOne) return Refusal.Full;
                return ToldOf(new Link(link.Id, link.From, link.To, link.Word, link.Language, link.Text, actor.Number, actor.IsStaff), plan, cards, (l, whose) => new CardsLinked(l, whose));
            case RewordLink(var id, var word, var language, var text):
                return (WhyNotMine(id, actor, plan, cards) ?? WhyNotSaid(word, language, text, actor, field)) is { } no ? no
                    : ToldOf(_all[id], plan, cards, (_, whose) => new LinkReworded(id, word, language, text, whose));
            case ReverseLink(var id):
                return WhyNotMine(id, actor, plan, cards) is { } not ? not
                    : IsLinked(_all[id].To, _all[id].From, actor, plan, cards, IsKnown) ? Refusal.ChangedSince
                    : ToldOf(_all[id], plan, cards, (_, whose) => new LinkReversed(id, whose));
            case TakeLinkDown(var id):
                return WhyNotMine(id, actor, plan, cards) is { } never ? never : ToldOf(_all[id], plan, cards, (_, whose) => new LinkTakenDown(id, whose));
            case PutLinkBack(var id):
                return WhyNotBack(id, actor, plan, cards, IsKnown) is { } nor ? nor : ToldOf(_all[id] with { DownBy = 0 }, plan, cards, (l, whose) => new LinkPutBack(l, whose));
            default:
                return Refusal.NotAllowed;
        }
    }

    /// <summary>Applies what happened to links. Of links that a reader's copy does not have, nothing is known there.</summary>
    internal void Set(RoomEvent happened, int actor)
    {
        switch (happened)
        {
            case CardsLinked(var link, _): _all[link.Id] = link; break;
            case LinkPutBack(var link, _): _all[link.Id] = link; break;
            case LinkReworded(var id, var word, var language, var text, _): Change(id, l => l with { Word = word, Language = language, Text = text }); break;
            case LinkReversed(var id, _): Change(id, l => l with { From = l.To, To = l.From }); break;
            case LinkTakenDown(var id, _): Change(id, l => l with { DownBy = actor }); break;
        }
    }

    /// <summary>A card is up again, told with its links: what a reader's copy still holds of it besides was taken down meanwhile, but for those of nobody, which are told together with others.</summary>
    internal void TakeWith(Card card, ImmutableArray<Link> told, IReadOnlyDictionary<long, Card> cards, bool ownFirst) => Take(told, l => l is not { Author: 0, ByStaff: false } && IsToldWith(l, card, cards, ownFirst));

    /// <summary>All cards are shown, told with all links: what a reader's copy still holds besides was taken down meanwhile.</summary>
    internal void TakeAll(ImmutableArray<Link> told, IReadOnlyDictionary<long, Card> cards) => Take(told, l => Stands(l, cards));

    /// <summary>What students did is seen by their classmates: of what is gone, a classmate's copy knows nothing any more.</summary>
    internal void LetOut(ImmutableArray<Link> links, ImmutableArray<long> gone)
    {
        foreach (var link in links) _all[link.Id] = link;
        foreach (var id in gone)
        {
            if (_all.GetValueOrDefault(id) is { Author: 0, ByStaff: false }) _all.Remove(id);
        }
    }

    internal void Restore(ImmutableArray<Link> links)
    {
        _all.Clear();
        foreach (var link in links) _all[link.Id] = link;
    }

    /// <summary>The first thing that is wrong with links that are brought, in words; null if nothing is.</summary>
    public static string? FaultIn(ImmutableArray<Link> links, IReadOnlySet<long> cards)
    {
        if (links.Length > Link.Most) return $"There are {links.Length} links; a wall has at most {Link.Most}.";
        if (links.Select(l => l.Id).Distinct().Count() < links.Length) return "Two links have the same number.";
        var at = links.IndexOf(links.FirstOrDefault(l => l.Id is <= 0 or >= 1L << 53 || !l.IsUp || l.From == l.To || !cards.Contains(l.From) || !cards.Contains(l.To) || !Link.CanSay(l.Word, l.Language, l.Text))!);
        return at < 0 ? null : $"Link {at + 1} joins nothing that is there, or says too much.";
    }

    private void Take(ImmutableArray<Link> told, Func<Link, bool> isTold)
    {
        foreach (var link in told) _all[link.Id] = link;
        var known = told.Select(l => l.Id).ToHashSet();
        foreach (var gone in _all.Values.Where(l => isTold(l) && !known.Contains(l.Id)).ToList()) _all.Remove(gone.Id);
    }

    // The card itself is up by now.
    private static bool IsToldWith(Link link, Card card, IReadOnlyDictionary<long, Card> cards, bool ownFirst) => link.IsUp && link.Touches(card.Id)
        && cards.GetValueOrDefault(link.From == card.Id ? link.To : link.From) is { IsUp: true } other && (!ownFirst || (link.ByStaff && card.ByStaff && other.ByStaff));

    private Refusal? WhyNot(long from, long to, Actor actor, WallPlan plan, IReadOnlyDictionary<long, Card> cards, Func<Link, bool> isKnown)
    {
        if (!Sees(actor, from, plan, cards) || !Sees(actor, to, plan, cards)) return Refusal.NotFound;
        if (from == to) return Refusal.OutOfRange;
        if (!actor.IsStaff && plan.LinksOwnOnly && new[] { from, to }.Any(id => !cards[id].ByStaff && cards[id].Author != actor.Number)) return Refusal.NotAllowed;
        return IsLinked(from, to, actor, plan, cards, isKnown) ? Refusal.ChangedSince : null;
    }

    // While each sees only their own, that somebody else has linked the same two is not to be known.
    private bool IsLinked(long from, long to, Actor actor, WallPlan plan, IReadOnlyDictionary<long, Card> cards, Func<Link, bool> isKnown) => _all.Values.Any(l => l.IsUp && l.From == from && l.To == to && isKnown(l)
        && (!plan.Rules.OwnFirst || actor.IsStaff || (l.ByStaff ? cards[from].ByStaff && cards[to].ByStaff : l.Author == actor.Number)));

    // Teachers' own words may always be said.
    private static Refusal? WhyNotSaid(long word, string language, string text, Actor actor, FieldPlan field)
    {
        if (!Link.CanSay(word, language, text)) return Refusal.OutOfRange;
        if (word != 0) return field.Has(word) ? null : Refusal.NotFound;
        return !actor.IsStaff && field.OnlyThese && !field.Words.IsEmpty ? Refusal.NotAllowed : null;
    }

    // A link that stands, and one's own; teachers may change all.
    private Refusal? WhyNotMine(long id, Actor actor, WallPlan plan, IReadOnlyDictionary<long, Card> cards)
    {
        if (!_all.TryGetValue(id, out var link) || !Sees(actor, link.From, plan, cards) || !Sees(actor, link.To, plan, cards)) return Refusal.NotFound;
        var isOwn = link.Author == actor.Number && link.ByStaff == actor.IsStaff;
        if (!actor.IsStaff && !isOwn) return !link.IsUp || (plan.Rules.OwnFirst && !link.ByStaff) ? Refusal.NotFound : Refusal.NotYours;
        return link.IsUp ? null : Refusal.ChangedSince;
    }

    private Refusal? WhyNotBack(long id, Actor actor, WallPlan plan, IReadOnlyDictionary<long, Card> cards, Func<Link, bool> isKnown)
    {
        var why = WhyNotMine(id, actor, plan, cards);
        if (why is null) return Refusal.ChangedSince;
        if (why != Refusal.ChangedSince) return why;
        var link = _all[id];
        if (!actor.IsStaff && link.DownBy != actor.Number) return Refusal.NotAllowed;
        return IsLinked(link.From, link.To, actor, plan, cards, isKnown) ? Refusal.ChangedSince : null;
    }

    // While each sees only their own: a student's to that student; a teacher's between teachers' cards to all, between others to nobody.
    private static Decision.Accepted ToldOf(Link link, WallPlan plan, IReadOnlyDictionary<long, Card> cards, Func<Link, int, RoomEvent> happened)
    {
        if (!plan.Rules.OwnFirst) return new(happened(link, 0));
        if (!link.ByStaff) return new(happened(link, link.Author), Audience.NamedAndStaff);
        return cards[link.From].ByStaff && cards[link.To].ByStaff ? new(happened(link, 0)) : new(happened(link, Nobody), Audience.NamedAndStaff);
    }

    private static bool Sees(Actor actor, long id, WallPlan plan, IReadOnlyDictionary<long, Card> cards) =>
        cards.TryGetValue(id, out var card) && card.IsUp && (actor.IsStaff || card.ByStaff || card.Author == actor.Number || !plan.Rules.OwnFirst);

    private static bool IsUp(IReadOnlyDictionary<long, Card> cards, long id) => cards.TryGetValue(id, out var card) && card.IsUp;

    private void Change(long id, Func<Link, Link> change)
    {
        if (_all.TryGetValue(id, out var link)) _all[id] = change(link);
    }

    private static ImmutableArray<Link>? OrNone(IEnumerable<Link> links) => links.ToImmutableArray() is { IsEmpty: false } some ? some : null;
}
