using Yardang.Core.Editing;
using Yardang.Core.Marks;
using Yardang.Core.Rooms;
using Yardang.Core.Styles;
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
        _board.Allowed = new Allowed(pensDown, closed);
        var ink = _board.Draw(Maya);
        Assert.False(_board.Board.Sheets.Marks.ContainsKey(ink));
        var late = Assert.Single(_board.Board.SetAside).Value;
        Assert.Equal(Maya, late.Actor);
        Assert.Equal(Audience.AuthorAndStaff, _board.Log[^1].Audience);
    }

    [Fact]
    public void The_teacher_can_add_it_on_behalf_of_its_author()
    {
        _board.Allowed = new Allowed(PensDown: true);
        var ink = _board.Draw(Maya);
        var number = _board.Log[^1].Number;
        Assert.IsType<Decision.Accepted>(_board.Do(Teacher, new AcceptLateWork(number), 0));
        Assert.Equal(Maya.Number, _board.Board.Sheets.Marks[ink].Author);
        Assert.Empty(_board.Board.SetAside);

        _board.Allowed = Allowed.Everything;
        _board.Undo(Maya);
        Assert.True(_board.Board.Sheets.Marks[ink].Erased);
    }

    [Fact]
    public void The_teacher_can_leave_it_off()
    {
        _board.Allowed = new Allowed(Closed: true);
        var ink = _board.Draw(Maya);
        Assert.IsType<Decision.Accepted>(_board.Do(Teacher, new DiscardLateWork(_board.Log[^1].Number), 0));
        Assert.Empty(_board.Board.SetAside);
        Assert.False(_board.Board.Sheets.Marks.ContainsKey(ink));
    }

    [Fact]
    public void A_student_cannot_add_late_work()
    {
        _board.Allowed = new Allowed(PensDown: true);
        _board.Draw(Maya);
        Assert.Equal(Refusal.NotAllowed, _board.RefusalOf(Maya, new AcceptLateWork(_board.Log[^1].Number)));
    }

    [Fact]
    public void The_teacher_writes_while_pens_are_down()
    {
        _board.Allowed = new Allowed(PensDown: true);
        Assert.True(_board.Board.Sheets.Marks.ContainsKey(_board.Draw(Teacher)));
    }

    [Fact]
    public void Late_work_is_held_to_the_rules_that_hold_in_time()
    {
        _board.Allowed = new Allowed(PensDown: true);
        var id = _board.NextId(Maya);
        Assert.Equal(Refusal.OutOfRange, _board.RefusalOf(Maya, new AddMark(id, 1, Grip.Own, new InkBody([]), new Style(0, 60))));
        Assert.Equal(Refusal.NotAllowed, _board.RefusalOf(Maya, new AddMark(id, 1, Grip.Printed, Line(0, 0, 9, 9), new Style(0, 60))));
        Assert.Equal(Refusal.NoSuchPage, _board.RefusalOf(Maya, new AddMark(id, 77, Grip.Own, Line(0, 0, 9, 9), new Style(0, 60))));
        Assert.Equal(Refusal.Malformed, _board.RefusalOf(Maya, new AddMark(Ids.Of(1, 1), 1, Grip.Own, Line(0, 0, 9, 9), new Style(0, 60))));
        Assert.Equal(Refusal.Printed, _board.RefusalOf(Maya, new MakeChanges([new Placed(PrintedTitle, new Place(9, 9, 0))])));
        Assert.Equal(Refusal.NotFound, _board.RefusalOf(Maya, new MakeChanges([new Placed(4_711, new Place(9, 9, 0))])));
        Assert.Equal(Refusal.NothingToUndo, _board.RefusalOf(Maya, new UndoGesture(4_711)));
        Assert.Empty(_board.Board.SetAside);
    }

    [Fact]
    public void It_may_rest_on_other_late_work_of_the_same_person()
    {
        _board.Allowed = new Allowed(PensDown: true);
        var ink = _board.Draw(Maya);
        Assert.IsType<Decision.Accepted>(_board.Do(Maya, new MakeChanges([new Placed(ink, new Place(900, 0, 0))])));
        Assert.IsType<Decision.Accepted>(_board.Do(Maya, new UndoGesture(_board.Log[^1].Gesture), 0));
        Assert.Equal(Refusal.NotFound, _board.RefusalOf(Ben, new MakeChanges([new Placed(ink, new Place(900, 0, 0))])));
        Assert.Equal(3, _board.Board.SetAside.Count);
    }

    [Fact]
    public void Nobody_fills_the_teachers_list_without_end()
    {
        _board.Allowed = new Allowed(PensDown: true);
        for (var i = 0; i < Limits.LateWork; i++) _board.Draw(Maya);
        Assert.Equal(Refusal.Full, _board.RefusalOf(Maya, new AddMark(_board.NextId(Maya), 1, Grip.Own, Line(0, 0, 9, 9), new Style(0, 60))));
        _board.Draw(Ben);
    }
}
