using System.Buffers;
using MessagePack;
using Microsoft.Extensions.Logging.Abstractions;
using Yardang.Core.Activities;
using Yardang.Core.Boards;
using Yardang.Core.Rooms;
using Yardang.Data.Log;
using Yardang.Headless;
using Yardang.Web.Rooms;

namespace Yardang.Web.Tests.Rooms;

/// <summary>A weak device is spared what is passing; nothing that is kept is left out.</summary>
public sealed class LowDataTests : IAsyncDisposable
{
    private static readonly Actor s_maya = new(2, Role.Student);

    private readonly SimulatedStore _store = new();
    private readonly EventLog _log;
    private readonly RoomHost _host;

    public LowDataTests()
    {
        _log = new EventLog(_store);
        _host = RoomHost.Open(Guid.CreateVersion7(), () => new Board(ActivityContent.Blank("en", "Bridges")), Allowed.Everything, new RoomSupport(_log, _store, TimeProvider.System, NullLogger.Instance));
    }

    private static CancellationToken Stop => TestContext.Current.CancellationToken;

    [Fact]
    public async Task It_is_not_shown_ink_that_is_being_drawn_and_is_shown_that_the_teacher_is_here()
    {
        var spared = new LowData { IsOn = true };
        var (weak, strong) = (_host.Watch(s_maya, 0, spared), _host.Watch(s_maya, 0, new LowData()));
        foreach (var preview in new[] { Ink(), Said("point"), Said("here"), Said("beside"), Said("view") }) _host.Preview(preview, Actor.Owner, LowData.IsPassing(preview));
        Assert.Equal(2, Shown(weak));
        Assert.Equal(5, Shown(strong));
        spared.IsOn = false;
        _host.Preview(Ink(), Actor.Owner, isPassing: true);
        Assert.Equal(1, Shown(weak));
        await _host.NextFrameAsync(weak, Stop);
    }

    [Theory]
    [InlineData(new byte[] { })]
    [InlineData(new byte[] { 0x90 })]
    [InlineData(new byte[] { 0xc1 })]
    [InlineData(new byte[] { 0x91, 0xdb, 0xff, 0xff, 0xff, 0xff })]
    public void What_cannot_be_read_is_passing(byte[] preview) => Assert.True(LowData.IsPassing(preview));

    [Fact]
    public void What_happens_is_gathered_where_it_only_looks_and_comes_at_once_where_it_writes_or_a_lesson_speaks()
    {
        var spared = new LowData { IsOn = true };
        Assert.True(spared.Gathers(_host.Id, RoomKind.Board));
        Assert.True(spared.Gathers(_host.Id, RoomKind.Wall));
        Assert.False(spared.Gathers(_host.Id, RoomKind.Lesson));
        spared.WritesIn(_host.Id);
        Assert.False(spared.Gathers(_host.Id, RoomKind.Board));
        Assert.True(spared.Gathers(Guid.CreateVersion7(), RoomKind.Board));
        Assert.False(new LowData().Gathers(_host.Id, RoomKind.Board));
    }

    [Fact]
    public async Task What_was_gathered_is_all_there_in_one_frame()
    {
        var weak = _host.Watch(Actor.Owner, 0, new LowData { IsOn = true });
        await _host.NextFrameAsync(weak, Stop);
        var next = _host.NextFrameAsync(weak, Stop);
        for (var i = 0; i < 5; i++) await _host.SubmitAsync(new AdmitClient(), s_maya, Stop);
        var r = new MessagePackReader(await next);
        Assert.Equal(3, r.ReadArrayHeader());
        Assert.Equal(5, r.ReadInt64());
        Assert.Equal(5, r.ReadArrayHeader());
    }

    public async ValueTask DisposeAsync()
    {
        await _host.StopAsync();
        await _log.DisposeAsync();
    }

    private static int Shown(Subscription subscription)
    {
        var shown = 0;
        while (subscription.TryTakePreview(out _)) shown++;
        return shown;
    }

    private static byte[] Said(string what) => Written((ref MessagePackWriter w) =>
    {
        w.WriteArrayHeader(3);
        w.Write(what);
        w.Write(1);
        w.Write(2);
    });

    private static byte[] Ink() => Written((ref MessagePackWriter w) =>
    {
        w.WriteArrayHeader(2);
        w.Write(7L);
        w.Write(1);
    });

    private delegate void Writing(ref MessagePackWriter w);

    private static byte[] Written(Writing write)
    {
        var buffer = new ArrayBufferWriter<byte>();
        var w = new MessagePackWriter(buffer);
        write(ref w);
        w.Flush();
        return buffer.WrittenSpan.ToArray();
    }
}
