using System.Buffers;
using System.Collections.Immutable;
using MessagePack;
using Yardang.Core.Boards;
using Yardang.Core.Editing;
using Yardang.Core.History;
using Yardang.Core.Marks;
using Yardang.Core.Rooms;
using Yardang.Core.Walls;
using Yardang.Data.Wire;
using Yardang.Web.Access;
using Yardang.Web.Exports;

namespace Yardang.Web.History;

/// <summary>What a teacher asks for.</summary>
/// <param name="At">The number of the last event of the moment.</param>
/// <param name="Place">Id of the page or topic; null for all.</param>
/// <param name="Person">Whose work, by actor number; null for everybody's.</param>
/// <param name="Thing">Id of the mark or card; null for all.</param>
/// <param name="Depth">How far it goes.</param>
/// <param name="Through">Walls: what the teacher did after the moment up to this event is taken back, where nobody did anything to it since; null for a restore.</param>
public sealed record RestoreQuery(long At, long? Place, int? Person, long? Thing, RestoreDepth? Depth, long? Through);

/// <summary>What would have to be done on a board or wall so that it is as it was at a moment. Nothing is changed by asking: the teacher who has looked at it does it.</summary>
public sealed class RestoringEndpoint(PastRooms past, ExportDesk desk)
{
    private sealed record Plan(IReadOnlyList<byte[]> Commands, params RestoreCounts[] Counts);

    /// <summary>
    /// [[command ...], [[back, changed, away, down] ...]]: the commands as they are to be sent, in order, as one gesture; the numbers (<see cref="RestoreCounts"/>) of marks, or of cards, answers
    /// and links.
    /// </summary>
    public async Task<IResult> GetAsync(HttpContext context, Guid room, RestoreQuery query)
    {
        if (await past.FindAsync(Visitor.Of(context), room) is not ({ } host, { MayWrite: true } found)) return Results.NotFound();
        if (query.At < 0 || query.At > host.Durable || !Enum.IsDefined(query.Depth ?? RestoreDepth.Gone)) return Results.BadRequest();

        var beginning = await past.BeginningAsync(room);
        context.Response.Headers.CacheControl = "private, no-store";
        return await desk.GiveAsync(_ => Encoded(beginning is Board board ? PlanFor(board, room, query) : PlanFor((Wall)beginning, room, query, found.Actor)), "application/vnd.msgpack", "restoring", context.RequestAborted);
    }

    private static byte[] Encoded(Plan plan)
    {
        var buffer = new ArrayBufferWriter<byte>(4096);
        var w = new MessagePackWriter(buffer);
        w.WriteArrayHeader(2);
        w.WriteArrayHeader(plan.Commands.Count);
        foreach (var command in plan.Commands) w.WriteRaw(command);
        w.WriteArrayHeader(plan.Counts.Length);
        foreach (var (back, changed, away, down) in plan.Counts)
        {
            w.WriteArrayHeader(4);
            w.Write(back);
            w.Write(changed);
            w.Write(away);
            w.Write(down);
        }

        w.Flush();
        return buffer.WrittenMemory.ToArray();
    }

    // The log is gone through once: what is unchanged since the moment is the same object then and now.
    private Plan PlanFor(Board board, Guid room, RestoreQuery query)
    {
        Dictionary<long, Mark>? then = null;
        foreach (var happened in past.All(room))
        {
            if (board.Number >= query.At) then ??= new(board.Sheets.Marks);
            board.Apply(happened);
        }

        var plan = Restoring.Plan(then ?? new(board.Sheets.Marks), board.Sheets, new(query.Place ?? 0, query.Person ?? 0, query.Thing ?? 0, query.Depth ?? RestoreDepth.Gone));
        return new([.. Commands(plan.Changes)], new RestoreCounts(plan.Back, plan.Changed, plan.Away, plan.Down));
    }

    private Plan PlanFor(Wall wall, Guid room, RestoreQuery query, Actor teacher)
    {
        List<Envelope> log = [.. past.All(room)];
        WallThen? then = null;
        foreach (var happened in log)
        {
            if (wall.Number >= query.At) then ??= WallThen.Of(wall);
            wall.Apply(happened);
        }

        var only = query.Through is { } through ? RestoringCards.LastTouched(log, teacher.Number, query.At + 1, through) : null;
        var plan = RestoringCards.Plan(then ?? WallThen.Of(wall), wall, new(query.Place, query.Person ?? 0, query.Thing, query.Depth ?? RestoreDepth.Gone, only));
        return new([.. plan.Commands.Select(Encoded)], plan.Cards, plan.Answers, plan.Links);
    }

    // As few as can be sent.
    private static IEnumerable<byte[]> Commands(ImmutableArray<Change> changes)
    {
        if (changes.IsEmpty) return [];
        if (changes.Length <= Limits.Changes && Encoded(new RestoreMarks(changes)) is var command && (command.Length <= Limits.CommandBytes / 2 || changes.Length == 1)) return [command];
        var half = changes.Length / 2;
        return [.. Commands(changes[..half]), .. Commands(changes[half..])];
    }

    private static byte[] Encoded(Command command) => CommandCodec.Encode(Submission.ByProgram(command));
}
