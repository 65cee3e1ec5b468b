using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using Microsoft.EntityFrameworkCore;
using Microsoft.Extensions.Localization;
using Yardang.Core.Activities;
using Yardang.Core.Cupboard;
using Yardang.Core.Drafts;
using Yardang.Core.Editing;
using Yardang.Core.Interchange;
using Yardang.Core.Marks;
using Yardang.Core.Pages;
using Yardang.Core.Rooms;
using Yardang.Core.Shapes;
using Yardang.Core.Walls;
using Yardang.Data.School;
using Yardang.Data.Wire;
using Yardang.Web.Access;
using Yardang.Web.Lessons;
using Yardang.Web.Rooms;
using Yardang.Web.Shelf;

namespace Yardang.Web.Pages;

/// <summary>Where an activity is designed.</summary>
[Authorize]
public sealed class WorkshopModel(AccessResolver access, ActivityMaking making, RoomHosts rooms, ActivityShelf shelf, EarlierWork earlier, IDbContextFactory<SchoolContext> school, IStringLocalizer<UiTexts> texts) : PageModel
{
    /// <summary>The kinds of phases, in the order in which a lesson mostly has them.</summary>
    public static readonly PhaseKind[] PhaseKinds = [PhaseKind.Think, PhaseKind.Talk, PhaseKind.Choose, PhaseKind.Work];

    /// <summary>What a phase leaves to students or closes, each by itself.</summary>
    public static readonly StudentActs[] Acts = [StudentActs.Write, StudentActs.Answer, StudentActs.Move, StudentActs.Judge];

    // What is said in the plan of a wall, as its scripts name it, and what that is called.
    private static readonly (string Kind, string Key)[] s_sayings =
    [
        ("question", "Question"), ("heading", "Topic"), ("prompt", "Prompt"), ("lineStart", "LineStart"), ("lineEnd", "LineEnd"), ("lineLow", "LineLow"), ("lineHigh", "LineHigh"),
        ("link", "Link"), ("criterion", "Criterion"), ("stamp", "Stamp"), ("position", "Position"), ("starter", "Beginning"), ("given", "Given"),
    ];

    public ActivityRecord Activity { get; private set; } = null!;

    /// <summary>The part that is designed here.</summary>
    public Part Part { get; private set; } = Part.Pages;

    public object Data { get; private set; } = new();

    /// <summary>The workshop of one of the parts, the first if none is asked for.</summary>
    public async Task<IActionResult> OnGetAsync(Guid id, int? part)
    {
        var visitor = Visitor.Of(HttpContext);
        if (await access.ActivityAsync(visitor, id, Power.Runs) is not { } activity || await access.StaffActorAsync(visitor, activity.OwnerId, id) is not { } me) return NotFound();
        Activity = activity;
        var content = await making.ContentAsync(activity);
        if (content.Find(part ?? content.Steps[0].Number) is not { } found) return Redirect($"/workshop/{id}");
        Part = found;
        await shelf.UsedAsync(id);
        var said = BoardTexts.For(texts, ("earlierAway", "Earlier.Away"), ("earlierPage", "Earlier.Page"), ("phasesTogether", "Phases.Together"), ("languagePhase", "Languages.Phase"), ("partPages", "Parts.Pages"), ("partWall", "Parts.Wall"), ("partPagesCount", "Parts.PagesCount"), ("partPagesCountOne", "Parts.PagesCountOne"), ("languagePart", "Languages.Part"), ("importPage", "Import.Page"), ("importWhichBad", "Import.WhichBad"), ("importWhichMany", "Import.WhichMany"), ("importBad", "Import.Bad"), ("importSvgBad", "Import.SvgBad"), ("importPictures", "Import.Pictures"), ("unnamedPage", "Pages.Unnamed"), ("copiesDo", "Copies.Do"), ("outlineDo", "Outline.Do"), ("zoneExpects", "Zone.Expects"), ("blanks", "FillIns.Count"), ("stimulusBadLink", "Stimulus.BadLink"), ("languageName", "Languages.Name"), ("languageDirections", "Languages.Directions"), ("languagePageName", "Languages.PageName"), ("languagePageDirections", "Languages.PageDirections"), ("languageStarter", "Languages.Starter"), ("languageMark", "Languages.Mark"), ("topicsDo", "TopicOutline.Do"), ("untranslated", "Languages.Untranslated"), ("allTranslated", "Languages.AllTranslated"));
        said["languageOfPlan"] = s_sayings.ToDictionary(k => k.Kind, k => texts[$"Languages.{k.Key}"].Value, StringComparer.Ordinal);
        Data = new
        {
            activity = activity.Id,
            draft = activity.DraftId,
            part = Part.Number,
            me = new { me.Number, me.IsStaff },
            who = $"teacher-{visitor.TeacherId}",
            language = ContentLanguage.Current,
            texts = said,
        };
        return Page();
    }

