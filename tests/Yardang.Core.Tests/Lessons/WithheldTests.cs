using Yardang.Core.Editing;
using Yardang.Core.Judges;
using Yardang.Core.Marks;
using Yardang.Core.Rooms;
using Yardang.Core.Styles;
using Yardang.Core.Tests.Boards;
using Yardang.Core.Tests.Walls;
using Yardang.Core.Threads;
using Yardang.Core.Walls;
using static Yardang.Core.Tests.Boards.BoardScript;

namespace Yardang.Core.Tests.Lessons;

/// <summary>What a phase withholds, students cannot do on walls and boards, and they can do all else; nothing that they wrote is lost.</summary>
public class WithheldTests
{
    private static readonly WallRules s_rules = WallRules.Free with { Answers = true, Judging = new(JudgingKind.Agree), AnyMoves = true };

    [Theory]
    [InlineData(StudentActs.None)]
    [InlineData(StudentActs.Write)]
    [InlineData(StudentActs.Answer)]
    [InlineData(StudentActs.Move)]
    [InlineData(StudentActs.Judge)]
    [InlineData(StudentActs.Write | StudentActs.Judge)]
    [InlineData(StudentActs.All)]
    public void On_a_wall_a_student_can_do_all_but_what_is_withheld(StudentActs withheld)
    {
        var wall = new WallScript(s_rules);
        var (maya, ben) = (wall.PutUp(Maya, "Arches push"), wall.PutUp(Ben, "Cables pull"));
        wall.Allowed = new(Withheld: withheld);
        Assert.Equal(withheld.HasFlag(StudentActs.Write), IsHeld(wall.Do(Maya, new PutUpCard(wall.NextId(Maya), 11, "en", "And the ground?"))));
        Assert.Equal(withheld.HasFlag(StudentActs.Write), IsHeld(wall.Do(Maya, new RewordCard(maya, "en", "Arches push outwards"))));
        Assert.Equal(withheld.HasFlag(StudentActs.Answer), IsHeld(wall.Do(Maya, new GiveAnswer(ben, wall.NextId(Maya), 0, "en", "Where to?"))));
        Assert.Equal(withheld.HasFlag(StudentActs.Move), IsHeld(wall.Do(Maya, new MoveCard(maya, 12, 5))));
        var judged = wall.Do(Maya, new JudgeCard(ben, 1));
        Assert.Equal(withheld.HasFlag(StudentActs.Judge), judged is Decision.Refused { Reason: Refusal.JudgingEnded });
        Assert.IsType<CardPutUp>((wall.Do(Teacher, new PutUpCard(wall.NextId(Teacher), 11, "en", "The teacher may")) as Decision.Accepted)?.Event);
    }

    [Theory]
    [InlineData(StudentActs.None)]
    [InlineData(StudentActs.Write)]
    [InlineData(StudentActs.Answer)]
    [InlineData(StudentActs.Move)]
    [InlineData(StudentActs.All)]
    public void On_a_board_a_student_can_do_all_but_what_is_withheld(StudentActs withheld)
    {
        var board = new BoardScript();
        var drawn = board.Draw(Maya);
        board.Allowed = new(Withheld: withheld);
        Assert.Equal(withheld.HasFlag(StudentActs.Write), IsHeld(board.Do(Maya, new AddMark(board.NextId(Maya), 1, Grip.Own, Line(1000, 2000, 3000, 2000), new Style(0, 80)))));
        Assert.Equal(withheld.HasFlag(StudentActs.Write), IsHeld(board.Do(Maya, new MakeChanges([new Placed(drawn, new(5, 5, 0)), new Scaling(drawn, new Scale(1200, 1200))]))));
        Assert.Equal(withheld.HasFlag(StudentActs.Answer), IsHeld(board.Do(Maya, new GiveAnswer(drawn, board.NextId(Maya), 0, "en", "Where does it push?"))));
        Assert.Equal(withheld.HasFlag(StudentActs.Move), IsHeld(board.Do(Maya, new MakeChanges([new Placed(LooseLabel, new(500, 0, 0))]))));
    }

    [Fact]
    public void A_move_is_taken_back_where_nobody_writes_and_what_was_written_is_not()
    {
        var board = new BoardScript();
        board.Draw(Maya);
        var written = board.LastGesture(Maya);
        board.Allowed = new(Withheld: StudentActs.Write);
        Assert.False(IsHeld(board.Do(Maya, new MakeChanges([new Placed(LooseLabel, new(500, 0, 0))]))));
        Assert.False(IsHeld(board.Do(Maya, new UndoGesture(board.LastGesture(Maya)), 0)));
        Assert.False(IsHeld(board.Do(Maya, new RedoGesture(board.Board.Sheets.Journal.NextRedo(Maya.Number)!.Id), 0)));
        Assert.True(IsHeld(board.Do(Maya, new UndoGesture(written), 0)));
    }

    private static bool IsHeld(Decision decision) => Assert.IsType<Decision.Accepted>(decision).Event is WorkSetAside;
}
