using Microsoft.EntityFrameworkCore;
using Yardang.Core.Lessons;
using Yardang.Core.Rooms;
using Yardang.Data.School;

namespace Yardang.Web.Access;

/// <summary>What somebody may do with a room: who they are there.</summary>
/// <param name="Room">The room.</param>
/// <param name="Kind">Its kind.</param>
/// <param name="Actor">Who the visitor is in it.</param>
public sealed record RoomAccess(Guid Room, RoomKind Kind, Actor Actor)
{
    /// <summary>Whether they may see what is there.</summary>
    public bool MayLook => !Actor.HasLeft;

    /// <summary>Whether they may put something there.</summary>
    public bool MayWrite => Actor is { LooksOnly: false, HasLeft: false };
}

/// <summary>What a teacher may do in a lesson or with an activity. Each may all that those before it may.</summary>
public enum Power
{
    /// <summary>See everything.</summary>
    Watches = 0,

    /// <summary>Do everything but what is the owner's.</summary>
    Runs = 1,

    /// <summary>Invite others, put it away.</summary>
    Owns = 2,
}

/// <summary>The one place where it is decided who may see and do what: for pages, hub and files alike.</summary>
public sealed class AccessResolver(IDbContextFactory<SchoolContext> school)
{
    /// <summary>Who the visitor is in a room; null if they have no business there, or there is no such room.</summary>
    public async Task<RoomAccess?> ForRoomAsync(Visitor visitor, Guid room)
    {
        await using var db = await school.CreateDbContextAsync();
        if (visitor.Embed is { } key) return await EmbeddedAsync(db, key) == room ? new(room, RoomKind.Board, Actor.Onlooker) : null;
        if (visitor.As is { } participantId)
        {
            if (!visitor.Participants.Contains(participantId)) return null;
            return await db.Participants.FindAsync(participantId) is { } participant ? await ForParticipantAsync(db, participant, room, visitor.Looks) : null;
        }

        if (visitor.TeacherId is not { } teacher) return null;
        var found = await db.Lessons.Where(l => l.Id == room).Select(l => new { Kind = RoomKind.Lesson, l.OwnerId, Of = l.Id }).SingleOrDefaultAsync()
            ?? await db.Boards.Where(b => b.Id == room).Join(db.Lessons, b => b.LessonId, l => l.Id, (_, l) => new { Kind = RoomKind.Board, l.OwnerId, Of = l.Id }).SingleOrDefaultAsync()
            ?? await db.Activities.Where(a => a.DraftId == room).Select(a => new { Kind = RoomKind.Draft, a.OwnerId, Of = a.Id }).SingleOrDefaultAsync();
        return found is not null && await StaffAsync(db, teacher, found.OwnerId, found.Of) is { } staff ? new(room, found.Kind, staff.Actor) : null;
    }

    /// <summary>Whether somebody may have a live connection: a teacher, a participant of this device, or who was shown a board.</summary>
    public async Task<bool> HasBusinessAsync(Visitor visitor)
    {
        if (visitor.Embed is { } key) return await EmbeddedAsync(key) is not null;
        if (visitor.As is not { } participant) return visitor.TeacherId is not null;
        if (!visitor.Participants.Contains(participant)) return false;
        await using var db = await school.CreateDbContextAsync();
        return await db.Participants.AnyAsync(p => p.Id == participant);
    }

    /// <summary>The board that is shown under a key; null if none is: everybody's where all work together, else the teacher's own.</summary>
    public async Task<Guid?> EmbeddedAsync(string key)
    {
        await using var db = await school.CreateDbContextAsync();
        return await EmbeddedAsync(db, key);
    }

    private static async Task<Guid?> EmbeddedAsync(SchoolContext db, string key)
    {
        if (await db.Lessons.SingleOrDefaultAsync(l => l.EmbedKey == key && !l.Waits) is not { } lesson) return null;
        return lesson.TogetherId ?? await Lessons.Seating.BoardAsync(db, lesson.Id, BoardKind.Teacher, 0);
    }

