using System.Buffers;
using System.Collections.Immutable;
using MessagePack;
using Yardang.Core.Activities;
using Yardang.Core.Boards;
using Yardang.Core.Drafts;
using Yardang.Core.Interchange;
using Yardang.Core.LateChanges;
using Yardang.Core.Lessons;
using Yardang.Core.Marks;
using Yardang.Core.Rooms;

namespace Yardang.Data.Wire;

/// <summary>
/// Events in the log and on the wire, the same bytes in both:
/// [number, time, actor, role, client, counter, gesture, audience, kind, body]. Room and epoch stand beside it.
/// </summary>
public static class EventCodec
{
    private enum Kind
    {
        ClientAdmitted = 1,
        Redacted = 2,
        DraftStarted = 3,
        DraftReplaced = 4,
        MarkAdded = 10,
        ChangesMade = 11,
        GestureUndone = 12,
        GestureRedone = 13,
        WorkSetAside = 14,
        LateWorkAccepted = 15,
        LateWorkDiscarded = 16,
        MarksAdded = 17,
        PageAdded = 18,
        WorkBrought = 19,
        ChangeAdopted = 20,
        KeySet = 21,
        LessonOpened = 30,
        PersonJoined = 31,
        DoorSet = 32,
        SignalGiven = 33,
        PensSet = 34,
        PensConfirmed = 35,
        LessonClosed = 36,
        LessonReopened = 37,
        PeopleExpected = 38,
        PersonAsked = 39,
        PersonAdmitted = 40,
        PersonTurnedAway = 41,
        PersonRemoved = 42,
        GroupsSet = 43,
        GroupsUndone = 44,
        GroupsRedone = 45,
        SeatsConfirmed = 46,
        NamesMasked = 47,
        SightSet = 48,
        ChangeHandedOut = 49,
        ChangeTakenBack = 50,
        ChangeReceived = 51,
        TimesSet = 52,
        MomentCame = 53,
        WorkHandedIn = 54,
        WorkTakenBack = 55,
        SentAway = 56,
        WorkWaits = 57,
        PersonBrought = 58,
    }

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
        Write(ref w, e.Event);
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
        var happened = Read(ref r);
        fields.End(ref r);
        return new(number, time, actor, client, counter, gesture, audience, happened);
    }

    private static void Write(ref MessagePackWriter w, RoomEvent happened)
    {
        switch (happened)
        {
            case ClientAdmitted e:
                Begin(ref w, Kind.ClientAdmitted, 1);
                w.Write(e.Number);
                break;
            case Redacted:
                Begin(ref w, Kind.Redacted, 0);
                break;
            case DraftStarted e:
                Begin(ref w, Kind.DraftStarted, 1);
                w.Write(ActivityJson.Write(e.Content));
                break;
            case DraftReplaced e:
                Begin(ref w, Kind.DraftReplaced, 1);
                w.Write(ActivityJson.Write(e.Content));
                break;
            case WorkBrought e:
                Begin(ref w, Kind.WorkBrought, e.ChangedAt is null ? 1 : 2);
                w.Write(ActivityJson.Write(e.Content));
                if (e.ChangedAt is { } changedAt) w.Write(changedAt);
                break;
            case MarkAdded e:
                Begin(ref w, Kind.MarkAdded, 1);
                MarkCodec.Write(ref w, e.Mark);
                break;
            case MarksAdded e:
                Begin(ref w, Kind.MarksAdded, 1);
                w.WriteArrayHeader(e.Marks.Length);
                foreach (var mark in e.Marks) MarkCodec.Write(ref w, mark);
                break;
            case ChangeAdopted e:
                Begin(ref w, Kind.ChangeAdopted, 5);
                w.Write(e.Number);
                w.Write(e.Page);
                w.WriteArrayHeader(e.Pages.Length);
                foreach (var page in e.Pages) PageCodec.Write(ref w, page);
                w.WriteArrayHeader(e.Marks.Length);
                foreach (var mark in e.Marks) MarkCodec.Write(ref w, mark);
                ChangeCodec.Write(ref w, e.Changes);
                break;
            case KeySet(var key):
                Begin(ref w, Kind.KeySet, 2);
                w.WriteArrayHeader(key.Marks.Length);
                foreach (var mark in key.Marks) MarkCodec.Write(ref w, mark);
                w.WriteArrayHeader(key.Zones.Length);
                foreach (var zone in key.Zones) BodyCodec.Write(ref w, zone);
                break;
            case PageAdded e:
                Begin(ref w, Kind.PageAdded, 2);
                PageCodec.Write(ref w, e.Page);
                MarkCodec.WriteNumber(ref w, e.Order);
                break;
            case ChangesMade e:
                Begin(ref w, Kind.ChangesMade, e.Back is null ? 1 : 2);
                ChangeCodec.Write(ref w, e.Changes);
                WriteBack(ref w, e.Back);
                break;
            case GestureUndone e:
                Turned(ref w, Kind.GestureUndone, e.Gesture, e.Changes, e.Skipped, e.Back);
                break;
            case GestureRedone e:
                Turned(ref w, Kind.GestureRedone, e.Gesture, e.Changes, e.Skipped, e.Back);
                break;
            case WorkSetAside e:
                Begin(ref w, Kind.WorkSetAside, 2);
                CommandCodec.Write(ref w, e.Command);
                break;
            case LateWorkAccepted e:
                // Kind and body of the outcome, [kind, body] or 0 and nothing, as every event has them; behind them whose it is, if that is known.
                Begin(ref w, Kind.LateWorkAccepted, e.Person != 0 ? 5 : e.Outcome is null ? 1 : 3);
                w.Write(e.Number);
                if (e.Outcome is not null)
                {
                    Write(ref w, e.Outcome);
                }
                else if (e.Person != 0)
                {
                    w.Write(0);
                    w.WriteNil();
                }

                if (e.Person == 0) break;
                w.Write(e.Person);
                w.Write(e.Gesture);
                break;
            case LateWorkDiscarded e:
                Begin(ref w, Kind.LateWorkDiscarded, e.Person == 0 ? 1 : 2);
                w.Write(e.Number);
                if (e.Person != 0) w.Write(e.Person);
                break;
            case PersonBrought e:
                Begin(ref w, Kind.PersonBrought, 3);
                w.Write(e.Person);
                w.Write(e.JoinedAt);
                w.Write(e.HandedInAt ?? -1);
                break;
            case WorkWaits e:
                Begin(ref w, Kind.WorkWaits, 3);
                w.Write(e.Board.ToString());
                w.Write(e.Person);
                w.Write(e.Count);
                break;
            case SentAway e:
                Begin(ref w, Kind.SentAway, 1);
                MarkCodec.Write(ref w, e.People);
                break;
            case LessonOpened:
                Begin(ref w, Kind.LessonOpened, 0);
                break;
            case PersonJoined e:
                Begin(ref w, Kind.PersonJoined, 1);
                w.Write(e.Person);
                break;
            case DoorSet e:
                Begin(ref w, Kind.DoorSet, 1);
                w.Write((int)e.Door);
                break;
            case SignalGiven e:
                Begin(ref w, Kind.SignalGiven, 3);
                w.Write(e.Person);
                w.Write((int)e.Signal);
                w.Write(e.On);
                break;
            case PensSet e:
                Begin(ref w, Kind.PensSet, 1);
                w.Write(e.Down);
                break;
            case PensConfirmed e:
                Begin(ref w, Kind.PensConfirmed, 2);
                w.Write(e.Down);
                w.Write(e.Boards);
                break;
            case LessonClosed:
                Begin(ref w, Kind.LessonClosed, 0);
                break;
            case LessonReopened:
                Begin(ref w, Kind.LessonReopened, 0);
                break;
            case PeopleExpected e:
                Begin(ref w, Kind.PeopleExpected, 2);
                w.Write(e.First);
                w.Write(e.Count);
                break;
            case PersonAsked e:
                Begin(ref w, Kind.PersonAsked, 1);
                w.Write(e.Person);
                break;
            case PersonAdmitted e:
                Begin(ref w, Kind.PersonAdmitted, 1);
                w.Write(e.Person);
                break;
            case PersonTurnedAway e:
                Begin(ref w, Kind.PersonTurnedAway, 1);
                w.Write(e.Person);
                break;
            case PersonRemoved e:
                Begin(ref w, Kind.PersonRemoved, 1);
                w.Write(e.Person);
                break;
            case GroupsSet e:
                Begin(ref w, Kind.GroupsSet, 1);
                GroupCodec.Write(ref w, e.Groups);
                break;
            case GroupsUndone e:
                Begin(ref w, Kind.GroupsUndone, e.Groups is null ? 0 : 1);
                if (e.Groups is { } before) GroupCodec.Write(ref w, before);
                break;
            case GroupsRedone e:
                Begin(ref w, Kind.GroupsRedone, e.Groups is null ? 0 : 1);
                if (e.Groups is { } again) GroupCodec.Write(ref w, again);
                break;
            case SeatsConfirmed e:
                Begin(ref w, Kind.SeatsConfirmed, 1);
                w.Write(e.Through);
                break;
            case NamesMasked e:
                Begin(ref w, Kind.NamesMasked, 1);
                w.Write(e.Masked);
                break;
            case SightSet e:
                Begin(ref w, Kind.SightSet, 2);
                w.Write(e.OtherBoards);
                w.Write(e.TeachersBoard);
                break;
            case ChangeHandedOut e:
                Begin(ref w, Kind.ChangeHandedOut, 4);
                w.Write(e.Number);
                w.Write(e.Content.ToString());
                MarkCodec.Write(ref w, e.Groups);
                MarkCodec.Write(ref w, e.People);
                break;
            case ChangeTakenBack e:
                Begin(ref w, Kind.ChangeTakenBack, 1);
                w.Write(e.Number);
                break;
            case ChangeReceived e:
                Begin(ref w, Kind.ChangeReceived, 2);
                w.Write(e.Person);
                w.Write(e.Number);
                break;
            case TimesSet e:
                Begin(ref w, Kind.TimesSet, 4);
                LessonTimesCodec.Write(ref w, e.Times);
                break;
            case MomentCame e:
                Begin(ref w, Kind.MomentCame, 1);
                w.Write((int)e.Moment);
                break;
            case WorkHandedIn e:
                Begin(ref w, Kind.WorkHandedIn, 1);
                MarkCodec.Write(ref w, e.People);
                break;
            case WorkTakenBack e:
                Begin(ref w, Kind.WorkTakenBack, 1);
                MarkCodec.Write(ref w, e.People);
                break;
            default:
                throw new ArgumentException($"{happened.GetType().Name} has no wire form.", nameof(happened));
        }
    }

    private static RoomEvent Read(ref MessagePackReader r)
    {
        var kind = (Kind)r.ReadInt32();
        var count = r.ReadArrayHeader();
        var (happened, read) = ReadBody(ref r, kind, count);
        if (count < read) throw new MessagePackSerializationException($"An event of kind {kind} lacks fields.");
        for (var i = read; i < count; i++) r.Skip();
        return happened;
    }

    private static (RoomEvent Event, int Fields) ReadBody(ref MessagePackReader r, Kind kind, int count) => kind switch
    {
        Kind.ClientAdmitted => (new ClientAdmitted(r.ReadInt32()), 1),
        Kind.Redacted => (new Redacted(), 0),
        Kind.DraftStarted => (new DraftStarted(ActivityJson.Read(r.ReadBytes()!.Value.ToArray())), 1),
        Kind.DraftReplaced => (new DraftReplaced(ActivityJson.Read(r.ReadBytes()!.Value.ToArray())), 1),
        Kind.WorkBrought => (new WorkBrought(ActivityJson.Read(r.ReadBytes()!.Value.ToArray()), count > 1 ? r.ReadInt64() : null), Math.Clamp(count, 1, 2)),
        Kind.MarkAdded => (new MarkAdded(MarkCodec.ReadMark(ref r)), 1),
        Kind.MarksAdded => (new MarksAdded(ReadMarks(ref r)), 1),
        Kind.ChangeAdopted => (new ChangeAdopted(r.ReadInt32(), r.ReadInt64(), ReadPages(ref r), ReadMarks(ref r), ChangeCodec.ReadChanges(ref r)), 5),
        Kind.KeySet => (new KeySet(new AnswerKey(ReadMarks(ref r), ReadZones(ref r))), 2),
        Kind.PageAdded => (new PageAdded(PageCodec.ReadPage(ref r), r.ReadDouble()), 2),
        Kind.ChangesMade => (new ChangesMade(ChangeCodec.ReadChanges(ref r), ReadBack(ref r, count > 1)), Math.Min(count, 2)),
        Kind.GestureUndone => (new GestureUndone(r.ReadInt64(), ChangeCodec.ReadChanges(ref r), ReadIds(ref r), ReadBack(ref r, count > 3)), Math.Clamp(count, 3, 4)),
        Kind.GestureRedone => (new GestureRedone(r.ReadInt64(), ChangeCodec.ReadChanges(ref r), ReadIds(ref r), ReadBack(ref r, count > 3)), Math.Clamp(count, 3, 4)),
        Kind.WorkSetAside => (new WorkSetAside(CommandCodec.Read(ref r)), 2),
        Kind.LateWorkAccepted => ReadAccepted(ref r, count),
        Kind.LateWorkDiscarded => (new LateWorkDiscarded(r.ReadInt64(), count > 1 ? r.ReadInt32() : 0), Math.Clamp(count, 1, 2)),
        Kind.PersonBrought => (new PersonBrought(r.ReadInt32(), r.ReadInt64(), r.ReadInt64() is >= 0 and var at ? at : null), 3),
        Kind.WorkWaits => (new WorkWaits(Guid.Parse(r.ReadString()!), r.ReadInt32(), r.ReadInt32()), 3),
        Kind.SentAway => (new SentAway(MarkCodec.ReadInts(ref r)), 1),
        Kind.LessonOpened => (new LessonOpened(), 0),
        Kind.PersonJoined => (new PersonJoined(r.ReadInt32()), 1),
        Kind.DoorSet => (new DoorSet((Door)r.ReadInt32()), 1),
        Kind.SignalGiven => (new SignalGiven(r.ReadInt32(), (Signal)r.ReadInt32(), r.ReadBoolean()), 3),
        Kind.PensSet => (new PensSet(r.ReadBoolean()), 1),
        Kind.PensConfirmed => (new PensConfirmed(r.ReadBoolean(), r.ReadInt32()), 2),
        Kind.LessonClosed => (new LessonClosed(), 0),
        Kind.LessonReopened => (new LessonReopened(), 0),
        Kind.PeopleExpected => (new PeopleExpected(r.ReadInt32(), r.ReadInt32()), 2),
        Kind.PersonAsked => (new PersonAsked(r.ReadInt32()), 1),
        Kind.PersonAdmitted => (new PersonAdmitted(r.ReadInt32()), 1),
        Kind.PersonTurnedAway => (new PersonTurnedAway(r.ReadInt32()), 1),
        Kind.PersonRemoved => (new PersonRemoved(r.ReadInt32()), 1),
        Kind.GroupsSet => (new GroupsSet(GroupCodec.Read(ref r)), 1),
        Kind.GroupsUndone => (new GroupsUndone(count > 0 ? GroupCodec.Read(ref r) : null), Math.Min(count, 1)),
        Kind.GroupsRedone => (new GroupsRedone(count > 0 ? GroupCodec.Read(ref r) : null), Math.Min(count, 1)),
        Kind.SeatsConfirmed => (new SeatsConfirmed(r.ReadInt64()), 1),
        Kind.NamesMasked => (new NamesMasked(r.ReadBoolean()), 1),
        Kind.SightSet => (new SightSet(r.ReadBoolean(), r.ReadBoolean()), 2),
        Kind.ChangeHandedOut => (new ChangeHandedOut(r.ReadInt32(), Guid.Parse(r.ReadString()!), MarkCodec.ReadInts(ref r), MarkCodec.ReadInts(ref r)), 4),
        Kind.ChangeTakenBack => (new ChangeTakenBack(r.ReadInt32()), 1),
        Kind.ChangeReceived => (new ChangeReceived(r.ReadInt32(), r.ReadInt32()), 2),
        Kind.TimesSet => (new TimesSet(LessonTimesCodec.Read(ref r)), 4),
        Kind.MomentCame => (new MomentCame((Moment)r.ReadInt32()), 1),
        Kind.WorkHandedIn => (new WorkHandedIn(MarkCodec.ReadInts(ref r)), 1),
        Kind.WorkTakenBack => (new WorkTakenBack(MarkCodec.ReadInts(ref r)), 1),
        _ => throw new MessagePackSerializationException($"Unknown kind of event: {(int)kind}."),
    };

    private static void Turned(ref MessagePackWriter w, Kind kind, long gesture, ImmutableArray<Change> changes, ImmutableArray<long> skipped, ImmutableArray<Mark>? back)
    {
        Begin(ref w, kind, back is null ? 3 : 4);
        w.Write(gesture);
        ChangeCodec.Write(ref w, changes);
        w.WriteArrayHeader(skipped.Length);
        foreach (var id in skipped) w.Write(id);
        WriteBack(ref w, back);
    }

    private static void WriteBack(ref MessagePackWriter w, ImmutableArray<Mark>? back)
    {
        if (back is not { } marks) return;
        w.WriteArrayHeader(marks.Length);
        foreach (var mark in marks) MarkCodec.Write(ref w, mark);
    }

    private static (RoomEvent Event, int Fields) ReadAccepted(ref MessagePackReader r, int count)
    {
        var number = r.ReadInt64();
        RoomEvent? outcome = null;
        if (count >= 3)
        {
            var peek = r.CreatePeekReader();
            if (peek.ReadInt32() != 0)
            {
                outcome = Read(ref r);
            }
            else
            {
                r.Skip();
                r.Skip();
            }
        }

        return count >= 5 ? (new LateWorkAccepted(number, outcome, r.ReadInt32(), r.ReadInt64()), 5) : (new LateWorkAccepted(number, outcome), Math.Min(count, 3));
    }

    private static ImmutableArray<Mark>? ReadBack(ref MessagePackReader r, bool isThere) => isThere ? ReadMarks(ref r) : null;

    private static ImmutableArray<Page> ReadPages(ref MessagePackReader r)
    {
        var pages = ImmutableArray.CreateBuilder<Page>();
        for (var left = r.ReadArrayHeader(); left > 0; left--) pages.Add(PageCodec.ReadPage(ref r));
        return pages.ToImmutable();
    }

    private static ImmutableArray<Mark> ReadMarks(ref MessagePackReader r)
    {
        var marks = ImmutableArray.CreateBuilder<Mark>();
        for (var left = r.ReadArrayHeader(); left > 0; left--) marks.Add(MarkCodec.ReadMark(ref r));
        return marks.ToImmutable();
    }

    private static ImmutableArray<ZoneKey> ReadZones(ref MessagePackReader r)
    {
        var zones = ImmutableArray.CreateBuilder<ZoneKey>();
        for (var left = r.ReadArrayHeader(); left > 0; left--) zones.Add(BodyCodec.ReadZoneKey(ref r));
        return zones.ToImmutable();
    }

    private static ImmutableArray<long> ReadIds(ref MessagePackReader r)
    {
        var ids = ImmutableArray.CreateBuilder<long>();
        for (var left = r.ReadArrayHeader(); left > 0; left--) ids.Add(r.ReadInt64());
        return ids.ToImmutable();
    }

    private static void Begin(ref MessagePackWriter w, Kind kind, int fields)
    {
        w.Write((int)kind);
        w.WriteArrayHeader(fields);
    }
}
