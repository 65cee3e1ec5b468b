using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using Microsoft.Extensions.Localization;
using Yardang.Core.Marks;
using Yardang.Core.Rooms;
using Yardang.Core.Shapes;
using Yardang.Web.Access;
using Yardang.Web.History;
using Yardang.Web.Lessons;

namespace Yardang.Web.Pages;

/// <summary>How a board came to be, moment by moment.</summary>
[Authorize]
public sealed class HistoryModel(AccessResolver access, PastRooms past, LessonPeople people, SchoolClock clock, IStringLocalizer<UiTexts> texts) : PageModel
{
    public HistoryView View { get; private set; } = null!;

    public async Task<IActionResult> OnGetAsync(Guid lesson, Guid id)
    {
        var visitor = Visitor.Of(HttpContext);
        if (await access.LessonAsync(visitor, lesson, Power.Watches) is not { } record) return NotFound();
        if (await past.FindAsync(visitor, id) is not (_, { Actor: var me } found)) return NotFound();
        if ((await people.AllBoardsAsync(record)).FirstOrDefault(b => b.Id == id) is not { } board) return NotFound();
        var isWall = found.Kind == RoomKind.Wall;
        var data = HistoryView.DataOf(id, found.Kind, "", me, found.MayWrite, await people.NamesAsync(id, me), clock.Zone.Id, record.Language, texts);
        View = new HistoryView(
            isWall && board.Place.Whose == Whose.Together ? record.Name : board.Title, $"/lesson/{lesson}/board/{id}", texts[isWall ? "History.BackToWall" : "History.Back"], found.MayWrite, isWall, IsOwn: false, data);
        return Page();
    }
}
