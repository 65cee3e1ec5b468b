using System.Globalization;
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

/// <summary>How an activity is to be handed out.</summary>
/// <param name="ClassName">For whom, in the teacher's words; may be empty.</param>
/// <param name="Door">Whether newcomers walk in.</param>
/// <param name="Way">Who works with whom.</param>
/// <param name="Masked">Whether classmates see masks instead of names.</param>
/// <param name="Password">What newcomers type besides the code; null for none.</param>
/// <param name="ClassList">Who is expected; null if nobody in particular is.</param>
/// <param name="Times">When it opens, is due and closes.</param>
/// <param name="Introduction">How newcomers say who they are.</param>
/// <param name="At">When it was handed out; null for now.</param>
public sealed record HandOutOrder(
    string ClassName, Door Door = Door.Open, Way Way = Way.OneEach, bool Masked = false, string? Password = null, ClassListRecord? ClassList = null,
    LessonTimes? Times = null, Introduction Introduction = Introduction.Name, DateTimeOffset? At = null);

/// <summary>Starts activities, and hands them out: freezes a version and opens a lesson on it.</summary>
public sealed class Handing(IDbContextFactory<SchoolContext> school, RoomHosts hosts, MediaStore media, TimeProvider clock)
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

    /// <summary>Puts an activity from an archive on a teacher's desk. Its files are looked at anew: what is no picture, film or sound is left out.</summary>
    public async Task<ActivityRecord> ImportAsync(Guid owner, ArchivedActivity archived)
    {
        var names = await TakeMediaAsync(archived.Media);
        return await CreateAsync(owner, WithMedia(archived.Activity, names));
    }

    /// <summary>Takes files of an archive in, and gives the names under which they are kept now, by those they had.</summary>
    public async Task<IReadOnlyDictionary<string, string>> TakeMediaAsync(IReadOnlyDictionary<string, byte[]> files)
    {
        var names = new Dictionary<string, string>(StringComparer.Ordinal);
        foreach (var (name, bytes) in files)
        {
            var kept = PictureIntake.TakeAgain(bytes) ?? (MediaType.Of(bytes) is { } type && !type.StartsWith("image/", StringComparison.Ordinal) ? bytes : null);
            if (kept is not null) names[name] = await media.KeepAsync(kept);
        }

        return names;
    }

    /// <summary>An activity with the names under which its files are kept now; without those that are not.</summary>
    public static ActivityContent WithMedia(ActivityContent activity, IReadOnlyDictionary<string, string> names)
    {
        var marks = activity.Marks.Select(m => m.Body.WithMedia(names) is { } body ? m with { Body = body } : null).OfType<Mark>();
        return activity with { Pages = [.. activity.Pages.Select(p => WithMedia(p, names))], Marks = [.. marks] };
    }

    private static Page WithMedia(Page page, IReadOnlyDictionary<string, string> names)
    {
        if (page.Paper.Media is { } picture) page = page with { Paper = names.TryGetValue(picture, out var kept) ? page.Paper with { Media = kept } : Paper.Plain };
        if (page.Stimulus is { Kind: not StimulusKind.Link } beside) page = page with { Stimulus = names.TryGetValue(beside.Source, out var kept) ? beside with { Source = kept } : null };
        return page;
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
    public async Task<LessonRecord> HandOutAsync(ActivityRecord activity, HandOutOrder order, string language, Guid? owner = null)
    {
        var content = await ContentAsync(activity);
        await using var db = await school.CreateDbContextAsync();
        var version = await FreezeAsync(db, activity, content);
        var lesson = new LessonRecord
        {
            Id = Guid.CreateVersion7(),
            OwnerId = owner ?? activity.OwnerId,
            ActivityId = activity.Id,
            VersionId = version.Id,
            Code = JoinCode.New(),
            Name = content.Name.For(language),
            Names = content.Name,
            Language = language,
            ClassName = order.ClassName,
            HandedOutAt = order.At ?? clock.GetUtcNow(),
            Way = order.Way,
            TogetherId = order.Way == Way.AllTogether ? Guid.CreateVersion7() : null,
            ClassListId = order.ClassList?.Id,
            Introduction = order.Introduction,
        };
        lesson.PasswordHash = LessonPassword.Hash(lesson, order.Password);
        db.Lessons.Add(lesson);
        db.Rooms.Add(RoomRecord.OfLesson(lesson));
        db.Attach(activity).Entity.UsedAt = clock.GetUtcNow();
        if (lesson.TogetherId is { } together) db.Rooms.Add(new RoomRecord { Id = together, Kind = RoomKind.Board, OfId = lesson.Id, Part = RoomPlace.OnlyPart, Whose = Whose.Together, Number = 0 });
        await db.SaveChangesAsync();

        var room = await hosts.GetAsync(lesson.Id);
        await room.SubmitAsync(new OpenLesson(), Actor.Program);
        if (order.Door != Door.Open) await room.SubmitAsync(new SetDoor(order.Door), Actor.Program);
        if (order.Times is { } times && times != LessonTimes.None) await SetTimesAsync(lesson, room, times);
        if (order.Masked) await room.SubmitAsync(new MaskNames(true), Actor.Program);
        if (order.ClassList is { } classList) await ExpectAsync(lesson, room, classList);
        return lesson;
    }

    // The copy for access is written at once, so that nobody comes in before it is time.
    private async Task SetTimesAsync(LessonRecord lesson, RoomHost room, LessonTimes times)
    {
        if ((await room.SubmitAsync(new SetTimes(times), Actor.Program)).Envelope is not { } set) return;
        await using var db = await school.CreateDbContextAsync();
        var waits = times.OpensAt > set.Time;
        await db.Lessons.Where(l => l.Id == lesson.Id).ExecuteUpdateAsync(l => l.SetProperty(x => x.Waits, waits));
    }

    // Everybody on the list has a number in the lesson from the first, so that groups can be made before anybody has come.
    private async Task ExpectAsync(LessonRecord lesson, RoomHost room, ClassListRecord classList)
    {
        await using var db = await school.CreateDbContextAsync();
        var entries = await db.ClassEntries.Where(e => e.ListId == classList.Id).OrderBy(e => e.Number).ToListAsync();
        if ((await room.SubmitAsync(new ExpectPeople(entries.Count), Actor.Program)).Envelope?.Event is not PeopleExpected expected) return;
        db.Participants.AddRange(entries.Select((entry, i) => new ParticipantRecord
        {
            Id = Guid.CreateVersion7(),
            LessonId = lesson.Id,
            Number = expected.First + i,
            Name = entry.Name.Length == 0 ? entry.Number.ToString(CultureInfo.InvariantCulture) : classList.FirstNamesOnly ? PersonName.First(entry.Name) : entry.Name,
            Language = entry.Language,
            BoardId = Guid.Empty,
            Standing = Standing.Expected,
            JoinedAt = clock.GetUtcNow(),
            ListNumber = entry.Number,
            Level = entry.Level,
        }));
        await db.SaveChangesAsync();
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

    private async Task<VersionRecord> FreezeAsync(SchoolContext db, ActivityRecord activity, ActivityContent content)
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
