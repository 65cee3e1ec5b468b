using Microsoft.EntityFrameworkCore;
using Yardang.Data.School;
using Yardang.Web.Lessons;
using Yardang.Web.Rooms;

namespace Yardang.Web.QuickStart;

/// <summary>Deletes what was begun without an account when its time is up: accounts, activities, lessons, people, all that was written, and its pictures.</summary>
public sealed class GuestSweeper(IDbContextFactory<SchoolContext> school, RoomRemoval removal, TimeProvider clock, ILogger<GuestSweeper> logger) : BackgroundService
{
    private static readonly TimeSpan s_every = TimeSpan.FromMinutes(1);

    /// <summary>Deletes what is due now.</summary>
    public async Task SweepAsync()
    {
        await using var db = await school.CreateDbContextAsync();
        var now = clock.GetUtcNow();
        foreach (var guest in await db.Users.Where(t => t.EndsAt <= now).Select(t => t.Id).ToListAsync()) await DeleteAsync(guest);
        await removal.RunAsync();
    }

    protected override async Task ExecuteAsync(CancellationToken stoppingToken)
    {
        using var timer = new PeriodicTimer(s_every);
        while (await timer.WaitForNextTickAsync(stoppingToken))
        {
            try
            {
                await SweepAsync();
            }
            catch (Exception e) when (e is not OperationCanceledException)
            {
                logger.LogError(e, "What was begun without an account was not deleted; the next try is in a minute.");
            }
        }
    }

    // First nobody is let in any more; then the rooms go, with what was written in them.
    private async Task DeleteAsync(Guid guest)
    {
        await using var db = await school.CreateDbContextAsync();
        var lessons = await db.Lessons.Where(l => l.OwnerId == guest).Select(l => l.Id).ToListAsync();
        var activities = await db.Activities.Where(a => a.OwnerId == guest).ToListAsync();
        var activityIds = activities.ConvertAll(a => a.Id);
        var drafts = await db.Rooms.Where(r => activityIds.Contains(r.OfId)).Select(r => r.Id).ToListAsync();
        await using (var together = await db.Database.BeginTransactionAsync())
        {
            await LessonRemoval.TakeOutAsync(db, lessons);
            await db.Rooms.Where(r => drafts.Contains(r.Id)).ExecuteDeleteAsync();
            await db.CoTeachers.Where(c => activityIds.Contains(c.OfId)).ExecuteDeleteAsync();

            // A colleague may have handed the guest's activity out to a class of their own.
            await db.Versions.Where(v => activityIds.Contains(v.ActivityId) && !db.Lessons.Any(l => l.VersionId == v.Id)).ExecuteDeleteAsync();
            await db.Activities.Where(a => a.OwnerId == guest).ExecuteDeleteAsync();
            await db.ClassEntries.Where(e => db.ClassLists.Any(l => l.Id == e.ListId && l.OwnerId == guest)).ExecuteDeleteAsync();
            await db.ClassLists.Where(l => l.OwnerId == guest).ExecuteDeleteAsync();
            await db.Users.Where(t => t.Id == guest).ExecuteDeleteAsync();
            db.RoomRemovals.AddRange(drafts.Select(room => new RoomRemovalRecord { Id = room }));
            await db.SaveChangesAsync();
            await together.CommitAsync();
        }

        logger.LogInformation("What a guest had begun was deleted: {Lessons} lessons, {Activities} activities.", lessons.Count, activities.Count);
    }
}
