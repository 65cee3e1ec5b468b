using System.Collections.Immutable;
using Yardang.Core.Lessons;

namespace Yardang.Headless.SimulatedClass;

/// <summary>"From load to ground": a wall to connect. Each adds an idea beside another, or a link; one idea stays loose, and two links lead round in a circle.</summary>
public static class LoadOnField
{
    private const int NeverStarts = 14;
    private const int HandsUp = 12;

    private const string PushesOn = "pushes on";
    private const string PullsOn = "pulls on";
    private const string Carries = "carries";
    private const string PartOf = "is part of";

    // In the order in which they can be done: what is linked is there by then.
    private static readonly ImmutableArray<(int Student, Doing Doing)> s_acts =
    [
        (0, new LinksCards("Load", "Deck", PushesOn)), (1, new LinksCards("Deck", "Pier", PushesOn)), (2, new LinksCards("Pier", "Ground", PushesOn)),
        (3, new PutsUpBeside("Arch", "Deck", PushesOn)), (5, new PutsUpBeside("Banks of the brook", "Arch", PushesOn)), (4, new LinksCards("Banks of the brook", "Ground", PartOf)),
        (6, new PutsUpBeside("Cable", "Deck", PullsOn)), (7, new PutsUpBeside("Tower", "Cable", PullsOn)), (8, new LinksCards("Tower", "Ground", PushesOn)),
        (9, new PutsUpBeside("Anchor block", "Cable", PullsOn)), (10, new LinksCards("Anchor block", "Ground", PullsOn)),
        (11, new PutsUpBeside("Truss", "Pier", PushesOn, IsTurned: true)), (13, new LinksCards("Truss", "Deck", Carries)), (15, new PutsUpBeside("Triangle", "Truss", PartOf, IsTurned: true)),
        (16, new PutsUpBeside("People and bicycles", "Load", PartOf, IsTurned: true)), (17, new PutsUpBeside("The bridge itself", "Load", PartOf, IsTurned: true)),
        (18, new PutsUpBeside("Wind", "Tower", PushesOn, IsTurned: true)), (19, new LinksCards("Ground", "Pier", "pushes back on")),
        (20, new PutsUpBeside("Rock", "Ground", PartOf, IsTurned: true)), (21, new LinksCards("Wind", "Deck", PushesOn)), (22, new PutsUpBeside("Rust", "", "")), (23, new LinksCards("Arch", "Pier", PushesOn)),
    ];

    private static readonly ImmutableArray<(int Student, string Beginning, string Words)> s_answers =
    [
        (2, "Wind", "Does it push or pull? The flags on our model were blown under the deck."), (8, "Triangle", "A square would fold up."),
    ];

    /// <summary>What a student does, step by step.</summary>
    /// <param name="student">Position in the roster, from 0.</param>
    public static IReadOnlyList<Doing> Of(int student)
    {
        if (student == NeverStarts) return [];
        List<Doing> steps = [];
        foreach (var (who, doing) in s_acts)
        {
            if (who == student) steps.Add(doing);

            // Those who come later in the list have waited for what they build on.
            else if (steps.TrueForAll(s => s is Thinks)) steps.Add(new Thinks());
        }

        steps.AddRange(s_answers.Where(a => a.Student == student).Select(a => new AnswersQuestion(a.Beginning, a.Words)));
        if (student == HandsUp) steps.Add(new Signals(Signal.HandUp, true));
        return steps;
    }
}
