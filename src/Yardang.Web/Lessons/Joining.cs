using System.Collections.Concurrent;
using System.Security.Cryptography;
using Microsoft.EntityFrameworkCore;
using Yardang.Core.Lessons;
using Yardang.Core.Moderation;
using Yardang.Core.Rooms;
using Yardang.Data.School;
using Yardang.Web.Rooms;

namespace Yardang.Web.Lessons;

/// <summary>Lets students in, or to the door.</summary>
public sealed class Joining(IDbContextFactory<SchoolContext> school, RoomHosts hosts, TimeProvider clock)
{
    // Numbers of newcomers who are coming in just now.
    private readonly ConcurrentDictionary<(Guid Lesson, int Number), string> _coming = new();

    /// <summary>The lesson with a code; null if there is none.</summary>
    public async Task<LessonRecord?> FindAsync(JoinCode code)
    {
        await using var db = await school.CreateDbContextAsync();
        return await db.Lessons.SingleOrDefaultAsync(l => l.Code == code);
    }

    /// <summary>The lesson with an address of the teacher's own choice; null if there is none.</summary>
    public async Task<LessonRecord?> FindByAddressAsync(string? typed)
    {
        if (LessonAddress.Read(typed) is not { } address) return null;
        await using var db = await school.CreateDbContextAsync();
        return await db.Lessons.SingleOrDefaultAsync(l => l.Address == address);
    }

    /// <summary>
    /// Gives a lesson an address, or takes it away with null. False if another lesson has it; from a closed one of the same teacher it is taken over.
    /// </summary>
    public async Task<bool> SetAddressAsync(LessonRecord lesson, LessonAddress? address)
    {
        await using var db = await school.CreateDbContextAsync();
        var other = address is null ? null : await db.Lessons.SingleOrDefaultAsync(l => l.Address == address && l.Id != lesson.Id);
        if (other is not null && (other.OwnerId != lesson.OwnerId || other.ClosedAt is null)) return false;
        await using var together = await db.Database.BeginTransactionAsync();
        if (other is not null) await db.Lessons.Where(l => l.Id == other.Id).ExecuteUpdateAsync(l => l.SetProperty(x => x.Address, (LessonAddress?)null));
        try
        {
            await db.Lessons.Where(l => l.Id == lesson.Id).ExecuteUpdateAsync(l => l.SetProperty(x => x.Address, address));
        }
        catch (Microsoft.Data.Sqlite.SqliteException)
        {
            // Somebody else was faster.
            return false;
        }

        await together.CommitAsync();
        return true;
    }

    /// <summary>Lets a lesson's common board be shown elsewhere, under a new key; or no longer.</summary>
    public async Task ShowElsewhereAsync(LessonRecord lesson, bool shown)
    {
        var key = shown ? Convert.ToHexStringLower(RandomNumberGenerator.GetBytes(16)) : null;
        await using var db = await school.CreateDbContextAsync();
        await db.Lessons.Where(l => l.Id == lesson.Id).ExecuteUpdateAsync(l => l.SetProperty(x => x.EmbedKey, key));
        foreach (var board in await db.RoomsOf(lesson.Id).Select(b => b.Id).ToListAsync())
        {
            if (await hosts.FindLoadedAsync(board) is { } host) host.Recall(reader => reader == Actor.Onlooker);
        }
    }

    /// <summary>Who is known in a lesson by a number: those on its class list, and whoever came in with one.</summary>
    public async Task<IReadOnlyList<ParticipantRecord>> ListAsync(Guid lesson)
    {
        await using var db = await school.CreateDbContextAsync();
        return await db.Participants.Where(p => p.LessonId == lesson && p.ListNumber != null).OrderBy(p => p.ListNumber).ToListAsync();
    }

