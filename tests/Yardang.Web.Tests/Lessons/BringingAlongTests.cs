using System.Collections.Immutable;
using System.Net;
using System.Text;
using System.Text.Json;
using Yardang.Core.Activities;
using Yardang.Core.Attachments;
using Yardang.Core.Editing;
using Yardang.Core.Ink;
using Yardang.Core.Lessons;
using Yardang.Core.Marks;
using Yardang.Core.Pages;
using Yardang.Core.Rooms;
using Yardang.Core.Styles;
using Yardang.Core.Walls;
using Yardang.Data.School;
using Yardang.Web.Lessons;
using Yardang.Web.Rooms;
using Yardang.Web.Shelf;
using static Yardang.Web.Tests.Lessons.OnWalls;

namespace Yardang.Web.Tests.Lessons;

/// <summary>What a student has on a board goes onto a wall of the lesson: what is theirs, where they may, and not twice.</summary>
public sealed class BringingAlongTests : IAsyncLifetime
{
    private static readonly Actor s_maya = new(2, Role.Student);

    private readonly TestSchool _school = new();
    private Guid _teacher;

    private static CancellationToken Stop => TestContext.Current.CancellationToken;

    public async ValueTask InitializeAsync() => (_, _teacher) = await _school.TeacherAsync("Ilse Varga");

    public ValueTask DisposeAsync() => _school.DisposeAsync();

    [Fact]
    public async Task Ones_own_words_and_ink_become_a_card_of_ones_own()
    {
        var (lesson, wall, maya) = await LessonAsync(new(Shows: Attachment.Usual));
        var ids = await PutOnAsync(maya, s_maya, Note("The deck carries it"), new InkBody([new(0, 0, 128, 0), new(900, 0, 128, 9)]));
        var walls = await maya.Browser.GetStringAsync($"/rooms/{maya.Room}/walls{maya.Query}", Stop);
        Assert.Equal([11, 12], JsonDocument.Parse(walls).RootElement[0].GetProperty("topics").EnumerateArray().Select(t => t.GetProperty("id").GetInt64()));

        Assert.Contains("It is on the wall", await BringAsync(maya, ids, topic: 12), StringComparison.Ordinal);
        var card = Assert.Single(await CardsAsync(wall));
        Assert.Equal(("The deck carries it", s_maya.Number, 12L, "es"), (card.Text, card.Author, card.Topic, card.Language));
        Assert.IsType<DrawingAttachment>(Assert.Single(card.Shown));
        Assert.NotNull(lesson);
    }

    [Fact]
    public async Task What_is_somebody_elses_is_not_brought()
    {
        var (_, wall, maya) = await LessonAsync(WallRules.Free, Way.AllTogether);
        var ben = await JoinAsync(maya.Lesson, "Ben");
        var bens = await PutOnAsync(maya, new Actor(3, Role.Student), Note("Ben's idea"));
        Assert.Contains("A card holds what you wrote or drew yourself", await BringAsync(maya, bens), StringComparison.Ordinal);
        Assert.Empty(await CardsAsync(wall));
        Assert.Contains("It is on the wall", await BringAsync(ben, bens), StringComparison.Ordinal);
    }

    [Fact]
    public async Task The_rules_of_the_wall_hold_and_it_is_said_which()
    {
        var (_, wall, maya) = await LessonAsync(new(Most: 1));
        var ink = await PutOnAsync(maya, s_maya, new InkBody([new(0, 0, 128, 0), new(900, 0, 128, 9)]));
        Assert.Contains("students do not put up what you chose", await BringAsync(maya, ink), StringComparison.Ordinal);
        var words = await PutOnAsync(maya, s_maya, Note("one"));
        Assert.Contains("Choose another place", await BringAsync(maya, words, topic: 99), StringComparison.Ordinal);
        Assert.Contains("It is on the wall", await BringAsync(maya, words), StringComparison.Ordinal);
        Assert.Contains("as many cards there as each may", await BringAsync(maya, words), StringComparison.Ordinal);
        var many = await PutOnAsync(maya, s_maya, [.. Enumerable.Range(0, 4).Select(_ => Note(new('a', 400)))]);
        Assert.Contains("more than a card holds", await BringAsync(maya, many), StringComparison.Ordinal);
        Assert.Single(await CardsAsync(wall));
    }

