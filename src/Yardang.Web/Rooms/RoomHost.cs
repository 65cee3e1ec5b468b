using System.Collections.Immutable;
using System.Threading.Channels;
using Yardang.Core.Rooms;
using Yardang.Core.Threads;
using Yardang.Data.Log;
using Yardang.Data.Wire;

namespace Yardang.Web.Rooms;

/// <summary>Somebody who submits commands and is told what becomes of them. A command that becomes an event is answered by that event.</summary>
public interface ISubmitter
{
    /// <summary>Called by the room's writer; must be brief.</summary>
    void Answer(Guid room, Submission submission, Decision decision, Envelope? envelope);
}

/// <summary>
/// A running room: one writer with a bounded mailbox decides and applies, ahead of the disk; readers are given only what is durable.
/// If a commit fails the host is finished: it is thrown away, and the room is loaded anew from what is durable.
/// </summary>
[System.Diagnostics.CodeAnalysis.SuppressMessage("Design", "CA1001", Justification = "The source has no timer and is read after the end.")]
public sealed class RoomHost
{
    private const int MailboxSize = 2_048;
    private const int EventsPerAppend = 256;
    private const int EventsPerSnapshot = 500;
    private const int EventsPerFrame = 512;

    // Above this many readers, events are gathered for a moment: half the work for a delay that nobody sees (realtime.md).
    private const int LargeRoom = 40;
    private static readonly TimeSpan s_tick = TimeSpan.FromMilliseconds(16);

    private readonly Room _room;
    private readonly int _epoch;
    private readonly bool _readOnly;
    private readonly EventLog _log;
    private readonly IEventStore _store;
    private readonly TimeProvider _clock;
    private readonly ILogger _logger;
    private readonly Tail _tail;
    private readonly Channel<Letter> _mailbox = Channel.CreateBounded<Letter>(new BoundedChannelOptions(MailboxSize) { SingleReader = true });
    private readonly CancellationTokenSource _finished = new();
    private readonly Dictionary<int, RefusedCommands> _refused = [];
    private readonly Task _writer;
    private ImmutableArray<Subscription> _subscriptions = [];
    private readonly Lazy<Task> _stopping;
    private volatile Allowed _allowed;
    private volatile Telling _telling;
    private long _lastSnapshot;
    private int _rights;

    private RoomHost(Guid id, Room room, int epoch, bool readOnly, Allowed allowed, long lastSnapshot, RoomSupport support)
    {
        Id = id;
        (_room, _epoch, _readOnly, _allowed, _lastSnapshot) = (room, epoch, readOnly, allowed, lastSnapshot);
        (_log, _store, _clock, _logger) = (support.Log, support.Store, support.Clock, support.Logger);
        _tail = new Tail(room.Number);
        _telling = Telling.Of(room);
        _stopping = new(StopOnceAsync);
        LastUsed = _clock.GetTimestamp();
        _writer = Task.Run(WriteAsync);
    }

    private abstract record Letter;

    private sealed record Submitting(Submission Submission, Actor Actor, ISubmitter Submitter) : Letter;

    private sealed record Looking(Action<Room> Look, TaskCompletionSource<long> Seen) : Letter;

    private sealed record Setting(Allowed Allowed, TaskCompletionSource Set) : Letter;

    /// <summary>The room's id.</summary>
    public Guid Id { get; }

    /// <summary>The kind of room.</summary>
    public RoomKind Kind => _room.Kind;

    /// <summary>Counts the times the room was loaded.</summary>
    public int Epoch => _epoch;

    /// <summary>Number of the last durable event.</summary>
    public long Durable => _tail.Durable;

    /// <summary>When somebody last wrote or read, in ticks of the clock.</summary>
    public long LastUsed { get; private set; }

    /// <summary>How many people read along. Parts of the program that follow the room do not keep it loaded.</summary>
    public int Readers => _subscriptions.Count(s => s.Reader.Role != Role.Program);

