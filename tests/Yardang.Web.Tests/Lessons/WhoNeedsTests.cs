using System.Net;
using System.Text.Json;
using Microsoft.AspNetCore.TestHost;
using Microsoft.Extensions.DependencyInjection;
using Yardang.Core.Activities;
using Yardang.Core.Boards;
using Yardang.Core.Editing;
using Yardang.Core.Lessons;
using Yardang.Core.Marks;
using Yardang.Core.Needs;
using Yardang.Core.Pages;
using Yardang.Core.Rooms;
using Yardang.Core.Styles;
using Yardang.Core.Walls;
using Yardang.Data.School;
using Yardang.Web.Lessons;
using Yardang.Web.Needs;
using Yardang.Web.Rooms;
using Yardang.Web.Shelf;
using static Yardang.Web.Tests.Lessons.OnWalls;

namespace Yardang.Web.Tests.Lessons;

/// <summary>What the server tells a teacher of who needs them, from looking at the work of those who are here.</summary>
public sealed class WhoNeedsTests : IAsyncLifetime
{
    private readonly LaterClock _clock = new();
    private readonly TestSchool _school;
    private HttpClient _varga = null!;
    private Guid _teacher;
    private LessonRecord _lesson = null!;
    private RoomHost _room = null!;

    public WhoNeedsTests() => _school = new(web => web.ConfigureTestServices(services => services.AddSingleton<TimeProvider>(_clock)));

    private static CancellationToken Stop => TestContext.Current.CancellationToken;

    public async ValueTask InitializeAsync()
    {
        (_varga, _teacher) = await _school.TeacherAsync("Ilse Varga");
        (_, _lesson) = await _school.HandOutAsync(_teacher);
        _room = await _school.Get<RoomHosts>().GetAsync(_lesson.Id);
    }

    public ValueTask DisposeAsync() => _school.DisposeAsync();

    [Fact]
    public async Task Who_has_not_begun_while_others_write_is_listed_and_is_no_more_once_a_teacher_was_there()
    {
        foreach (var name in new[] { "Maya", "Ben", "Oona", "Tam", "Noor" }) await ComeAsync(name);
        for (var look = 0; look < 5; look++)
        {
            foreach (var person in new[] { 2, 3, 4, 5 }) await WriteAsync(person);
            await LookAsync(TimeSpan.FromSeconds(40));
        }

        foreach (var person in new[] { 2, 3, 4, 5 }) await WriteAsync(person);
        var need = Assert.Single(await NeedsAsync());
        Assert.Equal(((int)NeedKind.NotStarted, 6, 4, 4), (need.Kind, need.Person, need.Others, need.Of));
        await DoAsync(_room, Actor.Owner, new VisitWork(6));
        Assert.Empty(await NeedsAsync());
    }

    [Fact]
    public async Task Hands_are_told_at_once_and_who_has_no_device_here_any_more_a_while_later()
    {
        await ComeAsync("Maya");
        var ben = await ComeAsync("Ben");
        await LookAsync(TimeSpan.FromSeconds(1));
        await DoAsync(_room, new Actor(2, Role.Student), new GiveSignal(2, Signal.HandUp, true, HandReason.Task));
        Assert.Equal((int)NeedKind.Hand, Assert.Single(await NeedsAsync()).Kind);
        _room.Leave(ben);
        await LookAsync(TimeSpan.FromSeconds(1));
        Assert.Empty((await AnswerAsync()).Away);
        await LookAsync(TimeSpan.FromSeconds(90));
        var told = await AnswerAsync();
        Assert.Equal([3], told.Away);
        Assert.Equal([(int)NeedKind.Hand, (int)NeedKind.Offline], told.Needs.Select(n => n.Kind));
    }

    [Fact]
    public async Task On_which_page_somebody_is_their_teacher_is_told_as_long_as_the_board_is_open()
    {
        await ComeAsync("Maya");
        await WriteAsync(2);
        var board = await BoardOfAsync(2);
        _school.Get<Whereabouts>().Note(board, 2, 77);
        await LookAsync(TimeSpan.FromSeconds(5));
        Assert.Equal(77, Assert.Single((await AnswerAsync()).Pages).Value);
    }

    [Fact]
    public async Task Who_moves_away_much_of_what_classmates_put_up_is_listed_without_a_noise_until_a_teacher_has_seen_it()
    {
        var plan = WallPlan.Blank with { Topics = [new(11, Texts.In("en", "Stone"), Texts.None, 2), new(12, Texts.In("en", "Wood"), Texts.None, 3)], Rules = WallRules.Free with { AnyMoves = true } };
        var activity = await _school.Get<ActivityMaking>().CreateAsync(_teacher, ActivityContent.BlankWall("en", "Bridges") with { Parts = [new Part(1, PartKind.Wall, plan)] });
        _lesson = await _school.Get<Handing>().HandOutAsync(activity, new HandOutOrder("7 Amber", Way: Way.AllTogether), "en");
        _room = await _school.Get<RoomHosts>().GetAsync(_lesson.Id);
        foreach (var name in new[] { "Maya", "Ben" }) await ComeAsync(name);
        var wall = await _school.Get<RoomHosts>().GetAsync(await _school.TogetherAsync(_lesson));
        var cards = new List<long>();
        for (var n = 0; n < QuietAlerts.MuchMoved; n++)
        {
            await DoAsync(wall, new Actor(2, Role.Student), id =>
            {
                cards.Add(id);
                return new PutUpCard(id, 11, "en", "granite");
            });
        }

        await _school.Get<Attention>().TickAsync();
        foreach (var card in cards.SkipLast(1)) await DoAsync(wall, new Actor(3, Role.Student), new MoveCard(card, 12, 1));
        await LookAsync(TimeSpan.FromSeconds(5));
        Assert.Empty(await AlertsAsync());
        await DoAsync(wall, new Actor(3, Role.Student), new MoveCard(cards[^1], 12, 1));
        await LookAsync(TimeSpan.FromSeconds(5));
        var alert = Assert.Single(await AlertsAsync());
        Assert.Equal(((int)NeedKind.ClearsAway, 3), (alert.Kind, alert.Person));

        await DoAsync(_room, Actor.Owner, new AnswerNeed(3, NeedKind.ClearsAway, 0));
        Assert.Empty(await AlertsAsync());
    }

