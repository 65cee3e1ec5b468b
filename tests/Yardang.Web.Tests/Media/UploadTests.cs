using System.IO.Compression;
using System.Net;
using System.Net.Http.Json;
using System.Text.Json;
using System.Text.RegularExpressions;
using Yardang.Core.Activities;
using Yardang.Core.Boards;
using Yardang.Core.Editing;
using Yardang.Core.Marks;
using Yardang.Core.Pages;
using Yardang.Core.Styles;
using Yardang.Core.Attachments;
using Yardang.Core.Lessons;
using Yardang.Core.Media;
using Yardang.Core.Rooms;
using Yardang.Core.Tests.Media;
using Yardang.Core.Walls;
using Yardang.Data.Media;
using Yardang.Web.Lessons;
using Yardang.Web.Shelf;
using Yardang.Web.Media;
using Yardang.Web.Rooms;
using Yardang.Web.Tests.Moderation;
using static Yardang.Web.Tests.Lessons.OnWalls;

namespace Yardang.Web.Tests.Media;

/// <summary>Voices, films and files come in pieces, from those who may show them, and are what their content says.</summary>
public sealed class UploadTests : InTrayLessons
{
    private static readonly WallPlan s_plan = Plan with { Rules = Plan.Rules with { Shows = AttachmentKinds.Voices | AttachmentKinds.Films | AttachmentKinds.Files, VoiceSeconds = 10 } };

    private static readonly byte[] s_voice = MadeUpFiles.All["voice"];

    [Fact]
    public async Task A_voice_that_came_in_pieces_is_kept_byte_for_byte_and_is_as_long_as_it_is()
    {
        var (maya, voice) = await StudentAsync("Maya");
        Assert.Equal(0, (await AskAsync(maya, voice)).At);
        Assert.Equal((HttpStatusCode.OK, 500), await PutAsync(maya, voice, 0, s_voice[..500]));

        // The answer was lost: the same piece again, and one that leaves something out.
        Assert.Equal((HttpStatusCode.PreconditionFailed, 500), await PutAsync(maya, voice, 0, s_voice[..500]));
        Assert.Equal((HttpStatusCode.PreconditionFailed, 500), await PutAsync(maya, voice, 700, s_voice[700..]));
        Assert.Equal(500, (await AskAsync(maya, voice)).At);

        using var last = await SendAsync(maya, voice, 500, s_voice[500..]);
        var kept = (await last.Content.ReadFromJsonAsync<JsonElement>(Stop)).GetProperty("kept");
        Assert.Equal(1_980, kept.GetProperty("duration").GetInt64());
        var media = kept.GetProperty("media").GetString();
        Assert.Equal(s_voice, await maya.GetByteArrayAsync($"/rooms/{voice.Wall}/media/{media}?{voice.Query}", Stop));

        // Whoever did not hear that it is there is told again.
        Assert.Equal(media, (await AskAsync(maya, voice)).Kept!.Value.GetProperty("media").GetString());
        using var again = await SendAsync(maya, voice, 500, s_voice[500..]);
        Assert.Equal(HttpStatusCode.OK, again.StatusCode);
        Assert.Empty(Directory.EnumerateFiles(Path.Combine(School.Folder, "uploads"), "*.part"));
    }

    [Fact]
    public async Task Parts_of_it_are_given_so_that_it_can_be_gone_to_any_place()
    {
        var (maya, voice) = await StudentAsync("Maya");
        using var sent = await SendAsync(maya, voice, 0, s_voice);
        var media = (await sent.Content.ReadFromJsonAsync<JsonElement>(Stop)).GetProperty("kept").GetProperty("media").GetString();
        using var asked = new HttpRequestMessage(HttpMethod.Get, $"/rooms/{voice.Wall}/media/{media}?{voice.Query}") { Headers = { Range = new(100, 199) } };
        using var part = await maya.SendAsync(asked, Stop);
        Assert.Equal(HttpStatusCode.PartialContent, part.StatusCode);
        Assert.Equal(s_voice[100..200], await part.Content.ReadAsByteArrayAsync(Stop));
        Assert.Equal("nosniff", part.Headers.GetValues("X-Content-Type-Options").Single());
    }

