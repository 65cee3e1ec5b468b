using Yardang.Core.Attachments;
using Yardang.Core.Editing;
using Yardang.Core.Lessons;
using Yardang.Core.Marks;
using Yardang.Core.Moderation;
using Yardang.Core.Rooms;
using Yardang.Core.Styles;
using Yardang.Core.Tests.Boards;
using Yardang.Core.Tests.Lessons;
using Yardang.Core.Tests.Walls;
using Yardang.Core.Threads;
using Yardang.Core.Visibility;
using Yardang.Core.Walls;
using static Yardang.Core.Tests.Boards.BoardScript;

namespace Yardang.Core.Tests.Moderation;

/// <summary>What a class should not read is covered, kept back or not taken, before there is an event of it; and nothing that was written is lost.</summary>
public class FoundWordsTests
{
    private const string Bad = "This bridge is sh1t";

    internal static Allowed Then(WhenFound then) => new(Screen: WordScreen.For(WordScreening.Usual with { Then = then }));

    [Fact]
    public void A_card_waits_for_the_teacher_who_puts_it_up_or_not()
    {
        var wall = new WallScript(WallRules.Free with { Answers = true }) { Allowed = Then(WhenFound.KeepBack) };
        var id = wall.NextId(Maya);
        var kept = Assert.IsType<Decision.Accepted>(wall.Do(Maya, new PutUpCard(id, 11, "en", Bad)));
        Assert.Equal((Audience.AuthorAndStaff, WhySetAside.Words), (kept.Audience, Assert.IsType<WorkSetAside>(kept.Event).Why));
        Assert.Empty(wall.Wall.Cards);

        // What rests on it waits with it; what does not goes up.
        Assert.Equal(WhySetAside.Rests, Assert.IsType<WorkSetAside>(Event(wall.Do(Maya, new RewordCard(id, "en", "This bridge is weak")))).Why);
        Assert.IsType<CardPutUp>(Event(wall.Do(Maya, new PutUpCard(wall.NextId(Maya), 11, "en", "Arches push"))));
        Assert.Equal(Refusal.NotFound, Reason(wall.Do(Ben, new RewordCard(id, "en", "Mine now"))));
        foreach (var waiting in wall.Wall.SetAside.Keys.ToList()) wall.Do(Teacher, new AcceptLateWork(waiting));
        Assert.Equal("This bridge is weak", wall.Wall.Cards[id].Text);
        Assert.Empty(wall.Wall.SetAside);
    }

    [Fact]
    public void Who_wrote_what_waits_takes_it_back_and_nobody_else_does()
    {
        var wall = new WallScript { Allowed = Then(WhenFound.KeepBack) };
        var board = new BoardScript { Allowed = Then(WhenFound.KeepBack) };
        wall.Do(Maya, new PutUpCard(wall.NextId(Maya), 11, "en", Bad));
        board.Do(Maya, new AddMark(board.NextId(Maya), 1, Grip.Own, new NoteBody(100, 100, 4000, 3000, Say("Shit")), new Style(0, 80)));
        var (onWall, onBoard) = (wall.Wall.SetAside.Keys.Single(), board.Board.SetAside.Keys.Single());
        Assert.Equal(Refusal.NotAllowed, Reason(wall.Do(Ben, new DiscardLateWork(onWall))));
        Assert.Equal(Refusal.NotAllowed, Reason(board.Do(Ben, new DiscardLateWork(onBoard))));
        Assert.Equal(Refusal.NotAllowed, Reason(wall.Do(Maya, new AcceptLateWork(onWall))));
        Assert.Equal(Refusal.NotAllowed, Reason(board.Do(Maya, new AcceptLateWork(onBoard))));
        Assert.Equal(Audience.NamedAndStaff, Assert.IsType<Decision.Accepted>(wall.Do(Maya, new DiscardLateWork(onWall))).Audience);
        Assert.IsType<LateWorkDiscarded>(Event(board.Do(Maya, new DiscardLateWork(onBoard))));
        Assert.Empty(wall.Wall.SetAside);
        Assert.Empty(board.Board.SetAside);

        // Decided in the meantime, it is there no more.
        Assert.Equal(Refusal.NotFound, Reason(wall.Do(Teacher, new AcceptLateWork(onWall))));
        Assert.Equal(Refusal.NotAllowed, Reason(wall.Do(Maya, new DiscardLateWork(onWall))));
    }

    [Fact]
    public void Nobody_but_its_author_and_teachers_is_told_what_waits()
    {
        var wall = new WallScript { Allowed = Then(WhenFound.KeepBack) };
        wall.Do(Maya, new PutUpCard(wall.NextId(Maya), 11, "en", Bad));
        Assert.False(Sight.Of(Ben, wall.Log[^1]));
        Assert.True(Sight.Of(Maya, wall.Log[^1]));
        Assert.Empty(((WallSnapshot)Snapshots.Of(wall.Wall, Ben)).SetAside);
        Assert.Single(((WallSnapshot)Snapshots.Of(wall.Wall, Maya)).SetAside);
    }

    [Fact]
    public void Words_are_covered_with_dots_in_cards_answers_and_links()
    {
        var wall = new WallScript(WallRules.Free with { Answers = true, Shows = AttachmentKinds.Formulas }) { Allowed = Then(WhenFound.Mask) };
        Assert.Equal("This bridge is ••••", Assert.IsType<CardPutUp>(Event(wall.Do(Maya, new PutUpCard(wall.NextId(Maya), 11, "en", Bad)))).Card.Text);
        var card = wall.Wall.Cards.Keys.Single();
        Assert.Equal("•••••?", Assert.IsType<AnswerGiven>(Event(wall.Do(Ben, new GiveAnswer(card, wall.NextId(Ben), 0, "en", "Shitt?")))).Answer.Text);

        // What is written on a picture or in a formula cannot have dots.
        Assert.IsType<WorkSetAside>(Event(wall.Do(Ben, new PutUpCard(wall.NextId(Ben), 11, "en", "Look", [new FormulaAttachment(900, 300, "fuck", "M0 0Z")]))));
        Assert.IsType<WorkSetAside>(Event(wall.Do(Ben, new PutUpCard(wall.NextId(Ben), 11, "en", "fu", [new FormulaAttachment(900, 300, "ck", "M0 0Z")]))));
    }

