using Yardang.Core.Walls;

namespace Yardang.Core.Tests.Walls;

/// <summary>Tidying a field: nothing lies on anything, no more links cross than before, and what was well stays where it was.</summary>
public class TidyingTests
{
    public static TheoryData<int> Seeds() => [.. Enumerable.Range(1, 40)];

    [Theory]
    [MemberData(nameof(Seeds))]
    public void No_card_lies_on_another_and_no_more_links_cross_than_before_however_they_lay(int seed)
    {
        var random = new Random(seed);
        var spread = random.Next(4) switch { 0 => 1, 1 => 100, 2 => 800, _ => 3_000 };
        var (cards, links) = Random(random, random.Next(2, 60), random.Next(0, 90), spread);
        var tidy = Tidying.Tidy(cards, links, FieldPlan.Blank);
        Assert.Equal(cards.Select(c => c.Id).Order(), tidy.Select(t => t.Card));
        ConnectTests.AssertApart([.. tidy.Select(t => t.Spot)]);
        Assert.All(tidy, t => Assert.True(FieldPlan.Holds(t.Spot)));
        Assert.True(Crossings(tidy.ToDictionary(t => t.Card, t => t.Spot), links) <= Crossings(cards.ToDictionary(c => c.Id, c => c.Spot!), links));
        Assert.Equal(tidy.AsEnumerable(), Tidying.Tidy(cards, links, FieldPlan.Blank));
    }

    [Theory]
    [MemberData(nameof(Seeds))]
    public void Where_little_was_wrong_half_of_the_cards_move_by_less_than_two_of_their_widths(int seed)
    {
        var random = new Random(seed);
        var (cards, links) = Lattice(random, columns: 8, rows: 5);
        // Some cards were dragged onto others.
        for (var i = 0; i < 4; i++) cards[random.Next(cards.Count)] = cards[random.Next(cards.Count)] is var one ? cards[i] with { Spot = one.Spot! with { X = one.Spot!.X + 20 } } : cards[i];
        cards = [.. cards.DistinctBy(c => c.Id)];
        links = [.. links.Where(l => cards.Exists(c => c.Id == l.From) && cards.Exists(c => c.Id == l.To))];
        var tidy = Tidying.Tidy(cards, links, FieldPlan.Blank).ToDictionary(t => t.Card, t => t.Spot);
        var moved = cards.Select(c => Math.Sqrt(Math.Pow(c.Spot!.X - tidy[c.Id].X, 2) + Math.Pow(c.Spot.Y - tidy[c.Id].Y, 2))).Order().ElementAt(cards.Count / 2);
        Assert.True(moved < 2 * FieldPlan.CardWidth, $"Half of the cards moved by {moved:0} or more.");
    }

    [Fact]
    public void What_is_tidy_stays_where_it_is()
    {
        var (cards, links) = Lattice(new Random(3), 6, 4);
        Assert.Equal(cards.Select(c => new CardSpot(c.Id, c.Spot!)), Tidying.Tidy(cards, links, FieldPlan.Blank));
    }

    [Fact]
    public void Groups_that_lay_apart_do_not_move_into_one_another()
    {
        var random = new Random(5);
        var (first, firstLinks) = Random(random, 20, 24, 400);
        var (second, secondLinks) = Random(random, 20, 24, 400);
        var away = second.Select(c => c with { Id = c.Id + 1_000, Spot = c.Spot! with { X = c.Spot!.X + 8_000 } }).ToList();
        List<Link> links = [.. firstLinks, .. secondLinks.Select(l => l with { Id = l.Id + 1_000, From = l.From + 1_000, To = l.To + 1_000 })];
        var tidy = Tidying.Tidy([.. first, .. away], links, FieldPlan.Blank);
        Assert.True(tidy.Where(t => t.Card < 1_000).Max(t => t.Spot.X) < tidy.Where(t => t.Card > 1_000).Min(t => t.Spot.X));
    }

    [Fact]
    public void Links_that_need_not_cross_do_not_and_none_lies_under_a_card()
    {
        // A square whose corners were laid crosswise, and a card in the way of a link.
        List<Card> cards = [At(1, 0, 0), At(2, 600, 400), At(3, 600, 0), At(4, 0, 400), At(5, 2_000, 0), At(6, 2_300, 0), At(7, 2_600, 0)];
        List<Link> links = [Joins(1, 1, 2), Joins(2, 2, 4), Joins(3, 4, 3), Joins(4, 3, 1), Joins(5, 5, 7), Joins(6, 5, 6)];
        var tidy = Tidying.Tidy(cards, links, FieldPlan.Blank).ToDictionary(t => t.Card, t => t.Spot);
        Assert.Equal(0, Crossings(tidy, links));
        Assert.Equal(0, Tidying.LinksUnderCards([.. cards.Select(c => ((double)tidy[c.Id].X, (double)tidy[c.Id].Y))], [.. links.Select(l => ((int)l.From - 1, (int)l.To - 1))]));
    }

    [Fact]
    public void Cards_without_a_place_are_laid_on_the_field()
    {
        List<Card> cards = [At(1, 0, 0), At(2, 0, 0) with { Spot = null }, At(3, 0, 0) with { Spot = null }];
        ConnectTests.AssertApart([.. Tidying.Tidy(cards, [], FieldPlan.Blank).Select(t => t.Spot)]);
    }

    private static int Crossings(Dictionary<long, FieldSpot> spots, List<Link> links)
    {
        var index = spots.Keys.Order().Select((id, i) => (id, i)).ToDictionary(p => p.id, p => p.i);
        var pairs = links.Select(l => (Math.Min(index[l.From], index[l.To]), Math.Max(index[l.From], index[l.To]))).Distinct().ToList();
        return Tidying.Crossings([.. spots.OrderBy(s => s.Key).Select(s => ((double)s.Value.X, (double)s.Value.Y))], pairs);
    }

    private static (List<Card> Cards, List<Link> Links) Random(Random random, int cards, int links, int spread) => (
        [.. Enumerable.Range(1, cards).Select(i => At(i, random.Next(-spread, spread), random.Next(-spread, spread)))],
        [.. Enumerable.Range(1, links).Select(i => Joins(i, random.Next(1, cards + 1), random.Next(1, cards + 1))).Where(l => l.From != l.To)]);

    private static (List<Card> Cards, List<Link> Links) Lattice(Random random, int columns, int rows)
    {
        List<Card> cards = [.. Enumerable.Range(0, columns * rows).Select(i => At(i + 1, i % columns * 320, i / columns * 200))];
        var links = cards.SelectMany(c => cards, (a, b) => (a, b)).Where(p => p.b.Id - p.a.Id == columns || (p.b.Id - p.a.Id == 1 && p.a.Id % columns != 0)).Where(_ => random.Next(4) > 0);
        return (cards, [.. links.Select((p, i) => Joins(i + 1, p.a.Id, p.b.Id))]);
    }

    private static Card At(long id, int x, int y) => new(id, 0, 0, 2, false, id, "en", $"card {id}", 1, Spot: new(x, y));

    private static Link Joins(long id, long from, long to) => new(id, from, to, 0, "", "", 2, false);
}
