using Yardang.Core.Boards;
using Yardang.Core.Editing;
using Yardang.Core.History;
using Yardang.Core.Marks;
using Yardang.Core.Rooms;
using Yardang.Core.Styles;
using Yardang.Core.Tests.Boards;
using static Yardang.Core.Tests.Boards.BoardScript;

namespace Yardang.Core.Tests.History;

public sealed class RestoringTests
{
    private const long FirstPage = 1;

    private readonly BoardScript _board = new();

    [Fact]
    public void What_was_rubbed_out_since_comes_back_and_what_others_did_since_stays()
    {
        var (mayas, bens) = (_board.Draw(Maya), _board.Draw(Ben));
        var then = _board.Board.Number;
        _board.Do(Maya, new MakeChanges([new Erasing(mayas, true)]));
        _board.Do(Ben, new MakeChanges([new Placed(bens, new Place(500, 0, 0))]));
        var later = _board.Draw(Ben);

        var plan = Plan(then);
        Assert.Equal((1, 0, 0, 0), Counts(plan));
        Do(plan);

        Assert.False(Mark(mayas).Erased);
        Assert.Equal(500, Mark(bens).Place.X);
        Assert.False(Mark(later).Erased);
    }

    [Fact]
    public void Ink_that_was_rubbed_out_in_part_is_whole_again()
    {
        var stroke = _board.Draw(Maya);
        var whole = _board.Board.Number;
        _board.Do(Maya, new MakeChanges([new Cutting(stroke, [0, 500])]));
        var part = _board.Board.Number;
        _board.Do(Maya, new MakeChanges([new Cutting(stroke, [700, 900])]));

        Do(Plan(part));
        Assert.Equal([0, 500], Mark(stroke).Cuts);
        Do(Plan(whole));
        Assert.Empty(Mark(stroke).Cuts);
    }

    [Fact]
    public void What_was_changed_since_is_as_it_was_if_the_teacher_says_so()
    {
        var note = Note(Maya, "It pushes");
        var then = _board.Board.Number;
        _board.Do(Maya, new MakeChanges([new Wording(note, Say("It pulls"), 5200, 5200), new Placed(note, new Place(0, 900, 0))]));

        Assert.Equal((0, 0, 0, 0), Counts(Plan(then)));
        var plan = Plan(then, RestoreDepth.Changed);
        Assert.Equal((0, 1, 0, 0), Counts(plan));
        Do(plan);

        Assert.Equal("It pushes", Mark(note).Words!.Text);
        Assert.Equal(Place.AsDrawn, Mark(note).Place);
    }

    [Fact]
    public void Exactly_as_it_was_takes_away_what_came_since_but_not_what_was_handed_out()
    {
        var before = _board.Draw(Maya);
        var then = _board.Board.Number;
        var since = _board.Draw(Ben);
        BoardPlay.PlayLateChange(_board, takenBack: false);
        var handedOut = _board.Board.Sheets.Marks.Values.Count(m => m.Stands && m.Grip == Grip.Printed);

        var plan = Plan(then, RestoreDepth.Exactly);
        Assert.True(plan.Away >= 1);
        Do(plan);

        Assert.True(Mark(since).Erased);
        Assert.False(Mark(before).Erased);
        Assert.Equal(handedOut, _board.Board.Sheets.Marks.Values.Count(m => m.Stands && m.Grip == Grip.Printed));
    }

    [Fact]
    public void Only_the_work_of_one_person_or_one_mark_is_restored_if_that_is_asked_for()
    {
        var (mayas, other, bens) = (_board.Draw(Maya), _board.Draw(Maya), _board.Draw(Ben));
        var then = _board.Board.Number;
        _board.Do(Maya, new MakeChanges([new Erasing(mayas, true), new Erasing(other, true)]));
        _board.Do(Ben, new MakeChanges([new Erasing(bens, true)]));

        Assert.Equal([mayas], Plan(then, mark: mayas).Changes.Select(c => c.Target));
        Assert.Equal([mayas, other], Plan(then, person: Maya.Number).Changes.Select(c => c.Target));
        Assert.Equal([mayas, other, bens], Plan(then, page: FirstPage).Changes.Select(c => c.Target));
        Assert.Empty(Plan(then, page: 77).Changes);
    }

