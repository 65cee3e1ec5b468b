using System.Security.Cryptography;
using Microsoft.EntityFrameworkCore;
using Yardang.Core.Activities;
using Yardang.Core.Drafts;
using Yardang.Core.Interchange;
using Yardang.Core.Lessons;
using Yardang.Core.Marks;
using Yardang.Core.Rooms;
using Yardang.Data.Media;
using Yardang.Data.School;
using Yardang.Rendering;
using Yardang.Web.Rooms;

namespace Yardang.Web.Lessons;

/// <summary>Starts activities, and hands them out: freezes a version and opens a lesson on it.</summary>
public sealed class Handing(IDbContextFactory<SchoolContext> school, RoomHosts hosts, MediaStore media, TimeProvider clock)
{
    /// <summary>Puts a new activity on a teacher's desk.</summary>
    public async Task<ActivityRecord> CreateAsync(Guid owner, ActivityContent content)
    {
        var activity = new ActivityRecord
        {
            Id = Guid.CreateVersion7(),
            OwnerId = owner,
            DraftId = Guid.CreateVersion7(),
            CreatedAt = clock.GetUtcNow(),
        };
        await using (var db = await school.CreateDbContextAsync())
        {
            db.Activities.Add(activity);
            await db.SaveChangesAsync();
        }

        var draft = await hosts.GetAsync(activity.DraftId);
        await draft.SubmitAsync(new StartDraft(content), Actor.Program);
        return activity;
    }

    /// <summary>Puts an activity from an archive on a teacher's desk. Its pictures are taken in anew: what is no picture is left out.</summary>
    public async Task<ActivityRecord> ImportAsync(Guid owner, ArchivedActivity archived)
    {
        var names = new Dictionary<string, string>(StringComparer.Ordinal);
        foreach (var (name, bytes) in archived.Pictures)
        {
            if (PictureIntake.Take(bytes).Picture is { } picture) names[name] = await media.KeepAsync(picture.Bytes);
        }

        var marks = archived.Activity.Marks
            .Where(m => m.Body is not PictureBody p || names.ContainsKey(p.Media))
            .Select(m => m.Body is PictureBody p ? m with { Body = p with { Media = names[p.Media] } } : m);
        return await CreateAsync(owner, archived.Activity with { Marks = [.. marks] });
    }

    /// <summary>The activity as it stands in the workshop.</summary>
    public async Task<ActivityContent> ContentAsync(ActivityRecord activity)
    {
        var draft = await hosts.GetAsync(activity.DraftId);
        ActivityContent? content = null;
        await draft.LookAsync(r => content = ((Draft)r).Content());
        return content!;
    }

    /// <summary>Hands an activity out: what it says now is frozen, and later changes in the workshop do not touch the lesson.</summary>
    public async Task<LessonRecord> HandOutAsync(ActivityRecord activity, string className, Door door, Way way, string language)
    {
        var content = await ContentAsync(activity);
        var json = ActivityJson.Write(content);
        var hash = Convert.ToHexString(SHA256.HashData(json));
        await using var db = await school.CreateDbContextAsync();
        var version = await db.Versions.SingleOrDefaultAsync(v => v.ActivityId == activity.Id && v.Hash == hash);
        if (version is null)
        {
            version = new VersionRecord { Id = Guid.CreateVersion7(), ActivityId = activity.Id, Hash = hash, Content = json, FrozenAt = clock.GetUtcNow() };
            db.Versions.Add(version);
        }

        var lesson = new LessonRecord
        {
            Id = Guid.CreateVersion7(),
            OwnerId = activity.OwnerId,
            ActivityId = activity.Id,
            VersionId = version.Id,
            Code = JoinCode.New(),
            Name = content.Name.For(language),
            ClassName = className,
            HandedOutAt = clock.GetUtcNow(),
            Way = way,
            TogetherId = way == Way.AllTogether ? Guid.CreateVersion7() : null,
        };
        db.Lessons.Add(lesson);
        if (lesson.TogetherId is { } together) db.Boards.Add(new BoardRecord { Id = together, LessonId = lesson.Id });
        await db.SaveChangesAsync();

        var room = await hosts.GetAsync(lesson.Id);
        await room.SubmitAsync(new OpenLesson(), Actor.Program);
        if (door != Door.Open) await room.SubmitAsync(new SetDoor(door), Actor.Program);
        return lesson;
    }
}
