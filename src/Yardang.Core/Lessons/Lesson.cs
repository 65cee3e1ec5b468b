using System.Collections.Immutable;
using Yardang.Core.Activities;
using Yardang.Core.LateChanges;
using Yardang.Core.Moderation;
using Yardang.Core.Rooms;
using Yardang.Core.Wire;

namespace Yardang.Core.Lessons;

/// <summary>What a snapshot says of a lesson; a student is told less (<see cref="Visibility.Snapshots"/>).</summary>
[Kind((int)RoomKind.Lesson)]
public sealed record LessonSnapshot(
    Door Door, bool PensDown, [OrMinusOne] int? PensConfirmedOn, bool Closed, ImmutableArray<Person> People, bool NamesMasked, bool SeesOtherBoards, bool SeesTeachersBoard, bool SeesOwnPast, bool TakesAlong,
    ImmutableArray<Group> Groups, int GroupsUsed, ImmutableArray<ImmutableArray<Group>> Past, ImmutableArray<ImmutableArray<Group>> Future, int GroupingVersion, long PlacesAsOf,
    long SeatsThrough, ImmutableArray<LateChange> LateChanges, [Inline] LessonTimes Times, bool Waits, bool IsOverdue, ImmutableArray<WorkWaits> Waiting,
    ImmutableArray<int> Parts, ImmutableSortedSet<int> OpenParts, int OpenedLast, ImmutableSortedSet<int> OwnFirstIn, [OrMinusOne] long? CheckInAt, [Inline] NeedsSettings Needs, ImmutableArray<AnsweredNeed> Answered, ImmutableArray<LastVisit> Visits,
    ImmutableArray<Call> Calls, ImmutableArray<QuickQuestion> Questions, Phase? Phase, ImmutableArray<PhasePlan> PhasesBefore, OnScreen Screen, long ScreenSetAt, [Inline] ShowingSnapshot Showing, WordScreening Screening, ImmutableArray<ApprovalIn> Approvals, int HidesAfter) : RoomSnapshot;

/// <summary>An activity being worked on by people: who is in, door, groups, signals, pens.</summary>
public sealed class Lesson : Room
{
    /// <summary>The most who ever came, those who were sent away included.</summary>
    public const int MostEver = 10_000;

    private readonly SortedDictionary<int, Person> _people = [];
    private readonly SortedDictionary<int, LateChange> _changes = [];
    private readonly SortedDictionary<(Guid Board, int Person), WorkWaits> _waiting = [];
    private readonly SortedDictionary<(int Person, NeedKind Kind), AnsweredNeed> _answered = [];
    private readonly SortedDictionary<int, LastVisit> _visits = [];

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
    public int GroupingVersion { get; private set; }

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

    /// <summary>Whether students may look at how their own board came to be.</summary>
    public bool SeesOwnPast { get; private set; }

    /// <summary>Whether students may take their own work along, as a file.</summary>
    public bool TakesAlong { get; private set; }

    /// <summary>When it opens, is due and closes.</summary>
    public LessonTimes Times { get; private set; } = LessonTimes.None;

    /// <summary>Whether it is not open yet.</summary>
    public bool Waits { get; private set; }

    /// <summary>Whether the moment at which the work was due has passed.</summary>
    public bool IsOverdue { get; private set; }

    /// <summary>What was handed out while the lesson ran, by number. Students know of those that have arrived on their screens.</summary>
    public IReadOnlyDictionary<int, LateChange> LateChanges => _changes;

    /// <summary>What waits on the boards for a teacher's decision, also on boards that nobody is on any more.</summary>
    public IEnumerable<WorkWaits> Waiting => _waiting.Values;

    /// <summary>The parts of the activity by their numbers, in order.</summary>
    public ImmutableArray<int> Parts { get; private set; } = [RoomPlace.FirstPart];

    /// <summary>Those that students see. At least one.</summary>
    public ImmutableSortedSet<int> OpenParts { get; private set; } = [RoomPlace.FirstPart];

    /// <summary>The part that the teacher opened last; 0 if none was.</summary>
    public int OpenedLast { get; private set; }

    /// <summary>On the walls of which parts each sees only their own because of the lesson; <see cref="SetOwnFirst.WholeLesson"/> for all.</summary>
    public ImmutableSortedSet<int> OwnFirstIn { get; private set; } = [];

