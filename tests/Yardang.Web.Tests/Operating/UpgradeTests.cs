using System.IO.Compression;
using System.Net;
using Microsoft.EntityFrameworkCore;
using Yardang.Core.Boards;
using Yardang.Data.Log;
using Yardang.Data.School;
using Yardang.Headless.SimulatedClass;
using Yardang.Web.Access;
using Yardang.Web.Operating;
using Yardang.Web.Rooms;

namespace Yardang.Web.Tests.Operating;

/// <summary>
/// The data folder of a demo that ran with the version of 26 November 2026 (499f5b0: boards, handing out, groups) opens with this version, and everything in it
/// is as it was. It is kept in <c>kept/step-3.zip</c>; all in it is invented.
/// </summary>
public sealed class UpgradeTests
{
    private static CancellationToken Stop => TestContext.Current.CancellationToken;

    [Fact]
    public async Task A_school_of_an_early_version_opens_with_all_its_rooms_and_goes_on()
    {
        await using var school = new TestSchool(kept: Unpacked());
        await using var db = await school.Get<IDbContextFactory<SchoolContext>>().CreateDbContextAsync(Stop);
        Assert.Equal(4, await db.Lessons.CountAsync(Stop));
        Assert.Equal(4, await db.Activities.CountAsync(Stop));

        // Every room holds what its log says, up to the last event.
        var logs = school.Get<IEventStore>();
        var hosts = school.Get<RoomHosts>();
        var (marks, boards) = (0, 0);
        foreach (var (room, last) in logs.LastNumbers())
        {
            var host = await hosts.GetAsync(room);
            var number = await host.LookAsync(r =>
            {
                if (r is not Board board) return;
                marks += board.Sheets.Marks.Count;
                boards++;
            }, Stop);
            Assert.Equal(last, number);
            Assert.Equal(last, logs.Read(room, 0).Count);
        }

        Assert.Equal((73, 1_495), (boards, marks));

        // The teacher signs in with her password, and finds each lesson, with every page that there is for one now.
        var varga = school.Visitor();
        using (var signedIn = await TestSchool.PostAsync(varga, "/sign-in", new() { ["email"] = "varga@ostlebrook.example", ["password"] = "bridge-over-brook" })) Assert.Equal(HttpStatusCode.Redirect, signedIn.StatusCode);
        var desk = await varga.GetStringAsync("/desk", Stop);
        foreach (var lesson in await db.Lessons.ToListAsync(Stop))
        {
            Assert.Contains($"/lesson/{lesson.Id}", desk, StringComparison.Ordinal);
            foreach (var page in new[] { "", "/people", "/late", "/times", "/boards", "/code" })
            {
                using var answer = await varga.GetAsync($"/lesson/{lesson.Id}{page}", Stop);
                Assert.True(answer.StatusCode is HttpStatusCode.OK or HttpStatusCode.Redirect, $"{page}: {answer.StatusCode}");
            }

            using var printed = await varga.GetAsync($"/lesson/{lesson.Id}/boards.pdf", Stop);
            Assert.Equal("application/pdf", printed.Content.Headers.ContentType!.MediaType);
        }

        // A student comes back on another device with the three words of then, and a new one joins and writes.
        var running = await db.Lessons.SingleAsync(l => l.Name == "What holds a bridge up?", Stop);
        var maya = await db.Participants.Where(p => p.LessonId == running.Id).OrderBy(p => p.Number).FirstAsync(Stop);
        var device = school.Visitor();
        using (var back = await TestSchool.PostAsync(device, $"/join/{running.Code}", new() { ["key"] = school.Get<ReentryKeys>().Of(maya).Text }, $"/join/{running.Code}?handler=Key"))
        {
            Assert.Equal(HttpStatusCode.Redirect, back.StatusCode);
            using var here = await device.GetAsync(back.Headers.Location, Stop);
            using var board = await device.GetAsync(here.Headers.Location, Stop);
            Assert.Equal(HttpStatusCode.OK, board.StatusCode);
        }

        await using (var newcomer = await ClassMember.JoinAsync(school.Address, running.Code.Text, "Somebody new"))
        {
            await newcomer.DoAsync(new Draws([new(100, 100, 128, 0), new(900, 300, 128, 20)], 0), lively: false, Stop);
            await Eventually.IsAsync(() => newcomer.Waiting == 0);
        }

        await hosts.DisposeAsync();
    }

    [Fact]
    public void Data_that_a_newer_version_has_used_is_not_known()
    {
        Assert.True(SchoolForm.Knows("20261126060639_TeachingTogether"));
        Assert.True(SchoolForm.Knows(""));
        Assert.False(SchoolForm.Knows("29991231235959_Later"));
    }

    private static string Unpacked()
    {
        var folder = Directory.CreateTempSubdirectory("yardang-kept-").FullName;
        ZipFile.ExtractToDirectory(Path.Combine(TestSchool.Repository, "tests/Yardang.Web.Tests/Operating/kept/step-3.zip"), folder);
        return folder;
    }
}
