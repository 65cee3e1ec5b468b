using System.Collections.Immutable;
using Yardang.Core.Geometry;
using Yardang.Core.Marks;

namespace Yardang.Core.Shapes;

/// <summary>
/// Which zones a mark is in. A mark counts by the box round it as it was drawn, turned with it: by the middle of that box, or by the share
/// of its area that lies inside. Something on the very edge is inside. A mark without area (a straight upright line) counts by its middle.
/// </summary>
public static class Zoning
{
    private const int EllipseCorners = 96;
    private const double Tolerance = 1e-6;

    /// <summary>The zones among some marks that a mark is in, in their order. Zones themselves, answer fields and connectors are in none.</summary>
    public static ImmutableArray<Mark> ZonesOf(Mark mark, IEnumerable<Mark> marks) =>
        mark.Body is ConnectorBody || mark.Body.BelongsToPage() ? [] : [.. marks.Where(m => m.Body is ZoneBody && m.Page == mark.Page && !m.Erased && IsIn(mark, m))];

    /// <summary>Whether a mark is in a zone, by the zone's rule.</summary>
    public static bool IsIn(Mark mark, Mark zone)
    {
        if (zone.Body is not ZoneBody { Rule: var rule }) return false;
        var region = RegionOf(zone);
        var box = CornersOf(mark);
        var area = Math.Abs(Area(box));
        if (rule == ZoneRule.Centre || area < 1) return Contains(region, Middle(box));
        var share = Math.Abs(Area(Clip(region, box))) / area;
        return share >= (rule == ZoneRule.Half ? 0.5 : 1) - Tolerance;
    }

    /// <summary>The corners of a zone's region on the page; of a round one, close together (off by less than 0.06 % of its width).</summary>
    public static ImmutableArray<Spot> RegionOf(Mark zone)
    {
        var body = (ZoneBody)zone.Body;
        var drawn = new ShapeBody(body.Shape, body.Points);
        if (body.Shape != ShapeKind.Ellipse) return [.. Spot.All(drawn.Points).Select(c => MarkGeometry.OnPage(zone, c))];
        var box = drawn.Box();
        return [.. Enumerable.Range(0, EllipseCorners).Select(i =>
        {
            var (sin, cos) = Math.SinCos(2 * Math.PI * i / EllipseCorners);
            return MarkGeometry.OnPage(zone, new(box.Middle.X + (box.Width / 2 * cos), box.Middle.Y + (box.Height / 2 * sin)));
        })];
    }

    private static Spot[] CornersOf(Mark mark)
    {
        var box = mark.Body.Box();
        Spot[] drawn = [new(box.X, box.Y), new(box.X + box.Width, box.Y), new(box.X + box.Width, box.Y + box.Height), new(box.X, box.Y + box.Height)];
        return [.. drawn.Select(c => MarkGeometry.OnPage(mark, c))];
    }

    private static Spot Middle(Spot[] box) => new((box[0].X + box[2].X) / 2, (box[0].Y + box[2].Y) / 2);

    // The shoelace formula.
    private static double Area(IReadOnlyList<Spot> polygon)
    {
        double twice = 0;
        for (var i = 0; i < polygon.Count; i++)
        {
            var (a, b) = (polygon[i], polygon[(i + 1) % polygon.Count]);
            twice += (a.X * b.Y) - (b.X * a.Y);
        }

        return twice / 2;
    }

    // Even-odd rule, with the edge inside.
    private static bool Contains(ImmutableArray<Spot> region, Spot spot)
    {
        var inside = false;
        for (var i = 0; i < region.Length; i++)
        {
            var (a, b) = (region[i], region[(i + 1) % region.Length]);
            if (IsOn(spot, a, b)) return true;
            if (a.Y > spot.Y != b.Y > spot.Y && spot.X < ((b.X - a.X) * (spot.Y - a.Y) / (b.Y - a.Y)) + a.X) inside = !inside;
        }

        return inside;
    }

    private static bool IsOn(Spot spot, Spot a, Spot b)
    {
        var length = Math.Sqrt(((b.X - a.X) * (b.X - a.X)) + ((b.Y - a.Y) * (b.Y - a.Y)));
        var along = ((spot.X - a.X) * (b.X - a.X)) + ((spot.Y - a.Y) * (b.Y - a.Y));
        return Math.Abs(Cross(a, b, spot)) <= Tolerance * Math.Max(1, length) && along >= 0 && along <= length * length;
    }

    // Sutherland and Hodgman, "Reentrant Polygon Clipping" (1974): a region, which may have bays, cut by a box, which has none. Where the
    // region has bays the outcome runs along edges twice, which the area does not notice.
    private static List<Spot> Clip(IReadOnlyList<Spot> region, Spot[] box)
    {
        var way = Math.Sign(Area(box));
        List<Spot> cut = [.. region];
        for (var i = 0; i < box.Length && cut.Count > 0; i++)
        {
            var (from, to) = (box[i], box[(i + 1) % box.Length]);
            var before = cut;
            cut = [];
            for (var j = 0; j < before.Count; j++)
            {
                var (a, b) = (before[j], before[(j + 1) % before.Count]);
                double sideA = Cross(from, to, a) * way, sideB = Cross(from, to, b) * way;
                if (sideA >= 0) cut.Add(a);
                if (sideA * sideB < 0)
                {
                    var t = sideA / (sideA - sideB);
                    cut.Add(new(a.X + (t * (b.X - a.X)), a.Y + (t * (b.Y - a.Y))));
                }
            }
        }

        return cut;
    }

    private static double Cross(Spot a, Spot b, Spot c) => ((b.X - a.X) * (c.Y - a.Y)) - ((b.Y - a.Y) * (c.X - a.X));
}
