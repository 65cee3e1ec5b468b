using System.Globalization;
using System.Text;

namespace Yardang.Core.Likeness;

/// <summary>
/// Short texts, among which those that resemble another one are found quickly. A text is taken as the set of its words, each weighing the third power of its inverse document
/// frequency (K. Spärck Jones, "A statistical interpretation of term specificity and its application in retrieval", Journal of Documentation 28, 1972): of the powers,
/// it finds the right text most often (`bench like`). Words are the same as far as they have runs of three letters in common (L. R. Dice, "Measures of the amount of ecologic association between
/// species", Ecology 26, 1945), which withstands slips of the pen, or as far as they begin alike, which withstands other endings. Likeness of texts is the ratio of what both have to that and what either has alone
/// (A. Tversky, "Features of similarity", Psychological Review 84, 1977); what only the text that is there has weighs less, for what is being typed is not finished
/// yet. It knows of no language.
/// </summary>
public sealed class LikeTexts
{
    private const double OnlyInQuery = 0.6;
    private const double OnlyInText = 0.15;

    // Less, and two words are the same by chance.
    private const double LeastOfWord = 0.35;

    // As if there were so many more that say something else: of a few texts nobody can tell which words are rare.
    private const double Others = 20;

    // Measured for so many, those that have most of what is looked for.
    private const int MostMeasured = 150;

    // Of many texts, what stands in every fifth finds nothing.
    private const int Many = 200;
    private const int Common = 5;

    // What is longer is looked at so far.
    private const int MostLetters = 400;
    private const int RunLength = 3;

    private readonly Dictionary<string, int> _words = new(StringComparer.Ordinal);
    private readonly List<int> _runsOfWord = [];
    private readonly List<string> _written = [];
    private readonly List<HashSet<long>> _having = [];
    private readonly Dictionary<string, List<int>> _wordsWithRun = new(StringComparer.Ordinal);
    private readonly Dictionary<long, int[]> _texts = [];

    /// <summary>How many texts there are.</summary>
    public int Count => _texts.Count;

    /// <summary>Takes a text, or another one in place of that with the same id.</summary>
    /// <param name="id">By which it is found.</param>
    /// <param name="text">What it says.</param>
    public void Set(long id, string text)
    {
        Remove(id);
        int[] words = [.. WordsOf(text).Distinct(StringComparer.Ordinal).Select(NumberOf)];
        _texts[id] = words;
        foreach (var word in words) _having[word].Add(id);
    }

    /// <summary>Forgets a text.</summary>
    public void Remove(long id)
    {
        if (!_texts.Remove(id, out var words)) return;
        foreach (var word in words) _having[word].Remove(id);
    }

    /// <summary>Those that resemble a text, the most alike first.</summary>
    /// <param name="text">What is looked for.</param>
    /// <param name="least">How alike they are at least, from 0 (nothing is the same) to 1 (all is).</param>
    /// <param name="isWanted">Whether one is among those that are looked for.</param>
    public IReadOnlyList<(long Id, double Likeness)> Find(string text, double least, Func<long, bool> isWanted)
    {
        var query = WordsOf(text).Distinct(StringComparer.Ordinal).Select(WantedOf).ToList();
        var whole = query.Sum(w => w.Weight);
        return
        [
            .. Candidates(query).Where(c => isWanted(c.Key)).OrderByDescending(c => c.Value).ThenBy(c => c.Key).Take(MostMeasured)
                .Select(c => (Id: c.Key, Likeness: LikenessOf(_texts[c.Key], query, whole))).Where(c => c.Likeness >= least).OrderByDescending(c => c.Likeness).ThenBy(c => c.Id),
        ];
    }

    /// <summary>The words of a text, in small letters and without accents.</summary>
    public static IEnumerable<string> WordsOf(string text)
    {
        // Half a letter, which a text may be cut to, is none.
        var letters = string.Concat((text.Length > MostLetters ? text[..MostLetters] : text).EnumerateRunes());
        var word = new StringBuilder();
        foreach (var letter in letters.Normalize(NormalizationForm.FormD))
        {
            if (CharUnicodeInfo.GetUnicodeCategory(letter) == UnicodeCategory.NonSpacingMark) continue;
            if (char.IsLetterOrDigit(letter))
            {
                word.Append(char.ToLowerInvariant(letter));
                continue;
            }

            if (word.Length > 0) yield return word.ToString();
            word.Clear();
        }

        if (word.Length > 0) yield return word.ToString();
    }

