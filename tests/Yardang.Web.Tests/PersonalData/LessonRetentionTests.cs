using System.Net;
using System.Text;
using Microsoft.AspNetCore.Hosting;
using Microsoft.EntityFrameworkCore;
using Yardang.Core.Attachments;
using Yardang.Core.PersonalData;
using Yardang.Core.Walls;
using Yardang.Data.Log;
using Yardang.Data.Media;
using Yardang.Data.School;
using Yardang.Web.Mail;
using Yardang.Web.PersonalData;
using Yardang.Web.Rooms;
using Yardang.Web.Tests.Moderation;
using static Yardang.Web.Tests.Lessons.OnWalls;

namespace Yardang.Web.Tests.PersonalData;

/// <summary>Lessons are deleted when their time is over: told of before, archived first, and gone for good.</summary>
public sealed class LessonRetentionTests : InTrayLessons
{
    private static readonly DateTimeOffset s_now = DateTimeOffset.UtcNow;

    private LessonRetention Retained => School.Get<LessonRetention>();

    [Fact]
    public async Task On_the_chosen_day_all_of_it_goes_and_only_its_archive_can_be_taken_along_for_a_while()
    {
        var (lesson, wall) = await HandOutAsync(Plan with { Rules = Plan.Rules with { Shows = AttachmentKinds.Pictures } });
        var (device, page) = await School.StudentAsync(lesson.Code, "Maya Quillfeather");
        var host = await School.Get<RoomHosts>().GetAsync(wall);
        var picture = await School.Get<MediaStore>().KeepAsync(Encoding.UTF8.GetBytes("a picture of a zanzibar bridge"), Stop);
        await DoAsync(host, Maya, id => new PutUpCard(id, 11, "en", "Quartzite carries", [new PictureAttachment(picture, 100, 100, "One zeppelin arch")]));
        string[] theirs = ["Quillfeather", "Quartzite", "zeppelin", "zanzibar", picture];
        await host.StopAsync();
        foreach (var words in theirs) Assert.True(OnDisk.Has(School, words), words);
        await DayAsync(lesson, s_now.AddDays(20));
        await Retained.SweepAsync(s_now.AddDays(19));
        Assert.Equal(HttpStatusCode.OK, (await Varga.GetAsync($"/lesson/{lesson.Id}", Stop)).StatusCode);

        await Retained.SweepAsync(s_now.AddDays(21));
        foreach (var words in theirs) Assert.False(OnDisk.Has(School, words, archives: false), words);
        Assert.Equal(HttpStatusCode.NotFound, (await Varga.GetAsync($"/lesson/{lesson.Id}", Stop)).StatusCode);
        Assert.NotEqual(HttpStatusCode.OK, (await device.GetAsync(page, Stop)).StatusCode);
        Assert.Equal((0, 0), (School.Get<IEventStore>().LastNumber(wall), School.Get<IEventStore>().LastNumber(lesson.Id)));

        // By its owner alone; and it comes back as a lesson to be read.
        var archive = $"/keeping?handler=Archive&lesson={lesson.Id}";
        var (other, _) = await School.TeacherAsync("Somebody Else");
        Assert.Equal(HttpStatusCode.NotFound, (await other.GetAsync(archive, Stop)).StatusCode);
        var zip = await Varga.GetByteArrayAsync(archive, Stop);
        var shown = await Varga.GetStringAsync("/keeping", Stop);
        Assert.Contains("the day that you chose", shown, StringComparison.Ordinal);
        Assert.Contains("People: 1. Boards and walls: 1.", shown, StringComparison.Ordinal);
        await Retained.SweepAsync(s_now.AddDays(60));
        Assert.Equal(HttpStatusCode.NotFound, (await Varga.GetAsync(archive, Stop)).StatusCode);
        foreach (var words in theirs) Assert.False(OnDisk.Has(School, words), words);
        Assert.Contains("<strong>A lesson</strong>", await Varga.GetStringAsync("/keeping", Stop), StringComparison.Ordinal);

        using (var brought = await TestSchool.ImportAsync(Varga, zip))
        {
            var again = Guid.Parse(brought.Headers.Location!.ToString().Split('/')[^1]);
            Assert.NotEqual(lesson.Id, again);
            await using var db = await School.Get<IDbContextFactory<SchoolContext>>().CreateDbContextAsync(Stop);
            Assert.Equal("Maya Quillfeather", (await db.Participants.SingleAsync(p => p.LessonId == again, Stop)).Name);
        }
    }

    [Fact]
    public async Task Without_its_archive_none_is_deleted()
    {
        var (lesson, _) = await ClassAsync();
        await DayAsync(lesson, s_now.AddDays(2));
        await File.WriteAllTextAsync(Path.Combine(School.Folder, "archives"), "in the way", Stop);
        await Retained.SweepAsync(s_now.AddDays(3));
        Assert.Equal(HttpStatusCode.OK, (await Varga.GetAsync($"/lesson/{lesson.Id}", Stop)).StatusCode);
        File.Delete(Path.Combine(School.Folder, "archives"));
        await Retained.SweepAsync(s_now.AddDays(3));
        Assert.Equal(HttpStatusCode.NotFound, (await Varga.GetAsync($"/lesson/{lesson.Id}", Stop)).StatusCode);
    }

