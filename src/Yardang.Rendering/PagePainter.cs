using SkiaSharp;
using Yardang.Core.Marks;
using Yardang.Core.Pages;

namespace Yardang.Rendering;

/// <summary>Draws a page on a Skia canvas whose unit is 1/100 mm, as the browser's <c>draw.ts</c> does.</summary>
public static class PagePainter
{
    private static readonly SKSamplingOptions s_smooth = new(SKCubicResampler.Mitchell);

    /// <summary>Paper, then the marks back to front.</summary>
    public static void Paint(SKCanvas canvas, Page page, IEnumerable<Mark> marks, PaintSupport support)
    {
        PaintPaper(canvas, page, support.Picture);
        canvas.Save();
        canvas.ClipRect(new SKRect(0, 0, page.Size.Width, page.Size.Height));
        foreach (var mark in marks) Paint(canvas, mark, support);
        canvas.Restore();
    }

    /// <summary>One mark alone, as far as it lies on its page.</summary>
    internal static void PaintMark(SKCanvas canvas, Page page, Mark mark, PaintSupport support)
    {
        canvas.ClipRect(new SKRect(0, 0, page.Size.Width, page.Size.Height));
        Paint(canvas, mark, support);
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

    private static void Paint(SKCanvas canvas, Mark mark, PaintSupport support)
    {
        canvas.Save();
        var middle = mark.Body.Box().Middle;
        canvas.Translate(mark.Place.X, mark.Place.Y);
        canvas.RotateDegrees(mark.Place.Turn / 100f, (float)middle.X, (float)middle.Y);
        canvas.Save();
        MarkPainters.Paint(canvas, mark, support);
        canvas.Restore();
        if (mark.PutBy != 0) SaidAloud.Paint(canvas, mark.Body.Box());
        canvas.Restore();
    }
}
