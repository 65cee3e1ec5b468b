using System.Net;
using System.Text;
using Microsoft.EntityFrameworkCore;
using Yardang.Core.Activities;
using Yardang.Core.ClassLists;
using Yardang.Core.Lessons;
using Yardang.Core.Rooms;
using Yardang.Data.School;
using Yardang.Web.ClassLists;
using Yardang.Web.Lessons;
using Yardang.Web.Rooms;
using Yardang.Web.Shelf;

namespace Yardang.Web.Tests.ClassLists;

public sealed class ClassListTests : IAsyncDisposable
{
    private readonly TestSchool _school = new();

    public ValueTask DisposeAsync() => _school.DisposeAsync();

    public static TheoryData<byte[]> Files { get; } =
    [
        (byte[])[.. Encoding.UTF8.GetPreamble(), .. Encoding.UTF8.GetBytes("number;name\r\n1;Zoë Müller\r\n2;Ben\r\n")],
        Encoding.UTF8.GetBytes("2\tBen\n1\tZoë Müller"),
        (byte[])[.. Encoding.Unicode.GetPreamble(), .. Encoding.Unicode.GetBytes("Name,Number\n\"Zoë Müller\",1\nBen,2")],
        CodePagesEncodingProvider.Instance.GetEncoding(1252)!.GetBytes("1, Zoë Müller\n\n2, Ben"),
    ];

    [Theory]
    [MemberData(nameof(Files))]
    public void A_file_is_read_in_whatever_way_a_schools_program_wrote_it(byte[] file) =>
        Assert.Equal([new ClassEntry(1, "Zoë Müller"), new ClassEntry(2, "Ben")], ClassListFile.Read(file).Entries.AsEnumerable());

    [Fact]
    public void A_problem_names_the_line_of_the_file_blank_ones_counted() =>
        Assert.Equal([new ListProblem(4, ListFault.NumberTwice, "1")], ClassListFile.Read("number,name\n1,Amara\n\n1,Ben").Problems.AsEnumerable());

    [Fact]
    public void What_goes_out_comes_back_and_no_name_is_a_formula()
    {
        ClassEntry[] list = [new(1, "Zoë, \"Zo\" Müller", 2), new(2, "")];
        Assert.Equal(list, ClassListFile.Read(ClassListFile.Write(list)).Entries.AsEnumerable());
        Assert.Contains("'=1+1", Encoding.UTF8.GetString(ClassListFile.Write([new(1, "=1+1")])), StringComparison.Ordinal);
    }

    [Fact]
    public async Task Those_on_the_list_walk_in_by_name_or_number_and_anybody_else_waits()
    {
        var lesson = await HandOutAsync(new(7, "Amara Nwosu"), new(8, "Ben"));
        Assert.Equal(Standing.In, await ComeAsync(lesson, "7", "Amara Nwosu"));
        Assert.Equal(Standing.In, await ComeAsync(lesson, "ben", "Ben"));
        Assert.Equal(Standing.Waiting, await ComeAsync(lesson, "Leif", "Leif"));
        using var again = await TestSchool.PostAsync(_school.Visitor(), $"/join/{lesson.Code}", new() { ["name"] = "7" });
        Assert.Contains("already come in as", await again.Content.ReadAsStringAsync(Stop), StringComparison.Ordinal);
    }

    [Fact]
    public async Task Of_a_class_of_numbers_no_name_is_stored_anywhere()
    {
        var lesson = await HandOutAsync(new ClassEntry(7, ""), new ClassEntry(8, ""));
        Assert.Equal(Standing.In, await ComeAsync(lesson, "8", "8"));
        Assert.Equal(["7", "8"], (await _school.Get<LessonPeople>().InAsync(lesson.Id)).Select(p => p.Name));
    }

    [Fact]
    public async Task Where_number_and_name_are_asked_for_nobody_takes_a_classmates_place()
    {
        var lesson = await HandOutForAsync(Introduction.NumberAndName, new(7, "Amara Nwosu"), new(8, "Ben"));
        var page = await _school.Visitor().GetStringAsync($"/join/{lesson.Code}?n=7", Stop);
        Assert.Matches("name=\"number\"\\s+value=\"7\"", page);
        using (var mistaken = await TestSchool.PostAsync(_school.Visitor(), $"/join/{lesson.Code}", new() { ["number"] = "7", ["name"] = "Ben" }))
        {
            Assert.Contains("do not belong together", await mistaken.Content.ReadAsStringAsync(Stop), StringComparison.Ordinal);
        }

        using var right = await TestSchool.PostAsync(_school.Visitor(), $"/join/{lesson.Code}", new() { ["number"] = "8", ["name"] = "ben" });
        Assert.Equal(HttpStatusCode.Redirect, right.StatusCode);
        Assert.Equal(Standing.In, (await _school.Get<LessonPeople>().InAsync(lesson.Id)).Single(p => p.Name == "Ben").Standing);
    }

