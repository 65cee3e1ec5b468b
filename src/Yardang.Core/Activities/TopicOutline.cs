using Yardang.Core.Rooms;
using Yardang.Core.Walls;

namespace Yardang.Core.Activities;

/// <summary>
/// Makes topics of a pasted list: a line for each, and behind a colon or a tab what to write there. Bullets and numbers before a line fall away.
/// With headings ("#") it is read as an <see cref="Outline"/>.
/// </summary>
public static class TopicOutline
{
    private static readonly char[] s_before = ['-', '*', '•', '–', '·', ' ', '\t'];
    private static readonly char[] s_between = [':', '\t'];

    /// <summary>The topics of a text, at most as many as a wall has; none of an empty one.</summary>
    public static IReadOnlyList<OutlinePage> Read(string text)
    {
        var lines = text.ReplaceLineEndings("\n").Split('\n', StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries);
        var read = lines.Any(l => l.StartsWith('#')) ? Outline.Read(text) : [.. lines.Select(Topic)];
        return [.. read.Where(t => t.Title.Length > 0 || t.Directions.Length > 0).Take(WallPlan.MostTopics).Select(t => t with { Directions = Cut(t.Directions, WallPlan.PromptLength) })];
    }

    private static OutlinePage Topic(string line)
    {
        var words = WithoutNumber(line.TrimStart(s_before));
        var at = words.IndexOfAny(s_between);
        return at < 0 ? new(Cut(words, Limits.NameLength), "") : new(Cut(words[..at].Trim(), Limits.NameLength), words[(at + 1)..].Trim());
    }

    // "1." and "2)" are the list's; "4 legs" is the topic's.
    private static string WithoutNumber(string line)
    {
        var digits = line.TakeWhile(char.IsAsciiDigit).Count();
        return digits > 0 && digits < line.Length && line[digits] is ('.' or ')') ? line[(digits + 1)..].TrimStart() : line;
    }

    private static string Cut(string text, int length) => text.Length <= length ? text : text[..length];
}
