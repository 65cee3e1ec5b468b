using System.Buffers;
using MessagePack;
using Yardang.Core.Rooms;

namespace Yardang.Data.Wire;

/// <summary>
/// Events in the log and on the wire, the same bytes in both:
/// [number, time, actor, role, client, counter, gesture, audience, kind, body]. Room and epoch stand beside it.
/// </summary>
public static class EventCodec
{
    [ThreadStatic]
    private static ArrayBufferWriter<byte>? t_buffer;

    /// <summary>The event's bytes.</summary>
    public static byte[] Encode(Envelope e)
    {
        var buffer = t_buffer ??= new(1024);
        buffer.ResetWrittenCount();
        var w = new MessagePackWriter(buffer);
        w.WriteArrayHeader(10);
        w.Write(e.Number);
        w.Write(e.Time);
        w.Write(e.Actor.Number);
        w.Write((int)e.Actor.Role);
        w.Write(e.Client);
        w.Write(e.Counter);
        w.Write(e.Gesture);
        w.Write((int)e.Audience);
        Forms.Write(ref w, e.Event);
        w.Flush();
        return buffer.WrittenSpan.ToArray();
    }

    /// <summary>Reads an event.</summary>
    /// <exception cref="MessagePackSerializationException">It cannot be read: damaged, or of a later program.</exception>
    public static Envelope Decode(ReadOnlyMemory<byte> bytes)
    {
        var r = new MessagePackReader(bytes);
        var fields = new Fields(ref r, 10);
        var number = r.ReadInt64();
        var time = r.ReadInt64();
        var actor = new Actor(r.ReadInt32(), (Role)r.ReadInt32());
        var client = r.ReadInt32();
        var counter = r.ReadInt32();
        var gesture = r.ReadInt64();
        var audience = (Audience)r.ReadInt32();
        var happened = Forms.ReadRoomEvent(ref r);
        fields.End(ref r);
        return new(number, time, actor, client, counter, gesture, audience, happened);
    }
}
