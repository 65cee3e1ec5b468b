using System.Buffers;
using System.Collections.Immutable;
using MessagePack;
using Yardang.Core.Lessons;
using Yardang.Core.Marks;
using Yardang.Core.Rooms;

namespace Yardang.Data.Wire;

/// <summary>Commands on the wire: [version, client, counter, after, gesture, kind, body]. Commands of the program have no wire form.</summary>
public static class CommandCodec
{
    /// <summary>The newest version of commands that this server reads. An outbox outlives a deployment, so older ones stay readable.</summary>
    public const int Version = 1;

    private enum Kind
    {
        AddMark = 1,
        MakeChanges = 2,
        UndoGesture = 3,
        RedoGesture = 4,
        AcceptLateWork = 5,
        DiscardLateWork = 6,
        SetDoor = 20,
        GiveSignal = 21,
        SetPens = 22,
        CloseLesson = 23,
        ReopenLesson = 24,
    }

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
        Write(ref w, submission.Command);
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
            var command = Read(ref r);
            fields.End(ref r);
            if (client <= 0 || counter <= 0 || after < 0 || gesture < 0) return (null, Refusal.Malformed, client, counter);
            return (new(client, counter, after, gesture, command), null, client, counter);
        }
        catch (Exception e) when (e is MessagePackSerializationException or EndOfStreamException or OverflowException or InvalidOperationException)
        {
            return (null, Refusal.Malformed, client, counter);
        }
    }

    internal static void Write(ref MessagePackWriter w, Command command)
    {
        switch (command)
        {
            case AddMark c:
                Begin(ref w, Kind.AddMark, 5);
                w.Write(c.Id);
                w.Write(c.Page);
                w.Write((int)c.Grip);
                MarkCodec.Write(ref w, c.Body);
                MarkCodec.Write(ref w, c.Style);
                break;
            case MakeChanges c:
                Begin(ref w, Kind.MakeChanges, 1);
                MarkCodec.Write(ref w, c.Changes);
                break;
            case UndoGesture c:
                Begin(ref w, Kind.UndoGesture, 1);
                w.Write(c.Gesture);
                break;
            case RedoGesture c:
                Begin(ref w, Kind.RedoGesture, 1);
                w.Write(c.Gesture);
                break;
            case AcceptLateWork c:
                Begin(ref w, Kind.AcceptLateWork, 1);
                w.Write(c.Number);
                break;
            case DiscardLateWork c:
                Begin(ref w, Kind.DiscardLateWork, 1);
                w.Write(c.Number);
                break;
            case SetDoor c:
                Begin(ref w, Kind.SetDoor, 1);
                w.Write((int)c.Door);
                break;
            case GiveSignal c:
                Begin(ref w, Kind.GiveSignal, 3);
                w.Write(c.Person);
                w.Write((int)c.Signal);
                w.Write(c.On);
                break;
            case SetPens c:
                Begin(ref w, Kind.SetPens, 1);
                w.Write(c.Down);
                break;
            case CloseLesson:
                Begin(ref w, Kind.CloseLesson, 0);
                break;
            case ReopenLesson:
                Begin(ref w, Kind.ReopenLesson, 0);
                break;
            default:
                throw new ArgumentException($"{command.GetType().Name} has no wire form.", nameof(command));
        }
    }

    internal static Command Read(ref MessagePackReader r)
    {
        var kind = (Kind)r.ReadInt32();
        var fields = new Fields(ref r, kind switch
        {
            Kind.AddMark => 5,
            Kind.GiveSignal => 3,
            Kind.CloseLesson or Kind.ReopenLesson => 0,
            _ => 1,
        });
        Command command = kind switch
        {
            Kind.AddMark => new AddMark(r.ReadInt64(), r.ReadInt32(), (Grip)r.ReadInt32(), MarkCodec.ReadBody(ref r), MarkCodec.ReadStyle(ref r)),
            Kind.MakeChanges => new MakeChanges(MarkCodec.ReadChanges(ref r)),
            Kind.UndoGesture => new UndoGesture(r.ReadInt64()),
            Kind.RedoGesture => new RedoGesture(r.ReadInt64()),
            Kind.AcceptLateWork => new AcceptLateWork(r.ReadInt64()),
            Kind.DiscardLateWork => new DiscardLateWork(r.ReadInt64()),
            Kind.SetDoor => new SetDoor((Door)r.ReadInt32()),
            Kind.GiveSignal => new GiveSignal(r.ReadInt32(), (Signal)r.ReadInt32(), r.ReadBoolean()),
            Kind.SetPens => new SetPens(r.ReadBoolean()),
            Kind.CloseLesson => new CloseLesson(),
            Kind.ReopenLesson => new ReopenLesson(),
            _ => throw new MessagePackSerializationException("Unknown kind of command."),
        };
        fields.End(ref r);
        return command;
    }

    private static void Begin(ref MessagePackWriter w, Kind kind, int fields)
    {
        w.Write((int)kind);
        w.WriteArrayHeader(fields);
    }
}
