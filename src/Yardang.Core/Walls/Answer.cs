using System.Collections.Immutable;
using System.Text.Json.Serialization;
using Yardang.Core.Wire;

namespace Yardang.Core.Walls;

/// <summary>What an answer says of a card. The numbers are on the wire.</summary>
public enum AnswerKind
{
    /// <summary>Anything.</summary>
    Plain = 0,

    /// <summary>What is good about it.</summary>
    Strength = 1,

    /// <summary>What it leaves open.</summary>
    Question = 2,
}

/// <summary>What somebody says to a card, or to another answer to it. It is seen by whoever sees the card.</summary>
/// <param name="Id">Of the tab in which it was written (<see cref="Rooms.Ids"/>); its own among those to one card.</param>
/// <param name="To">The answer that it answers; 0 for the card itself.</param>
/// <param name="Author">Whose it is, by actor number.</param>
/// <param name="ByStaff">Whether a teacher said it.</param>
/// <param name="Language">A BCP 47 tag; empty if it is not known.</param>
/// <param name="Text">What it says.</param>
/// <param name="SaidAt">When, server time in ms.</param>
/// <param name="DownBy">Who took it down, by actor number; 0 while it is up. Then only its author and teachers see it.</param>
/// <param name="Aloud">Whether a teacher said it aloud: the text is a note of what was said, and may be empty.</param>
/// <param name="Says">What it says of the card.</param>
public sealed record Answer(long Id, long To, int Author, bool ByStaff, string Language, string Text, long SaidAt, int DownBy = 0, [Since(2)] bool Aloud = false, [Since(3)] AnswerKind Says = AnswerKind.Plain)
{
    /// <summary>Most answers to a card, those taken down included.</summary>
    public const int MostOfCard = 300;

    /// <summary>Most answers of one person on a wall, those taken down included.</summary>
    public const int MostOfOne = 400;

    /// <summary>Most answers of a wall, those taken down included.</summary>
    public const int Most = 20_000;

    /// <summary>Whether an answer can say this: something, and not too much; a note of what was said aloud may be empty.</summary>
    public static bool CanSay(string text, bool aloud) => aloud ? text.Length <= Card.TextLength : Card.IsText(text);

    /// <summary>Whether it is up.</summary>
    [JsonIgnore]
    public bool IsUp => DownBy == 0;
}

/// <summary>The answers to a card.</summary>
public static class Answers
{
    /// <summary>A card with an answer more, or with another one in place of the one of the same id. Answers lie by id, so that everybody's copy is the same.</summary>
    public static Card With(this Card card, Answer answer) => card with { Answers = [.. card.Said.Where(a => a.Id != answer.Id).Append(answer).OrderBy(a => a.Id)] };

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

    /// <summary>
    /// A card as it can stand on its own: its answers that are up, each to one that is there. What answered one that was taken down answers what that one answered.
    /// </summary>
    public static Card Standing(this Card card)
    {
        var all = card.Said.ToDictionary(a => a.Id);
        long UpFrom(long to) => to == 0 || !all.TryGetValue(to, out var answer) ? 0 : answer.IsUp ? to : UpFrom(answer.To);
        var up = card.WithOnly(a => a.IsUp);
        if (!up.IsAnswered) up = up with { AnsweredBy = 0 };
        return up.Answers is null ? up : up with { Answers = [.. up.Said.Select(a => a with { To = UpFrom(a.To) })] };
    }

    /// <summary>Whether the answers of a card that is brought can be so: each up, with a number of its own, and in the end to the card.</summary>
    internal static bool AreSound(Card card)
    {
        var to = new Dictionary<long, long>();
        foreach (var a in card.Said)
        {
            if (a.Id is <= 0 or >= 1L << 53 || !to.TryAdd(a.Id, a.To)) return false;
            if (!a.IsUp || (a.Aloud && !a.ByStaff) || !Enum.IsDefined(a.Says) || !Answer.CanSay(a.Text, a.Aloud) || !Card.IsLanguage(a.Language) || !Card.IsMoment(a.SaidAt)) return false;
        }

        return to.Count <= Answer.MostOfCard && to.Keys.All(ReachesCard);
        bool ReachesCard(long id)
        {
            for (var steps = 0; steps <= to.Count; steps++)
            {
                if (!to.TryGetValue(id, out id)) return false;
                if (id == 0) return true;
            }

            return false;
        }
    }
}
