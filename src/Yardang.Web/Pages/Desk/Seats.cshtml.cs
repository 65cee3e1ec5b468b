using System.Security.Claims;
using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using Microsoft.Extensions.Localization;
using Yardang.Core.ClassLists;
using Yardang.Data.School;
using Yardang.Web.ClassLists;

namespace Yardang.Web.Pages;

/// <summary>Who of a class sits where. In a lesson the boards stand in these places.</summary>
[Authorize]
public sealed class SeatsModel(ClassListShelf shelf, IStringLocalizer<UiTexts> texts) : PageModel
{
    public ClassListRecord List { get; private set; } = null!;

    public object Data { get; private set; } = new();

    public string? Problem { get; private set; }

    /// <summary>Whether the plan was kept just now.</summary>
    public bool Kept { get; private set; }

    private Guid TeacherId => Guid.Parse(User.FindFirstValue(ClaimTypes.NameIdentifier)!);

    public async Task<IActionResult> OnGetAsync(Guid id, bool kept)
    {
        Kept = kept;
        return await ShowAsync(id, null) ? Page() : NotFound();
    }

    public async Task<IActionResult> OnPostAsync(Guid id, string? plan)
    {
        if (!await ShowAsync(id, null)) return NotFound();
        if (SeatingPlan.Read(plan) is { } read)
        {
            await shelf.KeepSeatsAsync(TeacherId, id, read);
            return Redirect($"/classes/{id}/seats?kept=true");
        }

        Problem = texts["Seats.Wrong", SeatingPlan.Most];
        return Page();
    }

    private async Task<bool> ShowAsync(Guid id, SeatingPlan? typed)
    {
        if (await shelf.FindAsync(TeacherId, id) is not { } list) return false;
        List = list;
        var entries = await shelf.EntriesAsync(id);
        var plan = typed ?? SeatingPlan.Read(list.Seats) ?? SeatingPlan.None;
        Data = new
        {
            rows = plan.Rows,
            columns = plan.Columns,
            most = SeatingPlan.Most,
            people = entries.Select(e => new { e.Number, name = e.Name.Length > 0 ? e.Name : texts["Slips.Number", e.Number].Value }),
            seats = plan.Seats.Where(s => entries.Any(e => e.Number == s.Key)).Select(s => new { number = s.Key, s.Value.Row, s.Value.Column }),
            texts = PageData.Texts(texts, "Seats", "Empty", "Seat"),
        };
        return true;
    }
}
