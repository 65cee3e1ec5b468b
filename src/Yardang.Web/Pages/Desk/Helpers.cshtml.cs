using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.Identity;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using Microsoft.Extensions.Localization;
using Yardang.Data.School;
using Yardang.Web.Access;

namespace Yardang.Web.Pages;

/// <summary>Other teachers in a lesson, or with an activity: who may run it and who watches. For its owner.</summary>
[Authorize]
public sealed class HelpersModel(AccessResolver access, CoTeaching coTeaching, UserManager<Teacher> teachers, IStringLocalizer<UiTexts> texts) : PageModel
{
    public SharedWork Shared { get; private set; } = null!;

    public IReadOnlyList<CoTeacher> Invited { get; private set; } = [];

    public string? Typed { get; private set; }

    public string? Problem { get; private set; }

    /// <summary>Where to go back to.</summary>
    public string Back => Shared.IsLesson ? $"/lesson/{Shared.Id}" : $"/workshop/{Shared.Id}";

    /// <summary>The link to hand to somebody who was invited.</summary>
    public string LinkOf(CoTeacherRecord invitation) => $"{Request.Scheme}://{Request.Host}{coTeaching.LinkOf(invitation)}";

    public async Task<IActionResult> OnGetAsync(Guid id) => await FindAsync(id) ? Page() : NotFound();

    public async Task<IActionResult> OnPostAsync(Guid id, string? emails, CoTeacherRole role)
    {
        if (!await FindAsync(id) || !Enum.IsDefined(role)) return NotFound();
        var addresses = CoTeaching.Addresses(emails);
        Typed = emails;
        if (addresses.Count == 0)
        {
            Problem = texts["Helpers.NoAddress"];
            return Page();
        }

        var me = await teachers.GetUserAsync(User);
        var (bad, tooMany) = await coTeaching.InviteAsync(Shared, me?.DisplayName ?? "", addresses, role);
        if (!tooMany && bad.Count == 0) return Redirect($"/helpers/{id}");
        Problem = tooMany ? texts["Helpers.TooMany", CoTeaching.Most] : texts["Helpers.Bad", string.Join(", ", bad)];
        Typed = tooMany ? emails : string.Join('\n', bad);
        Invited = await coTeaching.OfAsync(id);
        return Page();
    }

    public async Task<IActionResult> OnPostRoleAsync(Guid id, Guid invitation, CoTeacherRole role)
    {
        if (!await FindAsync(id) || !Enum.IsDefined(role)) return NotFound();
        await coTeaching.SetRoleAsync(Shared, invitation, role);
        return Redirect($"/helpers/{id}");
    }

    public async Task<IActionResult> OnPostRemoveAsync(Guid id, Guid invitation)
    {
        if (!await FindAsync(id)) return NotFound();
        await coTeaching.RemoveAsync(Shared, invitation);
        return Redirect($"/helpers/{id}");
    }

    private async Task<bool> FindAsync(Guid id)
    {
        var visitor = Visitor.Of(HttpContext);
        if (await access.LessonAsync(visitor, id, Power.Owns) is null && await access.ActivityAsync(visitor, id, Power.Owns) is null) return false;
        Shared = (await coTeaching.FindAsync(id))!;
        Invited = await coTeaching.OfAsync(id);
        return true;
    }
}
