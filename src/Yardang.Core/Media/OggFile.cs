using System.Buffers.Binary;

namespace Yardang.Core.Media;

/// <summary>Ogg with one sound in it, Opus or Vorbis: pages, each with the place in the sound at which it ends. Source: RFC 3533 (Ogg), RFC 7845 (Opus in Ogg), the Vorbis I specification of Xiph.Org.</summary>
internal static class OggFile
{
    private const int Header = 27;
    private const int OpusRate = 48_000;

    public static MediaFile? Read(ReadOnlySpan<byte> file)
    {
        var (at, serial, rate, skipped, last) = (0, 0u, 0, 0, 0L);
        while (at + Header <= file.Length)
        {
            var page = file[at..];
            if (!page[..4].SequenceEqual("OggS"u8) || page[4] != 0) break;
            var segments = page[26];
            if (page.Length < Header + segments) break;
            var length = 0;
            foreach (var segment in page.Slice(Header, segments)) length += segment;
            var content = page[(Header + segments)..];
            if (content.Length < length) break;
            content = content[..length];
            var from = BinaryPrimitives.ReadUInt32LittleEndian(page[14..]);
            if (at == 0)
            {
                serial = from;
                (rate, skipped) = Codec(content);
                if (rate == 0) return null;
            }
            else if (from != serial)
            {
                // Something runs beside the sound: a film, or another file behind it.
                return null;
            }

            // -1: nothing ends on this page.
            if (BinaryPrimitives.ReadInt64LittleEndian(page[6..]) is >= 0 and var ends) last = Math.Max(last, ends);
            at += Header + segments + length;
        }

        return rate == 0 ? null : MediaFile.Of(MediaFormat.Ogg, isFilm: false, (last - skipped) * 1_000.0 / rate);
    }

    // Steps in a second, and how many at the beginning are not heard; 0 for what is not played.
    private static (int Rate, int Skipped) Codec(ReadOnlySpan<byte> head)
    {
        if (head.Length >= 19 && head[..8].SequenceEqual("OpusHead"u8) && head[9] is >= 1 and <= 8) return (OpusRate, BinaryPrimitives.ReadUInt16LittleEndian(head[10..]));
        if (head.Length >= 30 && head[..7].SequenceEqual("\u0001vorbis"u8) && head[11] is >= 1 and <= 8 && BinaryPrimitives.ReadUInt32LittleEndian(head[12..]) is >= 8_000 and <= 192_000 and var rate) return ((int)rate, 0);
        return (0, 0);
    }
}
