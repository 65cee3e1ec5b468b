using System.Collections.Immutable;
using Yardang.Core.Rooms;
using Yardang.Core.Wire;

namespace Yardang.Core.Walls;

/// <summary>A card joins another one, which says the same; with 0 it stands alone again. Every wording is kept.</summary>
[Kind(71)]
public sealed record JoinCard(long Card, long Onto) : Command;

/// <summary>A card has joined another one, or with 0 stands alone again. <c>Whose</c>: the card's author where classmates do not see the card; else 0.</summary>
[Kind(104)]
public sealed record CardJoined(long Card, long Onto, int Whose = 0) : RoomEvent
{
    /// <inheritdoc/>
    public override bool Names(int person) => person == Whose;
}

/// <summary>Cards that say the same: one stands on the wall, and those that have joined it stand in it with their own wording.</summary>
public static class Stacks
{
    /// <summary>The card in which a card stands: the one that it has joined, as long as that is up; else itself. What has joined stands in what that has joined.</summary>
    /// <param name="card">A card that is up.</param>
    /// <param name="find">A card by its id, among those that are looked at; null if there is none.</param>
    public static Card RootOf(Card card, Func<long, Card?> find)
    {
        // Nothing can have joined itself: what is joined stood alone then, and what has others in it does not join.
        while (card.Joined != 0 && find(card.Joined) is { IsUp: true } onto) card = onto;
        return card;
    }

    /// <summary>Cards as they stand: those that stand on the wall, each with those in it, by when they were put up.</summary>
    public static ILookup<long, Card> Of(IEnumerable<Card> cards)
    {
        var all = cards.Where(c => c.IsUp).ToDictionary(c => c.Id);
        return all.Values.OrderBy(c => c.PutUpAt).ThenBy(c => c.Id).ToLookup(c => RootOf(c, all.GetValueOrDefault).Id);
    }

    /// <summary>Cards that are up as they stand without all others: what has joined, and grew from, those that are not among them does so no more.</summary>
    public static IEnumerable<Card> AmongThemselves(IEnumerable<Card> cards)
    {
        var all = cards.Where(c => c.IsUp).ToDictionary(c => c.Id);
        foreach (var card in all.Values)
        {
            var root = RootOf(card, all.GetValueOrDefault).Id;
            ImmutableArray<long> from = [.. card.Sources.Where(all.ContainsKey)];
            yield return card with { Joined = root == card.Id ? 0 : root, From = from.IsEmpty ? null : from };
        }
    }

    /// <summary>Whether what has joined what can be so among cards that are brought: each one that stands alone.</summary>
    internal static bool AreSound(IReadOnlyCollection<Card> cards)
    {
        var all = cards.ToDictionary(c => c.Id);
        return cards.All(c => c.Joined == 0 || (all.TryGetValue(c.Joined, out var onto) && onto.Joined == 0 && onto.Id != c.Id));
    }

    /// <summary>Whether a new card can join one: it stands there, and everybody who sees the new one may know of it.</summary>
    internal static bool MayJoin(Card? onto, Actor actor, WallPlan plan, Func<Card, bool> isKnown) =>
        plan.TopicsStand && onto is { IsUp: true, Joined: 0 } && (actor.IsStaff || plan.Rules.SaidAlready) && isKnown(onto);

    // A card that is up, and the actor's to change.
    internal static Refusal? WhyNot(JoinCard join, IReadOnlyDictionary<long, Card> cards, Actor actor, WallPlan plan, Func<Card, bool> isKnown)
    {
        var card = cards[join.Card];
        if (join.Onto == 0) return card.Joined == 0 ? Refusal.ChangedSince : null;
        if (!plan.TopicsStand || (!actor.IsStaff && !plan.Rules.SaidAlready)) return Refusal.NotAllowed;
        if (!cards.TryGetValue(join.Onto, out var onto) || !onto.IsUp || !isKnown(onto)) return Refusal.NotFound;
        if (onto.Id == card.Id || onto.Joined != 0 || card.Joined == onto.Id || cards.Values.Any(c => c.IsUp && c.Joined == card.Id)) return Refusal.ChangedSince;

        // While each sees only their own, whose card a classmate's has joined is nothing that its author may know.
        return plan.Rules.OwnFirst && !onto.ByStaff && (onto.Author != card.Author || card.ByStaff) ? Refusal.NotAllowed : null;
    }
}

