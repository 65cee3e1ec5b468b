using System.Collections.Immutable;
using Yardang.Core.Activities;
using Yardang.Core.Marks;

namespace Yardang.Rendering;

/// <summary>
/// Breaks printed words into the width that they were given, where no author's screen has done it: in templates. A screen that changes them breaks them anew.
/// </summary>
public static class TextFit
{
    private const double LineHeight = 1.25;
    private const int NotePadding = 300;

    /// <summary>The activity with all its words broken into lines.</summary>
    public static ActivityContent Fit(ActivityContent content) => content with { Marks = [.. content.Marks.Select(m => m with { Body = Fit(m.Body, m.Style.Looks) })] };

    private static MarkBody Fit(MarkBody body, Looks looks) => body switch
    {
        TextBody t when Broken(t.Words, t.Width, looks) is var words => t with { Words = words, Height = (int)(words.Lines.Length * LineHeight * words.Size) },
        NoteBody n => n with { Words = Broken(n.Words, n.Width - (2 * NotePadding), looks) },
        BubbleBody b => b with { Words = Broken(b.Words, b.Width - (2 * NotePadding), looks) },
        _ => body,
    };

    private static Words Broken(Words words, int width, Looks looks)
    {
        var lines = ImmutableArray.CreateBuilder<string>();
        foreach (var paragraph in words.Text.Split('\n'))
        {
            var line = "";
            foreach (var word in paragraph.Split(' '))
            {
                var longer = line.Length == 0 ? word : $"{line} {word}";
                if (line.Length > 0 && WordPainter.Width(longer, words.Size, looks.HasFlag(Looks.Bold)) > width)
                {
                    lines.Add(line);
                    longer = word;
                }

                line = longer;
            }

            lines.Add(line);
        }

        return words with { Lines = lines.ToImmutable() };
    }
}
