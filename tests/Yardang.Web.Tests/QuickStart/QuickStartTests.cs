using System.Net;
using Microsoft.EntityFrameworkCore;
using Microsoft.Extensions.DependencyInjection;
using SkiaSharp;
using Yardang.Core.Activities;
using Yardang.Core.Boards;
using Yardang.Core.Editing;
using Yardang.Core.Marks;
using Yardang.Core.Pages;
using Yardang.Core.Rooms;
using Yardang.Core.Styles;
using Yardang.Data.Log;
using Yardang.Data.Media;
using Yardang.Data.School;
using Yardang.Web.QuickStart;
using Yardang.Web.Rooms;

namespace Yardang.Web.Tests.QuickStart;

/// <summary>From the front door to a running board without an account; it lives for twelve hours, or is kept.</summary>
public sealed class QuickStartTests : IAsyncLifetime
{
    private readonly TestSchool _school = new();

    private static CancellationToken Stop => TestContext.Current.CancellationToken;

    public ValueTask InitializeAsync() => ValueTask.CompletedTask;

    public ValueTask DisposeAsync() => _school.DisposeAsync();

    [Fact]
    public async Task One_press_gives_a_code_with_which_a_class_comes_in()
    {
        var (guest, lesson) = await StartAsync("AllTogether");
        Assert.Contains("Without an account this lives until", await guest.GetStringAsync($"/lesson/{lesson.Id}/code", Stop));
        var (_, mayas) = await _school.StudentAsync(lesson.Code, "Maya");
        var (_, bens) = await _school.StudentAsync(lesson.Code, "Ben");
        Assert.StartsWith("/board/", mayas);
        Assert.Equal(mayas.Split('?')[0], bens.Split('?')[0]);
    }

    [Fact]
    public async Task A_title_a_question_and_a_picture_stand_on_the_page_before_the_code_appears()
    {
        var guest = _school.Visitor();
        using var answer = await StartWithAsync(guest, "Triangles in trusses", "Why are there triangles in it?\nLook at both sides.", Png());
        var (_, lesson) = await OfAsync(guest, answer);
        Assert.Equal("Triangles in trusses", lesson.Name);
        var (maya, place) = await _school.StudentAsync(lesson.Code, "Maya");
        IReadOnlyList<MarkBody> bodies = [];
        var room = await _school.Get<RoomHosts>().GetAsync(Guid.Parse(place.Split('/', '?')[2]));
        await room.LookAsync(r => bodies = [.. ((Board)r).Sheets.Marks.Values.Where(m => m.Grip == Grip.Printed).Select(m => m.Body)], Stop);
        Assert.StartsWith("Why are there triangles", Assert.Single(bodies.OfType<TextBody>()).Words.Text);
        var picture = Assert.Single(bodies.OfType<PictureBody>());
        Assert.Equal(4, (double)picture.Width / picture.Height, 0.1);
        Assert.Equal(HttpStatusCode.OK, (await maya.GetAsync($"/rooms/{place.Split('/', '?')[2]}/media/{picture.Media}?{place.Split('?')[1]}", Stop)).StatusCode);
    }

    [Fact]
    public async Task A_file_that_is_no_picture_is_told_and_what_was_typed_stays()
    {
        var guest = _school.Visitor();
        using var answer = await StartWithAsync(guest, "Triangles in trusses", "Why <b>triangles</b>?", "no picture"u8.ToArray());
        Assert.Equal(HttpStatusCode.OK, answer.StatusCode);
        var page = await answer.Content.ReadAsStringAsync(Stop);
        Assert.Contains("not a picture", page, StringComparison.Ordinal);
        Assert.Contains("Triangles in trusses", page, StringComparison.Ordinal);
        Assert.Contains("Why &lt;b&gt;triangles", page, StringComparison.Ordinal);
        await using var db = await SchoolAsync();
        Assert.Equal(0, await db.Users.CountAsync(Stop) + await db.Activities.CountAsync(Stop));
    }

    [Theory]
    [InlineData("a\nb", "a b")]
    [InlineData("  ", "Board")]
    public async Task A_title_is_one_line_and_what_is_too_long_is_cut_between_letters(string typed, string named)
    {
        var guest = _school.Visitor();
        using var answer = await StartWithAsync(guest, typed, string.Concat(Enumerable.Repeat("\U0001F309", 200)) + "\u0007", Png());
        var (_, lesson) = await OfAsync(guest, answer);
        Assert.Equal(named, lesson.Name);
        var (_, place) = await _school.StudentAsync(lesson.Code, "Maya");
        var question = "";
        var room = await _school.Get<RoomHosts>().GetAsync(Guid.Parse(place.Split('/', '?')[2]));
        await room.LookAsync(r => question = ((Board)r).Sheets.Marks.Values.Select(m => m.Body).OfType<TextBody>().Single().Words.Text, Stop);
        Assert.Equal(string.Concat(Enumerable.Repeat("\U0001F309", 150)), question);
    }

