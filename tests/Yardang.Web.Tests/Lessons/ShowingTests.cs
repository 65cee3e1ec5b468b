using System.IO.Compression;
using System.Net;
using System.Text;
using System.Text.Json;
using Microsoft.EntityFrameworkCore;
using Yardang.Core.Activities;
using Yardang.Core.Editing;
using Yardang.Core.Lessons;
using Yardang.Core.Marks;
using Yardang.Core.Rooms;
using Yardang.Core.Styles;
using Yardang.Data.School;
using Yardang.Web.BigScreen;
using Yardang.Web.Lessons;
using Yardang.Web.Rooms;
using static Yardang.Web.Tests.Lessons.OnWalls;

namespace Yardang.Web.Tests.Lessons;

/// <summary>What has not been shown leaves by no way: not to classmates, not to the big screen, and where it is said so not to teachers and in none of their files.</summary>
public sealed class ShowingTests : IAsyncDisposable
{
    private const string Secret = "Arches push sideways";

    private readonly TestSchool _school = new();
    private HttpClient _teacher = null!;
    private LessonRecord _lesson = null!;
    private RoomHost _run = null!;
    private (HttpClient Browser, string Board) _maya;
    private (HttpClient Browser, string Board) _ben;

    public async ValueTask DisposeAsync()
    {
        _teacher.Dispose();
        _maya.Browser.Dispose();
        _ben.Browser.Dispose();
        await _school.DisposeAsync();
    }

    [Fact]
    public async Task A_classmate_has_it_only_once_it_is_shown()
    {
        await BeginAsync(Privacy.UntilShown);
        var look = $"/rooms/{RoomOf(_maya)}/snapshot?as={AsOf(_ben)}&look=1";
        Assert.Equal(HttpStatusCode.NotFound, await StatusAsync(_ben.Browser, look));
        Assert.Equal(HttpStatusCode.OK, await StatusAsync(_teacher, $"/rooms/{RoomOf(_maya)}/snapshot"));
        await DoAsync(_run, new Actor(2, Role.Student), new ShowWork(1, true));
        await Eventually.IsAsync(async () => await StatusAsync(_ben.Browser, look) == HttpStatusCode.OK);
        Assert.Contains("Maya", await _ben.Browser.GetStringAsync($"/others?as={AsOf(_ben)}", Stop), StringComparison.Ordinal);

        // While each thinks on their own nobody looks at what anybody has shown.
        await DoAsync(_run, Actor.Owner, new BeginPhase(new(PhaseKind.Think, "", 0, false, 0)));
        await Eventually.IsAsync(async () => await StatusAsync(_ben.Browser, look) == HttpStatusCode.NotFound);
        Assert.DoesNotContain("Maya", await _ben.Browser.GetStringAsync($"/others?as={AsOf(_ben)}", Stop), StringComparison.Ordinal);
        await DoAsync(_run, Actor.Owner, new EndPhase(false));
        await Eventually.IsAsync(async () => await StatusAsync(_ben.Browser, look) == HttpStatusCode.OK);
        await DoAsync(_run, new Actor(2, Role.Student), new ShowWork(1, false));
        await Eventually.IsAsync(async () => await StatusAsync(_ben.Browser, look) == HttpStatusCode.NotFound);
    }

    [Fact]
    public async Task What_students_may_look_at_otherwise_is_private_all_the_same()
    {
        await BeginAsync(Privacy.None);
        var look = $"/rooms/{RoomOf(_maya)}/snapshot?as={AsOf(_ben)}&look=1";
        await DoAsync(_run, Actor.Owner, new SetSight(true, false));
        await Eventually.IsAsync(async () => await StatusAsync(_ben.Browser, look) == HttpStatusCode.OK);
        await DoAsync(_run, Actor.Owner, new SetPrivacy(1, Privacy.UntilShown));
        await Eventually.IsAsync(async () => await StatusAsync(_ben.Browser, look) == HttpStatusCode.NotFound);
    }

    [Fact]
    public async Task Where_boards_are_private_no_longer_and_nobody_may_look_whoever_looks_at_a_shown_one_is_sent_home()
    {
        await BeginAsync(Privacy.UntilShown);
        await DoAsync(_run, new Actor(2, Role.Student), new ShowWork(1, true));
        var look = $"/rooms/{RoomOf(_maya)}/snapshot?as={AsOf(_ben)}&look=1";
        await Eventually.IsAsync(async () => await StatusAsync(_ben.Browser, look) == HttpStatusCode.OK);
        var board = await _school.Get<RoomHosts>().GetAsync(Guid.Parse(RoomOf(_maya)));
        var reading = board.Watch(new Actor(3, Role.Student) { LooksOnly = true }, 0);
        await DoAsync(_run, Actor.Owner, new SetPrivacy(1, Privacy.None));
        await Eventually.IsAsync(async () => await StatusAsync(_ben.Browser, look) == HttpStatusCode.NotFound);
        await Eventually.IsAsync(() => Task.FromResult(reading.Recalled));
    }

    [Fact]
    public async Task The_big_screen_shows_nothing_that_the_class_does_not_see_yet()
    {
        await BeginAsync(Privacy.UntilShown);
        await DoAsync(_run, Actor.Owner, new ShowOnScreen(new(ScreenKind.Works, [Guid.Parse(RoomOf(_maya))], 0, false, false)));
        using var stranger = _school.Visitor();
        var address = $"/screen/{_school.Get<ScreenKeys>().Of(_lesson.Id)}";
        async Task<int> WorksAsync() => JsonDocument.Parse(await stranger.GetStringAsync($"{address}/now", Stop)).RootElement.GetProperty("works").GetArrayLength();
        Assert.Equal(0, await WorksAsync());
        for (var mask = 1; mask < 100; mask++) Assert.Equal(HttpStatusCode.NotFound, await StatusAsync(stranger, $"{address}/work/{mask}.png"));
        await DoAsync(_run, Actor.Owner, new CallBoardsUp(1, [], true));
        await Eventually.IsAsync(async () => await WorksAsync() == 1);
    }

