using System.Net;
using System.Web;
using Microsoft.AspNetCore.DataProtection;
using Microsoft.AspNetCore.Routing;
using Microsoft.AspNetCore.Routing.Patterns;
using Microsoft.AspNetCore.Routing.Template;
using Microsoft.AspNetCore.SignalR;
using Microsoft.AspNetCore.SignalR.Client;
using Microsoft.EntityFrameworkCore;
using Microsoft.Extensions.Configuration;
using Microsoft.Extensions.DependencyInjection;
using Yardang.Core.Rooms;
using Yardang.Data.Media;
using Yardang.Data.School;
using Yardang.Data.Wire;
using Yardang.Web.Access;
using Yardang.Web.BigScreen;
using Yardang.Web.Lessons;
using Yardang.Web.Rooms;

namespace Yardang.Web.Tests.Access;

/// <summary>Every page, file and method of the hub against everybody: who gets it, and who does not.</summary>
public class AccessMatrixTests
{
    [Fact]
    public async Task Each_page_and_file_is_there_for_those_who_have_a_right_to_it_and_for_nobody_else()
    {
        await using var school = new TestSchool();
        var s = await AccessScene.CreateAsync(school);
        Who[] inLesson = [Who.BoardsStudent, Who.InTheGroup, Who.InAnotherGroup];
        var screen = school.Get<ScreenKeys>().Of(s.Lesson.Id);
        (string Path, Who[] Allowed)[] matrix =
        [
            ("/", People.All),
            ("/start", People.All),
            ("/sign-in", People.All),
            ("/sign-up", People.All),
            ("/forgot", People.All),
            ("/reset", People.All),
            ("/fault/404", People.All),
            ("/healthz", People.All),
            ("/language", []),
            ("/service-worker.js", People.All),
            ("/sign-out", []),
            ("/here", []),
            ("/to/nowhere", []),
            ("/recorded/nothing/nothing", []),
            ($"/embed/{s.EmbedKey}", People.All),
            ("/embed/nothing", []),
            ("/screen", People.All),
            ($"/screen/{screen}", People.All),
            ($"/screen/{screen}/now", People.All),
            ($"/screen/{screen}/work/1.png", []),
            ("/screen/nothing", []),
            ("/screen/nothing/now", []),
            ($"/rooms/{s.Board}/snapshot?embed={s.EmbedKey}", []),
            ($"/join/{s.Lesson.Code}", People.All),
            ("/account", People.Teachers),
            ("/invited?key=x", People.All),
            ("/desk", People.Teachers),
            ("/new", People.Teachers),
            ("/template/plain.png", []),
            ($"/lesson/{s.Lesson.Id}/trail?person=2", People.Staff),
            ($"/lesson/{s.Lesson.Id}/trail?person=99", []),
            ($"/lesson/{s.Lesson.Id}/trail?group=99", []),
            ($"/lesson/{s.Lesson.Id}/trail", []),
            ("/keeping", People.Teachers),
            ($"/keeping?handler=Archive&lesson={s.Lesson.Id}", []),
            ("/classes", People.Teachers),
            ($"/classes/{s.ClassList}", [Who.Owner]),
            ($"/classes/{s.ClassList}?handler=Csv", [Who.Owner]),
            ($"/classes/{s.ClassList}/rotation", [Who.Owner]),
            ($"/classes/{s.ClassList}/seats", [Who.Owner]),
            ($"/helpers/{s.Lesson.Id}", [Who.Owner]),
            ($"/helpers/{s.Activity.Id}", [Who.Owner]),
            ($"/workshop/{s.Activity.Id}", People.Run),
            ($"/workshop/{s.Activity.Id}/versions", People.Run),
            ($"/workshop/{s.Activity.Id}?handler=Others", People.Run),
            ($"/workshop/{s.Activity.Id}/try", People.Staff),
            ($"/hand-out/{s.Activity.Id}", People.Run),
            ($"/activity/{s.Activity.Id}.yardang.zip", People.Staff),
            ($"/lesson/{s.Lesson.Id}", People.Staff),
            ($"/lesson/{s.Lesson.Id}/code", People.Staff),
            ($"/lesson/{s.Lesson.Id}/people", People.Run),
            ($"/lesson/{s.Lesson.Id}/people/2", People.Run),
            ($"/lesson/{s.Lesson.Id}/people/2/key", People.Run),
            ($"/lesson/{s.Lesson.Id}/people/2?handler=Zip", People.Run),
            ($"/lesson/{s.Lesson.Id}/people/99", []),
            ($"/lesson/{s.Lesson.Id}/boards", People.Staff),
            ($"/lesson/{s.Lesson.Id}/late", People.Run),
            ($"/lesson/{s.Lesson.Id}/late?handler=Mine&board={s.Board}", People.Run),
            ($"/lesson/{s.Lesson.Id}/pour/{s.Board}", []),
            ($"/lesson/{s.Lesson.Id}/compare/1", []),
            ($"/lesson/{s.Lesson.Id}/times", People.Run),
            ($"/lesson/{s.Lesson.Id}/people.json", People.Staff),
            ($"/lesson/{s.Lesson.Id}/needs", People.Staff),
            ("/tray", People.Teachers),
            ($"/tray?lesson={s.Lesson.Id}", People.Staff),
            ("/tray/things", People.Teachers),
            ("/tray/count", People.Teachers),
            ($"/lesson/{s.Lesson.Id}/pairing", People.Run),
            ($"/lesson/{s.Lesson.Id}/screen-numbers", People.Staff),
            ($"/lesson/{s.Lesson.Id}/slips.pdf", People.Run),
            ($"/lesson/{s.Lesson.Id}/boards.pdf", People.Run),
            ($"/lesson/{s.Lesson.Id}/media.zip", People.Run),
            ($"/lesson/{s.Lesson.Id}.yardang.zip", People.Run),
            ($"/lesson/{s.Lesson.Id}/board/{s.Board}", People.Staff),
            ($"/lesson/{s.Lesson.Id}/board/{s.Board}.png", People.Run),
            ($"/lesson/{s.Lesson.Id}/board/{s.Board}.svg", People.Run),
            ("/my-place", People.Students),
            ("/others", [.. inLesson, Who.StudentElsewhere]),
            ($"/board/{s.Board}", [Who.BoardsStudent]),
            ($"/board/{s.Board}/history", []),
            ($"/board/{s.Board}/mine.pdf", []),
            ($"/board/{s.GroupBoard}/mine.png", []),
            ($"/board/{s.GroupBoard}/history", []),
            ($"/board/{s.GroupBoard}", [Who.InTheGroup]),
            ($"/board/{s.GroupBoard}?look=1", [Who.InTheGroup]),
            ($"/rooms/{s.Board}/snapshot", [.. People.Staff, Who.BoardsStudent]),
            ($"/rooms/{s.GroupBoard}/snapshot", [.. People.Staff, Who.InTheGroup]),
            ($"/rooms/{s.GroupBoard}/snapshot?look=1", [.. People.Staff, Who.InTheGroup]),
            ($"/rooms/{s.Board}/names", [.. People.Staff, Who.BoardsStudent]),
            ($"/rooms/{s.Board}/media/{s.Picture}", [.. People.Staff, Who.BoardsStudent]),
            ($"/rooms/{s.Activity.DraftId}/media/{s.Picture}", People.Staff),
            ($"/rooms/{s.Board}/pictures?words=bridge", [.. People.Run, Who.BoardsStudent]),
            ($"/rooms/{s.Board}/uploads/{Guid.NewGuid()}?what=voice", People.Run),
            ($"/rooms/{s.Board}/pictures/bridge-1", []),
            ($"/rooms/{s.Board}/history", People.Staff),
            ($"/rooms/{s.GroupBoard}/history?after=1", People.Staff),
            ($"/rooms/{s.Lesson.Id}/history", []),
            ($"/rooms/{s.Board}/restoring?at=0", People.Run),
            ($"/lesson/{s.Lesson.Id}/board/{s.Board}/history", People.Staff),
            ($"/lesson/{s.Lesson.Id}/board/{s.Board}/film.svg", People.Run),
            ($"/lesson/{s.Lesson.Id}/board/{s.Board}/moments.pdf?m=0.1", People.Run),
            ($"/lesson/{s.Lesson.Id}/board/{s.Board}/log.csv", People.Run),
            ($"/lesson/{s.Lesson.Id}/board/{s.Board}/log.jsonl", People.Run),
            ($"/rooms/{s.Board}/index", []),
            ($"/rooms/{s.Board}/scores", []),
            ($"/rooms/{s.Board}/noticed", []),
            ($"/rooms/{s.Board}/walls", [Who.BoardsStudent]),
            ($"/rooms/{s.Lesson.Id}/snapshot", [.. People.Staff, .. inLesson]),
            ($"/rooms/{s.Activity.DraftId}/snapshot", People.Staff),
            ("/dev/class", []),
            ("/dev/parts", People.All),
            ("/dev/outbox", People.All),
        ];

        var wrong = new List<string>();
        foreach (var (path, allowed) in matrix)
        {
            foreach (var (who, (browser, asQuery)) in s.Visitors)
            {
                using var answer = await browser.GetAsync(path.Contains('?', StringComparison.Ordinal) ? path + asQuery.Replace('?', '&') : path + asQuery, TestContext.Current.CancellationToken);
                if (answer.StatusCode == HttpStatusCode.OK != allowed.Contains(who)) wrong.Add($"{who} {path}: {answer.StatusCode}");
            }
        }

        Assert.Empty(wrong);

        // Whoever adds a page or file adds it here too.
        var paths = matrix.Select(m => m.Path.Split('?')[0]).ToList();
        var routes = school.Get<EndpointDataSource>().Endpoints.OfType<RouteEndpoint>()
            .Where(e => e.Metadata.GetMetadata<HttpMethodMetadata>()?.HttpMethods.Contains("GET") ?? true)
            .Where(e => e.Metadata.GetMetadata<Microsoft.AspNetCore.StaticAssets.StaticAssetDescriptor>() is null && e.Metadata.GetMetadata<HubMetadata>() is null);
        Assert.Empty(routes.Where(r => !paths.Exists(p => Fits(r.RoutePattern, p))).Select(r => r.RoutePattern.RawText));
    }

