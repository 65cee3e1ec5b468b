using System.Collections.Immutable;
using Yardang.Core.Activities;
using Yardang.Core.Editing;
using Yardang.Core.Judges;
using Yardang.Core.LateChanges;
using Yardang.Core.Marks;
using Yardang.Core.Pages;
using Yardang.Core.Rooms;
using Yardang.Core.Threads;
using Yardang.Core.Walls;
using Yardang.Core.Wire;

namespace Yardang.Core.Boards;

/// <summary>The program puts work from an archive on a new board.</summary>
/// <param name="Content">What stands on it.</param>
/// <param name="ChangedAt">When a student last changed it, ms; null if none did.</param>
/// <param name="Said">What was said to its marks; null for nothing.</param>
/// <param name="Results">What all said of them, in numbers; null for nothing.</param>
public sealed record BringWork(ActivityContent Content, long? ChangedAt = null, ImmutableArray<MarkThread>? Said = null, ImmutableArray<CardResult>? Results = null) : Command;

/// <summary>Work from an archive stands on the board.</summary>
/// <param name="Content">What stands on it.</param>
/// <param name="ChangedAt">When a student last changed it, ms; null if none did.</param>
/// <param name="Said">What was said to its marks; null for nothing.</param>
/// <param name="Results">What all said of them, in numbers; null for nothing.</param>
[Kind(19)]
public sealed record WorkBrought(ActivityContent Content, [Since(2)] long? ChangedAt = null, [Since(3), NullIsEmpty] ImmutableArray<MarkThread>? Said = null, [Since(3), NullIsEmpty] ImmutableArray<CardResult>? Results = null) : RoomEvent;

/// <summary>What a snapshot says of a board.</summary>
/// <param name="Sheets">The pages with all marks.</param>
/// <param name="SetAside">Work waiting for the teacher's decision.</param>
/// <param name="LastActivity">When a student last changed something here, server time in ms; null if none has.</param>
/// <param name="Adopted">The late changes that it was given.</param>
/// <param name="Acts">What each student did last here; told to teachers.</param>
/// <param name="Said">What is said to its marks.</param>
/// <param name="Judging">How they are judged.</param>
/// <param name="Concerns">What students told their teacher of; to a student, what they did.</param>
[Kind((int)RoomKind.Board)]
public sealed record BoardSnapshot(SheetsSnapshot Sheets, ImmutableArray<LateWork> SetAside, [OrMinusOne] long? LastActivity, ImmutableArray<Adopted> Adopted, ImmutableArray<LastAct> Acts, ImmutableArray<MarkThread> Said, MarkJudgingState Judging, ImmutableArray<Concern> Concerns) : RoomSnapshot;

/// <summary>One working copy of a board activity: what was done over the version that was handed out.</summary>
public sealed class Board(ActivityContent version) : Room, IWorkRoom
{
    private readonly SortedDictionary<long, LateWork> _setAside = [];
    private readonly SortedDictionary<int, Adopted> _adopted = [];
    private readonly SortedDictionary<int, LastAct> _acts = [];

    /// <inheritdoc/>
    public override RoomKind Kind => RoomKind.Board;

    /// <summary>The pages with all marks.</summary>
    public Sheets Sheets { get; } = new(version);

    /// <summary>What is said to its marks.</summary>
    public MarkTalk Talk { get; } = new();

    /// <summary>What students say of them.</summary>
    public MarkChoice Choice { get; } = new();

    /// <inheritdoc/>
    public Concerns Concerns { get; } = new();

    /// <summary>Work waiting for the teacher's decision, by the number of its event.</summary>
    public IReadOnlyDictionary<long, LateWork> SetAside => _setAside;

    /// <inheritdoc/>
    public IEnumerable<int> Writers => Sheets.Marks.Values.Where(m => !m.ByStaff).Select(m => m.Author).Concat(Talk.All.SelectMany(t => t.Answers).Where(a => !a.ByStaff).Select(a => a.Author));

    /// <summary>The late changes of the lesson that this board was given, by their numbers.</summary>
    public IReadOnlyDictionary<int, Adopted> Adopted => _adopted;

    /// <summary>What each student did last here, by actor number.</summary>
    public IReadOnlyDictionary<int, LastAct> Acts => _acts;

    /// <summary>When a student last changed something here, server time in ms; null if none has. To come in is none, and what was set aside is not here.</summary>
    public long? LastActivity { get; private set; }

