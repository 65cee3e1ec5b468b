using System.Net;
using System.Net.Http.Headers;
using System.Net.Http.Json;
using System.Text;
using System.Text.RegularExpressions;
using SkiaSharp;
using Yardang.Core.Activities;
using Yardang.Core.Interchange;
using Yardang.Core.Marks;
using Yardang.Data.Media;
using Yardang.Rendering;
using Yardang.Web.Lessons;
using Yardang.Web.Shelf;

namespace Yardang.Web.Tests.Media;

public sealed partial class MediaTests : IAsyncDisposable
{
    private readonly TestSchool _school = new();

    [Fact]
    public async Task A_student_puts_a_picture_on_their_board_and_the_teacher_sees_it_and_nobody_else()
    {
        var (varga, teacher) = await _school.TeacherAsync("Ilse Varga");
        var (other, _) = await _school.TeacherAsync("Tobi Adeyemi");
        var (_, lesson) = await _school.HandOutAsync(teacher);
        var (maya, board) = await _school.StudentAsync(lesson.Code, "Maya");
        var (ben, bens) = await _school.StudentAsync(lesson.Code, "Ben");
        using var answer = await UploadAsync(maya, board, Png(40, 30));
        Assert.Equal(HttpStatusCode.OK, answer.StatusCode);
        var taken = await answer.Content.ReadFromJsonAsync<Taken>(TestContext.Current.CancellationToken);
        Assert.Equal((40, 30), (taken!.Width, taken.Height));
        var address = $"/rooms/{RoomOf(board)}/media/{taken.Media}";
        Assert.Equal(HttpStatusCode.OK, (await maya.GetAsync($"{address}?{board.Split('?')[1]}", Stop)).StatusCode);
        Assert.Equal(HttpStatusCode.OK, (await varga.GetAsync(address, Stop)).StatusCode);
        Assert.Equal(HttpStatusCode.NotFound, (await other.GetAsync(address, Stop)).StatusCode);
        Assert.Equal(HttpStatusCode.NotFound, (await ben.GetAsync($"{address}?{bens.Split('?')[1]}", Stop)).StatusCode);
        Assert.Equal(HttpStatusCode.NotFound, (await _school.Visitor().GetAsync(address, Stop)).StatusCode);
    }

    [Fact]
    public async Task An_address_of_one_teachers_lesson_works_in_no_other_teachers_lesson_unless_it_shows_the_same_file()
    {
        var (_, teacher) = await _school.TeacherAsync("Ilse Varga");
        var (adeyemi, other) = await _school.TeacherAsync("Tobi Adeyemi");
        var (_, lesson) = await _school.HandOutAsync(teacher);
        var (_, elsewhere) = await _school.HandOutAsync(other);
        var (maya, board) = await _school.StudentAsync(lesson.Code, "Maya");
        var (zoe, zoes) = await _school.StudentAsync(elsewhere.Code, "Zoe");
        using var answer = await UploadAsync(maya, board, Png(40, 30));
        var name = (await answer.Content.ReadFromJsonAsync<Taken>(Stop))!.Media;
        Task<HttpResponseMessage> InZoesAsync(HttpClient browser) => browser.GetAsync($"/rooms/{RoomOf(zoes)}/media/{name}?{(browser == zoe ? zoes.Split('?')[1] : "")}", Stop);
        Assert.Equal(HttpStatusCode.NotFound, (await InZoesAsync(zoe)).StatusCode);
        Assert.Equal(HttpStatusCode.NotFound, (await InZoesAsync(adeyemi)).StatusCode);

        // A colleague's activity, given out by somebody else, shows what is kept for the colleague.
        var shows = new Mark(5, 1, 1, ByStaff: true, Grip.Printed, 5, new PictureBody(0, 0, 2_000, 1_000, name, "A truss"), default, Place.AsDrawn, [], Erased: false);
        var (activity, shown) = await _school.HandOutAsync(other, content: ActivityContent.Blank("en", "Triangles in trusses") with { Marks = [shows] });
        var (ben, bens) = await _school.StudentAsync(shown.Code, "Ben");
        Assert.Equal(HttpStatusCode.OK, (await ben.GetAsync($"/rooms/{RoomOf(bens)}/media/{name}?{bens.Split('?')[1]}", Stop)).StatusCode);
        Assert.Equal(HttpStatusCode.OK, (await adeyemi.GetAsync($"/rooms/{activity.DraftId}/media/{name}", Stop)).StatusCode);
        Assert.Equal(HttpStatusCode.NotFound, (await InZoesAsync(zoe)).StatusCode);

        // Who sends the same file has it.
        using var his = await UploadAsync(zoe, zoes, Png(40, 30));
        Assert.Equal(HttpStatusCode.OK, (await InZoesAsync(zoe)).StatusCode);
    }