    [Fact]
    public async Task Without_a_list_a_number_is_enough_and_each_comes_in_once()
    {
        var (_, teacher) = await _school.TeacherAsync("Ilse Varga");
        var handing = _school.Get<Handing>();
        var making = _school.Get<ActivityMaking>();
        var activity = await _school.Get<ActivityMaking>().CreateAsync(teacher, ActivityContent.Blank("en", "Load test log"));
        var lesson = await handing.HandOutAsync(activity, new HandOutOrder("7 Amber", Introduction: Introduction.Number), "en");
        using (var none = await TestSchool.PostAsync(_school.Visitor(), $"/join/{lesson.Code}", new() { ["number"] = "seven" }))
        {
            Assert.Contains("Please write your number", await none.Content.ReadAsStringAsync(Stop), StringComparison.Ordinal);
        }

        using (var first = await TestSchool.PostAsync(_school.Visitor(), $"/join/{lesson.Code}", new() { ["number"] = "7", ["name"] = "Maya" })) Assert.Equal(HttpStatusCode.Redirect, first.StatusCode);
        using var again = await TestSchool.PostAsync(_school.Visitor(), $"/join/{lesson.Code}", new() { ["number"] = "7" });
        Assert.Contains("already come in as", await again.Content.ReadAsStringAsync(Stop), StringComparison.Ordinal);
        Assert.Equal(["7"], (await _school.Get<LessonPeople>().InAsync(lesson.Id)).Select(p => p.Name));
    }

    [Fact]
    public async Task Of_those_who_give_the_same_number_at_the_same_moment_one_comes_in()
    {
        var (teacher, id) = await _school.TeacherAsync("Ilse Varga");
        var handing = _school.Get<Handing>();
        var activity = await _school.Get<ActivityMaking>().CreateAsync(id, ActivityContent.Blank("en", "Load test log"));
        var lesson = await handing.HandOutAsync(activity, new HandOutOrder("7 Amber", Introduction: Introduction.Number), "en");
        var answers = await Task.WhenAll(Enumerable.Range(0, 6).Select(_ => TestSchool.PostAsync(_school.Visitor(), $"/join/{lesson.Code}", new() { ["number"] = "7" })));
        Assert.Single(answers, a => a.StatusCode == HttpStatusCode.Redirect);
        Assert.Equal(5, answers.Count(a => a.StatusCode == HttpStatusCode.OK));
        foreach (var answer in answers) answer.Dispose();
        Assert.Equal(["7"], (await _school.Get<LessonPeople>().InAsync(lesson.Id)).Select(p => p.Name));
        Assert.Equal(HttpStatusCode.OK, (await teacher.GetAsync($"/lesson/{lesson.Id}/people", Stop)).StatusCode);
    }

    [Fact]
    public async Task Who_is_in_a_group_that_was_made_before_comes_straight_to_its_board()
    {
        var lesson = await HandOutAsync(new(1, "Amara"), new(2, "Ben"), new(3, "Maya"));
        var room = await _school.Get<RoomHosts>().GetAsync(lesson.Id);
        var (_, set) = await room.SubmitAsync(new SetGroups([new Group(1, "Arches", [2, 4])], 0), Actor.Program, Stop);
        Assert.NotNull(set);
        foreach (var name in new[] { "Amara", "Ben", "Maya" }) Assert.Equal(Standing.In, await ComeAsync(lesson, name, name));
        var boards = (await _school.Get<LessonPeople>().SeatedAsync(lesson, lesson.Parts[0])).ToDictionary(p => p.Name, p => p.Board);
        Assert.Equal(boards["Amara"], boards["Maya"]);
        Assert.NotEqual(boards["Amara"], boards["Ben"]);
    }

    [Fact]
    public async Task A_list_belongs_to_its_teacher_and_deleting_it_touches_no_lesson()
    {
        var lesson = await HandOutAsync(new ClassEntry(1, "Amara"));
        await using var db = await _school.Get<IDbContextFactory<SchoolContext>>().CreateDbContextAsync(Stop);
        var list = await db.ClassLists.SingleAsync(Stop);
        var (other, otherId) = await _school.TeacherAsync("Tobi Adeyemi");
        Assert.Equal(HttpStatusCode.NotFound, (await other.GetAsync($"/classes/{list.Id}", Stop)).StatusCode);
        Assert.Equal(HttpStatusCode.NotFound, (await other.GetAsync($"/classes/{list.Id}?handler=Csv", Stop)).StatusCode);
        var shelf = _school.Get<ClassListShelf>();
        await shelf.DeleteAsync(otherId, list.Id);
        Assert.Single(await shelf.EntriesAsync(list.Id));
        await shelf.DeleteAsync(list.OwnerId, list.Id);
        Assert.Empty(await shelf.EntriesAsync(list.Id));
        Assert.Equal(Standing.In, await ComeAsync(lesson, "1", "Amara"));
    }

    private static CancellationToken Stop => TestContext.Current.CancellationToken;

    private Task<LessonRecord> HandOutAsync(params ClassEntry[] people) => HandOutForAsync(Introduction.Name, people);

    private async Task<LessonRecord> HandOutForAsync(Introduction introduction, params ClassEntry[] people)
    {
        var (_, teacher) = await _school.TeacherAsync("Ilse Varga");
        var shelf = _school.Get<ClassListShelf>();
        var list = await shelf.FindAsync(teacher, await shelf.KeepAsync(teacher, null, "7 Amber", people));
        var handing = _school.Get<Handing>();
        var activity = await _school.Get<ActivityMaking>().CreateAsync(teacher, ActivityContent.Blank("en", "Load test log"));
        return await handing.HandOutAsync(activity, new HandOutOrder("7 Amber", ClassList: list, Introduction: introduction), "en");
    }

    private async Task<Standing> ComeAsync(LessonRecord lesson, string typed, string name)
    {
        using var answer = await TestSchool.PostAsync(_school.Visitor(), $"/join/{lesson.Code}", new() { ["name"] = typed });
        Assert.Equal(HttpStatusCode.Redirect, answer.StatusCode);
        return (await _school.Get<LessonPeople>().InAsync(lesson.Id)).Single(p => p.Name == name).Standing;
    }
}
