using System.Buffers;
using System.Collections.Immutable;
using MessagePack;
using Yardang.Core.LateChanges;
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
        AddMarks = 7,
        AddPage = 8,
        SetDoor = 20,
        GiveSignal = 21,
        SetPens = 22,
        CloseLesson = 23,
        ReopenLesson = 24,
        AdmitPerson = 25,
        TurnAway = 26,
        RemovePerson = 27,
        SetGroups = 28,
        UndoGroups = 29,
        RedoGroups = 30,
        MaskNames = 31,
        SetSight = 32,
        ConfirmChange = 33,
        SetTimes = 34,
        HandIn = 35,
        TakeWorkBack = 36,
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
                BodyCodec.Write(ref w, c.Body);
                MarkCodec.Write(ref w, c.Style);
                break;
            case AddMarks c:
                Begin(ref w, Kind.AddMarks, 2);
                w.Write(c.Page);
                w.WriteArrayHeader(c.Marks.Length);
                foreach (var mark in c.Marks) Write(ref w, mark);
                break;
            case AddPage c:
                Begin(ref w, Kind.AddPage, 2);
                PageCodec.Write(ref w, c.Page);
                MarkCodec.WriteNumber(ref w, c.Order);
                break;
            case MakeChanges c:
                Begin(ref w, Kind.MakeChanges, 1);
                ChangeCodec.Write(ref w, c.Changes);
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
            case AdmitPerson c:
                Begin(ref w, Kind.AdmitPerson, 1);
                w.Write(c.Person);
                break;
            case TurnAway c:
                Begin(ref w, Kind.TurnAway, 1);
                w.Write(c.Person);
                break;
            case RemovePerson c:
                Begin(ref w, Kind.RemovePerson, 1);
                w.Write(c.Person);
                break;
            case SetGroups c:
                Begin(ref w, Kind.SetGroups, 2);
                GroupCodec.Write(ref w, c.Groups);
                w.Write(c.Change);
                break;
            case UndoGroups:
                Begin(ref w, Kind.UndoGroups, 0);
                break;
            case RedoGroups:
                Begin(ref w, Kind.RedoGroups, 0);
                break;
            case MaskNames c:
                Begin(ref w, Kind.MaskNames, 1);
                w.Write(c.Masked);
                break;
            case SetSight c:
                Begin(ref w, Kind.SetSight, 2);
                w.Write(c.OtherBoards);
                w.Write(c.TeachersBoard);
                break;
            case ConfirmChange c:
                Begin(ref w, Kind.ConfirmChange, 1);
                w.Write(c.Number);
                break;
            case SetTimes c:
                Begin(ref w, Kind.SetTimes, 4);
                LessonTimesCodec.Write(ref w, c.Times);
                break;
            case HandIn:
                Begin(ref w, Kind.HandIn, 0);
                break;
            case TakeWorkBack:
                Begin(ref w, Kind.TakeWorkBack, 0);
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
            Kind.SetTimes => 4,
            Kind.AddMarks or Kind.AddPage or Kind.SetGroups or Kind.SetSight => 2,
            Kind.CloseLesson or Kind.ReopenLesson or Kind.UndoGroups or Kind.RedoGroups or Kind.HandIn or Kind.TakeWorkBack => 0,
            _ => 1,
        });
        Command command = kind switch
        {
            Kind.AddMark => new AddMark(r.ReadInt64(), r.ReadInt64(), (Grip)r.ReadInt32(), BodyCodec.ReadBody(ref r), MarkCodec.ReadStyle(ref r)),
            Kind.AddMarks => new AddMarks(r.ReadInt64(), ReadNewMarks(ref r)),
            Kind.AddPage => new AddPage(PageCodec.ReadPage(ref r), r.ReadDouble()),
            Kind.MakeChanges => new MakeChanges(ChangeCodec.ReadChanges(ref r)),
            Kind.UndoGesture => new UndoGesture(r.ReadInt64()),
            Kind.RedoGesture => new RedoGesture(r.ReadInt64()),
            Kind.AcceptLateWork => new AcceptLateWork(r.ReadInt64()),
            Kind.DiscardLateWork => new DiscardLateWork(r.ReadInt64()),
            Kind.SetDoor => new SetDoor((Door)r.ReadInt32()),
            Kind.GiveSignal => new GiveSignal(r.ReadInt32(), (Signal)r.ReadInt32(), r.ReadBoolean()),
            Kind.SetPens => new SetPens(r.ReadBoolean()),
            Kind.CloseLesson => new CloseLesson(),
            Kind.ReopenLesson => new ReopenLesson(),
            Kind.AdmitPerson => new AdmitPerson(r.ReadInt32()),
            Kind.TurnAway => new TurnAway(r.ReadInt32()),
            Kind.RemovePerson => new RemovePerson(r.ReadInt32()),
            Kind.SetGroups => new SetGroups(GroupCodec.Read(ref r), r.ReadInt32()),
            Kind.UndoGroups => new UndoGroups(),
            Kind.RedoGroups => new RedoGroups(),
            Kind.MaskNames => new MaskNames(r.ReadBoolean()),
            Kind.SetSight => new SetSight(r.ReadBoolean(), r.ReadBoolean()),
            Kind.ConfirmChange => new ConfirmChange(r.ReadInt32()),
            Kind.SetTimes => new SetTimes(LessonTimesCodec.Read(ref r)),
            Kind.HandIn => new HandIn(),
            Kind.TakeWorkBack => new TakeWorkBack(),
            _ => throw new MessagePackSerializationException("Unknown kind of command."),
        };
        fields.End(ref r);
        return command;
    }

    // [id, grip, body, style, place, scale, cuts, tie]
    private static void Write(ref MessagePackWriter w, NewMark mark)
    {
        w.WriteArrayHeader(8);
        w.Write(mark.Id);
        w.Write((int)mark.Grip);
        BodyCodec.Write(ref w, mark.Body);
        MarkCodec.Write(ref w, mark.Style);
        MarkCodec.Write(ref w, mark.Place);
        MarkCodec.Write(ref w, mark.Scale);
        MarkCodec.Write(ref w, mark.Cuts);
        w.Write(mark.Tie);
    }

    private static ImmutableArray<NewMark> ReadNewMarks(ref MessagePackReader r)
    {
        var count = r.ReadArrayHeader();
        if (count > Limits.NewMarks) throw new MessagePackSerializationException("Too many marks.");
        var marks = ImmutableArray.CreateBuilder<NewMark>(count);
        for (; count > 0; count--)
        {
            var fields = new Fields(ref r, 8);
            marks.Add(new(
                r.ReadInt64(), (Grip)r.ReadInt32(), BodyCodec.ReadBody(ref r), MarkCodec.ReadStyle(ref r), MarkCodec.ReadPlace(ref r),
                MarkCodec.ReadScale(ref r), MarkCodec.ReadInts(ref r), r.ReadInt64()));
            fields.End(ref r);
        }

        return marks.MoveToImmutable();
    }

    private static void Begin(ref MessagePackWriter w, Kind kind, int fields)
    {
        w.Write((int)kind);
        w.WriteArrayHeader(fields);
    }
}
