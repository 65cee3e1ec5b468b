using Yardang.Core.Wire;

namespace Yardang.Core.Rooms;

/// <summary>The kinds of room, as stored.</summary>
public enum RoomKind
{
    /// <summary>The workshop's editing of an activity.</summary>
    Draft = 1,

    /// <summary>People, door, signals, pens.</summary>
    Lesson = 2,

    /// <summary>One working copy of a board activity.</summary>
    Board = 3,

    /// <summary>One wall of an activity.</summary>
    Wall = 4,
}

/// <summary>A new tab asks for a client number.</summary>
public sealed record AdmitClient : Command;

/// <summary>A tab of the event's actor got a client number.</summary>
[Kind(1)]
public sealed record ClientAdmitted(int Number) : RoomEvent;

/// <summary>What stood here was erased on request; the number stays, so that the log has no gap.</summary>
[Kind(2)]
public sealed record Redacted : RoomEvent;

/// <summary>A room's state in one piece, by the numbers of <see cref="RoomKind"/>.</summary>
[Family]
public abstract record RoomSnapshot;

/// <summary>A tab: whose it is, and the last of its commands that is in the log.</summary>
public readonly record struct ClientRecord(int Actor, int HighWater);

/// <summary>
/// A draft, lesson, board or wall: a state that only <see cref="Apply"/> changes. Deterministic: the same log gives the same state.
/// Not safe for several threads: each room has one writer.
/// </summary>
public abstract class Room
{
    private readonly Dictionary<int, ClientRecord> _clients = [];
    private readonly Dictionary<int, int> _clientsOf = [];

    /// <summary>The kind of room.</summary>
    public abstract RoomKind Kind { get; }

    /// <summary>The first client number this room hands out.</summary>
    public virtual int FirstClient => 1;

    /// <summary>Where names are hidden from students, so that each is told in their own way: the ids that they know things by; else null.</summary>
    public virtual Veil? NamesHidden => null;

    /// <summary>Whether they are hidden from teachers, too.</summary>
    public virtual bool IsSealed => false;

    /// <summary>Whether a snapshot has in it all that there is to know of the room; as long as not, its log is kept to.</summary>
    public virtual bool IsSettled => true;

    /// <summary>Number of the last event applied; 0 for a new room.</summary>
    public long Number { get; private set; }

    /// <summary>The tabs that write here, by client number.</summary>
    public IReadOnlyDictionary<int, ClientRecord> Clients => _clients;

    /// <summary>Decides what a submission does now. Changes nothing.</summary>
    /// <param name="submission">The command with its counters.</param>
    /// <param name="actor">Who asks.</param>
    /// <param name="situation">What else the decision rests on.</param>
    public Decision Decide(Submission submission, Actor actor, Situation situation)
    {
        if (actor.LooksOnly || (actor.HasLeft && submission.Command is AdmitClient)) return Refusal.NotAllowed;
        if (submission.Command is AdmitClient)
        {
            // Numbers are never used again, so that who wastes them runs out of them alone.
            var most = actor.IsStaff ? Limits.ClientsOfStaff : Limits.ClientsOfStudent;
            var next = FirstClient + _clients.Count;
            return next >= Ids.ClientLimit || _clientsOf.GetValueOrDefault(actor.Number) >= most ? Refusal.Full : new Decision.Accepted(new ClientAdmitted(next), Audience.AuthorAndStaff);
        }

        if (submission.Client != 0)
        {
            if (!IsOf(submission.Client, actor)) return Refusal.UnknownClient;
            var client = _clients[submission.Client];
            if (submission.Counter <= client.HighWater) return new Decision.Known();
            if (submission.After > client.HighWater) return new Decision.Refused(Refusal.Resend, client.HighWater);
            if (submission.After >= submission.Counter) return Refusal.Malformed;
            if (submission.Gesture != 0 && Ids.ClientOf(submission.Gesture) != submission.Client) return Refusal.Malformed;
        }
        else if (actor.Role != Role.Program)
        {
            return Refusal.UnknownClient;
        }

        return DecideCommand(submission, actor, situation);
    }

    /// <summary>Whether this client number was handed out to this person.</summary>
    public bool IsOf(int client, Actor actor) => _clients.TryGetValue(client, out var record) && record.Actor == actor.Number;

    /// <summary>Takes an event into the state. Every event of the log is applied, in order, exactly once.</summary>
    /// <exception cref="InvalidOperationException">The event is not the next one.</exception>
    public void Apply(Envelope envelope)
    {
        if (envelope.Number != Number + 1) throw new InvalidOperationException($"Event {envelope.Number} cannot follow {Number}.");
        Number = envelope.Number;
        if (envelope.Event is ClientAdmitted admitted) Admit(admitted.Number, new(envelope.Actor.Number, 0));
        else if (envelope.Client != 0) _clients[envelope.Client] = new(envelope.Actor.Number, envelope.Counter);
        if (envelope.Event is not (ClientAdmitted or Redacted)) ApplyEvent(envelope);
    }

    /// <summary>For a reader's copy of a room: the events up to this number that were not sent are meant for others.</summary>
    public void AdvanceTo(long number) => Number = Math.Max(Number, number);

    /// <summary>Puts a snapshot into an empty room of its kind.</summary>
    public void Restore(long number, IEnumerable<KeyValuePair<int, ClientRecord>> clients, RoomSnapshot state)
    {
        Number = number;
        foreach (var (client, record) in clients) Admit(client, record);
        RestoreState(state);
    }

    private void Admit(int client, ClientRecord record)
    {
        _clients[client] = record;
        _clientsOf[record.Actor] = _clientsOf.GetValueOrDefault(record.Actor) + 1;
        Admitted(client, record.Actor);
    }

    /// <summary>A client number was handed out to this person.</summary>
    protected virtual void Admitted(int client, int actor)
    {
    }

    /// <summary>The rule for the commands of this kind of room.</summary>
    protected abstract Decision DecideCommand(Submission submission, Actor actor, Situation situation);

    /// <summary>Puts the state of a snapshot of this kind of room back.</summary>
    protected abstract void RestoreState(RoomSnapshot snapshot);

    /// <summary>The effect of the events of this kind of room.</summary>
    protected abstract void ApplyEvent(Envelope envelope);
}
