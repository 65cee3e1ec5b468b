using System.Collections.Immutable;
using Yardang.Core.Rooms;
using Yardang.Core.Wire;

namespace Yardang.Core.Lessons;

/// <summary>To what somebody is called. The numbers are on the wire.</summary>
public enum SpotKind
{
    /// <summary>A part of the activity.</summary>
    Part = 0,

    /// <summary>A page of a board.</summary>
    Page = 1,

    /// <summary>A place on a page.</summary>
    Place = 2,

    /// <summary>A topic of a wall.</summary>
    Topic = 3,

    /// <summary>A card of a wall.</summary>
    Card = 4,

    /// <summary>A page of the teacher's own board: it is laid beside what is being worked on.</summary>
    TeachersBoard = 5,
}

/// <summary>Where somebody is to look.</summary>
/// <param name="Part">The part of the activity by its number.</param>
/// <param name="Kind">What in it.</param>
/// <param name="Id">Which page, topic or card; 0 of a part.</param>
/// <param name="X">Of a place on a page: from its left, 1/100 mm; else 0.</param>
/// <param name="Y">Of a place on a page: from its top, 1/100 mm; else 0.</param>
public sealed record Spot(int Part, SpotKind Kind, long Id = 0, int X = 0, int Y = 0)
{
    /// <summary>How far from the corner of a page a place can be, 1/100 mm: no page is larger.</summary>
    public const int Farthest = 1_000_000;

    /// <summary>Whether it can be somewhere.</summary>
    public bool IsSound() => Enum.IsDefined(Kind) && Id >= 0 && (Kind == SpotKind.Part) == (Id == 0)
        && (Kind == SpotKind.Place ? X is >= 0 and <= Farthest && Y is >= 0 and <= Farthest : X == 0 && Y == 0);
}

/// <summary>What a teacher says to some of the class, or to all of it: a line to be read, a place to go to, or both.</summary>
/// <param name="Number">Counted from 1 in a lesson.</param>
/// <param name="At">When, server time in ms.</param>
/// <param name="By">Which teacher.</param>
/// <param name="People">To whom, by actor numbers; if there are none, to everybody, also to those who come later. A student is told of nobody else.</param>
/// <param name="Words">The line; may be empty.</param>
/// <param name="To">Where they are called; null if nowhere. Of a call that stays: where they are led now.</param>
/// <param name="Stays">Whether they stay with the teacher until it is ended.</param>
/// <param name="EndedAt">Since when it counts no longer, server time in ms; null while it does.</param>
/// <param name="Reached">On whose screens it has arrived. Of these a student knows themselves.</param>
/// <param name="Read">Who says that they have read the line.</param>
/// <param name="Answers">What was answered to the line, one answer of each.</param>
public sealed record Call(
    int Number, long At, int By, ImmutableArray<int> People, string Words, Spot? To, bool Stays, [OrMinusOne] long? EndedAt, ImmutableSortedSet<int> Reached, ImmutableSortedSet<int> Read, ImmutableArray<CallAnswer> Answers)
{
    /// <summary>The most of a lesson.</summary>
    public const int Most = 2_000;

    /// <summary>Most letters of a line.</summary>
    public const int WordsLength = 200;

    /// <summary>How long somebody who was away is still called to a place when they come back, ms.</summary>
    public const long HoldsMs = 60 * 60_000;

    /// <summary>Whether it is said to somebody.</summary>
    public bool IsFor(int person) => People.IsEmpty || People.Contains(person);

    /// <summary>The same as a student is told it.</summary>
    public Call AsTold(int person) => this with
    {
        People = People.IsEmpty ? [] : [person],
        Reached = Reached.Contains(person) ? [person] : [],
        Read = Read.Contains(person) ? [person] : [],
        Answers = [.. Answers.Where(a => a.Person == person)],
    };
}

