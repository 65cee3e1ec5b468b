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

/// <summary>A teacher looks at what students write before others see it: adds it, returns it with a word, or leaves it off.</summary>
public class ApprovalTests
{
    private static readonly Approval s_always = new(ApprovalWhen.Always, [], LessonHours.Usual);

    private static Allowed Asking => new(Approval: s_always);

    [Fact]
    public void A_card_an_answer_and_a_link_wait_and_their_author_and_teachers_alone_know_of_them()
    {
        var wall = new WallScript(WallRules.Free with { Answers = true }) { Allowed = Asking };
        var given = wall.PutUp(Teacher, "Why do arches stand?");
        var waits = Assert.IsType<Decision.Accepted>(wall.Do(Maya, new PutUpCard(wall.NextId(Maya), 11, "en", "They push")));
        Assert.Equal((Audience.AuthorAndStaff, WhySetAside.Approval), (waits.Audience, Assert.IsType<WorkSetAside>(waits.Event).Why));
        Assert.Equal(WhySetAside.Approval, Assert.IsType<WorkSetAside>(Event(wall.Do(Maya, new GiveAnswer(given, wall.NextId(Maya), 0, "en", "They lean")))).Why);
        Assert.Equal(given, Assert.Single(wall.Wall.Cards.Keys));
        Assert.False(Sight.Of(Ben, wall.Log[^1]));
        Assert.Empty(((WallSnapshot)Snapshots.Of(wall.Wall, Ben)).SetAside);
        Assert.Equal(2, ((WallSnapshot)Snapshots.Of(wall.Wall, Maya)).SetAside.Length);

        foreach (var number in wall.Wall.SetAside.Keys.ToList()) Assert.Equal(Audience.Everyone, Assert.IsType<Decision.Accepted>(wall.Do(Teacher, new AcceptLateWork(number))).Audience);
        Assert.Equal(["They push", "Why do arches stand?"], wall.Wall.Cards.Values.Select(c => c.Text).Order());
        Assert.Equal("They lean", Assert.Single(wall.Wall.Cards[given].Said).Text);
    }

    [Fact]
    public void New_words_for_a_card_that_is_up_wait_while_the_old_ones_stay()
    {
        var wall = new WallScript();
        var id = wall.PutUp(Maya, "Arches push");
        wall.Allowed = Asking;
        Assert.IsType<WorkSetAside>(Event(wall.Do(Maya, new RewordCard(id, "en", "Arches push outwards"))));
        Assert.Equal("Arches push", wall.Wall.Cards[id].Text);

        // To move it or take it down says nothing new.
        Assert.IsType<CardMoved>(Event(wall.Do(Maya, new MoveCard(id, 12, 1))));
        wall.Do(Teacher, new AcceptLateWork(wall.Wall.SetAside.Keys.Single()));
        Assert.Equal("Arches push outwards", wall.Wall.Cards[id].Text);
        Assert.IsType<CardTakenDown>(Event(wall.Do(Maya, new TakeCardDown(id))));
    }

    [Fact]
    public void What_is_returned_waits_for_its_author_who_mends_it_and_the_exchange_stays_together()
    {
        var wall = new WallScript { Allowed = Asking };
        var id = wall.NextId(Maya);
        wall.Do(Maya, new PutUpCard(id, 11, "en", "They stand"));
        var number = wall.Wall.SetAside.Keys.Single();
        Assert.Equal(Refusal.NotAllowed, Reason(wall.Do(Maya, new ReturnWork(number, "Why?"))));
        Assert.Equal(Refusal.OutOfRange, Reason(wall.Do(Teacher, new ReturnWork(number, "  "))));
        Assert.Equal(Refusal.OutOfRange, Reason(wall.Do(Teacher, new ReturnWork(number, new('w', LateWork.LongestWords + 1)))));
        var returned = Assert.IsType<Decision.Accepted>(wall.Do(Teacher, new ReturnWork(number, " Why do they? ")));
        Assert.Equal((Audience.NamedAndStaff, new WorkReturned(number, Maya.Number, "Why do they?")), (returned.Audience, returned.Event));
        Assert.True(Sight.Of(Maya, wall.Log[^1]));
        Assert.False(Sight.Of(Ben, wall.Log[^1]));

        wall.Do(Maya, new RewordCard(id, "en", "They stand because they push"));
        Assert.Equal(["Why do they?", ""], wall.Wall.SetAside.Values.OrderBy(w => w.Number).Select(w => w.Returned));
        foreach (var waiting in wall.Wall.SetAside.Keys.Order().ToList()) wall.Do(Teacher, new AcceptLateWork(waiting));
        Assert.Equal("They stand because they push", wall.Wall.Cards[id].Text);
    }

