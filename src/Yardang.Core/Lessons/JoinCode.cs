using System.Security.Cryptography;
using System.Text;

namespace Yardang.Core.Lessons;

/// <summary>
/// The code of a lesson: 8 of 24 letters and figures, none of which looks or sounds like another, no vowels so that no words arise.
/// 24^8 is about 1.1 × 10^11 codes.
/// </summary>
public static class JoinCode
{
    /// <summary>What a code is made of.</summary>
    public const string Alphabet = "23456789BCDFGHJKMNPRTWXZ";

    /// <summary>Letters in a code.</summary>
    public const int Length = 8;

    /// <summary>A new code.</summary>
    public static string New() => RandomNumberGenerator.GetString(Alphabet, Length);

    /// <summary>What somebody typed, made into the stored form: spaces and hyphens dropped, capitals. Null if it cannot be a code.</summary>
    public static string? Read(string? typed)
    {
        if (typed is null || typed.Length > 40) return null;
        var code = new StringBuilder(Length);
        foreach (var c in typed)
        {
            if (c is ' ' or '-' or '\u00a0' or '.') continue;
            code.Append(char.ToUpperInvariant(c));
        }

        return code.Length == Length && code.ToString().All(Alphabet.Contains) ? code.ToString() : null;
    }

    /// <summary>The code as it is shown and said: two groups of four.</summary>
    public static string Show(string code) => $"{code[..4]} {code[4..]}";
}