    /// <summary>Since when everybody is asked how it is going, server time in ms; null if they are not.</summary>
    public long? CheckInAt { get; private set; }

    /// <summary>What is looked for in what students write.</summary>
    public WordScreening Screening { get; private set; } = WordScreening.Usual;

    /// <summary>What looks for it; null for nothing.</summary>
    public WordScreen? WordScreen { get; private set; } = WordScreen.For(WordScreening.Usual);

    /// <summary>Whose work a teacher looks at before others see it, by part.</summary>
    public ImmutableSortedDictionary<int, Approval> Approvals { get; private set; } = ImmutableSortedDictionary<int, Approval>.Empty;

    /// <summary>After how many concerns what they are about hides itself until a teacher has looked; 0: it never does.</summary>
    public int HidesAfter { get; private set; }

    /// <summary>What is listed by itself among those who need the teacher.</summary>
    public NeedsSettings Needs { get; private set; } = NeedsSettings.Usual;

    /// <summary>What became of needs.</summary>
    public IReadOnlyDictionary<(int Person, NeedKind Kind), AnsweredNeed> Answered => _answered;

    /// <summary>When a teacher last opened whose work, by actor number.</summary>
    public IReadOnlyDictionary<int, LastVisit> Visits => _visits;

    /// <summary>What teachers said to the class, or to some of it.</summary>
    public Calls Calls { get; } = new();

    /// <summary>The phase that goes on.</summary>
    public Phases Phases { get; } = new();

    /// <summary>Which boards are private until they are shown, and which are shown.</summary>
    public Showing Showing { get; } = new();

    /// <summary>What the big screen shows.</summary>
    public OnScreen Screen { get; private set; } = OnScreen.Nothing;

    /// <summary>Since when, server time in ms; 0 if nothing was ever put there.</summary>
    public long ScreenSetAt { get; private set; }

    /// <summary>What the class was asked lately.</summary>
    public QuickQuestions Questions { get; } = new();

    /// <summary>The part in which students begin, and who comes back goes on: the one that was opened last, else the first that is open.</summary>
    public int CurrentPart => OpenParts.Contains(OpenedLast) ? OpenedLast : Parts.First(OpenParts.Contains);

    /// <summary>What this lesson allows its students now.</summary>
    public Allowed Allowed => new(PensDown, Closed, Waits);

    /// <summary>Whether writing is what the class does now: not while it talks or chooses, nor when its time is over.</summary>
    /// <param name="time">Server time, ms.</param>
    public bool IsWriting(long time) => Allowed.StudentsMayWrite && (Phases.Now?.Plan.Kind is not PhaseKind.Talk && Phases.Now?.Plan.Closes().HasFlag(StudentActs.Write) != true) && !(Phases.Now is { Plan.EndsItself: true, EndsAt: { } end } && end <= time);

    // Whose pens are down besides, by actor number, and until when.
    private ImmutableSortedDictionary<int, long> Held => _people.Values.Where(p => p.PensDownUntil is not null).ToImmutableSortedDictionary(p => p.Number, p => p.PensDownUntil!.Value);

    /// <summary>What it allows in one of its rooms now.</summary>
    public Allowed AllowedIn(RoomPlace place)
    {
        var isThinking = Phases.Now?.Plan.Kind == PhaseKind.Think;
        var allowed = Allowed with { OwnFirst = isThinking || OwnFirstIn.Contains(SetOwnFirst.WholeLesson) || OwnFirstIn.Contains(place.Part), Held = Held, Screen = WordScreen, Approval = place.Whose is Whose.Together or Whose.Group ? Approvals.GetValueOrDefault(place.Part) : null };
        if (!OpenParts.Contains(place.Part)) allowed = allowed with { Waits = true };
        var timed = Phases.Now is { Plan.EndsItself: true } now ? now : null;
        return place.Whose == Whose.Teacher ? allowed with { PensDown = false } : allowed with { Withheld = Phases.Now?.Plan.Closes() ?? StudentActs.None, Ends = timed?.EndsAt, EndsFor = timed?.Longer.ToImmutableSortedDictionary(l => l.Person, l => l.Until) };
    }

