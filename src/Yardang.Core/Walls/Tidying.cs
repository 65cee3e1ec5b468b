using System.Collections.Immutable;

namespace Yardang.Core.Walls;

/// <summary>
/// Tidies a free field: no card lies on another, fewer links cross, and everything stays near where it was. Cards that are linked with one another (a group) are tidied by
/// themselves, and groups do not move into one another.
/// <para>Each group is tidied twice, and the one that moves less is kept unless the other has clearly fewer crossings: once from where its cards lie, and once laid out anew from there by its
/// distances in links (J. X. Zheng, S. Pawar, D. F. M. Goodman, "Graph drawing by stochastic gradient descent", IEEE Transactions on Visualization and Computer Graphics 25,
/// 2019), turned to lie as it did. Both then go through the same hands: cards that touch are pushed apart along the axis on which they touch least, and cards whose links cross
/// or lie under cards are tried at places nearby.</para>
/// <para>There are never more crossings than before: where nothing better is found, what was there is only spread.</para>
/// </summary>
public static class Tidying
{
    /// <summary>Most cards that are tidied together.</summary>
    public const int MostCards = 600;

    // A group laid out anew is kept if the other has more than so many times its crossings.
    private const double ClearlyFewer = 1.1;

    // What has more than so many times its crossings before either is settled need not be settled.
    private const double MuchMore = 4;

    // So many crossings to a link are little.
    private const double LittleWrong = 0.8;

    /// <summary>Where cards lie afterwards: each that is up, by id.</summary>
    /// <param name="cards">Cards that are up, with or without a place.</param>
    /// <param name="links">Links between them.</param>
    /// <param name="field">The field on which they lie.</param>
    public static ImmutableArray<CardSpot> Tidy(IReadOnlyCollection<Card> cards, IEnumerable<Link> links, FieldPlan field)
    {
        var begun = FreeSpots.ForThoseWithout(cards, field).ToDictionary(s => s.Card, s => s.Spot);
        var ordered = cards.OrderBy(c => c.Id).ToList();
        var at = ordered.Select((c, i) => (c.Id, i)).ToDictionary(c => c.Id, c => c.i);
        var points = ordered.Select(c => c.Spot ?? begun.GetValueOrDefault(c.Id) ?? field.Beginning).Select(s => (X: (double)s.X, Y: (double)s.Y)).ToArray();
        (int, int)[] joined = [.. links.Select(l => (Math.Min(at[l.From], at[l.To]), Math.Max(at[l.From], at[l.To]))).Distinct().Order()];
        var found = Tidy(points, joined);
        return [.. ordered.Select((c, i) => new CardSpot(c.Id, new((int)Math.Round(found[i].X), (int)Math.Round(found[i].Y))))];
    }

    /// <summary>How many pairs of links cross: those with no card in common that meet.</summary>
    public static int Crossings(IReadOnlyList<(double X, double Y)> points, IReadOnlyList<(int A, int B)> links)
    {
        var crossings = 0;
        for (var i = 0; i < links.Count; i++)
        {
            for (var j = i + 1; j < links.Count; j++)
            {
                var ((a, b), (c, d)) = (links[i], links[j]);
                if (a != c && a != d && b != c && b != d && Settling.Meet(points[a], points[b], points[c], points[d])) crossings++;
            }
        }

        return crossings;
    }

    /// <summary>How many times a link lies under a card that it does not join.</summary>
    public static int LinksUnderCards(IReadOnlyList<(double X, double Y)> points, IReadOnlyList<(int A, int B)> links) =>
        links.Sum(l => Enumerable.Range(0, points.Count).Count(p => p != l.A && p != l.B && Settling.IsUnder(points[l.A], points[l.B], points[p])));

    /// <summary>The same for points and links between them by their places in the list.</summary>
    internal static (double X, double Y)[] Tidy((double X, double Y)[] points, (int A, int B)[] links)
    {
        var found = ((double X, double Y)[])points.Clone();
        foreach (var group in GroupsOf(points.Length, links))
        {
            if (group.Length == 1) continue;
            var index = group.Select((p, i) => (p, i)).ToDictionary(p => p.p, p => p.i);
            (int A, int B)[] within = [.. links.Where(l => index.ContainsKey(l.A)).Select(l => (index[l.A], index[l.B]))];
            var before = group.Select(p => points[p]).ToArray();
            var kept = Settled(before, within);
            for (var i = 0; i < group.Length; i++) found[group[i]] = kept[i];
        }

        Part(found, links);
        if (Crossings(found, links) <= Crossings(points, links)) return found;
        return Spread(points) ?? found;
    }

