using Microsoft.EntityFrameworkCore;
using Yardang.Core.Lessons;
using Yardang.Core.Rooms;
using Yardang.Data.School;
using Yardang.Web.Rooms;

namespace Yardang.Web.Lessons;

/// <summary>Lets students in.</summary>
public sealed class Joining(IDbContextFactory<SchoolContext> school, RoomHosts hosts, TimeProvider clock)
{
    /// <summary>The lesson with a code; null if there is none.</summary>
    public async Task<LessonRecord?> FindAsync(string code)
    {
        await using var db = await school.CreateDbContextAsync();
        return await db.Lessons.SingleOrDefaultAsync(l => l.Code == code);
    }

    /// <summary>Lets somebody in, with a board of their own or onto everybody's. The refusal says why not.</summary>
    public async Task<(ParticipantRecord? Participant, Refusal? Refusal)> JoinAsync(LessonRecord lesson, string name)
    {
        var room = await hosts.GetAsync(lesson.Id);
        var (decision, envelope) = await room.SubmitAsync(new Join(), Actor.Program);
        if (envelope?.Event is not PersonJoined joined) return (null, decision is Decision.Refused refused ? refused.Reason : Refusal.Busy);

        await using var db = await school.CreateDbContextAsync();
        var board = lesson.TogetherId ?? Guid.CreateVersion7();
        if (lesson.TogetherId is null) db.Boards.Add(new BoardRecord { Id = board, LessonId = lesson.Id });
        var participant = new ParticipantRecord
        {
            Id = Guid.CreateVersion7(),
            LessonId = lesson.Id,
            Number = joined.Person,
            Name = name,
            BoardId = board,
            JoinedAt = clock.GetUtcNow(),
        };
        db.Participants.Add(participant);
        await db.SaveChangesAsync();
        return (participant, null);
    }
}
