using Microsoft.EntityFrameworkCore;
using Yardang.Core.LateChanges;
using Yardang.Core.Lessons;
using Yardang.Core.Moderation;
using Yardang.Core.Rooms;
using Yardang.Core.Walls;
using Yardang.Data.School;
using Yardang.Web.Access;
using Yardang.Web.Rooms;

namespace Yardang.Web.Lessons;

/// <summary>
/// Carries what the lesson says to where it has to hold: pens down and closing to the writers of its boards, which is reported only when all have
/// confirmed; groups and who is in to the tables by which access is decided, and to those who read along.
/// </summary>
public sealed class LessonConduct(IDbContextFactory<SchoolContext> school, Seating seating, LateChangeShelf lateChanges, NamesLookedFor names, Followers followers, TimeProvider clock, ILogger<LessonConduct> logger)
{
    private const int MostLooks = 20;
    private static readonly TimeSpan s_betweenLooks = TimeSpan.FromMilliseconds(50);

    /// <summary>Follows a lesson as long as its host runs.</summary>
    public void Begin(RoomHost lesson, RoomHosts hosts) =>
        followers.Begin($"The conduct of lesson {lesson.Id}", (again, caughtUp) => FollowAsync(lesson, hosts, again, caughtUp), lesson.Finished);

    private async Task FollowAsync(RoomHost lesson, RoomHosts hosts, bool again, Action caughtUp)
    {
        // A crash may have come between the command and its confirmation; and after a failure nothing is known to have been done.
        var (unconfirmed, unseated) = (false, false);
        var seen = await lesson.LookAsync(r => (unconfirmed, unseated) = ((Lesson)r) is { Number: > 0 } l ? (l.PensConfirmedOn is null, l.PlacesAsOf > l.SeatsThrough) : default);
        if (unconfirmed || again) await CarryAsync(lesson, hosts);
        if (unseated || again) await SeatAsync(lesson, hosts, seen);
        if (again) await BringUpToDateAsync(lesson, hosts);
        caughtUp();
        await foreach (var envelope in lesson.FollowAsync(seen, lesson.Finished))
        {
            if (envelope.Event is LateChangeHandedOut or LateChangeTakenBack) await BringUpToDateAsync(lesson, hosts);
            if (envelope.Event is PensSet or PensHeld or LessonClosed or LessonReopened or TimesSet or MomentCame or PartsPlanned or PartSet or OwnFirstSet or PersonRemoved or SentAway or PhaseBegun or PhaseResumed or PhaseEnded or TimeGiven or WordScreenSet or ApprovalSet or NamesMasked) await CarryAsync(lesson, hosts);
            else if (envelope.Event is PersonJoined or PersonAdmitted or PeopleExpected or NamesCorrected) await CarryNamesAsync(lesson, hosts, (envelope.Event as PersonJoined)?.Person ?? 0);
            if (Lesson.ChangesPlaces(envelope.Event)) await SeatAsync(lesson, hosts, envelope.Number, Showing.OnlyOpens(envelope.Event));
            if (envelope.Event is PartSet(var part, _)) await RecallAsync(lesson.Id, part, hosts);
            if (Phases.PartOpenedBy(envelope.Event) is > 0 and var opened) await RecallAsync(lesson.Id, opened, hosts);
        }
    }

    private async Task CarryAsync(RoomHost lesson, RoomHosts hosts)
    {
        await using var db = await school.CreateDbContextAsync();
        var rooms = await db.RoomsOf(lesson.Id).ToListAsync();
        var (allowed, times, isOverdue) = (Allowed.Everything, LessonTimes.None, false);
        await lesson.LookAsync(r => (allowed, times, isOverdue) = (((Lesson)r).Allowed, ((Lesson)r).Times, ((Lesson)r).IsOverdue));
        var allowedIn = await AllowedInAsync(lesson, rooms);
        var waited = await NoteInListAsync(db, lesson.Id, allowed, times, isOverdue);
        foreach (var id in rooms.Select(r => r.Id))
        {
            // A room that is not loaded asks the lesson when it is.
            if (await hosts.FindLoadedAsync(id) is not { } board || board.Finished.IsCancellationRequested) continue;
            try
            {
                await board.SetAllowedAsync(allowedIn[id]);
                if (board.Kind == RoomKind.Wall) await board.SubmitAsync(new FollowLesson(), Actor.Program);
                if (waited != allowed.Waits) board.Recall(reader => !reader.IsStaff);
            }
            catch (Exception e) when (e is System.Threading.Channels.ChannelClosedException or IOException)
            {
                // It is being put away or loaded anew, and asks the lesson then.
            }
        }

        await lesson.SubmitAsync(new ConfirmPens(allowed.PensDown, await InUseAsync(db, lesson.Id)), Actor.Program);
    }

    private async Task<IReadOnlyDictionary<Guid, Allowed>> AllowedInAsync(RoomHost lesson, IReadOnlyList<RoomRecord> rooms)
    {
        var (allowed, isMasked) = (new List<Allowed>(), false);
        await lesson.LookAsync(r =>
        {
            allowed.AddRange(rooms.Select(room => ((Lesson)r).AllowedIn(room.Place)));
            isMasked = ((Lesson)r).NamesMasked;
        });
        return rooms.Zip(await names.InAsync(lesson.Id, isMasked, allowed)).ToDictionary(r => r.First.Id, r => r.Second);
    }

