using System.Net;
using Microsoft.AspNetCore.SignalR;
using Microsoft.AspNetCore.SignalR.Client;
using Microsoft.EntityFrameworkCore;
using Microsoft.Extensions.DependencyInjection;
using Yardang.Core.Lessons;
using Yardang.Core.Rooms;
using Yardang.Data.School;
using Yardang.Web.Lessons;

namespace Yardang.Web.Tests.Lessons;

/// <summary>A board shown read-only on a page elsewhere.</summary>
public class EmbedTests
{
    private static CancellationToken Stop => TestContext.Current.CancellationToken;

    [Fact]
    public async Task Everybodys_board_can_be_looked_at_from_outside_and_nothing_else()
    {
        await using var school = new TestSchool();
        var (_, id) = await school.TeacherAsync("Ilse Varga");
        var (_, lesson) = await school.HandOutAsync(id, way: Way.AllTogether);
        var together = await school.TogetherAsync(lesson);
        await school.StudentAsync(lesson.Code, "Maya");
        var key = await ShowAsync(school, lesson);
        var onlooker = school.Visitor();

        using (var page = await onlooker.GetAsync($"/embed/{key}", Stop))
        {
            Assert.Equal(HttpStatusCode.OK, page.StatusCode);
            Assert.Contains("frame-ancestors *", page.Headers.GetValues("Content-Security-Policy").Single());
        }

        Assert.Equal(HttpStatusCode.OK, (await onlooker.GetAsync($"/rooms/{together}/snapshot?embed={key}", Stop)).StatusCode);
        Assert.Equal("[]", await onlooker.GetStringAsync($"/rooms/{together}/names?embed={key}", Stop));
        Assert.Equal(HttpStatusCode.NotFound, (await onlooker.GetAsync($"/rooms/{lesson.Id}/snapshot?embed={key}", Stop)).StatusCode);
        await using var hub = new HubConnectionBuilder().WithUrl(new Uri(school.Address, $"/live?embed={key}")).AddMessagePackProtocol().Build();
        await hub.StartAsync(Stop);
        await Assert.ThrowsAsync<HubException>(() => hub.InvokeAsync<int>("Admit", together.ToString(), Stop));

        // Shown no longer, who is looking is sent away at once.
        var frames = hub.StreamAsync<byte[]>("Watch", together.ToString(), 0L, Stop).GetAsyncEnumerator(Stop);
        Assert.True(await frames.MoveNextAsync());
        await school.Get<Joining>().ShowElsewhereAsync(lesson, shown: false);
        while (frames.Current.Length != 2) Assert.True(await frames.MoveNextAsync());
        Assert.Equal(HttpStatusCode.NotFound, (await onlooker.GetAsync($"/embed/{key}", Stop)).StatusCode);
    }

    [Fact]
    public async Task Where_each_has_a_board_only_the_teachers_is_shown()
    {
        await using var school = new TestSchool();
        var (_, id) = await school.TeacherAsync("Ilse Varga");
        var (_, lesson) = await school.HandOutAsync(id);
        var (_, mayas) = await school.StudentAsync(lesson.Code, "Maya");
        var key = await ShowAsync(school, lesson);
        await using var db = await school.Get<IDbContextFactory<SchoolContext>>().CreateDbContextAsync(Stop);
        var teachers = await Seating.RoomAsync(db, lesson, new(1, Whose.Teacher, 0));
        Assert.Equal(HttpStatusCode.OK, (await school.Visitor().GetAsync($"/rooms/{teachers}/snapshot?embed={key}", Stop)).StatusCode);
        Assert.Equal(HttpStatusCode.NotFound, (await school.Visitor().GetAsync($"/rooms/{mayas.Split('/', '?')[2]}/snapshot?embed={key}", Stop)).StatusCode);
    }

    private static async Task<string> ShowAsync(TestSchool school, LessonRecord lesson)
    {
        await school.Get<Joining>().ShowElsewhereAsync(lesson, shown: true);
        await using var db = await school.Get<IDbContextFactory<SchoolContext>>().CreateDbContextAsync(Stop);
        return await db.Lessons.Where(l => l.Id == lesson.Id).Select(l => l.EmbedKey!).SingleAsync(Stop);
    }
}
