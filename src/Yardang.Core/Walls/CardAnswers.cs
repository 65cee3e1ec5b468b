using System.Collections.Immutable;
using Yardang.Core.Threads;

namespace Yardang.Core.Walls;

/// <summary>The answers to a card.</summary>
public static class Answers
{
    /// <summary>A card with an answer more, or with another one in place of the one of the same id.</summary>
    public static Card With(this Card card, Answer answer) => card with { Answers = Talk.With(card.Said, answer) };

    /// <summary>A card as it is told of again, with what a copy knows of it besides: the answers to it that are down, and those of nobody, which are told together with others.</summary>
    /// <param name="told">The card.</param>
    /// <param name="known">What is known of it.</param>
    /// <param name="isAll">Whether it is told with all that is up.</param>
    public static Card Over(this Card told, Card? known, bool isAll = false)
    {
        var down = known?.Said.Where(a => (!a.IsUp || (!isAll && a is { Author: 0, ByStaff: false })) && told.Said.All(t => t.Id != a.Id)).ToList() ?? [];
        return down.Count == 0 ? told : told with { Answers = [.. told.Said.Concat(down).OrderBy(a => a.Id)] };
    }

    /// <summary>A card with the answers that may be told to everybody who sees it.</summary>
    public static Card AsTold(this Card card) => card.Said.All(a => a.IsUp) ? card : card.WithOnly(a => a.IsUp);

    /// <summary>A card with some of its answers.</summary>
    public static Card WithOnly(this Card card, Func<Answer, bool> some) => card with { Answers = card.Said.Any(some) ? [.. card.Said.Where(some)] : null };

    /// <summary>A card with some of its answers, each as it is said.</summary>
    public static Card With(this Card card, Func<Answer, bool> some, Func<Answer, Answer> said) => card with { Answers = card.Said.Any(some) ? [.. card.Said.Where(some).Select(said)] : null };

    /// <summary>A card as it can stand on its own: with its answers that are up (<see cref="Talk.Standing"/>).</summary>
    public static Card Standing(this Card card)
    {
        var up = card with { Answers = Talk.Standing(card.Said) is { IsEmpty: false } standing ? standing : null };
        return up.IsAnswered ? up : up with { AnsweredBy = 0 };
    }
}
