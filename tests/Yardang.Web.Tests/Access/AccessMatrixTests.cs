using System.Net;
using System.Web;
using Microsoft.AspNetCore.DataProtection;
using Microsoft.AspNetCore.Routing;
using Microsoft.AspNetCore.Routing.Patterns;
using Microsoft.AspNetCore.Routing.Template;
using Microsoft.AspNetCore.SignalR;
using Microsoft.AspNetCore.SignalR.Client;
using Microsoft.EntityFrameworkCore;
using Microsoft.Extensions.DependencyInjection;
using Yardang.Core.Lessons;
using Yardang.Core.Rooms;
using Yardang.Data.Media;
using Yardang.Data.School;
using Yardang.Data.Wire;
using Yardang.Web.Access;
using Yardang.Web.Lessons;
using Yardang.Web.Rooms;

namespace Yardang.Web.Tests.Access;

/// <summary>Every page, file and method of the hub against everybody: who gets it, and who does not.</summary>
public class AccessMatrixTests
{
    private enum Who
    {
        Anonymous,
        Owner,
        CoTeacherWhoRuns,
        CoTeacherWhoWatches,
        OtherTeacher,

        /// <summary>Works on the board that the table is about.</summary>
        BoardsStudent,

        /// <summary>Works in the group that the table is about.</summary>
        InTheGroup,
        InAnotherGroup,
        RemovedStudent,
        StudentElsewhere,
    }

    private static readonly Who[] s_all = Enum.GetValues<Who>();
    private static readonly Who[] s_teachers = [Who.Owner, Who.CoTeacherWhoRuns, Who.CoTeacherWhoWatches, Who.OtherTeacher];
    private static readonly Who[] s_staff = [Who.Owner, Who.CoTeacherWhoRuns, Who.CoTeacherWhoWatches];
    private static readonly Who[] s_run = [Who.Owner, Who.CoTeacherWhoRuns];
    private static readonly Who[] s_students = [Who.BoardsStudent, Who.InTheGroup, Who.InAnotherGroup, Who.RemovedStudent, Who.StudentElsewhere];

