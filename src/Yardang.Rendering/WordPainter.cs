using System.Globalization;
using HarfBuzzSharp;
using SkiaSharp;
using SkiaSharp.HarfBuzz;
using Yardang.Core.Marks;

namespace Yardang.Rendering;

/// <summary>Draws lines of words: shaped, in the order in which they are read, each letter in a face that has it.</summary>
internal static class WordPainter
{
    [ThreadStatic]
    private static Dictionary<SKTypeface, SKShaper>? s_shapers;

    /// <summary>How wide a line is, 1/100 mm.</summary>
    public static float Width(string line, float size, bool bold = false) => Parts(line, Reading.IsRightToLeft(line), size, bold).Sum(p => p.Shaped.Width);

    /// <summary>Draws a line.</summary>
    /// <param name="canvas">Where.</param>
    /// <param name="line">One line of a text.</param>
    /// <param name="rightToLeft">The direction of the whole text.</param>
    /// <param name="at">Left end, middle or right end of the baseline, by <paramref name="align"/>.</param>
    /// <param name="align">What of the line is at that place.</param>
    /// <param name="size">Height of the type (em), 1/100 mm.</param>
    /// <param name="bold">Whether in heavy type.</param>
    /// <param name="paint">The colour.</param>
    /// <param name="room">A line that is wider is drawn narrower.</param>
    public static void Paint(SKCanvas canvas, string line, bool rightToLeft, SKPoint at, SKTextAlign align, float size, bool bold, SKPaint paint, float room = float.MaxValue)
    {
        var parts = Parts(line, rightToLeft, size, bold);
        var width = parts.Sum(p => p.Shaped.Width);
        canvas.Save();
        canvas.Translate(at);
        if (width > room) canvas.Scale(room / width, 1);
        var x = align switch { SKTextAlign.Center => -width / 2, SKTextAlign.Right => -width, _ => 0 };
        foreach (var (face, shaped) in parts)
        {
            using var font = FontOf(face, size, bold);
            using var builder = new SKTextBlobBuilder();
            if (shaped.Codepoints.Length > 0)
            {
                var run = builder.AllocatePositionedRun(font, shaped.Codepoints.Length);
                for (var i = 0; i < shaped.Codepoints.Length; i++)
                {
                    run.Glyphs[i] = (ushort)shaped.Codepoints[i];
                    run.Positions[i] = shaped.Points[i];
                }

                using var blob = builder.Build();
                canvas.DrawText(blob, x, 0, paint);
            }

            x += shaped.Width;
        }

        canvas.Restore();
    }

    private static List<(SKTypeface Face, SKShaper.Result Shaped)> Parts(string line, bool rightToLeft, float size, bool bold)
    {
        var parts = new List<(SKTypeface, SKShaper.Result)>();
        foreach (var run in Reading.Runs(line, rightToLeft))
        {
            var at = parts.Count;
            foreach (var (face, text) in ByFace(line.Substring(run.Start, run.Length), bold))
            {
                // Within what is read from right to left, what comes first stands furthest to the right.
                parts.Insert(run.RightToLeft ? at : parts.Count, (face, Shape(face, text, run.RightToLeft, size, bold)));
            }
        }

        return parts;
    }

    private static IEnumerable<(SKTypeface Face, string Text)> ByFace(string text, bool bold)
    {
        SKTypeface? face = null;
        var from = 0;
        foreach (var start in StringInfo.ParseCombiningCharacters(text))
        {
            var letter = StringInfo.GetNextTextElement(text, start);
            var its = Faces.For(letter, bold);
            if (face is not null && its != face)
            {
                yield return (face, text[from..start]);
                from = start;
            }

            face = its;
        }

        if (face is not null) yield return (face, text[from..]);
    }

    private static SKShaper.Result Shape(SKTypeface face, string text, bool rightToLeft, float size, bool bold)
    {
        using var buffer = new HarfBuzzSharp.Buffer();
        buffer.AddUtf16(text);
        buffer.GuessSegmentProperties();
        buffer.Direction = rightToLeft ? Direction.RightToLeft : Direction.LeftToRight;
        using var font = FontOf(face, size, bold);
        return ShaperOf(face).Shape(buffer, 0, 0, font);
    }

    private static SKFont FontOf(SKTypeface face, float size, bool bold) => new(face, size) { Subpixel = true, Embolden = Faces.IsMadeBold(face, bold) };

    // A shaper belongs to one thread.
    private static SKShaper ShaperOf(SKTypeface face)
    {
        s_shapers ??= [];
        if (!s_shapers.TryGetValue(face, out var shaper)) s_shapers[face] = shaper = new SKShaper(face);
        return shaper;
    }
}
