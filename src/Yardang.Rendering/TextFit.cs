using System.Collections.Immutable;
using System.Globalization;
using Yardang.Core.Activities;
using Yardang.Core.Marks;
using Yardang.Core.Styles;

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

    private static Words Broken(Words words, int width, Looks looks) => words with { Lines = Lines(words.Text, width, words.Size, looks.HasFlag(Looks.Bold)) };

    /// <summary>A text in lines that are no wider than a width; a word that is wider is broken where it must be.</summary>
    /// <param name="text">The text.</param>
    /// <param name="width">1/100 mm.</param>
    /// <param name="size">Height of the type (em), 1/100 mm.</param>
    /// <param name="bold">Whether in heavy type.</param>
    public static ImmutableArray<string> Lines(string text, int width, int size, bool bold = false)
    {
        var lines = ImmutableArray.CreateBuilder<string>();
        foreach (var paragraph in text.Split('\n'))
        {
            var line = "";
            foreach (var word in paragraph.Split(' ').SelectMany(w => Pieces(w, width, size, bold)))
            {
                var longer = line.Length == 0 ? word : $"{line} {word}";
                if (line.Length > 0 && WordPainter.Width(longer, size, bold) > width)
                {
                    lines.Add(line);
                    longer = word;
                }

                line = longer;
            }

            lines.Add(line);
        }

        return lines.ToImmutable();
    }

    private static IEnumerable<string> Pieces(string word, int width, int size, bool bold)
    {
        // No letter is wider than its height by much: short words are not measured.
        if (word.Length * size < width || WordPainter.Width(word, size, bold) <= width)
        {
            yield return word;
            yield break;
        }

        var piece = "";
        foreach (var letter in StringInfo.GetTextElementEnumerator(word).AsElements())
        {
            if (piece.Length > 0 && WordPainter.Width(piece + letter, size, bold) > width)
            {
                yield return piece;
                piece = "";
            }

            piece += letter;
        }

        yield return piece;
    }

    private static IEnumerable<string> AsElements(this TextElementEnumerator letters)
    {
        while (letters.MoveNext()) yield return letters.GetTextElement();
    }
}
