using System.Collections.Concurrent;
using System.Collections.Frozen;
using System.Collections.Immutable;

namespace Yardang.Core.Moderation;

/// <summary>
/// Finds words that a class should not read in what students write: as they are, and disguised by spaces, repeated letters, letters and figures that look alike,
/// accents, signs that take no room, letters left out, and words written backwards or split over two texts. Innocent words that have a bad one in them are left
/// alone. What it catches and what it takes for bad without reason is measured by <c>bench moderate</c>. Ink is out of its reach.
/// </summary>
public sealed class WordScreen
{
    /// <summary>So many signs may stand between two letters of a word that is spelled out.</summary>
    private const int LongestGap = 4;

    /// <summary>A word of fewer letters is taken apart only where none of its pieces is a word; it is not read backwards, nor with letters left out.</summary>
    private const int LeastAcross = 4;

    /// <summary>More letters are not left out of a word.</summary>
    private const int MostLeftOut = 2;

    private static readonly string[] Endings = ["s", "es", "ed", "ing", "in", "er", "ers", "y", "ies"];

    private const int LongestCommon = 8;

    private static readonly FrozenSet<string>.AlternateLookup<ReadOnlySpan<char>> CommonWords = WordLists.Common.GetAlternateLookup<ReadOnlySpan<char>>();

    private static readonly char[] TurnsAround = ['\u202d', '\u202e', '\u2067', '\u2068'];

    // Those that count within others are in both.
    private readonly WordTree _whole = new();
    private readonly WordTree _within = new();
    private readonly HashSet<string> _allowed = new(StringComparer.Ordinal);
    private readonly bool _details;
    private readonly ImmutableArray<string> _ofOtherScripts = [];
    private readonly ClassNames? _names;

    // Most lessons have no words of their own.
    private static readonly ConcurrentDictionary<(WhenFound Then, bool ForYoung, bool Details), WordScreen> Usual = new();

    /// <summary>A screen that looks for the words of the lists that ship with the program, and of the teacher's.</summary>
    public WordScreen(WordScreening screening)
    {
        Then = screening.Then;
        _details = screening.Details;
        foreach (var word in screening.Allowed) _allowed.Add(PlainOf(word));
        foreach (var language in (string[])["en", "es"])
            foreach (var word in WordLists.Bad(language, screening.ForYoung)) Add(word);
        foreach (var own in screening.Own)
        {
            var plain = PlainOf(own);
            if (plain.Length > 0 && !plain.Contains('?')) Add(new(plain, IsRoot: own.Trim() is ['*', .., '*'], IsPhrase: own.Trim().Contains(' ')));
            else if (!string.IsNullOrWhiteSpace(own)) _ofOtherScripts = _ofOtherScripts.Add(own.Trim());
        }
    }

    private WordScreen(WordScreen screen, ClassNames names)
    {
        (Then, _details, _whole, _within, _allowed, _ofOtherScripts) = (screen.Then, screen._details, screen._whole, screen._within, screen._allowed, screen._ofOtherScripts);
        _names = names;
    }

    /// <summary>What is done where something is found.</summary>
    public WhenFound Then { get; }

    /// <summary>The screen that looks for this; null for none.</summary>
    public static WordScreen? For(WordScreening screening) => screening.Then == WhenFound.LetThrough ? null
        : screening is { Own.IsEmpty: true, Allowed.IsEmpty: true } ? Usual.GetOrAdd((screening.Then, screening.ForYoung, screening.Details), _ => new(screening)) : new(screening);

    /// <summary>The same screen, which looks for these names besides.</summary>
    public WordScreen With(ClassNames names) => new(this, names);

    /// <summary>The same text with dots in place of what was found in it.</summary>
    /// <param name="text">A text.</param>
    /// <param name="found">What was found in it.</param>
    public static string Mask(string text, IEnumerable<Finding> found)
    {
        var masked = text.ToCharArray();
        foreach (var (_, _, start, length) in found) for (var i = start; i < start + length; i++) if (!char.IsWhiteSpace(masked[i])) masked[i] = '•';
        return new(masked);
    }

    /// <summary>What is found, in the order in which it stands in each text.</summary>
    /// <param name="texts">Texts that are read together: a word may be split over two of them.</param>
    public ImmutableArray<Finding> Look(params IReadOnlyList<string> texts)
    {
        var whole = texts.Count == 1 ? texts[0] : string.Join('\n', texts);
        if (whole.Length == 0) return [];
        var words = new List<Range>();
        LookForWords(whole, words);
        LookAround(whole, words);
        foreach (var own in _ofOtherScripts)
            for (var at = 0; (at = whole.IndexOf(own, at, StringComparison.OrdinalIgnoreCase)) >= 0; at += own.Length) words.Add(at..(at + own.Length));
        var found = words.ConvertAll(where => (FindingKind.Word, where));
        if (_details) found.AddRange(PersonalDetails.In(whole));
        if (_names is not null) found.AddRange(_names.In(whole, _allowed).Select(where => (FindingKind.Name, where)));
        return found.Count == 0 ? [] : ByText(texts, found);
    }

