using System.Net;
using System.Net.Http.Json;
using System.Text.Json;
using MessagePack;
using Microsoft.AspNetCore.SignalR;
using Microsoft.AspNetCore.SignalR.Client;
using Microsoft.EntityFrameworkCore;
using Microsoft.Extensions.DependencyInjection;
using Yardang.Core.Activities;
using Yardang.Core.Boards;
using Yardang.Core.Editing;
using Yardang.Core.Ink;
using Yardang.Core.Interchange;
using Yardang.Core.Lessons;
using Yardang.Core.Marks;
using Yardang.Core.Pages;
using Yardang.Core.Rooms;
using Yardang.Core.Styles;
using Yardang.Core.Walls;
using Yardang.Data.School;
using Yardang.Data.Wire;
using Yardang.Headless;
using Yardang.Web.Lessons;
using Yardang.Web.Rooms;
using Yardang.Web.Shelf;

namespace Yardang.Web.Tests.Lessons;

/// <summary>One lesson of several parts: think alone, everybody's wall, sort by group, leave an exit ticket.</summary>
public sealed class PartsLessonTests : IAsyncLifetime
{
    private const int Alone = 1, Wall = 2, ByGroup = 3, Ticket = 4;

    private static readonly WallPlan s_plan = new(Purpose.Sort, Texts.In("en", "Which idea is best?"), [new(11, Texts.In("en", "Strong"), Texts.None, 2)], WallRules.Free);

    private readonly TestSchool _school = new();
    private readonly List<IAsyncDisposable> _connections = [];
    private HttpClient _browser = null!;
    private ActivityRecord _activity = null!;
    private LessonRecord _lesson = null!;

    private static CancellationToken Stop => TestContext.Current.CancellationToken;

    private RoomHosts Hosts => _school.Get<RoomHosts>();

    public async ValueTask InitializeAsync()
    {
        (_browser, var teacher) = await _school.TeacherAsync("Ilse Varga");
        var content = ActivityContent.Blank("en", "From load to ground") with
        {
            Pages = [PageOf(1, "My sketch", null), PageOf(2, "My words", null), PageOf(3, "What we sorted", ByGroup), PageOf(4, "What I take home", Ticket)],
            Parts =
            [
                new Part(Alone, PartKind.Pages, Name: Texts.In("en", "Think alone")), new Part(Wall, PartKind.Wall, s_plan, Texts.In("en", "Best ideas")),
                new Part(ByGroup, PartKind.Pages, Name: Texts.In("en", "Sorting together"), Way: Way.ByGroup), new Part(Ticket, PartKind.Pages, Name: Texts.In("en", "Exit ticket")),
            ],
        };
        _activity = await _school.Get<ActivityMaking>().CreateAsync(teacher, content);
        _lesson = await _school.Get<Handing>().HandOutAsync(_activity, new HandOutOrder("7 Amber", OneByOne: true), "en");
    }

    public async ValueTask DisposeAsync()
    {
        foreach (var connection in _connections) await connection.DisposeAsync();
        await _school.DisposeAsync();
    }

    [Fact]
    public async Task Of_a_part_that_is_not_open_a_student_is_told_that_there_is_one_and_nothing_more()
    {
        var maya = await JoinAsync("Maya");
        var page = await maya.Browser.GetStringAsync($"/board/{maya.Room}{maya.Query}", Stop);
        var place = await maya.Browser.GetStringAsync($"/my-place{maya.Query}", Stop);
        var snapshots = new[] { maya.Room, _lesson.Id }.Select(async room => System.Text.Encoding.UTF8.GetString(await maya.Browser.GetByteArrayAsync($"/rooms/{room}/snapshot{maya.Query}", Stop)));
        foreach (var told in (string[])[page, place, .. await Task.WhenAll(snapshots)])
        {
            foreach (var unsaid in new[] { "Best ideas", "Which idea", "Sorting together", "What we sorted", "Exit ticket", "What I take home" }) Assert.DoesNotContain(unsaid, told, StringComparison.Ordinal);
        }

        Assert.Contains("Think alone", page, StringComparison.Ordinal);
        Assert.Equal([true, false, false, false], JsonDocument.Parse(place).RootElement.GetProperty("contents").EnumerateArray().Select(p => p.GetProperty("address").ValueKind == JsonValueKind.String));
        Assert.Equal(["My sketch", "My words"], await PagesOfAsync(maya.Room));
    }

