using System.Collections.Concurrent;
using Yardang.Core.Rooms;
using Yardang.Data.Wire;
using Yardang.Web.Access;

namespace Yardang.Web.Rooms;

/// <summary>A room's state over HTTP, compressed once for each reader's view: how somebody joins late.</summary>
public sealed class SnapshotEndpoint(RoomHosts hosts, AccessResolver access, TimeProvider clock)
{
    private const int Kept = 256;
    private readonly ConcurrentDictionary<(Guid Room, int View), (long Number, byte[] Gzip)> _cache = new();

    public async Task<IResult> GetAsync(HttpContext context, Guid room)
    {
        if (await access.ForRoomAsync(Visitor.Of(context), room) is not { MayLook: true } roomAccess) return Results.NotFound();
        if (await hosts.FindAsync(room) is not { } host) return Results.NotFound();

        var view = roomAccess.Actor.IsStaff ? 0 : roomAccess.Actor.Number;
        if (!_cache.TryGetValue((room, view), out var cached) || cached.Number != host.Durable)
        {
            byte[] state = [];
            var number = await host.LookAsync(r => state = SnapshotCodec.Encode(r, roomAccess.Actor), context.RequestAborted);
            cached = (number, Gzip.Of(state));
            if (_cache.Count > Kept) _cache.Clear();
            _cache[(room, view)] = cached;
        }

        context.Response.Headers.CacheControl = "private, no-store";
        context.Response.Headers["X-Server-Time"] = clock.GetUtcNow().ToUnixTimeMilliseconds().ToString(System.Globalization.CultureInfo.InvariantCulture);
        context.Response.Headers.ContentEncoding = "gzip";
        return Results.Bytes(cached.Gzip, "application/vnd.msgpack");
    }
}
