using System.Collections.Immutable;
using SkiaSharp;
using Yardang.Core.Activities;
using Yardang.Core.Ink;
using Yardang.Core.Marks;

namespace Yardang.Rendering;

/// <summary>Draws a page on a Skia canvas whose unit is 1/100 mm, as the browser's <c>draw.ts</c> does.</summary>
public static class PagePainter
{
    private const float NotePadding = 300;
    private const float LineHeight = 1.25f;
    private const float Ascent = 0.95f;
    private const float RulingWidth = 18;

    /// <summary>The one face of the application's texts.</summary>
    public static readonly SKTypeface Face = LoadFace();

    /// <summary>Paper, then the marks back to front.</summary>
    public static void Paint(SKCanvas canvas, Page page, IEnumerable<Mark> marks)
    {
        PaintPaper(canvas, page);
        canvas.Save();
        canvas.ClipRect(new SKRect(0, 0, page.Size.Width, page.Size.Height));
        foreach (var mark in marks) Paint(canvas, mark);
        canvas.Restore();
    }

    /// <summary>Opaque paint of a 0xRRGGBB colour.</summary>
    public static SKPaint Fill(int rgb) => new() { Color = new SKColor(0xff000000 | (uint)rgb), IsAntialias = true };

    private static void PaintPaper(SKCanvas canvas, Page page)
    {
        using var white = Fill(0xffffff);
        canvas.DrawRect(0, 0, page.Size.Width, page.Size.Height, white);
        using var line = Fill(Palette.PaperLine);
        line.Style = SKPaintStyle.Stroke;
        line.StrokeWidth = RulingWidth;
        if (page.Paper == Paper.Squared)
        {
            for (var x = 500; x < page.Size.Width; x += 500) canvas.DrawLine(x, 0, x, page.Size.Height, line);
            for (var y = 500; y < page.Size.Height; y += 500) canvas.DrawLine(0, y, page.Size.Width, y, line);
        }
        else if (page.Paper == Paper.Ruled)
        {
            for (var y = 2000; y < page.Size.Height; y += 800) canvas.DrawLine(0, y, page.Size.Width, y, line);
        }
    }

    private static void Paint(SKCanvas canvas, Mark mark)
    {
        canvas.Save();
        canvas.Translate(mark.Place.X, mark.Place.Y);
        switch (mark.Body)
        {
            case InkBody ink:
                using (var fill = Fill(Palette.InkOf(mark)))
                {
                    foreach (var part in Stroke.Remaining(ink.Points, mark.Cuts))
                    {
                        using var path = OutlineOf(part, mark.Style.Width);
                        canvas.DrawPath(path, fill);
                    }
                }

                break;
            case TextBody text:
                PaintWords(canvas, text.Words, text.X, text.Y, Palette.InkOf(mark));
                break;
            case NoteBody note:
                using (var slip = Fill(Palette.NoteOf(mark))) canvas.DrawRect(note.X, note.Y, note.Width, note.Height, slip);
                PaintWords(canvas, note.Words, note.X + NotePadding, note.Y + NotePadding, Palette.Print);
                break;
        }

        canvas.Restore();
    }

    private static void PaintWords(SKCanvas canvas, Words words, float x, float y, int colour)
    {
        using var font = new SKFont(Face, words.Size) { Subpixel = true };
        using var fill = Fill(colour);
        for (var i = 0; i < words.Lines.Length; i++)
        {
            canvas.DrawText(words.Lines[i], x, y + ((Ascent + (i * LineHeight)) * words.Size), SKTextAlign.Left, font, fill);
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

    private static SKTypeface LoadFace()
    {
        const string name = "AtkinsonHyperlegibleNext-Regular.ttf";
        using var stream = typeof(PagePainter).Assembly.GetManifestResourceStream(name);
        return SKTypeface.FromStream(stream) ?? throw new InvalidOperationException($"The font {name} cannot be read.");
    }
}
