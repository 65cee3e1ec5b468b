using SkiaSharp;

namespace Yardang.Rendering;

/// <summary>A small square picture of something elsewhere: the middle of one, taken in as any.</summary>
public static class SquarePicture
{
    private const int Side = 240;
    private const int Quality = 82;

    /// <summary>The picture (JPEG); null if the file is none.</summary>
    public static byte[]? Of(byte[] file) =>
        PictureIntake.Take(file).Picture is { } taken ? DecodingGate.Run(() => Cut(taken)) : null;

    private static byte[]? Cut(TakenPicture taken)
    {
        using var whole = SKBitmap.Decode(taken.Bytes);
        if (whole is null || whole.IsEmpty) return null;
        var side = Math.Min(whole.Width, whole.Height);
        var (left, top) = ((whole.Width - side) / 2, (whole.Height - side) / 2);
        using var square = new SKBitmap(Side, Side, SKColorType.Rgba8888, SKAlphaType.Opaque);
        using (var canvas = new SKCanvas(square))
        {
            canvas.Clear(SKColors.White);
            using var image = SKImage.FromBitmap(whole);
            canvas.DrawImage(image, SKRect.Create(left, top, side, side), SKRect.Create(Side, Side), new SKSamplingOptions(SKCubicResampler.Mitchell));
        }

        using var encoded = square.Encode(SKEncodedImageFormat.Jpeg, Quality);
        return encoded.ToArray();
    }
}
