using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using Microsoft.EntityFrameworkCore;
using Microsoft.Extensions.Localization;
using Yardang.Core.Interchange;
using Yardang.Core.Rooms;
using Yardang.Data.School;
using Yardang.Web.Access;

namespace Yardang.Web.Pages;

/// <summary>A student's board.</summary>
public sealed class BoardModel(AccessResolver access, IDbContextFactory<SchoolContext> school, ParticipantCookie cookie, IStringLocalizer<UiTexts> texts) : PageModel
{
    public BoardView View { get; private set; } = null!;

    public async Task<IActionResult> OnGetAsync(Guid id)
    {
        var visitor = Visitor.Of(HttpContext);
        var found = await access.ForRoomAsync(visitor, id);
        if (found is not { Kind: RoomKind.Board, Actor.IsStaff: false } || visitor.As is not { } participant) return RedirectToPage("/Index", new { unknown = true });

        await using var db = await school.CreateDbContextAsync();
        var lesson = await db.Lessons.Join(db.Boards.Where(b => b.Id == id), l => l.Id, b => b.LessonId, (l, _) => l).SingleAsync();
        var version = await db.Versions.SingleAsync(v => v.Id == lesson.VersionId);
        var content = ActivityJson.Read(version.Content);
        cookie.Remember(HttpContext, participant);
        View = new BoardView(lesson.Name, content.Directions.For(ContentLanguage.Current), IsStaff: false, Signals: true, new
        {
            mode = "student",
            board = id,
            lesson = lesson.Id,
            participant,
            together = lesson.TogetherId == id,
            actor = found.Actor.Number,
            language = ContentLanguage.Current,
            who = participant,
            texts = BoardTexts.For(texts),
        });
        return Page();
    }
}
