using System.Collections.Immutable;
using Yardang.Core.Activities;
using Yardang.Core.Editing;
using Yardang.Core.Marks;
using Yardang.Core.Pages;
using Yardang.Core.Rooms;
using Yardang.Core.Wire;

namespace Yardang.Core.LateChanges;

/// <summary>The program brings a late change onto a board.</summary>
/// <param name="Number">Which change of the lesson.</param>
/// <param name="Change">What it holds.</param>
/// <param name="Earlier">What the board may have been given before: first the version of the lesson, then the late changes before this one.</param>
public sealed record AdoptLateChange(int Number, LateContent Change, ImmutableArray<ActivityContent> Earlier) : Command;

/// <summary>The program takes a late change off a board.</summary>
public sealed record GiveUpLateChange(int Number) : Command;

/// <summary>A late change as a board knows it.</summary>
public sealed record Adopted(int Number, long Page, bool GivenUp = false);

/// <summary>
/// What a late change does to a board. What students have written stays, what they have moved stays where they put it, and nothing is said of
/// the answer key.
/// </summary>
public static class Adoption
{
    /// <summary>Brings a late change onto a board as it stands now.</summary>
    public static LateChangeAdopted Adopt(Sheets board, AdoptLateChange adopt)
    {
        var (activity, chosen) = adopt.Change;
        var pages = new List<Page>();
        var marks = new List<Mark>();
        var changes = new List<Change>();
        foreach (var page in activity.Pages.Where(p => chosen.Contains(p.Id)))
        {
            if (board.FindPage(page.Id) is { Erased: false } there) changes.AddRange(Differences(there, page));
            else if (board.FindPage(page.Id) is { } gone) pages.Add(page with { Order = gone.Order, Size = SizeOf(gone, page) });
            else pages.Add(page with { Order = OrderFor(page, activity.Pages, board, pages) });
        }

        if (chosen.Length > 0) changes.AddRange(Differences(board, activity));
        var top = adopt.Earlier.Take(1).SelectMany(version => version.Marks).Select(m => m.Order).DefaultIfEmpty().Max();
        var given = activity.Marks.Where(m => m.Grip != Grip.Key && (chosen.IsEmpty ? board.FindPage(m.Page) is { Erased: false } : chosen.Contains(m.Page))).Select(m => m.AsTold()).ToList();
        var front = Math.Max(top, given.Select(m => m.Order).DefaultIfEmpty().Max()) + 1;
        foreach (var mark in given)
        {
            var there = board.Marks.GetValueOrDefault(mark.Id) is { Grip: not Grip.Key } known ? known : null;
            if (there is { Erased: false }) changes.AddRange(Differences(there, mark, adopt.Earlier));
            else if (there is not null) marks.Add(mark with { Order = there.Order, Place = IsWhereItWasPut(there, adopt.Earlier) ? mark.Place : there.Place });
            else marks.Add(chosen.IsEmpty ? mark with { Order = Math.Floor(board.FrontOrder) + marks.Count + 1 } : mark with { Order = UnderWork(mark.Order, top, front) });
        }

        var stays = given.Select(m => m.Id).ToHashSet();
        var once = adopt.Earlier.SelectMany(e => e.Marks).Where(m => chosen.Contains(m.Page) && !stays.Contains(m.Id)).Select(m => m.Id).ToHashSet();
        changes.AddRange(board.Marks.Values.Where(m => once.Contains(m.Id) && !m.Erased && m.Grip != Grip.Key && !IsHeld(board, m.Id)).Select(m => new Erasing(m.Id, true)));
        var at = pages.FirstOrDefault()?.Id ?? marks.FirstOrDefault()?.Page ?? changes.Select(c => PageOf(board, c)).FirstOrDefault(p => p != 0);
        return new(adopt.Number, at, [.. pages], [.. marks], [.. changes]);
    }

    /// <summary>Takes a late change off a board: what others have changed since stays, and so does a page on which somebody has written.</summary>
    public static GestureUndone GiveUp(Sheets board, Gesture gesture)
    {
        var (changes, skipped) = Marking.Turn(board, gesture, s => s.Before, (_, writer) => writer == gesture.Id, change => change switch
        {
            PageErasing(var page, true) => !board.Visible(page).Any(m => !m.ByStaff),
            Erasing(var mark, true) => !IsHeld(board, mark),
            Sizing(var page, var size) => board.FindPage(page) is { } now && size.Height >= now.Size.Height,
            _ => true,
        });
        return new(gesture.Id, changes, skipped, board.BackWith(changes));
    }

