using System.Diagnostics;
using Yardang.Core.Walls;

namespace Yardang.Bench;

/// <summary>Tidying 200 cards with 260 links: how long it takes, what lies on what afterwards, and how many links cross beside the best of 20 drawings by <see cref="ForceDrawing"/>.</summary>
internal static class TidyLoad
{
    private const int Cards = 200;
    private const int Links = 260;
    private const int Seeds = 20;

    public static void Run()
    {
        // What has not run yet is not what is measured.
        var (warmCards, warmLinks) = Thrown(1);
        Tidying.Tidy(warmCards, warmLinks, FieldPlan.Blank);
        var (slowest, overlaps, more, worst, farthest) = (0.0, 0, 0, 0.0, 0.0);
        foreach (var (name, cards, links) in Fields())
        {
            var from = Stopwatch.GetTimestamp();
            var tidy = Tidying.Tidy(cards, links, FieldPlan.Blank);
            var took = Stopwatch.GetElapsedTime(from).TotalMilliseconds;
            (int A, int B)[] pairs = [.. links.Select(l => ((int)Math.Min(l.From, l.To) - 1, (int)Math.Max(l.From, l.To) - 1)).Distinct()];
            (double X, double Y)[] points = [.. tidy.Select(t => ((double)t.Spot.X, (double)t.Spot.Y))];
            var before = Tidying.Crossings([.. cards.Select(c => ((double)c.Spot!.X, (double)c.Spot.Y))], pairs);
            var after = Tidying.Crossings(points, pairs);
            var best = Enumerable.Range(0, Seeds).Min(seed => Tidying.Crossings(ForceDrawing.Of(Cards, pairs, seed), pairs));
            var lying = Enumerable.Range(0, Cards).Sum(i => Enumerable.Range(i + 1, Cards - i - 1).Count(j => FreeSpots.Touch(tidy[i].Spot, tidy[j].Spot)));
            var moved = cards.Zip(tidy, (c, t) => Math.Sqrt(Math.Pow(c.Spot!.X - t.Spot.X, 2) + Math.Pow(c.Spot.Y - t.Spot.Y, 2))).Order().ElementAt(Cards / 2) / FieldPlan.CardWidth;
            Console.WriteLine($"{name}: {took:0} ms; crossings {before} -> {after}, best of {Seeds} seeds {best}; {Tidying.LinksUnderCards(points, pairs)} times a link under a card; half of the cards moved less than {moved:0.0} widths");
            (slowest, overlaps, more) = (Math.Max(slowest, took), overlaps + lying, more + (after > before ? 1 : 0));
            worst = Math.Max(worst, after / (double)Math.Max(1, best));
            if (name.StartsWith("little", StringComparison.Ordinal)) farthest = Math.Max(farthest, moved);
        }

        Verdict.Say("tidying 200 cards with 260 links, slowest", slowest, 200, "ms");
        Verdict.Say("cards on cards", overlaps, 0, "pairs");
        Verdict.Say("fields with more crossings than before", more, 0, "fields");
        Verdict.Say("crossings beside the best of 20 seeds (Fruchterman, Reingold 1991), worst", worst, 1.2, "times");
        Verdict.Say("little was wrong: half of the cards move, at most", farthest, 2, "widths");
    }

    private static IEnumerable<(string Name, List<Card> Cards, List<Link> Links)> Fields()
    {
        for (var seed = 1; seed <= 3; seed++)
        {
            var (cards, links) = Thrown(seed);
            yield return ($"thrown anyhow {seed}", cards, links);
            (cards, links) = Clusters(seed);
            yield return ($"in groups {seed}", cards, links);
            (cards, links) = Little(seed);
            yield return ($"little wrong {seed}", cards, links);
        }
    }

    // A tree by chance and links across it.
    private static (List<Card> Cards, List<Link> Links) Thrown(int seed)
    {
        var random = new Random(seed);
        var pairs = new HashSet<(int, int)>();
        for (var i = 1; i < Cards; i++) pairs.Add((random.Next(Math.Max(0, i - 40), i), i));
        while (pairs.Count < Links) pairs.Add(Pair(random.Next(Cards), random.Next(Cards)));
        return (Spread(random, _ => (random.Next(-3_000, 3_000), random.Next(-2_000, 2_000))), Joined(pairs));
    }

    // Ten groups of twenty, each at its place, joined by a few links.
    private static (List<Card> Cards, List<Link> Links) Clusters(int seed)
    {
        var random = new Random(seed + 100);
        var pairs = new HashSet<(int, int)>();
        for (var i = 0; i < Cards; i++)
        {
            if (i % 20 > 0) pairs.Add(((i / 20 * 20) + random.Next(i % 20), i));
        }

        while (pairs.Count < Links - 10)
        {
            var group = random.Next(10) * 20;
            pairs.Add(Pair(group + random.Next(20), group + random.Next(20)));
        }

        while (pairs.Count < Links) pairs.Add(Pair(random.Next(Cards), random.Next(Cards)));
        return (Spread(random, i => ((i / 20 % 5 * 1_600) + random.Next(-600, 600), (i / 100 * 1_400) + random.Next(-500, 500))), Joined(pairs));
    }

    // Neighbours of a lattice are linked; some cards were dragged elsewhere, or onto others.
    private static (List<Card> Cards, List<Link> Links) Little(int seed)
    {
        var random = new Random(seed + 200);
        const int columns = 20;
        var pairs = new List<(int, int)>();
        for (var i = 0; i < Cards; i++)
        {
            if (i % columns < columns - 1) pairs.Add((i, i + 1));
            if (i + columns < Cards) pairs.Add((i, i + columns));
        }

        var cards = Spread(random, i => (i % columns * 300, i / columns * 190));
        for (var n = 0; n < 10; n++)
        {
            var i = random.Next(Cards);
            cards[i] = cards[i] with { Spot = new(cards[i].Spot!.X + random.Next(-400, 400), cards[i].Spot!.Y + random.Next(-250, 250)) };
        }

        return (cards, Joined(pairs.OrderBy(_ => random.Next()).Take(Links)));
    }

    private static (int, int) Pair(int a, int b) => a == b ? (a, (a + 1) % Cards) is var (x, y) && x < y ? (x, y) : ((a + 1) % Cards, a) : (Math.Min(a, b), Math.Max(a, b));

    private static List<Card> Spread(Random random, Func<int, (int X, int Y)> at) =>
        [.. Enumerable.Range(0, Cards).Select(i => at(i)).Select((p, i) => new Card(i + 1, 0, 0, 2 + random.Next(30), false, i, "en", $"card {i}", 1, Spot: new(p.X, p.Y)))];

    private static List<Link> Joined(IEnumerable<(int A, int B)> pairs) => [.. pairs.Select((p, i) => new Link(i + 1, p.A + 1, p.B + 1, 0, "", "", 2, false))];
}
