using System.Text;

namespace Yardang.Core.ClassLists;

/// <summary>What a student is called in a lesson.</summary>
public static class PersonName
{
    /// <summary>Longest name, in characters.</summary>
    public const int MaxLength = 40;

    /// <summary>The name as it is kept: trimmed, single spaces, no control characters, composed form. Null if nothing is left or it is too long.</summary>
    public static string? Read(string? typed)
    {
        if (typed is null || typed.Length > 400) return null;
        var name = new StringBuilder();
        foreach (var rune in typed.Normalize(NormalizationForm.FormC).EnumerateRunes())
        {
            if (Rune.IsWhiteSpace(rune))
            {
                if (name.Length > 0 && name[^1] != ' ') name.Append(' ');
            }
            else if (Rune.GetUnicodeCategory(rune) is not (System.Globalization.UnicodeCategory.Control or System.Globalization.UnicodeCategory.Format))
            {
                name.Append(rune.ToString());
            }
        }

        var kept = name.ToString().Trim();
        return kept.Length is > 0 and <= MaxLength ? kept : null;
    }

    /// <summary>The first word of a name.</summary>
    public static string First(string name) => name.Split(' ')[0];

    /// <summary>Tells people of the same name apart for the teacher: the second becomes "Maya (2)".</summary>
    /// <param name="names">In the order of joining.</param>
    public static IReadOnlyList<string> ToldApart(IEnumerable<string> names)
    {
        var seen = new Dictionary<string, int>(StringComparer.OrdinalIgnoreCase);
        return [.. names.Select(name =>
        {
            var nth = seen[name] = seen.GetValueOrDefault(name) + 1;
            return nth == 1 ? name : $"{name} ({nth})";
        })];
    }

    /// <summary>Up to two initials.</summary>
    public static string Initials(string name)
    {
        var words = name.Split(' ', StringSplitOptions.RemoveEmptyEntries);
        return string.Concat(words.Take(2).Select(w => Rune.ToUpperInvariant(w.EnumerateRunes().First()).ToString()));
    }
}
