using System.Net;
using System.Text;
using System.Text.Json;
using Yardang.Core.Activities;
using Yardang.Core.Lessons;
using Yardang.Core.Pages;
using Yardang.Core.Rooms;
using Yardang.Core.Walls;
using Yardang.Rendering;
using Yardang.Web.BigScreen;
using Yardang.Web.Exports;
using Yardang.Web.Lessons;
using Yardang.Web.Rooms;
using static Yardang.Web.Tests.Lessons.OnWalls;

namespace Yardang.Web.Tests.Lessons;

/// <summary>The window for the projector: whoever has its key, and whatever is shown there, no name travels to it.</summary>
public sealed class BigScreenTests : WallLessons
{
    private static readonly WallPlan s_plan = WallPlan.Blank with { Question = Texts.In("en", "Why does it stand?") };
    private static readonly string[] s_names = ["Zebulon Quist", "Petronella Fane"];

    [Fact]
    public async Task Whatever_a_class_does_and_a_teacher_shows_no_name_travels_to_the_screen()
    {
        var (lesson, wall) = await HandOutAsync(s_plan);
        Actor[] people = [new(2, Role.Student), new(3, Role.Student)];
        foreach (var name in s_names) (await School.StudentAsync(lesson.Code, name)).Browser.Dispose();

        var hosts = School.Get<RoomHosts>();
        var (run, host) = (await hosts.GetAsync(lesson.Id), await hosts.GetAsync(wall));
        foreach (var actor in people) await DoAsync(host, actor, id => new PutUpCard(id, WallPlan.Nowhere, "en", $"Because of the arch {actor.Number}"));
        await DoAsync(run, Actor.Owner, new SetGroups([new(1, "Quist and Fane", [2, 3])], 0), new PoseQuestion("Which?", ReplyForm.Choice, ["arch", "beam"]));
        await DoAsync(run, people[0], new GiveSignal(2, Signal.HandUp, true, Words: "I am Zebulon Quist"), new GiveReport(Report.Stuck), new GiveReply(1, 1, ""));
        await DoAsync(run, Actor.Owner, new CallClass([2], "Zebulon Quist, come here", null, false), new HoldPens([3], true, 5), new BeginPhase(new(PhaseKind.Think, "Think now", 5, false, 0)));
        using var stranger = School.Visitor();
        var address = $"/screen/{School.Get<ScreenKeys>().Of(lesson.Id)}";
        foreach (var kind in Enum.GetValues<ScreenKind>())
        {
            await DoAsync(run, Actor.Owner, new ShowOnScreen(new(kind, kind == ScreenKind.Works ? [wall] : [], 0, WithClock: true, Frozen: false)));
            var said = await stranger.GetStringAsync($"{address}/now", Stop);
            AssertNameless(said);
            AssertNameless(await stranger.GetStringAsync(address, Stop));
            foreach (var work in JsonDocument.Parse(said).RootElement.GetProperty("works").EnumerateArray())
            {
                Assert.Equal("image/png", (await stranger.GetAsync($"{address}/work/{work.GetProperty("mask").GetInt32()}.png", Stop)).Content.Headers.ContentType!.MediaType);
                var board = (await School.Get<LessonPeople>().AllBoardsAsync(lesson)).Single(b => b.Id == wall);
                var drawn = Words(Encoding.UTF8.GetString(PageExport.Svg((await School.Get<BoardExport>().NamelessAsync(lesson, board, 0, 0, Stop))!, Stop)));
                Assert.Contains("arch", drawn, StringComparison.Ordinal);
                AssertNameless(drawn);
            }
        }
    }

    [Fact]
    public async Task One_card_stands_there_alone_without_a_name_until_it_is_taken_down()
    {
        var (lesson, wall) = await HandOutAsync(s_plan);
        (await School.StudentAsync(lesson.Code, s_names[0])).Browser.Dispose();
        var hosts = School.Get<RoomHosts>();
        var (run, host) = (await hosts.GetAsync(lesson.Id), await hosts.GetAsync(wall));
        long arch = 0, other = 0;
        await DoAsync(host, new Actor(2, Role.Student), id => new PutUpCard(arch = id, WallPlan.Nowhere, "en", "Because of the arch"), id => new PutUpCard(other = id, WallPlan.Nowhere, "en", "Because of the beam"));
        var board = (await School.Get<LessonPeople>().AllBoardsAsync(lesson)).Single(b => b.Id == wall);
        var export = School.Get<BoardExport>();
        var drawn = Words(Encoding.UTF8.GetString(PageExport.Svg((await export.NamelessAsync(lesson, board, 0, arch, Stop))!, Stop)));
        Assert.Contains("arch", drawn, StringComparison.Ordinal);
        Assert.DoesNotContain("beam", drawn, StringComparison.Ordinal);
        AssertNameless(drawn);
        Assert.Null(await export.NamelessAsync(lesson, board, 0, 12_345, Stop));

        using var stranger = School.Visitor();
        var address = $"/screen/{School.Get<ScreenKeys>().Of(lesson.Id)}";
        async Task<string?> WorkAsync() => JsonDocument.Parse(await stranger.GetStringAsync($"{address}/now", Stop)).RootElement.GetProperty("works") is var works && works.GetArrayLength() == 1
            ? $"{address}/work/{works[0].GetProperty("mask").GetInt32()}.png" : null;
        async Task<byte[]> ShowAsync(long card)
        {
            await DoAsync(run, Actor.Owner, new ShowOnScreen(new(ScreenKind.Works, [wall], 0, false, false, card)));
            return await stranger.GetByteArrayAsync((await WorkAsync())!, Stop);
        }

        var (whole, one) = (await ShowAsync(0), await ShowAsync(arch));
        Assert.NotEqual(whole, one);
        Assert.NotEqual(one, await ShowAsync(other));
        Assert.Equal(one, await ShowAsync(arch));
        await DoAsync(host, Actor.Owner, new TakeCardDown(arch));
        Assert.Null(await WorkAsync());
    }

