using System.Collections.Immutable;
using Yardang.Core.Geometry;
using Yardang.Core.Marks;

namespace Yardang.Core.Shapes;

/// <summary>The measures of a shape as it stands on the page, scaled but not rounded: mm, square mm, degrees.</summary>
/// <param name="Sides">Lengths of the sides in order; of an ellipse none.</param>
/// <param name="Angles">Inner angles at the corners of a polygon, or at the bends of a line, 0 to 360.</param>
/// <param name="Perimeter">Length all the way round, or along.</param>
/// <param name="Area">0 for what is open. Of a polygon that crosses itself, the areas of its loops count with their directions.</param>
public sealed record ShapeMeasures(ImmutableArray<double> Sides, ImmutableArray<double> Angles, double Perimeter, double Area)
{
    private const double UnitsPerMm = 100;

    /// <summary>The measures of a shape of a mark.</summary>
    public static ShapeMeasures Of(ShapeBody shape, Scale? scale)
    {
        double sx = (scale?.X ?? 1_000) / 1_000.0 / UnitsPerMm, sy = (scale?.Y ?? 1_000) / 1_000.0 / UnitsPerMm;
        ImmutableArray<Spot> p = [.. Spot.All(shape.Points).Select(c => new Spot(c.X * sx, c.Y * sy))];
        return shape.Shape switch
        {
            ShapeKind.Line => OfPath(p, closed: false),
            ShapeKind.Polygon => OfPath(p, closed: true),
            ShapeKind.Ellipse => OfEllipse(Math.Abs(p[1].X - p[0].X) / 2, Math.Abs(p[1].Y - p[0].Y) / 2),
            _ => OfArc(p),
        };
    }

    private static ShapeMeasures OfPath(ImmutableArray<Spot> p, bool closed)
    {
        var n = p.Length;
        var sides = Enumerable.Range(0, closed ? n : n - 1).Select(i => Distance(p[i], p[(i + 1) % n])).ToImmutableArray();
        var doubled = closed ? Enumerable.Range(0, n).Sum(i => (p[i].X * p[(i + 1) % n].Y) - (p[(i + 1) % n].X * p[i].Y)) : 0;
        var bends = closed ? Enumerable.Range(0, n) : Enumerable.Range(1, Math.Max(0, n - 2));
        var angles = bends.Select(i => Angle(p[(i + n - 1) % n], p[i], p[(i + 1) % n], closed ? Math.Sign(doubled) : 0)).ToImmutableArray();
        return new(sides, angles, sides.Sum(), Math.Abs(doubled) / 2);
    }

    // Perimeter after Ramanujan's second approximation (1914); exact for a circle, and within 1/20,000 up to 5 : 1.
    private static ShapeMeasures OfEllipse(double a, double b)
    {
        if (a + b == 0) return new([], [], 0, 0);
        var h = (a - b) * (a - b) / ((a + b) * (a + b));
        return new([], [], Math.PI * (a + b) * (1 + (3 * h / (10 + Math.Sqrt(4 - (3 * h))))), Math.PI * a * b);
    }

    private static ShapeMeasures OfArc(ImmutableArray<Spot> p)
    {
        if (ArcCircle.Through(p[0], p[1], p[2]) is not { } circle) return new([], [], Distance(p[0], p[1]) + Distance(p[1], p[2]), 0);
        return new([], [], circle.Radius * Math.Abs(circle.Sweep), 0);
    }

    private static double Distance(Spot a, Spot b) => Math.Sqrt(((a.X - b.X) * (a.X - b.X)) + ((a.Y - b.Y) * (a.Y - b.Y)));

    // The inner angle: more than 180 where the outline turns against its own direction.
    private static double Angle(Spot before, Spot at, Spot after, int direction)
    {
        double ax = before.X - at.X, ay = before.Y - at.Y, bx = after.X - at.X, by = after.Y - at.Y;
        var angle = Math.Atan2((bx * ay) - (by * ax), (ax * bx) + (ay * by)) * 180 / Math.PI;
        if (direction == 0) return Math.Abs(angle);
        angle *= direction;
        return angle < 0 ? angle + 360 : angle;
    }
}
