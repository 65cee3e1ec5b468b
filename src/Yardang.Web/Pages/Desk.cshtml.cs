using System.Security.Claims;
using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using Microsoft.EntityFrameworkCore;
using Microsoft.Extensions.Localization;
using Yardang.Core.Activities;
using Yardang.Core.Interchange;
using Yardang.Data.School;
using Yardang.Web.Lessons;

namespace Yardang.Web.Pages;

/// <summary>A lesson on the desk.</summary>
public sealed record DeskLesson(LessonRecord Record, int People);

/// <summary>An activity on the desk.</summary>
public sealed record DeskActivity(Guid Id, string Name);

/// <summary>The teacher's home.</summary>
[Authorize]
public sealed class DeskModel(Handing handing, IDbContextFactory<SchoolContext> school, IStringLocalizer<UiTexts> texts) : PageModel
{
    public string TeacherName { get; private set; } = "";

    public IReadOnlyList<DeskLesson> Lessons { get; private set; } = [];

    public IReadOnlyList<DeskActivity> Activities { get; private set; } = [];

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
            var activity = await handing.ImportAsync(TeacherId, ActivityArchive.Read(bytes.ToArray()));
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
        var lessons = await db.Lessons.Where(l => l.OwnerId == TeacherId)
            .Select(l => new { Lesson = l, People = db.Participants.Count(p => p.LessonId == l.Id) }).ToListAsync();
        Lessons = [.. lessons.OrderBy(l => l.Lesson.ClosedAt is not null).ThenByDescending(l => l.Lesson.HandedOutAt).Select(l => new DeskLesson(l.Lesson, l.People))];
        var activities = await db.Activities.Where(a => a.OwnerId == TeacherId).OrderByDescending(a => a.CreatedAt).ToListAsync();
        var desk = new List<DeskActivity>();
        foreach (var activity in activities)
        {
            desk.Add(new DeskActivity(activity.Id, (await handing.ContentAsync(activity)).Name.For(ContentLanguage.Current)));
        }

        Activities = desk;
    }

    public async Task<IActionResult> OnPostNewAsync()
    {
        var activity = await handing.CreateAsync(TeacherId, ActivityContent.Blank(ContentLanguage.Current, ""));
        return Redirect($"/workshop/{activity.Id}");
    }
}