    /// <summary>A word that is looked for: what it weighs, and the words of texts that are the same, as far as they are.</summary>
    private sealed record Wanted(double Weight, Dictionary<int, double> Same);

    private Wanted WantedOf(string word)
    {
        var runs = RunsOf(word);
        var shared = new Dictionary<int, int>();
        foreach (var run in runs)
        {
            foreach (var other in _wordsWithRun.GetValueOrDefault(run) ?? []) shared[other] = shared.GetValueOrDefault(other) + 1;
        }

        var same = new Dictionary<int, double>();
        foreach (var (other, count) in shared)
        {
            var likeness = Math.Max(2.0 * count / (runs.Count + _runsOfWord[other]), BeginningOf(word, _written[other]));
            if (likeness >= LeastOfWord && _having[other].Count > 0) same[other] = likeness;
        }

        return new(_words.TryGetValue(word, out var known) ? WeightOf(known) : WeightOf(same), same);
    }

    // Of a word that stands nowhere: of what it was probably to be; else as of the rarest.
    private double WeightOf(Dictionary<int, double> same) => same.Count == 0 ? Cube(Math.Log(_texts.Count + Others)) : WeightOf(same.MaxBy(s => (s.Value, -s.Key)).Key);

    private double WeightOf(int word) => Cube(Math.Log((_texts.Count + Others) / (_having[word].Count + 0.5)));

    private static double Cube(double value) => value * value * value;

    private Dictionary<long, double> Candidates(List<Wanted> query)
    {
        var found = new Dictionary<long, double>();
        AddAll(word => _texts.Count < Many || _having[word].Count * Common <= _texts.Count);
        if (found.Count == 0) AddAll(_ => true);
        return found;

        void AddAll(Func<int, bool> tells)
        {
            foreach (var (weight, same) in query)
            {
                foreach (var (word, likeness) in same.Where(s => tells(s.Key)))
                {
                    var gain = likeness * Math.Min(weight, WeightOf(word));
                    foreach (var id in _having[word]) found[id] = found.GetValueOrDefault(id) + gain;
                }
            }
        }
    }

    private double LikenessOf(int[] text, List<Wanted> query, double whole)
    {
        var common = 0.0;
        foreach (var (weight, same) in query)
        {
            var best = 0.0;
            foreach (var word in text)
            {
                if (same.TryGetValue(word, out var likeness)) best = Math.Max(best, likeness * Math.Min(weight, WeightOf(word)));
            }

            common += best;
        }

        var only = Math.Max(0, text.Sum(WeightOf) - common);
        var all = common + (OnlyInQuery * (whole - common)) + (OnlyInText * only);
        return all > 0 ? common / all : 0;
    }

    private int NumberOf(string word)
    {
        if (_words.TryGetValue(word, out var number)) return number;
        number = _having.Count;
        var runs = RunsOf(word);
        foreach (var run in runs)
        {
            if (!_wordsWithRun.TryGetValue(run, out var words)) _wordsWithRun[run] = words = [];
            words.Add(number);
        }

        _having.Add([]);
        _runsOfWord.Add(runs.Count);
        _written.Add(word);
        return _words[word] = number;
    }

    // Other endings change the end: how much of the longer one the beginning is that both have.
    private static double BeginningOf(string one, string other)
    {
        var same = one.AsSpan().CommonPrefixLength(other);
        return same < RunLength ? 0 : (double)same / Math.Max(one.Length, other.Length);
    }

    private static HashSet<string> RunsOf(string word)
    {
        var padded = $" {word} ";
        var runs = new HashSet<string>(StringComparer.Ordinal);
        for (var at = 0; at + RunLength <= padded.Length; at++) runs.Add(padded.Substring(at, RunLength));
        return runs;
    }
}
