using System.Net;
using System.Net.Http.Json;
using System.Text.Json;
using Microsoft.EntityFrameworkCore;
using Yardang.Core.Lessons;
using Yardang.Core.Moderation;
using Yardang.Core.Pages;
using Yardang.Core.Rooms;
using Yardang.Core.Threads;
using Yardang.Core.Walls;
using Yardang.Data.School;
using Yardang.Web.Moderation;
using Yardang.Web.Rooms;
using Yardang.Web.Tests.Lessons;
using static Yardang.Web.Tests.Lessons.OnWalls;

namespace Yardang.Web.Tests.Moderation;

/// <summary>What waits over all lessons of a teacher, who is told of it, and who decides.</summary>
public sealed class InTrayTests : InTrayLessons
{
    [Fact]
    public async Task It_says_what_it_is_where_it_goes_and_what_stands_beside_it_longest_first()
    {
        var (lesson, host) = await AskedFirstAsync();
        await DoAsync(host, Actor.Owner, id => new PutUpCard(id, 11, "en", "Arches push"));
        var card = await CardAsync(host);
        await DoAsync(host, Maya, id => new PutUpCard(id, 11, "en", "Stone is best"));
        await DoAsync(host, Ben, id => new GiveAnswer(card, id, 0, "en", "They lean"));
        var things = await ThingsAsync(Varga, 2);
        Assert.Equal([("card", "Maya", "Stone is best", "Materials", ""), ("answer", "Ben", "They lean", "Materials", "Arches push")], things.Select(t => (t.Kind, t.Name, t.Words, t.Where, t.About)));
        Assert.Equal(["Arches push"], things[0].Beside);
        Assert.All(things, t => Assert.Equal(("approval", true, lesson.Id), (t.Why, t.MayDecide, t.Lesson)));
        await Eventually.IsAsync(async () => (await Varga.GetFromJsonAsync<Dictionary<string, int>>("/tray/count", Stop))!["count"] == 2);
        await ThingsAsync(Varga, 2, $"?lesson={lesson.Id}");
        await ThingsAsync(Varga, 0, $"?lesson={Guid.NewGuid()}");
    }

    [Fact]
    public async Task Another_teacher_is_told_of_nothing_and_decides_nothing_and_neither_does_a_student()
    {
        var (lesson, host) = await AskedFirstAsync();
        await DoAsync(host, Maya, id => new PutUpCard(id, 11, "en", "Stone is best"));
        var thing = (await ThingsAsync(Varga, 1)).Single();
        var (monteiro, _) = await School.TeacherAsync("Rui Monteiro");
        await ThingsAsync(monteiro, 0);
        Assert.Equal(["refused"], await DecideAsync(monteiro, "add", "", thing));
        var (maya, _) = await School.StudentAsync(lesson.Code, "Cleo");
        using var asked = await maya.GetAsync("/tray/things", Stop);
        Assert.NotEqual(HttpStatusCode.OK, asked.StatusCode);
        using var sent = await maya.PostAsync("/tray/decide", Decision("add", "", thing), Stop);
        Assert.NotEqual(HttpStatusCode.OK, sent.StatusCode);
        Assert.Empty((await StateAsync(host)).Cards);
    }

    [Fact]
    public async Task What_waits_reaches_no_classmate_by_snapshot_or_table_nor_while_it_is_drawn()
    {
        var (lesson, host) = await AskedFirstAsync();
        var (cleo, cleos) = await School.StudentAsync(lesson.Code, "Cleo");
        await DoAsync(host, Maya, id => new PutUpCard(id, 11, "en", "Stone is best"));
        Assert.DoesNotContain("Stone is best", await SnapshotAsync(cleo, host.Id, cleos), StringComparison.Ordinal);
        Assert.DoesNotContain("Stone is best", await (await Varga.GetAsync($"/lesson/{lesson.Id}/board/{host.Id}.csv", Stop)).Content.ReadAsStringAsync(Stop), StringComparison.Ordinal);
        var (ben, teacher) = (host.Watch(Ben, host.Durable), host.Watch(Actor.Owner, host.Durable));
        host.Preview([1], Maya, isPassing: true);
        Assert.Equal((false, true), (ben.TryTakePreview(out _), teacher.TryTakePreview(out _)));
        host.Preview([1], Actor.Owner, isPassing: true);
        Assert.True(ben.TryTakePreview(out _));
    }

