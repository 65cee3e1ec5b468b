using Yardang.Core.History;
using Yardang.Core.Rooms;
using Yardang.Web.History;

namespace Yardang.Web.Moderation;

/// <summary>What was decided of work that had waited, as the log has it: so it can be taken back.</summary>
/// <param name="Let">How what was let in is taken back, by the number of the event that had set it aside.</param>
/// <param name="Left">What was left off, or returned.</param>
public sealed record DecisionsTaken(IReadOnlyDictionary<long, TakeBack> Let, IReadOnlyDictionary<long, LateWork> Left)
{
    /// <summary>Of work with these numbers. The log is gone through once.</summary>
    public static async Task<DecisionsTaken> OfAsync(PastRooms past, Guid id, IReadOnlySet<long> numbers)
    {
        var (let, left) = (new Dictionary<long, TakeBack>(), new Dictionary<long, LateWork>());
        var room = await past.BeginningAsync(id);
        foreach (var happened in past.All(id))
        {
            LateWork? Waiting(long number) => numbers.Contains(number) ? ((IWorkRoom)room).SetAside.GetValueOrDefault(number) : null;
            switch (happened.Event)
            {
                case LateWorkDiscarded(var number, _, _) when happened.Actor.IsStaff && Waiting(number) is { } work:
                    left[number] = work;
                    break;
                case WorkReturned(var number, _, _) when Waiting(number) is { } work:
                    left[number] = work;
                    break;
                case LateWorkAccepted(var number, { } outcome, _, _) when numbers.Contains(number):
                    left.Remove(number);
                    let[number] = TakingBack.Of(outcome, room);
                    break;
            }

            room.Apply(happened);
        }

        return new(let, left);
    }
}
