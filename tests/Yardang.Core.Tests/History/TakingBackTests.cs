using Yardang.Core.History;
using Yardang.Core.Rooms;
using Yardang.Core.Tests.Boards;
using Yardang.Core.Tests.Walls;
using Yardang.Core.Threads;
using Yardang.Core.Walls;
using Yardang.Core.Editing;
using Yardang.Core.Marks;
using static Yardang.Core.Tests.Walls.WallScript;

namespace Yardang.Core.Tests.History;

/// <summary>A teacher takes back that they let something in, or left it off.</summary>
public class TakingBackTests
{
    [Fact]
    public void A_card_that_was_let_in_goes_down_and_a_new_wording_is_as_it_was()
    {
        var wall = new WallScript();
        var card = wall.PutUp(Maya, "arches push");
        wall.Allowed = new(PensDown: true);
        var late = wall.PutUp(Ben, "beams bend");
        wall.Do(Maya, new RewordCard(card, "en", "arches pull"));
        var backs = LetAllIn(wall);
        Assert.Equal(("arches pull", true), (wall.Wall.Cards[card].Text, wall.Wall.Cards[late].IsUp));
        foreach (var back in backs) Assert.IsType<Decision.Accepted>(wall.Do(Teacher, back(wall.Wall)!));
        Assert.Equal(("arches push", false), (wall.Wall.Cards[card].Text, wall.Wall.Cards[late].IsUp));
    }

    [Fact]
    public void What_somebody_has_changed_since_stays()
    {
        var wall = new WallScript();
        var card = wall.PutUp(Maya, "arches push");
        wall.Allowed = new(PensDown: true);
        wall.Do(Maya, new RewordCard(card, "en", "arches pull"));
        var back = Assert.Single(LetAllIn(wall));
        wall.Do(Teacher, new RewordCard(card, "en", "arches push outwards"));
        Assert.Null(back(wall.Wall));
    }

    [Fact]
    public void A_note_that_was_let_in_is_hidden_and_what_was_moved_lies_where_it_lay()
    {
        var board = new BoardScript();
        var line = board.Draw(Maya);
        var lay = board.Board.Sheets.Marks[line].Place;
        board.Allowed = new(PensDown: true);
        board.Do(Maya, new MakeChanges([new Placed(line, new Place(900, 900, 0))]));
        var late = board.Draw(Maya);
        var backs = new List<TakeBack>();
        foreach (var number in board.Board.SetAside.Keys.ToList())
        {
            var before = Copy(board);
            board.Do(Teacher, new AcceptLateWork(number), 0);
            backs.Add(TakingBack.Of(((LateWorkAccepted)board.Log[^1].Event).Outcome!, before));
        }

        Assert.NotEqual(lay, board.Board.Sheets.Marks[line].Place);
        foreach (var back in backs) Assert.IsType<Decision.Accepted>(board.Do(Teacher, back(board.Board)!));
        Assert.Equal(lay, board.Board.Sheets.Marks[line].Place);
        Assert.Equal(TakenDown.Hidden, board.Board.Sheets.Marks[late].Down);
    }

    [Fact]
    public void What_was_left_off_waits_again_and_only_the_program_says_so()
    {
        var wall = new WallScript { Allowed = new(PensDown: true) };
        wall.PutUp(Ben, "beams bend");
        var work = wall.Wall.SetAside.Values.Single();
        Assert.Equal(Refusal.ChangedSince, Assert.IsType<Decision.Refused>(wall.DoByProgram(new TakeUpAgain(work))).Reason);
        wall.Do(Teacher, new DiscardLateWork(work.Number, "No"));
        Assert.Equal(Refusal.NotAllowed, Assert.IsType<Decision.Refused>(wall.Do(Teacher, new TakeUpAgain(work))).Reason);
        Assert.Equal(Audience.NamedAndStaff, Assert.IsType<Decision.Accepted>(wall.DoByProgram(new TakeUpAgain(work))).Audience);
        Assert.Equal(work, wall.Wall.SetAside.Values.Single());
        wall.Do(Teacher, new AcceptLateWork(work.Number));
        Assert.Equal(["beams bend"], wall.Under(11));
    }

    [Fact]
    public void An_answer_that_was_let_in_goes_down()
    {
        var wall = new WallScript(new(Answers: true));
        var card = wall.PutUp(Maya, "arches push");
        wall.Allowed = new(PensDown: true);
        wall.Answer(Ben, card, "Where?");
        var back = Assert.Single(LetAllIn(wall));
        Assert.IsType<Decision.Accepted>(wall.Do(Teacher, Assert.IsType<TakeAnswerDown>(back(wall.Wall))));
        Assert.False(wall.Wall.Cards[card].Said[0].IsUp);
    }

    private static List<TakeBack> LetAllIn(WallScript wall)
    {
        var backs = new List<TakeBack>();
        foreach (var number in wall.Wall.SetAside.Keys.ToList())
        {
            var before = new Wall(Plan(wall.Wall.Plan.Rules), Key);
            foreach (var happened in wall.Log) before.Apply(happened);
            wall.Do(Teacher, new AcceptLateWork(number));
            backs.Add(TakingBack.Of(((LateWorkAccepted)wall.Log[^1].Event).Outcome!, before));
        }

        return backs;
    }

    private static Core.Boards.Board Copy(BoardScript board)
    {
        var before = new Core.Boards.Board(BoardScript.Content());
        foreach (var happened in board.Log) before.Apply(happened);
        return before;
    }
}
