using System.Collections.Immutable;
using SkiaSharp;
using Yardang.Core.Marks;
using Yardang.Core.Pages;

namespace Yardang.Rendering;

/// <summary>Draws the ruling of a paper.</summary>
internal static class RulingPainter
{
    private const float Thin = 18;
    private const float Strong = 30;
    private const float Dot = 35;

    public static void Paint(SKCanvas canvas, Ruling ruling)
    {
        Lines(canvas, ruling.Lines, Palette.PaperLine, Thin);
        Lines(canvas, ruling.Strong, Palette.PaperStrong, Strong);
        using var dot = PagePainter.Fill(Palette.PaperStrong);
        for (var i = 0; i < ruling.Dots.Length; i += 2) canvas.DrawCircle(ruling.Dots[i], ruling.Dots[i + 1], Dot, dot);
        using var font = new SKFont(Faces.Regular, Ruling.LabelSize) { Subpixel = true };
        using var words = PagePainter.Fill(Palette.PaperWords);
        foreach (var label in ruling.Labels) canvas.DrawText(Numbers.AsRead(label.Text), label.X, label.Y, SKTextAlign.Center, font, words);
    }

    private static void Lines(SKCanvas canvas, ImmutableArray<int> lines, int colour, float width)
    {
        using var paint = PagePainter.Fill(colour);
        paint.Style = SKPaintStyle.Stroke;
        paint.StrokeWidth = width;
        for (var i = 0; i < lines.Length; i += 4) canvas.DrawLine(lines[i], lines[i + 1], lines[i + 2], lines[i + 3], paint);
    }
}
