using Yardang.Core.Lessons;
using Yardang.Core.Rooms;
using Yardang.Core.Tests.Boards;
using Yardang.Core.Tests.Lessons;
using Yardang.Core.Tests.Walls;
using Yardang.Core.Threads;
using Yardang.Core.Visibility;
using Yardang.Core.Walls;
using static Yardang.Core.Tests.Boards.BoardScript;

namespace Yardang.Core.Tests.Moderation;

/// <summary>A student tells the teacher that something is not all right; who told, teachers alone know.</summary>
public class ConcernTests
{
    [Fact]
    public void Who_told_of_a_card_and_why_teachers_know_and_nobody_else()
    {
        var wall = new WallScript();
        var bens = wall.PutUp(Ben, "Maya cannot count");
        var raised = Assert.IsType<Decision.Accepted>(wall.Do(Maya, new RaiseConcern(bens, 0, ConcernReason.Hurts, " It is about me. ")));
        Assert.Equal(Audience.AuthorAndStaff, raised.Audience);
        Assert.False(Sight.Of(Ben, wall.Log[^1]));
        Assert.Empty(Of(wall, Ben));
        Assert.Equal((Maya.Number, "It is about me."), (Assert.Single(Of(wall, Teacher)).Person, Of(wall, Teacher)[0].Words));
        Assert.Single(Of(wall, Maya));
        Assert.True(wall.Wall.Cards[bens].IsUp);
    }

    [Fact]
    public void It_is_told_once_of_what_a_classmate_wrote_and_is_there()
    {
        var wall = new WallScript(WallRules.Free with { Answers = true });
        var (mine, bens, teachers) = (wall.PutUp(Maya, "mine"), wall.PutUp(Ben, "his"), wall.PutUp(Teacher, "hers"));
        var (said, own) = (wall.Answer(Ben, mine, "wrong"), wall.Answer(Maya, bens, "well"));
        Refusal? Why(Actor actor, long about, long answer = 0, ConcernReason reason = ConcernReason.Other, string words = "") => (wall.Do(actor, new RaiseConcern(about, answer, reason, words)) as Decision.Refused)?.Reason;
        Assert.Equal(Refusal.NotFound, Why(Maya, mine));
        Assert.Equal(Refusal.NotFound, Why(Maya, teachers));
        Assert.Equal(Refusal.NotFound, Why(Maya, bens, own));
        Assert.Equal(Refusal.NotFound, Why(Maya, 99));
        Assert.Equal(Refusal.NotAllowed, Why(Teacher, bens));
        Assert.Equal(Refusal.NotAllowed, Why(Maya with { HasLeft = true }, bens));
        Assert.Equal(Refusal.OutOfRange, Why(Maya, bens, reason: (ConcernReason)9));
        Assert.Equal(Refusal.OutOfRange, Why(Maya, bens, words: new string('a', LateWork.LongestWords + 1)));
        Assert.Null(Why(Maya, mine, said));
        Assert.Null(Why(Maya, bens));
        Assert.Equal(Refusal.ChangedSince, Why(Maya, bens));
        wall.Do(Teacher, new TakeCardDown(bens));
        Assert.Equal(Refusal.NotFound, Why(new Actor(4, Role.Student), bens));
    }

    [Fact]
    public void Nobody_tells_of_more_than_can_be_looked_at()
    {
        var wall = new WallScript();
        var cards = Enumerable.Range(0, Concerns.MostOfOne + 1).Select(n => wall.PutUp(Ben, $"card {n}")).ToList();
        foreach (var card in cards.SkipLast(1)) Assert.IsType<Decision.Accepted>(wall.Do(Maya, new RaiseConcern(card, 0, ConcernReason.NotTheWork, "")));
        Assert.Equal(Refusal.Full, wall.Do(Maya, new RaiseConcern(cards[^1], 0, ConcernReason.NotTheWork, "")).Reason());
        wall.Do(Teacher, new SettleConcerns(cards[0], 0));
        Assert.IsType<Decision.Accepted>(wall.Do(Maya, new RaiseConcern(cards[^1], 0, ConcernReason.NotTheWork, "")));
    }

    [Fact]
    public void When_a_teacher_has_looked_each_who_told_of_it_hears_so_and_of_no_other()
    {
        var wall = new WallScript();
        var id = wall.PutUp(new Actor(4, Role.Student), "wrong");
        wall.Do(Maya, new RaiseConcern(id, 0, ConcernReason.Hurts, ""));
        wall.Do(Ben, new RaiseConcern(id, 0, ConcernReason.Hurts, ""));
        Assert.Equal(Refusal.NotAllowed, wall.Do(Maya, new SettleConcerns(id, 0)).Reason());
        wall.Do(Teacher, new SettleConcerns(id, 0));
        Assert.Equal([Maya.Number], Assert.IsType<ConcernsSettled>(Sight.AsTold(Maya, wall.Log[^1]).Event).People);
        Assert.False(Sight.Of(new Actor(4, Role.Student), wall.Log[^1]));
        Assert.Empty(Of(wall, Teacher));
        Assert.Equal(Refusal.NotFound, wall.Do(Teacher, new SettleConcerns(id, 0)).Reason());
    }

    [Fact]
    public void Where_names_are_for_nobody_teachers_are_not_told_who_told_them()
    {
        var wall = new WallScript(new WallRules(Names: NamesTo.Nobody));
        var id = wall.PutUp(Ben, "wrong");
        wall.PutUp(Maya, "a"); wall.PutUp(new Actor(4, Role.Student), "b");
        wall.DoByProgram(new LetCardsOut());
        wall.Do(Maya, new RaiseConcern(wall.Wall.Veil.Over(Maya, id), 0, ConcernReason.Hurts, ""));
        Assert.Single(wall.Wall.Concerns.Open);
        Assert.False(Sight.Of(Teacher.ReadingWhere(isSealed: true), wall.Log[^1]));
        Assert.Empty(Of(wall, Teacher));
    }

    [Fact]
    public void On_boards_it_is_told_of_marks_and_of_what_is_said_to_them()
    {
        var board = new BoardScript();
        var (mine, bens) = (board.Draw(Maya), board.Draw(Ben));
        Assert.Equal(Refusal.NotFound, board.RefusalOf(Maya, new RaiseConcern(mine, 0, ConcernReason.Hurts, "")));
        Assert.Equal(Refusal.NotFound, board.RefusalOf(Maya, new RaiseConcern(PrintedTitle, 0, ConcernReason.Hurts, "")));
        Assert.IsType<Decision.Accepted>(board.Do(Maya, new RaiseConcern(bens, 0, ConcernReason.Hurts, ""), 0));
        Assert.Equal(board.Log[^2].Time, board.Board.LastActivity);
        Assert.Single(board.Board.Concerns.Open);
    }

    [Fact]
    public void After_how_many_it_hides_itself_a_teacher_says()
    {
        var lesson = new LessonScript(3);
        lesson.Do(new SetHiding(3), Actor.Owner);
        Assert.Equal(3, lesson.Lesson.HidesAfter);
        Assert.Equal(Refusal.OutOfRange, lesson.Do(new SetHiding(SetHiding.Most + 1), Actor.Owner).Reason());
        Assert.Equal(Refusal.NotAllowed, lesson.Do(new SetHiding(1), Maya).Reason());
        Assert.Equal(0, ((LessonSnapshot)Snapshots.Of(lesson.Lesson, Maya)).HidesAfter);
    }

    private static Concern[] Of(WallScript wall, Actor reader) => [.. ((WallSnapshot)Snapshots.Of(wall.Wall, reader)).Concerns];
}
