using Microsoft.Extensions.Localization;
using Yardang.Core.Attachments;
using Yardang.Core.Rooms;
using Yardang.Web.Access;
using Yardang.Web.Media;

namespace Yardang.Web.Links;

/// <summary>What a link is called, before it is put beside words: for whoever may show links there.</summary>
public sealed class LinkEndpoint(AttachmentRights rights, ILinkPreviews previews, IStringLocalizer<UiTexts> texts)
{
    /// <summary>The link, with what its page says of itself; else with the name of its server.</summary>
    public async Task<IResult> GetAsync(HttpContext context, Guid room, string? address)
    {
        var may = await rights.OfAsync(Visitor.Of(context), room, AttachmentKinds.Links);
        if (may == MayShow.No) return Results.NotFound();
        if (may == MayShow.NotNow) return Results.Json(new { fault = texts["Picture.NotNow"].Value }, statusCode: StatusCodes.Status409Conflict);
        if (LinkAttachment.Read(address ?? "") is not { } read) return Results.Json(new { fault = texts["Link.NoAddress"].Value }, statusCode: StatusCodes.Status400BadRequest);
        var preview = await previews.OfAsync(read, context.RequestAborted);
        context.Response.Headers.CacheControl = "private, no-store";
        return Results.Json(new { address = read.AbsoluteUri, title = Short(preview?.Title ?? ""), site = Short(preview is { Site.Length: > 0 } ? preview.Site : read.Host) });
    }

    private static string Short(string words) => words.Length <= Limits.NameLength ? words : words[..Limits.NameLength];
}
