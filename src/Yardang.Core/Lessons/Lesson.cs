using Yardang.Core.Rooms;

namespace Yardang.Core.Lessons;

/// <summary>A participant as the lesson knows them: a number and what they signal.</summary>
/// <param name="Number">The actor number.</param>
/// <param name="JoinedAt">Server time, ms.</param>
/// <param name="HandUpAt">Since when the hand is up, server time in ms; null if it is down.</param>
/// <param name="ReadyAt">Since when they are ready for a look; null if not.</param>
public sealed record Person(int Number, long JoinedAt, long? HandUpAt = null, long? ReadyAt = null);

/// <summary>An activity being worked on by people: who is in, door, signals, pens.</summary>
public sealed class Lesson : Room
{
    private readonly SortedDictionary<int, Person> _people = [];

    /// <inheritdoc/>
    public override RoomKind Kind => RoomKind.Lesson;

    /// <summary>Whether newcomers walk in.</summary>
    public Door Door { get; private set; }

    /// <summary>Whether the pens are to be down.</summary>
    public bool PensDown { get; private set; }

    /// <summary>On how many boards the last setting of the pens was confirmed; null while it is not.</summary>
    public int? PensConfirmedOn { get; private set; }

    /// <summary>Whether the lesson is over.</summary>
    public bool Closed { get; private set; }

    /// <summary>Everybody who ever joined, by number.</summary>
    public IReadOnlyDictionary<int, Person> People => _people;

    /// <summary>What this lesson allows on its boards now.</summary>
    public Conditions Conditions => new(PensDown, Closed);

    /// <summary>Puts a snapshot's state back.</summary>
    public void RestoreLesson(Door door, bool pensDown, int? pensConfirmedOn, bool closed, IEnumerable<Person> people)
    {
        (Door, PensDown, PensConfirmedOn, Closed) = (door, pensDown, pensConfirmedOn, closed);
        foreach (var person in people) _people[person.Number] = person;
    }

    /// <inheritdoc/>
    protected override Decision DecideCommand(Submission submission, Actor actor, Conditions conditions) => submission.Command switch
    {
        OpenLesson or Join or ConfirmPens when actor.Role != Role.Program => Refusal.NotAllowed,
        SetDoor or SetPens or CloseLesson or ReopenLesson when !actor.IsStaff => Refusal.NotAllowed,
        OpenLesson => Number == 0 ? new LessonOpened() : Refusal.Duplicate,
        Join => WhyNotJoin() is { } why ? why : new PersonJoined(NextPerson),
        SetDoor(var door) => Enum.IsDefined(door) ? new DoorSet(door) : Refusal.OutOfRange,
        SetPens(var down) => Closed ? Refusal.Closed : new PensSet(down),
        ConfirmPens(var down, var boards) => down == PensDown ? new PensConfirmed(down, boards) : Refusal.ChangedSince,
        CloseLesson => Closed ? Refusal.Closed : new LessonClosed(),
        ReopenLesson => Closed ? new LessonReopened() : Refusal.ChangedSince,
        GiveSignal give => Decide(give, actor),
        _ => Refusal.NotAllowed,
    };

    /// <inheritdoc/>
    protected override void ApplyEvent(Envelope envelope)
    {
        switch (envelope.Event)
        {
            case PersonJoined(var number): _people[number] = new(number, envelope.Time); break;
            case DoorSet(var door): Door = door; break;
            case PensSet(var down): (PensDown, PensConfirmedOn) = (down, null); break;
            case PensConfirmed(_, var boards): PensConfirmedOn = boards; break;
            case LessonClosed: Closed = true; break;
            case LessonReopened: Closed = false; break;
            case SignalGiven(var number, var signal, var on):
                var person = _people[number];
                long? at = on ? envelope.Time : null;
                _people[number] = signal == Signal.HandUp ? person with { HandUpAt = at } : person with { ReadyAt = at };
                break;
        }
    }

    private Decision Decide(GiveSignal give, Actor actor)
    {
        if (Closed) return Refusal.Closed;
        if (!Enum.IsDefined(give.Signal)) return Refusal.OutOfRange;
        if (!_people.ContainsKey(give.Person)) return Refusal.NotFound;
        if (!actor.IsStaff && actor.Number != give.Person) return Refusal.NotYours;
        if (actor.IsStaff && give.On) return Refusal.NotAllowed;
        return new Decision.Accepted(new SignalGiven(give.Person, give.Signal, give.On), PersonAndStaff(give, actor));
    }

    // A teacher who lowers a hand tells everyone, since the audience of the author would be the teacher alone.
    private static Audience PersonAndStaff(GiveSignal give, Actor actor) =>
        actor.Number == give.Person ? Audience.AuthorAndStaff : Audience.Everyone;

    private Refusal? WhyNotJoin() => Closed ? Refusal.Closed : Door == Door.Closed ? Refusal.NotAllowed : null;

    private int NextPerson => _people.Count == 0 ? Actor.Owner.Number + 1 : _people.Keys.Last() + 1;
}
