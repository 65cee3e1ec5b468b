using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using Microsoft.EntityFrameworkCore;
using Microsoft.Extensions.Localization;
using Yardang.Core.Activities;
using Yardang.Core.ClassLists;
using Yardang.Core.Lessons;
using Yardang.Core.Moderation;
using Yardang.Core.Rooms;
using Yardang.Data.School;
using Yardang.Web.Access;
using Yardang.Web.BigScreen;
using Yardang.Web.Lessons;

namespace Yardang.Web.Pages;

/// <summary>The teacher's live view of all the work.</summary>
[Authorize]
public sealed class CirculateModel(IConfiguration configuration, AccessResolver access, LessonPeople people, SendingAway sendingAway, FrozenVersions versions, IDbContextFactory<SchoolContext> school, IStringLocalizer<UiTexts> texts, BoardSummaries summaries, SchoolClock clock, ScreenKeys screens) : PageModel
{
    private static readonly string[] s_refusals = ["refused", "refusedOther"];
    private static readonly string[] s_viewsTogether = ["came"];
    private static readonly string[] s_viewsOfWallTogether = ["came", "table"];
    private static readonly string[] s_viewsOfWalls = ["name", "group", "table"];
    private static readonly string[] s_viewsOfBoards = ["name", "group", "page", "table"];

    /// <summary>For how many minutes somebody is paused.</summary>
    public static readonly int[] Pauses = [2, 5, 10];

    /// <summary>How long a phase lasts, minutes; 0: as long as it takes.</summary>
    public static readonly int[] PhaseMinutes = [0, 1, 2, 3, 5, 8, 10, 15, 20, 30, 45];

    /// <summary>By how much it is lengthened at once, minutes.</summary>
    public static readonly int[] MoreMinutes = [1, 5];

    private static readonly string[] s_cells = ["untouched", "begun", "going", "quiet", "handed"];

    public LessonRecord Lesson { get; private set; } = null!;

    public IReadOnlyList<SeatedPerson> People { get; private set; } = [];

    /// <summary>Whether this teacher watches and does no more.</summary>
    public bool LooksOnly { get; private set; }

    /// <summary>The part that is seen here.</summary>
    public LessonPart Part { get; private set; } = null!;

    /// <summary>All parts with their names; none where there is one alone.</summary>
    public IReadOnlyList<(LessonPart Part, string Name)> Parts { get; private set; } = [];

    /// <summary>Whether walls are worked on.</summary>
    public bool IsWall => Part.Kind == PartKind.Wall;

    /// <summary>Whether all work in one room.</summary>
    public bool IsTogether => Part.Way == Way.AllTogether;

    /// <summary>Whether several work on one wall or board.</summary>
    public bool IsShared => Part.Way is Way.AllTogether or Way.ByGroup;

    /// <summary>Whether there are several walls on which cards are sorted, which can be compared.</summary>
    public bool Compares { get; private set; }

    /// <summary>The teacher's own board; none beside walls.</summary>
    public Guid? TeachersBoard { get; private set; }

    /// <summary>The address of the window for the projector; null for who only watches.</summary>
    public string? ScreenAddress { get; private set; }

    /// <summary>Whether the school lets its teachers look at work without being announced.</summary>
    public static bool MayLookQuietly(IConfiguration configuration) => configuration.GetValue<bool>("Yardang:UnannouncedLooks");

    /// <summary>The phases that were planned for the lesson, in its language.</summary>
    public IReadOnlyList<PhasePlan> Planned { get; private set; } = [];

    /// <summary>The views of the work that there are, the first as long as nothing else was chosen.</summary>
    public IReadOnlyList<string> Views { get; private set; } = [];

    /// <summary>The languages in which the boards can be printed, if there are several.</summary>
    public IReadOnlyList<string> Languages { get; private set; } = [];

    public object Data { get; private set; } = new();

