using SkiaSharp;

namespace Yardang.Rendering;

/// <summary>A picture for weak devices and networks.</summary>
public static class SmallPicture
{
    private const int LongestSide = 800;
    private const int Quality = 60;

    // What is not larger than this is small enough as it is.
    private const int SmallBytes = 40 * 1024;

    /// <summary>The picture, smaller (WebP); null if it is none, or no smaller than it was.</summary>
    public static byte[]? Of(byte[] file)
    {
        if (file.Length <= SmallBytes) return null;
        using var data = SKData.CreateCopy(file);
        using var codec = SKCodec.Create(data);
        return codec is null ? null : DecodingGate.Run(() => Encode(codec, file));
    }

    private static byte[]? Encode(SKCodec codec, byte[] file)
    {
        using var decoded = BoundedDecoding.Decode(codec, file);
        if (decoded is null || decoded.IsEmpty) return null;
        var scale = Math.Min(1f, (float)LongestSide / Math.Max(decoded.Width, decoded.Height));
        var size = new SKImageInfo(Math.Max(1, (int)(decoded.Width * scale)), Math.Max(1, (int)(decoded.Height * scale)), SKColorType.Rgba8888, decoded.AlphaType);
        using var small = decoded.Resize(size, new SKSamplingOptions(SKCubicResampler.Mitchell));
        using var encoded = small?.Encode(SKEncodedImageFormat.Webp, Quality);
        return encoded is null || encoded.Size >= file.Length ? null : encoded.ToArray();
    }
}
