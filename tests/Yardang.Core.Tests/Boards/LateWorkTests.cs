using Yardang.Core.Marks;
using Yardang.Core.Rooms;
using static Yardang.Core.Tests.Boards.BoardScript;

namespace Yardang.Core.Tests.Boards;

public class LateWorkTests
{
    private readonly BoardScript _board = new();

    [Theory]
    [InlineData(true, false)]
    [InlineData(false, true)]
    public void Work_that_arrives_after_pens_down_or_closing_is_kept_but_not_on_the_board(bool pensDown, bool closed)
    {
        _board.Conditions = new Conditions(pensDown, closed);
        var ink = _board.Draw(Maya);
        Assert.False(_board.Board.Sheets.Marks.ContainsKey(ink));
        var late = Assert.Single(_board.Board.SetAside).Value;
        Assert.Equal(Maya, late.Actor);
        Assert.Equal(Audience.AuthorAndStaff, _board.Log[^1].Audience);
    }

    [Fact]
    public void The_teacher_can_add_it_on_behalf_of_its_author()
    {
        _board.Conditions = new Conditions(PensDown: true);
        var ink = _board.Draw(Maya);
        var number = _board.Log[^1].Number;
        Assert.IsType<Decision.Accepted>(_board.Do(Teacher, new AcceptLateWork(number), 0));
        Assert.Equal(Maya.Number, _board.Board.Sheets.Marks[ink].Author);
        Assert.Empty(_board.Board.SetAside);

        _board.Conditions = Conditions.Open;
        _board.Undo(Maya);
        Assert.True(_board.Board.Sheets.Marks[ink].Erased);
    }

    [Fact]
    public void The_teacher_can_leave_it_off()
    {
        _board.Conditions = new Conditions(Closed: true);
        var ink = _board.Draw(Maya);
        Assert.IsType<Decision.Accepted>(_board.Do(Teacher, new DiscardLateWork(_board.Log[^1].Number), 0));
        Assert.Empty(_board.Board.SetAside);
        Assert.False(_board.Board.Sheets.Marks.ContainsKey(ink));
    }

    [Fact]
    public void A_student_cannot_add_late_work()
    {
        _board.Conditions = new Conditions(PensDown: true);
        _board.Draw(Maya);
        Assert.Equal(Refusal.NotAllowed, _board.RefusalOf(Maya, new AcceptLateWork(_board.Log[^1].Number)));
    }

    [Fact]
    public void The_teacher_writes_while_pens_are_down()
    {
        _board.Conditions = new Conditions(PensDown: true);
        Assert.True(_board.Board.Sheets.Marks.ContainsKey(_board.Draw(Teacher)));
    }
}
