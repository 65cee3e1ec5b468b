using System.Collections.Immutable;
using System.Net;
using System.Net.Http.Headers;
using System.Net.Http.Json;
using System.Text.Json;
using SkiaSharp;
using Yardang.Core.Activities;
using Yardang.Core.Attachments;
using Yardang.Core.Ink;
using Yardang.Core.Interchange;
using Yardang.Core.Lessons;
using Yardang.Core.Marks;
using Yardang.Core.Pages;
using Yardang.Core.Rooms;
using Yardang.Core.Styles;
using Yardang.Core.Walls;
using Yardang.Data.Media;
using Yardang.Data.School;
using Yardang.Rendering;
using Yardang.Web.Lessons;
using Yardang.Web.Rooms;
using Yardang.Web.Shelf;

namespace Yardang.Web.Tests.Lessons;

/// <summary>What is shown beside the words of cards: taken in, given to those who see it, put out and brought back.</summary>
public sealed class ShownOnWallsTests : WallLessons
{
    [Fact]
    public async Task A_students_picture_is_taken_in_and_given_to_whoever_is_on_the_wall_and_to_nobody_else()
    {
        var (lesson, _) = await HandOutAsync(AttachmentKinds.Pictures);
        var (maya, mayas) = await School.StudentAsync(lesson.Code, "Maya");
        var (ben, bens) = await School.StudentAsync(lesson.Code, "Ben");
        var (elsewhere, _) = await HandOutAsync(AttachmentKinds.Pictures);
        var (cleo, cleos) = await School.StudentAsync(elsewhere.Code, "Cleo");
        using var answer = await UploadAsync(maya, mayas);
        Assert.Equal(HttpStatusCode.OK, answer.StatusCode);
        var media = (await answer.Content.ReadFromJsonAsync<JsonElement>(Stop)).GetProperty("media").GetString();
        var address = $"/rooms/{RoomOf(mayas)}/media/{media}";
        Assert.Equal(HttpStatusCode.OK, (await ben.GetAsync($"{address}?{QueryOf(bens)}", Stop)).StatusCode);
        Assert.Equal(HttpStatusCode.OK, (await Varga.GetAsync(address, Stop)).StatusCode);
        Assert.Equal(HttpStatusCode.NotFound, (await cleo.GetAsync($"{address}?{QueryOf(cleos)}", Stop)).StatusCode);
        Assert.Equal(HttpStatusCode.NotFound, (await School.Visitor().GetAsync(address, Stop)).StatusCode);
        using var foreign = await UploadAsync(cleo, cleos, RoomOf(mayas));
        Assert.Equal(HttpStatusCode.NotFound, foreign.StatusCode);
    }

    [Fact]
    public async Task Where_students_show_no_pictures_none_of_theirs_is_taken_in_and_nothing_is_searched_andTeachers_are_free()
    {
        var (lesson, wall) = await HandOutAsync(AttachmentKinds.Drawings);
        var (maya, mayas) = await School.StudentAsync(lesson.Code, "Maya");
        using var answer = await UploadAsync(maya, mayas);
        Assert.Equal(HttpStatusCode.NotFound, answer.StatusCode);
        Assert.Equal(HttpStatusCode.NotFound, (await maya.GetAsync($"/rooms/{wall}/pictures?words=bridge&{QueryOf(mayas)}", Stop)).StatusCode);
        Assert.Equal(HttpStatusCode.OK, (await Varga.GetAsync($"/rooms/{wall}/pictures?words=bridge", Stop)).StatusCode);
        using var teachers = await UploadAsync(Varga, $"/lesson/{lesson.Id}/board/{wall}", wall);
        Assert.Equal(HttpStatusCode.OK, teachers.StatusCode);
    }

