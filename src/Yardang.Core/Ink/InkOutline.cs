using System.Collections.Immutable;

namespace Yardang.Core.Ink;

/// <summary>A corner of an outline, 1/100 mm.</summary>
public readonly record struct OutlinePoint(double X, double Y);

/// <summary>
/// The shape that a stroke of ink covers. Own algorithm: the centre line is offset to both sides by half the width that the pressure
/// gives, with round caps; where the line turns by more than 90° it is split, and the two capped pieces overlap. Fill the polygons
/// together by the non-zero rule, as smooth curves through the middles of their sides. The browser has the same code
/// (<c>Client/ink/outline.ts</c>), held equal by golden vectors.
/// </summary>
public static class InkOutline
{
    private const int CapSteps = 6;

    /// <summary>Half the drawn width at a pressure: 0.4 to 1.6 of the nominal half width.</summary>
    public static double Radius(int width, byte pressure) => width / 2.0 * (0.4 + (1.2 * pressure / 255.0));

    /// <summary>The polygons of a stroke.</summary>
    /// <param name="points">At least one.</param>
    /// <param name="width">Nominal width, 1/100 mm.</param>
    public static IReadOnlyList<ImmutableArray<OutlinePoint>> Of(ImmutableArray<InkPoint> points, int width)
    {
        var line = Distinct(points);
        var polygons = new List<ImmutableArray<OutlinePoint>>();
        if (line.Count == 1)
        {
            polygons.Add(Dot(line[0], width));
            return polygons;
        }

        var start = 0;
        for (var i = 1; i < line.Count; i++)
        {
            if (i < line.Count - 1 && !IsSharp(line[i - 1], line[i], line[i + 1])) continue;
            polygons.Add(Piece(line, start, i, width));
            start = i;
        }

        return polygons;
    }

    private static List<InkPoint> Distinct(ImmutableArray<InkPoint> points)
    {
        var line = new List<InkPoint>(points.Length);
        foreach (var p in points)
        {
            if (line.Count == 0 || p.X != line[^1].X || p.Y != line[^1].Y) line.Add(p);
        }

        return line;
    }

    private static bool IsSharp(InkPoint a, InkPoint b, InkPoint c) =>
        ((double)(b.X - a.X) * (c.X - b.X)) + ((double)(b.Y - a.Y) * (c.Y - b.Y)) < 0;

    private static ImmutableArray<OutlinePoint> Dot(InkPoint p, int width)
    {
        var dot = ImmutableArray.CreateBuilder<OutlinePoint>(2 * CapSteps);
        Arc(dot, p, Radius(width, p.Pressure), 0, 2 * CapSteps);
        return dot.ToImmutable();
    }

    private static ImmutableArray<OutlinePoint> Piece(List<InkPoint> line, int first, int last, int width)
    {
        var outline = ImmutableArray.CreateBuilder<OutlinePoint>();
        for (var i = first; i <= last; i++) outline.Add(Side(line, i, first, last, width, 1));
        Arc(outline, line[last], Radius(width, line[last].Pressure), Angle(line[last - 1], line[last]) + (Math.PI / 2), CapSteps);
        for (var i = last; i >= first; i--) outline.Add(Side(line, i, first, last, width, -1));
        Arc(outline, line[first], Radius(width, line[first].Pressure), Angle(line[first], line[first + 1]) - (Math.PI / 2), CapSteps);
        return outline.ToImmutable();
    }

    private static double Angle(InkPoint a, InkPoint b) => Math.Atan2(b.Y - a.Y, b.X - a.X);

    private static OutlinePoint Side(List<InkPoint> line, int i, int first, int last, int width, int side)
    {
        InkPoint before = line[Math.Max(first, i - 1)], after = line[Math.Min(last, i + 1)];
        double dx = after.X - before.X, dy = after.Y - before.Y;
        var length = Math.Sqrt((dx * dx) + (dy * dy));
        var r = length == 0 ? 0 : side * Radius(width, line[i].Pressure) / length;
        return new(line[i].X - (dy * r), line[i].Y + (dx * r));
    }

    // Steps between the two ends of a half circle, running against the clock on a page whose y points down.
    private static void Arc(ImmutableArray<OutlinePoint>.Builder outline, InkPoint centre, double radius, double from, int steps)
    {
        for (var k = 1; k < steps; k++)
        {
            var angle = from - (Math.PI * k / CapSteps);
            outline.Add(new(centre.X + (radius * Math.Cos(angle)), centre.Y + (radius * Math.Sin(angle))));
        }

        if (steps != CapSteps) outline.Add(new(centre.X + radius, centre.Y));
    }
}