    [Fact]
    public void What_is_left_off_is_said_to_its_author_in_the_teachers_words()
    {
        var wall = new WallScript { Allowed = Asking };
        wall.Do(Maya, new PutUpCard(wall.NextId(Maya), 11, "en", "Ben is silly"));
        var number = wall.Wall.SetAside.Keys.Single();
        Assert.Equal(Refusal.OutOfRange, Reason(wall.Do(Teacher, new DiscardLateWork(number, new('w', LateWork.LongestWords + 1)))));
        Assert.Equal(new LateWorkDiscarded(number, Maya.Number, "Not about people"), Event(wall.Do(Teacher, new DiscardLateWork(number, "Not about people"))));
        Assert.Empty(wall.Wall.SetAside);
    }

    [Fact]
    public void With_what_waits_nobody_has_more_cards_than_each_may()
    {
        var wall = new WallScript(WallRules.Free with { Most = 2 }) { Allowed = Asking };
        wall.PutUp(Maya, "one");
        wall.PutUp(Maya, "two");
        Assert.Equal(Refusal.EnoughCards, Reason(wall.Do(Maya, new PutUpCard(wall.NextId(Maya), 11, "en", "three"))));
        wall.Do(Maya, new DiscardLateWork(wall.Wall.SetAside.Keys.Last()));
        Assert.IsType<WorkSetAside>(Event(wall.Do(Maya, new PutUpCard(wall.NextId(Maya), 11, "en", "three"))));
    }

    [Fact]
    public void Teachers_and_those_who_are_not_asked_for_put_up_at_once()
    {
        var wall = new WallScript { Allowed = new(Approval: s_always with { People = [Maya.Number] }) };
        Assert.IsType<WorkSetAside>(Event(wall.Do(Maya, new PutUpCard(wall.NextId(Maya), 11, "en", "mine"))));
        Assert.IsType<CardPutUp>(Event(wall.Do(Ben, new PutUpCard(wall.NextId(Ben), 11, "en", "his"))));
        Assert.IsType<CardPutUp>(Event(wall.Do(Teacher, new PutUpCard(wall.NextId(Teacher), 11, "en", "the teacher's"))));
    }

    [Fact]
    public void Where_nobody_knows_whose_a_card_is_nothing_waits_for_it_would_tell()
    {
        var wall = new WallScript(WallRules.Free with { Names = NamesTo.Nobody, OwnFirst = true }) { Allowed = Asking };
        wall.Do(Maya, new PutUpCard(wall.NextId(Maya), 11, "en", "secret"));
        Assert.Empty(wall.Wall.SetAside);
    }

    [Fact]
    public void On_a_shared_board_what_is_written_and_drawn_waits_and_what_is_moved_does_not()
    {
        var board = new BoardScript();
        var note = new NoteBody(100, 100, 4000, 3000, Say("arch"));
        var id = board.NextId(Maya);
        board.Do(Maya, new AddMark(id, 1, Grip.Own, note, new Style(0, 80)));
        board.Allowed = Asking;
        Assert.Equal(WhySetAside.Approval, Assert.IsType<WorkSetAside>(Event(board.Do(Maya, new AddMark(board.NextId(Maya), 1, Grip.Own, note, new Style(0, 80))))).Why);
        Assert.Equal(WhySetAside.Approval, Assert.IsType<WorkSetAside>(Event(board.Do(Maya, new MakeChanges([new Wording(id, Say("an arch"), 4000, 3000)])))).Why);
        Assert.IsType<ChangesMade>(Event(board.Do(Maya, new MakeChanges([new Placed(id, new(50, 50, 0))]))));
        Assert.Equal("arch", board.Board.Sheets.Marks[id].Body.Written()!.Text);
        board.Do(Teacher, new ReturnWork(board.Board.SetAside.Keys.Max(), "Which arch?"));
        Assert.Equal("Which arch?", board.Board.SetAside[board.Board.SetAside.Keys.Max()].Returned);
    }

