using Yardang.Core.Boards;
using Yardang.Core.Editing;
using Yardang.Core.History;
using Yardang.Core.Marks;
using Yardang.Core.Rooms;
using Yardang.Core.Styles;
using Yardang.Core.Tests.Boards;
using Yardang.Core.Tests.Walls;
using Yardang.Core.Walls;

namespace Yardang.Core.Tests.History;

public sealed class LogLineTests
{
    [Fact]
    public void What_was_done_on_a_board_is_told_with_who_and_words()
    {
        var board = new BoardScript();
        var drawn = board.Draw(BoardScript.Maya);
        var note = board.NextId(BoardScript.Ben);
        board.Do(BoardScript.Ben, new AddMark(note, 1, Grip.Own, new NoteBody(0, 0, 5200, 5200, BoardScript.Say("It pushes")), new Style(1, 0)));
        board.Do(BoardScript.Ben, new MakeChanges([new Wording(note, BoardScript.Say("It pulls"), 5200, 5200)]));
        board.Do(BoardScript.Maya, new MakeChanges([new Cutting(drawn, [0, 90])]));
        board.Undo(BoardScript.Maya);
        board.Do(BoardScript.Teacher, new MakeChanges([new TakingDown(note, TakenDown.Hidden)]));
        board.Do(BoardScript.Teacher, new RestoreMarks([new Erasing(drawn, true)]));
        Assert.Equal(
            [(2, Doing.Drew, ""), (3, Doing.Wrote, "It pushes"), (3, Doing.Reworded, "It pulls"), (2, Doing.Rubbed, ""), (2, Doing.Undid, ""), (1, Doing.TookDown, "It pulls"), (1, Doing.Rubbed, "")],
            Lines(board.Log, new Board(BoardScript.Content())).Select(l => (l.Person, l.What, l.Words)));
    }

    [Fact]
    public void What_waited_is_told_of_whoever_wrote_it()
    {
        var board = new BoardScript { Allowed = new Allowed(PensDown: true) };
        board.Do(BoardScript.Maya, new AddMark(board.NextId(BoardScript.Maya), 1, Grip.Own, BoardScript.Line(0, 0, 900, 900), new Style(0, 80)));
        board.Do(BoardScript.Teacher, new AcceptLateWork(board.Board.SetAside.Keys.Single()), 0);
        var line = Assert.Single(Lines(board.Log, new Board(BoardScript.Content())));
        Assert.Equal((2, false, Doing.Drew), (line.Person, line.ByStaff, line.What));
    }

    [Fact]
    public void What_was_done_on_a_wall_is_told_with_the_topic()
    {
        var wall = new WallScript();
        var card = wall.PutUp(WallScript.Maya, "Cables pull");
        wall.Do(WallScript.Maya, new MoveCard(card, 12, 1));
        wall.Do(WallScript.Teacher, new TakeCardDown(card));
        wall.Do(WallScript.Teacher, new PutCardBack(card));
        Assert.Equal(
            [(2, Doing.Wrote, 11L), (2, Doing.Moved, 11L), (1, Doing.TookDown, 12L), (1, Doing.PutBack, 12L)],
            Lines(wall.Log, new Wall(WallScript.Plan(), WallScript.Key)).Select(l => (l.Person, l.What, l.Place)));
        Assert.All(Lines(wall.Log, new Wall(WallScript.Plan(), WallScript.Key)), l => Assert.Equal([card], l.Things));
    }

    private static List<LogLine> Lines(IEnumerable<Envelope> log, Room room)
    {
        var lines = new List<LogLine>();
        foreach (var envelope in log)
        {
            if (LogLine.Of(envelope, room) is { } line) lines.Add(line);
            room.Apply(envelope);
        }

        return lines;
    }
}
