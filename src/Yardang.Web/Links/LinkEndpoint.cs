using Microsoft.AspNetCore.Antiforgery;
using Microsoft.Extensions.Localization;
using Yardang.Core.Attachments;
using Yardang.Core.Rooms;
using Yardang.Rendering;
using Yardang.Web.Access;
using Yardang.Web.Media;
using Yardang.Web.Storage;

namespace Yardang.Web.Links;

/// <summary>What a link is called, before it is put beside words: for whoever may show links there.</summary>
public sealed class LinkEndpoint(AttachmentRights rights, ILinkPreviews previews, RoomMedia media, IAntiforgery antiforgery, IStringLocalizer<UiTexts> texts)
{
    /// <summary>The link, with what its page says of itself, and a picture; else with the name of its server.</summary>
    public async Task<IResult> PostAsync(HttpContext context, Guid room, string? address)
    {
        if (!await antiforgery.IsRequestValidAsync(context)) return Results.Json(new { fault = texts["Picture.Expired"].Value }, statusCode: StatusCodes.Status400BadRequest);
        var may = await rights.OfAsync(Visitor.Of(context), room, AttachmentKinds.Links);
        if (may == MayShow.No) return Results.NotFound();
        if (may == MayShow.NotNow) return Results.Json(new { fault = texts["Picture.NotNow"].Value }, statusCode: StatusCodes.Status409Conflict);
        if (LinkAttachment.Read(address ?? "") is not { } read) return Results.Json(new { fault = texts["Link.NoAddress"].Value }, statusCode: StatusCodes.Status400BadRequest);
        var preview = await previews.OfAsync(read, context.RequestAborted);
        return Results.Json(new { address = read.AbsoluteUri, picture = await PictureAsync(room, preview?.Picture, context.RequestAborted), title = Short(preview?.Title ?? ""), site = Short(preview is { Site.Length: > 0 } ? preview.Site : read.Host) });
    }

    // Decoded and made anew, as any that somebody sends. Where there is no room for it the link has none.
    private async Task<string> PictureAsync(Guid room, byte[]? file, CancellationToken stop) =>
        file is not null && SquarePicture.Of(file) is { } picture ? (await media.KeepAsync(room, picture, stop)).Name : "";

    private static string Short(string words) => words.Length <= Limits.NameLength ? words : words[..Limits.NameLength];
}
