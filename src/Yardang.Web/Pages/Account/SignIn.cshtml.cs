using Microsoft.AspNetCore.Identity;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using Microsoft.Extensions.Localization;
using Yardang.Data.School;
using Yardang.Web.Access;
using Yardang.Web.QuickStart;

namespace Yardang.Web.Pages;

/// <summary>Signs a teacher in. It takes as long for an address that has no account as for one that has.</summary>
public sealed class SignInModel(
    UserManager<Teacher> teachers, SignInManager<Teacher> signIn, SignInThrottle throttle, TeachersCookie known, GuestWork guestWork, IStringLocalizer<UiTexts> texts) : PageModel
{
    // Of a password that nobody knows, made as those of teachers are.
    private static readonly string s_nobodys = new PasswordHasher<Teacher>().HashPassword(new Teacher { DisplayName = "" }, Guid.NewGuid().ToString());

    public string Email { get; private set; } = "";

    public string? Problem { get; private set; }

    public async Task<IActionResult> OnPostAsync(string? email, string? password, string? returnUrl)
    {
        Email = email ?? "";
        var teacher = await teachers.FindByEmailAsync(Email);
        var account = teachers.NormalizeEmail(Email) ?? "";
        var isKnown = teacher is not null && known.Read(Request).Contains(teacher.Id);
        var from = isKnown ? $"device {string.Join(' ', known.Read(Request))}" : SourceAddress.Of(HttpContext);
        if (throttle.MustWait(account, from) || (!isKnown && !await throttle.EnterAsync(account, HttpContext.RequestAborted)))
        {
            Problem = texts["SignIn.Locked"];
            return Page();
        }

        if (await IsRightAsync(teacher, password ?? ""))
        {
            throttle.WasRight(account, from);
            await guestWork.BringAsync(User, teacher!);
            known.Remember(HttpContext, teacher!.Id);
            await signIn.SignInAsync(teacher, isPersistent: true);
            return LocalRedirect(Url.IsLocalUrl(returnUrl) ? returnUrl : "/desk");
        }

        throttle.WasWrong(account, from);
        Problem = throttle.MustWait(account, from) ? texts["SignIn.Locked"] : texts["SignIn.Wrong"];
        return Page();
    }

    private async Task<bool> IsRightAsync(Teacher? teacher, string password)
    {
        if (teacher?.PasswordHash is not null) return await teachers.CheckPasswordAsync(teacher, password);
        teachers.PasswordHasher.VerifyHashedPassword(teacher ?? new Teacher { DisplayName = "" }, s_nobodys, password);
        return false;
    }
}
