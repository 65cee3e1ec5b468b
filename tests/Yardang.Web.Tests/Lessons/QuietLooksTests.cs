namespace Yardang.Web.Tests.Lessons;

/// <summary>Looking at work without being announced: only where the school lets its teachers, and only where they ask for it.</summary>
public sealed class QuietLooksTests
{
    [Theory]
    [InlineData(true, "?quiet=1", true)]
    [InlineData(true, "", false)]
    [InlineData(false, "?quiet=1", false)]
    public async Task A_teacher_is_announced_unless_the_school_lets_them_look_quietly_and_they_do(bool allowed, string query, bool quiet)
    {
        await using var school = new TestSchool(web => web.UseSetting("Yardang:UnannouncedLooks", allowed ? "true" : "false"));
        var (varga, id) = await school.TeacherAsync("Ilse Varga");
        using var browser = varga;
        var (_, lesson) = await school.HandOutAsync(id);
        var maya = await school.StudentAsync(lesson.Code, "Maya");
        using var student = maya.Browser;
        var page = await browser.GetStringAsync($"/lesson/{lesson.Id}/board/{maya.Board.Split('/', '?')[2]}{query}", TestContext.Current.CancellationToken);
        Assert.Contains($"\"quiet\":{(quiet ? "true" : "false")}", page, StringComparison.Ordinal);
        Assert.Equal(quiet, page.Contains("Nobody here is told that you look", StringComparison.Ordinal));
        Assert.Equal(allowed, (await browser.GetStringAsync($"/lesson/{lesson.Id}", TestContext.Current.CancellationToken)).Contains("Look without being announced", StringComparison.Ordinal));
    }
}
