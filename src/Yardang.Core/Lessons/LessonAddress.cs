using System.Globalization;
using System.Text;

namespace Yardang.Core.Lessons;

/// <summary>
/// An address of the teacher's own choice for a lesson, to be said aloud: "bridges-7-amber". Small letters without accents, digits and hyphens.
/// It can be guessed, unlike a code; a door that asks or a password keeps strangers out.
/// </summary>
public sealed record LessonAddress
{
    /// <summary>Fewest characters.</summary>
    public const int Shortest = 4;

    /// <summary>Most characters.</summary>
    public const int Longest = 40;

    private LessonAddress(string text) => Text = text;

    /// <summary>As it is kept and shown.</summary>
    public string Text { get; }

    /// <summary>The address that somebody means: blanks become hyphens, capitals small letters, accents fall away. Null if it is none.</summary>
    public static LessonAddress? Read(string? typed)
    {
        if (typed is null || typed.Length > Longest * 4) return null;
        var read = new StringBuilder();
        foreach (var letter in typed.Trim().Normalize(NormalizationForm.FormD).ToLowerInvariant())
        {
            if (char.IsAsciiLetterLower(letter) || char.IsAsciiDigit(letter)) read.Append(letter);
            else if (letter is ' ' or '-' or '_') read.Append('-');
            else if (CharUnicodeInfo.GetUnicodeCategory(letter) != UnicodeCategory.NonSpacingMark) return null;
        }

        var address = string.Join('-', read.ToString().Split('-', StringSplitOptions.RemoveEmptyEntries));
        return address.Length is >= Shortest and <= Longest ? new(address) : null;
    }

    /// <inheritdoc/>
    public override string ToString() => Text;
}
