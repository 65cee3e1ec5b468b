using Microsoft.EntityFrameworkCore;
using Yardang.Core.Boards;
using Yardang.Core.Lessons;
using Yardang.Core.Rooms;
using Yardang.Data.Log;
using Yardang.Data.School;
using Yardang.Web.Rooms;

namespace Yardang.Web.Lessons;

/// <summary>Sends newcomers away whom somebody has made up: all of a flood who have written nothing, in one act, and the door is closed behind them.</summary>
public sealed class SendingAway(IDbContextFactory<SchoolContext> school, RoomHosts hosts, IEventStore log)
{
    /// <summary>Sends them away.</summary>
    /// <returns>How many.</returns>
    public async Task<int> SendAsync(LessonRecord lesson)
    {
        var room = await hosts.GetAsync(lesson.Id);
        Flood? flood = null;
        await room.LookAsync(r => flood = Flood.Among(((Lesson)r).People.Values));
        if (flood is null) return 0;
        var stay = await WritersAsync(lesson.Id, flood.People);
        int[] leave = [.. flood.People.Where(p => !stay.Contains(p))];
        if (leave.Length == 0) return 0;
        var (_, envelope) = await room.SubmitAsync(new SendAway([.. leave]), Actor.Program);
        return envelope is null ? 0 : leave.Length;
    }

    private async Task<IReadOnlySet<int>> WritersAsync(Guid lesson, IReadOnlyCollection<int> people)
    {
        await using var db = await school.CreateDbContextAsync();
        var boards = await Seating.SeatsOf(db, lesson).Where(s => db.Participants.Any(p => p.Id == s.ParticipantId && people.Contains(p.Number))).Select(s => s.BoardId).Distinct().ToListAsync();
        var writers = new HashSet<int>();

        // Most of them have never opened their board.
        var last = log.LastNumbers();
        foreach (var id in boards.Where(last.ContainsKey))
        {
            if (await hosts.FindAsync(id) is not { } board) continue;
            await board.LookAsync(r => writers.UnionWith(((IWorkRoom)r).Writers.Concat(((IWorkRoom)r).SetAside.Values.Select(w => w.Actor.Number))));
        }

        return writers;
    }
}
