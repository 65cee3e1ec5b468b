using System.Net;
using System.Text.Json;
using Yardang.Core.Activities;
using Yardang.Core.Attachments;
using Yardang.Core.Interchange;
using Yardang.Core.Lessons;
using Yardang.Core.Pages;
using Yardang.Core.Rooms;
using Yardang.Core.Walls;
using Yardang.Data.Media;
using Yardang.Data.School;
using Yardang.Data.Wire;
using Yardang.Web.Lessons;
using Yardang.Web.Rooms;
using Yardang.Web.Shelf;
using static Yardang.Web.Tests.Lessons.OnWalls;

namespace Yardang.Web.Tests.Lessons;

/// <summary>Walls to connect: prints, tables and archives have the field with its links, and nobody gets what is not theirs to see.</summary>
public sealed class ConnectOnWallsTests : WallLessons
{
    private static readonly Actor s_maya = new(2, Role.Student);
    private static readonly Actor s_ben = new(3, Role.Student);

    [Fact]
    public async Task Prints_and_tables_have_the_field_the_links_as_sentences_and_what_they_say_together()
    {
        var (lesson, wall) = await LinkedAsync(Plan());
        var address = $"/lesson/{lesson.Id}/board/{wall}";
        var svg = Words(await Varga.GetStringAsync($"{address}.svg", Stop));
        foreach (var words in new[] { "Load", "pushes on", "leans on", "Arch" }) Assert.Contains(words, svg, StringComparison.Ordinal);
        Assert.True((await Varga.GetByteArrayAsync($"{address}.pdf", Stop)).Length > 3_000);
        Assert.True((await Varga.GetByteArrayAsync($"{address}.png", Stop)).Length > 3_000);

        var table = await Varga.GetStringAsync($"{address}.csv", Stop);
        Assert.Contains(",Load,Maya,,,up,,,,,,,,,,,,,,,pushes on,Deck", table, StringComparison.Ordinal);
        Assert.Contains(",Arch,Ben,,,up,,,,,,,,,,,,,,,leans on,Deck", table, StringComparison.Ordinal);
        var (cleo, cleos) = await School.StudentAsync(lesson.Code, "Cleo");
        Assert.Equal(HttpStatusCode.NotFound, (await cleo.GetAsync($"{address}.csv?{cleos.Split('?')[1]}", Stop)).StatusCode);

        foreach (var format in new[] { "svg", "csv" })
        {
            var nameless = await Varga.GetStringAsync($"{address}.{format}?names=none", Stop);
            Assert.Contains("leans on", Words(nameless), StringComparison.Ordinal);
            Assert.All(["Maya", "Ben"], name => Assert.DoesNotContain(name, nameless, StringComparison.Ordinal));
        }
    }

    [Theory]
    [InlineData(0)]
    [InlineData(1)]
    [InlineData(300)]
    public async Task A_field_of_any_size_goes_out(int cards)
    {
        var (lesson, wall) = await HandOutAsync(Plan() with { GivenCards = null });
        var host = await School.Get<RoomHosts>().GetAsync(wall);
        var ids = new List<long>();
        long Next(long id)
        {
            ids.Add(id);
            return id;
        }

        var ideas = Enumerable.Range(0, cards).Select(i => (Func<long, Command>)(id => new PutUpCard(Next(id), 0, "en", $"idea {i} of a load on its way", Beside: ids.Count > 1 ? ids[^2] : 0)));
        await DoAsync(host, Actor.Owner, [.. ideas, .. Enumerable.Range(1, Math.Max(0, cards - 1)).Select(i => (Func<long, Command>)(id => new LinkCards(id, ids[i - 1], ids[i], 1, "", "")))]);
        foreach (var format in new[] { "pdf", "svg", "png" })
        {
            using var answer = await Varga.GetAsync($"/lesson/{lesson.Id}/board/{wall}.{format}", Stop);
            Assert.Equal(HttpStatusCode.OK, answer.StatusCode);
        }
    }

