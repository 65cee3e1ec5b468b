using System.Collections.Immutable;
using System.Text.Json;
using Microsoft.AspNetCore.Antiforgery;
using Microsoft.EntityFrameworkCore;
using Microsoft.Extensions.Localization;
using SkiaSharp;
using Yardang.Core.Activities;
using Yardang.Core.Boards;
using Yardang.Core.Bringing;
using Yardang.Core.Lessons;
using Yardang.Core.Marks;
using Yardang.Core.Rooms;
using Yardang.Core.Threads;
using Yardang.Core.Walls;
using Yardang.Data.Media;
using Yardang.Data.School;
using Yardang.Web.Access;
using Yardang.Web.Rooms;

namespace Yardang.Web.Lessons;

/// <summary>What a student has on a board goes onto a wall of the same lesson, as a card of theirs.</summary>
public sealed class BringingAlong(IDbContextFactory<SchoolContext> school, RoomHosts hosts, AccessResolver access, FrozenVersions versions, MediaStore media, IAntiforgery antiforgery, IStringLocalizer<UiTexts> texts)
{
    private const int MostBytes = 64 * 1024;
    private const int MostMarks = 500;

    private sealed record Asked(long[]? Marks, int Part, long Topic, string? Language);

    private sealed record Place(long Id, string Heading);

    /// <summary>The walls of the lesson on which this student may put something up now, and where on them.</summary>
    public async Task<IResult> WallsAsync(HttpContext context, Guid board)
    {
        if (await BoardAsync(context, board) is not { } found) return Results.NotFound();
        var version = await versions.OfAsync(found.Lesson.VersionId);
        var walls = new List<object>();
        foreach (var part in found.Lesson.Parts.Where(p => p is { IsOpen: true, RoomKind: RoomKind.Wall }))
        {
            if (await WallAsync(context, found, part.Number) is not var (host, actor)) continue;
            List<Place>? places = null;
            await host.LookAsync(r => places = PlacesOn((Wall)r, actor), context.RequestAborted);
            if (places is not null) walls.Add(new { part = part.Number, name = PartNames.Of(version.Find(part.Number)!, ContentLanguage.Current, texts), topics = places });
        }

        context.Response.Headers.CacheControl = "private, no-store";
        return Results.Json(walls);
    }

    /// <summary>Puts it up. Answered once it is kept.</summary>
    public async Task<IResult> BringAsync(HttpContext context, Guid board)
    {
        if (!await antiforgery.IsRequestValidAsync(context)) return Results.BadRequest();
        if (await BoardAsync(context, board) is not { } found) return Results.NotFound();
        if (await AskedAsync(context) is not { Marks: { Length: > 0 and <= MostMarks } ids } asked) return Results.BadRequest();
        if (await WallAsync(context, found, asked.Part) is not var (wall, actor)) return Fault("Bring.NoWall");

        var wanted = ids.ToHashSet();
        ImmutableArray<Mark> marks = [];
        await found.Host.LookAsync(r => marks = [.. ((Board)r).Sheets.Marks.Values.Where(m => wanted.Contains(m.Id) && m.Author == found.Actor.Number && !m.ByStaff)], context.RequestAborted);
        if (BroughtCard.Of(marks, SizeOf) is not { } card) return Fault("Bring.Nothing");

        var (decision, envelope) = await wall.SubmitAsync(new AdmitClient(), actor, context.RequestAborted);
        if (envelope?.Event is not ClientAdmitted { Number: var client }) return Refused((decision as Decision.Refused)?.Reason);
        var put = new PutUpCard(Ids.Of(client, 1), asked.Topic, asked.Language is { } tag && Statement.IsLanguage(tag) ? tag : "", card.Text, card.Attachments.IsEmpty ? null : card.Attachments);
        (decision, envelope) = await wall.SubmitAsync(new Submission(client, 1, 0, 0, put), actor, context.RequestAborted);
        return envelope?.Event switch
        {
            CardPutUp => Results.Json(new { said = texts["Bring.Done"].Value }),
            WorkSetAside => Results.Json(new { said = texts["Bring.Waits"].Value }),
            _ => Refused((decision as Decision.Refused)?.Reason),
        };
    }

    private sealed record Found(LessonRecord Lesson, ParticipantRecord Participant, RoomHost Host, Actor Actor);

    // A board of the lesson on which this student works, or one of theirs that they look at.
    private async Task<Found?> BoardAsync(HttpContext context, Guid board)
    {
        var visitor = Visitor.Of(context);
        if (visitor.As is not { } id || await access.ForRoomAsync(visitor, board) is not { Kind: RoomKind.Board, MayLook: true, Actor: { IsStaff: false } actor }) return null;
        await using var db = await school.CreateDbContextAsync(context.RequestAborted);
        if (await db.Participants.FindAsync([id], context.RequestAborted) is not { } participant || participant.Number != actor.Number || await hosts.FindAsync(board) is not { } host) return null;
        var lesson = await db.Lessons.SingleAsync(l => l.Id == participant.LessonId, context.RequestAborted);
        return new(lesson, participant, host, actor);
    }

    // Where this student works in a part that is a wall and open.
    private async Task<(RoomHost Host, Actor Actor)?> WallAsync(HttpContext context, Found found, int number)
    {
        if (found.Lesson.FindPart(number) is not { IsOpen: true, RoomKind: RoomKind.Wall } part) return null;
        await using var db = await school.CreateDbContextAsync(context.RequestAborted);
        var room = await Seating.RoomAsync(db, found.Lesson, found.Lesson.PlaceOf(found.Participant, part));
        return await access.ForRoomAsync(Visitor.Of(context), room) is { MayWrite: true } may && await hosts.FindAsync(room) is { } host ? (host, may.Actor) : null;
    }

    // Null where students put nothing up.
    private static List<Place>? PlacesOn(Wall wall, Actor actor)
    {
        if (wall.Plan.Rules.OnlyGiven) return null;
        var topics = wall.Plan.TopicsShown.Where(t => wall.Visits.MayPutUp(wall.Plan, actor.Number, t.Id)).Select(t => new Place(t.Id, t.Heading.For(ContentLanguage.Current))).ToList();
        if (topics.Count > 0) return topics;
        return wall.Plan.Purpose == Purpose.Visit ? null : [new Place(WallPlan.Nowhere, "")];
    }

    private (int Width, int Height)? SizeOf(string name)
    {
        if (media.FindFile(name) is not { } file) return null;
        using var codec = SKCodec.Create(file);
        return codec is null ? null : (codec.Info.Width, codec.Info.Height);
    }

    private IResult Refused(Refusal? reason) => Fault(reason switch
    {
        Refusal.EnoughCards => "Bring.Enough",
        Refusal.NotAllowed => "Bring.NotShown",
        Refusal.OutOfRange => "Bring.TooMuch",
        Refusal.NotHere or Refusal.NotFound => "Bring.NotHere",
        _ => "Bring.NotNow",
    });

    private IResult Fault(string key) => Results.Json(new { fault = texts[key].Value }, statusCode: StatusCodes.Status409Conflict);

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
