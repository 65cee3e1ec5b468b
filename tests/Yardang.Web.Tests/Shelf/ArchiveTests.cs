using System.IO.Compression;
using System.Net;
using System.Text.Json;
using Microsoft.EntityFrameworkCore;
using SkiaSharp;
using Yardang.Core.Activities;
using Yardang.Core.Boards;
using Yardang.Core.Cupboard;
using Yardang.Core.Editing;
using Yardang.Core.Ink;
using Yardang.Core.Interchange;
using Yardang.Core.Lessons;
using Yardang.Core.Marks;
using Yardang.Core.Pages;
using Yardang.Core.Rooms;
using Yardang.Core.Styles;
using Yardang.Core.Threads;
using Yardang.Core.Walls;
using Yardang.Data.Media;
using Yardang.Data.School;
using Yardang.Headless.SimulatedClass;
using Yardang.Rendering;
using Yardang.Web.Lessons;
using Yardang.Web.Rooms;
using Yardang.Web.Shelf;

namespace Yardang.Web.Tests.Shelf;

/// <summary>Activities and their work as files, out and in again.</summary>
public class ArchiveTests
{
    private static CancellationToken Stop => TestContext.Current.CancellationToken;

    [Fact]
    public async Task An_activity_with_pictures_comes_back_byte_for_byte()
    {
        await using var school = new TestSchool();
        var (browser, teacher) = await school.TeacherAsync("Ilse Varga");
        var media = school.Get<MediaStore>();
        var photo = await media.KeepAsync(Photo(), Stop);
        var drawing = await media.KeepAsync(PictureIntake.Take(DrawingExport.Png(Drawings.All[0], 200)).Picture!.Bytes, Stop);
        var content = Templates.Find("compare")!.Content("en", text => text) with { Unit = LengthUnit.Inch };
        content = content with
        {
            Pages = [.. content.Pages.Select((p, i) => i == 0 ? p with { Stimulus = new Stimulus(StimulusKind.Picture, photo, "The old bridge") } : p)],
            Marks = content.Marks.Add(Picture(900, photo)).Add(Picture(901, drawing)),
        };
        var activity = await school.Get<ActivityMaking>().CreateAsync(teacher, content);

        var first = await browser.GetByteArrayAsync($"/activity/{activity.Id}.yardang.zip", Stop);
        using var answer = await TestSchool.ImportAsync(browser, first);
        var second = await browser.GetByteArrayAsync($"/activity/{answer.Headers.Location!.ToString().Split('/')[^1]}.yardang.zip", Stop);

        Assert.Equal(EntriesOf(first), EntriesOf(second));
        Assert.Equal(3, EntriesOf(first).Count);
    }

    [Fact]
    public async Task A_lesson_comes_back_with_its_work_closed_and_whole()
    {
        await using var school = new TestSchool();
        var (browser, teacher) = await school.TeacherAsync("Ilse Varga");
        var (_, lesson) = await school.HandOutAsync(teacher);
        foreach (var name in new[] { "Maya", "Ben" })
        {
            await using var student = await ClassMember.JoinAsync(school.Address, lesson.Code.Text, name);
            await student.DoAsync(new Draws([new InkPoint(100, 100, 128, 0), new InkPoint(900, 300, 128, 20)], 1), lively: false, Stop);
            await student.DoAsync(new PutsUpNote(400, 400, $"{name}: the arch pushes", 2), lively: false, Stop);
            await Eventually.IsAsync(() => !(student.Waiting > 0));
        }

        var first = await browser.GetByteArrayAsync($"/lesson/{lesson.Id}.yardang.zip", Stop);
        var (other, otherId) = await school.TeacherAsync("Tobi Adeyemi");
        using var answer = await TestSchool.ImportAsync(other, first);
        var again = Guid.Parse(answer.Headers.Location!.ToString().Split('/')[^1]);
        var second = await other.GetByteArrayAsync($"/lesson/{again}.yardang.zip", Stop);

        var (before, after) = (ActivityArchive.Read(first).Work!, ActivityArchive.Read(second).Work!);
        Assert.Equal(["Maya", "Ben"], after.People.Select(p => p.Name));
        Assert.Equal(JsonSerializer.Serialize(before.Boards), JsonSerializer.Serialize(after.Boards));
        Assert.Equal(2, after.Boards.Count(b => b.Marks.Length == 2));

        await using var db = await school.Get<IDbContextFactory<SchoolContext>>().CreateDbContextAsync(Stop);
        var record = await db.Lessons.SingleAsync(l => l.Id == again, Stop);
        Assert.Equal((otherId, true), (record.OwnerId, record.ClosedAt is not null));
        using var stranger = await browser.GetAsync($"/lesson/{again}.yardang.zip", Stop);
        Assert.Equal(HttpStatusCode.NotFound, stranger.StatusCode);
    }

