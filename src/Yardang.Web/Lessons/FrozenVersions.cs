using System.Collections.Concurrent;
using Microsoft.EntityFrameworkCore;
using Yardang.Core.Activities;
using Yardang.Data.School;

namespace Yardang.Web.Lessons;

/// <summary>Versions that were handed out, read once for all boards and pages that need them: they never change.</summary>
public sealed class FrozenVersions(IDbContextFactory<SchoolContext> school)
{
    // As many lessons as run at once in a school; when there are more, all are read anew.
    private const int Kept = 64;

    private readonly ConcurrentDictionary<Guid, Task<ActivityContent>> _read = new();

    /// <summary>What a version says.</summary>
    public async Task<ActivityContent> OfAsync(Guid version)
    {
        if (_read.Count > Kept) _read.Clear();
        var reading = _read.GetOrAdd(version, id => ForMany.BeginAsync(() => ReadAsync(id)));
        try
        {
            return await reading;
        }
        catch
        {
            _read.TryRemove(new(version, reading));
            throw;
        }
    }

    private async Task<ActivityContent> ReadAsync(Guid version)
    {
        await using var db = await school.CreateDbContextAsync();
        return ActivityJson.Read(await db.Versions.Where(v => v.Id == version).Select(v => v.Content).SingleAsync());
    }
}
