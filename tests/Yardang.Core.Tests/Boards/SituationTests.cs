using Yardang.Core.Lessons;
using Yardang.Core.Rooms;
using Yardang.Core.Tests.Lessons;

namespace Yardang.Core.Tests.Boards;

public class SituationTests
{
    private static readonly Guid s_room = new("01938f2e-7d3a-7c41-9a5e-2f6b8c0d1e2f");

    // The first numbers from the seed 1234567 as they are published with the generator: 6457827717110365317, 3203168211198807973 ...
    [Fact]
    public void Chance_comes_out_the_same_from_the_same_seed_on_every_machine()
    {
        var chance = new Chance(1_234_567);
        Assert.Equal([317, 973, 423, 431, 821], Enumerable.Range(0, 5).Select(_ => chance.Next(1_000)));
    }

    [Fact]
    public void Each_event_has_a_chance_of_its_own() =>
        Assert.Equal(200, Enumerable.Range(1, 200).Select(n => Situation.Of(s_room, n, Allowed.Everything, 0).Chance.Next(int.MaxValue)).Distinct().Count());

    [Fact]
    public void Chance_favours_nobody()
    {
        var counts = new int[6];
        var chance = new Chance(7);
        for (var i = 0; i < 60_000; i++) counts[chance.Next(6)]++;
        Assert.All(counts, c => Assert.InRange(c, 9_600, 10_400));
    }

    [Fact]
    public void A_moment_is_announced_only_when_it_has_come()
    {
        var lesson = new LessonScript(2);
        lesson.Do(new SetTimes(new LessonTimes(OpensAt: 1_000_000)), Actor.Owner);
        Assert.Equal(Refusal.ChangedSince, Announce(999_999).Reason);
        Assert.IsType<Decision.Accepted>(lesson.Lesson.Decide(Submission.ByProgram(new AnnounceMoment(Moment.Opens)), Actor.Program, new Situation(Allowed.Everything, 1_000_000, 0)));

        Decision.Refused Announce(long time) =>
            Assert.IsType<Decision.Refused>(lesson.Lesson.Decide(Submission.ByProgram(new AnnounceMoment(Moment.Opens)), Actor.Program, new Situation(Allowed.Everything, time, 0)));
    }

    [Fact]
    public void Pens_down_does_not_hold_for_the_teachers_own_board()
    {
        var lesson = new LessonScript(2);
        lesson.Do(new SetPens(true), Actor.Owner);
        Assert.False(lesson.Lesson.AllowedIn(new RoomPlace(1, Whose.Own, 2)).StudentsMayWrite);
        Assert.True(lesson.Lesson.AllowedIn(new RoomPlace(1, Whose.Teacher, 0)).StudentsMayWrite);
    }
}
