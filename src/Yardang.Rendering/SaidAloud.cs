using SkiaSharp;
using Yardang.Core.Geometry;
using Yardang.Core.Marks;

namespace Yardang.Rendering;

/// <summary>The sign over the corner of what a teacher wrote down for somebody who said it aloud: a voice, in lines. As in the browser's <c>draw.ts</c>.</summary>
internal static class SaidAloud
{
    private const float Reach = 300;
    private const float Ring = 30;
    private const float Line = 52;
    private const float Step = 98;

    private static readonly float[] s_heights = [52, 143, 91, 39];

    public static void Paint(SKCanvas canvas, Box box)
    {
        var (x, y) = ((float)(box.X + box.Width), (float)box.Y);
        using var white = PagePainter.Fill(0xffffff);
        canvas.DrawCircle(x, y, Reach, white);
        using var pen = PagePainter.Fill(Palette.TeacherInk);
        pen.Style = SKPaintStyle.Stroke;
        pen.StrokeCap = SKStrokeCap.Round;
        pen.StrokeWidth = Ring;
        canvas.DrawCircle(x, y, Reach, pen);
        pen.StrokeWidth = Line;
        for (var i = 0; i < s_heights.Length; i++)
        {
            var at = x + ((i - ((s_heights.Length - 1) / 2f)) * Step);
            canvas.DrawLine(at, y - s_heights[i], at, y + s_heights[i], pen);
        }
    }
}
