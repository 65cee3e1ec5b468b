using System.Collections.Immutable;
using Yardang.Core.Lessons;

namespace Yardang.Headless.SimulatedClass;

/// <summary>"Bridge gallery": a wall to visit with six bridges. Who goes where and says what; some have not been everywhere.</summary>
public static class BridgeGallery
{
    private const int NeverStarts = 5;
    private const int HandsUp = 17;

    // By station.
    private static readonly ImmutableArray<ImmutableArray<string>> s_seen =
    [
        ["The stones squeeze each other", "The load goes round the hole, down the sides", "The pillar in the middle gets it from both arches", "If you took the top stone out it would fall", "The river pushes on the pillar, too", "No mortar in ours, it stands all the same"],
        ["Ropes only pull\nYou cannot push with a rope.", "The trees on the banks carry everything", "It sags where somebody stands", "If one came loose it would tip over", "The planks only spread the load", "The longer it is, the more it sags"],
        ["Triangles!", "The slanted ones are pressed, I think", "The bottom beam is pulled apart", "It is mostly air, so it is light", "Each joint pushes on the next", "Our straw truss broke at a joint"],
        ["The towers hold the cables, and the ground holds the towers", "Big blocks on the banks, or the cables would slide in", "The thin ropes hang on the thick one", "The deck hangs, it does not stand", "The towers are pressed, the cables are pulled"],
        ["A weight on the other end\nlike a see-saw", "Chains pull it up", "When it is down it is just a beam", "It must be locked, or a cart would lift it", "The castle wall carries the chains"],
        ["So that the water runs slowly downhill, all the way", "Many arches, because one would be too long", "Each arch pushes on its neighbour", "It carries water, and water is heavy", "The last arch pushes on the hill"],
    ];

    // By student: what they filmed or said at the first bridge where they were.
    private static readonly ImmutableDictionary<int, Recorded> s_recorded = ImmutableDictionary.CreateRange<int, Recorded>(
    [
        new(0, new("film", "Our model of it: the deck sags under the cart, and the arch holds.")), new(1, new("voice", "You can feel it in your arms when somebody walks on the ropes.")), new(8, new("voice", "")),
    ]);

    /// <summary>What a student does, step by step.</summary>
    /// <param name="student">Position in the roster, from 0.</param>
    public static IReadOnlyList<Doing> Of(int student)
    {
        if (student == NeverStarts) return [];
        var steps = Enumerable.Repeat<Doing>(new Thinks(), 1 + (student % 5)).ToList();
        for (var nth = 0; nth < 2 + (student % 3); nth++)
        {
            var station = (student + nth) % s_seen.Length;
            steps.Add(new GoesToStation(station));
            steps.AddRange(Enumerable.Repeat<Doing>(new Thinks(), 2));
            var said = s_seen[station];
            var which = (student / s_seen.Length) + (nth * 2);
            if (which < said.Length) steps.Add(new PutsUpCard(station, said[which], Sketch: nth == 0 && student % 7 == 3 ? student % 4 : null, Recorded: nth == 0 ? s_recorded.GetValueOrDefault(student) : null));
        }

        if (student == HandsUp) steps.Add(new Signals(Signal.HandUp, true));
        return steps;
    }
}
