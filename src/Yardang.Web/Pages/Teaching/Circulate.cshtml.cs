using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using Microsoft.EntityFrameworkCore;
using Microsoft.Extensions.Localization;
using Yardang.Core.ClassLists;
using Yardang.Core.Lessons;
using Yardang.Core.Rooms;
using Yardang.Data.School;
using Yardang.Web.Access;
using Yardang.Web.Lessons;

namespace Yardang.Web.Pages;

/// <summary>The teacher's live view of all the work.</summary>
[Authorize]
public sealed class CirculateModel(AccessResolver access, LessonPeople people, SendingAway sendingAway, FrozenVersions versions, IDbContextFactory<SchoolContext> school, IStringLocalizer<UiTexts> texts, BoardSummaries summaries) : PageModel
{
    public LessonRecord Lesson { get; private set; } = null!;

    public IReadOnlyList<LessonPerson> People { get; private set; } = [];

    /// <summary>Whether this teacher watches and does no more.</summary>
    public bool LooksOnly { get; private set; }

    /// <summary>Whether walls are worked on.</summary>
    public bool IsWall => Lesson.WorkKind == RoomKind.Wall;

    /// <summary>The teacher's own board; none beside walls.</summary>
    public Guid? TeachersBoard { get; private set; }

    /// <summary>The languages in which the boards can be printed, if there are several.</summary>
    public IReadOnlyList<string> Languages { get; private set; } = [];

    public object Data { get; private set; } = new();

    public async Task<IActionResult> OnGetAsync(Guid id)
    {
        var visitor = Visitor.Of(HttpContext);
        if (await access.LessonAsync(visitor, id, Power.Watches) is not { } lesson || await access.StaffActorAsync(visitor, lesson.OwnerId, id) is not { } me) return NotFound();
        LooksOnly = me.LooksOnly;
        Lesson = lesson;
        People = await people.InAsync(id);
        var all = PageData.Texts(
            texts, "Circulate", "Everybody", "PensGoingDown", "PensDownOn", "PensDownOnOne", "PeopleOne", "PensGoingUp", "PensUp", "Closed", "People", "PageOf", "MinutesAgo", "JustNow", "NotStarted", "Helper", "HandedIn", "HandedInLate", "HandedInChanged", "Flood", "LatePage", "LateStrokes", "LateStroke", "LateChanges", "LateChange");
        foreach (var (name, text) in PageData.Texts(texts, "Needs", "NeedDoor", "NeedHand", "NeedReady", "NeedLate", "NeedLateEarlier", "NeedIdle", "NeedNotStarted", "Waiting", "WaitingMinutes")) all[name] = text;
        foreach (var (name, text) in PageData.Texts(texts, "Wall", "Nowhere", "Everything", "Cards", "CardsOne", "NoCardsYet", "Owing")) all[name] = text;
        if (IsWall) all["everybody"] = texts["Circulate.EverybodysWall"].Value;
        await using var db = await school.CreateDbContextAsync();
        Languages = Core.Activities.Languages.In(await versions.OfAsync(lesson.VersionId)) is { Count: > 1 } several ? [.. several] : [];
        if (!IsWall) TeachersBoard = await Seating.BoardAsync(db, id, Whose.Teacher, 0);
        Data = new { lesson = id, who = $"teacher-{visitor.TeacherId}", me = new { me.Number, me.IsStaff, me.LooksOnly }, together = lesson.TogetherId, isWall = IsWall, written = lesson.Language, people = People, teachers = await people.TeachersAsync(lesson), seats = await SeatsAsync(db, lesson), activity = await ActivityAsync(id), texts = all };
        return Page();
    }

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
