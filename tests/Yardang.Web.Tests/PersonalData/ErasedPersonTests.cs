using System.Net;
using System.Text;
using Microsoft.EntityFrameworkCore;
using Yardang.Core.Attachments;
using Yardang.Core.PersonalData;
using Yardang.Core.Rooms;
using Yardang.Core.Threads;
using Yardang.Core.Walls;
using Yardang.Data.Media;
using Yardang.Data.School;
using Yardang.Web.PersonalData;
using Yardang.Web.Rooms;
using Yardang.Web.Tests.Moderation;
using static Yardang.Web.Tests.Lessons.OnWalls;

namespace Yardang.Web.Tests.PersonalData;

/// <summary>What was kept of a student is gone for good: from the tables, the logs, the snapshots and the files, and what others did stays.</summary>
public sealed class ErasedPersonTests : InTrayLessons
{
    private static readonly WallPlan s_withPictures = Plan with { Rules = Plan.Rules with { Shows = AttachmentKinds.Pictures } };

    private const string Name = "Maya Quillfeather";

    [Fact]
    public async Task Nothing_of_theirs_is_left_in_the_folder_of_the_data_and_a_classmates_answer_stays()
    {
        var (lesson, wall) = await HandOutAsync(s_withPictures);
        var (device, page) = await School.StudentAsync(lesson.Code, Name);
        await School.StudentAsync(lesson.Code, "Ben");
        var hosts = School.Get<RoomHosts>();
        var host = await hosts.GetAsync(wall);
        var picture = await School.Get<MediaStore>().KeepAsync(Encoding.UTF8.GetBytes("a picture of a zanzibar bridge"), Stop);
        long card = 0;
        await DoAsync(host, Maya, id => new PutUpCard(card = id, 11, "en", "Quartzite carries", [new PictureAttachment(picture, 100, 100, "One zeppelin arch")]));
        await DoAsync(host, Maya, id => new PutUpCard(id, 11, "en", "Obsidian breaks"));
        await DoAsync(host, Ben, id => new GiveAnswer(card, id, 0, "en", "Granite too"));
        await host.StopAsync();
        foreach (var words in Theirs(picture)) Assert.True(IsInFolder(words), words);

        await School.Get<PersonErasure>().EraseAsync(lesson.Id, Maya.Number);
        foreach (var words in Theirs(picture)) Assert.False(IsInFolder(words), words);
        Assert.True(IsInFolder("Granite too"));
        Assert.Null(School.Get<MediaStore>().Find(picture));

        var (cards, _) = await StateAsync(await hosts.GetAsync(wall));
        Assert.Equal((Erasure.Gone, "Granite too"), (Assert.Single(cards.Values).Text, cards[card].Said[0].Text));
        await DoAsync(await hosts.GetAsync(wall), Ben, id => new PutUpCard(id, 11, "en", "It goes on"));

        // No device is theirs any more.
        using var back = await device.GetAsync(page, Stop);
        Assert.NotEqual(HttpStatusCode.OK, back.StatusCode);
        Assert.Contains("Somebody who has left", await Varga.GetStringAsync($"/lesson/{lesson.Id}/people/{Maya.Number}", Stop), StringComparison.Ordinal);
    }

    [Fact]
    public async Task A_picture_that_a_classmate_shows_too_stays()
    {
        var (lesson, wall) = await HandOutAsync(s_withPictures);
        await School.StudentAsync(lesson.Code, "Maya");
        await School.StudentAsync(lesson.Code, "Ben");
        var host = await School.Get<RoomHosts>().GetAsync(wall);
        var picture = await School.Get<MediaStore>().KeepAsync(Encoding.UTF8.GetBytes("a picture that both show"), Stop);
        await DoAsync(host, Maya, id => new PutUpCard(id, 11, "en", "Mine", [new PictureAttachment(picture, 100, 100, "An arch")]));
        await DoAsync(host, Ben, id => new PutUpCard(id, 11, "en", "Mine too", [new PictureAttachment(picture, 100, 100, "An arch")]));
        await School.Get<PersonErasure>().EraseAsync(lesson.Id, Maya.Number);
        Assert.NotNull(School.Get<MediaStore>().Find(picture));
    }

    [Fact]
    public async Task What_a_crash_interrupted_is_ended_at_the_next_start()
    {
        var (lesson, host) = await ClassAsync();
        await DoAsync(host, Maya, id => new PutUpCard(id, 11, "en", "Quartzite carries"));
        await using (var db = await School.Get<IDbContextFactory<SchoolContext>>().CreateDbContextAsync(Stop))
            await db.Participants.Where(p => p.LessonId == lesson.Id && p.Number == Maya.Number).ExecuteUpdateAsync(p => p.SetProperty(r => r.Erasing, Erasing.UnderWay), Stop);
        await School.Get<PersonErasure>().StartAsync(Stop);
        Assert.Empty((await StateAsync(await School.Get<RoomHosts>().GetAsync(host.Id))).Cards);
        Assert.False(IsInFolder("Quartzite"));
    }

    [Fact]
    public async Task Only_the_owner_who_types_the_name_erases_and_once_is_enough()
    {
        var (lesson, host) = await ClassAsync();
        await DoAsync(host, Maya, id => new PutUpCard(id, 11, "en", "Quartzite carries"));
        var address = $"/lesson/{lesson.Id}/people/{Maya.Number}";
        var (other, _) = await School.TeacherAsync("Somebody Else");
        using var foreign = await TestSchool.PostAsync(other, "/desk", new() { ["name"] = "Maya" }, $"{address}?handler=Erase");
        Assert.Equal(HttpStatusCode.NotFound, foreign.StatusCode);
        using var wrong = await TestSchool.PostAsync(Varga, address, new() { ["name"] = "Ben" }, $"{address}?handler=Erase");
        Assert.Contains("Nothing was erased", await wrong.Content.ReadAsStringAsync(Stop), StringComparison.Ordinal);
        Assert.Single((await StateAsync(host)).Cards);

        using var right = await TestSchool.PostAsync(Varga, address, new() { ["name"] = " maya " }, $"{address}?handler=Erase");
        Assert.Empty((await StateAsync(await School.Get<RoomHosts>().GetAsync(host.Id))).Cards);
        var page = await Varga.GetStringAsync(address, Stop);
        Assert.Contains("erased for good", page, StringComparison.Ordinal);
        Assert.DoesNotContain("erase-name", page, StringComparison.Ordinal);
    }

    [Fact]
    public async Task On_a_wall_where_names_are_for_nobody_nothing_is_erased()
    {
        var (lesson, wall) = await HandOutAsync(Plan with { Rules = Plan.Rules with { Names = NamesTo.Nobody } });
        await School.StudentAsync(lesson.Code, "Maya");
        var hosts = School.Get<RoomHosts>();
        await DoAsync(await hosts.GetAsync(wall), Maya, id => new PutUpCard(id, 11, "en", "Nobody knows whose"));
        await School.Get<PersonErasure>().EraseAsync(lesson.Id, Maya.Number);
        Assert.Equal("Nobody knows whose", Assert.Single((await StateAsync(await hosts.GetAsync(wall))).Cards.Values).Text);
    }

    private static string[] Theirs(string picture) => [Name, "Quartzite", "Obsidian", "zeppelin", "zanzibar", picture];

    private bool IsInFolder(string words) => OnDisk.Has(School, words);
}