/// <summary>What somebody answered to a line.</summary>
/// <param name="Person">Who.</param>
/// <param name="At">When, server time in ms.</param>
/// <param name="Words">The answer.</param>
public sealed record CallAnswer(int Person, long At, string Words);

/// <summary>Staff: say something to some of the class, or to all of it.</summary>
/// <param name="People">To whom, by actor numbers; to everybody if none are named.</param>
/// <param name="Words">A line to be read; may be empty.</param>
/// <param name="To">Where they are to go; null if nowhere.</param>
/// <param name="Stays">Whether they are to stay with the teacher. One call of a lesson does so at a time.</param>
[Kind(87)]
public sealed record CallClass([AtMost(Limits.People)] ImmutableArray<int> People, string Words, Spot? To, bool Stays) : Command;

/// <summary>It was said.</summary>
[Kind(120)]
public sealed record ClassCalled(int Number, ImmutableArray<int> People, string Words, Spot? To, bool Stays) : RoomEvent
{
    /// <inheritdoc/>
    public override bool Names(int person) => People.Contains(person);

    /// <inheritdoc/>
    public override RoomEvent AsTold(int person) => People.IsEmpty ? this : this with { People = [person] };
}

/// <summary>Staff: those who stay with the teacher are led to another place.</summary>
[Kind(88)]
public sealed record LeadOn(int Number, Spot To) : Command;

/// <summary>They are led there.</summary>
/// <param name="Number">By which call.</param>
/// <param name="People">Who; everybody if none are named.</param>
/// <param name="To">Where.</param>
[Kind(121)]
public sealed record LedOn(int Number, ImmutableArray<int> People, Spot To) : RoomEvent
{
    /// <inheritdoc/>
    public override bool Names(int person) => People.Contains(person);

    /// <inheritdoc/>
    public override RoomEvent AsTold(int person) => People.IsEmpty ? this : this with { People = [person] };
}

/// <summary>Staff: it counts no longer. Who stayed with the teacher is free; whom it did not reach it reaches no more.</summary>
[Kind(89)]
public sealed record EndCall(int Number) : Command;

/// <summary>A call counts no longer.</summary>
[Kind(122)]
public sealed record CallEnded(int Number, ImmutableArray<int> People) : RoomEvent
{
    /// <inheritdoc/>
    public override bool Names(int person) => People.Contains(person);

    /// <inheritdoc/>
    public override RoomEvent AsTold(int person) => People.IsEmpty ? this : this with { People = [person] };
}

/// <summary>A student: it is on my screen, and I am where I was called; or I have read the line, and perhaps answer it.</summary>
/// <param name="Number">Which call.</param>
/// <param name="Read">Whether the line was read.</param>
/// <param name="Words">An answer of at most <see cref="Call.WordsLength"/> letters; may be empty.</param>
[Kind(90)]
public sealed record ConfirmCall(int Number, bool Read, string Words) : Command;

/// <summary>It has arrived on somebody's screen, or was read.</summary>
[Kind(123)]
public sealed record CallConfirmed(int Person, int Number, bool Read, string Words) : RoomEvent
{
    /// <inheritdoc/>
    public override bool Names(int person) => person == Person;
}

/// <summary>What teachers said to the class of a lesson, by numbers.</summary>
public sealed class Calls
{
    private readonly SortedDictionary<int, Call> _all = [];

    /// <summary>All of them, also those that count no longer.</summary>
    public IReadOnlyDictionary<int, Call> All => _all;

    /// <summary>The call by which some of the class are led now; null if nobody is.</summary>
    public Call? Leading => _all.Values.LastOrDefault(c => c is { Stays: true, EndedAt: null });

    internal void Restore(IEnumerable<Call> calls)
    {
        foreach (var call in calls) _all[call.Number] = call;
    }

