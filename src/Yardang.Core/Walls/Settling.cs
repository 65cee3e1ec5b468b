namespace Yardang.Core.Walls;

/// <summary>Cards of one group on their way to being tidy: pushed apart, and then moved nearby as long as fewer links cross.</summary>
internal sealed class Settling((double X, double Y)[] start, (int A, int B)[] links)
{
    /// <summary>How wide the place of a card is, with what is kept free beside it.</summary>
    public const double Width = FieldPlan.CardWidth + 16;

    /// <summary>How high.</summary>
    public const double Height = FieldPlan.CardHeight + 12;

    private const int PushRounds = 120;
    private const int TrialRounds = 6;

    // So that tidying ends in time whatever lies on the field.
    private const int MostTrials = 14_000;

    // Against one crossing: a link under a card, a card's width of way, a card's width of longer links.
    private const double Under = 0.5;
    private const double Way = 0.02;
    private const double Longer = 0.01;

    private readonly List<int>[] _of = LinksOf(start.Length, links);
    private int _trials;

    /// <summary>Where they lie.</summary>
    public (double X, double Y)[] Points { get; } = ((double X, double Y)[])start.Clone();

    /// <summary>Whether two cards are so near that they would lie on one another.</summary>
    public static bool Touch((double X, double Y) one, (double X, double Y) other) => Math.Abs(one.X - other.X) < Width - 1 && Math.Abs(one.Y - other.Y) < Height - 1;

    /// <summary>Whether two lines meet, also at their ends and where they lie on one another.</summary>
    public static bool Meet((double X, double Y) a, (double X, double Y) b, (double X, double Y) c, (double X, double Y) d)
    {
        if (Math.Max(a.X, b.X) < Math.Min(c.X, d.X) || Math.Max(c.X, d.X) < Math.Min(a.X, b.X) || Math.Max(a.Y, b.Y) < Math.Min(c.Y, d.Y) || Math.Max(c.Y, d.Y) < Math.Min(a.Y, b.Y)) return false;
        return Side(a, b, c) * Side(a, b, d) <= 0 && Side(c, d, a) * Side(c, d, b) <= 0;
    }

    /// <summary>Whether a line goes through the place of a card.</summary>
    public static bool IsUnder((double X, double Y) a, (double X, double Y) b, (double X, double Y) card)
    {
        const double halfWidth = FieldPlan.CardWidth / 2.0;
        const double halfHeight = FieldPlan.CardHeight / 2.0;
        var (left, right, top, bottom) = (card.X - halfWidth, card.X + halfWidth, card.Y - halfHeight, card.Y + halfHeight);
        if (Math.Max(a.X, b.X) < left || Math.Min(a.X, b.X) > right || Math.Max(a.Y, b.Y) < top || Math.Min(a.Y, b.Y) > bottom) return false;
        var side = Side(a, b, (left, top));
        return !(side * Side(a, b, (right, top)) > 0 && side * Side(a, b, (left, bottom)) > 0 && side * Side(a, b, (right, bottom)) > 0);
    }

    /// <summary>Moves what crosses; nothing touches by then.</summary>
    public Settling Settle()
    {
        for (var round = 0; round < TrialRounds && _trials < MostTrials; round++)
        {
            if (!Try(2 + round)) break;
        }

        return this;
    }

    /// <summary>How much crosses, or lies under cards.</summary>
    public double Cost() => Tidying.Crossings(Points, links) + (Under * Tidying.LinksUnderCards(Points, links));

    private static double Side((double X, double Y) a, (double X, double Y) b, (double X, double Y) p) => ((b.X - a.X) * (p.Y - a.Y)) - ((b.Y - a.Y) * (p.X - a.X));

    private static List<int>[] LinksOf(int count, (int A, int B)[] links)
    {
        var of = Enumerable.Range(0, count).Select(_ => new List<int>()).ToArray();
        for (var i = 0; i < links.Length; i++)
        {
            of[links[i].A].Add(i);
            of[links[i].B].Add(i);
        }

        return of;
    }

    /// <summary>Pushes apart what touches.</summary>
    public Settling PushApart()
    {
        for (var round = 0; round < PushRounds; round++)
        {
            var isPushed = false;
            for (var i = 0; i < Points.Length; i++)
            {
                for (var j = i + 1; j < Points.Length; j++)
                {
                    if (!Touch(Points[i], Points[j])) continue;
                    isPushed = true;
                    var (x, y) = (Points[j].X - Points[i].X, Points[j].Y - Points[i].Y);
                    var (byX, byY) = (Width - Math.Abs(x), Height - Math.Abs(y));
                    // Along the axis on which they touch less, for the size of cards.
                    if (byX / Width < byY / Height) Push(i, j, (x < 0 ? -byX : byX) / 2, 0);
                    else Push(i, j, 0, (y < 0 ? -byY : byY) / 2);
                }
            }

            if (!isPushed) return this;
        }

        // What is left goes to the nearest free place, one after another.
        var taken = new List<(double X, double Y)>();
        for (var i = 0; i < Points.Length; i++)
        {
            if (taken.Exists(t => Touch(t, Points[i]))) Points[i] = FreeNear(Points[i], taken);
            taken.Add(Points[i]);
        }

        return this;
    }