    /// <summary>The pages, or topics of a wall, that a pasted text would make.</summary>
    public async Task<IActionResult> OnPostOutlineAsync(Guid id, int? part, string? outline)
    {
        if (await access.ActivityAsync(Visitor.Of(HttpContext), id, Power.Runs) is not { } activity) return NotFound();
        var content = await making.ContentAsync(activity);
        return new JsonResult((content.Find(part ?? 0) ?? content.Steps[0]).Kind == PartKind.Pages ? Outline.Read(outline ?? "") : TopicOutline.Read(outline ?? ""));
    }

    /// <summary>The strokes of a file of ink, as InkML.</summary>
    public async Task<IActionResult> OnPostInkAsync(Guid id, IFormFile? file)
    {
        if (await access.ActivityAsync(Visitor.Of(HttpContext), id, Power.Runs) is null) return NotFound();
        if (file is null || file.Length > InkMl.MaxBytes) return BadRequest(new { fault = texts["Import.Fault.tooLarge"].Value });
        try
        {
            await using var stream = file.OpenReadStream();
            using var copy = new MemoryStream();
            await stream.CopyToAsync(copy);
            copy.Position = 0;
            return new JsonResult(InkMl.Read(copy).Select(s => new { s.Width, points = s.Points.SelectMany(p => new[] { p.X, p.Y, p.Pressure, p.Ms }) }));
        }
        catch (FormatException e)
        {
            return BadRequest(new { fault = texts["Import.BadInk", e.Message].Value });
        }
    }

    /// <summary>The loose marks that lie in a zone of the draft: their ids.</summary>
    public async Task<IActionResult> OnGetInZoneAsync(Guid id, long zone)
    {
        if (await access.ActivityAsync(Visitor.Of(HttpContext), id, Power.Runs) is not { } activity) return NotFound();
        var room = await rooms.GetAsync(activity.DraftId);
        IEnumerable<long> inside = [];
        await room.LookAsync(r =>
        {
            var sheets = ((Draft)r).Sheets;
            if (!sheets.Marks.TryGetValue(zone, out var asked)) return;
            inside = [.. sheets.Visible(asked.Page).Where(m => m.Grip == Grip.Loose && Zoning.IsIn(m, asked)).Select(m => m.Id)];
        });
        return new JsonResult(inside);
    }

    /// <summary>The organizers of the cupboard, drawn for a page of a size.</summary>
    public async Task<IActionResult> OnGetOrganizersAsync(Guid id, int width, int height)
    {
        if (await access.ActivityAsync(Visitor.Of(HttpContext), id, Power.Runs) is null) return NotFound();
        var size = new PageSize(width, height);
        if (!size.IsValid) return BadRequest();
        return new JsonResult(Organizers.All.Select(o => new
        {
            key = o.Key,
            name = texts[$"Organizer.{o.Key}"].Value,
            words = texts[$"Organizer.{o.Key}.Words"].Value,
            marks = MarksWire.Encode(o.On(size, ContentLanguage.Current, key => texts[$"OrganizerText.{key}"].Value)),
        }));
    }

    /// <summary>My lessons, of whose work something is shown at a station.</summary>
    public async Task<IActionResult> OnGetEarlierAsync(Guid id)
    {
        var visitor = Visitor.Of(HttpContext);
        return await access.ActivityAsync(visitor, id, Power.Runs) is null ? NotFound() : new JsonResult(await earlier.LessonsAsync(visitor.TeacherId!.Value));
    }

    /// <summary>The boards and walls of one of them.</summary>
    public async Task<IActionResult> OnGetEarlierBoardsAsync(Guid id, Guid lesson)
    {
        var visitor = Visitor.Of(HttpContext);
        return await access.ActivityAsync(visitor, id, Power.Runs) is not null && await earlier.BoardsAsync(visitor, lesson) is { } boards ? new JsonResult(boards) : NotFound();
    }

    /// <summary>My other activities, to copy pages from.</summary>
    public async Task<IActionResult> OnGetOthersAsync(Guid id)
    {
        var visitor = Visitor.Of(HttpContext);
        if (await access.ActivityAsync(visitor, id, Power.Runs) is null) return NotFound();
        await using var db = await school.CreateDbContextAsync();
        var others = await db.Activities.Where(a => a.OwnerId == visitor.TeacherId && a.Id != id && a.BinnedAt == null).OrderByDescending(a => a.CreatedAt).ToListAsync();
        var named = new List<object>();
        foreach (var other in others)
        {
            var name = (await making.ContentAsync(other)).Name.For(ContentLanguage.Current);
            named.Add(new { name = name.Length > 0 ? name : texts["Desk.Unnamed"].Value, draft = other.DraftId });
        }

        return new JsonResult(named);
    }
}
