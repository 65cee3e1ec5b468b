using Microsoft.AspNetCore.Identity;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using Microsoft.AspNetCore.RateLimiting;
using Microsoft.Extensions.Localization;
using Yardang.Core.ClassLists;
using Yardang.Data.School;
using Yardang.Web.Access;
using Yardang.Web.Operating;

namespace Yardang.Web.Pages;

/// <summary>Makes a teacher's account, where the school lets who comes, or with an invitation. No e-mail is sent anywhere.</summary>
[EnableRateLimiting(AccountLimit.Making)]
public sealed class SignUpModel(UserManager<Teacher> teachers, SignInManager<Teacher> signIn, TeachersCookie known, Invitations invitations, IStringLocalizer<UiTexts> texts) : PageModel
{
    private const int MaxInvitation = 2_000;

    public string Name { get; private set; } = "";

    public string Email { get; private set; } = "";

    public string? Problem { get; private set; }

    /// <summary>What came with the address.</summary>
    public string? Invitation { get; private set; }

    /// <summary>For which address it is; null if there is none that holds.</summary>
    public string? InvitedAs { get; private set; }

    /// <summary>Whether whoever is here may make an account.</summary>
    public bool IsLetIn => invitations.SignUp is SigningUp.Open || InvitedAs is not null;

    public void OnGet(string? invitation) => Read(invitation);

    public async Task<IActionResult> OnPostAsync(string? name, string? email, string? password, string? returnUrl, string? invitation)
    {
        Read(invitation);
        if (!IsLetIn) return Page();
        (Name, Email) = (name ?? "", InvitedAs ?? email ?? "");
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

    private void Read(string? invitation)
    {
        Invitation = invitation?.Length <= MaxInvitation ? invitation : null;
        InvitedAs = invitations.Read(Invitation);
        Email = InvitedAs ?? "";
    }

    /// <summary>Why an account could not be made, in words.</summary>
    public static string WhyNot(IdentityResult result, IStringLocalizer<UiTexts> texts) => texts[
        result.Errors.Any(e => e.Code.StartsWith("Password", StringComparison.Ordinal)) ? "SignUp.PasswordHint"
        : result.Errors.Any(e => e.Code.StartsWith("Duplicate", StringComparison.Ordinal)) ? "SignUp.Taken"
        : "SignUp.BadEmail"];
}
