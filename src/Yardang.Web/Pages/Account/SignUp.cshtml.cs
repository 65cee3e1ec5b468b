using Microsoft.AspNetCore.Identity;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using Microsoft.AspNetCore.RateLimiting;
using Microsoft.Extensions.Localization;
using Yardang.Core.ClassLists;
using Yardang.Data.School;
using Yardang.Web.Access;

namespace Yardang.Web.Pages;

/// <summary>Makes a teacher's account. No e-mail is sent anywhere.</summary>
[EnableRateLimiting(AccountLimit.Making)]
public sealed class SignUpModel(UserManager<Teacher> teachers, SignInManager<Teacher> signIn, TeachersCookie known, IStringLocalizer<UiTexts> texts) : PageModel
{
    public string Name { get; private set; } = "";

    public string Email { get; private set; } = "";

    public string? Problem { get; private set; }

    public async Task<IActionResult> OnPostAsync(string? name, string? email, string? password, string? returnUrl)
    {
        (Name, Email) = (name ?? "", email ?? "");
        if (PersonName.Read(name) is not { } read)
        {
            Problem = texts["SignUp.NoName"];
            return Page();
        }

        var teacher = new Teacher { Id = Guid.CreateVersion7(), DisplayName = read, UserName = Email, Email = Email };
        var result = await teachers.CreateAsync(teacher, password ?? "");
        if (result.Succeeded)
        {
            known.Remember(HttpContext, teacher.Id);
            await signIn.SignInAsync(teacher, isPersistent: true);
            return LocalRedirect(Url.IsLocalUrl(returnUrl) ? returnUrl : "/desk");
        }

        Problem = WhyNot(result, texts);
        return Page();
    }

    /// <summary>Why an account could not be made, in words.</summary>
    public static string WhyNot(IdentityResult result, IStringLocalizer<UiTexts> texts) => texts[
        result.Errors.Any(e => e.Code.StartsWith("Password", StringComparison.Ordinal)) ? "SignUp.PasswordHint"
        : result.Errors.Any(e => e.Code.StartsWith("Duplicate", StringComparison.Ordinal)) ? "SignUp.Taken"
        : "SignUp.BadEmail"];
}
