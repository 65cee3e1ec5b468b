namespace Yardang.Core.Activities;

/// <summary>A page as an outline names it.</summary>
/// <param name="Title">The heading.</param>
/// <param name="Directions">What stands under it.</param>
public sealed record OutlinePage(string Title, string Directions);

/// <summary>
/// Makes pages of pasted text. Headings are lines that begin with "#", or, if there are none, short lines after an empty line (or at the
/// start) that do not end like a sentence. What stands before the first heading belongs to a page without a title.
/// </summary>
public static class Outline
{
    /// <summary>The most pages that one outline makes.</summary>
    public const int MostPages = 60;

    private const int HeadingLength = 60;
    private const string SentenceEnds = ".!?,;:…";

    /// <summary>The pages of a text; none of an empty one.</summary>
    public static IReadOnlyList<OutlinePage> Read(string text)
    {
        var lines = text.ReplaceLineEndings("\n").Split('\n');
        var marked = lines.Any(IsMarked);
        var pages = new List<OutlinePage>();
        var title = "";
        var under = new List<string>();
        for (var i = 0; i < lines.Length; i++)
        {
            var line = lines[i].Trim();
            var isHeading = marked ? IsMarked(line) : LooksLikeHeading(line, i == 0 || lines[i - 1].Trim().Length == 0);
            if (!isHeading)
            {
                under.Add(line);
                continue;
            }

            Finish();
            title = Cut(line.TrimStart('#').Trim(), Rooms.Limits.NameLength);
        }

        Finish();
        return pages;

        void Finish()
        {
            var directions = string.Join('\n', under).Trim();
            if ((title.Length > 0 || directions.Length > 0) && pages.Count < MostPages) pages.Add(new(title, Cut(directions, Rooms.Limits.DirectionsLength)));
            title = "";
            under.Clear();
        }
    }

    private static bool IsMarked(string line) => line.TrimStart().StartsWith('#') && line.Trim().Trim('#').Trim().Length > 0;

    private static bool LooksLikeHeading(string line, bool first) =>
        first && line.Length is > 0 and <= HeadingLength && !SentenceEnds.Contains(line[^1], StringComparison.Ordinal);

    private static string Cut(string text, int length) => text.Length <= length ? text : text[..length];
}
