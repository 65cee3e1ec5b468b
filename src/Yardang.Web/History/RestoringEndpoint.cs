using System.Buffers;
using System.Collections.Immutable;
using MessagePack;
using Yardang.Core.Boards;
using Yardang.Core.Editing;
using Yardang.Core.History;
using Yardang.Core.Marks;
using Yardang.Core.Rooms;
using Yardang.Data.Log;
using Yardang.Data.Wire;
using Yardang.Web.Access;
using Yardang.Web.Rooms;

namespace Yardang.Web.History;

/// <summary>What would have to be changed on a board so that it is as it was at a moment. Nothing is changed by asking: the teacher who has looked at it does it.</summary>
public sealed class RestoringEndpoint(AccessResolver access, RoomHosts hosts, IRoomSource source, IEventStore store)
{
    /// <summary>[[command ...], back, changed, away, down]: the numbers as <see cref="Restoration"/> has them, the commands as they are to be sent, in order, as one gesture.</summary>
    public async Task<IResult> GetAsync(HttpContext context, Guid room, long at, long? page, int? person, long? mark, RestoreDepth? depth)
    {
        if (await access.ForRoomAsync(Visitor.Of(context), room) is not { Kind: RoomKind.Board, Actor.IsStaff: true, MayWrite: true }) return Results.NotFound();
        if (await hosts.FindAsync(room) is not { } host) return Results.NotFound();
        var order = new RestoreOrder(page ?? 0, person ?? 0, mark ?? 0, depth ?? RestoreDepth.Gone);
        if (at < 0 || at > host.Durable || !Enum.IsDefined(order.Depth)) return Results.BadRequest();

        var board = (Board)(await source.FindAsync(room, hosts))!.Create();
        var plan = Plan(room, board, at, order);
        var buffer = new ArrayBufferWriter<byte>(4096);
        var w = new MessagePackWriter(buffer);
        w.WriteArrayHeader(5);
        List<byte[]> commands = [.. Commands(plan.Changes)];
        w.WriteArrayHeader(commands.Count);
        foreach (var command in commands) w.WriteRaw(command);
        w.Write(plan.Back);
        w.Write(plan.Changed);
        w.Write(plan.Away);
        w.Write(plan.Down);
        w.Flush();
        context.Response.Headers.CacheControl = "private, no-store";
        return Results.Bytes(buffer.WrittenMemory.ToArray(), "application/vnd.msgpack");
    }

    // As few as can be sent.
    private static IEnumerable<byte[]> Commands(ImmutableArray<Change> changes)
    {
        if (changes.IsEmpty) return [];
        if (changes.Length <= Limits.Changes && CommandCodec.Encode(Submission.ByProgram(new RestoreMarks(changes))) is var command && (command.Length <= Limits.CommandBytes / 2 || changes.Length == 1)) return [command];
        var half = changes.Length / 2;
        return [.. Commands(changes[..half]), .. Commands(changes[half..])];
    }

    // The log is gone through once: what is unchanged since the moment is the same object then and now.
    private Restoration Plan(Guid room, Board board, long at, RestoreOrder order)
    {
        Dictionary<long, Mark>? then = null;
        foreach (var payload in store.Read(room, 0))
        {
            if (board.Number >= at) then ??= new(board.Sheets.Marks);
            board.Apply(EventCodec.Decode(payload));
        }

        return Restoring.Plan(then ?? new(board.Sheets.Marks), board.Sheets, order);
    }
}
