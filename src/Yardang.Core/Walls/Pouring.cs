using System.Collections.Immutable;

namespace Yardang.Core.Walls;

/// <summary>The cards of one wall are poured out to several: all of them to each, or an even share. Each card is known by the number of what was poured (<see cref="Wall.PouredAs"/>).</summary>
public static class Pouring
{
    /// <summary>Most cards that are poured out at once.</summary>
    public const int MostCards = 300;

    /// <summary>What comes onto which wall: nothing that is or was there already.</summary>
    /// <param name="cards">The cards, in the order in which they are poured.</param>
    /// <param name="walls">What was poured onto each wall before.</param>
    /// <param name="toEach">Whether each wall gets all; else each card goes to one wall, and walls differ by at most one.</param>
    public static ImmutableArray<ImmutableArray<long>> Deal(IReadOnlyCollection<long> cards, IReadOnlyList<IReadOnlySet<long>> walls, bool toEach)
    {
        if (toEach) return [.. walls.Select(has => cards.Where(c => !has.Contains(c)).ToImmutableArray())];
        var dealt = walls.Select(_ => ImmutableArray.CreateBuilder<long>()).ToList();
        if (walls.Count == 0) return [];
        var load = walls.Select(has => cards.Count(has.Contains)).ToList();
        foreach (var card in cards.Where(c => !walls.Any(has => has.Contains(c))))
        {
            var least = load.IndexOf(load.Min());
            dealt[least].Add(card);
            load[least]++;
        }

        return [.. dealt.Select(d => d.ToImmutable())];
    }
}

/// <summary>Under which topic a wall has a card that was poured out.</summary>
/// <param name="Wall">Which of the walls, from 0.</param>
/// <param name="Poured">Which card.</param>
/// <param name="Topic">Under which topic; <see cref="WallPlan.Nowhere"/> while it is not sorted.</param>
public sealed record SortedCard(int Wall, long Poured, long Topic);

/// <summary>How far walls agree on the topic of a card.</summary>
/// <param name="Poured">Which card.</param>
/// <param name="Under">The walls that have it under a topic, by topic: those with most walls first.</param>
/// <param name="Unsorted">The walls on which it is not sorted yet.</param>
/// <param name="Alike">The share of pairs of walls that have it under the same topic, 0 to 1; null of fewer than two walls.</param>
public sealed record CardAgreement(long Poured, ImmutableArray<(long Topic, ImmutableArray<int> Walls)> Under, ImmutableArray<int> Unsorted, double? Alike);

/// <summary>
/// How far walls agree that sorted the same cards. Of each card the share of pairs of walls that have it under the same topic; of all the mean of these, and
/// what it would be if each wall had put cards under topics by chance, as often as all did together (J. L. Fleiss, "Measuring nominal scale agreement among
/// many raters", Psychological Bulletin 76, 1971: P<sub>i</sub>, P and P<sub>e</sub>). What is not sorted says nothing.
/// </summary>
/// <param name="Cards">The cards, those first on which walls agree least; last those that fewer than two walls have sorted.</param>
/// <param name="Alike">Of all cards that two or more walls have sorted; null if there is none.</param>
/// <param name="ByChance">What it would be by chance; null if there is none.</param>
public sealed record SortingAgreement(ImmutableArray<CardAgreement> Cards, double? Alike, double? ByChance)
{
    /// <summary>Computes it.</summary>
    /// <param name="sorted">Where each wall has each card; each at most once.</param>
    public static SortingAgreement Of(IReadOnlyCollection<SortedCard> sorted)
    {
        var cards = sorted.GroupBy(s => s.Poured).Select(AgreementOn).OrderBy(c => c.Alike ?? 2).ThenByDescending(c => c.Under.Sum(u => u.Walls.Length)).ThenBy(c => c.Poured).ToImmutableArray();
        var judged = cards.Where(c => c.Alike is not null).ToList();
        if (judged.Count == 0) return new(cards, null, null);
        var all = judged.Sum(c => c.Under.Sum(u => u.Walls.Length));
        var shares = judged.SelectMany(c => c.Under).GroupBy(u => u.Topic).Select(t => (double)t.Sum(u => u.Walls.Length) / all);
        return new(cards, judged.Average(c => c.Alike!.Value), shares.Sum(share => share * share));
    }

    private static CardAgreement AgreementOn(IGrouping<long, SortedCard> card)
    {
        var under = card.Where(s => s.Topic != WallPlan.Nowhere).GroupBy(s => s.Topic).Select(t => (t.Key, t.Select(s => s.Wall).Order().ToImmutableArray())).OrderByDescending(t => t.Item2.Length).ThenBy(t => t.Key).ToImmutableArray();
        double walls = under.Sum(t => t.Item2.Length);
        double? alike = walls < 2 ? null : under.Sum(t => (double)t.Item2.Length * (t.Item2.Length - 1)) / (walls * (walls - 1));
        return new(card.Key, under, [.. card.Where(s => s.Topic == WallPlan.Nowhere).Select(s => s.Wall).Order()], alike);
    }
}
