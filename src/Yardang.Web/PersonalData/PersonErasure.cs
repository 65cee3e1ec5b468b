using Microsoft.EntityFrameworkCore;
using Microsoft.Extensions.Localization;
using Yardang.Core.Lessons;
using Yardang.Core.PersonalData;
using Yardang.Core.Rooms;
using Yardang.Data.Log;
using Yardang.Data.Media;
using Yardang.Data.School;
using Yardang.Data.Wire;
using Yardang.Web.Rooms;

namespace Yardang.Web.PersonalData;

/// <summary>
/// Erases for good what a lesson keeps of a student: their name and what the tables know of them, what they did in the logs of its rooms, the pictures that only they showed. What a crash
/// interrupts is ended when the program starts again. On walls where names are for nobody nothing is erased: it would tell whose it was.
/// </summary>
public sealed class PersonErasure(IDbContextFactory<SchoolContext> school, RoomHosts hosts, IEventStore log, UnusedMedia unused, IStringLocalizer<UiTexts> texts, ILogger<PersonErasure> logger) : IHostedService
{
    /// <summary>Erases what is kept of somebody.</summary>
    /// <param name="lesson">The lesson.</param>
    /// <param name="number">Who, by actor number.</param>
    public async Task EraseAsync(Guid lesson, int number)
    {
        await using (var db = await school.CreateDbContextAsync())
        {
            if (await db.Participants.Where(p => p.LessonId == lesson && p.Number == number && p.Erasing != Erasing.Done).ExecuteUpdateAsync(p => p.SetProperty(r => r.Erasing, Erasing.UnderWay)) == 0) return;
        }

        // Whoever is here is out first, so that nothing more of theirs comes.
        await (await hosts.GetAsync(lesson)).SubmitAsync(new RemovePerson(number), Actor.Program);
        await EndAsync(lesson, number);
    }

    /// <inheritdoc/>
    public async Task StartAsync(CancellationToken cancellationToken)
    {
        await using var db = await school.CreateDbContextAsync(cancellationToken);
        foreach (var person in await db.Participants.Where(p => p.Erasing == Erasing.UnderWay).Select(p => new { p.LessonId, p.Number }).ToListAsync(cancellationToken)) await EndAsync(person.LessonId, person.Number);
    }

    /// <inheritdoc/>
    public Task StopAsync(CancellationToken cancellationToken) => Task.CompletedTask;

    private async Task EndAsync(Guid lesson, int number)
    {
        await using var db = await school.CreateDbContextAsync();
        var rooms = await db.RoomsOf(lesson).Where(r => r.Whose != Whose.Own || r.Number == number).Select(r => r.Id).ToListAsync();

        // First of all no device is theirs any more.
        await ForgetAsync(db, lesson, number);
        var media = new HashSet<string>(StringComparer.Ordinal);
        foreach (var room in rooms.Append(lesson).Distinct())
        {
            if ((await hosts.GetAsync(room)).IsSealed) continue;
            await hosts.DropAsync(room);
            Rewrite(room, number, media);

            // Who asked for it in between has it as it was; what such a host keeps of it when it stops is forgotten, too.
            await hosts.DropAsync(room);
            log.Rewrite(room, payload => payload);
        }

        await unused.DeleteAsync(media);
        await db.BoardSummaries.Where(s => rooms.Contains(s.BoardId)).ExecuteDeleteAsync();
        await db.Participants.Where(p => p.LessonId == lesson && p.Number == number).ExecuteUpdateAsync(p => p.SetProperty(r => r.Erasing, Erasing.Done));
        await db.TakeOverAsync();
        await (await hosts.GetAsync(lesson)).SubmitAsync(new NoteNames(), Actor.Program);
        logger.LogInformation("What was kept of participant {Number} of lesson {Lesson} was erased.", number, lesson);
    }

    private void Rewrite(Guid room, int number, HashSet<string> media)
    {
        var erasure = new Erasure(log.Read(room, 0).Select(payload => EventCodec.Decode(payload)), number);
        log.Rewrite(room, payload =>
        {
            var happened = EventCodec.Decode(payload);
            var left = erasure.Of(happened);
            if (ReferenceEquals(left, happened)) return payload;
            media.UnionWith(MediaMentions.In(payload));
            return EventCodec.Encode(left);
        });
    }

    // Another row takes the place of theirs.
    private async Task ForgetAsync(SchoolContext db, Guid lesson, int number)
    {
        await using (var together = await db.Database.BeginTransactionAsync())
        {
            var before = await db.Participants.AsNoTracking().SingleAsync(p => p.LessonId == lesson && p.Number == number);
            await db.Seats.Where(s => s.ParticipantId == before.Id).ExecuteDeleteAsync();
            await db.Participants.Where(p => p.Id == before.Id).ExecuteDeleteAsync();
            db.Participants.Add(new() { Id = Guid.CreateVersion7(), LessonId = lesson, Number = number, Name = texts["PersonKept.Left"], JoinedAt = before.JoinedAt, Standing = before.Standing is Standing.In ? Standing.Removed : before.Standing, Erasing = Erasing.UnderWay });
            await db.SaveChangesAsync();
            await together.CommitAsync();
        }

        await db.TakeOverAsync();
    }
}
