using Microsoft.EntityFrameworkCore;
using Yardang.Core.Boards;
using Yardang.Core.Lessons;
using Yardang.Core.Rooms;
using Yardang.Data.School;
using Yardang.Web.Rooms;

namespace Yardang.Web.Lessons;

/// <summary>Boards: copies of what was handed out, given what was handed out later, and followed for what waits on them.</summary>
public sealed class BoardRooms(IDbContextFactory<SchoolContext> school, LateChangeShelf lateChanges, FrozenVersions versions, WaitingWork waiting, NamesLookedFor names, ILogger<BoardRooms> logger) : IRoomKind
{
    public RoomKind Kind => RoomKind.Board;

    public async Task<Opening> OpenAsync(RoomRecord room, RoomHosts hosts)
    {
        await using var db = await school.CreateDbContextAsync();
        var content = await versions.OfAsync(await db.Lessons.Where(l => l.Id == room.OfId).Select(l => l.VersionId).SingleAsync());
        var pages = content.PagesOf(room.Part);
        var (allowed, isMasked) = (Allowed.Everything, false);
        var lesson = await hosts.GetAsync(room.OfId);
        await lesson.LookAsync(r => (allowed, isMasked) = (((Lesson)r).AllowedIn(room.Place), ((Lesson)r).NamesMasked));

        // Boards hide no names by themselves, as walls may.
        return new(() => new Board(pages), isMasked ? await names.InAsync(room.OfId, isMasked, allowed) : allowed);
    }

    public async Task LoadedAsync(RoomHost host, RoomRecord room, RoomHosts hosts)
    {
        waiting.Begin(host, room.OfId, hosts);
        try
        {
            await lateChanges.BringUpToDateAsync(await hosts.GetAsync(room.OfId), host);
        }
        catch (Exception e) when (e is FormatException or KeyNotFoundException or IOException)
        {
            // The work on it matters more than what was handed out later.
            logger.LogError(e, "Board {Board} was opened without what was handed out while its lesson ran.", host.Id);
        }
    }
}
