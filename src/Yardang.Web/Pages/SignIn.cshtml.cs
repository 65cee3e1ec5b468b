using Microsoft.AspNetCore.Identity;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using Microsoft.Extensions.Localization;
using Yardang.Data.School;

namespace Yardang.Web.Pages;

/// <summary>Signs a teacher in. Failures are counted for each account, not for each address.</summary>
public sealed class SignInModel(SignInManager<Teacher> signIn, IStringLocalizer<UiTexts> texts) : PageModel
{
    public string Email { get; private set; } = "";

    public string? Problem { get; private set; }

    public async Task<IActionResult> OnPostAsync(string? email, string? password, string? returnUrl)
    {
        Email = email ?? "";
        var result = await signIn.PasswordSignInAsync(Email, password ?? "", isPersistent: true, lockoutOnFailure: true);
        if (result.Succeeded) return LocalRedirect(Url.IsLocalUrl(returnUrl) ? returnUrl : "/desk");
        Problem = result.IsLockedOut ? texts["SignIn.Locked"] : texts["SignIn.Wrong"];
        return Page();
    }
}
