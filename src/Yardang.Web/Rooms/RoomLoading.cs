using Yardang.Core.Rooms;
using Yardang.Data.Wire;

namespace Yardang.Web.Rooms;

/// <summary>A room as it was found.</summary>
/// <param name="Room">Its state.</param>
/// <param name="Epoch">Counts the times it was loaded.</param>
/// <param name="ReadOnly">Whether part of its log cannot be read, so that nothing may be added.</param>
/// <param name="SnapshotNumber">Up to which event a snapshot is kept.</param>
public sealed record LoadedRoom(Room Room, int Epoch, bool ReadOnly, long SnapshotNumber);

/// <summary>Brings a room back from what is durable: the snapshot if there is a usable one, then the log's tail.</summary>
public static class RoomLoading
{
    /// <summary>Loads a room.</summary>
    public static LoadedRoom Load(Guid id, Func<Room> create, RoomSupport support)
    {
        var room = create();
        var epoch = support.Store.Open(id, room.Kind);
        if (support.Store.ReadSnapshot(id) is { } snapshot)
        {
            try
            {
                if (!SnapshotCodec.Restore(snapshot, room)) room = create();
            }
            catch (Exception e) when (e is MessagePack.MessagePackSerializationException or EndOfStreamException)
            {
                support.Logger.LogWarning(e, "The snapshot of room {Room} is damaged; its log is replayed.", id);
                room = create();
            }
        }

        var restored = room.Number;
        var readOnly = false;
        foreach (var payload in support.Store.Read(id, restored))
        {
            try
            {
                room.Apply(EventCodec.Decode(payload));
            }
            catch (Exception e) when (e is MessagePack.MessagePackSerializationException or InvalidOperationException or EndOfStreamException or KeyNotFoundException)
            {
                support.Logger.LogError(e, "Room {Room} can only be read: its event after {Number} cannot be applied.", id, room.Number);
                readOnly = true;
                break;
            }
        }

        return new(room, epoch, readOnly, restored);
    }
}
