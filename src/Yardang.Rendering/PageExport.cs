using SkiaSharp;
using Yardang.Core.Marks;
using Yardang.Core.Pages;

namespace Yardang.Rendering;

/// <summary>A page to be put out, with a line of words at its foot.</summary>
/// <param name="Page">The page.</param>
/// <param name="Marks">Back to front.</param>
/// <param name="Unit">In which lengths are shown.</param>
/// <param name="Picture">The bytes of a picture by its name; null if it is not there.</param>
/// <param name="Foot">Whose it is, and of when; may be empty.</param>
public sealed record ExportPage(Page Page, IReadOnlyList<Mark> Marks, LengthUnit Unit, Func<string, byte[]?> Picture, string Foot);

/// <summary>Pages as PDF, PNG and SVG, all drawn by the one painter.</summary>
public static class PageExport
{
    private const float PointsPerUnit = 72f / 2540f;
    private const float MillimetreDots = 25.4f;
    private const float FootSize = 350;
    private const float MostPixels = 25_000_000;
    private const long MostBytes = 256 * 1024 * 1024;
    private const float FootInset = 500;

    /// <summary>A vector PDF, true to size, with Latin text that can be selected.</summary>
    /// <exception cref="OperationCanceledException">It is wanted no longer.</exception>
    /// <exception cref="TooLargeException">It would have more than 256 MB.</exception>
    public static byte[] Pdf(IEnumerable<ExportPage> pages, string title, CancellationToken stop = default)
    {
        var all = pages.ToList();
        return Document(title, all.Count, (canvas, pictures, nth) => Paint(canvas, all[nth], pictures, stop), nth => all[nth].Page.Size);
    }

    /// <summary>A PDF of so many sheets, each painted in 1/100 mm.</summary>
    internal static byte[] Document(string title, int sheets, Action<SKCanvas, PictureShelf, int> paint, Func<int, PageSize> size)
    {
        using var pictures = new PictureShelf();
        using var stream = new MemoryStream();
        using (var document = SKDocument.CreatePdf(stream, new SKDocumentPdfMetadata { Title = title, Creator = "Yardang", RasterDpi = 300 }))
        {
            for (var nth = 0; nth < sheets; nth++)
            {
                var canvas = document.BeginPage(size(nth).Width * PointsPerUnit, size(nth).Height * PointsPerUnit);
                canvas.Scale(PointsPerUnit);
                paint(canvas, pictures, nth);
                document.EndPage();
                if (stream.Length > MostBytes) throw new TooLargeException("The PDF has grown too large.");
            }

            document.Close();
        }

        return stream.ToArray();
    }

    /// <summary>A PNG at a number of dots per inch; of a very large page at fewer, so that it has no more than 25 million pixels.</summary>
    public static byte[] Png(ExportPage page, float dpi = 150, CancellationToken stop = default)
    {
        var size = page.Page.Size;
        var scale = Math.Min(dpi / (100 * MillimetreDots), MathF.Sqrt(MostPixels / ((float)size.Width * size.Height)));
        var info = new SKImageInfo((int)Math.Ceiling(size.Width * scale), (int)Math.Ceiling(size.Height * scale));
        using var surface = SKSurface.Create(info);
        surface.Canvas.Scale(scale);
        using var pictures = new PictureShelf();
        Paint(surface.Canvas, page, pictures, stop);
        using var image = surface.Snapshot();
        using var png = image.Encode(SKEncodedImageFormat.Png, 100);
        return png.ToArray();
    }

    /// <summary>An SVG in CSS pixels, with real text.</summary>
    public static byte[] Svg(ExportPage page, CancellationToken stop = default)
    {
        const float scale = 96f / 2540f;
        using var pictures = new PictureShelf();
        using var stream = new MemoryStream();
        using (var canvas = SKSvgCanvas.Create(new SKRect(0, 0, page.Page.Size.Width * scale, page.Page.Size.Height * scale), stream))
        {
            canvas.Scale(scale);
            Paint(canvas, page, pictures, stop);
        }

        return stream.ToArray();
    }

    private static IEnumerable<Mark> Until(IEnumerable<Mark> marks, CancellationToken stop)
    {
        foreach (var mark in marks)
        {
            stop.ThrowIfCancellationRequested();
            yield return mark;
        }
    }

    internal static void Paint(SKCanvas canvas, ExportPage page, PictureShelf pictures, CancellationToken stop)
    {
        PagePainter.Paint(canvas, page.Page, Until(page.Marks, stop), new(page.Unit, name => pictures.Find(name, page.Picture)));
        if (page.Foot.Length == 0) return;
        using var fill = PagePainter.Fill(0x4a5c63);
        WordPainter.Paint(canvas, page.Foot, Reading.IsRightToLeft(page.Foot), new SKPoint(FootInset, page.Page.Size.Height - FootInset), SKTextAlign.Left, FootSize, bold: false, fill);
    }
}
