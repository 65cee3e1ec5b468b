using System.Net;
using System.Web;
using Microsoft.AspNetCore.DataProtection;
using Yardang.Data.Media;

namespace Yardang.Web.Tests.Access;

/// <summary>Every page and file against everybody: who gets it, and who does not.</summary>
public class AccessMatrixTests
{
    private enum Who
    {
        Anonymous,
        Owner,
        OtherTeacher,
        BoardsStudent,
        Classmate,
        StudentElsewhere,
    }

    [Fact]
    public async Task Each_page_and_file_is_there_for_those_who_have_a_right_to_it_and_for_nobody_else()
    {
        await using var school = new TestSchool();
        var (owner, ownerId) = await school.TeacherAsync("Ilse Varga");
        var (other, otherId) = await school.TeacherAsync("Tobi Adeyemi");
        var (activity, lesson) = await school.HandOutAsync(ownerId);
        var (_, elsewhere) = await school.HandOutAsync(otherId);
        var (maya, mayasBoard) = await school.StudentAsync(lesson.Code, "Maya");
        var (ben, bensBoard) = await school.StudentAsync(lesson.Code, "Ben");
        var (leif, leifsBoard) = await school.StudentAsync(elsewhere.Code, "Leif");
        var visitors = new Dictionary<Who, (HttpClient Browser, string As)>
        {
            [Who.Anonymous] = (school.Visitor(), ""),
            [Who.Owner] = (owner, ""),
            [Who.OtherTeacher] = (other, ""),
            [Who.BoardsStudent] = (maya, AsOf(mayasBoard)),
            [Who.Classmate] = (ben, AsOf(bensBoard)),
            [Who.StudentElsewhere] = (leif, AsOf(leifsBoard)),
        };
        var list = await school.Get<Web.ClassLists.ClassListShelf>().KeepAsync(ownerId, null, "7 Amber", [new Core.ClassLists.ClassEntry(1, "Maya")]);
        var board = mayasBoard.Split('/', '?')[2];
        var picture = await school.Get<MediaStore>().KeepAsync([0x89, 1, 2], TestContext.Current.CancellationToken);
        Who[] all = Enum.GetValues<Who>();
        (string Path, Who[] Allowed)[] matrix =
        [
            ("/", all),
            ($"/join/{lesson.Code}", all),
            ("/desk", [Who.Owner, Who.OtherTeacher]),
            ("/classes", [Who.Owner, Who.OtherTeacher]),
            ($"/classes/{list}", [Who.Owner]),
            ($"/classes/{list}?handler=Csv", [Who.Owner]),
            ($"/workshop/{activity.Id}", [Who.Owner]),
            ($"/workshop/{activity.Id}/try", [Who.Owner]),
            ($"/hand-out/{activity.Id}", [Who.Owner]),
            ($"/activity/{activity.Id}.yardang.zip", [Who.Owner]),
            ($"/lesson/{lesson.Id}", [Who.Owner]),
            ($"/lesson/{lesson.Id}/code", [Who.Owner]),
            ($"/lesson/{lesson.Id}/people", [Who.Owner]),
            ($"/lesson/{lesson.Id}/people.json", [Who.Owner]),
            ("/my-place", [Who.BoardsStudent, Who.Classmate, Who.StudentElsewhere]),
            ("/others", [Who.BoardsStudent, Who.Classmate, Who.StudentElsewhere]),
            ($"/lesson/{lesson.Id}/boards.pdf", [Who.Owner]),
            ($"/lesson/{lesson.Id}/board/{board}", [Who.Owner]),
            ($"/lesson/{lesson.Id}/board/{board}.png", [Who.Owner]),
            ($"/lesson/{lesson.Id}/board/{board}.svg", [Who.Owner]),
            ($"/board/{board}", [Who.BoardsStudent]),
            ($"/rooms/{board}/snapshot", [Who.Owner, Who.BoardsStudent]),
            ($"/rooms/{board}/names", [Who.Owner, Who.BoardsStudent]),
            ($"/rooms/{board}/media/{picture}", [Who.Owner, Who.BoardsStudent]),
            ($"/rooms/{activity.DraftId}/media/{picture}", [Who.Owner]),
            ($"/workshop/{activity.Id}?handler=Others", [Who.Owner]),
            ($"/rooms/{lesson.Id}/snapshot", [Who.Owner, Who.BoardsStudent, Who.Classmate]),
            ($"/rooms/{activity.DraftId}/snapshot", [Who.Owner]),
            ("/dev/class", []),
        ];

        var wrong = new List<string>();
        foreach (var (path, allowed) in matrix)
        {
            foreach (var (who, (browser, asQuery)) in visitors)
            {
                using var answer = await browser.GetAsync(path.Contains('?', StringComparison.Ordinal) ? path + asQuery.Replace('?', '&') : path + asQuery, TestContext.Current.CancellationToken);
                if (answer.StatusCode == HttpStatusCode.OK != allowed.Contains(who)) wrong.Add($"{who} {path}: {answer.StatusCode}");
            }
        }

        Assert.Empty(wrong);
    }

