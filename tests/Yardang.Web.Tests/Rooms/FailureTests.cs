using Microsoft.AspNetCore.SignalR;
using Microsoft.Extensions.Logging.Abstractions;
using Yardang.Core.Boards;
using Yardang.Core.Activities;
using Yardang.Core.Rooms;
using Yardang.Data.Log;
using Yardang.Web.Rooms;

namespace Yardang.Web.Tests.Rooms;

/// <summary>No failure is silent, and none reaches further than it must.</summary>
public sealed class FailureTests : IAsyncDisposable
{
    private readonly SimulatedStore _store = new();
    private readonly EventLog _log;
    private readonly RoomHost _host;

    public FailureTests()
    {
        _log = new EventLog(_store);
        _host = Open(() => new Board(ActivityContent.Blank("en", "")));
    }

    private static CancellationToken Stop => TestContext.Current.CancellationToken;

    [Fact]
    public async Task A_look_that_fails_is_the_business_of_whoever_looks_and_the_room_goes_on()
    {
        await Assert.ThrowsAsync<DivideByZeroException>(() => _host.LookAsync(_ => throw new DivideByZeroException(), Stop));
        var (decision, _) = await _host.SubmitAsync(new AdmitClient(), Actor.Owner, Stop);
        Assert.IsType<Decision.Accepted>(decision);
    }

    [Fact]
    public async Task A_rule_that_fails_is_answered_and_the_room_goes_on()
    {
        var host = Open(() => new FaultyRoom());
        var (decision, _) = await host.SubmitAsync(new Faulty(AtDeciding: true), Actor.Program, Stop);
        Assert.IsType<Decision.Refused>(decision);
        await host.SubmitAsync(new AdmitClient(), Actor.Owner, Stop);
        await host.StopAsync();
    }

    [Fact]
    public async Task When_a_rooms_writer_fails_nobody_waits_for_it()
    {
        var host = Open(() => new FaultyRoom());
        using var gate = new ManualResetEventSlim();
        var holding = host.LookAsync(_ => gate.Wait(Stop), Stop);
        var failing = host.SubmitAsync(new Faulty(AtDeciding: false), Actor.Program, Stop);
        var behind = host.SubmitAsync(new AdmitClient(), Actor.Owner, Stop);
        var looking = host.LookAsync(_ => { }, Stop);
        var setting = host.SetAllowedAsync(Allowed.Everything);
        gate.Set();
        await holding;
        Assert.Equal(Refusal.Busy, Assert.IsType<Decision.Refused>((await behind).Decision).Reason);
        await Assert.ThrowsAsync<IOException>(() => looking);
        await Assert.ThrowsAsync<IOException>(() => setting);
        Assert.True(host.Finished.IsCancellationRequested);
        Assert.Equal(Refusal.Busy, Assert.IsType<Decision.Refused>((await failing).Decision).Reason);
    }

    [Fact]
    public async Task A_follower_that_fails_is_begun_again_and_is_seen_until_it_has_caught_up()
    {
        var followers = new Followers(TimeProvider.System, NullLogger<Followers>.Instance);
        using var end = new CancellationTokenSource();
        var (tries, wasToldAgain) = (0, false);
        var caughtUp = new TaskCompletionSource();
        var seen = new TaskCompletionSource<int>();
        followers.Begin(
            "A follower",
            async (again, ready) =>
            {
                if (++tries < 3) throw new InvalidOperationException("not yet");
                (wasToldAgain, _) = (again, seen.TrySetResult(followers.Failing));
                ready();
                caughtUp.SetResult();
                await Task.Delay(Timeout.Infinite, end.Token);
            },
            end.Token);
        Assert.Equal(1, await seen.Task.WaitAsync(Stop));
        await caughtUp.Task.WaitAsync(Stop);
        Assert.True(wasToldAgain);
        Assert.Equal(0, followers.Failing);
        await end.CancelAsync();
    }

    [Fact]
    public async Task A_follower_that_is_overrun_is_told_instead_of_standing_still()
    {
        var follow = _host.FollowAsync(0, Stop).GetAsyncEnumerator(Stop);
        for (var i = 0; i < 5_000; i++) await _host.SubmitAsync(new AdmitClient(), Actor.Program, Stop);
        await Assert.ThrowsAsync<InvalidOperationException>(async () => await follow.MoveNextAsync());
    }

    [Fact]
    public async Task Who_does_not_read_their_refusals_is_hung_up_on_and_holds_no_memory()
    {
        var hungUp = 0;
        using var end = new CancellationTokenSource();
        var post = new RefusalPost(new NeverReads(), () => hungUp++, end.Token);
        var running = post.RunAsync();
        for (var i = 0; i < 2 * RefusalPost.Capacity; i++) post.Refuse(Guid.Empty, 1, i, Refusal.NotAllowed, 0);
        Assert.InRange(hungUp, RefusalPost.Capacity - 2, RefusalPost.Capacity);
        await end.CancelAsync();
        await running;
    }

    [Fact]
    public void Nobody_holds_connections_without_end_and_who_leaves_makes_room()
    {
        var connections = new LiveConnections();
        Assert.All(Enumerable.Range(0, 5), _ => Assert.True(connections.Enter("Maya", 5)));
        Assert.False(connections.Enter("Maya", 5));
        Assert.True(connections.Enter("Ben", 5));
        connections.Leave("Maya");
        Assert.True(connections.Enter("Maya", 5));
        Assert.False(connections.Enter("Maya", 5));
    }

    public async ValueTask DisposeAsync()
    {
        await _host.StopAsync();
        await _log.DisposeAsync();
    }

    private RoomHost Open(Func<Room> create) => RoomHost.Open(Guid.CreateVersion7(), create, Allowed.Everything, new RoomSupport(_log, _store, TimeProvider.System, NullLogger.Instance));

    private sealed record Faulty(bool AtDeciding) : Command;

    // No codec knows it.
    private sealed record Unheard : RoomEvent;

    private sealed class FaultyRoom : Room
    {
        public override RoomKind Kind => RoomKind.Board;

        protected override Decision DecideCommand(Submission submission, Actor actor, Situation situation) =>
            submission.Command is Faulty { AtDeciding: true } ? throw new DivideByZeroException() : new Unheard();

        protected override void RestoreState(RoomSnapshot snapshot)
        {
        }

        protected override void ApplyEvent(Envelope envelope)
        {
        }
    }

    private sealed class NeverReads : IClientProxy
    {
        public Task SendCoreAsync(string method, object?[] args, CancellationToken cancellationToken = default) => Task.Delay(Timeout.Infinite, cancellationToken);
    }
}