    [Theory]
    [InlineData(WhenFound.Refuse)]
    [InlineData(WhenFound.KeepBack)]
    public void Where_nobody_knows_names_it_is_not_taken(WhenFound then)
    {
        var wall = new WallScript(WallRules.Free with { Names = NamesTo.Nobody, OwnFirst = true }) { Allowed = Then(then) };
        Assert.Equal(Refusal.Words, Reason(wall.Do(Maya, new PutUpCard(wall.NextId(Maya), 11, "en", Bad))));
        Assert.Empty(wall.Wall.SetAside);
    }

    [Fact]
    public void Teachers_write_what_they_like()
    {
        var wall = new WallScript { Allowed = Then(WhenFound.Refuse) };
        Assert.IsType<CardPutUp>(Event(wall.Do(Teacher, new PutUpCard(wall.NextId(Teacher), 11, "en", Bad))));
    }

    [Fact]
    public void On_a_board_a_note_is_covered_line_by_line()
    {
        var board = new BoardScript { Allowed = Then(WhenFound.Mask) };
        var note = new NoteBody(100, 100, 4000, 3000, new Words("Oh sh1t it fell", "en", ["Oh sh1t", "it fell"], 500));
        var added = Assert.IsType<MarkAdded>(Event(board.Do(Maya, new AddMark(board.NextId(Maya), 1, Grip.Own, note, new Style(0, 80)))));
        var words = added.Mark.Body.Written()!;
        Assert.Equal(("Oh •••• it fell", "Oh ••••|it fell"), (words.Text, string.Join('|', words.Lines)));

        // Changed later, it is looked at again.
        var changed = Assert.IsType<ChangesMade>(Event(board.Do(Maya, new MakeChanges([new Wording(added.Mark.Id, new Words("bitch", "en", ["bitch"], 500), 4000, 3000)]))));
        Assert.Equal("•••••", Assert.IsType<Wording>(changed.Changes[0]).Words.Text);
    }

    [Fact]
    public void Lines_that_say_something_else_than_their_text_are_looked_at_too()
    {
        var board = new BoardScript { Allowed = Then(WhenFound.Mask) };
        var hidden = new NoteBody(100, 100, 4000, 3000, new Words("Hello", "en", ["sh", "it"], 500));
        Assert.Equal(WhySetAside.Words, Assert.IsType<WorkSetAside>(Event(board.Do(Maya, new AddMark(board.NextId(Maya), 1, Grip.Own, hidden, new Style(0, 80))))).Why);
    }

    [Fact]
    public void What_is_done_on_a_note_that_waits_waits_with_it()
    {
        var board = new BoardScript { Allowed = Then(WhenFound.KeepBack) };
        var id = board.NextId(Maya);
        board.Do(Maya, new AddMark(id, 1, Grip.Own, new NoteBody(100, 100, 4000, 3000, new Words("Shit", "en", ["Shit"], 500)), new Style(0, 80)));
        Assert.Equal(WhySetAside.Rests, Assert.IsType<WorkSetAside>(Event(board.Do(Maya, new MakeChanges([new Placed(id, new(50, 50, 0))])))).Why);
        Assert.DoesNotContain(board.Board.Sheets.Visible(1), m => m.Id == id);
        board.Do(Teacher, new AcceptLateWork(board.Board.SetAside.Keys.Min()));
        Assert.Single(board.Board.Sheets.Visible(1), m => m.Id == id);
    }

    [Fact]
    public void A_teacher_sets_it_for_the_lesson_and_students_are_not_told_the_words()
    {
        var lesson = new LessonScript(people: 3);
        var screening = new WordScreening(WhenFound.Mask, ForYoung: true, Details: true, ["wobble"], ["hell"]);
        lesson.Do(new SetWordScreen(screening), Actor.Owner);
        Assert.Equal(screening, lesson.Lesson.Screening);
        Assert.False(Sight.Of(Maya, lesson.Log[^1]));
        Assert.Equal(WordScreening.Usual, ((LessonSnapshot)Snapshots.Of(lesson.Lesson, Maya)).Screening);
        Assert.Equal(screening, ((LessonSnapshot)Snapshots.Of(lesson.Lesson, Actor.Owner)).Screening);
        Assert.NotNull(lesson.Lesson.AllowedIn(new(RoomPlace.FirstPart, Whose.Together, 0)).Screen);
        Assert.Equal(Refusal.NotAllowed, Reason(lesson.Do(new SetWordScreen(screening), Maya)));
        Assert.Equal(Refusal.OutOfRange, Reason(lesson.Do(new SetWordScreen(screening with { Own = [new('a', WordScreening.LongestWord + 1)] }), Actor.Owner)));
        lesson.Do(new SetWordScreen(screening with { Then = WhenFound.LetThrough }), Actor.Owner);
        Assert.Null(lesson.Lesson.AllowedIn(new(RoomPlace.FirstPart, Whose.Together, 0)).Screen);
    }

    private static RoomEvent Event(Decision decision) => Assert.IsType<Decision.Accepted>(decision).Event;

    private static Refusal Reason(Decision decision) => Assert.IsType<Decision.Refused>(decision).Reason;
}
