using MessagePack;
using Yardang.Core.Rooms;
using Yardang.Data.Wire;

namespace Yardang.Headless;

/// <summary>The way to a room, as far as a client needs it. Sending never waits and may fail silently.</summary>
public interface IRoomLine
{
    /// <summary>Sends a command towards the room.</summary>
    void Send(Submission submission);
}

/// <summary>
/// A reader and writer of a room without a screen: a copy of its state, and the outbox of commands that are not yet in the log.
/// The rules by which nothing is lost or doubled are those of the browser's client (<c>Client/room/room-client.ts</c>):
/// a command stays in the outbox until an event of the same client with its counter or a later one is in the log, or until it is refused.
/// Not safe for several threads.
/// </summary>
public sealed class RoomClient(int client, Func<Room> create, IRoomLine line)
{
    private readonly List<Submission> _outbox = [];
    private int _counter;

    /// <summary>The number that the room gave this client.</summary>
    public int Client { get; } = client;

    /// <summary>The room as far as it is known here.</summary>
    public Room Room { get; private set; } = create();

    /// <summary>The counter of the latest command that is known to be in the log; 0 for none.</summary>
    public int LastInLog { get; private set; }

    /// <summary>Commands that are not known to be in the log, in order.</summary>
    public IReadOnlyList<Submission> Outbox => _outbox;

    /// <summary>Told of each event as it is applied.</summary>
    public Action<Envelope>? Applied { get; set; }

    /// <summary>Told of a refused command that is given up.</summary>
    public Action<Submission, Refusal>? GivenUp { get; set; }

    /// <summary>An id for a new mark or gesture of this client.</summary>
    public long NewId() => Ids.Of(Client, _counter + 1);

    /// <summary>Puts a command into the outbox and sends it.</summary>
    public Submission Submit(Command command, long gesture)
    {
        var submission = new Submission(Client, ++_counter, _outbox.Count > 0 ? _outbox[^1].Counter : LastInLog, gesture, command);
        _outbox.Add(submission);
        line.Send(submission);
        return submission;
    }

    /// <summary>Sends the whole outbox again, in order: after a reconnection, when asked to, or when nothing was heard for long.</summary>
    public void Resend()
    {
        var after = LastInLog;
        for (var i = 0; i < _outbox.Count; i++)
        {
            _outbox[i] = _outbox[i] with { After = after };
            after = _outbox[i].Counter;
            line.Send(_outbox[i]);
        }
    }

    /// <summary>Takes a snapshot in place of all that was known.</summary>
    public void TakeSnapshot(ReadOnlyMemory<byte> snapshot)
    {
        var room = create();
        if (!SnapshotCodec.Restore(snapshot, room)) throw new FormatException("The snapshot is of another format.");
        Room = room;
        if (room.Clients.TryGetValue(Client, out var record)) Settle(record.HighWater);
    }

    /// <summary>Takes a frame of the stream. False if a snapshot is needed.</summary>
    public bool TakeFrame(ReadOnlyMemory<byte> frame)
    {
        var r = new MessagePackReader(frame);
        if (r.ReadArrayHeader() < 2) return false;
        var through = r.ReadInt64();
        for (var left = r.ReadArrayHeader(); left > 0; left--)
        {
            var start = r.Position;
            r.Skip();
            var envelope = EventCodec.Decode(System.Buffers.BuffersExtensions.ToArray(r.Sequence.Slice(start, r.Position)));
            if (envelope.Number <= Room.Number) continue;
            Room.AdvanceTo(envelope.Number - 1);
            Room.Apply(envelope);
            if (envelope.Client == Client) Settle(envelope.Counter);
            Applied?.Invoke(envelope);
        }

        Room.AdvanceTo(through);
        return true;
    }

    /// <summary>Takes a refusal.</summary>
    /// <returns>Whether the outbox should be sent again.</returns>
    public bool TakeRefusal(int counter, Refusal reason)
    {
        if (reason is Refusal.Resend or Refusal.Busy) return true;
        var at = _outbox.FindIndex(s => s.Counter == counter);
        if (at < 0) return false;
        var submission = _outbox[at];
        _outbox.RemoveAt(at);
        GivenUp?.Invoke(submission, reason);
        return false;
    }

    private void Settle(int counter)
    {
        LastInLog = Math.Max(LastInLog, counter);
        _outbox.RemoveAll(s => s.Counter <= counter);
    }
}
