using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using Microsoft.Extensions.Localization;
using Yardang.Core.Rooms;
using Yardang.Web.Access;
using Yardang.Web.Lessons;

namespace Yardang.Web.Pages;

/// <summary>Sitting beside a student: their board, with the teacher's pen.</summary>
[Authorize]
public sealed class BesideModel(AccessResolver access, LessonPeople people, IStringLocalizer<UiTexts> texts) : PageModel
{
    public BoardView View { get; private set; } = null!;

    public async Task<IActionResult> OnGetAsync(Guid lesson, Guid id)
    {
        var visitor = Visitor.Of(HttpContext);
        if (await access.LessonAsync(visitor, lesson, Power.Watches) is not { } record) return NotFound();
        if (await access.ForRoomAsync(visitor, id) is not { Kind: RoomKind.Board, Actor: { IsStaff: true } me }) return NotFound();
        var board = (await people.AllBoardsAsync(record)).FirstOrDefault(b => b.Id == id);
        if (board is null) return NotFound();

        View = new BoardView(record.TogetherId == id || board.Group is not null ? board.Title : texts["Beside.Heading", board.Title], "", IsStaff: !me.LooksOnly, Signals: false, new
        {
            mode = me.LooksOnly ? "look" : "beside",
            board = id,
            lesson,
            query = "",
            together = true,
            actor = me.Number,
            language = ContentLanguage.Current,
            written = record.Language,
            who = $"teacher-{visitor.TeacherId}",
            texts = BoardTexts.For(texts),
        }, $"/lesson/{lesson}", texts["Beside.Back"])
        {
            LooksOnly = me.LooksOnly,
            Links = [($"/lesson/{lesson}/board/{id}.png", texts["Beside.Png"]), ($"/lesson/{lesson}/board/{id}.svg", texts["Beside.Svg"]), ($"/lesson/{lesson}/board/{id}.inkml", texts["Beside.InkMl"])],
        };
        ViewData["HandsOut"] = $"/lesson/{lesson}/late?board={id}&marks=";
        return Page();
    }
}