    [Fact]
    public async Task A_lesson_comes_back_with_what_was_handed_out_late_what_was_handed_in_and_its_dates()
    {
        await using var school = new TestSchool();
        var (browser, teacher) = await school.TeacherAsync("Ilse Varga");
        var (activity, lesson) = await school.HandOutAsync(teacher);
        await using (var student = await ClassMember.JoinAsync(school.Address, lesson.Code.Text, "Maya"))
        {
            await student.DoAsync(new PutsUpNote(400, 400, "the arch pushes", 2), lively: false, Stop);
            await Eventually.IsAsync(() => student.Waiting == 0);
        }

        var room = await school.Get<RoomHosts>().GetAsync(lesson.Id);
        await room.SubmitAsync(new SetTimes(LessonTimes.None with { HandsIn = true, DueAt = 1_900_000_000_000 }), Actor.Program, Stop);
        var client = ((ClientAdmitted)(await room.SubmitAsync(new AdmitClient(), new Actor(2, Role.Student), Stop)).Envelope!.Event).Number;
        await room.SubmitAsync(new Submission(client, 1, 0, 0, new HandIn()), new Actor(2, Role.Student), Stop);
        var draft = await school.Get<RoomHosts>().GetAsync(activity.DraftId);
        var page = Ids.Of(Ids.FirstDraftClient, 9);
        await draft.SubmitAsync(new AdmitClient(), Actor.Owner, Stop);
        await draft.SubmitAsync(new Submission(Ids.FirstDraftClient, 1, 0, 0, new AddPage(new Page(page, Texts.In("en", "Build {what}"), PageSize.A4, Paper.Plain), 5)), Actor.Owner, Stop);
        Assert.Null(await school.Get<LateHanding>().HandOutPagesAsync(lesson, [page], [], []));
        var mayas = await school.Get<RoomHosts>().GetAsync((await school.Get<LessonPeople>().BoardsAsync(lesson, lesson.Parts[0])).Single().Id);
        await Eventually.IsAsync(async () =>
        {
            var pages = 0;
            await mayas.LookAsync(r => pages = ((Board)r).Sheets.Pages.Count, Stop);
            return pages == 2;
        });
        var first = await browser.GetByteArrayAsync($"/lesson/{lesson.Id}.yardang.zip", Stop);

        using var answer = await TestSchool.ImportAsync(browser, first);
        var again = Guid.Parse(answer.Headers.Location!.ToString().Split('/')[^1]);
        var (before, after) = (ActivityArchive.Read(first).Work!, ActivityArchive.Read(await browser.GetByteArrayAsync($"/lesson/{again}.yardang.zip", Stop)).Work!);
        Assert.Equal(["", "Build {what}"], before.Boards.Single().Pages.Select(p => p.Name.For("en")));
        Assert.Equal(["", "Build {what}"], after.Boards.Single().Pages.Select(p => p.Name.For("en")));
        Assert.NotNull(after.Boards.Single().ChangedAt);
        Assert.NotNull(after.People.Single().HandedInAt);
        Assert.Equal((before.HandedOutAt, before.DueAt, before.HandsIn), (after.HandedOutAt, after.DueAt, after.HandsIn));
        Assert.Equal(JsonSerializer.Serialize((before.People, before.Boards)), JsonSerializer.Serialize((after.People, after.Boards)));
    }

