using Microsoft.EntityFrameworkCore;
using Yardang.Data.School;
using Yardang.Web.PersonalData;
using Yardang.Web.Rooms;

namespace Yardang.Web.QuickStart;

/// <summary>Deletes what was begun without an account when its time is up: accounts, activities, lessons, people, all that was written, and its pictures.</summary>
public sealed class GuestSweeper(IDbContextFactory<SchoolContext> school, AccountRemoval accounts, RoomRemoval removal, TimeProvider clock, ILogger<GuestSweeper> logger) : BackgroundService
{
    private static readonly TimeSpan s_every = TimeSpan.FromMinutes(1);

    /// <summary>Deletes what is due now.</summary>
    public async Task SweepAsync()
    {
        await using var db = await school.CreateDbContextAsync();
        var now = clock.GetUtcNow();
        foreach (var guest in await db.Users.Where(t => t.EndsAt <= now).Select(t => t.Id).ToListAsync()) await accounts.TakeOutAsync(guest);
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
}
