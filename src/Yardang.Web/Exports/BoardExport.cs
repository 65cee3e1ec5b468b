using System.Globalization;
using Yardang.Core.Activities;
using Yardang.Core.Boards;
using Yardang.Core.Editing;
using Yardang.Core.Interchange;
using Yardang.Core.Rooms;
using Yardang.Core.Visibility;
using Yardang.Data.Media;
using Yardang.Data.School;
using Yardang.Rendering;
using Yardang.Web.Access;
using Yardang.Web.Lessons;
using Yardang.Web.Rooms;
using Yardang.Web.Shelf;

namespace Yardang.Web.Exports;

/// <summary>Boards and walls on their way out: all as one PDF, one as PNG or SVG. For the lesson's teacher only.</summary>
public sealed class BoardExport(AccessResolver access, LessonPeople people, WallExport walls, TalkPages talk, RecordedPages recorded, ActivityMaking making, WorkArchive work, RoomHosts hosts, MediaStore media, SchoolClock clock, ExportDesk desk)
{
    /// <summary>All boards and walls of a lesson, or of one of its parts, in the order of arrival; what the teacher wrote in a language, if one is asked for.</summary>
    public async Task<IResult> PdfAsync(HttpContext context, Guid lesson, string? language, int? part)
    {
        if (await access.LessonAsync(Visitor.Of(context), lesson, Power.Runs) is not { } record) return Results.NotFound();
        var pages = new List<ExportPage>();
        foreach (var board in (await people.AllBoardsAsync(record)).Where(b => (part is null || b.Place.Part == part) && (b.People.Count > 0 || b.Place.Whose == Whose.Together)))
        {
            pages.AddRange(IsWall(record, board) ? await walls.PagesAsync(record, board, language, context.RequestAborted) : await WholeAsync(record, board, language, context.RequestAborted));
        }

        return pages.Count == 0
            ? Results.Redirect($"/lesson/{lesson}")
            : await desk.GiveAsync(stop => PageExport.Pdf(pages, record.Name, stop), "application/pdf", $"{FileName(record.Name)}.pdf", context.RequestAborted);
    }

    /// <summary>A page of one board, the first if nothing else is asked for: as a picture, or its ink as InkML, with <c>names=none</c> without whose it is. A wall as a whole, without anybody's name, on <c>paper=a3</c> or as a <c>poster</c>.</summary>
    public async Task<IResult> PageAsync(HttpContext context, Guid lesson, Guid board, string format, int? number, string? language, string? names, string? paper)
    {
        if (await access.LessonAsync(Visitor.Of(context), lesson, Power.Runs) is not { } record) return Results.NotFound();
        if ((await people.AllBoardsAsync(record)).FirstOrDefault(b => b.Id == board) is not { } found) return Results.NotFound();
        var named = names is not "none";
        if (IsWall(record, found)) return await walls.GiveAsync(record, found, format, language, named, paper, FileName(named ? $"{record.Name} {found.Title}" : record.Name), context.RequestAborted);
        var pages = await PagesAsync(record, found, language, context.RequestAborted, named);
        if ((number ?? 1) < 1 || (number ?? 1) > pages.Count) return Results.NotFound();
        var page = pages[(number ?? 1) - 1];
        var name = FileName(named ? $"{record.Name} {found.Title}" : record.Name);
        var (make, type) = format switch
        {
            "png" => ((Func<CancellationToken, byte[]>?)(stop => PageExport.Png(page, stop: stop)), "image/png"),
            "svg" => (stop => PageExport.Svg(page, stop), "image/svg+xml"),
            "inkml" => (_ => InkMl.Write(page.Marks), "application/inkml+xml"),
            _ => (null, ""),
        };
        if (make is null) return Results.NotFound();
        return await desk.GiveAsync(make, type, $"{name}.{format}", context.RequestAborted);
    }

    /// <summary>A page of a board, the first if there is no such page, or a whole wall, without anybody's name; null if there is nothing.</summary>
    public async Task<ExportPage?> NamelessAsync(LessonRecord lesson, LessonBoard board, long page, long card, CancellationToken stop)
    {
        if (IsWall(lesson, board)) return card == 0 ? await walls.NamelessAsync(lesson, board, stop) : await walls.CardAsync(lesson, board, card, stop);
        var pages = await PagesAsync(lesson, board, null, stop, named: false);
        return pages.Find(p => p.Page.Id == page) ?? pages.FirstOrDefault();
    }

