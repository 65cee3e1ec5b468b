using SkiaSharp;
using Yardang.Core.Activities;
using Yardang.Core.Marks;

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
    private const float FootInset = 500;

    /// <summary>A vector PDF, true to size, with Latin text that can be selected.</summary>
    public static byte[] Pdf(IEnumerable<ExportPage> pages, string title)
    {
        using var pictures = new PictureShelf();
        using var stream = new MemoryStream();
        using (var document = SKDocument.CreatePdf(stream, new SKDocumentPdfMetadata { Title = title, Creator = "Yardang", RasterDpi = 300 }))
        {
            foreach (var page in pages)
            {
                var canvas = document.BeginPage(page.Page.Size.Width * PointsPerUnit, page.Page.Size.Height * PointsPerUnit);
                canvas.Scale(PointsPerUnit);
                Paint(canvas, page, pictures);
                document.EndPage();
            }

            document.Close();
        }

        return stream.ToArray();
    }

    /// <summary>A PNG at a number of dots per inch.</summary>
    public static byte[] Png(ExportPage page, float dpi = 150)
    {
        var scale = dpi / (100 * MillimetreDots);
        var info = new SKImageInfo((int)Math.Ceiling(page.Page.Size.Width * scale), (int)Math.Ceiling(page.Page.Size.Height * scale));
        using var surface = SKSurface.Create(info);
        surface.Canvas.Scale(scale);
        using var pictures = new PictureShelf();
        Paint(surface.Canvas, page, pictures);
        using var image = surface.Snapshot();
        using var png = image.Encode(SKEncodedImageFormat.Png, 100);
        return png.ToArray();
    }

    /// <summary>An SVG in CSS pixels, with real text.</summary>
    public static byte[] Svg(ExportPage page)
    {
        const float scale = 96f / 2540f;
        using var pictures = new PictureShelf();
        using var stream = new MemoryStream();
        using (var canvas = SKSvgCanvas.Create(new SKRect(0, 0, page.Page.Size.Width * scale, page.Page.Size.Height * scale), stream))
        {
            canvas.Scale(scale);
            Paint(canvas, page, pictures);
        }

        return stream.ToArray();
    }

    private static void Paint(SKCanvas canvas, ExportPage page, PictureShelf pictures)
    {
        PagePainter.Paint(canvas, page.Page, page.Marks, page.Unit, name => pictures.Find(name, page.Picture));
        if (page.Foot.Length == 0) return;
        using var fill = PagePainter.Fill(0x4a5c63);
        WordPainter.Paint(canvas, page.Foot, Reading.IsRightToLeft(page.Foot), new SKPoint(FootInset, page.Page.Size.Height - FootInset), SKTextAlign.Left, FootSize, bold: false, fill);
    }
}
