using Microsoft.AspNetCore.Antiforgery;
using Microsoft.Extensions.Localization;
using Yardang.Core.Attachments;
using Yardang.Rendering;
using Yardang.Web.Access;
using Yardang.Web.Media;
using Yardang.Web.Storage;

namespace Yardang.Web.PictureSearch;

/// <summary>Searching for pictures, and taking one into a room: for whoever may write in the room. What comes from a search is taken in as any file is.</summary>
public sealed class PictureSearchEndpoint(IPictureSearch search, AttachmentRights rights, RoomMedia media, IAntiforgery antiforgery, IStringLocalizer<UiTexts> texts)
{
    private const int ThumbnailPixels = 160;
    private const int Pixels = 1_000;
    private const int LongestWords = 100;

    /// <summary>What was found for some words.</summary>
    public async Task<IResult> SearchAsync(HttpContext context, Guid room, string? words)
    {
        if (!await MayAsync(context, room)) return Results.NotFound();
        var asked = words ?? "";
        return Results.Json(await search.SearchAsync(asked.Length > LongestWords ? asked[..LongestWords] : asked, context.RequestAborted));
    }

    /// <summary>A small picture of what was found.</summary>
    public async Task<IResult> ThumbnailAsync(HttpContext context, Guid room, string id)
    {
        if (!await MayAsync(context, room) || await search.FetchAsync(id, ThumbnailPixels, context.RequestAborted) is not { } file) return Results.NotFound();
        context.Response.Headers.CacheControl = "private, max-age=86400";
        return Results.Bytes(file, MediaType.Of(file));
    }

    /// <summary>Takes a picture into the media store.</summary>
    public async Task<IResult> TakeAsync(HttpContext context, Guid room, string id)
    {
        if (!await antiforgery.IsRequestValidAsync(context)) return Results.BadRequest();
        if (await rights.OfAsync(Visitor.Of(context), room, AttachmentKinds.Pictures) != MayShow.Yes || await search.FetchAsync(id, Pixels, context.RequestAborted) is not { } file) return Results.NotFound();
        if (PictureIntake.Take(file).Picture is not { } picture) return Results.BadRequest();
        var kept = await media.KeepAsync(room, picture.Bytes, context.RequestAborted);
        return kept.Full is { } full ? StorageFull.Said(full, texts) : Results.Json(new { media = kept.Name, width = picture.Width, height = picture.Height });
    }

    private async Task<bool> MayAsync(HttpContext context, Guid room) => await rights.OfAsync(Visitor.Of(context), room, AttachmentKinds.Pictures) != MayShow.No;
}
