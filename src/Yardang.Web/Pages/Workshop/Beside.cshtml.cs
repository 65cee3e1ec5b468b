using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using Microsoft.EntityFrameworkCore;
using Microsoft.Extensions.Localization;
using Yardang.Core.Activities;
using Yardang.Core.Lessons;
using Yardang.Core.Rooms;
using Yardang.Data.School;
using Yardang.Web.Access;
using Yardang.Web.History;
using Yardang.Web.Lessons;

namespace Yardang.Web.Pages;

/// <summary>Sitting beside a student: their board, with the teacher's pen.</summary>
[Authorize]
public sealed class BesideModel(AccessResolver access, PastRooms past, LessonPeople people, PouringOut pouring, IDbContextFactory<SchoolContext> school, IConfiguration configuration, SchoolClock clock, IStringLocalizer<UiTexts> texts) : PageModel
{
    private static readonly string[] s_pageFormats = ["png", "svg", "inkml"];
    private static readonly string[] s_wallFormats = ["pdf", "png", "svg", "csv"];
    private static readonly string[] s_papers = ["a3", "poster"];
    private static readonly string[] s_namelessFormats = ["pdf", "csv"];

    public WorkView View { get; private set; } = null!;

    /// <summary>Whether nobody is told that a teacher looks.</summary>
    public bool IsQuiet => CirculateModel.MayLookQuietly(configuration) && Request.Query.ContainsKey("quiet");

    public async Task<IActionResult> OnGetAsync(Guid lesson, Guid id)
    {
        var visitor = Visitor.Of(HttpContext);
        if (await access.LessonAsync(visitor, lesson, Power.Watches) is not { } record) return NotFound();
        if (await access.ForRoomAsync(visitor, id) is not { Kind: RoomKind.Board or RoomKind.Wall, Actor: { IsStaff: true } me } found) return await IsKeptAsync(record, id) ? Redirect($"/lesson/{lesson}") : NotFound();
        var board = (await people.AllBoardsAsync(record)).FirstOrDefault(b => b.Id == id);
        if (board is null) return NotFound();

        var isWall = found.Kind == RoomKind.Wall;
        View = new WorkView(HeadingOf(record, board, isWall), "", IsStaff: !me.LooksOnly, Signals: false, new
        {
            mode = me.LooksOnly ? "look" : "beside",
            sign = board.Sign,
            work = id,
            lesson,
            part = board.Place.Part,
            query = "",
            together = !isWall || board.Place.Whose is Whose.Together or Whose.Group,
            shared = board.Place.Whose is Whose.Together or Whose.Group,
            isStaff = true,
            actor = me.Number,
            language = ContentLanguage.Current,
            written = record.Language,

            // Only where the school lets teachers, and where they ask for it.
            quiet = IsQuiet,

            // Whose work is opened is seen to; not where all work.
            visits = me.LooksOnly || board.Place.Whose is not (Whose.Own or Whose.Group) ? [] : board.People.Where(p => p.Standing == Standing.In).Select(p => p.Number),

            // Whom a teacher may take out from here, and let in again.
            belong = me.LooksOnly || board.Place.Whose is not (Whose.Own or Whose.Group) ? [] : board.People.Where(p => p.Standing is Standing.In or Standing.Removed).Select(p => new { p.Number, p.Name }),

            // Who may have said something aloud, which a teacher writes down for them.
            speakers = me.LooksOnly || isWall || board.Place.Whose == Whose.Teacher ? [] : board.People.Where(p => p.Standing == Standing.In).Select(p => new { p.Number, p.Name }),
            zone = clock.Zone.Id,
            who = $"teacher-{visitor.TeacherId}",
            texts = isWall ? WallTexts.For(texts) : BoardTexts.For(texts),
        }, record.Parts.Length == 1 ? $"/lesson/{lesson}" : $"/lesson/{lesson}?part={board.Place.Part}", texts[isWall ? "Wall.Back" : "Beside.Back"])
        {
            Kind = found.Kind,
            LooksOnly = me.LooksOnly,
            OwnBoard = await OwnBoardAsync(record, board.Place),
            History = await past.FindAsync(visitor, id) is null ? null : $"/lesson/{lesson}/board/{id}/history",
            Links =
            [
                .. (isWall ? s_wallFormats : s_pageFormats).Select(format => ($"/lesson/{lesson}/board/{id}.{format}", texts[$"{(isWall ? "Wall" : "Beside")}.{format}"].Value)),
                .. isWall ? s_papers.Select(paper => ($"/lesson/{lesson}/board/{id}.pdf?paper={paper}", texts[$"Wall.Paper.{paper}"].Value)) : [],
                .. isWall ? s_namelessFormats.Select(format => ($"/lesson/{lesson}/board/{id}.{format}?names=none", texts[$"Wall.Nameless.{format}"].Value)) : [],
            ],
        };
        if (isWall && !me.LooksOnly)
        {
            View = View with { Pours = (await pouring.TargetsAsync(record, board.Place.Part)).Count > 0 ? $"/lesson/{lesson}/pour/{id}" : null, Compares = PouringOut.IsSortedApart(record.FindPart(board.Place.Part)!) ? $"/lesson/{lesson}/compare/{board.Place.Part}" : null };
        }

        if (!isWall) ViewData["HandsOut"] = $"/lesson/{lesson}/late?board={id}&marks=";
        if (IsQuiet) ViewData["Quiet"] = $"/lesson/{lesson}/board/{id}";
        return Page();
    }

    // It is there, and not shown yet.
    private async Task<bool> IsKeptAsync(LessonRecord lesson, Guid room)
    {
        await using var db = await school.CreateDbContextAsync();
        return await db.RoomsOf(lesson.Id).SingleOrDefaultAsync(r => r.Id == room) is { } kept && (await AccessResolver.KeptFromTeachersAsync(db, lesson)).Contains(kept.Place);
    }

    private async Task<string?> OwnBoardAsync(LessonRecord lesson, RoomPlace place)
    {
        if (place.Whose == Whose.Teacher || lesson.FindPart(place.Part) is not { Kind: PartKind.Pages }) return null;
        await using var db = await school.CreateDbContextAsync();
        return $"/lesson/{lesson.Id}/board/{await Seating.RoomAsync(db, lesson, new(place.Part, Whose.Teacher, 0))}";
    }

    private string HeadingOf(LessonRecord lesson, LessonBoard board, bool isWall) =>
        board.Place.Whose == Whose.Together ? isWall ? lesson.Name : board.Title
        : board.Group is not null ? board.Title
        : texts[isWall ? "Beside.WallHeading" : "Beside.Heading", board.Title];
}
