using System.Globalization;
using System.Text;

namespace Yardang.Core.Moderation;

/// <summary>A text as it is read by somebody who looks for words: sign by sign, what each may mean. What is not seen is left out.</summary>
internal sealed class Spelling
{
    /// <summary>The letters that a sign may be, as bits.</summary>
    public const uint Letters = (1u << 27) - 1;

    /// <summary>It is a letter, or looks like one.</summary>
    public const uint IsLetter = 1u << 27;

    /// <summary>It is a figure.</summary>
    public const uint IsFigure = 1u << 28;

    /// <summary>It parts a word only from its ending.</summary>
    public const uint IsApostrophe = 1u << 29;

    /// <summary>It may stand where a vowel is left out.</summary>
    public const uint ForVowel = 1u << 30;

    /// <summary>It may stand where any letter is left out.</summary>
    public const uint ForAny = 1u << 31;

    private static readonly uint Vowels = "aeiou".Aggregate(0u, (all, c) => all | LookAlikes.Bit(c));

    private readonly uint[] _signs;
    private readonly int[] _starts;

    /// <summary>Reads a text.</summary>
    public Spelling(string text)
    {
        Text = text;
        (_signs, _starts) = (new uint[text.Length], new int[text.Length]);
        for (var i = 0; i < text.Length;)
        {
            if (text[i] < 0x80)
            {
                Add(LookAlikes.Ascii[text[i]], i++);
                continue;
            }

            Rune.DecodeFromUtf16(text.AsSpan(i), out var rune, out var size);
            Read(rune, i);
            i += size;
        }
    }

    /// <summary>What was read.</summary>
    public string Text { get; }

    /// <summary>How many signs are seen.</summary>
    public int Length { get; private set; }

    /// <summary>What a sign may mean.</summary>
    public uint this[int at] => _signs[at];

    /// <summary>Where a sign begins, in UTF-16 units.</summary>
    public int Start(int at) => _starts[at];

    /// <summary>Where a sign ends, with what is written over it.</summary>
    public int End(int at)
    {
        for (var next = at + 1; next < Length; next++) if (_starts[next] > _starts[at]) return _starts[next];
        return Text.Length;
    }

    /// <summary>Whether there is a letter at a place.</summary>
    public bool HasLetter(int at) => at >= 0 && at < Length && (_signs[at] & IsLetter) != 0;

    /// <summary>Whether it is neither letter nor figure.</summary>
    public bool IsBetween(int at) => (_signs[at] & (IsLetter | IsFigure)) == 0;

    /// <summary>The letters that are left out where a sign stands.</summary>
    public static uint Missing(uint sign) => (sign & ForAny) != 0 ? Letters : (sign & ForVowel) != 0 ? Vowels : 0;

    /// <summary>The letters of a stretch as they stand, without what is between them.</summary>
    public string Plain(int from, int to)
    {
        var plain = new StringBuilder(to - from);
        for (var i = from; i < to; i++) if (HasLetter(i)) plain.Append(PlainAt(i));
        return plain.ToString();
    }

    /// <summary>The letter that a sign most likely is.</summary>
    public char PlainAt(int at) => Text[_starts[at]] is var c && char.IsAsciiLetter(c) ? char.ToLowerInvariant(c) : LookAlikes.First(_signs[at] & Letters);

    private void Add(uint sign, int start)
    {
        // Ligatures may be more signs than they are units.
        if (Length == _signs.Length) return;
        _signs[Length] = sign;
        _starts[Length++] = start;
    }

    private void Read(Rune rune, int start)
    {
        // A tilde over an n makes another letter of it.
        if (rune.Value == 0x303 && Length > 0 && (_signs[Length - 1] & LookAlikes.Bit('n')) != 0) _signs[Length - 1] |= LookAlikes.Bit('ñ');
        var letters = LookAlikes.Of(rune);
        if (letters.Length > 0) foreach (var letter in letters) Add(letter | IsLetter, start);
        else if (!IsUnseen(rune)) Add(LookAlikes.InPlace(rune) | (Rune.IsLetter(rune) ? IsLetter : Rune.IsDigit(rune) ? IsFigure : 0), start);
    }

    // What takes no room of its own, or turns the direction, parts no letters.
    private static bool IsUnseen(Rune rune) =>
        Rune.GetUnicodeCategory(rune) is UnicodeCategory.Format or UnicodeCategory.NonSpacingMark or UnicodeCategory.EnclosingMark or UnicodeCategory.SpacingCombiningMark
        || rune.Value is 0x115f or 0x1160 or 0x3164 or 0xffa0 or 0x2800;
}
