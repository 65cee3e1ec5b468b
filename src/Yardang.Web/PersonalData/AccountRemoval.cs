using Microsoft.EntityFrameworkCore;
using Yardang.Data.School;
using Yardang.Web.Lessons;
using Yardang.Web.Rooms;
using Yardang.Web.Storage;

namespace Yardang.Web.PersonalData;

/// <summary>How much hangs on an account, and goes with it.</summary>
public sealed record AccountHolds(int Lessons, int Activities, int ClassLists);

/// <summary>Deletes a teacher's account with all that hangs on it: activities, class lists, lessons, people, all that was written, and its files.</summary>
public sealed class AccountRemoval(IDbContextFactory<SchoolContext> school, RoomRemoval removal, DataFolder folder, ILogger<AccountRemoval> logger)
{
    /// <summary>What would go.</summary>
    public async Task<AccountHolds> HoldsAsync(Guid teacher)
    {
        await using var db = await school.CreateDbContextAsync();
        return new(await db.Lessons.CountAsync(l => l.OwnerId == teacher), await db.Activities.CountAsync(a => a.OwnerId == teacher), await db.ClassLists.CountAsync(l => l.OwnerId == teacher));
    }

    /// <summary>Deletes it. First nobody is let in any more; then the rooms go, with what was written in them.</summary>
    public async Task DeleteAsync(Guid teacher)
    {
        await TakeOutAsync(teacher);
        await removal.RunAsync();
    }

    /// <summary>The same, with the rooms noted to be deleted by <see cref="RoomRemoval"/>.</summary>
    public async Task TakeOutAsync(Guid teacher)
    {
        await using var db = await school.CreateDbContextAsync();
        var lessons = await db.Lessons.Where(l => l.OwnerId == teacher).Select(l => l.Id).ToListAsync();
        var activities = await db.Activities.Where(a => a.OwnerId == teacher).Select(a => a.Id).ToListAsync();
        var drafts = await db.Rooms.Where(r => activities.Contains(r.OfId)).Select(r => r.Id).ToListAsync();
        var archives = await db.DeletedLessons.Where(d => d.OwnerId == teacher).Select(d => d.Id).ToListAsync();
        await using (var together = await db.Database.BeginTransactionAsync())
        {
            await LessonRemoval.TakeOutAsync(db, lessons);
            await db.Rooms.Where(r => drafts.Contains(r.Id)).ExecuteDeleteAsync();
            await db.CoTeachers.Where(c => activities.Contains(c.OfId) || c.TeacherId == teacher).ExecuteDeleteAsync();

            // A colleague may have handed the activity out to a class of their own.
            await db.Versions.Where(v => activities.Contains(v.ActivityId) && !db.Lessons.Any(l => l.VersionId == v.Id)).ExecuteDeleteAsync();
            await db.Activities.Where(a => a.OwnerId == teacher).ExecuteDeleteAsync();
            await db.ClassEntries.Where(e => db.ClassLists.Any(l => l.Id == e.ListId && l.OwnerId == teacher)).ExecuteDeleteAsync();
            await db.ClassLists.Where(l => l.OwnerId == teacher).ExecuteDeleteAsync();
            await db.DeletedLessons.Where(d => d.OwnerId == teacher).ExecuteDeleteAsync();
            await db.Users.Where(t => t.Id == teacher).ExecuteDeleteAsync();
            db.RoomRemovals.AddRange(drafts.Select(room => new RoomRemovalRecord { Id = room }));
            await db.SaveChangesAsync();
            await together.CommitAsync();
        }

        foreach (var archive in archives.Select(folder.ArchiveOf).Where(File.Exists)) File.Delete(archive);
        logger.LogInformation("An account was deleted: {Lessons} lessons, {Activities} activities.", lessons.Count, activities.Count);
    }
}