    [Fact]
    public async Task Whose_card_several_have_told_of_is_listed_until_it_was_looked_at()
    {
        var activity = await _school.Get<ActivityMaking>().CreateAsync(_teacher, ActivityContent.BlankWall("en", "Bridges"));
        _lesson = await _school.Get<Handing>().HandOutAsync(activity, new HandOutOrder("7 Amber", Way: Way.AllTogether), "en");
        _room = await _school.Get<RoomHosts>().GetAsync(_lesson.Id);
        foreach (var name in new[] { "Zoltan", "Maya", "Ben", "Oona" }) await ComeAsync(name);
        var wall = await _school.Get<RoomHosts>().GetAsync(await _school.TogetherAsync(_lesson));
        long card = 0;
        await DoAsync(wall, new Actor(2, Role.Student), id => new PutUpCard(card = id, 0, "en", "Bridges are boring"));
        for (var teller = 3; teller <= 5; teller++) await DoAsync(wall, new Actor(teller, Role.Student), new RaiseConcern(card, 0, ConcernReason.Hurts, ""));
        await LookAsync(TimeSpan.FromSeconds(5));
        var alert = Assert.Single(await AlertsAsync());
        Assert.Equal(((int)NeedKind.ToldOf, 2, 3), (alert.Kind, alert.Person, alert.Others));
        await DoAsync(wall, Actor.Owner, new SettleConcerns(card, 0));
        await LookAsync(TimeSpan.FromSeconds(5));
        Assert.Empty(await AlertsAsync());
    }

    [Fact]
    public async Task A_student_is_told_nothing_of_it()
    {
        var (maya, board) = await _school.StudentAsync(_lesson.Code, "Maya");
        using var answer = await maya.GetAsync($"/lesson/{_lesson.Id}/needs?{board.Split('?')[1]}", Stop);
        Assert.Equal(HttpStatusCode.NotFound, answer.StatusCode);
    }

    // Comes in, and has the lesson open on a device.
    private async Task<Subscription> ComeAsync(string name)
    {
        await _school.StudentAsync(_lesson.Code, name);
        var number = 0;
        await _room.LookAsync(r => number = ((Lesson)r).People.Keys.Max(), Stop);
        return _room.Watch(new Actor(number, Role.Student), 0);
    }

    private async Task WriteAsync(int person)
    {
        var board = await _school.Get<RoomHosts>().GetAsync(await BoardOfAsync(person));
        var page = 0L;
        await board.LookAsync(r => page = ((Board)r).Sheets.Pages[0].Id, Stop);
        await DoAsync(board, new Actor(person, Role.Student), id => new AddMark(id, page, Grip.Own, new NoteBody(0, 0, 4_000, 4_000, new Words("idea", "en", ["idea"], 700)), new Style(0, 0)));
    }

    private async Task<Guid> BoardOfAsync(int person)
    {
        var people = JsonDocument.Parse(await _varga.GetStringAsync($"/lesson/{_lesson.Id}/people.json", Stop)).RootElement;
        return people.EnumerateArray().Single(p => p.GetProperty("number").GetInt32() == person).GetProperty("board").GetGuid();
    }

    private async Task LookAsync(TimeSpan later)
    {
        _clock.Shift += later;
        await _school.Get<Attention>().TickAsync();
    }

    private async Task<IReadOnlyList<Told>> AlertsAsync() => [.. (await NeedsAsync()).Where(n => n.Kind >= (int)NeedKind.ToldOf)];

    private async Task<IReadOnlyList<Told>> NeedsAsync() => (await AnswerAsync()).Needs;

    private async Task<Answer> AnswerAsync() => JsonSerializer.Deserialize<Answer>(await _varga.GetStringAsync($"/lesson/{_lesson.Id}/needs", Stop), JsonSerializerOptions.Web)!;

    private sealed record Told(int Kind, int Person, int Others, int Of);

    private sealed record Answer(IReadOnlyList<Told> Needs, IReadOnlyList<int> Away, IReadOnlyDictionary<string, long> Pages);

    /// <summary>The time of day, and more.</summary>
    private sealed class LaterClock : TimeProvider
    {
        public TimeSpan Shift { get; set; }

        public override DateTimeOffset GetUtcNow() => System.GetUtcNow() + Shift;
    }
}
