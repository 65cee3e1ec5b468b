using System.Net;
using System.Net.Http.Json;
using System.Text;
using System.Text.Json;
using Yardang.Core.Activities;
using Yardang.Core.Interchange;
using Yardang.Core.Lessons;
using Yardang.Core.Pages;
using Yardang.Core.Rooms;
using Yardang.Core.Threads;
using Yardang.Core.Walls;
using Yardang.Data.School;
using Yardang.Web.Lessons;
using Yardang.Web.Rooms;
using Yardang.Web.Shelf;

namespace Yardang.Web.Tests.Lessons;

/// <summary>Looking questions up on a wall to ask: who may, what is found, and what is put out and brought back.</summary>
public sealed class QuestionsOnWallsTests : WallLessons
{
    [Fact]
    public async Task Whoever_is_on_the_wall_finds_what_was_asked_before_and_nobody_else_finds_anything()
    {
        var (lesson, wall) = await HandOutAsync(new(Answers: true));
        var (maya, mayas) = await School.StudentAsync(lesson.Code, "Maya");
        var (elsewhere, _) = await HandOutAsync(new());
        var (cleo, cleos) = await School.StudentAsync(elsewhere.Code, "Cleo");
        var question = await AskAsync(wall, 3, "How thick must a rope be?");
        await AskAsync(wall, 3, "Who paints the railings?");
        Assert.Equal([question], await FoundAsync(maya, mayas, wall, "how thick are ropes"));
        Assert.Equal([question], await FoundAsync(Varga, $"/lesson/{lesson.Id}/board/{wall}", wall, "how thick are ropes"));
        Assert.Equal(HttpStatusCode.NotFound, await StatusAsync(cleo, cleos, wall, """{"text":"how thick are ropes"}"""));
        var (stranger, strangers) = (School.Visitor(), "/join");
        Assert.Equal(HttpStatusCode.NotFound, await StatusAsync(stranger, strangers, wall, """{"text":"how thick are ropes"}"""));
        using var withoutToken = await maya.PostAsync($"/rooms/{wall}/like?{QueryOf(mayas)}", new StringContent("""{"text":"ropes"}""", Encoding.UTF8, "application/json"), Stop);
        Assert.Equal(HttpStatusCode.BadRequest, withoutToken.StatusCode);
        Assert.Equal(HttpStatusCode.NotFound, (await cleo.GetAsync($"/rooms/{wall}/index?{QueryOf(cleos)}", Stop)).StatusCode);
        Assert.Equal(HttpStatusCode.OK, (await maya.GetAsync($"/rooms/{wall}/index?{QueryOf(mayas)}", Stop)).StatusCode);
    }

    [Fact]
    public async Task While_each_sees_only_their_own_nothing_of_the_others_is_found_by_typing_it_or_in_the_index()
    {
        var (lesson, wall) = await HandOutAsync(new(OwnFirst: true, Answers: true));
        var (maya, mayas) = await School.StudentAsync(lesson.Code, "Maya");
        var (ben, bens) = await School.StudentAsync(lesson.Code, "Ben");
        var question = await AskAsync(wall, 3, "How thick must a rope be?");
        await AnswerAsync(wall, question, "As your arm");
        Assert.Empty(await FoundAsync(maya, mayas, wall, "how thick must a rope be?"));
        Assert.Equal([question], await FoundAsync(ben, bens, wall, "how thick must a rope be?"));
        Assert.Equal("[]", await maya.GetStringAsync($"/rooms/{wall}/index?{QueryOf(mayas)}", Stop));
        Assert.Contains("rope", await ben.GetStringAsync($"/rooms/{wall}/index?{QueryOf(bens)}", Stop), StringComparison.Ordinal);
    }

