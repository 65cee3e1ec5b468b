namespace Yardang.Bench;

/// <summary>Points drawn apart by links that pull and points that push (T. M. J. Fruchterman, E. M. Reingold, "Graph drawing by force-directed placement", Software: Practice and Experience 21, 1991).</summary>
internal static class ForceDrawing
{
    private const int Rounds = 300;
    private const double Side = 4_000;

    public static (double X, double Y)[] Of(int count, (int A, int B)[] links, int seed)
    {
        var random = new Random(seed);
        var points = Enumerable.Range(0, count).Select(_ => (X: random.NextDouble() * Side, Y: random.NextDouble() * Side)).ToArray();
        var k = Math.Sqrt(Side * Side / count);
        for (var round = 0; round < Rounds; round++)
        {
            var by = new (double X, double Y)[count];
            void Add(int i, double x, double y) => by[i] = (by[i].X + x, by[i].Y + y);
            for (var i = 0; i < count; i++)
            {
                for (var j = i + 1; j < count; j++)
                {
                    var (x, y) = (points[i].X - points[j].X, points[i].Y - points[j].Y);
                    var square = Math.Max(1e-6, (x * x) + (y * y));
                    var force = k * k / square;
                    Add(i, x * force, y * force);
                    Add(j, -x * force, -y * force);
                }
            }

            foreach (var (a, b) in links)
            {
                var (x, y) = (points[a].X - points[b].X, points[a].Y - points[b].Y);
                var force = Math.Sqrt((x * x) + (y * y)) / k;
                Add(a, -x * force, -y * force);
                Add(b, x * force, y * force);
            }

            var heat = Side / 10 * (1 - (round / (double)Rounds));
            for (var i = 0; i < count; i++)
            {
                var length = Math.Max(1e-6, Math.Sqrt((by[i].X * by[i].X) + (by[i].Y * by[i].Y)));
                var step = Math.Min(length, heat) / length;
                points[i] = (Math.Clamp(points[i].X + (by[i].X * step), 0, Side), Math.Clamp(points[i].Y + (by[i].Y * step), 0, Side));
            }
        }

        return points;
    }
}