    [Fact]
    public async Task While_pens_are_down_no_picture_is_taken_in()
    {
        var (lesson, wall) = await HandOutAsync(AttachmentKinds.Pictures);
        var (maya, mayas) = await School.StudentAsync(lesson.Code, "Maya");
        await (await School.Get<RoomHosts>().GetAsync(lesson.Id)).SubmitAsync(new SetPens(true), Actor.Program, Stop);
        var host = await School.Get<RoomHosts>().GetAsync(wall);
        await Eventually.IsAsync(() => !host.Allowed.StudentsMayWrite);
        using var answer = await UploadAsync(maya, mayas);
        Assert.Equal(HttpStatusCode.Conflict, answer.StatusCode);
    }

    [Fact]
    public async Task Print_picture_drawing_and_table_have_everything_that_is_shown()
    {
        var (lesson, wall) = await HandOutAsync(Attachment.AnyKind);
        await PutUpAsync(wall, "The mill bridge", await EachAsync());
        var address = $"/lesson/{lesson.Id}/board/{wall}";
        var svg = await Varga.GetStringAsync($"{address}.svg", Stop);
        Assert.Equal(2, svg.Split("<image").Length - 1);
        var table = await Varga.GetStringAsync($"{address}.csv", Stop);
        foreach (var words in new[] { "The mill bridge", "[Picture: One arch]", "[Drawing: Its arch]", "[Formula: F = m g]", "[Place on the map: The mill]" }) Assert.Contains(words, table, StringComparison.Ordinal);

        // The picture is red, and nothing else on the wall is.
        using var png = SKBitmap.Decode(await Varga.GetByteArrayAsync($"{address}.png", Stop));
        Assert.Contains(png.Pixels, p => p is { Red: > 200, Green: < 30, Blue: < 30 });
        Assert.True((await Varga.GetByteArrayAsync($"{address}.pdf", Stop)).Length > 5_000);
    }

    [Fact]
    public async Task A_lesson_comes_back_from_its_archive_with_everything_that_is_shown()
    {
        var (lesson, wall) = await HandOutAsync(Attachment.AnyKind);
        await PutUpAsync(wall, "", await EachAsync());
        var file = await Varga.GetByteArrayAsync($"/lesson/{lesson.Id}.yardang.zip", Stop);
        Assert.Equal(2, ActivityArchive.Read(file).Media.Count);
        var (other, _) = await School.TeacherAsync("Tobi Adeyemi");
        var again = Guid.Parse((await TestSchool.ImportAsync(other, file)).Headers.Location!.ToString().Split('/')[^1]);
        var (before, after) = (ActivityArchive.Read(file).Work!, ActivityArchive.Read(await other.GetByteArrayAsync($"/lesson/{again}.yardang.zip", Stop)).Work!);
        Assert.Equal(4, before.Boards.Single().Wall!.Cards.Single().Shown.Length);
        Assert.Equal(JsonSerializer.Serialize(before.Boards), JsonSerializer.Serialize(after.Boards));
        var shown = Assert.IsType<PictureAttachment>(after.Boards.Single().Wall!.Cards.Single().Shown[0]);
        Assert.NotNull(School.Get<MediaStore>().Find(shown.Media));
    }

    [Fact]
    public void Something_of_any_kind_can_be_put_out_at_any_size_it_may_have()
    {
        Attachment[] all =
        [
            new PictureAttachment(new string('a', 64), 20_000, 1, ""), new PictureAttachment(new string('a', 64), 1, 20_000, ""),
            new DrawingAttachment([new DrawnStroke([new InkPoint(0, 0, 0, 0)], new Style(0, 1))], ""),
            new FormulaAttachment(200_000, 1, "x", "M0 0L1 1Z"), new FormulaAttachment(1, 200_000, "x", ""),
            new PlaceAttachment(new MapPicture(new string('a', 64), 1, 20_000, ""), 10_000, 10_000, ""),
        ];
        foreach (var attachment in all)
        {
            var (width, height) = AttachmentMarks.SizeIn(attachment, 5_000, 3_600);
            Assert.InRange(width, 1, 5_000);
            Assert.InRange(height, 1, 3_600);
            Assert.NotEmpty(AttachmentMarks.Of(attachment, 100, 100, width, height));
        }

        var slip = new WallSlip(new string('n', 1_000), "Maya", [all[0], all[1], all[2], all[5]]);
        var sheet = new WallSheet("", [new WallBand("Forces", "", 0, [slip, slip])], [], "", _ => null);
        Assert.StartsWith("%PDF", System.Text.Encoding.Latin1.GetString(PageExport.Pdf(WallPages.On(PageSize.A4Wide, sheet), "x", Stop)), StringComparison.Ordinal);
    }

