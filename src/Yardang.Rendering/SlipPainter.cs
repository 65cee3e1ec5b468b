using SkiaSharp;
using Yardang.Core.Marks;
using Yardang.Core.Styles;

namespace Yardang.Rendering;

/// <summary>Draws what words are written on: nothing, a coloured slip, a bubble; and the words.</summary>
internal static class SlipPainter
{
    private const float NotePadding = 300;
    private const float LineHeight = 1.25f;
    private const float Ascent = 0.95f;

    public static void Paint(SKCanvas canvas, TextBody text, Mark mark) => PaintWords(canvas, text.Words, text.X, text.Y, text.Width, Palette.InkOf(mark), mark.Style.Looks);

    public static void Paint(SKCanvas canvas, NoteBody note, Mark mark)
    {
        using (var slip = PagePainter.Fill(Palette.NoteOf(mark))) canvas.DrawRect(note.X, note.Y, note.Width, note.Height, slip);
        PaintWords(canvas, note.Words, note.X + NotePadding, note.Y + NotePadding, note.Width - (2 * NotePadding), Palette.Print, mark.Style.Looks);
    }

    public static void Paint(SKCanvas canvas, BubbleBody bubble, Mark mark)
    {
        ObjectPainter.Paint(canvas, bubble, mark);
        PaintWords(canvas, bubble.Words, bubble.X + NotePadding, bubble.Y + NotePadding, bubble.Width - (2 * NotePadding), Palette.Print, mark.Style.Looks);
    }

    internal static void PaintWords(SKCanvas canvas, Words words, float x, float y, float width, int colour, Looks looks)
    {
        using var fill = PagePainter.Fill(colour);
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
}
