using System.Collections.Immutable;

namespace Yardang.Core.ClassLists;

/// <summary>Made-up names that can be said aloud, for classes of which no name is to be kept: "Lomiva", "Tedaro".</summary>
public static class Alias
{
    private const int Syllables = 3;

    // Chosen so that no three of them, each another, make a word that one would not call a child.
    private static readonly ImmutableArray<string> s_syllables =
        [.. "ba be bi bo da de di do la le li lo lu ma me mi mo na ne no ra re ri ro ru sa se si so ta te ti to va ve vi vo za zo".Split(' ')];

    /// <summary>Gives everybody without a name one that nobody else has.</summary>
    /// <param name="list">The class.</param>
    /// <param name="random">The chance.</param>
    public static ImmutableArray<ClassEntry> Give(IEnumerable<ClassEntry> list, Random random)
    {
        var all = list.ToList();
        var taken = all.Select(e => e.Name).ToHashSet(StringComparer.OrdinalIgnoreCase);
        return [.. all.Select(e => e.Name.Length > 0 ? e : e with { Name = Next() })];

        string Next()
        {
            while (true)
            {
                var parts = new HashSet<string>(StringComparer.Ordinal);
                while (parts.Count < Syllables) parts.Add(s_syllables[random.Next(s_syllables.Length)]);
                var name = string.Concat(parts);
                name = char.ToUpperInvariant(name[0]) + name[1..];
                if (taken.Add(name)) return name;
            }
        }
    }
}
