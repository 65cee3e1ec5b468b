using System.Security.Claims;
using Microsoft.EntityFrameworkCore;
using Yardang.Data.School;

namespace Yardang.Web.QuickStart;

/// <summary>What somebody began without an account, when they sign in to one that they have: it comes along, and its lessons go on.</summary>
public sealed class GuestWork(IDbContextFactory<SchoolContext> school)
{
    /// <summary>Brings what whoever is signed in now has begun as a guest to a teacher. Nothing for those who are no guest.</summary>
    public async Task BringAsync(ClaimsPrincipal user, Teacher teacher)
    {
        if (!Guid.TryParse(user.FindFirstValue(ClaimTypes.NameIdentifier), out var guest) || guest == teacher.Id) return;
        await using var db = await school.CreateDbContextAsync();
        if (!await db.Users.AnyAsync(u => u.Id == guest && u.EndsAt != null)) return;
        await using var together = await db.Database.BeginTransactionAsync();
        await db.Activities.Where(a => a.OwnerId == guest).ExecuteUpdateAsync(a => a.SetProperty(x => x.OwnerId, teacher.Id));
        await db.Lessons.Where(l => l.OwnerId == guest).ExecuteUpdateAsync(l => l.SetProperty(x => x.OwnerId, teacher.Id));
        await db.ClassLists.Where(l => l.OwnerId == guest).ExecuteUpdateAsync(l => l.SetProperty(x => x.OwnerId, teacher.Id));

        // Who is invited already under their own account keeps that invitation.
        await db.CoTeachers.Where(c => c.TeacherId == guest && db.CoTeachers.Any(o => o.OfId == c.OfId && o.TeacherId == teacher.Id)).ExecuteDeleteAsync();
        await db.CoTeachers.Where(c => c.TeacherId == guest).ExecuteUpdateAsync(c => c.SetProperty(x => x.TeacherId, teacher.Id));
        await db.Users.Where(u => u.Id == guest).ExecuteDeleteAsync();
        await together.CommitAsync();
    }
}
