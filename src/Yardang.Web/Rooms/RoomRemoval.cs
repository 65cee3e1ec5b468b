using Microsoft.EntityFrameworkCore;
using Yardang.Data.Log;
using Yardang.Data.Media;
using Yardang.Data.School;

namespace Yardang.Web.Rooms;

/// <summary>Deletes rooms to which nothing leads any more: their logs, and the pictures that only they showed.</summary>
public sealed class RoomRemoval(IDbContextFactory<SchoolContext> school, RoomHosts hosts, IEventStore log, UnusedMedia unused, ILogger<RoomRemoval> logger)
{
    /// <summary>Deletes all rooms whose removal is noted. What a crash interrupts is done the next time.</summary>
    public async Task RunAsync()
    {
        await using var db = await school.CreateDbContextAsync();
        var rooms = await db.RoomRemovals.Select(r => r.Id).ToListAsync();
        var pictures = new HashSet<string>(StringComparer.Ordinal);
        foreach (var room in rooms.ToList())
        {
            try
            {
                await hosts.DropAsync(room);
                foreach (var bytes in log.Read(room, 0)) pictures.UnionWith(MediaMentions.In(bytes));
                log.Delete(room);
            }
            catch (Exception e) when (e is IOException or System.Data.Common.DbException)
            {
                // It stays noted, and is deleted the next time.
                rooms.Remove(room);
                logger.LogError(e, "Room {Room} was not deleted; it is tried again.", room);
            }
        }

        await db.KeptFiles.Where(f => rooms.Contains(f.RoomId)).ExecuteDeleteAsync();
        await unused.DeleteAsync(pictures);
        await db.RoomRemovals.Where(r => rooms.Contains(r.Id)).ExecuteDeleteAsync();
    }
}