    [Fact]
    public async Task What_is_no_voice_or_too_long_is_refused_in_words_and_nothing_of_it_stays()
    {
        var (maya, voice) = await StudentAsync("Maya");
        foreach (var (file, why) in new[]
        {
            (MadeUpFiles.All["film"], "no recording that can be played"),
            (s_voice[..40], "no recording that can be played"),
            ("<script>alert(1)</script>"u8.ToArray(), "no recording that can be played"),
            (MadeUpFiles.Wav(seconds: 13), "at most 10 seconds"),
        })
        {
            var one = voice with { Id = Guid.NewGuid() };
            using var answer = await SendAsync(maya, one, 0, file);
            Assert.Equal(HttpStatusCode.BadRequest, answer.StatusCode);
            Assert.Contains(why, (await answer.Content.ReadFromJsonAsync<JsonElement>(Stop)).GetProperty("fault").GetString(), StringComparison.Ordinal);
            Assert.Equal(0, (await AskAsync(maya, one)).At);
        }

        Assert.Empty(Directory.EnumerateFiles(Path.Combine(School.Folder, "uploads")));
        using var large = await SendAsync(maya, voice, 0, s_voice, of: Uploads.MostBytes + 1);
        Assert.Equal(HttpStatusCode.RequestEntityTooLarge, large.StatusCode);
        foreach (var (at, of) in new[] { (-1L, 10L), (0, 0), (10, 10), (0, -5) })
        {
            using var wrong = await SendAsync(maya, voice, at, s_voice, of);
            Assert.Equal(HttpStatusCode.BadRequest, wrong.StatusCode);
        }
    }

    [Fact]
    public async Task Only_those_who_may_show_voices_there_send_any_and_each_knows_of_their_own_alone()
    {
        var (maya, voice) = await StudentAsync("Maya");
        await PutAsync(maya, voice, 0, s_voice[..500]);
        var (ben, page) = await School.StudentAsync(_code!, "Ben");
        var bens = voice with { Query = page.Split('?')[1] };
        Assert.Equal(0, (await AskAsync(ben, bens)).At);
        Assert.Equal(HttpStatusCode.NotFound, (await School.Visitor().GetAsync($"/rooms/{voice.Wall}/uploads/{voice.Id}?what={voice.What}&{voice.Query}", Stop)).StatusCode);
        Assert.Equal(HttpStatusCode.BadRequest, (await SendAsync(School.Visitor(), voice, 500, s_voice[500..], token: await TokenAsync(maya, voice))).StatusCode);
        Assert.Equal(HttpStatusCode.BadRequest, (await SendAsync(maya, voice, 500, s_voice[500..], token: "none")).StatusCode);

        var (other, words) = await HandOutAsync(Plan);
        var (noor, noors) = await School.StudentAsync(other.Code, "Noor");
        var elsewhere = new Voice(words, noors.Split('?')[1], Guid.NewGuid());
        Assert.Equal(HttpStatusCode.NotFound, (await SendAsync(noor, elsewhere, 0, s_voice, token: await TokenAsync(noor, elsewhere))).StatusCode);
    }

    [Fact]
    public async Task Nobody_fills_the_disk_with_what_they_never_finish()
    {
        var (maya, voice) = await StudentAsync("Maya");
        for (var i = 0; i < Uploads.MostAtOnce; i++) Assert.Equal((HttpStatusCode.OK, 100), await PutAsync(maya, voice with { Id = Guid.NewGuid() }, 0, s_voice[..100]));
        using var more = await SendAsync(maya, voice, 0, s_voice[..100], s_voice.Length);
        Assert.Equal(HttpStatusCode.TooManyRequests, more.StatusCode);

        foreach (var file in Directory.EnumerateFiles(Path.Combine(School.Folder, "uploads"))) File.SetLastWriteTimeUtc(file, DateTime.UtcNow.AddDays(-2));
        await PutAsync(Varga, voice with { Query = "" }, 0, s_voice[..100]);
        Assert.Equal((HttpStatusCode.OK, 100), await PutAsync(maya, voice, 0, s_voice[..100]));
    }

