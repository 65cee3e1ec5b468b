using System.Collections.Immutable;
using Yardang.Core.Rooms;
using Yardang.Core.Threads;

namespace Yardang.Core.Judges;

/// <summary>
/// What students said of each other's cards, in rounds. What each said is told to themselves and to teachers, until a teacher shows the results: then the round
/// is over, so that nobody follows the others.
/// </summary>
public sealed class Judgements
{
    private readonly SortedDictionary<(int Round, long Card, int Person), Said> _given = [];
    private readonly SortedSet<int> _leftOut = [];
    private int _letters;

    // All cards of this round are added up at once, and once: prints ask for one after another.
    private Dictionary<long, CardResult>? _added;

    /// <summary>Which round it is, from 1.</summary>
    public int Round { get; private set; } = 1;

    /// <summary>How cards are judged in it; null if they never were.</summary>
    public JudgingKind? Kind { get; private set; }

    /// <summary>How many values there are in it; 0 if cards never were judged.</summary>
    public int Values { get; private set; }

    /// <summary>Whether its results are shown.</summary>
    public bool IsShown { get; private set; }

    /// <summary>What was shown, of all rounds.</summary>
    public ImmutableArray<CardResult> Results { get; private set; } = [];

    /// <summary>All that was said, by round, card and person.</summary>
    public IEnumerable<Judgement> Given => _given.Select(g => new Judgement(g.Key.Round, g.Key.Card, g.Key.Person, g.Value.Value, g.Value.Reason, g.Value.Words));

    /// <summary>Whose word does not count.</summary>
    public IReadOnlySet<int> LeftOut => _leftOut;

    /// <summary>Who gave which card how many points in this round, as far as it counts.</summary>
    public IReadOnlyCollection<(int Judge, long Card, int Score)> Scores => Kind == JudgingKind.Score
        ? [.. _given.Where(g => g.Key.Round == Round && !_leftOut.Contains(g.Key.Person)).Select(g => (g.Key.Person, g.Key.Card, g.Value.Value))]
        : [];

    /// <summary>How many people have said something in this round.</summary>
    public int People => _given.Keys.Where(k => k.Round == Round).Select(k => k.Person).Distinct().Count();

    /// <summary>Of how many cards somebody has said something in this round.</summary>
    /// <param name="person">Who, by actor number.</param>
    /// <param name="isUp">Whether a card is up.</param>
    public int JudgedBy(int person, Func<long, bool> isUp) => _given.Keys.Count(k => k.Round == Round && k.Person == person && isUp(k.Card));

    /// <summary>As a reader knows it.</summary>
    public JudgingState StateFor(Func<Judgement, bool> isSeen, Func<int, bool> knows) => new(Round, Kind, Values, IsShown, [.. Given.Where(isSeen)], Results, [.. _leftOut.Where(knows)]);

    /// <summary>What all said of some cards in this round.</summary>
    /// <param name="cards">Their ids, in order.</param>
    public ImmutableArray<CardResult> ResultsOf(IEnumerable<long> cards)
    {
        _added ??= AddedUp();
        return [.. cards.Where(_added.ContainsKey).Select(card => _added[card])];
    }

    private Dictionary<long, CardResult> AddedUp()
    {
        var (counts, reasons) = (new Dictionary<long, int[]>(), new Dictionary<long, List<ScoreReason>>());
        foreach (var ((round, card, person), said) in _given)
        {
            if (round != Round || _leftOut.Contains(person)) continue;
            if (!counts.TryGetValue(card, out var known)) counts[card] = known = new int[Values];
            known[said.Value - 1]++;
            if (said.Letters == 0) continue;
            if (!reasons.TryGetValue(card, out var why)) reasons[card] = why = [];
            why.Add(new(said.Value, said.Reason, said.Words));
        }

        var fair = Scoring.EvenedOut(Scores, Values);
        return counts.ToDictionary(c => c.Key, c => new CardResult(
            Round, c.Key, [.. c.Value], fair.TryGetValue(c.Key, out var evened) ? evened : null, reasons.TryGetValue(c.Key, out var why) ? InNoOrder(why) : null));
    }

    // By what they say: in which order they came would tell whose they are.
    private static ImmutableArray<ScoreReason> InNoOrder(IEnumerable<ScoreReason> reasons) =>
        [.. reasons.OrderByDescending(r => r.Value).ThenBy(r => r.Text, StringComparer.Ordinal).ThenBy(r => r.Words, StringComparer.Ordinal)];

    /// <summary>What leaving somebody out does now. Changes nothing.</summary>
    internal Decision Decide(LeaveOutJudge leave) =>
        IsShown ? Refusal.JudgingEnded
        : leave.Out == _leftOut.Contains(leave.Person) ? Refusal.ChangedSince
        : leave.Out && !_given.Keys.Any(k => k.Person == leave.Person) ? Refusal.NotFound
        : new Decision.Accepted(new JudgeLeftOut(leave.Person, leave.Out), Audience.NamedAndStaff);

