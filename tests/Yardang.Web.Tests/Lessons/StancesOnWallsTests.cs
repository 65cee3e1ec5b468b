using System.Text.Json;
using Yardang.Core.Interchange;
using Yardang.Core.Pages;
using Yardang.Core.Rooms;
using Yardang.Core.Walls;
using Yardang.Web.Rooms;
using static Yardang.Web.Tests.Lessons.OnWalls;

namespace Yardang.Web.Tests.Lessons;

/// <summary>Where students stand: what is put out of it, and brought back.</summary>
public sealed class StancesOnWallsTests : WallLessons
{
    private static readonly WallPlan s_plan = WallPlan.Blank with
    {
        Question = Texts.In("en", "Should it be pulled down?"),
        Rules = new(Stances: [Texts.In("en", "Pull it down"), Texts.In("en", "Mend it")]),
    };

    [Fact]
    public async Task Who_moved_where_is_in_prints_tables_and_archives_in_numbers_and_nobodys_name_is_with_it()
    {
        var (lesson, wall) = await HandOutAsync(s_plan);
        foreach (var name in new[] { "Maya", "Ben", "Cleo" }) await School.StudentAsync(lesson.Code, name);
        var host = await School.Get<RoomHosts>().GetAsync(wall);
        var mayas = 0L;
        await DoAsync(host, Student(2), id => new PutUpCard(mayas = id, 0, "en", "Its stones are old"), _ => new TakeStance(2, 0));
        foreach (var number in new[] { 3, 4 }) await DoAsync(host, Student(number), _ => new TakeStance(1, 0));
        await DoAsync(host, Actor.Owner, new SteerStances(StanceStage.Again));
        await DoAsync(host, Student(2), _ => new TakeStance(2, 0));
        foreach (var number in new[] { 3, 4 }) await DoAsync(host, Student(number), _ => new TakeStance(2, mayas));

        var words = string.Join(' ', Words(await Varga.GetStringAsync($"/lesson/{lesson.Id}/board/{wall}.svg", Stop)).Split((char[]?)null, StringSplitOptions.RemoveEmptyEntries));
        foreach (var said in new[] { "Pull it down: 2 at first, 0 now (−2)", "Mend it: 1 at first, 3 now (+2)", "From “Pull it down” to “Mend it”: 2", "Moved 2 people: Its stones are old" }) Assert.Contains(said, words, StringComparison.Ordinal);
        var table = (await Varga.GetStringAsync($"/lesson/{lesson.Id}/board/{wall}.csv", Stop)).Split('\n');
        var columns = table[0].Split(',');
        Assert.Equal("2", table[1].Split(',')[Array.IndexOf(columns, "Moved") - 2]);

        var file = await Varga.GetByteArrayAsync($"/lesson/{lesson.Id}.yardang.zip", Stop);
        var before = ActivityArchive.Read(file).Work!.Boards.Single().Wall!;
        Assert.Equal(new StanceShifts([0, 2, 0, 1], [new(before.Cards.Single().Id, 2)]), before.Shifts);
        var (other, _) = await School.TeacherAsync("Tobi Adeyemi");
        var again = (await TestSchool.ImportAsync(other, file)).Headers.Location!.ToString().Split('/')[^1];
        var after = ActivityArchive.Read(await other.GetByteArrayAsync($"/lesson/{again}.yardang.zip", Stop)).Work!.Boards.Single().Wall!;
        Assert.Equal(JsonSerializer.Serialize(before), JsonSerializer.Serialize(after));
    }

    private static Actor Student(int number) => new(number, Role.Student);
}
