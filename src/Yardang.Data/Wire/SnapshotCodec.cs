using System.Buffers;
using System.Collections.Immutable;
using MessagePack;
using Yardang.Core.Activities;
using Yardang.Core.Boards;
using Yardang.Core.Drafts;
using Yardang.Core.LateChanges;
using Yardang.Core.Lessons;
using Yardang.Core.Marks;
using Yardang.Core.Rooms;
using Yardang.Core.Visibility;

namespace Yardang.Data.Wire;

/// <summary>
/// A room's state in one piece: [format, kind, number, clients, state]. The same form serves the disk (as the program sees it) and the
/// wire (as one reader may see it, compressed). Disposable: another format is dropped, and the log replayed.
/// </summary>
public static class SnapshotCodec
{
    /// <summary>Counts up with every change of layout.</summary>
    public const int Format = 5;

    /// <summary>The state as one reader may see it. The same state gives the same bytes.</summary>
    public static byte[] Encode(Room room, Actor reader)
    {
        var buffer = new ArrayBufferWriter<byte>(4096);
        var w = new MessagePackWriter(buffer);
        w.WriteArrayHeader(5);
        w.Write(Format);
        w.Write((int)room.Kind);
        w.Write(room.Number);
        var clients = room.Clients.Where(c => reader.IsStaff || c.Value.Actor == reader.Number).ToList();
        w.WriteArrayHeader(clients.Count);
        foreach (var (client, record) in clients)
        {
            w.WriteArrayHeader(3);
            w.Write(client);
            w.Write(record.Actor);
            w.Write(record.HighWater);
        }

        switch (room)
        {
            case Board board:
                w.WriteArrayHeader(4);
                Write(ref w, board.Sheets, reader);
                Write(ref w, [.. board.SetAside.Values.Where(s => Sight.Of(reader, s))]);
                w.Write(board.LastActivity ?? -1);
                Write(ref w, board.Adopted.Values);
                break;
            case Draft draft:
                w.WriteArrayHeader(1);
                Write(ref w, draft.Sheets, reader);
                break;
            case Lesson lesson:
                Write(ref w, lesson, reader);
                break;
        }

        w.Flush();
        return buffer.WrittenSpan.ToArray();
    }

    /// <summary>Puts a state into a new, empty room of the same kind. False if it is of another format or kind.</summary>
    /// <exception cref="MessagePackSerializationException">It is damaged.</exception>
    public static bool Restore(ReadOnlyMemory<byte> bytes, Room room)
    {
        var r = new MessagePackReader(bytes);
        r.ReadArrayHeader();
        if (r.ReadInt32() != Format || r.ReadInt32() != (int)room.Kind) return false;
        var number = r.ReadInt64();
        var clients = new List<KeyValuePair<int, ClientRecord>>();
        for (var left = r.ReadArrayHeader(); left > 0; left--)
        {
            r.ReadArrayHeader();
            clients.Add(new(r.ReadInt32(), new(r.ReadInt32(), r.ReadInt32())));
        }

        room.Restore(number, clients);
        switch (room)
        {
            case Board board:
                r.ReadArrayHeader();
                ReadSheets(ref r, board.Sheets);
                board.RestoreBoard(ReadSetAside(ref r), OrNull(r.ReadInt64()), ReadAdopted(ref r));
                break;
            case Draft draft:
                r.ReadArrayHeader();
                ReadSheets(ref r, draft.Sheets);
                break;
            case Lesson lesson:
                ReadLesson(ref r, lesson);
                break;
        }

        return true;
    }

    private static void Write(ref MessagePackWriter w, Sheets sheets, Actor reader)
    {
        w.WriteArrayHeader(7);
        MarkCodec.Write(ref w, sheets.Name);
        MarkCodec.Write(ref w, sheets.Directions);
        var pages = sheets.AllPages.Where(p => Sight.Of(reader, p)).ToList();
        w.WriteArrayHeader(pages.Count);
        foreach (var page in pages) PageCodec.Write(ref w, page);

        // In the order of their ids: not everybody learned of them in the same order.
        var marks = sheets.Marks.Values.Where(m => Sight.Of(reader, m)).OrderBy(m => m.Id).ToList();
        w.WriteArrayHeader(marks.Count);
        foreach (var mark in marks) MarkCodec.Write(ref w, Sight.AsSeen(reader, mark));

        var gestures = sheets.Journal.Gestures.ToList();
        w.WriteArrayHeader(gestures.Count);
        foreach (var gesture in gestures)
        {
            w.WriteArrayHeader(4);
            w.Write(gesture.Id);
            w.Write(gesture.Actor);
            w.Write(gesture.Undone);
            w.WriteArrayHeader(gesture.Steps.Count);
            foreach (var whole in gesture.Steps)
            {
                var step = Sight.AsSeen(reader, gesture, whole);
                w.WriteArrayHeader(3);
                ChangeCodec.Write(ref w, step.Before);
                w.Write(step.BeforeWriter);
                ChangeCodec.Write(ref w, step.After);
            }
        }

        var writers = sheets.Journal.Writers().ToList();
        w.WriteArrayHeader(writers.Count);
        foreach (var (key, writer) in writers)
        {
            w.WriteArrayHeader(3);
            w.Write(key.Target);
            w.Write((int)key.Property);
            w.Write(writer);
        }

        w.Write((int)sheets.Unit);
    }

