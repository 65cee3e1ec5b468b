using System.Collections.Immutable;
using Yardang.Core.Attachments;
using Yardang.Core.Marks;
using Yardang.Core.Pages;
using Yardang.Core.Styles;

namespace Yardang.Rendering;

/// <summary>One card for the big screen, as large as it can be: what was asked above it, and below its words what it shows. All lengths are 1/100 mm.</summary>
public static class CardPage
{
    private const int Width = 32_000;
    private const int Height = 17_600;
    private const int Margin = 900;
    private const int Padding = 700;
    private const int QuestionSize = 900;
    private const int Gap = 500;
    private const int MostLines = 2;
    private const int Edge = 60;
    private const double LineHeight = 1.25;

    // What would be shown smaller than this is left out.
    private const int Least = 800;

    private static readonly double[] s_alone = [1];
    private static readonly double[] s_overShown = [0.4, 0.7, 1];

    // The smallest is 38 pixels high on a screen of 1,920.
    private static readonly int[] s_sizes = [2_600, 2_100, 1_700, 1_400, 1_150, 950, 780, 640];

    /// <summary>The page.</summary>
    /// <param name="question">The question over the wall, and under which topic the card stands; may be empty.</param>
    /// <param name="card">What it says and shows.</param>
    /// <param name="colour">Of the card, among the colours of notes.</param>
    /// <param name="picture">The bytes of a picture by its name; null if it is not there.</param>
    public static ExportPage Of(string question, WallSlip card, int colour, Func<string, byte[]?> picture)
    {
        var marks = new List<Mark>();
        void Put(MarkBody body, Style style, Scale? scale = null) => marks.Add(new Mark(marks.Count + 1, 1, 0, ByStaff: false, Grip.Own, marks.Count + 1, body, style, Place.AsDrawn, [], Erased: false, scale));

        var top = Margin;
        if (question.Length > 0)
        {
            var lines = TextFit.Lines(question, Width - (2 * Margin), QuestionSize, bold: true);
            if (lines.Length > MostLines) lines = [.. lines.Take(MostLines - 1), $"{lines[MostLines - 1]} …"];
            Put(new TextBody(Margin, top, Width - (2 * Margin), HeightOf(lines.Length, QuestionSize), new Words(question, "", lines, QuestionSize)), new Style(0, 0, 0, Looks.Bold));
            top += HeightOf(lines.Length, QuestionSize) + Gap;
        }

        var (room, inside) = (Height - Margin - top, Width - (2 * Margin) - (2 * Padding));
        var shown = card.Shown ?? [];
        var (size, words) = Fitted(card.Text, inside, room - (2 * Padding), shown.IsEmpty ? s_alone : s_overShown);
        Put(new NoteBody(Margin, top, Width - (2 * Margin), room, new Words("", "", [], size)), new Style(colour, 0));
        Put(new ShapeBody(ShapeKind.Polygon, [Margin, top, Width - Margin, top, Width - Margin, Height - Margin, Margin, Height - Margin]), new Style(0, Edge));
        var high = card.Text.Length == 0 ? 0 : HeightOf(words.Length, size);
        if (high > 0) Put(new TextBody(Margin + Padding, top + Padding, inside, high, new Words(card.Text, "", words, size)), new Style(0, 0));

        // Side by side, in what is left.
        var (below, across) = (room - (2 * Padding) - high - (high > 0 ? Gap : 0), Math.Max(1, shown.Length));
        var wide = (inside - ((across - 1) * Gap)) / across;
        for (var i = 0; i < shown.Length && below >= Least; i++)
        {
            var (w, h) = AttachmentMarks.SizeIn(shown[i], wide, below);
            foreach (var (body, style, scale) in AttachmentMarks.Of(shown[i], Margin + Padding + (i * (wide + Gap)) + ((wide - w) / 2), Height - Margin - Padding - below, w, h)) Put(body, style, scale);
        }

        return new ExportPage(new Page(1, Texts.None, new PageSize(Width, Height), Paper.Plain), marks, LengthUnit.Centimetre, picture, "");
    }

    // As large as it can be in the least of these shares of the height in which it can be at all.
    private static (int Size, ImmutableArray<string> Lines) Fitted(string text, int width, int height, double[] shares)
    {
        foreach (var share in shares)
        {
            foreach (var size in s_sizes)
            {
                var lines = TextFit.Lines(text, width, size);
                if (HeightOf(lines.Length, size) <= height * share) return (size, lines);
            }
        }

        // A wall of lines with nothing in them.
        return (s_sizes[^1], [.. TextFit.Lines(text, width, s_sizes[^1]).Take((int)(height / (LineHeight * s_sizes[^1])))]);
    }

    private static int HeightOf(int lines, int size) => (int)Math.Ceiling(lines * LineHeight * size);
}
