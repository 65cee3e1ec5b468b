using System.Text.Json;
using Microsoft.AspNetCore.Antiforgery;
using Yardang.Core.Editing;
using Yardang.Core.History;
using Yardang.Core.Lessons;
using Yardang.Core.Marks;
using Yardang.Core.Rooms;
using Yardang.Core.Threads;
using Yardang.Core.Walls;
using Yardang.Web.Access;
using Yardang.Web.History;
using Yardang.Web.Rooms;

namespace Yardang.Web.Moderation;

/// <summary>What waits for a teacher, and what they decide.</summary>
public sealed class InTrayEndpoint(InTray tray, RoomHosts hosts, AccessResolver access, PastRooms past, IAntiforgery antiforgery)
{
    private const int MostBytes = 512 * 1024;
    private const int MostDecided = 500;

    // Why is "concern" for what students told of.
    private sealed record Wanted(string Key, Guid Room, int Person, long[] Numbers, string? Why = null);

    private sealed record Decided(string What, string Words, Wanted[] Things);

    // A teacher who decides in a room: a tab of its own, for the moment.
    private sealed class Deciding(RoomHost host, RoomKind kind, Actor teacher, int client)
    {
        private int _counter;

        public RoomKind Kind => kind;

        // What its author took down themselves stays down.
        public async Task<bool> IsDownByTeacherAsync(long about, long answer)
        {
            var isDown = false;
            await host.LookAsync(r => isDown = HidingByConcerns.IsDownByTeacher(r, teacher, about, answer));
            return isDown;
        }

        public async Task<Decision?> TakeBackAsync(TakeBack takeBack, CancellationToken stop)
        {
            Command? command = null;
            await host.LookAsync(r => command = takeBack(r), stop);
            return command is null ? null : (await SubmitAsync(command, stop)).Decision;
        }

        public async Task<Decision> TakeUpAgainAsync(LateWork work) => (await host.SubmitAsync(new TakeUpAgain(work), Actor.Program)).Decision;

        public Task<(Decision Decision, Envelope? Envelope)> SubmitAsync(Command command, CancellationToken stop) => host.SubmitAsync(new Submission(client, ++_counter, _counter - 1, 0, command), teacher, stop);
    }

    /// <summary>What waits, longest first.</summary>
    public async Task<IResult> GetAsync(HttpContext context, Guid? lesson)
    {
        context.Response.Headers.CacheControl = "private, no-store";
        return Results.Json(await tray.OfAsync(Visitor.Of(context), lesson));
    }

    /// <summary>How much waits.</summary>
    public async Task<IResult> CountAsync(HttpContext context)
    {
        context.Response.Headers.CacheControl = "private, no-store";
        return Results.Json(new { count = await tray.CountAsync(Visitor.Of(context)) });
    }

    /// <summary>Decides about things, each by itself, and says of each whether it was done, or somebody was quicker.</summary>
    public async Task<IResult> PostAsync(HttpContext context)
    {
        if (!await antiforgery.IsRequestValidAsync(context)) return Results.BadRequest();
        if (await ReadAsync(context) is not { Words: not null, Things: { Length: <= MostDecided } things } decided || !LateWork.CanSay(decided.Words) || things.Any(t => t?.Numbers is null or { Length: > Limits.LateWork })) return Results.BadRequest();
        var visitor = Visitor.Of(context);
        var outcomes = new Dictionary<string, string>(StringComparer.Ordinal);
        foreach (var inRoom in things.GroupBy(t => t.Room))
        {
            var deciding = await BeginAsync(visitor, inRoom.Key, context.RequestAborted);
            foreach (var thing in inRoom) outcomes[thing.Key ?? ""] = deciding is null ? "refused" : string.Equals(thing.Why, "concern", StringComparison.Ordinal) ? await DecideConcernAsync(deciding, thing, decided, context.RequestAborted) : await DecideAsync(deciding, thing, decided, context.RequestAborted);
        }

        return Results.Json(outcomes);
    }

    /// <summary>Takes decisions back, each by itself: what was left off or returned waits again; what was let in is as it was before, what was taken down is up.</summary>
    public async Task<IResult> UndoAsync(HttpContext context)
    {
        if (!await antiforgery.IsRequestValidAsync(context)) return Results.BadRequest();
        if (await ReadAsync(context) is not { Words: not null, Things: { Length: <= MostDecided } things } decided || things.Any(t => t?.Numbers is null or { Length: > Limits.LateWork })) return Results.BadRequest();
        var visitor = Visitor.Of(context);
        var outcomes = new Dictionary<string, string>(StringComparer.Ordinal);
        foreach (var inRoom in things.GroupBy(t => t.Room))
        {
            var deciding = await BeginAsync(visitor, inRoom.Key, context.RequestAborted);
            var taken = deciding is null || deciding.Kind is not (RoomKind.Board or RoomKind.Wall) ? null : await DecisionsTaken.OfAsync(past, inRoom.Key, inRoom.SelectMany(t => t.Numbers).ToHashSet());
            foreach (var thing in inRoom)
            {
                outcomes[thing.Key ?? ""] = taken is null || deciding is null ? "refused"
                    : string.Equals(thing.Why, "concern", StringComparison.Ordinal) ? await PutBackAsync(deciding, thing, decided, context.RequestAborted)
                    : await TakeBackAsync(deciding, thing, taken, context.RequestAborted);
            }
        }

        return Results.Json(outcomes);
    }