    internal void LeaveOut(JudgeLeftOut left)
    {
        _added = null;
        if (left.Out) _leftOut.Add(left.Person);
        else _leftOut.Remove(left.Person);
    }

    /// <summary>Why somebody cannot say something of a card that they see; null if they can.</summary>
    /// <param name="rule">What the plan says.</param>
    /// <param name="judge">What they say.</param>
    /// <param name="person">Who, by actor number.</param>
    /// <param name="isUp">Whether a card is up.</param>
    /// <param name="texts">What the card says, in each language.</param>
    /// <param name="most">Of how many each may say something, where they are not chosen; 0 for no number.</param>
    internal Refusal? WhyNot(Judging? rule, JudgeCard judge, int person, Func<long, bool> isUp, IReadOnlyCollection<string> texts, int most = 0)
    {
        if (rule is null || IsShown) return Refusal.JudgingEnded;
        if (judge.Value < 0 || judge.Value > rule.Values) return Refusal.OutOfRange;
        if (judge.Value == 0) return null;
        if (WhyNotSo(rule.Scored, judge, texts) is { } why) return why;
        if (_letters + judge.Reason.Length + judge.Words.Length > Judging.MostReasons) return Refusal.Full;
        if (_given.ContainsKey((Round, judge.Card, person))) return null;
        if (_given.Count >= Judging.MostJudgements) return Refusal.Full;
        var isChosen = rule.Kind == JudgingKind.Choose;
        var limit = isChosen ? rule.Choices : most;
        return limit == 0 || JudgedBy(person, isUp) < limit ? null : isChosen ? Refusal.EnoughChosen : Refusal.EnoughJudged;
    }

    // What is said beside a score. Words can only be asked for where there are some.
    private static Refusal? WhyNotSo(Criterion? criterion, JudgeCard judge, IReadOnlyCollection<string> texts)
    {
        var (reason, words) = (criterion?.Reason ?? Wanted.No, criterion?.Words ?? Wanted.No);
        if (judge.Reason.Length > Limits.StatementLength || judge.Words.Length > Criterion.WordsLength) return Refusal.OutOfRange;
        if ((reason == Wanted.No && judge.Reason.Length > 0) || (words == Wanted.No && judge.Words.Length > 0)) return Refusal.NotAllowed;
        if (reason == Wanted.Must && string.IsNullOrWhiteSpace(judge.Reason)) return Refusal.OutOfRange;
        var isMissing = words == Wanted.Must && judge.Words.Length == 0 && !texts.All(string.IsNullOrWhiteSpace);
        return isMissing || (judge.Words.Length > 0 && !texts.Any(t => Scoring.StandOn(judge.Words, t))) ? Refusal.OutOfRange : null;
    }

    /// <summary>The plan is another: where cards are judged otherwise than before, a new round begins.</summary>
    internal void Follow(Judging? rule)
    {
        if (rule is null || (rule.Kind == Kind && rule.Values == Values)) return;
        if (Kind is not null) (Round, IsShown) = (Round + 1, false);
        _added = null;
        (Kind, Values) = (rule.Kind, rule.Values);
    }

    internal void Judge(CardJudged judged, int person)
    {
        _added = null;
        var key = (Round, judged.Card, person);
        if (_given.Remove(key, out var before)) _letters -= before.Letters;
        if (judged.Value == 0) return;
        _given[key] = new(judged.Value, judged.Reason, judged.Words);
        _letters += judged.Reason.Length + judged.Words.Length;
    }

    internal void Show(ImmutableArray<CardResult> results) => (Results, IsShown) = ([.. Results.Where(r => r.Round != Round), .. results], true);

    // Who comes while a round goes on again is not told what was shown of it.
    internal void GoOn(bool newRound)
    {
        _added = null;
        if (newRound) Round++;
        Results = [.. Results.Where(r => r.Round != Round)];
        IsShown = false;
    }

    internal void Bring(ImmutableArray<CardResult> results)
    {
        if (results.IsEmpty) return;
        _added = null;
        Round = results.Max(r => r.Round);
        var last = results.First(r => r.Round == Round);
        Values = last.Counts.Length;
        Kind = last.Fair is not null ? JudgingKind.Score : Values == 1 ? JudgingKind.Choose : JudgingKind.Agree;
        (Results, IsShown) = (results, true);
    }

    internal void Restore(JudgingState state)
    {
        _added = null;
        (Round, Kind, Values, IsShown, Results) = (state.Round, state.Kind, state.Values, state.IsShown, state.Results);
        _leftOut.Clear();
        _leftOut.UnionWith(state.LeftOut);
        foreach (var (round, card, person, value, reason, words) in state.Given)
        {
            _given[(round, card, person)] = new(value, reason, words);
            _letters += reason.Length + words.Length;
        }
    }

    private readonly record struct Said(int Value, string Reason, string Words)
    {
        public int Letters => Reason.Length + Words.Length;
    }
}
