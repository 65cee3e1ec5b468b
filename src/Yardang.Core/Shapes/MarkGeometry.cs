using Yardang.Core.Geometry;
using Yardang.Core.Marks;

namespace Yardang.Core.Shapes;

/// <summary>
/// Where a mark is. A body says where it was drawn; scale makes it larger about its middle, turn turns it about the same middle
/// (clockwise, the page's y points down), and place moves it. The browser computes the same (<c>surface/geometry.ts</c>, golden vectors).
/// </summary>
public static class MarkGeometry
{
    private const double PerMille = 1_000;

    /// <summary>Where a place of the body as drawn is on the page.</summary>
    public static Spot OnPage(Mark mark, Spot drawn)
    {
        var middle = mark.Body.Box().Middle;
        var x = (drawn.X - middle.X) * (mark.Scale?.X ?? PerMille) / PerMille;
        var y = (drawn.Y - middle.Y) * (mark.Scale?.Y ?? PerMille) / PerMille;
        var (sin, cos) = Math.SinCos(mark.Place.Turn / 100.0 * Math.PI / 180);
        return new(middle.X + (x * cos) - (y * sin) + mark.Place.X, middle.Y + (x * sin) + (y * cos) + mark.Place.Y);
    }

    /// <summary>The upright box of a mark on the page, as far as its corners as drawn tell: of ellipses and ink the box of their box.</summary>
    public static Box BoundsOf(Mark mark) => Box.Round([.. mark.Body.Corners().Select(c => OnPage(mark, c))]);
}