    /// <summary>
    /// A newcomer: lets them in, with a board of their own or onto everybody's, or lets them wait at the door. Who is not on the class list of a lesson
    /// that has one waits in any case. The refusal says why not.
    /// </summary>
    public async Task<(ParticipantRecord? Participant, Refusal? Refusal)> JoinAsync(LessonRecord lesson, string name, int? number = null)
    {
        if (!await MayBeReadAsync(lesson.Id, name)) return (null, Refusal.Words);
        if (number is not { } given) return await AddAsync(lesson, name, number);

        // Two may give the same number at the same moment.
        if (!_coming.TryAdd((lesson.Id, given), name)) return (null, Refusal.Duplicate);
        try
        {
            await using var db = await school.CreateDbContextAsync();
            return await db.Participants.AnyAsync(p => p.LessonId == lesson.Id && p.ListNumber == given) ? (null, Refusal.Duplicate) : await AddAsync(lesson, name, given);
        }
        finally
        {
            _coming.TryRemove((lesson.Id, given), out _);
        }
    }

    // A name is read by all, and cannot wait for the teacher.
    private async Task<bool> MayBeReadAsync(Guid lesson, string name)
    {
        WordScreen? screen = null;
        await (await hosts.GetAsync(lesson)).LookAsync(room => screen = ((Lesson)room).WordScreen);
        return screen?.Look(name) is null or { IsEmpty: true };
    }

    private async Task<(ParticipantRecord? Participant, Refusal? Refusal)> AddAsync(LessonRecord lesson, string name, int? number)
    {
        var (come, refusal) = await ComeAsync(lesson.Id, new Join(Asks: lesson.ClassListId is not null));
        if (come is not var (person, standing)) return (null, refusal);
        await using var db = await school.CreateDbContextAsync();
        var participant = new ParticipantRecord
        {
            Id = Guid.CreateVersion7(),
            LessonId = lesson.Id,
            Number = person,
            Name = name,
            ListNumber = number,
            Standing = standing,
            JoinedAt = clock.GetUtcNow(),
        };
        db.Participants.Add(participant);
        await Seating.SeatAsync(db, lesson, participant);
        return (participant, null);
    }

    /// <summary>Somebody who is expected: lets them in, onto the board of their group if they are in one. The refusal says why not.</summary>
    public async Task<(ParticipantRecord? Participant, Refusal? Refusal)> ArriveAsync(LessonRecord lesson, ParticipantRecord expected)
    {
        var (come, refusal) = await ComeAsync(lesson.Id, new Join(expected.Number));
        if (come is not var (_, standing)) return (null, refusal);
        await using var db = await school.CreateDbContextAsync();
        var participant = db.Attach(expected).Entity;
        participant.GroupNumber = (await LessonPlan.OfAsync(await hosts.GetAsync(lesson.Id))).Grouping.Of(expected.Number)?.Number ?? 0;
        (participant.Standing, participant.JoinedAt) = (standing, clock.GetUtcNow());
        await Seating.SeatAsync(db, lesson, participant);
        return (participant, null);
    }

    private async Task<((int Number, Standing Standing)? Come, Refusal? Refusal)> ComeAsync(Guid lesson, Join join)
    {
        var room = await hosts.GetAsync(lesson);
        var (decision, envelope) = await room.SubmitAsync(join, Actor.Program);
        return envelope?.Event switch
        {
            PersonJoined(var person) => ((person, Standing.In), null),
            PersonAsked(var person) => ((person, Standing.Waiting), null),
            _ => (null, decision is Decision.Refused refused ? refused.Reason : Refusal.Busy),
        };
    }

    /// <summary>Somebody known comes to the door again: who was turned away or removed asks to be let in. The refusal says why not.</summary>
    public async Task<Refusal?> AskAgainAsync(ParticipantRecord participant)
    {
        var room = await hosts.GetAsync(participant.LessonId);
        var (decision, _) = await room.SubmitAsync(new Join(participant.Number), Actor.Program);
        if (decision is Decision.Refused { Reason: not Refusal.Duplicate and var why }) return why;
        await using var db = await school.CreateDbContextAsync();
        var plan = await LessonPlan.OfAsync(room);
        await db.Participants.Where(p => p.Id == participant.Id).ExecuteUpdateAsync(set => set.SetProperty(p => p.Standing, plan.People[participant.Number].Standing));
        return null;
    }
}
