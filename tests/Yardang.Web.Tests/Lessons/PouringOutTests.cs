using System.Net;
using Microsoft.EntityFrameworkCore;
using Yardang.Core.Activities;
using Yardang.Core.Lessons;
using Yardang.Core.Pages;
using Yardang.Core.Rooms;
using Yardang.Core.Walls;
using Yardang.Data.School;
using Yardang.Web.Lessons;
using Yardang.Web.Rooms;
using Yardang.Web.Shelf;
using static Yardang.Web.Tests.Lessons.OnWalls;

namespace Yardang.Web.Tests.Lessons;

/// <summary>The cards of everybody's wall are poured out to groups, which sort them; then the most disputed ones are seen first.</summary>
public sealed class PouringOutTests : WallLessons
{
    private const int Groups = 2;

    private static readonly WallPlan s_sorted = WallPlan.Blank with { Topics = [new(11, Texts.In("en", "Stone"), Texts.None, 1), new(12, Texts.In("en", "Steel"), Texts.None, 2)] };

    private LessonRecord _lesson = null!;
    private RoomHost _wall = null!;
    private string _pour = "";

    public override async ValueTask InitializeAsync()
    {
        await base.InitializeAsync();
        var content = ActivityContent.BlankWall("en", "Bridges") with
        {
            Parts = [new Part(1, PartKind.Wall, WallPlan.Blank, Texts.In("en", "Ideas"), Way.AllTogether), new Part(Groups, PartKind.Wall, s_sorted, Texts.In("en", "Sorting"), Way.ByGroup)],
        };
        _lesson = await School.Get<Handing>().HandOutAsync(await School.Get<ActivityMaking>().CreateAsync(Teacher, content), new HandOutOrder("7 Amber"), "en");
        foreach (var name in new[] { "Maya", "Ben", "Cleo" }) await School.StudentAsync(_lesson.Code, name);
        var lesson = await School.Get<RoomHosts>().GetAsync(_lesson.Id);
        await lesson.SubmitAsync(new SetGroups([new Group(1, "Arches", [2]), new Group(2, "Beams", [3]), new Group(3, "Cables", [4])], 0), Actor.Program, Stop);
        var wall = await School.TogetherAsync(_lesson);
        _wall = await School.Get<RoomHosts>().GetAsync(wall);
        _pour = $"/lesson/{_lesson.Id}/pour/{wall}";
        foreach (var (number, words) in new[] { (2, "Arches push"), (3, "Cables pull"), (4, "Beams bend"), (4, "Rivets hold") }) await DoAsync(_wall, Student(number), id => new PutUpCard(id, 0, "en", words));
    }

    [Fact]
    public async Task All_go_to_each_group_without_who_wrote_them_and_what_is_there_does_not_come_again()
    {
        Assert.Contains("4 cards have come onto", await PourAsync(share: true), StringComparison.Ordinal);
        Assert.Equal([1, 1, 2], (await SharesAsync()).Order());
        Assert.Contains("8 cards have come onto 3 walls.", await PourAsync(), StringComparison.Ordinal);
        await DoAsync(_wall, Student(2), id => new PutUpCard(id, 0, "en", "Trusses share"));
        Assert.Contains("3 cards have come onto 3 walls.", await PourAsync(), StringComparison.Ordinal);
        Assert.Contains("All of these cards are on those walls already.", await PourAsync(), StringComparison.Ordinal);
        foreach (var host in await GroupWallsAsync())
        {
            await host.LookAsync(
                r =>
                {
                    var wall = (Wall)r;
                    Assert.Equal(["Arches push", "Beams bend", "Cables pull", "Rivets hold", "Trusses share"], wall.Cards.Values.Select(c => c.Text).Order(StringComparer.Ordinal));
                    Assert.All(wall.Cards.Values, c => Assert.True(c is { ByStaff: true, Author: 1, Topic: 0 }));
                    Assert.True(wall.Plan.Rules.AnyMoves);
                },
                Stop);
        }
    }

