using System.Text;
using Yardang.Core.Boards;
using Yardang.Core.Editing;
using Yardang.Core.Judges;
using Yardang.Core.Lessons;
using Yardang.Core.Marks;
using Yardang.Core.PersonalData;
using Yardang.Core.Rooms;
using Yardang.Core.Tests.Boards;
using Yardang.Core.Tests.Lessons;
using Yardang.Core.Tests.Walls;
using Yardang.Core.Threads;
using Yardang.Core.Walls;
using Yardang.Data.Wire;
using static Yardang.Core.Tests.Boards.BoardScript;

namespace Yardang.Core.Tests;

/// <summary>What a person did is taken out of the log for good; what others did stays.</summary>
public class ErasureTests
{
    [Theory]
    [MemberData(nameof(Seeds))]
    public void A_board_without_somebody_can_be_read_and_what_others_put_there_is_as_it_was(int seed)
    {
        var board = new BoardScript();
        BoardPlay.Play(board, new Random(seed));
        BoardPlay.PlayLateChange(board, takenBack: seed % 3 == 0);
        BoardPlay.Play(board, new Random(seed + 1_000));
        var (log, again) = Erased(board.Log, new Board(Content()), Maya.Number);
        static bool IsOthers(Mark mark) => mark.Author != Maya.Number || mark.ByStaff;
        Assert.Equal(board.Board.Sheets.Marks.Values.Where(IsOthers).Select(Said), again.Sheets.Marks.Values.Where(IsOthers).Select(Said));
        Assert.All(again.Sheets.Marks.Values.Where(m => !IsOthers(m)), mark => Assert.Equal(Erasure.Gone, mark.Words?.Text));
        Assert.Equal(board.Board.Clients.Keys.Order(), again.Clients.Keys.Order());
        HasNoWordsOf(Maya.Number, board.Log, log);
    }

    [Theory]
    [MemberData(nameof(Seeds))]
    public void A_wall_without_somebody_can_be_read_and_what_others_put_up_is_as_it_was(int seed)
    {
        var wall = new WallScript();
        WallPlay.Play(wall, new Random(seed), 200);
        var (log, again) = Erased(wall.Log, new Wall(WallScript.Plan(), WallScript.Key), WallScript.Maya.Number);
        static bool IsOthers(Card card) => card.Author != Maya.Number || card.ByStaff;
        Assert.Equal(wall.Wall.Cards.Values.Where(IsOthers).Select(c => (c.Id, c.Text, c.Topic, c.DownBy)), again.Cards.Values.Where(IsOthers).Select(c => (c.Id, c.Text, c.Topic, c.DownBy)));
        Assert.All(again.Cards.Values.Where(c => !IsOthers(c)), card => Assert.Equal((Erasure.Gone, 0), (card.Text, card.Shown.Length)));
        HasNoWordsOf(Maya.Number, wall.Log, log);
    }

    [Theory]
    [MemberData(nameof(Seeds))]
    public void A_lesson_without_somebody_can_be_read(int seed)
    {
        var lesson = new LessonScript(4);
        LessonPlay.Play(lesson, new Random(seed), 200);
        var (log, again) = Erased(lesson.Log, new Lesson(), 2);
        Assert.Equal(lesson.Lesson.People.Keys.Order(), again.People.Keys.Order());
        HasNoWordsOf(2, lesson.Log, log);
    }

    [Fact]
    public void What_others_said_to_something_of_theirs_stays_with_an_empty_frame_of_it()
    {
        var wall = new WallScript(new(Answers: true));
        var answered = wall.PutUp(WallScript.Maya, "arches push");
        var alone = wall.PutUp(WallScript.Maya, "stone is heavy");
        var said = wall.Answer(WallScript.Ben, answered, "At the banks?");
        wall.Answer(WallScript.Maya, answered, "Yes, there", said);
        var (_, again) = Erased(wall.Log, new Wall(WallScript.Plan(new(Answers: true)), WallScript.Key), Maya.Number);
        Assert.Equal((Erasure.Gone, true), (again.Cards[answered].Text, again.Cards[answered].IsUp));
        Assert.Equal(["At the banks?"], again.Cards[answered].Said.Select(a => a.Text));
        Assert.False(again.Cards.ContainsKey(alone));
    }

