using System.Net;
using System.Text.Json;
using SkiaSharp;
using Yardang.Core.Activities;
using Yardang.Core.Attachments;
using Yardang.Core.Interchange;
using Yardang.Core.Lessons;
using Yardang.Core.Pages;
using Yardang.Core.Rooms;
using Yardang.Core.Threads;
using Yardang.Core.Walls;
using Yardang.Data.Media;
using Yardang.Data.School;
using Yardang.Data.Wire;
using Yardang.Web.Lessons;
using Yardang.Web.Rooms;
using Yardang.Web.Shelf;
using static Yardang.Web.Tests.Lessons.OnWalls;

namespace Yardang.Web.Tests.Lessons;

/// <summary>Walls to order: what is given is on every wall from the beginning; prints, tables and archives say where cards stand.</summary>
public sealed class OrderOnWallsTests : WallLessons
{
    private static readonly Actor s_maya = new(2, Role.Student);
    private static readonly Actor s_ben = new(3, Role.Student);

    private string _picture = "";

    public override async ValueTask InitializeAsync()
    {
        await base.InitializeAsync();
        _picture = await School.Get<MediaStore>().KeepAsync(Png(), Stop);
    }

    [Fact]
    public async Task What_is_given_is_on_every_wall_from_the_beginning_with_its_picture()
    {
        var lesson = await HandOutAsync(LinePlan.Blank, Way.OneEach);
        var (maya, address) = await School.StudentAsync(lesson.Code, "Maya");
        var wall = Guid.Parse(new Uri(maya.BaseAddress!, address).AbsolutePath.Split('/')[^1]);
        await (await School.Get<RoomHosts>().GetAsync(wall)).LookAsync(r => Assert.Equal(["An arch", "A rope bridge"], ((Wall)r).Under(WallPlan.Nowhere).Select(c => c.Text)), Stop);
        Assert.Equal(HttpStatusCode.OK, (await maya.GetAsync($"/rooms/{wall}/media/{_picture}?{address.Split('?')[1]}", Stop)).StatusCode);
    }

    [Fact]
    public async Task Prints_and_tables_have_the_order_of_the_class_and_each_students_placement()
    {
        var lesson = await HandOutAsync(LinePlan.Blank);
        var wall = await PlacedAsync(lesson, LineKind.Ends, 10, 90);
        var address = $"/lesson/{lesson.Id}/board/{wall}";
        var svg = await Varga.GetStringAsync($"{address}.svg", Stop);
        foreach (var words in new[] { "1. An arch", "2. A rope bridge", "build it first", "build it last", "20 · 2 people", "same order", "100 times out" }) Assert.Contains(words, Words(svg), StringComparison.Ordinal);
        using var png = SKBitmap.Decode(await Varga.GetByteArrayAsync($"{address}.png", Stop));
        Assert.Contains(png.Pixels, p => p is { Red: > 200, Green: < 30, Blue: < 30 });
        Assert.True((await Varga.GetByteArrayAsync($"{address}.pdf", Stop)).Length > 3_000);

        var table = await Varga.GetStringAsync($"{address}.csv", Stop);
        Assert.Contains(",Maya,,,placement,,,,,,,,,,,,,,10", table, StringComparison.Ordinal);
        Assert.Contains(",Ben,,,placement,,,,,,,,,,,,,,30", table, StringComparison.Ordinal);
        Assert.DoesNotContain("1970", table, StringComparison.Ordinal);
        var (maya, mayas) = await School.StudentAsync(lesson.Code, "Cleo");
        Assert.Equal(HttpStatusCode.NotFound, (await maya.GetAsync($"{address}.csv?{mayas.Split('?')[1]}", Stop)).StatusCode);
    }

