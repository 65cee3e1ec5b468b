using System.Globalization;
using System.Security.Claims;
using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using Microsoft.Extensions.Localization;
using Yardang.Core.Lessons;
using Yardang.Core.PersonalData;
using Yardang.Data.School;
using Yardang.Web.Access;
using Yardang.Web.Exports;
using Yardang.Web.PersonalData;
using Yardang.Web.Storage;

namespace Yardang.Web.Pages;

/// <summary>How long a teacher's lessons are kept; what was deleted, and its archives.</summary>
[Authorize]
public sealed class KeepingModel(AccessResolver access, LessonRetention retention, RoomMedia media, StorageLimits limits, SchoolClock wall, TimeProvider clock, IStringLocalizer<UiTexts> texts) : PageModel
{
    /// <summary>Most lessons and activities whose files are listed.</summary>
    public const int MostShares = 50;

    private const string DayFormat = "yyyy-MM-dd";
    private const double Megabyte = 1024 * 1024;

    /// <summary>Those that go first stand first; behind them the rest, the latest first.</summary>
    public IReadOnlyList<KeptLesson> Lessons { get; private set; } = [];

    public IReadOnlyList<DeletedLessonRecord> Deleted { get; private set; } = [];

    /// <summary>How much room pictures, recordings and files take.</summary>
    public TeacherStorage Storage { get; private set; } = null!;

    /// <summary>How much one lesson or activity may take, bytes.</summary>
    public long LessonLimit => limits.Lesson;

    public string? Problem { get; private set; }

    /// <summary>The lesson about which something is wrong.</summary>
    public Guid? ProblemOf { get; private set; }

    /// <summary>For how many days the school keeps lessons; null for as long as teachers wish.</summary>
    public int? SchoolDays => retention.SchoolKeeps?.Days;

    private Guid TeacherId => Guid.Parse(User.FindFirstValue(ClaimTypes.NameIdentifier)!);

    private DateTimeOffset Now => clock.GetUtcNow();

    /// <summary>Whether a lesson goes soon.</summary>
    public bool IsNear(KeptLesson lesson) => lesson.Retention.IsNear(Now);

    /// <summary>Until when a lesson is kept, in words.</summary>
    public string Until(KeptLesson lesson) =>
        lesson.Retention.DeletedAt(Now) is not { } end ? texts["Keeping.Kept"]
        : texts[lesson.Retention.IsChosen ? "Keeping.Chosen" : "Keeping.School", wall.Day(end > Now ? end : Now)];

    /// <summary>The chosen day, as a field for days takes it.</summary>
    public string Field(DateTimeOffset? day) => day is { } chosen ? TimeZoneInfo.ConvertTime(chosen, wall.Zone).ToString(DayFormat, CultureInfo.InvariantCulture) : "";

    /// <summary>The first day that can be chosen.</summary>
    public string Tomorrow => Field(Now.AddDays(1));

    public Task OnGetAsync() => ShowAsync();

    /// <summary>The archive of a lesson that was deleted.</summary>
    public async Task<IActionResult> OnGetArchiveAsync(Guid lesson) =>
        await retention.ArchiveAsync(TeacherId, lesson) is { } found ? PhysicalFile(found.File, "application/zip", $"{BoardExport.FileName(found.Title)}.yardang.zip") : NotFound();

    public async Task<IActionResult> OnPostDayAsync(Guid lesson, string? day)
    {
        if (await access.LessonAsync(Visitor.Of(HttpContext), lesson, Power.Owns) is not { } record) return NotFound();
        DateTimeOffset? chosen = null;
        if (!string.IsNullOrWhiteSpace(day))
        {
            if (!DateTime.TryParseExact(day, DayFormat, CultureInfo.InvariantCulture, DateTimeStyles.None, out var read) || read.Year is < 2000 or > 2999) return await RefuseAsync(lesson, texts["Keeping.NoDay"]);
            chosen = WallTime.Moment(read, wall.Zone);
            if (chosen <= Now) return await RefuseAsync(lesson, texts["Keeping.Past"]);
            if ((await retention.WithRetentionAsync(record)).Retention.Latest is { } latest && latest < chosen) return await RefuseAsync(lesson, texts["Keeping.Beyond", wall.Day(latest)]);
        }

        await retention.ChooseAsync(lesson, chosen);
        return Redirect($"/keeping#lesson-{lesson}");
    }

    public async Task<IActionResult> OnPostDeleteAsync(Guid lesson, bool sure, bool archive)
    {
        if (await access.LessonAsync(Visitor.Of(HttpContext), lesson, Power.Owns) is not { } record) return NotFound();
        if (!sure) return await RefuseAsync(lesson, texts["Keeping.NotSure"]);
        await retention.DeleteAsync(record, WhyDeleted.ByHand, archive);
        return Redirect("/keeping#deleted");
    }

    public async Task<IActionResult> OnPostArchiveAsync(Guid lesson)
    {
        await retention.DeleteArchiveAsync(TeacherId, lesson);
        return Redirect("/keeping#deleted");
    }

    /// <summary>In megabytes, with a decimal where it is little.</summary>
    public string Size(long bytes) => texts["Storage.Megabytes", (bytes / Megabyte).ToString(bytes < 10 * Megabyte ? "0.0" : "#,0", CultureInfo.CurrentCulture)];

    /// <summary>For a meter.</summary>
    public string Part(StorageUse use) => Math.Min(1, use.Share).ToString("0.###", CultureInfo.InvariantCulture);

    /// <summary>How much of what there is room for is used.</summary>
    public string Percent(StorageUse use) => use.Percent(CultureInfo.CurrentCulture);

    private async Task<IActionResult> RefuseAsync(Guid lesson, string problem)
    {
        (Problem, ProblemOf) = (problem, lesson);
        await ShowAsync();
        return Page();
    }

    private async Task ShowAsync()
    {
        var all = await retention.OfAsync(TeacherId);
        Lessons = [.. all.OrderBy(k => IsNear(k) ? k.Retention.DeletedAt(Now) : DateTimeOffset.MaxValue).ThenByDescending(k => k.Record.HandedOutAt)];
        Deleted = await retention.DeletedAsync(TeacherId);
        Storage = await media.OfTeacherAsync(TeacherId);
    }
}
