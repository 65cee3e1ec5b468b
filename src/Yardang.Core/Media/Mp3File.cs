using System.Buffers.Binary;

namespace Yardang.Core.Media;

/// <summary>MP3: frames one behind the other, each with a header that says how long it is; tags before and behind them are left out. Source: ISO/IEC 11172-3:1993, 13818-3:1998; "MPEG 2.5" as is the custom.</summary>
internal static class Mp3File
{
    private const int LeastFrames = 3;

    private static readonly int[] s_rates1 = [0, 32, 40, 48, 56, 64, 80, 96, 112, 128, 160, 192, 224, 256, 320];
    private static readonly int[] s_rates2 = [0, 8, 16, 24, 32, 40, 48, 56, 64, 80, 96, 112, 128, 144, 160];
    private static readonly int[] s_samples = [44_100, 48_000, 32_000];

    public static MediaFile? Read(ReadOnlySpan<byte> file)
    {
        var at = AfterTag(file);
        var (first, frames, seconds) = (at, 0, 0.0);
        while (at + 4 <= file.Length && Frame(BinaryPrimitives.ReadUInt32BigEndian(file[at..])) is var (length, lasts))
        {
            // The last frame may be cut off.
            if (at + length > file.Length) break;
            at += length;
            seconds += lasts;
            frames++;
        }

        // What is behind the sound is a tag, and no other file.
        return frames >= LeastFrames && at - first >= (file.Length - first) / 2 ? MediaFile.Of(MediaFormat.Mp3, isFilm: false, seconds * 1_000) : null;
    }

    // An ID3v2 tag says how long it is, in sevens of bits.
    private static int AfterTag(ReadOnlySpan<byte> file)
    {
        if (file.Length < 10 || !file[..3].SequenceEqual("ID3"u8)) return 0;
        var size = 0L;
        foreach (var part in file[6..10]) size = (size << 7) | (uint)(part & 0x7f);
        return (int)Math.Min(file.Length, 10 + size);
    }

    // How many bytes a frame has, and how many seconds it lasts.
    private static (int Length, double Seconds)? Frame(uint header)
    {
        var (sync, version, layer, rate, sample, padding) = (header >> 21, (header >> 19) & 3, (header >> 17) & 3, (int)(header >> 12) & 15, (int)(header >> 10) & 3, (int)(header >> 9) & 1);
        if (sync != 0x7ff || version == 1 || layer != 1 || rate is 0 or 15 || sample == 3) return null;
        var isFirst = version == 3;
        var samples = s_samples[sample] / (isFirst ? 1 : version == 2 ? 2 : 4);
        var bits = (isFirst ? s_rates1 : s_rates2)[rate] * 1_000;
        var perFrame = isFirst ? 1_152 : 576;
        return ((perFrame / 8 * bits / samples) + padding, (double)perFrame / samples);
    }
}
