using Microsoft.AspNetCore.Antiforgery;
using Microsoft.Extensions.Localization;
using Yardang.Core.Attachments;
using Yardang.Core.Media;
using Yardang.Core.Rooms;
using Yardang.Web.Access;
using Yardang.Web.Storage;

namespace Yardang.Web.Media;

/// <summary>Voices, films and files that are put beside words: they come in pieces, and are what their content says.</summary>
public sealed class UploadEndpoint(AttachmentRights rights, Uploads uploads, RoomMedia roomMedia, IAntiforgery antiforgery, IStringLocalizer<UiTexts> texts)
{
    // Files are as large as 20 MB: one after the other, they take little memory, and nothing from those who write meanwhile.
    private static readonly SemaphoreSlim s_looking = new(1, 1);

    /// <summary>How far a file has come.</summary>
    public async Task<IResult> GetAsync(HttpContext context, Guid room, Guid id, string what)
    {
        if (SentAsWord.Read(what) is not { } sent || await MineAsync(context, room, sent) is not { } right) return Results.NotFound();
        return Told(await uploads.FindAsync(new(room, right.Access.Actor.Number, id), context.RequestAborted), StatusCodes.Status200OK);
    }

    /// <summary>Takes a piece. 200 with how far the file has come, or with what it is once all of it is here; 412 with how far it has come, if the piece does not belong there.</summary>
    public async Task<IResult> PutAsync(HttpContext context, Guid room, Guid id, string what, long at, long of)
    {
        var stop = context.RequestAborted;
        if (!await antiforgery.IsRequestValidAsync(context)) return Fault(StatusCodes.Status400BadRequest, "Picture.Expired");
        if (SentAsWord.Read(what) is not { } sent || await MineAsync(context, room, sent) is not { } right) return Results.NotFound();
        if (!right.IsNow) return Fault(StatusCodes.Status409Conflict, "Upload.NotNow");
        if (of > Uploads.MostBytes) return Fault(StatusCodes.Status413PayloadTooLarge, "Upload.TooLarge");
        if (of <= 0 || at < 0 || at >= of) return Fault(StatusCodes.Status400BadRequest, NotTaken(sent));
        var name = new UploadName(room, right.Access.Actor.Number, id);
        if (uploads.IsFull(name)) return Fault(StatusCodes.Status429TooManyRequests, "Upload.TooMany");
        var here = await uploads.FindAsync(name, stop);
        if (here.Kept is not null) return Told(here, StatusCodes.Status200OK);
        if (here.At != at) return Told(here, StatusCodes.Status412PreconditionFailed);

        var piece = new byte[Math.Min(Uploads.MostOfPiece, of - at)];
        var length = await context.Request.Body.ReadAtLeastAsync(piece, piece.Length, throwOnEndOfStream: false, stop);
        if (length == 0) return Fault(StatusCodes.Status400BadRequest, NotTaken(sent));
        here = await uploads.PutAsync(name, at, piece.AsMemory(0, length), stop);
        if (here.Kept is not null || here.At < of) return Told(here, here.Kept is not null || here.At == at + length ? StatusCodes.Status200OK : StatusCodes.Status412PreconditionFailed);
        return await WholeAsync(name, sent, right.Seconds, stop);
    }

    private async Task<IResult> WholeAsync(UploadName name, SentAs what, int seconds, CancellationToken stop)
    {
        await s_looking.WaitAsync(stop);
        try
        {
            var content = await uploads.ReadAsync(name, stop);
            return what == SentAs.File ? await FileAsync(name, content, stop) : await RecordingAsync(name, what, seconds, content, stop);
        }
        finally
        {
            s_looking.Release();
        }
    }

    private async Task<IResult> FileAsync(UploadName name, byte[] content, CancellationToken stop)
    {
        if (SentFile.Read(content) is not { } format) return Dropped(name, Fault(StatusCodes.Status400BadRequest, NotTaken(SentAs.File)));
        return await KeptAsync(name, content, media => new { media, format = (int)format, size = content.Length }, stop);
    }

    private async Task<IResult> RecordingAsync(UploadName name, SentAs what, int seconds, byte[] content, CancellationToken stop)
    {
        if (MediaFile.Read(content) is not { } recording || recording.IsFilm != (what == SentAs.Film)) return Dropped(name, Fault(StatusCodes.Status400BadRequest, NotTaken(what)));
        if (recording.Duration > (seconds * 1_000) + Recordings.Tolerance) return Dropped(name, Results.Json(new { fault = texts["Upload.TooLong", seconds].Value }, statusCode: StatusCodes.Status400BadRequest));
        return await KeptAsync(name, content, media => new { media, duration = recording.Duration }, stop);
    }

    private async Task<IResult> KeptAsync(UploadName name, byte[] content, Func<string, object> told, CancellationToken stop)
    {
        var media = await roomMedia.KeepAsync(name.Room, content, stop);
        if (media.Full is { } full) return Dropped(name, StorageFull.Said(full, texts));
        var kept = told(media.Name);
        await uploads.DoneAsync(name, kept, stop);
        return Results.Json(new { at = (long)content.Length, kept });
    }

    private IResult Dropped(UploadName name, IResult why)
    {
        uploads.Drop(name);
        return why;
    }

    private static AttachmentKinds KindOf(SentAs what) => what switch { SentAs.Voice => AttachmentKinds.Voices, SentAs.Film => AttachmentKinds.Films, _ => AttachmentKinds.Files };

    private static string NotTaken(SentAs what) => $"{what}.NotTaken";

    private Task<ShowRight?> MineAsync(HttpContext context, Guid room, SentAs what) => rights.FindAsync(Visitor.Of(context), room, KindOf(what));

    private static IResult Told(UploadState state, int status) => Results.Json(new { at = state.At, kept = state.Kept }, statusCode: status);

    private IResult Fault(int status, string key) => Results.Json(new { fault = texts[key].Value }, statusCode: status);
}
