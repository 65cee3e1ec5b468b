using System.Collections.Immutable;
using SkiaSharp;
using Yardang.Core.Activities;
using Yardang.Core.Ink;
using Yardang.Core.Marks;
using Yardang.Core.Shapes;

namespace Yardang.Rendering;

/// <summary>Draws a page on a Skia canvas whose unit is 1/100 mm, as the browser's <c>draw.ts</c> does.</summary>
public static class PagePainter
{
    private const float NotePadding = 300;
    private const float LineHeight = 1.25f;
    private const float Ascent = 0.95f;
    private static readonly SKSamplingOptions s_smooth = new(SKCubicResampler.Mitchell);

    /// <summary>Paper, then the marks back to front.</summary>
    public static void Paint(SKCanvas canvas, Page page, IEnumerable<Mark> marks, LengthUnit unit, Func<string, SKImage?> picture)
    {
        PaintPaper(canvas, page, picture);
        canvas.Save();
        canvas.ClipRect(new SKRect(0, 0, page.Size.Width, page.Size.Height));
        foreach (var mark in marks) Paint(canvas, mark, unit, picture);
        canvas.Restore();
    }

    /// <summary>Opaque paint of a 0xRRGGBB colour.</summary>
    public static SKPaint Fill(int rgb) => new() { Color = new SKColor(0xff000000 | (uint)rgb), IsAntialias = true };

    private static void PaintPaper(SKCanvas canvas, Page page, Func<string, SKImage?> picture)
    {
        using var white = Fill(0xffffff);
        canvas.DrawRect(0, 0, page.Size.Width, page.Size.Height, white);
        RulingPainter.Paint(canvas, Ruling.Of(page.Paper, page.Size));
        if (page.Paper.Media is not { } name || picture(name) is not { } image) return;
        var scale = Math.Min((float)page.Size.Width / image.Width, (float)page.Size.Height / image.Height);
        var (width, height) = (image.Width * scale, image.Height * scale);
        canvas.DrawImage(image, SKRect.Create((page.Size.Width - width) / 2, (page.Size.Height - height) / 2, width, height), s_smooth);
    }

    private static void Paint(SKCanvas canvas, Mark mark, LengthUnit unit, Func<string, SKImage?> picture)
    {
        canvas.Save();
        var middle = MarkGeometry.BoxOf(mark.Body).Middle;
        canvas.Translate(mark.Place.X, mark.Place.Y);
        canvas.RotateDegrees(mark.Place.Turn / 100f, (float)middle.X, (float)middle.Y);
        switch (mark.Body)
        {
            case InkBody ink:
                PaintInk(canvas, ink, mark, middle);
                break;
            case PictureBody shown:
                PaintPicture(canvas, shown, mark, picture(shown.Media));
                break;
            case ShapeBody shape:
                ShapePainter.Paint(canvas, shape, mark, unit);
                break;
            case ConnectorBody connector:
                ObjectPainter.Paint(canvas, connector, mark);
                break;
            case ZoneBody zone:
                ObjectPainter.Paint(canvas, zone, mark);
                break;
            case FormulaBody formula:
                ObjectPainter.Paint(canvas, formula, mark);
                break;
            case StampBody stamp:
                ObjectPainter.Paint(canvas, stamp, mark);
                break;
            case BubbleBody bubble:
                ObjectPainter.Paint(canvas, bubble, mark);
                PaintWords(canvas, bubble.Words, bubble.X + NotePadding, bubble.Y + NotePadding, bubble.Width - (2 * NotePadding), Palette.Print, mark.Style.Looks);
                break;
            case TextBody text:
                PaintWords(canvas, text.Words, text.X, text.Y, text.Width, Palette.InkOf(mark), mark.Style.Looks);
                break;
            case NoteBody note:
                using (var slip = Fill(Palette.NoteOf(mark))) canvas.DrawRect(note.X, note.Y, note.Width, note.Height, slip);
                PaintWords(canvas, note.Words, note.X + NotePadding, note.Y + NotePadding, note.Width - (2 * NotePadding), Palette.Print, mark.Style.Looks);
                break;
        }

        canvas.Restore();
    }

    private static void PaintInk(SKCanvas canvas, InkBody ink, Mark mark, Spot middle)
    {
        using var fill = Fill(Palette.InkOf(mark));
        if (mark.Style.Looks.HasFlag(Looks.Highlighter))
        {
            fill.BlendMode = SKBlendMode.Multiply;
            fill.Color = new SKColor(0xff000000 | (uint)Palette.HighlighterOf(mark));
        }

        using var whole = new SKPathBuilder { FillType = SKPathFillType.Winding };
        foreach (var part in Stroke.Remaining(ink.Points, mark.Cuts))
        {
            using var path = OutlineOf(InkLook.Of(part, mark, middle), mark.Style.Width);
            whole.AddPath(path);
        }

        using var outline = whole.Detach();
        canvas.DrawPath(outline, fill);
    }

    private static void PaintPicture(SKCanvas canvas, PictureBody body, Mark mark, SKImage? image)
    {
        if (image is null) return;
        var middle = MarkGeometry.BoxOf(body).Middle;
        float halfWidth = body.Width * (mark.Scale?.X ?? 1_000) / 2_000f, halfHeight = body.Height * (mark.Scale?.Y ?? 1_000) / 2_000f;
        var (x, y) = ((float)middle.X, (float)middle.Y);
        canvas.DrawImage(image, new SKRect(x - halfWidth, y - halfHeight, x + halfWidth, y + halfHeight), s_smooth);
    }

    private static void PaintWords(SKCanvas canvas, Words words, float x, float y, float width, int colour, Looks looks)
    {
        using var fill = Fill(colour);
        var rightToLeft = Reading.IsRightToLeft(words.Text);
        var (align, at) = looks.HasFlag(Looks.Centred) ? (SKTextAlign.Center, x + (width / 2))
            : looks.HasFlag(Looks.AlignedEnd) != rightToLeft ? (SKTextAlign.Right, x + width)
            : (SKTextAlign.Left, x);
        for (var i = 0; i < words.Lines.Length; i++)
        {
            var baseline = new SKPoint(at, y + ((Ascent + (i * LineHeight)) * words.Size));
            WordPainter.Paint(canvas, words.Lines[i], rightToLeft, baseline, align, words.Size, looks.HasFlag(Looks.Bold), fill);
        }
    }

    private static SKPath OutlineOf(ImmutableArray<InkPoint> points, int width)
    {
        using var path = new SKPathBuilder { FillType = SKPathFillType.Winding };
        foreach (var polygon in InkOutline.Of(points, width))
        {
            var last = polygon[^1];
            path.MoveTo(Middle(last, polygon[0]));
            for (var i = 0; i < polygon.Length; i++)
            {
                var corner = polygon[i];
                path.QuadTo(new SKPoint((float)corner.X, (float)corner.Y), Middle(corner, polygon[(i + 1) % polygon.Length]));
            }

            path.Close();
        }

        return path.Detach();
    }

    private static SKPoint Middle(OutlinePoint a, OutlinePoint b) => new((float)((a.X + b.X) / 2), (float)((a.Y + b.Y) / 2));
}
