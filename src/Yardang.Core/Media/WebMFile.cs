using System.Buffers.Binary;

namespace Yardang.Core.Media;

/// <summary>
/// WebM: elements within elements, each with an id and a size. It is read straight through, going into those that matter and past all others, so that elements of unknown size (as browsers
/// record them) need no care. Source: RFC 8794 (EBML), RFC 9559 (Matroska), the WebM container guidelines.
/// </summary>
internal static class WebMFile
{
    private const uint Ebml = 0x1A45DFA3;
    private const uint DocType = 0x4282;
    private const uint Segment = 0x18538067;
    private const uint Info = 0x1549A966;
    private const uint TimestampScale = 0x2AD7B1;
    private const uint Tracks = 0x1654AE6B;
    private const uint TrackEntry = 0xAE;
    private const uint TrackType = 0x83;
    private const uint CodecId = 0x86;
    private const uint Cluster = 0x1F43B675;
    private const uint Timestamp = 0xE7;
    private const uint SimpleBlock = 0xA3;
    private const uint BlockGroup = 0xA0;
    private const uint Block = 0xA1;
    private const uint BlockDuration = 0x9B;

    private const int MostElements = 2_000_000;
    private const int MostTracks = 16;
    private const long UsualScale = 1_000_000;

    public static MediaFile? Read(ReadOnlySpan<byte> file)
    {
        if (file.Length < 4 || BinaryPrimitives.ReadUInt32BigEndian(file) != Ebml) return null;
        var (at, isWebM, isFilm, isSound, tracks) = (0, false, false, false, 0);
        var (scale, cluster, begun, ends) = (UsualScale, 0L, 0L, -1L);
        for (var element = 0; element < MostElements && at < file.Length; element++)
        {
            if (Id(file[at..]) is not var (id, idLength) || Size(file[(at + idLength)..]) is not var (size, sizeLength)) break;
            at += idLength + sizeLength;
            if (id is Ebml or Segment or Info or Tracks or Cluster or BlockGroup) continue;
            if (id == TrackEntry)
            {
                if (++tracks > MostTracks) return null;
                continue;
            }

            // Cut off in the middle; what came before is played.
            if (size is not { } known || known > file.Length - at) break;
            var content = file.Slice(at, (int)known);
            at += (int)known;
            switch (id)
            {
                case DocType:
                    if (!content.SequenceEqual("webm"u8)) return null;
                    isWebM = true;
                    break;
                case TimestampScale when Number(content) is > 0 and <= 1_000_000_000 and var given: scale = given; break;
                case TimestampScale: return null;
                case TrackType when Number(content) is not (1 or 2 or 17): return null;
                case CodecId:
                    if (content.SequenceEqual("V_VP8"u8) || content.SequenceEqual("V_VP9"u8) || content.SequenceEqual("V_AV1"u8)) isFilm = true;
                    else if (content.SequenceEqual("A_OPUS"u8) || content.SequenceEqual("A_VORBIS"u8)) isSound = true;
                    else if (!content.StartsWith("S_"u8)) return null;
                    break;
                case Timestamp: cluster = Number(content) ?? 0; break;
                case SimpleBlock or Block when Begins(content) is { } after:
                    begun = Math.Max(0, cluster + after);
                    ends = Math.Max(ends, begun);
                    break;
                case BlockDuration when Number(content) is { } lasts && lasts < MediaFile.Longest: ends = Math.Max(ends, begun + lasts); break;
            }
        }

        return isWebM && (isFilm || isSound) && ends >= 0 ? MediaFile.Of(MediaFormat.WebM, isFilm, Math.Max(1, ends * (scale / 1_000_000.0))) : null;
    }

    // The first byte says by its leading zeros how many there are. The marker belongs to the id.
    private static (uint Id, int Length)? Id(ReadOnlySpan<byte> at)
    {
        if (at.IsEmpty) return null;
        var length = System.Numerics.BitOperations.LeadingZeroCount(at[0]) - 24 + 1;
        if (length > 4 || at.Length < length) return null;
        var id = 0u;
        foreach (var part in at[..length]) id = (id << 8) | part;
        return (id, length);
    }

    // The marker does not belong to the size; all ones mean that it is not known.
    private static (long? Size, int Length)? Size(ReadOnlySpan<byte> at)
    {
        if (at.IsEmpty) return null;
        var length = System.Numerics.BitOperations.LeadingZeroCount(at[0]) - 24 + 1;
        if (length > 8 || at.Length < length) return null;
        var size = at[0] & ((1L << (8 - length)) - 1);
        foreach (var part in at[1..length]) size = (size << 8) | part;
        return (size == (1L << (7 * length)) - 1 ? null : size, length);
    }

    private static long? Number(ReadOnlySpan<byte> content)
    {
        if (content.Length > 7) return null;
        var number = 0L;
        foreach (var part in content) number = (number << 8) | part;
        return number;
    }

    // Behind the number of the track stands when it begins, from the cluster on.
    private static short? Begins(ReadOnlySpan<byte> block) =>
        Size(block) is var (_, length) && block.Length >= length + 3 ? BinaryPrimitives.ReadInt16BigEndian(block[length..]) : null;
}
