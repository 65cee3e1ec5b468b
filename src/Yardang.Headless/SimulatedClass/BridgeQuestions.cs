using System.Collections.Immutable;
using Yardang.Core.Lessons;
using Yardang.Core.Rooms;
using Yardang.Core.Threads;

namespace Yardang.Headless.SimulatedClass;

/// <summary>"Bridge questions": a wall to ask. Who asks what, who asks it too, and who knows an answer.</summary>
public static class BridgeQuestions
{
    private const int NeverStarts = 20;
    private const int HandsUp = 11;
    private const int TellsOf = 2;
    private const int Tells = 15;
    private const int Says = 7;

    private static readonly ImmutableArray<string> s_questions =
    [
        "Do bridges get tired?", "How do they build in the middle of a river?", "What is the longest bridge that we could build from paper?", "Why do arches push sideways?", "Who decides how much a bridge must carry?",
        "Why are there so many triangles in a truss?", "What happens to a bridge in an earthquake?", "Can wind break a bridge?", "How thick must a rope be to carry a person?", "Are there bridges only for animals?",
        "How old is the stone bridge by the mill?", "What does a bridge cost?", "How do you find out that a bridge is not safe any more?", "Why is there a gap at the end of the deck?",
    ];

    // Asked late, by the last of the roster: their teacher looks at it first.
    private static readonly ImmutableDictionary<int, ImmutableArray<string>> s_lookedAtFirst = ImmutableDictionary.CreateRange<int, ImmutableArray<string>>(
    [
        new(21, ["Who was the first to build an arch?", "Do bridges sing in the wind?"]), new(22, ["Is the footbridge by the mill really so crap?"]), new(23, ["Why do trains go slowly over old bridges?"]),
    ]);

    /// <summary>Whose questions their teacher looks at before others see them, by position in the roster.</summary>
    public static IEnumerable<int> LookedAtFirst => s_lookedAtFirst.Keys.Order();

    // By question: what a classmate knows.
    private static readonly ImmutableArray<(int Question, string Answer)> s_answers =
    [
        (0, "Yes. Metal gets small cracks when it is bent again and again."), (1, "They put a wall of steel round the place and pump the water out."),
        (9, "Yes, over motorways, with grass on them."), (13, "Heat makes the deck longer, so it needs room."),
    ];

    // By question: what whoever asked it has found.
    private static readonly ImmutableDictionary<int, string> s_found = ImmutableDictionary.CreateRange<int, string>(
    [
        new(3, "The load wants to open the arch, and the banks push back. We felt it with our arms."), new(5, "A triangle keeps its shape. A square of straws folds over, we tried it."), new(7, "Yes. A long thin bridge began to swing and broke, there is a film of it."),
        new(10, "My grandfather says that it was built in 1788. It stands on the keystone."),
    ]);

    /// <summary>What a student does, step by step.</summary>
    /// <param name="student">Position in the roster, from 0.</param>
    public static IReadOnlyList<Doing> Of(int student)
    {
        if (student == NeverStarts) return [];
        var steps = Enumerable.Repeat<Doing>(new Thinks(), 1 + (student % 6)).ToList();
        if (student < s_questions.Length) steps.Add(new PutsUpCard(0, s_questions[student], Recorded: student == Says ? new("voice", "I asked because it swung when we all walked in step.") : null));
        for (var nth = 0; nth < 2; nth++)
        {
            steps.AddRange(Enumerable.Repeat<Doing>(new Thinks(), 2));
            var other = ((student * 5) + (nth * 3)) % (student < s_questions.Length ? Math.Max(1, student) : s_questions.Length);
            if (other != student) steps.Add(new AsksToo(s_questions[other]));
        }

        foreach (var (question, answer) in s_answers.Where((_, i) => student == s_questions.Length + i)) steps.Add(new AnswersQuestion(s_questions[question], answer));
        if (student == Tells) steps.Add(new TellsTeacher(s_questions[TellsOf], ConcernReason.Other, "That was my question, I said it first"));
        foreach (var question in s_lookedAtFirst.GetValueOrDefault(student, [])) steps.Add(new PutsUpCard(0, question));
        steps.AddRange(Enumerable.Repeat<Doing>(new Thinks(), 12));
        if (s_found.TryGetValue(student, out var found)) steps.Add(new FindsAnswer(found));
        if (student == HandsUp) steps.Add(new Signals(Signal.HandUp, true));
        return steps;
    }
}