    /// <summary>The students whose pages are connected now, by actor number.</summary>
    public IReadOnlyCollection<int> StudentsHere => [.. _subscriptions.Select(s => s.Reader).Where(r => r is { Role: Role.Student, HasLeft: false, LooksOnly: false }).Select(r => r.Number).Distinct().Order()];

    /// <summary>What the lesson allows now, as far as the writer knows.</summary>
    public Allowed Allowed => _allowed;

    /// <summary>Whether somebody may write now, as far as the writer knows.</summary>
    public bool LetsWrite(Actor actor) => _allowed.Lets(StudentActs.Write, actor, _clock.GetUtcNow().ToUnixTimeMilliseconds());

    /// <summary>Where names are hidden from students: the ids that they know things by; else null.</summary>
    public Veil? NamesHidden => _telling.Veil;

    /// <summary>Whether they are hidden from teachers, too.</summary>
    public bool IsSealed => _telling.IsSealed;

    /// <summary>Signalled when this host is of no more use.</summary>
    public CancellationToken Finished => _finished.Token;

    /// <summary>Loads a room: the snapshot if there is a usable one, then the log's tail.</summary>
    /// <param name="id">The room's id.</param>
    /// <param name="create">Makes an empty room.</param>
    /// <param name="allowed">What the lesson allows now.</param>
    /// <param name="support">What hosts share.</param>
    public static RoomHost Open(Guid id, Func<Room> create, Allowed allowed, RoomSupport support)
    {
        var loaded = RoomLoading.Load(id, create, support);
        return new RoomHost(id, loaded.Room, loaded.Epoch, loaded.ReadOnly, allowed, loaded.SnapshotNumber, support);
    }

    /// <summary>Hands a command in and returns at once. False if the mailbox is full or the host finished: resend in a moment.</summary>
    public bool TrySubmit(Submission submission, Actor actor, ISubmitter submitter) => _mailbox.Writer.TryWrite(new Submitting(submission, actor, submitter));

    /// <summary>Submits on behalf of the program or of somebody without a tab, and waits until the event is durable.</summary>
    public async Task<(Decision Decision, Envelope? Envelope)> SubmitAsync(Command command, Actor actor, CancellationToken stop = default)
    {
        return await SubmitAsync(Submission.ByProgram(command), actor, stop);
    }

    /// <summary>Submits what a client wrote, and waits until its event is durable.</summary>
    public async Task<(Decision Decision, Envelope? Envelope)> SubmitAsync(Submission submission, Actor actor, CancellationToken stop)
    {
        var answer = new AwaitedAnswer();
        await _mailbox.Writer.WriteAsync(new Submitting(submission, actor, answer), stop);
        var (decision, envelope) = await answer.Task.WaitAsync(stop);
        if (envelope is not null) await DurableAsync(envelope.Number, stop);
        return (decision, envelope);
    }

    /// <summary>Lets the writer look at the state between two commands, and waits until all that was seen is durable.</summary>
    /// <returns>The number of the last event that was seen.</returns>
    public async Task<long> LookAsync(Action<Room> look, CancellationToken stop = default)
    {
        var seen = new TaskCompletionSource<long>(TaskCreationOptions.RunContinuationsAsynchronously);
        await _mailbox.Writer.WriteAsync(new Looking(look, seen), stop);
        var number = await seen.Task.WaitAsync(stop);
        await DurableAsync(number, stop);
        return number;
    }

    /// <summary>Changes what the lesson allows; done when the writer works by it.</summary>
    public async Task SetAllowedAsync(Allowed allowed)
    {
        var set = new TaskCompletionSource(TaskCreationOptions.RunContinuationsAsynchronously);
        await _mailbox.Writer.WriteAsync(new Setting(allowed, set));
        await set.Task;
    }

    /// <summary>Shows something to the others who look: never stored, dropped for those who are behind, and if it is passing for those who are spared it.</summary>
    public void Preview(byte[] preview, Actor from, bool isPassing)
    {
        if (NamesHidden is not null && !from.IsStaff) return;

        // What waits before others see it is not seen while it is drawn, either.
        var isForStaff = !from.IsStaff && _allowed.Approval?.AsksFor(from.Number, _clock.GetUtcNow().ToUnixTimeMilliseconds()) == true;
        foreach (var subscription in _subscriptions)
        {
            if (isForStaff && !subscription.Reader.IsStaff) continue;
            if (isPassing && subscription.LowData is { IsOn: true }) continue;
            if (subscription.Reader != from && !subscription.Reader.HasLeft) subscription.Preview(preview);
        }
    }

