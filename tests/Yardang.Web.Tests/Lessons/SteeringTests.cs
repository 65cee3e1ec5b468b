using Yardang.Core.Activities;
using Yardang.Core.Lessons;
using Yardang.Core.Pages;
using Yardang.Core.Rooms;
using Yardang.Core.Walls;
using Yardang.Web.Rooms;
using static Yardang.Web.Tests.Lessons.OnWalls;

namespace Yardang.Web.Tests.Lessons;

/// <summary>Pens that are down for some, and phases, reach the rooms of a lesson, also those that are put away.</summary>
public sealed class SteeringTests : WallLessons
{
    private static readonly Actor s_maya = new(2, Role.Student);
    private static readonly Actor s_ben = new(3, Role.Student);
    private static readonly WallPlan s_plan = WallPlan.Blank with { Question = Texts.In("en", "Why does it stand?") };

    [Fact]
    public async Task Pens_that_are_down_for_one_are_so_on_the_running_wall_and_on_one_that_is_loaded_later()
    {
        var (lesson, wall) = await HandOutAsync(s_plan);
        var hosts = School.Get<RoomHosts>();
        var run = await hosts.GetAsync(lesson.Id);
        await DoAsync(run, Actor.Program, new Join());
        await DoAsync(run, Actor.Program, new Join());
        var host = await hosts.GetAsync(wall);
        await DoAsync(run, Actor.Owner, new HoldPens([2], true, 0));
        await Eventually.IsAsync(() => Task.FromResult(!host.LetsWrite(s_maya)));
        Assert.True(host.LetsWrite(s_ben));
        Assert.True(host.LetsWrite(Actor.Owner));
        await hosts.PutAwayAsync(TimeSpan.Zero);
        Assert.False((await hosts.GetAsync(wall)).LetsWrite(s_maya));
        await DoAsync(await hosts.GetAsync(lesson.Id), Actor.Owner, new HoldPens([2], false, 0));
        await Eventually.IsAsync(async () => (await hosts.GetAsync(wall)).LetsWrite(s_maya));
    }

    [Fact]
    public async Task While_they_think_each_wall_shows_only_what_is_ones_own_and_while_they_choose_nobody_writes()
    {
        var (lesson, wall) = await HandOutAsync(s_plan);
        var hosts = School.Get<RoomHosts>();
        var (run, host) = (await hosts.GetAsync(lesson.Id), await hosts.GetAsync(wall));
        await DoAsync(run, Actor.Owner, new BeginPhase(new(PhaseKind.Think, "One idea each", 5, false, 0)));
        await Eventually.IsAsync(async () => (await RulesAsync(host)).OwnFirst);
        await DoAsync(run, Actor.Owner, new BeginPhase(new(PhaseKind.Choose, "", 0, false, 0)));
        await Eventually.IsAsync(async () => !(await RulesAsync(host)).OwnFirst && !host.LetsWrite(s_maya));
        Assert.True(host.Allowed.Lets(StudentActs.Judge, s_maya, 0));
        await hosts.PutAwayAsync(TimeSpan.Zero);
        Assert.False((await hosts.GetAsync(wall)).LetsWrite(s_maya));
        await DoAsync(await hosts.GetAsync(lesson.Id), Actor.Owner, new EndPhase(false));
        await Eventually.IsAsync(async () => (await hosts.GetAsync(wall)).LetsWrite(s_maya));
    }

    private static async Task<WallRules> RulesAsync(RoomHost host)
    {
        WallRules? rules = null;
        await host.LookAsync(r => rules = ((Wall)r).Plan.Rules, Stop);
        return rules!;
    }
}