    /// <summary>The work in one part, that in which students begin now if none is asked for.</summary>
    public async Task<IActionResult> OnGetAsync(Guid id, int? part)
    {
        var visitor = Visitor.Of(HttpContext);
        if (await access.LessonAsync(visitor, id, Power.Watches) is not { } lesson || await access.StaffActorAsync(visitor, lesson.OwnerId, id) is not { } me) return NotFound();
        if (lesson.FindPart(part ?? lesson.CurrentPart) is not { } seen) return NotFound();
        LooksOnly = me.LooksOnly;
        (Lesson, Part) = (lesson, seen);
        if (!LooksOnly) ScreenAddress = $"/screen/{screens.Of(id)}";
        People = await people.SeatedAsync(lesson, seen);
        var all = PageData.Texts(
            texts, "Circulate", "Everybody", "PensGoingDown", "PensDownOn", "PensDownOnOne", "PeopleOne", "PensGoingUp", "PensUp", "Closed", "People", "PageOf", "MinutesAgo", "Away", "AwayOne", "OnPage", "PageHead", "PenDownHere", "NoGroup", "JustNow", "NotStarted", "Helper", "HandedIn", "HandedInLate", "HandedInChanged", "Flood", "LatePage", "LateStrokes", "LateStroke", "LateChanges", "LateChange", "LateUndone", "LateNotUndone", "Mine", "ShowingCount", "ShowingUp");
        foreach (var (name, text) in PageData.Texts(texts, "Needs", "NeedLateEarlier", "NeedStranger", "Waiting", "WaitingMinutes")) all[name] = text;
        foreach (var (name, text) in PageData.Texts(texts, "Steering", "PickedAll", "PickedNobody", "CalledPage", "CalledMine", "CalledPart", "LeadsPage", "LeadsPart", "ToAll", "ToSome", "Reached", "NotReached", "Read", "PenDownUntil", "NewGroup", "Cleared", "ClearedOne", "ClearedNothing", "Stamped", "StampedOne")) all[name] = text;
        foreach (var (name, text) in PageData.Texts(texts, "Asking", "Silent", "SilentNobody", "Answered")) all[name] = text;
        all["lateDone"] = PageData.Texts(texts, "Circulate.LateDone", "AcceptLateWork", "ReturnWork", "DiscardLateWork");
        foreach (var (name, text) in PageData.Texts(texts, "Circulate", "CheckInSilent", "CheckInSilentOne")) all[name] = text;
        foreach (var name in s_refusals) all[name] = WorkTexts.For(texts)[name];
        all["phase"] = Enum.GetValues<PhaseKind>().ToDictionary(k => (int)k, k => texts[$"Phase.Name.{(int)k}"].Value);
        foreach (var (name, key) in new[] { ("phaseNone", "Phase.None"), ("phaseOver", "Phase.TimeOver"), ("phaseLonger", "Phase.Longer"), ("phaseNext", "Phase.Next"), ("phaseTime", "Phase.Time") }) all[name] = texts[key].Value;
        foreach (var (name, text) in PageData.Texts(texts, "Handing", "HandPage", "HandThings", "HandThingsOne", "HandAway")) all[name] = text;
        all["screen"] = Enum.GetValues<ScreenKind>().ToDictionary(k => (int)k, k => texts[$"Screen.Kind.{k}"].Value);
        foreach (var (name, key) in new[] { ("screenShows", "Screen.Shows"), ("screenTooMany", "Screen.TooMany") }) all[name] = texts[key].Value;
        all["wordScreenThen"] = Enum.GetValues<WhenFound>().ToDictionary(w => (int)w, w => texts[$"WordScreen.Now.{w}"].Value);
        all["approvalWhen"] = Enum.GetValues<ApprovalWhen>().Where(w => w != ApprovalWhen.Never).ToDictionary(w => (int)w, w => texts[$"Approval.Now.{w}"].Value);
        all["approvalSome"] = texts["Approval.Now.Some"].Value;
        all["wordScreenTooMany"] = texts["WordScreen.TooMany"].Value;
        all["cell"] = s_cells.ToDictionary(s => s, s => texts[$"Circulate.Cell.{s}"].Value, StringComparer.Ordinal);
        all["need"] = Enum.GetValues<NeedKind>().ToDictionary(k => (int)k, k => texts[$"Need.{k}"].Value);
        all["needWhy"] = Enum.GetValues<NeedKind>().Select(k => (Kind: k, Text: texts[$"Need.{k}.Why"])).Where(w => !w.Text.ResourceNotFound).ToDictionary(w => (int)w.Kind, w => w.Text.Value);
        all["needReason"] = Enum.GetValues<HandReason>().Where(r => r != HandReason.None).ToDictionary(r => (int)r, r => texts[$"Signal.Why.{r}"].Value);
        foreach (var (name, text) in PageData.Texts(texts, "Circulate", "OpenQuestions", "AnsweredQuestions", "NoQuestionYet", "Questions", "QuestionsOne", "ToBePlaced", "NothingPlaced", "NotAllPlaced", "OnField", "FieldLinks", "NothingYet", "NothingOfOne", "MoreOfOne")) all[name] = text;
        foreach (var (name, text) in PageData.Texts(texts, "Wall", "Nowhere", "Everything", "Cards", "CardsOne", "NoCardsYet", "Owing", "OnLine")) all[name] = text;
        foreach (var (name, text) in AttachmentTexts.In(texts)) all[name] = text;
        if (IsWall) all["everybody"] = texts["Circulate.EverybodysWall"].Value;
        await using var db = await school.CreateDbContextAsync();
        var version = await versions.OfAsync(lesson.VersionId);
        Compares = PouringOut.IsSortedApart(seen) && version.Find(seen.Number)!.Wall!.Purpose == Core.Walls.Purpose.Sort;
        Languages = Core.Activities.Languages.In(version) is { Count: > 1 } several ? [.. several] : [];
        if (lesson.Parts.Length > 1) Parts = [.. lesson.Parts.Select(p => (p, PartNames.Of(version.Find(p.Number)!, ContentLanguage.Current, texts)))];
        // A part that was not handed out is not opened.
        Planned = [.. (version.Phases ?? []).Select(p => new PhasePlan(p.Kind, p.Words.For(lesson.Language), p.Minutes, p.EndsItself, lesson.FindPart(p.Part) is null ? 0 : p.Part, p.Withheld))];
        if (!IsWall) TeachersBoard = await Seating.RoomAsync(db, lesson, new(seen.Number, Whose.Teacher, 0));
        var seats = await SeatsAsync(db, lesson);
        Views = (IsTogether, IsWall) switch
        {
            (true, true) => s_viewsOfWallTogether,
            (true, false) => s_viewsTogether,
            (false, true) => [seats is null ? "came" : "seats", .. s_viewsOfWalls],
            _ => [seats is null ? "came" : "seats", .. s_viewsOfBoards],
        };
        Guid? together = IsTogether ? await Seating.RoomAsync(db, lesson, new(seen.Number, Whose.Together, 0)) : null;
        Data = new { lesson = id, who = $"teacher-{visitor.TeacherId}", me = new { me.Number, me.IsStaff, me.LooksOnly }, part = seen.Number, openParts = lesson.Parts.Where(p => p.IsOpen).Select(p => p.Number), planned = Planned, together, ownBoard = TeachersBoard, byGroup = lesson.Parts.IsByGroup(seen), isWall = IsWall, mayBeQuiet = MayLookQuietly(configuration) && !IsWall, written = lesson.Language, people = People, teachers = await people.TeachersAsync(lesson), seats, views = Views, zone = clock.Zone.Id, language = System.Globalization.CultureInfo.CurrentUICulture.Name, activity = await ActivityAsync(id), texts = all };
        return Page();
    }

