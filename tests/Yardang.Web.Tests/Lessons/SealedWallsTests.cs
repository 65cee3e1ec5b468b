using System.Net;
using System.Net.Http.Json;
using System.Text;
using System.Text.Json;
using Microsoft.EntityFrameworkCore;
using Yardang.Core.Interchange;
using Yardang.Core.Judges;
using Yardang.Core.Pages;
using Yardang.Core.Rooms;
using Yardang.Core.Threads;
using Yardang.Core.Walls;
using Yardang.Data.School;
using Yardang.Data.Wire;
using Yardang.Web.Lessons;
using Yardang.Web.Rooms;
using static Yardang.Web.Tests.Lessons.OnWalls;

namespace Yardang.Web.Tests.Lessons;

/// <summary>Names for nobody: whatever a teacher fetches tells no more than what the class was told.</summary>
public sealed class SealedWallsTests : WallLessons
{
    private static readonly WallPlan s_plan = WallPlan.Blank with
    {
        Question = Texts.In("en", "What should be different?"),
        Rules = new(Names: NamesTo.Nobody, Answers: true, Judging: new(JudgingKind.Score, 3), Responses: [new("idea", Texts.None)], Stances: [Texts.In("en", "For"), Texts.In("en", "Against")], SaidAlready: true, BuildsOn: true),
    };

    [Fact]
    public async Task Neither_snapshots_lists_names_exports_nor_archives_tell_a_teacher_who_did_anything()
    {
        var (lesson, wall) = await HandOutAsync(s_plan);
        foreach (var name in new[] { "Maya", "Ben", "Cleo" }) await School.StudentAsync(lesson.Code, name);
        var host = await School.Get<RoomHosts>().GetAsync(wall);
        var mayas = 0L;
        await DoAsync(host, Student(2), id => new PutUpCard(mayas = id, 0, "en", "It is too loud"), _ => new TakeStance(1, 0));
        await DoAsync(host, Student(3), id => new PutUpCard(id, 0, "en", "It is too loud here"));
        await DoAsync(host, Student(4), id => new PutUpCard(id, 0, "en", "Some are laughed at"));
        await host.SubmitAsync(new LetCardsOut(), Actor.Program, Stop);
        long veiled = 0;
        await host.LookAsync(r => veiled = ((Wall)r).Veil.Over(Student(4), mayas), Stop);
        await DoAsync(host, Student(4), _ => new JudgeCard(veiled, 3, "It is so"), _ => new RespondToCard(veiled, "idea", true), id => new GiveAnswer(veiled, id, 0, "en", "Not yet out"), id => new PutUpCard(id, 0, "en", "Not out either"));

        byte[] snapshot = [];
        await host.LookAsync(r => snapshot = SnapshotCodec.Encode(r, Actor.Owner), Stop);
        var copy = new Wall(s_plan) { IsCopy = true };
        Assert.True(SnapshotCodec.Restore(snapshot, copy));
        Assert.Equal(3, copy.Cards.Count);
        Assert.All(copy.Cards.Values, c => Assert.True(c.Author == 0 && c.PutUpAt % 60_000 == 0 && Veil.IsOver(c.Id) && c.Said.IsEmpty && c.Responded.IsEmpty));
        Assert.Empty(copy.Acts);
        Assert.Empty(copy.Judgements.Given);
        Assert.Empty(copy.Stances.All);
        Assert.DoesNotContain(copy.Clients.Values, c => c.Actor is 2 or 3 or 4);
        foreach (var hidden in new[] { "Not yet out", "Not out either", "It is so" }) Assert.DoesNotContain(hidden, Encoding.UTF8.GetString(snapshot), StringComparison.Ordinal);

        Assert.DoesNotContain("Maya", await Varga.GetStringAsync($"/rooms/{wall}/names", Stop), StringComparison.Ordinal);
        Assert.Empty((await Varga.GetFromJsonAsync<string[]>($"/rooms/{wall}/scores", Stop))!);
        Assert.DoesNotContain("Not out", await Varga.GetStringAsync($"/rooms/{wall}/noticed", Stop), StringComparison.Ordinal);
        foreach (var file in new[] { "csv", "svg" })
        {
            var said = await Varga.GetStringAsync($"/lesson/{lesson.Id}/board/{wall}.{file}", Stop);
            Assert.Contains("laughed", said, StringComparison.Ordinal);
            foreach (var name in new[] { "Maya", "Ben", "Cleo", "Not out" }) Assert.DoesNotContain(name, said, StringComparison.Ordinal);
        }

        await School.Get<Projections>().BringUpToDateAsync([wall]);
        await using (var db = await School.Get<IDbContextFactory<SchoolContext>>().CreateDbContextAsync(Stop))
        {
            Assert.Empty(JsonSerializer.Deserialize<Yardang.Core.Boards.BoardSummary>((await db.BoardSummaries.SingleAsync(s => s.BoardId == wall, Stop)).Json, JsonSerializerOptions.Web)!.Acts);
        }

        var archived = await Varga.GetByteArrayAsync($"/lesson/{lesson.Id}.yardang.zip", Stop);
        var before = ActivityArchive.Read(archived).Work!.Boards.Single().Wall!;
        Assert.All(before.Cards, c => Assert.Equal((0, false), (c.Author, c.ByStaff)));
        Assert.Null(before.Shifts);
        var (other, _) = await School.TeacherAsync("Tobi Adeyemi");
        var again = (await TestSchool.ImportAsync(other, archived)).Headers.Location!.ToString().Split('/')[^1];
        var after = ActivityArchive.Read(await other.GetByteArrayAsync($"/lesson/{again}.yardang.zip", Stop)).Work!.Boards.Single().Wall!;
        Assert.Equal(before.Cards.Select(c => (c.Text, c.Author)), after.Cards.Select(c => (c.Text, c.Author)));
    }

    private static Actor Student(int number) => new(number, Role.Student);
}
