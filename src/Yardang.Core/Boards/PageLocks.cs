using Yardang.Core.Editing;
using Yardang.Core.Rooms;
using Yardang.Core.Threads;
using Yardang.Core.Wire;

namespace Yardang.Core.Boards;

/// <summary>Staff: students cannot change a page any more, nor say something to what stands there, or can again. They go on reading and choosing.</summary>
/// <param name="Page">Which; 0: all pages.</param>
/// <param name="On">Whether it is locked.</param>
[Kind(111)]
public sealed record LockPage(long Page, bool On) : Command;

/// <summary>A page is locked against students, or is not any more; 0: all pages.</summary>
[Kind(145)]
public sealed record PageLocked(long Page, bool On) : RoomEvent;

/// <summary>The pages that a teacher has locked, and what touches them.</summary>
internal static class PageLocks
{
    public static Decision Decide(LockPage command, Actor actor, Sheets sheets)
    {
        if (!actor.IsStaff) return Refusal.NotAllowed;
        if (command.Page != 0 && sheets.FindPage(command.Page) is not { Erased: false }) return Refusal.NoSuchPage;
        return sheets.Pages.Where(p => command.Page == 0 || p.Id == command.Page).All(p => p.Locked == command.On) ? Refusal.ChangedSince : new PageLocked(command.Page, command.On);
    }

    /// <summary>Whether what students do with a command touches a page that is locked.</summary>
    public static bool TouchesLocked(Command command, Sheets sheets)
    {
        bool IsPage(long page) => sheets.FindPage(page)?.Locked == true;
        bool Is(long target) => IsPage(sheets.Marks.TryGetValue(target, out var mark) ? mark.Page : target);
        bool IsStep(long gesture) => sheets.Journal.Find(gesture)?.Steps.Any(s => Is(s.After.Target)) == true;
        return command switch
        {
            AddMark add => IsPage(add.Page),
            AddMarks add => IsPage(add.Page),
            MakeChanges(var changes) => changes.Any(c => Is(c.Target)),
            UndoGesture(var gesture) => IsStep(gesture),
            RedoGesture(var gesture) => IsStep(gesture),
            GiveAnswer answer => Is(answer.About),
            RewordAnswer reword => Is(reword.About),
            TakeAnswerDown take => Is(take.About),
            PutAnswerBack(var about, _) => Is(about),
            _ => false,
        };
    }
}