    [Fact]
    public void What_a_teacher_took_down_stays_down_and_is_counted()
    {
        var (rude, fine) = (Note(Maya, "rude"), Note(Maya, "fine"));
        var then = _board.Board.Number;
        _board.Do(Maya, new MakeChanges([new Erasing(fine, true)]));
        _board.Do(Teacher, new MakeChanges([new TakingDown(rude, TakenDown.Removed)]));

        var plan = Plan(then);
        Assert.Equal((1, 0, 0, 1), Counts(plan));
        Do(plan);
        Assert.Equal(TakenDown.Removed, Mark(rude).Down);
    }

    [Fact]
    public void A_restore_is_undone_like_any_other_change_and_keeps_what_was_done_after_it()
    {
        var (first, second) = (_board.Draw(Maya), Note(Maya, "It pushes"));
        var then = _board.Board.Number;
        _board.Do(Maya, new MakeChanges([new Erasing(first, true), new Erasing(second, true)]));
        Do(Plan(then));
        _board.Do(Maya, new MakeChanges([new Placed(second, new Place(300, 300, 0))]));

        _board.Undo(Teacher);

        Assert.True(Mark(first).Erased);
        Assert.True(Mark(second).Erased);
        Assert.Equal(300, Mark(second).Place.X);
        _board.Redo(Teacher);
        Assert.False(Mark(first).Erased);
    }

    [Fact]
    public void Nobody_but_a_teacher_restores()
    {
        var mayas = _board.Draw(Maya);
        Assert.Equal(Refusal.NotAllowed, _board.RefusalOf(Maya, new RestoreMarks([new Erasing(mayas, false)])));
        Assert.Equal(Refusal.OutOfRange, _board.RefusalOf(Teacher, new RestoreMarks([])));
        Assert.Equal(Refusal.OutOfRange, _board.RefusalOf(Teacher, new RestoreMarks([new Cutting(mayas, [900, 100])])));
    }

    [Theory]
    [MemberData(nameof(Seeds))]
    public void Whatever_was_done_a_page_is_exactly_as_it_was_but_for_what_is_down(int seed)
    {
        var random = new Random(seed);
        BoardPlay.Play(_board, random);
        var at = random.Next((int)_board.Board.Number);
        Do(Plan(at, RestoreDepth.Exactly));

        var then = Standing(BoardAt(at));
        var now = Standing(_board.Board);
        var down = _board.Board.Sheets.Marks.Values.Where(m => m.Down != TakenDown.No).Select(m => m.Id).ToHashSet();
        Assert.Equal(then.Where(m => !down.Contains(m.Id)).Select(Look), now.Where(m => m.Grip == Grip.Own || then.Any(t => t.Id == m.Id)).Select(Look));
    }

    public static TheoryData<int> Seeds() => [.. Enumerable.Range(1, 60)];

    private static List<Mark> Standing(Board board) => [.. board.Sheets.Marks.Values.Where(m => m.Stands && m.Grip != Grip.Key && !m.Body.BelongsToPage()).OrderBy(m => m.Id)];

    private static string Look(Mark m) => $"{m.Id} {m.Place} {m.Scale} {m.Pinned} {m.Tie} {m.Grip} {m.Order} {m.Style} {m.Words?.Text} {m.Body.Weight()} {m.Body.Box()} [{string.Join(',', m.Cuts)}]";

    private static (int Back, int Changed, int Away, int Down) Counts(Restoration plan) => (plan.Back, plan.Changed, plan.Away, plan.Down);

    private Mark Mark(long id) => _board.Board.Sheets.Marks[id];

    private long Note(Actor actor, string words)
    {
        var id = _board.NextId(actor);
        Assert.IsType<Decision.Accepted>(_board.Do(actor, new AddMark(id, FirstPage, Grip.Own, new NoteBody(0, 0, 5200, 5200, Say(words)), new Style(1, 0))));
        return id;
    }

    private Board BoardAt(long number)
    {
        var board = new Board(Content());
        foreach (var envelope in _board.Log.TakeWhile(e => e.Number <= number)) board.Apply(envelope);
        return board;
    }

    private Restoration Plan(long at, RestoreDepth depth = RestoreDepth.Gone, long page = 0, int person = 0, long mark = 0)
    {
        var board = BoardAt(at);
        var then = new Dictionary<long, Mark>(board.Sheets.Marks);
        foreach (var envelope in _board.Log.SkipWhile(e => e.Number <= at)) board.Apply(envelope);
        return Restoring.Plan(then, board.Sheets, new(page, person, mark, depth));
    }

    private void Do(Restoration plan)
    {
        if (!plan.Changes.IsEmpty) Assert.IsType<Decision.Accepted>(_board.Do(Teacher, new RestoreMarks(plan.Changes)));
    }
}
