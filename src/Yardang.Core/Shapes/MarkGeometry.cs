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

    /// <summary>The box of a body as it was drawn, without the width of its lines.</summary>
    public static Box BoxOf(MarkBody body) => body switch
    {
        TextBody t => new(t.X, t.Y, t.Width, t.Height),
        PictureBody p => new(p.X, p.Y, p.Width, p.Height),
        NoteBody n => new(n.X, n.Y, n.Width, n.Height),
        InkBody ink => Box.Round([.. ink.Points.Select(p => new Spot(p.X, p.Y))]),
        ShapeBody shape => Box.Round(Corners(shape)),
        _ => default,
    };

    /// <summary>The points of a shape.</summary>
    public static ImmutableArray<Spot> Corners(ShapeBody shape)
    {
        var spots = ImmutableArray.CreateBuilder<Spot>(shape.Points.Length / 2);
        for (var i = 0; i + 1 < shape.Points.Length; i += 2) spots.Add(new(shape.Points[i], shape.Points[i + 1]));
        return spots.ToImmutable();
    }

    /// <summary>Where a place of the body as drawn is on the page.</summary>
    public static Spot OnPage(Mark mark, Spot drawn)
    {
        var middle = BoxOf(mark.Body).Middle;
        var x = (drawn.X - middle.X) * (mark.Scale?.X ?? PerMille) / PerMille;
        var y = (drawn.Y - middle.Y) * (mark.Scale?.Y ?? PerMille) / PerMille;
        var (sin, cos) = Math.SinCos(mark.Place.Turn / 100.0 * Math.PI / 180);
        return new(middle.X + (x * cos) - (y * sin) + mark.Place.X, middle.Y + (x * sin) + (y * cos) + mark.Place.Y);
    }

    /// <summary>The upright box of a mark on the page, as far as its corners as drawn tell: of round and inky ones the box of their box.</summary>
    public static Box BoundsOf(Mark mark)
    {
        var box = BoxOf(mark.Body);
        ImmutableArray<Spot> corners = mark.Body is ShapeBody { Shape: ShapeKind.Line or ShapeKind.Polygon } shape
            ? Corners(shape)
            : [new(box.X, box.Y), new(box.X + box.Width, box.Y), new(box.X + box.Width, box.Y + box.Height), new(box.X, box.Y + box.Height)];
        return Box.Round([.. corners.Select(c => OnPage(mark, c))]);
    }
}
