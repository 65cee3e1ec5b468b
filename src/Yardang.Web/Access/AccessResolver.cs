using Microsoft.EntityFrameworkCore;
using Yardang.Core.Rooms;
using Yardang.Data.School;

namespace Yardang.Web.Access;

/// <summary>What somebody may do with a room: who they are there.</summary>
/// <param name="Room">The room.</param>
/// <param name="Kind">Its kind.</param>
/// <param name="Actor">Who the visitor is in it.</param>
public sealed record RoomAccess(Guid Room, RoomKind Kind, Actor Actor);

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
            var participant = await db.Participants.FindAsync(participantId);
            if (participant is null) return null;
            var actor = new Actor(participant.Number, Role.Student);
            if (participant.BoardId == room) return new(room, RoomKind.Board, actor);
            return participant.LessonId == room ? new(room, RoomKind.Lesson, actor) : null;
        }

        if (visitor.TeacherId is not { } teacher) return null;
        if (await db.Lessons.AnyAsync(l => l.Id == room && l.OwnerId == teacher)) return new(room, RoomKind.Lesson, Actor.Owner);
        if (await db.Activities.AnyAsync(a => a.DraftId == room && a.OwnerId == teacher)) return new(room, RoomKind.Draft, Actor.Owner);
        return await db.Boards.Where(b => b.Id == room).Join(db.Lessons, b => b.LessonId, l => l.Id, (_, l) => l.OwnerId).AnyAsync(o => o == teacher)
            ? new(room, RoomKind.Board, Actor.Owner)
            : null;
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