    /// <summary>Whether an event changes who may be where. (Who comes in by the door is seated as they come.)</summary>
    public static bool ChangesPlaces(RoomEvent happened) =>
        happened is GroupsSet or GroupsUndone or GroupsRedone or PersonAdmitted or PersonTurnedAway or PersonRemoved or SentAway or SightSet or PartsPlanned or PartSet or PhaseBegun or PhaseResumed or PhaseEnded or PrivacySet or WorkShown or BoardsUp;

    /// <inheritdoc/>
    protected override Decision DecideCommand(Submission submission, Actor actor, Situation situation) => submission.Command switch
    {
        OpenLesson or ExpectPeople or NoteNames or Join or ConfirmPens or ConfirmSeats or HandOutLateChange or TakeLateChangeBack or AnnounceMoment or NoteWaiting or BringPerson or PlanParts when actor.Role != Role.Program => Refusal.NotAllowed,
        ConfirmLateChange(var number) => Confirm(number, actor),
        GiveReport(var report) => Decide(report, actor),
        ConfirmCall confirm => Calls.Decide(confirm, actor, _people, IsThere),
        GiveReply reply => Closed ? Refusal.Closed : Questions.Decide(reply, actor, _people),
        ShowWork show => Closed ? Refusal.Closed : Showing.Decide(show, actor, _people, Parts),
        HandIn or TakeWorkBack => Decide(submission.Command is HandIn, actor),
        not GiveSignal when !actor.IsStaff => Refusal.NotAllowed,
        OpenLesson => Number == 0 ? new LessonOpened() : Refusal.Duplicate,
        ExpectPeople(var count) => count is > 0 and <= Limits.People && Present + count <= Limits.People ? new Decision.Accepted(new PeopleExpected(NextPerson, count), Audience.Staff) : Refusal.Full,
        NoteNames => new NamesCorrected(),
        Join join => Decide(join),
        BringPerson(var joinedAt, var handedInAt) => Present >= Limits.People ? Refusal.Full : new Decision.Accepted(new PersonBrought(NextPerson, joinedAt, handedInAt), Audience.NamedAndStaff),
        AdmitPerson(var person) => LetIn(person),
        TurnAway(var person) => Of(person, Standing.Waiting) is { } why ? why : new Decision.Accepted(new PersonTurnedAway(person), Audience.NamedAndStaff),
        RemovePerson(var person) => Of(person, Standing.In) is { } why ? why : new Decision.Accepted(new PersonRemoved(person), AudienceOfLeaving([person])),
        SendAway(var people) => Decide(people),
        SetGroups set => WhyNot(set) is { } why ? why : new GroupsSet(set.Groups),
        UndoGroups => Grouping.Past.IsEmpty ? Refusal.NothingToUndo : new GroupsUndone(Grouping.Past[^1]),
        RedoGroups => Grouping.Future.IsEmpty ? Refusal.NothingToUndo : new GroupsRedone(Grouping.Future[^1]),
        ConfirmSeats(var through) => through > SeatsThrough && through <= Number ? new SeatsConfirmed(through) : Refusal.ChangedSince,
        NoteWaiting(var board, var person, var count) => (_waiting.GetValueOrDefault((board, person))?.Count ?? 0) == count
            ? Refusal.ChangedSince
            : new Decision.Accepted(new WorkWaits(board, person, count), Audience.Staff),
        HandOutLateChange handOut => Decide(handOut),
        TakeLateChangeBack(var number) => !_changes.TryGetValue(number, out var change) ? Refusal.NotFound
            : change.TakenBack ? Refusal.NothingToUndo
            : new Decision.Accepted(new LateChangeTakenBack(number), Audience.Staff),
        MaskNames(var masked) => new NamesMasked(masked),
        SetSight(var others, var teachers, var past, var along) => new SightSet(others, teachers, past, along),
        SetTimes(var times) => times.IsInOrder ? new TimesSet(times) : Refusal.OutOfRange,
        AnnounceMoment(Moment.Opens) => Waits && Times.OpensAt <= situation.Time ? new MomentCame(Moment.Opens) : Refusal.ChangedSince,
        AnnounceMoment(Moment.Due) => Times.DueAt <= situation.Time && !IsOverdue ? new MomentCame(Moment.Due) : Refusal.ChangedSince,
        PlanParts plan => Decide(plan),
        SetPart set => Decide(set),
        SetOwnFirst(var part, var on) => part != SetOwnFirst.WholeLesson && !Parts.Contains(part) ? Refusal.NotFound : OwnFirstIn.Contains(part) == on ? Refusal.ChangedSince : new OwnFirstSet(part, on),
        SetPrivacy or CallBoardsUp => Showing.Decide(submission.Command, actor, _people, Parts),
        SetDoor(var door) => Enum.IsDefined(door) ? new Decision.Accepted(new DoorSet(door), Audience.Staff) : Refusal.OutOfRange,
        SetPens(var down) => Closed ? Refusal.Closed : new PensSet(down),
        ConfirmPens(var down, var boards) => down == PensDown ? new PensConfirmed(down, boards) : Refusal.ChangedSince,
        CloseLesson => Closed ? Refusal.Closed : new LessonClosed(),
        ReopenLesson => Closed ? new LessonReopened() : Refusal.ChangedSince,
        GiveSignal give => Decide(give, actor),
        LowerHands => _people.Values.Any(p => p.HandUpAt is not null) ? new HandsLowered() : Refusal.ChangedSince,
        AskCheckIn(var on) => Closed ? Refusal.Closed : on || CheckInAt is not null ? new CheckInAsked(on) : Refusal.ChangedSince,
        CallClass or LeadOn or PoseQuestion when Closed => Refusal.Closed,
        CallClass or LeadOn or EndCall => Calls.Decide(submission.Command, actor, _people, IsThere),
        PoseQuestion or CloseQuestion => Questions.Decide(submission.Command, actor, _people),
        ShowOnScreen(var shown) => shown.IsSound() ? new Decision.Accepted(new ScreenSet(shown), Audience.Staff) : Refusal.OutOfRange,
        BeginPhase or GiveTime when Closed => Refusal.Closed,
        BeginPhase or GiveTime or EndPhase => Phases.Decide(submission.Command, _people, Parts, situation.Time),
        HoldPens hold => Closed ? Refusal.Closed : hold.Decide(_people, situation.Time),
        VisitWork(var person) => _people.ContainsKey(person) ? new Decision.Accepted(new WorkVisited(person), Audience.NamedAndStaff) : Refusal.NotFound,
        SetWordScreen(var screening) => screening.IsSound() ? new Decision.Accepted(new WordScreenSet(screening), Audience.Staff) : Refusal.OutOfRange,
        SetHiding(var after) => after is >= 0 and <= SetHiding.Most ? new Decision.Accepted(new HidingSet(after), Audience.Staff) : Refusal.OutOfRange,
        SetApproval(var part, var approval) => !Parts.Contains(part) ? Refusal.NotFound : !approval.IsSound() || approval.People.Any(p => !_people.ContainsKey(p)) ? Refusal.OutOfRange : new Decision.Accepted(new ApprovalSet(part, approval), Audience.Staff),
        SetNeeds(var settings) => settings.AreSound() ? new Decision.Accepted(new NeedsSet(settings), Audience.Staff) : Refusal.OutOfRange,
        AnswerNeed(var person, var kind, var minutes) => !Enum.IsDefined(kind) || minutes is < 0 or > AnswerNeed.Most ? Refusal.OutOfRange
            : _people.ContainsKey(person) ? new Decision.Accepted(new NeedAnswered(person, kind, minutes), Audience.Staff) : Refusal.NotFound,
        _ => Refusal.NotAllowed,
    };

