using Yardang.Core.Editing;
using Yardang.Core.Marks;
using Yardang.Core.Rooms;
using Yardang.Core.Styles;
using Yardang.Core.Tests.Boards;
using Yardang.Core.Tests.Walls;
using Yardang.Core.Threads;
using Yardang.Core.Visibility;
using Yardang.Core.Walls;
using Yardang.Data.Wire;
using static Yardang.Core.Tests.Boards.BoardScript;

namespace Yardang.Core.Tests.Moderation;

/// <summary>A teacher takes down what a student put there: hidden from all but its author, or removed; with a word to its author; and puts it back.</summary>
public class TakenDownTests
{
    [Fact]
    public void A_card_that_is_hidden_its_author_still_sees_with_why_and_classmates_are_told_only_that_it_is_gone()
    {
        var wall = new WallScript();
        var id = wall.PutUp(Maya, "Ben cannot count");
        wall.Do(Teacher, new TakeCardDown(id, " Say it about the bridge, please. "));
        var (toMaya, toBen) = (Told(wall, Maya), Told(wall, Ben));
        Assert.Equal(("Say it about the bridge, please.", Maya.Number, false), (toMaya.Words, toMaya.Author, toMaya.Removed));
        Assert.Equal(new CardTakenDown(id), toBen);

        Assert.Equal("Ben cannot count", Assert.Single(Seen(wall, Maya)).Text);
        Assert.Equal("Say it about the bridge, please.", Assert.Single(Seen(wall, Maya)).DownWhy);
        Assert.Empty(Seen(wall, Ben));
        Assert.Equal(Refusal.NotAllowed, wall.Do(Maya, new PutCardBack(id)).Reason());
    }

    [Fact]
    public void A_card_that_is_removed_not_even_its_author_reads_any_more_who_knows_why_it_is_gone()
    {
        var wall = new WallScript(WallRules.Free with { Answers = true });
        var id = wall.PutUp(Maya, "a word in anger");
        wall.Answer(Ben, id, "an angry answer");
        Assert.Contains("angry"u8.ToArray(), SnapshotCodec.Encode(wall.Wall, Maya));
        wall.Do(Teacher, new TakeCardDown(id, "Not here.", Removes: true));
        var mine = Assert.Single(Seen(wall, Maya));
        Assert.Equal(("", "Not here.", true), (mine.Text, mine.DownWhy, mine.Removed));
        Assert.Empty(mine.Said);
        Assert.DoesNotContain("angry"u8.ToArray(), SnapshotCodec.Encode(wall.Wall, Maya));
        Assert.DoesNotContain("anger"u8.ToArray(), SnapshotCodec.Encode(wall.Wall, Maya));
        Assert.Equal("a word in anger", Assert.Single(Seen(wall, Teacher)).Text);
    }

    [Fact]
    public void A_teacher_says_anew_why_removes_what_was_hidden_and_puts_it_back_as_it_was()
    {
        var wall = new WallScript();
        var id = wall.PutUp(Maya, "Arches push");
        wall.Do(Teacher, new TakeCardDown(id));
        Assert.Equal(Refusal.ChangedSince, wall.Do(Teacher, new TakeCardDown(id)).Reason());
        wall.Do(Teacher, new TakeCardDown(id, "It is Ben's."));
        wall.Do(Teacher, new TakeCardDown(id, "It is Ben's.", Removes: true));
        Assert.True(wall.Wall.Cards[id].Removed);
        Assert.Equal(Refusal.ChangedSince, wall.Do(Teacher, new TakeCardDown(id)).Reason());
        wall.Do(Teacher, new PutCardBack(id));
        Assert.Equal("Arches push", Assert.Single(Seen(wall, Ben)).Text);
        Assert.Equal((0, "", false), (wall.Wall.Cards[id].DownBy, wall.Wall.Cards[id].DownWhy, wall.Wall.Cards[id].Removed));
    }

    [Fact]
    public void What_its_author_took_down_a_teacher_can_remove_and_then_it_does_not_come_back()
    {
        var wall = new WallScript();
        var id = wall.PutUp(Maya, "a word in anger");
        wall.Do(Maya, new TakeCardDown(id));
        wall.Do(Teacher, new TakeCardDown(id, "", Removes: true));
        Assert.Equal(Refusal.NotAllowed, wall.Do(Maya, new PutCardBack(id)).Reason());
        Assert.Equal("", Assert.Single(Seen(wall, Maya)).Text);
    }

    [Fact]
    public void Students_take_down_their_own_and_say_and_remove_nothing()
    {
        var wall = new WallScript(WallRules.Free with { Answers = true });
        var (mine, bens) = (wall.PutUp(Maya, "mine"), wall.PutUp(Ben, "his"));
        var said = wall.Answer(Maya, bens, "mine, too");
        Assert.Equal(Refusal.NotAllowed, wall.Do(Maya, new TakeCardDown(mine, "Because")).Reason());
        Assert.Equal(Refusal.NotAllowed, wall.Do(Maya, new TakeCardDown(mine, "", Removes: true)).Reason());
        Assert.Equal(Refusal.NotAllowed, wall.Do(Maya, new TakeAnswerDown(bens, said, "Because")).Reason());
        Assert.Equal(Refusal.NotYours, wall.Do(Maya, new TakeCardDown(bens)).Reason());
        Assert.Equal(Refusal.OutOfRange, wall.Do(Teacher, new TakeCardDown(mine, new string('a', LateWork.LongestWords + 1))).Reason());
        Assert.IsType<Decision.Accepted>(wall.Do(Maya, new TakeCardDown(mine)));
    }

