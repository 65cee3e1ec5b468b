namespace Yardang.Bench;

/// <summary>What the bare hub passes on: as large as a preview and a stroke of 40 points on the wire.</summary>
public static class Payload
{
    private const int PreviewBytes = 100;
    private const int EventBytes = 260;

    public static byte[] Of(long stamp, bool isEvent)
    {
        var bytes = new byte[isEvent ? EventBytes : PreviewBytes];
        BitConverter.TryWriteBytes(bytes, stamp);
        return bytes;
    }

    public static long StampOf(byte[] bytes) => BitConverter.ToInt64(bytes);

    public static bool IsEvent(byte[] bytes) => bytes.Length == EventBytes;
}
