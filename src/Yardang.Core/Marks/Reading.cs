using System.Collections.Immutable;
using System.Globalization;
using System.Text;

namespace Yardang.Core.Marks;

/// <summary>A part of a line that is read in one direction.</summary>
/// <param name="Start">Where it begins, in characters.</param>
/// <param name="Length">How many.</param>
/// <param name="RightToLeft">Whether it is read from right to left.</param>
public readonly record struct ReadingRun(int Start, int Length, bool RightToLeft);

/// <summary>
/// In which direction words are read. After the Unicode Bidirectional Algorithm (UAX #9): paragraph direction by the first strong
/// character (P2, P3), weak and neutral characters (W4, W5, W7, N1, N2), implicit levels (I1, I2) and reordering (L2). Explicit
/// embeddings and isolates are not interpreted.
/// </summary>
public static class Reading
{
    private enum Kind
    {
        Neutral,
        Left,
        Right,
        Number,
        Separator,
    }

    /// <summary>Whether a text is read from right to left: whether its first letter is of such a script.</summary>
    public static bool IsRightToLeft(string text)
    {
        foreach (var rune in text.EnumerateRunes())
        {
            if (KindOf(rune) is (Kind.Left or Kind.Right) and var kind) return kind == Kind.Right;
        }

        return false;
    }

    /// <summary>The parts of a line as they stand on paper, from left to right.</summary>
    /// <param name="line">One line.</param>
    /// <param name="rightToLeft">The direction of the text that it belongs to.</param>
    public static ImmutableArray<ReadingRun> Runs(string line, bool rightToLeft)
    {
        if (line.Length == 0) return [];
        var levels = Levels(line, rightToLeft ? 1 : 0);
        var runs = new List<(ReadingRun Run, int Level)>();
        for (int i = 0, start = 0; i < line.Length; i++)
        {
            if (i + 1 < line.Length && levels[i + 1] == levels[i]) continue;
            runs.Add((new(start, i + 1 - start, levels[i] % 2 == 1), levels[i]));
            start = i + 1;
        }

        for (var level = runs.Max(r => r.Level); level > 0; level--)
        {
            for (var i = 0; i < runs.Count; i++)
            {
                var end = i;
                while (end < runs.Count && runs[end].Level >= level) end++;
                runs.Reverse(i, end - i);
                i = Math.Max(i, end - 1);
            }
        }

        return [.. runs.Select(r => r.Run)];
    }

    private static int[] Levels(string line, int paragraph)
    {
        var kinds = new Kind[line.Length];
        for (var i = 0; i < line.Length; i++)
        {
            kinds[i] = Rune.TryGetRuneAt(line, i, out var rune) ? KindOf(rune) : Kind.Neutral;
            if (rune.Utf16SequenceLength == 2 && i + 1 < line.Length) kinds[++i] = kinds[i - 1];
        }

        ResolveNumbers(kinds, line, paragraph);
        ResolveNeutrals(kinds, paragraph);
        return Array.ConvertAll(kinds, k => k switch
        {
            Kind.Right => 1,
            Kind.Number => 2,
            _ => paragraph == 1 ? 2 : 0,
        });
    }

    // A separator between digits belongs to the number, and so does a sign of measure beside it. After a left-to-right letter a number is as that.
    private static void ResolveNumbers(Kind[] kinds, string line, int paragraph)
    {
        for (var i = 0; i < kinds.Length; i++)
        {
            if (kinds[i] != Kind.Separator) continue;
            bool before = i > 0 && kinds[i - 1] == Kind.Number, after = i + 1 < kinds.Length && kinds[i + 1] == Kind.Number;
            kinds[i] = (before && after) || ((before || after) && line[i] is '%' or '°' or '€' or '$' or '£') ? Kind.Number : Kind.Neutral;
        }

        var strong = paragraph == 1 ? Kind.Right : Kind.Left;
        for (var i = 0; i < kinds.Length; i++)
        {
            if (kinds[i] is Kind.Left or Kind.Right) strong = kinds[i];
            else if (kinds[i] == Kind.Number && strong == Kind.Left) kinds[i] = Kind.Left;
        }
    }

    private static void ResolveNeutrals(Kind[] kinds, int paragraph)
    {
        var own = paragraph == 1 ? Kind.Right : Kind.Left;
        for (var i = 0; i < kinds.Length; i++)
        {
            if (kinds[i] != Kind.Neutral) continue;
            var end = i;
            while (end < kinds.Length && kinds[end] == Kind.Neutral) end++;
            var before = i == 0 ? own : AsStrong(kinds[i - 1]);
            var after = end == kinds.Length ? own : AsStrong(kinds[end]);
            Array.Fill(kinds, before == after ? before : own, i, end - i);
            i = end - 1;
        }
    }

    private static Kind AsStrong(Kind kind) => kind == Kind.Number ? Kind.Right : kind;

    private static Kind KindOf(Rune rune)
    {
        var category = Rune.GetUnicodeCategory(rune);
        if (category == UnicodeCategory.DecimalDigitNumber) return Kind.Number;
        if (rune.Value is '.' or ',' or ':' or '/' or '+' or '-' or '%' or '°' or '€' or '$' or '£') return Kind.Separator;
        var isLetter = category <= UnicodeCategory.OtherLetter || category is UnicodeCategory.NonSpacingMark or UnicodeCategory.SpacingCombiningMark;
        if (!isLetter) return Kind.Neutral;

        // The blocks of Hebrew, Arabic and their neighbours, as UAX #9 gives them R or AL.
        return rune.Value is (>= 0x0590 and <= 0x08ff) or (>= 0xfb1d and <= 0xfdff) or (>= 0xfe70 and <= 0xfeff) or (>= 0x10800 and <= 0x10fff) or (>= 0x1e800 and <= 0x1efff)
            ? Kind.Right
            : Kind.Left;
    }
}
