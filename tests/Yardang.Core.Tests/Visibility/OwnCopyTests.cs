using Yardang.Core.Boards;
using Yardang.Core.Editing;
using Yardang.Core.Marks;
using Yardang.Core.Rooms;
using Yardang.Core.Styles;
using Yardang.Core.Tests.Boards;
using Yardang.Core.Threads;
using Yardang.Core.Visibility;
using static Yardang.Core.Tests.Boards.BoardScript;

namespace Yardang.Core.Tests.Visibility;

/// <summary>What a student takes along of a board is what they see of it.</summary>
public class OwnCopyTests
{
    [Theory]
    [MemberData(nameof(Seeds))]
    public void A_copy_of_ones_own_board_holds_what_one_was_told_and_nothing_else(int seed)
    {
        var board = new BoardScript();
        BoardPlay.Play(board, new Random(seed));
        var copy = OwnCopy.Of(board.Board, Maya, isEverybodys: false);
        Assert.Equal(board.Board.Sheets.Marks.Values.Where(m => Sight.Of(Maya, m)).Select(m => Sight.AsSeen(Maya, m)).OrderBy(m => m.Id).Select(Standing), copy.Sheets.Marks.Values.OrderBy(m => m.Id).Select(Standing));
        Assert.Equal(board.Board.Talk.All.Select(t => Sight.AsSeen(Maya, t)).OfType<MarkThread>().SelectMany(t => t.Answers).Select(a => a.Text), copy.Talk.All.SelectMany(t => t.Answers).Select(a => a.Text));
        Assert.DoesNotContain(copy.Sheets.Marks.Values, m => m.Grip == Grip.Key);
        Assert.DoesNotContain(copy.SetAside.Values, late => late.Actor.Number != Maya.Number);
    }

    [Theory]
    [MemberData(nameof(Seeds))]
    public void Of_a_board_that_all_share_it_holds_nothing_that_a_classmate_did(int seed)
    {
        var board = new BoardScript();
        BoardPlay.Play(board, new Random(seed));
        var copy = OwnCopy.Of(board.Board, Maya, isEverybodys: true);
        Assert.DoesNotContain(copy.Sheets.Marks.Values, m => !m.ByStaff && m.Author != Maya.Number);
        Assert.All(copy.Talk.All, thread => Assert.Equal(Maya.Number, copy.Sheets.Marks[thread.Mark].Author));
        Assert.Equal(
            board.Board.Sheets.Marks.Values.Where(m => Sight.Of(Maya, m) && (m.ByStaff || m.Author == Maya.Number)).Select(m => m.Id).Order(),
            copy.Sheets.Marks.Keys.Order());
    }

    [Fact]
    public void What_classmates_said_to_it_is_there_as_far_as_it_stands()
    {
        var board = new BoardScript();
        var mine = board.Draw(Maya);
        var bens = board.Draw(Ben);
        board.Do(Ben, new GiveAnswer(mine, board.NextId(Ben), 0, "en", "It would sway."), 0);
        board.Do(Ben, new GiveAnswer(mine, board.NextId(Ben), 0, "en", "A spiteful answer."), 0);
        board.Do(Teacher, new TakeAnswerDown(mine, board.Board.Talk.About(mine)[1].Id, "No", Removes: true), 0);
        board.Do(Maya, new GiveAnswer(bens, board.NextId(Maya), 0, "en", "So would yours."), 0);

        var copy = OwnCopy.Of(board.Board, Maya, isEverybodys: true);
        Assert.Equal(["It would sway."], copy.Talk.About(mine).Where(a => a.IsUp).Select(a => a.Text));
        Assert.Empty(copy.Talk.About(bens));
        Assert.DoesNotContain("spiteful", string.Concat(copy.Talk.All.SelectMany(t => t.Answers).Select(a => a.Text)), StringComparison.Ordinal);
    }

    private static string Standing(Mark m) => $"{m.Id} {m.Page} {m.Author} {m.Grip} {m.Place} {m.Style} {m.Scale} {m.Order} {m.Erased} {m.Down} {m.Words?.Text} {string.Join(',', m.Cuts)}";

    public static TheoryData<int> Seeds() => [.. Enumerable.Range(1, 40)];
}
