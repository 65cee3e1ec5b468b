using System.Collections.Immutable;
using SkiaSharp;
using Yardang.Core.Ink;
using Yardang.Core.Marks;
using Yardang.Core.Styles;

namespace Yardang.Rendering;

/// <summary>Draws ink, without what was rubbed out of it.</summary>
internal static class InkPainter
{
    public static void Paint(SKCanvas canvas, InkBody ink, Mark mark)
    {
        var middle = ink.Box().Middle;
        using var fill = PagePainter.Fill(Palette.InkOf(mark));
        if (mark.Style.Looks.HasFlag(Looks.Highlighter))
        {
            fill.BlendMode = SKBlendMode.Multiply;
            fill.Color = new SKColor(0xff000000 | (uint)Palette.HighlighterOf(mark));
        }

        using var whole = new SKPathBuilder { FillType = SKPathFillType.Winding };
        foreach (var part in Stroke.Remaining(ink.Points, mark.Cuts))
        {
            using var path = OutlineOf(InkLook.Of(part, mark, middle), mark.Style.Width);
            whole.AddPath(path);
        }

        using var outline = whole.Detach();
        canvas.DrawPath(outline, fill);
    }

    // In whole 1/100 mm: in a PDF every digit counts, and there are millions of them.
    private static SKPath OutlineOf(ImmutableArray<InkPoint> points, int width)
    {
        using var path = new SKPathBuilder { FillType = SKPathFillType.Winding };
        foreach (var polygon in InkOutline.Of(points, width))
        {
            var from = Middle(polygon[^1], polygon[0]);
            path.MoveTo(from);
            for (var i = 0; i < polygon.Length; i++)
            {
                var (corner, to) = (polygon[i], Middle(polygon[i], polygon[(i + 1) % polygon.Length]));
                path.CubicTo(Towards(from, corner), Towards(to, corner), to);
                from = to;
            }

            path.Close();
        }

        return path.Detach();
    }

    private static SKPoint Middle(OutlinePoint a, OutlinePoint b) => new(MathF.Round((float)((a.X + b.X) / 2)), MathF.Round((float)((a.Y + b.Y) / 2)));

    // The handles of the cubic curve that is the same as the quadratic one with this corner.
    private static SKPoint Towards(SKPoint end, OutlinePoint corner) => new(MathF.Round((end.X + (2 * (float)corner.X)) / 3), MathF.Round((end.Y + (2 * (float)corner.Y)) / 3));
}
