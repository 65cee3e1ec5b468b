using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using Microsoft.EntityFrameworkCore;
using Microsoft.Extensions.Localization;
using Yardang.Data.School;
using Yardang.Web.Access;
using Yardang.Web.Lessons;
using Yardang.Web.Shelf;

namespace Yardang.Web.Pages;

/// <summary>A version, and for whom it was handed out.</summary>
public sealed record KeptVersion(VersionRecord Record, IReadOnlyList<string> Lessons);

/// <summary>What an activity said earlier: each handing out froze a version, and the teacher keeps others by name.</summary>
[Authorize]
public sealed class VersionsModel(AccessResolver access, ActivityMaking making, IDbContextFactory<SchoolContext> school, SchoolClock clock, IStringLocalizer<UiTexts> texts) : PageModel
{
    private const int NameLength = 80;

    public ActivityRecord Activity { get; private set; } = null!;

    /// <summary>What it is called now.</summary>
    public string Name { get; private set; } = "";

    public IReadOnlyList<KeptVersion> Versions { get; private set; } = [];

    public string? Problem { get; private set; }

    public async Task<IActionResult> OnGetAsync(Guid id)
    {
        if (await access.ActivityAsync(Visitor.Of(HttpContext), id, Power.Runs) is not { } activity) return NotFound();
        Activity = activity;
        Name = (await making.ContentAsync(activity)).Name.For(ContentLanguage.Current);
        await using var db = await school.CreateDbContextAsync();
        var versions = await db.Versions.Where(v => v.ActivityId == id).OrderByDescending(v => v.FrozenAt).ToListAsync();
        var lessons = await db.Lessons.Where(l => l.ActivityId == id).OrderBy(l => l.HandedOutAt).Select(l => new { l.VersionId, l.ClassName }).ToListAsync();
        Versions = [.. versions.Select(v => new KeptVersion(v, [.. lessons.Where(l => l.VersionId == v.Id).Select(l => l.ClassName)]))];
        return Page();
    }

    public async Task<IActionResult> OnPostKeepAsync(Guid id, string? name)
    {
        if (await access.ActivityAsync(Visitor.Of(HttpContext), id, Power.Runs) is not { } activity) return NotFound();
        var called = (name ?? "").Trim();
        if (called.Length > 0) await making.KeepVersionAsync(activity, called.Length > NameLength ? called[..NameLength] : called);
        return RedirectToPage(new { id });
    }

    public async Task<IActionResult> OnPostRestoreAsync(Guid id, Guid version)
    {
        if (await access.ActivityAsync(Visitor.Of(HttpContext), id, Power.Runs) is not { } activity) return NotFound();
        await using var db = await school.CreateDbContextAsync();
        if (await db.Versions.SingleOrDefaultAsync(v => v.Id == version && v.ActivityId == id) is not { } earlier) return NotFound();
        try
        {
            await making.RestoreAsync(activity, earlier, texts["Versions.BeforeRestoring", clock.Show(earlier.FrozenAt)]);
            return Redirect($"/workshop/{id}");
        }
        catch (FormatException e)
        {
            Problem = texts["Versions.NotAllowed", e.Message];
            return await OnGetAsync(id);
        }
    }
}
