using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using Microsoft.Extensions.Localization;
using Yardang.Core.Activities;
using Yardang.Core.Lessons;
using Yardang.Core.Moderation;
using Yardang.Core.Rooms;
using Yardang.Data.School;
using Yardang.Web.Access;
using Yardang.Web.ClassLists;
using Yardang.Web.Lessons;
using Yardang.Web.Shelf;

namespace Yardang.Web.Pages;

/// <summary>What is chosen in the form. Times are as its fields have them, on the clock of the school.</summary>
public sealed record HandOutForm
{
    public string? ClassName { get; init; }

    public Door Door { get; init; }

    /// <summary>Of an activity of one part.</summary>
    public Way Way { get; init; }

    /// <summary>Of each of several parts, by their numbers.</summary>
    public Dictionary<int, Way> Ways { get; init; } = [];

    /// <summary>Whether the teacher opens one part after the other.</summary>
    public bool OneByOne { get; init; }

    public bool Masked { get; init; }

    public string? Password { get; init; }

    /// <summary>The class list.</summary>
    public Guid? List { get; init; }

    public Introduction Introduction { get; init; }

    /// <summary>When the teacher looks at what students write where several work, before others see it.</summary>
    public ApprovalWhen LooksFirst { get; init; }

    public string? Opens { get; init; }

    public string? Due { get; init; }

    public string? Closes { get; init; }

    public bool HandsIn { get; init; }

    /// <summary>The same for the ready check.</summary>
    public HandingPlan Plan(LessonTimes times) => new(Door, Way, Masked, !string.IsNullOrEmpty(Password), List is not null, times, Introduction, OneByOne, LooksFirst);
}

/// <summary>Hands an activity out, after the ready check.</summary>
[Authorize]
public sealed class HandOutModel(AccessResolver access, Handing handing, ActivityMaking making, ClassListShelf lists, SchoolClock clock, IStringLocalizer<UiTexts> texts) : PageModel
{
    private const int ClassNameLength = 60;

    public ActivityRecord Activity { get; private set; } = null!;

    public string Name { get; private set; } = "";

    /// <summary>Its parts, each with who works with whom in it as it is chosen now.</summary>
    public IReadOnlyList<(Part Part, string Name, Way Way)> Parts { get; private set; } = [];

    /// <summary>What is chosen.</summary>
    public HandOutForm Form { get; private set; } = new();

    public LessonTimes Times { get; private set; } = LessonTimes.None;

    public string? Problem { get; private set; }

    /// <summary>Whether something is chosen that is usually left as it is.</summary>
    public bool HasMore => Form.Masked || !string.IsNullOrEmpty(Form.Password) || Form.Introduction != Introduction.Name || Form.LooksFirst != ApprovalWhen.Never;

    /// <summary>The teacher's class lists.</summary>
    public IReadOnlyList<(ClassListRecord List, int People)> Lists { get; private set; } = [];

    /// <summary>What will happen, and what was probably forgotten.</summary>
    public ReadyCheckView Check { get; private set; } = null!;

    public async Task<IActionResult> OnGetAsync(Guid id)
    {
        if (await access.ActivityAsync(Visitor.Of(HttpContext), id, Power.Runs) is not { } activity) return NotFound();

        Form = Form with { Way = (await making.ContentAsync(activity)).Steps[0].WayOrUsual() };
        await ShowAsync(activity);
        return Page();
    }

    /// <summary>The ready check for what is chosen in the form now.</summary>
    public async Task<IActionResult> OnPostCheckAsync(Guid id, HandOutForm form)
    {
        if (await access.ActivityAsync(Visitor.Of(HttpContext), id, Power.Runs) is not { } activity) return NotFound();
        (Form, Times) = (form, TimesOf(form));
        await ShowAsync(activity);
        return Partial("_ReadyCheck", Check);
    }

    public async Task<IActionResult> OnPostAsync(Guid id, HandOutForm form)
    {
        if (await access.ActivityAsync(Visitor.Of(HttpContext), id, Power.Runs) is not { } activity) return NotFound();
        (Form, Times) = (form, TimesOf(form));
        if (!Times.IsInOrder)
        {
            Problem = texts["Times.OutOfOrder"];
            await ShowAsync(activity);
            return Page();
        }

        var owner = Visitor.Of(HttpContext).TeacherId!.Value;
        var classList = form.List is { } chosen ? await lists.FindAsync(owner, chosen) : null;
        var named = string.IsNullOrWhiteSpace(form.ClassName) ? classList?.Name ?? "" : form.ClassName.Trim();
        var password = form.Password?.Length <= LessonPassword.MaxLength ? form.Password : null;
        var order = OrderOf(form, named.Length > ClassNameLength ? named[..ClassNameLength] : named, password, classList);
        var lesson = await handing.HandOutAsync(activity, order, ContentLanguage.Current, owner);
        return Redirect(lesson.Parts.Any(p => p.Way == Way.ByGroup) ? $"/lesson/{lesson.Id}/people" : $"/lesson/{lesson.Id}/code");
    }

    private HandOutOrder OrderOf(HandOutForm form, string named = "", string? password = null, ClassListRecord? classList = null) =>
        new(named, form.Door, form.Way, form.Masked, password, classList, Times, form.Introduction, Ways: form.Ways, OneByOne: form.OneByOne, LooksFirst: form.LooksFirst == ApprovalWhen.Never ? null : new(form.LooksFirst, [], LessonHours.Usual with { Zone = clock.Zone.Id }));

    private LessonTimes TimesOf(HandOutForm form) => TimesModel.Read(clock, form.Opens, form.Due, form.Closes, form.HandsIn);

    private async Task ShowAsync(ActivityRecord activity)
    {
        Activity = activity;
        Lists = await lists.OfAsync(Visitor.Of(HttpContext).TeacherId!.Value);
        var content = await making.ContentAsync(activity);
        Name = content.Name.For(ContentLanguage.Current);
        var settled = OrderOf(Form).Settled(content);
        Parts = [.. settled.Steps.Select(p => (p, PartNames.Of(p, ContentLanguage.Current, texts), settled.Steps.Length == 1 ? Form.Way : p.WayOrUsual()))];
        Check = new(activity.Id, ReadyCheck.For(settled, Form.Plan(Times)), Lists.Count > 0) { Parts = Parts.Count == 1 ? [] : [.. Parts.Select(p => (p.Part.Number, p.Name))] };
    }
}
