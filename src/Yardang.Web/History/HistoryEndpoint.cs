using System.Buffers;
using MessagePack;
using Yardang.Core.Boards;
using Yardang.Core.History;
using Yardang.Core.Rooms;
using Yardang.Core.Walls;
using Yardang.Data.Wire;
using Yardang.Web.Access;
using Yardang.Web.Rooms;

namespace Yardang.Web.History;

/// <summary>
/// How a board or wall came to be, for teachers, and for a student whose board it is: as it was in the beginning, and all its events, a piece at a time. Whoever looks makes each moment of it
/// themselves, by the same rules as live: so the past is shown as those saw it who were there, and no moment has to be asked for.
/// </summary>
public sealed class HistoryEndpoint(PastRooms past)
{
    /// <summary>So many events are told at once.</summary>
    public const int EventsAtOnce = 4_000;

    /// <summary>
    /// The events after a number: [beginning, last, [event ...], through]. The beginning is a snapshot, and comes with the first piece only; the last is the number of the room's last event, through that
    /// of the last one of which it is said here what is told of it.
    /// </summary>
    public async Task<IResult> GetAsync(HttpContext context, Guid room, long? after)
    {
        if (after < 0) return Results.NotFound();
        var visitor = Visitor.Of(context);
        if (await past.FindAsync(visitor, room) is var (host, found)) return await PieceAsync(context, room, host, found.Actor, after ?? 0, payload => payload);
        if (await past.FindOwnAsync(visitor, room) is not var (own, student)) return Results.NotFound();
        OwnPast? told = null;
        await own.LookAsync(r => told = new((Board)r, student));
        return await PieceAsync(context, room, own, student, after ?? 0, payload => told!.Told(EventCodec.Decode(payload)) is { } known ? EventCodec.Encode(known) : null);
    }

    private async Task<IResult> PieceAsync(HttpContext context, Guid room, RoomHost host, Actor reader, long since, Func<byte[], byte[]?> told)
    {
        var last = host.Durable;
        var events = past.Events(room, since, (int)Math.Clamp(last - since, 0, EventsAtOnce));
        var beginning = since > 0 ? null : SnapshotCodec.Encode(await BeginningAsync(room, events), reader);
        List<byte[]> known = [.. events.Select(told).OfType<byte[]>()];

        var buffer = new ArrayBufferWriter<byte>(64 * 1024);
        var w = new MessagePackWriter(buffer);
        w.WriteArrayHeader(4);
        if (beginning is null) w.WriteNil();
        else w.Write(beginning);
        w.Write(last);
        w.WriteArrayHeader(known.Count);
        foreach (var payload in known) w.WriteRaw(payload);
        w.Write(since + events.Count);
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