    [Fact]
    public async Task A_lesson_on_walls_comes_back_with_its_cards_as_they_were_up()
    {
        await using var school = new TestSchool();
        var (browser, teacher) = await school.TeacherAsync("Ilse Varga");
        var plan = new WallPlan(Purpose.Sort, Texts.In("en", "What do we know?"), [new Topic(1, Texts.In("en", "Materials"), Texts.None, 0), new Topic(2, Texts.In("en", "Forces"), Texts.None, 1)], WallRules.Free);
        var activity = await school.Get<ActivityMaking>().CreateAsync(teacher, ActivityContent.BlankWall("en", "Bridges") with { Parts = [new Part(1, PartKind.Wall, plan)] });
        var lesson = await school.Get<Handing>().HandOutAsync(activity, new HandOutOrder("7 Amber", Way: Way.AllTogether), "en");
        foreach (var name in new[] { "Maya", "Ben" })
        {
            await using var student = await ClassMember.JoinAsync(school.Address, lesson.Code.Text, name);
            await student.DoAsync(new PutsUpCard(0, $"{name}: stone"), lively: false, Stop);
            await student.DoAsync(new MovesCard(1), lively: false, Stop);
            await student.DoAsync(new PutsUpCard(9, $"{name}: a game"), lively: false, Stop);
            await Eventually.IsAsync(() => student.Waiting == 0);
        }

        // What is down is not archived.
        var wall = await school.Get<RoomHosts>().GetAsync(await school.TogetherAsync(lesson));
        var first = 0L;
        await wall.LookAsync(r => first = ((Wall)r).Cards.Keys.First(), Stop);
        var client = ((ClientAdmitted)(await wall.SubmitAsync(new AdmitClient(), Actor.Owner, Stop)).Envelope!.Event).Number;
        await wall.SubmitAsync(new Submission(client, 1, 0, 0, new TakeCardDown(first)), Actor.Owner, Stop);

        // What is said to a card comes along, and who said it.
        var (answered, asked) = (0L, Ids.Of(client, 2));
        await wall.LookAsync(r => answered = ((Wall)r).Cards.Keys.Last(), Stop);
        await wall.SubmitAsync(new Submission(client, 2, 1, 0, new GiveAnswer(answered, asked, 0, "en", "Which game?")), Actor.Owner, Stop);
        var bens = ((ClientAdmitted)(await wall.SubmitAsync(new AdmitClient(), new Actor(3, Role.Student), Stop)).Envelope!.Event).Number;
        await wall.SubmitAsync(new Submission(client, 3, 2, 0, new SetPlan(plan with { Rules = new(Answers: true) })), Actor.Owner, Stop);
        await wall.SubmitAsync(new Submission(bens, 1, 0, 0, new GiveAnswer(answered, Ids.Of(bens, 1), asked, "en", "Building with straws")), new Actor(3, Role.Student), Stop);

        var file = await browser.GetByteArrayAsync($"/lesson/{lesson.Id}.yardang.zip", Stop);
        var (other, _) = await school.TeacherAsync("Tobi Adeyemi");
        using var answer = await TestSchool.ImportAsync(other, file);
        var again = Guid.Parse(answer.Headers.Location!.ToString().Split('/')[^1]);
        var (before, after) = (ActivityArchive.Read(file).Work!, ActivityArchive.Read(await other.GetByteArrayAsync($"/lesson/{again}.yardang.zip", Stop)).Work!);
        Assert.Equal(3, before.Boards.Single().Wall!.Cards.Length);
        Assert.Equal([("Which game?", true), ("Building with straws", false)], before.Boards.Single().Wall!.Cards.SelectMany(c => c.Said).OrderBy(a => a.SaidAt).ThenBy(a => a.Id).Select(a => (a.Text, a.ByStaff)));
        Assert.Equal(JsonSerializer.Serialize((before.People, before.Boards)), JsonSerializer.Serialize((after.People, after.Boards)));
    }