    /// <summary>An activity as an archive, for its owner.</summary>
    public async Task<IResult> ArchiveAsync(HttpContext context, Guid activity)
    {
        if (await access.ActivityAsync(Visitor.Of(context), activity, Power.Watches) is not { } record) return Results.NotFound();
        var content = await making.ContentAsync(record);
        return await desk.GiveAsync(_ => ActivityArchive.Write(content, media.Find), "application/zip", $"{FileName(content.Name.For(ContentLanguage.Current))}.yardang.zip", context.RequestAborted);
    }

    /// <summary>A lesson with its work as an archive, for its teacher.</summary>
    public async Task<IResult> WorkAsync(HttpContext context, Guid lesson)
    {
        if (await access.LessonAsync(Visitor.Of(context), lesson, Power.Runs) is not { } record) return Results.NotFound();
        var write = await work.ReadyAsync(record, context.RequestAborted);
        return await desk.GiveAsync(_ => write(), "application/zip", $"{FileName($"{record.Name} {record.ClassName}")}.yardang.zip", context.RequestAborted);
    }

    /// <summary>A board with what was said about it, or a wall, on pages to be printed.</summary>
    public async Task<IReadOnlyList<ExportPage>> PagesAsync(LessonRecord lesson, LessonBoard board, CancellationToken stop) =>
        IsWall(lesson, board) ? await walls.PagesAsync(lesson, board, null, stop) : await WholeAsync(lesson, board, null, stop);

    private static bool IsWall(LessonRecord lesson, LessonBoard board) => lesson.FindPart(board.Place.Part)!.Kind == PartKind.Wall;

    // With what is heard and seen on it, and what was said about it.
    private async Task<List<ExportPage>> WholeAsync(LessonRecord lesson, LessonBoard board, string? language, CancellationToken stop)
    {
        List<ExportPage> pages = [];
        var names = (await people.InAsync(lesson.Id)).ToDictionary(p => p.Number, p => p.Name);
        await (await hosts.GetAsync(board.Id)).LookAsync(room => pages = WholeOf((Board)room, board.Id, names, language, lesson.Language, FootOf(lesson, board), knowsAll: true), stop);
        return pages;
    }

    /// <summary>A board with what is heard and seen on it, and what was said about it, as somebody knows it.</summary>
    /// <param name="board">As they know it.</param>
    /// <param name="room">Of the board.</param>
    /// <param name="names">What people are called for them, by actor number.</param>
    /// <param name="language">In which the teacher's words are wanted; null for that in which they were written.</param>
    /// <param name="written">In which the teacher wrote.</param>
    /// <param name="foot">Below each page.</param>
    /// <param name="knowsAll">Whether they know what everybody chose so far.</param>
    public List<ExportPage> WholeOf(Board board, Guid room, IReadOnlyDictionary<int, string> names, string? language, string written, string foot, bool knowsAll) =>
    [
        .. PagesOf(board.Sheets, language, written, foot),
        .. recorded.Of(board.Sheets, room, names, foot),
        .. talk.Of(board, room, names, language, written, foot, knowsAll),
    ];

    /// <summary>The pages of a board.</summary>
    public List<ExportPage> PagesOf(Sheets sheets, string? language, string written, string foot) =>
        [.. sheets.Pages.Select(p => new ExportPage(p, [.. sheets.Visible(p.Id).Where(Sight.OnPaper).Select(m => Languages.ReadIn(m, language, written))], sheets.Unit, media.Find, foot))];

    private string FootOf(LessonRecord lesson, LessonBoard board) => string.Create(CultureInfo.CurrentCulture, $"{board.Title} · {lesson.Name} · {clock.Day(lesson.HandedOutAt)}");

    private async Task<List<ExportPage>> PagesAsync(LessonRecord lesson, LessonBoard board, string? language, CancellationToken stop, bool named = true)
    {
        var host = await hosts.GetAsync(board.Id);
        var foot = named ? FootOf(lesson, board) : "";
        List<ExportPage> pages = [];
        await host.LookAsync(room => pages = PagesOf(((Board)room).Sheets, language, lesson.Language, foot), stop);
        return pages;
    }

    internal static string FileName(string name) =>
        string.Concat(name.Select(c => char.IsLetterOrDigit(c) || c is ' ' or '-' ? c : ' ')).Trim();
}
