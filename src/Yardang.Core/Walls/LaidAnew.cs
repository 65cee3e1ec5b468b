namespace Yardang.Core.Walls;

/// <summary>
/// Points that hang together by links, laid out anew so that they are as far from one another as they are in links: stress is made small by stochastic gradient descent (Zheng, Pawar,
/// Goodman 2019), from where they lay, and what comes of it is moved and turned to lie as it did. The same points always give the same.
/// </summary>
internal static class LaidAnew
{
    // From card to linked card, with room for the words between them; cards are wider than high.
    private const double LinkLength = 300;
    private const double Flat = 0.75;
    private const int Rounds = 30;
    private const double Epsilon = 0.1;

    public static (double X, double Y)[] From((double X, double Y)[] before, (int A, int B)[] links)
    {
        var n = before.Length;
        var random = new Chance(17);
        // What lies in one place has no direction.
        var points = before.Select(p => (X: p.X + random.Next(), Y: (p.Y / Flat) + random.Next())).ToArray();
        var pairs = PairsOf(n, links);
        var (smallest, largest) = (1 / Square(LinkLength), 1 / Square(pairs.Max(p => p.Distance)));
        var (first, last) = (1 / largest, Epsilon / smallest);
        var decay = Math.Log(first / last) / (Rounds - 1);
        for (var round = 0; round < Rounds; round++)
        {
            var rate = first * Math.Exp(-decay * round);
            for (var i = pairs.Length - 1; i > 0; i--)
            {
                var j = (int)(random.Next() * (i + 1));
                (pairs[i], pairs[j]) = (pairs[j], pairs[i]);
            }

            foreach (var (a, b, distance) in pairs)
            {
                var step = Math.Min(1, rate / Square(distance));
                var (x, y) = (points[a].X - points[b].X, points[a].Y - points[b].Y);
                var length = Math.Max(1e-6, Math.Sqrt((x * x) + (y * y)));
                var by = step * (length - distance) / 2 / length;
                points[a] = (points[a].X - (by * x), points[a].Y - (by * y));
                points[b] = (points[b].X + (by * x), points[b].Y + (by * y));
            }
        }

        return Turned([.. points.Select(p => (p.X, p.Y * Flat))], before);
    }

    // Moved, turned and perhaps turned over so that the sum of squared distances from where they lay is least.
    private static (double X, double Y)[] Turned((double X, double Y)[] points, (double X, double Y)[] before)
    {
        var (from, to) = (MiddleOf(points), MiddleOf(before));
        (double X, double Y)[]? best = null;
        var least = double.PositiveInfinity;
        foreach (var side in new[] { 1, -1 })
        {
            var (along, across) = (0.0, 0.0);
            for (var i = 0; i < points.Length; i++)
            {
                var (x, y) = ((points[i].X - from.X) * side, points[i].Y - from.Y);
                var (u, v) = (before[i].X - to.X, before[i].Y - to.Y);
                along += (x * u) + (y * v);
                across += (x * v) - (y * u);
            }

            // Cards are wide: only turns of a half and no more keep the room that they need.
            var (cos, sin) = Math.Abs(along) >= Math.Abs(across) ? (Math.Sign(along) is 0 or 1 ? 1.0 : -1.0, 0.0) : (0.0, (double)Math.Sign(across));
            var turned = points.Select(p =>
            {
                var (x, y) = ((p.X - from.X) * side, p.Y - from.Y);
                return sin == 0 ? (to.X + (cos * x), to.Y + (cos * y)) : (to.X - (sin * y / Flat), to.Y + (sin * x * Flat));
            }).ToArray();
            var off = turned.Zip(before, (p, q) => Square(p.Item1 - q.X) + Square(p.Item2 - q.Y)).Sum();
            if (off >= least) continue;
            (least, best) = (off, turned);
        }

        return best!;
    }

    private static (double X, double Y) MiddleOf((double X, double Y)[] points) => (points.Average(p => p.X), points.Average(p => p.Y));

    // Each with each, and how far apart they are to be.
    private static (int A, int B, double Distance)[] PairsOf(int n, (int A, int B)[] links)
    {
        var beside = Enumerable.Range(0, n).Select(_ => new List<int>()).ToArray();
        foreach (var (a, b) in links)
        {
            beside[a].Add(b);
            beside[b].Add(a);
        }

        var pairs = new List<(int, int, double)>(n * (n - 1) / 2);
        var hops = new int[n];
        var queue = new Queue<int>(n);
        for (var start = 0; start < n; start++)
        {
            Array.Fill(hops, -1);
            hops[start] = 0;
            queue.Enqueue(start);
            while (queue.TryDequeue(out var p))
            {
                foreach (var next in beside[p])
                {
                    if (hops[next] >= 0) continue;
                    hops[next] = hops[p] + 1;
                    queue.Enqueue(next);
                }
            }

            for (var other = start + 1; other < n; other++) pairs.Add((start, other, hops[other] * LinkLength));
        }

        return [.. pairs];
    }

    private static double Square(double v) => v * v;

    // Numbers from 0 to 1 that are the same each time (a linear congruential generator with the constants of D. E. Knuth's MMIX).
    private sealed class Chance(ulong seed)
    {
        private ulong _state = seed;

        public double Next() => ((_state = (_state * 6364136223846793005UL) + 1442695040888963407UL) >> 11) / (double)(1UL << 53);
    }
}
