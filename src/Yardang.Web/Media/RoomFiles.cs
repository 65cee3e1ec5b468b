using System.Collections.Concurrent;
using Microsoft.EntityFrameworkCore;
using Yardang.Data.Log;
using Yardang.Data.Media;
using Yardang.Data.School;
using Yardang.Web.Storage;

namespace Yardang.Web.Media;

/// <summary>Which files a room gives to those who may look at it: an address that was seen in the lesson of one teacher does not work in that of another.</summary>
public sealed class RoomFiles(IDbContextFactory<SchoolContext> school, IEventStore log)
{
    // A colleague's activity brings files of theirs along. To know that a room shows one, what was stored of the lesson is read through.
    private const int MostRemembered = 10_000;
    private readonly ConcurrentDictionary<(Guid Room, string Name), bool> _shown = new();

    /// <summary>Whether a room gives a file: one that was kept for its owner, one that the lesson or activity shows, or one of which nothing is known.</summary>
    public async Task<bool> GivesAsync(Guid room, string name)
    {
        if (_shown.ContainsKey((room, name))) return true;
        await using var db = await school.CreateDbContextAsync();
        if (!await db.KeptFiles.AnyAsync(f => f.Name == name)) return true;
        var of = await db.Rooms.Where(r => r.Id == room).Select(r => r.OfId).SingleAsync();
        var owner = await db.Lessons.Where(l => l.Id == of).Select(l => l.OwnerId).Concat(db.Activities.Where(a => a.Id == of).Select(a => a.OwnerId)).SingleAsync();
        if (await RoomMedia.FilesOfTeacher(db, owner).AnyAsync(f => f.Name == name)) return true;
        if (!await IsShownAsync(db, of, name)) return false;
        if (_shown.Count >= MostRemembered) _shown.Clear();
        return _shown[(room, name)] = true;
    }

    private async Task<bool> IsShownAsync(SchoolContext db, Guid of, string name)
    {
        var contents = db.Versions.Where(v => db.Lessons.Any(l => l.Id == of && l.VersionId == v.Id)).Select(v => v.Content).Concat(db.LateChanges.Where(c => c.LessonId == of).Select(c => c.Content));
        var rooms = await db.RoomsOf(of).Select(r => r.Id).ToListAsync();
        return (await contents.ToListAsync()).Concat(rooms.SelectMany(r => log.Read(r, 0))).Any(bytes => MediaMentions.In(bytes).Contains(name, StringComparer.Ordinal));
    }
}
