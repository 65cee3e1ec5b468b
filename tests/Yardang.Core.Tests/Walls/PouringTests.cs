using System.Collections.Immutable;
using Yardang.Core.Rooms;
using Yardang.Core.Walls;
using static Yardang.Core.Tests.Walls.WallScript;

namespace Yardang.Core.Tests.Walls;

/// <summary>Cards that are poured out to groups, and how far the groups agree where they belong.</summary>
public class PouringTests
{
    [Fact]
    public void All_go_to_each_or_each_to_one_and_shares_differ_by_at_most_one_whatever_is_there_already()
    {
        var random = new Random(5);
        for (var trial = 0; trial < 400; trial++)
        {
            long[] cards = [.. Enumerable.Range(1, random.Next(0, 40)).Select(i => (long)i)];
            var walls = random.Next(1, 9);
            List<HashSet<long>> has = [.. Enumerable.Range(0, walls).Select(_ => new HashSet<long>())];
            foreach (var round in Enumerable.Range(0, random.Next(1, 4)))
            {
                var now = cards[..random.Next(cards.Length + 1)];
                var dealt = Pouring.Deal(now, has, toEach: false);
                for (var wall = 0; wall < walls; wall++) Assert.All(dealt[wall], c => Assert.True(has[wall].Add(c)));
            }

            Assert.True(has.Max(h => h.Count) - has.Min(h => h.Count) <= 1);
            Assert.Equal(has.Sum(h => h.Count), has.SelectMany(h => h).Distinct().Count());

            var all = Pouring.Deal(cards, has, toEach: true);
            for (var wall = 0; wall < walls; wall++) Assert.Equal(cards, has[wall].Concat(all[wall]).Order());
        }

        Assert.Empty(Pouring.Deal([1, 2], [], toEach: false));
    }

    [Fact]
    public void Cards_on_which_groups_agree_least_come_first_and_what_is_not_sorted_says_nothing()
    {
        var agreement = SortingAgreement.Of(
        [
            new(0, 1, 11), new(1, 1, 11), new(2, 1, 11),
            new(0, 2, 11), new(1, 2, 12), new(2, 2, 13),
            new(0, 3, 11), new(1, 3, 12), new(2, 3, 12),
            new(0, 4, 12), new(1, 4, WallPlan.Nowhere), new(2, 4, WallPlan.Nowhere),
        ]);
        Assert.Equal([2, 3, 1, 4], agreement.Cards.Select(c => c.Poured));
        Assert.Equal([0.0, 1.0 / 3, 1.0, null], agreement.Cards.Select(c => c.Alike));
        Assert.Equal([1, 2], agreement.Cards[^1].Unsorted);
        Assert.Equal([1, 2], agreement.Cards[1].Under[0].Walls);
        Assert.Equal(4.0 / 9, agreement.Alike!.Value, 10);

        // Five of nine under 11, three under 12, one under 13.
        Assert.Equal((25 + 9 + 1) / 81.0, agreement.ByChance!.Value, 10);
        Assert.Null(SortingAgreement.Of([new(0, 1, 11)]).Alike);
        Assert.Empty(SortingAgreement.Of([]).Cards);
    }

    [Fact]
    public void The_measure_is_that_of_the_worked_example_of_its_source()
    {
        // Fleiss 1971, table 1: 30 patients, 6 psychiatrists, 5 categories: mean agreement 0.5556, by chance 0.2199.
        int[][] counts =
        [
            [0, 0, 0, 6, 0], [0, 3, 0, 0, 3], [0, 1, 4, 0, 1], [0, 0, 0, 0, 6], [0, 3, 0, 3, 0], [2, 0, 4, 0, 0], [0, 0, 4, 0, 2], [2, 0, 3, 1, 0], [2, 0, 0, 4, 0], [0, 0, 0, 0, 6],
            [1, 0, 0, 5, 0], [1, 1, 0, 4, 0], [0, 3, 3, 0, 0], [1, 0, 0, 5, 0], [0, 2, 0, 3, 1], [0, 0, 5, 0, 1], [3, 0, 0, 1, 2], [5, 1, 0, 0, 0], [0, 2, 0, 4, 0], [1, 0, 2, 0, 3],
            [0, 0, 0, 0, 6], [0, 1, 0, 5, 0], [0, 2, 0, 1, 3], [2, 0, 0, 4, 0], [1, 0, 0, 4, 1], [0, 5, 0, 1, 0], [4, 0, 0, 0, 2], [0, 2, 0, 4, 0], [1, 0, 5, 0, 0], [0, 0, 0, 0, 6],
        ];
        var sorted = counts.SelectMany((row, card) => row.SelectMany((n, topic) => Enumerable.Repeat(topic + 1L, n)).Select((topic, wall) => new SortedCard(wall, card + 1, topic))).ToList();
        var agreement = SortingAgreement.Of(sorted);
        Assert.Equal(0.5556, agreement.Alike!.Value, 3);
        Assert.Equal(0.2199, agreement.ByChance!.Value, 3);
    }

    [Fact]
    public void A_card_is_poured_out_by_teachers_once_and_keeps_its_number_whoever_moves_it()
    {
        var wall = new WallScript(new(OnlyGiven: true, AnyMoves: true));
        Decision Pour(Actor actor, long poured, int whose = 0) => wall.Do(actor, new PutUpCard(wall.NextId(actor), WallPlan.Nowhere, "en", "arches push", For: whose, Poured: poured));
        Refused(Refusal.NotAllowed, Pour(Maya, 7));
        Refused(Refusal.NotAllowed, Pour(Teacher, -1));
        Refused(Refusal.NotAllowed, Pour(Teacher, 7, Maya.Number));
        Assert.IsType<Decision.Accepted>(Pour(Teacher, 7));
        Refused(Refusal.Duplicate, Pour(Teacher, 7));
        var card = wall.Wall.Cards.Keys.Single();
        wall.Do(Maya, new MoveCard(card, 11, 1));
        Assert.Equal((11, 7), (wall.Wall.Cards[card].Topic, wall.Wall.Cards[card].Poured));
        wall.Do(Teacher, new TakeCardDown(card));
        Refused(Refusal.Duplicate, Pour(Teacher, 7));
    }

    [Fact]
    public void The_number_of_a_card_elsewhere_is_always_the_same_and_tells_nothing_without_the_rooms_key()
    {
        var (here, elsewhere) = (new Wall(Plan(), new(1, 2)), new Wall(Plan(), new(3, 4)));
        Assert.Equal(here.PouredAs(5), new Wall(Plan(), new(1, 2)).PouredAs(5));
        Assert.NotEqual(here.PouredAs(5), elsewhere.PouredAs(5));
        Assert.Equal(1_000, Enumerable.Range(1, 1_000).Select(i => here.PouredAs(i)).Distinct().Count());
        Assert.All(Enumerable.Range(1, 100), i => Assert.InRange(here.PouredAs(i), 1, 1L << 52));
    }

    private static void Refused(Refusal reason, Decision decision) => Assert.Equal(reason, Assert.IsType<Decision.Refused>(decision).Reason);
}
