using System.Collections.Immutable;
using Yardang.Core.Lessons;

namespace Yardang.Headless.SimulatedClass;

/// <summary>"Which bridge first?": a wall to order. Where each would have which bridge; some have not placed all, and one does it the other way round.</summary>
public static class BridgeOrder
{
    private const int NeverStarts = 14;
    private const int HandsUp = 8;
    private const int TheOtherWayRound = 21;
    private const int Spread = 37;

    // How early most would build it, by the place of the card: 0 to 100.
    private static readonly ImmutableArray<int> s_usual = [34, 61, 8, 46, 90, 22, 78, 70];

    // What is said to the first card that begins so.
    private static readonly ImmutableArray<(int Student, string Beginning, string Words)> s_reasons =
    [
        (2, "A beam for wheelchairs", "Lena cannot come over at all now, so this first."), (5, "A suspension bridge", "The towers cost more than all the others together."), (9, "Stepping stones", "We can do these in one afternoon!"), (17, "Stepping stones", "Not when the brook is high."),
    ];

    /// <summary>What a student does, step by step.</summary>
    /// <param name="student">Position in the roster, from 0.</param>
    public static IReadOnlyList<Doing> Of(int student)
    {
        if (student == NeverStarts) return [];
        var steps = Enumerable.Repeat<Doing>(new Thinks(), 1 + (student % 5)).ToList();
        for (var nth = 0; nth < s_usual.Length - (student % 4 == 1 ? 2 : 0); nth++)
        {
            var card = (student + nth) % s_usual.Length;
            var usual = student == TheOtherWayRound ? 100 - s_usual[card] : s_usual[card];
            steps.Add(new PlacesCard(card, Math.Clamp(usual + ((((student * 7) + (card * 13)) % Spread) - (Spread / 2)), 0, 100)));
            if (nth % 2 == 1) steps.Add(new Thinks());
        }

        steps.AddRange(s_reasons.Where(r => r.Student == student).Select(r => new AnswersQuestion(r.Beginning, r.Words)));
        if (student == HandsUp) steps.Add(new Signals(Signal.HandUp, true));
        return steps;
    }
}
