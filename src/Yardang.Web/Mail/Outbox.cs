using Microsoft.EntityFrameworkCore;
using Yardang.Data.School;

namespace Yardang.Web.Mail;

/// <summary>Keeps what would be sent by mail. No mail leaves: in development the messages can be read on the outbox page.</summary>
public sealed class Outbox(IDbContextFactory<SchoolContext> school, TimeProvider clock)
{
    private const int Kept = 200;

    /// <summary>Puts a message there. The oldest make room.</summary>
    /// <param name="to">The address it is for.</param>
    /// <param name="subject">What it is about.</param>
    /// <param name="text">What it says.</param>
    /// <param name="link">The address to go on with.</param>
    public async Task PutAsync(string to, string subject, string text, string link)
    {
        await using var db = await school.CreateDbContextAsync();
        db.Outbox.Add(new MailRecord { Id = Guid.CreateVersion7(), To = to, Subject = subject, Text = text, Link = link, At = clock.GetUtcNow() });
        await db.SaveChangesAsync();
        var old = await db.Outbox.OrderByDescending(m => m.At).Skip(Kept).Select(m => m.Id).ToListAsync();
        if (old.Count > 0) await db.Outbox.Where(m => old.Contains(m.Id)).ExecuteDeleteAsync();
    }

    /// <summary>The messages, the latest first.</summary>
    public async Task<IReadOnlyList<MailRecord>> AllAsync()
    {
        await using var db = await school.CreateDbContextAsync();
        return await db.Outbox.OrderByDescending(m => m.At).ToListAsync();
    }
}
