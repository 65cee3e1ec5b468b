using Microsoft.EntityFrameworkCore;
using Yardang.Data.School;

namespace Yardang.Web.Lessons;

/// <summary>Takes lessons out of the tables, with their people. Their rooms are noted, and deleted by <see cref="Rooms.RoomRemoval"/>.</summary>
public static class LessonRemoval
{
    /// <summary>Takes lessons out, within a transaction that the caller ends.</summary>
    public static async Task TakeOutAsync(SchoolContext db, IReadOnlyCollection<Guid> lessons)
    {
        var rooms = await db.Rooms.Where(r => lessons.Contains(r.OfId)).Select(r => r.Id).ToListAsync();
        await db.Seats.Where(s => rooms.Contains(s.BoardId)).ExecuteDeleteAsync();
        await db.Participants.Where(p => lessons.Contains(p.LessonId)).ExecuteDeleteAsync();
        await db.BoardSummaries.Where(s => rooms.Contains(s.BoardId)).ExecuteDeleteAsync();
        await db.Rooms.Where(r => rooms.Contains(r.Id)).ExecuteDeleteAsync();
        await db.LateChanges.Where(c => lessons.Contains(c.LessonId)).ExecuteDeleteAsync();
        await db.CoTeachers.Where(c => lessons.Contains(c.OfId)).ExecuteDeleteAsync();
        await db.Lessons.Where(l => lessons.Contains(l.Id)).ExecuteDeleteAsync();
        db.RoomRemovals.AddRange(rooms.Select(room => new RoomRemovalRecord { Id = room }));
        await db.SaveChangesAsync();
    }
}
