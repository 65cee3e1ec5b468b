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
    /// <summary>By what steps can be told apart; as in Client/history/steps.ts.</summary>
    public static readonly IReadOnlyList<string> Sorts = ["new", "changed", "gone", "back"];

    /// <summary>How many times as fast as it happened it can be played.</summary>
    public static readonly IReadOnlyList<int> Speeds = [1, 5, 20, 60];

    /// <summary>As what the log is taken along.</summary>
    public static readonly IReadOnlyList<string> LogFormats = ["csv", "jsonl"];

    private static readonly string[] s_did =
    [
        "Drew", "DrewOne", "Wrote", "Put", "Moved", "MovedOne", "Reworded", "Changed", "ChangedOne", "Rubbed", "RubbedOne", "Back", "BackOne", "TookDown", "TookDownOne", "PutBack", "PutBackOne",
        "Undid", "Redid", "Answered", "HandedOut", "Linked", "Joined", "Planned", "Locked", "LockedOne", "Unlocked", "UnlockedOne",
    ];

    public string Heading { get; private set; } = "";

    public string BackTo { get; private set; } = "";

    public bool MayRestore { get; private set; }

    public bool IsWall { get; private set; }

    public object Data { get; private set; } = new();

    public async Task<IActionResult> OnGetAsync(Guid lesson, Guid id)
    {
        var visitor = Visitor.Of(HttpContext);
        if (await access.LessonAsync(visitor, lesson, Power.Watches) is not { } record) return NotFound();
        if (await past.FindAsync(visitor, id) is not (_, { Actor: var me } found)) return NotFound();
        if ((await people.AllBoardsAsync(record)).FirstOrDefault(b => b.Id == id) is not { } board) return NotFound();
        Heading = found.Kind == RoomKind.Wall && board.Place.Whose == Whose.Together ? record.Name : board.Title;
        BackTo = $"/lesson/{lesson}/board/{id}";
        MayRestore = found.MayWrite;
        IsWall = found.Kind == RoomKind.Wall;
        var all = PageData.Texts(
            texts, "History", "Somebody", "NothingYet", "Beginning", "Rest", "RestOne", "Came", "CameOne", "Altered", "AlteredOne", "Went", "WentOne", "Same",
            "Nothing", "BeingRestored", "Restored", "BeingUndone", "Undone", "Refused", "HeldAt", "OnlyThis", "Links");
        all["will"] = PageData.Texts(texts, "History.Will", "Back", "BackOne", "Changed", "ChangedOne", "Away", "AwayOne", "Down", "DownOne");
        all["did"] = PageData.Texts(texts, "History.Did", s_did);
        foreach (var (name, text) in PageData.Texts(texts, "Wall", "Nowhere", "Everything", "Answers", "AnswersOne", "Picture", "Drawing", "Formula", "MapPlace")) all[name] = text;
        all["teacher"] = texts["History.Teacher"].Value;
        all["pageOf"] = texts["Board.PageOf"].Value;
        all["kinds"] = MarkBody.Kinds.ToDictionary(k => k, k => texts[$"Marks.{char.ToUpperInvariant(k[0])}{k[1..]}"].Value, StringComparer.Ordinal);
        all["figures"] = Enum.GetNames<Figure>().ToDictionary(f => f, f => texts[$"Figure.{f}"].Value, StringComparer.Ordinal);
        all["stamps"] = Stamps.All.ToDictionary(s => s.Name, s => texts[$"Stamp.{s.Name}"].Value, StringComparer.Ordinal);
        Data = new
        {
            room = id,
            kind = found.Kind.ToString(),
            me = new { me.Number, me.IsStaff },
            mayRestore = MayRestore,
            people = (await people.NamesAsync(id, me)).Select(n => new { n.Number, n.Name }),
            zone = clock.Zone.Id,
            written = record.Language,
            language = ContentLanguage.Current,
            texts = all,
        };
        return Page();
    }
}
