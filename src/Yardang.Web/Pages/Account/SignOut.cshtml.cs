using Microsoft.AspNetCore.Identity;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using Yardang.Data.School;

namespace Yardang.Web.Pages;

/// <summary>Signs a teacher out.</summary>
public sealed class SignOutModel(SignInManager<Teacher> signIn, UserManager<Teacher> teachers) : PageModel
{
    public IActionResult OnGet() => Redirect("/");

    public async Task<IActionResult> OnPostAsync()
    {
        // Who has no account could not come back to what they have begun.
        if ((await teachers.GetUserAsync(User))?.EndsAt is not null) return Redirect("/account");
        await signIn.SignOutAsync();
        return Redirect("/");
    }
}
