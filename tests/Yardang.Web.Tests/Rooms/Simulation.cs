using Microsoft.Extensions.Logging.Abstractions;
using Yardang.Core.Rooms;
using Yardang.Data.Log;
using Yardang.Data.Wire;
using Yardang.Headless;
using Yardang.Web.Rooms;

namespace Yardang.Web.Tests.Rooms;

/// <summary>
/// One board or wall on the real host and log, with clients on a network that drops, doubles, delays, reorders and cuts, and a server that is
/// killed; the server's clock leaps, and one device's is wrong. What happens to whom is drawn from a seed; in the end the network heals,
/// and everybody must agree.
/// </summary>
internal sealed class Simulation : IAsyncDisposable
{
    private static readonly Guid s_room = Guid.CreateVersion7();
    private static readonly Actor[] s_people = [Actor.Owner, new(2, Role.Student), new(3, Role.Student), new(2, Role.Student)];

    private readonly Random _random;
    private readonly LeapingClock _clock = new();
    private readonly List<Tab> _tabs = [];
    private readonly List<(int Client, int Counter)> _seenInLog = [];
    private readonly System.Collections.Concurrent.ConcurrentDictionary<(int Client, int Counter), Refusal> _refused = new();
    private SimulatedStore _store = new();
    private EventLog _log;
    private RoomHosts _hosts;
    private bool _pensDown;

    private readonly SimulatedWork _work;

    public Simulation(int seed, SimulatedWork work)
    {
        _work = work;
        _random = new Random(seed);
        (_log, _hosts) = Start();
    }

    public async Task RunAsync(int steps)
    {
        foreach (var actor in s_people)
        {
            var host = await _hosts.GetAsync(s_room);
            var (_, envelope) = await host.SubmitAsync(new AdmitClient(), actor);
            _tabs.Add(new Tab(this, actor, ((ClientAdmitted)envelope!.Event).Number, clockIsWrong: _tabs.Count == 1));
        }

        foreach (var tab in _tabs) await tab.ConnectAsync();
        for (var step = 0; step < steps; step++) await StepAsync();
        await HealAsync();
        Check();
    }

    public async ValueTask DisposeAsync()
    {
        foreach (var tab in _tabs) tab.Cut();
        await _hosts.DisposeAsync();
        await _log.DisposeAsync();
    }

    private (EventLog Log, RoomHosts Hosts) Start()
    {
        var log = new EventLog(_store);
        return (log, new RoomHosts(new RoomSupport(log, _store, _clock, NullLogger.Instance), new OneRoom(this)));
    }

    private async Task StepAsync()
    {
        var tab = _tabs[_random.Next(_tabs.Count)];
        switch (_random.Next(100))
        {
            case < 55: tab.Act(_random); break;
            case < 75: tab.Deliver(_random); break;
            case < 85: await tab.ReadAsync(); break;
            case < 90: tab.Cut(); break;
            case < 95: await tab.ConnectAsync(); break;
            case < 97: await SetPensAsync(!_pensDown); break;
            case < 98: _store.Failing = _random.Next(1, 3); _clock.Leap(_random); break;
            case < 99: await _hosts.PutAwayAsync(TimeSpan.Zero); break;
            default: await KillServerAsync(); break;
        }
    }

    private async Task SetPensAsync(bool down)
    {
        _pensDown = down;
        if (await _hosts.FindAsync(s_room) is { } host)
        {
            try
            {
                await host.SetAllowedAsync(new Allowed(PensDown: down));
            }
            catch (System.Threading.Channels.ChannelClosedException)
            {
                // The room is being loaded anew, and will ask.
            }
        }
    }

    private async Task KillServerAsync()
    {
        foreach (var tab in _tabs) tab.Cut();
        var (oldHosts, oldLog) = (_hosts, _log);
        _store = _store.PowerCut();
        (_log, _hosts) = Start();
        await oldHosts.DisposeAsync();
        await oldLog.DisposeAsync();
    }

    private async Task HealAsync()
    {
        _store.Failing = 0;
        await SetPensAsync(down: false);
        for (var round = 0; round < 200; round++)
        {
            foreach (var tab in _tabs)
            {
                await tab.ConnectAsync();
                tab.DeliverAll();
                await tab.ReadAsync();
            }

            var host = await _hosts.GetAsync(s_room);
            await host.LookAsync(_ => { });
            foreach (var tab in _tabs) await tab.ReadAsync();
            if (_tabs.TrueForAll(t => t.Client.Outbox.Count == 0 && t.Client.Room.Number == host.Durable)) return;
        }

        Assert.Fail("The clients did not come to rest: " + string.Join("; ", _tabs.Select(t => $"{t.Client.Client}: {t.Client.Outbox.Count} waiting at {t.Client.Room.Number}")));
    }

