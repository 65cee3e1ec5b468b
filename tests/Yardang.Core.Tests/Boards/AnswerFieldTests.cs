using Yardang.Core.Boards;
using Yardang.Core.Editing;
using Yardang.Core.Geometry;
using Yardang.Core.Marks;
using Yardang.Core.Pages;
using Yardang.Core.Rooms;
using Yardang.Core.Shapes;
using Yardang.Core.Styles;
using static Yardang.Core.Tests.Boards.BoardScript;

namespace Yardang.Core.Tests.Boards;

/// <summary>Places on a page where students type an answer.</summary>
public class AnswerFieldTests
{
    private static readonly AnswerFieldBody s_field = new(1_000, 2_000, 9_000, 1_800, Texts.In("en", "What pushes back?"));

    private readonly BoardScript _board = new(Content() with { Marks = [.. Content().Marks.Where(m => m.Id != AnswerField), Printed(s_field)] });

    [Fact]
    public void A_student_answers_in_a_field_and_says_it_otherwise_and_takes_it_back()
    {
        var answer = Answered(Maya, "the ground");
        Assert.IsType<Decision.Accepted>(_board.Do(Maya, new MakeChanges([new Wording(answer, Say("the abutment"), 9_000, 2_400)])));
        Assert.Equal("the abutment", Shown(answer).Words!.Text);
        _board.Undo(Maya);
        Assert.Equal("the ground", Shown(answer).Words!.Text);
        Assert.IsType<Decision.Accepted>(_board.Do(Maya, new MakeChanges([new Erasing(answer, true)])));
        Assert.IsType<Decision.Accepted>(Answer(Ben, "the pier"));
    }

    [Fact]
    public void A_field_has_one_answer_and_nobody_changes_what_another_wrote_there()
    {
        var answer = Answered(Maya, "the ground");
        Assert.Equal(Refusal.Answered, Refused(Answer(Ben, "the pier")));
        Assert.Equal(Refusal.Answered, Refused(Answer(Maya, "once more")));
        Assert.Equal(Refusal.NotYours, _board.RefusalOf(Ben, new MakeChanges([new Wording(answer, Say("nonsense"), 9_000, 1_150)])));
        Assert.Equal(Refusal.NotYours, _board.RefusalOf(Ben, new MakeChanges([new Erasing(answer, true)])));
    }

    [Fact]
    public void One_command_does_not_answer_twice()
    {
        var id = _board.NextId(Maya);
        var two = new[] { id, id + 1_000_000 }.Select(n => new NewMark(n, Grip.Own, Body("twice"), new Style(0, 0), Place.AsDrawn, null, [], 0));
        Assert.Equal(Refusal.Answered, _board.RefusalOf(Maya, new AddMarks(1, [.. two])));
    }

    [Fact]
    public void An_answer_needs_a_field_of_its_page_and_is_its_authors_own()
    {
        Assert.Equal(Refusal.NotFound, Refused(Answer(Maya, "to nothing", 4_711)));
        Assert.Equal(Refusal.NotAllowed, Refused(Answer(Maya, "to a text", PrintedTitle)));
        Assert.Equal(Refusal.NotAllowed, Refused(Answer(Teacher, "printed", grip: Grip.Printed)));
    }

    [Fact]
    public void Fields_are_made_and_moved_in_drafts_only()
    {
        Assert.Equal(Refusal.NotAllowed, _board.RefusalOf(Teacher, new AddMark(_board.NextId(Teacher), 1, Grip.Printed, s_field, new Style(0, 0))));
        Assert.Equal(Refusal.NotAllowed, _board.RefusalOf(Maya, new AddMark(_board.NextId(Maya), 1, Grip.Own, s_field, new Style(0, 0))));
        Assert.Equal(Refusal.NotAllowed, _board.RefusalOf(Teacher, new MakeChanges([new Placed(AnswerField, new Place(9, 9, 0))])));
    }

    [Fact]
    public void Whoever_has_no_tool_for_text_answers_all_the_same()
    {
        var page = Content().Pages[0] with { Withheld = (ToolSet)511 };
        var board = new BoardScript(Content() with { Pages = [page], Marks = [Printed(s_field)] });
        Assert.IsType<Decision.Accepted>(board.Do(Maya, new AddMark(board.NextId(Maya), 1, Grip.Own, Body("the ground"), new Style(0, 0))));
        Assert.Equal(Refusal.Withheld, board.RefusalOf(Maya, new AddMark(board.NextId(Maya), 1, Grip.Own, new TextBody(0, 0, 900, 700, Say("beside it")), new Style(0, 0))));
    }

    [Fact]
    public void An_answer_is_not_moved_by_itself_and_is_never_given_to_another_field()
    {
        var answer = Answered(Maya, "the ground");
        Assert.Equal(Refusal.NotAllowed, _board.RefusalOf(Maya, new MakeChanges([new Placed(answer, new Place(9, 9, 0))])));
        Assert.Equal(Refusal.OutOfRange, _board.RefusalOf(Maya, new MakeChanges([new Remaking(answer, Body("elsewhere") with { Field = PrintedTitle })])));
    }

    [Fact]
    public void An_answer_stands_where_its_field_is_below_its_name()
    {
        var answer = Answered(Maya, "the ground");
        var (x, y) = (Shown(answer).Body.Box().X, Shown(answer).Body.Box().Y);
        Assert.Equal((1_000, 2_000 + AnswerPlace.NameHeight), (x, y));
        var moved = Printed(s_field) with { Place = new Place(700, -300, 0) };
        Assert.Equal(new Box(1_700, 2_350, 9_000, 1_150), AnswerPlace.SpaceOf(moved, s_field));
        Assert.Equal(1_800, AnswerPlace.SpaceOf(moved, s_field with { Name = Texts.None }).Height);
    }

    [Fact]
    public void Where_undoing_gives_a_field_two_answers_none_lies_on_the_other()
    {
        var first = Answered(Maya, "the ground");
        var gesture = _board.NextId(Maya);
        _board.Do(Maya, new MakeChanges([new Erasing(first, true)]), gesture);
        var second = Answered(Ben, "the pier");
        _board.Do(Maya, new UndoGesture(gesture), 0);
        var (top, below) = (Shown(first).Body.Box(), Shown(second).Body.Box());
        Assert.Equal(top.Y + top.Height, below.Y);
    }

    private static Mark Printed(MarkBody body) => new(AnswerField, 1, 1, ByStaff: true, Grip.Printed, 3, body, new Style(0, 0), Place.AsDrawn, [], Erased: false);

    private static FieldAnswerBody Body(string text, long field = AnswerField) => new(field, 0, 0, 9_000, 1_150, Say(text));

    private static Refusal Refused(Decision decision) => Assert.IsType<Decision.Refused>(decision).Reason;

    private Decision Answer(Actor actor, string text, long field = AnswerField, Grip grip = Grip.Own) => _board.Do(actor, new AddMark(_board.NextId(actor), 1, grip, Body(text, field), new Style(0, 0)));

    private long Answered(Actor actor, string text)
    {
        var id = _board.NextId(actor);
        Assert.IsType<Decision.Accepted>(Answer(actor, text));
        return id;
    }

    private Mark Shown(long id) => _board.Board.Sheets.Visible(1).Single(m => m.Id == id);
}