    [Theory]
    [InlineData("")]
    [InlineData("nothing")]
    [InlineData("[]")]
    [InlineData("{\"text\":7}")]
    [InlineData("{\"text\":null}")]
    [InlineData("{}")]
    public async Task What_is_no_text_is_refused(string body)
    {
        var (lesson, wall) = await HandOutAsync(new());
        var (maya, mayas) = await School.StudentAsync(lesson.Code, "Maya");
        Assert.Equal(HttpStatusCode.BadRequest, await StatusAsync(maya, mayas, wall, body));
    }

    [Fact]
    public async Task What_is_too_long_or_asked_too_often_is_refused_and_half_a_letter_is_borne()
    {
        var (lesson, wall) = await HandOutAsync(new());
        var (maya, mayas) = await School.StudentAsync(lesson.Code, "Maya");
        Assert.Equal(HttpStatusCode.BadRequest, await StatusAsync(maya, mayas, wall, JsonSerializer.Serialize(new { text = new string('a', Limits.StatementLength + 1) })));
        Assert.Equal(HttpStatusCode.BadRequest, await StatusAsync(maya, mayas, wall, JsonSerializer.Serialize(new { text = new string('a', 100_000) })));
        Assert.Contains(await StatusAsync(maya, mayas, wall, "{\"text\":\"\\ud800 rope\"}"), new[] { HttpStatusCode.OK, HttpStatusCode.BadRequest });
        var answers = new List<HttpStatusCode>();
        for (var i = 0; i < 80; i++) answers.Add(await StatusAsync(maya, mayas, wall, """{"text":"rope"}"""));
        Assert.Contains(HttpStatusCode.TooManyRequests, answers);
    }

    [Fact]
    public async Task On_a_wall_to_sort_nothing_is_looked_up()
    {
        var (lesson, wall) = await HandOutAsync(new());
        var (maya, mayas) = await School.StudentAsync(lesson.Code, "Maya");
        await AskAsync(wall, 2, "How thick must a rope be?");
        await (await School.Get<RoomHosts>().GetAsync(wall)).SubmitAsync(new SetPlan(WallPlan.Blank), Actor.Program, Stop);
        Assert.Empty(await FoundAsync(maya, mayas, wall, "How thick must a rope be?"));
    }

    [Fact]
    public async Task Print_and_table_say_what_is_open_and_what_answers_the_others_and_the_index_has_their_words()
    {
        var (lesson, wall) = await HandOutAsync(new(Answers: true));
        await School.StudentAsync(lesson.Code, "Maya");
        await School.StudentAsync(lesson.Code, "Ben");
        var question = await AskAsync(wall, 2, "How thick must a rope be?");
        await AskAsync(wall, 2, "Who paints the railings?");
        await DoAsync(wall, new AskToo(question, true), new Actor(3, Role.Student));
        await AnswerAsync(wall, question, "As your arm");
        var address = $"/lesson/{lesson.Id}/board/{wall}";
        var svg = await Varga.GetStringAsync($"{address}.svg", Stop);
        foreach (var words in new[] { "Open questions (1)", "Answered (1)", "1 other asks it too", "answered this aloud", "As your arm" }) Assert.Contains(words, svg, StringComparison.Ordinal);
        var rows = (await Varga.GetStringAsync($"{address}.csv", Stop)).Split('\n');
        Assert.Contains(rows, r => r.Contains("How thick must a rope be?", StringComparison.Ordinal) && r.Contains(",1,answered,", StringComparison.Ordinal));
        Assert.Contains(rows, r => r.Contains("Who paints", StringComparison.Ordinal) && r.Contains(",0,open,", StringComparison.Ordinal));
        Assert.Contains(rows, r => r.Contains("As your arm (said aloud)", StringComparison.Ordinal) && r.Contains(",answers it,", StringComparison.Ordinal));
        Assert.True((await Varga.GetByteArrayAsync($"{address}.pdf", Stop)).Length > 3_000);
    }

