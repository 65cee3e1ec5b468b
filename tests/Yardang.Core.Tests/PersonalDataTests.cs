using Yardang.Core.Editing;
using Yardang.Core.Marks;
using Yardang.Core.PersonalData;
using Yardang.Core.Rooms;
using Yardang.Core.Styles;
using Yardang.Core.Tests.Boards;
using Yardang.Core.Tests.Walls;
using Yardang.Core.Threads;
using Yardang.Core.Walls;
using static Yardang.Core.Tests.Boards.BoardScript;

namespace Yardang.Core.Tests;

/// <summary>What is kept of one person, for when they ask.</summary>
public class PersonalDataTests
{
    [Fact]
    public void Of_a_board_it_is_all_that_they_wrote_drew_rubbed_out_and_that_waits_and_nothing_of_anybody_else()
    {
        var board = new BoardScript();
        var line = board.Draw(Maya);
        board.Do(Maya, new AddMark(board.NextId(Maya), 1, Grip.Own, new NoteBody(0, 0, 5_200, 5_200, Say("a first idea")), new Style(1, 0)));
        board.Draw(Ben);
        board.Do(Maya, new MakeChanges([new Erasing(line, true)]));
        board.Do(Maya, new GiveAnswer(line, board.NextId(Maya), 0, "en", "gone"), 0);
        board.Do(Maya, new GiveAnswer(PrintedTitle, board.NextId(Maya), 0, "en", "First of how many?"), 0);
        board.Allowed = new(PensDown: true);
        board.Do(Maya, new AddMark(board.NextId(Maya), 1, Grip.Own, new NoteBody(0, 0, 5_200, 5_200, Say("too late")), new Style(1, 0)));

        var kept = KeptThing.Of(board.Board, Maya.Number).ToList();
        Assert.Equal([("ink", "", KeptState.RubbedOut), ("note", "a first idea", KeptState.Stands), ("answer", "First of how many?", KeptState.Stands), ("ink", "too late", KeptState.Waits)], kept.Select(k => (k.Kind, k.Words, k.State)));
        Assert.Single(KeptThing.Of(board.Board, Ben.Number));
    }

    [Fact]
    public void Of_a_wall_it_is_their_cards_answers_and_links_also_those_that_are_down()
    {
        var wall = new WallScript(new(Answers: true));
        var mine = wall.PutUp(Maya, "arches push");
        var bens = wall.PutUp(Ben, "beams bend");
        wall.Answer(Maya, bens, "How far?");
        wall.Do(Teacher, new TakeCardDown(mine, "Not here"));
        Assert.Equal([("card", "arches push", KeptState.TakenDown), ("answer", "How far?", KeptState.Stands)], KeptThing.Of(wall.Wall, Maya.Number).Select(k => (k.Kind, k.Words, k.State)));
    }

    [Fact]
    public void Where_names_are_for_nobody_nothing_is_told()
    {
        var wall = new WallScript(new(Names: NamesTo.Nobody));
        wall.PutUp(Maya, "arches push");
        Assert.Empty(KeptThing.Of(wall.Wall, Maya.Number));
    }
}
