using Yardang.Core.Activities;
using Yardang.Core.Boards;
using Yardang.Core.Editing;
using Yardang.Core.Judges;
using Yardang.Core.Lessons;
using Yardang.Core.Pages;
using Yardang.Core.Rooms;
using Yardang.Core.Walls;

namespace Yardang.Core.Interchange;

/// <summary>Which work of a lesson can be taken in: what a lesson could hold, and nothing else.</summary>
public static class WorkRules
{
    /// <summary>The most boards of a part: one for everybody, and for each of the groups that there can be.</summary>
    public const int MostBoards = 2 * Limits.People;

    /// <summary>The first thing that is wrong; null if nothing is.</summary>
    public static ContentFault? FaultIn(ArchivedWork work)
    {
        if (work.Name.Length > Limits.NameLength || work.ClassName.Length > Limits.NameLength) return new($"The name of the lesson or of its class is longer than {Limits.NameLength} letters.");
        if (!Enum.IsDefined(work.Way)) return new("Nobody can work together in this way.");
        if (work.People.Length > Limits.People) return new($"There are {work.People.Length} people; a lesson has at most {Limits.People}.");
        if (work.Boards.CountBy(b => b.OfPart).Any(part => part.Value > MostBoards)) return new($"There are {work.Boards.Length} boards; a part has at most {MostBoards}.");
        var known = work.People.Select(p => p.Number).ToHashSet();
        if (known.Count < work.People.Length || known.Any(n => n <= Actor.Owner.Number)) return new("Somebody has no number of their own.");
        for (var i = 0; i < work.Boards.Length; i++)
        {
            var board = work.Boards[i];
            if (!board.People.All(known.Contains) || board.People.Distinct().Count() < board.People.Length) return new($"Board {i + 1} has people who are not in the lesson.");
            if (board.Group is { } group && group.Trim().Length is 0 or > Group.NameLength) return new($"The group of board {i + 1} has no name, or one that is longer than {Group.NameLength} letters.");
            if (board.Wall is { } wall)
            {
                if (FaultIn(board, wall, known) is { } wrong) return new($"Wall {i + 1}: {wrong}");
                continue;
            }

            if (ContentRules.FaultIn(ContentOf(board)) is { } fault) return new($"Board {i + 1}: {fault.Sentence}");
            if (FaultInTalk(board, known) is { } untrue) return new($"Board {i + 1}: {untrue}");
        }

        return null;
    }

    private static string? FaultInTalk(ArchivedBoard board, HashSet<int> known)
    {
        var said = board.Said ?? [];
        if (!MarkThread.AreSound(said)) return "What was said to a mark says nothing, or too much, or answers nothing that is there.";
        if (said.Any(t => t.Answers.Any(a => a.ByStaff ? a.Author != Actor.Owner.Number : !known.Contains(a.Author)))) return "An answer is of somebody who is not in the lesson.";
        return CardResult.AreSound(board.Results ?? []) ? null : "What was said of the marks cannot be so.";
    }

    private static string? FaultIn(ArchivedBoard board, ArchivedWall wall, HashSet<int> known)
    {
        if (board is not { Pages.IsEmpty: true, Marks.IsEmpty: true, Said: null, Results: null }) return "A wall has no pages.";
        bool IsForeign(bool byStaff, int author) => byStaff ? author != Actor.Owner.Number : !known.Contains(author) && !(author == 0 && wall.Plan.IsSealed);
        return Card.FaultIn(wall.Plan, wall.Cards)
            ?? (CardResult.AreSound(wall.Results ?? []) ? null : "What was said of the cards cannot be so.")
            ?? (wall.Order is null || ClassOrder.IsSound(wall.Order, wall.Cards.Select(c => c.Id).ToHashSet()) ? null : "The order of the class cannot be so.")
            ?? (wall.Shifts?.IsSound(wall.Plan.Rules.Positions.Length, wall.Cards.Select(c => c.Id).ToHashSet()) == false ? "Where students stand cannot be so." : null)
            ?? Links.FaultIn(wall.Links ?? [], wall.Cards.Select(c => c.Id).ToHashSet())
            ?? ((wall.Links ?? []).Any(l => IsForeign(l.ByStaff, l.Author)) ? "A link is of somebody who is not in the lesson." : null)
            ?? (wall.Cards.Any(c => IsForeign(c.ByStaff, c.Author) || c.Said.Any(a => IsForeign(a.ByStaff, a.Author))) ? "A card or an answer is of somebody who is not in the lesson." : null);
    }

    private static ActivityContent ContentOf(ArchivedBoard board) => new(Texts.None, Texts.None, board.Pages, board.Marks);
}
