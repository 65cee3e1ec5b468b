using System.Collections.Immutable;
using System.Globalization;
using Yardang.Core.Geometry;
using Yardang.Core.Marks;
using Yardang.Core.Pages;
using Yardang.Core.Styles;

namespace Yardang.Core.Shapes;

/// <summary>A measure written beside a shape. X, Y is its middle, 1/100 mm, on the body as scaled but neither turned nor moved.</summary>
public sealed record MeasureLabel(double X, double Y, string Text);

/// <summary>
/// The measures that a shape shows, and where: sides outside the middle of each side, angles inside each corner, perimeter and area in the
/// middle. Lengths to a tenth of a centimetre or a hundredth of an inch, angles to a degree. They are written with
/// a point; whoever draws them puts the reader's decimal sign in its place.
/// </summary>
public static class MeasureLabels
{
    /// <summary>Height of the type, 1/100 mm.</summary>
    public const int Size = 380;

    // Room that a label takes beside a line: a gap, and half its width or height.
    private const double Gap = 130;
    private const double HalfWidth = 560;
    private const double HalfHeight = 190;
    private const double FromCorner = 800;
    private const double LineStep = 480;
    private const double MmPerInch = 25.4;
    private const double MmPerCm = 10;

    /// <summary>The labels of a shape.</summary>
    public static IReadOnlyList<MeasureLabel> Of(ShapeBody shape, Scale? scale, Looks looks, LengthUnit unit)
    {
        const Looks any = Looks.ShowsSides | Looks.ShowsAngles | Looks.ShowsPerimeter | Looks.ShowsArea;
        var labels = new List<MeasureLabel>();
        if ((looks & any) == Looks.None) return labels;
        var measures = ShapeMeasures.Of(shape, scale);
        var middle = shape.Box().Middle;
        double sx = (scale?.X ?? 1_000) / 1_000.0, sy = (scale?.Y ?? 1_000) / 1_000.0;
        ImmutableArray<Spot> p = [.. Spot.All(shape.Points).Select(c => new Spot(middle.X + ((c.X - middle.X) * sx), middle.Y + ((c.Y - middle.Y) * sy)))];
        var closed = shape.Shape == ShapeKind.Polygon;
        var centre = new Spot(p.Average(s => s.X), p.Average(s => s.Y));
        if (looks.HasFlag(Looks.ShowsSides))
        {
            for (var i = 0; i < measures.Sides.Length; i++) labels.Add(BesideSide(p[i], p[(i + 1) % p.Length], centre, Length(measures.Sides[i], unit)));
        }

        if (looks.HasFlag(Looks.ShowsAngles))
        {
            for (var i = 0; i < measures.Angles.Length; i++) labels.Add(InCorner(p, closed ? i : i + 1, measures.Angles[i]));
        }

        var lines = new List<string>();
        if (looks.HasFlag(Looks.ShowsPerimeter)) lines.Add($"P {Length(measures.Perimeter, unit)}");
        if (looks.HasFlag(Looks.ShowsArea) && measures.Area > 0) lines.Add($"A {Area(measures.Area, unit)}");
        for (var i = 0; i < lines.Count; i++) labels.Add(new(middle.X, middle.Y + ((i - ((lines.Count - 1) / 2.0)) * LineStep), lines[i]));
        return labels;
    }

    private static MeasureLabel BesideSide(Spot a, Spot b, Spot centre, string text)
    {
        double x = (a.X + b.X) / 2, y = (a.Y + b.Y) / 2, dx = b.X - a.X, dy = b.Y - a.Y;
        var length = Math.Max(1e-9, Math.Sqrt((dx * dx) + (dy * dy)));
        double nx = -dy / length, ny = dx / length;
        var outwards = ((x - centre.X) * nx) + ((y - centre.Y) * ny) < 0 ? -1 : 1;
        var far = outwards * (Gap + (HalfWidth * Math.Abs(nx)) + (HalfHeight * Math.Abs(ny)));
        return new(x + (nx * far), y + (ny * far), text);
    }

    // Along the line that halves the angle; on the other side where the corner points inwards.
    private static MeasureLabel InCorner(ImmutableArray<Spot> p, int at, double degrees)
    {
        var n = p.Length;
        var (before, corner, after) = (Unit(p[at], p[(at + n - 1) % n]), p[at], Unit(p[at], p[(at + 1) % n]));
        double x = before.X + after.X, y = before.Y + after.Y;
        var length = Math.Max(1e-9, Math.Sqrt((x * x) + (y * y)));
        var side = degrees > 180 ? -1 : 1;
        return new(
            corner.X + (x / length * FromCorner * side), corner.Y + (y / length * FromCorner * side),
            string.Create(CultureInfo.InvariantCulture, $"{Math.Floor(degrees + 0.5):0}°"));
    }

    private static Spot Unit(Spot from, Spot to)
    {
        double dx = to.X - from.X, dy = to.Y - from.Y, length = Math.Max(1e-9, Math.Sqrt((dx * dx) + (dy * dy)));
        return new(dx / length, dy / length);
    }

    private static string Length(double mm, LengthUnit unit) =>
        unit == LengthUnit.Inch ? $"{Rounded(mm / MmPerInch, 100, "0.00")} in" : $"{Rounded(mm / MmPerCm, 10, "0.0")} cm";

    private static string Area(double mm2, LengthUnit unit) =>
        unit == LengthUnit.Inch ? $"{Rounded(mm2 / (MmPerInch * MmPerInch), 100, "0.00")} in²" : $"{Rounded(mm2 / (MmPerCm * MmPerCm), 10, "0.0")} cm²";

    private static string Rounded(double value, double parts, string form) => (Math.Floor((value * parts) + 0.5) / parts).ToString(form, CultureInfo.InvariantCulture);
}