    /// <summary>Begins to read after a number. The caller leaves with <see cref="Leave"/>.</summary>
    public Subscription Watch(Actor reader, long after, LowData? lowData = null)
    {
        var subscription = new Subscription(reader, after, lowData);
        ImmutableInterlocked.Update(ref _subscriptions, s => s.Add(subscription));
        subscription.Wake();
        LastUsed = _clock.GetTimestamp();
        return subscription;
    }

    /// <summary>Counts how often rights of readers have changed: what was looked up before holds no longer.</summary>
    public int Rights => Volatile.Read(ref _rights);

    /// <summary>The rights of some people have changed: their streams end, and those who still have business here come again.</summary>
    public void Recall(Func<Actor, bool> whose)
    {
        Interlocked.Increment(ref _rights);
        foreach (var subscription in _subscriptions)
        {
            if (subscription.Reader.Role != Role.Program && whose(subscription.Reader)) subscription.Recall();
        }
    }

    /// <summary>Ends a reader's stay.</summary>
    public void Leave(Subscription subscription)
    {
        ImmutableInterlocked.Update(ref _subscriptions, s => s.Remove(subscription));
        LastUsed = _clock.GetTimestamp();
    }

    /// <summary>The next frame for a reader; waits until there is one. After <see cref="Frame.Resync"/> or <see cref="Frame.Recalled"/> there is no more.</summary>
    public async Task<byte[]> NextFrameAsync(Subscription subscription, CancellationToken stop)
    {
        while (true)
        {
            await subscription.NewsAsync(stop);
            if (subscription.Greeted && subscription.LowData?.Gathers(Id, Kind) == true) await Task.Delay(LowData.Pause, stop);
            else if (Readers > LargeRoom) await Task.Delay(s_tick, stop);
            if (subscription.Recalled) return Frame.Recalled;
            if (_finished.IsCancellationRequested) return Frame.Resync;
            var events = _tail.After(subscription.Cursor, EventsPerFrame);
            if (events is null || subscription.Cursor > _tail.Durable) return Frame.Resync;
            if (!subscription.Greeted && !subscription.Reader.IsStaff && IsWithdrawn(subscription.Cursor)) return Frame.Resync;
            var frame = Frame.Of(subscription, events, _telling);
            if (events.Count == EventsPerFrame) subscription.Wake();
            if (frame is not null) return frame;
        }
    }

    // What a teacher took down meanwhile is not sent to whoever comes back, not even for a moment.
    /// <summary>What happened after an event, as the log has it; null if it is too much to be remembered.</summary>
    public IReadOnlyList<Envelope>? Lately(long after) => _tail.After(after, int.MaxValue / 2)?.ConvertAll(p => p.Envelope);

    private bool IsWithdrawn(long after) => _tail.After(after, int.MaxValue / 2)?.Exists(p => p.Envelope.Event.Withdraws) != false;

    /// <summary>Durable events as they come, for parts of the program that follow a room.</summary>
    /// <exception cref="InvalidOperationException">It fell too far behind: it has to look at the room as it is, and follow from there.</exception>
    public async IAsyncEnumerable<Envelope> FollowAsync(long after, [System.Runtime.CompilerServices.EnumeratorCancellation] CancellationToken stop = default)
    {
        var subscription = Watch(Actor.Program, after);
        try
        {
            while (!_finished.IsCancellationRequested)
            {
                await subscription.NewsAsync(stop);
                foreach (var published in _tail.After(subscription.Cursor, int.MaxValue / 2) ?? throw new InvalidOperationException("More has happened than could be followed."))
                {
                    subscription.Cursor = published.Envelope.Number;
                    yield return published.Envelope;
                }
            }
        }
        finally
        {
            Leave(subscription);
        }
    }

