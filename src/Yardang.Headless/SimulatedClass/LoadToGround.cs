using System.Collections.Immutable;
using Yardang.Core.Lessons;

namespace Yardang.Headless.SimulatedClass;

/// <summary>"How does the load reach the ground?": everybody thinks alone on a page, puts the best idea on the wall, and leaves an exit ticket.</summary>
public static class LoadToGround
{
    private const int Wall = 2;
    private const int Ticket = 3;
    private const int NeverStarts = 13;
    private const int StaysAlone = 5;

    // By topic, as the demo's wall has them: my best idea, I still ask.
    private static readonly ImmutableArray<string> s_ideas =
    [
        "The deck bends and hands the load to the piers", "In an arch the stones press on each other, down to the banks", "The cable pulls up, and the tower pushes down", "A truss sends it along its bars",
        "Every part pushes on the next one until the ground pushes back", "The beam is pressed on top and pulled below", "Two piers each carry half", "The anchor in the ground holds the end of the cable",
    ];

    private static readonly ImmutableArray<string> s_questions = ["What if the ground is soft?", "Why does an arch need heavy ends?", "How much can one cable carry?", "Does the load move when the bus moves?"];

    private static readonly ImmutableArray<string> s_answers = ["And where does it go from there?", "I drew it like that, too", "Does that also hold for our footbridge?", "Then the banks have to be strong"];

    private static readonly ImmutableArray<string> s_tickets = ["The load has to arrive in the ground", "An arch only pushes", "Cables only pull", "The middle bends most"];

    /// <summary>What a student does, step by step.</summary>
    /// <param name="student">Position in the roster, from 0.</param>
    public static IReadOnlyList<Doing> Of(int student)
    {
        if (student == NeverStarts) return [];
        var random = new Random(700 + student);
        var steps = Enumerable.Repeat<Doing>(new Thinks(), student % 4).ToList();
        var (x, y) = (5_500 + random.Next(1_500), 9_000 + random.Next(1_500));
        steps.AddRange(BridgeDrawing.Of(student + 1, x, y, 16_000 + random.Next(2_000), random).Select(s => new Draws(s, 0)));
        steps.AddRange(BridgeDrawing.LoadArrow(x + 7_000 + random.Next(3_000), y, random).Select(s => new Draws(s, 1)));
        if (student == StaysAlone) return [.. steps, new Types(6_000, 15_500, "Where does it go then?"), new Signals(Signal.HandUp, true)];
        steps.AddRange([new GoesTo(Wall), new Thinks(), new PutsUpCard(0, s_ideas[student % s_ideas.Length])]);
        if (student % 4 == 3) steps.AddRange([new Thinks(), new AnswersCard(s_answers[student / 4 % s_answers.Length])]);
        if (student % 4 != 3) steps.AddRange([new Thinks(), new JudgesCards()]);
        if (student % 3 == 1) steps.Add(new PutsUpCard(1, s_questions[student / 3 % s_questions.Length]));
        if (student % 2 == 0) steps.AddRange([new GoesTo(Ticket), new Thinks(), new Types(2_200, 6_000, s_tickets[student / 2 % s_tickets.Length])]);
        if (student % 8 == 6) steps.Add(new Signals(Signal.ReadyForALook, true));
        return steps;
    }
}
