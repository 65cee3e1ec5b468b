using Yardang.Core.Rooms;
using Yardang.Core.Threads;
using Yardang.Core.Wire;

namespace Yardang.Core.Walls;

/// <summary>Say that one asks the same, or with <c>On</c> false that one does not any more.</summary>
[Kind(53)]
public sealed record AskToo(long Card, bool On) : Command;

/// <summary>An answer answers a question, which is filed with it; or with 0, it is asked again.</summary>
[Kind(54)]
public sealed record FileQuestion(long Card, long Answer) : Command;

/// <summary>The actor asks the same as a card, or does not any more. <c>Whose</c>: the card's author where classmates do not see the card; else 0. So in the next.</summary>
[Kind(85)]
public sealed record AskedToo(long Card, bool On, int Whose = 0) : RoomEvent
{
    /// <inheritdoc/>
    public override bool Names(int person) => person == Whose;
}

/// <summary>An answer answers a question, which is filed with it; or with 0, it is asked again.</summary>
[Kind(86)]
public sealed record QuestionFiled(long Card, long Answer, int Whose = 0) : RoomEvent
{
    /// <inheritdoc/>
    public override bool Names(int person) => person == Whose;
}

/// <summary>Cards as questions: who asks the same, and what answers them.</summary>
public static class Questions
{
    /// <summary>Most people who ask the same.</summary>
    public const int MostAskers = 1_000;

    /// <summary>A card that somebody asks too, or does not any more.</summary>
    internal static Card AskedBy(this Card card, int person, bool on)
    {
        var rest = card.Askers.Where(p => p != person);
        var askers = on ? [.. rest.Append(person).Order()] : rest.ToList();
        return card with { AskedToo = askers.Count == 0 ? null : [.. askers] };
    }

    /// <summary>Whether what is brought with a card can be so: everybody asks once, nobody their own, and what answers it is there.</summary>
    internal static bool AreSound(Card card) =>
        card.Askers.Length <= MostAskers && card.Askers.All(p => p > 0 && (card.ByStaff || p != card.Author)) && card.Askers.Distinct().Count() == card.Askers.Length
        && (card.AnsweredBy == 0 || card.Said.Any(a => a.Id == card.AnsweredBy));

    // Whoever asks it already, and teachers, do not ask it too. While each sees only their own, asking a teacher's card too would be seen by all.
    internal static Refusal? WhyNot(AskToo ask, Card card, WallPlan plan, Actor actor)
    {
        if (plan.Purpose != Purpose.Ask || actor.IsStaff || (card.Author == actor.Number && !card.ByStaff) || (plan.Rules.OwnFirst && card.ByStaff)) return Refusal.NotAllowed;
        if (card.Askers.Contains(actor.Number) == ask.On) return Refusal.ChangedSince;
        return ask.On && card.Askers.Length >= MostAskers ? Refusal.Full : null;
    }

    // A question is filed by whoever asked it, and by teachers.
    internal static Refusal? WhyNot(FileQuestion file, Card card, WallPlan plan, Actor actor)
    {
        if (plan.Purpose != Purpose.Ask) return Refusal.NotAllowed;
        if (!actor.IsStaff && (card.ByStaff || card.Author != actor.Number)) return Refusal.NotYours;
        if (file.Answer == 0) return card.IsAnswered ? null : Refusal.ChangedSince;
        if (!card.Said.Any(a => a.Id == file.Answer && a.IsUp)) return Refusal.NotFound;
        return card.AnsweredBy == file.Answer ? Refusal.ChangedSince : null;
    }
}
