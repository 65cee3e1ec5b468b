using System.Security.Claims;

namespace Yardang.Web.Access;

/// <summary>Who is at the other end of a request or connection, by the cookies it brought.</summary>
/// <param name="TeacherId">The signed-in teacher; null if nobody is.</param>
/// <param name="Participants">The participants that this device was, the latest first.</param>
/// <param name="As">As which of them the tab acts; null for as a teacher.</param>
/// <param name="Looks">Whether the tab only wants to look: at the boards of others.</param>
/// <param name="Embed">The key under which a board is shown elsewhere; null for whoever is here as themselves.</param>
public sealed record Visitor(Guid? TeacherId, IReadOnlyList<Guid> Participants, Guid? As, bool Looks, string? Embed = null)
{
    /// <summary>The visitor of a request. The query's <c>as</c> names the participant, <c>look</c> says that they only look.</summary>
    public static Visitor Of(HttpContext context)
    {
        var teacher = Guid.TryParse(context.User.FindFirstValue(ClaimTypes.NameIdentifier), out var id) ? id : (Guid?)null;
        var participants = context.RequestServices.GetRequiredService<ParticipantCookie>().Read(context.Request);
        return new(teacher, participants, Guid.TryParse(context.Request.Query["as"], out var asked) ? asked : null, context.Request.Query.ContainsKey("look"), context.Request.Query["embed"] is [{ Length: > 0 } key] ? key : null);
    }
}
