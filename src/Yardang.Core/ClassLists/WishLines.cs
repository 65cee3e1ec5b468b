using System.Collections.Immutable;
using System.Globalization;

namespace Yardang.Core.ClassLists;

/// <summary>Wishes as a teacher writes them: a line for each set of people, by number or name, separated by commas. Every two of a set are meant.</summary>
public static class WishLines
{
    /// <summary>Most sets.</summary>
    public const int Most = 100;

    private static readonly char[] s_between = [',', ';', '\t'];

    /// <summary>Reads them. What means nobody on the list, or several, is named; then nothing is taken.</summary>
    /// <param name="text">The lines.</param>
    /// <param name="list">The class.</param>
    public static (ImmutableArray<(int, int)> Pairs, ImmutableArray<string> Unknown) Read(string? text, IReadOnlyList<ClassEntry> list)
    {
        var pairs = ImmutableArray.CreateBuilder<(int, int)>();
        var unknown = ImmutableArray.CreateBuilder<string>();
        foreach (var line in (text ?? "").Split('\n', StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries).Take(Most))
        {
            var set = new List<int>();
            foreach (var typed in line.Split(s_between, StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries))
            {
                if (ClassListReader.Find(list, typed) is { } meant) set.Add(meant.Number);
                else unknown.Add(typed);
            }

            for (var i = 0; i < set.Count; i++)
            {
                for (var j = 0; j < i; j++) pairs.Add((set[j], set[i]));
            }
        }

        return unknown.Count > 0 ? ([], unknown.ToImmutable()) : (pairs.Where(p => p.Item1 != p.Item2).Distinct().ToImmutableArray(), []);
    }

    /// <summary>The lines for pairs, a pair a line.</summary>
    public static string Write(IEnumerable<(int, int)> pairs) => string.Join('\n', pairs.Select(p => string.Create(CultureInfo.InvariantCulture, $"{p.Item1}, {p.Item2}")));
}
