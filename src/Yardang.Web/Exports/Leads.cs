using System.Buffers.Text;
using Yardang.Core.Attachments;

namespace Yardang.Web.Exports;

/// <summary>What leads from paper to what cannot be printed: a QR code for the page that gives it to those who may have it (<see cref="Pages.RecordedModel"/>).</summary>
public sealed class Leads(IHttpContextAccessor requests)
{
    /// <summary>So many digits of a name tell it from the others of a room; a shorter address makes a code with larger squares.</summary>
    public const int Digits = 12;

    /// <summary>The codes of what is attached in a room; none for what is seen on paper as it is.</summary>
    public Func<Attachment, IReadOnlyList<IReadOnlyList<bool>>?> In(Guid room)
    {
        if (requests.HttpContext?.Request is not { } request) return _ => null;
        var site = $"{request.Scheme}://{request.Host}";
        return attachment => attachment is VoiceAttachment or FilmAttachment or FileAttachment ? QrSquares.Of(site + AddressOf(room, attachment)) : null;
    }

    /// <summary>The address of the page, behind that of the site.</summary>
    public static string AddressOf(Guid room, Attachment attachment) => $"/recorded/{Base64Url.EncodeToString(room.ToByteArray())}/{attachment.MediaNames().First()[..Digits]}";

    /// <summary>The room that an address names; null if it names none.</summary>
    public static Guid? RoomIn(string text)
    {
        Span<byte> bytes = stackalloc byte[18];
        return text.Length == 22 && Base64Url.IsValid(text, out var length) && length == 16 && Base64Url.TryDecodeFromChars(text, bytes, out var read) && read == 16 ? new Guid(bytes[..16]) : null;
    }
}
