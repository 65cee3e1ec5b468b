using Yardang.Core.Rooms;

namespace Yardang.Core.Lessons;

/// <summary>What a snapshot says of a lesson.</summary>
public sealed record LessonSnapshot(
    Door Door, bool PensDown, int? PensConfirmedOn, bool Closed, IEnumerable<Person> People, bool NamesMasked, bool SeesOtherBoards, bool SeesTeachersBoard,
    Grouping Grouping, int GroupChanges, long PlacesAsOf, long SeatsThrough);

/// <summary>An activity being worked on by people: who is in, door, groups, signals, pens.</summary>
public sealed class Lesson : Room
{
    /// <summary>The most people of a lesson, those who left included.</summary>
    public const int MostPeople = 1_000;

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

    /// <summary>Everybody who is expected or ever came to the door, by number.</summary>
    public IReadOnlyDictionary<int, Person> People => _people;

    /// <summary>Who shares a board with whom.</summary>
    public Grouping Grouping { get; private set; } = Grouping.None;

    /// <summary>How often the groups were changed.</summary>
    public int GroupChanges { get; private set; }

    /// <summary>The last event that changed who may be where.</summary>
    public long PlacesAsOf { get; private set; }

    /// <summary>The event up to which everybody's place is as this says.</summary>
    public long SeatsThrough { get; private set; }

    /// <summary>Whether classmates see masks instead of names.</summary>
    public bool NamesMasked { get; private set; }

    /// <summary>Whether students may look at the boards of others.</summary>
    public bool SeesOtherBoards { get; private set; }

    /// <summary>Whether students may look at the teacher's own board.</summary>
    public bool SeesTeachersBoard { get; private set; }

    /// <summary>What this lesson allows on its boards now.</summary>
    public Conditions Conditions => new(PensDown, Closed);

    /// <summary>Whether an event changes who may be where. (Who comes in by the door is seated as they come.)</summary>
    public static bool ChangesPlaces(RoomEvent happened) =>
        happened is GroupsSet or GroupsUndone or GroupsRedone or PersonAdmitted or PersonTurnedAway or PersonRemoved or SightSet;

    /// <summary>Puts a snapshot's state back.</summary>
    public void RestoreLesson(LessonSnapshot s)
    {
        (Door, PensDown, PensConfirmedOn, Closed) = (s.Door, s.PensDown, s.PensConfirmedOn, s.Closed);
        (NamesMasked, SeesOtherBoards, SeesTeachersBoard) = (s.NamesMasked, s.SeesOtherBoards, s.SeesTeachersBoard);
        (Grouping, GroupChanges, PlacesAsOf, SeatsThrough) = (s.Grouping, s.GroupChanges, s.PlacesAsOf, s.SeatsThrough);
        foreach (var person in s.People) _people[person.Number] = person;
    }

