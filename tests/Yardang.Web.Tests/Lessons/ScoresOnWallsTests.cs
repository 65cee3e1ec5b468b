using System.Net;
using System.Net.Http.Json;
using System.Text.Json;
using Yardang.Core.Interchange;
using Yardang.Core.Judges;
using Yardang.Core.Pages;
using Yardang.Core.Rooms;
using Yardang.Core.Walls;
using Yardang.Web.Rooms;
using static Yardang.Web.Tests.Lessons.OnWalls;

namespace Yardang.Web.Tests.Lessons;

/// <summary>Points and stamps on a wall: what a teacher may want to look at, and what is put out and brought back.</summary>
public sealed class ScoresOnWallsTests : WallLessons
{
    private static readonly WallPlan s_plan = WallPlan.Blank with
    {
        Question = Texts.In("en", "Why does it stand?"),
        Rules = new(Judging: new(JudgingKind.Score, 3, new(Texts.In("en", "It says why."), 4, Wanted.May, Wanted.May)), Responses: [new("idea", Texts.In("en", "New to me"))]),
    };

    [Fact]
    public async Task A_teacher_is_told_what_to_look_at_by_name_and_a_student_nothing()
    {
        var (lesson, wall) = await HandOutAsync(s_plan);
        foreach (var name in new[] { "Maya", "Ben", "Cleo", "Dov" }) await School.StudentAsync(lesson.Code, name);
        var (ella, ellas) = await School.StudentAsync(lesson.Code, "Ella");
        await ScoredAsync(wall);
        var sentences = (await Varga.GetFromJsonAsync<string[]>($"/rooms/{wall}/scores", Stop))!;
        Assert.Contains("Maya and Ben gave each other the highest score; others scored both lower.", sentences);
        Assert.Contains("Maya gave 4 to “Cables pull”; the others gave 1 on the whole.", sentences);
        Assert.Equal(HttpStatusCode.NotFound, (await ella.GetAsync($"/rooms/{wall}/scores?{ellas.Split('?')[1]}", Stop)).StatusCode);
        Assert.Equal(HttpStatusCode.NotFound, (await School.Visitor().GetAsync($"/rooms/{wall}/scores", Stop)).StatusCode);
    }

    [Fact]
    public async Task Points_reasons_and_responses_are_in_prints_and_tables_and_come_back_from_an_archive_without_who_said_it()
    {
        var (lesson, wall) = await HandOutAsync(s_plan);
        foreach (var name in new[] { "Maya", "Ben", "Cleo", "Dov" }) await School.StudentAsync(lesson.Code, name);
        await ScoredAsync(wall);
        await DoAsync(await School.Get<RoomHosts>().GetAsync(wall), Actor.Owner, new ShowResults());
        var words = string.Join(' ', Words(await Varga.GetStringAsync($"/lesson/{lesson.Id}/board/{wall}.svg", Stop)).Split((char[]?)null, StringSplitOptions.RemoveEmptyEntries));
        foreach (var said in new[] { "2 of 4 on the whole, 3 scores", "It says where", "New to me: 1" }) Assert.Contains(said, words, StringComparison.Ordinal);
        var table = await Varga.GetStringAsync($"/lesson/{lesson.Id}/board/{wall}.csv", Stop);
        Assert.Contains("Points, mean,\"Points, evened out\",Moved,Responses", table.Replace("\"Points, mean\"", "Points, mean", StringComparison.Ordinal), StringComparison.Ordinal);
        Assert.Contains(",New to me: 1,", table, StringComparison.Ordinal);

        var file = await Varga.GetByteArrayAsync($"/lesson/{lesson.Id}.yardang.zip", Stop);
        var before = ActivityArchive.Read(file).Work!.Boards.Single().Wall!;
        Assert.Contains(before.Results!.Value, r => r.Reasons?.Contains(new ScoreReason(4, "It says where", "arches")) == true);
        Assert.Equal("idea", before.Cards.Single(c => c.Text == "Cables pull").Responded.Single().Stamp);
        var (other, _) = await School.TeacherAsync("Tobi Adeyemi");
        var again = (await TestSchool.ImportAsync(other, file)).Headers.Location!.ToString().Split('/')[^1];
        var after = ActivityArchive.Read(await other.GetByteArrayAsync($"/lesson/{again}.yardang.zip", Stop)).Work!.Boards.Single().Wall!;
        Assert.Equal(JsonSerializer.Serialize(before), JsonSerializer.Serialize(after));
    }

    // Maya and Ben praise each other; Cleo and Dov are of another mind.
    private async Task ScoredAsync(Guid wall)
    {
        var host = await School.Get<RoomHosts>().GetAsync(wall);
        Actor Student(int number) => new(number, Role.Student);
        var (mayas, bens) = (0L, 0L);
        await DoAsync(host, Student(2), id => new PutUpCard(mayas = id, 0, "en", "Its arches push"));
        await DoAsync(host, Student(3), id => new PutUpCard(bens = id, 0, "en", "Cables pull"), _ => new JudgeCard(mayas, 4, "It says where", "arches"));
        await DoAsync(host, Student(2), _ => new JudgeCard(bens, 4), _ => new RespondToCard(bens, "idea", true));
        foreach (var number in new[] { 4, 5, 6 }) await DoAsync(host, Student(number), _ => new JudgeCard(bens, 1));
        foreach (var number in new[] { 4, 5 }) await DoAsync(host, Student(number), _ => new JudgeCard(mayas, 1));
    }
}
