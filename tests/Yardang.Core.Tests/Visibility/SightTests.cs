using Yardang.Core.Boards;
using Yardang.Core.Editing;
using Yardang.Core.Lessons;
using Yardang.Core.Marks;
using Yardang.Core.Rooms;
using Yardang.Core.Styles;
using Yardang.Core.Tests.Boards;
using Yardang.Core.Tests.Lessons;
using Yardang.Core.Tests.Walls;
using Yardang.Core.Visibility;
using Yardang.Core.Walls;
using Yardang.Data.Wire;
using static Yardang.Core.Tests.Boards.BoardScript;

namespace Yardang.Core.Tests.Visibility;

/// <summary>What each reader is told.</summary>
public class SightTests
{
    private static readonly Actor[] s_readers = [Teacher, Maya, Ben, new(4, Role.Student) { LooksOnly = true }, Actor.Onlooker];

    [Theory]
    [MemberData(nameof(Seeds))]
    public void For_every_reader_a_board_is_the_fold_of_the_events_that_they_were_sent(int seed)
    {
        var board = new BoardScript();
        BoardPlay.Play(board, new Random(seed));
        BoardPlay.PlayLateChange(board, takenBack: seed % 3 == 0);
        BoardPlay.Play(board, new Random(seed + 1_000));
        HoldsFor(board.Log, () => new Board(Content()), new Random(seed));
    }

    [Theory]
    [MemberData(nameof(Seeds))]
    public void For_every_reader_a_lesson_is_the_fold_of_the_events_that_they_were_sent(int seed)
    {
        var lesson = new LessonScript(4);
        LessonPlay.Play(lesson, new Random(seed), 200);
        HoldsFor(lesson.Log, () => new Lesson(), new Random(seed));
    }

    [Theory]
    [MemberData(nameof(Seeds))]
    public void For_every_reader_a_wall_is_the_fold_of_the_events_that_they_were_sent(int seed)
    {
        var wall = new WallScript();
        WallPlay.Play(wall, new Random(seed), 150);
        HoldsFor(wall.Log, () => new Wall(WallScript.Plan()), new Random(seed));
    }

    [Theory]
    [MemberData(nameof(Seeds))]
    public void For_every_reader_a_wall_without_names_is_the_fold_of_the_events_that_they_were_sent(int seed)
    {
        var wall = new WallScript(new WallRules(Names: NamesTo.Teachers));
        WallPlay.Play(wall, new Random(seed), 200);
        HoldsFor(wall.Log, () => new Wall(WallScript.Plan(new(Names: NamesTo.Teachers)), WallScript.Key), new Random(seed), () => new Wall(WallScript.Plan(new(Names: NamesTo.Teachers))) { IsCopy = true });
    }

    [Theory]
    [MemberData(nameof(Seeds))]
    public void Where_names_are_for_nobody_a_wall_is_for_teachers_too_the_fold_of_what_they_were_told(int seed)
    {
        var wall = new WallScript(new WallRules(Names: NamesTo.Nobody));
        WallPlay.Play(wall, new Random(seed), 200);
        HoldsFor(wall.Log, () => new Wall(WallScript.Plan(new(Names: NamesTo.Nobody)), WallScript.Key), new Random(seed), () => new Wall(WallScript.Plan(new(Names: NamesTo.Nobody))) { IsCopy = true });
    }

    [Fact]
    public void A_late_comer_is_not_sent_what_was_rubbed_out_and_gets_it_when_it_comes_back()
    {
        var board = new BoardScript();
        var note = board.NextId(Maya);
        board.Do(Maya, new AddMark(note, 1, Grip.Own, new NoteBody(100, 100, 5_200, 5_200, Say("a word in anger")), new Style(1, 0)));
        board.Do(Teacher, new MakeChanges([new Erasing(note, true)]));
        var late = Copy(() => new Board(Content()), SnapshotCodec.Encode(board.Board, Ben));
        Assert.DoesNotContain(note, ((Board)late).Sheets.Marks.Keys);
        Assert.DoesNotContain("anger"u8.ToArray(), SnapshotCodec.Encode(board.Board, Ben));
        Assert.DoesNotContain("anger"u8.ToArray(), SnapshotCodec.Encode(board.Board, Actor.Onlooker));

        board.Undo(Teacher);
        Send(late, board.Log[^1], Ben);
        Assert.Equal("a word in anger", ((Board)late).Sheets.Marks[note].Words?.Text);
    }

    [Fact]
    public void Classmates_see_late_work_once_the_teacher_has_added_it_and_know_nothing_of_it_before()
    {
        var board = new BoardScript { Allowed = new Allowed(PensDown: true) };
        var bens = Copy(() => new Board(Content()), SnapshotCodec.Encode(board.Board, Ben));
        var stroke = board.Draw(Maya);
        Assert.False(Sight.Of(Ben, board.Log[^1]));
        Assert.True(Sight.Of(Maya, board.Log[^1]));
        board.Do(Teacher, new AcceptLateWork(board.Log[^1].Number), 0);
        Send(bens, board.Log[^1], Ben);
        Assert.Equal(Maya.Number, ((Board)bens).Sheets.Marks[stroke].Author);

        board.Draw(Maya);
        board.Do(Teacher, new DiscardLateWork(board.Log[^1].Number), 0);
        Assert.False(Sight.Of(Ben, board.Log[^1]));
        Assert.True(Sight.Of(Maya, board.Log[^1]));
    }

