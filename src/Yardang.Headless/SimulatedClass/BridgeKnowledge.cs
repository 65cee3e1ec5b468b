using System.Collections.Immutable;
using Yardang.Core.Lessons;

namespace Yardang.Headless.SimulatedClass;

/// <summary>"What we know about bridges": a wall with four topics. Who puts up what, who changes their mind, who never starts, whose network goes.</summary>
public static class BridgeKnowledge
{
    private const int NeverStarts = 13;
    private const int LosesNetwork = 8;
    private const int HandsUp = 4;

    // By topic, as the demo's wall has them: materials, forces, people, questions.
    private static readonly ImmutableArray<ImmutableArray<string>> s_cards =
    [
        [
            "Stone lasts for hundreds of years", "Steel bends a little before it breaks", "Concrete\nIt is strong when you press it. Inside are steel rods, because it breaks when you pull it.", "Wood is light, but it rots near water",
            "Rope bridges can be made of grass", "Our paper bridge held 300 g when it was folded", "Bricks in an arch", "Planks on two beams, like our footbridge", "Cables are many thin wires together",
        ],
        [
            "The load pushes down on the deck", "The ground pushes back", "Cables pull", "Wind pushes from the side\nA long thin bridge can begin to swing.", "In an arch everything squeezes", "The middle of a beam bends most",
            "Heat makes the deck longer, so there is a gap", "Water pushes on the piers",
        ],
        [
            "Engineers plan it and test a model first", "My aunt builds scaffolds for bridges", "Somebody has to inspect it every year", "Wheelchairs need a flat way up", "Who pays for it?\nThe town, and so all of us", "Small children need a railing they cannot climb",
            "The people on the other bank want it most",
        ],
        [
            "How long can a bridge get?", "Do bridges get tired?\nOur teacher said metal does.", "Why do soldiers not march in step on a bridge?", "How do they build in the middle of a river?", "What is the oldest bridge that still stands?", "Can a bridge be too strong?",
            "How heavy is a bridge?",
        ],
    ];

    private static readonly ImmutableArray<string> s_pictures = ["aqueduct", "rope bridge", "suspension bridge"];

    // Some draw what they mean, and some find a picture.
    private static PutsUpCard Shows(int student, int nth, PutsUpCard card) => nth == 1 ? card : (student % 8) switch
    {
        1 => card with { Sketch = student / 8 },
        4 => card with { Search = s_pictures[student / 8] },
        6 => card with { Sketch = 3 - (student / 8) },
        _ => card,
    };

    /// <summary>What a student does, step by step.</summary>
    /// <param name="student">Position in the roster, from 0.</param>
    public static IReadOnlyList<Doing> Of(int student)
    {
        if (student == NeverStarts) return [];
        var steps = Enumerable.Repeat<Doing>(new Thinks(), 1 + (student % 7)).ToList();
        for (var nth = 0; nth < (student % 5 == 3 ? 1 : 2); nth++)
        {
            var topic = (student + nth) % s_cards.Length;
            var cards = s_cards[topic];
            var which = (student / s_cards.Length) + (nth * 3);
            if (which < cards.Length) steps.Add(Shows(student, nth, new PutsUpCard(topic, cards[which])));
            steps.AddRange(Enumerable.Repeat<Doing>(new Thinks(), 2));
        }

        // Some say to others' cards what these are to them.
        if (student % 3 == 0) steps.Add(new RespondsTo(s_cards[student % s_cards.Length][0], "idea"));
        if (student % 6 == 1) steps.Add(new RespondsTo("The ground pushes back", "question"));
        if (student % 8 == 5) steps.Add(new RespondsTo("The load pushes down", "tested"));
        if (student % 9 == 2) steps.Add(new MovesCard((student + 1) % s_cards.Length));
        if (student == 6) steps.Add(new PutsUpCard(s_cards.Length, "There is a game with bridges too"));
        if (student == LosesNetwork)
        {
            steps.Insert(2, new Network(On: false));
            steps.Add(new Network(On: true));
        }

        if (student == HandsUp) steps.Add(new Signals(Signal.HandUp, true));
        if (student % 8 == 1) steps.Add(new Signals(Signal.ReadyForALook, true));
        return steps;
    }
}
