using System.Collections.Immutable;
using System.Globalization;
using Microsoft.EntityFrameworkCore;
using Yardang.Core.Activities;
using Yardang.Core.Boards;
using Yardang.Core.Editing;
using Yardang.Core.LateChanges;
using Yardang.Core.Lessons;
using Yardang.Core.Rooms;
using Yardang.Data.School;
using Yardang.Web.Rooms;

namespace Yardang.Web.Lessons;

/// <summary>Keeps what was handed out while a lesson ran, and brings boards up to date with it: those in use at once, the others when somebody opens them.</summary>
public sealed class LateChangeShelf(IDbContextFactory<SchoolContext> school, FrozenVersions versions)
{
    /// <summary>What a record holds.</summary>
    public static LateContent ContentOf(LateChangeRecord record) =>
        new(ActivityJson.ReadPart(record.Content), [.. record.Pages.Split(' ', StringSplitOptions.RemoveEmptyEntries).Select(p => long.Parse(p, CultureInfo.InvariantCulture))]);

    /// <summary>Keeps what is about to be handed out.</summary>
    public async Task<LateChangeRecord> KeepAsync(Guid lesson, string name, LateContent content)
    {
        var record = new LateChangeRecord
        {
            Id = Guid.CreateVersion7(),
            LessonId = lesson,
            Name = name,
            Content = ActivityJson.Write(content.Activity),
            Pages = string.Join(' ', content.Pages.Select(p => p.ToString(CultureInfo.InvariantCulture))),
        };
        await using var db = await school.CreateDbContextAsync();
        db.LateChanges.Add(record);
        await db.SaveChangesAsync();
        return record;
    }

    /// <summary>What was handed out in a lesson, by the ids under which it is kept.</summary>
    public async Task<IReadOnlyDictionary<Guid, LateChangeRecord>> OfAsync(Guid lesson)
    {
        await using var db = await school.CreateDbContextAsync();
        return await db.LateChanges.Where(c => c.LessonId == lesson).ToDictionaryAsync(c => c.Id);
    }

    // What of it concerns the boards of a part; null if nothing does. Marks alone stand on pages that boards of other parts do not have.
    private static LateContent? InPart(LateContent content, int part)
    {
        if (content.Pages.IsEmpty) return content;
        var activity = content.Activity.PagesOf(part);
        ImmutableArray<long> pages = [.. content.Pages.Where(id => activity.Pages.Any(p => p.Id == id))];
        return pages.IsEmpty ? null : new(activity, pages);
    }

    /// <summary>Gives a board what it lacks of its lesson's late changes, and takes from it what was taken back.</summary>
    public async Task BringUpToDateAsync(RoomHost lesson, RoomHost board)
    {
        ImmutableArray<LateChange> changes = [];
        await lesson.LookAsync(r => changes = [.. ((Lesson)r).LateChanges.Values]);
        if (changes.IsEmpty) return;

        await using var db = await school.CreateDbContextAsync();
        if (await db.Rooms.FindAsync(board.Id) is not { } record) return;
        var kept = (await OfAsync(record.OfId)).ToDictionary(k => k.Key, k => InPart(ContentOf(k.Value), record.Part));
        var meant = changes.Where(c => c.IsFor(record.Place) && kept[c.Content] is not null).ToList();
        if (meant.Count == 0) return;

        var has = ImmutableDictionary<int, Adopted>.Empty;
        await board.LookAsync(r => has = ((Board)r).Adopted.ToImmutableDictionary());
        var version = (await versions.OfAsync(await db.Lessons.Where(l => l.Id == record.OfId).Select(l => l.VersionId).SingleAsync())).PagesOf(record.Part);
        foreach (var change in meant.Where(c => !c.TakenBack && !has.ContainsKey(c.Number)))
        {
            ImmutableArray<ActivityContent> earlier = [version, .. changes.Where(c => c.Number < change.Number).Select(c => kept[c.Content]?.Activity).OfType<ActivityContent>()];
            await board.SubmitAsync(new Submission(0, 0, 0, change.Number, new AdoptLateChange(change.Number, kept[change.Content]!, earlier)), Actor.Program, CancellationToken.None);
        }

        foreach (var change in meant.Where(c => c.TakenBack && has.TryGetValue(c.Number, out var adopted) && !adopted.GivenUp)) await board.SubmitAsync(new GiveUpLateChange(change.Number), Actor.Program);
        await board.SubmitAsync(new SetKey(AnswerKey.Of(version, meant.Where(c => !c.TakenBack).Select(c => kept[c.Content]!))), Actor.Program);
    }
}
