using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.Identity;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using Microsoft.Extensions.Localization;
using Yardang.Core.ClassLists;
using Yardang.Data.School;
using Yardang.Web.Access;
using Yardang.Web.QuickStart;

namespace Yardang.Web.Pages;

/// <summary>A teacher's own account: name and password. Who began without one makes it here, and keeps everything.</summary>
[Authorize]
public sealed class AccountModel(UserManager<Teacher> teachers, SignInManager<Teacher> signIn, TeachersCookie known, IStringLocalizer<UiTexts> texts) : PageModel
{
    public Teacher Teacher { get; private set; } = null!;

    /// <summary>What was typed as an address.</summary>
    public string Email { get; private set; } = "";

    public string? Problem { get; private set; }

    /// <summary>What was kept just now.</summary>
    public string? Kept { get; private set; }

    public async Task<IActionResult> OnGetAsync()
    {
        if (await FindAsync() is { } elsewhere) return elsewhere;
        Email = Teacher.EndsAt is null ? Teacher.Email ?? "" : "";
        return Page();
    }

    public async Task<IActionResult> OnPostNameAsync(string? name)
    {
        if (await FindAsync() is { } elsewhere) return elsewhere;
        if (PersonName.Read(name) is { } read)
        {
            Teacher.DisplayName = read;
            await teachers.UpdateAsync(Teacher);
            Kept = texts["Account.NameKept"];
        }
        else
        {
            Problem = texts["SignUp.NoName"];
        }

        return Page();
    }

    public async Task<IActionResult> OnPostPasswordAsync(string? now, string? password)
    {
        if (await FindAsync() is { } elsewhere) return elsewhere;
        var result = await teachers.ChangePasswordAsync(Teacher, now ?? "", password ?? "");
        if (result.Succeeded)
        {
            await signIn.RefreshSignInAsync(Teacher);
            Kept = texts["Account.PasswordKept"];
        }
        else
        {
            Problem = result.Errors.Any(e => string.Equals(e.Code, nameof(IdentityErrorDescriber.PasswordMismatch), StringComparison.Ordinal)) ? texts["Account.WrongNow"] : texts["SignUp.PasswordHint"];
        }

        return Page();
    }

    /// <summary>Makes an account of what was begun without one.</summary>
    public async Task<IActionResult> OnPostKeepAsync(string? name, string? email, string? password)
    {
        if (await FindAsync() is { } elsewhere) return elsewhere;
        Email = email ?? "";
        if (Teacher.EndsAt is null) return Redirect("/account");
        if (PersonName.Read(name) is not { } read) Problem = texts["SignUp.NoName"];
        else if (await GuestTeacher.KeepAsync(teachers, Teacher, read, Email, password ?? "") is { } failed) Problem = SignUpModel.WhyNot(failed, texts);
        if (Problem is not null) return Page();
        known.Remember(HttpContext, Teacher.Id);
        await signIn.RefreshSignInAsync(Teacher);
        return Redirect("/desk");
    }

    private async Task<IActionResult?> FindAsync()
    {
        if (await teachers.GetUserAsync(User) is not { } teacher) return Redirect("/sign-in");
        Teacher = teacher;
        return null;
    }
}
