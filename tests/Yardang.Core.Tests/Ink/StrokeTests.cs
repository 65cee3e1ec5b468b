using System.Collections.Immutable;
using CsCheck;
using Yardang.Core.Ink;

namespace Yardang.Core.Tests.Ink;

public class StrokeTests
{
    private static readonly Gen<ImmutableArray<InkPoint>> s_points =
        Gen.Select(Gen.Int[-500, 20_000], Gen.Int[-500, 20_000], Gen.Byte, (x, y, p) => new InkPoint(x, y, p, 0)).Array[1, 40].Select(a => a.ToImmutableArray());

    private static readonly Gen<ImmutableArray<int>> s_cuts =
        Gen.Select(Gen.Int[0, 5_000], Gen.Int[1, 900]).Array[0, 8].Select(a => a.Aggregate(ImmutableArray<int>.Empty, (cuts, c) => CutIntervals.Union(cuts, [c.Item1, c.Item1 + c.Item2])));

    [Fact]
    public void The_union_of_cuts_is_normal_and_does_not_depend_on_the_order() => Gen.Select(s_cuts, s_cuts).Sample((a, b) =>
    {
        var union = CutIntervals.Union(a, b);
        Assert.True(CutIntervals.IsNormal(union));
        Assert.Equal(union.AsEnumerable(), CutIntervals.Union(b, a));
        Assert.Equal(union.AsEnumerable(), CutIntervals.Union(union, a));
    });

    [Fact]
    public void What_is_cut_and_what_remains_make_up_the_whole_length() => Gen.Select(s_cuts, Gen.Int[1, 6_000]).Sample((cuts, length) =>
    {
        var left = CutIntervals.Remaining(cuts, length);
        var remaining = left.Chunk(2).Sum(p => p[1] - p[0]);
        var cut = cuts.Chunk(2).Sum(p => Math.Max(0, Math.Min(p[1], length) - Math.Min(p[0], length)));
        Assert.Equal(length, remaining + cut);
    });

    [Fact]
    public void Nothing_under_the_eraser_remains() => Gen.Select(s_points, Gen.Int[0, 20_000], Gen.Int[0, 20_000], Gen.Int[200, 3_000]).Sample((points, x, y, radius) =>
    {
        var cuts = Stroke.UnderEraser(points, x, y, radius);
        if (cuts.IsEmpty) return;
        foreach (var p in Stroke.Remaining(points, cuts).SelectMany(part => part))
        {
            // Interpolated ends are rounded to whole units.
            Assert.True(Math.Sqrt(Math.Pow(p.X - x, 2) + Math.Pow(p.Y - y, 2)) >= radius - 3);
        }
    });

    [Fact]
    public void The_outline_covers_every_point_of_the_stroke() => s_points.Sample(points =>
    {
        var polygons = InkOutline.Of(points, 100);
        foreach (var p in points) Assert.Contains(polygons, polygon => Covers(polygon, p.X, p.Y));
    });

    [Fact]
    public void A_dot_is_as_wide_as_the_pen()
    {
        var dot = Assert.Single(InkOutline.Of([new InkPoint(1000, 1000, 128, 0)], 100));
        Assert.InRange(dot.Max(p => p.X) - dot.Min(p => p.X), 99, 102);
    }

    // Winding number, with a margin for points that lie on an edge.
    private static bool Covers(ImmutableArray<OutlinePoint> polygon, double x, double y)
    {
        var winding = 0.0;
        for (var i = 0; i < polygon.Length; i++)
        {
            OutlinePoint a = polygon[i], b = polygon[(i + 1) % polygon.Length];
            winding += Math.Atan2(((a.X - x) * (b.Y - y)) - ((b.X - x) * (a.Y - y)), ((a.X - x) * (b.X - x)) + ((a.Y - y) * (b.Y - y)));
        }

        return Math.Abs(winding) > Math.PI / 2;
    }
}
