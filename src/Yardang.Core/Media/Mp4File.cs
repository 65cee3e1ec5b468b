using System.Buffers.Binary;

namespace Yardang.Core.Media;

/// <summary>
/// MP4: boxes within boxes. It is read straight through, going into those that matter and past all others. How long it is, is added up from the times of its samples, whole or in
/// fragments. Source: ISO/IEC 14496-12:2022.
/// </summary>
internal static class Mp4File
{
    private const int MostBoxes = 500_000;
    private const int MostTracks = 16;
    private const uint MostSamples = 10_000_000;

    private struct Track
    {
        public uint Id;
        public uint Scale;
        public uint UsualDuration;
        public double Ends;
    }

    public static MediaFile? Read(ReadOnlySpan<byte> file)
    {
        if (file.Length < 12 || !file[4..8].SequenceEqual("ftyp"u8)) return null;
        Span<Track> tracks = stackalloc Track[MostTracks];
        var (at, count, now, isFilm, isSound, hasMedia) = (0L, 0, -1, false, false, false);
        var (usual, start, left) = (0u, 0UL, MostSamples);
        for (var box = 0; box < MostBoxes && at + 8 <= file.Length; box++)
        {
            var head = file[(int)at..];
            long size = BinaryPrimitives.ReadUInt32BigEndian(head);
            var type = BinaryPrimitives.ReadUInt32BigEndian(head[4..]);
            var begins = 8;
            if (size == 1)
            {
                if (head.Length < 16 || BinaryPrimitives.ReadUInt64BigEndian(head[8..]) is var large && large > long.MaxValue / 2) break;
                (size, begins) = ((long)large, 16);
            }
            else if (size == 0)
            {
                size = file.Length - at;
            }

            if (size < begins) return null;
            var content = file.Slice((int)at + begins, (int)Math.Min(size - begins, file.Length - at - begins));
            switch (type)
            {
                case Moov or Mdia or Minf or Stbl or Mvex or Moof:
                    at += begins;
                    continue;
                case Trak:
                    if (count == MostTracks) return null;
                    now = count++;
                    tracks[now].Id = (uint)count;
                    at += begins;
                    continue;
                case Traf:
                    (now, usual, start) = (-1, 0, 0);
                    at += begins;
                    continue;
                case Mdat: hasMedia |= !content.IsEmpty; break;
                case Tkhd when now >= 0 && content.Length >= 24: tracks[now].Id = BinaryPrimitives.ReadUInt32BigEndian(content[(content[0] == 1 ? 20 : 12)..]); break;
                case Mdhd when now >= 0 && content.Length >= 24: tracks[now].Scale = BinaryPrimitives.ReadUInt32BigEndian(content[(content[0] == 1 ? 20 : 12)..]); break;
                case Stsd when content.Length >= 16:
                    if (Codec(content[12..16]) is not { } plays) return null;
                    isFilm |= plays;
                    isSound |= !plays;
                    break;
                case Stts when now >= 0 && content.Length >= 8: tracks[now].Ends = Math.Max(tracks[now].Ends, Times(content)); break;
                case Trex when content.Length >= 16 && Find(tracks[..count], BinaryPrimitives.ReadUInt32BigEndian(content[4..])) is >= 0 and var which: tracks[which].UsualDuration = BinaryPrimitives.ReadUInt32BigEndian(content[12..]); break;
                case Tfhd when content.Length >= 8:
                    now = Find(tracks[..count], BinaryPrimitives.ReadUInt32BigEndian(content[4..]));
                    usual = now < 0 ? 0 : UsualIn(content) ?? tracks[now].UsualDuration;
                    break;
                case Tfdt when content.Length >= 8: start = content[0] == 1 && content.Length >= 12 ? BinaryPrimitives.ReadUInt64BigEndian(content[4..]) : BinaryPrimitives.ReadUInt32BigEndian(content[4..]); break;
                case Trun when now >= 0 && content.Length >= 8:
                    if (Run(content, usual, ref left) is not { } lasts) return null;
                    tracks[now].Ends = Math.Max(tracks[now].Ends, start + lasts);
                    start += (ulong)lasts;
                    break;
            }

            at += size;
        }

        var longest = 0.0;
        foreach (var track in tracks[..count]) if (track.Scale > 0) longest = Math.Max(longest, track.Ends / track.Scale);
        return hasMedia && (isFilm || isSound) ? MediaFile.Of(MediaFormat.Mp4, isFilm, longest * 1_000) : null;
    }