    [Fact]
    public void Who_lowered_a_hand_handed_in_came_or_waits_is_told_to_them_and_to_teachers_only()
    {
        var lesson = new LessonScript(3);
        lesson.Do(new SetTimes(LessonTimes.None with { HandsIn = true }), Actor.Owner);
        lesson.Do(new GiveSignal(2, Signal.HandUp, true), Maya);
        lesson.Do(new GiveSignal(2, Signal.HandUp, false), Actor.Owner);
        lesson.Do(new HandIn(), Maya);
        lesson.Do(new SetDoor(Door.Ask), Actor.Owner);
        lesson.Do(new Join(), Actor.Program);
        lesson.Do(new AdmitPerson(5), Actor.Owner);
        lesson.Do(new RemovePerson(5), Actor.Owner);
        var toldToBen = lesson.Log.Where(e => Sight.Of(Ben, e)).Select(e => e.Event).ToList();
        Assert.DoesNotContain(toldToBen, e => e is SignalGiven or WorkHandedIn or PersonAsked or PersonAdmitted or PersonRemoved || e is PersonJoined(not 3));
        Assert.Contains(toldToBen, e => e is PersonJoined(3));
        Assert.Equal(2, lesson.Log.Count(e => e.Event is SignalGiven && Sight.Of(Maya, e)));
    }

    [Fact]
    public void A_students_copy_survives_that_classmates_come_are_grouped_and_are_taken_out()
    {
        var lesson = new LessonScript(3);
        var bens = Copy(() => new Lesson(), SnapshotCodec.Encode(lesson.Lesson, Ben));
        var from = lesson.Log.Count;
        lesson.Do(new SetGroups([new(1, "Piers", [2, 3]), new(2, "Decks", [4])], 0), Actor.Owner);
        lesson.Do(new RemovePerson(2), Actor.Owner);
        lesson.Do(new UndoGroups(), Actor.Owner);
        lesson.Do(new UndoGroups(), Actor.Owner);
        lesson.Do(new RedoGroups(), Actor.Owner);
        foreach (var happened in lesson.Log.Skip(from)) Send(bens, happened, Ben);
        Assert.Equal([3], ((Lesson)bens).Grouping.Of(3)!.People);
    }

    [Fact]
    public void Work_from_an_archive_comes_onto_a_board_without_its_answer_key()
    {
        var content = Content() with { Marks = [.. Content().Marks, Printed(9, Grip.Key, "it pushes back")] };
        var board = new Board(Content());
        var brought = Assert.IsType<Decision.Accepted>(board.Decide(Submission.ByProgram(new BringWork(content)), Actor.Program, Situation.Open));
        Assert.DoesNotContain(((WorkBrought)brought.Event).Content.Marks, m => m.Grip == Grip.Key);
        Assert.Single(AnswerKey.In(content.Marks).Marks);
    }

    public static TheoryData<int> Seeds() => [.. Enumerable.Range(1, 40)];

    private static void HoldsFor(List<Envelope> log, Func<Room> create, Random random, Func<Room>? createCopy = null)
    {
        foreach (var reader in s_readers)
        {
            // From the beginning, and from wherever somebody may have come late.
            foreach (var from in new[] { 0, random.Next(log.Count), random.Next(log.Count) })
            {
                var server = create();
                foreach (var envelope in log.Take(from)) server.Apply(envelope);
                var copy = Copy(createCopy ?? create, SnapshotCodec.Encode(server, reader));
                foreach (var envelope in log.Skip(from))
                {
                    server.Apply(envelope);
                    Send(copy, envelope, reader, server is Wall { Out: not null } wall ? wall.Veil : null, server.IsSealed);
                }

                copy.AdvanceTo(log[^1].Number);
                Assert.Equal(Convert.ToHexString(SnapshotCodec.Encode(server, reader)), Convert.ToHexString(SnapshotCodec.Encode(copy, reader.ReadingWhere(copy.IsSealed))));
            }
        }
    }

    private static Room Copy(Func<Room> create, byte[] snapshot)
    {
        var copy = create();
        Assert.True(SnapshotCodec.Restore(snapshot, copy));
        return copy;
    }

    // Over the wire, as a reader gets it.
    private static void Send(Room copy, Envelope envelope, Actor reader, Veil? veil = null, bool isSealed = false)
    {
        reader = reader.ReadingWhere(isSealed);
        if (!Sight.Of(reader, envelope)) return;
        copy.AdvanceTo(envelope.Number - 1);
        copy.Apply(EventCodec.Decode(EventCodec.Encode(reader.SeesAll ? envelope : veil is null ? Sight.AsTold(reader, envelope) : HiddenNames.AsTold(reader, envelope, veil))));
    }
}
