using System.Collections.Immutable;

namespace Yardang.Core.Ink;

/// <summary>Measures and parts of a stroke. Lengths in 1/100 mm along the line through its points.</summary>
public static class Stroke
{
    /// <summary>Length along the points up to each point; the last entry is the whole length.</summary>
    public static double[] Lengths(ImmutableArray<InkPoint> points)
    {
        var lengths = new double[points.Length];
        for (var i = 1; i < points.Length; i++)
        {
            double dx = points[i].X - points[i - 1].X, dy = points[i].Y - points[i - 1].Y;
            lengths[i] = lengths[i - 1] + Math.Sqrt((dx * dx) + (dy * dy));
        }

        return lengths;
    }

    /// <summary>The whole length, rounded up.</summary>
    public static int Length(ImmutableArray<InkPoint> points) => points.IsEmpty ? 0 : (int)Math.Ceiling(Lengths(points)[^1]);

    /// <summary>The pieces of a stroke that its cuts leave, each with interpolated ends.</summary>
    public static IEnumerable<ImmutableArray<InkPoint>> Remaining(ImmutableArray<InkPoint> points, ImmutableArray<int> cuts)
    {
        if (cuts.IsEmpty)
        {
            yield return points;
            yield break;
        }

        var lengths = Lengths(points);
        var left = CutIntervals.Remaining(cuts, Length(points));
        for (var i = 0; i < left.Length; i += 2) yield return Between(points, lengths, left[i], left[i + 1]);
    }

    /// <summary>
    /// The part of a stroke under a round eraser: cut intervals, normal form, rounded outwards. Each segment is cut where it crosses
    /// the circle (the roots of a quadratic).
    /// </summary>
    public static ImmutableArray<int> UnderEraser(ImmutableArray<InkPoint> points, double x, double y, double radius)
    {
        var lengths = Lengths(points);
        var cuts = ImmutableArray<int>.Empty;
        if (points.Length == 1)
        {
            double px = points[0].X - x, py = points[0].Y - y;
            return (px * px) + (py * py) <= radius * radius ? [0, 1] : [];
        }

        for (var i = 0; i + 1 < points.Length; i++)
        {
            double ax = points[i].X - x, ay = points[i].Y - y;
            double dx = points[i + 1].X - points[i].X, dy = points[i + 1].Y - points[i].Y;
            var a = (dx * dx) + (dy * dy);
            if (a == 0) continue;
            var b = (ax * dx) + (ay * dy);
            var c = (ax * ax) + (ay * ay) - (radius * radius);
            var root = (b * b) - (a * c);
            if (root <= 0) continue;
            var from = Math.Max(0, (-b - Math.Sqrt(root)) / a);
            var to = Math.Min(1, (-b + Math.Sqrt(root)) / a);
            if (from >= to) continue;
            var span = lengths[i + 1] - lengths[i];
            cuts = CutIntervals.Union(cuts, [(int)Math.Floor(lengths[i] + (from * span)), (int)Math.Ceiling(lengths[i] + (to * span))]);
        }

        return cuts;
    }

    private static ImmutableArray<InkPoint> Between(ImmutableArray<InkPoint> points, double[] lengths, double from, double to)
    {
        var part = ImmutableArray.CreateBuilder<InkPoint>();
        part.Add(At(points, lengths, from));
        for (var i = 0; i < points.Length; i++)
        {
            if (lengths[i] > from && lengths[i] < to) part.Add(points[i]);
        }

        part.Add(At(points, lengths, to));
        return part.ToImmutable();
    }

    private static InkPoint At(ImmutableArray<InkPoint> points, double[] lengths, double at)
    {
        for (var i = 1; i < points.Length; i++)
        {
            if (lengths[i] < at) continue;
            InkPoint a = points[i - 1], b = points[i];
            var span = lengths[i] - lengths[i - 1];
            var t = span == 0 ? 0 : (at - lengths[i - 1]) / span;
            return new(Mix(a.X, b.X, t), Mix(a.Y, b.Y, t), (byte)Mix(a.Pressure, b.Pressure, t), Mix(a.Ms, b.Ms, t));
        }

        return points[^1];
    }

    // Math.floor(x + 0.5) is what both languages round alike.
    private static int Mix(int a, int b, double t) => (int)Math.Floor(a + ((b - a) * t) + 0.5);
}
