using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using Microsoft.EntityFrameworkCore;
using Microsoft.Extensions.Localization;
using Yardang.Core.Rooms;
using Yardang.Data.School;
using Yardang.Web.Access;

namespace Yardang.Web.Pages;

/// <summary>A lesson's common board or wall, read-only, to be shown on a page elsewhere. Nobody's name is on it.</summary>
public sealed class EmbedModel(AccessResolver access, IDbContextFactory<SchoolContext> school, SchoolClock clock, IStringLocalizer<UiTexts> texts) : PageModel
{
    public WorkView View { get; private set; } = null!;

    public async Task<IActionResult> OnGetAsync(string key)
    {
        if (await access.EmbeddedAsync(key) is not { } board) return NotFound();
        await using var db = await school.CreateDbContextAsync();
        var kind = (await db.Rooms.SingleAsync(r => r.Id == board)).Kind;
        var lesson = await db.Lessons.SingleAsync(l => l.EmbedKey == key);
        View = new WorkView(lesson.Name, "", IsStaff: false, Signals: false, new
        {
            mode = "embed",
            work = board,
            lesson = "",
            query = $"?embed={key}",
            together = false,
            actor = Actor.Onlooker.Number,
            language = ContentLanguage.Current,
            written = lesson.Language,
            zone = clock.Zone.Id,
            home = "",
            who = "onlooker",
            texts = kind == RoomKind.Wall ? WallTexts.For(texts) : BoardTexts.For(texts),
        })
        {
            Kind = kind,
            LooksOnly = true,
        };
        return Page();
    }
}
