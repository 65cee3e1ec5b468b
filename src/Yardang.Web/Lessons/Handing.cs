using System.Globalization;
using Microsoft.EntityFrameworkCore;
using Yardang.Core.Activities;
using Yardang.Core.ClassLists;
using Yardang.Core.Editing;
using Yardang.Core.Lessons;
using Yardang.Core.Moderation;
using Yardang.Core.Marks;
using Yardang.Core.Rooms;
using Yardang.Data.School;
using Yardang.Web.Rooms;
using Yardang.Web.Shelf;

namespace Yardang.Web.Lessons;

/// <summary>How an activity is to be handed out.</summary>
/// <param name="ClassName">For whom, in the teacher's words; may be empty.</param>
/// <param name="Door">Whether newcomers walk in.</param>
/// <param name="Way">Who works with whom in an activity of one part.</param>
/// <param name="Masked">Whether classmates see masks instead of names.</param>
/// <param name="Password">What newcomers type besides the code; null for none.</param>
/// <param name="ClassList">Who is expected; null if nobody in particular is.</param>
/// <param name="Times">When it opens, is due and closes.</param>
/// <param name="Introduction">How newcomers say who they are.</param>
/// <param name="At">When it was handed out; null for now.</param>
/// <param name="Ways">Who works with whom in each of several parts, by their numbers; as each part says where none is given.</param>
/// <param name="OneByOne">Whether of several parts only the first is open to begin with.</param>
/// <param name="LooksFirst">When a teacher looks at what students write where several work, before others see it; null for never.</param>
public sealed record HandOutOrder(
    string ClassName, Door Door = Door.Open, Way Way = Way.OneEach, bool Masked = false, string? Password = null, ClassListRecord? ClassList = null,
    LessonTimes? Times = null, Introduction Introduction = Introduction.Name, DateTimeOffset? At = null,
    IReadOnlyDictionary<int, Way>? Ways = null, bool OneByOne = false, Approval? LooksFirst = null)
{
    /// <summary>What is frozen: each of several parts says who works with whom in it.</summary>
    public ActivityContent Settled(ActivityContent content) => content.Steps.Length == 1
        ? content
        : content with { Parts = [.. content.Steps.Select(p => p with { Way = Ways?.TryGetValue(p.Number, out var way) == true ? way : p.WayOrUsual() })] };
}

/// <summary>Hands activities out: opens a lesson on what an activity says now.</summary>
public sealed class Handing(IDbContextFactory<SchoolContext> school, RoomHosts hosts, ActivityMaking making, TimeProvider clock)
{
    /// <summary>Hands an activity out: what it says now is frozen, and later changes in the workshop do not touch the lesson.</summary>
    public async Task<LessonRecord> HandOutAsync(ActivityRecord activity, HandOutOrder order, string language, Guid? owner = null)
    {
        var content = order.Settled(await making.ContentAsync(activity));
        await using var db = await school.CreateDbContextAsync();
        var version = await making.FreezeAsync(db, activity, content);
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
            Parts = [.. content.Steps.Select((p, i) => new LessonPart(p.Number, p.Kind, content.Steps.Length == 1 ? order.Way : p.WayOrUsual(), i == 0 || !order.OneByOne))],
            CurrentPart = content.Steps[0].Number,
            ClassListId = order.ClassList?.Id,
            Introduction = order.Introduction,
        };
        lesson.PasswordHash = LessonPassword.Hash(lesson, order.Password);
        db.Lessons.Add(lesson);
        db.Rooms.Add(RoomRecord.OfLesson(lesson));
        db.Attach(activity).Entity.UsedAt = clock.GetUtcNow();
        db.Rooms.AddRange(lesson.Parts.Where(p => p.Way == Way.AllTogether).Select(p => new RoomRecord { Id = Guid.CreateVersion7(), Kind = p.RoomKind, OfId = lesson.Id, Part = p.Number, Whose = Whose.Together, Number = 0 }));
        await db.SaveChangesAsync();

        var room = await hosts.GetAsync(lesson.Id);
        await room.SubmitAsync(new OpenLesson(), Actor.Program);
        if (content.Parts is not null) await room.SubmitAsync(new PlanParts([.. lesson.Parts.Select(p => p.Number)], order.OneByOne), Actor.Program);
        if (order.Door != Door.Open) await room.SubmitAsync(new SetDoor(order.Door), Actor.Program);
        if (order.Times is { } times && times != LessonTimes.None) await SetTimesAsync(lesson, room, times);
        if (order.Masked) await room.SubmitAsync(new MaskNames(true), Actor.Program);
        foreach (var part in order.LooksFirst is null ? [] : lesson.Parts.Where(p => p.Way != Way.OneEach)) await room.SubmitAsync(new SetApproval(part.Number, order.LooksFirst!), Actor.Program);
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
            Standing = Standing.Expected,
            JoinedAt = clock.GetUtcNow(),
            ListNumber = entry.Number,
            Level = entry.Level,
        }));
        await db.SaveChangesAsync();
    }
}