    /// <inheritdoc/>
    protected override void RestoreState(RoomSnapshot snapshot)
    {
        var s = (LessonSnapshot)snapshot;
        (Door, PensDown, PensConfirmedOn, Closed) = (s.Door, s.PensDown, s.PensConfirmedOn, s.Closed);
        (NamesMasked, SeesOtherBoards, SeesTeachersBoard, SeesOwnPast, TakesAlong) = (s.NamesMasked, s.SeesOtherBoards, s.SeesTeachersBoard, s.SeesOwnPast, s.TakesAlong);
        (Grouping, GroupingVersion) = (new Grouping(s.Groups, s.Past, s.Future, s.GroupsUsed), s.GroupingVersion);
        (PlacesAsOf, SeatsThrough, Times, Waits, IsOverdue) = (s.PlacesAsOf, s.SeatsThrough, s.Times, s.Waits, s.IsOverdue);
        (Parts, OpenParts, OpenedLast, OwnFirstIn) = (s.Parts, s.OpenParts, s.OpenedLast, s.OwnFirstIn);
        foreach (var person in s.People) _people[person.Number] = person;
        foreach (var change in s.LateChanges) _changes[change.Number] = change;
        (CheckInAt, Needs) = (s.CheckInAt, s.Needs);
        foreach (var answered in s.Answered) _answered[(answered.Person, answered.Kind)] = answered;
        foreach (var visit in s.Visits) _visits[visit.Person] = visit;
        Calls.Restore(s.Calls);
        Questions.Restore(s.Questions);
        Phases.Restore(s.Phase, s.PhasesBefore);
        (Screen, ScreenSetAt) = (s.Screen, s.ScreenSetAt);
        Showing.Restore(s.Showing);
        HidesAfter = s.HidesAfter;
        Approvals = s.Approvals.ToImmutableSortedDictionary(a => a.Part, a => a.Approval);
        LookFor(s.Screening);
        foreach (var work in s.Waiting) _waiting[(work.Board, work.Person)] = work;
    }