    [Fact]
    public async Task A_part_that_is_not_open_is_closed_to_students_at_every_door()
    {
        var maya = await JoinAsync("Maya");
        foreach (var place in new RoomPlace[] { new(Wall, Whose.Together, 0), new(Ticket, Whose.Own, 2), new(ByGroup, Whose.Own, 2) })
        {
            var room = await RoomAsync(place);
            Assert.Equal(HttpStatusCode.NotFound, (await maya.Browser.GetAsync($"/rooms/{room}/snapshot{maya.Query}", Stop)).StatusCode);
            Assert.Equal(HttpStatusCode.NotFound, (await maya.Browser.GetAsync($"/rooms/{room}/names{maya.Query}", Stop)).StatusCode);
            using var page = await maya.Browser.GetAsync($"/board/{room}{maya.Query}", Stop);
            Assert.Equal($"/board/{maya.Room}{maya.Query}", page.Headers.Location!.ToString());
            using var look = await maya.Browser.GetAsync($"/board/{room}{maya.Query}&look=1", Stop);
            Assert.Equal(HttpStatusCode.Redirect, look.StatusCode);
            await Assert.ThrowsAsync<HubException>(() => maya.Hub.InvokeAsync<int>("Admit", room.ToString(), Stop));
        }
    }

    [Fact]
    public async Task What_the_teacher_opens_students_find_each_in_their_place_and_go_back_and_forth()
    {
        var (maya, ben) = (await JoinAsync("Maya"), await JoinAsync("Ben"));
        await SetAsync(Wall, open: true);
        await SetAsync(Ticket, open: true);
        var (mayas, bens) = (await ContentsAsync(maya), await ContentsAsync(ben));
        Assert.Equal([true, true, false, true], mayas.Select(a => a is not null));
        Assert.Equal(RoomIn(mayas[1]!), RoomIn(bens[1]!));
        Assert.NotEqual(RoomIn(mayas[3]!), RoomIn(bens[3]!));
        foreach (var address in mayas.OfType<string>()) Assert.Equal(HttpStatusCode.OK, (await maya.Browser.GetAsync(address, Stop)).StatusCode);
        Assert.Equal(HttpStatusCode.NotFound, (await maya.Browser.GetAsync($"/rooms/{RoomIn(bens[3]!)}/snapshot{maya.Query}", Stop)).StatusCode);

        // Who comes now begins where the lesson is; who is somewhere stays there.
        Assert.Equal(mayas[3], (await maya.Browser.GetFromJsonAsync<JsonElement>($"/my-place{maya.Query}", Stop)).GetProperty("address").GetString());
        Assert.Equal(mayas[0], (await maya.Browser.GetFromJsonAsync<JsonElement>($"/my-place{maya.Query}&at={maya.Room}", Stop)).GetProperty("address").GetString());
        Assert.Equal(["What I take home"], await PagesOfAsync((await JoinAsync("Amina")).Room));
    }

