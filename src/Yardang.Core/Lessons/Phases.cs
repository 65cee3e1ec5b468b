using System.Collections.Immutable;
using Yardang.Core.Activities;
using Yardang.Core.Rooms;
using Yardang.Core.Wire;

namespace Yardang.Core.Lessons;

/// <summary>A phase of a lesson, as a teacher begins it.</summary>
/// <param name="Kind">What is done.</param>
/// <param name="Words">A sentence for students; may be empty.</param>
/// <param name="Minutes">How long it is meant to last; 0: as long as it takes.</param>
/// <param name="EndsItself">Whether nobody writes any more when the time is over; else it only says so.</param>
/// <param name="Part">The part that it opens; 0 for none.</param>
/// <param name="Withheld">What students cannot do in it, besides what its kind closes.</param>
/// <param name="Planned">Which of the phases that were planned for the activity it is, from 1; 0: none of them.</param>
public sealed record PhasePlan(PhaseKind Kind, string Words, int Minutes, bool EndsItself, int Part, [Since(2)] StudentActs Withheld = StudentActs.None, [Since(2)] int Planned = 0)
{
    /// <summary>What students cannot do while it goes on.</summary>
    /// <remarks>A method, so that it is not on the wire.</remarks>
    public StudentActs Closes() => Kind == PhaseKind.Choose ? Withheld | (StudentActs.All & ~StudentActs.Judge) : Withheld;
}

/// <summary>A phase that goes on.</summary>
/// <param name="Plan">As it was begun.</param>
/// <param name="BegunAt">When, server time in ms.</param>
/// <param name="EndsAt">When its time is over, server time in ms; null if it has none.</param>
/// <param name="Longer">Who has more time, and until when. A student is told of nobody else.</param>
public sealed record Phase([Inline] PhasePlan Plan, long BegunAt, [OrMinusOne] long? EndsAt, ImmutableArray<MoreTime> Longer)
{
    /// <summary>When the time of somebody is over, server time in ms; null if it has no end.</summary>
    public long? EndsFor(int person) => Longer.FirstOrDefault(l => l.Person == person)?.Until ?? EndsAt;

    /// <summary>The same as a student is told it.</summary>
    public Phase AsTold(int person) => this with { Longer = [.. Longer.Where(l => l.Person == person)] };
}

/// <summary>Somebody has more time than the others.</summary>
public sealed record MoreTime(int Person, long Until);

/// <summary>Staff: begin a phase. What went on before can be gone back to.</summary>
[Kind(95)]
public sealed record BeginPhase([Inline] PhasePlan Plan) : Command;

/// <summary>A phase has begun.</summary>
[Kind(128)]
public sealed record PhaseBegun([Inline] PhasePlan Plan) : RoomEvent;

/// <summary>Staff: so many minutes more, or fewer, for everybody or for one.</summary>
/// <param name="Minutes">How many; less than 0: fewer.</param>
/// <param name="Person">For whom; 0 for everybody.</param>
[Kind(96)]
public sealed record GiveTime(int Minutes, int Person) : Command;

/// <summary>The time is over at another moment.</summary>
/// <param name="Person">For whom; 0 for everybody.</param>
/// <param name="EndsAt">When, server time in ms.</param>
[Kind(129)]
public sealed record TimeGiven(int Person, long EndsAt) : RoomEvent
{
    /// <inheritdoc/>
    public override bool Names(int person) => person == Person;
}

/// <summary>Staff: the phase is over. Back: the one before goes on, with its time from the beginning.</summary>
[Kind(97)]
public sealed record EndPhase(bool Back) : Command;

/// <summary>No phase goes on any more.</summary>
[Kind(130)]
public sealed record PhaseEnded : RoomEvent;

/// <summary>The phase before goes on again.</summary>
[Kind(131)]
public sealed record PhaseResumed([Inline] PhasePlan Plan) : RoomEvent;

/// <summary>The phase that goes on in a lesson, and those before it.</summary>
public sealed class Phases
{
    private const long Minute = 60_000;

