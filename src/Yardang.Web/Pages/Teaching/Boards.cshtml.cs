using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using Microsoft.Extensions.Localization;
using Yardang.Core.Boards;
using Yardang.Core.Lessons;
using Yardang.Core.Rooms;
using Yardang.Data.School;
using Yardang.Web.Access;
using Yardang.Web.Lessons;
using Yardang.Web.Rooms;

namespace Yardang.Web.Pages;

/// <summary>A line of the page.</summary>
/// <param name="Id">The board.</param>
/// <param name="Title">Whose it is.</param>
/// <param name="State">What has become of it: names the text.</param>
/// <param name="Group">The number of a group that was dissolved; 0 for others.</param>
/// <param name="Returning">Who of it would come back, by name; empty if nobody can.</param>
/// <param name="Waiting">How much on it waits for a decision.</param>
/// <param name="Part">Of which part it is, in words; empty where there is one alone.</param>
/// <param name="LastActivity">When a student last did something there; null if none has.</param>
/// <param name="Sign">The sign of the group whose it is; null for others.</param>
public sealed record BoardLine(Guid Id, string Title, string State, int Group, string Returning, int Waiting, string Part, DateTimeOffset? LastActivity, GroupSign? Sign);

/// <summary>Every board of a lesson: also those of dissolved groups, of people who were taken out, and the own boards of those in a group.</summary>
[Authorize]
public sealed class BoardsModel(AccessResolver access, LessonPeople people, BoardSummaries summaries, FrozenVersions versions, RoomHosts hosts, IStringLocalizer<UiTexts> texts) : PageModel
{
    private Dictionary<int, string> _partNames = [];

    public LessonRecord Lesson { get; private set; } = null!;

    public IReadOnlyList<BoardLine> Boards { get; private set; } = [];

    /// <summary>Whether this teacher may do more than watch.</summary>
    public bool MayChange { get; private set; }

    public string? Problem { get; private set; }

    public async Task<IActionResult> OnGetAsync(Guid id)
    {
        if (await access.LessonAsync(Visitor.Of(HttpContext), id, Power.Watches) is not { } lesson) return NotFound();
        Lesson = lesson;
        MayChange = await access.LessonAsync(Visitor.Of(HttpContext), id, Power.Runs) is not null;
        var waiting = new Dictionary<Guid, int>();
        await (await hosts.GetAsync(id)).LookAsync(r => waiting = ((Lesson)r).Waiting.GroupBy(w => w.Board).ToDictionary(w => w.Key, w => w.Sum(x => x.Count)));
        var known = await summaries.OfAsync(id);
        var version = await versions.OfAsync(lesson.VersionId);
        _partNames = lesson.Parts.ToDictionary(p => p.Number, p => lesson.Parts.Length == 1 ? "" : PartNames.Of(version.Find(p.Number)!, ContentLanguage.Current, texts));
        Boards = [.. (await people.FindAsync(lesson)).Select(b => LineOf(b, waiting.GetValueOrDefault(b.Board.Id), known.GetValueOrDefault(b.Board.Id)))];
        return Page();
    }

    /// <summary>A dissolved group goes on, on its own board with its own work.</summary>
    public async Task<IActionResult> OnPostTakeUpAsync(Guid id, int group)
    {
        if (await access.LessonAsync(Visitor.Of(HttpContext), id, Power.Runs) is not { } lesson) return NotFound();
        var board = (await people.FindAsync(lesson)).FirstOrDefault(b => b.Board.Place is { Whose: Whose.Group } place && place.Number == group && !b.IsUsedNow);
        if (board is not null && await TakeUpAsync(id, board)) return Redirect($"/lesson/{id}/boards");
        Problem = texts["Boards.NotTakenUp"];
        return await OnGetAsync(id);
    }

    private async Task<bool> TakeUpAsync(Guid id, KnownBoard board)
    {
        var room = await hosts.GetAsync(id);
        var returning = ReturningTo(board).Select(p => p.Number).ToHashSet();
        if (returning.Count == 0) return false;
        SetGroups? set = null;
        await room.LookAsync(r =>
        {
            var lesson = (Lesson)r;
            var named = lesson.Grouping.Past.Concat(lesson.Grouping.Future).SelectMany(groups => groups).LastOrDefault(g => g.Number == board.Board.Place.Number);
            var name = named?.Name ?? board.Board.Title;
            var others = lesson.Grouping.Now.Select(g => g with { People = [.. g.People.Where(p => !returning.Contains(p))] });
            set = new([.. others, new Group(board.Board.Place.Number, name.Length > Group.NameLength ? name[..Group.NameLength] : name, [.. returning])], lesson.GroupingVersion);
        });
        return (await room.SubmitAsync(set!, Actor.Program)).Envelope is not null;
    }

    private BoardLine LineOf(KnownBoard known, int waiting, BoardSummary? summary)
    {
        var (board, isUsedNow) = known;
        var (part, whose, number) = (board.Place.Part, board.Place.Whose, board.Place.Number);
        var state = isUsedNow ? "Now" : whose switch
        {
            Whose.Group => "Dissolved",
            Whose.Own when board.People.All(p => p.Standing != Standing.In) => "Removed",
            Whose.Own => "InGroup",
            Whose.Teacher => "Yours",
            _ => "Earlier",
        };
        var returning = whose == Whose.Group && !isUsedNow ? string.Join(", ", ReturningTo(known).Select(p => p.Name)) : "";
        var title = whose == Whose.Teacher ? texts["Circulate.Mine"].Value : board.Title;
        DateTimeOffset? lastActivity = summary?.LastActivity is { } at ? DateTimeOffset.FromUnixTimeMilliseconds(at) : null;
        return new(board.Id, title, state, whose == Whose.Group && !isUsedNow ? number : 0, returning, waiting, _partNames[part], lastActivity, board.Sign);
    }

    private static IEnumerable<LessonPerson> ReturningTo(KnownBoard board) => board.Board.People.Where(p => p.Standing == Standing.In);
}
