using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using Microsoft.Extensions.Localization;
using Yardang.Web.Access;
using Yardang.Web.Lessons;

namespace Yardang.Web.Pages;

/// <summary>The activity as a student will see it, before anyone does. Nothing written here is kept.</summary>
[Authorize]
public sealed class TryOutModel(AccessResolver access, Handing handing, IStringLocalizer<UiTexts> texts) : PageModel
{
    // Any number that is not the teacher's: marks of the draft are then somebody else's, as they are for a student.
    private const int SampleStudent = 2;

    public BoardView View { get; private set; } = null!;

    public async Task<IActionResult> OnGetAsync(Guid id)
    {
        if (await access.OwnActivityAsync(Visitor.Of(HttpContext), id) is not { } activity) return NotFound();
        var content = await handing.ContentAsync(activity);
        View = new BoardView(content.Name.For(ContentLanguage.Current), content.Directions.For(ContentLanguage.Current), IsStaff: false, Signals: false, new
        {
            mode = "try",
            together = false,
            board = activity.DraftId,
            lesson = "",
            participant = "",
            actor = SampleStudent,
            language = ContentLanguage.Current,
            who = "",
            texts = BoardTexts.For(texts),
        }, $"/workshop/{id}", texts["TryOut.Back"]);
        return Page();
    }
}