    /// <summary>So many that were before can be gone back to.</summary>
    public const int Remembered = 20;

    /// <summary>The one that goes on; null if none does.</summary>
    public Phase? Now { get; private set; }

    /// <summary>Those before it, the last one last.</summary>
    public ImmutableArray<PhasePlan> Before { get; private set; } = [];

    /// <summary>The part that is open because of an event; 0 for none.</summary>
    public static int PartOpenedBy(RoomEvent happened) => happened switch
    {
        PhaseBegun begun => begun.Plan.Part,
        PhaseResumed resumed => resumed.Plan.Part,
        _ => 0,
    };

    internal void Restore(Phase? now, ImmutableArray<PhasePlan> before) => (Now, Before) = (now, before);

    internal Decision Decide(Command command, IReadOnlyDictionary<int, Person> people, ImmutableArray<int> parts, long time) => command switch
    {
        BeginPhase(var plan) => IsSound(plan, parts) ? new PhaseBegun(plan with { Words = plan.Words.Trim() }) : Refusal.OutOfRange,
        GiveTime give => Decide(give, people, time),
        EndPhase(false) => Now is null ? Refusal.ChangedSince : new PhaseEnded(),
        EndPhase(true) => Before.IsEmpty ? Refusal.NothingToUndo : new PhaseResumed(Before[^1]),
        _ => Refusal.NotAllowed,
    };

    private static bool IsSound(PhasePlan plan, ImmutableArray<int> parts) =>
        Enum.IsDefined(plan.Kind) && plan.Words.Length <= PlannedPhase.WordsLength && !plan.Words.Any(char.IsControl)
        && PlannedPhase.IsTime(plan.Minutes, plan.EndsItself) && (plan.Part == 0 || parts.Contains(plan.Part))
        && (plan.Withheld & ~StudentActs.All) == StudentActs.None && plan.Planned is >= 0 and <= PlannedPhase.Most;

    // Time that is given when it is over already begins now.
    private Decision Decide(GiveTime give, IReadOnlyDictionary<int, Person> people, long time)
    {
        if (Now is not { } now) return Refusal.ChangedSince;
        if (give.Minutes == 0 || Math.Abs(give.Minutes) > PlannedPhase.Longest) return Refusal.OutOfRange;
        if (give.Person != 0 && (people.GetValueOrDefault(give.Person)?.Standing != Standing.In || now.EndsAt is null)) return Refusal.NotFound;
        var from = give.Person == 0 ? now.EndsAt : now.EndsFor(give.Person);
        var until = Math.Max(from ?? time, give.Minutes > 0 ? time : 0) + (give.Minutes * Minute);
        if (until - now.BegunAt > PlannedPhase.Longest * Minute) return Refusal.OutOfRange;
        return give.Person == 0 ? new TimeGiven(0, Math.Max(until, time)) : new Decision.Accepted(new TimeGiven(give.Person, Math.Max(until, time)), Audience.NamedAndStaff);
    }

    internal void Apply(RoomEvent happened, long time)
    {
        switch (happened)
        {
            case PhaseBegun(var plan):
                if (Now is { } last) Before = [.. Before.Append(last.Plan).TakeLast(Remembered)];
                Now = Begun(plan, time);
                break;
            case PhaseResumed(var plan):
                Before = Before.IsEmpty ? Before : Before[..^1];
                Now = Begun(plan, time);
                break;
            case PhaseEnded:
                Before = [.. Before.Append(Now!.Plan).TakeLast(Remembered)];
                Now = null;
                break;
            case TimeGiven(0, var until): Now = Now! with { EndsAt = until }; break;
            case TimeGiven(var person, var until): Now = Now! with { Longer = [.. Now.Longer.Where(l => l.Person != person).Append(new(person, until)).OrderBy(l => l.Person)] }; break;
        }
    }

    private static Phase Begun(PhasePlan plan, long time) => new(plan, time, plan.Minutes == 0 ? null : time + (plan.Minutes * Minute), []);
}
