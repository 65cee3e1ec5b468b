using System.Collections.Immutable;
using Yardang.Core.Editing;
using Yardang.Core.Marks;

namespace Yardang.Core.History;

/// <summary>How far a restore goes. The numbers are in addresses.</summary>
public enum RestoreDepth
{
    /// <summary>What has gone since comes back; what others did since stays.</summary>
    Gone = 0,

    /// <summary>What was changed since is as it was then, too.</summary>
    Changed = 1,

    /// <summary>What came since goes, too.</summary>
    Exactly = 2,
}

/// <summary>What is to be as it was at a moment.</summary>
/// <param name="Page">On which page; 0 for all.</param>
/// <param name="Person">Whose marks, by actor number; 0 for everybody's.</param>
/// <param name="Mark">Which mark; 0 for all.</param>
/// <param name="Depth">How far it goes.</param>
public sealed record RestoreOrder(long Page, int Person, long Mark, RestoreDepth Depth);

/// <summary>What a restore would do.</summary>
/// <param name="Changes">The changes that do it, mark by mark.</param>
/// <param name="Back">How many marks come back.</param>
/// <param name="Changed">How many that stand are changed.</param>
/// <param name="Away">How many go.</param>
/// <param name="Down">How many stay away because a teacher took them down.</param>
public sealed record Restoration(ImmutableArray<Change> Changes, int Back, int Changed, int Away, int Down);

/// <summary>
/// How a board becomes what it was. It is one more change by whoever asks for it, which can be undone like any other: the log is never turned back.
/// The answer key, its zones, and what a teacher took down are left as they are.
/// </summary>
public static class Restoring
{
    /// <summary>What has to be changed, so that the sheets are as they were.</summary>
    /// <param name="then">The marks at the moment, taken from the same sheets before they went on: what is unchanged is the same object.</param>
    /// <param name="now">The sheets as they are.</param>
    /// <param name="order">What is to be restored.</param>
    public static Restoration Plan(IReadOnlyDictionary<long, Mark> then, Sheets now, RestoreOrder order)
    {
        var changes = ImmutableArray.CreateBuilder<Change>();
        var (back, changed, away, down) = (0, 0, 0, 0);
        foreach (var mark in now.Marks.Values.Where(m => IsMeant(m, now, order)).OrderBy(m => m.Order).ThenBy(m => m.Id))
        {
            var before = then.GetValueOrDefault(mark.Id) is { Stands: true } stood ? stood : null;
            if (mark.Down != TakenDown.No)
            {
                if (before is not null) down++;
            }
            else if (before is null)
            {
                if (mark.Erased || mark.Grip != Grip.Own || order.Depth != RestoreDepth.Exactly) continue;
                changes.Add(new Erasing(mark.Id, true));
                away++;
            }
            else if (mark.Erased)
            {
                changes.Add(new Erasing(mark.Id, false));
                changes.AddRange(Differences(before, mark));
                back++;
            }
            else
            {
                List<Change> differences = [.. Differences(before, mark).Where(c => order.Depth != RestoreDepth.Gone || c is Cutting)];
                changes.AddRange(differences);
                if (differences.Count > 0) changed++;
            }
        }

        return new(changes.ToImmutable(), back, changed, away, down);
    }

    private static bool IsMeant(Mark mark, Sheets now, RestoreOrder order) =>
        mark.Grip != Grip.Key && !mark.Body.BelongsToPage() && now.FindPage(mark.Page) is { Erased: false }
        && (order.Page == 0 || mark.Page == order.Page)
        && (order.Person == 0 || (mark.Author == order.Person && !mark.ByStaff))
        && (order.Mark == 0 || mark.Id == order.Mark);

    private static IEnumerable<Change> Differences(Mark before, Mark now)
    {
        var id = now.Id;
        if (!before.Cuts.AsSpan().SequenceEqual(now.Cuts.AsSpan())) yield return new Cutting(id, before.Cuts);
        if (!ReferenceEquals(before.Body, now.Body)) yield return (Change?)Reworded(before, now) ?? new Remaking(id, before.Body);
        if (before.Style != now.Style) yield return new Styling(id, before.Style);
        if (before.Pinned != now.Pinned) yield return new Pinning(id, before.Pinned);
        if (before.Tie != now.Tie) yield return new Tying(id, before.Tie);
        if (before.Order != now.Order) yield return new Ordering(id, before.Order);
        if (before.Grip != now.Grip) yield return new Gripping(id, before.Grip);
        if (now.Body.Ends().Any()) yield break;
        if (before.Place != now.Place) yield return new Placed(id, before.Place);
        if (before.Scale != now.Scale) yield return new Scaling(id, before.Scale);
    }

    // Where only the words are others, only they are changed: so an undo of theirs finds who wrote them last.
    private static Wording? Reworded(Mark before, Mark now)
    {
        if (before.Words is not { } words || now.Words is null) return null;
        var box = before.Body.Box();
        var wording = new Wording(now.Id, words, (int)box.Width, (int)box.Height);
        return now.Body.With(wording.Words, wording.Width, wording.Height).Equals(before.Body) ? wording : null;
    }
}