    // Owner, or invited by the owner.
    private static async Task<(Power Power, Actor Actor)?> StaffAsync(SchoolContext db, Guid teacher, Guid owner, Guid of)
    {
        if (owner == teacher) return (Power.Owns, Actor.Owner);
        if (await db.CoTeachers.SingleOrDefaultAsync(c => c.OfId == of && c.TeacherId == teacher) is not { } invited) return null;
        var watches = invited.Role == CoTeacherRole.Watches;
        return (watches ? Power.Watches : Power.Runs, new Actor(invited.Number, Role.Staff) { LooksOnly = watches });
    }

    // Who waits at the door hears of it in the lesson's room. Before a lesson opens, nobody sees a board. Who has left a board may still hand in there what they did before.
    private static async Task<RoomAccess?> ForParticipantAsync(SchoolContext db, ParticipantRecord participant, Guid room, bool looks)
    {
        var actor = new Actor(participant.Number, Role.Student);
        var isIn = participant.Standing == Standing.In;
        if (participant.LessonId == room) return isIn || participant.Standing == Standing.Waiting ? new(room, RoomKind.Lesson, actor) : null;
        if (await db.Lessons.AnyAsync(l => l.Id == participant.LessonId && l.Waits)) isIn = false;
        if (isIn && participant.BoardId == room) return new(room, RoomKind.Board, actor with { LooksOnly = looks });
        var board = await db.Boards.SingleOrDefaultAsync(b => b.Id == room && b.LessonId == participant.LessonId);
        if (board is null) return null;
        if (isIn && board.Kind == BoardKind.Own && board.Number == participant.Number) return new(room, RoomKind.Board, actor with { LooksOnly = looks });
        if (isIn && looks)
        {
            var lesson = await db.Lessons.SingleAsync(l => l.Id == participant.LessonId);
            if (board.Kind == BoardKind.Teacher ? lesson.SeesTeachersBoard : lesson.SeesOtherBoards) return new(room, RoomKind.Board, actor with { LooksOnly = true });
        }

        // From those who were taken out or turned away nothing more is taken.
        if (participant.Standing != Standing.In) return null;
        return await db.Seats.AnyAsync(s => s.ParticipantId == participant.Id && s.BoardId == room) ? new(room, RoomKind.Board, actor with { HasLeft = true }) : null;
    }

    /// <summary>A lesson in which this teacher may at least so much; null otherwise.</summary>
    public async Task<LessonRecord?> LessonAsync(Visitor visitor, Guid id, Power least)
    {
        if (visitor.TeacherId is not { } teacher) return null;
        await using var db = await school.CreateDbContextAsync();
        return await db.Lessons.SingleOrDefaultAsync(l => l.Id == id) is { } lesson && (await StaffAsync(db, teacher, lesson.OwnerId, id))?.Power >= least ? lesson : null;
    }

    /// <summary>An activity with which this teacher may at least so much; null otherwise.</summary>
    public async Task<ActivityRecord?> ActivityAsync(Visitor visitor, Guid id, Power least)
    {
        if (visitor.TeacherId is not { } teacher) return null;
        await using var db = await school.CreateDbContextAsync();
        return await db.Activities.SingleOrDefaultAsync(a => a.Id == id) is { } activity && (await StaffAsync(db, teacher, activity.OwnerId, id))?.Power >= least ? activity : null;
    }

    /// <summary>As whom this teacher acts in the rooms of a lesson or activity; null if not at all.</summary>
    public async Task<Actor?> StaffActorAsync(Visitor visitor, Guid owner, Guid of)
    {
        if (visitor.TeacherId is not { } teacher) return null;
        await using var db = await school.CreateDbContextAsync();
        return (await StaffAsync(db, teacher, owner, of))?.Actor;
    }

    /// <summary>The participants that this device was in a lesson, the latest first.</summary>
    public async Task<IReadOnlyList<ParticipantRecord>> ParticipantsAsync(Visitor visitor, Guid lesson)
    {
        await using var db = await school.CreateDbContextAsync();
        var found = await db.Participants.Where(p => p.LessonId == lesson && visitor.Participants.Contains(p.Id)).ToListAsync();
        return [.. visitor.Participants.Select(id => found.Find(p => p.Id == id)).OfType<ParticipantRecord>()];
    }
}
