using System.Collections.Immutable;
using System.Text.Json;
using Microsoft.EntityFrameworkCore;
using Yardang.Core.ClassLists;
using Yardang.Data.School;

namespace Yardang.Web.ClassLists;

/// <summary>A teacher's class lists.</summary>
public sealed class ClassListShelf(IDbContextFactory<SchoolContext> school, TimeProvider clock)
{
    /// <summary>The longest name of a class, in characters.</summary>
    public const int NameLength = 60;

    /// <summary>All of a teacher's lists with the number of people on them, by name.</summary>
    public async Task<IReadOnlyList<(ClassListRecord List, int People)>> OfAsync(Guid owner)
    {
        await using var db = await school.CreateDbContextAsync();
        var lists = await db.ClassLists.Where(c => c.OwnerId == owner).OrderBy(c => c.Name)
            .Select(c => new { List = c, People = db.ClassEntries.Count(e => e.ListId == c.Id) }).ToListAsync();
        return [.. lists.Select(l => (l.List, l.People))];
    }

    /// <summary>A list of this teacher; null otherwise.</summary>
    public async Task<ClassListRecord?> FindAsync(Guid owner, Guid list)
    {
        await using var db = await school.CreateDbContextAsync();
        return await db.ClassLists.SingleOrDefaultAsync(c => c.Id == list && c.OwnerId == owner);
    }

    /// <summary>Who is on it, by number.</summary>
    public async Task<IReadOnlyList<ClassEntry>> EntriesAsync(Guid list)
    {
        await using var db = await school.CreateDbContextAsync();
        return await db.ClassEntries.Where(e => e.ListId == list).OrderBy(e => e.Number).Select(e => new ClassEntry(e.Number, e.Name, e.Level, e.Language)).ToListAsync();
    }

    /// <summary>Keeps a new list, or puts other people on one. Lessons that run on it keep theirs.</summary>
    public async Task<Guid> KeepAsync(Guid owner, Guid? list, string name, IEnumerable<ClassEntry> entries, bool firstNamesOnly = false)
    {
        await using var db = await school.CreateDbContextAsync();
        var record = list is { } id ? await db.ClassLists.SingleAsync(c => c.Id == id && c.OwnerId == owner) : null;
        if (record is null) db.ClassLists.Add(record = new ClassListRecord { Id = Guid.CreateVersion7(), OwnerId = owner, Name = name, ChangedAt = clock.GetUtcNow() });
        (record.Name, record.ChangedAt, record.FirstNamesOnly) = (name, clock.GetUtcNow(), firstNamesOnly);
        await using var change = await db.Database.BeginTransactionAsync();
        await db.ClassEntries.Where(e => e.ListId == record.Id).ExecuteDeleteAsync();
        db.ClassEntries.AddRange(entries.Select(e => new ClassEntryRecord { ListId = record.Id, Number = e.Number, Name = e.Name, Level = e.Level, Language = e.Language }));
        await db.SaveChangesAsync();
        await change.CommitAsync();
        return record.Id;
    }

    /// <summary>The groups planned for several lessons: for each its groups, of roster numbers. Empty if none are, or if they can no longer be read.</summary>
    public static ImmutableArray<ImmutableArray<ImmutableArray<int>>> PlanOf(ClassListRecord list) =>
        list.Plan.Length == 0 ? [] : [.. JsonSerializer.Deserialize<int[][][]>(list.Plan)!.Select(lesson => lesson.Select(group => group.ToImmutableArray()).ToImmutableArray())];

    /// <summary>Keeps wishes, and the groups planned by them.</summary>
    public async Task KeepPlanAsync(Guid owner, Guid list, string together, string apart, ImmutableArray<ImmutableArray<ImmutableArray<int>>> plan)
    {
        await using var db = await school.CreateDbContextAsync();
        var json = plan.IsEmpty ? "" : JsonSerializer.Serialize(plan);
        await db.ClassLists.Where(c => c.Id == list && c.OwnerId == owner)
            .ExecuteUpdateAsync(c => c.SetProperty(x => x.Together, together).SetProperty(x => x.Apart, apart).SetProperty(x => x.Plan, json));
    }

    /// <summary>Keeps who sits where.</summary>
    public async Task KeepSeatsAsync(Guid owner, Guid list, SeatingPlan plan)
    {
        await using var db = await school.CreateDbContextAsync();
        var text = plan.Write();
        await db.ClassLists.Where(c => c.Id == list && c.OwnerId == owner).ExecuteUpdateAsync(c => c.SetProperty(x => x.Seats, text));
    }

    /// <summary>Deletes a list for good. The names in lessons that ran on it stay there.</summary>
    public async Task DeleteAsync(Guid owner, Guid list)
    {
        await using var db = await school.CreateDbContextAsync();
        if (await db.ClassLists.Where(c => c.Id == list && c.OwnerId == owner).ExecuteDeleteAsync() == 0) return;
        await db.ClassEntries.Where(e => e.ListId == list).ExecuteDeleteAsync();
    }
}
