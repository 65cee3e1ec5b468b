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
    private static readonly bool[] s_masked = [false, true];

    public ActivityRecord Activity { get; private set; } = null!;

    public string Name { get; private set; } = "";

    public LessonTimes Times { get; private set; } = LessonTimes.None;

    public string? Problem { get; private set; }

    public string ClassName { get; private set; } = "";

    /// <summary>The teacher's class lists.</summary>
    public IReadOnlyList<(ClassListRecord List, int People)> Lists { get; private set; } = [];

    /// <summary>What will happen, for each choice; the page shows the one that is chosen.</summary>
    public IReadOnlyList<(Way Way, Door Door, bool Masked, IReadOnlyList<ReadyLine> Lines)> Checks { get; private set; } = [];

    /// <summary>Where in the workshop something is mended: what stands behind the # of its address.</summary>
    public static string PlaceOf(ReadyLine line) => line switch
    {
        { Mark: { } mark } => $"mark-{mark}",
        { Page: { } page } => $"page-{page}",
        { Key: "Unfilled" } => "fill-ins",
        { Key: "NoDirections" } => "directions",
        _ => "name",
    };

    public async Task<IActionResult> OnGetAsync(Guid id)
    {
        if (await access.ActivityAsync(Visitor.Of(HttpContext), id, Power.Runs) is not { } activity) return NotFound();
        await ShowAsync(activity);
        return Page();
    }

    private async Task ShowAsync(ActivityRecord activity)
    {
        Activity = activity;
        Lists = await lists.OfAsync(Visitor.Of(HttpContext).TeacherId!.Value);
        var content = await handing.ContentAsync(activity);
        Name = content.Name.For(ContentLanguage.Current);
        Checks = [.. from way in Enum.GetValues<Way>() from door in Enum.GetValues<Door>() from masked in s_masked select (way, door, masked, ReadyCheck.For(content, door, way, masked))];
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
            await ShowAsync(activity);
            return Page();
        }

        var classList = list is { } chosen ? await lists.FindAsync(owner, chosen) : null;
        var named = string.IsNullOrWhiteSpace(className) ? classList?.Name ?? "" : className.Trim();
        var lesson = await handing.HandOutAsync(activity, named.Length > ClassNameLength ? named[..ClassNameLength] : named, door, way, ContentLanguage.Current, masked, password?.Length <= LessonPassword.MaxLength ? password : null, classList, Times, owner);
        return Redirect(way == Way.ByGroup ? $"/lesson/{lesson.Id}/people" : $"/lesson/{lesson.Id}/code");
    }
}
