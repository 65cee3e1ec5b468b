using Microsoft.EntityFrameworkCore;
using Yardang.Core.Rooms;
using Yardang.Data.School;

namespace Yardang.Web.Rooms;

/// <summary>Finds rooms in the school's table of rooms, and has each begun by its kind.</summary>
public sealed class SchoolRooms(IDbContextFactory<SchoolContext> school, IEnumerable<IRoomKind> kinds) : IRoomSource
{
    private readonly Dictionary<RoomKind, IRoomKind> _kinds = kinds.ToDictionary(k => k.Kind);

    public async Task<Opening?> FindAsync(Guid room, RoomHosts hosts) =>
        await RecordAsync(room) is { } record ? await _kinds[record.Kind].OpenAsync(record, hosts) : null;

    public async Task LoadedAsync(RoomHost host, RoomHosts hosts)
    {
        if (await RecordAsync(host.Id) is { } record) await _kinds[record.Kind].LoadedAsync(host, record, hosts);
    }

    private async Task<RoomRecord?> RecordAsync(Guid room)
    {
        await using var db = await school.CreateDbContextAsync();
        return await db.Rooms.FindAsync(room);
    }
}