    internal Decision Decide(Command command, Actor actor, IReadOnlyDictionary<int, Person> people, Func<Spot, bool> isThere) => command switch
    {
        CallClass call => Decide(call, people, isThere),
        LeadOn(var number, var to) => !_all.TryGetValue(number, out var call) || !call.Stays ? Refusal.NotFound
            : call.EndedAt is not null || to == call.To ? Refusal.ChangedSince
            : !isThere(to) ? Refusal.OutOfRange
            : To(call.People, new LedOn(number, call.People, to)),
        EndCall(var number) => !_all.TryGetValue(number, out var call) ? Refusal.NotFound
            : call.EndedAt is not null ? Refusal.ChangedSince
            : To(call.People, new CallEnded(number, call.People)),
        ConfirmCall confirm => Decide(confirm, actor, people),
        _ => Refusal.NotAllowed,
    };

    private Decision Decide(CallClass call, IReadOnlyDictionary<int, Person> people, Func<Spot, bool> isThere)
    {
        var words = call.Words.Trim();
        if (words.Length > Call.WordsLength || words.Any(char.IsControl) || (words.Length == 0 && call.To is null)) return Refusal.OutOfRange;
        if (call.To is { } to ? !isThere(to) : call.Stays) return Refusal.OutOfRange;
        if (!IsSome(call.People, people)) return Refusal.NotFound;
        if (call.Stays && Leading is not null) return Refusal.ChangedSince;
        return _all.Count >= Call.Most ? Refusal.Full : To(call.People, new ClassCalled(_all.Count + 1, call.People, words, call.To, call.Stays));
    }

    private Decision Decide(ConfirmCall confirm, Actor actor, IReadOnlyDictionary<int, Person> people)
    {
        if (actor.IsStaff) return Refusal.NotAllowed;
        var (me, words) = (actor.Number, confirm.Words.Trim());
        if (people.GetValueOrDefault(me)?.Standing != Standing.In || !_all.TryGetValue(confirm.Number, out var call) || !call.IsFor(me)) return Refusal.NotFound;
        if (words.Length > Call.WordsLength || words.Any(char.IsControl) || (words.Length > 0 && (!confirm.Read || call.Words.Length == 0))) return Refusal.OutOfRange;
        var isKnown = words.Length > 0 ? call.Answers.Any(a => a.Person == me) : (confirm.Read ? call.Read : call.Reached).Contains(me);
        return isKnown ? Refusal.Duplicate : new Decision.Accepted(new CallConfirmed(me, confirm.Number, confirm.Read, words), Audience.NamedAndStaff);
    }

    /// <summary>Whether these are people who are in, each once; nobody stands for everybody.</summary>
    internal static bool IsSome(ImmutableArray<int> some, IReadOnlyDictionary<int, Person> people) =>
        some.Distinct().Count() == some.Length && some.All(p => people.TryGetValue(p, out var person) && person.Standing == Standing.In);

    // What is said to all everybody hears; what is said to some, these.
    internal static Decision.Accepted To(ImmutableArray<int> people, RoomEvent happened) => new(happened, people.IsEmpty ? Audience.Everyone : Audience.NamedAndStaff);

    internal void Apply(RoomEvent happened, Actor actor, long time)
    {
        switch (happened)
        {
            case ClassCalled called: _all[called.Number] = new(called.Number, time, actor.Number, called.People, called.Words, called.To, called.Stays, null, [], [], []); break;
            case LedOn led: Change(led.Number, c => c with { To = led.To }); break;
            case CallEnded ended: Change(ended.Number, c => c with { EndedAt = time }); break;
            case CallConfirmed(var person, var number, var read, var words):
                Change(number, c => c with
                {
                    Reached = c.Reached.Add(person),
                    Read = read ? c.Read.Add(person) : c.Read,
                    Answers = words.Length > 0 ? c.Answers.Add(new(person, time, words)) : c.Answers,
                });
                break;
        }
    }

    private void Change(int number, Func<Call, Call> change)
    {
        if (_all.TryGetValue(number, out var call)) _all[number] = change(call);
    }
}
