using Yardang.Core.Judges;
using Yardang.Core.Rooms;
using Yardang.Core.Threads;
using Yardang.Core.Visibility;
using Yardang.Core.Walls;
using static Yardang.Core.Tests.Walls.WallScript;

namespace Yardang.Core.Tests.Walls;

/// <summary>What a teacher has locked is read, chosen and scored, but not changed, answered or moved by students.</summary>
public class LockingTests
{
    [Fact]
    public void A_locked_card_is_not_changed_answered_or_moved_by_its_author_or_anybody()
    {
        var wall = new WallScript(new(Answers: true, AnyMoves: true));
        var card = wall.PutUp(Maya, "arches push");
        var said = wall.Answer(Ben, card, "Where?");
        wall.Do(Teacher, new LockCard(card, true));
        var before = wall.Wall.Cards[card];
        IsSetAside(wall.Do(Maya, new RewordCard(card, "en", "arches pull")));
        IsSetAside(wall.Do(Maya, new ColourCard(card, 3)));
        IsSetAside(wall.Do(Maya, new TakeCardDown(card)));
        IsSetAside(wall.Do(Ben, new MoveCard(card, 12, 1)));
        IsSetAside(wall.Do(Ben, new GiveAnswer(card, wall.NextId(Ben), 0, "en", "At the banks")));
        IsSetAside(wall.Do(Ben, new RewordAnswer(card, said, "en", "Why?")));
        Assert.Equal(before, wall.Wall.Cards[card]);

        // All else goes on.
        wall.PutUp(Ben, "beams bend");
        Assert.Equal(["arches push", "beams bend"], wall.Under(11));
        wall.Do(Teacher, new LockCard(card, false));
        wall.Do(Maya, new RewordCard(card, "en", "arches push outwards"));
        Assert.Equal("arches push outwards", wall.Wall.Cards[card].Text);
    }

    [Fact]
    public void What_was_written_where_it_was_locked_meanwhile_is_kept_for_the_teacher_who_can_let_it_in()
    {
        var wall = new WallScript();
        var card = wall.PutUp(Maya, "arches push");
        wall.Do(Teacher, new LockCard(card, true));
        IsSetAside(wall.Do(Maya, new RewordCard(card, "en", "arches push outwards")));
        wall.Do(Teacher, new AcceptLateWork(wall.Wall.SetAside.Keys.Single()));
        Assert.Equal("arches push outwards", wall.Wall.Cards[card].Text);
        Assert.True(wall.Wall.Cards[card].Locked);
    }

    [Fact]
    public void Under_a_locked_topic_nothing_is_put_up_or_moved_in_or_out_and_elsewhere_all_goes_on()
    {
        var wall = new WallScript();
        var there = wall.PutUp(Maya, "arches push");
        var elsewhere = wall.PutUp(Maya, "it swung", 12);
        wall.Do(Teacher, new LockTopic(11, true));
        IsSetAside(wall.Do(Ben, new PutUpCard(wall.NextId(Ben), 11, "en", "late")));
        IsSetAside(wall.Do(Maya, new MoveCard(elsewhere, 11, 1)));
        IsSetAside(wall.Do(Maya, new MoveCard(there, 12, 1)));
        wall.Do(Maya, new MoveCard(elsewhere, 0, 1));
        Assert.Equal(0, wall.Wall.Cards[elsewhere].Topic);
        Assert.Equal(["arches push"], wall.Under(11));
        wall.PutUp(Teacher, "teachers write on");
        Assert.Equal(2, wall.Under(11).Count());
    }

    [Fact]
    public void A_locked_wall_is_still_chosen_from_and_told_of()
    {
        var wall = new WallScript(new(Answers: true, Judging: new(JudgingKind.Agree)));
        var card = wall.PutUp(Maya, "arches push");
        wall.Do(Teacher, new LockTopic(0, true));
        IsSetAside(wall.Do(Ben, new PutUpCard(wall.NextId(Ben), 12, "en", "late")));
        Assert.IsType<CardJudged>(Accepted(wall.Do(Ben, new JudgeCard(card, 1))).Event);
        Assert.IsType<ConcernRaised>(Accepted(wall.Do(Ben, new RaiseConcern(card, 0, ConcernReason.Other, "copied"))).Event);
    }

    [Fact]
    public void Links_of_a_locked_card_stay_as_they_are()
    {
        var wall = new WallScript(purpose: Purpose.Connect);
        var (a, b) = (wall.PutUp(Maya, "load"), wall.PutUp(Maya, "arch"));
        var link = wall.NextId(Maya);
        wall.Do(Maya, new LinkCards(link, a, b, 0, "en", "presses on"));
        wall.Do(Teacher, new LockCard(b, true));
        IsSetAside(wall.Do(Maya, new TakeLinkDown(link)));
        IsSetAside(wall.Do(Maya, new LinkCards(wall.NextId(Maya), b, a, 0, "en", "holds")));
        Assert.IsType<Decision.Refused>(wall.Do(Maya, new LayCard(b, new(9, 9))));
        Assert.True(wall.Wall.Links.All[link].IsUp);
    }

    [Fact]
    public void Only_teachers_lock_and_only_what_is_there()
    {
        var wall = new WallScript();
        var card = wall.PutUp(Maya, "arches push");
        Refused(Refusal.NotAllowed, wall.Do(Maya, new LockCard(card, true)));
        Refused(Refusal.NotAllowed, wall.Do(Maya, new LockTopic(0, true)));
        Refused(Refusal.NotFound, wall.Do(Teacher, new LockCard(99, true)));
        Refused(Refusal.NotFound, wall.Do(Teacher, new LockTopic(99, true)));
        Refused(Refusal.ChangedSince, wall.Do(Teacher, new LockTopic(11, false)));
    }

    [Fact]
    public void Changing_the_plan_unlocks_nothing()
    {
        var wall = new WallScript();
        wall.Do(Teacher, new LockTopic(11, true));
        wall.Do(Teacher, new LockTopic(0, true));
        wall.Do(Teacher, new SetPlan(Plan(new(Answers: true))));
        Assert.True(wall.Wall.Plan.Rules is { Locked: true, Answers: true });
        Assert.True(wall.Wall.Plan.Topics[0].Locked);
        Assert.False(wall.Wall.Plan.Topics[1].Locked);
    }

    [Fact]
    public void While_each_sees_only_their_own_it_is_told_to_the_author_and_teachers_that_a_card_is_locked()
    {
        var wall = new WallScript(new(OwnFirst: true));
        var card = wall.PutUp(Maya, "arches push");
        Assert.Equal(Audience.NamedAndStaff, Accepted(wall.Do(Teacher, new LockCard(card, true))).Audience);
        Assert.True(Assert.Single(((WallSnapshot)Snapshots.Of(wall.Wall, Maya)).Cards).Locked);
        Assert.Empty(((WallSnapshot)Snapshots.Of(wall.Wall, Ben)).Cards);
    }

    private static void IsSetAside(Decision decision) => Assert.Equal(WhySetAside.Locked, Assert.IsType<WorkSetAside>(Accepted(decision).Event).Why);

    private static Decision.Accepted Accepted(Decision decision) => Assert.IsType<Decision.Accepted>(decision);

    private static void Refused(Refusal reason, Decision decision) => Assert.Equal(reason, Assert.IsType<Decision.Refused>(decision).Reason);
}
