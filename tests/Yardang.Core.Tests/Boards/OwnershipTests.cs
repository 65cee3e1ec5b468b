using Yardang.Core.Editing;
using Yardang.Core.Marks;
using Yardang.Core.Rooms;
using Yardang.Core.Styles;
using static Yardang.Core.Tests.Boards.BoardScript;

namespace Yardang.Core.Tests.Boards;

public class OwnershipTests
{
    private readonly BoardScript _board = new();


    [Fact]
    public void A_student_cannot_erase_a_classmates_ink()
    {
        var ink = _board.Draw(Maya);
        Assert.Equal(Refusal.NotYours, _board.RefusalOf(Ben, new MakeChanges([new Erasing(ink, true)])));
        Assert.False(_board.Board.Sheets.Marks[ink].Erased);
    }

    [Fact]
    public void A_student_cannot_change_the_teachers_ink_in_any_way()
    {
        var ink = _board.Draw(Teacher);
        Assert.Equal(Refusal.NotYours, _board.RefusalOf(Maya, new MakeChanges([new Erasing(ink, true)])));
        Assert.Equal(Refusal.NotYours, _board.RefusalOf(Maya, new MakeChanges([new Placed(ink, new Place(5, 5, 0))])));
        Assert.Equal(Refusal.NotYours, _board.RefusalOf(Maya, new MakeChanges([new Cutting(ink, [0, 100])])));
    }

    [Fact]
    public void Printed_marks_stay_as_they_are_for_students()
    {
        foreach (var change in new Change[] { new Placed(PrintedTitle, new Place(5, 5, 0)), new Erasing(PrintedTitle, true), new Wording(PrintedTitle, Say("x"), 500, 500) })
        {
            Assert.Equal(Refusal.Printed, _board.RefusalOf(Maya, new MakeChanges([change])));
        }
    }

    [Fact]
    public void A_loose_mark_can_be_moved_by_anyone_but_not_deleted_or_restyled()
    {
        Assert.IsType<Decision.Accepted>(_board.Do(Maya, new MakeChanges([new Placed(LooseLabel, new Place(900, 0, 9000))])));
        Assert.IsType<Decision.Accepted>(_board.Do(Ben, new MakeChanges([new Placed(LooseLabel, new Place(100, 0, 0))])));
        Assert.Equal(Refusal.LooseOnlyMoves, _board.RefusalOf(Ben, new MakeChanges([new Erasing(LooseLabel, true)])));
        Assert.Equal(Refusal.LooseOnlyMoves, _board.RefusalOf(Ben, new MakeChanges([new Styling(LooseLabel, new Style(2, 0))])));
    }

    [Fact]
    public void The_teacher_may_change_everything_and_it_is_in_the_history()
    {
        var ink = _board.Draw(Maya);
        Assert.IsType<Decision.Accepted>(_board.Do(Teacher, new MakeChanges([new Erasing(ink, true)])));
        Assert.True(_board.Board.Sheets.Marks[ink].Erased);
        Assert.Equal(Teacher, _board.Log[^1].Actor);
    }

    [Fact]
    public void A_command_with_one_forbidden_change_changes_nothing()
    {
        var mine = _board.Draw(Maya);
        var before = _board.Digest();
        Assert.Equal(Refusal.Printed, _board.RefusalOf(Maya, new MakeChanges([new Erasing(mine, true), new Erasing(PrintedTitle, true)])));
        Assert.Equal(before, _board.Digest());
    }

    [Fact]
    public void A_student_cannot_add_printed_or_loose_marks() =>
        Assert.Equal(Refusal.NotAllowed, _board.RefusalOf(Maya, new AddMark(_board.NextId(Maya), 1, Grip.Printed, Line(0, 0, 10, 10), new Style(0, 80))));

    [Fact]
    public void A_student_cannot_redesign_the_page() =>
        Assert.Equal(Refusal.NotAllowed, _board.RefusalOf(Maya, new MakeChanges([new Papering(1, new Pages.Paper(Pages.PaperKind.Ruled))])));

    [Theory]
    [InlineData(0)]
    [InlineData(2)]
    public void A_page_that_does_not_exist_is_refused(long page) =>
        Assert.Equal(Refusal.NoSuchPage, _board.RefusalOf(Maya, new AddMark(_board.NextId(Maya), page, Grip.Own, Line(0, 0, 10, 10), new Style(0, 80))));

    [Fact]
    public void Coordinates_sizes_and_texts_outside_their_range_are_refused()
    {
        Assert.Equal(Refusal.OutOfRange, _board.RefusalOf(Maya, new AddMark(_board.NextId(Maya), 1, Grip.Own, Line(0, 0, Limits.Reach + 1, 0), new Style(0, 80))));
        Assert.Equal(Refusal.OutOfRange, _board.RefusalOf(Maya, new AddMark(_board.NextId(Maya), 1, Grip.Own, new TextBody(0, 0, 10, 10, Say(new string('x', Limits.TextLength + 1))), new Style(0, 0))));
        Assert.Equal(Refusal.OutOfRange, _board.RefusalOf(Maya, new AddMark(_board.NextId(Maya), 1, Grip.Own, new InkBody([]), new Style(0, 80))));
    }

    [Fact]
    public void A_client_number_can_be_used_only_by_whom_it_was_given_to()
    {
        var mayasClient = Ids.ClientOf(_board.NextId(Maya));
        var decision = _board.Board.Decide(new Submission(mayasClient, 1, 0, 0, new UndoGesture(1)), Ben, Situation.Open);
        Assert.Equal(Refusal.UnknownClient, Assert.IsType<Decision.Refused>(decision).Reason);
    }
}