    /// <inheritdoc/>
    protected override Decision DecideCommand(Submission submission, Actor actor, Conditions conditions) => submission.Command switch
    {
        OpenLesson or ExpectPeople or Join or ConfirmPens or ConfirmSeats when actor.Role != Role.Program => Refusal.NotAllowed,
        not GiveSignal when !actor.IsStaff => Refusal.NotAllowed,
        OpenLesson => Number == 0 ? new LessonOpened() : Refusal.Duplicate,
        ExpectPeople(var count) => count is > 0 and <= MostPeople && _people.Count + count <= MostPeople ? new PeopleExpected(NextPerson, count) : Refusal.Full,
        Join join => Decide(join),
        AdmitPerson(var person) => Of(person, Standing.Waiting) is { } why ? why : new PersonAdmitted(person),
        TurnAway(var person) => Of(person, Standing.Waiting) is { } why ? why : new PersonTurnedAway(person),
        RemovePerson(var person) => Of(person, Standing.In) is { } why ? why : new PersonRemoved(person),
        SetGroups set => WhyNot(set) is { } why ? why : new GroupsSet(set.Groups),
        UndoGroups => Grouping.Past.IsEmpty ? Refusal.NothingToUndo : new GroupsUndone(),
        RedoGroups => Grouping.Future.IsEmpty ? Refusal.NothingToUndo : new GroupsRedone(),
        ConfirmSeats(var through) => through > SeatsThrough && through <= Number ? new SeatsConfirmed(through) : Refusal.ChangedSince,
        MaskNames(var masked) => new NamesMasked(masked),
        SetSight(var others, var teachers) => new SightSet(others, teachers),
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
        if (ChangesPlaces(envelope.Event)) PlacesAsOf = envelope.Number;
        switch (envelope.Event)
        {
            case PeopleExpected(var first, var count):
                for (var number = first; number < first + count; number++) _people[number] = new(number, 0, Standing: Standing.Expected);
                break;
            case PersonJoined(var number): _people[number] = new(number, envelope.Time); break;
            case PersonAsked(var number): _people[number] = new(number, envelope.Time, Standing: Standing.Waiting); break;
            case PersonAdmitted(var number): _people[number] = new(number, envelope.Time); break;
            case PersonTurnedAway(var number): Stand(number, Standing.TurnedAway); break;
            case PersonRemoved(var number):
                Stand(number, Standing.Removed);
                Grouping = Grouping.Without(number);
                break;
            case GroupsSet(var groups): (Grouping, GroupChanges) = (Grouping.With(groups), GroupChanges + 1); break;
            case GroupsUndone: (Grouping, GroupChanges) = (Grouping.Undone(), GroupChanges + 1); break;
            case GroupsRedone: (Grouping, GroupChanges) = (Grouping.Redone(), GroupChanges + 1); break;
            case SeatsConfirmed(var through): SeatsThrough = through; break;
            case NamesMasked(var masked): NamesMasked = masked; break;
            case SightSet(var others, var teachers): (SeesOtherBoards, SeesTeachersBoard) = (others, teachers); break;
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
        if (!_people.TryGetValue(give.Person, out var person) || person.Standing != Standing.In) return Refusal.NotFound;
        if (!actor.IsStaff && actor.Number != give.Person) return Refusal.NotYours;
        if (actor.IsStaff && give.On) return Refusal.NotAllowed;
        return new Decision.Accepted(new SignalGiven(give.Person, give.Signal, give.On), PersonAndStaff(give, actor));
    }

    // A teacher who lowers a hand tells everyone, since the audience of the author would be the teacher alone.
    private static Audience PersonAndStaff(GiveSignal give, Actor actor) =>
        actor.Number == give.Person ? Audience.AuthorAndStaff : Audience.Everyone;

    private Decision Decide(Join join)
    {
        var person = join.Person;
        if (Closed) return Refusal.Closed;
        if (person is { } known && !_people.ContainsKey(known)) return Refusal.NotFound;
        var standing = person is { } number ? _people[number].Standing : Standing.Expected;
        if (standing is Standing.In or Standing.Waiting) return Refusal.Duplicate;
        if (Door == Door.Closed) return Refusal.NotAllowed;
        if (person is null && _people.Count >= MostPeople) return Refusal.Full;

        // Who was sent away comes back only if the teacher lets them in, also by an open door.
        var asks = join.Asks || Door == Door.Ask || standing is Standing.TurnedAway or Standing.Removed;
        return asks ? new Decision.Accepted(new PersonAsked(person ?? NextPerson)) : new PersonJoined(person ?? NextPerson);
    }

    private Refusal? Of(int number, Standing standing) =>
        !_people.TryGetValue(number, out var person) ? Refusal.NotFound : person.Standing == standing ? null : Refusal.ChangedSince;

    private Refusal? WhyNot(SetGroups set)
    {
        if (set.Change != GroupChanges) return Refusal.ChangedSince;
        var numbers = set.Groups.Select(g => g.Number).ToList();
        var people = set.Groups.SelectMany(g => g.People).ToList();
        if (numbers.Count > Grouping.Most || numbers.Exists(n => n < 1 || n > Grouping.Used + Grouping.Most) || numbers.Distinct().Count() < numbers.Count) return Refusal.OutOfRange;
        if (set.Groups.Any(g => g.Name.Trim().Length is 0 or > Group.NameLength)) return Refusal.OutOfRange;
        if (people.Distinct().Count() < people.Count) return Refusal.Duplicate;
        return people.TrueForAll(p => _people.TryGetValue(p, out var person) && person.Belongs) ? null : Refusal.NotFound;
    }

    private void Stand(int number, Standing standing) => _people[number] = _people[number] with { Standing = standing, HandUpAt = null, ReadyAt = null };

    private int NextPerson => _people.Count == 0 ? Actor.Owner.Number + 1 : _people.Keys.Last() + 1;
}
