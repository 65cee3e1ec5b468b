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

/// <summary>The one place where it is decided who may see and do what: for pages, hub and files alike.</summary>
public sealed class AccessResolver(IDbContextFactory<SchoolContext> school)
{
    /// <summary>Who the visitor is in a room; null if they have no business there, or there is no such room.</summary>
    public async Task<RoomAccess?> ForRoomAsync(Visitor visitor, Guid room)
    {
        await using var db = await school.CreateDbContextAsync();
        if (visitor.As is { } participantId)
        {
            if (!visitor.Participants.Contains(participantId)) return null;
            return await db.Participants.FindAsync(participantId) is { } participant ? await ForParticipantAsync(db, participant, room, visitor.Looks) : null;
        }

        if (visitor.TeacherId is not { } teacher) return null;
        if (await db.Lessons.AnyAsync(l => l.Id == room && l.OwnerId == teacher)) return new(room, RoomKind.Lesson, Actor.Owner);
        if (await db.Activities.AnyAsync(a => a.DraftId == room && a.OwnerId == teacher)) return new(room, RoomKind.Draft, Actor.Owner);
        return await db.Boards.Where(b => b.Id == room).Join(db.Lessons, b => b.LessonId, l => l.Id, (_, l) => l.OwnerId).AnyAsync(o => o == teacher)
            ? new(room, RoomKind.Board, Actor.Owner)
            : null;
    }

    // Who waits at the door hears of it in the lesson's room. Before a lesson opens, nobody sees a board. Who has left a board may still hand in there what they did before.
    private static async Task<RoomAccess?> ForParticipantAsync(SchoolContext db, ParticipantRecord participant, Guid room, bool looks)
    {
        var actor = new Actor(participant.Number, Role.Student);
        var isIn = participant.Standing == Standing.In;
        if (participant.LessonId == room) return isIn || participant.Standing == Standing.Waiting ? new(room, RoomKind.Lesson, actor) : null;
        if (await db.Lessons.AnyAsync(l => l.Id == participant.LessonId && l.Waits)) isIn = false;
        if (isIn && participant.BoardId == room) return new(room, RoomKind.Board, actor);
        var board = await db.Boards.SingleOrDefaultAsync(b => b.Id == room && b.LessonId == participant.LessonId);
        if (board is null) return null;
        if (isIn && board.Kind == BoardKind.Own && board.Number == participant.Number) return new(room, RoomKind.Board, actor);
        if (isIn && looks)
        {
            var lesson = await db.Lessons.SingleAsync(l => l.Id == participant.LessonId);
            if (board.Kind == BoardKind.Teacher ? lesson.SeesTeachersBoard : lesson.SeesOtherBoards) return new(room, RoomKind.Board, actor with { LooksOnly = true });
        }

        return await db.Seats.AnyAsync(s => s.ParticipantId == participant.Id && s.BoardId == room) ? new(room, RoomKind.Board, actor with { HasLeft = true }) : null;
    }

    /// <summary>A lesson that this teacher runs; null otherwise.</summary>
    public async Task<LessonRecord?> OwnLessonAsync(Visitor visitor, Guid lesson)
    {
        if (visitor.TeacherId is not { } teacher) return null;
        await using var db = await school.CreateDbContextAsync();
        return await db.Lessons.SingleOrDefaultAsync(l => l.Id == lesson && l.OwnerId == teacher);
    }

    /// <summary>An activity that this teacher owns; null otherwise.</summary>
    public async Task<ActivityRecord?> OwnActivityAsync(Visitor visitor, Guid activity)
    {
        if (visitor.TeacherId is not { } teacher) return null;
        await using var db = await school.CreateDbContextAsync();
        return await db.Activities.SingleOrDefaultAsync(a => a.Id == activity && a.OwnerId == teacher);
    }

    /// <summary>The participants that this device was in a lesson, the latest first.</summary>
    public async Task<IReadOnlyList<ParticipantRecord>> ParticipantsAsync(Visitor visitor, Guid lesson)
    {
        await using var db = await school.CreateDbContextAsync();
        var found = await db.Participants.Where(p => p.LessonId == lesson && visitor.Participants.Contains(p.Id)).ToListAsync();
        return [.. visitor.Participants.Select(id => found.Find(p => p.Id == id)).OfType<ParticipantRecord>()];
    }
}
