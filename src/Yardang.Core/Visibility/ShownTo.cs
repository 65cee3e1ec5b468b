using System.Collections.Immutable;
using Yardang.Core.Attachments;
using Yardang.Core.Boards;
using Yardang.Core.Marks;
using Yardang.Core.Rooms;
using Yardang.Core.Threads;
using Yardang.Core.Walls;

namespace Yardang.Core.Visibility;

/// <summary>What is attached in a room, as one reader may see it: on cards and pages, in answers, and at the topics of a wall.</summary>
public static class ShownTo
{
    /// <summary>All of it; nothing in rooms of other kinds.</summary>
    public static IEnumerable<Attachment> In(Room room, Actor reader) => room is Board or Wall ? In(Snapshots.Of(room, reader)) : [];

    private static IEnumerable<Attachment> In(RoomSnapshot known) => known switch
    {
        WallSnapshot wall => wall.Plan.Topics.SelectMany(t => t.Shows).Concat(wall.Cards.SelectMany(c => c.Shown.Concat(In(c.Said)))),
        BoardSnapshot board => board.Sheets.Marks.Where(m => m.Stands).Select(m => m.Body).OfType<ShownBody>().Select(b => b.Shown).Concat(board.Said.SelectMany(t => In(t.Answers))),
        _ => [],
    };

    // What is said in the voice of an answer stands in the answer.
    private static IEnumerable<Attachment> In(ImmutableArray<Answer> answers) => answers.Select(a => a.Shown is VoiceAttachment voice ? voice with { Words = a.Text } : a.Shown).OfType<Attachment>();
}