    /// <summary>Takes no more commands, finishes those it has, and keeps a snapshot.</summary>
    public Task StopAsync() => _stopping.Value;

    private async Task StopOnceAsync()
    {
        _mailbox.Writer.TryComplete();
        await _writer;
        try
        {
            await DurableAsync(_room.Number, CancellationToken.None);
            if (!_readOnly && _room.IsSettled && !_finished.IsCancellationRequested && _room.Number > _lastSnapshot) _store.WriteSnapshot(Id, SnapshotCodec.Encode(_room, Actor.Program));
        }
        catch (Exception e)
        {
            // What could not be stored was never published, its clients send it again; and a snapshot can be done without. It stops all the same.
            _logger.LogError(e, "Room {Room} did not stop cleanly.", Id);
        }

        Finish();
    }

    private async Task DurableAsync(long number, CancellationToken stop)
    {
        if (_tail.Durable >= number) return;
        var waiting = Watch(Actor.Program, number);
        try
        {
            while (_tail.Durable < number && !_finished.IsCancellationRequested) await waiting.NewsAsync(stop);
        }
        finally
        {
            Leave(waiting);
        }

        if (_tail.Durable < number) throw new IOException("The room's events could not be stored.");
    }

    private async Task WriteAsync()
    {
        try
        {
            await WriteUntilCompletedAsync();
        }
        catch (Exception e)
        {
            _logger.LogCritical(e, "The writer of room {Room} failed; the room is loaded anew.", Id);
            Finish();
        }

        // Nobody waits for a writer that has gone.
        while (_mailbox.Reader.TryRead(out var letter)) Return(letter);
    }

    private void Return(Letter letter)
    {
        var gone = new IOException("The room is being loaded anew.");
        if (letter is Submitting(var submission, _, var submitter)) submitter.Answer(Id, submission, Refusal.Busy, null);
        else if (letter is Looking(_, var seen)) seen.TrySetException(gone);
        else if (letter is Setting(_, var set)) set.TrySetException(gone);
    }

    private async Task WriteUntilCompletedAsync()
    {
        var events = new List<Published>(EventsPerAppend);
        while (await _mailbox.Reader.WaitToReadAsync())
        {
            LastUsed = _clock.GetTimestamp();
            while (events.Count < EventsPerAppend && _mailbox.Reader.TryRead(out var letter)) Handle(letter, events);
            if (events.Count == 0) continue;

            var batch = events.ToArray();
            events.Clear();
            if (_finished.IsCancellationRequested) continue;
            await _log.AppendAsync(
                new Append(Id, batch[0].Envelope.Number, _epoch, Array.ConvertAll(batch, p => p.Payload), e => Published(batch, e)), CancellationToken.None);
            if (_room.Number - _lastSnapshot >= EventsPerSnapshot && _room.IsSettled) KeepSnapshot();
        }
    }

    private void Handle(Letter letter, List<Published> events)
    {
        switch (letter)
        {
            case Submitting(var submission, var actor, var submitter):
                Decide(submission, actor, submitter, events);
                break;
            case Looking(var look, var seen):
                Look(look, seen);
                break;
            case Setting(var allowed, var set):
                _allowed = allowed;
                set.SetResult();
                break;
        }
    }

    // A look that fails is the business of whoever looks.
    private void Look(Action<Room> look, TaskCompletionSource<long> seen)
    {
        try
        {
            look(_room);
            seen.SetResult(_room.Number);
        }
        catch (Exception e)
        {
            seen.SetException(e);
        }
    }