    [Fact]
    public void It_is_set_for_a_part_and_holds_where_work_is_shared()
    {
        var lesson = new LessonScript(people: 3);
        Assert.Equal(Refusal.NotAllowed, Reason(lesson.Do(new SetApproval(1, s_always), Maya)));
        Assert.Equal(Refusal.NotFound, Reason(lesson.Do(new SetApproval(2, s_always), Actor.Owner)));
        Assert.Equal(Refusal.OutOfRange, Reason(lesson.Do(new SetApproval(1, s_always with { People = [99] }), Actor.Owner)));
        Assert.Equal(Refusal.OutOfRange, Reason(lesson.Do(new SetApproval(1, s_always with { Hours = LessonHours.Usual with { Zone = "Nowhere/Land" } }), Actor.Owner)));
        lesson.Do(new SetApproval(1, s_always), Actor.Owner);
        Assert.Equal(s_always, lesson.Lesson.AllowedIn(new(1, Whose.Together, 0)).Approval);
        Assert.Equal(s_always, lesson.Lesson.AllowedIn(new(1, Whose.Group, 1)).Approval);
        Assert.Null(lesson.Lesson.AllowedIn(new(1, Whose.Own, 2)).Approval);
        Assert.Null(lesson.Lesson.AllowedIn(new(1, Whose.Teacher, 0)).Approval);
        Assert.False(Sight.Of(Maya, lesson.Log[^1]));
        Assert.Empty(((LessonSnapshot)Snapshots.Of(lesson.Lesson, Maya)).Approvals);
        Assert.Single(((LessonSnapshot)Snapshots.Of(lesson.Lesson, Actor.Owner)).Approvals);
        lesson.Do(new SetApproval(1, Approval.None), Actor.Owner);
        Assert.Null(lesson.Lesson.AllowedIn(new(1, Whose.Together, 0)).Approval);
    }

    [Theory]
    [InlineData("2026-11-30T08:00:00Z", false)]
    [InlineData("2026-11-30T06:59:00Z", true)]
    [InlineData("2026-11-30T15:00:00Z", true)]
    [InlineData("2026-11-30T14:59:59Z", false)]
    [InlineData("2026-11-29T10:00:00Z", true)]
    [InlineData("2026-07-06T06:00:00Z", false)]
    [InlineData("2026-07-06T14:00:00Z", true)]
    public void Outside_lesson_hours_is_told_by_the_clock_on_the_schools_wall(string moment, bool asks)
    {
        var hours = new LessonHours("Europe/Madrid", Days: 31, From: 480, To: 960);
        var time = DateTimeOffset.Parse(moment, System.Globalization.CultureInfo.InvariantCulture).ToUnixTimeMilliseconds();
        Assert.Equal(asks, new Approval(ApprovalWhen.OutsideHours, [], hours).AsksFor(Maya.Number, time));
    }

    [Theory]
    [InlineData(-1, 480, 960)]
    [InlineData(128, 480, 960)]
    [InlineData(31, 960, 480)]
    [InlineData(31, 480, 480)]
    [InlineData(31, -1, 480)]
    [InlineData(31, 480, 1441)]
    public void Hours_that_are_none_are_not_taken(int days, int from, int to) => Assert.False(new LessonHours("UTC", days, from, to).AreSound());

    private static RoomEvent Event(Decision decision) => Assert.IsType<Decision.Accepted>(decision).Event;

    private static Refusal Reason(Decision decision) => Assert.IsType<Decision.Refused>(decision).Reason;
}
