using System.Net;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using Yardang.Data.School;
using Yardang.Web.Mail;

namespace Yardang.Web.Pages;

/// <summary>The messages that would have been sent by mail. In development, on the machine itself.</summary>
public sealed class DevOutboxModel(Outbox outbox, IWebHostEnvironment environment) : PageModel
{
    public IReadOnlyList<MailRecord> Mail { get; private set; } = [];

    public async Task<IActionResult> OnGetAsync()
    {
        // The links in it open accounts: for whoever sits at this machine.
        if (!environment.IsDevelopment() || HttpContext.Connection.RemoteIpAddress is not { } from || !IPAddress.IsLoopback(from)) return NotFound();
        Mail = await outbox.AllAsync();
        return Page();
    }
}
