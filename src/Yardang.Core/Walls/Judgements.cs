using System.Collections.Immutable;
using Yardang.Core.Rooms;

namespace Yardang.Core.Walls;

/// <summary>
/// What students said of each other's cards, in rounds. What each said is told to themselves and to teachers, until a teacher shows the results: then the round
/// is over, so that nobody follows the others.
/// </summary>
public sealed class Judgements
{
    private readonly SortedDictionary<(int Round, long Card, int Person), int> _given = [];

    /// <summary>Which round it is, from 1.</summary>
    public int Round { get; private set; } = 1;

    /// <summary>How cards are judged in it; null if they never were.</summary>
    public JudgingKind? Kind { get; private set; }

    /// <summary>Whether its results are shown.</summary>
    public bool IsShown { get; private set; }

    /// <summary>What was shown, of all rounds.</summary>
    public ImmutableArray<CardResult> Results { get; private set; } = [];

    /// <summary>All that was said, by round, card and person.</summary>
    public IEnumerable<Judgement> Given => _given.Select(g => new Judgement(g.Key.Round, g.Key.Card, g.Key.Person, g.Value));

    /// <summary>As a reader knows it.</summary>
    public JudgingState StateFor(Func<Judgement, bool> isSeen) => new(Round, Kind, IsShown, [.. Given.Where(isSeen)], Results);

    /// <summary>What all said of some cards in this round.</summary>
    /// <param name="cards">Their ids, in order.</param>
    public ImmutableArray<CardResult> ResultsOf(IEnumerable<long> cards)
    {
        if (Kind is not { } kind) return [];
        var counts = new Dictionary<long, int[]>();
        foreach (var ((round, card, _), value) in _given)
        {
            if (round != Round) continue;
            if (!counts.TryGetValue(card, out var known)) counts[card] = known = new int[Judging.ValuesOf(kind)];
            known[value - 1]++;
        }

        return [.. cards.Where(counts.ContainsKey).Select(card => new CardResult(Round, card, [.. counts[card]]))];
    }

    /// <summary>Why somebody cannot say something of a card that they see; null if they can.</summary>
    /// <param name="rule">What the plan says.</param>
    /// <param name="judge">What they say.</param>
    /// <param name="person">Who, by actor number.</param>
    /// <param name="isUp">Whether a card is up.</param>
    internal Refusal? WhyNot(Judging? rule, JudgeCard judge, int person, Func<long, bool> isUp)
    {
        if (rule is null || IsShown) return Refusal.JudgingEnded;
        if (judge.Value < 0 || judge.Value > Judging.ValuesOf(rule.Kind)) return Refusal.OutOfRange;
        if (judge.Value == 0 || _given.ContainsKey((Round, judge.Card, person))) return null;
        if (_given.Count >= Judging.MostJudgements) return Refusal.Full;
        if (rule.Kind != JudgingKind.Choose) return null;
        var chosen = _given.Keys.Count(k => k.Round == Round && k.Person == person && isUp(k.Card));
        return chosen >= rule.Choices ? Refusal.EnoughChosen : null;
    }

    /// <summary>The plan is another: where cards are judged otherwise than before, a new round begins.</summary>
    internal void Follow(Judging? rule)
    {
        if (rule is null || rule.Kind == Kind) return;
        if (Kind is not null) (Round, IsShown) = (Round + 1, false);
        Kind = rule.Kind;
    }

    internal void Judge(long card, int person, int value)
    {
        if (value == 0) _given.Remove((Round, card, person));
        else _given[(Round, card, person)] = value;
    }

    internal void Show(ImmutableArray<CardResult> results) => (Results, IsShown) = ([.. Results.Where(r => r.Round != Round), .. results], true);

    // Who comes while a round goes on again is not told what was shown of it.
    internal void GoOn(bool newRound)
    {
        if (newRound) Round++;
        Results = [.. Results.Where(r => r.Round != Round)];
        IsShown = false;
    }

    internal void Bring(ImmutableArray<CardResult> results)
    {
        if (results.IsEmpty) return;
        Round = results.Max(r => r.Round);
        Kind = results.First(r => r.Round == Round).Counts.Length == Judging.ValuesOf(JudgingKind.Choose) ? JudgingKind.Choose : JudgingKind.Agree;
        (Results, IsShown) = (results, true);
    }

    internal void Restore(JudgingState state)
    {
        (Round, Kind, IsShown, Results) = (state.Round, state.Kind, state.IsShown, state.Results);
        foreach (var (round, card, person, value) in state.Given) _given[(round, card, person)] = value;
    }
}
