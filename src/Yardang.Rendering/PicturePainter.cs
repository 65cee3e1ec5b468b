using SkiaSharp;
using Yardang.Core.Marks;

namespace Yardang.Rendering;

/// <summary>Draws pictures, as large as they were made; nothing for those that are not there.</summary>
internal static class PicturePainter
{
    private static readonly SKSamplingOptions s_smooth = new(SKCubicResampler.Mitchell);

    public static void Paint(SKCanvas canvas, PictureBody body, Mark mark, SKImage? image)
    {
        if (image is null) return;
        var middle = body.Box().Middle;
        float halfWidth = body.Width * (mark.Scale?.X ?? 1_000) / 2_000f, halfHeight = body.Height * (mark.Scale?.Y ?? 1_000) / 2_000f;
        var (x, y) = ((float)middle.X, (float)middle.Y);
        canvas.DrawImage(image, new SKRect(x - halfWidth, y - halfHeight, x + halfWidth, y + halfHeight), s_smooth);
    }
}