    [Fact]
    public async Task A_voice_goes_out_with_its_card_in_tables_prints_and_archives_and_comes_back()
    {
        var (maya, voice) = await StudentAsync("Maya");
        using var sent = await SendAsync(maya, voice, 0, s_voice);
        var media = (await sent.Content.ReadFromJsonAsync<JsonElement>(Stop)).GetProperty("kept").GetProperty("media").GetString()!;
        var host = await School.Get<RoomHosts>().GetAsync(voice.Wall);
        await DoAsync(host, Maya, id => new PutUpCard(id, 11, "en", "Listen", [new VoiceAttachment(media, 2_000, "0490", "Ropes pull")]));
        Assert.Contains("[Voice, 0:02: Ropes pull]", await Varga.GetStringAsync($"/lesson/{_lesson}/board/{voice.Wall}.csv", Stop), StringComparison.Ordinal);
        Assert.Contains("Ropes pull", await Varga.GetStringAsync($"/lesson/{_lesson}/board/{voice.Wall}.svg", Stop), StringComparison.Ordinal);
        using var brought = await TestSchool.ImportAsync(Varga, await Varga.GetByteArrayAsync($"/lesson/{_lesson}.yardang.zip", Stop));
        var again = Guid.Parse(brought.Headers.Location!.ToString().Split('/')[^1]);
        var boards = JsonDocument.Parse(await Varga.GetStringAsync($"/lesson/{again}/people.json", Stop)).RootElement;
        var wall = boards[0].GetProperty("board").GetGuid();
        var card = Assert.Single((await StateAsync(await School.Get<RoomHosts>().GetAsync(wall))).Cards.Values);
        Assert.Equal(media, Assert.IsType<VoiceAttachment>(Assert.Single(card.Shown)).Media);
        Assert.Equal(s_voice, await Varga.GetByteArrayAsync($"/rooms/{wall}/media/{media}", Stop));
    }

    [Fact]
    public async Task A_film_is_a_film_and_as_long_as_recordings_may_be_there()
    {
        var (maya, sent) = await StudentAsync("Maya");
        var film = sent with { What = "film" };
        using var kept = await SendAsync(maya, film, 0, MadeUpFiles.All["film"]);
        Assert.Equal(980, (await kept.Content.ReadFromJsonAsync<JsonElement>(Stop)).GetProperty("kept").GetProperty("duration").GetInt64());
        foreach (var (file, why) in new[] { (s_voice, "no film that can be played"), (MadeUpFiles.Mp4("avc1", seconds: 13), "at most 10 seconds"), (MadeUpFiles.Mp4("hvc1", seconds: 5), "no film that can be played") })
        {
            using var answer = await SendAsync(maya, film with { Id = Guid.NewGuid() }, 0, file);
            Assert.Equal(HttpStatusCode.BadRequest, answer.StatusCode);
            Assert.Contains(why, (await answer.Content.ReadFromJsonAsync<JsonElement>(Stop)).GetProperty("fault").GetString(), StringComparison.Ordinal);
        }

        using var other = await SendAsync(maya, film with { What = "program" }, 0, s_voice, token: await TokenAsync(maya, film));
        Assert.Equal(HttpStatusCode.NotFound, other.StatusCode);
    }

    [Fact]
    public async Task A_picture_that_stands_for_a_film_is_taken_where_films_may_be_shown_and_pictures_may_not()
    {
        var (maya, sent) = await StudentAsync("Maya");
        Assert.Equal(HttpStatusCode.OK, await PictureAsync("film"));
        Assert.Equal(HttpStatusCode.OK, await PictureAsync("file"));
        Assert.Equal(HttpStatusCode.NotFound, await PictureAsync(""));

        async Task<HttpStatusCode> PictureAsync(string of)
        {
            using var form = new MultipartFormDataContent { { new ByteArrayContent(Png()), "picture", "still.png" } };
            using var request = new HttpRequestMessage(HttpMethod.Post, $"/rooms/{sent.Wall}/media?of={of}&{sent.Query}") { Content = form };
            request.Headers.Add("RequestVerificationToken", await TokenAsync(maya, sent));
            using var answer = await maya.SendAsync(request, Stop);
            return answer.StatusCode;
        }
    }

