using Yardang.Core.Boards;
using Yardang.Core.Editing;
using Yardang.Core.Marks;
using Yardang.Core.Pages;
using Yardang.Core.Rooms;
using Yardang.Core.Styles;
using Yardang.Data.Wire;
using static Yardang.Core.Tests.Boards.BoardScript;

namespace Yardang.Core.Tests.Boards;

/// <summary>Moving, pinning, tying, stacking, pasting; what a teacher may and a student may not.</summary>
public class ArrangingTests
{
    private readonly BoardScript _board = new();

    [Fact]
    public void A_pinned_mark_stays_until_its_author_unpins_it()
    {
        var ink = _board.Draw(Maya);
        Accept(Maya, new Pinning(ink, true));
        Assert.Equal(Refusal.Pinned, _board.RefusalOf(Maya, new MakeChanges([new Placed(ink, new Place(5, 5, 0))])));
        Assert.Equal(Refusal.Pinned, _board.RefusalOf(Maya, new MakeChanges([new Scaling(ink, new Scale(2_000, 2_000))])));
        Accept(Maya, new Pinning(ink, false));
        Accept(Maya, new Placed(ink, new Place(5, 5, 0)));
    }

    [Fact]
    public void A_loose_mark_that_the_teacher_pinned_is_not_moved_by_students()
    {
        Accept(Teacher, new Pinning(LooseLabel, true));
        Assert.Equal(Refusal.Pinned, _board.RefusalOf(Maya, new MakeChanges([new Placed(LooseLabel, new Place(5, 5, 0))])));
    }

    [Fact]
    public void A_loose_mark_can_be_turned_but_not_resized_tied_or_stacked_by_students()
    {
        Accept(Maya, new Placed(LooseLabel, new Place(0, 0, 9_000)));
        foreach (var change in new Change[] { new Scaling(LooseLabel, new Scale(2_000, 2_000)), new Tying(LooseLabel, 7), new Ordering(LooseLabel, 0), new Pinning(LooseLabel, true) })
        {
            Assert.Equal(Refusal.LooseOnlyMoves, _board.RefusalOf(Maya, new MakeChanges([change])));
        }
    }

    [Fact]
    public void Only_a_teacher_says_what_is_printed_and_what_is_loose()
    {
        var ink = _board.Draw(Maya);
        Assert.Equal(Refusal.NotAllowed, _board.RefusalOf(Maya, new MakeChanges([new Gripping(ink, Grip.Loose)])));
        Accept(Teacher, new Gripping(LooseLabel, Grip.Printed));
        Assert.Equal(Refusal.Printed, _board.RefusalOf(Maya, new MakeChanges([new Placed(LooseLabel, new Place(5, 5, 0))])));
    }

    [Fact]
    public void Pasted_marks_come_all_or_none_and_are_undone_together()
    {
        var id = _board.NextId(Maya);
        Assert.IsType<Decision.Accepted>(_board.Do(Maya, new AddMarks(1, [Ring(id), Ring(id + 1)])));
        Assert.Equal(2, _board.Board.Sheets.Marks.Values.Count(m => m.Author == Maya.Number && !m.Erased));
        _board.Undo(Maya);
        Assert.All([id, id + 1], n => Assert.True(_board.Board.Sheets.Marks[n].Erased));

        var next = _board.NextId(Maya);
        Assert.Equal(Refusal.NotAllowed, _board.RefusalOf(Maya, new AddMarks(1, [Ring(next), Ring(next + 1) with { Grip = Grip.Printed }])));
        Assert.Equal(Refusal.Duplicate, _board.RefusalOf(Maya, new AddMarks(1, [Ring(next), Ring(next)])));
        Assert.False(_board.Board.Sheets.Marks.ContainsKey(next));
    }

    [Fact]
    public void A_shape_needs_corners_enough_and_keeps_its_kind()
    {
        var id = _board.NextId(Maya);
        Assert.Equal(Refusal.OutOfRange, _board.RefusalOf(Maya, new AddMark(id, 1, Grip.Own, new ShapeBody(ShapeKind.Polygon, [0, 0, 5, 5]), new Style(0, 60))));
        _board.Do(Maya, new AddMarks(1, [Ring(id)]));
        Assert.Equal(Refusal.OutOfRange, _board.RefusalOf(Maya, new MakeChanges([new Remaking(id, new NoteBody(0, 0, 10, 10, Say("x")))])));
    }

