using System.Net;
using System.Net.Http.Json;
using Yardang.Core.Rooms;
using Yardang.Core.Walls;
using Yardang.Web.Moderation;
using Yardang.Web.Rooms;
using static Yardang.Web.Tests.Lessons.OnWalls;

namespace Yardang.Web.Tests.Moderation;

/// <summary>What a teacher decided in the in-tray can be taken back.</summary>
public sealed class UndoneDecisionsTests : InTrayLessons
{
    [Fact]
    public async Task What_was_left_off_waits_again_and_can_be_added_then()
    {
        var (_, host) = await AskedFirstAsync();
        await DoAsync(host, Maya, id => new PutUpCard(id, 11, "en", "Stone is heavy"));
        var thing = (await ThingsAsync(Varga, 1))[0];
        Assert.Equal(["done"], await DecideAsync(Varga, "leave", "Not now", thing));
        await ThingsAsync(Varga, 0);
        Assert.Equal(["done"], await UndoAsync(Varga, "leave", thing));
        Assert.Equal("Stone is heavy", (await ThingsAsync(Varga, 1))[0].Words);
        Assert.Equal(["gone"], await UndoAsync(Varga, "leave", thing));
        Assert.Equal(["done"], await DecideAsync(Varga, "add", "", thing));
        Assert.Single((await StateAsync(host)).Cards);
    }

    [Fact]
    public async Task What_was_added_is_down_again_for_its_author_to_see()
    {
        var (_, host) = await AskedFirstAsync();
        await DoAsync(host, Maya, id => new PutUpCard(id, 11, "en", "Stone is heavy"));
        var thing = (await ThingsAsync(Varga, 1))[0];
        await DecideAsync(Varga, "add", "", thing);
        Assert.Equal(["done"], await UndoAsync(Varga, "add", thing));
        var card = (await StateAsync(host)).Cards.Values.Single();
        Assert.Equal((false, false), (card.IsUp, card.Removed));
        Assert.Equal(["gone"], await UndoAsync(Varga, "add", thing));
    }

    [Fact]
    public async Task What_was_returned_waits_for_the_teacher_again()
    {
        var (_, host) = await AskedFirstAsync();
        await DoAsync(host, Maya, id => new PutUpCard(id, 11, "en", "Stone is heavy"));
        var thing = (await ThingsAsync(Varga, 1))[0];
        await DecideAsync(Varga, "return", "Say why", thing);
        await ThingsAsync(Varga, 0);
        Assert.Equal(["done"], await UndoAsync(Varga, "return", thing));
        await ThingsAsync(Varga, 1);
    }

    [Fact]
    public async Task Nobody_else_takes_a_decision_back_and_nothing_that_was_not_decided()
    {
        var (_, host) = await AskedFirstAsync();
        await DoAsync(host, Maya, id => new PutUpCard(id, 11, "en", "Stone is heavy"));
        var thing = (await ThingsAsync(Varga, 1))[0];
        Assert.Equal(["gone"], await UndoAsync(Varga, "add", thing));
        await DecideAsync(Varga, "leave", "", thing);
        var (other, _) = await School.TeacherAsync("Somebody Else");
        Assert.Equal(["refused"], await UndoAsync(other, "leave", thing));
        Assert.Equal(["gone"], await UndoAsync(Varga, "leave", thing with { Numbers = [1, 999_999, -4] }));
        using var forged = await Varga.PostAsync("/tray/undo", Decision("leave", "", thing), Stop);
        Assert.Equal(HttpStatusCode.BadRequest, forged.StatusCode);
        await ThingsAsync(Varga, 0);
    }

    private static async Task<IEnumerable<string>> UndoAsync(HttpClient browser, string what, TrayThing thing)
    {
        using var answer = await PostAsync(browser, Decision(what, "", thing), "/tray/undo");
        return (await answer.Content.ReadFromJsonAsync<Dictionary<string, string>>(Stop))!.Values;
    }
}
