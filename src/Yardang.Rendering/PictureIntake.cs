using SkiaSharp;

namespace Yardang.Rendering;

/// <summary>Why a file is not taken.</summary>
public enum PictureFault
{
    /// <summary>It is not a picture that can be read, whatever its name says, or it is damaged.</summary>
    NotAPicture,

    /// <summary>It has too many pixels or bytes.</summary>
    TooLarge,
}

/// <summary>A picture as it is kept.</summary>
/// <param name="Bytes">PNG or JPEG.</param>
/// <param name="Width">Pixels.</param>
/// <param name="Height">Pixels.</param>
public sealed record TakenPicture(byte[] Bytes, int Width, int Height);

/// <summary>
/// Takes a picture in: PNG, JPEG, WebP, GIF (its first frame) and BMP are decoded and encoded anew, so that nothing but pixels is kept. No
/// place, no camera, nothing that hides behind the picture. Turned upright as the camera says, and made no larger than a page can show.
/// </summary>
public static class PictureIntake
{
    /// <summary>The most bytes of a file.</summary>
    public const int MaxBytes = 20 * 1024 * 1024;

    private const long MostPixels = 60_000_000;
    private const int LongestSide = 2_400;
    private const int JpegQuality = 86;

    /// <summary>The picture, or why not.</summary>
    public static (TakenPicture? Picture, PictureFault? Fault) Take(byte[] file)
    {
        if (file.Length > MaxBytes) return (null, PictureFault.TooLarge);
        using var data = SKData.CreateCopy(file);
        using var codec = SKCodec.Create(data);
        if (codec is null || codec.Info.Width < 1 || codec.Info.Height < 1) return (null, PictureFault.NotAPicture);
        if ((long)codec.Info.Width * codec.Info.Height > MostPixels) return (null, PictureFault.TooLarge);
        using var decoded = SKBitmap.Decode(codec);
        if (decoded is null || decoded.IsEmpty) return (null, PictureFault.NotAPicture);
        using var upright = Upright(decoded, codec.EncodedOrigin);
        using var image = SKImage.FromBitmap(upright);
        var isOpaque = upright.AlphaType == SKAlphaType.Opaque || codec.EncodedFormat == SKEncodedImageFormat.Jpeg;
        using var encoded = image.Encode(isOpaque ? SKEncodedImageFormat.Jpeg : SKEncodedImageFormat.Png, JpegQuality);
        return (new TakenPicture(encoded.ToArray(), upright.Width, upright.Height), null);
    }

    /// <summary>What a kept picture is: PNG or JPEG, told by its first byte.</summary>
    public static string ContentTypeOf(ReadOnlySpan<byte> kept) => kept is [0x89, ..] ? "image/png" : "image/jpeg";

    private static SKBitmap Upright(SKBitmap picture, SKEncodedOrigin origin)
    {
        var lying = origin is SKEncodedOrigin.LeftTop or SKEncodedOrigin.RightTop or SKEncodedOrigin.RightBottom or SKEncodedOrigin.LeftBottom;
        var (width, height) = lying ? (picture.Height, picture.Width) : (picture.Width, picture.Height);
        var scale = Math.Min(1f, (float)LongestSide / Math.Max(width, height));
        var upright = new SKBitmap(Math.Max(1, (int)(width * scale)), Math.Max(1, (int)(height * scale)), SKColorType.Rgba8888, picture.AlphaType);
        using var canvas = new SKCanvas(upright);
        canvas.Clear(SKColors.Transparent);
        canvas.Scale(scale);
        canvas.Concat(MatrixOf(origin, width, height));
        using var image = SKImage.FromBitmap(picture);
        canvas.DrawImage(image, 0, 0, new SKSamplingOptions(SKCubicResampler.Mitchell));
        return upright;
    }

    // The eight orientations of Exif (CIPA DC-008): how stored pixels become upright ones.
    private static SKMatrix MatrixOf(SKEncodedOrigin origin, float w, float h) => origin switch
    {
        SKEncodedOrigin.TopRight => new SKMatrix(-1, 0, w, 0, 1, 0, 0, 0, 1),
        SKEncodedOrigin.BottomRight => new SKMatrix(-1, 0, w, 0, -1, h, 0, 0, 1),
        SKEncodedOrigin.BottomLeft => new SKMatrix(1, 0, 0, 0, -1, h, 0, 0, 1),
        SKEncodedOrigin.LeftTop => new SKMatrix(0, 1, 0, 1, 0, 0, 0, 0, 1),
        SKEncodedOrigin.RightTop => new SKMatrix(0, -1, w, 1, 0, 0, 0, 0, 1),
        SKEncodedOrigin.RightBottom => new SKMatrix(0, -1, w, -1, 0, h, 0, 0, 1),
        SKEncodedOrigin.LeftBottom => new SKMatrix(0, 1, 0, -1, 0, h, 0, 0, 1),
        _ => SKMatrix.Identity,
    };
}
