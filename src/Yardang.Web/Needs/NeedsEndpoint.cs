using Yardang.Core.Needs;
using Yardang.Web.Access;

namespace Yardang.Web.Needs;

/// <summary>Who needs the teacher, for those who watch a lesson.</summary>
public sealed class NeedsEndpoint(AccessResolver access, Attention attention)
{
    /// <summary>Needs in order, who is here, and on which page each is.</summary>
    public async Task<IResult> GetAsync(HttpContext context, Guid lesson)
    {
        if (await access.LessonAsync(Visitor.Of(context), lesson, Power.Watches) is null) return Results.NotFound();
        context.Response.Headers.CacheControl = "private, no-store";
        var found = await attention.OfAsync(lesson);
        return Results.Json(new
        {
            needs = found.Needs.Select(n => new { n.Kind, n.Person, n.Since, n.Reason, n.Words, n.Others, n.Of, n.Count, n.Board, n.IsStranger }),
            away = found.Presences.Where(p => p.Value == Presence.Away).Select(p => p.Key),
            gone = found.Presences.Where(p => p.Value == Presence.Gone).Select(p => p.Key),
            pages = found.Pages,
        });
    }
}
