using System.Net;
using System.Net.Http.Json;
using System.Text.Json;
using MessagePack;
using Microsoft.AspNetCore.SignalR;
using Microsoft.AspNetCore.SignalR.Client;
using Microsoft.EntityFrameworkCore;
using Microsoft.Extensions.DependencyInjection;
using Yardang.Core.Activities;
using Yardang.Core.Lessons;
using Yardang.Core.Pages;
using Yardang.Core.Rooms;
using Yardang.Core.Walls;
using Yardang.Data.School;
using Yardang.Data.Wire;
using Yardang.Headless;
using Yardang.Web.Lessons;
using Yardang.Web.Rooms;
using Yardang.Web.Shelf;

namespace Yardang.Web.Tests.Lessons;

/// <summary>A wall at work: the same hub, places, late work and lists as boards have.</summary>
public sealed class WallLessonTests : IAsyncLifetime
{
    private static readonly WallPlan s_plan = new(
        Purpose.Sort, Texts.In("en", "What do we know about bridges?"), [new(11, Texts.In("en", "Why they stand"), Texts.None, 2), new(12, Texts.In("en", "Why they fall"), Texts.None, 3)], new WallRules(Most: 2));

    private readonly TestSchool _school = new();
    private readonly List<IAsyncDisposable> _connections = [];
    private Guid _teacher;

    private static CancellationToken Stop => TestContext.Current.CancellationToken;

    public async ValueTask InitializeAsync() => (_, _teacher) = await _school.TeacherAsync("Ilse Varga");

    public async ValueTask DisposeAsync()
    {
        foreach (var connection in _connections) await connection.DisposeAsync();
        await _school.DisposeAsync();
    }

    [Fact]
    public async Task On_one_wall_for_all_everybody_reads_what_anybody_puts_up_and_the_rules_hold_over_the_hub()
    {
        var lesson = await HandOutAsync(Way.AllTogether);
        var (maya, ben) = (await JoinAsync(lesson, "Maya"), await JoinAsync(lesson, "Ben"));
        Assert.Equal(maya.Wall.Room, ben.Wall.Room);
        var card = PutUp(maya, "arches push");
        await Eventually.IsAsync(() => Task.FromResult(Cards(ben) is [{ Text: "arches push" }]));

        var refused = new TaskCompletionSource<Refusal>();
        ben.Wall.Do(c => c.GivenUp = (_, reason) => refused.TrySetResult(reason));
        ben.Wall.Do(c => c.Submit(new TakeCardDown(card), 0));
        Assert.Equal(Refusal.NotYours, await refused.Task.WaitAsync(Stop));
        Assert.Single(Cards(maya));
    }

    [Fact]
    public async Task A_wall_of_ones_own_is_closed_to_others_and_a_groups_is_the_groups()
    {
        var lesson = await HandOutAsync(Way.ByGroup);
        var (maya, ben) = (await JoinAsync(lesson, "Maya"), await JoinAsync(lesson, "Ben"));
        Assert.NotEqual(maya.Wall.Room, ben.Wall.Room);
        await Assert.ThrowsAsync<HubException>(() => ben.Hub.InvokeAsync<int>("Admit", maya.Wall.Room.ToString(), Stop));
        Assert.Equal(HttpStatusCode.NotFound, (await ben.Browser.GetAsync($"/rooms/{maya.Wall.Room}/snapshot{ben.Query}", Stop)).StatusCode);

        await GroupAsync(lesson, new Group(1, "Arches", [2, 3]));
        var together = await WallOfAsync(lesson, 2);
        Assert.Equal(together, await WallOfAsync(lesson, 3));
        Assert.NotEqual(maya.Wall.Room, together);
        await using var db = await _school.Get<IDbContextFactory<SchoolContext>>().CreateDbContextAsync(Stop);
        Assert.All(await db.RoomsOf(lesson.Id).ToListAsync(Stop), r => Assert.Equal(RoomKind.Wall, r.Kind));
    }

    [Fact]
    public async Task What_was_written_for_a_wall_that_one_has_left_reaches_the_teacher()
    {
        var lesson = await HandOutAsync(Way.ByGroup);
        var own = await JoinAsync(lesson, "Maya");
        await _school.StudentAsync(lesson.Code, "Ben");
        await GroupAsync(lesson, new Group(1, "Arches", [2, 3]));
        var arches = await WallOfAsync(lesson, 2);
        var client = await own.Hub.InvokeAsync<int>("Admit", arches.ToString(), Stop);
        await GroupAsync(lesson, new Group(1, "Arches", [3]), new Group(2, "Beams", [2]));
        var late = CommandCodec.Encode(new Submission(client, 1, 0, 0, new PutUpCard(Ids.Of(client, 1), 11, "en", "written on the bus")));

        var token = TestSchool.TokenIn(await own.Browser.GetStringAsync($"/join/{lesson.Code}?new=true", Stop));
        using var message = new HttpRequestMessage(HttpMethod.Post, $"/rooms/{arches}/leftovers{own.Query}");
        message.Headers.Add("RequestVerificationToken", token);
        message.Content = new ByteArrayContent(MessagePackSerializer.Serialize(new[] { late }, cancellationToken: Stop));
        using var answer = await own.Browser.SendAsync(message, Stop);
        Assert.Equal(1, (await answer.Content.ReadFromJsonAsync<JsonElement>(Stop)).GetProperty("waiting").GetInt32());
        var room = await _school.Get<RoomHosts>().GetAsync(lesson.Id);
        await Eventually.IsAsync(async () =>
        {
            var waiting = new List<WorkWaits>();
            await room.LookAsync(r => waiting = [.. ((Lesson)r).Waiting], Stop);
            return waiting is [{ Person: 2, Count: 1 } one] && one.Board == arches;
        });
    }

