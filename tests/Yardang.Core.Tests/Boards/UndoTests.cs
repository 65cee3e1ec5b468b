using CsCheck;
using Yardang.Core.Editing;
using Yardang.Core.Marks;
using Yardang.Core.Rooms;
using static Yardang.Core.Tests.Boards.BoardScript;

namespace Yardang.Core.Tests.Boards;

public class UndoTests
{
    private readonly BoardScript _board = new();

    [Fact]
    public void Undo_takes_back_only_my_own_last_gesture()
    {
        var mine = _board.Draw(Maya);
        var bens = _board.Draw(Ben);
        _board.Undo(Maya);
        Assert.True(_board.Board.Sheets.Marks[mine].Erased);
        Assert.False(_board.Board.Sheets.Marks[bens].Erased);
    }

    [Fact]
    public void A_classmates_gesture_cannot_be_undone()
    {
        _board.Draw(Maya);
        Assert.Equal(Refusal.NotYours, _board.RefusalOf(Ben, new UndoGesture(_board.LastGesture(Maya))));
    }

    [Fact]
    public void A_retried_undo_does_not_undo_a_second_time()
    {
        _board.Draw(Maya);
        _board.Draw(Maya);
        var gesture = _board.LastGesture(Maya);
        _board.Undo(Maya);
        Assert.Equal(Refusal.NothingToUndo, _board.RefusalOf(Maya, new UndoGesture(gesture)));
    }

    [Fact]
    public void A_stroke_in_several_pieces_is_one_gesture()
    {
        var gesture = _board.NextId(Maya);
        var first = _board.Draw(Maya, gesture);
        var second = _board.Draw(Maya, gesture);
        _board.Undo(Maya);
        Assert.True(_board.Board.Sheets.Marks[first].Erased);
        Assert.True(_board.Board.Sheets.Marks[second].Erased);
    }

    [Fact]
    public void What_somebody_else_moved_since_stays_where_they_put_it()
    {
        _board.Do(Maya, new MakeChanges([new Placed(LooseLabel, new Place(100, 0, 0))]));
        _board.Do(Ben, new MakeChanges([new Placed(LooseLabel, new Place(700, 0, 0))]));
        _board.Undo(Maya);
        Assert.Equal(700, _board.Board.Sheets.Marks[LooseLabel].Place.X);
    }

    [Fact]
    public void What_an_undo_had_to_skip_is_not_done_again_either()
    {
        _board.Do(Maya, new MakeChanges([new Placed(LooseLabel, new Place(50, 5, 0))]));
        _board.Undo(Maya);
        _board.Do(Teacher, new MakeChanges([new Placed(LooseLabel, new Place(1, 0, 0))]));
        _board.Redo(Maya);
        _board.Undo(Teacher);
        _board.Undo(Maya);
        _board.Redo(Maya);
        Assert.Equal(Place.AsDrawn, _board.Board.Sheets.Marks[LooseLabel].Place);
    }

    [Fact]
    public void Undo_names_what_it_had_to_skip()
    {
        var mine = _board.Draw(Maya);
        _board.Do(Maya, new MakeChanges([new Placed(LooseLabel, new Place(100, 0, 0)), new Placed(mine, new Place(5, 5, 0))]));
        _board.Do(Ben, new MakeChanges([new Placed(LooseLabel, new Place(700, 0, 0))]));
        _board.Undo(Maya);
        var undone = Assert.IsType<GestureUndone>(_board.Log[^1].Event);
        Assert.Equal([LooseLabel], undone.Skipped);
        Assert.Equal(Place.AsDrawn, _board.Board.Sheets.Marks[mine].Place);
    }

    [Fact]
    public void A_new_gesture_ends_the_chance_to_redo()
    {
        _board.Draw(Maya);
        _board.Undo(Maya);
        _board.Draw(Maya);
        Assert.Null(_board.Board.Sheets.Journal.NextRedo(Maya.Number));
    }

