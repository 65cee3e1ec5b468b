using System.Globalization;
using Microsoft.Extensions.Localization;
using Yardang.Core.Boards;
using Yardang.Core.History;
using Yardang.Core.Editing;
using Yardang.Core.Rooms;
using Yardang.Core.Visibility;
using Yardang.Core.Walls;
using Yardang.Data.Media;
using Yardang.Data.School;
using Yardang.Rendering;
using Yardang.Web.Access;
using Yardang.Web.Exports;
using Yardang.Web.Lessons;

namespace Yardang.Web.History;

/// <summary>Moments of a board or wall to take along: those that the teacher chose as a PDF, and how a page came to be as a film. For the lesson's teachers.</summary>
public sealed class MomentsExport(AccessResolver access, PastRooms past, LessonPeople people, WallExport walls, MediaStore media, SchoolClock clock, ExportDesk desk, IStringLocalizer<UiTexts> texts)
{
    /// <summary>Most moments of a PDF.</summary>
    public const int Most = 40;

    private readonly record struct Moment(long At, long Page);

    /// <summary>A PDF of chosen moments, in order: of a board the page that was chosen with each, of a wall all of it.</summary>
    /// <param name="context">Who asks.</param>
    /// <param name="lesson">The lesson.</param>
    /// <param name="board">The board or wall.</param>
    /// <param name="chosen">Each "number.page": the number of the last event of the moment, and the id of the page; 0 on walls.</param>
    public async Task<IResult> PdfAsync(HttpContext context, Guid lesson, Guid board, string[] chosen)
    {
        if (await FindAsync(context, lesson, board) is not var (record, found, last)) return Results.NotFound();
        var moments = chosen.Select(Read).ToList();
        if (moments.Count is 0 or > Most || moments.Exists(m => m is null || m.Value.At > last)) return Results.BadRequest();

        var pages = new List<ExportPage>();
        var room = await past.BeginningAsync(board);
        using var log = past.All(board).GetEnumerator();
        var (time, told) = (0L, "");
        var names = (await people.NamesAsync(board, Actor.Owner)).ToDictionary(n => n.Number, n => n.Name);
        foreach (var moment in moments.OfType<Moment>().Order(Comparer<Moment>.Create((a, b) => a.At.CompareTo(b.At))))
        {
            while (room.Number < moment.At && log.MoveNext())
            {
                if (LogLine.Of(log.Current, room) is { } line) told = $"{names.GetValueOrDefault(line.Person) ?? texts["History.Somebody"]} {texts.Did(line)}";
                time = log.Current.Time;
                room.Apply(log.Current);
            }

            var foot = string.Join(" · ", new[] { found.Title, record.Name, time == 0 ? texts["History.Beginning"] : clock.Second(time), told }.Where(w => w.Length > 0));
            pages.AddRange(room switch
            {
                Board at => PageOf(at, moment.Page, foot),
                Wall at => await walls.PagesAsync(record, found, at, foot),
                _ => [],
            });
        }

        return pages.Count == 0 ? Results.BadRequest() : await desk.GiveAsync(stop => PageExport.Pdf(pages, record.Name, stop), "application/pdf", $"{BoardExport.FileName($"{record.Name} {found.Title}")}.pdf", context.RequestAborted);
    }

    /// <summary>How a page of a board came to be, the first if there is no such page, as an animated SVG.</summary>
    public async Task<IResult> FilmAsync(HttpContext context, Guid lesson, Guid board, long? page)
    {
        if (await FindAsync(context, lesson, board) is not var (record, found, last) || await past.BeginningAsync(board) is not Board beginning) return Results.NotFound();
        return await desk.GiveAsync(stop => Film(beginning, [.. past.All(board).TakeWhile(e => e.Number <= last)], page, $"{record.Name} · {found.Title}", stop), "image/svg+xml", $"{BoardExport.FileName($"{record.Name} {found.Title}")}.svg", context.RequestAborted);
    }

    private byte[] Film(Board board, List<Envelope> log, long? wanted, string title, CancellationToken stop)
    {
        // What was brought from elsewhere, or handed out later, has its pages from then on.
        var ids = log.Select(e => e.Event).OfType<WorkBrought>().SelectMany(b => b.Content.Pages).Concat(log.Select(e => e.Event).OfType<LateChangeAdopted>().SelectMany(a => a.Pages)).Select(p => p.Id).Prepend(board.Sheets.Pages[0].Id).Concat(board.Sheets.Pages.Select(p => p.Id)).ToList();
        var id = wanted is { } asked && ids.Contains(asked) ? asked : log is [{ Event: WorkBrought(var content, _, _, _) }, ..] ? content.Pages[0].Id : ids[0];
        var film = PageFilm.Of(board, log, id, Sight.OnPaper);
        return FilmExport.Svg(board.Sheets.FindPage(id)!, board.Sheets.Unit, film, media.Find, title, stop);
    }

    private async Task<(LessonRecord Lesson, LessonBoard Board, long Last)?> FindAsync(HttpContext context, Guid lesson, Guid board)
    {
        var visitor = Visitor.Of(context);
        if (await access.LessonAsync(visitor, lesson, Power.Runs) is not { } record) return null;
        if ((await people.AllBoardsAsync(record)).FirstOrDefault(b => b.Id == board) is not { } found) return null;
        return await past.FindAsync(visitor, board) is var (host, _) ? (record, found, host.Durable) : null;
    }

    private List<ExportPage> PageOf(Board board, long page, string foot) => board.Sheets.FindPage(page) is { Erased: false } at
        ? [new(at, [.. board.Sheets.Visible(page).Where(Sight.OnPaper)], board.Sheets.Unit, media.Find, foot)] : [];

    private static Moment? Read(string chosen) => chosen.Split('.') is [var at, var page] && long.TryParse(at, NumberStyles.None, CultureInfo.InvariantCulture, out var number) && long.TryParse(page, NumberStyles.None, CultureInfo.InvariantCulture, out var id) ? new(number, id) : null;
}
