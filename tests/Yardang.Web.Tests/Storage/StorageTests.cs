using System.Net;
using System.Net.Http.Json;
using System.Text.Json;
using System.Text.RegularExpressions;
using Microsoft.EntityFrameworkCore;
using Yardang.Core.Attachments;
using Yardang.Core.Media;
using Yardang.Core.Pages;
using Yardang.Core.Tests.Media;
using Yardang.Core.Walls;
using Yardang.Data.Media;
using Yardang.Data.School;
using Yardang.Web.Rooms;
using Yardang.Web.Storage;
using Yardang.Web.Tests.Moderation;
using static Yardang.Web.Tests.Lessons.OnWalls;

namespace Yardang.Web.Tests.Storage;

/// <summary>Files have room up to a limit, which is said before it is reached; what nobody puts up or refers to is removed.</summary>
public sealed class StorageTests : InTrayLessons
{
    private const long Megabyte = 1024 * 1024;

    private static readonly WallPlan s_plan = Plan with { Rules = Plan.Rules with { Shows = AttachmentKinds.Pictures | AttachmentKinds.Voices } };

    private IDbContextFactory<SchoolContext> Database => School.Get<IDbContextFactory<SchoolContext>>();

    [Fact]
    public async Task A_file_is_kept_where_lesson_teacher_and_school_have_room_for_it()
    {
        var (_, wall) = await HandOutAsync(s_plan);
        var (_, other) = await HandOutAsync(s_plan);
        Assert.Equal(StorageOf.Lesson, (await With(new(100, 1_000, 1_000)).KeepAsync(wall, new byte[101], Stop)).Full);
        Assert.Null((await With(new(100, 1_000, 1_000)).KeepAsync(wall, File(60, 1), Stop)).Full);
        Assert.Equal(StorageOf.Lesson, (await With(new(100, 1_000, 1_000)).KeepAsync(wall, File(60, 2), Stop)).Full);
        Assert.Null((await With(new(100, 1_000, 1_000)).KeepAsync(other, File(60, 2), Stop)).Full);
        Assert.Equal(StorageOf.Teacher, (await With(new(100, 130, 1_000)).KeepAsync(other, File(20, 3), Stop)).Full);
        Assert.Equal(StorageOf.School, (await With(new(100, 1_000, 130)).KeepAsync(other, File(20, 3), Stop)).Full);

        // The same file in another lesson counts there, and lies on the disk once: the school has room for it.
        Assert.Null((await With(new(200, 1_000, 130)).KeepAsync(other, File(60, 1), Stop)).Full);
        Assert.Null(School.Get<MediaStore>().FindFile(MediaName.Of(File(20, 3)).Text));
    }

    [Fact]
    public async Task Where_there_is_no_room_it_is_said_in_a_sentence_and_what_was_sent_is_not_kept()
    {
        var (lesson, wall) = await HandOutAsync(s_plan);
        var (maya, page) = await School.StudentAsync(lesson.Code, "Maya");
        await UsedAsync(wall, 1_000 * Megabyte);
        var query = page.Split('?')[1];
        var token = Regex.Match(await maya.GetStringAsync($"/board/{wall}?{query}", Stop), "data-token=\"(?<token>[^\"]+)", RegexOptions.ExplicitCapture, TimeSpan.FromSeconds(1)).Groups["token"].Value;
        using var voice = new HttpRequestMessage(HttpMethod.Put, $"/rooms/{wall}/uploads/{Guid.NewGuid()}?what=voice&{query}&at=0&of={MadeUpFiles.All["voice"].Length}") { Content = new ByteArrayContent(MadeUpFiles.All["voice"]) };
        voice.Headers.Add("RequestVerificationToken", token);
        using var picture = new HttpRequestMessage(HttpMethod.Post, $"/rooms/{wall}/media?{query}") { Content = new MultipartFormDataContent { { new ByteArrayContent(Png()), "picture", "arch.png" } } };
        picture.Headers.Add("RequestVerificationToken", token);
        foreach (var sent in new[] { voice, picture })
        {
            using var answer = await maya.SendAsync(sent, Stop);
            Assert.Equal(HttpStatusCode.InsufficientStorage, answer.StatusCode);
            Assert.Contains("This lesson has no room for more files.", (await answer.Content.ReadFromJsonAsync<JsonElement>(Stop)).GetProperty("fault").GetString(), StringComparison.Ordinal);
        }

        Assert.Empty(Directory.EnumerateFiles(Path.Combine(School.Folder, "uploads")));
        Assert.Null(School.Get<MediaStore>().FindFile(MediaName.Of(MadeUpFiles.All["voice"]).Text));
    }