    [Fact]
    public void Rubbing_out_part_of_a_stroke_keeps_the_mark_and_can_be_undone()
    {
        var ink = _board.Draw(Maya);
        _board.Do(Maya, new MakeChanges([new Cutting(ink, [100, 300])]));
        _board.Do(Maya, new MakeChanges([new Cutting(ink, [250, 500])]));
        Assert.Equal([100, 500], _board.Board.Sheets.Marks[ink].Cuts);
        _board.Undo(Maya);
        Assert.Equal([100, 300], _board.Board.Sheets.Marks[ink].Cuts);
        Assert.Equal(Maya.Number, _board.Board.Sheets.Marks[ink].Author);
    }

    private static readonly Gen<(int Who, int What, int At)[]> s_doings = Gen.Select(Gen.Int[0, 2], Gen.Int[0, 5], Gen.Int[0, 30]).Array[1, 60];

    [Fact]
    public void The_same_log_gives_the_same_state() => s_doings.Sample(doings =>
    {
        var board = Play(doings);
        Assert.Equal(board.Digest(), Data.Wire.SnapshotCodec.Encode(board.Replay(), Actor.Program));
    });

    [Fact]
    public void A_snapshot_and_the_log_after_it_give_the_same_state_as_the_whole_log() => s_doings.Sample(doings =>
    {
        var board = Play(doings);
        var middle = board.Log.Count / 2;
        var early = new Core.Boards.Board(Content());
        foreach (var e in board.Log.Take(middle)) early.Apply(e);
        var late = new Core.Boards.Board(Content());
        Assert.True(Data.Wire.SnapshotCodec.Restore(Data.Wire.SnapshotCodec.Encode(early, Actor.Program), late));
        foreach (var e in board.Log.Skip(middle)) late.Apply(e);
        Assert.Equal(board.Digest(), Data.Wire.SnapshotCodec.Encode(late, Actor.Program));
    });

    [Fact]
    public void Undo_then_redo_changes_nothing_that_can_be_seen() => s_doings.Sample(doings =>
    {
        var board = Play(doings);
        if (board.Board.Sheets.Journal.NextUndo(Maya.Number) is not { } next) return;
        var before = board.Seen();
        if (board.Do(Maya, new UndoGesture(next.Id), 0) is not Decision.Accepted) return;
        board.Redo(Maya);
        Assert.Equal(before, board.Seen());
    });

    [Fact]
    public void Undoing_everything_of_one_person_leaves_the_others_work_as_it_was_without_them() => s_doings.Sample(doings =>
    {
        var board = Play(doings.Where(d => d.What != 2).ToArray());
        while (board.Board.Sheets.Journal.NextUndo(Maya.Number) is not null) board.Undo(Maya);
        Assert.DoesNotContain(board.Board.Sheets.Visible(1), m => m.Author == Maya.Number);
        foreach (var mark in board.Board.Sheets.Marks.Values.Where(m => m.Author == Ben.Number))
        {
            Assert.DoesNotContain(board.Log, e => e.Actor == Maya && e.Event is ChangesMade made && made.Changes.Any(c => c.Target == mark.Id));
        }
    });

    // Draw, move own, move the loose label, cut, undo, redo: by whoever, whether or not it is allowed.
    private static BoardScript Play((int Who, int What, int At)[] doings)
    {
        var board = new BoardScript();
        foreach (var (who, what, at) in doings)
        {
            var actor = new[] { Maya, Ben, Teacher }[who];
            var marks = board.Board.Sheets.Marks.Keys.Order().ToList();
            var mark = marks[at % marks.Count];
            switch (what)
            {
                case 0: board.Draw(actor); break;
                case 1: board.Do(actor, new MakeChanges([new Placed(mark, new Place(at * 10, at, 0))])); break;
                case 2: board.Do(actor, new MakeChanges([new Placed(LooseLabel, new Place(at, 0, 0))])); break;
                case 3: board.Do(actor, new MakeChanges([new Cutting(mark, [at * 10, (at * 10) + 200])])); break;
                case 4 when board.Board.Sheets.Journal.NextUndo(actor.Number) is { } undo: board.Do(actor, new UndoGesture(undo.Id), 0); break;
                case 5 when board.Board.Sheets.Journal.NextRedo(actor.Number) is { } redo: board.Do(actor, new RedoGesture(redo.Id), 0); break;
            }
        }

        return board;
    }
}
