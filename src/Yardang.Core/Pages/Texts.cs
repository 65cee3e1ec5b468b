using System.Collections.Immutable;

namespace Yardang.Core.Pages;

/// <summary>A teacher's text in one or more languages: BCP 47 tag to text.</summary>
public sealed record Texts(ImmutableSortedDictionary<string, string> ByLanguage)
{
    /// <summary>In so many languages a text can be kept.</summary>
    public const int MostLanguages = 40;

    private const int LongestTag = 35;

    /// <summary>No text in any language.</summary>
    public static readonly Texts None = new(ImmutableSortedDictionary.Create<string, string>(StringComparer.Ordinal));

    /// <summary>A text in one language.</summary>
    public static Texts In(string language, string text) => None.With(language, text);

    /// <summary>This text with one language set, or removed when the text is empty.</summary>
    public Texts With(string language, string text) =>
        new(text.Length == 0 ? ByLanguage.Remove(language) : ByLanguage.SetItem(language, text));

    /// <summary>The text in a language, else in any other, else empty.</summary>
    public string For(string language) =>
        ByLanguage.TryGetValue(language, out var text) ? text : ByLanguage.Values.FirstOrDefault() ?? "";

    /// <summary>The text in the first of these languages in which it is there, else null.</summary>
    public string? In(IEnumerable<string> languages)
    {
        foreach (var language in languages)
        {
            if (ByLanguage.TryGetValue(language, out var text)) return text;
        }

        return null;
    }

    /// <summary>Whether it is in no more languages than are kept, each named as a language is, and in none longer than so many letters.</summary>
    public bool IsWithin(int length) => ByLanguage.Count <= MostLanguages && ByLanguage.All(t => t.Key.Length is > 0 and <= LongestTag && t.Value.Length <= length);

    /// <summary>Whether there is no text at all.</summary>
    public bool IsEmpty => ByLanguage.Values.All(string.IsNullOrWhiteSpace);
}