    [Fact]
    public async Task A_weak_device_gets_a_smaller_picture_and_nobody_else_does()
    {
        var (varga, teacher) = await _school.TeacherAsync("Ilse Varga");
        var (_, lesson) = await _school.HandOutAsync(teacher);
        var (maya, board) = await _school.StudentAsync(lesson.Code, "Maya");
        var (ben, bens) = await _school.StudentAsync(lesson.Code, "Ben");
        using var answer = await UploadAsync(maya, board, Speckled(1_600, 1_200));
        var taken = await answer.Content.ReadFromJsonAsync<Taken>(Stop);
        var address = $"/rooms/{RoomOf(board)}/media/{taken!.Media}";
        var whole = await varga.GetByteArrayAsync(address, Stop);
        for (var asked = 0; asked < 2; asked++)
        {
            using var given = await maya.GetAsync($"{address}?{board.Split('?')[1]}&small", Stop);
            var small = await given.Content.ReadAsByteArrayAsync(Stop);
            Assert.Equal("image/webp", given.Content.Headers.ContentType?.MediaType);
            Assert.InRange(small.Length, 1, whole.Length / 3);
            using var picture = SKBitmap.Decode(small);
            Assert.Equal((800, 600), (picture.Width, picture.Height));
        }

        Assert.Equal(HttpStatusCode.NotFound, (await ben.GetAsync($"{address}?{bens.Split('?')[1]}&small", Stop)).StatusCode);
        Assert.Equal(whole, await varga.GetByteArrayAsync(address, Stop));

        // What is small already is given as it is, and so is what is no picture.
        var media = _school.Get<MediaStore>();
        var tiny = await media.KeepAsync(PictureIntake.Take(Png(20, 10)).Picture!.Bytes, Stop);
        Assert.Equal(media.Find(tiny), await varga.GetByteArrayAsync($"/rooms/{RoomOf(board)}/media/{tiny}?small", Stop));
        var film = await media.KeepAsync([0x1a, 0x45, 0xdf, 0xa3, .. new byte[100_000]], Stop);
        Assert.Equal(media.Find(film), await varga.GetByteArrayAsync($"/rooms/{RoomOf(board)}/media/{film}?small", Stop));
        media.Delete(taken.Media);
        Assert.Equal(HttpStatusCode.NotFound, (await maya.GetAsync($"{address}?{board.Split('?')[1]}&small", Stop)).StatusCode);
        Assert.Null(media.FindSmall(taken.Media));
    }

    [Theory]
    [InlineData("this is no picture")]
    [InlineData("<svg xmlns='http://www.w3.org/2000/svg'><script>alert(1)</script></svg>")]
    [InlineData("\u0089PNG\r\n\u001a\n and then nothing")]
    public async Task A_file_that_is_no_picture_is_refused_with_a_sentence(string content)
    {
        var (_, teacher) = await _school.TeacherAsync("Ilse Varga");
        var (_, lesson) = await _school.HandOutAsync(teacher);
        var (maya, board) = await _school.StudentAsync(lesson.Code, "Maya");
        using var answer = await UploadAsync(maya, board, Encoding.Latin1.GetBytes(content));
        Assert.Equal(HttpStatusCode.BadRequest, answer.StatusCode);
        Assert.Contains("not a picture", await answer.Content.ReadAsStringAsync(Stop), StringComparison.Ordinal);
    }

    [Fact]
    public async Task A_request_from_elsewhere_is_refused()
    {
        var (_, teacher) = await _school.TeacherAsync("Ilse Varga");
        var (_, lesson) = await _school.HandOutAsync(teacher);
        var (maya, board) = await _school.StudentAsync(lesson.Code, "Maya");
        using var answer = await UploadAsync(maya, board, Png(4, 4), token: "forged");
        Assert.Equal(HttpStatusCode.BadRequest, answer.StatusCode);
    }