    private static bool Fits(RoutePattern pattern, string path) =>
        new TemplateMatcher(new RouteTemplate(pattern), []).TryMatch(path, []);

    [Fact]
    public async Task A_student_cannot_act_as_a_classmate_by_naming_them()
    {
        await using var school = new TestSchool();
        var (_, ownerId) = await school.TeacherAsync("Ilse Varga");
        var (_, lesson) = await school.HandOutAsync(ownerId);
        var (_, mayasBoard) = await school.StudentAsync(lesson.Code, "Maya");
        var (ben, _) = await school.StudentAsync(lesson.Code, "Ben");
        using var answer = await ben.GetAsync(mayasBoard, TestContext.Current.CancellationToken);
        Assert.Equal(HttpStatusCode.Redirect, answer.StatusCode);
    }

    [Fact]
    public async Task A_damaged_cookie_is_no_cookie()
    {
        await using var school = new TestSchool();
        var browser = school.Visitor();
        browser.DefaultRequestHeaders.Add("Cookie", "yardang-participant=nonsense");
        using var answer = await browser.GetAsync("/", TestContext.Current.CancellationToken);
        Assert.Equal(HttpStatusCode.OK, answer.StatusCode);
    }

    [Theory]
    [InlineData(1, HttpStatusCode.OK)]
    [InlineData(-1, HttpStatusCode.Redirect)]
    public async Task An_expired_cookie_opens_no_board_and_says_how_to_come_back(int hoursLeft, HttpStatusCode expected)
    {
        await using var school = new TestSchool();
        var (_, ownerId) = await school.TeacherAsync("Ilse Varga");
        var (_, lesson) = await school.HandOutAsync(ownerId);
        var (_, board) = await school.StudentAsync(lesson.Code, "Maya");
        var maya = HttpUtility.ParseQueryString(board.Split('?')[1])["as"]!;
        var protector = school.Get<IDataProtectionProvider>().CreateProtector("Yardang.Participants.v1").ToTimeLimitedDataProtector();
        var later = school.Visitor();
        later.DefaultRequestHeaders.Add("Cookie", $"yardang-participant={protector.Protect(maya, TimeSpan.FromHours(hoursLeft))}");

        using var answer = await later.GetAsync(board, TestContext.Current.CancellationToken);

        Assert.Equal(expected, answer.StatusCode);
        if (expected == HttpStatusCode.OK) return;
        var door = await later.GetStringAsync(answer.Headers.Location, TestContext.Current.CancellationToken);
        Assert.Contains("Type the code of your lesson to come in", door, StringComparison.Ordinal);
    }

