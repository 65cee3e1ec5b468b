using System.Collections.Immutable;

namespace Yardang.Core.Walls;

/// <summary>Where the class places a card.</summary>
/// <param name="Card">Which card.</param>
/// <param name="People">How many placed it.</param>
/// <param name="Middle">The median of their places, in the measure of the line.</param>
/// <param name="Low">A quarter of them placed it before this.</param>
/// <param name="High">A quarter of them placed it behind this.</param>
/// <param name="Up">In a field: the same of how far up it is; else null.</param>
public sealed record ClassPlace(long Card, int People, double Middle, double Low, double High, ClassUp? Up = null);

/// <summary>How far up in a field the class places a card: the median, and between where half of them have it.</summary>
public sealed record ClassUp(double Middle, double Low, double High);

/// <summary>
/// The order of the class, computed from placements of each student's own, and how far they agree.
/// <para>A card stands at the median of its places; where two stand at the same, first is the one that was placed before others more often, of all comparisons with
/// another card by somebody who placed both (J.-C. de Borda, "Mémoire sur les élections au scrutin", 1781). Quartiles are those of R. J. Hyndman, Y. Fan, "Sample
/// quantiles in statistical packages", The American Statistician 50, 1996, definition 7.</para>
/// <para>Agreement: of all pairs of students who both placed the same two cards, and neither at the same spot, how many have them in the same order. It is what
/// the coefficient of agreement u = 2 · <see cref="Alike"/> / <see cref="Compared"/> − 1 is made of (M. G. Kendall, B. Babington Smith, "On the method of paired comparisons",
/// Biometrika 31, 1940), which needs nobody to have placed everything.</para>
/// </summary>
/// <param name="Kind">On which kind of line.</param>
/// <param name="People">How many placed anything.</param>
/// <param name="Places">In the order of the class.</param>
/// <param name="Alike">How many of those comparisons are alike.</param>
/// <param name="Compared">How many comparisons of two students there are.</param>
/// <param name="AlikeUp">In a field: how many are alike of those by how far up cards are.</param>
/// <param name="ComparedUp">In a field: how many of those there are.</param>
public sealed record ClassOrder(LineKind Kind, int People, ImmutableArray<ClassPlace> Places, long Alike, long Compared, long AlikeUp = 0, long ComparedUp = 0)
{
    /// <inheritdoc/>
    public bool Equals(ClassOrder? other) => other is not null && (Kind, People, Alike, Compared, AlikeUp, ComparedUp) == (other.Kind, other.People, other.Alike, other.Compared, other.AlikeUp, other.ComparedUp) && Places.AsSpan().SequenceEqual(other.Places.AsSpan());

    /// <inheritdoc/>
    public override int GetHashCode() => HashCode.Combine(Kind, People, Places.Length, Alike, Compared);

    /// <summary>Computes it.</summary>
    /// <param name="kind">On which kind of line; places on others do not count.</param>
    /// <param name="own">Everybody's places, in any order.</param>
    /// <param name="cards">The cards that count.</param>
    public static ClassOrder Of(LineKind kind, IEnumerable<OwnPlace> own, IEnumerable<long> cards)
    {
        var counting = cards.ToHashSet();
        var places = own.Where(p => p.At.On == kind && counting.Contains(p.Card)).ToList();
        var byCard = places.GroupBy(p => p.Card).OrderBy(g => g.Key).ToList();
        var index = byCard.Select((g, i) => (g.Key, i)).ToDictionary(c => c.Key, c => c.i);
        var people = places.GroupBy(p => p.Person).Select(g => g.Select(p => (Card: index[p.Card], p.At)).ToList()).ToList();
        var along = Compare(people, byCard.Count, s => s.At);
        var (alike, compared) = AgreementOf(along.Before);
        var (alikeUp, comparedUp) = kind == LineKind.Field ? AgreementOf(Compare(people, byCard.Count, s => s.Up).Before) : (0, 0);
        var first = Enumerable.Range(0, byCard.Count).Select(i => ShareBefore(i, along.Before, along.Ties)).ToList();
        var ordered = byCard.Select(g => PlaceOf(g.Key, kind, [.. g.Select(p => p.At)]))
            .OrderBy(p => p.Middle).ThenByDescending(p => first[index[p.Card]]).ThenBy(p => p.Card);
        return new(kind, people.Count, [.. ordered], alike, compared, alikeUp, comparedUp);
    }

