using Yardang.Core.Activities;
using Yardang.Core.Boards;
using Yardang.Core.Editing;
using Yardang.Core.Marks;
using Yardang.Core.Rooms;
using Yardang.Core.Styles;
using Yardang.Core.Visibility;
using Yardang.Data.Wire;
using static Yardang.Core.Tests.Boards.BoardScript;

namespace Yardang.Core.Tests.Boards;

/// <summary>A teacher writes down what a student said aloud.</summary>
public class SpeakingTests
{
    private readonly BoardScript _board = new();

    [Fact]
    public void It_belongs_to_who_said_it_says_who_wrote_it_down_and_is_theirs_to_edit()
    {
        var id = Said(Maya);
        var mark = _board.Board.Sheets.Marks[id];
        Assert.Equal((Maya.Number, false, Teacher.Number), (mark.Author, mark.ByStaff, mark.PutBy));
        Assert.IsType<Decision.Accepted>(_board.Do(Maya, new MakeChanges([new Wording(id, Say("Arches push outwards"), 4_000, 4_000)])));
        Assert.Equal("Arches push outwards", _board.Board.Sheets.Marks[id].Words!.Text);
        Assert.Equal(Teacher.Number, _board.Board.Sheets.Marks[id].PutBy);
        Assert.Equal(Refusal.NotYours, _board.RefusalOf(Ben, new MakeChanges([new Erasing(id, true)])));
        Assert.IsType<Decision.Accepted>(_board.Do(Maya, new MakeChanges([new Erasing(id, true)])));
    }

    [Fact]
    public void The_teacher_takes_it_back_like_anything_she_wrote()
    {
        var id = Said(Maya);
        _board.Undo(Teacher);
        Assert.True(_board.Board.Sheets.Marks[id].Erased);
        _board.Redo(Teacher);
        Assert.False(_board.Board.Sheets.Marks[id].Erased);
    }

    [Fact]
    public void It_survives_a_snapshot_and_the_log_and_everybody_there_reads_it()
    {
        var id = Said(Maya);
        var copy = new Board(Content());
        Assert.True(SnapshotCodec.Restore(SnapshotCodec.Encode(_board.Board, Ben), copy));
        Assert.Equal(Teacher.Number, copy.Sheets.Marks[id].PutBy);
        Assert.Equal(Teacher.Number, _board.Replay().Sheets.Marks[id].PutBy);
        Assert.True(Sight.Of(Ben, _board.Log[^1]));
    }

    [Fact]
    public void It_does_not_count_as_something_that_the_student_did()
    {
        Said(Maya);
        Assert.Null(_board.Board.LastActivity);
        Assert.Empty(_board.Board.Acts);
    }

    [Fact]
    public void Nobody_speaks_for_somebody_but_a_teacher_in_words_and_not_in_the_workshop()
    {
        Assert.Equal(Refusal.NotAllowed, _board.RefusalOf(Maya, Aloud(_board.NextId(Maya), Ben.Number)));
        Assert.Equal(Refusal.NotAllowed, _board.RefusalOf(Maya, Aloud(_board.NextId(Maya), Maya.Number)));
        Assert.Equal(Refusal.NotAllowed, _board.RefusalOf(Teacher, Aloud(_board.NextId(Teacher), -1)));
        Assert.Equal(Refusal.NotAllowed, _board.RefusalOf(Teacher, Aloud(_board.NextId(Teacher), Maya.Number) with { Grip = Grip.Loose }));
        Assert.Equal(Refusal.NotAllowed, _board.RefusalOf(Teacher, Aloud(_board.NextId(Teacher), Maya.Number) with { Body = Line(0, 0, 500, 500) }));
        Assert.Equal(Refusal.NotAllowed, Assert.IsType<Decision.Refused>(Marking.Decide(_board.Board.Sheets, Aloud(Ids.Of(9, 1), Maya.Number), Teacher, 9, design: true)).Reason);
        _board.Allowed = new(PensDown: true);
        Assert.Equal(Refusal.NotAllowed, _board.RefusalOf(Maya, Aloud(_board.NextId(Maya), Ben.Number)));
    }

    [Fact]
    public void What_a_teacher_wrote_is_not_said_by_a_student_in_a_file()
    {
        var mark = _board.Board.Sheets.Marks[Said(Maya)];
        var content = ActivityContent.Blank("en", "Bridges");
        Assert.Null(ContentRules.FaultIn(content with { Marks = [mark with { Page = 1 }] }));
        Assert.NotNull(ContentRules.FaultIn(content with { Marks = [mark with { Page = 1, ByStaff = true }] }));
        Assert.NotNull(ContentRules.FaultIn(content with { Marks = [mark with { Page = 1, PutBy = -1 }] }));
    }

    private long Said(Actor who)
    {
        var id = _board.NextId(Teacher);
        Assert.IsType<Decision.Accepted>(_board.Do(Teacher, Aloud(id, who.Number)));
        return id;
    }

    private static AddMark Aloud(long id, int who) => new(id, 1, Grip.Own, new NoteBody(1_000, 1_000, 4_000, 4_000, Say("Arches push")), new Style(0, 0), who);
}
