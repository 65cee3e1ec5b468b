using System.Buffers.Binary;

namespace Yardang.Core.Media;

/// <summary>WAV: chunks of a RIFF file, of which "fmt " says how sound is kept and "data" is the sound. Source: Microsoft, "Multimedia Programming Interface and Data Specifications 1.0", 1991.</summary>
internal static class WavFile
{
    private const int MostChunks = 1_000;
    private const ushort Pcm = 1;
    private const ushort Float = 3;
    private const ushort Extensible = 0xfffe;

    public static MediaFile? Read(ReadOnlySpan<byte> file)
    {
        if (file.Length < 12 || !file[..4].SequenceEqual("RIFF"u8) || !file[8..12].SequenceEqual("WAVE"u8)) return null;
        var (at, perSecond) = (12L, 0L);
        for (var chunk = 0; chunk < MostChunks && at + 8 <= file.Length; chunk++)
        {
            var id = file.Slice((int)at, 4);
            long size = BinaryPrimitives.ReadUInt32LittleEndian(file.Slice((int)at + 4, 4));
            var content = file[(int)(at + 8)..];
            if (id.SequenceEqual("fmt "u8))
            {
                if (size < 16 || content.Length < 16 || (perSecond = PerSecond(content)) == 0) return null;
            }
            else if (id.SequenceEqual("data"u8))
            {
                // Who records on the go does not know yet how long it will be.
                return perSecond == 0 ? null : MediaFile.Of(MediaFormat.Wav, isFilm: false, Math.Min(size, content.Length) * 1_000.0 / perSecond);
            }

            at += 8 + size + (size & 1);
        }

        return null;
    }

    // Bytes for a second of sound; 0 for what is not played.
    private static long PerSecond(ReadOnlySpan<byte> format)
    {
        var (kind, channels) = (BinaryPrimitives.ReadUInt16LittleEndian(format), BinaryPrimitives.ReadUInt16LittleEndian(format[2..]));
        long rate = BinaryPrimitives.ReadUInt32LittleEndian(format[4..]);
        var bits = BinaryPrimitives.ReadUInt16LittleEndian(format[14..]);
        return kind is Pcm or Float or Extensible && channels is >= 1 and <= 8 && rate is >= 8_000 and <= 192_000 && bits is 8 or 16 or 24 or 32 ? rate * channels * (bits / 8) : 0;
    }
}