    // Who came or is called otherwise is looked for where names are off.
    private async Task CarryNamesAsync(RoomHost lesson, RoomHosts hosts, int newcomer)
    {
        var isMasked = false;
        await lesson.LookAsync(r => isMasked = ((Lesson)r).NamesMasked);
        await using var db = await school.CreateDbContextAsync();
        var rooms = await db.RoomsOf(lesson.Id).Where(r => isMasked || r.Kind == RoomKind.Wall).ToListAsync();
        if (rooms.Count == 0) return;

        // Who joined stands in the tables a moment after the lesson has said so.
        for (var looked = 0; looked < MostLooks && newcomer != 0 && !await db.Participants.AnyAsync(p => p.LessonId == lesson.Id && p.Number == newcomer); looked++) await Task.Delay(s_betweenLooks, clock);
        foreach (var (id, allowed) in await AllowedInAsync(lesson, rooms))
        {
            if (await hosts.FindLoadedAsync(id) is not { } room || room.Finished.IsCancellationRequested) continue;
            try
            {
                await room.SetAllowedAsync(allowed);
            }
            catch (Exception e) when (e is System.Threading.Channels.ChannelClosedException or IOException)
            {
                // It is being put away or loaded anew, and asks the lesson then.
            }
        }
    }

    // Told are those in which somebody works: not the teacher's own, nor rooms that wait for the end of a group or the opening of a part.
    private static async Task<int> InUseAsync(SchoolContext db, Guid id)
    {
        var lesson = await db.Lessons.SingleAsync(l => l.Id == id);
        var people = await db.Participants.Where(p => p.LessonId == id && p.Standing == Standing.In).ToListAsync();
        return people.SelectMany(p => lesson.Parts.Where(part => part.IsOpen).Select(part => lesson.PlaceOf(p, part))).Distinct().Count();
    }

    // Students look again where their place is: the part is open to them now, or no longer.
    private async Task RecallAsync(Guid lesson, int part, RoomHosts hosts)
    {
        await using var db = await school.CreateDbContextAsync();
        foreach (var id in await db.RoomsOf(lesson).Where(r => r.Part == part).Select(r => r.Id).ToListAsync())
        {
            if (await hosts.FindLoadedAsync(id) is { } room) room.Recall(reader => !reader.IsStaff);
        }
    }

    // Nobody who looks at a board has to go because more may be seen than before.
    private async Task SeatAsync(RoomHost lesson, RoomHosts hosts, long through, bool onlyOpens = false)
    {
        var plan = await LessonPlan.OfAsync(lesson);
        var (boards, people) = await seating.SeatAllAsync(lesson.Id, plan);
        await using var db = await school.CreateDbContextAsync();
        var all = await db.RoomsOf(lesson.Id).ToListAsync();
        var kept = await AccessResolver.KeptFromTeachersAsync(db, await db.Lessons.SingleAsync(l => l.Id == lesson.Id));
        foreach (var room in all)
        {
            if (await hosts.FindLoadedAsync(room.Id) is not { } board) continue;
            board.Recall(reader => reader.IsStaff ? kept.Contains(room.Place) : (reader.LooksOnly && !onlyOpens) || (boards.Contains(room.Id) && people.Contains(reader.Number)));
        }

        lesson.Recall(reader => people.Contains(reader.Number));
        await lesson.SubmitAsync(new ConfirmSeats(through), Actor.Program);
    }

    // A board that is not loaded is brought up to date when it is.
    private async Task BringUpToDateAsync(RoomHost lesson, RoomHosts hosts)
    {
        await using var db = await school.CreateDbContextAsync();
        foreach (var id in await db.RoomsOf(lesson.Id).Where(r => r.Kind == RoomKind.Board).Select(r => r.Id).ToListAsync())
        {
            if (await hosts.FindLoadedAsync(id) is not { } board || board.Finished.IsCancellationRequested) continue;
            try
            {
                await lateChanges.BringUpToDateAsync(lesson, board);
            }
            catch (Exception e) when (e is System.Threading.Channels.ChannelClosedException or IOException)
            {
                // It is being put away or loaded anew, and is brought up to date then.
            }
            catch (Exception e) when (e is FormatException or KeyNotFoundException or InvalidOperationException)
            {
                // One board that cannot take it must not keep it from the others.
                logger.LogError(e, "Board {Board} was not brought up to date.", id);
            }
        }
    }

    // The lists on desk and front door do not load rooms; they read this copy, and so does access. Tells whether the lesson waited before.
    private async Task<bool> NoteInListAsync(SchoolContext db, Guid id, Allowed allowed, LessonTimes times, bool isOverdue)
    {
        var record = await db.Lessons.SingleAsync(l => l.Id == id);
        var waited = record.Waits;
        if (record.ClosedAt is not null != allowed.Closed) record.ClosedAt = allowed.Closed ? clock.GetUtcNow() : null;
        (record.Waits, record.IsOverdue) = (allowed.Waits, isOverdue);
        (record.OpensAt, record.DueAt, record.ClosesAt) = (At(times.OpensAt), At(times.DueAt), At(times.ClosesAt));
        await db.SaveChangesAsync();
        return waited;
    }

    private static DateTimeOffset? At(long? ms) => ms is { } said ? DateTimeOffset.FromUnixTimeMilliseconds(said) : null;
}