    [Fact]
    public void So_are_answers_to_cards_and_to_marks()
    {
        var wall = new WallScript(WallRules.Free with { Answers = true });
        var card = wall.PutUp(Ben, "Arches push");
        var answer = wall.Answer(Maya, card, "You are wrong as ever");
        wall.Do(Teacher, new TakeAnswerDown(card, answer, "Say what is wrong.", Removes: true));
        Assert.Equal(("", "Say what is wrong."), (Assert.Single(Seen(wall, Maya)[0].Said).Text, Seen(wall, Maya)[0].Said[0].DownWhy));
        Assert.Empty(Assert.Single(Seen(wall, Ben)).Said);
        wall.Do(Teacher, new PutAnswerBack(card, answer));
        Assert.Equal("You are wrong as ever", Assert.Single(Seen(wall, Ben)[0].Said).Text);

        var board = new BoardScript();
        var mark = board.Draw(Ben);
        var said = board.NextId(Maya);
        board.Do(Maya, new GiveAnswer(mark, said, 0, "en", "wrong as ever"), 0);
        board.Do(Teacher, new TakeAnswerDown(mark, said, "Say what is wrong."), 0);
        Assert.Equal(new AnswerTakenDown(mark, said), Sight.AsTold(Ben, board.Log[^1]).Event);
        Assert.Equal("Say what is wrong.", Assert.Single(board.Board.Talk.About(mark)).DownWhy);
        Assert.Empty(((Core.Boards.BoardSnapshot)Snapshots.Of(board.Board, Ben)).Said);
    }

    [Fact]
    public void A_mark_that_is_hidden_its_author_and_teachers_see_and_one_that_is_removed_teachers_alone()
    {
        var board = new BoardScript();
        var mark = board.NextId(Maya);
        board.Do(Maya, new AddMark(mark, 1, Grip.Own, new NoteBody(100, 100, 5_200, 5_200, Say("a word in anger")), new Style(1, 0)));
        board.Do(Teacher, new MakeChanges([new TakingDown(mark, TakenDown.Hidden)]));
        Assert.Contains("anger"u8.ToArray(), SnapshotCodec.Encode(board.Board, Maya));
        Assert.DoesNotContain("anger"u8.ToArray(), SnapshotCodec.Encode(board.Board, Ben));
        Assert.DoesNotContain(board.Board.Sheets.Visible(1), m => m.Id == mark);

        board.Do(Teacher, new MakeChanges([new TakingDown(mark, TakenDown.Removed)]));
        Assert.DoesNotContain("anger"u8.ToArray(), SnapshotCodec.Encode(board.Board, Maya));
        Assert.Contains("anger"u8.ToArray(), SnapshotCodec.Encode(board.Board, Teacher));
    }

    [Fact]
    public void While_a_mark_is_down_nobody_changes_it_and_its_author_cannot_undo_it_back()
    {
        var board = new BoardScript();
        var mark = board.Draw(Maya);
        board.Do(Teacher, new MakeChanges([new TakingDown(mark, TakenDown.Hidden)]));
        Assert.Equal(Refusal.ChangedSince, board.RefusalOf(Maya, new MakeChanges([new Placed(mark, new(500, 0, 0))])));
        Assert.Equal(Refusal.NotAllowed, board.RefusalOf(Maya, new MakeChanges([new TakingDown(mark, TakenDown.No)])));
        Assert.Equal(Refusal.ChangedSince, board.RefusalOf(Teacher, new MakeChanges([new Placed(mark, new(500, 0, 0))])));
        board.Undo(Maya);
        Assert.Equal((false, TakenDown.Hidden), (board.Board.Sheets.Marks[mark].Erased, board.Board.Sheets.Marks[mark].Down));
        Assert.Equal(Refusal.NotFound, board.RefusalOf(Ben, new GiveAnswer(mark, board.NextId(Ben), 0, "en", "and this?")));
    }

    [Fact]
    public void Undoing_it_brings_all_of_it_back_among_what_others_did_since()
    {
        var board = new BoardScript();
        var (first, second) = (board.Draw(Maya), board.Draw(Maya));
        board.Do(Teacher, new MakeChanges([new TakingDown(first, TakenDown.Removed), new TakingDown(second, TakenDown.Removed)]));
        var bens = board.Draw(Ben);
        board.Undo(Teacher);
        Assert.All(new[] { first, second, bens }, id => Assert.True(board.Board.Sheets.Marks[id].Stands));
        Assert.Equal([first, second], Assert.IsType<GestureUndone>(board.Log[^1].Event).Back!.Value.Select(m => m.Id));
    }

    [Fact]
    public void Only_what_students_put_there_is_taken_down()
    {
        var board = new BoardScript();
        var teachers = board.Draw(Teacher);
        foreach (var id in new[] { teachers, PrintedTitle, LooseLabel }) Assert.Equal(Refusal.NotAllowed, board.RefusalOf(Teacher, new MakeChanges([new TakingDown(id, TakenDown.Hidden)])));
        var bens = board.Draw(Ben);
        Assert.Equal(Refusal.NotAllowed, board.RefusalOf(Maya, new MakeChanges([new TakingDown(bens, TakenDown.Hidden)])));
        Assert.Equal(Refusal.OutOfRange, board.RefusalOf(Teacher, new MakeChanges([new TakingDown(bens, (TakenDown)3)])));
    }

    private static CardTakenDown Told(WallScript wall, Actor reader) => Assert.IsType<CardTakenDown>(Sight.AsTold(reader, wall.Log[^1]).Event);

    private static Card[] Seen(WallScript wall, Actor reader) => [.. ((WallSnapshot)Snapshots.Of(wall.Wall, reader)).Cards];
}
