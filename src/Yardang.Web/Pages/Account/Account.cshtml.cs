using System.ComponentModel.DataAnnotations;
using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.Identity;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using Microsoft.Extensions.Localization;
using Yardang.Core.ClassLists;
using Yardang.Data.School;
using Yardang.Web.Access;
using Yardang.Web.Mail;
using Yardang.Web.PersonalData;
using Yardang.Web.QuickStart;

namespace Yardang.Web.Pages;

/// <summary>A teacher's own account: name and password. Who began without one makes it here, and keeps everything.</summary>
[Authorize]
public sealed class AccountModel(UserManager<Teacher> teachers, SignInManager<Teacher> signIn, TeachersCookie known, AccountRemoval removal, Invitations invitations, Outbox outbox, MailLimit limit, IStringLocalizer<UiTexts> texts) : PageModel
{
    private const int MaxEmail = 256;

    public Teacher Teacher { get; private set; } = null!;

    /// <summary>What was typed as an address.</summary>
    public string Email { get; private set; } = "";

    public string? Problem { get; private set; }

    /// <summary>What was typed as a name.</summary>
    public string TypedName { get; private set; } = "";

    /// <summary>What goes with the account.</summary>
    public AccountHolds Holds { get; private set; } = null!;

    /// <summary>Whether it was asked just now to delete the account.</summary>
    public bool AsksToDelete { get; private set; }

    /// <summary>What was kept just now.</summary>
    public string? Kept { get; private set; }

    /// <summary>Whether colleagues can be invited to have an account.</summary>
    public bool Invites => invitations.TeachersInvite && Teacher.EndsAt is null;

    /// <summary>The link for whoever was invited just now.</summary>
    public string? Link { get; private set; }

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
        (Email, TypedName) = (email ?? "", name?.Length <= PersonName.MaxLength * 2 ? name : "");
        if (Teacher.EndsAt is null) return Redirect("/account");
        if (PersonName.Read(name) is not { } read) Problem = texts["SignUp.NoName"];
        else if (await GuestTeacher.KeepAsync(teachers, Teacher, read, Email, password ?? "") is { } failed) Problem = SignUpModel.WhyNot(failed, texts);
        if (Problem is not null) return Page();
        known.Remember(HttpContext, Teacher.Id);
        await signIn.RefreshSignInAsync(Teacher);
        return Redirect("/desk");
    }

    /// <summary>Invites a colleague to make an account.</summary>
    public async Task<IActionResult> OnPostInviteAsync(string? colleague)
    {
        if (await FindAsync() is { } elsewhere) return elsewhere;
        if (!Invites) return NotFound();
        var typed = (colleague ?? "").Trim();
        if (typed.Length > MaxEmail || !new EmailAddressAttribute().IsValid(typed)) Problem = texts["SignUp.BadEmail"];
        else if (await teachers.FindByEmailAsync(typed) is not null) Problem = texts["Account.InviteHas"];
        else if (!limit.Allows(typed)) Problem = texts["Account.InviteOften"];
        if (Problem is not null) return Page();
        var path = invitations.PathFor(typed);
        await outbox.PutAsync(typed, texts["Mail.Account.Subject"], texts["Mail.Account.Text", Teacher.DisplayName], path);
        Link = $"{Request.Scheme}://{Request.Host}{path}";
        Kept = texts["Account.Invited", typed, (int)Invitations.Holds.TotalDays];
        return Page();
    }

    /// <summary>Deletes the account, and all that it holds.</summary>
    public async Task<IActionResult> OnPostDeleteAsync(string? own, bool sure)
    {
        if (await FindAsync() is { } elsewhere) return elsewhere;
        AsksToDelete = true;
        if (Teacher.EndsAt is not null) return Redirect("/account");
        var isTheirs = await signIn.CheckPasswordSignInAsync(Teacher, own ?? "", lockoutOnFailure: true);
        if (!isTheirs.Succeeded || !sure)
        {
            Problem = texts[isTheirs.Succeeded ? "Account.DeleteNotSure" : "Account.WrongNow"];
            return Page();
        }

        await signIn.SignOutAsync();
        await removal.DeleteAsync(Teacher.Id);
        return Redirect("/?left=true");
    }

    private async Task<IActionResult?> FindAsync()
    {
        if (await teachers.GetUserAsync(User) is not { } teacher) return Redirect("/sign-in");
        Teacher = teacher;
        Holds = await removal.HoldsAsync(teacher.Id);
        return null;
    }
}