    [Fact]
    public async Task The_schools_rule_holds_for_all_and_each_owner_is_told_once_before()
    {
        await using var school = new TestSchool(web => web.UseSetting("Yardang:KeepLessonsDays", "100"));
        var retained = school.Get<LessonRetention>();
        var (varga, teacher) = await school.TeacherAsync("Ilse Varga");
        var (_, lesson) = await school.HandOutAsync(teacher);
        var address = $"/lesson/{lesson.Id}";
        await retained.SweepAsync(s_now.AddDays(80));
        Assert.Empty(await school.Get<Outbox>().AllAsync());

        await retained.SweepAsync(s_now.AddDays(87));
        await retained.SweepAsync(s_now.AddDays(88));
        var mail = Assert.Single(await school.Get<Outbox>().AllAsync());
        Assert.Equal(("Deleted soon: What holds a bridge up? · 7 Amber", "/keeping"), (mail.Subject, mail.Link));
        Assert.Contains("1 of your lessons is deleted soon", await varga.GetStringAsync("/desk", Stop), StringComparison.Ordinal);
        Assert.Contains("keeps a lesson for 100 days", await varga.GetStringAsync("/keeping", Stop), StringComparison.Ordinal);

        // Longer than the school keeps it nobody can.
        using var beyond = await TestSchool.PostAsync(varga, "/keeping", new() { ["lesson"] = $"{lesson.Id}", ["day"] = s_now.AddDays(200).ToString("yyyy-MM-dd", null) }, "/keeping?handler=Day");
        Assert.Contains("Your school keeps this lesson until", await beyond.Content.ReadAsStringAsync(Stop), StringComparison.Ordinal);

        await retained.SweepAsync(s_now.AddDays(100));
        Assert.Equal(HttpStatusCode.OK, (await varga.GetAsync(address, Stop)).StatusCode);
        await retained.SweepAsync(s_now.AddDays(102));
        Assert.Equal(HttpStatusCode.NotFound, (await varga.GetAsync(address, Stop)).StatusCode);
        Assert.Contains("by your school", WebUtility.HtmlDecode(await varga.GetStringAsync("/keeping", Stop)), StringComparison.Ordinal);
    }

    [Fact]
    public async Task The_owner_deletes_at_once_when_sure_and_without_an_archive_nothing_of_it_stays()
    {
        var (lesson, _) = await ClassAsync();
        Dictionary<string, string> Fields() => new() { ["lesson"] = $"{lesson.Id}" };
        var (other, _) = await School.TeacherAsync("Somebody Else");
        using var foreign = await TestSchool.PostAsync(other, "/keeping", new(Fields()) { ["sure"] = "true" }, "/keeping?handler=Delete");
        Assert.Equal(HttpStatusCode.NotFound, foreign.StatusCode);
        using var unsure = await TestSchool.PostAsync(Varga, "/keeping", Fields(), "/keeping?handler=Delete");
        Assert.Contains("Nothing was deleted", await unsure.Content.ReadAsStringAsync(Stop), StringComparison.Ordinal);
        Assert.Equal(HttpStatusCode.OK, (await Varga.GetAsync($"/lesson/{lesson.Id}", Stop)).StatusCode);

        using var sure = await TestSchool.PostAsync(Varga, "/keeping", new(Fields()) { ["sure"] = "true" }, "/keeping?handler=Delete");
        Assert.Equal(HttpStatusCode.NotFound, (await Varga.GetAsync($"/lesson/{lesson.Id}", Stop)).StatusCode);
        Assert.Equal(HttpStatusCode.NotFound, (await Varga.GetAsync($"/keeping?handler=Archive&lesson={lesson.Id}", Stop)).StatusCode);
        Assert.False(Directory.Exists(Path.Combine(School.Folder, "archives")));
    }

    [Theory]
    [InlineData("never", "This is no day")]
    [InlineData("2001-01-01", "has begun already")]
    [InlineData("0000-00-00", "This is no day")]
    public async Task What_is_no_day_to_come_is_refused_in_a_sentence(string day, string sentence)
    {
        var (lesson, _) = await ClassAsync();
        using var answer = await TestSchool.PostAsync(Varga, "/keeping", new() { ["lesson"] = $"{lesson.Id}", ["day"] = day }, "/keeping?handler=Day");
        Assert.Contains(sentence, await answer.Content.ReadAsStringAsync(Stop), StringComparison.Ordinal);
        Assert.Null(Assert.Single(await Retained.OfAsync(Teacher)).Record.DeleteOn);
    }

    [Fact]
    public async Task Who_chooses_another_day_is_told_anew()
    {
        var (lesson, _) = await ClassAsync();
        await DayAsync(lesson, s_now.AddDays(3));
        Assert.Contains("is deleted soon", await Varga.GetStringAsync("/desk", Stop), StringComparison.Ordinal);
        Assert.Empty(await School.Get<Outbox>().AllAsync());
        await DayAsync(lesson, s_now.AddDays(40));
        Assert.DoesNotContain("is deleted soon", await Varga.GetStringAsync("/desk", Stop), StringComparison.Ordinal);
        await Retained.SweepAsync(s_now.AddDays(30));
        Assert.Single(await School.Get<Outbox>().AllAsync());
        await DayAsync(lesson, null);
        await Retained.SweepAsync(s_now.AddDays(400));
        Assert.Equal(HttpStatusCode.OK, (await Varga.GetAsync($"/lesson/{lesson.Id}", Stop)).StatusCode);
    }

    private async Task DayAsync(LessonRecord lesson, DateTimeOffset? day)
    {
        using var answer = await TestSchool.PostAsync(Varga, "/keeping", new() { ["lesson"] = $"{lesson.Id}", ["day"] = day?.ToString("yyyy-MM-dd", null) ?? "" }, "/keeping?handler=Day");
        Assert.Equal(HttpStatusCode.Redirect, answer.StatusCode);
    }
}