    [Fact]
    public async Task A_hostile_archive_takes_nothing_in_and_says_why()
    {
        await using var school = new TestSchool();
        var guest = school.Visitor();
        await TestSchool.PostAsync(guest, "/start", new() { ["way"] = "OneEach", ["paper"] = "Plain" });
        var content = ActivityContent.Blank("en", "x") with { Pages = [new Page(1, Texts.None, new PageSize(int.MaxValue, int.MaxValue), new Paper(PaperKind.CoordinatePlane, Across: new Axis(0, int.MaxValue, 1)))] };
        using var bytes = new MemoryStream();
        using (var zip = new ZipArchive(bytes, ZipArchiveMode.Create, leaveOpen: true))
        {
            using var entry = zip.CreateEntry(ActivityArchive.ActivityEntry).Open();
            entry.Write(ActivityJson.Write(content));
        }

        await using var db = await school.Get<IDbContextFactory<SchoolContext>>().CreateDbContextAsync(Stop);
        var before = await db.Activities.CountAsync(Stop);
        using var answer = await TestSchool.ImportAsync(guest, bytes.ToArray());
        Assert.Equal(HttpStatusCode.OK, answer.StatusCode);
        Assert.Contains("nothing was changed. Page 1", await answer.Content.ReadAsStringAsync(Stop), StringComparison.Ordinal);
        Assert.Equal(before, await db.Activities.CountAsync(Stop));
    }

    [Theory]
    [InlineData("work.json", "{\"format\":1,\"work\":{\"name\":\"x\"", "The work cannot be read")]
    [InlineData("work.json", "{\"format\":9,\"work\":null}", "The work")]
    [InlineData("activity.json", "{\"format\":9,\"activity\":null}", "The activity")]
    public async Task A_damaged_or_newer_archive_is_refused_with_the_place_named(string entry, string content, string said)
    {
        await using var school = new TestSchool();
        var (browser, teacher) = await school.TeacherAsync("Ilse Varga");
        using var bytes = new MemoryStream();
        using (var zip = new ZipArchive(bytes, ZipArchiveMode.Create, leaveOpen: true))
        {
            Add(zip, "activity.json", ActivityJson.Write(ActivityContent.Blank("en", "Load test log")));
            if (entry != "activity.json") Add(zip, entry, System.Text.Encoding.UTF8.GetBytes(content));
        }

        using var whole = entry == "activity.json" ? Zip(entry, content) : null;
        using var answer = await TestSchool.ImportAsync(browser, whole?.ToArray() ?? bytes.ToArray());
        Assert.Equal(HttpStatusCode.OK, answer.StatusCode);
        Assert.Contains(said, WebUtility.HtmlDecode(await answer.Content.ReadAsStringAsync(Stop)), StringComparison.Ordinal);
        await using var db = await school.Get<IDbContextFactory<SchoolContext>>().CreateDbContextAsync(Stop);
        Assert.False(await db.Activities.AnyAsync(a => a.OwnerId == teacher, Stop));
    }

    private static MemoryStream Zip(string entry, string content)
    {
        var bytes = new MemoryStream();
        using (var zip = new ZipArchive(bytes, ZipArchiveMode.Create, leaveOpen: true)) Add(zip, entry, System.Text.Encoding.UTF8.GetBytes(content));
        return bytes;
    }

    private static void Add(ZipArchive zip, string name, byte[] content)
    {
        using var entry = zip.CreateEntry(name).Open();
        entry.Write(content);
    }

    private static Mark Picture(long id, string media) =>
        new(id, 1, 1, ByStaff: true, Grip.Printed, id, new PictureBody(0, 0, 900, 900, media, "A bridge"), new Style(0, 0), Place.AsDrawn, [], Erased: false);

    private static byte[] Photo()
    {
        using var bitmap = new SKBitmap(60, 40, SKColorType.Rgba8888, SKAlphaType.Opaque);
        for (var i = 0; i < 2_400; i++) bitmap.SetPixel(i % 60, i / 60, new SKColor((byte)(i % 251), (byte)(i * 7), (byte)(i * 13)));
        using var image = SKImage.FromBitmap(bitmap);
        using var png = image.Encode(SKEncodedImageFormat.Png, 100);
        return PictureIntake.Take(png.ToArray()).Picture!.Bytes;
    }

    private static Dictionary<string, string> EntriesOf(byte[] archive)
    {
        using var zip = new ZipArchive(new MemoryStream(archive), ZipArchiveMode.Read);
        return zip.Entries.ToDictionary(e => e.FullName, e =>
        {
            using var stream = e.Open();
            using var copy = new MemoryStream();
            stream.CopyTo(copy);
            return Convert.ToHexString(System.Security.Cryptography.SHA256.HashData(copy.ToArray()));
        }, StringComparer.Ordinal);
    }
}
