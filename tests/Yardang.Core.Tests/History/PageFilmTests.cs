using Yardang.Core.Boards;
using Yardang.Core.Editing;
using Yardang.Core.History;
using Yardang.Core.Marks;
using Yardang.Core.Rooms;
using Yardang.Core.Tests.Boards;
using Yardang.Core.Visibility;
using static Yardang.Core.Tests.Boards.BoardScript;

namespace Yardang.Core.Tests.History;

/// <summary>How a page came to be, as a film.</summary>
public class PageFilmTests
{
    [Theory]
    [MemberData(nameof(Seeds))]
    public void At_its_end_it_shows_the_page_as_it_is_and_never_the_same_mark_twice(int seed)
    {
        var board = new BoardScript();
        BoardPlay.Play(board, new Random(seed));
        BoardPlay.PlayLateChange(board, takenBack: seed % 3 == 0);
        var film = PageFilm.Of(new Board(Content()), board.Log, 1, Sight.OnPaper);
        var atTheEnd = film.Marks.Where(m => m.Until >= film.Seconds).Select(m => m.Mark.Id);
        Assert.Equal(board.Board.Sheets.Visible(1).Where(Sight.OnPaper).Select(m => m.Id), atTheEnd);
        foreach (var mark in film.Marks.GroupBy(m => m.Mark.Id))
        {
            var until = double.MinValue;
            foreach (var shown in mark.OrderBy(m => m.From))
            {
                Assert.InRange(shown.From, Math.Max(0, until), film.Seconds);
                until = shown.Until;
                Assert.True(until > shown.From);
            }
        }
    }

    [Fact]
    public void Rests_are_cut_and_a_long_lesson_lasts_no_longer_than_half_a_minute()
    {
        var board = new BoardScript();
        for (var i = 0; i < 100; i++) board.Draw(Maya);
        List<Envelope> slow = [.. board.Log.Select((e, i) => e with { Time = i * 3_600_000L })];
        var film = PageFilm.Of(new Board(Content()), slow, 1, Sight.OnPaper);
        Assert.Equal(PageFilm.Longest, film.Seconds, 6);
        Assert.Equal(100, film.Marks.Count(m => m.Mark.Author == Maya.Number && !m.Mark.ByStaff));
        var one = PageFilm.Of(new Board(Content()), [.. slow.Take(3)], 1, Sight.OnPaper);
        Assert.Equal(2.1, one.Seconds, 6);
    }

    [Fact]
    public void What_was_rubbed_out_is_seen_until_then_and_what_nobody_may_see_is_never_in_it()
    {
        var board = new BoardScript();
        var line = board.Draw(Maya);
        board.Do(Maya, new MakeChanges([new Erasing(line, true)]));
        List<Envelope> log = [.. board.Log.Select((e, i) => e with { Time = i * 500L })];
        var film = PageFilm.Of(new Board(Content()), log, 1, Sight.OnPaper);
        var shown = Assert.Single(film.Marks, m => m.Mark.Id == line);
        Assert.True(shown.From < shown.Until && shown.Until <= film.Seconds);
        Assert.Empty(PageFilm.Of(new Board(Content()), log, 1, _ => false).Marks);
        Assert.Empty(PageFilm.Of(new Board(Content()), [], 99, Sight.OnPaper).Marks);
    }

    public static TheoryData<int> Seeds() => [.. Enumerable.Range(1, 40)];
}
