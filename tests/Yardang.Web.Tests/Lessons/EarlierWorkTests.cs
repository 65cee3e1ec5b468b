using System.Net;
using Yardang.Web.Lessons;

namespace Yardang.Web.Tests.Lessons;

/// <summary>Work of earlier lessons is offered to whoever ran them, and shown without whose it is.</summary>
public sealed class EarlierWorkTests
{
    private static CancellationToken Stop => TestContext.Current.CancellationToken;

    [Fact]
    public async Task A_teacher_finds_the_boards_of_her_lessons_and_nobody_elses()
    {
        await using var school = new TestSchool();
        var (varga, vargas) = await school.TeacherAsync("Ilse Varga");
        var (activity, lesson) = await school.HandOutAsync(vargas);
        await school.StudentAsync(lesson.Code, "Maya");
        var (haddad, haddads) = await school.TeacherAsync("Omar Haddad");
        var (other, _) = await school.HandOutAsync(haddads);

        Assert.Contains(lesson.Id.ToString(), await varga.GetStringAsync($"/workshop/{activity.Id}?handler=Earlier", Stop), StringComparison.Ordinal);
        var boards = await varga.GetStringAsync($"/workshop/{activity.Id}?handler=EarlierBoards&lesson={lesson.Id}", Stop);
        Assert.Contains("\"title\":\"Maya\"", boards, StringComparison.Ordinal);
        Assert.DoesNotContain(lesson.Id.ToString(), await haddad.GetStringAsync($"/workshop/{other.Id}?handler=Earlier", Stop), StringComparison.Ordinal);
        Assert.Equal(HttpStatusCode.NotFound, (await haddad.GetAsync($"/workshop/{other.Id}?handler=EarlierBoards&lesson={lesson.Id}", Stop)).StatusCode);
        Assert.Equal(HttpStatusCode.NotFound, (await haddad.GetAsync($"/workshop/{activity.Id}?handler=Earlier", Stop)).StatusCode);
        Assert.Equal(HttpStatusCode.NotFound, (await haddad.GetAsync($"/workshop/{activity.Id}?handler=EarlierBoards&lesson={lesson.Id}", Stop)).StatusCode);
    }

    [Fact]
    public async Task A_page_is_given_without_whose_it_is()
    {
        await using var school = new TestSchool();
        var (varga, vargas) = await school.TeacherAsync("Ilse Varga");
        var (_, lesson) = await school.HandOutAsync(vargas);
        await school.StudentAsync(lesson.Code, "Maya");
        var board = (await school.Get<LessonPeople>().BoardsAsync(lesson, lesson.Parts[0])).Single().Id;
        Assert.Contains("Maya", await varga.GetStringAsync($"/lesson/{lesson.Id}/board/{board}.svg", Stop), StringComparison.Ordinal);
        using var unnamed = await varga.GetAsync($"/lesson/{lesson.Id}/board/{board}.svg?names=none", Stop);
        Assert.DoesNotContain("Maya", await unnamed.Content.ReadAsStringAsync(Stop), StringComparison.Ordinal);
        Assert.DoesNotContain("Maya", unnamed.Content.Headers.ContentDisposition?.ToString() ?? "", StringComparison.Ordinal);
    }
}
