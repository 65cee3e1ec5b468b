using Yardang.Core.Boards;
using Yardang.Core.Rooms;
using Yardang.Core.Walls;

namespace Yardang.Core.Needs;

/// <summary>What can be seen of somebody's work in one room, from outside.</summary>
/// <param name="LastAct">When they did something last there, server time in ms; null if never.</param>
/// <param name="Size">How much of theirs stands there: marks, or cards and answers.</param>
public readonly record struct WorkSeen(long? LastAct, int Size)
{
    /// <summary>Of each student who ever did anything in a room, by actor number; null where names are for nobody, for then nobody may know.</summary>
    public static IReadOnlyDictionary<int, WorkSeen>? In(Room room)
    {
        if (room.IsSealed || room is not IWorkRoom work) return room.IsSealed ? null : new Dictionary<int, WorkSeen>();
        var sizes = new Dictionary<int, int>();
        void Add(int person, bool byStaff)
        {
            if (!byStaff) sizes[person] = sizes.GetValueOrDefault(person) + 1;
        }

        if (room is Board board)
        {
            foreach (var mark in board.Sheets.Marks.Values.Where(m => m.Stands)) Add(mark.Author, mark.ByStaff);
        }
        else if (room is Wall wall)
        {
            foreach (var card in wall.Cards.Values.Where(c => c.IsUp))
            {
                Add(card.Author, card.ByStaff);
                foreach (var answer in card.Said.Where(a => a.IsUp)) Add(answer.Author, answer.ByStaff);
            }
        }

        return work.Acts.Values.ToDictionary(act => act.Person, act => new WorkSeen(act.At, sizes.GetValueOrDefault(act.Person)));
    }
}