    // Words that were turned around so that the screen shows them the right way.
    private void LookAround(string whole, List<Range> found)
    {
        if (whole.IndexOfAny(TurnsAround) < 0) return;
        var turned = new List<Range>();
        LookForWords(new([.. whole.Reverse()]), turned);
        foreach (var stretch in turned) found.Add((whole.Length - stretch.End.Value)..(whole.Length - stretch.Start.Value));
    }

    // A word that goes over two texts is found in both.
    private static ImmutableArray<Finding> ByText(IReadOnlyList<string> texts, List<(FindingKind Kind, Range Where)> stretches)
    {
        var found = ImmutableArray.CreateBuilder<Finding>();
        for (var (field, begins) = (0, 0); field < texts.Count; begins += texts[field++].Length + 1)
        {
            foreach (var (kind, stretch) in stretches)
            {
                var (from, to) = (Math.Max(stretch.Start.Value, begins), Math.Min(stretch.End.Value, begins + texts[field].Length));
                if (from < to) found.Add(new(kind, field, from - begins, to - from));
            }
        }

        return found.ToImmutable();
    }

    private static string PlainOf(string word) => new Spelling(word) is var spelling ? spelling.Plain(0, spelling.Length) : "";

    private void Add(ListedWord word)
    {
        if (_allowed.Contains(word.Letters)) return;
        if (word.IsRoot) _within.Add(word);
        _whole.Add(word);
        if (word.IsPhrase) return;
        foreach (var ending in Endings) _whole.Add(word with { Letters = word.Letters + ending });

        // Read from the other end, it is a word only by itself.
        if (word.Letters.Length >= LeastAcross) _whole.Add(word with { Letters = new([.. word.Letters.Reverse()]), IsTurned = true });
    }

    private void LookForWords(string text, List<Range> found)
    {
        var spelling = new Spelling(text);
        for (var at = 0; at < spelling.Length; at++)
        {
            var begins = !spelling.HasLetter(at - 1) && !IsAfterApostrophe(spelling, at);
            var tree = begins ? _whole : _within;
            var sign = spelling[at];
            if ((sign & tree.Root.Letters) == 0) continue;

            // Whoever goes on with the same letter began before.
            if (at > 0 && (sign & spelling[at - 1] & tree.Root.Letters) != 0) continue;
            var end = Follow(new(spelling, at), tree.Root, at, 0, false);
            if (end <= at) continue;
            found.Add(spelling.Start(at)..spelling.End(end - 1));
            at = end - 1;
        }
    }

    /// <summary>Where the longest word ends that goes on so; -1 if none does.</summary>
    private int Follow(Reading reading, WordTree.Node node, int at, int leftOut, bool across)
    {
        var spelling = reading.Spelling;
        var longest = node.Word is { } word && IsMeant(reading, at, word, leftOut, across) ? at : -1;
        if (leftOut > MostLeftOut || at >= spelling.Length) return longest;
        var sign = spelling[at];

        // In a word that is spelled out nothing is left out: what stands between its letters is passed over below.
        var here = across && leftOut == 0 ? sign : sign | Spelling.Missing(sign);
        if ((here & node.Letters) != 0)
        {
            var next = at + 1 < spelling.Length ? spelling[at + 1] | Spelling.Missing(spelling[at + 1]) : 0;
            var standsForOne = !across && at != reading.From && (sign & Spelling.ForAny) != 0;
            foreach (var (letter, count, to) in node.Branches)
            {
                if ((here & letter) == 0) continue;

                // Where any letter may be left out, most words do not go on with what stands behind it.
                if (standsForOne && (sign & letter) == 0 && count == 1 && to.Word is null && (next & (letter | to.Letters)) == 0) continue;
                longest = Math.Max(longest, Take(reading, at, letter, count, to, leftOut, across));
            }
        }

        if (at == reading.From || leftOut > 0 || !spelling.IsBetween(at)) return longest;
        for (var next = at + 1; next < spelling.Length && next - at <= LongestGap; next++)
        {
            if ((spelling[next] & node.Letters) != 0)
                foreach (var (letter, count, to) in node.Branches) if ((spelling[next] & letter) != 0) longest = Math.Max(longest, Take(reading, next, letter, count, to, leftOut, true));
            if (!spelling.IsBetween(next)) break;
        }

        return longest;
    }