    private static void ReadSheets(ref MessagePackReader r, Sheets sheets)
    {
        r.ReadArrayHeader();
        var name = MarkCodec.ReadTexts(ref r);
        var directions = MarkCodec.ReadTexts(ref r);
        var pages = new List<Page>();
        for (var left = r.ReadArrayHeader(); left > 0; left--) pages.Add(PageCodec.ReadPage(ref r));

        var marks = new List<Mark>();
        for (var left = r.ReadArrayHeader(); left > 0; left--) marks.Add(MarkCodec.ReadMark(ref r));

        var gestures = new List<(long, int, bool, IEnumerable<Step>)>();
        for (var left = r.ReadArrayHeader(); left > 0; left--)
        {
            r.ReadArrayHeader();
            gestures.Add((r.ReadInt64(), r.ReadInt32(), r.ReadBoolean(), ReadSteps(ref r)));
        }

        var writers = new List<KeyValuePair<(long, Property), long>>();
        for (var left = r.ReadArrayHeader(); left > 0; left--)
        {
            r.ReadArrayHeader();
            writers.Add(new((r.ReadInt64(), (Property)r.ReadInt32()), r.ReadInt64()));
        }

        sheets.Restore(new ActivityContent(name, directions, [], [], (LengthUnit)r.ReadInt32()), marks);
        sheets.RestorePages(pages);
        sheets.Journal.Restore(writers, gestures);
    }

    private static List<Step> ReadSteps(ref MessagePackReader r)
    {
        var steps = new List<Step>();
        for (var left = r.ReadArrayHeader(); left > 0; left--)
        {
            r.ReadArrayHeader();
            steps.Add(new(ChangeCodec.ReadChange(ref r), r.ReadInt64(), ChangeCodec.ReadChange(ref r)));
        }

        return steps;
    }

    private static void Write(ref MessagePackWriter w, List<LateWork> setAside)
    {
        w.WriteArrayHeader(setAside.Count);
        foreach (var late in setAside)
        {
            w.WriteArrayHeader(8);
            w.Write(late.Number);
            w.Write(late.Actor.Number);
            w.Write((int)late.Actor.Role);
            w.Write(late.Client);
            w.Write(late.Counter);
            w.Write(late.Gesture);
            CommandCodec.Write(ref w, late.Command);
        }
    }

    private static List<LateWork> ReadSetAside(ref MessagePackReader r)
    {
        var setAside = new List<LateWork>();
        for (var left = r.ReadArrayHeader(); left > 0; left--)
        {
            r.ReadArrayHeader();
            setAside.Add(new(
                r.ReadInt64(), new Actor(r.ReadInt32(), (Role)r.ReadInt32()), r.ReadInt32(), r.ReadInt32(), r.ReadInt64(), CommandCodec.Read(ref r)));
        }

        return setAside;
    }

    private static void Write(ref MessagePackWriter w, IEnumerable<Adopted> adopted)
    {
        var all = adopted.ToList();
        w.WriteArrayHeader(all.Count);
        foreach (var change in all)
        {
            w.WriteArrayHeader(3);
            w.Write(change.Number);
            w.Write(change.Page);
            w.Write(change.GivenUp);
        }
    }

    private static List<Adopted> ReadAdopted(ref MessagePackReader r)
    {
        var adopted = new List<Adopted>();
        for (var left = r.ReadArrayHeader(); left > 0; left--)
        {
            r.ReadArrayHeader();
            adopted.Add(new(r.ReadInt32(), r.ReadInt64(), r.ReadBoolean()));
        }

        return adopted;
    }

