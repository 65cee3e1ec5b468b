using Yardang.Core.Editing;
using Yardang.Core.InTray;
using Yardang.Core.Marks;
using Yardang.Core.Moderation;
using Yardang.Core.Rooms;
using Yardang.Core.Styles;
using Yardang.Core.Tests.Boards;
using Yardang.Core.Tests.Walls;
using Yardang.Core.Threads;
using Yardang.Core.Walls;
using static Yardang.Core.Tests.Boards.BoardScript;

namespace Yardang.Core.Tests.InTray;

/// <summary>What waits is decided thing by thing: a card, an answer, a note; and what is drawn, as one.</summary>
public class WaitingThingTests
{
    private static Allowed Asking => new(Approval: new(ApprovalWhen.Always, [], LessonHours.Usual));

    [Fact]
    public void What_was_done_to_one_card_is_one_thing_with_the_words_that_were_written_last()
    {
        var wall = new WallScript(WallRules.Free with { Answers = true }) { Allowed = Asking };
        var given = wall.PutUp(Teacher, "Why?");
        var id = wall.NextId(Maya);
        wall.Do(Maya, new PutUpCard(id, 11, "en", "Stone"));
        wall.Do(Maya, new MoveCard(id, 12, 1));
        wall.Do(Ben, new GiveAnswer(given, wall.NextId(Ben), 0, "en", "Because"));
        wall.Do(Maya, new RewordCard(id, "en", "Stone lasts"));
        var things = WaitingThing.In(wall.Wall.SetAside.Values);
        Assert.Equal([(Maya.Number, id, "Stone lasts", 3), (Ben.Number, things[1].Id, "Because", 1)], things.Select(t => (t.Person, t.Id, t.Words, t.Works.Length)));
        Assert.Equal(WhySetAside.Approval, things[0].Why);
        Assert.True(things[0].Since <= things[1].Since);
    }

    [Fact]
    public void What_was_returned_is_told_with_what_stood_there_and_is_with_its_author_until_they_write_it_otherwise()
    {
        var wall = new WallScript { Allowed = Asking };
        var id = wall.NextId(Maya);
        wall.Do(Maya, new PutUpCard(id, 11, "en", "Stone"));
        wall.Do(Teacher, new ReturnWork(wall.Wall.SetAside.Keys.Single(), "What of it?"));
        Assert.Equal("What of it?", WaitingThing.In(wall.Wall.SetAside.Values).Single().Returned);
        wall.Do(Maya, new RewordCard(id, "en", "Stone lasts"));
        var again = WaitingThing.In(wall.Wall.SetAside.Values).Single();
        Assert.Equal(("", "Stone lasts"), (again.Returned, again.Words));
        Assert.Equal([("Stone", "What of it?")], again.Exchange);
    }

    [Fact]
    public void What_one_drew_is_one_thing_beside_each_note_and_what_was_found_counts_before_all_else()
    {
        var board = new BoardScript { Allowed = Asking with { Screen = WordScreen.For(WordScreening.Usual) } };
        board.Do(Maya, new AddMark(board.NextId(Maya), 1, Grip.Own, Ink(), new Style(0, 80)));
        board.Do(Maya, new AddMark(board.NextId(Maya), 1, Grip.Own, new NoteBody(100, 100, 4000, 3000, Say("shit")), new Style(0, 80)));
        board.Do(Maya, new AddMark(board.NextId(Maya), 1, Grip.Own, Ink(), new Style(0, 80)));
        var things = WaitingThing.In(board.Board.SetAside.Values);
        Assert.Equal([(true, "", 2, WhySetAside.Approval), (false, "shit", 1, WhySetAside.Words)], things.Select(t => (t.Id == 0, t.Words, t.Works.Length, t.Why)));
    }

    private static InkBody Ink() => new([new(0, 0, 100, 0), new(500, 500, 100, 20)]);
}