    [Fact]
    public async Task A_file_is_taken_along_under_its_name_and_never_shown_in_the_browser()
    {
        var (maya, sent) = await StudentAsync("Maya");
        foreach (var (name, format, called, saved) in new[]
        {
            ("pdf", FileFormat.Pdf, "plan.pdf", "plan.pdf"), ("text", FileFormat.Text, "page.html", "page.txt"), ("xlsx", FileFormat.Xlsx, "../../loads.xlsx", "file.xlsx"), ("odt", FileFormat.Odt, "talk", "talk.odt"),
        })
        {
            using var answer = await SendAsync(maya, sent with { What = "file", Id = Guid.NewGuid() }, 0, MadeUpDocuments.All[name]);
            var kept = (await answer.Content.ReadFromJsonAsync<JsonElement>(Stop)).GetProperty("kept");
            Assert.Equal((int)format, kept.GetProperty("format").GetInt32());
            using var file = await maya.GetAsync($"/rooms/{sent.Wall}/media/{kept.GetProperty("media").GetString()}?called={Uri.EscapeDataString(called)}&{sent.Query}", Stop);
            Assert.Equal(MadeUpDocuments.All[name], await file.Content.ReadAsByteArrayAsync(Stop));
            Assert.Equal("application/octet-stream", file.Content.Headers.ContentType!.MediaType);
            Assert.Equal(("attachment", saved), (file.Content.Headers.ContentDisposition!.DispositionType, file.Content.Headers.ContentDisposition.FileName));
            Assert.Contains("sandbox", file.Headers.GetValues("Content-Security-Policy").Single(), StringComparison.Ordinal);
        }

        foreach (var none in new byte[][] { [.. "MZ"u8, 0, 1, 2], MadeUpDocuments.Zip("[Content_Types].xml", "word/document.xml", "word/vbaProject.bin"), MadeUpFiles.All["film"] })
        {
            using var answer = await SendAsync(maya, sent with { What = "file", Id = Guid.NewGuid() }, 0, none);
            Assert.Equal(HttpStatusCode.BadRequest, answer.StatusCode);
        }
    }

    [Fact]
    public async Task Films_and_files_go_out_with_their_card_and_come_back()
    {
        var (_, sent) = await StudentAsync("Maya");
        var media = School.Get<MediaStore>();
        var film = new FilmAttachment(await media.KeepAsync(MadeUpFiles.All["film"], Stop), await media.KeepAsync(Png(), Stop), 640, 480, 980, "The model holds");
        var file = new FileAttachment(await media.KeepAsync(MadeUpDocuments.All["docx"], Stop), "plan.docx", FileFormat.Docx, MadeUpDocuments.All["docx"].Length, "", "Our plan");
        await DoAsync(await School.Get<RoomHosts>().GetAsync(sent.Wall), Maya, id => new PutUpCard(id, 11, "en", "Look", [film, file]));
        var table = await Varga.GetStringAsync($"/lesson/{_lesson}/board/{sent.Wall}.csv", Stop);
        Assert.Contains("[Film, 0:01: The model holds]", table, StringComparison.Ordinal);
        Assert.Contains("[File: plan.docx: Our plan]", table, StringComparison.Ordinal);
        Assert.Contains("The model holds", await Varga.GetStringAsync($"/lesson/{_lesson}/board/{sent.Wall}.svg", Stop), StringComparison.Ordinal);
        foreach (var (query, who) in new[] { ("", "Maya"), ("?numbers=true", "02") })
        {
            using var zip = new ZipArchive(new MemoryStream(await Varga.GetByteArrayAsync($"/lesson/{_lesson}/media.zip{query}", Stop)));
            Assert.Equal([$"{who}/001 Everybody s board Film.webm", $"{who}/002 plan.docx", "media.csv"], zip.Entries.Select(e => e.FullName));
            using var reader = new StreamReader(zip.GetEntry("media.csv")!.Open());
            Assert.Contains($"{who},Everybody’s board,Look,Film,0:01,The model holds", (await reader.ReadToEndAsync(Stop)).Replace("Everybody's", "Everybody’s", StringComparison.Ordinal), StringComparison.Ordinal);
            Assert.Equal(MadeUpFiles.All["film"].Length, zip.Entries.Single(e => e.Name.EndsWith(".webm", StringComparison.Ordinal)).Length);
        }

        using var brought = await TestSchool.ImportAsync(Varga, await Varga.GetByteArrayAsync($"/lesson/{_lesson}.yardang.zip", Stop));
        var again = Guid.Parse(brought.Headers.Location!.ToString().Split('/')[^1]);
        var wall = JsonDocument.Parse(await Varga.GetStringAsync($"/lesson/{again}/people.json", Stop)).RootElement[0].GetProperty("board").GetGuid();
        var card = Assert.Single((await StateAsync(await School.Get<RoomHosts>().GetAsync(wall))).Cards.Values);
        var filmed = Assert.IsType<FilmAttachment>(card.Shown[0]);
        Assert.Equal((film.Media, file), (filmed.Media, Assert.IsType<FileAttachment>(card.Shown[1])));
        Assert.NotNull(media.Find(filmed.Still));
    }

