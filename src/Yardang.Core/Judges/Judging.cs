using System.Collections.Immutable;
using System.Text.Json.Serialization;
using Yardang.Core.Rooms;
using Yardang.Core.Threads;
using Yardang.Core.Wire;

namespace Yardang.Core.Judges;

/// <summary>How students judge each other's cards. The numbers are on the wire.</summary>
public enum JudgingKind
{
    /// <summary>Whether they agree, are unsure, or disagree.</summary>
    Agree = 1,

    /// <summary>By choosing some of the cards.</summary>
    Choose = 2,

    /// <summary>By points for a criterion.</summary>
    Score = 3,
}

/// <summary>What students may say of each other's cards.</summary>
/// <param name="Kind">How.</param>
/// <param name="Choices">Of <see cref="JudgingKind.Choose"/>: how many cards each chooses at most, from 1.</param>
/// <param name="Criterion">Of <see cref="JudgingKind.Score"/>: by what; null as long as cards never were scored.</param>
public sealed record Judging(JudgingKind Kind, int Choices = 3, [Since(2)] Criterion? Criterion = null)
{
    /// <summary>Most cards that each may choose.</summary>
    public const int MostChoices = 50;

    /// <summary>Most rounds of a wall.</summary>
    public const int MostRounds = 9;

    /// <summary>Most judgements of a wall, of all rounds.</summary>
    public const int MostJudgements = 200_000;

    /// <summary>Most letters of all reasons that are given on a wall, with the words on which they rest.</summary>
    public const int MostReasons = 2_000_000;

    /// <summary>By what cards are scored; null where they are not.</summary>
    [JsonIgnore]
    public Criterion? Scored => Kind == JudgingKind.Score ? Criterion ?? Criterion.Blank : null;

    /// <summary>How many values there are, from 1: agree, unsure, disagree; chosen; or points.</summary>
    [JsonIgnore]
    public int Values => Kind switch { JudgingKind.Agree => 3, JudgingKind.Choose => 1, _ => Scored!.Points };

    /// <summary>Whether all is within its ranges.</summary>
    internal bool IsValid() => Enum.IsDefined(Kind) && Choices is >= 1 and <= MostChoices && (Criterion is null || Criterion.IsValid());
}

/// <summary>What somebody said of a card. It is seen by who said it, and by teachers.</summary>
/// <param name="Round">In which round, from 1.</param>
/// <param name="Card">Of which card.</param>
/// <param name="Person">Who, by actor number.</param>
/// <param name="Value">From 1: agree, unsure, disagree; chosen; or points.</param>
/// <param name="Reason">Why; empty if nothing is said.</param>
/// <param name="Words">The words of the card on which it rests; empty if nothing is said.</param>
public sealed record Judgement(int Round, long Card, int Person, int Value, string Reason = "", string Words = "");

/// <summary>What all said of a card in a round, in numbers. It is seen by all, once a teacher has shown it.</summary>
/// <param name="Round">In which round, from 1.</param>
/// <param name="Card">Of which card.</param>
/// <param name="Counts">How many said each: agree, unsure, disagree; how many chose it; or how many gave each number of points.</param>
/// <param name="Fair">Of points: what it would have been given had all judges been equally strict (<see cref="Scoring.EvenedOut"/>); else null.</param>
/// <param name="Reasons">Of points: why, the highest first, in no order that tells whose they are; null for nothing.</param>
public sealed record CardResult(int Round, long Card, ImmutableArray<int> Counts, [Since(2)] double? Fair = null, [Since(2), NullIsEmpty] ImmutableArray<ScoreReason>? Reasons = null)
{
    /// <summary>The mean of the points; null where there are none.</summary>
    [JsonIgnore]
    public double? Mean => Fair is null ? null : Counts.Select((count, at) => count * (at + 1.0)).Sum() / Counts.Sum();

    /// <inheritdoc/>
    public bool Equals(CardResult? other) => other is not null && (Round, Card, Fair) == (other.Round, other.Card, other.Fair) && Counts.AsSpan().SequenceEqual(other.Counts.AsSpan())
        && (Reasons ?? []).AsSpan().SequenceEqual((other.Reasons ?? []).AsSpan());

    /// <inheritdoc/>
    public override int GetHashCode() => HashCode.Combine(Round, Card);

