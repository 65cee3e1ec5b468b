using Microsoft.EntityFrameworkCore;
using Yardang.Core.Boards;
using Yardang.Core.Drafts;
using Yardang.Core.Lessons;
using Yardang.Core.Rooms;
using Yardang.Data.School;
using Yardang.Web.Lessons;

namespace Yardang.Web.Rooms;

/// <summary>Finds rooms in the school's tables: what a board is a copy of, and what its lesson allows now.</summary>
public sealed class SchoolRooms(IDbContextFactory<SchoolContext> school, LessonConduct conduct, LateChangeShelf lateChanges, FrozenVersions versions, WaitingWork waiting, ILogger<SchoolRooms> logger) : IRoomSource
{
    public async Task<(Func<Room> Create, Conditions Conditions)?> FindAsync(Guid room, RoomHosts hosts)
    {
        await using var db = await school.CreateDbContextAsync();
        if (await db.Lessons.AnyAsync(l => l.Id == room)) return (() => new Lesson(), Conditions.Open);
        if (await db.Activities.AnyAsync(a => a.DraftId == room)) return (() => new Draft(), Conditions.Open);
        var board = await db.Boards.Where(b => b.Id == room)
            .Join(db.Lessons, b => b.LessonId, l => l.Id, (b, l) => new { b.LessonId, l.VersionId })
            .SingleOrDefaultAsync();
        if (board is null) return null;

        var content = await versions.OfAsync(board.VersionId);
        var conditions = Conditions.Open;
        var lesson = await hosts.GetAsync(board.LessonId);
        await lesson.LookAsync(r => conditions = ((Lesson)r).Conditions);
        return (() => new Board(content), conditions);
    }

    public async Task LoadedAsync(RoomHost host, RoomHosts hosts)
    {
        if (host.Kind == RoomKind.Lesson) conduct.Begin(host, hosts);
        if (host.Kind != RoomKind.Board) return;
        await using var db = await school.CreateDbContextAsync();
        var lesson = await db.Boards.Where(b => b.Id == host.Id).Select(b => b.LessonId).SingleAsync();
        waiting.Begin(host, lesson, hosts);
        try
        {
            await lateChanges.BringUpToDateAsync(await hosts.GetAsync(lesson), host);
        }
        catch (Exception e) when (e is FormatException or KeyNotFoundException or IOException)
        {
            // The work on it matters more than what was handed out later.
            logger.LogError(e, "Board {Board} was opened without what was handed out while its lesson ran.", host.Id);
        }
    }
}