    private void Decide(Submission submission, Actor actor, ISubmitter submitter, List<Published> events)
    {
        if (_readOnly || _finished.IsCancellationRequested)
        {
            submitter.Answer(Id, submission, _readOnly ? Refusal.ReadOnly : Refusal.Busy, null);
            return;
        }

        // What was refused is remembered for its owner alone: nobody else's refusal changes what becomes of their commands.
        var isOwn = !actor.LooksOnly && _room.IsOf(submission.Client, actor);
        var refused = isOwn ? _refused.GetValueOrDefault(submission.Client) : null;
        if (refused?.ReasonFor(submission.Counter) is { } reason)
        {
            submitter.Answer(Id, submission, reason, null);
            return;
        }

        // A refused command leaves no trace in the log, so the next one must not be taken for a gap.
        var follows = refused?.ReasonFor(submission.After) is not null;
        var situation = Situation.Of(Id, _room.Number + 1, _allowed, _clock.GetUtcNow().ToUnixTimeMilliseconds());
        var decision = Judge(follows ? submission with { After = 0 } : submission, actor, situation);
        if (decision is not Decision.Accepted accepted)
        {
            if (isOwn && decision is Decision.Refused { Reason: not Refusal.Resend and var why })
            {
                if (_refused.Count >= RefusedCommands.MostTabs) _refused.Clear();
                if (refused is null) _refused[submission.Client] = refused = new RefusedCommands();
                refused.Remember(submission.Counter, why);
            }

            submitter.Answer(Id, submission, decision, null);
            return;
        }

        var envelope = new Envelope(
            _room.Number + 1, situation.Time, actor, submission.Client, submission.Counter,
            submission.Gesture, accepted.Audience, accepted.Event);
        try
        {
            _room.Apply(envelope);
            _telling = _telling.After(_room, envelope);
            events.Add(new Published(envelope, EventCodec.Encode(envelope)));
        }
        catch
        {
            // What the room holds now cannot be trusted: it is loaded anew, and this is sent again.
            submitter.Answer(Id, submission, Refusal.Busy, null);
            throw;
        }

        submitter.Answer(Id, submission, decision, envelope);
    }

    // Deciding changes nothing: a rule that fails harms nobody but the one who asked.
    private Decision Judge(Submission submission, Actor actor, Situation situation)
    {
        try
        {
            return _room.Decide(submission, actor, situation);
        }
        catch (Exception e)
        {
            _logger.LogError(e, "A {Command} in room {Room} could not be decided.", submission.Command.GetType().Name, Id);
            return Refusal.Malformed;
        }
    }

    // Runs on the log's thread.
    private void Published(Published[] batch, Exception? failure)
    {
        if (failure is not null)
        {
            _logger.LogError(failure, "Events {First} to {Last} of room {Room} could not be stored; the room is loaded anew.", batch[0].Envelope.Number, batch[^1].Envelope.Number, Id);
            Finish();
            return;
        }

        if (_finished.IsCancellationRequested) return;
        foreach (var published in batch) _tail.Add(published);
        foreach (var subscription in _subscriptions) subscription.Wake();
    }

    private void Finish()
    {
        _finished.Cancel();
        _mailbox.Writer.TryComplete();
        foreach (var subscription in _subscriptions) subscription.Wake();
    }

    private void KeepSnapshot()
    {
        var number = _lastSnapshot = _room.Number;
        var snapshot = Array.Empty<byte>();
        try
        {
            snapshot = SnapshotCodec.Encode(_room, Actor.Program);
        }
        catch (Exception e)
        {
            _logger.LogError(e, "Room {Room} has no snapshot at {Number}; its log is all there.", Id, number);
            return;
        }

        _ = Task.Run(async () =>
        {
            try
            {
                await DurableAsync(number, CancellationToken.None);
                _store.WriteSnapshot(Id, snapshot);
            }
            catch (Exception e) when (e is IOException or System.Data.Common.DbException or ObjectDisposedException)
            {
                _logger.LogWarning(e, "The snapshot of room {Room} at {Number} was not kept.", Id, number);
            }
        });
    }

    private sealed class AwaitedAnswer : ISubmitter
    {
        private readonly TaskCompletionSource<(Decision, Envelope?)> _answer = new(TaskCreationOptions.RunContinuationsAsynchronously);

        public Task<(Decision Decision, Envelope? Envelope)> Task => _answer.Task;

        public void Answer(Guid room, Submission submission, Decision decision, Envelope? envelope) => _answer.TrySetResult((decision, envelope));
    }
}
