using System.Buffers;
using System.Collections.Concurrent;
using System.Runtime.CompilerServices;
using MessagePack;
using Microsoft.AspNetCore.SignalR;
using Yardang.Core.Rooms;
using Yardang.Core.Threads;
using Yardang.Data.Log;
using Yardang.Data.Wire;
using Yardang.Web.Access;
using Yardang.Web.Needs;

namespace Yardang.Web.Rooms;

/// <summary>
/// The live connection: commands in, numbered events out. Methods hand over and return; what happens next comes through
/// <see cref="Watch"/>. Described in docs/protocol.md.
/// </summary>
public sealed class RoomHub(RoomHosts hosts, AccessResolver access, IHubContext<RoomHub> hub, LiveConnections connections, Strangers strangers, Whereabouts whereabouts, LogIdentity log) : Hub
{
    private const int PreviewBytes = 8 * 1024;
    private const int MaxWatches = 400;

    private ConcurrentDictionary<Guid, Entry> Entered =>
        (ConcurrentDictionary<Guid, Entry>)Context.Items[nameof(Entered)]!;

    private LowData Spared => (LowData)Context.Items[nameof(LowData)]!;

    private RefusalPost Refusals => (RefusalPost)Context.Items[nameof(Refusals)]!;

    /// <inheritdoc/>
    public override Task OnConnectedAsync()
    {
        var (who, most) = LiveConnections.Of(Context.GetHttpContext()!);
        if (connections.Enter(who, most)) Context.Items[nameof(LiveConnections)] = who;
        else Context.Abort();
        var refusals = new RefusalPost(hub.Clients.Client(Context.ConnectionId), Context.Abort, Context.ConnectionAborted);
        Context.Items[nameof(Entered)] = new ConcurrentDictionary<Guid, Entry>();
        Context.Items[nameof(Refusals)] = refusals;
        Context.Items[nameof(LowData)] = new LowData();
        _ = refusals.RunAsync();
        return Clients.Caller.SendAsync("Log", log.Number, Context.ConnectionAborted);
    }

    /// <inheritdoc/>
    public override Task OnDisconnectedAsync(Exception? exception)
    {
        if (Context.Items[nameof(LiveConnections)] is string who) connections.Leave(who);
        return Task.CompletedTask;
    }

    /// <summary>Gives this tab a client number in a room, under which it may send commands.</summary>
    public async Task<int> Admit(string room)
    {
        var (roomAccess, host) = await EnterAsync(room);
        Spared.WritesIn(host.Id);
        var (decision, envelope) = await host.SubmitAsync(new AdmitClient(), roomAccess.Actor, Context.ConnectionAborted);
        return envelope?.Event is ClientAdmitted admitted ? admitted.Number : throw Refuse((decision as Decision.Refused)?.Reason ?? Refusal.Busy);
    }

    /// <summary>Streams the room's frames after an event number, each reader at its own pace.</summary>
    public async IAsyncEnumerable<byte[]> Watch(string room, long after, [EnumeratorCancellation] CancellationToken stop)
    {
        var (roomAccess, host) = await EnterAsync(room);
        var subscription = host.Watch(roomAccess.Actor, after, Spared);

        // Whose place is elsewhere now, and rights that have changed between the look-up and now.
        if (roomAccess.Actor.HasLeft || !Entered[host.Id].IsCurrent) subscription.Recall();
        try
        {
            byte[]? frame = null;
            while (frame != Frame.Resync && frame != Frame.Recalled)
            {
                frame = await host.NextFrameAsync(subscription, stop);
                yield return frame;
            }
        }
        finally
        {
            host.Leave(subscription);
        }
    }

