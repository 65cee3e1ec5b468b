using Yardang.Core.Boards;
using Yardang.Core.Editing;
using Yardang.Core.Rooms;
using Yardang.Core.Walls;

namespace Yardang.Core.Needs;

/// <summary>What a student did to something that is not theirs.</summary>
public enum Touching
{
    /// <summary>They moved it.</summary>
    Moved,

    /// <summary>They changed what it says or how it looks.</summary>
    Changed,

    /// <summary>They rubbed it out or took it down.</summary>
    Removed,
}

/// <summary>A student did something to one thing of somebody else's.</summary>
/// <param name="At">When, server time in ms.</param>
/// <param name="Person">Who, by actor number.</param>
/// <param name="Whose">Whose it is, by actor number; 0 for a teacher's.</param>
/// <param name="What">What they did.</param>
public readonly record struct Touch(long At, int Person, int Whose, Touching What);

/// <summary>What students do to the work of others. What several may do together on purpose looks the same: it is counted, and judged by nobody but the teacher.</summary>
public static class OthersWork
{
    /// <summary>What an event did to things of others, each thing once; nothing if a teacher or the program did it. What a teacher put there to be moved is moved by whoever does the task: that is nothing, either.</summary>
    /// <param name="envelope">The event.</param>
    /// <param name="room">A board or wall, as it was then or later: whose a thing is never changes.</param>
    public static IEnumerable<Touch> In(Envelope envelope, Room room)
    {
        if (envelope.Actor.Role != Role.Student) return [];
        var me = envelope.Actor.Number;
        return (room switch
        {
            Board board => On(envelope.Event, board),
            Wall wall => On(envelope.Event, wall),
            _ => [],
        }).Where(t => t.Whose is { } whose && whose != me && (whose != 0 || t.What != Touching.Moved)).Select(t => new Touch(envelope.Time, me, t.Whose!.Value, t.What));
    }

    private static IEnumerable<(int? Whose, Touching What)> On(RoomEvent happened, Board board)
    {
        var changes = happened switch
        {
            ChangesMade made => made.Changes,
            GestureRedone redone => redone.Changes,
            _ => [],
        };
        foreach (var thing in changes.GroupBy(c => c.Target))
        {
            if (!board.Sheets.Marks.TryGetValue(thing.Key, out var mark)) continue;
            var done = thing.Select(WhatOf).Max();
            if (done is { } what) yield return (Whose(mark.Author, mark.ByStaff), what);
        }
    }

    // What comes back was taken away before.
    private static Touching? WhatOf(Change change) => change switch
    {
        Erasing { Erased: true } or Cutting => Touching.Removed,
        Erasing or TakingDown => null,
        Placed or Scaling or Ordering => Touching.Moved,
        _ => Touching.Changed,
    };

    private static IEnumerable<(int? Whose, Touching What)> On(RoomEvent happened, Wall wall)
    {
        var (card, link, what) = happened switch
        {
            CardMoved moved => (moved.Id, 0L, Touching.Moved),
            CardLaid laid => (laid.Card, 0, Touching.Moved),
            CardPlaced placed => (placed.Card, 0, Touching.Moved),
            CardReworded reworded => (reworded.Id, 0, Touching.Changed),
            CardColoured coloured => (coloured.Card, 0, Touching.Changed),
            CardTakenDown down => (down.Id, 0, Touching.Removed),
            LinkReworded reworded => (0, reworded.Id, Touching.Changed),
            LinkReversed reversed => (0, reversed.Id, Touching.Changed),
            LinkTakenDown down => (0, down.Id, Touching.Removed),
            _ => (0, 0, default),
        };
        if (wall.Cards.TryGetValue(card, out var known)) yield return (Whose(known.Author, known.ByStaff), what);
        if (wall.Links.All.TryGetValue(link, out var linked)) yield return (Whose(linked.Author, linked.ByStaff), what);
    }

    private static int Whose(int author, bool byStaff) => byStaff ? 0 : author;
}
