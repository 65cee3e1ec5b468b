using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using Microsoft.Extensions.Localization;
using Yardang.Data.School;
using Yardang.Web.Access;

namespace Yardang.Web.Pages;

/// <summary>All that waits for a teacher's decision, over all running lessons or in one.</summary>
[Authorize]
public sealed class InTrayModel(AccessResolver access, IStringLocalizer<UiTexts> texts) : PageModel
{
    private static readonly string[] s_kinds = ["card", "wording", "answer", "link", "note", "drawn", "door"];
    private static readonly string[] s_reasons = ["approval", "words", "locked", "late", "door", "concern"];

    /// <summary>The lesson that is looked at alone; null for all.</summary>
    public LessonRecord? Lesson { get; private set; }

    public object Data { get; private set; } = null!;

    public async Task<IActionResult> OnGetAsync(Guid? lesson)
    {
        if (lesson is { } id && (Lesson = await access.LessonAsync(Visitor.Of(HttpContext), id, Power.Watches)) is null) return NotFound();
        var all = PageData.Texts(
            texts, "Tray", "Waiting", "WaitingOne", "WaitingOther", "Picked", "PickedOne", "Pick", "Door", "NoWords", "AllBy", "AllIn", "InsteadOf", "Answers", "Links", "Add", "Return", "Leave", "Quicker", "QuickerOne", "NoLongerFits", "NoLongerFitsOne", "NotDone", "NotDoneOne", "NoNetwork", "IsDown", "Undone", "UndoneOne", "NotUndone", "NotUndoneOne");
        all["somebody"] = texts["Wall.Somebody"].Value;
        all["concern"] = PageData.Texts(texts, "Tray.Concern", "Add", "Leave");
        foreach (var (name, text) in PageData.Texts(texts, "Circulate", "MinutesAgo", "JustNow", "LatePage", "LateStrokes", "LateStroke", "LateChanges", "LateChange")) all[name] = text;
        foreach (var (name, text) in AttachmentTexts.In(texts)) all[name] = text;
        all["one"] = PageData.Texts(texts, "Tray.One", "Add", "Return", "Leave");
        all["trayKind"] = s_kinds.ToDictionary(k => k, k => texts[$"Tray.Kind.{k}"].Value, StringComparer.Ordinal);
        all["trayWhy"] = s_reasons.ToDictionary(r => r, r => texts[$"Tray.Why.{r}"].Value, StringComparer.Ordinal);
        Data = new { lesson = Lesson?.Id, texts = all };
        return Page();
    }
}