    /// <summary>The keys of this page, and what they do.</summary>
    public static IEnumerable<(string Keys, string Name)> Keys(bool looksOnly)
    {
        yield return ("1 – 5", "Views");
        yield return ("+  −", "Size");
        yield return ("PageUp  PageDown", "Page");
        yield return ("/", "Find");
        if (!looksOnly)
        {
            yield return ("Shift D", "Pens");
            yield return ("p", "Pick");
            yield return ("m", "Line");
            yield return ("Esc", "Nobody");
        }

        yield return ("?", "Keys");
    }

    /// <summary>After how many seconds something may be listed by itself: never, as usual, and some others.</summary>
    public static IEnumerable<int> Seconds(string need)
    {
        var usual = NeedsSettings.Usual;
        var after = need switch
        {
            nameof(NeedKind.NotStarted) => usual.NotStartedAfter,
            nameof(NeedKind.Stopped) => usual.StoppedAfter,
            nameof(NeedKind.InCircles) => usual.InCirclesAfter,
            nameof(NeedKind.OtherPage) => usual.OtherPageAfter,
            _ => usual.OfflineAfter,
        };
        return new[] { 0, after, 60, 120, 180, 300, 600 }.Distinct().Order();
    }

    /// <summary>The same in words.</summary>
    public static string After(IStringLocalizer<UiTexts> texts, int seconds) =>
        seconds == 0 ? texts["Needs.Never"] : seconds % 60 == 0 ? texts[seconds == 60 ? "Needs.AfterMinute" : "Needs.AfterMinutes", seconds / 60] : texts["Needs.AfterSeconds", seconds];

    /// <summary>Sends away whom somebody has made up, and closes the door.</summary>
    public async Task<IActionResult> OnPostSendAwayAsync(Guid id)
    {
        if (await access.LessonAsync(Visitor.Of(HttpContext), id, Power.Runs) is not { } lesson) return NotFound();
        await sendingAway.SendAsync(lesson);
        return Redirect($"/lesson/{id}");
    }

    // Known at once, before any board is there: who did something last, and when.
    private async Task<object> ActivityAsync(Guid lesson) =>
        (await summaries.OfAsync(lesson)).ToDictionary(s => s.Key, s => new { last = s.Value.LastActivity, of = s.Value.Acts.ToDictionary(a => a.Person, a => a.At) });

    // Of the class list to which the lesson was handed out, in the numbers of the lesson.
    private static async Task<object?> SeatsAsync(SchoolContext db, LessonRecord lesson)
    {
        var text = await db.ClassLists.Where(c => c.Id == lesson.ClassListId).Select(c => c.Seats).SingleOrDefaultAsync();
        if (SeatingPlan.Read(text) is not { Seats.IsEmpty: false } plan) return null;
        var people = await db.Participants.Where(p => p.LessonId == lesson.Id && p.ListNumber != null).ToListAsync();
        var seated = people.Where(p => plan.Seats.ContainsKey(p.ListNumber!.Value)).ToDictionary(p => p.Number, p => plan.Seats[p.ListNumber!.Value]);
        return seated.Count == 0 ? null : new { columns = plan.Columns, of = seated.ToDictionary(s => s.Key, s => new[] { s.Value.Row, s.Value.Column }) };
    }
}
