using SkiaSharp;
using Yardang.Core.Marks;
using Yardang.Core.Shapes;

namespace Yardang.Rendering;

/// <summary>Draws answer fields, and what was typed into them. The browser draws the same (<c>kinds/answer-field.ts</c>).</summary>
internal static class AnswerPainter
{
    private const float NameSize = 480;
    private const float NameBaseline = 440;
    private const float Padding = 150;
    private const float Line = 30;
    private const float Foot = 90;

    /// <summary>The box, before its place is applied: the canvas has that already.</summary>
    public static void Paint(SKCanvas canvas, AnswerFieldBody field, Mark mark)
    {
        var space = AnswerPlace.SpaceOf(mark with { Place = Place.AsDrawn }, field);
        PaintFrame(canvas, (float)space.X, (float)space.Y, (float)space.Width, (float)space.Height);
        if (field.Name.ByLanguage.Values.FirstOrDefault() is not { Length: > 0 } name) return;
        using var words = PagePainter.Fill(Palette.Print);
        var rightToLeft = Reading.IsRightToLeft(name);
        var at = new SKPoint((float)(rightToLeft ? space.X + space.Width : space.X), (float)space.Y - AnswerPlace.NameHeight + NameBaseline);
        WordPainter.Paint(canvas, name, rightToLeft, at, rightToLeft ? SKTextAlign.Right : SKTextAlign.Left, NameSize, bold: true, words, (float)space.Width);
    }

    /// <summary>An answer covers the frame of its field: so the field has grown with it.</summary>
    public static void Paint(SKCanvas canvas, FieldAnswerBody answer, Mark mark)
    {
        PaintFrame(canvas, answer.X, answer.Y, answer.Width, answer.Height);
        SlipPainter.PaintWords(canvas, answer.Words, answer.X + Padding, answer.Y + Padding, answer.Width - (2 * Padding), Palette.InkOf(mark), mark.Style.Looks);
    }

    private static void PaintFrame(SKCanvas canvas, float x, float y, float width, float height)
    {
        using var white = PagePainter.Fill(0xffffff);
        canvas.DrawRect(x, y, width, height, white);
        using var line = PagePainter.Fill(Palette.PaperStrong);
        line.Style = SKPaintStyle.Stroke;
        line.StrokeWidth = Line;
        canvas.DrawRect(x, y, width, height, line);
        using var foot = PagePainter.Fill(Palette.Print);
        canvas.DrawRect(x, y + height - Foot, width, Foot, foot);
    }
}
