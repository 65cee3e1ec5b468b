using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using Microsoft.Extensions.Localization;
using Yardang.Core.PersonalData;
using Yardang.Data.School;
using Yardang.Web.Access;
using Yardang.Web.Lessons;
using Yardang.Web.PersonalData;

namespace Yardang.Web.Pages;

/// <summary>What is kept of a student in a lesson: shown, and taken along, when they or their family ask.</summary>
[Authorize]
public sealed class PersonKeptModel(AccessResolver access, PersonsData data, SchoolClock clock, IStringLocalizer<UiTexts> texts) : PageModel
{
    public LessonRecord Lesson { get; private set; } = null!;

    public KeptOfPerson Kept { get; private set; } = null!;

    /// <summary>Whether the viewer may erase it.</summary>
    public bool MayErase { get; private set; }

    /// <summary>Whether another name was typed than theirs.</summary>
    public bool IsOtherName { get; private set; }

    /// <summary>Whether it was erased.</summary>
    public bool IsErased => Kept.Record.Erasing == Erasing.Done;

    /// <summary>When they came.</summary>
    public string Came => clock.Second(Kept.Record.JoinedAt.ToUnixTimeMilliseconds());

    /// <summary>What a room is called.</summary>
    public string TitleOf(KeptInRoom room) => room.Board is { } board ? texts["PersonKept.Board", board.Title] : texts["PersonKept.Lesson"];

    /// <summary>What is theirs in a room in numbers: how many of each kind.</summary>
    public IEnumerable<string> CountsOf(KeptInRoom room) => room.Things.GroupBy(t => t.Kind, StringComparer.Ordinal).Select(g => $"{KindOf(g.Key)}: {g.Count()}");

    /// <summary>What is written among it.</summary>
    public static IEnumerable<KeptThing> WordsOf(KeptInRoom room) => room.Things.Where(t => t.Words.Length > 0);

    /// <summary>What a kind of thing is called.</summary>
    public string KindOf(string kind) => texts[$"PersonKept.Kind.{kind}"] is { ResourceNotFound: false } own ? own : texts[$"Marks.{char.ToUpperInvariant(kind[0])}{kind[1..]}"];

    public async Task<IActionResult> OnGetAsync(Guid lesson, int number) => await FindAsync(lesson, number) ? Page() : NotFound();

    public async Task<IActionResult> OnGetZipAsync(Guid lesson, int number, [FromServices] PersonPage page)
    {
        if (!await FindAsync(lesson, number)) return NotFound();
        var readable = page.Of(this);
        return new ResultOf(await data.ZipAsync(Lesson, Kept, readable, $"{Kept.Record.Name} {Lesson.Name}", HttpContext.RequestAborted));
    }

    /// <summary>Erases it for good: by the owner of the lesson, who types the name so that it is not done by mistake.</summary>
    public async Task<IActionResult> OnPostEraseAsync(Guid lesson, int number, string? name, [FromServices] PersonErasure erasure)
    {
        if (await access.LessonAsync(Visitor.Of(HttpContext), lesson, Power.Owns) is null || !await FindAsync(lesson, number)) return NotFound();
        if (!string.Equals(name?.Trim(), Kept.Record.Name, StringComparison.OrdinalIgnoreCase))
        {
            IsOtherName = true;
            return Page();
        }

        await erasure.EraseAsync(lesson, number);
        return RedirectToPage(new { lesson, number });
    }

    private async Task<bool> FindAsync(Guid lesson, int number)
    {
        if (await access.LessonAsync(Visitor.Of(HttpContext), lesson, Power.Runs) is not { } record || await data.OfAsync(record, number, HttpContext.RequestAborted) is not { } kept) return false;
        (Lesson, Kept) = (record, kept);
        MayErase = await access.LessonAsync(Visitor.Of(HttpContext), lesson, Power.Owns) is not null;
        return true;
    }

    private sealed class ResultOf(IResult result) : IActionResult
    {
        public Task ExecuteResultAsync(ActionContext context) => result.ExecuteAsync(context.HttpContext);
    }
}
