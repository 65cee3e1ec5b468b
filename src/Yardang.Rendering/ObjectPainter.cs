using SkiaSharp;
using Yardang.Core.Geometry;
using Yardang.Core.Marks;
using Yardang.Core.Styles;

namespace Yardang.Rendering;

/// <summary>Draws what is neither ink, words nor a plain shape, as the browser's <c>draw-objects.ts</c> does. Place and turn are the canvas's already.</summary>
internal static class ObjectPainter
{
    private const float NotePadding = 300;
    private const float ZoneNameSize = 550;
    private const int ZoneLine = 40;
    private const byte ZoneTint = 0x77;
    private const float BubbleLine = 30;
    private const float BubbleRound = 300;
    private const float Tail = 0.32f;
    private const float LineHeight = 1.25f;
    private const float Ascent = 0.95f;

    public static void Paint(SKCanvas canvas, FormulaBody formula, Mark mark)
    {
        var box = Scaled(formula, mark);
        using var path = SKPath.ParseSvgPathData(formula.Outline);
        if (path is null) return;
        canvas.Translate(box.Left, box.Top);
        canvas.Scale(box.Width / formula.Width, box.Height / formula.Height);
        using var fill = PagePainter.Fill(Palette.InkOf(mark));
        canvas.DrawPath(path, fill);
    }

    public static void Paint(SKCanvas canvas, StampBody stamp, Mark mark)
    {
        if (Stamps.Find(stamp.Stamp) is not { } drawing) return;
        var box = Scaled(stamp, mark);
        canvas.Translate(box.Left, box.Top);
        canvas.Scale(box.Width / 100, box.Height / 100);
        using var pen = Line(Palette.InkOf(mark), Stamps.PenWidth);
        using var fill = PagePainter.Fill(Palette.InkOf(mark));
        using var line = SKPath.ParseSvgPathData(drawing.Line);
        canvas.DrawPath(line, pen);
        if (drawing.Fill.Length == 0) return;
        using var inside = SKPath.ParseSvgPathData(drawing.Fill);
        canvas.DrawPath(inside, fill);
    }

    // Line first and filling over it, so that only what lies outside of both box and tail is seen of the line.
    public static void Paint(SKCanvas canvas, BubbleBody bubble, Mark mark)
    {
        var middle = bubble.Box().Middle;
        var (x, y) = ((float)middle.X, (float)middle.Y);
        float dx = bubble.TipX - x, dy = bubble.TipY - y, length = Math.Max(1, MathF.Sqrt((dx * dx) + (dy * dy)));
        var half = Math.Min(bubble.Width, bubble.Height) * Tail / 2;
        var (nx, ny) = (-dy / length * half, dx / length * half);
        using var builder = new SKPathBuilder();
        builder.AddPoly([new SKPoint(x + nx, y + ny), new SKPoint(bubble.TipX, bubble.TipY), new SKPoint(x - nx, y - ny)], true);
        using var tail = builder.Detach();
        var box = new SKRect(bubble.X, bubble.Y, bubble.X + bubble.Width, bubble.Y + bubble.Height);
        using var line = Line(Palette.Print, 2 * BubbleLine);
        using var fill = PagePainter.Fill(Palette.NoteOf(mark));
        foreach (var paint in new[] { line, fill })
        {
            canvas.DrawRoundRect(box, BubbleRound, BubbleRound, paint);
            canvas.DrawPath(tail, paint);
        }
    }

    public static void Paint(SKCanvas canvas, ConnectorBody connector, Mark mark)
    {
        ShapePainter.PaintShape(canvas, new ShapeBody(ShapeKind.Line, connector.Points), mark, Palette.InkOf(mark), null);
        if (connector.Label is not { } label) return;
        var middle = connector.Box().Middle;
        using var words = PagePainter.Fill(Palette.Print);
        using var white = PagePainter.Fill(0xffffff);
        var (x, y) = ((float)middle.X, (float)middle.Y);
        float width = label.Lines.Max(l => WordPainter.Width(l, label.Size)) + label.Size, height = label.Lines.Length * LineHeight * label.Size;
        canvas.DrawRect(x - (width / 2), y - (height / 2), width, height, white);
        for (var i = 0; i < label.Lines.Length; i++)
        {
            var baseline = new SKPoint(x, y - (height / 2) + ((Ascent + (i * LineHeight)) * label.Size));
            WordPainter.Paint(canvas, label.Lines[i], Reading.IsRightToLeft(label.Text), baseline, SKTextAlign.Center, label.Size, bold: false, words);
        }
    }

    public static void Paint(SKCanvas canvas, ZoneBody zone, Mark mark)
    {
        var shape = new ShapeBody(zone.Shape, zone.Points);
        var tint = new SKColor(0xff000000 | (uint)Palette.FillOf(mark)).WithAlpha(ZoneTint);
        ShapePainter.PaintShape(canvas, shape, mark with { Style = mark.Style with { Width = ZoneLine } }, Palette.PaperStrong, tint);
        if (zone.Name.ByLanguage.Values.FirstOrDefault() is not { Length: > 0 } name) return;
        var box = Scaled(zone, mark);
        using var words = PagePainter.Fill(Palette.Print);
        var (align, at, room) = zone.Shape == ShapeKind.Ellipse
            ? (SKTextAlign.Center, new SKPoint(box.MidX, box.Top + Math.Max(box.Height * 0.08f, ZoneNameSize) + (ZoneNameSize * 0.7f)), box.Width / 2)
            : (SKTextAlign.Left, new SKPoint(box.Left + NotePadding, box.Top + NotePadding + (ZoneNameSize * 0.8f)), Math.Max(1, box.Width - (2 * NotePadding)));
        WordPainter.Paint(canvas, name, Reading.IsRightToLeft(name), at, align, ZoneNameSize, bold: true, words, room);
    }

    private static SKPaint Line(int colour, float width)
    {
        var paint = PagePainter.Fill(colour);
        paint.Style = SKPaintStyle.Stroke;
        paint.StrokeWidth = width;
        paint.StrokeCap = SKStrokeCap.Round;
        paint.StrokeJoin = SKStrokeJoin.Round;
        return paint;
    }

    private static SKRect Scaled(MarkBody body, Mark mark)
    {
        var box = body.Box();
        float halfWidth = (float)box.Width * (mark.Scale?.X ?? 1_000) / 2_000f, halfHeight = (float)box.Height * (mark.Scale?.Y ?? 1_000) / 2_000f;
        var (x, y) = ((float)box.Middle.X, (float)box.Middle.Y);
        return new(x - halfWidth, y - halfHeight, x + halfWidth, y + halfHeight);
    }
}
