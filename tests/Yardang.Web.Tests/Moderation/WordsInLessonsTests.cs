using System.Net;
using Yardang.Core.Lessons;
using Yardang.Core.Moderation;
using Yardang.Core.Pages;
using Yardang.Core.Rooms;
using Yardang.Core.Walls;
using Yardang.Web.Rooms;
using Yardang.Web.Tests.Lessons;
using static Yardang.Web.Tests.Lessons.OnWalls;

namespace Yardang.Web.Tests.Moderation;

/// <summary>What the word screen keeps back reaches no classmate by any way, and what is looked for no student.</summary>
public sealed class WordsInLessonsTests : WallLessons
{
    private static readonly Actor s_maya = new(2, Role.Student);
    private static readonly WordScreening s_wobbly = WordScreening.Usual with { Own = ["wobbly"] };

    [Fact]
    public async Task What_is_kept_back_is_in_no_snapshot_export_or_print_of_others_until_it_is_added()
    {
        var (lesson, wall) = await HandOutAsync(WallPlan.Blank with { Question = Texts.In("en", "Why does it stand?") });
        var (maya, mayas) = await School.StudentAsync(lesson.Code, "Maya");
        var (ben, bens) = await School.StudentAsync(lesson.Code, "Ben");
        var host = await School.Get<RoomHosts>().GetAsync(wall);
        await DoAsync(host, s_maya, id => new PutUpCard(id, 0, "en", "It is sh1t"));
        Assert.Contains("sh1t", await SnapshotAsync(maya, wall, mayas), StringComparison.Ordinal);
        Assert.DoesNotContain("sh1t", await SnapshotAsync(ben, wall, bens), StringComparison.Ordinal);
        Assert.DoesNotContain("sh1t", await (await Varga.GetAsync($"/lesson/{lesson.Id}/board/{wall}.csv", Stop)).Content.ReadAsStringAsync(Stop), StringComparison.Ordinal);

        await DoAsync(host, Actor.Owner, new AcceptLateWork((await SetAsideAsync(host)).Single()));
        Assert.Contains("sh1t", await SnapshotAsync(ben, wall, bens), StringComparison.Ordinal);
    }

    [Fact]
    public async Task What_a_teacher_sets_holds_in_rooms_that_are_open_and_students_are_not_told_the_words()
    {
        var (lesson, wall) = await HandOutAsync(WallPlan.Blank);
        var (maya, mayas) = await School.StudentAsync(lesson.Code, "Maya");
        var (hosts, host) = (School.Get<RoomHosts>(), await School.Get<RoomHosts>().GetAsync(wall));
        await DoAsync(await hosts.GetAsync(lesson.Id), Actor.Owner, new SetWordScreen(s_wobbly));
        await Eventually.IsAsync(() => Task.FromResult(host.Allowed.Screen?.Look("w0bbly").Length == 1));
        Assert.DoesNotContain("wobbly", await SnapshotAsync(maya, lesson.Id, mayas), StringComparison.Ordinal);
        Assert.Contains("wobbly", await SnapshotAsync(Varga, lesson.Id, "?"), StringComparison.Ordinal);

        // A room that is loaded later asks the lesson.
        await DoAsync(host, s_maya, id => new PutUpCard(id, 0, "en", "so wobbly"));
        Assert.Single(await SetAsideAsync(host));
    }

    [Theory]
    [InlineData("Shithead")]
    [InlineData("F.u.c.k")]
    [InlineData("wobbly")]
    public async Task A_name_that_a_class_should_not_read_does_not_come_in(string name)
    {
        var (lesson, _) = await HandOutAsync(WallPlan.Blank);
        await DoAsync(await School.Get<RoomHosts>().GetAsync(lesson.Id), Actor.Owner, new SetWordScreen(s_wobbly));
        var stranger = School.Visitor();
        using var answer = await TestSchool.PostAsync(stranger, $"/join/{lesson.Code}", new() { ["name"] = name });
        Assert.Equal(HttpStatusCode.OK, answer.StatusCode);
        Assert.Contains("the name that your class knows you by", await answer.Content.ReadAsStringAsync(Stop), StringComparison.Ordinal);
        Assert.Contains("?as=", (await School.StudentAsync(lesson.Code, "Dina Kock-Hellström")).Board, StringComparison.Ordinal);
    }

    [Fact]
    public async Task Where_names_are_masked_a_classmates_name_is_kept_back_also_of_who_came_just_now_and_else_it_is_not()
    {
        var (lesson, wall) = await HandOutAsync(WallPlan.Blank);
        await School.StudentAsync(lesson.Code, "Maya Quillfeather");
        var (hosts, host) = (School.Get<RoomHosts>(), await School.Get<RoomHosts>().GetAsync(wall));
        await DoAsync(host, s_maya, id => new PutUpCard(id, 0, "en", "Quillfeather was here"));
        Assert.Empty(await SetAsideAsync(host));
        await DoAsync(await hosts.GetAsync(lesson.Id), Actor.Owner, new MaskNames(true));
        await Eventually.IsAsync(() => Task.FromResult(host.Allowed.Screen?.Look("Quillfeather").Length == 1));
        await School.StudentAsync(lesson.Code, "Zarathustra");
        await Eventually.IsAsync(() => Task.FromResult(host.Allowed.Screen?.Look("zarathustra").Length == 1));
        await DoAsync(host, s_maya, id => new PutUpCard(id, 0, "en", "zarathustra cheats"));
        Assert.Single(await SetAsideAsync(host));
        await DoAsync(await hosts.GetAsync(lesson.Id), Actor.Owner, new MaskNames(false));
        await Eventually.IsAsync(() => Task.FromResult(host.Allowed.Screen?.Look("zarathustra").Length == 0));
    }

    [Fact]
    public async Task On_a_wall_that_hides_names_they_are_looked_for_and_on_a_board_of_the_same_lesson_they_are_not()
    {
        var (lesson, wall) = await HandOutAsync(WallPlan.Blank with { Rules = WallRules.Free with { Names = NamesTo.Teachers } });
        await School.StudentAsync(lesson.Code, "Maya Quillfeather");
        var host = await School.Get<RoomHosts>().GetAsync(wall);
        await Eventually.IsAsync(() => Task.FromResult(host.Allowed.ScreenWhereHidden?.Look("quillfeather").Length == 1));
        Assert.Empty(host.Allowed.Screen!.Look("quillfeather"));
        await DoAsync(host, s_maya, id => new PutUpCard(id, 0, "en", "by Quillfeather"));
        Assert.Single(await SetAsideAsync(host));
    }

    private static async Task<IReadOnlyList<long>> SetAsideAsync(RoomHost host)
    {
        IReadOnlyList<long> numbers = [];
        await host.LookAsync(room => numbers = [.. ((IWorkRoom)room).SetAside.Keys]);
        return numbers;
    }
}
