using MessagePack;
using Microsoft.AspNetCore.Antiforgery;
using Yardang.Core.Editing;
using Yardang.Core.Rooms;
using Yardang.Data.Wire;
using Yardang.Web.Access;

namespace Yardang.Web.Rooms;

/// <summary>
/// Takes what was written on a board by somebody who has left it meanwhile, or is on another page of their own: an array of commands in order,
/// each as the hub takes it. Answered when all are durable or refused, with what became of them; sending them again does no harm.
/// </summary>
public sealed class LeftoversEndpoint(RoomHosts hosts, AccessResolver access, IAntiforgery antiforgery)
{
    private const int MostBytes = 4 * 1024 * 1024;
    private const int MostCommands = 2_000;

    /// <summary>Takes them.</summary>
    public async Task<IResult> PostAsync(HttpContext context, Guid room)
    {
        if (!await antiforgery.IsRequestValidAsync(context)) return Results.BadRequest();
        if (await access.ForRoomAsync(Visitor.Of(context), room) is not { Kind: RoomKind.Board or RoomKind.Wall, Actor.IsStaff: false } found) return Results.NotFound();
        if (await hosts.FindAsync(room) is not { } host || Read(await BytesAsync(context)) is not { } messages) return Results.BadRequest();
        var (kept, waiting, refused) = (0, 0, 0);
        foreach (var message in messages)
        {
            if (CommandCodec.Decode(message).Submission is not { } submission)
            {
                refused++;
                continue;
            }

            switch (await host.SubmitAsync(submission, found.Actor, context.RequestAborted))
            {
                case (Decision.Accepted { Event: WorkSetAside }, _): waiting++; break;
                case (Decision.Accepted or Decision.Known, _): kept++; break;

                // The room has too much to do, or lacks what came before: the whole is sent again in a moment.
                case (Decision.Refused { Reason: Refusal.Busy or Refusal.Resend }, _): return Results.StatusCode(StatusCodes.Status503ServiceUnavailable);
                default: refused++; break;
            }
        }

        return Results.Json(new { kept, waiting, refused });
    }

    private static async Task<byte[]> BytesAsync(HttpContext context)
    {
        if (context.Request.ContentLength is null or > MostBytes) return [];
        using var bytes = new MemoryStream();
        await context.Request.Body.CopyToAsync(bytes, context.RequestAborted);
        return bytes.ToArray();
    }

    private static List<byte[]>? Read(byte[] body)
    {
        try
        {
            var r = new MessagePackReader(body);
            var count = r.ReadArrayHeader();
            if (count > MostCommands) return null;
            var messages = new List<byte[]>(count);
            for (; count > 0; count--) messages.Add(MessagePackSerializer.Deserialize<byte[]>(ref r));
            return messages;
        }
        catch (Exception e) when (e is MessagePackSerializationException or EndOfStreamException or OverflowException or ArgumentOutOfRangeException)
        {
            return null;
        }
    }
}
