using System.Buffers;
using MessagePack;
using Yardang.Core.Marks;

namespace Yardang.Data.Wire;

/// <summary>Marks outside of any room, such as those of an organizer, as a snapshot has them.</summary>
public static class MarksWire
{
    /// <summary>[mark, mark ...]</summary>
    public static byte[] Encode(IReadOnlyCollection<Mark> marks)
    {
        var buffer = new ArrayBufferWriter<byte>(1_024);
        var w = new MessagePackWriter(buffer);
        w.WriteArrayHeader(marks.Count);
        foreach (var mark in marks) Forms.Write(ref w, mark);
        w.Flush();
        return buffer.WrittenSpan.ToArray();
    }
}