    [Theory]
    [InlineData(1, 1)]
    [InlineData(3_400, 1)]
    [InlineData(1, 3_400)]
    [InlineData(3_400, 2_400)]
    public void However_long_the_question_and_whatever_the_picture_the_page_is_one_that_the_rules_allow(int width, int height)
    {
        foreach (var question in new[] { "", "Why?", new string('w', QuickPage.QuestionLength), string.Concat(Enumerable.Repeat("why \n", 50)) })
        {
            var content = QuickPage.Of("en", "Bridges", PaperKind.Plain, question, (new string('a', 64), width, height));
            Assert.Null(ContentRules.FaultIn(content));
            Assert.All(content.Marks, m => Assert.InRange(m.Body.Box().Y + m.Body.Box().Height, 0, content.Pages[0].Size.Height));
        }
    }

    [Fact]
    public async Task After_twelve_hours_nothing_of_it_is_left()
    {
        var (guest, lesson) = await StartAsync("OneEach");
        var (maya, place) = await _school.StudentAsync(lesson.Code, "Maya");
        var board = Guid.Parse(place.Split('/', '?')[2]);
        await (await _school.Get<RoomHosts>().GetAsync(board)).SubmitAsync(new AdmitClient(), new Actor(2, Role.Student), Stop);
        await _school.Get<GuestSweeper>().SweepAsync();
        Assert.Equal(HttpStatusCode.OK, (await maya.GetAsync(place, Stop)).StatusCode);

        await AgeAsync(lesson);
        await _school.Get<GuestSweeper>().SweepAsync();
        Assert.Equal(HttpStatusCode.Redirect, (await maya.GetAsync(place, Stop)).StatusCode);
        Assert.NotEqual(HttpStatusCode.OK, (await guest.GetAsync($"/lesson/{lesson.Id}", Stop)).StatusCode);
        var log = _school.Get<IEventStore>();
        Assert.Equal(0, log.LastNumber(board));
        Assert.Equal(0, log.LastNumber(lesson.Id));
        await using var db = await SchoolAsync();
        Assert.Equal(0, await db.Users.CountAsync(Stop) + await db.Lessons.CountAsync(Stop) + await db.Activities.CountAsync(Stop) + await db.Participants.CountAsync(Stop) + await db.Rooms.CountAsync(Stop) + await db.Versions.CountAsync(Stop));
    }

    [Fact]
    public async Task A_removal_that_a_crash_interrupted_is_finished_when_the_server_is_back()
    {
        var (_, lesson) = await StartAsync("OneEach");
        var log = _school.Get<IEventStore>();
        Assert.NotEqual(0, log.LastNumber(lesson.Id));
        await using var db = await SchoolAsync();
        db.RoomRemovals.Add(new RoomRemovalRecord { Id = lesson.Id });
        await db.SaveChangesAsync(Stop);

        await _school.Get<GuestSweeper>().SweepAsync();
        Assert.Equal(0, log.LastNumber(lesson.Id));
        Assert.Equal(0, await db.RoomRemovals.CountAsync(Stop));
    }

    [Fact]
    public async Task Its_pictures_go_too_but_not_those_that_another_class_shows()
    {
        var media = _school.Get<MediaStore>();
        var (own, shared) = (await media.KeepAsync([1, 2, 3], Stop), await media.KeepAsync([4, 5, 6], Stop));
        var (_, lesson) = await StartAsync("OneEach");
        await ShowAsync(lesson, own);
        await ShowAsync(lesson, shared);
        var (_, teacher) = await _school.TeacherAsync("Tobi Adeyemi");
        await ShowAsync((await _school.HandOutAsync(teacher)).Lesson, shared);

        await AgeAsync(lesson);
        await _school.Get<GuestSweeper>().SweepAsync();
        Assert.Null(media.Find(own));
        Assert.NotNull(media.Find(shared));
    }

    [Fact]
    public async Task An_account_made_before_that_keeps_all_of_it()
    {
        var (guest, lesson) = await StartAsync("OneEach");
        var (maya, place) = await _school.StudentAsync(lesson.Code, "Maya");
        using (var kept = await TestSchool.PostAsync(guest, "/account", Account("varga@ostlebrook.example", "bridge-over-brook"), "/account?handler=Keep")) Assert.Equal("/desk", kept.Headers.Location!.ToString());
        await AgeAsync(lesson);
        await _school.Get<GuestSweeper>().SweepAsync();
        Assert.Equal(HttpStatusCode.OK, (await maya.GetAsync(place, Stop)).StatusCode);
        var later = _school.Visitor();
        using (await TestSchool.PostAsync(later, "/sign-in", new() { ["email"] = "varga@ostlebrook.example", ["password"] = "bridge-over-brook" }))
        {
            Assert.Equal(HttpStatusCode.OK, (await later.GetAsync($"/lesson/{lesson.Id}", Stop)).StatusCode);
        }
    }

