using SkiaSharp;
using Yardang.Core.Geometry;
using Yardang.Core.Marks;
using Yardang.Core.Pages;
using Yardang.Core.Shapes;
using Yardang.Core.Styles;

namespace Yardang.Rendering;

/// <summary>Draws lines, polygons, ellipses and arcs, with arrowheads, dashes and filling. Place and turn are the canvas's already.</summary>
internal static class ShapePainter
{
    private const float HeadLength = 5;
    private const float HeadHalf = 2;
    private const float LeastHead = 200;

    public static void Paint(SKCanvas canvas, ShapeBody shape, Mark mark, LengthUnit unit)
    {
        PaintShape(canvas, shape, mark, Palette.InkOf(mark), mark.Style.Fill > 0 ? new SKColor(0xff000000 | (uint)Palette.FillOf(mark)) : null);
        using var font = new SKFont(Faces.Regular, MeasureLabels.Size) { Subpixel = true };
        using var words = PagePainter.Fill(Palette.InkOf(mark));
        foreach (var label in MeasureLabels.Of(shape, mark.Scale, mark.Style.Looks, unit))
        {
            canvas.DrawText(Numbers.AsRead(label.Text), (float)label.X, (float)label.Y + (MeasureLabels.Size / 3f), SKTextAlign.Center, font, words);
        }
    }

    /// <summary>The shape alone, in these colours; no filling for null.</summary>
    public static void PaintShape(SKCanvas canvas, ShapeBody shape, Mark mark, int colour, SKColor? fill)
    {
        var p = Scaled(shape, mark);
        using var path = PathOf(shape.Shape, p);
        using var line = PagePainter.Fill(colour);
        if (fill is { } tint && shape.Shape is ShapeKind.Polygon or ShapeKind.Ellipse)
        {
            line.Color = tint;
            canvas.DrawPath(path, line);
        }

        line.Color = new SKColor(0xff000000 | (uint)colour);
        using var head = line.Clone();
        line.Style = SKPaintStyle.Stroke;
        line.StrokeWidth = mark.Style.Width;
        line.StrokeCap = SKStrokeCap.Round;
        line.StrokeJoin = SKStrokeJoin.Round;
        if (mark.Style.Looks.HasFlag(Looks.Dashed) && Dashes.Of(mark.Style.Width, LengthOf(path)) is { } dashes)
        {
            line.PathEffect = SKPathEffect.CreateDash(dashes, 0);
            if (Dashes.AreFew(dashes, mark.Style.Width)) line.StrokeCap = SKStrokeCap.Butt;
        }

        canvas.DrawPath(path, line);
        if (shape.Shape != ShapeKind.Line) return;
        if (mark.Style.Looks.HasFlag(Looks.ArrowAtEnd)) PaintHead(canvas, p[^2], p[^1], mark.Style.Width, head);
        if (mark.Style.Looks.HasFlag(Looks.ArrowAtStart)) PaintHead(canvas, p[1], p[0], mark.Style.Width, head);
    }

    private static float LengthOf(SKPath path)
    {
        using var measure = new SKPathMeasure(path);
        return measure.Length;
    }

    private static SKPoint[] Scaled(ShapeBody shape, Mark mark)
    {
        var middle = shape.Box().Middle;
        double sx = (mark.Scale?.X ?? 1_000) / 1_000.0, sy = (mark.Scale?.Y ?? 1_000) / 1_000.0;
        return [.. Core.Geometry.Spot.All(shape.Points).Select(c => new SKPoint((float)(middle.X + ((c.X - middle.X) * sx)), (float)(middle.Y + ((c.Y - middle.Y) * sy))))];
    }

    private static SKPath PathOf(ShapeKind kind, SKPoint[] p)
    {
        using var path = new SKPathBuilder();
        switch (kind)
        {
            case ShapeKind.Ellipse:
                path.AddOval(new SKRect(Math.Min(p[0].X, p[1].X), Math.Min(p[0].Y, p[1].Y), Math.Max(p[0].X, p[1].X), Math.Max(p[0].Y, p[1].Y)));
                break;
            case ShapeKind.Arc when ArcCircle.Through(Spot(p[0]), Spot(p[1]), Spot(p[2])) is { } circle:
                var (x, y, r) = ((float)circle.Middle.X, (float)circle.Middle.Y, (float)circle.Radius);
                path.AddArc(new SKRect(x - r, y - r, x + r, y + r), Degrees(circle.Start), Degrees(circle.Sweep));
                break;
            default:
                path.AddPoly(p, kind == ShapeKind.Polygon);
                break;
        }

        return path.Detach();
    }

    private static void PaintHead(SKCanvas canvas, SKPoint from, SKPoint tip, float width, SKPaint fill)
    {
        var length = SKPoint.Distance(from, tip);
        if (length == 0) return;
        var (dx, dy) = ((tip.X - from.X) / length, (tip.Y - from.Y) / length);
        var (long_, half) = (Math.Max(LeastHead, HeadLength * width), Math.Max(LeastHead * HeadHalf / HeadLength, HeadHalf * width));
        using var path = new SKPathBuilder();
        path.AddPoly(
        [
            new SKPoint(tip.X + (dx * width), tip.Y + (dy * width)),
            new SKPoint(tip.X - (dx * long_) - (dy * half), tip.Y - (dy * long_) + (dx * half)),
            new SKPoint(tip.X - (dx * long_) + (dy * half), tip.Y - (dy * long_) - (dx * half)),
        ], true);
        using var head = path.Detach();
        canvas.DrawPath(head, fill);
    }

    private static Spot Spot(SKPoint p) => new(p.X, p.Y);

    private static float Degrees(double radians) => (float)(radians * 180 / Math.PI);
}
