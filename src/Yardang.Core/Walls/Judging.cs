using System.Collections.Immutable;
using Yardang.Core.Wire;

namespace Yardang.Core.Walls;

/// <summary>How students judge each other's cards. The numbers are on the wire.</summary>
public enum JudgingKind
{
    /// <summary>Whether they agree, are unsure, or disagree.</summary>
    Agree = 1,

    /// <summary>By choosing some of the cards.</summary>
    Choose = 2,
}

/// <summary>What students may say of each other's cards.</summary>
/// <param name="Kind">How.</param>
/// <param name="Choices">Of <see cref="JudgingKind.Choose"/>: how many cards each chooses at most, from 1.</param>
public sealed record Judging(JudgingKind Kind, int Choices = 3)
{
    /// <summary>Most cards that each may choose.</summary>
    public const int MostChoices = 50;

    /// <summary>Most rounds of a wall.</summary>
    public const int MostRounds = 9;

    /// <summary>Most judgements of a wall, of all rounds.</summary>
    public const int MostJudgements = 200_000;

    /// <summary>How many values there are, from 1: agree, unsure, disagree; or chosen.</summary>
    public static int ValuesOf(JudgingKind kind) => kind == JudgingKind.Agree ? 3 : 1;

    /// <summary>Whether all is within its ranges.</summary>
    internal bool IsValid() => Enum.IsDefined(Kind) && Choices is >= 1 and <= MostChoices;
}

/// <summary>What somebody said of a card. It is seen by who said it, and by teachers.</summary>
/// <param name="Round">In which round, from 1.</param>
/// <param name="Card">Of which card.</param>
/// <param name="Person">Who, by actor number.</param>
/// <param name="Value">From 1: agree, unsure, disagree; or chosen.</param>
public sealed record Judgement(int Round, long Card, int Person, int Value);

/// <summary>What all said of a card in a round, in numbers. It is seen by all, once a teacher has shown it.</summary>
/// <param name="Round">In which round, from 1.</param>
/// <param name="Card">Of which card.</param>
/// <param name="Counts">How many said each: agree, unsure, disagree; or how many chose it.</param>
public sealed record CardResult(int Round, long Card, ImmutableArray<int> Counts)
{
    /// <inheritdoc/>
    public bool Equals(CardResult? other) => other is not null && (Round, Card) == (other.Round, other.Card) && Counts.AsSpan().SequenceEqual(other.Counts.AsSpan());

    /// <inheritdoc/>
    public override int GetHashCode() => HashCode.Combine(Round, Card);

    /// <summary>By how much each number is another than in an earlier round; null where cards were judged otherwise then.</summary>
    public ImmutableArray<int>? ShiftFrom(CardResult before) => before.Counts.Length == Counts.Length ? [.. Counts.Zip(before.Counts, (now, then) => now - then)] : null;

    /// <summary>Whether results that are brought can be so: of a round each, and no card twice in one.</summary>
    internal static bool AreSound(ImmutableArray<CardResult> results) => results.Length <= Walls.Card.Most * Judging.MostRounds
        && results.All(r => r.Round is >= 1 and <= Judging.MostRounds && r.Counts.Length is 1 or 3 && r.Counts.All(c => c is >= 0 and <= 10_000))
        && results.Select(r => (r.Round, r.Card)).Distinct().Count() == results.Length;
}

/// <summary>How the judging of a wall stands.</summary>
/// <param name="Round">Which round it is, from 1.</param>
/// <param name="Kind">How cards are judged in it; null if they never were.</param>
/// <param name="IsShown">Whether its results are shown; then it is over.</param>
/// <param name="Given">What was said of cards that the reader may know of: students of their own.</param>
/// <param name="Results">What was shown.</param>
public sealed record JudgingState(int Round, JudgingKind? Kind, bool IsShown, ImmutableArray<Judgement> Given, ImmutableArray<CardResult> Results)
{
    /// <summary>Before anybody has said anything.</summary>
    public static readonly JudgingState Begun = new(1, null, IsShown: false, [], []);
}

/// <summary>Say something of a card, or with 0 nothing any more.</summary>
/// <param name="Card">Of which.</param>
/// <param name="Value">From 1: agree, unsure, disagree; or chosen. 0 to take it back.</param>
[Kind(50)]
public sealed record JudgeCard(long Card, int Value) : Rooms.Command;

/// <summary>Staff: show everybody what all said of the cards; the round is over.</summary>
[Kind(51)]
public sealed record ShowResults : Rooms.Command;

/// <summary>Staff: judging goes on, in the same round or in a new one.</summary>
[Kind(52)]
public sealed record GoOnJudging(bool NewRound) : Rooms.Command;

/// <summary>The actor says something of a card.</summary>
[Kind(82)]
public sealed record CardJudged(long Card, int Value) : Rooms.RoomEvent;

/// <summary>Everybody sees what all said of the cards in this round; those that nobody judged are left out.</summary>
[Kind(83)]
public sealed record ResultsShown(ImmutableArray<CardResult> Results) : Rooms.RoomEvent;

/// <summary>Judging goes on, in the same round or in a new one.</summary>
[Kind(84)]
public sealed record JudgingWentOn(bool NewRound) : Rooms.RoomEvent;
