using SkiaSharp;

namespace Yardang.Rendering;

/// <summary>Pictures as pixels, in so much memory and no more: what has more pixels is read smaller than it is.</summary>
internal static class BoundedDecoding
{
    /// <summary>Most pixels in memory, of four bytes each.</summary>
    public const long Most = 8_000_000;

    // Of the lines of a large one.
    private const long MostAtOnce = 4_000_000;

    // Some formats can be read in eighths of their size.
    private const int Eighths = 8;
    private const int BytesOfPixel = 4;

    // Portable Network Graphics (W3C), 11.2.1: where the first chunk says whether lines come out of their order. To read such a file all of it is in memory.
    private const int PngInterlace = 28;

    /// <summary>The pixels; null if there are none that can be read, or too many for its format.</summary>
    /// <param name="codec">Of the file.</param>
    /// <param name="file">The file itself.</param>
    public static SKBitmap? Decode(SKCodec codec, ReadOnlySpan<byte> file)
    {
        if (Pixels(codec.Info.Size) <= Most) return SKBitmap.Decode(codec, Plain(codec));
        return ReadSmaller(codec) ?? (codec.EncodedFormat == SKEncodedImageFormat.Png && file.Length > PngInterlace && file[PngInterlace] != 0 ? null : ByLines(codec));
    }

    private static long Pixels(SKSizeI size) => (long)size.Width * size.Height;

    private static SKBitmap? ReadSmaller(SKCodec codec)
    {
        for (var eighths = Eighths - 1; eighths > 0; eighths--)
        {
            var size = codec.GetScaledDimensions((float)eighths / Eighths);
            if (Pixels(size) > Most || size.Width < 1 || size.Height < 1) continue;
            var bitmap = new SKBitmap(Plain(codec).WithSize(size.Width, size.Height));
            if (codec.GetPixels(bitmap.Info, bitmap.GetPixels()) is SKCodecResult.Success or SKCodecResult.IncompleteInput) return bitmap;
            bitmap.Dispose();
            return null;
        }

        return null;
    }

    // Some lines at a time: each pixel is the mean of a square.
    private static SKBitmap? ByLines(SKCodec codec)
    {
        var info = Plain(codec);
        var square = (int)Math.Ceiling(Math.Sqrt((double)Pixels(info.Size) / Most));
        var (width, height) = (info.Width / square, info.Height / square);
        var isPng = codec.EncodedFormat == SKEncodedImageFormat.Png;
        if (width < 1 || height < 1) return null;
        if (!isPng && (codec.StartScanlineDecode(info) != SKCodecResult.Success || codec.ScanlineOrder != SKCodecScanlineOrder.TopDown)) return null;
        var bitmap = new SKBitmap(info.WithSize(width, height));
        var atOnce = (int)Math.Clamp(MostAtOnce / info.Width / square, 1, height);
        using var lines = new SKBitmap(info.WithSize(info.Width, atOnce * square));
        for (var y = 0; y < height; y += atOnce)
        {
            var more = Math.Min(atOnce, height - y);
            lines.Erase(SKColors.Transparent);
            if (!(isPng ? ReadPng(codec, info, lines, y * square, more * square) : codec.GetScanlines(lines.GetPixels(), more * square, lines.RowBytes) > 0))
            {
                // What is damaged farther on is seen as far as it goes.
                if (y > 0) break;
                bitmap.Dispose();
                return null;
            }

            for (var row = 0; row < more; row++) Average(lines.GetPixelSpan().Slice(row * square * lines.RowBytes, square * lines.RowBytes), square, bitmap.GetPixelSpan().Slice((y + row) * bitmap.RowBytes, width * BytesOfPixel));
        }

        return bitmap;
    }

    // From its beginning each time: lines that were read are not held.
    private static bool ReadPng(SKCodec codec, SKImageInfo info, SKBitmap lines, int top, int count) =>
        codec.StartIncrementalDecode(info, lines.GetPixels(), lines.RowBytes, new SKCodecOptions(SKRectI.Create(0, top, info.Width, count))) == SKCodecResult.Success
        && codec.IncrementalDecode() is SKCodecResult.Success or SKCodecResult.IncompleteInput;

    private static void Average(ReadOnlySpan<byte> lines, int square, Span<byte> line)
    {
        var row = lines.Length / square;
        for (var at = 0; at < line.Length; at++)
        {
            var (x, channel) = (at / BytesOfPixel * square, at % BytesOfPixel);
            var sum = 0;
            for (var down = 0; down < square; down++)
            {
                for (var across = 0; across < square; across++) sum += lines[(down * row) + ((x + across) * BytesOfPixel) + channel];
            }

            line[at] = (byte)(sum / (square * square));
        }
    }

    private static SKImageInfo Plain(SKCodec codec) =>
        codec.Info.WithColorType(SKColorType.Rgba8888).WithAlphaType(codec.Info.AlphaType == SKAlphaType.Opaque ? SKAlphaType.Opaque : SKAlphaType.Premul);
}
