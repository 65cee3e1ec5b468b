using System.Net;
using System.Text.RegularExpressions;
using Yardang.Core.Walls;
using Yardang.Data.School;
using Yardang.Web.Tests.Lessons;

namespace Yardang.Web.Tests.Access;

/// <summary>A teacher gives a student their three words, or others.</summary>
public sealed partial class PersonKeyTests : WallLessons
{
    [Fact]
    public async Task With_the_words_that_the_teacher_reads_out_a_student_comes_back_and_with_those_before_nobody_does()
    {
        var (adeyemi, owner) = await School.TeacherAsync("Tobi Adeyemi");
        var (_, lesson) = await School.HandOutAsync(owner);
        var (_, board) = await School.StudentAsync(lesson.Code, "Maya");
        var address = $"/lesson/{lesson.Id}/people/2/key";
        var first = WordsIn(await adeyemi.GetStringAsync(address, Stop));
        Assert.Equal(board.Split('?')[0], await BoardWithAsync(lesson, first));

        using (var given = await TestSchool.PostAsync(adeyemi, address, [])) Assert.Equal($"{address}?given=true", given.Headers.Location!.ToString());
        var second = WordsIn(await adeyemi.GetStringAsync(address, Stop));
        Assert.NotEqual(first, second);
        Assert.Equal(board.Split('?')[0], await BoardWithAsync(lesson, second));
        Assert.Null(await BoardWithAsync(lesson, first));
        foreach (var nobody in new[] { 1, 3, -1 }) Assert.Equal(HttpStatusCode.NotFound, (await adeyemi.GetAsync($"/lesson/{lesson.Id}/people/{nobody}/key", Stop)).StatusCode);
    }

    [Fact]
    public async Task Where_names_are_for_nobody_teachers_are_not_told_with_which_words_they_could_see_whose_cards_are_whose()
    {
        var (lesson, _) = await HandOutAsync(WallPlan.Blank with { Rules = WallRules.Free with { Names = NamesTo.Nobody } });
        await School.StudentAsync(lesson.Code, "Maya");
        var address = $"/lesson/{lesson.Id}/people/2/key";
        var page = await Varga.GetStringAsync(address, Stop);
        Assert.DoesNotContain("data-key", page, StringComparison.Ordinal);
        Assert.Contains("names are for nobody", page, StringComparison.Ordinal);
        using var refused = await TestSchool.PostAsync(Varga, $"/lesson/{lesson.Id}/people", [], address);
        Assert.Equal(HttpStatusCode.OK, refused.StatusCode);
        Assert.DoesNotContain("data-key", await refused.Content.ReadAsStringAsync(Stop), StringComparison.Ordinal);
    }

    private static string WordsIn(string page) => WordsPattern().Match(page).Groups["words"].Value;

    private async Task<string?> BoardWithAsync(LessonRecord lesson, string words)
    {
        var other = School.Visitor();
        using var answer = await TestSchool.PostAsync(other, $"/join/{lesson.Code}", new() { ["key"] = words }, $"/join/{lesson.Code}?handler=Key");
        if (answer.Headers.Location is not { } here) return null;
        using var board = await other.GetAsync(here, Stop);
        return board.Headers.Location!.ToString().Split('?')[0];
    }

    [GeneratedRegex("data-key>(?<words>[^<]+)<", RegexOptions.ExplicitCapture, 1_000)]
    private static partial Regex WordsPattern();
}