    /// <inheritdoc/>
    protected override Decision DecideCommand(Submission submission, Actor actor, Situation situation)
    {
        if (actor.IsStaff || situation.Allowed.Screen is not { } screen) return DecideHere(submission, actor, situation, waits: false);
        var screened = BoardWords.Screened(submission.Command, screen);
        return screened.IsRefused || (screened.Waits && submission.Command is JudgeCard) ? Refusal.Words : DecideHere(submission with { Command = screened.Command }, actor, situation, screened.Waits);
    }

    private Decision DecideHere(Submission submission, Actor actor, Situation situation, bool waits)
    {
        switch (submission.Command)
        {
            case BringWork(var content, var changedAt, var said, var results):
                return actor.Role != Role.Program || Number > 0 ? Refusal.NotAllowed : ContentRules.FaultIn(content) is null && MarkThread.AreSound(said ?? []) && CardResult.AreSound(results ?? []) ? new WorkBrought(AnswerKey.Without(content), changedAt, said, results) : Refusal.OutOfRange;
            case AdoptLateChange adopt:
                return actor.Role != Role.Program || submission.Gesture != adopt.Number ? Refusal.NotAllowed
                    : _adopted.ContainsKey(adopt.Number) ? Refusal.Duplicate
                    : Sheets.Marks.Count + adopt.Change.Activity.Marks.Length > Limits.Marks || Sheets.PageCount + adopt.Change.Pages.Length > Limits.Pages ? Refusal.Full
                    : ContentRules.FaultInPart(adopt.Change.Activity) is not null ? Refusal.OutOfRange
                    : Adoption.Adopt(Sheets, adopt);
            case GiveUpLateChange(var given):
                return actor.Role != Role.Program ? Refusal.NotAllowed
                    : _adopted.GetValueOrDefault(given) is not { GivenUp: false } ? Refusal.NothingToUndo
                    : Sheets.Journal.Find(given) is { } gesture ? Adoption.GiveUp(Sheets, gesture) : new GestureUndone(given, [], []);
            case SetKey(var key):
                if (actor.Role != Role.Program) return Refusal.NotAllowed;
                var fitting = key.FitTo(Sheets);
                return fitting.IsSameAs(AnswerKey.On(Sheets)) ? Refusal.Duplicate : new Decision.Accepted(new KeySet(fitting), Audience.Staff);
            case LockPage lockPage:
                return PageLocks.Decide(lockPage, actor, Sheets);
            case SetMarkJudging or JudgeCard or ShowResults or GoOnJudging or LeaveOutJudge:
                return Choice.Decide(submission.Command, actor, situation.Lets(StudentActs.Judge, actor), Sheets);
            case RaiseConcern or SettleConcerns:
                return Concerns.Decide(submission.Command, actor, (about, answer) => MayTellOf(about, answer, actor));
            case DiscardLateWork(var own, _) when IsTakenBack(own, actor):
                return new Decision.Accepted(new LateWorkDiscarded(own, actor.Number), Audience.NamedAndStaff);
            case AcceptLateWork or DiscardLateWork or ReturnWork when !actor.IsStaff:
                return Refusal.NotAllowed;
            case AcceptLateWork(var number):
                if (!_setAside.TryGetValue(number, out var late)) return Refusal.NotFound;
                var outcome = Outcome(late, situation);
                return new Decision.Accepted(new LateWorkAccepted(number, outcome, late.Actor.Number, late.Gesture), outcome is null ? Audience.NamedAndStaff : Audience.Everyone);
            case DiscardLateWork(var number, var why):
                return LateWork.LeaveOff(_setAside.GetValueOrDefault(number), why);
            case TakeUpAgain again:
                return LateWork.Again(again, actor, _setAside, Number);
            case ReturnWork(var number, var words):
                return LateWork.Return(_setAside.GetValueOrDefault(number), words);
        }

        // Work that rests on set-aside work has to wait with it, so it is not judged now.
        if (!actor.IsStaff && (actor.HasLeft || !situation.Lets(ActOf(submission.Command), actor))) return SettingAside(submission, actor, WhySetAside.Late);
        if (!actor.IsStaff && PageLocks.TouchesLocked(submission.Command, Sheets)) return SettingAside(submission, actor, WhySetAside.Locked);
        if (waits) return SettingAside(submission, actor, WhySetAside.Words);
        if (BoardWords.SaysSomething(submission.Command) && situation.AsksForApproval(actor)) return SettingAside(submission, actor, WhySetAside.Approval);
        var decision = Decide(submission.Command, actor, submission.Client, situation);

        // What rests on work that waits waits with it.
        return decision is Decision.Refused && !actor.IsStaff && _setAside.Values.Any(w => w.Actor.Number == actor.Number) && SettingAside(submission, actor, WhySetAside.Rests) is Decision.Accepted waiting ? waiting : decision;
    }

