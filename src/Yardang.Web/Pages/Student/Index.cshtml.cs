using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using Microsoft.EntityFrameworkCore;
using Microsoft.Extensions.Localization;
using Yardang.Core.Lessons;
using Yardang.Data.School;
using Yardang.Web.Access;
using Yardang.Web.Lessons;

namespace Yardang.Web.Pages;

/// <summary>The front door: a code, or back to a board of this device, or sign in.</summary>
public sealed class IndexModel(Joining joining, JoinThrottle throttle, LessonPeople people, IDbContextFactory<SchoolContext> school, IStringLocalizer<UiTexts> texts) : PageModel
{
    private const int Shown = 3;

    public string Typed { get; private set; } = "";

    public string? Problem { get; private set; }

    /// <summary>What was done.</summary>
    public string? Said { get; private set; }

    public IReadOnlyList<(ParticipantRecord Participant, LessonRecord Lesson, string Name)> Known { get; private set; } = [];

    /// <summary>With <c>unknown</c>, somebody asked for a board that this device has no key to (any more); with <c>nowhere</c>, for a lesson's address that there is not; with <c>gone</c>, the lesson in which they were is deleted; with <c>left</c>, a teacher has deleted their account.</summary>
    public async Task OnGetAsync(bool unknown, bool nowhere, bool gone, bool left)
    {
        if (left) Said = texts["Front.Left"];
        if (gone) Problem = texts["Front.Gone"];
        if (unknown) Problem = texts["Front.UnknownDevice"];
        if (nowhere) Problem = texts["Front.UnknownAddress"];
        await FindKnownAsync();
    }

    public async Task<IActionResult> OnPostAsync(string? code)
    {
        Typed = code?.Length <= JoinCode.Length * 5 ? code : "";
        if (!await throttle.EnterAsync(HttpContext))
        {
            Problem = texts["Front.Wait"];
        }
        else if ((JoinCode.Read(code) is { } read ? await joining.FindAsync(read) : await joining.FindByAddressAsync(code)) is { } lesson)
        {
            throttle.WasRight(HttpContext);
            return RedirectToPage("/Student/Join", new { code = lesson.Code });
        }
        else
        {
            Problem = JoinCode.Read(code) is not null ? texts["Front.UnknownCode"]
                : JoinCode.NeverIn(code) is { Length: > 0 } misread ? texts["Front.NeverInCodes", string.Join(", ", misread.ToCharArray())]
                : texts["Front.NotACode", JoinCode.Length];
        }

        await FindKnownAsync();
        return Page();
    }

    private async Task FindKnownAsync()
    {
        var visitor = Visitor.Of(HttpContext);
        await using var db = await school.CreateDbContextAsync();
        var found = await db.Participants.Where(p => visitor.Participants.Contains(p.Id))
            .Join(db.Lessons.Where(l => l.ClosedAt == null), p => p.LessonId, l => l.Id, (p, l) => new { Participant = p, Lesson = l })
            .ToListAsync();
        var known = found.OrderBy(f => visitor.Participants.ToList().IndexOf(f.Participant.Id)).Take(Shown).ToList();
        var names = await people.NamesAmongAsync(known.Select(f => f.Participant));
        Known = [.. known.Select(f => (f.Participant, f.Lesson, names[f.Participant.Id]))];
    }
}
