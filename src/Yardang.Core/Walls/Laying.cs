using System.Collections.Immutable;
using Yardang.Core.Rooms;

namespace Yardang.Core.Walls;

/// <summary>Who lays which card where on a free field, and where new ones come to lie.</summary>
internal static class Laying
{
    /// <summary>The cards that are up that everybody sees, and somebody's own.</summary>
    public static IEnumerable<Card> Told(IReadOnlyDictionary<long, Card> cards, bool ownFirst, Actor actor) =>
        cards.Values.Where(c => c.IsUp && (!ownFirst || c.ByStaff || (!actor.IsStaff && c.Author == actor.Number)));

    /// <summary>What a teacher lays at once, or has tidied. All see it; while each sees only their own it would tell of cards.</summary>
    public static Decision Decide(Command command, WallPlan plan, IReadOnlyDictionary<long, Card> cards, Links links)
    {
        if (plan.FieldShown is not { } field || plan.Rules.OwnFirst) return Refusal.NotAllowed;
        var up = cards.Values.Where(c => c.IsUp).ToList();
        if (up.Count > Tidying.MostCards) return Refusal.Full;
        var spots = command is LayCards(var asked) ? asked : Tidying.Tidy(up, links.Standing(cards), field);
        if (spots.Select(s => s.Card).Distinct().Count() < spots.Length || spots.Any(s => !FieldPlan.Holds(s.Spot))) return Refusal.OutOfRange;
        ImmutableArray<CardSpot> moved = [.. spots.Where(s => cards.TryGetValue(s.Card, out var card) && card.IsUp && card.Spot != s.Spot)];
        return moved.IsEmpty ? Refusal.ChangedSince : new FieldLaid(moved);
    }

    /// <summary>Why somebody cannot lay a card that they see; null if they can. While each sees only their own, a teacher's card that a student lays would lie there for all.</summary>
    public static Refusal? WhyNot(LayCard lay, Card card, WallPlan plan, Actor actor)
    {
        if (plan.FieldShown is not { } field) return Refusal.NotAllowed;
        if (!actor.IsStaff && (card.ByStaff || card.Author != actor.Number) && (!field.AnyMoves || plan.Rules.OwnFirst)) return Refusal.NotYours;
        if (!FieldPlan.Holds(lay.Spot)) return Refusal.OutOfRange;
        return card.Spot == lay.Spot ? Refusal.ChangedSince : null;
    }

    /// <summary>Where a new card comes: where it is wanted, or beside what it belongs to, on no card of those that everybody sees, and their own. Null where there is no field.</summary>
    public static FieldSpot? SpotFor(PutUpCard put, Actor actor, WallPlan plan, IReadOnlyDictionary<long, Card> cards, Links links)
    {
        if (plan.FieldShown is not { } field) return null;
        var told = Told(cards, plan.Rules.OwnFirst, actor).ToList();
        var taken = told.Select(c => c.Spot).OfType<FieldSpot>().ToList();
        if (put.Spot is { } wanted) return FreeSpots.Near(wanted, taken) ?? wanted;
        var card = actor.IsStaff ? cards.GetValueOrDefault(put.Beside) : told.Find(c => c.Id == put.Beside);
        if (card is { IsUp: true, Spot: { } beside }) return FreeSpots.Beside(beside, taken, links.SpotsAsTold(cards, plan.Rules.OwnFirst, actor)) ?? beside;
        return FreeSpots.Near(field.Beginning, taken, field.Picture is null ? null : field.Beginning.Y) ?? field.Beginning;
    }

    /// <summary>Cards as they are shown to all: those who could not see one another's may have laid them on one another.</summary>
    public static ImmutableArray<Card> Shown(WallPlan plan, ImmutableArray<Card> cards)
    {
        if (plan.FieldShown is not { } field) return cards;
        var spots = FreeSpots.ForThoseWithout(cards, field).ToDictionary(s => s.Card, s => s.Spot);
        return FreeSpots.Apart([.. cards.Select(c => spots.TryGetValue(c.Id, out var spot) ? c with { Spot = spot } : c)]);
    }
}
