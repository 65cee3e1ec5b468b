using System.Collections.Immutable;
using System.Globalization;
using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using Microsoft.Extensions.Localization;
using Yardang.Core.Activities;
using Yardang.Core.Editing;
using Yardang.Core.LateChanges;
using Yardang.Core.Lessons;
using Yardang.Core.Marks;
using Yardang.Core.Rooms;
using Yardang.Data.School;
using Yardang.Web.Access;
using Yardang.Web.Lessons;
using Yardang.Web.Rooms;

namespace Yardang.Web.Pages;

/// <summary>Hands more out while a lesson runs: pages as the workshop has them now, or marks of a board. Shows who has it, and takes it back.</summary>
[Authorize]
public sealed class LateModel(AccessResolver access, LateHanding late, LessonPeople people, RoomHosts hosts, SchoolClock clock, IStringLocalizer<UiTexts> texts) : PageModel
{
    public LessonRecord Lesson { get; private set; } = null!;

    /// <summary>The pages of the workshop that are new or different.</summary>
    public IReadOnlyList<PageRevision> Revisions { get; private set; } = [];

    /// <summary>The board whose marks are to be handed out; null for pages of the workshop.</summary>
    public Guid? Board { get; private set; }

    /// <summary>The ids of those marks.</summary>
    public IReadOnlyList<long> Marks { get; private set; } = [];

    public IReadOnlyList<Group> Groups { get; private set; } = [];

    /// <summary>Those who work on their own.</summary>
    public IReadOnlyList<LessonPerson> Alone { get; private set; } = [];

    public bool Closed { get; private set; }

    public string? Problem { get; private set; }

    public object Data { get; private set; } = new();

    /// <summary>Who is chosen already, by actor number.</summary>
    public IReadOnlySet<int> To { get; private set; } = new HashSet<int>();

    /// <summary>Those who are chosen, or one of whom.</summary>
    public bool IsTo(Group group) => group.People.Any(To.Contains);

    /// <param name="id">The lesson.</param>
    /// <param name="board">The board whose marks are handed out; null for pages of the workshop.</param>
    /// <param name="marks">The ids of those marks.</param>
    /// <param name="to">The numbers of those for whom it is, if that is known.</param>
    public async Task<IActionResult> OnGetAsync(Guid id, Guid? board, string? marks, string? to)
    {
        if (await FindAsync(id) is not { } lesson) return NotFound();
        To = Ids(to).Where(n => n is > 0 and < int.MaxValue).Select(n => (int)n).ToHashSet();
        await ShowAsync(lesson, board, Ids(marks));
        return Page();
    }

    public async Task<IActionResult> OnPostAsync(Guid id, Guid? board, string? marks, bool loose, bool some, long[] pages, int[] groups, int[] people)
    {
        if (await FindAsync(id) is not { } lesson) return NotFound();
        if (board is { } from && !await MayTakeFromAsync(from)) return NotFound();
        var chosen = Ids(marks);
        if (some && groups.Length + people.Length == 0) Problem = texts["Late.NobodyChosen"];
        else if (board is null && pages.Length == 0) Problem = texts["Late.NoPageChosen"];
        if (Problem is null)
        {
            (groups, people) = some ? (groups, people) : ([], []);
            var refusal = board is { } source
                ? await late.HandOutMarksAsync(lesson, source, chosen, loose ? Grip.Loose : Grip.Printed, [.. groups], [.. people])
                : await late.HandOutPagesAsync(lesson, pages, [.. groups], [.. people]);
            if (refusal is null) return Redirect($"/lesson/{id}/late");
            Problem = Say(refusal.Value);
        }

        await ShowAsync(lesson, board, chosen);
        return Page();
    }

    /// <summary>What a teacher put on the pages of her own board.</summary>
    public async Task<IActionResult> OnGetMineAsync(Guid id, Guid board) =>
        await FindAsync(id) is null || !await MayTakeFromAsync(board) ? NotFound() : new JsonResult(await late.OwnPagesAsync(board));

    /// <summary>Hands a page of her own board out, to those who are picked or to all.</summary>
    public async Task<IActionResult> OnPostMineAsync(Guid id, Guid board, long page, int[] people)
    {
        if (await FindAsync(id) is not { } lesson || !await MayTakeFromAsync(board)) return NotFound();
        var (groups, alone) = await WhomAsync(lesson, people);
        return new JsonResult(new { problem = await late.HandOutOwnPageAsync(lesson, board, page, groups, alone) is { } refusal ? Say(refusal) : null });
    }

