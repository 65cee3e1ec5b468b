using Yardang.Core.Lessons;
using Yardang.Core.Marks;
using Yardang.Core.Styles;

namespace Yardang.Headless.SimulatedClass;

/// <summary>"Load test log": a table of coins and sag, the same as points on a plane, and what each expected and saw.</summary>
public static class LoadTest
{
    private const int GramsOfACoin = 5;
    private static readonly string[] s_seen = ["nothing", "bends a little", "bends", "creaks", "bends a lot", "breaks"];
    private static readonly string[] s_because = ["Paper folds along its edge", "The middle has nothing under it", "One fold makes it higher, so it is stiffer", "The tape came loose first"];

    /// <summary>What a student does, step by step.</summary>
    /// <param name="student">Position in the roster, from 0.</param>
    public static IReadOnlyList<Doing> Of(int student)
    {
        var random = new Random(200 + student);
        var steps = Enumerable.Repeat<Doing>(new Thinks(), student % 3).ToList();
        var rows = 4 + (student % 3);
        var sag = 0;
        var points = new List<(int Coins, int Sag)>();
        for (var row = 0; row < rows; row++)
        {
            var coins = 2 * (row + 1);
            sag += 1 + random.Next(2 + row);
            points.Add((coins, sag));
            var y = 1_900 + (2_250 * row);
            steps.Add(new Types(2_400, y, $"{coins}"));
            steps.Add(new Types(9_300, y, $"{coins * GramsOfACoin}"));
            steps.Add(new Types(16_800, y, $"{sag}"));
            steps.Add(new Types(22_400, y, s_seen[Math.Min(row + (student % 2), s_seen.Length - 1)]));
        }

        if (student % 9 == 7) return [.. steps, new Signals(Signal.HandUp, true)];
        steps.AddRange(points.Select(p => Cross(p.Coins, p.Sag)));
        steps.Add(new PutsUpNote(2_400, 5_000 + random.Next(3_000), "It bends evenly", student % 6) { Page = 2 });
        steps.Add(new PutsUpNote(11_800, 5_000 + random.Next(3_000), $"At {points[^1].Coins} coins it sags {points[^1].Sag} mm", (student + 1) % 6) { Page = 2 });
        steps.Add(new PutsUpNote(21_000, 5_000 + random.Next(3_000), s_because[student % s_because.Length], (student + 2) % 6) { Page = 2 });
        if (student % 8 == 3) steps.Add(new PutsRecording(10_800, 13_700, 8_000, 6_860, new("film", "It sags under the cart and comes back.")) { Page = 2 });
        if (student % 8 == 5) steps.Add(new PutsRecording(2_400, 14_000, 9_500, 3_226, new("voice", "It creaked before it broke, so we stopped there.")) { Page = 2 });
        if (student % 5 == 1) steps.Add(new Signals(Signal.ReadyForALook, true));
        return steps;
    }

    // The plane of the second page: 0 to 20 coins across, 0 to 30 mm up, as Ruling lays it out on A4.
    private static DrawsShape Cross(int coins, int sag)
    {
        const double unit = 19_000 / 30.0;
        var x = (int)(((29_700 - (20 * unit)) / 2) + (coins * unit));
        var y = (int)(((21_000 + (30 * unit)) / 2) - (sag * unit));
        const int arm = 220;
        return new(new ShapeBody(ShapeKind.Line, [x - arm, y - arm, x, y, x + arm, y - arm, x, y, x - arm, y + arm, x, y, x + arm, y + arm]), new Style(1, 60)) { Page = 1 };
    }
}