    [Fact]
    public async Task Every_page_carries_a_policy_that_runs_nothing_but_our_own_files()
    {
        await using var school = new TestSchool();
        using var answer = await school.Visitor().GetAsync("/", TestContext.Current.CancellationToken);
        var policy = Assert.Single(answer.Headers.GetValues("Content-Security-Policy"));
        Assert.Contains("default-src 'none'; script-src 'self'; style-src 'self'", policy, StringComparison.Ordinal);
        Assert.DoesNotContain("unsafe", policy, StringComparison.Ordinal);
        Assert.Contains("frame-src 'self';", policy, StringComparison.Ordinal);
    }

    [Fact]
    public async Task Only_sites_that_the_school_names_are_shown_inside_a_page()
    {
        await using var school = new TestSchool(web => web.UseSetting("Yardang:Links:Frames:0", "films.classroom.example").UseSetting("Yardang:Links:Frames:1", "films.ostlebrook.example:8443"));
        using var answer = await school.Visitor().GetAsync("/", TestContext.Current.CancellationToken);
        Assert.Contains("frame-src 'self' https://films.classroom.example https://films.ostlebrook.example:8443; frame-ancestors 'self'", answer.Headers.GetValues("Content-Security-Policy").Single(), StringComparison.Ordinal);
        foreach (var wrong in new[] { "*", "https://films.example", "films.example/arch", "films.example; script-src *", "films.example evil.example", "127.0.0.1", "maya@films.example" })
        {
            var settings = new ConfigurationBuilder().AddInMemoryCollection([new("Yardang:Links:Frames:0", wrong)]).Build();
            Assert.Throws<FormatException>(() => FramedSites.Of(settings));
        }
    }
}
