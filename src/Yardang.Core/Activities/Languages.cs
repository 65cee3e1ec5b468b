using System.Collections.Immutable;
using Yardang.Core.Marks;
using Yardang.Core.Pages;

namespace Yardang.Core.Activities;

/// <summary>In which languages an activity speaks, and what it does not say in all of them.</summary>
public static class Languages
{
    /// <summary>The languages of its texts, as BCP 47 tags, in order.</summary>
    public static ImmutableSortedSet<string> In(ActivityContent activity) => TextsOf(activity).SelectMany(t => t).ToImmutableSortedSet(StringComparer.Ordinal);

    /// <summary>How many of its texts lack one of these languages. Names and words that a teacher left empty are no texts.</summary>
    public static int Missing(ActivityContent activity)
    {
        var all = In(activity);
        return all.Count < 2 ? 0 : TextsOf(activity).Count(t => t.Count > 0 && t.Count < all.Count);
    }

    /// <summary>A mark as somebody reads it who reads this language; as it was written if it does not say it in this language, or if no language is asked for.</summary>
    /// <param name="mark">The mark.</param>
    /// <param name="language">The language that is asked for; null for as it was written.</param>
    /// <param name="written">The language in which texts were written that do not know it themselves.</param>
    public static Mark ReadIn(Mark mark, string? language, string written) => mark with { Body = mark.Body.ReadIn(language, written) };

    // For each text, the languages in which it is there.
    private static IEnumerable<IReadOnlyCollection<string>> TextsOf(ActivityContent activity)
    {
        yield return In(activity.Name);
        yield return In(activity.Directions);
        foreach (var page in activity.Pages)
        {
            yield return In(page.Name);
            yield return In(page.Directions ?? Texts.None);
            foreach (var starter in page.Starters ?? []) yield return In(starter);
        }

        foreach (var text in activity.Steps.SelectMany(p => (p.Wall?.Texts ?? []).Prepend(p.Name ?? Texts.None))) yield return In(text);

        foreach (var phase in activity.Phases ?? []) yield return In(phase.Words);

        foreach (var mark in activity.Marks.Where(m => m.Grip != Grip.Key))
        {
            if (mark.Body.Named() is { } name) yield return In(name);
            if (mark.Words is { } words && words.Text.Trim().Length > 0) yield return [words.Language, .. (words.Also ?? []).Select(a => a.Language)];
        }
    }

    private static List<string> In(Texts texts) => [.. texts.ByLanguage.Where(t => !string.IsNullOrWhiteSpace(t.Value)).Select(t => t.Key)];
}