    [Fact]
    public async Task A_student_who_sends_pictures_without_end_is_told_to_wait_and_a_classmate_is_not()
    {
        var (_, teacher) = await _school.TeacherAsync("Ilse Varga");
        var (_, lesson) = await _school.HandOutAsync(teacher);
        var (maya, board) = await _school.StudentAsync(lesson.Code, "Maya");
        var (ben, bens) = await _school.StudentAsync(lesson.Code, "Ben");
        var status = HttpStatusCode.OK;
        for (var sent = 0; sent < 40 && status == HttpStatusCode.OK; sent++)
        {
            using var answer = await UploadAsync(maya, board, Png(4, 4));
            status = answer.StatusCode;
        }

        Assert.Equal(HttpStatusCode.TooManyRequests, status);
        using var his = await UploadAsync(ben, bens, Png(4, 4));
        Assert.Equal(HttpStatusCode.OK, his.StatusCode);
    }

    [Fact]
    public async Task An_archive_takes_its_pictures_along_and_leaves_out_what_is_none()
    {
        var (_, teacher) = await _school.TeacherAsync("Ilse Varga");
        var media = _school.Get<MediaStore>();
        var kept = await media.KeepAsync(PictureIntake.Take(Png(20, 10)).Picture!.Bytes, Stop);
        var missing = new string('0', 64);
        Mark Shows(long id, string name) => new(id, 1, 1, ByStaff: true, Grip.Printed, id, new PictureBody(0, 0, 2_000, 1_000, name, "A truss"), default, Place.AsDrawn, [], Erased: false);
        var content = ActivityContent.Blank("en", "Triangles in trusses") with { Marks = [Shows(5, kept), Shows(6, missing)] };
        var archived = ActivityArchive.Read(ActivityArchive.Write(content, media.Find));
        Assert.Equal([kept], archived.Media.Keys);
        var making = _school.Get<ActivityMaking>();
        var imported = await making.ContentAsync(await making.ImportAsync(teacher, archived));
        var shown = Assert.IsType<PictureBody>(Assert.Single(imported.Marks).Body);
        Assert.NotNull(media.Find(shown.Media));
    }

    [Fact]
    public void A_photograph_is_turned_upright_and_made_no_larger_than_needed()
    {
        var (picture, _) = PictureIntake.Take(Png(4_800, 100));
        Assert.Equal((3_400, 70), (picture!.Width, picture.Height));
    }

    [Fact]
    public void A_picture_with_holes_keeps_them()
    {
        using var bitmap = new SKBitmap(10, 10, SKColorType.Rgba8888, SKAlphaType.Unpremul);
        bitmap.Erase(SKColors.Transparent);
        using var image = SKImage.FromBitmap(bitmap);
        var (picture, _) = PictureIntake.Take(image.Encode(SKEncodedImageFormat.Png, 100).ToArray());
        using var back = SKBitmap.Decode(picture!.Bytes);
        Assert.Equal(0, back.GetPixel(5, 5).Alpha);
    }

    public ValueTask DisposeAsync() => _school.DisposeAsync();

    private static CancellationToken Stop => TestContext.Current.CancellationToken;

    // Every pixel of another colour, so that it stays large however it is kept.
    private static byte[] Speckled(int width, int height)
    {
        using var bitmap = new SKBitmap(width, height, SKColorType.Rgba8888, SKAlphaType.Opaque);
        bitmap.Pixels = [.. Enumerable.Range(0, width * height).Select(i => new SKColor((uint)(i * 2_654_435_761L) | 0xff000000))];
        using var encoded = bitmap.Encode(SKEncodedImageFormat.Png, 100);
        return encoded.ToArray();
    }

    private static byte[] Png(int width, int height)
    {
        using var bitmap = new SKBitmap(width, height);
        bitmap.Erase(SKColors.Teal);
        using var image = SKImage.FromBitmap(bitmap);
        return image.Encode(SKEncodedImageFormat.Png, 100).ToArray();
    }

    private static string RoomOf(string board) => board.Split('/', '?')[2];

    private static async Task<HttpResponseMessage> UploadAsync(HttpClient browser, string board, byte[] file, string? token = null)
    {
        var page = await browser.GetStringAsync(board, Stop);
        using var form = new MultipartFormDataContent();
        var content = new ByteArrayContent(file);
        content.Headers.ContentType = new MediaTypeHeaderValue("image/png");
        form.Add(content, "picture", "bridge.png");
        using var request = new HttpRequestMessage(HttpMethod.Post, $"/rooms/{RoomOf(board)}/media?{board.Split('?')[1]}") { Content = form };
        request.Headers.Add("RequestVerificationToken", token ?? TokenPattern().Match(page).Groups["token"].Value);
        return await browser.SendAsync(request, Stop);
    }

    private sealed record Taken(string Media, int Width, int Height);

    [GeneratedRegex("""data-token="(?<token>[^"]+)""", RegexOptions.ExplicitCapture, 1_000)]
    private static partial Regex TokenPattern();
}
