using System.Collections.Concurrent;
using Microsoft.AspNetCore.Antiforgery;
using Microsoft.Extensions.Localization;
using Yardang.Core.Attachments;
using Yardang.Core.Media;
using Yardang.Core.Pages;
using Yardang.Core.Rooms;
using Yardang.Data.Media;
using Yardang.Rendering;
using Yardang.Web.Access;
using Yardang.Web.Storage;

namespace Yardang.Web.Media;

/// <summary>Pictures of a room, in and out: for whoever may write in it, and for whoever may read it.</summary>
public sealed class MediaEndpoint(AccessResolver access, AttachmentRights rights, RoomFiles files, MediaStore media, RoomMedia roomMedia, IAntiforgery antiforgery, IStringLocalizer<UiTexts> texts)
{
    private const int FirstBytes = 16;
    private const long MostStimulusBytes = 60 * 1024 * 1024;
    private const string FileType = "application/octet-stream";
    private const string UnnamedFile = "file";
    private const string KeepForGood = "private, max-age=31536000, immutable";

    // What files are that were asked for: a class takes one along together, and to know it the whole file is read.
    private const int MostFormats = 1_000;
    private readonly ConcurrentDictionary<string, FileFormat> _formats = new(StringComparer.Ordinal);

    /// <summary>Gives a picture.</summary>
    public async Task<IResult> GetAsync(HttpContext context, Guid room, string name)
    {
        if (await access.ForRoomAsync(Visitor.Of(context), room) is not { MayLook: true }) return Results.NotFound();
        if (media.FindFile(name) is not { } whole || !await files.GivesAsync(room, name)) return Results.NotFound();
        var file = context.Request.Query.ContainsKey("small") ? await SmallAsync(name, whole, context.RequestAborted) : whole;
        var stream = File.OpenRead(file);
        var start = new byte[FirstBytes];
        var read = await stream.ReadAtLeastAsync(start, FirstBytes, throwOnEndOfStream: false, context.RequestAborted);
        stream.Position = 0;

        // A name never means another file. Opened by itself, nothing in it does anything.
        context.Response.Headers.CacheControl = KeepForGood;
        context.Response.Headers.ContentSecurityPolicy = "sandbox; default-src 'none'";
        var type = MediaType.Of(start.AsSpan(0, read));
        return type is not null ? Results.Stream(stream, type, enableRangeProcessing: true) : Results.Stream(stream, FileType, await DownloadNameAsync(context, name, stream, new FileInfo(file).Length), enableRangeProcessing: true);
    }

    // What browsers neither show nor play is taken along, under the name that is asked for.
    private async Task<string> DownloadNameAsync(HttpContext context, string media, FileStream file, long length)
    {
        if (!_formats.TryGetValue(media, out var format))
        {
            var content = new byte[Math.Min(length, FileAttachment.Largest)];
            await file.ReadExactlyAsync(content, context.RequestAborted);
            file.Position = 0;
            format = SentFile.Read(content) ?? FileFormat.Text;
            if (_formats.Count >= MostFormats) _formats.Clear();
            _formats[media] = format;
        }

        var name = context.Request.Query["called"].ToString();
        return SentFile.NameFor(FileAttachment.IsName(name) ? name : UnnamedFile, format);
    }

    // Made when it is asked for the first time. What is no picture, or small already, is given as it is.
    private async Task<string> SmallAsync(string name, string whole, CancellationToken stop)
    {
        if (media.FindSmall(name) is { } small) return small;
        if (new FileInfo(whole).Length > PictureIntake.MaxBytes) return whole;
        return SmallPicture.Of(await File.ReadAllBytesAsync(whole, stop)) is { } made && await media.KeepSmallAsync(name, made, stop) is { } kept ? kept : whole;
    }

    /// <summary>Takes a film, a sound or a picture that is to stand beside a page: for teachers, in drafts.</summary>
    public async Task<IResult> PostStimulusAsync(HttpContext context, Guid room)
    {
        if (!await antiforgery.IsRequestValidAsync(context)) return Fault(StatusCodes.Status400BadRequest, "Picture.Expired");
        if (await access.ForRoomAsync(Visitor.Of(context), room) is not { Kind: RoomKind.Draft, MayWrite: true }) return Results.NotFound();
        var form = await context.Request.ReadFormAsync(context.RequestAborted);
        if (form.Files.GetFile("file") is not { Length: > 0 } file) return Fault(StatusCodes.Status400BadRequest, "Stimulus.NotPlayable");
        if (file.Length > MostStimulusBytes) return Fault(StatusCodes.Status413PayloadTooLarge, "Stimulus.TooLarge");
        using var bytes = new MemoryStream();
        await file.CopyToAsync(bytes, context.RequestAborted);
        var content = bytes.ToArray();

        // A picture is taken in anew, as any; what is played is only played, by a browser that was told what it is.
        if (PictureIntake.Take(content).Picture is { } picture) return await KeptAsync(picture.Bytes, StimulusKind.Picture);
        if (MediaFile.Read(content) is not { } played) return Fault(StatusCodes.Status400BadRequest, "Stimulus.NotPlayable");
        return await KeptAsync(content, played.IsFilm ? StimulusKind.Video : StimulusKind.Audio);

        async Task<IResult> KeptAsync(byte[] bytes, StimulusKind kind) =>
            await roomMedia.KeepAsync(room, bytes, context.RequestAborted) is var kept && kept.Full is { } full ? StorageFull.Said(full, texts) : Results.Json(new { media = kept.Name, kind = (int)kind });
    }

    /// <summary>Takes a picture. It is put on the page, or on a card, by a command, as anything else.</summary>
    /// <param name="context">Of the request.</param>
    /// <param name="room">Where it goes.</param>
    /// <param name="of">What it is the picture of, if it stands for a film or a file.</param>
    public async Task<IResult> PostAsync(HttpContext context, Guid room, string? of)
    {
        if (!await antiforgery.IsRequestValidAsync(context)) return Fault(StatusCodes.Status400BadRequest, "Picture.Expired");
        var takes = await rights.OfAsync(Visitor.Of(context), room, SentAsWord.Read(of) switch { SentAs.Film => AttachmentKinds.Films, SentAs.File => AttachmentKinds.Files, _ => AttachmentKinds.Pictures });
        if (takes == MayShow.No) return Results.NotFound();
        if (takes == MayShow.NotNow) return Fault(StatusCodes.Status409Conflict, "Picture.NotNow");
        var form = await context.Request.ReadFormAsync(context.RequestAborted);
        if (form.Files.GetFile("picture") is not { Length: > 0 } file) return Fault(StatusCodes.Status400BadRequest, "Picture.NotAPicture");
        if (file.Length > PictureIntake.MaxBytes) return Fault(StatusCodes.Status413PayloadTooLarge, "Picture.TooLarge");

        using var bytes = new MemoryStream();
        await file.CopyToAsync(bytes, context.RequestAborted);
        var (picture, fault) = PictureIntake.Take(bytes.ToArray());
        if (picture is null) return Fault(StatusCodes.Status400BadRequest, $"Picture.{fault}");
        var kept = await roomMedia.KeepAsync(room, picture.Bytes, context.RequestAborted);
        return kept.Full is { } full ? StorageFull.Said(full, texts) : Results.Json(new { media = kept.Name, width = picture.Width, height = picture.Height });
    }

    private IResult Fault(int status, string key) => Results.Json(new { fault = texts[key].Value }, statusCode: status);
}