    [Fact]
    public async Task On_a_board_a_voice_is_taken_where_some_page_lets_students_speak_and_a_film_where_none_does_not()
    {
        var (maya, sent) = await OnBoardAsync("Maya", new PageShows(AttachmentKinds.Voices, 10));
        using var voice = await SendAsync(maya, sent, 0, s_voice);
        Assert.Equal(HttpStatusCode.OK, voice.StatusCode);
        using var tooLong = await SendAsync(maya, sent with { Id = Guid.NewGuid() }, 0, MadeUpFiles.Wav(seconds: 13));
        Assert.Contains("at most 10 seconds", await tooLong.Content.ReadAsStringAsync(Stop), StringComparison.Ordinal);
        using var film = await SendAsync(maya, sent with { What = "film", Id = Guid.NewGuid() }, 0, MadeUpFiles.All["film"]);
        Assert.Equal(HttpStatusCode.NotFound, film.StatusCode);
        using var question = new HttpRequestMessage(HttpMethod.Post, $"/rooms/{sent.Wall}/link?{sent.Query}&address=https://bridges.example/old");
        question.Headers.Add("RequestVerificationToken", await TokenAsync(maya, sent));
        using var link = await maya.SendAsync(question, Stop);
        Assert.Equal(HttpStatusCode.NotFound, link.StatusCode);
    }

    [Fact]
    public async Task On_a_board_that_gives_nothing_students_send_no_recording_and_a_classmate_sends_none_to_another_s()
    {
        var (maya, sent) = await OnBoardAsync("Maya", null);
        using var voice = await SendAsync(maya, sent, 0, s_voice);
        Assert.Equal(HttpStatusCode.NotFound, voice.StatusCode);
        var (_, mine) = await OnBoardAsync("Ben", new PageShows(AttachmentKinds.Voices, 10));
        using var elsewhere = await SendAsync(maya, mine with { Query = sent.Query }, 0, s_voice, token: await TokenAsync(maya, sent));
        Assert.Equal(HttpStatusCode.NotFound, elsewhere.StatusCode);
    }

    [Fact]
    public async Task What_stands_on_pages_is_in_the_zip_of_media_on_paper_and_in_the_archive_and_what_was_rubbed_out_is_not_in_the_zip()
    {
        var (_, sent) = await OnBoardAsync("Maya", new PageShows(PageShows.OnPages, 60));
        var media = School.Get<MediaStore>();
        var film = new FilmAttachment(await media.KeepAsync(MadeUpFiles.All["film"], Stop), await media.KeepAsync(Png(), Stop), 640, 480, 980, "The model holds");
        var host = await School.Get<RoomHosts>().GetAsync(sent.Wall);
        await DoAsync(host, Maya, id => new AddMark(id, 1, Grip.Own, new ShownBody(1_000, 1_000, 9_500, 7_000, film), new Style(0, 0)));
        await DoAsync(host, Maya, id => new AddMark(id, 1, Grip.Own, new ShownBody(1_000, 9_000, 9_500, 2_000, new LinkAttachment("https://bridges.example/old", "The old bridge", "")), new Style(0, 0)));
        var gone = 0L;
        await DoAsync(host, Maya, id => new AddMark(gone = id, 1, Grip.Own, new ShownBody(1_000, 9_000, 9_500, 2_000, film with { Words = "Gone" }), new Style(0, 0)));
        await DoAsync(host, Maya, _ => new MakeChanges([new Erasing(gone, true)]));
        using (var zip = new ZipArchive(new MemoryStream(await Varga.GetByteArrayAsync($"/lesson/{_lesson}/media.zip", Stop))))
        {
            Assert.Equal(["Maya/001 Maya Film.webm", "media.csv"], zip.Entries.Select(e => e.FullName));
        }

        var drawn = await Varga.GetStringAsync($"/lesson/{_lesson}/board/{sent.Wall}.svg", Stop);
        Assert.Contains("0:01", drawn, StringComparison.Ordinal);
        Assert.Contains("The old bridge", drawn, StringComparison.Ordinal);
        using var brought = await TestSchool.ImportAsync(Varga, await Varga.GetByteArrayAsync($"/lesson/{_lesson}.yardang.zip", Stop));
        var again = Guid.Parse(brought.Headers.Location!.ToString().Split('/')[^1]);
        var board = JsonDocument.Parse(await Varga.GetStringAsync($"/lesson/{again}/people.json", Stop)).RootElement[0].GetProperty("board").GetGuid();
        var marks = new List<MarkBody>();
        await (await School.Get<RoomHosts>().GetAsync(board)).LookAsync(room => marks.AddRange(((Board)room).Sheets.Visible(1).Select(m => m.Body)), Stop);
        Assert.Contains(marks, m => m is ShownBody { Shown: FilmAttachment { Words: "The model holds" } });
        Assert.Contains(marks, m => m is ShownBody { Shown: LinkAttachment });
    }

