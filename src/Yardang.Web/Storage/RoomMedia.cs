using Microsoft.EntityFrameworkCore;
using Yardang.Core.Media;
using Yardang.Core.Pages;
using Yardang.Data.Media;
using Yardang.Data.School;

namespace Yardang.Web.Storage;

/// <summary>A file that was kept, or what has no room for it.</summary>
/// <param name="Name">Its name in the media store; empty if it was not kept.</param>
/// <param name="Full">What is full; null if it was kept.</param>
public readonly record struct KeptMedia(string Name, StorageOf? Full = null);

/// <summary>How much the files of a lesson or an activity take.</summary>
/// <param name="Id">Of the lesson or activity.</param>
/// <param name="Title">What it is called.</param>
/// <param name="IsLesson">Whether it is a lesson.</param>
/// <param name="Use">How much of what there is room for.</param>
public sealed record StorageShare(Guid Id, string Title, bool IsLesson, StorageUse Use);

/// <summary>How much the files of a teacher take: all together, and each lesson and activity, the largest first.</summary>
public sealed record TeacherStorage(StorageUse All, StorageUse School, IReadOnlyList<StorageShare> Shares)
{
    /// <summary>Those that are nearly used up, or are already.</summary>
    public IEnumerable<StorageShare> Near => Shares.Where(s => s.Use.IsNear);
}

/// <summary>Pictures, recordings and files of rooms: kept as long as lesson, teacher and school have room for them. A file counts in each room for which it was sent; on the disk it lies once.</summary>
public sealed class RoomMedia(IDbContextFactory<SchoolContext> school, MediaStore media, StorageLimits limits, TimeProvider clock)
{
    /// <summary>Keeps a file for a room, if there is room for it.</summary>
    public async Task<KeptMedia> KeepAsync(Guid room, byte[] bytes, CancellationToken stop)
    {
        await using var db = await school.CreateDbContextAsync(stop);
        var name = MediaName.Of(bytes).Text;
        if (await db.KeptFiles.AnyAsync(f => f.RoomId == room && f.Name == name, stop)) return new(name);
        if (await FullAsync(db, room, name, bytes.Length, stop) is { } full) return new("", full);
        await media.KeepAsync(bytes, stop);
        await NoteAsync(db, new() { RoomId = room, Name = name, Bytes = bytes.Length, KeptAt = clock.GetUtcNow() }, stop);
        return new(name);
    }

    /// <summary>What has no room for a file that a teacher begins something new with; null if all have.</summary>
    public async Task<StorageOf?> FullOfAsync(Guid owner, byte[] bytes)
    {
        if (bytes.Length > limits.Lesson) return StorageOf.Lesson;
        await using var db = await school.CreateDbContextAsync();
        return await FullOfAsync(db, owner, MediaName.Of(bytes).Text, bytes.Length, default);
    }

    /// <summary>Files that came with an archive count in a room that shows them.</summary>
    public async Task CountAsync(Guid room, IEnumerable<string> names)
    {
        await using var db = await school.CreateDbContextAsync();
        foreach (var name in names.Distinct(StringComparer.Ordinal))
        {
            if (media.FindFile(name) is { } file) await NoteAsync(db, new() { RoomId = room, Name = name, Bytes = new FileInfo(file).Length, KeptAt = clock.GetUtcNow(), IsShown = true }, default);
        }
    }

    /// <summary>How much the files of a teacher take.</summary>
    public async Task<TeacherStorage> OfTeacherAsync(Guid teacher)
    {
        await using var db = await school.CreateDbContextAsync();
        var sums = await FilesOfTeacher(db, teacher).Join(db.Rooms, f => f.RoomId, r => r.Id, (f, r) => new { r.OfId, f.Bytes }).GroupBy(x => x.OfId).Select(g => new { g.Key, Bytes = g.Sum(x => x.Bytes) }).ToDictionaryAsync(g => g.Key, g => g.Bytes);
        var lessons = await db.Lessons.AsNoTracking().Where(l => sums.Keys.Contains(l.Id)).ToListAsync();
        var activities = await db.Activities.AsNoTracking().Where(a => sums.Keys.Contains(a.Id)).ToListAsync();
        var shares = lessons.Select(l => (l.Id, l.Title, IsLesson: true)).Concat(activities.Select(a => (a.Id, Title: a.Name, IsLesson: false)))
            .Select(s => new StorageShare(s.Id, s.Title, s.IsLesson, new(sums[s.Id], limits.Lesson))).OrderByDescending(s => s.Use.Used).ToList();
        return new(new(sums.Values.Sum(), limits.Teacher), new(await SchoolAsync(db, default), limits.School), shares);
    }

    /// <summary>All that is kept for rooms of a teacher.</summary>
    internal static IQueryable<KeptFileRecord> FilesOfTeacher(SchoolContext db, Guid teacher) =>
        db.KeptFiles.Where(f => db.Rooms.Any(r => r.Id == f.RoomId && (db.Lessons.Any(l => l.Id == r.OfId && l.OwnerId == teacher) || db.Activities.Any(a => a.Id == r.OfId && a.OwnerId == teacher))));

    private async Task<StorageOf?> FullAsync(SchoolContext db, Guid room, string name, long more, CancellationToken stop)
    {
        var of = await db.Rooms.Where(r => r.Id == room)
            .Select(r => new { Id = r.OfId, Owner = (Guid?)db.Lessons.Where(l => l.Id == r.OfId).Select(l => l.OwnerId).Concat(db.Activities.Where(a => a.Id == r.OfId).Select(a => a.OwnerId)).FirstOrDefault() })
            .FirstOrDefaultAsync(stop);
        if (of is not { Owner: { } owner }) return null;
        if (await FilesOf(db, of.Id).SumAsync(f => f.Bytes, stop) + more > limits.Lesson) return StorageOf.Lesson;
        return await FullOfAsync(db, owner, name, more, stop);
    }

    private async Task<StorageOf?> FullOfAsync(SchoolContext db, Guid owner, string name, long more, CancellationToken stop)
    {
        if (await FilesOfTeacher(db, owner).SumAsync(f => f.Bytes, stop) + more > limits.Teacher) return StorageOf.Teacher;
        return media.FindFile(name) is null && await SchoolAsync(db, stop) + more > limits.School ? StorageOf.School : null;
    }

    private static async Task NoteAsync(SchoolContext db, KeptFileRecord file, CancellationToken stop)
    {
        db.KeptFiles.Add(file);
        try
        {
            await db.SaveChangesAsync(stop);
        }
        catch (DbUpdateException)
        {
            // The same file was sent twice at once: it counts once.
            db.ChangeTracker.Clear();
        }
    }

    private static IQueryable<KeptFileRecord> FilesOf(SchoolContext db, Guid lesson) => db.KeptFiles.Where(f => db.Rooms.Any(r => r.Id == f.RoomId && r.OfId == lesson));

    private static Task<long> SchoolAsync(SchoolContext db, CancellationToken stop) => db.KeptFiles.Select(f => new { f.Name, f.Bytes }).Distinct().SumAsync(f => f.Bytes, stop);
}
