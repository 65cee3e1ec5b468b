using Microsoft.Extensions.Logging.Abstractions;
using Yardang.Core.Activities;
using Yardang.Core.Boards;
using Yardang.Core.Editing;
using Yardang.Core.Ink;
using Yardang.Core.Marks;
using Yardang.Core.Rooms;
using Yardang.Core.Styles;
using Yardang.Core.Threads;
using Yardang.Data.Log;
using Yardang.Data.Wire;
using Yardang.Headless;
using Yardang.Web.Rooms;

namespace Yardang.Web.Tests.Rooms;

public sealed class SlowReaderTests : IAsyncDisposable
{
    private static readonly Actor s_maya = new(2, Role.Student);

    private readonly SimulatedStore _store = new();
    private readonly EventLog _log;
    private readonly RoomHost _host;

    public SlowReaderTests()
    {
        _log = new EventLog(_store);
        _host = RoomHost.Open(Guid.CreateVersion7(), NewBoard, Allowed.Everything, new RoomSupport(_log, _store, TimeProvider.System, NullLogger.Instance));
    }

    [Fact]
    public async Task One_who_never_reads_holds_nobody_up_and_is_sent_to_a_snapshot_in_the_end()
    {
        var stop = TestContext.Current.CancellationToken;
        var asleep = _host.Watch(s_maya, 0);
        var awake = _host.Watch(Actor.Owner, 0);
        var writer = await WriterAsync();
        var replica = new RoomClient(99, NewBoard, new NoLine());
        for (var i = 0; i < 5_000; i++)
        {
            Draw(writer);
            if (i % 50 != 49) continue;
            while (replica.Room.Number < i) Assert.True(replica.TakeFrame(await _host.NextFrameAsync(awake, stop)));
        }

        var last = await _host.LookAsync(_ => { }, stop);
        while (replica.Room.Number < last) Assert.True(replica.TakeFrame(await _host.NextFrameAsync(awake, stop)));
        Assert.Equal(5_000, ((Board)replica.Room).Sheets.Marks.Count);
        Assert.Same(Frame.Resync, await _host.NextFrameAsync(asleep, stop));
    }

    [Fact]
    public async Task Events_that_could_not_be_stored_were_never_shown_and_the_room_is_loaded_anew()
    {
        var stop = TestContext.Current.CancellationToken;
        var writer = await WriterAsync();
        var reader = _host.Watch(Actor.Owner, _host.Durable);
        await _host.NextFrameAsync(reader, stop);
        _store.Failing = 1;
        Draw(writer);
        Assert.Same(Frame.Resync, await _host.NextFrameAsync(reader, stop));
        Assert.True(_host.Finished.IsCancellationRequested);
        Assert.Single(_store.Events);
    }

    [Fact]
    public async Task A_log_that_cannot_be_read_to_its_end_makes_the_room_read_only()
    {
        var writer = await WriterAsync();
        Draw(writer);
        await _host.LookAsync(_ => { }, TestContext.Current.CancellationToken);
        _store.Write([new Append(_host.Id, 3, _host.Epoch, [[0xc1]], _ => { })]);
        var broken = RoomHost.Open(_host.Id, NewBoard, Allowed.Everything, new RoomSupport(_log, _store, TimeProvider.System, NullLogger.Instance));
        Assert.Equal(2, broken.Durable);
        var (decision, _) = await broken.SubmitAsync(new AdmitClient(), s_maya, TestContext.Current.CancellationToken);
        Assert.Equal(Refusal.ReadOnly, Assert.IsType<Decision.Refused>(decision).Reason);
    }

    [Fact]
    public async Task The_first_frame_comes_at_once_even_empty()
    {
        var stop = TestContext.Current.CancellationToken;
        var reader = _host.Watch(s_maya, _host.Durable);
        var frame = await _host.NextFrameAsync(reader, stop).WaitAsync(TimeSpan.FromSeconds(10), stop);
        Assert.NotSame(Frame.Resync, frame);
        using var soon = CancellationTokenSource.CreateLinkedTokenSource(stop);
        var next = _host.NextFrameAsync(reader, soon.Token);
        Assert.False(next.IsCompleted);
        await soon.CancelAsync();
    }

    [Fact]
    public async Task Previews_of_a_sleeping_reader_are_dropped_not_gathered()
    {
        var stop = TestContext.Current.CancellationToken;
        var asleep = _host.Watch(s_maya, 0);
        for (var i = 0; i < 1_000; i++) _host.Preview([(byte)i], Actor.Owner, isPassing: true);
        var frame = await _host.NextFrameAsync(asleep, stop);
        Assert.InRange(frame.Length, 100, 1_000);
    }

    public async ValueTask DisposeAsync()
    {
        await _host.StopAsync();
        await _log.DisposeAsync();
    }

    private static Board NewBoard() => new(ActivityContent.Blank("en", "Load test log"));

    private async Task<RoomClient> WriterAsync()
    {
        var (_, envelope) = await _host.SubmitAsync(new AdmitClient(), s_maya);
        return new RoomClient(((ClientAdmitted)envelope!.Event).Number, NewBoard, new HostLine(_host));
    }

    private static void Draw(RoomClient writer)
    {
        var id = writer.NewId();
        writer.Submit(new AddMark(id, 1, Grip.Own, new InkBody([new InkPoint(0, 0, 128, 0), new InkPoint(50, 0, 128, 8)]), new Style(0, 60)), id);
    }

    private sealed class NoLine : IRoomLine
    {
        public void Send(Submission submission)
        {
        }
    }

    private sealed class HostLine(RoomHost host) : IRoomLine, ISubmitter
    {
        public void Send(Submission submission) => SpinWait.SpinUntil(() => host.TrySubmit(submission, s_maya, this));

        public void Answer(Guid room, Submission submission, Decision decision, Envelope? envelope)
        {
        }
    }
}
