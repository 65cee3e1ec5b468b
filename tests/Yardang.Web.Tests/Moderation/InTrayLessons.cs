using System.Net.Http.Json;
using System.Text.Json;
using Yardang.Core.Lessons;
using Yardang.Core.Moderation;
using Yardang.Core.Pages;
using Yardang.Core.Rooms;
using Yardang.Core.Walls;
using Yardang.Data.School;
using Yardang.Web.Moderation;
using Yardang.Web.Rooms;
using Yardang.Web.Tests.Lessons;
using static Yardang.Web.Tests.Lessons.OnWalls;

namespace Yardang.Web.Tests.Moderation;

/// <summary>A wall of a class, and what its teacher finds in the in-tray.</summary>
public abstract class InTrayLessons : WallLessons
{
    private protected static readonly Actor Maya = new(2, Role.Student);
    private protected static readonly Actor Ben = new(3, Role.Student);

    private protected static readonly WallPlan Plan = WallPlan.Blank with
    {
        Question = Texts.In("en", "Why does it stand?"),
        Topics = [new(11, Texts.In("en", "Materials"), Texts.None, 2)],
        Rules = WallRules.Free with { Answers = true },
    };

    private protected async Task<(LessonRecord Lesson, RoomHost Host)> ClassAsync()
    {
        var (lesson, wall) = await HandOutAsync(Plan);
        await School.StudentAsync(lesson.Code, "Maya");
        await School.StudentAsync(lesson.Code, "Ben");
        return (lesson, await School.Get<RoomHosts>().GetAsync(wall));
    }

    private protected async Task<(LessonRecord Lesson, RoomHost Host)> AskedFirstAsync()
    {
        var (lesson, host) = await ClassAsync();
        var hosts = School.Get<RoomHosts>();
        await DoAsync(await hosts.GetAsync(lesson.Id), Actor.Owner, new SetApproval(1, new(ApprovalWhen.Always, [], LessonHours.Usual)));
        await Eventually.IsAsync(() => Task.FromResult(host.Allowed.Approval is not null));
        return (lesson, host);
    }

    private protected static async Task<long> CardAsync(RoomHost host) => (await StateAsync(host)).Cards.Keys.Single();

    private protected static async Task<(IReadOnlyDictionary<long, Card> Cards, int Waiting)> StateAsync(RoomHost host)
    {
        (IReadOnlyDictionary<long, Card>, int) state = default;
        await host.LookAsync(r => state = (((Wall)r).Cards.ToDictionary(), ((Wall)r).SetAside.Count));
        return state;
    }

    // The lesson hears of it a moment later.
    private protected static async Task<IReadOnlyList<TrayThing>> ThingsAsync(HttpClient browser, int count, string query = "")
    {
        List<TrayThing> things = [];
        await Eventually.IsAsync(async () => (things = (await browser.GetFromJsonAsync<List<TrayThing>>($"/tray/things{query}", Stop))!).Count == count);
        return things;
    }

    private protected static async Task<IEnumerable<string>> DecideAsync(HttpClient browser, string what, string words, TrayThing thing)
    {
        using var answer = await SendAsync(browser, what, words, thing);
        return (await answer.Content.ReadFromJsonAsync<Dictionary<string, string>>(Stop))!.Values;
    }

    private protected static Task<HttpResponseMessage> SendAsync(HttpClient browser, string what, string words, TrayThing thing) =>
        PostAsync(browser, Decision(what, words, thing));

    private protected static JsonContent Decision(string what, string words, TrayThing thing) =>
        JsonContent.Create(new { what, words, things = new[] { new { thing.Key, thing.Room, thing.Person, thing.Numbers, thing.Why } } }, options: JsonSerializerOptions.Web);

    private protected static async Task<HttpResponseMessage> PostAsync(HttpClient browser, HttpContent content, string to = "/tray/decide")
    {
        var page = await browser.GetStringAsync("/tray", Stop);
        var token = page.Split("data-token=\"")[1].Split('"')[0];
        content.Headers.Add("RequestVerificationToken", token);

        // As from a browser, with its length.
        await content.LoadIntoBufferAsync(Stop);
        return await browser.PostAsync(to, content, Stop);
    }
}
