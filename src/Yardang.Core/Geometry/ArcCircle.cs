using System.Collections.Immutable;

namespace Yardang.Core.Geometry;

/// <summary>The circle of which an arc is a part. Angles in radians, clockwise on the page.</summary>
public readonly record struct ArcCircle(Spot Middle, double Radius, double Start, double Sweep)
{
    private const int Steps = 24;

    /// <summary>Places along an arc, close together; where it begins, a point on the way and where it ends for a straight one.</summary>
    public static ImmutableArray<Spot> Along(ImmutableArray<Spot> p) => Through(p[0], p[1], p[2]) is not { } circle ? p : [.. Enumerable.Range(0, Steps + 1).Select(i =>
    {
        var (sin, cos) = Math.SinCos(circle.Start + (circle.Sweep * i / Steps));
        return new Spot(circle.Middle.X + (circle.Radius * cos), circle.Middle.Y + (circle.Radius * sin));
    })];

    /// <summary>The circle through three places (perpendicular bisectors), and the part from the first over the second to the third; null if they lie in a row.</summary>
    public static ArcCircle? Through(Spot from, Spot over, Spot to)
    {
        var d = 2 * ((from.X * (over.Y - to.Y)) + (over.X * (to.Y - from.Y)) + (to.X * (from.Y - over.Y)));
        if (Math.Abs(d) < 1e-9) return null;
        double f = Square(from), o = Square(over), t = Square(to);
        var middle = new Spot(
            ((f * (over.Y - to.Y)) + (o * (to.Y - from.Y)) + (t * (from.Y - over.Y))) / d,
            ((f * (to.X - over.X)) + (o * (from.X - to.X)) + (t * (over.X - from.X))) / d);
        double start = AngleOf(middle, from), way = Forward(start, AngleOf(middle, over)), end = Forward(start, AngleOf(middle, to));
        var radius = Math.Sqrt(Square(new Spot(from.X - middle.X, from.Y - middle.Y)));
        return new(middle, radius, start, way <= end ? end : end - (2 * Math.PI));
    }

    private static double Square(Spot s) => (s.X * s.X) + (s.Y * s.Y);

    private static double AngleOf(Spot middle, Spot s) => Math.Atan2(s.Y - middle.Y, s.X - middle.X);

    private static double Forward(double from, double to) => to < from ? to - from + (2 * Math.PI) : to - from;
}