    /// <inheritdoc/>
    protected override void ApplyEvent(Envelope envelope)
    {
        if (ChangesPlaces(envelope.Event)) PlacesAsOf = envelope.Number;
        switch (envelope.Event)
        {
            case PeopleExpected(var first, var count):
                for (var number = first; number < first + count; number++) _people[number] = new(number, 0, Standing: Standing.Expected, IsListed: true);
                break;
            case PersonJoined(var number): Come(number, Standing.In, envelope.Time); break;
            case PersonBrought(var number, var joinedAt, var handedInAt): _people[number] = new(number, joinedAt, HandedInAt: handedInAt); break;
            case PersonAsked(var number): Come(number, Standing.Waiting, envelope.Time); break;
            case PersonAdmitted(var number): Come(number, Standing.In, envelope.Time); break;
            case PersonTurnedAway(var number): Stand(number, Standing.TurnedAway); break;
            case PersonRemoved(var number): Leave(number); break;
            case SentAway(var people):
                Door = Door.Closed;
                foreach (var number in people) Leave(number);
                break;
            case GroupsSet(var groups): Regroup(Grouping.With(groups)); break;
            case GroupsUndone(var groups): Regroup(Grouping.Undone(groups)); break;
            case GroupsRedone(var groups): Regroup(Grouping.Redone(groups)); break;
            case SeatsConfirmed(var through): SeatsThrough = through; break;
            case LateChangeHandedOut(var number, var content, var groups, var people):
                _changes[number] = new(number, content, envelope.Time, groups, people, []);
                break;
            case LateChangeTakenBack(var number): _changes[number] = _changes[number] with { TakenBack = true }; break;
            case LateChangeReceived(var by, var number):
                // A student's copy of the lesson knows of no other changes than these.
                var received = _changes.GetValueOrDefault(number) ?? new LateChange(number, Guid.Empty, envelope.Time, [], [], []);
                _changes[number] = received with { Received = received.Received.Add(by) };
                break;
            case TimesSet(var times):
                (Times, Waits, IsOverdue) = (times, times.OpensAt > envelope.Time, times.DueAt <= envelope.Time);
                break;
            case MomentCame(Moment.Opens): Waits = false; break;
            case MomentCame(Moment.Due): IsOverdue = true; break;
            case WorkHandedIn(var people): HandedIn(people, envelope.Time); break;
            case WorkTakenBack(var people): HandedIn(people, null); break;
            case NamesMasked(var masked): NamesMasked = masked; break;
            case SightSet(var others, var teachers, var past, var along): (SeesOtherBoards, SeesTeachersBoard, SeesOwnPast, TakesAlong) = (others, teachers, past, along); break;
            case WorkWaits { Count: 0 } done: _waiting.Remove((done.Board, done.Person)); break;
            case WorkWaits work: _waiting[(work.Board, work.Person)] = work; break;
            case PartsPlanned(var parts, var open): (Parts, OpenParts) = (parts, open); break;
            case PartSet(var part, true): (OpenParts, OpenedLast) = (OpenParts.Add(part), part); break;
            case PartSet(var part, false): OpenParts = OpenParts.Remove(part); break;
            case OwnFirstSet(var part, var on): OwnFirstIn = on ? OwnFirstIn.Add(part) : OwnFirstIn.Remove(part); break;
            case PrivacySet or WorkShown or BoardsUp: Showing.Apply(envelope.Event); break;
            case DoorSet(var door): Door = door; break;
            case PensSet(var down): (PensDown, PensConfirmedOn) = (down, null); break;
            case PensConfirmed(_, var boards): PensConfirmedOn = boards; break;
            case LessonClosed: Closed = true; break;
            case LessonReopened:
                Closed = false;
                if (Times.ClosesAt <= envelope.Time) Times = Times with { ClosesAt = null };
                break;
            case SignalGiven given: Change(given.Person, p => p.Signalling(given, envelope.Time)); break;
            case HandsLowered:
                foreach (var number in _people.Keys.ToList()) Change(number, p => p with { HandUpAt = null, Reason = HandReason.None, Words = "" });
                break;
            case ReportGiven(var number, var report): Change(number, p => p with { Report = report, ReportAt = report == Report.None ? null : envelope.Time }); break;
            case CheckInAsked(var on):
                CheckInAt = on ? envelope.Time : null;
                if (!on) break;
                foreach (var number in _people.Keys.ToList()) Change(number, p => p with { Report = Report.None, ReportAt = null });
                break;
            case PensHeld(var held, var down, var until, var why):
                foreach (var number in held) Change(number, p => p with { PensDownUntil = down ? until : null, HeldWhy = down ? why : "" });
                break;
            case ClassCalled or LedOn or CallEnded or CallConfirmed: Calls.Apply(envelope.Event, envelope.Actor, envelope.Time); break;
            case PhaseBegun or PhaseResumed:
                if (Phases.PartOpenedBy(envelope.Event) is > 0 and var opened) (OpenParts, OpenedLast) = (OpenParts.Add(opened), opened);
                Phases.Apply(envelope.Event, envelope.Time);
                break;
            case ScreenSet(var shown): (Screen, ScreenSetAt) = (shown, envelope.Time); break;
            case PhaseEnded or TimeGiven: Phases.Apply(envelope.Event, envelope.Time); break;
            case QuestionPosed or QuestionClosed or ReplyGiven: Questions.Apply(envelope.Event, envelope.Time); break;
            case WorkVisited(var number):
                Change(number, p => p.SeenTo());
                _visits[number] = new(number, envelope.Time);
                break;
            case NeedsSet(var settings): Needs = settings; break;
            case WordScreenSet(var screening): LookFor(screening); break;
            case HidingSet(var after): HidesAfter = after; break;
            case ApprovalSet(var part, var approval): Approvals = approval.When == ApprovalWhen.Never ? Approvals.Remove(part) : Approvals.SetItem(part, approval); break;
            case NeedAnswered(var number, var kind, var minutes):
                _answered[(number, kind)] = new(number, kind, envelope.Time, minutes == 0 ? null : envelope.Time + (minutes * 60_000L));
                break;
        }
    }

