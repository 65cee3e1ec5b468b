using System.Net;
using System.Net.Http.Json;
using System.Text.Json;
using Yardang.Core.Interchange;
using Yardang.Core.Pages;
using Yardang.Core.Rooms;
using Yardang.Core.Walls;
using Yardang.Web.Rooms;
using static Yardang.Web.Tests.Lessons.OnWalls;

namespace Yardang.Web.Tests.Lessons;

/// <summary>Cards that say the same and cards that grew from others: what a teacher is pointed to, what is looked up, and what is put out and brought back.</summary>
public sealed class StacksOnWallsTests : WallLessons
{
    private static readonly WallPlan s_plan = WallPlan.Blank with { Question = Texts.In("en", "Why does it stand?"), Rules = new(SaidAlready: true, BuildsOn: true) };

    [Fact]
    public async Task A_teacher_is_pointed_to_cards_and_a_student_is_not()
    {
        var (lesson, wall) = await HandOutAsync(s_plan);
        var (ben, bens) = await ComeAsync(lesson.Code);
        await SaidAsync(wall);
        var lines = (await Varga.GetFromJsonAsync<JsonElement[]>($"/rooms/{wall}/noticed", Stop))!;
        Assert.Equal(
            ["“ok” hardly says anything.", "“The stones of an arch push against the b…” was taken up: 1 card of somebody else grew from it."],
            lines.Select(l => l.GetProperty("says").GetString()));
        Assert.Equal(HttpStatusCode.NotFound, (await ben.GetAsync($"/rooms/{wall}/noticed?{bens.Split('?')[1]}", Stop)).StatusCode);
        Assert.Equal(HttpStatusCode.NotFound, (await School.Visitor().GetAsync($"/rooms/{wall}/noticed", Stop)).StatusCode);
    }

    [Fact]
    public async Task Every_wording_and_what_grew_from_what_is_in_prints_and_tables_and_comes_back_from_an_archive()
    {
        var (lesson, wall) = await HandOutAsync(s_plan);
        await ComeAsync(lesson.Code);
        await SaidAsync(wall);
        var words = string.Join(' ', Words(await Varga.GetStringAsync($"/lesson/{lesson.Id}/board/{wall}.svg", Stop)).Split((char[]?)null, StringSplitOptions.RemoveEmptyEntries));
        foreach (var said in new[] { "Also in these words:", "Ben: An arch pushes its stones against the banks", "Builds on: The stones of an arch" }) Assert.Contains(said, words, StringComparison.Ordinal);
        var nameless = string.Join(' ', Words(await Varga.GetStringAsync($"/lesson/{lesson.Id}/board/{wall}.svg?names=none", Stop)).Split((char[]?)null, StringSplitOptions.RemoveEmptyEntries));
        Assert.DoesNotContain("Ben", nameless, StringComparison.Ordinal);
        var table = await Varga.GetStringAsync($"/lesson/{lesson.Id}/board/{wall}.csv", Stop);
        Assert.Contains(",Responses,Says the same as,Builds on,", table, StringComparison.Ordinal);

        var file = await Varga.GetByteArrayAsync($"/lesson/{lesson.Id}.yardang.zip", Stop);
        var before = ActivityArchive.Read(file).Work!.Boards.Single().Wall!;
        Assert.Single(before.Cards, c => c.Joined != 0);
        Assert.Single(before.Cards, c => c.Sources.Length == 1);
        var (other, _) = await School.TeacherAsync("Tobi Adeyemi");
        var again = (await TestSchool.ImportAsync(other, file)).Headers.Location!.ToString().Split('/')[^1];
        var after = ActivityArchive.Read(await other.GetByteArrayAsync($"/lesson/{again}.yardang.zip", Stop)).Work!.Boards.Single().Wall!;
        Assert.Equal(JsonSerializer.Serialize(before), JsonSerializer.Serialize(after));
    }

    private async Task<(HttpClient Browser, string Address)> ComeAsync(Core.Lessons.JoinCode code)
    {
        await School.StudentAsync(code, "Maya");
        return await School.StudentAsync(code, "Ben");
    }

    // Ben has joined Maya's card, and built on it.
    private async Task SaidAsync(Guid wall)
    {
        var host = await School.Get<RoomHosts>().GetAsync(wall);
        var mayas = 0L;
        await DoAsync(host, new Actor(2, Role.Student), id => new PutUpCard(mayas = id, 0, "en", "The stones of an arch push against the banks"), id => new PutUpCard(id, 0, "en", "ok"));
        await DoAsync(host, new Actor(3, Role.Student), id => new PutUpCard(id, 0, "en", "An arch pushes its stones against the banks", Onto: mayas), id => new PutUpCard(id, 0, "en", "So it needs strong rock on both sides", From: [mayas]));
    }
}