    [Fact]
    public async Task Pens_down_and_closing_reach_the_walls_and_lists_know_what_happened_on_them()
    {
        var lesson = await HandOutAsync(Way.AllTogether);
        var maya = await JoinAsync(lesson, "Maya");
        PutUp(maya, "arches push");
        await Eventually.IsAsync(() => Task.FromResult(maya.Wall.Do(c => c.Outbox.Count == 0)));
        var room = await _school.Get<RoomHosts>().GetAsync(lesson.Id);
        await room.SubmitAsync(new SetPens(true), Actor.Program, Stop);
        await Eventually.IsAsync(async () =>
        {
            int? on = null;
            await room.LookAsync(r => on = ((Lesson)r).PensConfirmedOn, Stop);
            return on == 1;
        });
        PutUp(maya, "too late");
        await Eventually.IsAsync(() => Task.FromResult(maya.Wall.Do(c => ((Wall)c.Room).SetAside.Count == 1)));
        Assert.Single(Cards(maya));

        await _school.Get<Projections>().TickAsync();
        var summary = (await _school.Get<BoardSummaries>().OfAsync(lesson.Id))[maya.Wall.Room];
        Assert.Equal((2, 11L), (summary.Acts.Single().Person, summary.Acts.Single().Page));
        Assert.Equal([1, 0], summary.Zones.Select(z => z.Marks));
        Assert.Equal(1, summary.Waiting);
        var names = await maya.Browser.GetFromJsonAsync<JsonElement>($"/rooms/{maya.Wall.Room}/names{maya.Query}", Stop);
        Assert.Contains("Maya", names.ToString(), StringComparison.Ordinal);
    }

    [Fact]
    public async Task A_teacher_changes_the_plan_of_a_running_wall_and_a_student_cannot()
    {
        var lesson = await HandOutAsync(Way.AllTogether);
        var maya = await JoinAsync(lesson, "Maya");
        PutUp(maya, "arches push");
        await Eventually.IsAsync(() => Task.FromResult(maya.Wall.Do(c => c.Outbox.Count == 0)));
        var wall = await _school.Get<RoomHosts>().GetAsync(maya.Wall.Room);
        await wall.SubmitAsync(new SetPlan(s_plan with { Topics = [s_plan.Topics[1]] }), Actor.Program, Stop);
        await Eventually.IsAsync(() => Task.FromResult(Cards(maya) is [{ Topic: WallPlan.Nowhere }]));
        var refused = new TaskCompletionSource<Refusal>();
        maya.Wall.Do(c => c.GivenUp = (_, reason) => refused.TrySetResult(reason));
        maya.Wall.Do(c => c.Submit(new SetPlan(s_plan), 0));
        Assert.Equal(Refusal.NotAllowed, await refused.Task.WaitAsync(Stop));
    }

    private async Task<LessonRecord> HandOutAsync(Way way)
    {
        var content = ActivityContent.BlankWall("en", "What we know about bridges") with { Parts = [new Part(1, PartKind.Wall, s_plan)] };
        var activity = await _school.Get<ActivityMaking>().CreateAsync(_teacher, content);
        return await _school.Get<Handing>().HandOutAsync(activity, new HandOutOrder("7 Amber", Way: way), "en");
    }

    private async Task<(HttpClient Browser, HubConnection Hub, LiveRoom Wall, string Query)> JoinAsync(LessonRecord lesson, string name)
    {
        var cookies = new CookieContainer();
        var packed = new HttpClient(new HttpClientHandler { CookieContainer = cookies, AllowAutoRedirect = false, AutomaticDecompression = DecompressionMethods.All }) { BaseAddress = _school.Address };
        var (browser, address) = await _school.StudentAsync(lesson.Code, name, packed);
        var query = $"?{address.Split('?')[1]}";
        var hub = new HubConnectionBuilder().WithUrl(new Uri(_school.Address, $"/live{query}"), o => o.Cookies = cookies).AddMessagePackProtocol().Build();
        _connections.Add(hub);
        await hub.StartAsync(Stop);
        var wall = await LiveRoom.EnterAsync(hub, browser, Guid.Parse(address.Split('/', '?')[2]), query, () => new Wall(WallPlan.Blank));
        return (browser, hub, wall, query);
    }

    private static long PutUp((HttpClient, HubConnection, LiveRoom Wall, string) student, string text) => student.Wall.Do(c =>
    {
        var id = c.NewId();
        c.Submit(new PutUpCard(id, 11, "en", text), 0);
        return id;
    });

    private static List<Card> Cards((HttpClient, HubConnection, LiveRoom Wall, string) student) => student.Wall.Do(c => ((Wall)c.Room).Cards.Values.ToList());

    private async Task GroupAsync(LessonRecord lesson, params Group[] groups)
    {
        var room = await _school.Get<RoomHosts>().GetAsync(lesson.Id);
        var (version, seated) = (0, false);
        await room.LookAsync(r => version = ((Lesson)r).GroupingVersion, Stop);
        await room.SubmitAsync(new SetGroups([.. groups], version), Actor.Program, Stop);
        await Eventually.IsAsync(async () =>
        {
            await room.LookAsync(r => seated = ((Lesson)r).SeatsThrough >= ((Lesson)r).PlacesAsOf, Stop);
            return seated;
        });
    }

    private async Task<Guid> WallOfAsync(LessonRecord lesson, int person)
    {
        await using var db = await _school.Get<IDbContextFactory<SchoolContext>>().CreateDbContextAsync(Stop);
        return await _school.BoardOfAsync(await db.Participants.SingleAsync(p => p.LessonId == lesson.Id && p.Number == person, Stop));
    }
}