    private void LookFor(WordScreening screening) => (Screening, WordScreen) = (screening, WordScreen.For(screening));

    private void Regroup(Grouping now)
    {
        Showing.Regroup(Grouping, now);
        (Grouping, GroupingVersion) = (now, GroupingVersion + 1);
    }

    private Decision Decide(GiveSignal give, Actor actor)
    {
        if (Closed) return Refusal.Closed;
        if (!Enum.IsDefined(give.Signal) || !Enum.IsDefined(give.Reason)) return Refusal.OutOfRange;
        if ((give.Reason != HandReason.None || give.Words.Length > 0) && (!give.On || give.Signal != Signal.HandUp || !IsReason(give.Words))) return Refusal.OutOfRange;
        if (!_people.TryGetValue(give.Person, out var person) || person.Standing != Standing.In) return Refusal.NotFound;
        if (!actor.IsStaff && actor.Number != give.Person) return Refusal.NotYours;
        if (actor.IsStaff && give.On) return Refusal.NotAllowed;
        return new Decision.Accepted(new SignalGiven(give.Person, give.Signal, give.On, give.Reason, give.Words.Trim()), Audience.NamedAndStaff);
    }

    private static bool IsReason(string words) => words.Length <= GiveSignal.WordsLength && !words.Any(char.IsControl);

