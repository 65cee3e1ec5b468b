using Microsoft.EntityFrameworkCore;
using Microsoft.Extensions.Localization;
using Yardang.Core.Boards;
using Yardang.Core.Pages;
using Yardang.Core.Rooms;
using Yardang.Core.Visibility;
using Yardang.Core.Walls;
using Yardang.Data.School;
using Yardang.Rendering;
using Yardang.Web.Access;
using Yardang.Web.Lessons;
using Yardang.Web.Rooms;

namespace Yardang.Web.Exports;

/// <summary>
/// A student's own work on its way to them, where their teacher lets them take it along: their board or their group's with what was said about it; of a board that all share what the
/// teacher put there and they themselves; of a wall their cards. It is made from what they see of the room (<see cref="OwnCopy"/>), so that nothing else can be in it.
/// </summary>
public sealed class OwnWork(AccessResolver access, IDbContextFactory<SchoolContext> school, RoomHosts hosts, LessonPeople people, BoardExport boards, WallExport walls, SchoolClock clock, ExportDesk desk, IStringLocalizer<UiTexts> texts)
{
    /// <summary>It as a PDF; or a page of it as a picture, the first if nothing else is asked for.</summary>
    public async Task<IResult> GiveAsync(HttpContext context, Guid room, string format, int? number, string? language)
    {
        var visitor = Visitor.Of(context);
        if (await access.OnTakingAlongAsync(visitor, room) is not { Actor: var me }) return Results.NotFound();
        await using var db = await school.CreateDbContextAsync();
        var place = (await db.Rooms.SingleAsync(r => r.Id == room)).Place;
        var participant = await db.Participants.SingleAsync(p => p.Id == visitor.As);
        var lesson = await db.Lessons.SingleAsync(l => l.Id == participant.LessonId);
        var names = (await people.NamesAsync(room, me)).ToDictionary(p => p.Number, p => p.Name);
        var foot = $"{participant.Name} · {lesson.Name} · {clock.Day(lesson.HandedOutAt)}";
        var stop = context.RequestAborted;
        Room copy = null!;
        await (await hosts.GetAsync(room)).LookAsync(r => copy = r is Wall wall ? OwnCopy.Of(wall, me) : OwnCopy.Of((Board)r, me, place.Whose == Whose.Together), stop);
        var pages = copy is Board board
            ? format is "pdf" ? boards.WholeOf(board, room, names, language, lesson.Language, foot, knowsAll: false) : boards.PagesOf(board.Sheets, language, lesson.Language, foot)
            : PagesOf(walls.OwnOf(lesson, (Wall)copy, room, me.Number, names, language, foot), format);
        context.Response.Headers.CacheControl = "private, no-store";
        var name = BoardExport.FileName($"{lesson.Name} {participant.Name}");
        if (format is "pdf") return await desk.GiveAsync(s => PageExport.Pdf(pages, lesson.Name, s), "application/pdf", $"{name}.pdf", stop);
        return number is < 1 || number > pages.Count ? Results.NotFound() : await desk.GiveAsync(s => PageExport.Png(pages[(number ?? 1) - 1], stop: s), "image/png", $"{name}.png", stop);
    }

    private IReadOnlyList<ExportPage> PagesOf(WallSheet sheet, string format)
    {
        if (sheet.Bands.Count == 0) sheet = sheet with { Bands = [new(texts["Wall.NoCards"], "", 0, [])] };
        return format is "png" ? [WallPages.Whole(sheet)] : WallPages.On(PageSize.A4Wide, sheet);
    }
}
