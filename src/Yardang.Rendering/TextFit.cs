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

    private static MarkBody Fit(MarkBody body, Looks looks)
    {
        if (body.Written() is not { } words) return body;
        var (width, height) = ((int)body.Box().Width, (int)body.Box().Height);
        if (body is not TextBody) return body.With(Broken(words, width - (2 * NotePadding), looks), width, height);
        var broken = Broken(words, width, looks);
        return body.With(broken, width, (int)(broken.Lines.Length * LineHeight * broken.Size));
    }

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