    [Fact]
    public async Task Each_page_and_file_is_there_for_those_who_have_a_right_to_it_and_for_nobody_else()
    {
        await using var school = new TestSchool();
        var s = await SceneAsync(school);
        Who[] inLesson = [Who.BoardsStudent, Who.InTheGroup, Who.InAnotherGroup];
        (string Path, Who[] Allowed)[] matrix =
        [
            ("/", s_all),
            ("/start", s_all),
            ("/sign-in", s_all),
            ("/sign-up", s_all),
            ("/forgot", s_all),
            ("/reset", s_all),
            ("/not-here", s_all),
            ("/healthz", s_all),
            ("/language", []),
            ("/service-worker.js", s_all),
            ("/sign-out", []),
            ("/here", []),
            ("/to/nowhere", []),
            ($"/embed/{s.EmbedKey}", s_all),
            ("/embed/nothing", []),
            ($"/rooms/{s.Board}/snapshot?embed={s.EmbedKey}", []),
            ($"/join/{s.Lesson.Code}", s_all),
            ("/account", s_teachers),
            ("/invited?key=x", s_teachers),
            ("/desk", s_teachers),
            ("/new", s_teachers),
            ("/template/plain.png", []),
            ("/classes", s_teachers),
            ($"/classes/{s.ClassList}", [Who.Owner]),
            ($"/classes/{s.ClassList}?handler=Csv", [Who.Owner]),
            ($"/classes/{s.ClassList}/rotation", [Who.Owner]),
            ($"/classes/{s.ClassList}/seats", [Who.Owner]),
            ($"/helpers/{s.Lesson.Id}", [Who.Owner]),
            ($"/helpers/{s.Activity.Id}", [Who.Owner]),
            ($"/workshop/{s.Activity.Id}", s_run),
            ($"/workshop/{s.Activity.Id}/versions", s_run),
            ($"/workshop/{s.Activity.Id}?handler=Others", s_run),
            ($"/workshop/{s.Activity.Id}/try", s_staff),
            ($"/hand-out/{s.Activity.Id}", s_run),
            ($"/activity/{s.Activity.Id}.yardang.zip", s_staff),
            ($"/lesson/{s.Lesson.Id}", s_staff),
            ($"/lesson/{s.Lesson.Id}/code", s_staff),
            ($"/lesson/{s.Lesson.Id}/people", s_run),
            ($"/lesson/{s.Lesson.Id}/late", s_run),
            ($"/lesson/{s.Lesson.Id}/times", s_run),
            ($"/lesson/{s.Lesson.Id}/people.json", s_staff),
            ($"/lesson/{s.Lesson.Id}/slips.pdf", s_run),
            ($"/lesson/{s.Lesson.Id}/boards.pdf", s_run),
            ($"/lesson/{s.Lesson.Id}.yardang.zip", s_run),
            ($"/lesson/{s.Lesson.Id}/board/{s.Board}", s_staff),
            ($"/lesson/{s.Lesson.Id}/board/{s.Board}.png", s_run),
            ($"/lesson/{s.Lesson.Id}/board/{s.Board}.svg", s_run),
            ("/my-place", s_students),
            ("/others", [.. inLesson, Who.StudentElsewhere]),
            ($"/board/{s.Board}", [Who.BoardsStudent]),
            ($"/board/{s.GroupBoard}", [Who.InTheGroup]),
            ($"/board/{s.GroupBoard}?look=1", [Who.InTheGroup]),
            ($"/rooms/{s.Board}/snapshot", [.. s_staff, Who.BoardsStudent]),
            ($"/rooms/{s.GroupBoard}/snapshot", [.. s_staff, Who.InTheGroup]),
            ($"/rooms/{s.GroupBoard}/snapshot?look=1", [.. s_staff, Who.InTheGroup]),
            ($"/rooms/{s.Board}/names", [.. s_staff, Who.BoardsStudent]),
            ($"/rooms/{s.Board}/media/{s.Picture}", [.. s_staff, Who.BoardsStudent]),
            ($"/rooms/{s.Activity.DraftId}/media/{s.Picture}", s_staff),
            ($"/rooms/{s.Board}/pictures?words=bridge", [.. s_run, Who.BoardsStudent]),
            ($"/rooms/{s.Board}/pictures/bridge-1", []),
            ($"/rooms/{s.Lesson.Id}/snapshot", [.. s_staff, .. inLesson]),
            ($"/rooms/{s.Activity.DraftId}/snapshot", s_staff),
            ("/dev/class", []),
            ("/dev/parts", s_all),
            ("/dev/outbox", s_all),
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

    [Fact]
    public async Task Each_method_of_the_hub_is_there_for_those_who_have_a_right_to_it_and_for_nobody_else()
    {
        await using var school = new TestSchool();
        var s = await SceneAsync(school);
        (Guid Room, string Name, Who[] Look, Who[] Write)[] rooms =
        [
            (s.Lesson.Id, "lesson", [.. s_staff, Who.BoardsStudent, Who.InTheGroup, Who.InAnotherGroup], [.. s_run, Who.BoardsStudent, Who.InTheGroup, Who.InAnotherGroup]),
            (s.Board, "board", [.. s_staff, Who.BoardsStudent], [.. s_run, Who.BoardsStudent]),
            (s.GroupBoard, "group's board", [.. s_staff, Who.InTheGroup], [.. s_run, Who.InTheGroup]),
            (s.Activity.DraftId, "draft", s_staff, s_run),
        ];
        var wrong = new List<string>();
        foreach (var (who, (_, asQuery)) in s.Visitors)
        {
            await using var hub = await s.HubAsync(who, asQuery);
            foreach (var (room, name, look, write) in rooms)
            {
                var admitted = await SucceedsAsync(() => hub.InvokeAsync<int>("Admit", room.ToString(), TestContext.Current.CancellationToken));
                if (admitted != write.Contains(who)) wrong.Add($"{who} Admit to {name}: {admitted}");
                var watched = await SucceedsAsync(async () =>
                {
                    // A reader gets a frame at once if there is anything: ask for all of it.
                    await foreach (var frame in hub.StreamAsync<byte[]>("Watch", room.ToString(), 0L, TestContext.Current.CancellationToken))
                    {
                        if (frame.Length == 2) throw new HubException("recalled");
                        break;
                    }
                });
                if (watched != look.Contains(who)) wrong.Add($"{who} Watch {name}: {watched}");
            }
        }

        Assert.Empty(wrong);
    }

    [Fact]
    public async Task Who_only_watches_sends_nothing_that_counts()
    {
        await using var school = new TestSchool();
        var s = await SceneAsync(school);
        await using var hub = await s.HubAsync(Who.CoTeacherWhoWatches, "");
        var refused = new TaskCompletionSource<int>();
        hub.On<string, int, int, int, int>("Refused", (_, _, _, reason, _) => refused.TrySetResult(reason));
        await hub.InvokeAsync("Submit", s.Lesson.Id.ToString(), CommandCodec.Encode(new Submission(1, 1, 0, 0, new SetPens(true))), TestContext.Current.CancellationToken);
        Assert.Equal((int)Refusal.NotAllowed, await refused.Task);
    }

    [Fact]
    public async Task A_co_teacher_who_is_taken_out_is_out_at_once_also_on_an_open_screen()
    {
        await using var school = new TestSchool();
        var s = await SceneAsync(school);
        await using var hub = await s.HubAsync(Who.CoTeacherWhoRuns, "");
        var frames = hub.StreamAsync<byte[]>("Watch", s.Lesson.Id.ToString(), 0L, TestContext.Current.CancellationToken).GetAsyncEnumerator(TestContext.Current.CancellationToken);
        Assert.True(await frames.MoveNextAsync());
        var coTeaching = school.Get<CoTeaching>();
        var shared = (await coTeaching.FindAsync(s.Lesson.Id))!;
        await coTeaching.RemoveAsync(shared, (await coTeaching.OfAsync(s.Lesson.Id)).Single(c => c.Record.Role == CoTeacherRole.Runs).Record.Id);
        while (frames.Current.Length != 2) Assert.True(await frames.MoveNextAsync());
        await Assert.ThrowsAsync<HubException>(() => hub.InvokeAsync<int>("Admit", s.Board.ToString(), TestContext.Current.CancellationToken));
        Assert.Equal(HttpStatusCode.NotFound, (await s.Visitors[Who.CoTeacherWhoRuns].Browser.GetAsync($"/lesson/{s.Lesson.Id}", TestContext.Current.CancellationToken)).StatusCode);
    }

    private static async Task<bool> SucceedsAsync(Func<Task> act)
    {
        try
        {
            await act();
            return true;
        }
        catch (HubException)
        {
            return false;
        }
    }

    private static bool Fits(RoutePattern pattern, string path) =>
        new TemplateMatcher(new RouteTemplate(pattern), []).TryMatch(path, []);

    private sealed record Scene(
        Uri Address, ActivityRecord Activity, LessonRecord Lesson, Guid Board, Guid GroupBoard, Guid ClassList, string Picture, string EmbedKey, IReadOnlyDictionary<Who, (HttpClient Browser, string As)> Visitors,
        IReadOnlyDictionary<Who, CookieContainer> Cookies)
    {
        public async Task<HubConnection> HubAsync(Who who, string asQuery)
        {
            var hub = new HubConnectionBuilder()
                .WithUrl(new Uri(Address, $"/live{asQuery}"), o => o.Cookies = Cookies[who])
                .AddMessagePackProtocol()
                .Build();
            await hub.StartAsync(TestContext.Current.CancellationToken);
            return hub;
        }
    }

    private static async Task<Scene> SceneAsync(TestSchool school)
    {
        var stop = TestContext.Current.CancellationToken;
        var cookies = new Dictionary<Who, CookieContainer>();
        HttpClient Browser(Who who) => school.Visitor(cookies[who] = new CookieContainer());
        var (owner, ownerId) = await school.TeacherAsync("Ilse Varga", Browser(Who.Owner));
        var (runs, runsId) = await school.TeacherAsync("Tobi Adeyemi", Browser(Who.CoTeacherWhoRuns));
        var (watches, watchesId) = await school.TeacherAsync("Elin Lindgarde", Browser(Who.CoTeacherWhoWatches));
        var (other, otherId) = await school.TeacherAsync("Rafael Monteiro", Browser(Who.OtherTeacher));
        var (activity, lesson) = await school.HandOutAsync(ownerId);
        var coTeaching = school.Get<CoTeaching>();
        foreach (var of in new[] { lesson.Id, activity.Id })
        {
            var shared = (await coTeaching.FindAsync(of))!;
            await coTeaching.InviteAsync(shared, "Ilse Varga", ["adeyemi@ostlebrook.example"], CoTeacherRole.Runs);
            await coTeaching.InviteAsync(shared, "Ilse Varga", ["lindgarde@ostlebrook.example"], CoTeacherRole.Watches);
            var invited = await coTeaching.OfAsync(of);
            Assert.True(await coTeaching.AcceptAsync(invited[0].Record, runsId));
            Assert.True(await coTeaching.AcceptAsync(invited[1].Record, watchesId));
        }

        var (_, elsewhere) = await school.HandOutAsync(otherId);
        var students = new Dictionary<Who, (HttpClient Browser, string Board)>();
        foreach (var (who, name) in new[] { (Who.BoardsStudent, "Maya"), (Who.InTheGroup, "Ben"), (Who.InAnotherGroup, "Amina"), (Who.RemovedStudent, "Leif") })
        {
            students[who] = await school.StudentAsync(lesson.Code, name, Browser(who));
        }

        students[Who.StudentElsewhere] = await school.StudentAsync(elsewhere.Code, "Noor", Browser(Who.StudentElsewhere));
        var room = await school.Get<RoomHosts>().GetAsync(lesson.Id);
        await room.SubmitAsync(new SetGroups([new Group(1, "Arches", [3]), new Group(2, "Beams", [4])], 0), Actor.Program, stop);
        await room.SubmitAsync(new RemovePerson(5), Actor.Program, stop);
        var seated = false;
        while (!seated) await room.LookAsync(r => seated = ((Lesson)r).SeatsThrough >= ((Lesson)r).PlacesAsOf, stop);

        await using var db = await school.Get<IDbContextFactory<SchoolContext>>().CreateDbContextAsync(stop);
        var groupBoard = await Seating.BoardAsync(db, lesson.Id, BoardKind.Group, 1);
        foreach (var id in new[] { groupBoard, Guid.Parse(students[Who.BoardsStudent].Board.Split('/', '?')[2]) })
        {
            // Something is on every board, so that there is something to be told.
            await (await school.Get<RoomHosts>().GetAsync(id)).SubmitAsync(new AdmitClient(), Actor.Owner, stop);
        }

        var visitors = new Dictionary<Who, (HttpClient Browser, string As)>
        {
            [Who.Anonymous] = (Browser(Who.Anonymous), ""),
            [Who.Owner] = (owner, ""),
            [Who.CoTeacherWhoRuns] = (runs, ""),
            [Who.CoTeacherWhoWatches] = (watches, ""),
            [Who.OtherTeacher] = (other, ""),
        };
        foreach (var (who, (browser, board)) in students) visitors[who] = (browser, AsOf(board));
        await school.Get<Joining>().ShowElsewhereAsync(lesson, shown: true);
        var embedKey = await db.Lessons.Where(l => l.Id == lesson.Id).Select(l => l.EmbedKey!).SingleAsync(stop);
        var list = await school.Get<Web.ClassLists.ClassListShelf>().KeepAsync(ownerId, null, "7 Amber", [new Core.ClassLists.ClassEntry(1, "Maya")]);
        var picture = await school.Get<MediaStore>().KeepAsync([0x89, 1, 2], stop);
        return new(school.Address, activity, lesson, Guid.Parse(students[Who.BoardsStudent].Board.Split('/', '?')[2]), groupBoard, list, picture, embedKey, visitors, cookies);
    }

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
    }

    private static string AsOf(string board) => $"?as={HttpUtility.ParseQueryString(board.Split('?')[1])["as"]}";
}