    [Fact]
    public async Task A_student_cannot_act_as_a_classmate_by_naming_them()
    {
        await using var school = new TestSchool();
        var (_, ownerId) = await school.TeacherAsync("Ilse Varga");
        var (_, lesson) = await school.HandOutAsync(ownerId);
        var (_, mayasBoard) = await school.StudentAsync(lesson.Code, "Maya");
        var (ben, _) = await school.StudentAsync(lesson.Code, "Ben");
        using var answer = await ben.GetAsync(mayasBoard, TestContext.Current.CancellationToken);
        Assert.Equal(HttpStatusCode.Redirect, answer.StatusCode);
    }

    [Fact]
    public async Task A_damaged_cookie_is_no_cookie()
    {
        await using var school = new TestSchool();
        var browser = school.Visitor();
        browser.DefaultRequestHeaders.Add("Cookie", "yardang-participant=nonsense");
        using var answer = await browser.GetAsync("/", TestContext.Current.CancellationToken);
        Assert.Equal(HttpStatusCode.OK, answer.StatusCode);
    }

    [Theory]
    [InlineData(1, HttpStatusCode.OK)]
    [InlineData(-1, HttpStatusCode.Redirect)]
    public async Task An_expired_cookie_opens_no_board_and_says_how_to_come_back(int hoursLeft, HttpStatusCode expected)
    {
        await using var school = new TestSchool();
        var (_, ownerId) = await school.TeacherAsync("Ilse Varga");
        var (_, lesson) = await school.HandOutAsync(ownerId);
        var (_, board) = await school.StudentAsync(lesson.Code, "Maya");
        var maya = HttpUtility.ParseQueryString(board.Split('?')[1])["as"]!;
        var protector = school.Get<IDataProtectionProvider>().CreateProtector("Yardang.Participants.v1").ToTimeLimitedDataProtector();
        var later = school.Visitor();
        later.DefaultRequestHeaders.Add("Cookie", $"yardang-participant={protector.Protect(maya, TimeSpan.FromHours(hoursLeft))}");

        using var answer = await later.GetAsync(board, TestContext.Current.CancellationToken);

        Assert.Equal(expected, answer.StatusCode);
        if (expected == HttpStatusCode.OK) return;
        var door = await later.GetStringAsync(answer.Headers.Location, TestContext.Current.CancellationToken);
        Assert.Contains("Type the code of your lesson to come in", door, StringComparison.Ordinal);
    }

    [Fact]
    public async Task Every_page_carries_a_policy_that_runs_nothing_but_our_own_files()
    {
        await using var school = new TestSchool();
        using var answer = await school.Visitor().GetAsync("/", TestContext.Current.CancellationToken);
        var policy = Assert.Single(answer.Headers.GetValues("Content-Security-Policy"));
        Assert.Contains("default-src 'none'; script-src 'self'; style-src 'self'", policy, StringComparison.Ordinal);
        Assert.DoesNotContain("unsafe", policy, StringComparison.Ordinal);
    }

    private static string AsOf(string board) => $"?as={HttpUtility.ParseQueryString(board.Split('?')[1])["as"]}";
}
