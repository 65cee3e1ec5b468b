using Yardang.Core.Rooms;
using Yardang.Data.School;

namespace Yardang.Web.Rooms;

/// <summary>A room that can be loaded.</summary>
/// <param name="Create">Makes it, empty.</param>
/// <param name="Allowed">What its lesson allows there now.</param>
public sealed record Opening(Func<Room> Create, Allowed Allowed);

/// <summary>
/// What the server has to know of a kind of room. Everything else follows from the room's place: who may come (<c>AccessResolver</c>), what a reader sees
/// (<c>Core/Visibility</c>), its log, snapshots and deletion.
/// </summary>
public interface IRoomKind
{
    /// <summary>Which kind.</summary>
    RoomKind Kind { get; }

    /// <summary>How one of this kind is begun.</summary>
    Task<Opening> OpenAsync(RoomRecord room, RoomHosts hosts);

    /// <summary>A room of this kind was loaded; nobody has been given it yet.</summary>
    Task LoadedAsync(RoomHost host, RoomRecord room, RoomHosts hosts);
}
