using Microsoft.AspNetCore.Mvc.Infrastructure;
using Microsoft.AspNetCore.Mvc.RazorPages;
using Microsoft.AspNetCore.Routing;
using Microsoft.EntityFrameworkCore;
using Yardang.Data.School;
using Yardang.Web.Access;

namespace Yardang.Web.Tests.Access;

/// <summary>Everything that is sent to a page or address and changes something, against everybody.</summary>
public class PostMatrixTests
{
    // For anybody: what they do is between the visitor and what they type, or takes only what is the visitor's own and says nothing about others' (deleting a class list).
    private static readonly string[] s_forAnybody =
    [
        "/Index", "/SignIn", "/SignUp", "/SignOut", "/Forgot", "/Reset", "/Language", "/QuickStart", "/DevClass", "/Fault", "/Join", "/Join Again", "/Join Key", "/Pair", "/Account Keep", "/Classes Delete", "/Keeping Archive",
    ];

    private sealed record Sent(string Page, string Path, Who[] Allowed, Dictionary<string, string>? Fields = null)
    {
        // What a page is called, and which of its handlers takes this.
        public string Name => Path.Split("?handler=") is [_, var handler] ? $"{Page} {handler}" : Page;
    }

    [Fact]
    public async Task What_is_sent_is_taken_from_those_who_have_a_right_to_it_and_from_nobody_else()
    {
        await using var school = new TestSchool();
        var s = await AccessScene.CreateAsync(school);
        var table = Table(s, await InvitationAsync(school, s));
        var wrong = new List<string>();
        foreach (var sent in table)
        {
            foreach (var who in People.All.Where(w => !sent.Allowed.Contains(w)))
            {
                if (await SendAsync(s, who, sent) is var taken && !IsRefused(taken)) wrong.Add($"{who} {sent.Name}: {taken}");
            }
        }

        // Afterwards, since what is taken changes what is there.
        foreach (var sent in table.Where(t => t.Allowed.Length > 0))
        {
            if (await SendAsync(s, sent.Allowed[^1], sent) is var refused && IsRefused(refused)) wrong.Add($"{sent.Allowed[^1]} {sent.Name}: {refused}");
        }

        Assert.True(wrong.Count == 0, string.Join('\n', wrong));

        // Whoever adds something that is sent adds it here too.
        var handlers = school.Get<IActionDescriptorCollectionProvider>().ActionDescriptors.Items.OfType<PageActionDescriptor>()
            .SelectMany(page => HandlersOf(page).Select(h => $"{page.ViewEnginePath} {h}".TrimEnd()));
        Assert.Empty(handlers.Except(table.Select(t => t.Name).Concat(s_forAnybody)));
    }

