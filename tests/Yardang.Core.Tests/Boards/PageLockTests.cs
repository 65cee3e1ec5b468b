using Yardang.Core.Boards;
using Yardang.Core.Editing;
using Yardang.Core.Marks;
using Yardang.Core.Rooms;
using Yardang.Core.Styles;
using Yardang.Core.Threads;
using static Yardang.Core.Tests.Boards.BoardScript;

namespace Yardang.Core.Tests.Boards;

/// <summary>On a page that a teacher has locked students read and choose, and change nothing.</summary>
public class PageLockTests
{
    [Fact]
    public void On_a_locked_page_students_draw_rub_undo_and_say_nothing_and_teachers_go_on()
    {
        var board = new BoardScript();
        var line = board.Draw(Maya);
        board.Do(Teacher, new LockPage(1, true), 0);
        var before = board.Board.Sheets.Marks.Count;
        IsSetAside(board.Do(Maya, new AddMark(board.NextId(Maya), 1, Grip.Own, Line(0, 0, 2000, 0), new Style(0, 60))));
        IsSetAside(board.Do(Maya, new MakeChanges([new Erasing(line, true)])));
        IsSetAside(board.Do(Maya, new MakeChanges([new Sizing(1, board.Board.Sheets.FindPage(1)!.Size with { Height = 40_000 })])));
        IsSetAside(board.Do(Maya, new UndoGesture(board.Board.Sheets.Journal.NextUndo(Maya.Number)!.Id), 0));
        IsSetAside(board.Do(Ben, new GiveAnswer(line, board.NextId(Ben), 0, "en", "Where?"), 0));
        Assert.Equal(before, board.Board.Sheets.Marks.Count);
        Assert.False(board.Board.Sheets.Marks[line].Erased);
        board.Draw(Teacher);
        Assert.Equal(before + 1, board.Board.Sheets.Marks.Count);
    }

    [Fact]
    public void Unlocked_it_is_as_before_and_what_waited_can_be_let_in()
    {
        var board = new BoardScript();
        board.Do(Teacher, new LockPage(0, true), 0);
        IsSetAside(board.Do(Maya, new AddMark(board.NextId(Maya), 1, Grip.Own, Line(0, 0, 2000, 0), new Style(0, 60))));
        board.Do(Teacher, new LockPage(0, false), 0);
        var before = board.Board.Sheets.Marks.Count;
        board.Draw(Ben);
        board.Do(Teacher, new AcceptLateWork(board.Board.SetAside.Keys.Single()), 0);
        Assert.Equal(before + 2, board.Board.Sheets.Marks.Count);
    }

    [Fact]
    public void Only_teachers_lock_and_only_pages_that_are_there()
    {
        var board = new BoardScript();
        Assert.Equal(Refusal.NotAllowed, board.RefusalOf(Maya, new LockPage(1, true)));
        Assert.Equal(Refusal.NoSuchPage, board.RefusalOf(Teacher, new LockPage(99, true)));
        Assert.Equal(Refusal.ChangedSince, board.RefusalOf(Teacher, new LockPage(1, false)));
    }

    private static void IsSetAside(Decision decision) =>
        Assert.Equal(WhySetAside.Locked, Assert.IsType<WorkSetAside>(Assert.IsType<Decision.Accepted>(decision).Event).Why);
}