    [Fact]
    public async Task Work_for_a_part_that_was_closed_meanwhile_waits_for_the_teacher_and_its_readers_are_sent_away()
    {
        var maya = await JoinAsync("Maya");
        await SetAsync(Wall, open: true);
        var wall = RoomIn((await ContentsAsync(maya))[1]!);
        var live = await LiveRoom.EnterAsync(maya.Hub, maya.Browser, wall, maya.Query, () => new Wall(WallPlan.Blank));
        live.Do(c => c.Submit(new PutUpCard(c.NewId(), 11, "en", "arches push"), 0));
        await Eventually.IsAsync(() => Task.FromResult(live.Do(c => c.Outbox.Count == 0)));
        var client = await maya.Hub.InvokeAsync<int>("Admit", wall.ToString(), Stop);
        await SetAsync(Wall, open: false);

        Assert.Equal(HttpStatusCode.NotFound, (await maya.Browser.GetAsync($"/rooms/{wall}/snapshot{maya.Query}", Stop)).StatusCode);
        Assert.Equal(maya.Room, RoomIn((await maya.Browser.GetFromJsonAsync<JsonElement>($"/my-place{maya.Query}&at={wall}", Stop)).GetProperty("address").GetString()!));
        var late = CommandCodec.Encode(new Submission(client, 1, 0, 0, new PutUpCard(Ids.Of(client, 1), 11, "en", "written on the bus")));
        using var message = new HttpRequestMessage(HttpMethod.Post, $"/rooms/{wall}/leftovers{maya.Query}") { Content = new ByteArrayContent(MessagePackSerializer.Serialize(new[] { late }, cancellationToken: Stop)) };
        message.Headers.Add("RequestVerificationToken", TestSchool.TokenIn(await maya.Browser.GetStringAsync($"/join/{_lesson.Code}?new=true", Stop)));
        using var answer = await maya.Browser.SendAsync(message, Stop);
        Assert.Equal(1, (await answer.Content.ReadFromJsonAsync<JsonElement>(Stop)).GetProperty("waiting").GetInt32());
        await LookAsync<Wall>(wall, w => Assert.Equal((1, 1), (w.Cards.Count, w.SetAside.Count)));
    }

    [Fact]
    public async Task Groups_share_a_board_in_the_part_that_is_by_group_and_nowhere_else()
    {
        var (maya, ben) = (await JoinAsync("Maya"), await JoinAsync("Ben"));
        await SetAsync(ByGroup, open: true);
        await GroupAsync(new Group(1, "Arches", [2, 3]));
        var (mayas, bens) = (await ContentsAsync(maya), await ContentsAsync(ben));
        Assert.Equal(maya.Room, RoomIn(mayas[0]!));
        Assert.NotEqual(RoomIn(mayas[0]!), RoomIn(bens[0]!));
        Assert.Equal(RoomIn(mayas[2]!), RoomIn(bens[2]!));
        Assert.Equal(await RoomAsync(new(ByGroup, Whose.Group, 1)), RoomIn(mayas[2]!));
        var people = await _browser.GetStringAsync($"/lesson/{_lesson.Id}/people", Stop);
        Assert.Contains("Groups work together in: Sorting together.", people, StringComparison.Ordinal);

        // And in a part that is opened later they are there from the first.
        await GroupAsync(new Group(1, "Arches", [2]), new Group(2, "Beams", [3]));
        Assert.NotEqual(RoomIn((await ContentsAsync(maya))[2]!), RoomIn((await ContentsAsync(ben))[2]!));
    }

    [Fact]
    public async Task A_page_that_is_handed_out_late_reaches_the_boards_of_its_part()
    {
        var maya = await JoinAsync("Maya");
        await SetAsync(Ticket, open: true);
        var ticket = RoomIn((await ContentsAsync(maya))[3]!);
        var page = await AddPageAsync(PageOf(0, "One question I have", Ticket));
        var foreign = await AddPageAsync(PageOf(0, "Of a part that came later", 9));
        Assert.Equal([page], (await _school.Get<LateHanding>().RevisionsAsync(_lesson)).Select(r => r.Page));
        Assert.Equal(Refusal.NoSuchPage, await _school.Get<LateHanding>().HandOutPagesAsync(_lesson, [foreign], [], []));
        Assert.Null(await _school.Get<LateHanding>().HandOutPagesAsync(_lesson, [page], [], []));
        await Eventually.IsAsync(async () => (await PagesOfAsync(ticket)).Count == 2);
        Assert.Equal(["My sketch", "My words"], await PagesOfAsync(maya.Room));
        Assert.Equal(["What we sorted"], await PagesOfAsync(await RoomAsync(new(ByGroup, Whose.Own, 2))));
    }