    // Of what a classmate put there, or says to it.
    private bool MayTellOf(long about, long answer, Actor actor) => Sheets.Marks.TryGetValue(about, out var mark) && mark is { Stands: true, Grip: not Grip.Key } && Sheets.FindPage(mark.Page) is { Erased: false }
        && (answer == 0 ? !mark.ByStaff && mark.Author != actor.Number : Threads.Talk.Find(Talk.About(about), answer) is { IsUp: true, ByStaff: false } said && said.Author != actor.Number);

    // Whoever wrote what waits can take it back, to put it otherwise.
    private bool IsTakenBack(long number, Actor actor) => !actor.IsStaff && !actor.HasLeft && _setAside.GetValueOrDefault(number)?.Actor.Number == actor.Number;

    private Decision SettingAside(Submission submission, Actor actor, WhySetAside why) =>
        WhyNotSetAside(submission, actor) is { } refusal ? refusal : new Decision.Accepted(new WorkSetAside(submission.Command, why), Audience.AuthorAndStaff);

    private Decision Decide(Command command, Actor actor, int client, Situation situation) => IsTalk(command)
        ? Talk.Decide(command, actor, client, Sheets, situation.Time)
        : Marking.Decide(Sheets, command, actor, client, design: false);

    private StudentActs ActOf(Command command) => IsTalk(command) ? StudentActs.Answer : command switch
    {
        MakeChanges(var changes) when changes.All(IsMove) => StudentActs.Move,
        UndoGesture(var id) when IsMove(id) => StudentActs.Move,
        RedoGesture(var id) when IsMove(id) => StudentActs.Move,
        _ => StudentActs.Write,
    };

    private bool IsMove(long gesture) => Sheets.Journal.Find(gesture) is { } made && made.Steps.All(step => IsMove(step.After));

    private static bool IsMove(Change change) => change is Placed or Ordering;

    private static bool IsTalk(Command command) => command is GiveAnswer or RewordAnswer or TakeAnswerDown or PutAnswerBack;

    /// <inheritdoc/>
    protected override void RestoreState(RoomSnapshot snapshot)
    {
        var board = (BoardSnapshot)snapshot;
        Sheets.Restore(board.Sheets);
        Talk.Restore(board.Said);
        Choice.Restore(board.Judging);
        Concerns.Restore(board.Concerns);
        LastActivity = board.LastActivity;
        foreach (var change in board.Adopted) _adopted[change.Number] = change;
        foreach (var item in board.SetAside) _setAside[item.Number] = item;
        foreach (var act in board.Acts) _acts[act.Person] = act;
    }

    /// <inheritdoc/>
    protected override void ApplyEvent(Envelope envelope)
    {
        // Of what somebody chose the others know nothing, also not when.
        if (!envelope.Actor.IsStaff && envelope.Event is not (ClientAdmitted or WorkSetAside or CardJudged or ConcernRaised)) Note(envelope);
        switch (envelope.Event)
        {
            case WorkSetAside(var command, var why):
                _setAside[envelope.Number] = new(envelope.Number, envelope.Actor, envelope.Client, envelope.Counter, envelope.Gesture, command, why, At: envelope.Time);
                break;
            case ConcernRaised or ConcernsSettled:
                Concerns.Set(envelope);
                break;
            case PageLocked(var page, var on):
                Sheets.Lock(page, on);
                break;
            case WorkBrought(var content, var changedAt, var said, var results):
                LastActivity = changedAt;
                Sheets.Restore(content, content.Marks);
                Talk.Restore(said ?? []);
                Choice.Bring(results ?? []);
                break;
            case LateWorkAccepted(var number, var outcome, var person, var gesture):
                // Classmates did not know of it; in old logs only the work that was set aside says whose it is.
                if (_setAside.Remove(number, out var late) && person == 0) (person, gesture) = (late.Actor.Number, late.Gesture);
                if (outcome is not null && person != 0) Set(outcome, person, gesture);
                break;
            case LateWorkDiscarded(var number, _, _):
                _setAside.Remove(number);
                break;
            case WorkReturned(var number, _, var words):
                if (_setAside.TryGetValue(number, out var returned)) _setAside[number] = returned with { Returned = words };
                break;
            case WorkTakenUpAgain(var work):
                _setAside[work.Number] = work;
                break;
            case LateChangeAdopted(var number, var page, _, _, _):
                _adopted[number] = new(number, page);
                Sheets.Apply(envelope.Event, envelope.Actor.Number, envelope.Gesture);
                break;
            case GestureUndone(var gesture, _, _, _) when Ids.ClientOf(gesture) == 0 && _adopted.TryGetValue((int)gesture, out var adopted):
                _adopted[adopted.Number] = adopted with { GivenUp = true };
                Sheets.Apply(envelope.Event, envelope.Actor.Number, envelope.Gesture);
                break;
            default:
                Set(envelope.Event, envelope.Actor.Number, envelope.Gesture);
                break;
        }
    }

