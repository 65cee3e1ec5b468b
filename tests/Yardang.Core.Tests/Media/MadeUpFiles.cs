using System.Buffers.Binary;
using System.Text;

namespace Yardang.Core.Tests.Media;

/// <summary>Small files of each kind that are whole, as browsers record them.</summary>
internal static class MadeUpFiles
{
    /// <summary>By name.</summary>
    public static readonly IReadOnlyDictionary<string, byte[]> All = new Dictionary<string, byte[]>(StringComparer.Ordinal)
    {
        ["wav"] = Wav(seconds: 2),
        ["mp3"] = Mp3(frames: 100),
        ["opus"] = Opus(seconds: 3),
        ["vorbis"] = Vorbis(seconds: 4),
        ["voice"] = WebM(["A_OPUS"], blocks: 100),
        ["film"] = WebM(["V_VP8", "A_OPUS"], blocks: 50),
        ["mp4"] = Mp4("avc1", seconds: 5),
        ["fragments"] = Fragments("mp4a", runs: 6),
    };

    public static byte[] Wav(int seconds, int rate = 8_000, uint? says = null)
    {
        var sound = new byte[seconds * rate * 2];
        return [.. "RIFF"u8, .. Little(36 + sound.Length), .. "WAVEfmt "u8, .. Little(16), 1, 0, 1, 0, .. Little(rate), .. Little(rate * 2), 2, 0, 16, 0, .. "data"u8, .. Little((int)(says ?? (uint)sound.Length)), .. sound];
    }

    // 128 kbit/s at 44.1 kHz: 417 bytes and 26 ms a frame.
    public static byte[] Mp3(int frames, byte[]? before = null, byte[]? behind = null) =>
        [.. before ?? [], .. Enumerable.Range(0, frames).SelectMany(_ => (byte[])[0xff, 0xfb, 0x90, 0x64, .. new byte[413]]), .. behind ?? []];

    public static byte[] Opus(int seconds, int skipped = 312) =>
        Ogg([.. "OpusHead"u8, 1, 1, (byte)(skipped & 255), (byte)(skipped >> 8), .. Little(48_000), 0, 0, 0], (seconds * 48_000) + skipped);

    public static byte[] Vorbis(int seconds, int rate = 44_100) => Ogg([1, .. "vorbis"u8, 0, 0, 0, 0, 2, .. Little(rate), .. new byte[14]], (long)seconds * rate);

    public static byte[] Ogg(byte[] head, long ends, uint behind = 7) => [.. Page(head, 0, 7), .. Page(new byte[200], -1, 7), .. Page(new byte[300], ends / 2, 7), .. Page(new byte[100], ends, behind)];

    private static byte[] Page(byte[] content, long ends, uint serial)
    {
        var segments = Enumerable.Repeat((byte)255, content.Length / 255).Append((byte)(content.Length % 255)).ToArray();
        return [.. "OggS"u8, 0, 0, .. BitConverter.GetBytes(ends), .. BitConverter.GetBytes(serial), .. new byte[8], (byte)segments.Length, .. segments, .. content];
    }

    /// <summary>A block every 20 ms; the segment and its clusters are of unknown size, and no length is said.</summary>
    public static byte[] WebM(string[] codecs, int blocks, string type = "webm")
    {
        var tracks = codecs.SelectMany((codec, i) => Element([0xAE], [.. Element([0xD7], [(byte)(i + 1)]), .. Element([0x83], [(byte)(codec[0] == 'V' ? 1 : 2)]), .. Element([0x86], Encoding.ASCII.GetBytes(codec))]));
        var all = new List<byte>();
        all.AddRange(Element([0x1A, 0x45, 0xDF, 0xA3], [.. Element([0x42, 0x82], Encoding.ASCII.GetBytes(type))]));
        all.AddRange([0x18, 0x53, 0x80, 0x67, 0x01, 0xff, 0xff, 0xff, 0xff, 0xff, 0xff, 0xff]);
        all.AddRange(Element([0x15, 0x49, 0xA9, 0x66], [.. Element([0x2A, 0xD7, 0xB1], [0x0F, 0x42, 0x40])]));
        all.AddRange(Element([0x16, 0x54, 0xAE, 0x6B], [.. tracks]));
        for (var block = 0; block < blocks; block++)
        {
            if (block % 25 == 0) all.AddRange([0x1F, 0x43, 0xB6, 0x75, 0xff, .. Element([0xE7], [(byte)(block * 20 >> 8), (byte)(block * 20)])]);
            all.AddRange(Element([0xA3], [0x81, (byte)(block % 25 * 20 >> 8), (byte)(block % 25 * 20), 0x80, 1, 2, 3, 4]));
        }

        return [.. all];
    }

    private static byte[] Element(byte[] id, byte[] content) => [.. id, (byte)(0x40 | (content.Length >> 8)), (byte)content.Length, .. content];

    public static byte[] Mp4(string codec, int seconds, uint says = 0)
    {
        const int Scale = 1_000;
        var stbl = Box("stbl", [.. Box("stsd", [.. Big(0), .. Big(1), .. Big(16), .. Encoding.ASCII.GetBytes(codec), .. new byte[8]]), .. Box("stts", [.. Big(0), .. Big(1), .. Big((uint)seconds * 25), .. Big(Scale / 25)])]);
        return [.. Box("ftyp", [.. "isom"u8, .. Big(0)]), .. Moov(stbl, Scale, says, []), .. Box("mdat", new byte[500])];
    }

    /// <summary>Half a second each.</summary>
    public static byte[] Fragments(string codec, int runs)
    {
        const int Scale = 48_000;
        var stbl = Box("stbl", [.. Box("stsd", [.. Big(0), .. Big(1), .. Big(16), .. Encoding.ASCII.GetBytes(codec), .. new byte[8]]), .. Box("stts", [.. Big(0), .. Big(0)])]);
        var mvex = Box("mvex", Box("trex", [.. Big(0), .. Big(1), .. Big(1), .. Big(1_000), .. Big(0), .. Big(0)]));
        var parts = Enumerable.Range(0, runs).SelectMany(n => (byte[])[
            .. Box("moof", Box("traf", [.. Box("tfhd", [.. Big(0), .. Big(1)]), .. Box("tfdt", [.. Big(0), .. Big((uint)n * 24_000)]), .. Box("trun", [.. Big(0), .. Big(24)])])),
            .. Box("mdat", new byte[100])]);
        return [.. Box("ftyp", [.. "iso5"u8, .. Big(0)]), .. Moov(stbl, Scale, 0, mvex), .. parts];
    }

    private static byte[] Moov(byte[] stbl, uint scale, uint says, byte[] more) => Box("moov", [
        .. Box("mvhd", [.. Big(0), .. Big(0), .. Big(0), .. Big(scale), .. Big(says), .. new byte[80]]),
        .. Box("trak", [.. Box("tkhd", [.. Big(0), .. Big(0), .. Big(0), .. Big(1), .. new byte[68]]), .. Box("mdia", [.. Box("mdhd", [.. Big(0), .. Big(0), .. Big(0), .. Big(scale), .. Big(says), .. Big(0)]), .. Box("minf", stbl)])]),
        .. more]);

    public static byte[] Box(string type, byte[] content) => [.. Big((uint)content.Length + 8), .. Encoding.ASCII.GetBytes(type), .. content];

    private static byte[] Big(uint number)
    {
        var bytes = new byte[4];
        BinaryPrimitives.WriteUInt32BigEndian(bytes, number);
        return bytes;
    }

    private static byte[] Little(int number) => BitConverter.GetBytes(number);
}
