using System.Security.Cryptography;
using System.Text;

namespace Yardang.Core.Lessons;

/// <summary>
/// The code of a lesson: 8 of 24 letters and figures, none of which looks or sounds like another, no vowels so that no words arise.
/// 24^8 is about 1.1 × 10^11 codes. There is none that is not one: <see cref="Read"/> and <see cref="New"/> are the only ways to have one.
/// </summary>
public sealed record JoinCode
{
    /// <summary>What a code is made of.</summary>
    public const string Alphabet = "23456789BCDFGHJKMNPRTWXZ";

    /// <summary>Letters in a code.</summary>
    public const int Length = 8;

    private JoinCode(string text) => Text = text;

    /// <summary>As it is kept and stands in addresses.</summary>
    public string Text { get; }

    /// <summary>As it is shown and said: two groups of four.</summary>
    public string Shown => $"{Text[..4]} {Text[4..]}";

    /// <summary>A new code.</summary>
    public static JoinCode New() => new(RandomNumberGenerator.GetString(Alphabet, Length));

    /// <summary>The code that somebody typed: spaces and hyphens are dropped, small letters count. Null if it cannot be one.</summary>
    public static JoinCode? Read(string? typed)
    {
        if (typed is null || typed.Length > 40) return null;
        var code = new StringBuilder(Length);
        foreach (var c in typed)
        {
            if (c is ' ' or '-' or '\u00a0' or '.') continue;
            code.Append(char.ToUpperInvariant(c));
        }

        return code.Length == Length && code.ToString().All(Alphabet.Contains) ? new(code.ToString()) : null;
    }

    /// <summary>The letters and figures that no code has, of something as long as a code is: what was misread. Empty for everything else.</summary>
    public static string NeverIn(string? typed)
    {
        var letters = typed is null || typed.Length > 40 ? "" : string.Concat(typed.Where(char.IsLetterOrDigit)).ToUpperInvariant();
        return letters.Length == Length ? string.Concat(letters.Where(c => !Alphabet.Contains(c, StringComparison.Ordinal)).Distinct()) : "";
    }

    /// <inheritdoc/>
    public override string ToString() => Text;
}
