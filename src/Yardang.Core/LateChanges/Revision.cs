using System.Collections.Immutable;
using Yardang.Core.Activities;
using Yardang.Core.Editing;
using Yardang.Core.Pages;

namespace Yardang.Core.LateChanges;

/// <summary>How a page of the workshop differs from what was handed out.</summary>
/// <param name="Page">The page's id.</param>
/// <param name="Name">What it is called.</param>
/// <param name="Position">Its place among the pages, from 1.</param>
/// <param name="IsNew">Whether the lesson has never had it.</param>
/// <param name="Added">How many marks are new.</param>
/// <param name="Changed">How many marks are different.</param>
/// <param name="Removed">How many marks are gone.</param>
/// <param name="IsPageChanged">Whether its paper, size, name, directions, tools or stimulus are different.</param>
public sealed record PageRevision(long Page, Texts Name, int Position, bool IsNew, int Added, int Changed, int Removed, bool IsPageChanged);

/// <summary>Compares what the workshop says with what a lesson has been given.</summary>
public static class Revision
{
    /// <summary>The pages that are new or different.</summary>
    /// <param name="version">What the lesson began with.</param>
    /// <param name="later">What was handed out to everybody since, in order.</param>
    /// <param name="now">What the workshop says.</param>
    public static IReadOnlyList<PageRevision> Of(ActivityContent version, IEnumerable<LateContent> later, ActivityContent now)
    {
        var given = version.Pages.ToDictionary(p => p.Id, _ => version);
        foreach (var change in later)
        {
            foreach (var page in change.Pages) given[page] = change.Activity;
        }

        var revisions = new List<PageRevision>();
        foreach (var (page, i) in now.Pages.Select((p, i) => (p, i)))
        {
            var marks = now.Marks.Where(m => m.Page == page.Id).ToList();
            if (!given.TryGetValue(page.Id, out var source))
            {
                revisions.Add(new(page.Id, page.Name, i + 1, IsNew: true, marks.Count, 0, 0, IsPageChanged: false));
                continue;
            }

            var before = source.Marks.Where(m => m.Page == page.Id).ToDictionary(m => m.Id);
            var added = marks.Count(m => !before.ContainsKey(m.Id));
            var changed = marks.Count(m => before.TryGetValue(m.Id, out var was) && !ActivityJson.AreSame(was with { Order = m.Order }, m));
            var removed = before.Keys.Except(marks.Select(m => m.Id)).Count();
            var isPageChanged = !ActivityJson.AreSame(source.Pages.Single(p => p.Id == page.Id), page);
            if (added + changed + removed > 0 || isPageChanged) revisions.Add(new(page.Id, page.Name, i + 1, IsNew: false, added, changed, removed, isPageChanged));
        }

        return revisions;
    }
}