    private void Push(int i, int j, double x, double y)
    {
        Points[i] = (Points[i].X - x, Points[i].Y - y);
        Points[j] = (Points[j].X + x, Points[j].Y + y);
    }

    private static (double X, double Y) FreeNear((double X, double Y) wanted, List<(double X, double Y)> taken)
    {
        for (var ring = 1; ; ring++)
        {
            foreach (var (x, y) in RingOf(ring / 2.0))
            {
                var spot = (wanted.X + x, wanted.Y + y);
                if (!taken.Exists(t => Touch(t, spot))) return spot;
            }
        }
    }

    private static IEnumerable<(double X, double Y)> RingOf(double ring)
    {
        const int spokes = 12;
        for (var spoke = 0; spoke < spokes; spoke++)
        {
            var angle = 2 * Math.PI * spoke / spokes;
            yield return (Math.Cos(angle) * ring * Width, Math.Sin(angle) * ring * Height * 1.4);
        }
    }

    // Those with the most crossings first. True if any card went somewhere better.
    private bool Try(int rings)
    {
        var costs = Points.Select((p, i) => (i, Cost: CrossedAt(i, p))).Where(c => c.Cost > 0).OrderByDescending(c => c.Cost).ThenBy(c => c.i).ToList();
        var isBetter = false;
        foreach (var (i, _) in costs)
        {
            var crossed = CrossedAt(i, Points[i]);
            if (crossed == 0) continue;
            var (best, least) = (Points[i], crossed + Apart(i, Points[i]));
            foreach (var spot in Nearby(i, rings))
            {
                if (_trials++ >= MostTrials) return isBetter;
                var apart = Apart(i, spot);
                if (apart >= least || !IsFree(i, spot)) continue;
                var cost = CrossedAt(i, spot, least - apart) + apart;
                if (cost < least - 1e-9) (best, least) = (spot, cost);
            }

            if (best == Points[i]) continue;
            Points[i] = best;
            isBetter = true;
        }

        return isBetter;
    }

    // Around where it lies, and around the middle of those with which it is linked.
    private IEnumerable<(double X, double Y)> Nearby(int i, int rings)
    {
        var beside = _of[i].Select(l => Points[links[l].A == i ? links[l].B : links[l].A]).ToList();
        var middle = (X: beside.Average(p => p.X), Y: beside.Average(p => p.Y));
        yield return middle;
        for (var ring = 1; ring <= rings; ring++)
        {
            foreach (var (x, y) in RingOf(ring * 0.75)) yield return (middle.X + x, middle.Y + y);
            foreach (var (x, y) in RingOf(ring * 0.75)) yield return (Points[i].X + x, Points[i].Y + y);
        }
    }

    private bool IsFree(int i, (double X, double Y) spot)
    {
        for (var j = 0; j < Points.Length; j++)
        {
            if (j != i && Touch(spot, Points[j])) return false;
        }

        return true;
    }

    // How far from where it lay, and how long its links are.
    private double Apart(int i, (double X, double Y) spot)
    {
        var length = 0.0;
        foreach (var l in _of[i])
        {
            var other = Points[links[l].A == i ? links[l].B : links[l].A];
            length += Far(spot, other);
        }

        return ((Way * Far(spot, start[i])) + (Longer * length)) / Width;
    }

    private static double Far((double X, double Y) a, (double X, double Y) b) => Math.Sqrt(((a.X - b.X) * (a.X - b.X)) + ((a.Y - b.Y) * (a.Y - b.Y)));

    // What its links cross, and what lies under cards because of it, if it were there; no more is counted than matters.
    private double CrossedAt(int i, (double X, double Y) spot, double most = double.PositiveInfinity)
    {
        var cost = 0.0;
        foreach (var l in _of[i])
        {
            var other = links[l].A == i ? links[l].B : links[l].A;
            for (var o = 0; o < links.Length; o++)
            {
                var (c, d) = links[o];
                if (c == i || d == i || c == other || d == other) continue;
                if (Meet(spot, Points[other], Points[c], Points[d])) cost++;
            }

            if (cost >= most) return cost;
            for (var p = 0; p < Points.Length; p++)
            {
                if (p != i && p != other && IsUnder(spot, Points[other], Points[p])) cost += Under;
            }
        }

        foreach (var (a, b) in links)
        {
            if (a != i && b != i && IsUnder(Points[a], Points[b], spot)) cost += Under;
        }

        return cost;
    }
}
