using Yardang.Core.Boards;
using Yardang.Core.Editing;
using Yardang.Core.Lessons;
using Yardang.Core.Rooms;
using Yardang.Web.Moderation;
using Yardang.Web.Rooms;

namespace Yardang.Web.Lessons;

/// <summary>
/// Tells the lesson what waits on its boards for a teacher's decision. So teachers hear of it wherever they are, also of work for a board that nobody is
/// on any more.
/// </summary>
public sealed class WaitingWork(Followers followers)
{
    // What arrives together, after a time without a network, is told together.
    private static readonly TimeSpan s_gathering = TimeSpan.FromMilliseconds(150);

    /// <summary>Follows a board as long as its host runs.</summary>
    public void Begin(RoomHost board, Guid lesson, RoomHosts hosts) =>
        followers.Begin($"What waits on board {board.Id}", (_, caughtUp) => FollowAsync(board, lesson, hosts, caughtUp), board.Finished);

    private static async Task FollowAsync(RoomHost board, Guid lesson, RoomHosts hosts, Action caughtUp)
    {
        var told = await TellAsync(board, lesson, hosts);
        caughtUp();
        await foreach (var envelope in board.FollowAsync(told, board.Finished))
        {
            if (envelope.Number <= told || envelope.Event is not (WorkSetAside or LateWorkAccepted or LateWorkDiscarded or WorkReturned or WorkTakenUpAgain or ConcernRaised or ConcernsSettled)) continue;
            await Task.Delay(s_gathering, board.Finished);
            if (envelope.Event is ConcernRaised(var about, var answer, _, _)) await HidingByConcerns.HideAsync(board, await hosts.GetAsync(lesson), about, answer);
            told = await TellAsync(board, lesson, hosts);
        }
    }

    // What waits now, and what the lesson believes to wait and does not. Gives the number of the event up to which that is so.
    private static async Task<long> TellAsync(RoomHost board, Guid lesson, RoomHosts hosts)
    {
        var counts = new Dictionary<int, int>();
        var through = await board.LookAsync(r =>
        {
            // What was returned waits for its author.
            foreach (var late in ((IWorkRoom)r).SetAside.Values.Where(w => w.Returned.Length == 0)) counts[late.Actor.Number] = counts.GetValueOrDefault(late.Actor.Number) + 1;

            // Who told of something is nobody's matter here.
            if (((IWorkRoom)r).Concerns.Things.Count() is > 0 and var things) counts[Actor.Program.Number] = things;
        });
        var room = await hosts.GetAsync(lesson);
        var known = new Dictionary<int, int>();
        await room.LookAsync(r => known = ((Lesson)r).Waiting.Where(w => w.Board == board.Id).ToDictionary(w => w.Person, w => w.Count));
        foreach (var person in counts.Keys.Union(known.Keys))
        {
            var count = counts.GetValueOrDefault(person);
            if (known.GetValueOrDefault(person) != count) await room.SubmitAsync(new NoteWaiting(board.Id, person, count), Actor.Program);
        }

        return through;
    }
}
