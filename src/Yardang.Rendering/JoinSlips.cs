using System.Globalization;
using SkiaSharp;
using Yardang.Core.Marks;

namespace Yardang.Rendering;

/// <summary>What brings one student to a lesson, to be cut out and handed over.</summary>
/// <param name="Lesson">What it is about.</param>
/// <param name="Who">Whose slip it is; empty for a line to write on.</param>
/// <param name="GoTo">Where to go, in words: "Go to yardang.ostlebrook.example".</param>
/// <param name="Code">The code, as it is read out.</param>
/// <param name="More">A line of small words: the number, or that there is a password; may be empty.</param>
/// <param name="Qr">The QR code, row by row, dark squares true; with its quiet zone.</param>
public sealed record JoinSlip(string Lesson, string Who, string GoTo, string Code, string More, IReadOnlyList<IReadOnlyList<bool>> Qr);

/// <summary>Join slips as PDF: eight on an A4 page, with lines to cut along.</summary>
public static class JoinSlips
{
    /// <summary>How many are on a page.</summary>
    public const int APage = Columns * Rows;

    private const int Columns = 2;
    private const int Rows = 4;
    private const float PointsPerUnit = 72f / 2540f;
    private const float PageWidth = 21_000;
    private const float PageHeight = 29_700;
    private const float Inset = 800;
    private const float QrSize = 3_600;
    private const float Gap = 400;

    /// <summary>The document.</summary>
    public static byte[] Pdf(IReadOnlyList<JoinSlip> slips, string title)
    {
        using var stream = new MemoryStream();
        using (var document = SKDocument.CreatePdf(stream, new SKDocumentPdfMetadata { Title = title, Creator = "Yardang" }))
        {
            foreach (var page in slips.Chunk(APage))
            {
                var canvas = document.BeginPage(PageWidth * PointsPerUnit, PageHeight * PointsPerUnit);
                canvas.Scale(PointsPerUnit);
                DrawCuts(canvas);
                for (var i = 0; i < page.Length; i++)
                {
                    canvas.Save();
                    canvas.Translate(i % Columns * (PageWidth / Columns), i / Columns * (PageHeight / Rows));
                    Draw(canvas, page[i]);
                    canvas.Restore();
                }

                document.EndPage();
            }

            document.Close();
        }

        return stream.ToArray();
    }

    private static void DrawCuts(SKCanvas canvas)
    {
        using var dash = SKPathEffect.CreateDash([120, 160], 0);
        using var line = new SKPaint { Color = new SKColor(0xff8a989a), StrokeWidth = 12, Style = SKPaintStyle.Stroke, PathEffect = dash };
        for (var column = 1; column < Columns; column++) canvas.DrawLine(column * PageWidth / Columns, 0, column * PageWidth / Columns, PageHeight, line);
        for (var row = 1; row < Rows; row++) canvas.DrawLine(0, row * PageHeight / Rows, PageWidth, row * PageHeight / Rows, line);
    }

    private static void Draw(SKCanvas canvas, JoinSlip slip)
    {
        const float width = PageWidth / Columns;
        const float beside = width - QrSize - (2 * Inset) - Gap;
        using var ink = PagePainter.Fill(0x1d2b33);
        using var soft = PagePainter.Fill(0x4a5c63);
        Say(slip.Lesson, Inset + 420, 400, bold: false, soft, width - (2 * Inset));
        if (slip.Who.Length > 0) Say(slip.Who, Inset + 1_250, 640, bold: true, ink, width - (2 * Inset));
        else canvas.DrawRect(Inset, Inset + 1_300, beside, 15, soft);
        Say(slip.GoTo, Inset + 2_700, 400, bold: false, ink, beside);
        Say(slip.Code, Inset + 3_650, 800, bold: true, ink, beside);
        if (slip.More.Length > 0) Say(slip.More, Inset + 4_500, 400, bold: false, ink, beside);
        DrawQr(canvas, slip.Qr, width - Inset - QrSize, Inset + 1_700, ink);

        void Say(string words, float y, float size, bool bold, SKPaint paint, float room) =>
            WordPainter.Paint(canvas, words, Reading.IsRightToLeft(words), new SKPoint(Inset, y), SKTextAlign.Left, size, bold, paint, room);
    }

    private static void DrawQr(SKCanvas canvas, IReadOnlyList<IReadOnlyList<bool>> qr, float x, float y, SKPaint ink)
    {
        var module = QrSize / qr.Count;
        using var path = new SKPathBuilder();
        for (var row = 0; row < qr.Count; row++)
        {
            for (var column = 0; column < qr[row].Count; column++)
            {
                if (qr[row][column]) path.AddRect(SKRect.Create(x + (column * module), y + (row * module), module, module));
            }
        }

        using var dark = path.Detach();
        canvas.DrawPath(dark, ink);
    }
}
