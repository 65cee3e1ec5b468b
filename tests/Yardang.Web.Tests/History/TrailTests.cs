using System.Net;
using Yardang.Core.Lessons;
using Yardang.Core.Rooms;
using Yardang.Core.Walls;
using Yardang.Web.Rooms;
using Yardang.Web.Tests.Moderation;
using static Yardang.Web.Tests.Lessons.OnWalls;

namespace Yardang.Web.Tests.History;

/// <summary>What somebody did over all boards and walls of a lesson.</summary>
public sealed class TrailTests : InTrayLessons
{
    [Fact]
    public async Task Of_one_student_stands_what_they_did_and_of_a_group_what_each_of_them_did()
    {
        var (lesson, host) = await ClassAsync();
        await DoAsync(host, Maya, id => new PutUpCard(id, 11, "en", "Arches push"));
        await DoAsync(host, Ben, id => new PutUpCard(id, 11, "en", "Ropes <b>pull</b>"));
        await DoAsync(host, Actor.Owner, id => new PutUpCard(id, 11, "en", "Look at the school bridge"));
        var mayas = await Varga.GetStringAsync($"/lesson/{lesson.Id}/trail?person=2", Stop);
        Assert.Contains("From board to board: Maya", mayas, StringComparison.Ordinal);
        Assert.Contains("Arches push", mayas, StringComparison.Ordinal);
        Assert.Contains($"/board/{host.Id}/history#event=", mayas, StringComparison.Ordinal);
        foreach (var others in new[] { "Ropes", "school bridge" }) Assert.DoesNotContain(others, mayas, StringComparison.Ordinal);

        await DoAsync(await School.Get<RoomHosts>().GetAsync(lesson.Id), Actor.Owner, new SetGroups([new Group(1, "Group 1", [2, 3])], 0));
        var groups = await Varga.GetStringAsync($"/lesson/{lesson.Id}/trail?group=1", Stop);
        foreach (var theirs in new[] { "Arches push", "Ropes &lt;b&gt;pull", "Maya", "Ben" }) Assert.Contains(theirs, groups, StringComparison.Ordinal);
        Assert.DoesNotContain("school bridge", groups, StringComparison.Ordinal);
        Assert.Equal(HttpStatusCode.NotFound, (await Varga.GetAsync($"/lesson/{lesson.Id}/trail?group=2", Stop)).StatusCode);
    }

    [Fact]
    public async Task Where_names_are_for_nobody_nothing_is_told()
    {
        var (lesson, wall) = await HandOutAsync(Plan with { Rules = Plan.Rules with { Names = NamesTo.Nobody } });
        await School.StudentAsync(lesson.Code, "Maya");
        await DoAsync(await School.Get<RoomHosts>().GetAsync(wall), Maya, id => new PutUpCard(id, 11, "en", "Nobody knows whose"));
        var mayas = await Varga.GetStringAsync($"/lesson/{lesson.Id}/trail?person=2", Stop);
        Assert.Contains("Nothing yet", mayas, StringComparison.Ordinal);
        Assert.DoesNotContain("Nobody knows whose", mayas, StringComparison.Ordinal);
    }
}
