using Yardang.Core.Activities;
using Yardang.Core.Boards;
using Yardang.Core.Rooms;
using Yardang.Core.Walls;

namespace Yardang.Core.Visibility;

/// <summary>What a student may take along of a room: a copy that holds nothing but what they were told of it.</summary>
public static class OwnCopy
{
    /// <summary>A board as they see it.</summary>
    /// <param name="board">The board.</param>
    /// <param name="student">Who takes it along.</param>
    /// <param name="isEverybodys">Whether all of the lesson share it: then what the teacher put there and what they did themselves, with what was said to that.</param>
    public static Board Of(Board board, Actor student, bool isEverybodys)
    {
        var seen = (BoardSnapshot)Snapshots.Of(board, student);
        if (isEverybodys)
        {
            var marks = seen.Sheets.Marks.Where(m => m.ByStaff || m.Author == student.Number);
            var own = seen.Sheets.Marks.Where(m => !m.ByStaff && m.Author == student.Number).Select(m => m.Id).ToHashSet();
            seen = seen with { Sheets = seen.Sheets with { Marks = [.. marks], Gestures = [], Writers = [] }, Said = [.. seen.Said.Where(thread => own.Contains(thread.Mark))] };
        }

        var copy = new Board(ActivityContent.Blank("en", ""));
        copy.Restore(board.Number, [], seen);
        return copy;
    }

    /// <summary>A wall as they see it: they know which of its cards are theirs.</summary>
    public static Wall Of(Wall wall, Actor student)
    {
        var copy = new Wall(wall.Plan) { IsCopy = true };
        copy.Restore(wall.Number, [], Snapshots.Of(wall, student));
        return copy;
    }
}