    // From where it lay, unless laid out anew it has clearly fewer crossings; where little was wrong, from where it lay.
    private static (double X, double Y)[] Settled((double X, double Y)[] before, (int A, int B)[] links)
    {
        var near = new Settling(before, links).PushApart();
        var isLittleWrong = near.Cost() <= LittleWrong * links.Length;
        if (isLittleWrong && Crossings(near.Settle().Points, links) <= Crossings(before, links)) return near.Points;
        var anew = new Settling(LaidAnew.From(before, links), links).PushApart();
        if (!isLittleWrong && near.Cost() > MuchMore * anew.Cost()) return anew.Settle().Points;
        var (one, other) = (near.Settle().Cost(), anew.Settle().Cost());
        return one <= Math.Max(other * ClearlyFewer, other + 0.5) ? near.Points : anew.Points;
    }

    // The larger first; each goes, as it is, to the nearest place where it lies on no other and crosses none.
    private static void Part((double X, double Y)[] points, (int A, int B)[] links)
    {
        var placed = new List<int>();
        var placedLinks = new List<(int A, int B)>();
        var boxes = new List<(double Left, double Top, double Right, double Bottom)>();
        foreach (var group in GroupsOf(points.Length, links).OrderByDescending(g => g.Length))
        {
            var members = group.ToHashSet();
            var within = links.Where(l => members.Contains(l.A)).ToList();
            if (IsInTheWay())
            {
                var (x, y) = FreeStep();
                foreach (var p in group) points[p] = (points[p].X + x, points[p].Y + y);
            }

            placed.AddRange(group);
            placedLinks.AddRange(within);
            boxes.Add(BoxOf());

            bool IsInTheWay() => group.Any(p => placed.Exists(o => Settling.Touch(points[p], points[o])))
                || within.Exists(l => placedLinks.Exists(o => Settling.Meet(points[l.A], points[l.B], points[o.A], points[o.B])))
                || placedLinks.Exists(l => group.Any(p => Settling.IsUnder(points[l.A], points[l.B], points[p])))
                || within.Exists(l => placed.Exists(p => Settling.IsUnder(points[l.A], points[l.B], points[p])));

            (double Left, double Top, double Right, double Bottom) BoxOf() => (
                group.Min(p => points[p].X) - Settling.Width, group.Min(p => points[p].Y) - Settling.Height,
                group.Max(p => points[p].X) + Settling.Width, group.Max(p => points[p].Y) + Settling.Height);

            (double X, double Y) FreeStep()
            {
                var box = BoxOf();
                for (var ring = 1; ; ring++)
                {
                    foreach (var (x, y) in Ring(ring))
                    {
                        var moved = (Left: box.Left + x, Top: box.Top + y, Right: box.Right + x, Bottom: box.Bottom + y);
                        if (!boxes.Exists(o => moved.Left < o.Right && o.Left < moved.Right && moved.Top < o.Bottom && o.Top < moved.Bottom)) return (x, y);
                    }
                }
            }
        }
    }

    private static IEnumerable<(double X, double Y)> Ring(int ring)
    {
        const int spokes = 16;
        for (var spoke = 0; spoke < spokes; spoke++)
        {
            var angle = 2 * Math.PI * spoke / spokes;
            yield return (Math.Round(Math.Cos(angle) * ring * FieldPlan.CardWidth / 2), Math.Round(Math.Sin(angle) * ring * FieldPlan.CardHeight / 2));
        }
    }

    // As it was, but with so much more room that no card lies on another; null where cards lie in the very same place, or it would not fit.
    private static (double X, double Y)[]? Spread((double X, double Y)[] points)
    {
        var scale = 1.0;
        for (var i = 0; i < points.Length; i++)
        {
            for (var j = i + 1; j < points.Length; j++)
            {
                var (x, y) = (Math.Abs(points[i].X - points[j].X), Math.Abs(points[i].Y - points[j].Y));
                if (x == 0 && y == 0) return null;
                var needed = Math.Min(x == 0 ? double.PositiveInfinity : Settling.Width / x, y == 0 ? double.PositiveInfinity : Settling.Height / y);
                scale = Math.Max(scale, needed);
            }
        }

        var middle = (X: points.Average(p => p.X), Y: points.Average(p => p.Y));
        (double X, double Y)[] spread = [.. points.Select(p => (middle.X + ((p.X - middle.X) * scale), middle.Y + ((p.Y - middle.Y) * scale)))];
        return spread.All(p => Math.Abs(p.X) <= FieldPlan.Farthest && Math.Abs(p.Y) <= FieldPlan.Farthest) ? spread : null;
    }

    // Points that hang together by links, each group and all of them by the first of their points.
    private static List<int[]> GroupsOf(int count, (int A, int B)[] links)
    {
        int[] of = [.. Enumerable.Range(0, count)];
        int Find(int p)
        {
            while (of[p] != p) p = of[p] = of[of[p]];
            return p;
        }

        foreach (var (a, b) in links) of[Math.Max(Find(a), Find(b))] = Math.Min(Find(a), Find(b));
        return [.. Enumerable.Range(0, count).GroupBy(Find).Select(g => g.ToArray())];
    }
}