    private static void Write(ref MessagePackWriter w, Lesson lesson, Actor reader)
    {
        w.WriteArrayHeader(15);
        w.Write(reader.IsStaff ? (int)lesson.Door : 0);
        w.Write(lesson.PensDown);
        w.Write(lesson.PensConfirmedOn ?? -1);
        w.Write(lesson.Closed);
        var people = lesson.People.Values.Where(p => Sight.Of(reader, p)).ToList();
        w.WriteArrayHeader(people.Count);
        foreach (var person in people)
        {
            w.WriteArrayHeader(7);
            w.Write(person.Number);
            w.Write(person.JoinedAt);
            w.Write(person.HandUpAt ?? -1);
            w.Write(person.ReadyAt ?? -1);
            w.Write((int)person.Standing);
            w.Write(person.HandedInAt ?? -1);
            w.Write(person.IsListed);
        }

        w.Write(lesson.NamesMasked);
        w.Write(lesson.SeesOtherBoards);
        w.Write(lesson.SeesTeachersBoard);
        GroupCodec.Write(ref w, lesson.Grouping.Now);

        // What was before is of use only to those who may bring it back; the number tells how many a client may name without knowing them.
        w.Write(lesson.Grouping.Used);
        w.WriteArrayHeader(reader.IsStaff ? 2 : 0);
        if (reader.IsStaff)
        {
            GroupCodec.Write(ref w, lesson.Grouping.Past);
            GroupCodec.Write(ref w, lesson.Grouping.Future);
        }

        w.WriteArrayHeader(3);
        w.Write(lesson.GroupChanges);
        w.Write(reader.IsStaff ? lesson.PlacesAsOf : 0);
        w.Write(lesson.SeatsThrough);
        Write(ref w, lesson.Changes.Values, reader);
        w.WriteArrayHeader(6);
        LessonTimesCodec.Write(ref w, lesson.Times);
        w.Write(lesson.Waits);
        w.Write(lesson.IsOverdue);
        var waiting = reader.IsStaff ? lesson.Waiting.ToList() : [];
        w.WriteArrayHeader(waiting.Count);
        foreach (var work in waiting)
        {
            w.WriteArrayHeader(3);
            w.Write(work.Board.ToString());
            w.Write(work.Person);
            w.Write(work.Count);
        }
    }

    private static List<WorkWaits> ReadWaiting(ref MessagePackReader r)
    {
        var waiting = new List<WorkWaits>();
        for (var left = r.ReadArrayHeader(); left > 0; left--)
        {
            r.ReadArrayHeader();
            waiting.Add(new(Guid.Parse(r.ReadString()!), r.ReadInt32(), r.ReadInt32()));
        }

        return waiting;
    }

    // Who else was given something is no matter of a student's.
    private static void Write(ref MessagePackWriter w, IEnumerable<LateChange> changes, Actor reader)
    {
        var known = changes.Where(c => reader.IsStaff || c.Received.Contains(reader.Number)).ToList();
        w.WriteArrayHeader(known.Count);
        foreach (var change in known)
        {
            w.WriteArrayHeader(7);
            w.Write(change.Number);
            w.Write((reader.IsStaff ? change.Content : Guid.Empty).ToString());
            w.Write(reader.IsStaff ? change.At : 0);
            MarkCodec.Write(ref w, reader.IsStaff ? change.Groups : []);
            MarkCodec.Write(ref w, reader.IsStaff ? change.People : []);
            MarkCodec.Write(ref w, reader.IsStaff ? [.. change.Received] : [reader.Number]);
            w.Write(reader.IsStaff && change.TakenBack);
        }
    }

    private static List<LateChange> ReadChanges(ref MessagePackReader r)
    {
        var changes = new List<LateChange>();
        for (var left = r.ReadArrayHeader(); left > 0; left--)
        {
            r.ReadArrayHeader();
            changes.Add(new(r.ReadInt32(), Guid.Parse(r.ReadString()!), r.ReadInt64(), MarkCodec.ReadInts(ref r), MarkCodec.ReadInts(ref r), [.. MarkCodec.ReadInts(ref r)], r.ReadBoolean()));
        }

        return changes;
    }

    private static void ReadLesson(ref MessagePackReader r, Lesson lesson)
    {
        r.ReadArrayHeader();
        var door = (Door)r.ReadInt32();
        var pensDown = r.ReadBoolean();
        var confirmed = r.ReadInt32();
        var closed = r.ReadBoolean();
        var people = new List<Person>();
        for (var left = r.ReadArrayHeader(); left > 0; left--)
        {
            r.ReadArrayHeader();
            people.Add(new(r.ReadInt32(), r.ReadInt64(), OrNull(r.ReadInt64()), OrNull(r.ReadInt64()), (Standing)r.ReadInt32(), OrNull(r.ReadInt64()), r.ReadBoolean()));
        }

        bool masked = r.ReadBoolean(), others = r.ReadBoolean(), teachers = r.ReadBoolean();
        var now = GroupCodec.Read(ref r);
        var used = r.ReadInt32();
        var known = r.ReadArrayHeader() == 2;
        ImmutableArray<ImmutableArray<Group>> past = known ? GroupCodec.ReadArrangements(ref r) : [], future = known ? GroupCodec.ReadArrangements(ref r) : [];
        r.ReadArrayHeader();
        var grouping = new Grouping(now, past, future, used);
        var (groupChanges, placesAsOf, seatsThrough) = (r.ReadInt32(), r.ReadInt64(), r.ReadInt64());
        var changes = ReadChanges(ref r);
        r.ReadArrayHeader();
        lesson.RestoreLesson(new(
            door, pensDown, confirmed < 0 ? null : confirmed, closed, people, masked, others, teachers, grouping, groupChanges, placesAsOf, seatsThrough,
            changes, LessonTimesCodec.Read(ref r), r.ReadBoolean(), r.ReadBoolean(), ReadWaiting(ref r)));
    }

    private static long? OrNull(long value) => value < 0 ? null : value;
}
