using Microsoft.AspNetCore.SignalR.Client;
using Yardang.Core.Rooms;
using Yardang.Data.Wire;

namespace Yardang.Headless;

/// <summary>A room over the real hub: snapshot, frames, commands, and everything again after a lost connection.</summary>
public sealed class LiveRoom : IRoomLine, IDisposable
{
    private readonly HubConnection _hub;
    private readonly HttpClient _http;
    private readonly string _snapshotUrl;
    private readonly string _room;
    private static readonly TimeSpan s_resendPause = TimeSpan.FromMilliseconds(250);

    private readonly Lock _lock = new();
    private int _resending;
    private readonly CancellationTokenSource _stop = new();

    private LiveRoom(HubConnection hub, HttpClient http, Guid room, string asQuery, int client, Func<Room> create)
    {
        (_hub, _http, _room, Room) = (hub, http, room.ToString(), room);
        _snapshotUrl = $"/rooms/{room}/snapshot{asQuery}";
        Client = new RoomClient(client, create, this);
        _hub.On<string, int, int, int, int>("Refused", (refusedRoom, refusedClient, counter, reason, _) => Refused(refusedRoom, refusedClient, counter, (Refusal)reason));
    }

    /// <summary>Which room it is.</summary>
    public Guid Room { get; }

    /// <summary>The client; use it through <see cref="Do"/>.</summary>
    private RoomClient Client { get; }

    /// <summary>Enters a room: takes a client number, the snapshot, and follows.</summary>
    public static async Task<LiveRoom> EnterAsync(HubConnection hub, HttpClient http, Guid room, string asQuery, Func<Room> create)
    {
        var client = await hub.InvokeAsync<int>("Admit", room.ToString());
        var live = new LiveRoom(hub, http, room, asQuery, client, create);
        await live.TakeSnapshotAsync(CancellationToken.None);
        var stop = live._stop.Token;
        _ = Task.Run(() => live.FollowAsync(stop), stop);
        return live;
    }

    /// <summary>Whether frames are coming; when not, all that came has been taken in.</summary>
    public bool Following { get; private set; }

    /// <summary>Works with the client, one at a time.</summary>
    public T Do<T>(Func<RoomClient, T> work)
    {
        lock (_lock) return work(Client);
    }

    /// <summary>Shows something passing.</summary>
    public Task PreviewAsync(byte[] preview) => _hub.State == HubConnectionState.Connected ? _hub.SendAsync("Preview", _room, preview) : Task.CompletedTask;

    /// <inheritdoc/>
    public void Send(Submission submission)
    {
        if (_hub.State == HubConnectionState.Connected) _ = _hub.SendAsync("Submit", _room, CommandCodec.Encode(submission));
    }

    /// <summary>Follows no longer.</summary>
    public void Dispose()
    {
        _stop.Cancel();
        _stop.Dispose();
    }

    private async Task FollowAsync(CancellationToken stop)
    {
        while (!stop.IsCancellationRequested)
        {
            try
            {
                var after = Do(c => c.Room.Number);
                var first = true;
                await foreach (var frame in _hub.StreamAsync<byte[]>("Watch", _room, after, stop))
                {
                    Following = true;
                    if (!Do(c => c.TakeFrame(frame))) await TakeSnapshotAsync(stop);

                    // Not before the first frame: until then the connection may still be coming back, and what is sent is lost.
                    if (first) Do(Resent);
                    first = false;
                }
            }
            catch (Exception) when (!stop.IsCancellationRequested)
            {
                // The network is away: try again until it is back.
                Following = false;
                await Task.Delay(TimeSpan.FromMilliseconds(300), CancellationToken.None);
            }
            catch (OperationCanceledException)
            {
                return;
            }
        }
    }

    private async Task TakeSnapshotAsync(CancellationToken stop)
    {
        var snapshot = await _http.GetByteArrayAsync(_snapshotUrl, stop);
        Do(c =>
        {
            c.TakeSnapshot(snapshot);
            return true;
        });
    }

    private void Refused(string room, int client, int counter, Refusal reason)
    {
        if (!string.Equals(room, _room, StringComparison.OrdinalIgnoreCase)) return;
        if (Do(c => client == c.Client && c.TakeRefusal(counter, reason)) && Interlocked.Exchange(ref _resending, 1) == 0) _ = ResendSoonAsync();
    }

    // Many commands may be refused at once; the outbox is sent again once for all of them.
    private async Task ResendSoonAsync()
    {
        await Task.Delay(s_resendPause);
        Interlocked.Exchange(ref _resending, 0);
        Do(Resent);
    }

    private static bool Resent(RoomClient client)
    {
        client.Resend();
        return true;
    }
}