    public async Task<IActionResult> OnPostBackAsync(Guid id, int number)
    {
        if (await FindAsync(id) is not { } lesson) return NotFound();
        await late.TakeBackAsync(lesson, number);
        return Redirect($"/lesson/{id}/late");
    }

    private string Say(Refusal refusal) => refusal switch
    {
        Refusal.Closed => texts["Late.Closed"],
        Refusal.Full => texts["Late.Full", LateChange.Most],
        Refusal.OutOfRange => texts["Late.NotAllowed"],
        _ => texts["Late.Gone"],
    };

    private async Task<bool> MayTakeFromAsync(Guid board) => await access.ForRoomAsync(Visitor.Of(HttpContext), board) is { Kind: RoomKind.Board, Actor.IsStaff: true };

    // Where people work in groups, it is for the groups of those who are picked.
    private async Task<(ImmutableArray<int> Groups, ImmutableArray<int> Alone)> WhomAsync(LessonRecord lesson, int[] picked)
    {
        var plan = await LessonPlan.OfAsync(await hosts.GetAsync(lesson.Id));
        var parts = lesson.Parts.Where(p => p.Kind == PartKind.Pages).ToList();
        ImmutableArray<Group> groups = parts.Exists(lesson.Parts.IsByGroup) ? [.. plan.Grouping.Now.Where(g => g.People.Any(picked.Contains))] : [];
        var worksAlone = parts.Exists(p => p.Way == Way.OneEach && !lesson.Parts.IsByGroup(p));
        return ([.. groups.Select(g => g.Number)], [.. picked.Where(p => worksAlone || !groups.Any(g => g.People.Contains(p)))]);
    }

    /// <summary>What is different on a page, in words.</summary>
    public string Say(PageRevision revision) => revision.IsNew ? texts["Late.IsNew"] : string.Join(", ", Differences(revision));

    private IEnumerable<string> Differences(PageRevision revision)
    {
        if (revision.Added > 0) yield return texts[revision.Added == 1 ? "Late.AddedOne" : "Late.Added", revision.Added];
        if (revision.Changed > 0) yield return texts[revision.Changed == 1 ? "Late.ChangedOne" : "Late.Changed", revision.Changed];
        if (revision.Removed > 0) yield return texts[revision.Removed == 1 ? "Late.RemovedOne" : "Late.Removed", revision.Removed];
        if (revision.IsPageChanged) yield return texts["Late.PageItself"];
    }

    // A lesson with pages.
    private async Task<LessonRecord?> FindAsync(Guid id) =>
        await access.LessonAsync(Visitor.Of(HttpContext), id, Power.Runs) is { } lesson && lesson.Parts.Any(p => p.Kind == PartKind.Pages) ? lesson : null;

    private async Task ShowAsync(LessonRecord lesson, Guid? board, IReadOnlyList<long> marks)
    {
        (Lesson, Board, Marks) = (lesson, board, marks);
        if (board is null) Revisions = await late.RevisionsAsync(lesson);
        var plan = await LessonPlan.OfAsync(await hosts.GetAsync(lesson.Id));
        Closed = plan.Closed;
        var everybody = (await people.InAsync(lesson.Id)).Where(p => plan.People.TryGetValue(p.Number, out var person) && person.Belongs).ToList();
        var parts = lesson.Parts.Where(p => p.Kind == PartKind.Pages).ToList();
        var byGroup = parts.Exists(lesson.Parts.IsByGroup);
        var alone = parts.Exists(p => p.Way == Way.OneEach && !lesson.Parts.IsByGroup(p));
        Groups = byGroup ? [.. plan.Grouping.Now] : [];
        Alone = byGroup || alone ? [.. everybody.Where(p => alone || plan.Grouping.Of(p.Number) is null)] : [];
        Data = new
        {
            lesson = lesson.Id,
            me = await access.StaffActorAsync(Visitor.Of(HttpContext), lesson.OwnerId, lesson.Id) is { } me ? new { me.Number, me.IsStaff } : null,
            people = everybody.Select(p => new { p.Number, p.Name }),
            changes = (await late.OfAsync(lesson.Id)).Select(c => new { c.Change.Number, c.Record.Name, at = clock.Show(c.Change.At) }),
            texts = PageData.Texts(texts, "Late", "Everybody", "Has", "HasAll", "NotYet", "TakenBack"),
        };
    }

    private static List<long> Ids(string? marks) =>
        [.. (marks ?? "").Split(',', StringSplitOptions.RemoveEmptyEntries).Take(Limits.NewMarks).Where(m => long.TryParse(m, CultureInfo.InvariantCulture, out _)).Select(m => long.Parse(m, CultureInfo.InvariantCulture))];
}
