using System.Collections.Immutable;
using Yardang.Core.Geometry;
using Yardang.Core.Marks;

namespace Yardang.Core.Shapes;

/// <summary>Where connectors run: straight from middle to middle, between the edges of the two boxes. The browser computes the same (golden vectors).</summary>
public static class ConnectorPath
{
    /// <summary>Free room between a box and the line's end, 1/100 mm.</summary>
    public const double Gap = 120;

    /// <summary>x, y of the beginning and of the end of a line between two boxes. Boxes that meet are joined from middle to middle.</summary>
    public static ImmutableArray<int> Between(Box from, Box to)
    {
        var (a, b) = (from.Middle, to.Middle);
        var (dx, dy) = (b.X - a.X, b.Y - a.Y);
        var (start, end) = (ShareInside(from, dx, dy), ShareInside(to, dx, dy));
        if (start + end >= 1) (start, end) = (0, 0);
        return [Round(a.X + (dx * start)), Round(a.Y + (dy * start)), Round(b.X - (dx * end)), Round(b.Y - (dy * end))];
    }

    /// <summary>The marks of a page as they can be seen: connectors run between what they connect, and those that have lost an end are left out.</summary>
    public static IEnumerable<Mark> Follow(IEnumerable<Mark> marks, Func<long, Mark?> find) => marks
        .Select(m => m.Body is ConnectorBody c ? Ends(m, c, find) is var (from, to) ? m with { Body = c with { Points = Between(BoundsOf(from), BoundsOf(to)) } } : null : m)
        .OfType<Mark>();

    private static (Mark From, Mark To)? Ends(Mark mark, ConnectorBody body, Func<long, Mark?> find) =>
        find(body.From) is { Stands: true } from && find(body.To) is { Stands: true } to && from.Page == mark.Page && to.Page == mark.Page ? (from, to) : null;

    private static Box BoundsOf(Mark mark) => MarkGeometry.BoundsOf(mark);

    // How much of the way from its middle lies inside a box.
    private static double ShareInside(Box box, double dx, double dy)
    {
        var across = dx == 0 ? double.PositiveInfinity : ((box.Width / 2) + Gap) / Math.Abs(dx);
        var down = dy == 0 ? double.PositiveInfinity : ((box.Height / 2) + Gap) / Math.Abs(dy);
        return Math.Min(1, Math.Min(across, down));
    }

    private static int Round(double value) => (int)Math.Floor(value + 0.5);
}
