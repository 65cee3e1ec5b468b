using Microsoft.Extensions.Localization;
using Yardang.Core.Marks;
using Yardang.Core.Rooms;
using Yardang.Core.Shapes;
using Yardang.Web.History;
using Yardang.Web.Lessons;

namespace Yardang.Web.Pages;

/// <summary>How a board or wall came to be, as it is looked at.</summary>
/// <param name="Heading">What is looked at.</param>
/// <param name="BackTo">Where one came from.</param>
/// <param name="BackText">The same, in words.</param>
/// <param name="MayRestore">Whether the viewer may bring something back, and take the log along.</param>
/// <param name="IsWall">Whether it is a wall.</param>
/// <param name="IsOwn">Whether it is a student's, who looks at it themselves.</param>
/// <param name="Data">What the page hands to its scripts.</param>
public sealed record HistoryView(string Heading, string BackTo, string BackText, bool MayRestore, bool IsWall, bool IsOwn, object Data)
{
    /// <summary>By what steps can be told apart; as in Client/history/steps.ts.</summary>
    public static readonly IReadOnlyList<string> Sorts = ["new", "changed", "gone", "back"];

    /// <summary>How many times as fast as it happened it can be played.</summary>
    public static readonly IReadOnlyList<int> Speeds = [1, 5, 20, 60];

    /// <summary>Most moments of a PDF.</summary>
    public const int MostMoments = MomentsExport.Most;

    /// <summary>As what the log is taken along.</summary>
    public static readonly IReadOnlyList<string> LogFormats = ["csv", "jsonl"];

    private static readonly string[] s_did =
    [
        "Drew", "DrewOne", "Wrote", "Put", "Moved", "MovedOne", "Reworded", "Changed", "ChangedOne", "Rubbed", "RubbedOne", "Back", "BackOne", "TookDown", "TookDownOne", "PutBack", "PutBackOne",
        "Undid", "Redid", "Answered", "HandedOut", "Linked", "Joined", "Planned", "Locked", "Unlocked",
    ];

    private static readonly string[] s_will =
    [
        "Back", "BackOne", "Changed", "ChangedOne", "Away", "AwayOne", "Down", "DownOne",
        "AnswersBack", "AnswersBackOne", "AnswersChanged", "AnswersChangedOne", "AnswersAway", "AnswersAwayOne", "AnswersDown", "AnswersDownOne",
        "LinksBack", "LinksBackOne", "LinksChanged", "LinksChangedOne", "LinksAway", "LinksAwayOne", "LinksDown", "LinksDownOne",
    ];

    /// <summary>What the page hands to its scripts.</summary>
    /// <param name="room">The board or wall.</param>
    /// <param name="kind">Which of them.</param>
    /// <param name="query">What is put behind each address, to say who asks.</param>
    /// <param name="me">Who looks.</param>
    /// <param name="mayRestore">Whether they may bring something back.</param>
    /// <param name="people">Whom the viewer knows by name.</param>
    /// <param name="zone">In which times are told.</param>
    /// <param name="written">The language of the activity.</param>
    /// <param name="texts">In the language of the interface.</param>
    public static object DataOf(Guid room, RoomKind kind, string query, Actor me, bool mayRestore, IEnumerable<BoardName> people, string zone, string written, IStringLocalizer<UiTexts> texts)
    {
        var all = PageData.Texts(
            texts, "History", "Somebody", "NothingYet", "Beginning", "Rest", "RestOne", "Came", "CameOne", "Altered", "AlteredOne", "Went", "WentOne", "Same",
            "Nothing", "BeingRestored", "Restored", "BeingUndone", "Undone", "Refused", "HeldAt", "Kept", "KeptOne", "KeptNow", "OnlyThis", "Links", "Teacher", "NotPlaced");
        all["will"] = PageData.Texts(texts, "History.Will", s_will);
        all["did"] = PageData.Texts(texts, "History.Did", s_did);
        foreach (var (name, text) in PageData.Texts(texts, "Wall", "Nowhere", "Everything", "SaidAloud", "Answers", "AnswersOne", "IsLinkedTo", "OnLine", "OfHundred", "BeforeYearOne", "Rung", "AcrossUp")) all[name] = text;
        foreach (var (name, text) in AttachmentTexts.In(texts)) all[name] = text;
        all["pageOf"] = texts["Board.PageOf"].Value;
        all["kinds"] = ShownTexts.Kinds(texts);
        all["figures"] = Enum.GetNames<Figure>().ToDictionary(f => f, f => texts[$"Figure.{f}"].Value, StringComparer.Ordinal);
        all["stamps"] = Stamps.All.ToDictionary(s => s.Name, s => texts[$"Stamp.{s.Name}"].Value, StringComparer.Ordinal);
        return new
        {
            room,
            kind = kind.ToString(),
            query,
            me = new { me.Number, me.IsStaff },
            mayRestore,
            people = people.Select(n => new { n.Number, n.Name }),
            zone,
            written,
            language = ContentLanguage.Current,
            texts = all,
        };
    }
}
