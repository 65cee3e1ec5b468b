using System.Buffers.Binary;

namespace Yardang.Web.Tests.Rooms;

/// <summary>
/// The write-ahead file of a database that nobody has open, as a disk without power left it.
/// The form is SQLite's (sqlite.org/fileformat2.html, "The Write-Ahead Log"): a header of 32 bytes, then frames of a header of 24 bytes and a page.
/// </summary>
internal sealed class WriteAheadLog(string path)
{
    private const int Header = 32;
    private const int FrameHeader = 24;

    /// <summary>Where each commit ends, in bytes from the start. What an earlier turn of the file left behind them does not count.</summary>
    public IReadOnlyList<long> Commits()
    {
        using var file = File.OpenRead(path);
        var head = new byte[Header];
        if (file.ReadAtLeast(head, Header, throwOnEndOfStream: false) < Header) return [];
        var page = (int)BinaryPrimitives.ReadUInt32BigEndian(head.AsSpan(8));
        var salts = head.AsSpan(16, 8).ToArray();
        var commits = new List<long>();
        var frame = new byte[FrameHeader];
        for (var end = (long)Header + FrameHeader + page; end <= file.Length; end += FrameHeader + page)
        {
            file.Position = end - page - FrameHeader;
            file.ReadExactly(frame);
            if (!frame.AsSpan(8, 8).SequenceEqual(salts)) break;
            if (BinaryPrimitives.ReadUInt32BigEndian(frame.AsSpan(4)) != 0) commits.Add(end);
        }

        return commits;
    }

    /// <summary>Everything behind a place never reached the disk.</summary>
    public void CutAt(long end)
    {
        using var file = File.Open(path, FileMode.Open, FileAccess.ReadWrite);
        file.SetLength(end);
    }

    /// <summary>A commit was under way behind the last one: part of a frame reached the disk, or a whole one with a wrong sum, or empty blocks.</summary>
    public void Tear(int manner)
    {
        const int frame = FrameHeader + 4_096;
        if (Commits() is not [.., var end]) return;
        using var file = File.Open(path, FileMode.Open, FileAccess.ReadWrite);
        file.SetLength(end);
        file.Position = end - frame;
        var last = new byte[frame];
        file.ReadExactly(last);
        last[^1] ^= 0xff;
        var torn = (manner % 3) switch
        {
            0 => last.AsSpan(0, frame / 3),
            1 => last,
            _ => new byte[frame * 2],
        };
        file.Write(torn);
    }
}
