using System.Collections.Immutable;
using Yardang.Core.Marks;

namespace Yardang.Core.Shapes;

/// <summary>A place on a page, 1/100 mm.</summary>
public readonly record struct Spot(double X, double Y);

/// <summary>An upright box, 1/100 mm.</summary>
public readonly record struct Box(double X, double Y, double Width, double Height)
{
    /// <summary>Its middle.</summary>
    public Spot Middle => new(X + (Width / 2), Y + (Height / 2));

    /// <summary>The smallest box round some places.</summary>
    public static Box Round(IReadOnlyCollection<Spot> spots)
    {
        double left = spots.Min(s => s.X), top = spots.Min(s => s.Y);
        return new(left, top, spots.Max(s => s.X) - left, spots.Max(s => s.Y) - top);
    }
}

/// <summary>
/// Where a mark is. A body says where it was drawn; scale makes it larger about its middle, turn turns it about the same middle
/// (clockwise, the page's y points down), and place moves it. The browser computes the same (<c>surface/geometry.ts</c>, golden vectors).
/// </summary>
public static class MarkGeometry
{
    private const double PerMille = 1_000;
    private const int ArcSteps = 24;

    /// <summary>The box of a body as it was drawn, without the width of its lines.</summary>
    public static Box BoxOf(MarkBody body) => body switch
    {
        TextBody t => new(t.X, t.Y, t.Width, t.Height),
        PictureBody p => new(p.X, p.Y, p.Width, p.Height),
        NoteBody n => new(n.X, n.Y, n.Width, n.Height),
        BubbleBody b => new(b.X, b.Y, b.Width, b.Height),
        FormulaBody f => new(f.X, f.Y, f.Width, f.Height),
        StampBody s => new(s.X, s.Y, s.Width, s.Height),
        ConnectorBody c => Box.Round(Spots(c.Points)),
        ZoneBody z => Box.Round(Spots(z.Points)),
        InkBody ink => Box.Round([.. ink.Points.Select(p => new Spot(p.X, p.Y))]),
        ShapeBody shape => Box.Round(Spots(shape.Points)),
        _ => default,
    };

    /// <summary>The points of a shape.</summary>
    public static ImmutableArray<Spot> Corners(ShapeBody shape) => Spots(shape.Points);

    /// <summary>Where a place of the body as drawn is on the page.</summary>
    public static Spot OnPage(Mark mark, Spot drawn)
    {
        var middle = BoxOf(mark.Body).Middle;
        var x = (drawn.X - middle.X) * (mark.Scale?.X ?? PerMille) / PerMille;
        var y = (drawn.Y - middle.Y) * (mark.Scale?.Y ?? PerMille) / PerMille;
        var (sin, cos) = Math.SinCos(mark.Place.Turn / 100.0 * Math.PI / 180);
        return new(middle.X + (x * cos) - (y * sin) + mark.Place.X, middle.Y + (x * sin) + (y * cos) + mark.Place.Y);
    }

    /// <summary>The upright box of a mark on the page, as far as its corners as drawn tell: of ellipses and ink the box of their box.</summary>
    public static Box BoundsOf(Mark mark)
    {
        var box = BoxOf(mark.Body);
        ImmutableArray<Spot> corners = mark.Body switch
        {
            ShapeBody { Shape: ShapeKind.Line or ShapeKind.Polygon } shape => Spots(shape.Points),
            ShapeBody { Shape: ShapeKind.Arc } arc => ArcSpots(Spots(arc.Points)),
            ZoneBody { Shape: ShapeKind.Polygon } zone => Spots(zone.Points),
            _ => [new(box.X, box.Y), new(box.X + box.Width, box.Y), new(box.X + box.Width, box.Y + box.Height), new(box.X, box.Y + box.Height)],
        };
        return Box.Round([.. corners.Select(c => OnPage(mark, c))]);
    }

    // Places along an arc, close together.
    private static ImmutableArray<Spot> ArcSpots(ImmutableArray<Spot> p) =>
        ArcCircle.Through(p[0], p[1], p[2]) is not { } circle ? p : [.. Enumerable.Range(0, ArcSteps + 1).Select(i =>
        {
            var (sin, cos) = Math.SinCos(circle.Start + (circle.Sweep * i / ArcSteps));
            return new Spot(circle.Middle.X + (circle.Radius * cos), circle.Middle.Y + (circle.Radius * sin));
        })];

    private static ImmutableArray<Spot> Spots(ImmutableArray<int> points)
    {
        var spots = ImmutableArray.CreateBuilder<Spot>(points.Length / 2);
        for (var i = 0; i + 1 < points.Length; i += 2) spots.Add(new(points[i], points[i + 1]));
        return spots.ToImmutable();
    }
}
