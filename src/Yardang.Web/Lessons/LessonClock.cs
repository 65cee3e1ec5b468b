using Microsoft.EntityFrameworkCore;
using Yardang.Core.Lessons;
using Yardang.Core.Rooms;
using Yardang.Data.School;
using Yardang.Web.Rooms;

namespace Yardang.Web.Lessons;

/// <summary>Opens lessons, announces that work is due, and closes lessons when it is time, also those that nobody has open.</summary>
public sealed class LessonClock(IDbContextFactory<SchoolContext> school, RoomHosts hosts, TimeProvider clock, ILogger<LessonClock> logger) : BackgroundService
{
    private static readonly TimeSpan s_tick = TimeSpan.FromSeconds(2);

    /// <summary>Does what is due now.</summary>
    public async Task TickAsync()
    {
        await using var db = await school.CreateDbContextAsync();
        var now = clock.GetUtcNow();
        var due = await db.Lessons.Where(l => l.ClosedAt == null && ((l.Waits && l.OpensAt <= now) || (!l.IsOverdue && l.DueAt <= now) || l.ClosesAt <= now)).ToListAsync();
        foreach (var lesson in due)
        {
            try
            {
                await TellAsync(lesson, now);
            }
            catch (Exception e) when (e is not OperationCanceledException)
            {
                // The others have their times too.
                logger.LogError(e, "Lesson {Lesson} was not told what time it is.", lesson.Id);
            }
        }
    }

    private async Task TellAsync(LessonRecord lesson, DateTimeOffset now)
    {
        var room = await hosts.GetAsync(lesson.Id);
        if (lesson.Waits && lesson.OpensAt <= now) await room.SubmitAsync(new AnnounceMoment(Moment.Opens), Actor.Program);
        if (!lesson.IsOverdue && lesson.DueAt <= now) await room.SubmitAsync(new AnnounceMoment(Moment.Due), Actor.Program);
        if (lesson.ClosesAt <= now) await room.SubmitAsync(new CloseLesson(), Actor.Program);
    }

    protected override async Task ExecuteAsync(CancellationToken stoppingToken)
    {
        using var timer = new PeriodicTimer(s_tick);
        while (await timer.WaitForNextTickAsync(stoppingToken))
        {
            try
            {
                await TickAsync();
            }
            catch (Exception e) when (e is not OperationCanceledException)
            {
                logger.LogError(e, "The times of lessons were not looked at; the next look is in {Seconds} s.", s_tick.TotalSeconds);
            }
        }
    }
}
