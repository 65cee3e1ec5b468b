using System.Text.Json;
using Microsoft.EntityFrameworkCore;
using Microsoft.Extensions.DependencyInjection;
using Yardang.Core.Activities;
using Yardang.Core.ClassLists;
using Yardang.Core.Lessons;
using Yardang.Core.Rooms;
using Yardang.Data.School;
using Yardang.Web.ClassLists;
using Yardang.Web.Lessons;
using Yardang.Web.Shelf;

namespace Yardang.Web.Tests.ClassLists;

/// <summary>Groups planned for several lessons of a class, and taken in one of them.</summary>
public sealed class RotationPageTests : IAsyncLifetime
{
    private readonly TestSchool _school = new();
    private HttpClient _teacher = null!;
    private Guid _teacherId;
    private Guid _list;

    private static CancellationToken Stop => TestContext.Current.CancellationToken;

    private ClassListShelf Lists => _school.Get<ClassListShelf>();

    public async ValueTask InitializeAsync()
    {
        (_teacher, _teacherId) = await _school.TeacherAsync("Ilse Varga");
        _list = await Lists.KeepAsync(_teacherId, null, "7 Amber", Enumerable.Range(1, 9).Select(n => new ClassEntry(n, $"Student {n}")));
    }

    public ValueTask DisposeAsync() => _school.DisposeAsync();

    [Fact]
    public async Task Nine_in_threes_meet_nobody_twice_in_four_lessons_and_the_plan_is_kept_with_the_class()
    {
        using (await PlanAsync(3, 4)) Assert.Contains("Nobody meets the same partner twice", await _teacher.GetStringAsync($"/classes/{_list}/rotation", Stop));
        var plan = ClassListShelf.PlanOf((await Lists.FindAsync(_teacherId, _list))!);
        Assert.Equal(4, plan.Length);
        Assert.All(plan, lesson => Assert.Equal(Enumerable.Range(1, 9), lesson.SelectMany(g => g).Order()));
    }

    [Fact]
    public async Task Wishes_hold_in_every_lesson_and_those_that_cannot_are_named()
    {
        using (await PlanAsync(3, 3, together: "1, 2", apart: "1, 3"))
        {
            var plan = ClassListShelf.PlanOf((await Lists.FindAsync(_teacherId, _list))!);
            Assert.All(plan, lesson => Assert.Contains(lesson, g => g.Contains(1) && g.Contains(2) && !g.Contains(3)));
        }

        using (await PlanAsync(3, 2, together: "1, 2", apart: "Student 1, Student 2")) Assert.Contains("cannot hold in every lesson: Student 1, Student 2", await _teacher.GetStringAsync($"/classes/{_list}/rotation", Stop));
    }

    [Theory]
    [InlineData(3, 4, "1, Leif", "is meant by: Leif")]
    [InlineData(1, 4, "", "at least two people")]
    [InlineData(3, 99, "", "at most 15 lessons")]
    public async Task What_cannot_be_planned_is_told_why_and_what_was_typed_stays(int size, int lessons, string together, string said)
    {
        using var answer = await PlanAsync(size, lessons, together);
        var page = await answer.Content.ReadAsStringAsync(Stop);
        Assert.Contains(said, page);
        Assert.Contains(together, page);
        Assert.Empty(ClassListShelf.PlanOf((await Lists.FindAsync(_teacherId, _list))!));
    }

    [Fact]
    public async Task In_a_lesson_the_planned_groups_are_those_of_who_came_with_the_fewest_changes()
    {
        using (await PlanAsync(3, 4))
        {
            var handing = _school.Get<Handing>();
            var making = _school.Get<ActivityMaking>();
            var activity = await making.CreateAsync(_teacherId, ActivityContent.Blank("en", "Triangles in trusses"));
            var lesson = await handing.HandOutAsync(activity, new HandOutOrder("7 Amber", Way: Way.ByGroup, ClassList: await Lists.FindAsync(_teacherId, _list)), "en");
            var planned = ClassListShelf.PlanOf((await Lists.FindAsync(_teacherId, _list))!)[1];
            foreach (var number in Enumerable.Range(1, 8)) await _school.StudentAsync(lesson.Code, $"{number}");

            await using var db = await _school.Get<IDbContextFactory<SchoolContext>>().CreateDbContextAsync(Stop);
            var people = await db.Participants.Where(p => p.LessonId == lesson.Id).ToDictionaryAsync(p => p.ListNumber!.Value, p => p.Number, Stop);
            await Lists.KeepPlanAsync(_teacherId, _list, "1, 2", "", ClassListShelf.PlanOf((await Lists.FindAsync(_teacherId, _list))!));
            Assert.Contains($"\"wishes\":[{{\"together\":true,\"pair\":[{people[1]},{people[2]}]}}]", await _teacher.GetStringAsync($"/lesson/{lesson.Id}/people", Stop));
            Assert.Equal(Named(planned.Select(g => g.AsEnumerable()), people), await TakeAsync(lesson.Id, 2, onlyHere: false));
            Assert.Equal(Named(planned.Select(g => g.Where(n => n != 9)), people), await TakeAsync(lesson.Id, 2, onlyHere: true));
        }
    }

    private static IEnumerable<IEnumerable<int>> Named(IEnumerable<IEnumerable<int>> groups, Dictionary<int, int> people) => groups.Select(g => g.Select(n => people[n]));

    private Task<HttpResponseMessage> PlanAsync(int size, int lessons, string together = "", string apart = "") =>
        TestSchool.PostAsync(_teacher, $"/classes/{_list}/rotation", new() { ["size"] = $"{size}", ["lessons"] = $"{lessons}", ["together"] = together, ["apart"] = apart });

    private async Task<int[][]> TakeAsync(Guid lesson, int nth, bool onlyHere)
    {
        var page = await _teacher.GetStringAsync($"/lesson/{lesson}/people", Stop);
        Assert.Contains("Groups of the plan", page);
        var token = System.Text.RegularExpressions.Regex.Match(page, "data-token=\"(?<token>[^\"]+)\"", System.Text.RegularExpressions.RegexOptions.ExplicitCapture, TimeSpan.FromSeconds(1)).Groups["token"].Value;
        using var answer = await _teacher.PostAsync($"/lesson/{lesson}/people?handler=Planned", new FormUrlEncodedContent(new Dictionary<string, string>(StringComparer.Ordinal)
        {
            ["nth"] = $"{nth}",
            ["onlyHere"] = onlyHere ? "true" : "false",
            ["__RequestVerificationToken"] = token,
        }), Stop);
        return JsonSerializer.Deserialize<JsonElement>(await answer.Content.ReadAsStringAsync(Stop)).GetProperty("groups").Deserialize<int[][]>()!;
    }
}
