using Yardang.Core.Activities;
using Yardang.Core.LateChanges;
using Yardang.Core.Marks;
using Yardang.Core.Rooms;

namespace Yardang.Core.Boards;

/// <summary>Work that arrived too late for a rule, kept for the teacher's decision.</summary>
/// <param name="Number">The event that set it aside.</param>
/// <param name="Actor">Whose work it is.</param>
/// <param name="Client">From which tab.</param>
/// <param name="Counter">Which of its commands.</param>
/// <param name="Gesture">What it was part of.</param>
/// <param name="Command">What was asked.</param>
public sealed record LateWork(long Number, Actor Actor, int Client, int Counter, long Gesture, Command Command);

/// <summary>The program puts work from an archive on a new board.</summary>
public sealed record BringWork(ActivityContent Content) : Command;

/// <summary>Work from an archive stands on the board.</summary>
public sealed record WorkBrought(ActivityContent Content) : RoomEvent;

/// <summary>One working copy of a board activity: what was done over the version that was handed out.</summary>
public sealed class Board(ActivityContent version) : Room
{
    private readonly SortedDictionary<long, LateWork> _setAside = [];
    private readonly SortedDictionary<int, Adopted> _adopted = [];

    /// <inheritdoc/>
    public override RoomKind Kind => RoomKind.Board;

    /// <summary>The pages with all marks.</summary>
    public Sheets Sheets { get; } = new(version);

    /// <summary>Work waiting for the teacher's decision, by the number of its event.</summary>
    public IReadOnlyDictionary<long, LateWork> SetAside => _setAside;

    /// <summary>The late changes of the lesson that this board was given, by their numbers.</summary>
    public IReadOnlyDictionary<int, Adopted> Adopted => _adopted;

    /// <summary>When a student last did something here, server time in ms; null if none has.</summary>
    public long? LastActivity { get; private set; }

    /// <summary>Puts what a snapshot says beside the sheets back.</summary>
    public void RestoreBoard(IEnumerable<LateWork> work, long? lastActivity, IEnumerable<Adopted> adopted)
    {
        LastActivity = lastActivity;
        foreach (var change in adopted) _adopted[change.Number] = change;
        foreach (var item in work) _setAside[item.Number] = item;
    }

    /// <inheritdoc/>
    protected override Decision DecideCommand(Submission submission, Actor actor, Conditions conditions)
    {
        switch (submission.Command)
        {
            case BringWork(var content):
                return actor.Role == Role.Program && Number == 0 ? new WorkBrought(content) : Refusal.NotAllowed;
            case AdoptChange adopt:
                return actor.Role != Role.Program || submission.Gesture != adopt.Number ? Refusal.NotAllowed
                    : _adopted.ContainsKey(adopt.Number) ? Refusal.Duplicate
                    : Sheets.Marks.Count + adopt.Change.Activity.Marks.Length > Limits.Marks ? Refusal.Full
                    : Adoption.Adopt(Sheets, adopt);
            case GiveUpChange(var given):
                return actor.Role != Role.Program ? Refusal.NotAllowed
                    : _adopted.GetValueOrDefault(given) is not { GivenUp: false } ? Refusal.NothingToUndo
                    : Sheets.Journal.Find(given) is { } gesture ? Adoption.GiveUp(Sheets, gesture) : new GestureUndone(given, [], []);
            case SetKey(var key):
                if (actor.Role != Role.Program) return Refusal.NotAllowed;
                var fitting = key.FitTo(Sheets);
                return fitting.IsSameAs(AnswerKey.On(Sheets)) ? Refusal.Duplicate : new Decision.Accepted(new KeySet(fitting), Audience.Staff);
            case AcceptLateWork or DiscardLateWork when !actor.IsStaff:
                return Refusal.NotAllowed;
            case AcceptLateWork(var number):
                return _setAside.TryGetValue(number, out var late) ? new LateWorkAccepted(number, Outcome(late)) : Refusal.NotFound;
            case DiscardLateWork(var number):
                return _setAside.ContainsKey(number) ? new LateWorkDiscarded(number) : Refusal.NotFound;
        }

        // Work that rests on set-aside work has to wait with it, so it is not judged now.
        if (!actor.IsStaff && (actor.HasLeft || !conditions.StudentsMayWrite))
        {
            return submission.Command is AddMark or AddMarks or MakeChanges or UndoGesture or RedoGesture
                ? new Decision.Accepted(new WorkSetAside(submission.Command), Audience.AuthorAndStaff)
                : Refusal.NotAllowed;
        }

        return Marking.Decide(Sheets, submission.Command, actor, submission.Client, design: false);
    }

    /// <inheritdoc/>
    protected override void ApplyEvent(Envelope envelope)
    {
        if (!envelope.Actor.IsStaff) LastActivity = envelope.Time;
        switch (envelope.Event)
        {
            case WorkSetAside(var command):
                _setAside[envelope.Number] = new(envelope.Number, envelope.Actor, envelope.Client, envelope.Counter, envelope.Gesture, command);
                break;
            case WorkBrought(var content):
                Sheets.Restore(content, content.Marks);
                break;
            case LateWorkAccepted(var number, var outcome):
                if (_setAside.Remove(number, out var late) && outcome is not null) Sheets.Apply(outcome, late.Actor.Number, late.Gesture);
                break;
            case LateWorkDiscarded(var number):
                _setAside.Remove(number);
                break;
            case ChangeAdopted(var number, var page, _, _, _):
                _adopted[number] = new(number, page);
                Sheets.Apply(envelope.Event, envelope.Actor.Number, envelope.Gesture);
                break;
            case GestureUndone(var gesture, _, _) when Ids.ClientOf(gesture) == 0 && _adopted.TryGetValue((int)gesture, out var adopted):
                _adopted[adopted.Number] = adopted with { GivenUp = true };
                Sheets.Apply(envelope.Event, envelope.Actor.Number, envelope.Gesture);
                break;
            default:
                Sheets.Apply(envelope.Event, envelope.Actor.Number, envelope.Gesture);
                break;
        }
    }

    private RoomEvent? Outcome(LateWork late) =>
        Marking.Decide(Sheets, late.Command, late.Actor, late.Client, design: false) is Decision.Accepted accepted ? accepted.Event : null;
}