    [Fact]
    public async Task A_teacher_sees_what_takes_room_and_is_told_before_it_is_used_up()
    {
        var (lesson, wall) = await HandOutAsync(s_plan, "The old bridge");
        Assert.DoesNotContain("of its room for files", await Varga.GetStringAsync("/desk", Stop), StringComparison.Ordinal);
        await UsedAsync(wall, 850 * Megabyte);
        var desk = WebUtility.HtmlDecode(await Varga.GetStringAsync("/desk", Stop));
        Assert.Contains($"“{lesson.Title}” has used up 85", desk, StringComparison.Ordinal);
        var kept = WebUtility.HtmlDecode(await Varga.GetStringAsync("/keeping", Stop));
        Assert.Contains("850 MB of 5,000 MB are used.", kept, StringComparison.Ordinal);
        var (other, _) = await School.TeacherAsync("Somebody Else");
        Assert.DoesNotContain("old bridge", await other.GetStringAsync("/keeping", Stop), StringComparison.Ordinal);
    }

    [Fact]
    public async Task What_is_sent_and_never_put_up_is_removed_after_thirty_days_and_what_is_put_up_stays()
    {
        var (lesson, wall) = await HandOutAsync(s_plan);
        await School.StudentAsync(lesson.Code, "Maya");
        var (files, media) = (School.Get<RoomMedia>(), School.Get<MediaStore>());
        var (shown, left) = ((await files.KeepAsync(wall, Png(), Stop)).Name, (await files.KeepAsync(wall, File(500, 7), Stop)).Name);
        await DoAsync(await School.Get<RoomHosts>().GetAsync(wall), Maya, id => new PutUpCard(id, 11, "en", "Look", [new PictureAttachment(shown, 60, 40, "An arch")]));
        await School.Get<UnshownMedia>().SweepAsync(DateTimeOffset.UtcNow.AddDays(29));
        Assert.NotNull(media.FindFile(left));
        await School.Get<UnshownMedia>().SweepAsync(DateTimeOffset.UtcNow.AddDays(31));
        Assert.Null(media.FindFile(left));
        Assert.NotNull(media.FindFile(shown));
        await using var db = await Database.CreateDbContextAsync(Stop);
        Assert.Equal([(shown, true)], (await db.KeptFiles.Where(f => f.RoomId == wall).ToListAsync(Stop)).Select(f => (f.Name, f.IsShown)));
    }

    [Fact]
    public async Task A_deleted_lesson_frees_its_room_and_an_archive_that_comes_back_takes_it_again()
    {
        var (lesson, wall) = await HandOutAsync(s_plan);
        await School.StudentAsync(lesson.Code, "Maya");
        var picture = (await School.Get<RoomMedia>().KeepAsync(wall, Png(), Stop)).Name;
        await DoAsync(await School.Get<RoomHosts>().GetAsync(wall), Maya, id => new PutUpCard(id, 11, "en", "Look", [new PictureAttachment(picture, 60, 40, "An arch")]));
        var archive = await Varga.GetByteArrayAsync($"/lesson/{lesson.Id}.yardang.zip", Stop);
        Assert.Equal(Png().Length, (await School.Get<RoomMedia>().OfTeacherAsync(Teacher)).All.Used);
        await School.Get<Web.PersonalData.LessonRetention>().DeleteAsync(lesson, WhyDeleted.ByHand, false);
        Assert.Equal(0, (await School.Get<RoomMedia>().OfTeacherAsync(Teacher)).All.Used);
        using var brought = await TestSchool.ImportAsync(Varga, archive);
        var again = Assert.Single((await School.Get<RoomMedia>().OfTeacherAsync(Teacher)).Shares);
        Assert.Equal((true, Png().Length), (again.IsLesson, again.Use.Used));
    }

    private static byte[] File(int size, byte filled) => [.. Enumerable.Repeat(filled, size)];

    private RoomMedia With(StorageLimits limits) => new(Database, School.Get<MediaStore>(), limits, TimeProvider.System);

    private async Task UsedAsync(Guid room, long bytes)
    {
        await using var db = await Database.CreateDbContextAsync(Stop);
        db.KeptFiles.Add(new() { RoomId = room, Name = new string('0', 64), Bytes = bytes, KeptAt = DateTimeOffset.UtcNow });
        await db.SaveChangesAsync(Stop);
    }
}
