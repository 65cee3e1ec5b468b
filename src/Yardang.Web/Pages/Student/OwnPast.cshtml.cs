using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using Microsoft.Extensions.Localization;
using Yardang.Core.Rooms;
using Yardang.Web.Access;
using Yardang.Web.Lessons;

namespace Yardang.Web.Pages;

/// <summary>How a student's own board came to be, for themselves, where their teacher lets them look back.</summary>
public sealed class OwnPastModel(AccessResolver access, MyPlace places, LessonPeople people, SchoolClock clock, IStringLocalizer<UiTexts> texts) : PageModel
{
    public HistoryView View { get; private set; } = null!;

    public async Task<IActionResult> OnGetAsync(Guid id)
    {
        var visitor = Visitor.Of(HttpContext);
        if (await places.OfAsync(visitor, id) is not var (place, me)) return RedirectToPage("/Student/Index", new { unknown = true });
        if (await access.OnOwnPastAsync(visitor with { As = me.Id }, id) is not { } actor) return Redirect(place.Address);
        var data = HistoryView.DataOf(id, RoomKind.Board, $"?as={me.Id}", actor, mayRestore: false, await people.NamesAsync(id, actor), clock.Zone.Id, ContentLanguage.Current, texts);
        View = new HistoryView(place.Lesson, place.Address, texts["Board.BackToMine"], MayRestore: false, IsWall: false, IsOwn: true, data);
        return Page();
    }
}