    [Fact]
    public async Task An_activity_and_a_lesson_come_back_from_their_archives_with_field_places_and_links()
    {
        var (lesson, wall) = await LinkedAsync(Plan());
        await DoAsync(await School.Get<RoomHosts>().GetAsync(wall), s_maya, id => new PutUpCard(id, 0, "en", "Pier", Spot: new(-700, 300)));
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
            Assert.Equal(JsonSerializer.Serialize(archived.Work?.Boards[0].Wall!.Links), JsonSerializer.Serialize(back.Work?.Boards[0].Wall!.Links));
            Assert.Equal(JsonSerializer.Serialize(archived.Work?.Boards[0].Wall!.Cards), JsonSerializer.Serialize(back.Work?.Boards[0].Wall!.Cards));
            if (archived.Work is not null) Assert.Equal((3, new FieldSpot(-700, 300)), (back.Work!.Boards[0].Wall!.Links!.Value.Length, back.Work.Boards[0].Wall!.Cards.Single(c => c.Text == "Pier").Spot));
        }
    }

    [Fact]
    public async Task An_archive_with_links_that_cannot_be_changes_nothing_and_says_why()
    {
        var (lesson, _) = await LinkedAsync(Plan());
        var read = ActivityArchive.Read(await Varga.GetByteArrayAsync($"/lesson/{lesson.Id}.yardang.zip", Stop));
        var wall = read.Work!.Boards[0].Wall!;
        var link = wall.Links!.Value[0];
        Link[] wrong = [link with { To = 999 }, link with { To = link.From }, link with { Text = new string('x', 61), Word = 0 }, link with { Text = "two\nlines", Word = 0 }, link with { Author = 77, ByStaff = false }, link with { Id = 0 }, link with { DownBy = 2 }];
        foreach (var other in wrong)
        {
            var work = read.Work with { Boards = [read.Work.Boards[0] with { Wall = wall with { Links = [other] } }] };
            Assert.NotNull(WorkRules.FaultIn(work));
        }

        Assert.Null(WorkRules.FaultIn(read.Work));
        Assert.NotNull(WorkRules.FaultIn(read.Work with { Boards = [read.Work.Boards[0] with { Wall = wall with { Cards = [wall.Cards[0] with { Spot = new(50_000, 0) }, .. wall.Cards[1..]] } }] }));
    }

    [Fact]
    public async Task Links_outlive_a_restart_and_while_each_sees_only_their_own_a_classmates_do_not_reach_a_student()
    {
        var (_, wall) = await LinkedAsync(Plan() with { Rules = new(OwnFirst: true) });
        var host = await School.Get<RoomHosts>().GetAsync(wall);
        byte[] before = [], mayas = [];
        await host.LookAsync(r => (before, mayas) = (SnapshotCodec.Encode(r, Actor.Owner), SnapshotCodec.Encode(r, s_maya)), Stop);
        Wall copy = new(Plan()), hers = new(Plan());
        Assert.True(SnapshotCodec.Restore(before, copy));
        Assert.Equal(before, SnapshotCodec.Encode(copy, Actor.Owner));
        Assert.Equal(3, copy.Links.All.Count);
        Assert.True(SnapshotCodec.Restore(mayas, hers));
        Assert.All(hers.Links.All.Values, l => Assert.Equal(s_maya.Number, l.Author));
        Assert.DoesNotContain("leans on"u8.ToArray(), mayas);
    }

    [Fact]
    public async Task The_picture_beneath_is_given_to_those_on_the_wall()
    {
        var picture = await School.Get<MediaStore>().KeepAsync(Png(), Stop);
        var (lesson, wall) = await HandOutAsync(Plan() with { Field = Plan().Field! with { Picture = new MapPicture(picture, 40, 30, "the brook") } });
        var (maya, mayas) = await School.StudentAsync(lesson.Code, "Maya");
        Assert.Equal(HttpStatusCode.OK, (await maya.GetAsync($"/rooms/{wall}/media/{picture}?{mayas.Split('?')[1]}", Stop)).StatusCode);
        Assert.Contains("<image", await Varga.GetStringAsync($"/lesson/{lesson.Id}/board/{wall}.svg", Stop), StringComparison.Ordinal);
    }

    private static WallPlan Plan() => new(
        Purpose.Connect, Texts.In("en", "How does a load get to the ground?"), [], WallRules.Free,
        GivenCards: [new(1, 0, Texts.In("en", "Load")), new(2, 0, Texts.In("en", "Deck"))], Field: new([new(1, Texts.In("en", "pushes on"))]));

    // Maya: Load pushes on Deck, Arch pushes on Load. Ben: Arch, which leans on Deck.
    private async Task<(LessonRecord Lesson, Guid Wall)> LinkedAsync(WallPlan plan)
    {
        var (lesson, wall) = await HandOutAsync(plan);
        foreach (var name in new[] { "Maya", "Ben" }) await School.StudentAsync(lesson.Code, name);
        var host = await School.Get<RoomHosts>().GetAsync(wall);
        var arch = 0L;
        await DoAsync(host, s_ben, id => new PutUpCard(arch = id, 0, "en", "Arch", Beside: 2), id => new LinkCards(id, arch, 2, 0, "en", "leans on"));
        await DoAsync(host, s_maya, id => new LinkCards(id, 1, 2, 1, "", ""), id => new LinkCards(id, 2, 1, 0, "en", "carries"));
        return (lesson, wall);
    }
}