    [Fact]
    public async Task The_teacher_sees_each_part_on_its_own_and_takes_all_of_it_along()
    {
        var maya = await JoinAsync("Maya");
        var first = await _browser.GetStringAsync($"/lesson/{_lesson.Id}", Stop);
        Assert.Contains("Think alone", first, StringComparison.Ordinal);
        Assert.Contains("Exit ticket", first, StringComparison.Ordinal);
        Assert.Contains($"\"together\":\"{await RoomAsync(new(Wall, Whose.Together, 0))}\"", await _browser.GetStringAsync($"/lesson/{_lesson.Id}?part={Wall}", Stop), StringComparison.Ordinal);
        Assert.Equal(HttpStatusCode.NotFound, (await _browser.GetAsync($"/lesson/{_lesson.Id}?part=7", Stop)).StatusCode);
        Assert.Contains(maya.Room.ToString(), await _browser.GetStringAsync($"/lesson/{_lesson.Id}/people.json?part={Alone}", Stop), StringComparison.Ordinal);
        Assert.Equal(HttpStatusCode.NotFound, (await _browser.GetAsync($"/lesson/{_lesson.Id}/people.json?part=7", Stop)).StatusCode);
        await SetAsync(Wall, open: true);
        var counts = new[] { "", $"?part={Alone}", $"?part={Wall}" }.Select(async part => PdfPages(await _browser.GetByteArrayAsync($"/lesson/{_lesson.Id}/boards.pdf{part}", Stop)));
        var pages = await Task.WhenAll(counts);
        // The wall, and beside it who put up what.
        Assert.Equal([4, 2, 2], pages);
        Assert.Contains("Best ideas", await _browser.GetStringAsync($"/lesson/{_lesson.Id}/boards", Stop), StringComparison.Ordinal);
    }

    [Fact]
    public async Task A_lesson_of_several_parts_comes_back_from_an_archive_as_it_was()
    {
        var (maya, ben) = (await JoinAsync("Maya"), await JoinAsync("Ben"));
        foreach (var part in new[] { Wall, ByGroup, Ticket }) await SetAsync(part, open: true);
        await GroupAsync(new Group(1, "Arches", [2, 3]));
        foreach (var student in new[] { maya, ben })
        {
            var rooms = (await ContentsAsync(student)).Select(a => RoomIn(a!)).ToList();
            var wall = await LiveRoom.EnterAsync(student.Hub, student.Browser, rooms[1], student.Query, () => new Wall(WallPlan.Blank));
            wall.Do(c => c.Submit(new PutUpCard(c.NewId(), 11, "en", $"arches push {student.Query}"), 0));
            foreach (var (room, page) in new[] { (rooms[0], 1), (rooms[2], 3), (rooms[3], 4) })
            {
                var board = await LiveRoom.EnterAsync(student.Hub, student.Browser, room, student.Query, () => new Board(ActivityContent.Blank("en", "")));
                board.Do(c => c.Submit(new AddMark(c.NewId(), page, Grip.Own, new InkBody([new InkPoint(1_000, 1_000, 128, 0), new InkPoint(1_400, 1_400, 128, 30)]), new Style(0, 80)), c.NewId()));
                await Eventually.IsAsync(() => Task.FromResult(board.Do(c => c.Outbox.Count == 0) && wall.Do(c => c.Outbox.Count == 0)));
            }
        }

        var file = await _browser.GetByteArrayAsync($"/lesson/{_lesson.Id}.yardang.zip", Stop);
        var before = ActivityArchive.Read(file);
        Assert.Equal([1, 1, 2, 3, 4, 4], before.Work!.Boards.Select(b => b.OfPart));
        Assert.All(before.Work.Boards.Where(b => b.Wall is null), b => Assert.NotEmpty(b.Marks));
        var (other, id) = await _school.TeacherAsync("Tobi Adeyemi");
        var lesson = await _school.Get<WorkArchive>().ReadAsync(id, before, before.Work);
        var after = ActivityArchive.Read(await other.GetByteArrayAsync($"/lesson/{lesson.Id}.yardang.zip", Stop));
        Assert.True(ActivityJson.AreSame(before.Activity, after.Activity));
        Assert.Equal(JsonSerializer.Serialize((before.Work.People, before.Work.Boards)), JsonSerializer.Serialize((after.Work!.People, after.Work.Boards)));
        Assert.All(lesson.Parts, p => Assert.True(p.IsOpen));
    }

