using System.Collections.Immutable;

namespace Yardang.Core.Walls;

/// <summary>Where a card can lie on the field so that it lies on no other. The browser has the same rules, held equal by golden vectors.</summary>
public static class FreeSpots
{
    // Half of a card's width and height with room for the words of a link.
    private const int StepX = 140;
    private const int StepY = 84;
    private const int Rings = 40;

    // So many places are looked at beside a card.
    private const int Nearest = 400;

    // From the nearest on: first beside, then below.
    private static readonly ImmutableArray<FieldSpot> s_around =
    [
        .. from y in Enumerable.Range(-Rings, (2 * Rings) + 1)
           from x in Enumerable.Range(-Rings, (2 * Rings) + 1)
           orderby (x * x) + (y * y), x descending, y descending
           select new FieldSpot(x * StepX, y * StepY),
    ];

    /// <summary>Whether two cards at these places would lie on one another.</summary>
    public static bool Touch(FieldSpot one, FieldSpot other) => Math.Abs(one.X - other.X) < FieldPlan.CardWidth && Math.Abs(one.Y - other.Y) < FieldPlan.CardHeight;

    /// <summary>The nearest place to a wanted one on which no card lies; null if there is none anywhere near.</summary>
    /// <param name="wanted">Where.</param>
    /// <param name="taken">Where cards lie.</param>
    /// <param name="top">Not higher than here; null for anywhere.</param>
    public static FieldSpot? Near(FieldSpot wanted, IReadOnlyCollection<FieldSpot> taken, int? top = null)
    {
        foreach (var step in s_around)
        {
            var spot = new FieldSpot(wanted.X + step.X, wanted.Y + step.Y);
            if (FieldPlan.Holds(spot) && (top is null || spot.Y >= top) && taken.All(t => !Touch(spot, t))) return spot;
        }

        return null;
    }

    /// <summary>
    /// The nearest place beside a card on which none lies, which lies on no link, and to which a link from that card lies under none; without such a place, the nearest free one.
    /// </summary>
    /// <param name="card">Beside which.</param>
    /// <param name="taken">Where cards lie.</param>
    /// <param name="lines">Links, from card to card.</param>
    public static FieldSpot? Beside(FieldSpot card, IReadOnlyCollection<FieldSpot> taken, IReadOnlyCollection<(FieldSpot From, FieldSpot To)> lines)
    {
        foreach (var step in s_around.AsSpan(0, Nearest))
        {
            var spot = new FieldSpot(card.X + step.X, card.Y + step.Y);
            if (FieldPlan.Holds(spot) && taken.All(t => !Touch(spot, t)) && !lines.Any(l => IsUnder(l.From, l.To, spot)) && taken.All(t => t == card || !IsUnder(card, spot, t))) return spot;
        }

        return Near(card, taken);
    }

    /// <summary>Whether a straight line from card to card goes through the place of another. All numbers are whole, so that the browser finds the same.</summary>
    internal static bool IsUnder(FieldSpot from, FieldSpot to, FieldSpot card)
    {
        var (left, right, top, bottom) = (card.X - (FieldPlan.CardWidth / 2), card.X + (FieldPlan.CardWidth / 2), card.Y - (FieldPlan.CardHeight / 2), card.Y + (FieldPlan.CardHeight / 2));
        if (Math.Max(from.X, to.X) < left || Math.Min(from.X, to.X) > right || Math.Max(from.Y, to.Y) < top || Math.Min(from.Y, to.Y) > bottom) return false;
        int Side(int x, int y) => Math.Sign(((long)(to.X - from.X) * (y - from.Y)) - ((long)(to.Y - from.Y) * (x - from.X)));
        var side = Side(left, top);
        return side == 0 || Side(right, top) != side || Side(left, bottom) != side || Side(right, bottom) != side;
    }

    /// <summary>Places for cards that have none, by id, as they are read; those for which there is none left have none.</summary>
    /// <param name="cards">The cards.</param>
    /// <param name="field">On which field; where there is a picture, they come under it.</param>
    internal static ImmutableArray<CardSpot> ForThoseWithout(IEnumerable<Card> cards, FieldPlan field)
    {
        var all = cards.OrderBy(c => c.Id).ToList();
        var taken = all.Select(c => c.Spot).OfType<FieldSpot>().ToList();
        var found = ImmutableArray.CreateBuilder<CardSpot>();
        var without = all.Where(c => c.Spot is null).ToList();
        var columns = (int)Math.Ceiling(Math.Sqrt(without.Count));
        foreach (var (card, i) in without.Select((c, i) => (c, i)))
        {
            // Row by row, the middle of the first row where cards begin.
            var wanted = new FieldSpot(field.Beginning.X + (StepX * ((2 * (i % columns)) - columns + 1)), field.Beginning.Y + (2 * StepY * (i / columns)));
            if (Near(wanted, taken, field.Picture is null ? null : field.Beginning.Y) is not { } spot) break;
            taken.Add(spot);
            found.Add(new(card.Id, spot));
        }

        return found.ToImmutable();
    }

    /// <summary>Cards that lie on one another lie beside one another: each that came later goes to the nearest free place.</summary>
    internal static ImmutableArray<Card> Apart(ImmutableArray<Card> cards)
    {
        var taken = new List<FieldSpot>();
        var moved = new Dictionary<long, FieldSpot>();
        foreach (var card in cards.Where(c => c.Spot is not null).OrderBy(c => c.PutUpAt).ThenBy(c => c.Id))
        {
            var spot = Near(card.Spot!, taken) ?? card.Spot!;
            taken.Add(spot);
            moved[card.Id] = spot;
        }

        return [.. cards.Select(c => moved.TryGetValue(c.Id, out var spot) ? c with { Spot = spot } : c)];
    }
}
