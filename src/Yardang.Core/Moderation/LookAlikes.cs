using System.Collections.Frozen;
using System.Globalization;
using System.Text;

namespace Yardang.Core.Moderation;

/// <summary>What somebody may mean by a character: the Latin letters that it is, looks like or stands for.</summary>
internal static class LookAlikes
{
    /// <summary>The place of ñ, which is a letter of its own: año and ano are two words.</summary>
    public const int Enye = 26;

    // Beside the letter itself: what is written for it on purpose.
    private static readonly (char Letter, string MayMean)[] Letters = [('v', "u"), ('z', "s"), ('k', "c"), ('c', "k"), ('y', "i"), ('l', "i"), ('i', "l")];

    private static readonly (char Sign, string MayMean)[] Signs =
    [
        ('0', "o"), ('1', "il"), ('2', "z"), ('3', "e"), ('4', "a"), ('5', "s"), ('6', "gb"), ('7', "t"), ('8', "b"), ('9', "gq"),
        ('@', "a"), ('$', "s"), ('!', "il"), ('|', "il"), ('+', "t"), ('(', "c"), ('<', "c"), ('{', "c"), ('[', "c"), (')', "d"), ('^', "a"),
    ];

    /// <summary>What the signs of ASCII may mean, and what they are.</summary>
    public static readonly uint[] Ascii = OfAscii();

    private static readonly Lazy<FrozenDictionary<int, uint[]>> Others = new(OfOthers);

    /// <summary>Whether something may stand for a letter that is left out.</summary>
    public static uint InPlace(Rune rune) => rune.Value switch
    {
        '*' or '#' or '•' or '▪' or '■' or '█' => Spelling.ForAny,
        '-' or '_' or '.' or '~' => Spelling.ForVowel,
        '\'' or '’' => Spelling.IsApostrophe,
        _ => 0,
    };

    /// <summary>A letter as a bit: 0 for a, 26 for ñ.</summary>
    public static uint Bit(char letter) => 1u << Place(letter);

    /// <summary>Where a letter stands: 0 for a, 26 for ñ.</summary>
    public static int Place(char letter) => letter == 'ñ' ? Enye : letter - 'a';

    /// <summary>The letters that a character beyond ASCII may be; empty if it is none. A ligature is several.</summary>
    public static ReadOnlySpan<uint> Of(Rune rune) => Others.Value.TryGetValue(rune.Value, out var letters) ? letters : [];

    /// <summary>The letter that is meant first of all by one that may be several.</summary>
    public static char First(uint letters)
    {
        foreach (var c in "abcdefghjmnopqrstuwxñzvykil") if ((letters & Bit(c)) != 0) return c;
        return '?';
    }

    private static uint[] OfAscii()
    {
        var all = new uint[0x80];
        for (var c = 'a'; c <= 'z'; c++) all[c] = Bit(c);
        foreach (var (letter, mayMean) in Letters) foreach (var c in mayMean) all[letter] |= Bit(c);
        for (var c = 'a'; c <= 'z'; c++) all[char.ToUpperInvariant(c)] = all[c];
        foreach (var (sign, mayMean) in Signs) foreach (var c in mayMean) all[sign] |= Bit(c);
        for (var c = 0; c < all.Length; c++) all[c] |= char.IsAsciiLetter((char)c) ? Spelling.IsLetter : char.IsAsciiDigit((char)c) ? Spelling.IsFigure : InPlace(new Rune(c));
        return all;
    }

    private static FrozenDictionary<int, uint[]> OfOthers()
    {
        var found = new Dictionary<int, uint[]>();
        foreach (var (from, to) in ((int, int)[])[(0x80, 0x2fff), (0xa640, 0xabff), (0xfb00, 0xfb06), (0xff01, 0xff5e), (0x1d400, 0x1d7ff), (0x1f100, 0x1f1ff)])
            for (var value = from; value <= to; value++) if (Decomposed(value) is { } letters) found[value] = letters;
        foreach (var line in WordLists.Lines("look-alikes.txt"))
        {
            foreach (var rune in line[2..].EnumerateRunes()) found[rune.Value] = [(found.TryGetValue(rune.Value, out var known) && known.Length == 1 ? known[0] : 0) | (Ascii[line[0]] & Spelling.Letters)];
        }

        // Look-alikes with accents.
        for (var value = 0x370; value < 0x530; value++)
            if (!found.ContainsKey(value) && new Rune(value).ToString().Normalize(NormalizationForm.FormD) is { Length: > 1 } parts && found.TryGetValue(parts[0], out var plain)) found[value] = plain;

        foreach (var enye in "ñÑ") found[enye] = [Bit('n') | Bit('ñ')];
        return found.ToFrozenDictionary();
    }

    // Letters with accents, full-width, mathematical, circled, raised ones: as Unicode takes them apart.
    private static uint[]? Decomposed(int value)
    {
        // The squared letters of flags and signs are taken apart by nothing.
        if (value is >= 0x1f130 and <= 0x1f149 or >= 0x1f150 and <= 0x1f169 or >= 0x1f170 and <= 0x1f189) return [Ascii['a' + ((value - 0x1f130) % 0x20)] & Spelling.Letters];
        if (value is >= 0x1f1e6 and <= 0x1f1ff) return [Ascii['a' + value - 0x1f1e6] & Spelling.Letters];
        if (!Rune.TryCreate(value, out var rune) || Rune.GetUnicodeCategory(rune) == UnicodeCategory.OtherNotAssigned) return null;
        var letters = new List<uint>();
        foreach (var c in rune.ToString().Normalize(NormalizationForm.FormKD))
        {
            if (CharUnicodeInfo.GetUnicodeCategory(c) is UnicodeCategory.NonSpacingMark or UnicodeCategory.SpacingCombiningMark || c is '(' or ')') continue;
            if (!char.IsAsciiLetterOrDigit(c)) return null;
            letters.Add(Ascii[c] & Spelling.Letters);
        }

        return letters.Count is > 0 and <= 3 ? [.. letters] : null;
    }
}
