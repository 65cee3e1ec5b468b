using System.Net.Http.Json;
using System.Text.Json;
using MessagePack;
using Microsoft.EntityFrameworkCore;
using Yardang.Core.Activities;
using Yardang.Core.Interchange;
using Yardang.Core.Lessons;
using Yardang.Core.Pages;
using Yardang.Core.Rooms;
using Yardang.Core.Walls;
using Yardang.Data.School;
using Yardang.Data.Wire;
using Yardang.Web.Lessons;
using Yardang.Web.Rooms;
using Yardang.Web.Shelf;
using static Yardang.Web.Tests.Lessons.OnWalls;

namespace Yardang.Web.Tests.Lessons;

/// <summary>Walls on which only teachers see who wrote what: nothing that reaches a classmate tells it.</summary>
public sealed class NamesOnWallsTests : WallLessons
{
    private static readonly Actor s_maya = new(2, Role.Student);
    private static readonly Actor s_ben = new(3, Role.Student);
    private static readonly Actor s_cara = new(4, Role.Student);

    [Fact]
    public async Task A_student_is_sent_nothing_as_long_as_others_write_and_then_all_of_it_without_whose_it_is()
    {
        var (_, wall) = await HandOutAsync(Hidden());
        var host = await School.Get<RoomHosts>().GetAsync(wall);
        var bens = host.Watch(s_ben, 0);
        Assert.Empty(EventsIn(await host.NextFrameAsync(bens, Stop)));

        await DoAsync(host, s_maya, id => new PutUpCard(id, 0, "en", "arch"), id => new PutUpCard(id, 0, "en", "vault"));
        await DoAsync(host, s_cara, id => new PutUpCard(id, 0, "en", "beam"));
        var next = host.NextFrameAsync(bens, Stop);
        await DoAsync(host, s_ben, id => new PutUpCard(id, 0, "en", "cable"));

        // When others wrote is not seen: the next frame that comes is for one's own.
        Assert.Equal([typeof(ClientAdmitted), typeof(CardPutUp)], await KindsUntilAsync(host, bens, next, typeof(CardPutUp)));

        // It comes out by itself, once three have written.
        var told = (await UntilAsync(host, bens, e => e.Event is CardsLetOut)).Event as CardsLetOut;
        Assert.Equal(["arch", "beam", "cable", "vault"], told!.Cards.Select(c => c.Text).Order());
        Assert.All(told.Cards.Where(c => c.Text != "cable"), c =>
        {
            Assert.Equal(0, c.Author);
            Assert.Equal(0, c.PutUpAt % 60_000);
            Assert.True(c.Id >= 1L << 52);
        });
    }

    [Fact]
    public async Task Neither_a_snapshot_nor_the_names_nor_what_is_found_tell_who_else_is_there()
    {
        var (lesson, wall) = await HandOutAsync(Hidden() with { Purpose = Purpose.Ask });
        var (_, mayas) = await School.StudentAsync(lesson.Code, "Maya");
        var (ben, bens) = await School.StudentAsync(lesson.Code, "Ben");
        var host = await School.Get<RoomHosts>().GetAsync(wall);
        await DoAsync(host, s_maya, id => new PutUpCard(id, 0, "en", "Why do arches push outwards?"));
        Assert.DoesNotContain("arches", await SnapshotAsync(ben, wall, bens), StringComparison.Ordinal);
        Assert.Empty(await LikeAsync(ben, wall, bens, "Why do arches push?"));

        await DoAsync(host, Actor.Owner, new LetCardsOut());
        Assert.Contains("arches", await SnapshotAsync(ben, wall, bens), StringComparison.Ordinal);
        var known = Assert.Single(await LikeAsync(ben, wall, bens, "Why do arches push?"));
        Assert.True(known >= 1L << 52);
        await DoAsync(host, s_ben, _ => new AskToo(known, true));

        var names = await ben.GetStringAsync($"/rooms/{wall}/names?{bens.Split('?')[1]}", Stop);
        Assert.Contains("Ben", names, StringComparison.Ordinal);
        Assert.DoesNotContain("Maya", names, StringComparison.Ordinal);
        Assert.Contains("Maya", await Varga.GetStringAsync($"/rooms/{wall}/names", Stop), StringComparison.Ordinal);
        Assert.NotEqual(mayas, bens);
    }

    [Fact]
    public async Task When_names_are_hidden_on_a_running_wall_students_look_anew()
    {
        var (lesson, wall) = await HandOutAsync(Hidden() with { Rules = WallRules.Free });
        await School.StudentAsync(lesson.Code, "Maya");
        var (ben, bens) = await School.StudentAsync(lesson.Code, "Ben");
        var host = await School.Get<RoomHosts>().GetAsync(wall);
        await DoAsync(host, s_cara, id => new PutUpCard(id, 0, "en", "beam"));
        var before = host.Watch(s_ben, 0);
        var teachers = host.Watch(Actor.Owner, 0);
        Assert.Contains(EventsIn(await host.NextFrameAsync(before, Stop)), e => e.Event is CardPutUp);
        await host.NextFrameAsync(teachers, Stop);

        await DoAsync(host, Actor.Owner, new SetPlan(Hidden()));
        Assert.Equal(Frame.Resync, await host.NextFrameAsync(before, Stop));
        Assert.Contains(EventsIn(await host.NextFrameAsync(teachers, Stop)), e => e.Event is PlanSet);
        Assert.Contains("beam", await SnapshotAsync(ben, wall, bens), StringComparison.Ordinal);
    }

