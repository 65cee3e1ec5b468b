using Yardang.Core.Boards;
using Yardang.Core.Editing;
using Yardang.Core.History;
using Yardang.Core.Marks;
using Yardang.Core.Rooms;
using Yardang.Core.Styles;
using Yardang.Core.Tests.Boards;
using Yardang.Core.Threads;
using Yardang.Core.Visibility;
using Yardang.Data.Wire;
using static Yardang.Core.Tests.Boards.BoardScript;

namespace Yardang.Core.Tests.History;

/// <summary>How a student's own board came to be, as they may know it.</summary>
public class OwnPastTests
{
    [Theory]
    [MemberData(nameof(Seeds))]
    public void What_a_student_is_told_of_the_past_adds_up_to_what_stands_there_for_them_now(int seed)
    {
        var board = new BoardScript();
        BoardPlay.Play(board, new Random(seed));
        BoardPlay.PlayLateChange(board, takenBack: seed % 3 == 0);
        BoardPlay.Play(board, new Random(seed + 1_000));
        var again = Fold(board, Maya);
        Assert.Equal(Standing(board.Board, Maya), Standing(again, Maya));
        Assert.DoesNotContain(again.Sheets.Marks.Values, m => board.Board.Sheets.Marks[m.Id].Down == TakenDown.Removed);
        Assert.Empty(again.SetAside);
    }

    [Fact]
    public void Of_what_a_teacher_has_removed_the_past_has_no_trace_and_of_what_waited_neither()
    {
        var board = new BoardScript();
        var note = Write(board, "a word in anger");
        board.Do(Maya, new MakeChanges([new Placed(note, new Place(500, 0, 0))]));
        var kept = board.Draw(Maya);
        board.Do(Ben, new GiveAnswer(kept, board.NextId(Ben), 0, "en", "a spiteful answer"), 0);
        board.Do(Teacher, new TakeAnswerDown(kept, board.Board.Talk.About(kept)[0].Id, "No", Removes: true), 0);
        board.Do(Teacher, new MakeChanges([new TakingDown(note, TakenDown.Removed)]));
        board.Allowed = new(PensDown: true);
        Write(board, "a late word");
        board.Do(Teacher, new DiscardLateWork(board.Log[^1].Number), 0);

        var past = new OwnPast(board.Board, Maya);
        var told = board.Log.Select(past.Told).OfType<Envelope>().SelectMany(EventCodec.Encode).ToArray();
        foreach (var words in new[] { "anger"u8.ToArray(), "spiteful"u8.ToArray(), "late word"u8.ToArray() }) Assert.Equal(-1, told.AsSpan().IndexOf(words));
        Assert.Contains(Fold(board, Maya).Sheets.Marks.Keys, id => id == kept);
    }

    [Fact]
    public void What_was_rubbed_out_is_there_to_be_looked_back_at()
    {
        var board = new BoardScript();
        var note = Write(board, "a first idea");
        board.Do(Maya, new MakeChanges([new Erasing(note, true)]));
        Assert.True(Fold(board, Maya).Sheets.Marks[note].Erased);
    }

    public static TheoryData<int> Seeds() => [.. Enumerable.Range(1, 40)];

    private static long Write(BoardScript board, string words)
    {
        var id = board.NextId(Maya);
        board.Do(Maya, new AddMark(id, 1, Grip.Own, new NoteBody(100, 100, 5_200, 5_200, Say(words)), new Style(1, 0)));
        return id;
    }

    private static Board Fold(BoardScript board, Actor student)
    {
        var again = new Board(Content());
        Assert.True(SnapshotCodec.Restore(SnapshotCodec.Encode(new Board(Content()), student), again));
        var past = new OwnPast(board.Board, student);
        foreach (var told in board.Log.Select(past.Told).OfType<Envelope>())
        {
            again.AdvanceTo(told.Number - 1);
            again.Apply(EventCodec.Decode(EventCodec.Encode(told)));
        }

        return again;
    }

    private static List<string> Standing(Board board, Actor reader) =>
        [.. board.Sheets.Pages.SelectMany(p => board.Sheets.Visible(p.Id)).Where(m => m.IsSeenBy(reader) && m.Grip != Grip.Key).Select(m => $"{m.Id} {m.Place} {m.Style} {m.Scale} {m.Order} {m.Words?.Text} {string.Join(',', m.Cuts)}").Order(StringComparer.Ordinal)];
}