    [Fact]
    public void Anybody_may_lengthen_a_page_and_nobody_may_shorten_it()
    {
        Accept(Maya, new Sizing(1, new PageSize(29_700, 31_500)));
        Assert.Equal(Refusal.NotAllowed, _board.RefusalOf(Ben, new MakeChanges([new Sizing(1, PageSize.A4Wide)])));
        Assert.Equal(Refusal.NotAllowed, _board.RefusalOf(Ben, new MakeChanges([new Sizing(1, new PageSize(30_000, 31_500))])));
        Assert.Equal(Refusal.OutOfRange, _board.RefusalOf(Ben, new MakeChanges([new Sizing(1, new PageSize(29_700, 900_000))])));
    }

    [Fact]
    public void A_withheld_tool_makes_no_marks_for_students()
    {
        var content = Content();
        var board = new Board(content with { Pages = [content.Pages[0] with { Withheld = ToolSet.Shape | ToolSet.Highlighter }] });
        Decision By(Actor actor, MarkBody body, Looks looks) =>
            Marking.Decide(board.Sheets, new AddMark(Ids.Of(9, 1), 1, Grip.Own, body, new Style(0, 60, 0, looks)), actor, 9, design: false);
        Assert.Equal(Refusal.Withheld, Assert.IsType<Decision.Refused>(By(Maya, new ShapeBody(ShapeKind.Line, [0, 0, 5, 5]), Looks.None)).Reason);
        Assert.Equal(Refusal.Withheld, Assert.IsType<Decision.Refused>(By(Maya, Line(0, 0, 5, 5), Looks.Highlighter)).Reason);
        Assert.IsType<Decision.Accepted>(By(Maya, Line(0, 0, 5, 5), Looks.None));
        Assert.IsType<Decision.Accepted>(By(Teacher, new ShapeBody(ShapeKind.Line, [0, 0, 5, 5]), Looks.None));
    }

    [Fact]
    public void The_answer_key_is_in_no_snapshot_for_a_student_and_nobody_touches_it_on_a_board()
    {
        const string answer = "The deck is held by the arch";
        var content = Content();
        var key = content.Marks[0] with { Id = 99, Grip = Grip.Key, Body = new TextBody(0, 0, 900, 900, Say(answer)) };
        var board = new Board(content with { Marks = content.Marks.Add(key) });
        Assert.Contains(answer, System.Text.Encoding.UTF8.GetString(SnapshotCodec.Encode(board, Teacher)), StringComparison.Ordinal);
        Assert.DoesNotContain(answer, System.Text.Encoding.UTF8.GetString(SnapshotCodec.Encode(board, Maya)), StringComparison.Ordinal);
        foreach (var actor in new[] { Teacher, Maya })
        {
            Assert.IsType<Decision.Refused>(Marking.Decide(board.Sheets, new MakeChanges([new Placed(99, new Place(1, 1, 0))]), actor, 9, design: false));
        }

        Assert.Equal(Refusal.NotAllowed, _board.RefusalOf(Teacher, new MakeChanges([new Gripping(PrintedTitle, Grip.Key)])));
        Assert.Equal(Refusal.NotAllowed, _board.RefusalOf(Teacher, new AddMark(_board.NextId(Teacher), 1, Grip.Key, Line(0, 0, 5, 5), new Style(0, 60))));
    }

    private static NewMark Ring(long id) => new(id, Grip.Own, new ShapeBody(ShapeKind.Ellipse, [0, 0, 2_000, 1_000]), new Style(1, 60), Place.AsDrawn, null, [], 0);

    private void Accept(Actor actor, params System.Collections.Immutable.ImmutableArray<Change> changes) =>
        Assert.IsType<Decision.Accepted>(_board.Do(actor, new MakeChanges(changes)));
}