    private Decision Decide(Report report, Actor actor)
    {
        if (Closed) return Refusal.Closed;
        if (actor.IsStaff) return Refusal.NotAllowed;
        if (!Enum.IsDefined(report)) return Refusal.OutOfRange;
        if (!_people.TryGetValue(actor.Number, out var person) || person.Standing != Standing.In) return Refusal.NotFound;
        return person.Report == report ? Refusal.ChangedSince : new Decision.Accepted(new ReportGiven(actor.Number, report), Audience.NamedAndStaff);
    }

    private Decision Decide(HandOutLateChange handOut)
    {
        if (Closed) return Refusal.Closed;
        if (_changes.Count >= LateChange.Most) return Refusal.Full;
        if (!handOut.Groups.All(g => Grouping.Now.Any(known => known.Number == g))) return Refusal.NotFound;
        if (!handOut.People.All(p => _people.TryGetValue(p, out var person) && person.Belongs)) return Refusal.NotFound;
        return new Decision.Accepted(new LateChangeHandedOut(_changes.Count + 1, handOut.Content, handOut.Groups, handOut.People), Audience.Staff);
    }

    private Decision Decide(PlanParts plan)
    {
        if (Parts is not [RoomPlace.FirstPart]) return Refusal.ChangedSince;
        var isFit = plan.Parts.Length is > 0 and <= Part.Most && plan.Parts.Distinct().Count() == plan.Parts.Length && plan.Parts.All(p => p is >= RoomPlace.FirstPart and <= RoomPlace.LastPart);
        return isFit ? new PartsPlanned(plan.Parts, plan.OneByOne ? [plan.Parts[0]] : [.. plan.Parts]) : Refusal.OutOfRange;
    }

    // There is always somewhere to be.
    private Decision Decide(SetPart set)
    {
        if (Closed) return Refusal.Closed;
        if (!Parts.Contains(set.Part)) return Refusal.NotFound;
        if (OpenParts.Contains(set.Part) == set.Open) return Refusal.ChangedSince;
        return set.Open || OpenParts.Count > 1 ? new PartSet(set.Part, set.Open) : Refusal.NotAllowed;
    }

    // What is handed in is marked, and stays where it is: there is nothing to send back.
    private Decision Decide(bool handsIn, Actor actor)
    {
        if (Closed) return Refusal.Closed;
        if (actor.IsStaff || Waits || !Times.HandsIn) return Refusal.NotAllowed;
        if (!_people.TryGetValue(actor.Number, out var person) || person.Standing != Standing.In) return Refusal.NotFound;
        if (person.HandedInAt is not null == handsIn) return Refusal.ChangedSince;
        if (!handsIn && IsOverdue) return Refusal.NotAllowed;
        ImmutableArray<int> people = Grouping.Of(actor.Number)?.People ?? [actor.Number];
        return new Decision.Accepted(handsIn ? new WorkHandedIn(people) : new WorkTakenBack(people), Audience.NamedAndStaff);
    }

    private void HandedIn(ImmutableArray<int> people, long? at)
    {
        foreach (var number in people.Where(_people.ContainsKey)) _people[number] = _people[number] with { HandedInAt = at };
    }

    private Decision Confirm(int number, Actor actor)
    {
        if (actor.IsStaff || !_people.ContainsKey(actor.Number)) return Refusal.NotAllowed;
        if (!_changes.TryGetValue(number, out var change)) return Refusal.NotFound;
        return change.Received.Contains(actor.Number) ? Refusal.Duplicate : new Decision.Accepted(new LateChangeReceived(actor.Number, number), Audience.AuthorAndStaff);
    }

