using System.Diagnostics;
using Microsoft.AspNetCore.SignalR.Client;

namespace Yardang.Bench;

/// <summary>Everybody in one group of the bare hub.</summary>
public sealed class BareTogether : IRoomTarget
{
    private readonly Uri _address = ServerProcess.FreeAddress();
    private readonly List<HubConnection> _writers = [];

    public Process Server { get; private set; } = null!;

    public async Task StartAsync(int writers, Action<int, long, bool> received)
    {
        Server = await BareTarget.ServeAsync(_address);
        for (var i = 0; i < writers; i++)
        {
            var reader = i;
            var hub = await BareTarget.ConnectAsync(_address);
            hub.On<byte[]>("Passed", bytes => received(reader, Payload.StampOf(bytes), Payload.IsEvent(bytes)));
            await hub.InvokeAsync("Enter", "0");
            _writers.Add(hub);
        }
    }

    public void Send(int writer, long stamp, bool isEvent) => _ = _writers[writer].SendAsync("Pass", "0", Payload.Of(stamp, isEvent));

    public Task<string> CheckAsync() => Task.FromResult("");

    public async ValueTask DisposeAsync()
    {
        foreach (var writer in _writers) await writer.DisposeAsync();
        Server.Kill();
        Server.Dispose();
    }
}
