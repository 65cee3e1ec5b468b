using System.Text.Json;
using Microsoft.AspNetCore.Antiforgery;
using Yardang.Core.Rooms;
using Yardang.Core.Walls;
using Yardang.Web.Access;
using Yardang.Web.Rooms;

namespace Yardang.Web.Lessons;

/// <summary>A teacher deals the cards of a wall out to the students who are on it now, to be read. What was dealt to those who are not goes back.</summary>
public sealed class DealingReading(RoomHosts hosts, AccessResolver access, IAntiforgery antiforgery)
{
    private const int MostBytes = 1024;

    // Dealing compares all readers with all cards: of more, the latest are dealt.
    private const int MostCards = 2_000;

    private sealed record Asked(int Each);

    /// <summary>Deals, and says to how many.</summary>
    public async Task<IResult> DealAsync(HttpContext context, Guid room)
    {
        if (!await antiforgery.IsRequestValidAsync(context)) return Results.BadRequest();
        if (await access.ForRoomAsync(Visitor.Of(context), room) is not { Kind: RoomKind.Wall, MayWrite: true, Actor: { IsStaff: true } teacher } || await hosts.FindAsync(room) is not { } host) return Results.NotFound();
        if (await AskedAsync(context) is not { Each: >= 1 and <= ReadingLists.MostEach } asked) return Results.BadRequest();
        var here = host.StudentsHere;
        var (cards, lists, mayDeal) = (new List<(long, int)>(), new Dictionary<int, ReadingList>(), true);
        await host.LookAsync(
            r =>
            {
                var wall = (Wall)r;
                mayDeal = wall is { IsSealed: false, Plan.Rules.OwnFirst: false };
                cards = [.. Stacks.Of(wall.Known).Select(s => wall.Cards[s.Key]).OrderByDescending(c => c.PutUpAt).Take(MostCards).Select(c => (c.Id, c.ByStaff ? 0 : c.Author))];
                lists = wall.Reading.All.ToDictionary();
            },
            context.RequestAborted);
        if (!mayDeal || cards.Count == 0) return Results.Json(new { people = 0 });
        var dealt = ReadingLists.Deal(cards, here, asked.Each, lists);
        var (decision, envelope) = await host.SubmitAsync(new AdmitClient(), teacher, context.RequestAborted);
        if (envelope?.Event is not ClientAdmitted { Number: var client }) return decision is Decision.Refused ? Results.StatusCode(StatusCodes.Status503ServiceUnavailable) : Results.BadRequest();
        var counter = 0;
        var given = 0;
        foreach (var person in lists.Values.Where(l => l.Unread.Any()).Select(l => l.Person).Except(here).Concat(dealt.Keys))
        {
            var list = dealt.GetValueOrDefault(person, []);
            var (_, told) = await host.SubmitAsync(new Submission(client, counter + 1, counter, 0, new GiveReading(person, list)), teacher, context.RequestAborted);
            counter++;
            if (told is not null && !list.IsEmpty) given++;
        }

        return Results.Json(new { people = given });
    }

    private static async Task<Asked?> AskedAsync(HttpContext context)
    {
        if (context.Request.ContentLength is null or > MostBytes) return null;
        try
        {
            return await context.Request.ReadFromJsonAsync<Asked>(context.RequestAborted);
        }
        catch (Exception e) when (e is JsonException or InvalidOperationException)
        {
            return null;
        }
    }
}
