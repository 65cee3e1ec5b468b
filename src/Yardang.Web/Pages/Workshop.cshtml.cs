using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using Microsoft.Extensions.Localization;
using Yardang.Data.School;
using Yardang.Web.Access;

namespace Yardang.Web.Pages;

/// <summary>Where an activity is designed.</summary>
[Authorize]
public sealed class WorkshopModel(AccessResolver access, IStringLocalizer<UiTexts> texts) : PageModel
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
            texts = BoardTexts.For(texts),
        };
        return Page();
    }
}