    // Takes a run of one letter: all of it, and where a sign may mean another letter, too, only as much as is needed.
    private int Take(Reading reading, int at, uint letter, int count, WordTree.Node to, int leftOut, bool across)
    {
        var spelling = reading.Spelling;
        var (longest, taken, end, others) = (-1, 0, at, 0u);
        while (end < spelling.Length)
        {
            var sign = spelling[end];
            if ((sign & letter) == 0)
            {
                // A full stop stands for no vowel at the end of a word.
                if (across || (Spelling.Missing(sign) & letter) == 0 || taken >= count || at == reading.From || ((sign & Spelling.ForAny) == 0 && !spelling.HasLetter(end + 1))) break;
                leftOut++;
            }

            others |= sign & Spelling.Letters & ~letter;
            taken++;
            end++;
            if (taken == count && others != 0) longest = Math.Max(longest, Follow(reading, to, end, leftOut, across));
        }

        if (taken >= count) return taken == count && others != 0 ? longest : Math.Max(longest, Follow(reading, to, end, leftOut, across));
        if (taken == 0 || end >= spelling.Length || !spelling.IsBetween(end)) return longest;

        // The rest of the run may follow after a gap.
        for (var next = end; next < spelling.Length && next - end <= LongestGap; next++)
        {
            if ((spelling[next] & letter) != 0) return Math.Max(longest, Take(reading, next, letter, count - taken, to, leftOut, true));
            if (!spelling.IsBetween(next)) break;
        }

        return longest;
    }

    private bool IsMeant(Reading reading, int end, ListedWord word, int leftOut, bool across)
    {
        var (spelling, from) = (reading.Spelling, reading.From);
        var (letters, figures) = (0, 0);
        for (var i = from; i < end; i++)
        {
            if ((spelling[i] & Spelling.IsLetter) != 0) letters++;
            if ((spelling[i] & Spelling.IsFigure) != 0) figures++;
        }

        // Numbers are numbers.
        if (letters == 0 && (figures > 0 || across || leftOut > 0)) return false;
        if (leftOut > 0 && (word.Letters.Length < LeastAcross || leftOut * 2 > word.Letters.Length || letters + figures < 2)) return false;
        var isWhole = !spelling.HasLetter(from - 1) && !spelling.HasLetter(end) && !IsAfterApostrophe(spelling, from);
        if (!isWhole && (!word.IsRoot || across)) return false;
        return across ? IsSpelledOut(spelling, from, end, word) : IsNotInnocent(spelling, from, end, word);
    }

    private static bool IsAfterApostrophe(Spelling spelling, int at) => at > 1 && (spelling[at - 1] & Spelling.IsApostrophe) != 0 && spelling.HasLetter(at - 2);

    // Whether it is one word that was taken apart, not words that stand beside one another.
    private static bool IsSpelledOut(Spelling spelling, int from, int end, ListedWord word)
    {
        var (pieces, single, common) = (0, 0, 0);
        for (var i = from; i < end;)
        {
            var (begin, figures) = (i, 0);
            while (i < end && !spelling.IsBetween(i)) if ((spelling[i++] & Spelling.IsFigure) != 0) figures++;
            if (i > begin)
            {
                pieces++;
                if (i - begin > 1 && figures == i - begin) return false;
                if (IsOneLetter(spelling, begin, i)) single++;
                if (figures == 0 && IsCommon(spelling, begin, i)) common++;
            }

            while (i < end && spelling.IsBetween(i)) i++;
        }

        // The word without its ending was looked at before.
        if (word.IsTurned || IsAfterApostrophe(spelling, end - 1)) return false;
        if (pieces <= 1 || word.IsPhrase) return true;
        return single == pieces ? pieces >= 3 : common < (word.Letters.Length < LeastAcross ? 1 : pieces);
    }

    private static bool IsOneLetter(Spelling spelling, int from, int to)
    {
        if (to - from == 1) return true;
        var letter = '\0';
        for (var i = from; i < to; i++)
        {
            if (!spelling.HasLetter(i)) continue;
            if (letter != '\0' && letter != spelling.PlainAt(i)) return false;
            letter = spelling.PlainAt(i);
        }

        return letter != '\0';
    }

    private static bool IsCommon(Spelling spelling, int from, int to)
    {
        if (to - from > LongestCommon) return false;
        Span<char> plain = stackalloc char[LongestCommon];
        var length = 0;
        for (var i = from; i < to; i++) if (spelling.HasLetter(i)) plain[length++] = spelling.PlainAt(i);
        return CommonWords.Contains(plain[..length]);
    }

    private bool IsNotInnocent(Spelling spelling, int from, int end, ListedWord word)
    {
        if (word.IsTurned && !string.Equals(spelling.Plain(from, end), word.Letters, StringComparison.Ordinal)) return false;
        while (spelling.HasLetter(from - 1)) from--;
        while (spelling.HasLetter(end)) end++;
        var whole = spelling.Plain(from, end);
        return !Has(WordLists.Innocent, whole) && !Has(_allowed, whole);
    }

    private static bool Has(IReadOnlySet<string> words, string word) => words.Contains(word) || (word.EndsWith('s') && words.Contains(word[..^1]));

    private readonly record struct Reading(Spelling Spelling, int From);
}
