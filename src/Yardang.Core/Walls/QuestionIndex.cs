using System.Collections.Immutable;
using Yardang.Core.Likeness;

namespace Yardang.Core.Walls;

/// <summary>Under which word questions are found again.</summary>
/// <param name="Word">As it was written first, in small letters.</param>
/// <param name="Cards">The questions, by id, in the order in which they were asked.</param>
public sealed record IndexedWord(string Word, ImmutableArray<long> Cards);

/// <summary>
/// Answered questions by their words. What says most of what a text is about are the words that are neither in most texts nor in hardly any
/// (H. P. Luhn, "The automatic creation of literature abstracts", IBM Journal of Research and Development 2, 1958); words of grammar are left out by a list.
/// </summary>
public static class QuestionIndex
{
    /// <summary>Under how many words a question stands at most.</summary>
    public const int MostWords = 2;

    private const int ShortestWord = 4;

    /// <summary>The words in alphabetical order, each with its questions; every question that has a word stands under one or two.</summary>
    /// <param name="questions">Those that are answered.</param>
    /// <param name="common">Words of grammar, as <see cref="LikeTexts.WordsOf"/> gives them.</param>
    public static IReadOnlyList<IndexedWord> Of(IEnumerable<Card> questions, IReadOnlySet<string> common)
    {
        var asked = questions.OrderBy(c => c.PutUpAt).ThenBy(c => c.Id).Select(c => (c.Id, Words: WordsIn(c.Text, common))).ToList();
        var count = asked.SelectMany(q => q.Words.Keys).GroupBy(w => w, StringComparer.Ordinal).ToDictionary(g => g.Key, g => g.Count(), StringComparer.Ordinal);

        // In more than half of them it tells nothing apart.
        bool TellsApart(string word) => count[word] * 2 <= Math.Max(asked.Count, 2);
        var entries = new SortedDictionary<string, (string Written, List<long> Cards)>(StringComparer.Ordinal);
        foreach (var (id, words) in asked)
        {
            foreach (var word in words.Keys.OrderByDescending(TellsApart).ThenByDescending(w => count[w]).ThenByDescending(w => w.Length).ThenBy(w => w, StringComparer.Ordinal).Take(MostWords))
            {
                if (!entries.TryGetValue(word, out var entry)) entries[word] = entry = (words[word], []);
                entry.Cards.Add(id);
            }
        }

        return [.. entries.Values.Select(e => new IndexedWord(e.Written, [.. e.Cards]))];
    }

    // As it is compared, and as it was written.
    private static Dictionary<string, string> WordsIn(string text, IReadOnlySet<string> common)
    {
        var words = new Dictionary<string, string>(StringComparer.Ordinal);
        foreach (var written in text.Split((char[]?)null, StringSplitOptions.RemoveEmptyEntries))
        {
            foreach (var word in LikeTexts.WordsOf(written))
            {
                if (word.Length < ShortestWord || common.Contains(word)) continue;
                words.TryAdd(word, new string([.. written.ToLowerInvariant().Where(char.IsLetterOrDigit)]));
            }
        }

        return words;
    }
}
