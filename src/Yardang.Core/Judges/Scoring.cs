using System.Collections.Immutable;
using Yardang.Core.Pages;
using Yardang.Core.Wire;

namespace Yardang.Core.Judges;

/// <summary>Whether something is asked for beside a score. The numbers are on the wire.</summary>
public enum Wanted
{
    /// <summary>It is not.</summary>
    No = 0,

    /// <summary>Whoever likes gives it.</summary>
    May = 1,

    /// <summary>Without it there is no score.</summary>
    Must = 2,
}

/// <summary>By what cards are scored.</summary>
/// <param name="Says">What a card that has it is like, in the teacher's words.</param>
/// <param name="Points">The highest score, from 2; the lowest is 1.</param>
/// <param name="Reason">Whether each says why.</param>
/// <param name="Words">Whether each says on which words of the card it rests.</param>
public sealed record Criterion(Texts Says, int Points, Wanted Reason = Wanted.No, Wanted Words = Wanted.No)
{
    /// <summary>The highest score that there can be.</summary>
    public const int MostPoints = 10;

    /// <summary>Most letters of what a criterion says.</summary>
    public const int SaysLength = 300;

    /// <summary>Most letters of the words on which a score rests.</summary>
    public const int WordsLength = 200;

    /// <summary>To begin with.</summary>
    public static readonly Criterion Blank = new(Texts.None, 4, Wanted.May);

    /// <summary>Whether all is within its ranges.</summary>
    internal bool IsValid() => Says.IsWithin(SaysLength) && Points is >= 2 and <= MostPoints && Enum.IsDefined(Reason) && Enum.IsDefined(Words);
}

/// <summary>Why somebody scored a card as they did. Whose it is is not said.</summary>
/// <param name="Value">The score.</param>
/// <param name="Text">Why; may be empty.</param>
/// <param name="Words">The words of the card on which it rests; may be empty.</param>
public sealed record ScoreReason(int Value, string Text, string Words);

/// <summary>Scores, and what they come to.</summary>
public static class Scoring
{
    // How much a judge has to have scored before their strictness is believed: as much as one score weighs. It also decides what would be open
    // where two groups of judges have no card in common.
    private const double Caution = 1;
    private const int MostSteps = 2_000;
    private const double Still = 1e-10;

    /// <summary>
    /// What each card would have been given had all judges been equally strict: score = card - strictness + chance, by least squares, where what is not known of
    /// a judge counts as average (best linear unbiased prediction with equal variances; C. R. Henderson, "Best linear unbiased estimation and prediction under
    /// a selection model", Biometrics 31, 1975). The sum that is made least is convex, and each step solves for all cards, then for all judges.
    /// </summary>
    /// <param name="scores">Who gave which card how much; nobody scores a card twice.</param>
    /// <param name="points">The highest score; what comes out lies between 1 and this.</param>
    /// <returns>By card, with two digits behind the point.</returns>
    public static IReadOnlyDictionary<long, double> EvenedOut(IReadOnlyCollection<(int Judge, long Card, int Score)> scores, int points)
    {
        var cards = scores.GroupBy(s => s.Card).OrderBy(g => g.Key).ToList();
        var judges = scores.GroupBy(s => s.Judge).OrderBy(g => g.Key).ToList();
        var strictness = judges.ToDictionary(j => j.Key, _ => 0.0);
        var worth = cards.ToDictionary(c => c.Key, c => c.Average(s => s.Score));
        for (var step = 0; step < MostSteps; step++)
        {
            var moved = 0.0;
            foreach (var judge in judges)
            {
                var now = judge.Sum(s => worth[s.Card] - s.Score) / (judge.Count() + Caution);
                moved = Math.Max(moved, Math.Abs(now - strictness[judge.Key]));
                strictness[judge.Key] = now;
            }

            foreach (var card in cards) worth[card.Key] = card.Average(s => s.Score + strictness[s.Judge]);
            if (moved < Still) break;
        }

        return worth.ToDictionary(w => w.Key, w => Math.Round(Math.Clamp(w.Value, 1, points), 2));
    }

    /// <summary>Whether some words stand on a card: however they are spaced, and in whatever case.</summary>
    public static bool StandOn(string words, string text) => Plain(text).Contains(Plain(words), StringComparison.OrdinalIgnoreCase);

    private static string Plain(string text) => string.Join(' ', text.Split((char[]?)null, StringSplitOptions.RemoveEmptyEntries));
}