    [Fact]
    public async Task A_lesson_comes_back_from_its_archive_with_who_asks_what_and_what_answers_it()
    {
        var (lesson, wall) = await HandOutAsync(new(Answers: true));
        await School.StudentAsync(lesson.Code, "Maya");
        await School.StudentAsync(lesson.Code, "Ben");
        var question = await AskAsync(wall, 2, "How thick must a rope be?");
        await DoAsync(wall, new AskToo(question, true), new Actor(3, Role.Student));
        await AnswerAsync(wall, question, "");
        var file = await Varga.GetByteArrayAsync($"/lesson/{lesson.Id}.yardang.zip", Stop);
        var (other, _) = await School.TeacherAsync("Tobi Adeyemi");
        var brought = await TestSchool.ImportAsync(other, file);
        var again = Guid.Parse(brought.Headers.Location!.ToString().Split('/')[^1]);
        var (before, after) = (ActivityArchive.Read(file).Work!, ActivityArchive.Read(await other.GetByteArrayAsync($"/lesson/{again}.yardang.zip", Stop)).Work!);
        Assert.True(after.Boards.Single().Wall!.Cards.Single().IsAnswered);
        Assert.Equal(JsonSerializer.Serialize(before.Boards), JsonSerializer.Serialize(after.Boards));
    }

    private Task<(LessonRecord Lesson, Guid Wall)> HandOutAsync(WallRules rules) =>
        HandOutAsync(WallPlan.Blank with { Purpose = Purpose.Ask, Question = Texts.In("en", "What do you want to know?"), Rules = rules });

    private async Task<long> AskAsync(Guid wall, int person, string text)
    {
        var actor = new Actor(person, Role.Student);
        var client = await ClientAsync(wall, actor);
        var id = Ids.Of(client, 1);
        await DoAsync(wall, new PutUpCard(id, WallPlan.Nowhere, "en", text), actor, client);
        return id;
    }

    private async Task AnswerAsync(Guid wall, long question, string note)
    {
        var client = await ClientAsync(wall, Actor.Owner);
        await DoAsync(wall, new GiveAnswer(question, Ids.Of(client, 1), 0, "en", note, Aloud: true), Actor.Owner, client);
        await DoAsync(wall, new FileQuestion(question, Ids.Of(client, 1)), Actor.Owner, client, 2);
    }

    private async Task<int> ClientAsync(Guid wall, Actor actor)
    {
        var host = await School.Get<RoomHosts>().GetAsync(wall);
        return ((ClientAdmitted)(await host.SubmitAsync(new AdmitClient(), actor, Stop)).Envelope!.Event).Number;
    }

    private async Task DoAsync(Guid wall, Command command, Actor actor, int client = 0, int counter = 1)
    {
        var host = await School.Get<RoomHosts>().GetAsync(wall);
        if (client == 0) client = await ClientAsync(wall, actor);
        Assert.NotNull((await host.SubmitAsync(new Submission(client, counter, counter - 1, 0, command), actor, Stop)).Envelope);
    }

    private static async Task<long[]> FoundAsync(HttpClient browser, string page, Guid wall, string text)
    {
        using var answer = await PostAsync(browser, page, wall, JsonSerializer.Serialize(new { text }));
        Assert.Equal(HttpStatusCode.OK, answer.StatusCode);
        return (await answer.Content.ReadFromJsonAsync<long[]>(Stop))!;
    }

    private static async Task<HttpStatusCode> StatusAsync(HttpClient browser, string page, Guid wall, string body)
    {
        using var answer = await PostAsync(browser, page, wall, body);
        return answer.StatusCode;
    }

    private static async Task<HttpResponseMessage> PostAsync(HttpClient browser, string page, Guid wall, string body)
    {
        using var message = new HttpRequestMessage(HttpMethod.Post, $"/rooms/{wall}/like?{QueryOf(page)}") { Content = new StringContent(body, Encoding.UTF8, "application/json") };
        message.Headers.Add("RequestVerificationToken", TestSchool.TokenIn(await browser.GetStringAsync("/", Stop)));
        return await browser.SendAsync(message, Stop);
    }

    private static string QueryOf(string page) => page.Contains('?', StringComparison.Ordinal) ? page.Split('?')[1] : "";
}
