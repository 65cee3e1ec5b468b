using Yardang.Core.Rooms;
using Yardang.Data.Log;
using Yardang.Data.Wire;
using Yardang.Web.Access;
using Yardang.Web.Rooms;

namespace Yardang.Web.History;

/// <summary>Boards and walls whose past a teacher may look at.</summary>
public sealed class PastRooms(AccessResolver access, RoomHosts hosts, IRoomSource source, IEventStore store)
{
    /// <summary>
    /// The room, and who the teacher is there; null if they have no business with its past. Where names are for nobody there is no past to look at: who wrote when would tell whose it is.
    /// </summary>
    public async Task<(RoomHost Host, RoomAccess Access)?> FindAsync(Visitor visitor, Guid room)
    {
        if (await access.ForRoomAsync(visitor, room) is not { Kind: RoomKind.Board or RoomKind.Wall, Actor.IsStaff: true, MayLook: true } found) return null;
        return await hosts.FindAsync(room) is { IsSealed: false } host ? (host, found) : null;
    }

    /// <summary>A student's own board, and who they are there; null if they may not look back.</summary>
    public async Task<(RoomHost Host, Actor Student)?> FindOwnAsync(Visitor visitor, Guid room) =>
        await access.OnOwnPastAsync(visitor, room) is { } student && await hosts.FindAsync(room) is { } host ? (host, student) : null;

    /// <summary>The room as it was in the beginning.</summary>
    public async Task<Room> BeginningAsync(Guid room) => (await source.FindAsync(room, hosts))!.Create();

    /// <summary>Its events after a number, as they are stored, and no more than so many.</summary>
    public IReadOnlyList<byte[]> Events(Guid room, long after, int most = int.MaxValue) => store.Read(room, after, most);

    /// <summary>Its events in order, one by one.</summary>
    public IEnumerable<Envelope> All(Guid room) => store.Read(room, 0).Select(payload => EventCodec.Decode(payload));
}