    [Fact]
    public async Task Groups_sort_them_and_the_teacher_sees_the_most_disputed_first()
    {
        await PourAsync();
        var walls = await GroupWallsAsync();
        for (var i = 0; i < walls.Count; i++)
        {
            var cards = new Dictionary<string, long>(StringComparer.Ordinal);
            await walls[i].LookAsync(r => cards = ((Wall)r).Cards.Values.ToDictionary(c => c.Text, c => c.Id, StringComparer.Ordinal), Stop);
            Func<long, Command>[] moves = [_ => new MoveCard(cards["Arches push"], 11, 1), _ => new MoveCard(cards["Cables pull"], i == 0 ? 11 : 12, 2), _ => new MoveCard(cards["Rivets hold"], i == 0 ? 12 : 11, 3)];
            await DoAsync(walls[i], Student(2 + i), i == 2 ? moves[..2] : moves);
        }

        var page = WebUtility.HtmlDecode(await Varga.GetStringAsync($"/lesson/{_lesson.Id}/compare/{Groups}", Stop));
        string[] inOrder = ["Rivets hold", "Cables pull", "Arches push", "Beams bend"];
        Assert.Equal(inOrder, inOrder.OrderBy(w => page.IndexOf(w, StringComparison.Ordinal)));
        foreach (var said in new[] { "0 % agree", "33 % agree", "100 % agree", "Fewer than two have sorted it.", "Two of them agree on 44 % of the cards that both sorted", ">Arches</a>" }) Assert.Contains(said, page, StringComparison.Ordinal);
    }

    [Fact]
    public async Task Only_who_runs_the_lesson_pours_and_only_what_the_class_may_know()
    {
        var (student, _) = await School.StudentAsync(_lesson.Code, "Dov");
        var (other, _) = await School.TeacherAsync("Tobi Adeyemi");
        foreach (var browser in new[] { student, other, School.Visitor() })
        {
            Assert.NotEqual(HttpStatusCode.OK, (await TestSchool.PostAsync(browser, "/", new() { ["part"] = $"{Groups}" }, _pour)).StatusCode);
            Assert.NotEqual(HttpStatusCode.OK, (await browser.GetAsync($"/lesson/{_lesson.Id}/compare/{Groups}", Stop)).StatusCode);
        }

        Assert.DoesNotContain("have come onto", await PourAsync(part: 1), StringComparison.Ordinal);
        Assert.DoesNotContain("have come onto", await PourAsync(part: 9), StringComparison.Ordinal);
        Assert.Equal(HttpStatusCode.NotFound, (await Varga.GetAsync($"/lesson/{_lesson.Id}/compare/1", Stop)).StatusCode);
        Assert.Equal(HttpStatusCode.NotFound, (await Varga.GetAsync($"/lesson/{_lesson.Id}/pour/{_lesson.Id}", Stop)).StatusCode);
        await DoAsync(_wall, Actor.Owner, new SetPlan(WallPlan.Blank with { Rules = new(OwnFirst: true) }));
        Assert.Contains("Each student sees only their own cards on this wall.", await Varga.GetStringAsync(_pour, Stop), StringComparison.Ordinal);
        Assert.DoesNotContain("have come onto", await PourAsync(), StringComparison.Ordinal);
    }

    private static Actor Student(int number) => new(number, Role.Student);

    private async Task<string> PourAsync(bool share = false, int part = Groups)
    {
        using var answer = await TestSchool.PostAsync(Varga, _pour, new() { ["part"] = $"{part}", ["share"] = share ? "true" : "false" }, _pour);
        return WebUtility.HtmlDecode(await answer.Content.ReadAsStringAsync(Stop));
    }

    private async Task<List<RoomHost>> GroupWallsAsync()
    {
        await using var db = await School.Get<IDbContextFactory<SchoolContext>>().CreateDbContextAsync(Stop);
        var rooms = await db.RoomsOf(_lesson.Id).Where(r => r.Part == Groups && r.Whose == Whose.Group).OrderBy(r => r.Number).Select(r => r.Id).ToListAsync(Stop);
        var walls = new List<RoomHost>();
        foreach (var room in rooms) walls.Add(await School.Get<RoomHosts>().GetAsync(room));
        return walls;
    }

    private async Task<List<int>> SharesAsync()
    {
        var shares = new List<int>();
        foreach (var wall in await GroupWallsAsync()) await wall.LookAsync(r => shares.Add(((Wall)r).Cards.Count), Stop);
        return shares;
    }
}
