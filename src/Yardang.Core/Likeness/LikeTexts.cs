using System.Globalization;
using System.Text;

namespace Yardang.Core.Likeness;

/// <summary>
/// Short texts, among which those that resemble another one are found quickly. A text is taken as the set of its words and of their runs of three letters, which
/// withstand other endings and slips of the pen; each counts as much as it is rare among the texts (inverse document frequency: K. Spärck Jones, "A statistical
/// interpretation of term specificity and its application in retrieval", Journal of Documentation 28, 1972). Likeness is the ratio of what both have to that and
/// what either has alone (A. Tversky, "Features of similarity", Psychological Review 84, 1977), and what only the text that is there has weighs less, for what is
/// being typed is not finished yet. It knows of no language.
/// </summary>
public sealed class LikeTexts
{
    // A word says more than the runs of letters that it is made of.
    private const double WordWeight = 2;
    private const double OnlyInQuery = 0.6;
    private const double OnlyInText = 0.3;

    // Measured for so many, those that have most of what is looked for.
    private const int MostMeasured = 100;

    // What is longer is looked at so far.
    private const int MostLetters = 400;
    private const int RunLength = 3;

    private readonly Dictionary<string, int> _numbers = new(StringComparer.Ordinal);
    private readonly List<List<long>> _having = [];
    private readonly List<bool> _isWord = [];
    private readonly Dictionary<long, int[]> _texts = [];

    /// <summary>How many texts there are.</summary>
    public int Count => _texts.Count;

    /// <summary>Takes a text, or another one in place of that with the same id.</summary>
    /// <param name="id">By which it is found.</param>
    /// <param name="text">What it says.</param>
    public void Set(long id, string text)
    {
        Remove(id);
        int[] features = [.. FeaturesOf(text).Select(NumberOf)];
        _texts[id] = features;
        foreach (var feature in features) _having[feature].Add(id);
    }

    /// <summary>Forgets a text.</summary>
    public void Remove(long id)
    {
        if (!_texts.Remove(id, out var features)) return;
        foreach (var feature in features) _having[feature].Remove(id);
    }

    /// <summary>Those that resemble a text, the most alike first.</summary>
    /// <param name="text">What is looked for.</param>
    /// <param name="least">How alike they are at least, from 0 (nothing is the same) to 1 (all is).</param>
    /// <param name="isWanted">Whether one is among those that are looked for.</param>
    public IReadOnlyList<(long Id, double Likeness)> Find(string text, double least, Func<long, bool> isWanted)
    {
        var found = FeaturesOf(text);
        var known = found.Where(_numbers.ContainsKey).Select(f => _numbers[f]).ToHashSet();
        var whole = known.Sum(WeightOf) + found.Where(f => !_numbers.ContainsKey(f)).Sum(f => WeightOf(0, IsWord(f)));
        var common = new Dictionary<long, double>();
        foreach (var feature in known)
        {
            var weight = WeightOf(feature);
            foreach (var id in _having[feature]) common[id] = common.GetValueOrDefault(id) + weight;
        }

        return
        [
            .. common.OrderByDescending(c => c.Value).ThenBy(c => c.Key).Where(c => isWanted(c.Key)).Take(MostMeasured)
                .Select(c => (Id: c.Key, Likeness: c.Value / (c.Value + (OnlyInQuery * (whole - c.Value)) + (OnlyInText * (_texts[c.Key].Sum(WeightOf) - c.Value)))))
                .Where(c => c.Likeness >= least).OrderByDescending(c => c.Likeness).ThenBy(c => c.Id),
        ];
    }

    private double WeightOf(int feature) => WeightOf(_having[feature].Count, _isWord[feature]);

    private double WeightOf(int having, bool isWord) => Math.Log((_texts.Count + 1.0) / (having + 0.5)) * (isWord ? WordWeight : 1);

    private int NumberOf(string feature)
    {
        if (_numbers.TryGetValue(feature, out var number)) return number;
        _having.Add([]);
        _isWord.Add(IsWord(feature));
        return _numbers[feature] = _having.Count - 1;
    }

    // A run of letters begins with a sign that no word has.
    private static bool IsWord(string feature) => feature[0] != '#';

    private static HashSet<string> FeaturesOf(string text)
    {
        var features = new HashSet<string>(StringComparer.Ordinal);
        foreach (var word in WordsOf(text))
        {
            features.Add(word);
            var padded = $" {word} ";
            for (var at = 0; at + RunLength <= padded.Length; at++) features.Add($"#{padded.AsSpan(at, RunLength)}");
        }

        return features;
    }

    /// <summary>The words of a text, in small letters and without accents.</summary>
    public static IEnumerable<string> WordsOf(string text)
    {
        var word = new StringBuilder();
        // Half a letter, which a text may be cut to, is none.
        var letters = string.Concat((text.Length > MostLetters ? text[..MostLetters] : text).EnumerateRunes());
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
}
