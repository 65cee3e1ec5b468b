using System.Security.Cryptography;
using Microsoft.EntityFrameworkCore;
using Yardang.Core.Activities;
using Yardang.Core.Drafts;
using Yardang.Core.Editing;
using Yardang.Core.Interchange;
using Yardang.Core.Rooms;
using Yardang.Data.School;
using Yardang.Web.Rooms;
using Yardang.Web.Storage;

namespace Yardang.Web.Shelf;

/// <summary>Begins activities, and keeps what they say: frozen versions, and earlier ones put back.</summary>
public sealed class ActivityMaking(IDbContextFactory<SchoolContext> school, RoomHosts hosts, ArchivedMedia media, RoomMedia kept, TimeProvider clock)
{
    /// <summary>Puts a new activity on a teacher's desk.</summary>
    /// <exception cref="FormatException">It is none that the rules allow; the message says where.</exception>
    public async Task<ActivityRecord> CreateAsync(Guid owner, ActivityContent content)
    {
        if (ContentRules.FaultIn(content) is { } fault) throw new FormatException(fault.Sentence);
        var activity = new ActivityRecord
        {
            Id = Guid.CreateVersion7(),
            OwnerId = owner,
            DraftId = Guid.CreateVersion7(),
            CreatedAt = clock.GetUtcNow(),
            UsedAt = clock.GetUtcNow(),
        };
        await using (var db = await school.CreateDbContextAsync())
        {
            db.Activities.Add(activity);
            db.Rooms.Add(RoomRecord.OfDraft(activity));
            await db.SaveChangesAsync();
        }

        var draft = await hosts.GetAsync(activity.DraftId);
        await draft.SubmitAsync(new StartDraft(content), Actor.Program);
        return activity;
    }

    /// <summary>Puts an activity from an archive on a teacher's desk. Its files are looked at anew: what is no picture, film or sound, and no file that may be taken along, is left out.</summary>
    public async Task<ActivityRecord> ImportAsync(Guid owner, ArchivedActivity archived)
    {
        var names = await media.TakeAsync(archived.Media);
        var activity = await CreateAsync(owner, ArchivedMedia.WithMedia(archived.Activity, names));
        await kept.CountAsync(activity.DraftId, names.Values);
        return activity;
    }

    /// <summary>The activity as it stands in the workshop.</summary>
    public async Task<ActivityContent> ContentAsync(ActivityRecord activity)
    {
        var draft = await hosts.GetAsync(activity.DraftId);
        ActivityContent? content = null;
        await draft.LookAsync(r => content = ((Draft)r).Content());
        return content!;
    }

    /// <summary>Keeps what the activity says now, under a name.</summary>
    public async Task KeepVersionAsync(ActivityRecord activity, string name)
    {
        await using var db = await school.CreateDbContextAsync();
        (await FreezeAsync(db, activity, await ContentAsync(activity))).Name = name;
        await db.SaveChangesAsync();
    }

    /// <summary>Puts an earlier version in place of what the activity says, which is kept as a version too.</summary>
    /// <exception cref="FormatException">It was frozen by a program that allowed what the rules no longer do; nothing has changed.</exception>
    public async Task RestoreAsync(ActivityRecord activity, VersionRecord earlier, string nameOfNow)
    {
        var content = ActivityJson.Read(earlier.Content);
        if (ContentRules.FaultIn(content) is { } fault) throw new FormatException(fault.Sentence);
        await using var db = await school.CreateDbContextAsync();
        var now = await FreezeAsync(db, activity, await ContentAsync(activity));
        if (now.Name.Length == 0) now.Name = nameOfNow;
        await db.SaveChangesAsync();
        var draft = await hosts.GetAsync(activity.DraftId);
        await draft.SubmitAsync(new ReplaceDraft(content), Actor.Program);
    }

    /// <summary>The version that says what the activity says; made if there is none. Saved with the context.</summary>
    public async Task<VersionRecord> FreezeAsync(SchoolContext db, ActivityRecord activity, ActivityContent content)
    {
        var json = ActivityJson.Write(content);
        var hash = Convert.ToHexString(SHA256.HashData(json));
        var version = await db.Versions.SingleOrDefaultAsync(v => v.ActivityId == activity.Id && v.Hash == hash);
        if (version is not null) return version;
        version = new VersionRecord { Id = Guid.CreateVersion7(), ActivityId = activity.Id, Hash = hash, Content = json, FrozenAt = clock.GetUtcNow() };
        db.Versions.Add(version);
        return version;
    }
}