    [Fact]
    public async Task A_wall_that_is_not_open_or_not_there_takes_nothing()
    {
        var (_, wall, maya) = await LessonAsync(WallRules.Free, oneByOne: true);
        var words = await PutOnAsync(maya, s_maya, Note("one"));
        Assert.Equal("[]", await maya.Browser.GetStringAsync($"/rooms/{maya.Room}/walls{maya.Query}", Stop));
        foreach (var part in new[] { 2, 1, 0, -1, 99 }) Assert.Contains("no wall open", await BringAsync(maya, words, part), StringComparison.Ordinal);
        Assert.Empty(await CardsAsync(wall));
    }

    [Theory]
    [InlineData("")]
    [InlineData("[]")]
    [InlineData("{\"marks\":null}")]
    [InlineData("{\"marks\":[],\"part\":2}")]
    [InlineData("{\"marks\":[\"x\"],\"part\":2}")]
    [InlineData("{\"marks\":[1e400],\"part\":2}")]
    public async Task What_nobody_can_mean_is_refused(string body)
    {
        var (_, wall, maya) = await LessonAsync(WallRules.Free);
        using var answer = await PostAsync(maya, body);
        Assert.Equal(HttpStatusCode.BadRequest, answer.StatusCode);
        Assert.Empty(await CardsAsync(wall));
    }

    private sealed record Student(LessonRecord Lesson, HttpClient Browser, Guid Room, string Query);

    private static NoteBody Note(string text) => new(100, 100, 3_000, 3_000, new Words(text, "en", [text], 700));

    private async Task<(LessonRecord Lesson, Guid Wall, Student Maya)> LessonAsync(WallRules rules, Way way = Way.OneEach, bool oneByOne = false)
    {
        var plan = new WallPlan(Purpose.Sort, Texts.In("en", "Which idea is best?"), [new(11, Texts.In("en", "Strong"), Texts.None, 2), new(12, Texts.In("en", "Light"), Texts.None, 3)], rules);
        var content = ActivityContent.Blank("en", "From load to ground") with { Parts = [new Part(1, PartKind.Pages, Way: way), new Part(2, PartKind.Wall, plan)] };
        var activity = await _school.Get<ActivityMaking>().CreateAsync(_teacher, content);
        var lesson = await _school.Get<Handing>().HandOutAsync(activity, new HandOutOrder("7 Amber", OneByOne: oneByOne), "en");
        await using var db = await _school.Get<Microsoft.EntityFrameworkCore.IDbContextFactory<SchoolContext>>().CreateDbContextAsync(Stop);
        return (lesson, await Seating.RoomAsync(db, lesson, new(2, Whose.Together, 0)), await JoinAsync(lesson, "Maya"));
    }

    private async Task<Student> JoinAsync(LessonRecord lesson, string name)
    {
        var (browser, page) = await _school.StudentAsync(lesson.Code, name);
        return new(lesson, browser, Guid.Parse(page.Split('/')[2].Split('?')[0]), "?" + page.Split('?')[1]);
    }

    private async Task<long[]> PutOnAsync(Student on, Actor actor, params ImmutableArray<MarkBody> bodies)
    {
        var host = await _school.Get<RoomHosts>().GetAsync(on.Room);
        long page = 0;
        await host.LookAsync(r => page = ((Core.Boards.Board)r).Sheets.Pages[0].Id, Stop);
        var ids = new List<long>();
        await DoAsync(host, actor, [.. bodies.Select(body => (Func<long, Command>)(id =>
        {
            ids.Add(id);
            return new AddMark(id, page, Grip.Own, body, body is InkBody ? new Style(1, 60) : new Style(1, 0));
        }))]);
        return [.. ids];
    }

    private static async Task<string> BringAsync(Student student, long[] marks, int part = 2, long topic = 11)
    {
        using var answer = await PostAsync(student, JsonSerializer.Serialize(new { marks, part, topic, language = "es" }));
        return await answer.Content.ReadAsStringAsync(Stop);
    }

    private static async Task<HttpResponseMessage> PostAsync(Student student, string body)
    {
        using var message = new HttpRequestMessage(HttpMethod.Post, $"/rooms/{student.Room}/bring{student.Query}") { Content = new StringContent(body, Encoding.UTF8, "application/json") };
        message.Headers.Add("RequestVerificationToken", TestSchool.TokenIn(await student.Browser.GetStringAsync("/", Stop)));
        return await student.Browser.SendAsync(message, Stop);
    }

    private async Task<List<Card>> CardsAsync(Guid wall)
    {
        List<Card> cards = [];
        await (await _school.Get<RoomHosts>().GetAsync(wall)).LookAsync(r => cards = [.. ((Wall)r).Cards.Values], Stop);
        return cards;
    }
}