    [Fact]
    public async Task Only_what_is_shown_can_be_had_and_a_frozen_work_stays_as_it_was()
    {
        var (lesson, wall) = await HandOutAsync(s_plan);
        var hosts = School.Get<RoomHosts>();
        var (run, host) = (await hosts.GetAsync(lesson.Id), await hosts.GetAsync(wall));
        await DoAsync(host, Actor.Owner, id => new PutUpCard(id, WallPlan.Nowhere, "en", "Before"));
        using var stranger = School.Visitor();
        var address = $"/screen/{School.Get<ScreenKeys>().Of(lesson.Id)}";
        for (var mask = 1; mask < 100; mask++) Assert.Equal(HttpStatusCode.NotFound, (await stranger.GetAsync($"{address}/work/{mask}.png", Stop)).StatusCode);
        await DoAsync(run, Actor.Owner, new ShowOnScreen(new(ScreenKind.Works, [wall], 0, false, Frozen: true)));
        var work = $"{address}/work/{JsonDocument.Parse(await stranger.GetStringAsync($"{address}/now", Stop)).RootElement.GetProperty("works")[0].GetProperty("mask").GetInt32()}.png";
        var before = await stranger.GetByteArrayAsync(work, Stop);
        await DoAsync(host, Actor.Owner, id => new PutUpCard(id, WallPlan.Nowhere, "en", "Afterwards"));
        Assert.Equal(before, await stranger.GetByteArrayAsync(work, Stop));
        await DoAsync(run, Actor.Owner, new ShowOnScreen(new(ScreenKind.Works, [wall], 0, false, Frozen: false)));
        Assert.NotEqual(before, await stranger.GetByteArrayAsync(work, Stop));

        // A room of another lesson is not shown, whoever asks for it.
        var (_, elsewhere) = await HandOutAsync(s_plan, "Elsewhere");
        await DoAsync(run, Actor.Owner, new ShowOnScreen(new(ScreenKind.Works, [elsewhere], 0, false, false)));
        Assert.Equal(0, JsonDocument.Parse(await stranger.GetStringAsync($"{address}/now", Stop)).RootElement.GetProperty("works").GetArrayLength());
    }

    [Fact]
    public async Task A_key_is_not_guessed_and_a_code_lasts_ten_minutes()
    {
        var (lesson, _) = await HandOutAsync(s_plan);
        var keys = School.Get<ScreenKeys>();
        var key = keys.Of(lesson.Id);
        Assert.Equal(lesson.Id, keys.Read(key));
        Assert.Null(keys.Read(""));
        Assert.Null(keys.Read(new string('A', key.Length)));
        foreach (var last in "ABCDEFGHIJKLMNOPQRSTUVWXYZabcdefghijklmnopqrstuvwxyz0123456789-_".Where(c => c != key[^1])) Assert.Null(keys.Read(key[..^1] + last));
        foreach (var no in new[] { key + "A", "!" + key[1..], key[..^1] + "=", key[..^1] + " ", key[..^1] + "\u00e9", new string('\0', key.Length) }) Assert.Null(keys.Read(no));
        using var stranger = School.Visitor();
        Assert.Equal(HttpStatusCode.NotFound, (await stranger.GetAsync($"/screen/{"!" + key[1..]}", Stop)).StatusCode);

        var clock = new Clock();
        var pairing = new Pairing(clock);
        var code = pairing.CodeFor(lesson.Id)!;
        Assert.Equal(code, pairing.CodeFor(lesson.Id));
        Assert.Equal(lesson.Id, pairing.Find($" {code[..3].ToLowerInvariant()} {code[3..]} "));
        Assert.Null(pairing.Find("nothing"));
        Assert.Null(pairing.Find(null));
        clock.Now += Pairing.Lasts;
        Assert.Null(pairing.Find(code));
        Assert.NotEqual(code, pairing.CodeFor(lesson.Id));
    }

    private static void AssertNameless(string sent)
    {
        foreach (var word in s_names.SelectMany(n => n.Split(' '))) Assert.DoesNotContain(word, sent, StringComparison.OrdinalIgnoreCase);
    }

    private sealed class Clock : TimeProvider
    {
        public DateTimeOffset Now { get; set; } = DateTimeOffset.UnixEpoch;

        public override DateTimeOffset GetUtcNow() => Now;
    }
}
