using Yardang.Core.Drafts;
using Yardang.Core.Rooms;
using Yardang.Data.School;
using Yardang.Web.Rooms;

namespace Yardang.Web.Shelf;

/// <summary>Activities being made in the workshop.</summary>
public sealed class DraftRooms : IRoomKind
{
    public RoomKind Kind => RoomKind.Draft;

    public Task<Opening> OpenAsync(RoomRecord room, RoomHosts hosts) => Task.FromResult(new Opening(() => new Draft(), Allowed.Everything));

    public Task LoadedAsync(RoomHost host, RoomRecord room, RoomHosts hosts) => Task.CompletedTask;
}
