using Yardang.Core.Lessons;

namespace Yardang.Headless.SimulatedClass;

/// <summary>"Where would you build it?": the whole class on one map. Reasons near the place that each prefers; some move the bridge.</summary>
public static class BuildingPlace
{
    private static readonly (int X, int Y, string[] Reasons)[] s_places =
    [
        (20_800, 1_000, ["The shortest span", "Needs the least wood", "But the banks are steep"]),
        (21_300, 7_300, ["Near the path", "Small ones can walk there", "You see it from school"]),
        (7_700, 9_300, ["Flat: wheelchairs can cross", "Floods in spring!", "Room on both sides"]),
    ];

    private static readonly Dictionary<int, SaysOf> s_said = new()
    {
        [11] = new("Floods in spring!", "Then it must stand higher there"),
        [15] = new("Floods in spring!", "How high does the brook come?", IsReply: true),
        [12] = new("But the banks", "Steps would help"),
    };

    /// <summary>What a student does, step by step.</summary>
    /// <param name="student">Position in the roster, from 0.</param>
    public static IReadOnlyList<Doing> Of(int student)
    {
        var random = new Random(300 + student);
        var steps = Enumerable.Repeat<Doing>(new Thinks(), 1 + (student % 6)).ToList();
        var (x, y, reasons) = s_places[student % 3];
        var nth = student / 3;
        if (student is 2 or 10 or 16) steps.Add(new Moves(0, 13_300 + (500 * (student % 3)), 5_600 + (student % 3 * 5_500)));

        // Three give a reason for each of the three places; the others agree with a tick beside one.
        if (nth < 3) steps.Add(new PutsUpNote(x + random.Next(500), y + (nth * 1_950), reasons[nth], student % 6, Small: true));
        else steps.AddRange(Tick(x + 4_900 + ((nth - 3) % 3 * 900), y + 900 + ((nth - 3) / 3 * 1_950) + random.Next(300), random));
        if (s_said.GetValueOrDefault(student) is { } said) steps.AddRange([new Thinks(), said]);
        if (student == 4) steps.Add(new Signals(Signal.HandUp, true));
        return steps;
    }

    private static IEnumerable<Doing> Tick(int x, int y, Random random) =>
        [new Draws(BridgeDrawing.Path([(x, y), (x + 300, y + 350), (x + 900, y - 500)], random), 2)];
}
