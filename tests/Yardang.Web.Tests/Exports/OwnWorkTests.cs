using System.Net;
using Yardang.Core.Activities;
using Yardang.Core.Lessons;
using Yardang.Core.Pages;
using Yardang.Core.Rooms;
using Yardang.Core.Threads;
using Yardang.Core.Visibility;
using Yardang.Core.Walls;
using Yardang.Data.School;
using Yardang.Headless.SimulatedClass;
using Yardang.Rendering;
using Yardang.Web.Exports;
using Yardang.Web.Lessons;
using Yardang.Web.Rooms;
using static Yardang.Web.Tests.Lessons.OnWalls;

namespace Yardang.Web.Tests.Exports;

/// <summary>A student saves a copy of their own work, where their teacher lets them, and of nobody else's.</summary>
public sealed class OwnWorkTests : IAsyncLifetime
{
    private readonly TestSchool _school = new();
    private Guid _teacher;

    private static CancellationToken Stop => TestContext.Current.CancellationToken;

    public async ValueTask InitializeAsync() => (_, _teacher) = await _school.TeacherAsync("Ilse Varga");

    public ValueTask DisposeAsync() => _school.DisposeAsync();

    [Fact]
    public async Task It_is_there_as_soon_as_the_teacher_lets_them_and_no_longer_than_that()
    {
        var (_, lesson) = await _school.HandOutAsync(_teacher, content: ActivityContent.Blank("en", "Beams"));
        var (maya, mayas) = await _school.StudentAsync(lesson.Code, "Maya");
        var (ben, bens) = await _school.StudentAsync(lesson.Code, "Ben");
        var (hers, asBen) = (mayas.Replace("?", "/mine.pdf?", StringComparison.Ordinal), bens.Split('?')[1]);
        Assert.Equal(HttpStatusCode.NotFound, (await maya.GetAsync(hers, Stop)).StatusCode);

        await LetAsync(lesson.Id, true);
        await Eventually.IsAsync(async () => (await maya.GetAsync(hers, Stop)).StatusCode == HttpStatusCode.OK);
        using var pdf = await maya.GetAsync(hers, Stop);
        Assert.Equal("application/pdf", pdf.Content.Headers.ContentType?.MediaType);
        Assert.Contains("Beams Maya", pdf.Content.Headers.ContentDisposition!.FileNameStar ?? "", StringComparison.Ordinal);
        var picture = hers.Replace("mine.pdf", "mine.png", StringComparison.Ordinal);
        Assert.Equal("image/png", (await maya.GetAsync(picture, Stop)).Content.Headers.ContentType?.MediaType);
        foreach (var no in new[] { $"{picture}&page=0", $"{picture}&page=2", $"{hers}&look=1", hers.Split('?')[0], hers.Replace("mine.pdf", "mine.svg", StringComparison.Ordinal) })
        {
            Assert.Equal(HttpStatusCode.NotFound, (await maya.GetAsync(no, Stop)).StatusCode);
        }

        // Nobody else's, whoever they say they are.
        Assert.Equal(HttpStatusCode.NotFound, (await ben.GetAsync($"{hers.Split('?')[0]}?{asBen}", Stop)).StatusCode);
        Assert.Equal(HttpStatusCode.NotFound, (await ben.GetAsync(hers, Stop)).StatusCode);

        await LetAsync(lesson.Id, false);
        await Eventually.IsAsync(async () => (await maya.GetAsync(hers, Stop)).StatusCode == HttpStatusCode.NotFound);
    }

    [Fact]
    public async Task Of_a_wall_it_is_their_cards_with_what_was_said_to_them()
    {
        var plan = new WallPlan(Purpose.Sort, Texts.In("en", "What do we know about bridges?"), [new Topic(1, Texts.In("en", "Materials"), Texts.None, 0), new Topic(2, Texts.In("en", "Forces"), Texts.None, 1)], WallRules.Free);
        var (_, lesson) = await _school.HandOutAsync(_teacher, way: Way.AllTogether, content: ActivityContent.BlankWall("en", "Bridges") with { Parts = [new Part(1, PartKind.Wall, plan)] });
        var room = await _school.TogetherAsync(lesson);
        await using var maya = await ClassMember.JoinAsync(_school.Address, lesson.Code.Text, "Maya");
        await using var ben = await ClassMember.JoinAsync(_school.Address, lesson.Code.Text, "Ben");
        await maya.DoAsync(new PutsUpCard(1, "Stone is heavy"), lively: false, Stop);
        await ben.DoAsync(new PutsUpCard(0, "Wood is light"), lively: false, Stop);
        await Eventually.IsAsync(() => maya.Waiting == 0 && ben.Waiting == 0);
        var host = await _school.Get<RoomHosts>().GetAsync(room);
        var hers = 0L;
        await host.LookAsync(r => hers = ((Wall)r).Cards.Values.Single(c => c.Author == 2).Id, Stop);
        var client = ((ClientAdmitted)(await host.SubmitAsync(new AdmitClient(), Actor.Owner, Stop)).Envelope!.Event).Number;
        await host.SubmitAsync(new Submission(client, 1, 0, 0, new GiveAnswer(hers, Ids.Of(client, 1), 0, "en", "And strong?")), Actor.Owner, Stop);

        var sheet = await OwnAsync(lesson, host, 2);
        var band = Assert.Single(sheet.Bands);
        Assert.Equal("Forces", band.Heading);
        Assert.Equal("Stone is heavy", band.Slips[0].Text);
        Assert.Contains("And strong?", band.Slips[1].Text, StringComparison.Ordinal);
        Assert.DoesNotContain(sheet.Bands.SelectMany(b => b.Slips), s => s.Text.Contains("Wood", StringComparison.Ordinal));
        Assert.Empty(sheet.Lists);
        Assert.Empty((await OwnAsync(lesson, host, 9)).Bands);
    }

    private async Task<WallSheet> OwnAsync(LessonRecord lesson, RoomHost host, int student)
    {
        WallSheet sheet = null!;
        await host.LookAsync(room => sheet = _school.Get<WallExport>().OwnOf(lesson, OwnCopy.Of((Wall)room, new Actor(student, Role.Student)), host.Id, student, new() { [2] = "Maya", [3] = "Ben" }, null, ""), Stop);
        return sheet;
    }

    private async Task LetAsync(Guid lesson, bool on) => await DoAsync(await _school.Get<RoomHosts>().GetAsync(lesson), Actor.Owner, new SetSight(false, false, TakeAlong: on));
}
