using System.Collections.Immutable;
using Yardang.Core.Wire;

namespace Yardang.Core.Rooms;

/// <summary>Why a student tells their teacher of something. The numbers are on the wire.</summary>
public enum ConcernReason
{
    /// <summary>It hurts somebody.</summary>
    Hurts = 1,

    /// <summary>It tells or shows something private.</summary>
    Private = 2,

    /// <summary>It is not about the work.</summary>
    NotTheWork = 3,

    /// <summary>Something else.</summary>
    Other = 4,
}

/// <summary>Tell the teacher that something is not all right. Whose it is, and others, are not told.</summary>
/// <param name="About">The card or mark.</param>
/// <param name="Answer">The answer to it; 0 for the card or mark itself.</param>
/// <param name="Reason">Why.</param>
/// <param name="Words">Why, in own words; may be empty. At most <see cref="LateWork.LongestWords"/> letters.</param>
[Kind(105)]
public sealed record RaiseConcern(long About, long Answer, ConcernReason Reason, string Words) : Command;

/// <summary>Staff: what was told of was looked at.</summary>
/// <param name="About">The card or mark.</param>
/// <param name="Answer">The answer to it; 0 for the card or mark itself.</param>
[Kind(106)]
public sealed record SettleConcerns(long About, long Answer) : Command;

/// <summary>A student told the teacher of something.</summary>
/// <param name="About">The card or mark.</param>
/// <param name="Answer">The answer to it; 0 for the card or mark itself.</param>
/// <param name="Reason">Why.</param>
/// <param name="Words">Why, in own words.</param>
[Kind(139)]
public sealed record ConcernRaised(long About, long Answer, ConcernReason Reason, string Words) : RoomEvent;

/// <summary>A teacher looked at what was told of.</summary>
/// <param name="About">The card or mark.</param>
/// <param name="Answer">The answer to it; 0 for the card or mark itself.</param>
/// <param name="People">Who had told of it, by actor number; to a student, they themselves.</param>
[Kind(140)]
public sealed record ConcernsSettled(long About, long Answer, ImmutableArray<int> People) : RoomEvent
{
    /// <inheritdoc/>
    public override bool Names(int person) => People.Contains(person);

    /// <inheritdoc/>
    public override RoomEvent AsTold(int person) => this with { People = Names(person) ? [person] : [] };
}

/// <summary>What a student told the teacher of, and nobody has looked at yet.</summary>
/// <param name="Number">The event.</param>
/// <param name="Person">Who told, by actor number.</param>
/// <param name="About">The card or mark.</param>
/// <param name="Answer">The answer to it; 0 for the card or mark itself.</param>
/// <param name="Reason">Why.</param>
/// <param name="Words">Why, in own words.</param>
/// <param name="At">When, server time in ms.</param>
public sealed record Concern(long Number, int Person, long About, long Answer, ConcernReason Reason, string Words, long At);

/// <summary>What students of a room told their teacher of, and nobody has looked at yet.</summary>
public sealed class Concerns
{
    /// <summary>Most that one person has told of at a time.</summary>
    public const int MostOfOne = 20;

    /// <summary>Most of a room at a time.</summary>
    public const int Most = 1_000;

    private readonly SortedDictionary<long, Concern> _open = [];

    /// <summary>All, in the order in which they came.</summary>
    public IReadOnlyCollection<Concern> Open => _open.Values;

    /// <summary>What they are about, each once, in the order in which it was told of first.</summary>
    public IEnumerable<(long About, long Answer)> Things => _open.Values.Select(r => (r.About, r.Answer)).Distinct();

    /// <summary>Those of one thing.</summary>
    public IEnumerable<Concern> Of(long about, long answer) => _open.Values.Where(r => r.About == about && r.Answer == answer);

    /// <summary>What comes of telling, or of having looked. Changes nothing.</summary>
    /// <param name="command">One of those of concerns.</param>
    /// <param name="actor">Who asks.</param>
    /// <param name="mayTell">Whether it is there for them, and not theirs.</param>
    internal Decision Decide(Command command, Actor actor, Func<long, long, bool> mayTell) => command switch
    {
        RaiseConcern tell => WhyNot(tell, actor, mayTell) is { } why ? why : new Decision.Accepted(new ConcernRaised(tell.About, tell.Answer, tell.Reason, tell.Words.Trim()), Audience.AuthorAndStaff),
        SettleConcerns when !actor.IsStaff => Refusal.NotAllowed,
        SettleConcerns(var about, var answer) => Of(about, answer).Select(r => r.Person).ToImmutableArray() is { IsEmpty: false } people
            ? new Decision.Accepted(new ConcernsSettled(about, answer, people), Audience.NamedAndStaff) : Refusal.NotFound,
        _ => Refusal.NotAllowed,
    };

    private Refusal? WhyNot(RaiseConcern tell, Actor actor, Func<long, long, bool> mayTell)
    {
        if (actor.IsStaff || actor.HasLeft) return Refusal.NotAllowed;
        if (!Enum.IsDefined(tell.Reason) || !LateWork.CanSay(tell.Words)) return Refusal.OutOfRange;
        if (!mayTell(tell.About, tell.Answer)) return Refusal.NotFound;
        if (Of(tell.About, tell.Answer).Any(r => r.Person == actor.Number)) return Refusal.ChangedSince;
        return _open.Count >= Most || _open.Values.Count(r => r.Person == actor.Number) >= MostOfOne ? Refusal.Full : null;
    }

    /// <summary>Takes an event in.</summary>
    internal void Set(Envelope envelope)
    {
        switch (envelope.Event)
        {
            case ConcernRaised(var about, var answer, var reason, var words):
                _open[envelope.Number] = new(envelope.Number, envelope.Actor.Number, about, answer, reason, words, envelope.Time);
                break;
            case ConcernsSettled(var about, var answer, _):
                foreach (var settled in Of(about, answer).ToList()) _open.Remove(settled.Number);
                break;
        }
    }

    /// <summary>Puts others in place of these.</summary>
    internal void Restore(IEnumerable<Concern> concerns)
    {
        _open.Clear();
        foreach (var concern in concerns) _open[concern.Number] = concern;
    }
}
