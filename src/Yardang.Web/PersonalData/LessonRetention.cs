using System.Globalization;
using Microsoft.EntityFrameworkCore;
using Microsoft.Extensions.Localization;
using Yardang.Core.Lessons;
using Yardang.Core.PersonalData;
using Yardang.Core.Rooms;
using Yardang.Data.School;
using Yardang.Web.Lessons;
using Yardang.Web.Mail;
using Yardang.Web.Rooms;

namespace Yardang.Web.PersonalData;

/// <summary>A lesson, and how long it is kept.</summary>
public sealed record KeptLesson(LessonRecord Record, Retention Retention);

/// <summary>
/// Deletes lessons when their time is over: their owner is told before, an archive is made first, and what was done is noted without anything of what was in them.
/// How long the school keeps lessons after they were last used is <c>Yardang:KeepLessonsDays</c>; without it, as long as teachers wish.
/// </summary>
public sealed class LessonRetention(
    IDbContextFactory<SchoolContext> school, BoardSummaries summaries, WorkArchive work, RoomHosts hosts, RoomRemoval removal, Outbox outbox, DataFolder folder,
    IConfiguration configuration, TimeProvider clock, IStringLocalizer<UiTexts> texts, ILogger<LessonRetention> logger) : BackgroundService
{
    private const int MostNamed = 20;
    private static readonly TimeSpan s_every = TimeSpan.FromHours(1);

    /// <summary>For how long the school keeps lessons; null for as long as teachers wish.</summary>
    public TimeSpan? SchoolKeeps { get; } = configuration.GetValue<int?>("Yardang:KeepLessonsDays") is > 0 and var days ? TimeSpan.FromDays(days) : null;

    /// <summary>The lessons of a teacher, with how long they are kept.</summary>
    public async Task<IReadOnlyList<KeptLesson>> OfAsync(Guid owner)
    {
        await using var db = await school.CreateDbContextAsync();
        var kept = new List<KeptLesson>();
        foreach (var lesson in await db.Lessons.AsNoTracking().Where(l => l.OwnerId == owner).ToListAsync()) kept.Add(await WithRetentionAsync(lesson));
        return kept;
    }

    /// <summary>A lesson with how long it is kept.</summary>
    public async Task<KeptLesson> WithRetentionAsync(LessonRecord lesson)
    {
        var worked = (await summaries.OfAsync(lesson.Id)).Values.Select(s => s.LastActivity).Max();
        DateTimeOffset?[] uses = [lesson.HandedOutAt, lesson.ClosedAt, lesson.OpensAt, lesson.DueAt, lesson.ClosesAt, worked is { } at ? DateTimeOffset.FromUnixTimeMilliseconds(at) : null];
        return new(lesson, new(uses.Max()!.Value, lesson.DeleteOn, SchoolKeeps, lesson.ToldOfDeletingAt));
    }

    /// <summary>From now on a lesson is deleted on a day; on none with null.</summary>
    public async Task ChooseAsync(Guid lesson, DateTimeOffset? day)
    {
        await using var db = await school.CreateDbContextAsync();

        // Who chooses a day knows of it, and is told again if it is a long way off.
        DateTimeOffset? told = day - Retention.Notice <= clock.GetUtcNow() ? clock.GetUtcNow() : null;
        await db.Lessons.Where(l => l.Id == lesson).ExecuteUpdateAsync(l => l.SetProperty(x => x.DeleteOn, day).SetProperty(x => x.ToldOfDeletingAt, told));
    }

    /// <summary>The deleted lessons of a teacher, the latest first.</summary>
    public async Task<IReadOnlyList<DeletedLessonRecord>> DeletedAsync(Guid owner)
    {
        await using var db = await school.CreateDbContextAsync();
        return await db.DeletedLessons.AsNoTracking().Where(d => d.OwnerId == owner).OrderByDescending(d => d.DeletedAt).ToListAsync();
    }

    /// <summary>The archive of a deleted lesson, for its owner; null if it is not there.</summary>
    public async Task<(string File, string Title)?> ArchiveAsync(Guid owner, Guid lesson)
    {
        await using var db = await school.CreateDbContextAsync();
        return await db.DeletedLessons.AsNoTracking().FirstOrDefaultAsync(d => d.Id == lesson && d.OwnerId == owner && d.ArchivedUntil != null) is { } deleted && File.Exists(folder.ArchiveOf(lesson))
            ? (folder.ArchiveOf(lesson), deleted.Title)
            : null;
    }

    /// <summary>Deletes the archive of a lesson that was deleted.</summary>
    public async Task DeleteArchiveAsync(Guid owner, Guid lesson)
    {
        await using var db = await school.CreateDbContextAsync();
        if (await db.DeletedLessons.FirstOrDefaultAsync(d => d.Id == lesson && d.OwnerId == owner) is { } deleted) await DeleteArchiveAsync(db, deleted);
    }

    /// <summary>Deletes a lesson now.</summary>
    /// <param name="lesson">Which.</param>
    /// <param name="why">Why.</param>
    /// <param name="archived">Whether an archive is made first, and stays for a while.</param>
    public async Task DeleteAsync(LessonRecord lesson, WhyDeleted why, bool archived)
    {
        // Nobody writes any more, so the archive has all of it.
        await (await hosts.GetAsync(lesson.Id)).SubmitAsync(new CloseLesson(), Actor.Program);
        if (archived) await ArchiveAsync(lesson);
        await using var db = await school.CreateDbContextAsync();
        var now = clock.GetUtcNow();
        var deleted = new DeletedLessonRecord
        {
            Id = lesson.Id,
            OwnerId = lesson.OwnerId,
            DeletedAt = now,
            Why = why,
            People = await db.Participants.CountAsync(p => p.LessonId == lesson.Id && p.Standing == Standing.In),
            Rooms = await db.RoomsOf(lesson.Id).CountAsync(),
            ArchivedUntil = archived ? now + Retention.ArchiveStays : null,
            Title = archived ? lesson.Title : "",
        };
        await using (var together = await db.Database.BeginTransactionAsync())
        {
            await LessonRemoval.TakeOutAsync(db, [lesson.Id]);
            db.DeletedLessons.Add(deleted);
            await db.SaveChangesAsync();
            await together.CommitAsync();
        }

        await removal.RunAsync();
        await db.TakeOverAsync();
        logger.LogInformation("Lesson {Lesson} was deleted ({Why}): {People} people, {Rooms} boards and walls.", lesson.Id, why, deleted.People, deleted.Rooms);
    }

    /// <summary>Tells of what goes soon, deletes what is due, and the archives that stayed long enough.</summary>
    public async Task SweepAsync(DateTimeOffset now)
    {
        await using var db = await school.CreateDbContextAsync();

        // What was handed out later than this is not due under the school's rule, whenever it was used. What was begun without an account goes by a rule of its own, in hours.
        var before = SchoolKeeps is { } keeps ? now - keeps + Retention.Notice : DateTimeOffset.MinValue;
        var lessons = await db.Lessons.AsNoTracking().Where(l => (l.HandedOutAt <= before || l.DeleteOn != null || l.ToldOfDeletingAt != null) && db.Users.Any(u => u.Id == l.OwnerId && u.EndsAt == null)).ToListAsync();
        var kept = new List<KeptLesson>();
        foreach (var lesson in lessons) kept.Add(await WithRetentionAsync(lesson));
        foreach (var owner in kept.Where(k => k.Retention.IsToBeTold(now)).GroupBy(k => k.Record.OwnerId)) await TellAsync(db, owner.Key, [.. owner], now);
        foreach (var (lesson, _) in kept.Where(k => k.Retention.IsToldInVain(now))) await db.Lessons.Where(l => l.Id == lesson.Id).ExecuteUpdateAsync(l => l.SetProperty(x => x.ToldOfDeletingAt, (DateTimeOffset?)null));
        foreach (var (lesson, retention) in kept.Where(k => k.Retention.IsDue(now)))
        {
            try
            {
                await DeleteAsync(lesson, retention.IsChosen ? WhyDeleted.Chosen : WhyDeleted.School, archived: true);
            }
            catch (Exception e) when (e is not OperationCanceledException)
            {
                // The others are due, too; without its archive none is deleted.
                logger.LogError(e, "Lesson {Lesson} is due to be deleted, and was not; it is tried again in {Hours} h.", lesson.Id, s_every.TotalHours);
            }
        }

        foreach (var deleted in await db.DeletedLessons.Where(d => d.ArchivedUntil <= now).ToListAsync()) await DeleteArchiveAsync(db, deleted);
    }

    protected override async Task ExecuteAsync(CancellationToken stoppingToken)
    {
        using var timer = new PeriodicTimer(s_every);
        do
        {
            try
            {
                await SweepAsync(clock.GetUtcNow());
            }
            catch (Exception e) when (e is not OperationCanceledException)
            {
                logger.LogError(e, "How long lessons are kept was not looked at; the next look is in {Hours} h.", s_every.TotalHours);
            }
        }
        while (await timer.WaitForNextTickAsync(stoppingToken));
    }

    private async Task TellAsync(SchoolContext db, Guid owner, IReadOnlyList<KeptLesson> going, DateTimeOffset now)
    {
        var teacher = await db.Users.SingleAsync(u => u.Id == owner);

        // In the language in which she handed out.
        CultureInfo.CurrentUICulture = CultureInfo.CurrentCulture = CultureInfo.GetCultureInfo(going[0].Record.Language);
        var named = string.Join('\n', going.Take(MostNamed).Select(k => k.Record.Title));
        var subject = going.Count == 1 ? texts["Mail.Deleting.SubjectOne", going[0].Record.Title] : texts["Mail.Deleting.Subject", going.Count];
        await outbox.PutAsync(teacher.Email ?? "", subject, texts["Mail.Deleting.Text", teacher.DisplayName, named, Retention.Notice.Days], "/keeping");
        var ids = going.Select(k => k.Record.Id).ToList();
        await db.Lessons.Where(l => ids.Contains(l.Id)).ExecuteUpdateAsync(l => l.SetProperty(x => x.ToldOfDeletingAt, now));
    }

    // Under another name first, so that what is there is whole.
    private async Task ArchiveAsync(LessonRecord lesson)
    {
        var write = await work.ReadyAsync(lesson, CancellationToken.None);
        var file = folder.ArchiveOf(lesson.Id);
        Directory.CreateDirectory(Path.GetDirectoryName(file)!);
        await File.WriteAllBytesAsync($"{file}.new", await Task.Run(write));
        File.Move($"{file}.new", file, overwrite: true);
    }

    private async Task DeleteArchiveAsync(SchoolContext db, DeletedLessonRecord deleted)
    {
        if (File.Exists(folder.ArchiveOf(deleted.Id))) File.Delete(folder.ArchiveOf(deleted.Id));
        (deleted.ArchivedUntil, deleted.Title) = (null, "");
        await db.SaveChangesAsync();
        await db.TakeOverAsync();
    }
}
