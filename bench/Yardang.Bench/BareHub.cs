using Microsoft.AspNetCore.SignalR;

namespace Yardang.Bench;

/// <summary>The bare limit: a hub that passes bytes on to the others of a group, and does nothing else.</summary>
public sealed class BareHub : Hub
{
    public Task Enter(string room) => Groups.AddToGroupAsync(Context.ConnectionId, room);

    public Task Pass(string room, byte[] message) => Clients.OthersInGroup(room).SendAsync("Passed", message);
}
