using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using Yardang.Core.Attachments;
using Yardang.Core.Visibility;
using Yardang.Web.Access;
using Yardang.Web.Exports;
using Yardang.Web.Rooms;

namespace Yardang.Web.Pages;

/// <summary>What was recorded or sent, by itself: where the code beside it on paper leads. For those who may see it where it stands; nobody else learns whether there is anything.</summary>
public sealed class RecordedModel(AccessResolver access, RoomHosts hosts) : PageModel
{
    /// <summary>What it is; null for those who may not see it, and where nothing is.</summary>
    public Attachment? Found { get; private set; }

    /// <summary>Where its file is.</summary>
    public string Source { get; private set; } = "";

    /// <summary>Where its picture is; empty for none.</summary>
    public string Still { get; private set; } = "";

    /// <summary>What is said in it, or of it; empty for nothing.</summary>
    public string Words => Found is FileAttachment file ? file.Description : Found?.Said() ?? "";

    public async Task<IActionResult> OnGetAsync(string room, string name)
    {
        if (Leads.RoomIn(room) is not { } id || name.Length != Leads.Digits || !name.All(char.IsAsciiHexDigitLower)) return Closed();
        foreach (var visitor in WhoTheyMayBe())
        {
            if (await access.ForRoomAsync(visitor, id) is not { MayLook: true } found) continue;
            await (await hosts.GetAsync(id)).LookAsync(r => Found = ShownTo.In(r, found.Actor).FirstOrDefault(a => a.Lasts() + SizeOf(a) > 0 && a.MediaNames().First().StartsWith(name, StringComparison.Ordinal)), HttpContext.RequestAborted);
            if (Found is null) continue;
            var query = visitor.As is { } seat ? $"?as={seat}" : "?";
            string At(string media) => $"/rooms/{id}/media/{media}{query}";
            Source = At(Found.MediaNames().First());
            Still = Found is FilmAttachment { Still: { Length: > 0 } still } ? At(still) : "";
            return Page();
        }

        return Closed();
    }

    // A telephone that reads a code does not say who holds it: a teacher, or any of those who worked on it.
    private IEnumerable<Visitor> WhoTheyMayBe()
    {
        var visitor = Visitor.Of(HttpContext);
        return visitor.Participants.Select(seat => visitor with { As = seat, Looks = false, Embed = null }).Prepend(visitor with { As = null, Looks = false, Embed = null });
    }

    private static int SizeOf(Attachment attachment) => attachment is FileAttachment file ? file.Size : 0;

    private PageResult Closed()
    {
        Response.StatusCode = StatusCodes.Status404NotFound;
        return Page();
    }
}
