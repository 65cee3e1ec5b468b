using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using Microsoft.EntityFrameworkCore;
using Yardang.Core.Lessons;
using Yardang.Core.Rooms;
using Yardang.Data.School;
using Yardang.Web.Access;
using Yardang.Web.Lessons;
using Yardang.Web.Rooms;

namespace Yardang.Web.Pages;

/// <summary>The three words of a student who has lost theirs, for the teacher to give them; or others, where somebody else has learnt them.</summary>
[Authorize]
public sealed class PersonKeyModel(AccessResolver access, ReentryKeys keys, RoomHosts hosts, FrozenVersions versions, IDbContextFactory<SchoolContext> school) : PageModel
{
    public LessonRecord Lesson { get; private set; } = null!;

    public ParticipantRecord Person { get; private set; } = null!;

    /// <summary>The words; null where names are for nobody: with them it would be seen whose cards are whose.</summary>
    public string? Words { get; private set; }

    /// <summary>Whether other words were given just now.</summary>
    public bool IsNew { get; private set; }

    public async Task<IActionResult> OnGetAsync(Guid lesson, int number, bool given)
    {
        IsNew = given;
        await using var db = await school.CreateDbContextAsync(HttpContext.RequestAborted);
        return await FindAsync(db, lesson, number) ? Page() : NotFound();
    }

    public async Task<IActionResult> OnPostAsync(Guid lesson, int number)
    {
        await using var db = await school.CreateDbContextAsync(HttpContext.RequestAborted);
        if (!await FindAsync(db, lesson, number)) return NotFound();
        if (Words is null) return Page();
        Person.KeyRound++;
        await db.SaveChangesAsync(HttpContext.RequestAborted);
        return Redirect($"/lesson/{lesson}/people/{number}/key?given=true");
    }

    private async Task<bool> FindAsync(SchoolContext db, Guid lesson, int number)
    {
        if (await access.LessonAsync(Visitor.Of(HttpContext), lesson, Power.Runs) is not { } found) return false;
        if (await db.Participants.SingleOrDefaultAsync(p => p.LessonId == lesson && p.Number == number && p.Standing == Standing.In && p.Erasing == Erasing.No, HttpContext.RequestAborted) is not { } person) return false;
        (Lesson, Person) = (found, person);
        Words = await IsSealedAsync(db, found) ? null : keys.Of(person).Text;
        return true;
    }

    // Also while no such wall is open yet: the words would serve then.
    private async Task<bool> IsSealedAsync(SchoolContext db, LessonRecord lesson)
    {
        if ((await versions.OfAsync(lesson.VersionId)).Steps.Any(p => p.Wall is { IsSealed: true })) return true;
        foreach (var wall in await db.RoomsOf(lesson.Id).Where(r => r.Kind == RoomKind.Wall).Select(r => r.Id).ToListAsync(HttpContext.RequestAborted))
        {
            if ((await hosts.GetAsync(wall)).IsSealed) return true;
        }

        return false;
    }
}