/// <summary>Cards that grew from others.</summary>
public static class Growth
{
    /// <summary>From how many others a card grows at most.</summary>
    public const int Most = 3;

    /// <summary>The cards from which a new one grows: of those that are named, what stands there and may be known of.</summary>
    internal static ImmutableArray<long>? SourcesOf(PutUpCard put, IReadOnlyDictionary<long, Card> cards, Actor actor, WallPlan plan, Func<Card, bool> isKnown)
    {
        if (put.From is not { IsEmpty: false } named || (!actor.IsStaff && !plan.Rules.BuildsOn && !plan.Rules.SaidAlready)) return null;
        ImmutableArray<long> there = [.. named.Distinct().Where(id => cards.TryGetValue(id, out var card) && card.IsUp && isKnown(card)).Take(Most).Order()];
        return there.IsEmpty ? null : there;
    }

    /// <summary>Whether what is brought can have grown so: from what is there, and nothing from itself, in however many steps.</summary>
    internal static bool AreSound(IReadOnlyCollection<Card> cards)
    {
        var ids = cards.Select(c => c.Id).ToHashSet();
        if (cards.Any(c => c.Sources.Length > Most || c.Sources.Distinct().Count() < c.Sources.Length || !c.Sources.All(ids.Contains))) return false;
        var waiting = cards.ToDictionary(c => c.Id, c => c.Sources.Length);
        var uses = UsesOf(cards);
        var free = new Queue<long>(waiting.Where(w => w.Value == 0).Select(w => w.Key));
        var seen = 0;
        while (free.TryDequeue(out var id))
        {
            seen++;
            foreach (var use in uses[id])
            {
                if (--waiting[use.Id] == 0) free.Enqueue(use.Id);
            }
        }

        return seen == cards.Count;
    }

    /// <summary>How far an idea was taken up.</summary>
    /// <param name="Card">The card.</param>
    /// <param name="Uses">How many cards of others name it.</param>
    /// <param name="Reach">How many cards of others grew from it, in however many steps.</param>
    /// <param name="Steps">How many steps it went at most.</param>
    public sealed record Uptake(long Card, int Uses, int Reach, int Steps);

    /// <summary>How far each card was taken up by others, the farthest first; those that nobody took up are left out.</summary>
    public static IReadOnlyList<Uptake> UptakeOf(IReadOnlyCollection<Card> cards)
    {
        var uses = UsesOf(cards);
        static bool AreOfTwo(Card one, Card other) => one.ByStaff != other.ByStaff || one.Author != other.Author;
        Uptake Of(Card card)
        {
            var (reached, edge, steps) = (new HashSet<long>(), uses[card.Id].ToList(), 0);
            var others = 0;
            while (edge.Count > 0)
            {
                steps++;
                var fresh = edge.Where(c => reached.Add(c.Id)).ToList();
                others += fresh.Count(c => AreOfTwo(c, card));
                edge = [.. fresh.SelectMany(c => uses[c.Id])];
            }

            return new(card.Id, uses[card.Id].Count(c => AreOfTwo(c, card)), others, steps);
        }

        return [.. cards.Select(Of).Where(u => u.Reach > 0).OrderByDescending(u => u.Reach).ThenByDescending(u => u.Uses).ThenBy(u => u.Card)];
    }

    private static ILookup<long, Card> UsesOf(IReadOnlyCollection<Card> cards) => cards.SelectMany(c => c.Sources.Select(s => (Source: s, Card: c))).ToLookup(u => u.Source, u => u.Card);
}
