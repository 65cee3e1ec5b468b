using System.Buffers;
using MessagePack;
using Yardang.Core.Rooms;

namespace Yardang.Data.Wire;

/// <summary>Commands on the wire: [version, client, counter, after, gesture, kind, body]. Commands of the program have no wire form.</summary>
public static class CommandCodec
{
    /// <summary>The newest version of commands that this server reads. An outbox outlives a deployment, so older ones stay readable.</summary>
    public const int Version = 1;

    /// <summary>A submission as a client sends it.</summary>
    public static byte[] Encode(Submission submission)
    {
        var buffer = new ArrayBufferWriter<byte>(128);
        var w = new MessagePackWriter(buffer);
        w.WriteArrayHeader(7);
        w.Write(Version);
        w.Write(submission.Client);
        w.Write(submission.Counter);
        w.Write(submission.After);
        w.Write(submission.Gesture);
        Forms.Write(ref w, submission.Command);
        w.Flush();
        return buffer.WrittenSpan.ToArray();
    }

    /// <summary>Reads a submission. With a refusal, client and counter are filled in as far as they could be read.</summary>
    public static (Submission? Submission, Refusal? Refusal, int Client, int Counter) Decode(ReadOnlyMemory<byte> message)
    {
        if (message.Length > Limits.CommandBytes) return (null, Refusal.TooLarge, 0, 0);
        int client = 0, counter = 0;
        try
        {
            var r = new MessagePackReader(message);
            var fields = new Fields(ref r, 7);
            var version = r.ReadInt32();
            client = r.ReadInt32();
            counter = r.ReadInt32();
            if (version > Version) return (null, Refusal.TooNew, client, counter);
            var after = r.ReadInt32();
            var gesture = r.ReadInt64();
            var command = Forms.ReadCommand(ref r);
            fields.End(ref r);
            if (client <= 0 || counter <= 0 || after < 0 || gesture < 0) return (null, Refusal.Malformed, client, counter);
            return (new(client, counter, after, gesture, command), null, client, counter);
        }
        catch (Exception e) when (e is MessagePackSerializationException or EndOfStreamException or OverflowException or InvalidOperationException or FormatException or ArgumentException)
        {
            return (null, Refusal.Malformed, client, counter);
        }
    }
}
