using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using Microsoft.Extensions.Localization;
using Yardang.Core.Lessons;
using Yardang.Data.School;
using Yardang.Web.Access;
using Yardang.Web.ClassLists;
using Yardang.Web.Lessons;

namespace Yardang.Web.Pages;

/// <summary>Hands an activity out, after the ready check.</summary>
[Authorize]
public sealed class HandOutModel(AccessResolver access, Handing handing, ClassListShelf lists, SchoolClock clock, IStringLocalizer<UiTexts> texts) : PageModel
{
    private const int ClassNameLength = 60;

    public ActivityRecord Activity { get; private set; } = null!;

    public string Name { get; private set; } = "";

    public LessonTimes Times { get; private set; } = LessonTimes.None;

    public string? Problem { get; private set; }

    public string ClassName { get; private set; } = "";

    /// <summary>The teacher's class lists.</summary>
    public IReadOnlyList<(ClassListRecord List, int People)> Lists { get; private set; } = [];

    /// <summary>What will happen, and what was probably forgotten.</summary>
    public ReadyCheckView Check { get; private set; } = null!;

    public async Task<IActionResult> OnGetAsync(Guid id)
    {
        if (await access.ActivityAsync(Visitor.Of(HttpContext), id, Power.Runs) is not { } activity) return NotFound();
        await ShowAsync(activity, new HandingPlan(Door.Open, Way.OneEach));
        return Page();
    }

    /// <summary>The ready check for what is chosen in the form now.</summary>
    public async Task<IActionResult> OnPostCheckAsync(Guid id, Door door, Way way, bool masked, string? password, Guid? list, string? opens, string? due, string? closes, bool handsIn)
    {
        if (await access.ActivityAsync(Visitor.Of(HttpContext), id, Power.Runs) is not { } activity) return NotFound();
        var plan = new HandingPlan(door, way, masked, !string.IsNullOrEmpty(password), list is not null, TimesModel.Read(clock, opens, due, closes, handsIn));
        return Partial("_ReadyCheck", new ReadyCheckView(id, ReadyCheck.For(await handing.ContentAsync(activity), plan), (await lists.OfAsync(Visitor.Of(HttpContext).TeacherId!.Value)).Count > 0));
    }

    private async Task ShowAsync(ActivityRecord activity, HandingPlan plan)
    {
        Activity = activity;
        Lists = await lists.OfAsync(Visitor.Of(HttpContext).TeacherId!.Value);
        var content = await handing.ContentAsync(activity);
        Name = content.Name.For(ContentLanguage.Current);
        Check = new(activity.Id, ReadyCheck.For(content, plan), Lists.Count > 0);
    }

    public async Task<IActionResult> OnPostAsync(Guid id, string? className, Door door, Way way, bool masked, string? password, Guid? list, string? opens, string? due, string? closes, bool handsIn)
    {
        if (await access.ActivityAsync(Visitor.Of(HttpContext), id, Power.Runs) is not { } activity) return NotFound();
        var owner = Visitor.Of(HttpContext).TeacherId!.Value;
        ClassName = className ?? "";
        Times = TimesModel.Read(clock, opens, due, closes, handsIn);
        if (!Times.IsInOrder)
        {
            Problem = texts["Times.OutOfOrder"];
            await ShowAsync(activity, new HandingPlan(door, way, masked, !string.IsNullOrEmpty(password), list is not null, Times));
            return Page();
        }

        var classList = list is { } chosen ? await lists.FindAsync(owner, chosen) : null;
        var named = string.IsNullOrWhiteSpace(className) ? classList?.Name ?? "" : className.Trim();
        var lesson = await handing.HandOutAsync(activity, named.Length > ClassNameLength ? named[..ClassNameLength] : named, door, way, ContentLanguage.Current, masked, password?.Length <= LessonPassword.MaxLength ? password : null, classList, Times, owner);
        return Redirect(way == Way.ByGroup ? $"/lesson/{lesson.Id}/people" : $"/lesson/{lesson.Id}/code");
    }
}
