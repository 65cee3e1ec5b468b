using System.Globalization;
using System.Security.Claims;
using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using Microsoft.EntityFrameworkCore;
using Microsoft.Extensions.Localization;
using Yardang.Core.Activities;
using Yardang.Core.Interchange;
using Yardang.Core.Lessons;
using Yardang.Core.Pages;
using Yardang.Data.School;
using Yardang.Web.Access;
using Yardang.Web.Lessons;
using Yardang.Web.Shelf;
using Yardang.Web.Storage;

namespace Yardang.Web.Pages;

/// <summary>A lesson on the desk.</summary>
/// <param name="Record">The lesson.</param>
/// <param name="People">How many are in it.</param>
/// <param name="Owner">Whose it is; null if it is the teacher's own.</param>
public sealed record DeskLesson(LessonRecord Record, int People, string? Owner)
{
    /// <summary>Whether the teacher was told that it is deleted soon.</summary>
    public bool GoesSoon => Owner is null && Record.ToldOfDeletingAt is not null;
}

/// <summary>The teacher's home.</summary>
[Authorize]
[RequestSizeLimit(ActivityArchive.MaxBytes + 65_536)]
public sealed class DeskModel(ActivityMaking making, WorkArchive workArchive, ActivityShelf shelf, AccessResolver access, RoomMedia media, IDbContextFactory<SchoolContext> school, IStringLocalizer<UiTexts> texts) : PageModel
{
    private const int MostNear = 3;

    public string TeacherName { get; private set; } = "";

    public IReadOnlyList<DeskLesson> Lessons { get; private set; } = [];

    public IReadOnlyList<ShelvedActivity> Activities { get; private set; } = [];

    /// <summary>Activities of others that the teacher was invited to.</summary>
    public IReadOnlyList<SharedActivity> SharedActivities { get; private set; } = [];

    public IReadOnlyList<string> Topics { get; private set; } = [];

    /// <summary>Where there is soon no room for more files, in words.</summary>
    public IReadOnlyList<string> NearlyFull { get; private set; } = [];

    /// <summary>Words that must be in an activity.</summary>
    [BindProperty(SupportsGet = true)]
    public string? Q { get; set; }

    /// <summary>The topic that is looked at; null for all.</summary>
    [BindProperty(SupportsGet = true)]
    public string? Topic { get; set; }

    /// <summary>Whether the bin is looked at.</summary>
    [BindProperty(SupportsGet = true, Name = "bin")]
    public bool InBin { get; set; }

    public bool IsNarrowed => !string.IsNullOrWhiteSpace(Q) || !string.IsNullOrEmpty(Topic);

    private Guid TeacherId => Guid.Parse(User.FindFirstValue(ClaimTypes.NameIdentifier)!);

    public string? Problem { get; private set; }

    public Task OnGetAsync() => FindAsync();

    public async Task<IActionResult> OnPostImportAsync(IFormFile? archive)
    {
        try
        {
            if (archive is null || archive.Length > ActivityArchive.MaxBytes) throw new FormatException(texts["Desk.NoFile"]);
            using var bytes = new MemoryStream();
            await archive.CopyToAsync(bytes);
            var archived = ActivityArchive.Read(bytes.ToArray());
            if (archived.Work is { } work) return Redirect($"/lesson/{(await workArchive.ReadAsync(TeacherId, archived, work)).Id}");
            var activity = await making.ImportAsync(TeacherId, archived);
            return Redirect($"/workshop/{activity.Id}");
        }
        catch (FormatException e)
        {
            Problem = texts["Desk.BadFile", e.Message];
            await FindAsync();
            return Page();
        }
    }

    private async Task FindAsync()
    {
        await using var db = await school.CreateDbContextAsync();
        TeacherName = (await db.Users.SingleAsync(u => u.Id == TeacherId)).DisplayName;
        var lessons = await db.Lessons.Where(l => l.OwnerId == TeacherId || db.CoTeachers.Any(c => c.OfId == l.Id && c.TeacherId == TeacherId))
            .Select(l => new { Lesson = l, Owner = db.Users.Where(u => u.Id == l.OwnerId && u.Id != TeacherId).Select(u => u.DisplayName).FirstOrDefault(), People = db.Participants.Count(p => p.LessonId == l.Id && p.Standing == Standing.In) }).ToListAsync();
        Lessons = [.. lessons.OrderBy(l => l.Lesson.ClosedAt is not null).ThenByDescending(l => l.Lesson.HandedOutAt).Select(l => new DeskLesson(l.Lesson, l.People, l.Owner))];
        SharedActivities = await shelf.SharedWithAsync(TeacherId);
        Topics = await shelf.TopicsAsync(TeacherId);
        Activities = await shelf.FindAsync(TeacherId, Q, Topic, InBin);
        NearlyFull = [.. Said(await media.OfTeacherAsync(TeacherId))];
    }

    private IEnumerable<string> Said(TeacherStorage storage)
    {
        if (storage.School.IsNear) yield return texts["Storage.NearSchool", Percent(storage.School)];
        if (storage.All.IsNear) yield return texts["Storage.NearTeacher"];
        foreach (var share in storage.Near.Take(MostNear)) yield return texts["Storage.NearLesson", share.Title, Percent(share.Use)];
    }

    private static string Percent(StorageUse use) => use.Percent(CultureInfo.CurrentCulture);

    public Task<IActionResult> OnPostDoubleAsync(Guid id) => WithAsync(id, activity => shelf.DoubleAsync(activity, name => texts["Desk.CopyOf", name]));

    public Task<IActionResult> OnPostTopicAsync(Guid id, string? topic) => WithAsync(id, activity => shelf.SetTopicAsync(activity.Id, topic));

    public Task<IActionResult> OnPostTemplateAsync(Guid id, bool on) => WithAsync(id, activity => shelf.SetTemplateAsync(activity.Id, on));

    public Task<IActionResult> OnPostBinAsync(Guid id) => WithAsync(id, activity => shelf.BinAsync(activity.Id, bin: true));

    public Task<IActionResult> OnPostRestoreAsync(Guid id) => WithAsync(id, activity => shelf.BinAsync(activity.Id, bin: false));

    private async Task<IActionResult> WithAsync(Guid id, Func<ActivityRecord, Task> act)
    {
        if (await access.ActivityAsync(Visitor.Of(HttpContext), id, Power.Owns) is not { } activity) return NotFound();
        await act(activity);
        return Redirect("/desk");
    }

    public async Task<IActionResult> OnPostNewWallAsync()
    {
        var activity = await making.CreateAsync(TeacherId, ActivityContent.BlankWall(ContentLanguage.Current, ""));
        return Redirect($"/workshop/{activity.Id}");
    }

    public async Task<IActionResult> OnPostNewAsync()
    {
        var activity = await making.CreateAsync(TeacherId, ActivityContent.Blank(ContentLanguage.Current, ""));
        return Redirect($"/workshop/{activity.Id}");
    }
}
