using SkiaSharp;
using Yardang.Core.Cupboard;

namespace Yardang.Rendering;

/// <summary>The program's own drawings as pictures.</summary>
public static class DrawingExport
{
    private const float PenWidth = 2.2f;
    private const float RingWidth = 8;

    /// <summary>A PNG without ground, so many pixels wide and high.</summary>
    public static byte[] Png(Drawing drawing, int pixels)
    {
        using var surface = SKSurface.Create(new SKImageInfo(pixels, pixels, SKColorType.Rgba8888, SKAlphaType.Premul));
        var canvas = surface.Canvas;
        canvas.Clear(SKColors.Transparent);
        canvas.Scale((float)pixels / Drawings.Side);
        foreach (var layer in drawing.Layers)
        {
            using var path = SKPath.ParseSvgPathData(layer.Path);
            if (layer.Fill is { } fill)
            {
                using var inside = PagePainter.Fill(fill);
                canvas.DrawPath(path, inside);
            }

            using var pen = PagePainter.Fill(layer.Line);
            pen.Style = SKPaintStyle.Stroke;
            pen.StrokeWidth = layer.Line == Core.Marks.Palette.Print ? PenWidth : RingWidth;
            pen.StrokeCap = SKStrokeCap.Round;
            pen.StrokeJoin = SKStrokeJoin.Round;
            canvas.DrawPath(path, pen);
        }

        using var image = surface.Snapshot();
        using var png = image.Encode(SKEncodedImageFormat.Png, 100);
        return png.ToArray();
    }
}
