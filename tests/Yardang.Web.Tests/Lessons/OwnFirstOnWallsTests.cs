using Yardang.Core.Lessons;
using Yardang.Core.Pages;
using Yardang.Core.Rooms;
using Yardang.Core.Walls;
using Yardang.Web.Rooms;
using static Yardang.Web.Tests.Lessons.OnWalls;

namespace Yardang.Web.Tests.Lessons;

/// <summary>What the lesson says of who sees what reaches its walls: those that are open, and those that are opened later.</summary>
public sealed class OwnFirstOnWallsTests : WallLessons
{
    private static readonly WallPlan s_plan = WallPlan.Blank with { Question = Texts.In("en", "Why does it stand?") };

    [Fact]
    public async Task A_wall_that_is_open_follows_the_lesson_at_once()
    {
        var (lesson, wall) = await HandOutAsync(s_plan);
        var (hosts, host) = await BothAsync(wall);
        await DoAsync(await hosts.GetAsync(lesson.Id), Actor.Owner, new SetOwnFirst(SetOwnFirst.WholeLesson, true));
        await UntilAsync(host, LessonHolds.WallWouldShow);
        await DoAsync(await hosts.GetAsync(lesson.Id), Actor.Owner, new SetOwnFirst(SetOwnFirst.WholeLesson, false));
        await UntilAsync(host, LessonHolds.No);
    }

    [Fact]
    public async Task A_wall_that_was_put_away_follows_before_anybody_is_let_in()
    {
        var (lesson, wall) = await HandOutAsync(s_plan);
        var (hosts, _) = await BothAsync(wall);
        await hosts.PutAwayAsync(TimeSpan.Zero);
        await DoAsync(await hosts.GetAsync(lesson.Id), Actor.Owner, new SetOwnFirst(1, true));
        var held = LessonHolds.No;
        await (await hosts.GetAsync(wall)).LookAsync(r => held = ((Wall)r).Plan.Rules.Held, Stop);
        Assert.Equal(LessonHolds.WallWouldShow, held);
    }

    private async Task<(RoomHosts Hosts, RoomHost Wall)> BothAsync(Guid wall)
    {
        var hosts = School.Get<RoomHosts>();
        return (hosts, await hosts.GetAsync(wall));
    }

    private static async Task UntilAsync(RoomHost host, LessonHolds held)
    {
        var now = LessonHolds.No;
        var seen = await host.LookAsync(r => now = ((Wall)r).Plan.Rules.Held, Stop);
        if (now == held) return;
        await foreach (var envelope in host.FollowAsync(seen, Stop))
        {
            var plan = envelope.Event switch { PlanSet set => set.Plan, CardsShown shown => shown.Plan, _ => null };
            if (plan?.Rules.Held == held) return;
        }
    }
}
