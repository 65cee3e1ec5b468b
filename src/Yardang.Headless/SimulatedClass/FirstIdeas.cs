using System.Collections.Immutable;
using Yardang.Core.Lessons;

namespace Yardang.Headless.SimulatedClass;

/// <summary>"What holds a bridge up?": who draws what, who is stuck, who never starts, whose network goes.</summary>
public static class FirstIdeas
{
    private const int StuckOne = 5;
    private const int NeverStarts = 13;
    private const int LosesNetwork = 8;
    private const int HandsUp = 17;

    private static readonly ImmutableArray<string> s_ideas =
    [
        "The piers carry the load down into the ground", "An arch squeezes. It cannot fall in on itself", "Triangles do not change their shape",
        "The cables pull, the towers push", "If the deck is long it bends in the middle", "The load goes sideways to both banks",
        "Our footbridge has two beams and planks on top", "Stone is good at being pressed, bad at being pulled",
    ];

    private static readonly ImmutableArray<string> s_labels = ["deck", "pier", "arch", "cable", "bank", "load"];

    /// <summary>What a student does, step by step.</summary>
    /// <param name="student">Position in the roster, from 0.</param>
    public static IReadOnlyList<Doing> Of(int student)
    {
        if (student == NeverStarts) return [];
        var random = new Random(student);
        var steps = Enumerable.Repeat<Doing>(new Thinks(), student % 5).ToList();
        var x = 4_500 + random.Next(2_500);
        var y = 9_500 + random.Next(1_800);
        var strokes = BridgeDrawing.Of(student, x, y, 17_000 + random.Next(3_000), random);
        steps.AddRange(strokes.Take(student == StuckOne ? 1 : strokes.Count).Select(s => new Draws(s, 0)));
        if (student == StuckOne) return [.. steps, new Thinks(), new Types(6_000, 14_500, "What is a pier?"), new Signals(Signal.HandUp, true, HandReason.Task)];
        if (student == LosesNetwork) steps.Insert(2, new Network(On: false));
        steps.AddRange(BridgeDrawing.LoadArrow(x + 8_000 + random.Next(2_000), y, random).Select(s => new Draws(s, 1)));

        // Every other one writes by hand.
        var label = s_labels[student % s_labels.Length];
        if (student % 4 < 2) steps.AddRange(Lettering.Of(label, x + 600, y + 3_500, 170, random).Select(s => new Draws(s, 0)));
        else steps.Add(new Types(x + 600, y + 3_700, label));
        steps.Add(new PutsUpNote(11_500 + random.Next(2_000), 12_900 + random.Next(400), s_ideas[student % s_ideas.Length], student % 4));
        if (student == LosesNetwork) steps.Add(new Network(On: true));
        if (student == HandsUp) steps.Add(new Signals(Signal.HandUp, true, Words: "Does an arch need a pier?"));
        if (student % 4 == 3) steps.Add(new Reports(student % 8 == 3 ? Report.GoesOn : Report.Unsure));
        if (student % 6 == 2) steps.Add(new Signals(Signal.ReadyForALook, true));
        return steps;
    }
}
