using System.Collections.Immutable;
using Yardang.Core.Editing;
using Yardang.Core.Judges;
using Yardang.Core.Marks;
using Yardang.Core.Rooms;
using Yardang.Core.Walls;
using Yardang.Core.Wire;

namespace Yardang.Core.Boards;

/// <summary>Staff: students say from now on of the marks of a board what they think of them, or with null they do not. Not by points: these are for walls.</summary>
[Kind(78)]
public sealed record SetMarkJudging(Judging? Judging) : Command;

/// <summary>Students say of marks what they think of them, or with null they do not.</summary>
[Kind(111)]
public sealed record MarkJudgingSet(Judging? Judging) : RoomEvent;

/// <summary>What a snapshot says of how the marks of a board are judged.</summary>
/// <param name="Rule">How students judge them; null for not at all.</param>
/// <param name="State">How it stands. What is said there of cards is said of marks.</param>
public sealed record MarkJudgingState(Judging? Rule, JudgingState State);

/// <summary>What students say of the marks of a board that they share: by the same rules, commands and rounds as of the cards of a wall (<see cref="Judgements"/>).</summary>
public sealed class MarkChoice
{
    /// <summary>How students judge marks; null for not at all.</summary>
    public Judging? Rule { get; private set; }

    /// <summary>What they said.</summary>
    public Judgements Judgements { get; } = new();

    /// <summary>What a command does now. Changes nothing.</summary>
    /// <param name="command">One of those of judging.</param>
    /// <param name="actor">Who asks.</param>
    /// <param name="mayWrite">Whether students may write now.</param>
    /// <param name="sheets">The pages.</param>
    internal Decision Decide(Command command, Actor actor, bool mayWrite, Sheets sheets)
    {
        switch (command)
        {
            case SetMarkJudging(var rule):
                if (!actor.IsStaff) return Refusal.NotAllowed;
                if (rule is not null && (rule.Kind == JudgingKind.Score || !rule.IsValid())) return Refusal.OutOfRange;
                return rule == Rule ? Refusal.ChangedSince : new MarkJudgingSet(rule);
            case JudgeCard judge:
                return WhyNot(judge, actor, mayWrite, sheets) is { } why ? why : new Decision.Accepted(new CardJudged(judge.Card, judge.Value), Audience.AuthorAndStaff);
            case ShowResults:
                if (!actor.IsStaff) return Refusal.NotAllowed;
                return Rule is null || Judgements.IsShown ? Refusal.JudgingEnded : new ResultsShown(Judgements.ResultsOf(sheets.Marks.Values.Where(m => IsJudged(m, sheets)).Select(m => m.Id).Order()));
            case GoOnJudging(var newRound):
                if (!actor.IsStaff) return Refusal.NotAllowed;
                if (Rule is null) return Refusal.JudgingEnded;
                if (newRound && Judgements.Round >= Judging.MostRounds) return Refusal.Full;
                return newRound || Judgements.IsShown ? new JudgingWentOn(newRound) : Refusal.ChangedSince;
            case LeaveOutJudge leave:
                return !actor.IsStaff ? Refusal.NotAllowed : Rule is null ? Refusal.JudgingEnded : Judgements.Decide(leave);
            default:
                return Refusal.NotAllowed;
        }
    }

    // What is said too late counts no more: others may have seen the results meanwhile.
    private Refusal? WhyNot(JudgeCard judge, Actor actor, bool mayWrite, Sheets sheets)
    {
        if (actor.IsStaff) return Refusal.NotAllowed;
        if (actor.HasLeft || !mayWrite) return Refusal.JudgingEnded;
        if (!sheets.Marks.TryGetValue(judge.Card, out var mark) || !IsJudged(mark, sheets)) return Refusal.NotFound;
        if (mark.Author == actor.Number && !mark.ByStaff) return Refusal.NotAllowed;
        return Judgements.WhyNot(Rule, judge, actor.Number, id => sheets.Marks.TryGetValue(id, out var other) && IsJudged(other, sheets), []);
    }

    // What is printed is chosen among, too.
    private static bool IsJudged(Mark mark, Sheets sheets) => mark.Stands && mark.Grip != Grip.Key && sheets.FindPage(mark.Page) is { Erased: false };

    /// <summary>Takes an event in.</summary>
    internal void Set(RoomEvent happened, int actor)
    {
        switch (happened)
        {
            case MarkJudgingSet(var rule):
                Rule = rule;
                Judgements.Follow(rule);
                break;
            case CardJudged judged: Judgements.Judge(judged, actor); break;
            case ResultsShown(var results): Judgements.Show(results); break;
            case JudgingWentOn(var newRound): Judgements.GoOn(newRound); break;
            case JudgeLeftOut left: Judgements.LeaveOut(left); break;
        }
    }

    /// <summary>As a reader knows it.</summary>
    internal MarkJudgingState StateFor(Func<Judgement, bool> isSeen, Func<int, bool> knows) => new(Rule, Judgements.StateFor(isSeen, knows));

    /// <summary>Puts a state in place of what is here.</summary>
    internal void Restore(MarkJudgingState state)
    {
        Rule = state.Rule;
        Judgements.Restore(state.State);
    }

    /// <summary>Brings what was said elsewhere; it is over.</summary>
    internal void Bring(ImmutableArray<CardResult> results) => Judgements.Bring(results);
}
