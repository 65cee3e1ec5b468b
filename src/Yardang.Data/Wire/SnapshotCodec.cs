using System.Buffers;
using MessagePack;
using Yardang.Core.Rooms;
using Yardang.Core.Visibility;

namespace Yardang.Data.Wire;

/// <summary>
/// A room's state in one piece: [format, kind, number, clients, state]. The same form serves the disk (as the program sees it) and the
/// wire (as one reader may see it, compressed). Disposable: another format is dropped, and the log replayed.
/// </summary>
public static class SnapshotCodec
{
    /// <summary>Counts up with every change of layout.</summary>
    public const int Format = 27;

    /// <summary>The state as one reader may see it. The same state gives the same bytes.</summary>
    public static byte[] Encode(Room room, Actor reader)
    {
        var state = Snapshots.Of(room, reader);
        var buffer = new ArrayBufferWriter<byte>(4096);
        var w = new MessagePackWriter(buffer);
        w.WriteArrayHeader(5);
        w.Write(Format);
        w.Write(Forms.KindOf(state));
        w.Write(room.Number);
        // Which tab is whose would tell whose is what.
        reader = reader.ReadingWhere(room.IsSealed);
        var clients = room.Clients.Where(c => reader.SeesAll || c.Value.Actor == reader.Number).ToList();
        w.WriteArrayHeader(clients.Count);
        foreach (var (client, record) in clients)
        {
            w.WriteArrayHeader(3);
            w.Write(client);
            w.Write(record.Actor);
            w.Write(record.HighWater);
        }

        Forms.WriteBody(ref w, state);
        w.Flush();
        return buffer.WrittenSpan.ToArray();
    }

    /// <summary>Puts a state into a new, empty room of the same kind. False if it is of another format or kind.</summary>
    /// <exception cref="MessagePackSerializationException">It is damaged.</exception>
    public static bool Restore(ReadOnlyMemory<byte> bytes, Room room)
    {
        var r = new MessagePackReader(bytes);
        r.ReadArrayHeader();
        if (r.ReadInt32() != Format || r.ReadInt32() != (int)room.Kind) return false;
        var number = r.ReadInt64();
        var clients = new List<KeyValuePair<int, ClientRecord>>();
        for (var left = r.ReadArrayHeader(); left > 0; left--)
        {
            r.ReadArrayHeader();
            clients.Add(new(r.ReadInt32(), new(r.ReadInt32(), r.ReadInt32())));
        }

        room.Restore(number, clients, Forms.ReadRoomSnapshot(ref r, (int)room.Kind));
        return true;
    }
}
