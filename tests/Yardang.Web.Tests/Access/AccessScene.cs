using System.Net;
using System.Web;
using Microsoft.AspNetCore.SignalR.Client;
using Microsoft.EntityFrameworkCore;
using Microsoft.Extensions.DependencyInjection;
using Yardang.Core.Lessons;
using Yardang.Core.Rooms;
using Yardang.Data.Media;
using Yardang.Data.School;
using Yardang.Web.Access;
using Yardang.Web.Lessons;
using Yardang.Web.Rooms;

namespace Yardang.Web.Tests.Access;

/// <summary>The kinds of people that there are for access.</summary>
internal enum Who
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

/// <summary>Kinds of people who may do the same.</summary>
internal static class People
{
    public static readonly Who[] All = Enum.GetValues<Who>();
    public static readonly Who[] Teachers = [Who.Owner, Who.CoTeacherWhoRuns, Who.CoTeacherWhoWatches, Who.OtherTeacher];
    public static readonly Who[] Staff = [Who.Owner, Who.CoTeacherWhoRuns, Who.CoTeacherWhoWatches];
    public static readonly Who[] Run = [Who.Owner, Who.CoTeacherWhoRuns];
    public static readonly Who[] Students = [Who.BoardsStudent, Who.InTheGroup, Who.InAnotherGroup, Who.RemovedStudent, Who.StudentElsewhere];
}

/// <summary>A lesson with somebody of every kind, each in a browser of their own.</summary>
internal sealed record AccessScene(
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

    /// <summary>The same; null for whoever gets no connection.</summary>
    public async Task<HubConnection?> FindHubAsync(Who who, string asQuery)
    {
        try
        {
            return await HubAsync(who, asQuery);
        }
        catch (HttpRequestException e) when (e.StatusCode == HttpStatusCode.Unauthorized)
        {
            return null;
        }
    }

    /// <summary>Lets students look at the boards of others.</summary>
    public async Task SeeOthersAsync(TestSchool school)
    {
        var room = await school.Get<RoomHosts>().GetAsync(Lesson.Id);
        await room.SubmitAsync(new SetSight(true, true), Actor.Program, TestContext.Current.CancellationToken);
        var seated = false;
        await Eventually.IsAsync(async () =>
        {
            await room.LookAsync(r => seated = ((Lesson)r).SeatsThrough >= ((Lesson)r).PlacesAsOf, TestContext.Current.CancellationToken);
            return seated;
        });
    }

    public static async Task<AccessScene> CreateAsync(TestSchool school)
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
        await Eventually.IsAsync(async () =>
        {
            await room.LookAsync(r => seated = ((Lesson)r).SeatsThrough >= ((Lesson)r).PlacesAsOf, stop);
            return seated;
        });

        await using var db = await school.Get<IDbContextFactory<SchoolContext>>().CreateDbContextAsync(stop);
        var groupBoard = await Seating.RoomAsync(db, lesson, new(1, Whose.Group, 1));
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

    private static string AsOf(string board) => $"?as={HttpUtility.ParseQueryString(board.Split('?')[1])["as"]}";
}