    private static List<Sent> Table(AccessScene s, Guid invitation)
    {
        var (lesson, activity, list) = ($"/lesson/{s.Lesson.Id}", s.Activity.Id, s.ClassList);
        Dictionary<string, string> its = new() { ["id"] = $"{activity}" };
        return
        [
            new("/LessonCode", $"{lesson}/code", People.Run, new() { ["address"] = "" }),
            new("/LessonCode", $"{lesson}/code?handler=Embed", People.Run, new() { ["shown"] = "true" }),
            new("/Times", $"{lesson}/times", People.Run),
            new("/Late", $"{lesson}/late", People.Run),
            new("/Late", $"{lesson}/late?handler=Mine", People.Run, new() { ["board"] = $"{s.Board}", ["page"] = "1" }),
            new("/Late", $"{lesson}/late?handler=Back", People.Run, new() { ["number"] = "1" }),
            new("/Circulate", $"{lesson}?handler=SendAway", People.Run),
            new("/Pour", $"{lesson}/pour/{s.Board}", [], new() { ["part"] = "1" }),
            new("/Boards", $"{lesson}/boards?handler=TakeUp", People.Run, new() { ["group"] = "9" }),
            new("/People", $"{lesson}/people?handler=Make", People.Run, new() { ["count"] = "2" }),
            new("/Keeping", "/keeping?handler=Day", [Who.Owner], new() { ["lesson"] = $"{s.Lesson.Id}", ["day"] = "" }),
            new("/Keeping", "/keeping?handler=Delete", [Who.Owner], new() { ["lesson"] = $"{s.Lesson.Id}" }),
            new("/PersonKey", $"{lesson}/people/2/key", People.Run),
            new("/PersonKept", $"{lesson}/people/2?handler=Erase", [Who.Owner], new() { ["name"] = "not their name" }),
            new("/People", $"{lesson}/people?handler=Rename", People.Run, new() { ["person"] = "2", ["name"] = "Maya" }),
            new("/People", $"{lesson}/people?handler=Planned", [], new() { ["nth"] = "1" }),
            new("/HandOut", $"/hand-out/{activity}?handler=Check", People.Run),
            new("/HandOut", $"/hand-out/{activity}", People.Run),
            new("/Workshop", $"/workshop/{activity}?handler=Outline", People.Run, new() { ["outline"] = "One" }),
            new("/Workshop", $"/workshop/{activity}?handler=Ink", People.Run),
            new("/Versions", $"/workshop/{activity}/versions?handler=Keep", People.Run, new() { ["name"] = "Before" }),
            new("/Versions", $"/workshop/{activity}/versions?handler=Restore", People.Run, new() { ["version"] = $"{s.Lesson.VersionId}" }),
            new("/Helpers", $"/helpers/{s.Lesson.Id}", [Who.Owner], new() { ["emails"] = "monteiro@ostlebrook.example", ["role"] = "Runs" }),
            new("/Helpers", $"/helpers/{s.Lesson.Id}?handler=Role", [Who.Owner], new() { ["invitation"] = $"{invitation}", ["role"] = "Watches" }),
            new("/Helpers", $"/helpers/{s.Lesson.Id}?handler=Remove", [Who.Owner], new() { ["invitation"] = $"{invitation}" }),
            new("/Seats", $"/classes/{list}/seats", [Who.Owner], new() { ["plan"] = "" }),
            new("/Rotation", $"/classes/{list}/rotation", [Who.Owner], new() { ["size"] = "2", ["lessons"] = "1" }),
            new("/Classes", "/classes?handler=Keep", [Who.Owner], new() { ["id"] = $"{list}", ["name"] = "7 Amber", ["people"] = "Maya" }),
            new("/Classes", "/classes?handler=Alias", [Who.Owner], new() { ["id"] = $"{list}" }),
            new("/New", "/new?handler=BuiltIn", People.Teachers, new() { ["key"] = "compare" }),
            new("/New", "/new?handler=Own", People.Run, its),
            new("/Desk", "/desk?handler=New", People.Teachers),
            new("/Desk", "/desk?handler=NewWall", People.Teachers),
            new("/Desk", "/desk?handler=Import", People.Teachers),
            new("/Desk", "/desk?handler=Double", [Who.Owner], its),
            new("/Desk", "/desk?handler=Topic", [Who.Owner], new(its) { ["topic"] = "Bridges" }),
            new("/Desk", "/desk?handler=Template", [Who.Owner], new(its) { ["on"] = "true" }),
            new("/Desk", "/desk?handler=Bin", [Who.Owner], its),
            new("/Desk", "/desk?handler=Restore", [Who.Owner], its),
            new("/Account", "/account?handler=Name", People.Teachers, new() { ["name"] = "Ilse Varga" }),
            new("/Account", "/account?handler=Password", People.Teachers),
            new("/Account", "/account?handler=Delete", People.Teachers),

            // Where sign-up is open nobody needs an invitation: SigningUpTests.
            new("/Account", "/account?handler=Invite", [], new() { ["colleague"] = "duarte@ostlebrook.example" }),
            new("/Invited", "/invited", People.Teachers, new() { ["key"] = "none" }),
            new("media", $"/rooms/{s.Board}/media", [.. People.Run, Who.BoardsStudent]),
            new("media", $"/rooms/{s.Activity.DraftId}/media", People.Run),
            new("stimulus", $"/rooms/{s.Activity.DraftId}/stimulus", People.Run),
            new("stimulus", $"/rooms/{s.Board}/stimulus", []),
            new("like", $"/rooms/{s.Board}/like", []),
            new("reading", $"/rooms/{s.Board}/reading", []),
            new("bring", $"/rooms/{s.Board}/bring", [Who.BoardsStudent]),
            new("link", $"/rooms/{s.Board}/link?address=https%3A%2F%2Fbridges.ostlebrook.example", People.Run),
            new("pictures", $"/rooms/{s.GroupBoard}/pictures/1", [.. People.Run, Who.InTheGroup]),
        ];
    }

    private static async Task<string> SendAsync(AccessScene s, Who who, Sent sent)
    {
        var (browser, asQuery) = s.Visitors[who];
        var to = sent.Path + (sent.Path.Contains('?', StringComparison.Ordinal) ? asQuery.Replace('?', '&') : asQuery);
        using var answer = await TestSchool.PostAsync(browser, "/", sent.Fields ?? [], to);
        return $"{answer.StatusCode} {answer.Headers.Location}";
    }

    private static bool IsRefused(string answer) => answer.StartsWith("NotFound", StringComparison.Ordinal) || answer.Contains("/sign-in", StringComparison.Ordinal);

    private static async Task<Guid> InvitationAsync(TestSchool school, AccessScene s) =>
        (await school.Get<CoTeaching>().OfAsync(s.Lesson.Id)).Single(c => c.Record.Role == CoTeacherRole.Watches).Record.Id;

    private static IEnumerable<string> HandlersOf(PageActionDescriptor page) => typeof(Pages.IndexModel).Assembly
        .GetType($"Yardang.Web.Pages.{page.ViewEnginePath.TrimStart('/')}Model")?.GetMethods()
        .Where(m => m.Name.StartsWith("OnPost", StringComparison.Ordinal))
        .Select(m => m.Name["OnPost".Length..].Replace("Async", "", StringComparison.Ordinal)) ?? [];
}