    /// <summary>Hands in a command. It is answered by its event, or by <c>Refused</c>.</summary>
    public async Task Submit(string room, byte[] message)
    {
        if (!Guid.TryParse(room, out var id)) throw Refuse(Refusal.NotFound);
        var (submission, refusal, client, counter) = CommandCodec.Decode(message);
        if (submission is null)
        {
            Refusals.Refuse(id, client, counter, refusal ?? Refusal.Malformed, 0);
            return;
        }

        RoomAccess roomAccess;
        RoomHost host;
        try
        {
            (roomAccess, host) = await EnterAsync(room);
        }
        catch (HubException)
        {
            Refusals.Refuse(id, client, counter, Refusal.NotAllowed, 0);
            return;
        }

        if (!host.TrySubmit(submission, roomAccess.Actor, Refusals)) Refusals.Answer(id, submission, Refusal.Busy, null);
    }

    /// <summary>Shows something passing to the others: ink being drawn.</summary>
    public async Task Preview(string room, byte[] preview)
    {
        if (preview.Length > PreviewBytes) return;
        var (roomAccess, host) = await EnterAsync(room);

        // In the lesson's room it is teachers who show something: where those look who are led.
        if (!roomAccess.MayWrite || !host.LetsWrite(roomAccess.Actor) || (roomAccess is { Kind: RoomKind.Lesson, Actor.IsStaff: false })) return;
        host.Preview(Signed(roomAccess.Actor, preview), roomAccess.Actor, LowData.IsPassing(preview));
    }

    /// <summary>The device or the network of this page is weak, or not any more.</summary>
    public void Spare(bool on) => Spared.IsOn = on;

    /// <summary>A student has turned to a page: their teacher sees where they are.</summary>
    public async Task Turned(string room, long page)
    {
        var (roomAccess, host) = await EnterAsync(room);
        if (roomAccess is { Kind: RoomKind.Board, MayWrite: true } && roomAccess.Actor is { IsStaff: false, HasLeft: false }) whereabouts.Note(host.Id, roomAccess.Actor.Number, page);
    }

    // [actor, role, client's bytes]: a client cannot speak in another's name.
    private static byte[] Signed(Actor actor, byte[] preview)
    {
        var buffer = new ArrayBufferWriter<byte>(preview.Length + 12);
        var w = new MessagePackWriter(buffer);
        w.WriteArrayHeader(3);
        w.Write(actor.Number);
        w.Write((int)actor.Role);
        w.Write(preview);
        w.Flush();
        return buffer.WrittenSpan.ToArray();
    }

    private static HubException Refuse(Refusal reason) => new($"refused:{(int)reason}");

    private async Task<(RoomAccess Access, RoomHost Host)> EnterAsync(string room)
    {
        if (!Guid.TryParse(room, out var id)) throw Refuse(Refusal.NotFound);
        if (Entered.TryGetValue(id, out var entered) && entered.IsCurrent) return (entered.Access, entered.Host);
        if (entered is null && Entered.Count >= MaxWatches) throw Refuse(Refusal.Full);

        // Rights are counted before they are looked up, so that a change in between is noticed. Strangers cause no room to be loaded.
        var host = await hosts.FindLoadedAsync(id);
        var rights = host?.Rights ?? 0;
        var roomAccess = await LookUpAsync(id);
        if (host is null || host.Finished.IsCancellationRequested)
        {
            host = await hosts.FindAsync(id) ?? throw Refuse(Refusal.NotFound);
            rights = host.Rights;
            roomAccess = await LookUpAsync(id);
        }

        Entered[id] = new(roomAccess, host, rights);
        return (roomAccess, host);
    }

    private async Task<RoomAccess> LookUpAsync(Guid room)
    {
        if (await access.ForRoomAsync(Visitor.Of(Context.GetHttpContext()!), room) is { } found) return found;
        strangers.Refused(room);
        throw Refuse(Refusal.NotAllowed);
    }

    // What somebody may do here, as of when it was looked up.
    private sealed record Entry(RoomAccess Access, RoomHost Host, int Rights)
    {
        public bool IsCurrent => !Host.Finished.IsCancellationRequested && Rights == Host.Rights;
    }
}
