using System.Collections.Immutable;
using System.Text.RegularExpressions;
using Yardang.Core.Marks;
using Yardang.Core.Pages;

namespace Yardang.Core.Activities;

/// <summary>
/// Places that a colleague fills in before an activity is used: words in braces, such as <c>{topic}</c>, in its name, directions, names of parts, printed
/// words, names of zones, and what is planned for a wall or for the phases of the lesson.
/// </summary>
public static partial class FillIns
{
    /// <summary>The names of the places, each once, in the order in which a reader meets them.</summary>
    public static ImmutableArray<string> In(ActivityContent content)
    {
        IEnumerable<string> texts =
        [
            .. Said(content.Name),
            .. Said(content.Directions),
            .. content.Pages.SelectMany(p => Said(p.Name).Concat(Said(p.Directions ?? Texts.None))),
            .. content.Marks.SelectMany(Said),
            .. (content.Phases ?? []).SelectMany(p => Said(p.Words)),
            .. content.Steps.SelectMany(p => Said(p.Name ?? Texts.None).Concat(p.Wall?.Said() ?? [])),
        ];
        return [.. texts.SelectMany(t => Place().Matches(t)).Select(m => m.Groups["name"].Value).Distinct(StringComparer.OrdinalIgnoreCase)];
    }

    private static IEnumerable<string> Said(Texts texts) => texts.ByLanguage.Values;

    private static IEnumerable<string> Said(Mark mark) => mark.Words is { } words ? [words.Text] : Said(mark.Body.Named() ?? Texts.None);

    [GeneratedRegex(@"\{(?<name>[^{}\r\n]{1,40})\}", RegexOptions.ExplicitCapture, 1_000)]
    private static partial Regex Place();
}
