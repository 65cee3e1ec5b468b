using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using Microsoft.Extensions.Localization;
using Yardang.Core.Lessons;
using Yardang.Core.Rooms;
using Yardang.Core.Walls;
using Yardang.Data.School;
using Yardang.Web.Access;
using Yardang.Web.Lessons;
using Yardang.Web.Rooms;

namespace Yardang.Web.Pages;

/// <summary>Pours the cards of a wall out onto the walls of another part, to be sorted there.</summary>
[Authorize]
public sealed class PourModel(AccessResolver access, PouringOut pouring, RoomHosts hosts, FrozenVersions versions, IStringLocalizer<UiTexts> texts) : PageModel
{
    public LessonRecord Lesson { get; private set; } = null!;

    /// <summary>The wall.</summary>
    public Guid Wall { get; private set; }

    /// <summary>How many cards there are to pour out.</summary>
    public int Cards { get; private set; }

    /// <summary>Whether students see only their own cards there still.</summary>
    public bool OwnFirst { get; private set; }

    /// <summary>Into which parts it can be poured, with their names.</summary>
    public IReadOnlyList<(LessonPart Part, string Name)> Targets { get; private set; } = [];

    /// <summary>What came of it; null as long as it was not done.</summary>
    public PouredOut? Done { get; private set; }

    /// <summary>Into which part it was poured.</summary>
    public int Chosen { get; private set; }

    public async Task<IActionResult> OnGetAsync(Guid id, Guid wall) => await FindAsync(id, wall) is null ? NotFound() : Page();

    public async Task<IActionResult> OnPostAsync(Guid id, Guid wall, int part, bool share)
    {
        if (await FindAsync(id, wall) is not { } host || await access.StaffActorAsync(Visitor.Of(HttpContext), Lesson.OwnerId, id) is not { } teacher) return NotFound();
        if (Targets.FirstOrDefault(t => t.Part.Number == part).Part is not { } target || Cards == 0) return Page();
        Done = await pouring.PourAsync(Lesson, teacher, host, target, !share);
        Chosen = part;
        return Page();
    }

    private async Task<RoomHost?> FindAsync(Guid id, Guid wall)
    {
        var visitor = Visitor.Of(HttpContext);
        if (await access.LessonAsync(visitor, id, Power.Runs) is not { } lesson || await access.ForRoomAsync(visitor, wall) is not { Kind: RoomKind.Wall, Actor.IsStaff: true }) return null;
        if (await pouring.PlaceAsync(lesson, wall) is not { } place || await hosts.FindAsync(wall) is not { } host) return null;
        (Lesson, Wall) = (lesson, wall);
        await host.LookAsync(r => (Cards, OwnFirst) = (PouringOut.CardsOf((Wall)r).Count, ((Wall)r).Plan.Rules.OwnFirst));
        var version = await versions.OfAsync(lesson.VersionId);
        Targets = [.. (await pouring.TargetsAsync(lesson, place.Part)).Select(p => (p, PartNames.Of(version.Find(p.Number)!, ContentLanguage.Current, texts)))];
        return host;
    }
}
