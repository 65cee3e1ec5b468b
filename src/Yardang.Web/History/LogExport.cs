using System.Globalization;
using System.Text;
using System.Text.Encodings.Web;
using System.Text.Json;
using Microsoft.Extensions.Localization;
using Yardang.Core.Boards;
using Yardang.Core.History;
using Yardang.Core.Rooms;
using Yardang.Core.Walls;
using Yardang.Web.Access;
using Yardang.Web.Exports;
using Yardang.Web.Lessons;
using Yardang.Web.Rooms;

namespace Yardang.Web.History;

/// <summary>What was done on a board or wall, one line after the other, to take along: as a table, or as JSON, a line each. For the lesson's teachers.</summary>
public sealed class LogExport(AccessResolver access, PastRooms past, LessonPeople people, SchoolClock clock, ExportDesk desk, IStringLocalizer<UiTexts> texts)
{
    private static readonly string[] s_columns = ["When", "Who", "What", "Where", "Words", "Event"];

    // Words of all languages are to be read in the file as they are.
    private static readonly JsonSerializerOptions s_json = new(JsonSerializerDefaults.Web) { Encoder = JavaScriptEncoder.UnsafeRelaxedJsonEscaping };

    /// <summary>All of it, or what one person did.</summary>
    public async Task<IResult> GetAsync(HttpContext context, Guid lesson, Guid board, string format, int? person)
    {
        var visitor = Visitor.Of(context);
        if (await access.LessonAsync(visitor, lesson, Power.Runs) is not { } record) return Results.NotFound();
        if ((await people.AllBoardsAsync(record)).FirstOrDefault(b => b.Id == board) is not { } found || await past.FindAsync(visitor, board) is not var (host, me)) return Results.NotFound();

        var names = (await people.NamesAsync(board, me.Actor)).ToDictionary(n => n.Number, n => n.Name);
        var beginning = await past.BeginningAsync(board);
        var through = host.Durable;
        string NameOf(LogLine line) => names.GetValueOrDefault(line.Person) is { Length: > 0 } name ? name : texts[line.ByStaff ? "History.Teacher" : "History.Somebody"];
        IEnumerable<(LogLine Line, string Place)> Lines() => Told(beginning, board, through).Where(l => person is null || l.Line.Person == person);
        var file = $"{BoardExport.FileName($"{record.Name} {found.Title}")}.{format}";
        return format is "csv"
            ? await desk.GiveAsync(_ => Table.Write(s_columns.Select(c => texts[$"LogTable.{c}"].Value), Lines().Select(l => Row(l.Line, l.Place, NameOf(l.Line)))), "text/csv", file, context.RequestAborted)
            : await desk.GiveAsync(_ => Encoding.UTF8.GetBytes(string.Concat(Lines().Select(l => Json(l.Line, l.Place, NameOf(l.Line)) + "\n"))), "application/jsonl", file, context.RequestAborted);
    }

    /// <summary>What some students did in a room, with the page or topic in words.</summary>
    public async Task<IReadOnlyList<(LogLine Line, string Place)>> StepsAsync(Guid board, IReadOnlyCollection<int> whose) =>
        [.. Told(await past.BeginningAsync(board), board, long.MaxValue).Where(l => !l.Line.ByStaff && whose.Contains(l.Line.Person))];

    /// <summary>In how many steps of a room's history somebody is.</summary>
    public async Task<int> CountAsync(Guid board, int person) => Told(await past.BeginningAsync(board), board, long.MaxValue).Count(l => l.Line.Person == person && !l.Line.ByStaff);

    /// <summary>What a student did in a room, as JSON, a line each; made when it is read.</summary>
    public async Task<Func<IEnumerable<string>>> LinesAsync(Guid board, int person)
    {
        var beginning = await past.BeginningAsync(board);
        var name = (await people.NamesAsync(board, Actor.Owner)).FirstOrDefault(n => n.Number == person)?.Name ?? "";
        return () => Told(beginning, board, long.MaxValue).Where(l => l.Line.Person == person && !l.Line.ByStaff).Select(l => Json(l.Line, l.Place, name));
    }

    private IEnumerable<(LogLine Line, string Place)> Told(Room room, Guid id, long through)
    {
        foreach (var happened in past.All(id).TakeWhile(e => e.Number <= through))
        {
            if (LogLine.Of(happened, room) is { } line) yield return (line, PlaceOf(line, room));
            room.Apply(happened);
        }
    }

    private string PlaceOf(LogLine line, Room room)
    {
        switch (room)
        {
            case Board board:
                var at = board.Sheets.Pages.Index().FirstOrDefault(p => p.Item.Id == line.Place);
                return at.Item is null ? "" : texts["Board.PageOf", at.Index + 1, board.Sheets.Pages.Count];
            case Wall wall:
                return wall.Plan.Topics.FirstOrDefault(t => t.Id == line.Place)?.Heading.For(ContentLanguage.Current) ?? "";
            default:
                return "";
        }
    }

    private List<string> Row(LogLine line, string place, string name) =>
    [
        clock.Second(line.Time), name, texts.Did(line), place, line.Words, line.Number.ToString(CultureInfo.InvariantCulture),
    ];

    private static string Json(LogLine line, string place, string name)
    {
        var at = DateTimeOffset.FromUnixTimeMilliseconds(line.Time).ToString("O", CultureInfo.InvariantCulture);
        return JsonSerializer.Serialize(new { @event = line.Number, at, who = name, teacher = line.ByStaff, did = char.ToLowerInvariant(line.What.ToString()[0]) + line.What.ToString()[1..], where = place, things = line.Things, words = line.Words }, s_json);
    }
}