    private static IEnumerable<Change> Differences(Page there, Page page)
    {
        var size = SizeOf(there, page);
        if (there.Size != size) yield return new Sizing(page.Id, size);
        if (there.Withheld != page.Withheld) yield return new Withholding(page.Id, page.Withheld);
        if (there.Shows != page.Shows) yield return new Granting(page.Id, page.Shows);
        if (!ActivityJson.AreSame(there.Paper, page.Paper)) yield return new Papering(page.Id, page.Paper);
        if (!ActivityJson.AreSame(there.Name, page.Name)) yield return new PageNaming(page.Id, page.Name);
        if (!ActivityJson.AreSame(there.Directions ?? Texts.None, page.Directions ?? Texts.None)) yield return new PageDirecting(page.Id, page.Directions ?? Texts.None);
        if (!ActivityJson.AreSame(there.Starters ?? [], page.Starters ?? [])) yield return new Starting(page.Id, page.Starters ?? []);
        if (!ActivityJson.AreSame(there.Stimulus, page.Stimulus)) yield return new Stimulating(page.Id, page.Stimulus);
    }

    private static IEnumerable<Change> Differences(Sheets board, ActivityContent activity)
    {
        if (!ActivityJson.AreSame(board.Directions, activity.Directions)) yield return new Directing(activity.Directions);
        if (board.Unit != activity.Unit) yield return new Measuring(activity.Unit);
    }

    private static IEnumerable<Change> Differences(Mark there, Mark mark, ImmutableArray<ActivityContent> earlier)
    {
        var id = mark.Id;
        if (there.Body.GetType() == mark.Body.GetType() && !ActivityJson.AreSame(there.AsTold().Body, mark.Body)) yield return new Remaking(id, mark.Body);
        if (there.Style != mark.Style) yield return new Styling(id, mark.Style);
        if (there.Scale != mark.Scale) yield return new Scaling(id, mark.Scale);
        if (there.Pinned != mark.Pinned) yield return new Pinning(id, mark.Pinned);
        if (there.Tie != mark.Tie) yield return new Tying(id, mark.Tie);
        if (there.Grip != mark.Grip) yield return new Gripping(id, mark.Grip);
        if (there.Place != mark.Place && IsWhereItWasPut(there, earlier)) yield return new Placed(id, mark.Place);
    }

    // Students may have made room at the foot of a page.
    private static PageSize SizeOf(Page there, Page page) => new(page.Size.Width, Math.Max(page.Size.Height, there.Size.Height));

    private static bool IsWhereItWasPut(Mark there, ImmutableArray<ActivityContent> earlier) => earlier.SelectMany(e => e.Marks).Any(m => m.Id == there.Id && m.Place == there.Place);

    // Between the pages beside which it stands in the activity.
    private static double OrderFor(Page page, ImmutableArray<Page> sequence, Sheets board, List<Page> added)
    {
        var orders = board.AllPages.Concat(added).ToDictionary(p => p.Id, p => p.Order);
        var before = sequence.TakeWhile(p => p.Id != page.Id).LastOrDefault(p => orders.ContainsKey(p.Id));
        var from = before is null ? orders.Values.Min() - 2 : orders[before.Id];
        var following = orders.Values.Where(o => o > from).Order().ToList();
        return following.Count == 0 ? from + 1 : (from + following[0]) / 2;
    }

    // What is printed late still lies under what students have written: they began to count where the printed marks ended.
    private static double UnderWork(double order, double top, double front) => order <= top ? order : top + ((order - top) / (front - top));

    // A student's connector hangs on it.
    private static bool IsHeld(Sheets board, long mark) =>
        board.Marks.Values.Any(m => !m.ByStaff && !m.Erased && m.Body.Ends().Contains(mark));

    private static long PageOf(Sheets board, Change change) =>
        change.Target == 0 ? 0 : board.Marks.TryGetValue(change.Target, out var mark) ? mark.Page : board.FindPage(change.Target)?.Id ?? 0;
}