    private static Page PageOf(long id, string name, int? part) => new(id, Texts.In("en", name), PageSize.A4Wide, Paper.Plain, Part: part);

    private static Guid RoomIn(string address) => Guid.Parse(address.Split('/', '?')[2]);

    private static int PdfPages(byte[] pdf) => System.Text.RegularExpressions.Regex.Count(System.Text.Encoding.Latin1.GetString(pdf), @"/Type\s*/Page\b");

    private async Task<(HttpClient Browser, HubConnection Hub, Guid Room, string Query)> JoinAsync(string name)
    {
        var cookies = new CookieContainer();
        var packed = new HttpClient(new HttpClientHandler { CookieContainer = cookies, AllowAutoRedirect = false, AutomaticDecompression = DecompressionMethods.All }) { BaseAddress = _school.Address };
        var (browser, address) = await _school.StudentAsync(_lesson.Code, name, packed);
        var query = $"?{address.Split('?')[1]}";
        var hub = new HubConnectionBuilder().WithUrl(new Uri(_school.Address, $"/live{query}"), o => o.Cookies = cookies).AddMessagePackProtocol().Build();
        _connections.Add(hub);
        await hub.StartAsync(Stop);
        return (browser, hub, RoomIn(address), query);
    }

    private static async Task<List<string?>> ContentsAsync((HttpClient Browser, HubConnection, Guid, string Query) student)
    {
        var place = await student.Browser.GetFromJsonAsync<JsonElement>($"/my-place{student.Query}", Stop);
        return [.. place.GetProperty("contents").EnumerateArray().Select(p => p.GetProperty("address").GetString())];
    }

    private async Task<Guid> RoomAsync(RoomPlace place)
    {
        await using var db = await _school.Get<IDbContextFactory<SchoolContext>>().CreateDbContextAsync(Stop);
        return await Seating.RoomAsync(db, _lesson, place);
    }

    private async Task<IReadOnlyList<string>> PagesOfAsync(Guid board)
    {
        IReadOnlyList<string> names = [];
        await LookAsync<Board>(board, b => names = [.. b.Sheets.Pages.Select(p => p.Name.For("en"))]);
        return names;
    }

    private async Task LookAsync<T>(Guid room, Action<T> look)
        where T : Room => await (await Hosts.GetAsync(room)).LookAsync(r => look((T)r), Stop);

    private Task SetAsync(int part, bool open) => DoAsync(new SetPart(part, open));

    private async Task GroupAsync(params Group[] groups)
    {
        var version = 0;
        await LookAsync<Lesson>(_lesson.Id, l => version = l.GroupingVersion);
        await DoAsync(new SetGroups([.. groups], version));
    }

    // What the lesson says holds at the doors once everybody is seated.
    private async Task DoAsync(Command command)
    {
        var room = await Hosts.GetAsync(_lesson.Id);
        Assert.NotNull((await room.SubmitAsync(command, Actor.Program, Stop)).Envelope);
        await Eventually.IsAsync(async () =>
        {
            var seated = false;
            await room.LookAsync(r => seated = ((Lesson)r).SeatsThrough >= ((Lesson)r).PlacesAsOf, Stop);
            return seated;
        });
    }

    private async Task<long> AddPageAsync(Page page)
    {
        var draft = await Hosts.GetAsync(_activity.DraftId);
        var client = ((ClientAdmitted)(await draft.SubmitAsync(new AdmitClient(), Actor.Owner, Stop)).Envelope!.Event).Number;
        var id = Ids.Of(client, 1);
        Assert.NotNull((await draft.SubmitAsync(new Submission(client, 1, 0, id, new AddPage(page with { Id = id }, 9)), Actor.Owner, Stop)).Envelope);

        // A part that the lesson does not have.
        if (page.OfPart == 9) await draft.SubmitAsync(new Submission(client, 2, 1, id, new MakeChanges([new Dividing([.. await PartsAsync(), new Part(9, PartKind.Pages)])])), Actor.Owner, Stop);
        return id;
    }

    private async Task<IEnumerable<Part>> PartsAsync() => (await _school.Get<ActivityMaking>().ContentAsync(_activity)).Steps;
}