    private void Set(RoomEvent happened, int actor, long gesture)
    {
        Sheets.Apply(happened, actor, gesture);
        Talk.Set(happened, actor);
        Choice.Set(happened, actor);
    }

    private void Note(Envelope envelope)
    {
        LastActivity = envelope.Time;
        var person = envelope.Actor.Number;
        var page = PageOf(envelope.Event);
        _acts[person] = new(person, envelope.Time, page == 0 && _acts.TryGetValue(person, out var before) ? before.Page : page);
    }

    private long PageOf(RoomEvent happened) => happened switch
    {
        MarkAdded(var mark) => mark.Page,
        MarksAdded({ IsEmpty: false } marks) => marks[0].Page,
        AnswerGiven(var about, _, _) => PageOf(about),
        ChangesMade({ IsEmpty: false } changes, _) => PageOf(changes[0].Target),
        GestureUndone(_, { IsEmpty: false } changes, _, _) => PageOf(changes[0].Target),
        GestureRedone(_, { IsEmpty: false } changes, _, _) => PageOf(changes[0].Target),
        _ => 0,
    };

    private long PageOf(long target) => Sheets.Marks.TryGetValue(target, out var mark) ? mark.Page : Sheets.FindPage(target)?.Id ?? 0;

    // By the same rules as work in time; what it rests on may wait too. And no more of one person than they can have written.
    private Refusal? WhyNotSetAside(Submission submission, Actor actor)
    {
        var theirs = _setAside.Values.Where(w => w.Actor.Number == actor.Number).ToList();
        if (theirs.Count >= Limits.LateWork || theirs.Sum(w => SizeOf(w.Command)) + SizeOf(submission.Command) > Limits.LateWorkSize) return Refusal.Full;
        Mark? Waiting(long id) => theirs.Select(w => NewMark(w, id)).FirstOrDefault(m => m is not null);
        return IsTalk(submission.Command)
            ? Talk.WhyNotLate(submission.Command, actor, submission.Client, Sheets, Waiting, id => theirs.Exists(w => w.Command is GiveAnswer give && give.Id == id))
            : Marking.WhyNotLate(Sheets, submission.Command, actor, submission.Client, Waiting, gesture => theirs.Exists(w => w.Gesture == gesture));
    }

    private static Mark? NewMark(LateWork late, long id)
    {
        var (page, mark) = late.Command switch
        {
            AddMark add when add.Id == id => (add.Page, new NewMark(add.Id, add.Grip, add.Body, add.Style, Place.AsDrawn, null, [], 0)),
            AddMarks(var on, var marks) => (on, marks.FirstOrDefault(m => m.Id == id)),
            _ => (0, null),
        };
        return mark is null ? null : new Mark(mark.Id, page, late.Actor.Number, false, mark.Grip, 0, mark.Body, mark.Style, mark.Place, mark.Cuts, false, mark.Scale, Tie: mark.Tie);
    }

    // In points of ink and letters, roughly.
    private static int SizeOf(Command command) => command switch
    {
        AddMark add => add.Body.Weight(),
        AddMarks(_, var marks) => marks.Sum(m => m.Body.Weight()),
        GiveAnswer give => give.Text.Length,
        RewordAnswer reword => reword.Text.Length,
        MakeChanges(var changes) => changes.Sum(c => c is Remaking(_, var body) ? body.Weight() : c is Wording wording ? wording.Words.Text.Length : 1),
        _ => 1,
    };

    private RoomEvent? Outcome(LateWork late, Situation situation) =>
        Decide(late.Command, late.Actor, late.Client, situation) is Decision.Accepted accepted ? accepted.Event : null;
}