    // What students told of and was taken down is up again; what was all right was left as it was.
    private static async Task<string> PutBackAsync(Deciding deciding, Wanted thing, Decided decided, CancellationToken stop)
    {
        if (decided.What is not "leave" || thing.Numbers is not [var about, var answer] || !await deciding.IsDownByTeacherAsync(about, answer)) return "refused";
        Command command = (deciding.Kind, answer) switch
        {
            (RoomKind.Wall, 0) => new PutCardBack(about),
            (_, 0) => new MakeChanges([new TakingDown(about, TakenDown.No)]),
            _ => new PutAnswerBack(about, answer),
        };
        return (await deciding.SubmitAsync(command, stop)).Decision is Decision.Accepted ? "done" : "gone";
    }

    // The last that was done to a thing is taken back first.
    private static async Task<string> TakeBackAsync(Deciding deciding, Wanted thing, DecisionsTaken taken, CancellationToken stop)
    {
        var done = false;
        foreach (var number in thing.Numbers.OrderDescending())
        {
            var decision = taken.Let.TryGetValue(number, out var takeBack) ? await deciding.TakeBackAsync(takeBack, stop)
                : taken.Left.TryGetValue(number, out var work) ? await deciding.TakeUpAgainAsync(work) : null;
            done |= decision is Decision.Accepted;
        }

        return done ? "done" : "gone";
    }

    private async Task<Deciding?> BeginAsync(Visitor visitor, Guid room, CancellationToken stop)
    {
        if (await access.ForRoomAsync(visitor, room) is not { MayWrite: true, Actor: { IsStaff: true } teacher } found || await hosts.FindAsync(room) is not { } host) return null;
        return (await host.SubmitAsync(new AdmitClient(), teacher, stop)).Envelope?.Event is ClientAdmitted { Number: var client } ? new(host, found.Kind, teacher, client) : null;
    }

    private static async Task<string> DecideAsync(Deciding deciding, Wanted thing, Decided decided, CancellationToken stop)
    {
        var commands = (decided.What, deciding.Kind) switch
        {
            ("add", RoomKind.Lesson) => [new AdmitPerson(thing.Person)],
            ("leave", RoomKind.Lesson) => [new TurnAway(thing.Person)],
            ("add", RoomKind.Board or RoomKind.Wall) => thing.Numbers.Order().Select(n => (Command)new AcceptLateWork(n)),
            ("return", RoomKind.Board or RoomKind.Wall) => thing.Numbers.Order().Select(n => (Command)new ReturnWork(n, decided.Words)),
            ("leave", RoomKind.Board or RoomKind.Wall) => thing.Numbers.Order().Select(n => (Command)new DiscardLateWork(n, decided.Words)),
            _ => Enumerable.Empty<Command>(),
        };
        var outcome = "refused";
        foreach (var command in commands)
        {
            outcome = await deciding.SubmitAsync(command, stop) switch
            {
                (Decision.Accepted { Event: LateWorkAccepted { Outcome: null } }, _) => "gone",
                (Decision.Accepted or Decision.Known, _) => "done",
                (Decision.Refused { Reason: Refusal.NotFound or Refusal.ChangedSince }, _) => "decided",
                _ => "refused",
            };
        }

        return outcome;
    }

    // It is settled first: so two teachers never decide twice. What is all right is put back if it is down; what is not goes down.
    private static async Task<string> DecideConcernAsync(Deciding deciding, Wanted thing, Decided decided, CancellationToken stop)
    {
        if (thing.Numbers is not [var about, var answer] || deciding.Kind is not (RoomKind.Board or RoomKind.Wall) || decided.What is not ("add" or "leave")) return "refused";
        switch (await deciding.SubmitAsync(new SettleConcerns(about, answer), stop))
        {
            case (Decision.Accepted, _): break;
            case (Decision.Refused { Reason: Refusal.NotFound }, _): return "decided";
            default: return "refused";
        }

        var isDown = await deciding.IsDownByTeacherAsync(about, answer);
        Command? command = (decided.What, deciding.Kind, answer) switch
        {
            ("leave", RoomKind.Wall, 0) => new TakeCardDown(about, decided.Words),
            ("leave", RoomKind.Board, 0) => isDown ? null : new MakeChanges([new TakingDown(about, TakenDown.Hidden)]),
            ("leave", _, _) => new TakeAnswerDown(about, answer, decided.Words),
            _ when !isDown => null,
            (_, RoomKind.Wall, 0) => new PutCardBack(about),
            (_, RoomKind.Board, 0) => new MakeChanges([new TakingDown(about, TakenDown.No)]),
            _ => new PutAnswerBack(about, answer),
        };

        // That it is so already is no matter.
        if (command is not null) await deciding.SubmitAsync(command, stop);
        return "done";
    }

    private static async Task<Decided?> ReadAsync(HttpContext context)
    {
        if (context.Request.ContentLength is null or > MostBytes) return null;
        try
        {
            return await context.Request.ReadFromJsonAsync<Decided>(context.RequestAborted);
        }
        catch (Exception e) when (e is JsonException or InvalidOperationException)
        {
            return null;
        }
    }
}
