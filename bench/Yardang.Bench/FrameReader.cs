using MessagePack;

namespace Yardang.Bench;

/// <summary>Reads of Yardang's frames what the load needs, and no more: decoding whole events would cost the generator too much.</summary>
public static class FrameReader
{
    /// <summary>Tells each event's number, counter and gesture, and each preview's stamp.</summary>
    public static void Read(byte[] frame, Action<long, int, long> happened, Action<long> previewed)
    {
        var r = new MessagePackReader(frame);
        r.ReadArrayHeader();
        r.ReadInt64();
        for (var left = r.ReadArrayHeader(); left > 0; left--)
        {
            var fields = r.ReadArrayHeader();
            var number = r.ReadInt64();
            for (var skip = 0; skip < 4; skip++) r.Skip();
            var counter = r.ReadInt32();
            var gesture = r.ReadInt64();
            for (var skip = 7; skip < fields; skip++) r.Skip();
            happened(number, counter, gesture);
        }

        for (var left = r.ReadArrayHeader(); left > 0; left--)
        {
            var signed = new MessagePackReader(r.ReadBytes()!.Value);
            signed.ReadArrayHeader();
            signed.ReadInt32();
            signed.ReadInt32();
            var preview = new MessagePackReader(signed.ReadBytes()!.Value);
            preview.ReadArrayHeader();
            previewed(preview.ReadInt64());
        }
    }
}
