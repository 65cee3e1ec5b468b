using System.Collections.Immutable;
using Yardang.Core.Ink;

namespace Yardang.Headless.SimulatedClass;

/// <summary>
/// Letters as children draw them, stroke by stroke. On a grid four wide and six high: small letters stand from 2 to 4, tall ones begin at 0, and
/// tails end at 6.
/// </summary>
public static class Lettering
{
    private const int Advance = 5;

    private static readonly ImmutableDictionary<char, (int X, int Y)[][]> s_letters = new Dictionary<char, (int, int)[][]>
    {
        ['a'] = [[(3, 2), (1, 2), (0, 3), (1, 4), (3, 3), (3, 2), (3, 4), (4, 4)]],
        ['b'] = [[(0, 0), (0, 4), (2, 4), (3, 3), (2, 2), (0, 2)]],
        ['c'] = [[(3, 2), (1, 2), (0, 3), (1, 4), (3, 4)]],
        ['d'] = [[(3, 0), (3, 4), (1, 4), (0, 3), (1, 2), (3, 2)]],
        ['e'] = [[(0, 3), (3, 3), (3, 2), (1, 2), (0, 3), (1, 4), (3, 4)]],
        ['h'] = [[(0, 0), (0, 4)], [(0, 3), (1, 2), (3, 2), (3, 4)]],
        ['i'] = [[(1, 2), (1, 4)], [(1, 1), (1, 1)]],
        ['k'] = [[(0, 0), (0, 4)], [(3, 2), (0, 3), (3, 4)]],
        ['l'] = [[(1, 0), (1, 4), (2, 4)]],
        ['n'] = [[(0, 2), (0, 4)], [(0, 3), (1, 2), (3, 2), (3, 4)]],
        ['o'] = [[(1, 2), (0, 3), (1, 4), (2, 4), (3, 3), (2, 2), (1, 2)]],
        ['p'] = [[(0, 2), (0, 6)], [(0, 2), (2, 2), (3, 3), (2, 4), (0, 4)]],
        ['r'] = [[(0, 2), (0, 4)], [(0, 3), (1, 2), (3, 2)]],
    }.ToImmutableDictionary();

    /// <summary>The strokes of a word. Letters that nobody has taught yet are left out.</summary>
    /// <param name="word">Small letters.</param>
    /// <param name="x">Left edge, 1/100 mm.</param>
    /// <param name="y">Top of tall letters, 1/100 mm.</param>
    /// <param name="unit">One step of the grid, 1/100 mm.</param>
    /// <param name="random">The hand.</param>
    public static IEnumerable<ImmutableArray<InkPoint>> Of(string word, int x, int y, int unit, Random random) => word
        .Select((letter, i) => (Strokes: s_letters.GetValueOrDefault(letter, []), At: x + (i * Advance * unit)))
        .SelectMany(l => l.Strokes.Select(stroke => BridgeDrawing.Path([.. stroke.Select(p => (l.At + (p.X * unit), y + (p.Y * unit)))], random)));
}
