using Yardang.Core.Boards;
using Yardang.Core.Editing;
using Yardang.Core.Lessons;
using Yardang.Core.Marks;
using Yardang.Core.Rooms;
using Yardang.Core.Threads;
using Yardang.Core.Walls;
using Yardang.Web.Rooms;

namespace Yardang.Web.Moderation;

/// <summary>Hides what several students have told their teacher of, until a teacher has looked, where the teacher wishes so.</summary>
public static class HidingByConcerns
{
    /// <summary>Hides something if enough have told of it and it is still there.</summary>
    public static async Task HideAsync(RoomHost work, RoomHost lesson, long about, long answer)
    {
        var (after, isDue) = (0, false);
        await lesson.LookAsync(r => after = ((Lesson)r).HidesAfter);
        if (after == 0) return;
        await work.LookAsync(r => isDue = ((IWorkRoom)r).Concerns.Of(about, answer).Count() >= after && Stands(r, about, answer));
        if (isDue) await work.SubmitAsync(answer != 0 ? new TakeAnswerDown(about, answer) : work.Kind == RoomKind.Wall ? new TakeCardDown(about) : new MakeChanges([new TakingDown(about, TakenDown.Hidden)]), Actor.Program);
    }

    /// <summary>Whether something is down, and not because its author took it down.</summary>
    /// <param name="room">The wall or board.</param>
    /// <param name="teacher">By whose numbers it is named.</param>
    /// <param name="about">The card or mark.</param>
    /// <param name="answer">The answer to it; 0 for the card or mark itself.</param>
    public static bool IsDownByTeacher(Room room, Actor teacher, long about, long answer)
    {
        long Id(long id) => room is Wall { IsSealed: true } wall ? wall.Veil.Lift(teacher.ReadingWhere(isSealed: true), id) : id;
        var said = room switch
        {
            Wall wall => wall.Cards.GetValueOrDefault(Id(about))?.Said.FirstOrDefault(a => a.Id == Id(answer)),
            Board board => board.Talk.About(about).FirstOrDefault(a => a.Id == answer),
            _ => null,
        };
        if (answer != 0) return said is { IsUp: false } && said.DownBy != said.Author;
        return room switch
        {
            Wall wall => wall.Cards.GetValueOrDefault(Id(about)) is { IsUp: false } card && card.DownBy != card.Author,
            Board board => board.Sheets.Marks.GetValueOrDefault(about) is { Erased: false, Down: not TakenDown.No },
            _ => false,
        };
    }

    private static bool Stands(Room room, long about, long answer) => (room, answer) switch
    {
        (Wall wall, 0) => wall.Cards.GetValueOrDefault(about) is { IsUp: true },
        (Wall wall, _) => wall.Cards.GetValueOrDefault(about)?.Said.FirstOrDefault(a => a.Id == answer) is { IsUp: true },
        (Board board, 0) => board.Sheets.Marks.GetValueOrDefault(about) is { Stands: true },
        (Board board, _) => board.Talk.About(about).FirstOrDefault(a => a.Id == answer) is { IsUp: true },
        _ => false,
    };
}
