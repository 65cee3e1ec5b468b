using System.Collections.Frozen;
using System.Collections.Immutable;

namespace Yardang.Core.Moderation;

/// <summary>
/// Names of people of a class, looked for in what students write where names are off: the whole name, and each part of it by itself if it has three letters and is no
/// ordinary word. As words of their own, whatever their accents and capitals are; not within others, and not disguised: names of children look like too much.
/// </summary>
public sealed class ClassNames
{
    private const int LeastLetters = 3;

    private static readonly Lazy<FrozenSet<string>> Words = new(() => WordLists.Lines("names-that-are-words.txt").SelectMany(line => line.Split(' ')).ToFrozenSet(StringComparer.Ordinal));

    private readonly HashSet<string> _parts = new(StringComparer.Ordinal);
    private readonly List<ImmutableArray<string>> _whole = [];
    private readonly List<string> _ofOtherScripts = [];

    /// <summary>Those that are looked for, of these people.</summary>
    public ClassNames(IEnumerable<string> names)
    {
        foreach (var name in names.Distinct(StringComparer.Ordinal))
        {
            var parts = PartsOf(new Spelling(name)).Select(p => p.Plain).ToImmutableArray();
            if (parts.IsEmpty || parts.Any(p => p.Contains('?')))
            {
                if (!string.IsNullOrWhiteSpace(name)) _ofOtherScripts.Add(name.Trim());
                continue;
            }

            foreach (var part in parts.Where(p => p.Length >= LeastLetters && !Words.Value.Contains(p) && !WordLists.Common.Contains(p))) _parts.Add(part);
            if (parts.Length > 1) _whole.Add(parts);
        }
    }

    /// <summary>Where one of them stands in a text.</summary>
    /// <param name="text">The text.</param>
    /// <param name="allowed">Words that this class may use, plainly written.</param>
    internal IEnumerable<Range> In(string text, IReadOnlySet<string> allowed)
    {
        var spelling = new Spelling(text);
        var parts = PartsOf(spelling).ToList();
        for (var i = 0; i < parts.Count; i++)
        {
            var whole = _whole.Where(w => w.Length <= parts.Count - i && w.Index().All(p => string.Equals(p.Item, parts[i + p.Index].Plain, StringComparison.Ordinal))).Select(w => w.Length).DefaultIfEmpty().Max();
            var length = whole > 0 ? whole : _parts.Contains(parts[i].Plain) && !allowed.Contains(parts[i].Plain) ? 1 : 0;
            if (length == 0) continue;
            yield return spelling.Start(parts[i].From)..spelling.End(parts[i + length - 1].To - 1);
            i += length - 1;
        }

        foreach (var other in _ofOtherScripts)
            for (var at = 0; (at = text.IndexOf(other, at, StringComparison.OrdinalIgnoreCase)) >= 0; at += other.Length) yield return at..(at + other.Length);
    }

    // Letters that stand together; an "'s" behind them is none of theirs.
    private static IEnumerable<(string Plain, int From, int To)> PartsOf(Spelling spelling)
    {
        for (var at = 0; at < spelling.Length; at++)
        {
            if (!spelling.HasLetter(at)) continue;
            var from = at;
            while (spelling.HasLetter(at)) at++;
            yield return (spelling.Plain(from, at), from, at);
        }
    }
}
