using Microsoft.AspNetCore.Identity;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using Microsoft.AspNetCore.RateLimiting;
using Microsoft.Extensions.Localization;
using Yardang.Data.School;
using Yardang.Web.Access;
using Yardang.Web.Mail;

namespace Yardang.Web.Pages;

/// <summary>A teacher has forgotten the password: a link to set another goes to their address. Says the same whether there is such an account or not.</summary>
[EnableRateLimiting(AccountLimit.Asking)]
public sealed class ForgotModel(UserManager<Teacher> teachers, Outbox outbox, MailLimit limit, IStringLocalizer<UiTexts> texts) : PageModel
{
    /// <summary>Whether a link was asked for.</summary>
    public bool Asked { get; private set; }

    public async Task<IActionResult> OnPostAsync(string? email)
    {
        Asked = true;
        if (await teachers.FindByEmailAsync(email ?? "") is { EndsAt: null } teacher && limit.Allows(email!))
        {
            var token = await teachers.GeneratePasswordResetTokenAsync(teacher);
            await outbox.PutAsync(teacher.Email!, texts["Mail.Reset.Subject"], texts["Mail.Reset.Text", teacher.DisplayName], $"/reset?teacher={teacher.Id}&token={Uri.EscapeDataString(token)}");
        }

        return Page();
    }
}
