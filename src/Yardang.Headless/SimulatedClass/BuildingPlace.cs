using Yardang.Core.Lessons;

namespace Yardang.Headless.SimulatedClass;

/// <summary>"Where would you build it?": the whole class on one map. Reasons near the place that each prefers; some move the bridge.</summary>
public static class BuildingPlace
{
    private static readonly (int X, int Y, string[] Reasons)[] s_places =
    [
        (10_400, 3_000, ["The shortest span", "Needs the least wood", "But the banks are steep"]),
        (19_500, 8_000, ["Near the path", "Small ones can walk there", "You see it from school"]),
        (18_500, 15_600, ["Flat: wheelchairs can cross", "Floods in spring!", "Room to build on both sides"]),
    ];

    /// <summary>What a student does, step by step.</summary>
    /// <param name="student">Position in the roster, from 0.</param>
    public static IReadOnlyList<Doing> Of(int student)
    {
        var random = new Random(300 + student);
        var steps = Enumerable.Repeat<Doing>(new Thinks(), 1 + (student % 6)).ToList();
        var (x, y, reasons) = s_places[student % 3];
        var nth = student / 3;
        if (student is 2 or 10 or 16) steps.Add(new Moves(0, x - 1_000, y + 1_400));

        // Eight of the class have a place each round each of the three; the others agree with a tick of the pen.
        if (nth < 3) steps.Add(new PutsUpNote(x + (nth * 2_700) - (student % 3 == 0 ? 8_500 : 0), y + random.Next(800), reasons[nth], student % 6));
        else steps.AddRange(Tick(x + (nth * 800) - 2_000, y + 3_800 + random.Next(700), random));
        if (student == 4) steps.Add(new Signals(Signal.HandUp, true));
        return steps;
    }

    private static IEnumerable<Doing> Tick(int x, int y, Random random) =>
        [new Draws(BridgeDrawing.Path([(x, y), (x + 300, y + 350), (x + 900, y - 500)], random), 2)];
}