    private const uint Moov = 0x6d6f6f76, Mdia = 0x6d646961, Minf = 0x6d696e66, Stbl = 0x7374626c, Mvex = 0x6d766578, Moof = 0x6d6f6f66, Trak = 0x7472616b, Traf = 0x74726166, Mdat = 0x6d646174,
        Tkhd = 0x746b6864, Mdhd = 0x6d646864, Stsd = 0x73747364, Stts = 0x73747473, Trex = 0x74726578, Tfhd = 0x74666864, Tfdt = 0x74666474, Trun = 0x7472756e;

    // Whether it is a picture; null for what browsers do not play.
    private static bool? Codec(ReadOnlySpan<byte> name) =>
        name.SequenceEqual("avc1"u8) || name.SequenceEqual("avc3"u8) || name.SequenceEqual("vp09"u8) || name.SequenceEqual("av01"u8) ? true
        : name.SequenceEqual("mp4a"u8) || name.SequenceEqual("Opus"u8) || name.SequenceEqual("fLaC"u8) ? false
        : null;

    private static int Find(ReadOnlySpan<Track> tracks, uint id)
    {
        for (var i = 0; i < tracks.Length; i++) if (tracks[i].Id == id) return i;
        return -1;
    }

    // So many samples of so long each, entry by entry.
    private static double Times(ReadOnlySpan<byte> content)
    {
        var (sum, entries) = (0.0, Math.Min(BinaryPrimitives.ReadUInt32BigEndian(content[4..]), (uint)(content.Length - 8) / 8));
        for (var i = 0; i < entries; i++)
        {
            var entry = content[(8 + (8 * i))..];
            sum += (double)BinaryPrimitives.ReadUInt32BigEndian(entry) * BinaryPrimitives.ReadUInt32BigEndian(entry[4..]);
        }

        return sum;
    }

    // How long the samples of a fragment are, where they do not say it themselves.
    private static uint? UsualIn(ReadOnlySpan<byte> header)
    {
        var flags = BinaryPrimitives.ReadUInt32BigEndian(header) & 0xffffff;
        if ((flags & 8) == 0) return null;
        var at = 8 + ((flags & 1) != 0 ? 8 : 0) + ((flags & 2) != 0 ? 4 : 0);
        return header.Length >= at + 4 ? BinaryPrimitives.ReadUInt32BigEndian(header[at..]) : null;
    }

    // How long a run of samples is; null for more than any file has.
    private static double? Run(ReadOnlySpan<byte> content, uint usual, ref uint left)
    {
        var (flags, samples) = (BinaryPrimitives.ReadUInt32BigEndian(content) & 0xffffff, BinaryPrimitives.ReadUInt32BigEndian(content[4..]));
        if (samples > left) return null;
        left -= samples;
        if ((flags & 0x100) == 0) return (double)samples * usual;
        var at = 8 + ((flags & 1) != 0 ? 4 : 0) + ((flags & 4) != 0 ? 4 : 0);
        var step = 4 + ((flags & 0x200) != 0 ? 4 : 0) + ((flags & 0x400) != 0 ? 4 : 0) + ((flags & 0x800) != 0 ? 4 : 0);
        var sum = 0.0;
        for (var i = 0u; i < samples && at + 4 <= content.Length; i++, at += step) sum += BinaryPrimitives.ReadUInt32BigEndian(content[at..]);
        return sum;
    }
}
