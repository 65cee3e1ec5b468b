using Microsoft.EntityFrameworkCore;
using Yardang.Data.Log;
using Yardang.Data.Media;
using Yardang.Data.School;

namespace Yardang.Web.Rooms;

/// <summary>Deletes pictures, films and sounds that nothing shows any more.</summary>
public sealed class UnusedMedia(IDbContextFactory<SchoolContext> school, IEventStore log, MediaStore media)
{
    private const int MostAtOnce = 200;

    /// <summary>Of those with these names, deletes what is shown nowhere. The same picture is kept once, so somebody else's page may show it too: only if there are names, all that is stored is read through.</summary>
    public async Task DeleteAsync(IReadOnlySet<string> names)
    {
        if (names.Count == 0) return;
        var unused = new HashSet<string>(names, StringComparer.Ordinal);
        foreach (var bytes in log.ReadAll()) unused.ExceptWith(MediaMentions.In(bytes));
        await using var db = await school.CreateDbContextAsync();
        await foreach (var content in db.Versions.Select(v => v.Content).Concat(db.LateChanges.Select(c => c.Content)).AsAsyncEnumerable()) unused.ExceptWith(MediaMentions.In(content));
        foreach (var name in unused) media.Delete(name);
        foreach (var some in unused.Chunk(MostAtOnce)) await db.KeptFiles.Where(f => some.Contains(f.Name)).ExecuteDeleteAsync();
    }
}
