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
    private const int LongestSide = 3_400;
    private const int MostProfileBytes = 1_024;
    private const int JpegQuality = 86;

    /// <summary>The picture, or why not.</summary>
    public static (TakenPicture? Picture, PictureFault? Fault) Take(byte[] file)
    {
        if (file.Length > MaxBytes) return (null, PictureFault.TooLarge);
        using var data = SKData.CreateCopy(file);
        using var codec = SKCodec.Create(data);
        if (codec is null || codec.Info.Width < 1 || codec.Info.Height < 1) return (null, PictureFault.NotAPicture);
        var pixels = (long)codec.Info.Width * codec.Info.Height;
        return pixels > MostPixels ? (null, PictureFault.TooLarge) : DecodingGate.Run(() => Decode(codec, file));
    }

    private static (TakenPicture? Picture, PictureFault? Fault) Decode(SKCodec codec, byte[] file)
    {
        using var decoded = BoundedDecoding.Decode(codec, file);
        if (decoded is null || decoded.IsEmpty) return (null, (long)codec.Info.Width * codec.Info.Height > BoundedDecoding.Most ? PictureFault.TooLarge : PictureFault.NotAPicture);
        var isAsKept = codec.EncodedOrigin == SKEncodedOrigin.TopLeft && Math.Max(decoded.Width, decoded.Height) <= LongestSide;
        using var turned = isAsKept ? null : Upright(decoded, codec.EncodedOrigin);
        var upright = turned ?? decoded;
        using var image = SKImage.FromBitmap(upright);
        var isOpaque = upright.AlphaType == SKAlphaType.Opaque || codec.EncodedFormat == SKEncodedImageFormat.Jpeg;
        using var encoded = image.Encode(isOpaque ? SKEncodedImageFormat.Jpeg : SKEncodedImageFormat.Png, JpegQuality);
        return (new TakenPicture(encoded.ToArray(), upright.Width, upright.Height), null);
    }

    /// <summary>
    /// A picture that comes back from an archive: as it is if there is nothing in it but pixels, so that it stays the same picture; otherwise taken in
    /// anew. Null if it is none.
    /// </summary>
    public static byte[]? TakeAgain(byte[] file)
    {
        if (Take(file).Picture is not { } taken) return null;
        return IsBareJpeg(file) || IsBarePng(file) ? file : taken.Bytes;
    }

    // ITU-T T.81, Annex B: a JPEG without comments and without application data besides the JFIF header and a colour profile, and with nothing behind its end.
    private static bool IsBareJpeg(ReadOnlySpan<byte> file)
    {
        if (file is not [0xff, 0xd8, .., 0xff, 0xd9]) return false;
        var at = 2;
        while (at + 4 <= file.Length && file[at] == 0xff)
        {
            var marker = file[at + 1];
            var length = (file[at + 2] << 8) + file[at + 3];
            if (marker == 0xda) return true;
            if (marker is 0xfe or 0xe1 or (>= 0xe3 and <= 0xef)) return false;

            // A small colour profile is what our own encoder writes.
            if (marker == 0xe2 && (length > MostProfileBytes || !file[(at + 4)..].StartsWith("ICC_PROFILE"u8))) return false;
            at += 2 + length;
        }

        return false;
    }

    // Portable Network Graphics (W3C): only the chunks that make up the picture, and nothing behind the last one.
    private static bool IsBarePng(ReadOnlySpan<byte> file)
    {
        if (file is not [0x89, (byte)'P', (byte)'N', (byte)'G', 0x0d, 0x0a, 0x1a, 0x0a, ..]) return false;
        var at = 8;
        while (at + 12 <= file.Length)
        {
            var length = System.Buffers.Binary.BinaryPrimitives.ReadUInt32BigEndian(file[at..]);
            var kind = file.Slice(at + 4, 4);
            if (length > file.Length - at - 12) return false;
            at += 12 + (int)length;
            if (kind.SequenceEqual("IEND"u8)) return at == file.Length;
            if (!(kind.SequenceEqual("IHDR"u8) || kind.SequenceEqual("PLTE"u8) || kind.SequenceEqual("IDAT"u8) || kind.SequenceEqual("tRNS"u8) || kind.SequenceEqual("sRGB"u8) || kind.SequenceEqual("sBIT"u8))) return false;
        }

        return false;
    }

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
