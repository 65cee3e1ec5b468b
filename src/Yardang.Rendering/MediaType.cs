namespace Yardang.Rendering;

/// <summary>What a kept file is, told by its first bytes, whatever it was called.</summary>
public static class MediaType
{
    /// <summary>The type for the browser; null if it is none of those that are kept.</summary>
    public static string? Of(ReadOnlySpan<byte> file) => file switch
    {
        [0x89, 0x50, 0x4e, 0x47, ..] => "image/png",
        [0xff, 0xd8, 0xff, ..] => "image/jpeg",
        [_, _, _, _, (byte)'f', (byte)'t', (byte)'y', (byte)'p', (byte)'M', (byte)'4', (byte)'A', ..] => "audio/mp4",
        [_, _, _, _, (byte)'f', (byte)'t', (byte)'y', (byte)'p', ..] => "video/mp4",
        [0x1a, 0x45, 0xdf, 0xa3, ..] => "video/webm",
        [(byte)'O', (byte)'g', (byte)'g', (byte)'S', ..] => "audio/ogg",
        [(byte)'I', (byte)'D', (byte)'3', ..] or [0xff, 0xfb or 0xf3 or 0xf2, ..] => "audio/mpeg",
        [(byte)'R', (byte)'I', (byte)'F', (byte)'F', _, _, _, _, (byte)'W', (byte)'E', (byte)'B', (byte)'P', ..] => "image/webp",
        [(byte)'R', (byte)'I', (byte)'F', (byte)'F', _, _, _, _, (byte)'W', (byte)'A', (byte)'V', (byte)'E', ..] => "audio/wav",
        _ => null,
    };
}