    [Fact]
    public async Task What_waits_waits_on_when_the_wall_was_put_away()
    {
        var (lesson, wall) = await HandOutAsync(Hidden());
        await School.StudentAsync(lesson.Code, "Maya");
        var (ben, bens) = await School.StudentAsync(lesson.Code, "Ben");
        var hosts = School.Get<RoomHosts>();
        await DoAsync(await hosts.GetAsync(wall), s_maya, id => new PutUpCard(id, 0, "en", "arch"));
        await DoAsync(await hosts.GetAsync(wall), Actor.Owner, new LetCardsOut());
        await DoAsync(await hosts.GetAsync(wall), s_maya, id => new PutUpCard(id, 0, "en", "vault"));
        var seen = await SnapshotAsync(ben, wall, bens);
        var first = await hosts.GetAsync(wall);
        await first.StopAsync();
        var again = await hosts.GetAsync(wall);
        Assert.NotSame(first, again);
        Assert.Equal(seen, await SnapshotAsync(ben, wall, bens));
        Assert.DoesNotContain("vault", seen, StringComparison.Ordinal);
        IReadOnlyCollection<int> held = [];
        await again.LookAsync(room => held = ((Wall)room).Out!.People, Stop);
        Assert.Equal([s_maya.Number], held);
    }

    [Fact]
    public async Task That_names_are_hidden_goes_into_archives_and_comes_back()
    {
        var (lesson, wall) = await HandOutAsync(Hidden());
        await DoAsync(await School.Get<RoomHosts>().GetAsync(wall), s_maya, id => new PutUpCard(id, 0, "en", "arch"));
        await School.StudentAsync(lesson.Code, "Maya");
        var file = await Varga.GetByteArrayAsync($"/lesson/{lesson.Id}.yardang.zip", Stop);
        Assert.Equal(NamesTo.Teachers, ActivityArchive.Read(file).Activity.Find(1)!.Wall!.Rules.Names);
        var (other, _) = await School.TeacherAsync("Tobi Adeyemi");
        var brought = await TestSchool.ImportAsync(other, file);
        var again = Guid.Parse(brought.Headers.Location!.ToString().Split('/')[^1]);
        await using var db = await School.Get<IDbContextFactory<SchoolContext>>().CreateDbContextAsync(Stop);
        var itsWall = await db.Rooms.Where(r => r.OfId == again && r.Kind == RoomKind.Wall).Select(r => r.Id).SingleAsync(Stop);
        Assert.NotNull((await School.Get<RoomHosts>().GetAsync(itsWall)).NamesHidden);
    }

    private static WallPlan Hidden() => WallPlan.Blank with { Question = Texts.In("en", "What holds a bridge up?"), Rules = new(Answers: true, Names: NamesTo.Teachers) };

    private static async Task<long[]> LikeAsync(HttpClient browser, Guid wall, string page, string text)
    {
        using var message = new HttpRequestMessage(HttpMethod.Post, $"/rooms/{wall}/like?{page.Split('?')[1]}") { Content = new StringContent(JsonSerializer.Serialize(new { text }), System.Text.Encoding.UTF8, "application/json") };
        message.Headers.Add("RequestVerificationToken", TestSchool.TokenIn(await browser.GetStringAsync("/", Stop)));
        using var answer = await browser.SendAsync(message, Stop);
        return (await answer.Content.ReadFromJsonAsync<long[]>(Stop))!;
    }

    private static async Task<Envelope> UntilAsync(RoomHost host, Subscription reader, Func<Envelope, bool> wanted)
    {
        while (true)
        {
            if (EventsIn(await host.NextFrameAsync(reader, Stop)).FirstOrDefault(wanted) is { } found) return found;
        }
    }

    private static async Task<List<Type>> KindsUntilAsync(RoomHost host, Subscription reader, Task<byte[]> first, Type last)
    {
        List<Type> kinds = [.. EventsIn(await first).Select(e => e.Event.GetType())];
        while (!kinds.Contains(last)) kinds.AddRange(EventsIn(await host.NextFrameAsync(reader, Stop)).Select(e => e.Event.GetType()));
        return kinds;
    }

    private static List<Envelope> EventsIn(byte[] frame)
    {
        var r = new MessagePackReader(frame);
        r.ReadArrayHeader();
        r.ReadInt64();
        var events = new List<Envelope>();
        for (var left = r.ReadArrayHeader(); left > 0; left--)
        {
            var start = r.Position;
            r.Skip();
            events.Add(EventCodec.Decode(System.Buffers.BuffersExtensions.ToArray(r.Sequence.Slice(start, r.Position))));
        }

        return events;
    }
}
