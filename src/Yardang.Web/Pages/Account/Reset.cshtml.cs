using Microsoft.AspNetCore.Identity;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using Microsoft.AspNetCore.RateLimiting;
using Microsoft.Extensions.Localization;
using Yardang.Data.School;
using Yardang.Web.Access;

namespace Yardang.Web.Pages;

/// <summary>Sets another password, with the link of a message. Every other device is signed out.</summary>
[EnableRateLimiting(AccountLimit.Resetting)]
public sealed class ResetModel(UserManager<Teacher> teachers, SignInManager<Teacher> signIn, TeachersCookie known, IStringLocalizer<UiTexts> texts) : PageModel
{
    public Guid Teacher { get; private set; }

    public string Token { get; private set; } = "";

    public string? Problem { get; private set; }

    public void OnGet(Guid teacher, string? token) => (Teacher, Token) = (teacher, token ?? "");

    public async Task<IActionResult> OnPostAsync(Guid teacher, string? token, string? password)
    {
        (Teacher, Token) = (teacher, token ?? "");
        if (await teachers.FindByIdAsync(teacher.ToString()) is { EndsAt: null } found)
        {
            var result = await teachers.ResetPasswordAsync(found, Token, password ?? "");
            if (result.Succeeded)
            {
                known.Remember(HttpContext, found.Id);
                await signIn.SignInAsync(found, isPersistent: true);
                return Redirect("/desk");
            }

            if (result.Errors.Any(e => e.Code.StartsWith("Password", StringComparison.Ordinal)))
            {
                Problem = texts["SignUp.PasswordHint"];
                return Page();
            }
        }

        Problem = texts["Reset.Gone"];
        return Page();
    }
}
