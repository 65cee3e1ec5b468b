using System.Buffers;
using MessagePack;
using Yardang.Core.Boards;
using Yardang.Core.Rooms;
using Yardang.Core.Walls;
using Yardang.Data.Wire;
using Yardang.Web.Access;
using Yardang.Web.Rooms;

namespace Yardang.Web.History;

/// <summary>
/// How a board or wall came to be, for teachers: as it was in the beginning, and all its events, a piece at a time. Whoever looks makes each moment of it themselves,
/// by the same rules as live: so the past is shown as those saw it who were there, and no moment has to be asked for.
/// </summary>
public sealed class HistoryEndpoint(PastRooms past)
{
    /// <summary>So many events are told at once.</summary>
    public const int EventsAtOnce = 4_000;

    /// <summary>The events after a number: [beginning, last, [event ...]]. The beginning is a snapshot, and comes with the first piece only; the last is the number of the room's last event.</summary>
    public async Task<IResult> GetAsync(HttpContext context, Guid room, long? after)
    {
        if (after < 0 || await past.FindAsync(Visitor.Of(context), room) is not var (host, found)) return Results.NotFound();
        var last = host.Durable;
        var since = after ?? 0;
        var events = past.Events(room, since, (int)Math.Clamp(last - since, 0, EventsAtOnce));
        var beginning = since > 0 ? null : SnapshotCodec.Encode(await BeginningAsync(room, events), found.Actor);

        var buffer = new ArrayBufferWriter<byte>(64 * 1024);
        var w = new MessagePackWriter(buffer);
        w.WriteArrayHeader(3);
        if (beginning is null) w.WriteNil();
        else w.Write(beginning);
        w.Write(last);
        w.WriteArrayHeader(events.Count);
        foreach (var payload in events) w.WriteRaw(payload);
        w.Flush();

        context.Response.Headers.CacheControl = "private, no-store";
        context.Response.Headers.ContentEncoding = "gzip";
        return Results.Bytes(Gzip.Of(buffer.WrittenSpan), "application/vnd.msgpack");
    }

    // What was brought from elsewhere begins with what was brought.
    private async Task<Room> BeginningAsync(Guid room, IReadOnlyList<byte[]> events)
    {
        var beginning = await past.BeginningAsync(room);
        if (events.Count > 0 && EventCodec.Decode(events[0]) is { Event: WorkBrought or CardsBrought } brought) beginning.Apply(brought);
        return beginning;
    }
}