    private void Check()
    {
        var log = _store.Events.Select(e => EventCodec.Decode(e)).ToList();
        var replay = _work.New();
        foreach (var envelope in log) replay.Apply(envelope);

        foreach (var tab in _tabs)
        {
            Assert.Equal(SnapshotCodec.Encode(replay, tab.Actor), SnapshotCodec.Encode(tab.Client.Room, tab.Actor));
        }

        var inLog = log.Where(e => e.Counter != 0).Select(e => (e.Client, e.Counter)).ToList();
        Assert.Equal(inLog.Count, inLog.Distinct().Count());
        Assert.Empty(_seenInLog.Except(inLog));
        foreach (var tab in _tabs)
        {
            var counters = inLog.Where(c => c.Client == tab.Client.Client).Select(c => c.Counter).ToList();
            Assert.Equal(counters.Order(), counters);
            var lost = Enumerable.Range(1, tab.Issued).Except(counters).Where(c => !_refused.ContainsKey((tab.Client.Client, c)));
            Assert.Empty(lost);
        }
    }

    /// <summary>A clock that is set, by years, in either direction.</summary>
    private sealed class LeapingClock : TimeProvider
    {
        private long _hours;

        public void Leap(Random random) => Volatile.Write(ref _hours, random.Next(-50_000, 50_000));

        public override DateTimeOffset GetUtcNow() => base.GetUtcNow().AddHours(Volatile.Read(ref _hours));
    }

    private sealed class OneRoom(Simulation simulation) : IRoomSource
    {
        public Task<Opening?> FindAsync(Guid room, RoomHosts hosts) =>
            Task.FromResult<Opening?>(new(simulation._work.New, new Allowed(PensDown: simulation._pensDown)));

        public Task LoadedAsync(RoomHost host, RoomHosts hosts) => Task.CompletedTask;
    }

    /// <summary>A client with its connection. What is under way in either direction is lost when the connection is cut.</summary>
    private sealed class Tab : IRoomLine, ISubmitter
    {
        private readonly Simulation _simulation;
        private readonly List<Submission> _underWay = [];
        private readonly System.Collections.Concurrent.ConcurrentQueue<(int Counter, Refusal Reason, int Connection)> _refusals = new();
        private RoomHost? _host;
        private Subscription? _subscription;
        private readonly bool _clockIsWrong;
        private int _connection;
        private bool _lossy = true;

        public Tab(Simulation simulation, Actor actor, int client, bool clockIsWrong)
        {
            (_simulation, Actor, _clockIsWrong) = (simulation, actor, clockIsWrong);
            Client = new RoomClient(client, simulation._work.New, this)
            {
                Applied = e =>
                {
                    if (e.Client == client) simulation._seenInLog.Add((e.Client, e.Counter));
                },
            };
        }

        public Actor Actor { get; }

        public RoomClient Client { get; }

        public int Issued { get; private set; }

        public void Send(Submission submission)
        {
            if (_subscription is not null) _underWay.Add(submission);
        }

        public void Answer(Guid room, Submission submission, Decision decision, Envelope? envelope)
        {
            if (decision is not Decision.Refused refused) return;
            if (refused.Reason is not (Refusal.Resend or Refusal.Busy)) _simulation._refused[(submission.Client, submission.Counter)] = refused.Reason;
            _refusals.Enqueue((submission.Counter, refused.Reason, _connection));
        }

        public void Act(Random random)
        {
            Issued++;
            var id = Client.NewId();
            var (command, gesture) = _simulation._work.Act(Client.Room, Actor, id, random, _clockIsWrong);
            Client.Submit(command, gesture);
        }

        public void Deliver(Random random)
        {
            for (var n = random.Next(1, 6); n > 0 && _underWay.Count > 0 && _host is not null; n--)
            {
                var at = random.Next(10) == 0 ? random.Next(_underWay.Count) : 0;
                var submission = _underWay[at];
                var fate = random.Next(20);
                if (fate != 0) _underWay.RemoveAt(at);
                if (fate != 1) _host.TrySubmit(submission, Actor, this);
            }
        }

        public void DeliverAll()
        {
            _lossy = false;
            Client.Resend();
            foreach (var submission in _underWay) _host?.TrySubmit(submission, Actor, this);
            _underWay.Clear();
        }

        public void Cut()
        {
            if (_subscription is null) return;
            _host!.Leave(_subscription);
            (_host, _subscription) = (null, null);
            _connection++;
            _underWay.Clear();
        }

        public async Task ConnectAsync()
        {
            if (_subscription is not null) return;
            _host = await _simulation._hosts.GetAsync(s_room);
            _subscription = _host.Watch(Actor, Client.Room.Number);
            Client.Resend();
        }

        public async Task ReadAsync()
        {
            while (_refusals.TryDequeue(out var refusal))
            {
                if (refusal.Connection == _connection && Client.TakeRefusal(refusal.Counter, refusal.Reason) && _lossy) Client.Resend();
            }

            while (_subscription is not null)
            {
                using var patience = new CancellationTokenSource(TimeSpan.FromMilliseconds(1));
                byte[] frame;
                try
                {
                    frame = await _host!.NextFrameAsync(_subscription, patience.Token);
                }
                catch (OperationCanceledException)
                {
                    return;
                }

                if (Client.TakeFrame(frame)) continue;
                Cut();
                try
                {
                    var host = await _simulation._hosts.GetAsync(s_room);
                    byte[] snapshot = [];
                    await host.LookAsync(r => snapshot = SnapshotCodec.Encode(r, Actor));
                    Client.TakeSnapshot(snapshot);
                    await ConnectAsync();
                }
                catch (Exception e) when (e is IOException or System.Threading.Channels.ChannelClosedException)
                {
                    return;
                }
            }
        }
    }
}