    [Fact]
    public void Where_they_drew_to_what_a_classmate_said_something_a_dash_stands()
    {
        var board = new BoardScript();
        var line = board.Draw(Maya);
        var other = board.Draw(Maya);
        board.Do(Ben, new GiveAnswer(line, board.NextId(Ben), 0, "en", "Where does it push?"), 0);
        board.Do(Ben, new MakeChanges([new Placed(LooseLabel, new Place(70, 0, 0))]));
        board.Do(Maya, new MakeChanges([new Placed(LooseLabel, new Place(90, 0, 0))]));
        var (_, again) = Erased(board.Log, new Board(Content()), Maya.Number);
        Assert.Equal(Erasure.Gone, again.Sheets.Marks[line].Words?.Text);
        Assert.False(again.Sheets.Marks.ContainsKey(other));
        Assert.Equal("Where does it push?", Assert.Single(again.Talk.About(line)).Text);
        Assert.Equal(new Place(90, 0, 0), again.Sheets.Marks[LooseLabel].Place);
    }

    public static TheoryData<int> Seeds() => [.. Enumerable.Range(1, 40)];

    private static string Said(Mark mark) => $"{mark.Id} {mark.Place} {mark.Erased} {mark.Down} {mark.Words?.Text}";

    private static (List<Envelope> Log, T Room) Erased<T>(List<Envelope> log, T room, int person)
        where T : Room
    {
        var erasure = new Erasure(log, person);
        List<Envelope> left = [.. log.Select(erasure.Of).Select(e => EventCodec.Decode(EventCodec.Encode(e)))];
        foreach (var happened in left) room.Apply(happened);
        Assert.Equal(log[^1].Number, room.Number);

        // Once is enough.
        var again = new Erasure(left, person);
        Assert.All(left, happened => Assert.Equal(Convert.ToHexString(EventCodec.Encode(happened)), Convert.ToHexString(EventCodec.Encode(again.Of(happened)))));
        return (left, room);
    }

    // Words that nobody else wrote, and that are in no others.
    private static void HasNoWordsOf(int person, List<Envelope> log, List<Envelope> left)
    {
        var theirs = log.Where(e => e.Actor.Number == person && !e.Actor.IsStaff).SelectMany(e => WordsIn(e.Event)).ToHashSet(StringComparer.Ordinal);
        var others = log.Where(e => e.Actor.Number != person || e.Actor.IsStaff).SelectMany(e => WordsIn(e.Event)).ToHashSet(StringComparer.Ordinal);
        var bytes = left.SelectMany(EventCodec.Encode).ToArray();
        foreach (var words in theirs.Where(w => w.Length > 3 && !others.Any(o => o.Contains(w, StringComparison.Ordinal)))) Assert.Equal(-1, bytes.AsSpan().IndexOf(Encoding.UTF8.GetBytes(words)));
    }

    private static IEnumerable<string> WordsIn(RoomEvent happened) => happened switch
    {
        WorkSetAside(var command, _) => WordsIn(command),
        LateWorkAccepted { Outcome: { } outcome } => WordsIn(outcome),
        CardPutUp(var card) => [card.Text],
        CardReworded e => [e.Text],
        CardsLinked e => [e.Link.Text],
        AnswerGiven e => [e.Answer.Text],
        AnswerReworded e => [e.Text],
        CardJudged e => [e.Reason],
        ConcernRaised e => [e.Words],
        MarkAdded(var mark) => [mark.Words?.Text ?? ""],
        SignalGiven e => [e.Words],
        ReplyGiven e => [e.Words],
        CallConfirmed e => [e.Words],
        _ => [],
    };

    private static IEnumerable<string> WordsIn(Command command) => command switch
    {
        PutUpCard e => [e.Text],
        RewordCard e => [e.Text],
        GiveAnswer e => [e.Text],
        RewordAnswer e => [e.Text],
        _ => [],
    };
}
