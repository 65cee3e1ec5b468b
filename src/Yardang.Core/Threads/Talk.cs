using System.Collections.Immutable;
using Yardang.Core.Rooms;

namespace Yardang.Core.Threads;

/// <summary>The rules of what is said to a card or a mark. Whether somebody knows of it, and may answer there at all, the room decides.</summary>
public static class Talk
{
    /// <summary>Why an answer cannot be given; null if it can.</summary>
    /// <param name="answer">What is said.</param>
    /// <param name="said">What was said there before.</param>
    /// <param name="ofRoom">All that was said in the room.</param>
    /// <param name="actor">Who says it.</param>
    public static Refusal? WhyNot(GiveAnswer answer, ImmutableArray<Answer> said, IEnumerable<Answer> ofRoom, Actor actor)
    {
        if ((answer.Aloud || answer.Shown is not null) && !actor.IsStaff) return Refusal.NotAllowed;
        if (Find(said, answer.Id) is not null) return Refusal.Duplicate;
        if (answer.To != 0 && Find(said, answer.To) is not { IsUp: true }) return Refusal.NotFound;
        if (!Enum.IsDefined(answer.Says) || !Answer.CanShow(answer.Shown) || !Answer.CanSay(answer.Text, answer.Aloud, answer.Shown) || !Statement.IsLanguage(answer.Language)) return Refusal.OutOfRange;
        var (all, theirs) = (0, 0);
        foreach (var other in ofRoom)
        {
            all++;
            if (other.Author == actor.Number) theirs++;
        }

        return said.Length >= Answer.MostAboutOne || theirs >= Answer.MostOfOne || all >= Answer.Most ? Refusal.Full : null;
    }

    /// <summary>An answer as it is given.</summary>
    public static Answer Given(GiveAnswer answer, Actor actor, long time) =>
        new(answer.Id, answer.To, actor.Number, actor.IsStaff, answer.Language, answer.Text, time, Aloud: answer.Aloud, Says: answer.Says, Shown: answer.Shown);

    /// <summary>Why an answer cannot be given other words, or be taken down; null if it can: one's own that is up; teachers may change all.</summary>
    public static Refusal? WhyNotTheirs(Answer? answer, Actor actor)
    {
        if (answer is null) return Refusal.NotFound;
        var isOwn = answer.Author == actor.Number && answer.ByStaff == actor.IsStaff;
        if (!actor.IsStaff && !isOwn) return answer.IsUp ? Refusal.NotYours : Refusal.NotFound;
        return answer.IsUp ? null : Refusal.ChangedSince;
    }

    /// <summary>Why an answer cannot say something else; null if it can.</summary>
    public static Refusal? WhyNotReworded(Answer? answer, RewordAnswer reword, Actor actor) => WhyNotTheirs(answer, actor)
        ?? (Answer.CanSay(reword.Text, answer!.Aloud, answer.Shown) && Statement.IsLanguage(reword.Language) ? null : Refusal.OutOfRange);

    /// <summary>Why an answer cannot be put back; null if it can. What a teacher took down, its author cannot.</summary>
    public static Refusal? WhyNotBack(Answer? answer, Actor actor) => WhyNotTheirs(answer, actor) switch
    {
        null => Refusal.ChangedSince,
        Refusal.ChangedSince => actor.IsStaff || answer!.DownBy == actor.Number ? null : Refusal.NotAllowed,
        var why => why,
    };

    /// <summary>One of some answers; null if it is not there.</summary>
    public static Answer? Find(ImmutableArray<Answer> said, long id) => said.FirstOrDefault(a => a.Id == id);

    /// <summary>Answers with one more, or with another one in place of the one of the same id. They lie by id, so that everybody's copy is the same.</summary>
    public static ImmutableArray<Answer> With(ImmutableArray<Answer> said, Answer answer) => [.. said.Where(a => a.Id != answer.Id).Append(answer).OrderBy(a => a.Id)];

    /// <summary>Whether answers that are brought can be so: each up, with a number of its own, and in the end to what they are about.</summary>
    public static bool AreSound(ImmutableArray<Answer> said)
    {
        var to = new Dictionary<long, long>();
        foreach (var a in said)
        {
            if (a.Id is <= 0 or >= 1L << 53 || !to.TryAdd(a.Id, a.To)) return false;
            if (!a.IsUp || ((a.Aloud || a.Shown is not null) && !a.ByStaff) || !Answer.CanShow(a.Shown) || !Enum.IsDefined(a.Says) || !Answer.CanSay(a.Text, a.Aloud, a.Shown) || !Statement.IsLanguage(a.Language) || !Statement.IsMoment(a.SaidAt)) return false;
        }

        return to.Count <= Answer.MostAboutOne && to.Keys.All(IsInTheEndAboutIt);
        bool IsInTheEndAboutIt(long id)
        {
            for (var steps = 0; steps <= to.Count; steps++)
            {
                if (!to.TryGetValue(id, out id)) return false;
                if (id == 0) return true;
            }

            return false;
        }
    }

    /// <summary>The same with files that are kept under other names. Of one that is not kept it is known that something was said, and what is noted of it.</summary>
    /// <param name="said">The answers.</param>
    /// <param name="names">The new names by the old.</param>
    public static ImmutableArray<Answer> WithMedia(ImmutableArray<Answer> said, IReadOnlyDictionary<string, string> names) =>
        [.. said.Select(a => a.Shown is not { } before ? a : before.WithMedia(names) is { } shown ? a with { Shown = shown } : a with { Shown = null, Aloud = true })];

    /// <summary>
    /// Answers as they can stand on their own: those that are up, each to one that is there. What answered one that was taken down answers what that one answered.
    /// </summary>
    public static ImmutableArray<Answer> Standing(ImmutableArray<Answer> said)
    {
        var all = said.ToDictionary(a => a.Id);
        long UpFrom(long to) => to == 0 || !all.TryGetValue(to, out var answer) ? 0 : answer.IsUp ? to : UpFrom(answer.To);
        return [.. said.Where(a => a.IsUp).Select(a => a with { To = UpFrom(a.To) })];
    }
}
