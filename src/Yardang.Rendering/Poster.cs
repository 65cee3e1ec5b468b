using SkiaSharp;
using Yardang.Core.Marks;
using Yardang.Core.Pages;

namespace Yardang.Rendering;

/// <summary>A page that is larger than paper, on sheets that are glued together. All lengths are 1/100 mm.</summary>
public static class Poster
{
    /// <summary>Most sheets: of a larger page it is drawn smaller.</summary>
    public const int MostSheets = 60;

    // What printers leave white, and what of each sheet is repeated on the next, to be glued over.
    private const int Edge = 1_000;
    private const int Overlap = 1_000;

    // Words and edges may reach a little out of the box of what they belong to.
    private const int Reach = 1_000;
    private const float LabelSize = 320;

    /// <summary>A PDF of as many sheets as it takes, row by row; each says in which row and column it belongs, and where the next is glued over it.</summary>
    /// <param name="page">What is put out.</param>
    /// <param name="sheet">The paper.</param>
    /// <param name="title">Of the file.</param>
    /// <param name="label">What a sheet says, from its row, the rows, its column and the columns.</param>
    /// <param name="stop">Nobody waits for it any more.</param>
    public static byte[] Pdf(ExportPage page, PageSize sheet, string title, Func<int, int, int, int, string> label, CancellationToken stop = default)
    {
        var (rows, columns, scale) = Fit(page.Page.Size, sheet);
        var (width, height) = (sheet.Width - (2 * Edge), sheet.Height - (2 * Edge));
        return PageExport.Document(title, rows * columns, (canvas, pictures, nth) =>
        {
            var (row, column) = (nth / columns, nth % columns);
            var (left, top) = (column * (width - Overlap), row * (height - Overlap));
            canvas.Save();
            canvas.ClipRect(SKRect.Create(Edge, Edge, width, height));
            canvas.Translate(Edge - left, Edge - top);
            canvas.Scale(scale);
            var seen = SKRect.Create(left / scale, top / scale, width / scale, height / scale);
            PageExport.Paint(canvas, page with { Marks = [.. page.Marks.Where(m => IsWithin(m, seen))] }, pictures, stop);
            canvas.Restore();
            using var line = new SKPaint { Color = new SKColor(0xff7b8a8c), Style = SKPaintStyle.Stroke, StrokeWidth = 10, PathEffect = SKPathEffect.CreateDash([150, 150], 0) };
            if (column < columns - 1) canvas.DrawLine(Edge + width - Overlap, Edge / 2f, Edge + width - Overlap, Edge + height, line);
            if (row < rows - 1) canvas.DrawLine(Edge / 2f, Edge + height - Overlap, Edge + width, Edge + height - Overlap, line);
            using var fill = PagePainter.Fill(0x4a5c63);
            var words = label(row + 1, rows, column + 1, columns);
            WordPainter.Paint(canvas, words, Reading.IsRightToLeft(words), new SKPoint(Edge, sheet.Height - (Edge / 3f)), SKTextAlign.Left, LabelSize, bold: false, fill);
        }, _ => sheet);
    }

    /// <summary>How many sheets it takes, and how much smaller it is drawn so that it takes no more than <see cref="MostSheets"/>.</summary>
    public static (int Rows, int Columns, float Scale) Fit(PageSize page, PageSize sheet)
    {
        static int Sheets(double length, int paper) => Math.Max(1, (int)Math.Ceiling((length - Overlap) / (paper - (2 * Edge) - Overlap)));
        for (var scale = 1f; ; scale *= 0.95f)
        {
            var (rows, columns) = (Sheets(page.Height * scale, sheet.Height), Sheets(page.Width * scale, sheet.Width));
            if (rows * columns <= MostSheets) return (rows, columns, scale);
        }
    }

    private static bool IsWithin(Mark mark, SKRect seen)
    {
        var box = mark.Body.Box();
        var rect = SKRect.Create((float)box.X + mark.Place.X - Reach, (float)box.Y + mark.Place.Y - Reach, (float)box.Width + (2 * Reach), (float)box.Height + (2 * Reach));
        return rect.IntersectsWith(seen);
    }
}