    [Fact]
    public async Task What_two_decide_is_decided_once_and_the_slower_is_told()
    {
        var (_, host) = await AskedFirstAsync();
        await DoAsync(host, Maya, id => new PutUpCard(id, 11, "en", "Stone is best"));
        var thing = (await ThingsAsync(Varga, 1)).Single();
        Assert.Equal(["done"], await DecideAsync(Varga, "add", "", thing));
        Assert.Equal(["decided"], await DecideAsync(Varga, "leave", "Too late", thing));
        Assert.Equal("Stone is best", Assert.Single((await StateAsync(host)).Cards.Values).Text);
    }

    [Fact]
    public async Task What_was_returned_is_with_its_author_and_comes_again_with_what_was_said()
    {
        var (_, host) = await AskedFirstAsync();
        long card = 0;
        await DoAsync(host, Maya, id => new PutUpCard(card = id, 11, "en", "Stone is best"));
        Assert.Equal(["done"], await DecideAsync(Varga, "return", "Best for what?", (await ThingsAsync(Varga, 1)).Single()));
        await ThingsAsync(Varga, 0);
        await DoAsync(host, Maya, new RewordCard(card, "en", "Best against pushing"));
        var again = (await ThingsAsync(Varga, 1)).Single();
        Assert.Equal(("Best against pushing", 2), (again.Words, again.Numbers.Count));
        Assert.Equal(new Returned("Stone is best", "Best for what?"), Assert.Single(again.Before));
        Assert.Equal(["done"], await DecideAsync(Varga, "add", "", again));
        Assert.Equal("Best against pushing", (await StateAsync(host)).Cards[card].Text);
    }

    [Fact]
    public async Task Handed_out_so_that_the_teacher_looks_first_it_waits_from_the_first_card_on()
    {
        var (first, _) = await HandOutAsync(Plan);
        using var handed = await TestSchool.PostAsync(Varga, $"/hand-out/{first.ActivityId}", new() { ["way"] = "AllTogether", ["door"] = "Open", ["looksFirst"] = "Always" });
        Assert.Equal(HttpStatusCode.Redirect, handed.StatusCode);
        var lesson = Guid.Parse(handed.Headers.Location!.ToString().Split('/')[2]);
        var hosts = School.Get<RoomHosts>();
        await using var db = await School.Get<IDbContextFactory<SchoolContext>>().CreateDbContextAsync(Stop);
        var code = (await db.Lessons.SingleAsync(l => l.Id == lesson, Stop)).Code;
        await School.StudentAsync(code, "Maya");
        var host = await hosts.GetAsync((await db.Rooms.SingleAsync(r => r.OfId == lesson && r.Part == 1 && r.Kind == RoomKind.Wall, Stop)).Id);
        await Eventually.IsAsync(() => Task.FromResult(host.Allowed.Approval is { When: ApprovalWhen.Always }));
        await DoAsync(host, Maya, id => new PutUpCard(id, 11, "en", "Stone is best"));
        Assert.Equal("Stone is best", (await ThingsAsync(Varga, 1)).Single().Words);
    }

    [Fact]
    public async Task People_at_the_door_are_let_in_or_turned_away_from_there()
    {
        var (lesson, _) = await AskedFirstAsync();
        var room = await School.Get<RoomHosts>().GetAsync(lesson.Id);
        await DoAsync(room, Actor.Owner, new SetDoor(Door.Ask));
        var stranger = School.Visitor();
        using (await TestSchool.PostAsync(stranger, $"/join/{lesson.Code}", new() { ["name"] = "Dina" })) { }

        var asking = (await ThingsAsync(Varga, 1)).Single();
        Assert.Equal(("door", "Dina"), (asking.Kind, asking.Name));
        Assert.Equal(["refused"], await DecideAsync(Varga, "return", "Who are you?", asking));
        Assert.Equal(["done"], await DecideAsync(Varga, "add", "", asking));
        await ThingsAsync(Varga, 0);
    }

    [Theory]
    [InlineData("[]")]
    [InlineData("{}")]
    [InlineData("""{"what":"add","words":"","things":null}""")]
    [InlineData("""{"what":"add","words":"","things":[null]}""")]
    [InlineData("""{"what":"add","words":null,"things":[]}""")]
    [InlineData("""{"what":"add","words":"","things":[{"key":"a","room":"no","person":2,"numbers":[1]}]}""")]
    [InlineData("""{"what":"add","words":"","things":[{"key":"a","person":2}]}""")]
    public async Task What_is_no_decision_is_not_taken(string body)
    {
        await AskedFirstAsync();
        using var answer = await PostAsync(Varga, new StringContent(body, System.Text.Encoding.UTF8, "application/json"));
        Assert.Equal(HttpStatusCode.BadRequest, answer.StatusCode);
    }
}
