using System.Security.Claims;
using Microsoft.AspNetCore.Identity;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using Microsoft.Extensions.Localization;
using Yardang.Data.School;
using Yardang.Web.Access;

namespace Yardang.Web.Pages;

/// <summary>A teacher opens an invitation to somebody else's lesson or activity. Who is not signed in reads to what, before they sign in or make an account.</summary>
public sealed class InvitedModel(CoTeaching coTeaching, UserManager<Teacher> teachers, IStringLocalizer<UiTexts> texts) : PageModel
{
    /// <summary>To what; null if the invitation no longer holds.</summary>
    public SharedWork? Shared { get; private set; }

    /// <summary>Whose it is.</summary>
    public string Inviter { get; private set; } = "";

    public string Key { get; private set; } = "";

    /// <summary>Where whoever signs in first comes back to.</summary>
    public string Back => $"?returnUrl={Uri.EscapeDataString(Request.Path + Request.QueryString)}";

    public string? Problem { get; private set; }

    public async Task<IActionResult> OnGetAsync(string? key)
    {
        Key = key ?? "";
        var invitation = await coTeaching.OpenAsync(key);
        Shared = invitation is null ? null : await coTeaching.FindAsync(invitation.OfId);
        Inviter = Shared is null ? "" : (await teachers.FindByIdAsync($"{Shared.OwnerId}"))?.DisplayName ?? "";
        return Page();
    }

    public async Task<IActionResult> OnPostAsync(string? key)
    {
        Key = key ?? "";
        if (User.FindFirstValue(ClaimTypes.NameIdentifier) is not { } teacher) return Challenge();
        if (await coTeaching.OpenAsync(key) is { } invitation && await coTeaching.FindAsync(invitation.OfId) is { } shared)
        {
            if (await coTeaching.AcceptAsync(invitation, Guid.Parse(teacher))) return Redirect(shared.IsLesson ? $"/lesson/{shared.Id}" : "/desk");
            Problem = texts["Invited.Taken"];
        }

        return Page();
    }
}
