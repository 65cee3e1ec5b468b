using Yardang.Core.Rooms;

namespace Yardang.Core.Threads;

/// <summary>
/// Taking answers down: by their authors, who can put them back; and by teachers, who may say why. What a teacher took down its author still sees, marked, and others do not; what was removed
/// nobody sees but teachers, and its author knows that it is gone, and why.
/// </summary>
public static class AnswersDown
{
    /// <summary>Why somebody cannot take something down in this way; null if they can: only teachers say why, and remove.</summary>
    public static Refusal? WhyNot(string words, bool removes, Actor actor) =>
        !actor.IsStaff && (words.Length > 0 || removes) ? Refusal.NotAllowed : LateWork.CanSay(words) ? null : Refusal.OutOfRange;

    /// <summary>Whether this says something new of what is down. What was removed is not shown to its author again but by putting it back.</summary>
    internal static bool IsAnew(bool removed, string why, bool removes, string words) => removes ? !removed || !string.Equals(why, words, StringComparison.Ordinal) : !removed && !string.Equals(why, words, StringComparison.Ordinal);

    /// <summary>Why an answer cannot be taken down; null if it can.</summary>
    internal static Refusal? WhyNot(TakeAnswerDown take, Answer? answer, Actor actor)
    {
        if (take.AsItsAuthor && (!actor.IsStaff || answer is { ByStaff: true } || take.Words.Length > 0 || take.Removes)) return Refusal.NotAllowed;
        var saysAnew = !take.AsItsAuthor && actor.IsStaff && answer is { IsUp: false, ByStaff: false } && IsAnew(answer.Removed, answer.DownWhy, take.Removes, take.Words);
        return WhyNot(take.Words, take.Removes, actor) ?? (saysAnew ? null : Talk.WhyNotTheirs(answer, actor));
    }

    /// <summary>An answer is taken down.</summary>
    internal static AnswerTakenDown Of(TakeAnswerDown take, Answer answer, int whose, Actor actor) =>
        take.AsItsAuthor ? new(take.About, take.Id, whose, answer.Author, By: answer.Author)
        : actor.IsStaff && !answer.ByStaff ? new(take.About, take.Id, whose, answer.Author, take.Words.Trim(), take.Removes) : new(take.About, take.Id, whose);

    /// <summary>An answer as it stands when it was taken down.</summary>
    internal static Answer TakenDown(this Answer answer, AnswerTakenDown down, int by) => answer with { DownBy = down.By != 0 ? down.By : by, DownWhy = down.Words, Removed = down.Removed };

    /// <summary>An answer as it stands when it is put back.</summary>
    internal static Answer Undone(Answer answer) => answer with { DownBy = 0, DownWhy = "", Removed = false };
}