    private sealed record Voice(Guid Wall, string Query, Guid Id, string What = "voice");

    private JoinCode? _code;
    private Guid _lesson;

    private async Task<(HttpClient Browser, Voice Voice)> StudentAsync(string name)
    {
        var (lesson, wall) = await HandOutAsync(s_plan);
        (_code, _lesson) = (lesson.Code, lesson.Id);
        var (browser, page) = await School.StudentAsync(lesson.Code, name);
        return (browser, new(wall, page.Split('?')[1], Guid.NewGuid()));
    }

    // On a board of their own, with one page.
    private async Task<(HttpClient Browser, Voice Voice)> OnBoardAsync(string name, PageShows? shows)
    {
        var blank = ActivityContent.Blank("en", "Our bridge");
        var activity = await School.Get<ActivityMaking>().CreateAsync(Teacher, blank with { Pages = [blank.Pages[0] with { Shows = shows }] });
        var lesson = await School.Get<Handing>().HandOutAsync(activity, new HandOutOrder("7 Amber", Way: Way.OneEach), "en");
        (_code, _lesson) = (lesson.Code, lesson.Id);
        var (browser, page) = await School.StudentAsync(lesson.Code, name);
        return (browser, new(Guid.Parse(page.Split('?')[0].Split('/')[^1]), page.Split('?')[1], Guid.NewGuid()));
    }

    private static async Task<UploadState> AskAsync(HttpClient browser, Voice voice) =>
        (await browser.GetFromJsonAsync<UploadState>($"/rooms/{voice.Wall}/uploads/{voice.Id}?what={voice.What}&{voice.Query}", Stop))!;

    private static async Task<(HttpStatusCode, int)> PutAsync(HttpClient browser, Voice voice, long at, byte[] piece)
    {
        using var answer = await SendAsync(browser, voice, at, piece, s_voice.Length);
        return (answer.StatusCode, (await answer.Content.ReadFromJsonAsync<JsonElement>(Stop)).GetProperty("at").GetInt32());
    }

    private static async Task<HttpResponseMessage> SendAsync(HttpClient browser, Voice voice, long at, byte[] piece, long? of = null, string? token = null)
    {
        var size = of ?? at + piece.Length;
        using var request = new HttpRequestMessage(HttpMethod.Put, $"/rooms/{voice.Wall}/uploads/{voice.Id}?what={voice.What}&{voice.Query}&at={at}&of={size}") { Content = new ByteArrayContent(piece) };
        request.Headers.Add("RequestVerificationToken", token ?? await TokenAsync(browser, voice));
        return await browser.SendAsync(request, Stop);
    }

    private static async Task<string> TokenAsync(HttpClient browser, Voice voice)
    {
        var page = await browser.GetStringAsync(voice.Query.Length > 0 ? $"/board/{voice.Wall}?{voice.Query}" : "/desk", Stop);
        return Regex.Match(page, "(data-token=\"|__RequestVerificationToken\"[^>]*value=\")(?<token>[^\"]+)", RegexOptions.ExplicitCapture, TimeSpan.FromSeconds(1)).Groups["token"].Value;
    }
}