    [Fact]
    public async Task Without_names_nobody_is_named_in_prints_and_tables()
    {
        var lesson = await HandOutAsync(LinePlan.Blank);
        var wall = await PlacedAsync(lesson, LineKind.Ends, 10, 90);
        var host = await School.Get<RoomHosts>().GetAsync(wall);
        await DoAsync(host, Actor.Owner, _ => new SetPlan(Plan(LinePlan.Blank) with { Rules = new(Answers: true) }), id => new PutUpCard(id, 0, "en", "Said in class", For: s_ben.Number));
        foreach (var purpose in new[] { Purpose.Order, Purpose.Sort, Purpose.Ask, Purpose.Visit })
        {
            await DoAsync(host, Actor.Owner, _ => new SetPlan(Plan(LinePlan.Blank) with { Purpose = purpose, Rules = new(Answers: true) }), id => new GiveAnswer(1, id, 0, "en", "Why there?"));
            await DoAsync(host, s_maya, id => new GiveAnswer(1, id, 0, "en", "It is strong"));
            foreach (var format in new[] { "svg", "csv" })
            {
                var address = $"/lesson/{lesson.Id}/board/{wall}.{format}";
                var named = await Varga.GetStringAsync(address, Stop);
                var nameless = await Varga.GetStringAsync($"{address}?names=none", Stop);
                Assert.Contains("Maya", named, StringComparison.Ordinal);
                Assert.Contains("It is strong", nameless, StringComparison.Ordinal);
                Assert.All(["Maya", "Ben"], name => Assert.DoesNotContain(name, nameless, StringComparison.Ordinal));
            }
        }
    }

    [Theory]
    [InlineData(LineKind.Years, 1700, 2000, 1779, "1779")]
    [InlineData(LineKind.Days, 0, 20_000, 1, "1970-01-02")]
    [InlineData(LineKind.Ladder, 1, 5, 3, "Rung 3")]
    [InlineData(LineKind.Field, 0, 100, 30, "30 across, 40 up")]
    public async Task Every_kind_of_line_goes_out(LineKind kind, int from, int to, double at, string said)
    {
        var lesson = await HandOutAsync(new(kind, Texts.In("en", "build it first"), Texts.None, from, to, Together: true, High: Texts.In("en", "costs much")));
        await School.StudentAsync(lesson.Code, "Maya");
        var wall = await School.TogetherAsync(lesson);
        await DoAsync(await School.Get<RoomHosts>().GetAsync(wall), s_maya, new PlaceCard(1, new(kind, at, kind == LineKind.Field ? 40 : 0)));
        var address = $"/lesson/{lesson.Id}/board/{wall}";
        var svg = Words(await Varga.GetStringAsync($"{address}.svg", Stop));
        foreach (var words in new[] { "1. An arch", said, "build it first" }) Assert.Contains(words, svg, StringComparison.Ordinal);
        Assert.Equal(kind == LineKind.Field, svg.Contains("costs much", StringComparison.Ordinal));
        Assert.Contains(said, await Varga.GetStringAsync($"{address}.csv", Stop), StringComparison.Ordinal);
        Assert.True((await Varga.GetByteArrayAsync($"{address}.pdf", Stop)).Length > 3_000);
    }

    [Fact]
    public async Task An_activity_and_a_lesson_come_back_from_their_archives_with_the_line_what_is_given_and_the_order_of_the_class()
    {
        var lesson = await HandOutAsync(LinePlan.Blank);
        await PlacedAsync(lesson, LineKind.Ends, 10, 90);
        var (other, _) = await School.TeacherAsync("Tobi Adeyemi");
        foreach (var address in new[] { $"/activity/{lesson.ActivityId}.yardang.zip", $"/lesson/{lesson.Id}.yardang.zip" })
        {
            var archived = ActivityArchive.Read(await Varga.GetByteArrayAsync(address, Stop));
            using var answer = await TestSchool.ImportAsync(other, await Varga.GetByteArrayAsync(address, Stop));
            Assert.Equal(HttpStatusCode.Redirect, answer.StatusCode);
            var to = answer.Headers.Location!.ToString();
            var again = Guid.Parse(to.Split('/')[^1]);
            var back = ActivityArchive.Read(await other.GetByteArrayAsync(to.Contains("/lesson/", StringComparison.Ordinal) ? $"/lesson/{again}.yardang.zip" : $"/activity/{again}.yardang.zip", Stop));
            Assert.Equal(JsonSerializer.Serialize(archived.Activity.Steps[0].Wall), JsonSerializer.Serialize(back.Activity.Steps[0].Wall));
            Assert.Equal(archived.Work?.Boards[0].Wall!.Order, back.Work?.Boards[0].Wall!.Order);
            Assert.Equal(archived.Work?.Boards[0].Wall!.Cards.Length, back.Work?.Boards[0].Wall!.Cards.Length);
        }

        Assert.Equal(2, ActivityArchive.Read(await Varga.GetByteArrayAsync($"/lesson/{lesson.Id}.yardang.zip", Stop)).Work!.Boards[0].Wall!.Order!.People);
    }