    private async Task<(LessonRecord Lesson, Guid Wall)> HandOutAsync(AttachmentKinds shows)
    {
        var plan = WallPlan.Blank with { Question = Texts.In("en", "Which bridges do we know?"), Topics = [new Topic(11, Texts.In("en", "Bridges"), Texts.None, 3)], Rules = new(Shows: shows) };
        var activity = await School.Get<ActivityMaking>().CreateAsync(Teacher, ActivityContent.BlankWall("en", "Bridges of our valley") with { Parts = [new Part(1, PartKind.Wall, plan)] });
        var lesson = await School.Get<Handing>().HandOutAsync(activity, new HandOutOrder("7 Amber", Way: Way.AllTogether), "en");
        return (lesson, await School.TogetherAsync(lesson));
    }

    private async Task<ImmutableArray<Attachment>> EachAsync()
    {
        var media = School.Get<MediaStore>();
        var picture = await media.KeepAsync(Png(60, 40, SKColors.Red), Stop);
        var map = new MapPicture(await media.KeepAsync(Png(80, 50, SKColors.LightGreen), Stop), 80, 50, "The valley");
        return
        [
            new PictureAttachment(picture, 60, 40, "One arch"),
            new DrawingAttachment([new DrawnStroke([new InkPoint(100, 100, 128, 0), new InkPoint(4_000, 3_000, 128, 0)], new Style(4, 140))], "Its arch"),
            new FormulaAttachment(2_000, 800, "F = m g", "M0 0L2000 0L2000 800Z"),
            new PlaceAttachment(map, 2_000, 8_000, "The mill"),
        ];
    }

    private async Task PutUpAsync(Guid wall, string text, ImmutableArray<Attachment> shown)
    {
        var host = await School.Get<RoomHosts>().GetAsync(wall);
        var client = ((ClientAdmitted)(await host.SubmitAsync(new AdmitClient(), Actor.Owner, Stop)).Envelope!.Event).Number;
        Assert.NotNull((await host.SubmitAsync(new Submission(client, 1, 0, 0, new PutUpCard(Ids.Of(client, 1), 11, "en", text, shown)), Actor.Owner, Stop)).Envelope);
    }

    private static byte[] Png(int width, int height, SKColor colour)
    {
        using var bitmap = new SKBitmap(width, height);
        bitmap.Erase(colour);
        using var image = SKImage.FromBitmap(bitmap);
        using var png = image.Encode(SKEncodedImageFormat.Png, 100);
        return PictureIntake.Take(png.ToArray()).Picture!.Bytes;
    }

    private static async Task<HttpResponseMessage> UploadAsync(HttpClient browser, string page, Guid? room = null)
    {
        var source = await browser.GetStringAsync(page, Stop);
        var token = source.Split("data-token=\"")[1].Split('"')[0];
        using var form = new MultipartFormDataContent();
        var content = new ByteArrayContent(Png(40, 30, SKColors.Blue));
        content.Headers.ContentType = new MediaTypeHeaderValue("image/png");
        form.Add(content, "picture", "bridge.png");
        using var request = new HttpRequestMessage(HttpMethod.Post, $"/rooms/{room ?? RoomOf(page)}/media{(page.Contains('?', StringComparison.Ordinal) ? $"?{QueryOf(page)}" : "")}") { Content = form };
        request.Headers.Add("RequestVerificationToken", token);
        return await browser.SendAsync(request, Stop);
    }

    private static Guid RoomOf(string board) => Guid.Parse(board.Split('/', '?')[2]);

    private static string QueryOf(string board) => board.Split('?')[1];
}