    [Theory]
    [InlineData("varga@ostlebrook.example", "short", "10")]
    [InlineData("no address", "bridge-over-brook", "e-mail")]
    [InlineData("taken@ostlebrook.example", "bridge-over-brook", "already")]
    public async Task An_account_that_cannot_be_made_is_told_why_and_nothing_is_lost(string email, string password, string said)
    {
        using (await TestSchool.PostAsync(_school.Visitor(), "/sign-up", Account("taken@ostlebrook.example", "bridge-over-brook")))
        {
            var (guest, lesson) = await StartAsync("OneEach");
            using var answer = await TestSchool.PostAsync(guest, "/account", Account(email, password), "/account?handler=Keep");
            Assert.Contains(said, await answer.Content.ReadAsStringAsync(Stop));
            Assert.Equal(HttpStatusCode.OK, (await guest.GetAsync($"/lesson/{lesson.Id}", Stop)).StatusCode);
        }
    }

    [Fact]
    public async Task Who_has_no_account_is_not_signed_out_by_mistake()
    {
        var (guest, lesson) = await StartAsync("OneEach");
        using (var answer = await TestSchool.PostAsync(guest, "/desk", [], "/sign-out")) Assert.Equal("/account", answer.Headers.Location!.ToString());
        Assert.Equal(HttpStatusCode.OK, (await guest.GetAsync($"/lesson/{lesson.Id}", Stop)).StatusCode);
    }

    [Fact]
    public async Task Nobody_signs_in_to_it_from_elsewhere()
    {
        await StartAsync("OneEach");
        await using var db = await SchoolAsync();
        var email = (await db.Users.SingleAsync(Stop)).Email!;
        using var answer = await TestSchool.PostAsync(_school.Visitor(), "/sign-in", new() { ["email"] = email, ["password"] = "" });
        Assert.Equal(HttpStatusCode.OK, answer.StatusCode);
        using (await TestSchool.PostAsync(_school.Visitor(), "/forgot", new() { ["email"] = email })) Assert.Equal(0, await db.Outbox.CountAsync(Stop));
    }

    private static byte[] Png()
    {
        using var bitmap = new SKBitmap(400, 100);
        bitmap.Erase(SKColors.Teal);
        using var image = SKImage.FromBitmap(bitmap);
        return image.Encode(SKEncodedImageFormat.Png, 100).ToArray();
    }

    private static async Task<HttpResponseMessage> StartWithAsync(HttpClient guest, string title, string question, byte[] picture)
    {
        using var form = new MultipartFormDataContent
        {
            { new StringContent(TestSchool.TokenIn(await guest.GetStringAsync("/start", Stop))), "__RequestVerificationToken" },
            { new StringContent("OneEach"), "way" },
            { new StringContent("Squared"), "paper" },
            { new StringContent(title), "called" },
            { new StringContent(question), "question" },
            { new ByteArrayContent(picture), "picture", "bridge.png" },
        };
        return await guest.PostAsync("/start", form, Stop);
    }

    private async Task<(HttpClient Guest, LessonRecord Lesson)> OfAsync(HttpClient guest, HttpResponseMessage answer)
    {
        var id = Guid.Parse(answer.Headers.Location!.ToString().Split('/')[2]);
        await using var db = await SchoolAsync();
        return (guest, await db.Lessons.SingleAsync(l => l.Id == id, Stop));
    }

    private static Dictionary<string, string> Account(string email, string password) => new() { ["name"] = "Ilse Varga", ["email"] = email, ["password"] = password };

    private Task<SchoolContext> SchoolAsync() => _school.Get<IDbContextFactory<SchoolContext>>().CreateDbContextAsync(Stop);

    private async Task<(HttpClient Guest, LessonRecord Lesson)> StartAsync(string way)
    {
        var guest = _school.Visitor();
        using var answer = await TestSchool.PostAsync(guest, "/start", new() { ["way"] = way, ["paper"] = "Squared" });
        return await OfAsync(guest, answer);
    }

    private async Task ShowAsync(LessonRecord lesson, string picture)
    {
        var (_, place) = await _school.StudentAsync(lesson.Code, "Maya");
        var room = await _school.Get<RoomHosts>().GetAsync(Guid.Parse(place.Split('/', '?')[2]));
        var maya = new Actor(2, Role.Student);
        var (decision, _) = await room.SubmitAsync(new AdmitClient(), maya, Stop);
        var client = Assert.IsType<ClientAdmitted>(Assert.IsType<Decision.Accepted>(decision).Event).Number;
        var page = 0L;
        await room.LookAsync(r => page = ((Board)r).Sheets.Pages[0].Id);
        var shown = new AddMark(Ids.Of(client, 1), page, Grip.Own, new PictureBody(0, 0, 4_000, 3_000, picture, "Our bridge"), new Style(0, 0));
        Assert.IsType<Decision.Accepted>((await room.SubmitAsync(new Submission(client, 1, 0, Ids.Of(client, 1), shown), maya, Stop)).Decision);
    }

    private async Task AgeAsync(LessonRecord lesson)
    {
        await using var db = await SchoolAsync();
        await db.Users.Where(u => u.Id == lesson.OwnerId && u.EndsAt != null).ExecuteUpdateAsync(u => u.SetProperty(x => x.EndsAt, DateTimeOffset.UnixEpoch), Stop);
    }
}