    [Fact]
    public async Task Placements_and_what_is_shown_of_them_outlive_a_restart_and_a_classmates_do_not_reach_a_student()
    {
        var lesson = await HandOutAsync(LinePlan.Blank);
        var wall = await PlacedAsync(lesson, LineKind.Ends, 10, 90);
        var host = await School.Get<RoomHosts>().GetAsync(wall);
        await DoAsync(host, Actor.Owner, new ShowOrder(true));
        byte[] before = [], mayas = [];
        await host.LookAsync(r => (before, mayas) = (SnapshotCodec.Encode(r, Actor.Owner), SnapshotCodec.Encode(r, s_maya)), Stop);
        Wall copy = new(Plan(LinePlan.Blank)), hers = new(Plan(LinePlan.Blank));
        Assert.True(SnapshotCodec.Restore(before, copy));
        Assert.Equal(before, SnapshotCodec.Encode(copy, Actor.Owner));
        Assert.Equal(2, copy.Placements.Shown!.People);
        Assert.True(SnapshotCodec.Restore(mayas, hers));
        Assert.All(hers.Placements.Own, p => Assert.Equal(s_maya.Number, p.Person));
    }

    private WallPlan Plan(LinePlan line) => WallPlan.Blank with
    {
        Purpose = Purpose.Order,
        Question = Texts.In("en", "Which bridge first?"),
        Rules = new(OnlyGiven: true),
        Line = line.Kind == LineKind.Ends ? line with { Start = Texts.In("en", "build it first"), End = Texts.In("en", "build it last") } : line,
        GivenCards = [new(1, WallPlan.Nowhere, Texts.In("en", "An arch"), [new PictureAttachment(_picture, 60, 40, "One arch")]), new(2, WallPlan.Nowhere, Texts.In("en", "A rope bridge").With("es", "Un puente de cuerda"))],
    };

    private async Task<LessonRecord> HandOutAsync(LinePlan line, Way way = Way.AllTogether)
    {
        var activity = await School.Get<ActivityMaking>().CreateAsync(Teacher, ActivityContent.BlankWall("en", "Which bridge first?") with { Parts = [new Part(1, PartKind.Wall, Plan(line))] });
        return await School.Get<Handing>().HandOutAsync(activity, new HandOutOrder("7 Amber", Way: way), "en");
    }

    // Maya has the arch there, Ben 20 further on; both have the rope bridge at the end.
    private async Task<Guid> PlacedAsync(LessonRecord lesson, LineKind kind, double arch, double rope)
    {
        foreach (var name in new[] { "Maya", "Ben" }) await School.StudentAsync(lesson.Code, name);
        var wall = await School.TogetherAsync(lesson);
        var host = await School.Get<RoomHosts>().GetAsync(wall);
        await DoAsync(host, s_maya, new PlaceCard(1, new(kind, arch)), new PlaceCard(2, new(kind, rope)));
        await DoAsync(host, s_ben, new PlaceCard(1, new(kind, arch + 20)), new PlaceCard(2, new(kind, rope)));
        return wall;
    }
}