    private Decision Decide(Join join)
    {
        var person = join.Person;
        if (Closed) return Refusal.Closed;
        if (person is { } known && !_people.ContainsKey(known)) return Refusal.NotFound;
        var standing = person is { } number ? _people[number].Standing : Standing.Expected;
        if (standing is Standing.In or Standing.Waiting) return Refusal.Duplicate;
        if (Door == Door.Closed) return Refusal.NotAllowed;
        if (standing is not Standing.Expected && Present >= Limits.People) return Refusal.Full;
        if (person is null && (Present >= Limits.People || _people.Count >= MostEver)) return Refusal.Full;

        // Who was sent away comes back only if the teacher lets them in, also by an open door.
        var asks = join.Asks || Door == Door.Ask || standing is Standing.TurnedAway or Standing.Removed;
        return new Decision.Accepted(asks ? new PersonAsked(person ?? NextPerson) : new PersonJoined(person ?? NextPerson), Audience.NamedAndStaff);
    }

    private Decision LetIn(int person)
    {
        if (Of(person, Standing.Waiting, Standing.TurnedAway, Standing.Removed) is { } why) return why;
        var isNew = _people[person].Standing != Standing.Waiting;
        return isNew && Present >= Limits.People ? Refusal.Full : new Decision.Accepted(new PersonAdmitted(person), Audience.NamedAndStaff);
    }

    // What stands on pages and walls the lesson does not know; who is called to what is not there stays where they are.
    private bool IsThere(Spot spot) => spot.IsSound() && Parts.Contains(spot.Part);

    private Refusal? Of(int number, params ReadOnlySpan<Standing> standings) =>
        !_people.TryGetValue(number, out var person) ? Refusal.NotFound : standings.Contains(person.Standing) ? null : Refusal.ChangedSince;

    private Refusal? WhyNot(SetGroups set)
    {
        if (set.Version != GroupingVersion) return Refusal.ChangedSince;
        var numbers = set.Groups.Select(g => g.Number).ToList();
        var people = set.Groups.SelectMany(g => g.People).ToList();
        if (numbers.Count > Grouping.Most || numbers.Exists(n => n < 1 || n > Grouping.Used + Grouping.Most) || numbers.Distinct().Count() < numbers.Count) return Refusal.OutOfRange;
        if (set.Groups.Any(g => g.Helper < 0 || g.Name.Trim().Length is 0 or > Group.NameLength)) return Refusal.OutOfRange;
        if (people.Distinct().Count() < people.Count) return Refusal.Duplicate;
        return people.TrueForAll(p => _people.TryGetValue(p, out var person) && person.Belongs) ? null : Refusal.NotFound;
    }

    // Only those who are not on the class list, and only all or none: a list that is out of date must not put out whom it did not mean.
    private Decision Decide(ImmutableArray<int> people)
    {
        if (people.IsEmpty || people.Length > MostEver || people.Distinct().Count() < people.Length) return Refusal.OutOfRange;
        if (!people.All(p => _people.TryGetValue(p, out var person) && !person.IsListed && person.Standing is Standing.In or Standing.Waiting)) return Refusal.ChangedSince;
        return new Decision.Accepted(new SentAway(people), AudienceOfLeaving(people));
    }

    // Who was in a group is missing there for everybody.
    private Audience AudienceOfLeaving(ImmutableArray<int> people) =>
        people.Any(p => Grouping.Of(p) is not null) ? Audience.Everyone : Audience.NamedAndStaff;

    private void Come(int number, Standing standing, long time) =>
        _people[number] = new(number, time, Standing: standing, IsListed: _people.TryGetValue(number, out var known) && known.IsListed);

    private void Leave(int number)
    {
        Stand(number, _people.TryGetValue(number, out var person) && person.Standing == Standing.Waiting ? Standing.TurnedAway : Standing.Removed);
        Grouping = Grouping.Without(number);
    }

    // A student's copy of the lesson knows of nobody but them.
    private void Stand(int number, Standing standing)
    {
        Change(number, person => person.SeenTo() with { Standing = standing, Report = Report.None, ReportAt = null, PensDownUntil = null, HeldWhy = "" });
    }

    private void Change(int number, Func<Person, Person> change)
    {
        if (_people.TryGetValue(number, out var person)) _people[number] = change(person);
    }

    private int Present => _people.Values.Count(p => p.Standing is Standing.In or Standing.Waiting or Standing.Expected);

    private int NextPerson => _people.Count == 0 ? Actor.Owner.Number + 1 : _people.Keys.Last() + 1;
}