    [Fact]
    public async Task Where_not_even_teachers_see_it_no_way_of_theirs_leads_to_it()
    {
        await BeginAsync(Privacy.AlsoFromTeachers);
        var (room, lesson) = (RoomOf(_maya), _lesson.Id);
        string[] ways = [$"/rooms/{room}/snapshot", $"/lesson/{lesson}/board/{room}.svg", $"/lesson/{lesson}/board/{room}.png", $"/lesson/{lesson}/board/{room}.inkml"];
        foreach (var way in ways) Assert.NotEqual(HttpStatusCode.OK, await StatusAsync(_teacher, way));
        Assert.Equal(HttpStatusCode.Redirect, await StatusAsync(_teacher, $"/lesson/{lesson}/board/{room}"));
        Assert.DoesNotContain(Secret, await ArchiveAsync(), StringComparison.Ordinal);

        await DoAsync(_run, new Actor(2, Role.Student), new ShowWork(1, true));
        await Eventually.IsAsync(async () => await StatusAsync(_teacher, ways[0]) == HttpStatusCode.OK);
        foreach (var way in ways) Assert.Equal(HttpStatusCode.OK, await StatusAsync(_teacher, way));
        Assert.Equal(HttpStatusCode.OK, await StatusAsync(_teacher, $"/lesson/{lesson}/board/{room}"));
        Assert.Contains(Secret, await ArchiveAsync(), StringComparison.Ordinal);
    }

    [Fact]
    public async Task Who_is_put_into_a_group_takes_nothing_shown_along_and_what_the_group_shows_is_shown_by_any_of_them()
    {
        await BeginAsync(Privacy.UntilShown);
        var student = await _school.StudentAsync(_lesson.Code, "Mira");
        using var mira = student.Browser;
        await DoAsync(_run, new Actor(2, Role.Student), new ShowWork(1, true));
        await DoAsync(_run, Actor.Owner, new SetGroups([new(1, "Piers", [2, 3])], 0));
        var boards = _school.Get<LessonPeople>();
        async Task<LessonBoard?> OfGroupAsync() => (await boards.AllBoardsAsync(_lesson)).FirstOrDefault(b => b.Place.Whose == Whose.Group);
        await Eventually.IsAsync(async () => await OfGroupAsync() is not null);
        var group = (await OfGroupAsync())!;
        var look = $"/rooms/{group.Id}/snapshot?as={AsOf(student)}&look=1";
        Assert.Equal(HttpStatusCode.NotFound, await StatusAsync(mira, look));
        await DoAsync(_run, new Actor(3, Role.Student), new ShowWork(1, true));
        await Eventually.IsAsync(async () => await StatusAsync(mira, look) == HttpStatusCode.OK);
    }

    private async Task BeginAsync(Privacy privacy)
    {
        (_teacher, var id) = await _school.TeacherAsync("Ilse Varga");
        (_, _lesson) = await _school.HandOutAsync(id);
        _run = await _school.Get<RoomHosts>().GetAsync(_lesson.Id);
        (_maya, _ben) = (await _school.StudentAsync(_lesson.Code, "Maya"), await _school.StudentAsync(_lesson.Code, "Ben"));
        var board = await _school.Get<RoomHosts>().GetAsync(Guid.Parse(RoomOf(_maya)));
        var page = 0L;
        await board.LookAsync(r => page = ((Core.Boards.Board)r).Sheets.Pages[0].Id, Stop);
        await DoAsync(board, new Actor(2, Role.Student), mark => new AddMark(mark, page, Grip.Own, new TextBody(100, 100, 9_000, 900, new Words(Secret, "en", [Secret], 700)), new Style(0, 60)));
        if (privacy == Privacy.None) return;
        await DoAsync(_run, Actor.Owner, new SetPrivacy(1, privacy));
        await Eventually.IsAsync(async () =>
        {
            await using var db = await _school.Get<IDbContextFactory<SchoolContext>>().CreateDbContextAsync(Stop);
            return (_lesson = (await db.Lessons.FindAsync([_lesson.Id], Stop))!).Parts[0].Privacy == privacy;
        });
    }

    private async Task<string> ArchiveAsync()
    {
        await using var db = await _school.Get<IDbContextFactory<SchoolContext>>().CreateDbContextAsync(Stop);
        var write = await _school.Get<WorkArchive>().ReadyAsync((await db.Lessons.FindAsync([_lesson.Id], Stop))!, Stop);
        using var zip = new ZipArchive(new MemoryStream(write()));
        var all = new StringBuilder();
        foreach (var entry in zip.Entries)
        {
            using var reader = new StreamReader(entry.Open());
            all.Append(await reader.ReadToEndAsync(Stop));
        }

        return all.ToString();
    }

    private static CancellationToken Stop => TestContext.Current.CancellationToken;

    private static string RoomOf((HttpClient Browser, string Board) student) => student.Board.Split('/', '?')[2];

    private static string AsOf((HttpClient Browser, string Board) student) => student.Board.Split("as=")[1];

    private static async Task<HttpStatusCode> StatusAsync(HttpClient browser, string path)
    {
        using var answer = await browser.GetAsync(path, Stop);
        return answer.StatusCode;
    }
}
