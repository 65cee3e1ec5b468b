using System.Collections.Immutable;
using Yardang.Core.Rooms;
using Yardang.Core.Wire;

namespace Yardang.Core.Lessons;

/// <summary>How a quick question is answered. The numbers are on the wire.</summary>
public enum ReplyForm
{
    /// <summary>In words.</summary>
    Words = 0,

    /// <summary>By one of several choices.</summary>
    Choice = 1,

    /// <summary>On a scale from 1 to 5; the two choices say what its ends stand for.</summary>
    Scale = 2,
}

/// <summary>A question that a teacher asks the class now, each for themselves.</summary>
/// <param name="Number">Counted from 1 in a lesson.</param>
/// <param name="At">When, server time in ms.</param>
/// <param name="Words">The question.</param>
/// <param name="Form">How it is answered.</param>
/// <param name="Choices">What can be chosen, or what the ends of the scale stand for.</param>
/// <param name="EndedAt">Since when it takes no more answers, server time in ms; null while it does.</param>
/// <param name="Replies">What was answered. A student knows their own.</param>
public sealed record QuickQuestion(int Number, long At, string Words, ReplyForm Form, ImmutableArray<string> Choices, [OrMinusOne] long? EndedAt, ImmutableArray<Reply> Replies)
{
    /// <summary>Of so many the lesson remembers what was answered; the log keeps all.</summary>
    public const int Remembered = 20;

    /// <summary>Most letters of a question, and of an answer in words.</summary>
    public const int WordsLength = 300;

    /// <summary>Most choices, and most letters of each.</summary>
    public const int MostChoices = 6;

    /// <summary>Most letters of a choice.</summary>
    public const int ChoiceLength = 80;

    /// <summary>The highest value of a scale; the lowest is 1.</summary>
    public const int ScaleTop = 5;

    /// <summary>The same as a student is told it.</summary>
    public QuickQuestion AsTold(int person) => this with { Replies = [.. Replies.Where(r => r.Person == person)] };
}

/// <summary>What one answered.</summary>
/// <param name="Person">Who.</param>
/// <param name="At">When, server time in ms.</param>
/// <param name="Choice">The choice, from 1, or the value on the scale; 0 of an answer in words.</param>
/// <param name="Words">The answer in words; empty else.</param>
public sealed record Reply(int Person, long At, int Choice, string Words);

/// <summary>Staff: ask the class something now. One question takes answers at a time.</summary>
[Kind(92)]
public sealed record PoseQuestion(string Words, ReplyForm Form, [AtMost(QuickQuestion.MostChoices)] ImmutableArray<string> Choices) : Command;

/// <summary>The class is asked.</summary>
[Kind(125)]
public sealed record QuestionPosed(int Number, string Words, ReplyForm Form, ImmutableArray<string> Choices) : RoomEvent;

/// <summary>Staff: no more answers.</summary>
[Kind(93)]
public sealed record CloseQuestion(int Number) : Command;

/// <summary>The question takes no more answers.</summary>
[Kind(126)]
public sealed record QuestionClosed(int Number) : RoomEvent;

/// <summary>A student: my answer; given again, it takes the place of the one before.</summary>
[Kind(94)]
public sealed record GiveReply(int Number, int Choice, string Words) : Command;

/// <summary>Somebody answered.</summary>
[Kind(127)]
public sealed record ReplyGiven(int Person, int Number, int Choice, string Words) : RoomEvent
{
    /// <inheritdoc/>
    public override bool Names(int person) => person == Person;
}

/// <summary>The quick questions of a lesson that are remembered, by numbers.</summary>
public sealed class QuickQuestions
{
    private readonly SortedDictionary<int, QuickQuestion> _all = [];

    /// <summary>The last ones.</summary>
    public IReadOnlyDictionary<int, QuickQuestion> All => _all;

    /// <summary>The one that takes answers; null if none does.</summary>
    public QuickQuestion? Open => _all.Values.LastOrDefault(q => q.EndedAt is null);

    internal void Restore(IEnumerable<QuickQuestion> questions)
    {
        foreach (var question in questions) _all[question.Number] = question;
    }

    internal Decision Decide(Command command, Actor actor, IReadOnlyDictionary<int, Person> people) => command switch
    {
        PoseQuestion pose => Decide(pose),
        CloseQuestion(var number) => Open?.Number == number ? new QuestionClosed(number) : Refusal.ChangedSince,
        GiveReply reply => Decide(reply, actor, people),
        _ => Refusal.NotAllowed,
    };

    private Decision Decide(PoseQuestion pose)
    {
        var choices = pose.Choices.Select(c => c.Trim()).ToImmutableArray();
        var isFit = pose.Form switch
        {
            ReplyForm.Words => choices.IsEmpty,
            ReplyForm.Choice => choices.Length is >= 2 and <= QuickQuestion.MostChoices && choices.All(c => c.Length > 0) && choices.Distinct(StringComparer.Ordinal).Count() == choices.Length,
            ReplyForm.Scale => choices.Length == 2,
            _ => false,
        };
        if (!isFit || !IsLine(pose.Words, QuickQuestion.WordsLength) || pose.Words.Trim().Length == 0 || !choices.All(c => IsLine(c, QuickQuestion.ChoiceLength))) return Refusal.OutOfRange;
        if (Open is not null) return Refusal.ChangedSince;
        return new QuestionPosed((_all.Count == 0 ? 0 : _all.Keys.Last()) + 1, pose.Words.Trim(), pose.Form, choices);
    }

    private Decision Decide(GiveReply reply, Actor actor, IReadOnlyDictionary<int, Person> people)
    {
        if (actor.IsStaff) return Refusal.NotAllowed;
        if (people.GetValueOrDefault(actor.Number)?.Standing != Standing.In) return Refusal.NotFound;
        if (Open is not { } open || open.Number != reply.Number) return Refusal.TooLate;
        var words = reply.Words.Trim();
        var isFit = open.Form switch
        {
            ReplyForm.Words => reply.Choice == 0 && words.Length > 0 && IsLine(words, QuickQuestion.WordsLength),
            ReplyForm.Choice => words.Length == 0 && reply.Choice >= 1 && reply.Choice <= open.Choices.Length,
            _ => words.Length == 0 && reply.Choice is >= 1 and <= QuickQuestion.ScaleTop,
        };
        return isFit ? new Decision.Accepted(new ReplyGiven(actor.Number, reply.Number, reply.Choice, words), Audience.NamedAndStaff) : Refusal.OutOfRange;
    }

    private static bool IsLine(string words, int most) => words.Length <= most && !words.Any(char.IsControl);

    internal void Apply(RoomEvent happened, long time)
    {
        switch (happened)
        {
            case QuestionPosed posed:
                _all[posed.Number] = new(posed.Number, time, posed.Words, posed.Form, posed.Choices, null, []);
                while (_all.Count > QuickQuestion.Remembered) _all.Remove(_all.Keys.First());
                break;
            case QuestionClosed(var number): Change(number, q => q with { EndedAt = time }); break;
            case ReplyGiven given: Change(given.Number, q => q with { Replies = [.. q.Replies.Where(r => r.Person != given.Person).Append(new(given.Person, time, given.Choice, given.Words)).OrderBy(r => r.Person)] }); break;
        }
    }

    private void Change(int number, Func<QuickQuestion, QuickQuestion> change)
    {
        if (_all.TryGetValue(number, out var question)) _all[number] = change(question);
    }
}
