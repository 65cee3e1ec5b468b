using System.Net;
using System.Text;
using System.Text.Json;
using Yardang.Core.Pages;
using Yardang.Core.Rooms;
using Yardang.Core.Walls;
using Yardang.Web.Rooms;
using static Yardang.Web.Tests.Lessons.OnWalls;

namespace Yardang.Web.Tests.Lessons;

/// <summary>Dealing reading lists: who may, to whom, and what becomes of those who are away.</summary>
public sealed class ReadingOnWallsTests : WallLessons
{
    private static readonly WallPlan s_plan = WallPlan.Blank with { Question = Texts.In("en", "Why does it stand?") };
    private static readonly Actor s_maya = new(2, Role.Student);
    private static readonly Actor s_ben = new(3, Role.Student);

    [Fact]
    public async Task Cards_are_dealt_to_who_is_here_and_again_when_somebody_has_gone()
    {
        var (lesson, wall) = await HandOutAsync(s_plan);
        foreach (var name in new[] { "Maya", "Ben" }) await School.StudentAsync(lesson.Code, name);
        var host = await School.Get<RoomHosts>().GetAsync(wall);
        foreach (var i in Enumerable.Range(0, 4)) await DoAsync(host, Actor.Owner, id => new PutUpCard(id, 0, "en", $"idea {i}"));
        Assert.Equal("{\"people\":0}", await DealtAsync(wall, 2));
        var (maya, ben) = (host.Watch(s_maya, 0), host.Watch(s_ben, 0));
        Assert.Equal("{\"people\":2}", await DealtAsync(wall, 2));
        var dealt = await ListsAsync(host);
        Assert.Equal([2, 2], dealt.Values.Select(l => l.Cards.Length));
        Assert.Equal(4, dealt.Values.SelectMany(l => l.Cards).Distinct().Count());
        await DoAsync(host, s_maya, _ => new ReadCard(dealt[2].Cards[0]), _ => new ReadCard(dealt[2].Cards[1]));

        // Ben has gone: what he has not read goes back, and comes to Maya.
        host.Leave(ben);
        Assert.Equal("{\"people\":1}", await DealtAsync(wall, 2));
        var again = await ListsAsync(host);
        Assert.Empty(again[3].Cards);
        Assert.Equal(dealt[3].Cards, again[2].Unread);
        host.Leave(maya);
    }

    [Theory]
    [InlineData("")]
    [InlineData("nothing")]
    [InlineData("[]")]
    [InlineData("{\"each\":0}")]
    [InlineData("{\"each\":21}")]
    public async Task What_says_nothing_sound_deals_nothing(string body)
    {
        var (_, wall) = await HandOutAsync(s_plan);
        using var answer = await PostAsync(Varga, wall, body);
        Assert.Equal(HttpStatusCode.BadRequest, answer.StatusCode);
    }

    [Fact]
    public async Task Only_teachers_of_the_lesson_deal_and_only_where_cards_are_seen()
    {
        var (lesson, wall) = await HandOutAsync(s_plan with { Rules = new(OwnFirst: true) });
        var (ben, bens) = await School.StudentAsync(lesson.Code, "Ben");
        using var his = await PostAsync(ben, wall, """{"each":2}""", bens.Split('?')[1]);
        Assert.Equal(HttpStatusCode.NotFound, his.StatusCode);
        var (other, _) = await School.TeacherAsync("Tobi Adeyemi");
        using var stranger = await PostAsync(other, wall, """{"each":2}""");
        Assert.Equal(HttpStatusCode.NotFound, stranger.StatusCode);
        using var without = await Varga.PostAsync($"/rooms/{wall}/reading", new StringContent("""{"each":2}""", Encoding.UTF8, "application/json"), Stop);
        Assert.Equal(HttpStatusCode.BadRequest, without.StatusCode);
        var host = await School.Get<RoomHosts>().GetAsync(wall);
        await DoAsync(host, Actor.Owner, id => new PutUpCard(id, 0, "en", "look"));
        var here = host.Watch(s_maya, 0);
        Assert.Equal("{\"people\":0}", await DealtAsync(wall, 2));
        host.Leave(here);
    }

    private static async Task<Dictionary<int, ReadingList>> ListsAsync(RoomHost host)
    {
        Dictionary<int, ReadingList> lists = [];
        await host.LookAsync(r => lists = ((Wall)r).Reading.All.ToDictionary(), Stop);
        return lists;
    }

    private async Task<string> DealtAsync(Guid wall, int each)
    {
        using var answer = await PostAsync(Varga, wall, JsonSerializer.Serialize(new { each }));
        Assert.Equal(HttpStatusCode.OK, answer.StatusCode);
        return await answer.Content.ReadAsStringAsync(Stop);
    }

    private static async Task<HttpResponseMessage> PostAsync(HttpClient browser, Guid wall, string body, string query = "")
    {
        using var message = new HttpRequestMessage(HttpMethod.Post, $"/rooms/{wall}/reading?{query}") { Content = new StringContent(body, Encoding.UTF8, "application/json") };
        message.Headers.Add("RequestVerificationToken", TestSchool.TokenIn(await browser.GetStringAsync("/", Stop)));
        return await browser.SendAsync(message, Stop);
    }
}
