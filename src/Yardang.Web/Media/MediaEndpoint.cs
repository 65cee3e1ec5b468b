using Microsoft.AspNetCore.Antiforgery;
using Microsoft.Extensions.Localization;
using Yardang.Core.Rooms;
using Yardang.Data.Media;
using Yardang.Rendering;
using Yardang.Web.Access;
using Yardang.Web.Rooms;

namespace Yardang.Web.Media;

/// <summary>Pictures of a room, in and out: for whoever may write in it, and for whoever may read it.</summary>
public sealed class MediaEndpoint(AccessResolver access, RoomHosts hosts, MediaStore media, IAntiforgery antiforgery, IStringLocalizer<UiTexts> texts)
{
    private const string KeepForGood = "private, max-age=31536000, immutable";

    /// <summary>Gives a picture.</summary>
    public async Task<IResult> GetAsync(HttpContext context, Guid room, string name)
    {
        if (await access.ForRoomAsync(Visitor.Of(context), room) is null) return Results.NotFound();
        if (media.Find(name) is not { } bytes) return Results.NotFound();

        // A name never means another picture.
        context.Response.Headers.CacheControl = KeepForGood;
        return Results.Bytes(bytes, PictureIntake.ContentTypeOf(bytes));
    }

    /// <summary>Takes a picture. Its mark is put on the page by a command, as any other.</summary>
    public async Task<IResult> PostAsync(HttpContext context, Guid room)
    {
        if (!await antiforgery.IsRequestValidAsync(context)) return Fault(StatusCodes.Status400BadRequest, "Picture.Expired");
        if (await access.ForRoomAsync(Visitor.Of(context), room) is not { Kind: RoomKind.Board or RoomKind.Draft } roomAccess) return Results.NotFound();
        if (await hosts.FindAsync(room) is not { } host) return Results.NotFound();
        if (!roomAccess.Actor.IsStaff && !host.Conditions.StudentsMayWrite) return Fault(StatusCodes.Status409Conflict, "Picture.NotNow");
        var form = await context.Request.ReadFormAsync(context.RequestAborted);
        if (form.Files.GetFile("picture") is not { Length: > 0 } file) return Fault(StatusCodes.Status400BadRequest, "Picture.NotAPicture");
        if (file.Length > PictureIntake.MaxBytes) return Fault(StatusCodes.Status413PayloadTooLarge, "Picture.TooLarge");

        using var bytes = new MemoryStream();
        await file.CopyToAsync(bytes, context.RequestAborted);
        var (picture, fault) = PictureIntake.Take(bytes.ToArray());
        if (picture is null) return Fault(StatusCodes.Status400BadRequest, $"Picture.{fault}");
        var name = await media.KeepAsync(picture.Bytes, context.RequestAborted);
        return Results.Json(new { media = name, width = picture.Width, height = picture.Height });
    }

    private IResult Fault(int status, string key) => Results.Json(new { fault = texts[key].Value }, statusCode: status);
}
