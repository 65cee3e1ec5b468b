using System.Collections.Immutable;
using Yardang.Core.Editing;
using Yardang.Core.Marks;
using Yardang.Core.Pages;
using Yardang.Core.Rooms;
using Yardang.Core.Threads;

namespace Yardang.Core.Boards;

/// <summary>What is said to one mark of a board. It stays when the mark is rubbed out: it is others' work.</summary>
/// <param name="Mark">The mark.</param>
/// <param name="Answers">What was said, by id.</param>
public sealed record MarkThread(long Mark, ImmutableArray<Answer> Answers)
{
    /// <summary>As it can stand on its own, in an archive; null if nothing of it is up.</summary>
    public MarkThread? Standing() => Talk.Standing(Answers) is { IsEmpty: false } up ? this with { Answers = up } : null;

    /// <summary>Whether such threads can be brought: each about another mark, and sound.</summary>
    public static bool AreSound(ImmutableArray<MarkThread> threads) =>
        threads.All(t => t.Mark is > 0 and < 1L << 53 && !t.Answers.IsEmpty && Talk.AreSound(t.Answers) && t.Answers.All(a => a.Says == AnswerKind.Plain))
        && threads.Select(t => t.Mark).Distinct().Count() == threads.Length && threads.Sum(t => t.Answers.Length) <= Answer.Most;
}

/// <summary>What is said to the marks of a board.</summary>
public sealed class MarkTalk
{
    private readonly SortedDictionary<long, ImmutableArray<Answer>> _said = [];

    /// <summary>All of it, those answers included that are down, by mark.</summary>
    public IEnumerable<MarkThread> All => _said.Select(t => new MarkThread(t.Key, t.Value));

    /// <summary>What was said to a mark.</summary>
    public ImmutableArray<Answer> About(long mark) => _said.TryGetValue(mark, out var said) ? said : [];

    /// <summary>What a command does now. Changes nothing.</summary>
    /// <param name="command">One of those of threads.</param>
    /// <param name="actor">Who asks.</param>
    /// <param name="client">The client number that must stand in the id of an answer.</param>
    /// <param name="sheets">The pages.</param>
    /// <param name="time">The server's clock, ms.</param>
    internal Decision Decide(Command command, Actor actor, int client, Sheets sheets, long time)
    {
        switch (command)
        {
            case GiveAnswer give:
                if (Ids.ClientOf(give.Id) != client || client == 0) return Refusal.Malformed;
                if (WhyNotHere(give.About, sheets, actor) is { } why) return why;
                if (give.Says != AnswerKind.Plain) return Refusal.OutOfRange;
                return Talk.WhyNot(give, About(give.About), _said.Values.SelectMany(t => t), actor) is { } not ? not : new AnswerGiven(give.About, Talk.Given(give, actor, time));
            case RewordAnswer reword:
                return Talk.WhyNotReworded(Find(reword.About, reword.Id), reword, actor) is { } fault ? fault : new AnswerReworded(reword.About, reword.Id, reword.Language, reword.Text);
            case TakeAnswerDown take:
                return AnswersDown.WhyNot(take, Find(take.About, take.Id), actor) is { } notDown ? notDown : AnswersDown.Of(take, Find(take.About, take.Id)!, 0, actor);
            case PutAnswerBack(var about, var id):
                return Talk.WhyNotBack(Find(about, id), actor) is { } notBack ? notBack : new AnswerPutBack(about, AnswersDown.Undone(Find(about, id)!));
            default:
                return Refusal.NotAllowed;
        }
    }

    /// <summary>Why a student's answer that comes too late does not even wait for a decision; null if it does.</summary>
    /// <param name="command">One of those of threads.</param>
    /// <param name="actor">Whose it is.</param>
    /// <param name="client">The client number that must stand in the id of an answer.</param>
    /// <param name="sheets">The pages.</param>
    /// <param name="waiting">The mark of theirs with an id that waits already; null for none.</param>
    /// <param name="waits">Whether an answer of theirs waits already.</param>
    internal Refusal? WhyNotLate(Command command, Actor actor, int client, Sheets sheets, Func<long, Mark?> waiting, Func<long, bool> waits)
    {
        static Refusal? Fault(string text, string language) => Statement.IsText(text) && Statement.IsLanguage(language) ? null : Refusal.OutOfRange;
        return command switch
        {
            GiveAnswer give when waits(give.Id) => Refusal.Duplicate,
            GiveAnswer give when waiting(give.About) is not null || waits(give.To) => Ids.ClientOf(give.Id) != client || give.Aloud || give.Shown is not null ? Refusal.NotAllowed : Fault(give.Text, give.Language),
            RewordAnswer reword when waits(reword.Id) => Fault(reword.Text, reword.Language),
            TakeAnswerDown(_, var id, _, _, _) when waits(id) => null,
            PutAnswerBack(_, var id) when waits(id) => null,
            _ => (Decide(command, actor, client, sheets, 0) as Decision.Refused)?.Reason,
        };
    }

    // What is printed can be talked about, too; the answer key is not there for students, and what is said is read by all.
    private static Refusal? WhyNotHere(long about, Sheets sheets, Actor actor) =>
        !sheets.Marks.TryGetValue(about, out var mark) || !mark.Stands || mark.Grip == Grip.Key || sheets.FindPage(mark.Page) is not { Erased: false } page ? Refusal.NotFound
        : !actor.IsStaff && page.Withheld.HasFlag(ToolSet.Answer) ? Refusal.Withheld : null;

    /// <summary>Takes an event in.</summary>
    internal void Set(RoomEvent happened, int actor)
    {
        switch (happened)
        {
            case AnswerGiven(var about, var answer, _): _said[about] = Talk.With(About(about), answer); break;
            case AnswerPutBack(var about, var answer, _): _said[about] = Talk.With(About(about), answer); break;
            case AnswerReworded(var about, var id, var language, var text, _): Change(about, id, a => a with { Language = language, Text = text }); break;
            case AnswerTakenDown down: Change(down.About, down.Id, a => a.TakenDown(down, actor == Actor.Program.Number ? Actor.Owner.Number : actor)); break;
        }
    }

    /// <summary>Puts what was said in place of what is here.</summary>
    internal void Restore(IEnumerable<MarkThread> threads)
    {
        _said.Clear();
        foreach (var (mark, answers) in threads) _said[mark] = answers;
    }

    private Answer? Find(long about, long id) => Talk.Find(About(about), id);

    // A reader's copy does not have the answers that its reader may not see.
    private void Change(long about, long id, Func<Answer, Answer> change)
    {
        if (Find(about, id) is { } answer) _said[about] = Talk.With(About(about), change(answer));
    }
}
