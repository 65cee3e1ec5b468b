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

    private static SKPath OutlineOf(ImmutableArray<InkPoint> points, int width)
    {
        using var path = new SKPathBuilder { FillType = SKPathFillType.Winding };
        foreach (var polygon in InkOutline.Of(points, width))
        {
            var last = polygon[^1];
            path.MoveTo(Middle(last, polygon[0]));
            for (var i = 0; i < polygon.Length; i++)
            {
                var corner = polygon[i];
                path.QuadTo(new SKPoint((float)corner.X, (float)corner.Y), Middle(corner, polygon[(i + 1) % polygon.Length]));
            }

            path.Close();
        }

        return path.Detach();
    }

    private static SKPoint Middle(OutlinePoint a, OutlinePoint b) => new((float)((a.X + b.X) / 2), (float)((a.Y + b.Y) / 2));
}
