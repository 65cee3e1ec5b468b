using System.Text.Json;
using Microsoft.AspNetCore.Antiforgery;
using Microsoft.Extensions.Localization;
using Yardang.Core.Likeness;
using Yardang.Core.Rooms;
using Yardang.Core.Threads;
using Yardang.Core.Visibility;
using Yardang.Core.Walls;
using Yardang.Web.Access;

namespace Yardang.Web.Rooms;

/// <summary>What is looked up among the questions and cards of a wall, for whoever sees them: those that resemble what is being typed, and answered questions by their words.</summary>
public sealed class QuestionsEndpoint(RoomHosts hosts, AccessResolver access, IAntiforgery antiforgery, IStringLocalizer<UiTexts> texts, TimeProvider clock)
{
    private const int MostBytes = 16 * 1024;

    // Whoever types asks once in a pause; who comes faster is told of nothing for a while, and types on.
    private readonly Pace _pace = new(atOnce: 60, perSecond: 2, mostWaiting: 0, clock);

    private sealed record Typed(string? Text);

    /// <summary>The ids of questions that resemble what is being typed; of cards, where what was said already is shown.</summary>
    public async Task<IResult> LikeAsync(HttpContext context, Guid room)
    {
        if (!await antiforgery.IsRequestValidAsync(context)) return Results.BadRequest();
        if (await FindAsync(context, room) is not { } found) return Results.NotFound();
        var (host, reader) = found;
        if (_pace.TakeTurn($"{room:N} {reader.Role} {reader.Number}") is null) return Results.StatusCode(StatusCodes.Status429TooManyRequests);
        if (await TypedAsync(context) is not { } text) return Results.BadRequest();
        IReadOnlyList<long> like = [];
        await host.LookAsync(r => reader = reader.ReadingWhere(r.IsSealed), context.RequestAborted);
        await host.LookAsync(r => like = r is Wall { Plan: { Purpose: Purpose.Ask } or { TopicsStand: true, Rules.SaidAlready: true } } wall ? [.. wall.Like(text, card => Sight.Of(reader, card, wall)).Select(id => wall.NamesHidden is { } veil && !reader.SeesAll ? veil.Over(reader, id) : id)] : [], context.RequestAborted);
        return Results.Json(like);
    }

    /// <summary>Answered questions by their words.</summary>
    public async Task<IResult> IndexAsync(HttpContext context, Guid room)
    {
        if (await FindAsync(context, room) is not { } found) return Results.NotFound();
        var (host, reader) = found;
        List<Card> answered = [];
        await host.LookAsync(
            r =>
            {
                if (r is Wall { Plan.Purpose: Purpose.Ask } wall) answered = [.. ((WallSnapshot)Snapshots.Of(wall, reader)).Cards.Where(c => c.IsUp && c.IsAnswered)];
            },
            context.RequestAborted);
        context.Response.Headers.CacheControl = "private, no-store";
        return Results.Json(QuestionIndex.Of(answered, CommonWords(texts)));
    }

    /// <summary>Words of grammar in the languages of the interface, as they are compared.</summary>
    public static IReadOnlySet<string> CommonWords(IStringLocalizer<UiTexts> texts) => LikeTexts.WordsOf(texts["Questions.CommonWords"]).ToHashSet(StringComparer.Ordinal);

    private async Task<(RoomHost Host, Actor Reader)?> FindAsync(HttpContext context, Guid room) =>
        await access.ForRoomAsync(Visitor.Of(context), room) is { MayLook: true, Kind: RoomKind.Wall } found && await hosts.FindAsync(room) is { } host
            ? (host, found.Actor)
            : null;

    private static async Task<string?> TypedAsync(HttpContext context)
    {
        if (context.Request.ContentLength is null or > MostBytes) return null;
        try
        {
            var typed = await context.Request.ReadFromJsonAsync<Typed>(context.RequestAborted);
            return typed?.Text is { Length: <= Limits.StatementLength } text ? text : null;
        }
        catch (Exception e) when (e is JsonException or InvalidOperationException)
        {
            return null;
        }
    }
}
