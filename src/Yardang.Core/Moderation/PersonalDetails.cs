using System.Text.RegularExpressions;

namespace Yardang.Core.Moderation;

/// <summary>Finds what students should not tell of themselves and others where a class reads it: telephone numbers, e-mail and postal addresses, links.</summary>
internal static class PersonalDetails
{
    private const int LeastFigures = 9;
    private const int MostFigures = 15;
    private const string Endings = "com|org|net|info|edu|io|app|gg|tv|me|es|uk|eu|de|fr|mx|ar|co|dev|xyz|link|site|online|shop";

    private static readonly Regex Email = Pattern(@"[\p{L}\d._%+-]{1,64}\s?(@|＠|\(at\)|\[at\]|\{at\})\s?[\p{L}\d-]{1,63}(\s?(\.|\(dot\)|\[dot\]|\(punto\))\s?[\p{L}\d-]{2,24}){1,4}");
    private static readonly Regex Link = Pattern($@"\b(https?\s?:\s?//\S+|www\.\S+|[\p{{L}}\d-]{{2,63}}(\.[\p{{L}}\d-]{{2,63}}){{0,3}}\.({Endings})\b(/\S*)?)");
    private static readonly Regex EnglishAddress = Pattern(@"\b\d{1,5}[a-d]?,?\s(\p{L}[\p{L}'’-]{1,30}\s){1,3}(Street|St|Road|Rd|Avenue|Ave|Lane|Ln|Drive|Court|Crescent|Terrace|Boulevard|Blvd|Gardens)\b\.?");
    private static readonly Regex SpanishAddress = Pattern(@"(\b(calle|avenida|avda\.?|plaza|paseo|carretera|ronda)|\bc/)\s([\p{L}'’-]{1,30},?\s){1,6}(n\.?º\s?|nº\s?|número\s)?\d{1,4}\b");
    private static readonly Regex Phone = Pattern(@"\+?\(?\d{1,9}\)?([ \u00a0/-]{0,2}\(?\d{1,9}\)?){0,8}");

    /// <summary>All that is found in a text, in the order of kinds.</summary>
    public static List<(FindingKind Kind, Range Where)> In(string text)
    {
        var found = new List<(FindingKind Kind, Range Where)>();
        var figures = text.Count(char.IsAsciiDigit);
        if (text.AsSpan().IndexOfAny("@＠") >= 0 || text.Contains("at)", StringComparison.OrdinalIgnoreCase) || text.Contains("at]", StringComparison.OrdinalIgnoreCase) || text.Contains("at}", StringComparison.OrdinalIgnoreCase)) Take(FindingKind.Email, Email, text, found);
        if (text.Contains('.') || text.Contains("//", StringComparison.Ordinal)) Take(FindingKind.Link, Link, text, found);
        if (figures > 0) Take(FindingKind.Address, EnglishAddress, text, found);
        if (figures > 0) Take(FindingKind.Address, SpanishAddress, text, found);
        if (figures >= LeastFigures) Take(FindingKind.Phone, Phone, text, found);
        return found;
    }

    // Without going back, so that no text takes long.
    private static Regex Pattern(string pattern) => new(pattern, RegexOptions.IgnoreCase | RegexOptions.CultureInvariant | RegexOptions.ExplicitCapture | RegexOptions.NonBacktracking);

    private static void Take(FindingKind kind, Regex pattern, string text, List<(FindingKind Kind, Range Where)> found)
    {
        foreach (var match in pattern.EnumerateMatches(text))
        {
            var (from, to) = (match.Index, match.Index + match.Length);
            if (kind == FindingKind.Phone && !IsPhone(text, from, to)) continue;
            if (!found.Exists(f => f.Where.Start.Value < to && from < f.Where.End.Value)) found.Add((kind, from..to));
        }
    }

    // Numbers of a calculation have no groups of their own, or commas and points: a telephone number begins with 0 or +, or stands in groups.
    private static bool IsPhone(string text, int from, int to)
    {
        if (from > 0 && (char.IsLetterOrDigit(text[from - 1]) || text[from - 1] is '.' or ',')) return false;
        if (to + 1 < text.Length && text[to] is '.' or ',' && char.IsAsciiDigit(text[to + 1])) return false;
        var (figures, groups, inGroup) = (0, 0, false);
        foreach (var c in text.AsSpan(from, to - from))
        {
            if (char.IsAsciiDigit(c)) figures++;
            if (char.IsAsciiDigit(c) && !inGroup) groups++;
            inGroup = char.IsAsciiDigit(c);
        }

        var first = text.AsSpan(from, to - from)[0];
        return figures is >= LeastFigures and <= MostFigures && (first is '+' or '0' or '(' || groups >= 3 || (groups == 1 && figures == LeastFigures && first is '6' or '7' or '9'));
    }
}
