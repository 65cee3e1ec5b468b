using Yardang.Core.History;
using Yardang.Core.Lessons;
using Yardang.Core.Rooms;
using Yardang.Data.School;
using Yardang.Web.Access;
using Yardang.Web.Lessons;
using Yardang.Web.Rooms;

namespace Yardang.Web.History;

/// <summary>A trail, with the boards and walls on it.</summary>
/// <param name="Trail">What was done.</param>
/// <param name="Boards">The rooms of its steps.</param>
public sealed record TrailThrough(Trail Trail, IReadOnlyDictionary<Guid, LessonBoard> Boards);

/// <summary>Gathers what a student or a group did over all boards and walls of a lesson. Where names are for nobody, nobody can tell who did what; those are left out.</summary>
public sealed class Trails(PastRooms past, LessonPeople people, LogExport log, RoomHosts hosts)
{
    /// <summary>The students of a group now, with its name; null if there is no such group.</summary>
    public async Task<Group?> GroupAsync(Guid lesson, int number)
    {
        Group? group = null;
        await (await hosts.GetAsync(lesson)).LookAsync(r => group = ((Lesson)r).Grouping.Now.FirstOrDefault(g => g.Number == number));
        return group;
    }

    /// <summary>What some students did, as far as the visitor may look at it.</summary>
    public async Task<TrailThrough> OfAsync(Visitor visitor, LessonRecord lesson, IReadOnlyCollection<int> whose)
    {
        var (boards, steps) = (new Dictionary<Guid, LessonBoard>(), new List<TrailStep>());

        // On boards of others nobody has done anything.
        foreach (var board in (await people.AllBoardsAsync(lesson)).Where(b => b.Place.Whose != Whose.Own || whose.Contains(b.Place.Number)))
        {
            if (await past.FindAsync(visitor, board.Id) is null) continue;
            boards[board.Id] = board;
            steps.AddRange((await log.StepsAsync(board.Id, whose)).Select(s => new TrailStep(board.Id, s.Line, s.Place)));
        }

        return new(Trail.Of(steps), boards);
    }
}
