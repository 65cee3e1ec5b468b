using System.Security.Claims;
using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using Microsoft.EntityFrameworkCore;
using Microsoft.Extensions.Localization;
using Yardang.Core.Cupboard;
using Yardang.Data.School;
using Yardang.Rendering;
using Yardang.Web.Access;
using Yardang.Web.Lessons;
using Yardang.Web.Shelf;

namespace Yardang.Web.Pages;

/// <summary>What a new activity can begin with: the program's templates, and the teacher's own.</summary>
[Authorize]
public sealed class NewModel(ActivityMaking making, AccessResolver access, IDbContextFactory<SchoolContext> school, IStringLocalizer<UiTexts> texts) : PageModel
{
    /// <summary>The program's templates: of several parts, walls, then boards.</summary>
    public static IEnumerable<(string Heading, IEnumerable<Template> Templates)> BuiltIn =>
        new[] { TemplateKind.Several, TemplateKind.Walls, TemplateKind.Boards }.Select(kind => (kind.ToString(), Templates.All.Where(t => t.Kind == kind)));

    public IReadOnlyList<ActivityRecord> Own { get; private set; } = [];

    private Guid TeacherId => Guid.Parse(User.FindFirstValue(ClaimTypes.NameIdentifier)!);

    public async Task OnGetAsync()
    {
        await using var db = await school.CreateDbContextAsync();
        Own = await db.Activities.Where(a => a.OwnerId == TeacherId && a.IsTemplate && a.BinnedAt == null).OrderBy(a => a.Name).ToListAsync();
    }

    public async Task<IActionResult> OnPostBuiltInAsync(string key)
    {
        if (Templates.Find(key) is not { } template) return NotFound();
        var content = TextFit.Fit(template.Content(ContentLanguage.Current, text => texts[text]));
        return Redirect($"/workshop/{(await making.CreateAsync(TeacherId, content)).Id}");
    }

    /// <summary>The template stays as it is: the new activity is a copy.</summary>
    public async Task<IActionResult> OnPostOwnAsync(Guid id)
    {
        if (await access.ActivityAsync(Visitor.Of(HttpContext), id, Power.Runs) is not { } own) return NotFound();
        return Redirect($"/workshop/{(await making.CreateAsync(TeacherId, await making.ContentAsync(own))).Id}");
    }
}
