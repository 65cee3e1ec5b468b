using System.Collections.Frozen;

namespace Yardang.Core.Moderation;

/// <summary>A word that is looked for.</summary>
/// <param name="Letters">In small letters, without the spaces of a phrase.</param>
/// <param name="IsRoot">Whether it counts within other words, too.</param>
/// <param name="IsPhrase">Whether it is several words.</param>
/// <param name="IsTurned">Whether it stands here from its end to its beginning.</param>
internal sealed record ListedWord(string Letters, bool IsRoot, bool IsPhrase, bool IsTurned = false);

/// <summary>The lists of words that ship with the program.</summary>
internal static class WordLists
{
    private static readonly Lazy<FrozenSet<string>> CommonWords = new(() => Lines("common-words.txt").SelectMany(line => line.Split(' ')).ToFrozenSet(StringComparer.Ordinal));

    private static readonly Lazy<FrozenSet<string>> InnocentWords = new(() => Lines("innocent-words.txt").SelectMany(line => line.Split(' ')).ToFrozenSet());

    /// <summary>Short words that stand beside one another in any text.</summary>
    public static FrozenSet<string> Common => CommonWords.Value;

    /// <summary>Words that have a bad one in them and are none.</summary>
    public static FrozenSet<string> Innocent => InnocentWords.Value;

    /// <summary>The words that are looked for.</summary>
    /// <param name="language">Of which list: en or es.</param>
    /// <param name="forYoung">With those that young classes should not read.</param>
    public static IEnumerable<ListedWord> Bad(string language, bool forYoung)
    {
        foreach (var line in Lines($"bad-words.{language}.txt"))
        {
            if (line is "[mild]" && !forYoung) yield break;
            if (line[0] != '[') yield return Read(line);
        }
    }

    /// <summary>A line of a list as a word.</summary>
    private static ListedWord Read(string line)
    {
        var isRoot = line.Length > 2 && line[0] == '*' && line[^1] == '*';
        var word = isRoot ? line[1..^1] : line;
        return new(word.Replace(" ", "", StringComparison.Ordinal), isRoot, word.Contains(' '));
    }

    /// <summary>The lines of a file that ships with the program, without remarks.</summary>
    public static IEnumerable<string> Lines(string file)
    {
        using var reader = new StreamReader(typeof(WordLists).Assembly.GetManifestResourceStream(file)!);
        while (reader.ReadLine() is { } line) if (line.Length > 0 && line[0] != '#') yield return line;
    }
}
