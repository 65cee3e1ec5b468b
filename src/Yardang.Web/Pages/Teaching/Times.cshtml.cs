using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using Microsoft.Extensions.Localization;
using Yardang.Core.Lessons;
using Yardang.Core.Rooms;
using Yardang.Data.School;
using Yardang.Web.Access;
using Yardang.Web.Lessons;
using Yardang.Web.Rooms;

namespace Yardang.Web.Pages;

/// <summary>When a lesson opens, is due and closes, and who has handed in.</summary>
[Authorize]
public sealed class TimesModel(AccessResolver access, LessonPeople people, RoomHosts hosts, IStringLocalizer<UiTexts> texts, SchoolClock clock) : PageModel
{
    public LessonRecord Lesson { get; private set; } = null!;

    public LessonTimes Times { get; private set; } = LessonTimes.None;

    /// <summary>Everybody who belongs to the lesson, with when they handed in.</summary>
    public IReadOnlyList<(string Name, long? HandedInAt)> People { get; private set; } = [];

    public string? Problem { get; private set; }

    /// <summary>Whether the form was kept just now.</summary>
    public bool Kept { get; private set; }

    /// <summary>The times that a form says.</summary>
    public static LessonTimes Read(SchoolClock clock, string? opens, string? due, string? closes, bool handsIn) => new(clock.Read(opens), clock.Read(due), clock.Read(closes), handsIn);

    /// <summary>Whether something that was handed in then is late.</summary>
    public bool IsLate(long at) => Times.DueAt is { } due && at > due;

    public async Task<IActionResult> OnGetAsync(Guid id, bool kept)
    {
        if (await access.LessonAsync(Visitor.Of(HttpContext), id, Power.Runs) is not { } lesson) return NotFound();
        Kept = kept;
        await ShowAsync(lesson);
        return Page();
    }

    public async Task<IActionResult> OnPostAsync(Guid id, string? opens, string? due, string? closes, bool handsIn)
    {
        if (await access.LessonAsync(Visitor.Of(HttpContext), id, Power.Runs) is not { } lesson) return NotFound();
        var times = Read(clock, opens, due, closes, handsIn);
        var (decision, _) = await (await hosts.GetAsync(id)).SubmitAsync(new SetTimes(times), Actor.Program);
        if (decision is not Decision.Refused) return Redirect($"/lesson/{id}/times?kept=true");
        await ShowAsync(lesson);
        (Times, Problem) = (times, texts["Times.OutOfOrder"]);
        return Page();
    }

    private async Task ShowAsync(LessonRecord lesson)
    {
        Lesson = lesson;
        Dictionary<int, Person> known = [];
        await (await hosts.GetAsync(lesson.Id)).LookAsync(r => (Times, known) = (((Lesson)r).Times, ((Lesson)r).People.ToDictionary(p => p.Key, p => p.Value)));
        People = [.. (await people.InAsync(lesson.Id)).Where(p => known.TryGetValue(p.Number, out var person) && person.Belongs).Select(p => (p.Name, known[p.Number].HandedInAt))];
    }
}