    /// <summary>By how much each number is another than in an earlier round; null where cards were judged otherwise then.</summary>
    public ImmutableArray<int>? ShiftFrom(CardResult before) => before.Counts.Length == Counts.Length && before.Fair is null == Fair is null ? [.. Counts.Zip(before.Counts, (now, then) => now - then)] : null;

    /// <summary>Whether results that are brought can be so: of a round each, and no card twice in one.</summary>
    internal static bool AreSound(ImmutableArray<CardResult> results) => results.Length <= Rooms.Limits.Marks * Judging.MostRounds
        && results.All(r => r.Round is >= 1 and <= Judging.MostRounds && r.Counts.All(c => c is >= 0 and <= 10_000) && r.IsOfItsKind())
        && results.Sum(r => (r.Reasons ?? []).Sum(s => (long)s.Text.Length + s.Words.Length)) <= Judging.MostReasons
        && results.Select(r => (r.Round, r.Card)).Distinct().Count() == results.Length;

    private bool IsOfItsKind() => Fair is not { } fair
        ? Counts.Length is 1 or 3 && (Reasons ?? []).IsEmpty
        : Counts.Length is >= 2 and <= Criterion.MostPoints && Counts.Sum() > 0 && fair >= 1 && fair <= Counts.Length && (Reasons ?? []).Length <= Counts.Sum()
            && (Reasons ?? []).All(r => r.Value >= 1 && r.Value <= Counts.Length && r.Text.Length <= Limits.StatementLength && r.Words.Length <= Criterion.WordsLength);
}

/// <summary>How the judging of a wall stands.</summary>
/// <param name="Round">Which round it is, from 1.</param>
/// <param name="Kind">How cards are judged in it; null if they never were.</param>
/// <param name="Values">How many values there are in it; 0 if cards never were judged.</param>
/// <param name="IsShown">Whether its results are shown; then it is over.</param>
/// <param name="Given">What was said of cards that the reader may know of: students of their own.</param>
/// <param name="Results">What was shown.</param>
/// <param name="LeftOut">Whose word does not count; students know of their own.</param>
public sealed record JudgingState(int Round, JudgingKind? Kind, int Values, bool IsShown, ImmutableArray<Judgement> Given, ImmutableArray<CardResult> Results, ImmutableArray<int> LeftOut)
{
    /// <summary>Before anybody has said anything.</summary>
    public static readonly JudgingState Begun = new(1, null, 0, IsShown: false, [], [], []);
}

/// <summary>Say something of a card, or with 0 nothing any more.</summary>
/// <param name="Card">Of which.</param>
/// <param name="Value">From 1: agree, unsure, disagree; chosen; or points. 0 to take it back.</param>
/// <param name="Reason">Of points: why; may be empty.</param>
/// <param name="Words">Of points: the words of the card on which they rest; may be empty.</param>
[Kind(50)]
public sealed record JudgeCard(long Card, int Value, [Since(2)] string Reason = "", [Since(2)] string Words = "") : Rooms.Command;

/// <summary>Staff: show everybody what all said of the cards; the round is over.</summary>
[Kind(51)]
public sealed record ShowResults : Rooms.Command;

/// <summary>Staff: judging goes on, in the same round or in a new one.</summary>
[Kind(52)]
public sealed record GoOnJudging(bool NewRound) : Rooms.Command;

/// <summary>Staff: what somebody says of cards does not count, or counts again; they are told so. While the results are not shown.</summary>
/// <param name="Person">Who, by actor number.</param>
/// <param name="Out">Whether it does not count.</param>
[Kind(112)]
public sealed record LeaveOutJudge(int Person, bool Out) : Rooms.Command;

/// <summary>What somebody says of cards does not count, or counts again.</summary>
[Kind(147)]
public sealed record JudgeLeftOut(int Person, bool Out) : Rooms.RoomEvent
{
    /// <inheritdoc/>
    public override bool Names(int person) => person == Person;
}

/// <summary>The actor says something of a card.</summary>
[Kind(82)]
public sealed record CardJudged(long Card, int Value, [Since(2)] string Reason = "", [Since(2)] string Words = "") : Rooms.RoomEvent;

/// <summary>Everybody sees what all said of the cards in this round; those that nobody judged are left out.</summary>
[Kind(83)]
public sealed record ResultsShown(ImmutableArray<CardResult> Results) : Rooms.RoomEvent;

/// <summary>Judging goes on, in the same round or in a new one.</summary>
[Kind(84)]
public sealed record JudgingWentOn(bool NewRound) : Rooms.RoomEvent;
