using System.IO.Compression;

namespace Yardang.Web.Rooms;

/// <summary>Bytes on their way to a browser, made smaller quickly.</summary>
public static class Gzip
{
    /// <summary>The same, compressed.</summary>
    public static byte[] Of(ReadOnlySpan<byte> bytes)
    {
        using var compressed = new MemoryStream();
        using (var gzip = new GZipStream(compressed, CompressionLevel.Fastest)) gzip.Write(bytes);
        return compressed.ToArray();
    }
}