    /// <summary>The same without cards that are not there any more.</summary>
    public ClassOrder OfThose(IEnumerable<Card> cards)
    {
        var there = cards.Select(c => c.Id).ToHashSet();
        return this with { Places = [.. Places.Where(p => there.Contains(p.Card))] };
    }

    /// <summary>Whether what is brought can be so.</summary>
    internal static bool IsSound(ClassOrder order, IReadOnlySet<long> cards) =>
        Enum.IsDefined(order.Kind) && order.Places.Length <= Placements.MostCards && order.People is >= 0 and <= 10_000 && order.Alike >= 0 && order.Compared >= order.Alike && order.AlikeUp >= 0 && order.ComparedUp >= order.AlikeUp
        && order.Places.All(p => cards.Contains(p.Card) && p.People >= 1 && p.People <= order.People && LinePlan.CanBe(new(order.Kind, p.Low)) && LinePlan.CanBe(new(order.Kind, p.High)) && p.Low <= p.Middle && p.Middle <= p.High
            && order.Kind == LineKind.Field == p.Up is not null && p.Up is null or { Low: >= 0, High: <= LinePlan.Length })
        && order.Places.Select(p => p.Card).Distinct().Count() == order.Places.Length;

    private static (long Alike, long Compared) AgreementOf(int[,] before)
    {
        var (alike, compared) = (0L, 0L);
        for (var i = 0; i < before.GetLength(0); i++)
        {
            for (var j = i + 1; j < before.GetLength(0); j++)
            {
                long a = before[i, j], b = before[j, i];
                alike += ((a * (a - 1)) + (b * (b - 1))) / 2;
                compared += (a + b) * (a + b - 1) / 2;
            }
        }

        return (alike, compared);
    }

    // How many have one card before another, and how many have both at the same spot.
    private static (int[,] Before, int[,] Ties) Compare(List<List<(int Card, LineSpot At)>> people, int cards, Func<LineSpot, double> where)
    {
        var (before, ties) = (new int[cards, cards], new int[cards, cards]);
        foreach (var placed in people)
        {
            for (var i = 0; i < placed.Count; i++)
            {
                for (var j = i + 1; j < placed.Count; j++)
                {
                    var (one, other) = (placed[i], placed[j]);
                    var (at, otherAt) = (where(one.At), where(other.At));
                    if (at < otherAt) before[one.Card, other.Card]++;
                    else if (at > otherAt) before[other.Card, one.Card]++;
                    else ties[Math.Min(one.Card, other.Card), Math.Max(one.Card, other.Card)]++;
                }
            }
        }

        return (before, ties);
    }

    private static double ShareBefore(int card, int[,] before, int[,] ties)
    {
        var (won, all) = (0.0, 0);
        for (var other = 0; other < before.GetLength(0); other++)
        {
            if (other == card) continue;
            var same = ties[Math.Min(card, other), Math.Max(card, other)];
            won += before[card, other] + (same / 2.0);
            all += before[card, other] + before[other, card] + same;
        }

        return all == 0 ? 0.5 : won / all;
    }

    private static ClassPlace PlaceOf(long card, LineKind kind, List<LineSpot> spots)
    {
        double[] along = [.. spots.Select(s => s.At).Order()], up = [.. spots.Select(s => s.Up).Order()];
        return new(card, spots.Count, Quantile(along, 0.5), Quantile(along, 0.25), Quantile(along, 0.75), kind == LineKind.Field ? new(Quantile(up, 0.5), Quantile(up, 0.25), Quantile(up, 0.75)) : null);
    }

    private static double Quantile(double[] sorted, double share)
    {
        var at = (sorted.Length - 1) * share;
        var below = (int)Math.Floor(at);
        return below + 1 < sorted.Length ? sorted[below] + ((at - below) * (sorted[below + 1] - sorted[below])) : sorted[below];
    }
}
