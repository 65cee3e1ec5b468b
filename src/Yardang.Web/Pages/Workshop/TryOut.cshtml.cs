using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using Microsoft.Extensions.Localization;
using Yardang.Core.Activities;
using Yardang.Core.Boards;
using Yardang.Core.Rooms;
using Yardang.Core.Walls;
using Yardang.Data.Wire;
using Yardang.Web.Access;
using Yardang.Web.Lessons;
using Yardang.Web.Shelf;

namespace Yardang.Web.Pages;

/// <summary>The activity as a student will see it, before anyone does. Nothing written here is kept.</summary>
[Authorize]
public sealed class TryOutModel(AccessResolver access, ActivityMaking making, IStringLocalizer<UiTexts> texts) : PageModel
{
    private const int Seats = 2;

    public WorkView View { get; private set; } = null!;

    /// <summary>A page for one sample student.</summary>
    /// <param name="id">The activity.</param>
    /// <param name="seat">Which of the two sits here.</param>
    /// <param name="part">The part that is tried, the first if none is asked for.</param>
    /// <param name="room">The name of the room that the workshop keeps, if the page is a frame in it.</param>
    public async Task<IActionResult> OnGetAsync(Guid id, int seat = 1, int? part = null, string? room = null)
    {
        if (seat is < 1 or > Seats || await access.ActivityAsync(Visitor.Of(HttpContext), id, Power.Watches) is not { } activity) return NotFound();
        var content = await making.ContentAsync(activity);
        if (content.Find(part ?? content.Steps[0].Number) is not { } tried) return NotFound();
        var isWall = tried.Kind == PartKind.Wall;
        var data = new
        {
            mode = "try",
            together = room is not null,
            work = activity.DraftId,
            lesson = "",
            query = "",
            actor = NumberOf(seat),
            language = ContentLanguage.Current,
            written = ContentLanguage.Current,
            who = "",
            directions = content.Directions.ByLanguage,
            texts = isWall ? WallTexts.For(texts) : BoardTexts.For(texts),
            tryOut = new { room = room ?? "", start = $"/workshop/{id}/try?handler=Start&part={tried.Number}", names = Enumerable.Range(1, Seats).ToDictionary(NumberOf, s => texts["TryOut.Seat", s].Value) },
        };
        View = new WorkView(content.Name.For(ContentLanguage.Current), content.Directions.For(ContentLanguage.Current), IsStaff: false, Signals: false, data,
            room is null ? $"/workshop/{id}?part={tried.Number}" : null, texts["TryOut.Back"])
        {
            Kind = isWall ? RoomKind.Wall : RoomKind.Board,
        };
        return Page();
    }

    /// <summary>The board or wall that a student would find now: what students may not know is not in it.</summary>
    public async Task<IActionResult> OnGetStartAsync(Guid id, int? part)
    {
        if (await access.ActivityAsync(Visitor.Of(HttpContext), id, Power.Watches) is not { } activity) return NotFound();
        Response.Headers.CacheControl = "no-store";
        var content = await making.ContentAsync(activity);
        if (content.Find(part ?? content.Steps[0].Number) is not { } tried) return NotFound();
        Room room = tried.Wall is { } plan ? new Wall(plan) : new Board(content.PagesOf(tried.Number));
        return File(SnapshotCodec.Encode(room, new Actor(NumberOf(1), Role.Student)), "application/vnd.msgpack");
    }

    // Number 1 is the teacher: marks of the draft are somebody else's, as they are for a student.
    private static int NumberOf(int seat) => seat + 1;
}
