using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using Microsoft.EntityFrameworkCore;
using Microsoft.Extensions.Localization;
using Yardang.Core.Activities;
using Yardang.Data.School;
using Yardang.Web.Access;
using Yardang.Web.Lessons;

namespace Yardang.Web.Pages;

/// <summary>Where an activity is designed.</summary>
[Authorize]
public sealed class WorkshopModel(AccessResolver access, Handing handing, IDbContextFactory<SchoolContext> school, IStringLocalizer<UiTexts> texts) : PageModel
{
    public ActivityRecord Activity { get; private set; } = null!;

    public object Data { get; private set; } = new();

    public async Task<IActionResult> OnGetAsync(Guid id)
    {
        var visitor = Visitor.Of(HttpContext);
        if (await access.OwnActivityAsync(visitor, id) is not { } activity) return NotFound();
        Activity = activity;
        Data = new
        {
            draft = activity.DraftId,
            who = $"teacher-{visitor.TeacherId}",
            language = ContentLanguage.Current,
            texts = BoardTexts.For(texts, ("unnamedPage", "Pages.Unnamed"), ("copiesDo", "Copies.Do"), ("outlineDo", "Outline.Do")),
        };
        return Page();
    }

    /// <summary>The pages that a pasted text would make.</summary>
    public async Task<IActionResult> OnPostOutlineAsync(Guid id, string? outline)
    {
        if (await access.OwnActivityAsync(Visitor.Of(HttpContext), id) is null) return NotFound();
        return new JsonResult(Outline.Read(outline ?? ""));
    }

    /// <summary>My other activities, to copy pages from.</summary>
    public async Task<IActionResult> OnGetOthersAsync(Guid id)
    {
        var visitor = Visitor.Of(HttpContext);
        if (await access.OwnActivityAsync(visitor, id) is null) return NotFound();
        await using var db = await school.CreateDbContextAsync();
        var others = await db.Activities.Where(a => a.OwnerId == visitor.TeacherId && a.Id != id).OrderByDescending(a => a.CreatedAt).ToListAsync();
        var named = new List<object>();
        foreach (var other in others)
        {
            var name = (await handing.ContentAsync(other)).Name.For(ContentLanguage.Current);
            named.Add(new { name = name.Length > 0 ? name : texts["Desk.Unnamed"].Value, draft = other.DraftId });
        }

        return new JsonResult(named);
    }
}
