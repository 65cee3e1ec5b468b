using Microsoft.EntityFrameworkCore;
using Yardang.Data.Log;
using Yardang.Data.Media;
using Yardang.Data.School;
using Yardang.Web.Rooms;

namespace Yardang.Web.Storage;

/// <summary>Removes files that were sent for a room and never put up there: after thirty days, in which whoever sent one may still put it up.</summary>
public sealed class UnshownMedia(IDbContextFactory<SchoolContext> school, IEventStore log, UnusedMedia unused, TimeProvider clock, ILogger<UnshownMedia> logger) : BackgroundService
{
    /// <summary>How long a file waits to be put up.</summary>
    public static readonly TimeSpan Waits = TimeSpan.FromDays(30);

    private static readonly TimeSpan s_every = TimeSpan.FromHours(6);

    /// <summary>Removes what has waited so long.</summary>
    public async Task SweepAsync(DateTimeOffset now)
    {
        await using var db = await school.CreateDbContextAsync();
        var before = now - Waits;
        var waiting = await db.KeptFiles.Where(f => !f.IsShown && f.KeptAt < before).ToListAsync();
        var gone = new HashSet<string>(StringComparer.Ordinal);
        foreach (var room in waiting.GroupBy(f => f.RoomId))
        {
            var names = room.Select(f => f.Name).ToHashSet(StringComparer.Ordinal);
            foreach (var bytes in log.Read(room.Key, 0)) names.ExceptWith(MediaMentions.In(bytes));
            foreach (var file in room)
            {
                if (names.Contains(file.Name)) db.KeptFiles.Remove(file);
                else file.IsShown = true;
            }

            gone.UnionWith(names);
        }

        await db.SaveChangesAsync();
        await unused.DeleteAsync(gone);
    }

    protected override async Task ExecuteAsync(CancellationToken stoppingToken)
    {
        using var timer = new PeriodicTimer(s_every, clock);
        do
        {
            try
            {
                await SweepAsync(clock.GetUtcNow());
            }
            catch (Exception e) when (e is IOException or System.Data.Common.DbException)
            {
                logger.LogError(e, "Files that nobody put up were not removed; it is tried again.");
            }
        }
        while (await timer.WaitForNextTickAsync(stoppingToken));
    }
}
