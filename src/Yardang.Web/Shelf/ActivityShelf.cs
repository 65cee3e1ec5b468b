using Microsoft.EntityFrameworkCore;
using Yardang.Core.Pages;
using Yardang.Data.School;
using Yardang.Web.Lessons;
using Yardang.Web.Rooms;

namespace Yardang.Web.Shelf;

/// <summary>An activity as it lies on the shelf.</summary>
/// <param name="Record">What is kept about it.</param>
/// <param name="ClassName">For whom it was last handed out; null if it never was.</param>
public sealed record ShelvedActivity(ActivityRecord Record, string? ClassName);

/// <summary>An activity of somebody else's.</summary>
/// <param name="Record">The activity.</param>
/// <param name="Owner">Whose it is.</param>
/// <param name="MayChange">Whether it may be changed and handed out, not only looked at.</param>
public sealed record SharedActivity(ActivityRecord Record, string Owner, bool MayChange);

/// <summary>
/// A teacher's activities: found by topic and by any word in them, doubled, put in the bin and taken out again, made a template. What can be
/// searched is a copy of what the drafts say (<see cref="DraftIndex"/>).
/// </summary>
public sealed class ActivityShelf(IDbContextFactory<SchoolContext> school, Projections projections, ActivityMaking making, TimeProvider clock)
{
    /// <summary>The longest topic, in characters.</summary>
    public const int TopicLength = 60;

    /// <summary>Activities that are not in the bin, the last used first. All words asked for must be in them.</summary>
    public async Task<IReadOnlyList<ShelvedActivity>> FindAsync(Guid owner, string? words, string? topic, bool bin = false)
    {
        await using var db = await school.CreateDbContextAsync();
        await projections.BringUpToDateAsync(await db.Activities.Where(a => a.OwnerId == owner).Select(a => a.DraftId).ToListAsync());
        var all = await db.Activities.Where(a => a.OwnerId == owner && (a.BinnedAt != null) == bin).ToListAsync();

        var asked = (words ?? "").Split(' ', StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries);
        var classes = await db.Lessons.Where(l => l.OwnerId == owner).OrderBy(l => l.HandedOutAt).Select(l => new { l.ActivityId, l.ClassName }).ToListAsync();
        return
        [
            .. all.Where(a => string.IsNullOrEmpty(topic) || string.Equals(a.Topic, topic, StringComparison.OrdinalIgnoreCase))
                .Where(a => asked.All(w => a.Words.Contains(w, StringComparison.CurrentCultureIgnoreCase) || a.Topic.Contains(w, StringComparison.CurrentCultureIgnoreCase)))
                .OrderByDescending(a => a.UsedAt)
                .Select(a => new ShelvedActivity(a, classes.LastOrDefault(c => c.ActivityId == a.Id)?.ClassName)),
        ];
    }

    /// <summary>Activities of others to which a teacher was invited.</summary>
    public async Task<IReadOnlyList<SharedActivity>> SharedWithAsync(Guid teacher)
    {
        await using var db = await school.CreateDbContextAsync();
        await projections.BringUpToDateAsync(await db.CoTeachers.Where(c => c.TeacherId == teacher).Join(db.Activities, c => c.OfId, a => a.Id, (_, a) => a.DraftId).ToListAsync());
        var shared = await db.CoTeachers.Where(c => c.TeacherId == teacher)
            .Join(db.Activities.Where(a => a.BinnedAt == null), c => c.OfId, a => a.Id, (c, a) => new { Activity = a, c.Role })
            .Join(db.Users, s => s.Activity.OwnerId, u => u.Id, (s, u) => new { s.Activity, s.Role, u.DisplayName }).ToListAsync();
        return [.. shared.OrderByDescending(s => s.Activity.UsedAt).Select(s => new SharedActivity(s.Activity, s.DisplayName, s.Role == CoTeacherRole.Runs))];
    }

    /// <summary>The topics under which a teacher keeps activities, in order.</summary>
    public async Task<IReadOnlyList<string>> TopicsAsync(Guid owner)
    {
        await using var db = await school.CreateDbContextAsync();
        var topics = await db.Activities.Where(a => a.OwnerId == owner && a.BinnedAt == null && a.Topic != "").Select(a => a.Topic).Distinct().ToListAsync();
        return [.. topics.Distinct(StringComparer.OrdinalIgnoreCase).Order(StringComparer.CurrentCultureIgnoreCase)];
    }

    /// <summary>A copy as it stands now, under the same topic.</summary>
    public async Task<ActivityRecord> DoubleAsync(ActivityRecord activity, Func<string, string> rename)
    {
        var content = await making.ContentAsync(activity);
        var name = content.Name.ByLanguage.Aggregate(Texts.None, (all, text) => all.With(text.Key, rename(text.Value)));
        var copy = await making.CreateAsync(activity.OwnerId, content with { Name = name });
        await ChangeAsync(copy.Id, a => a.Topic = activity.Topic);
        return copy;
    }

    /// <summary>Was opened or handed out.</summary>
    public Task UsedAsync(Guid activity) => ChangeAsync(activity, a => a.UsedAt = clock.GetUtcNow());

    /// <summary>Into the bin, or out of it. Lessons that run on it go on.</summary>
    public Task BinAsync(Guid activity, bool bin) => ChangeAsync(activity, a => a.BinnedAt = bin ? clock.GetUtcNow() : null);

    /// <summary>Under which topic it lies; empty for none.</summary>
    public Task SetTopicAsync(Guid activity, string? topic) =>
        ChangeAsync(activity, a => a.Topic = (topic ?? "").Trim() is var t && t.Length > TopicLength ? t[..TopicLength] : t);

    /// <summary>Whether new activities can begin with it.</summary>
    public Task SetTemplateAsync(Guid activity, bool template) => ChangeAsync(activity, a => a.IsTemplate = template);

    private async Task ChangeAsync(Guid id, Action<ActivityRecord> change)
    {
        await using var db = await school.CreateDbContextAsync();
        if (await db.Activities.FindAsync(id) is not { } activity) return;
        change(activity);
        await db.SaveChangesAsync();
    }
}
