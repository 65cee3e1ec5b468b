using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using Microsoft.Extensions.Localization;
using Yardang.Core.Lessons;
using Yardang.Core.Walls;
using Yardang.Data.School;
using Yardang.Web.Access;
using Yardang.Web.Lessons;
using Yardang.Web.Rooms;

namespace Yardang.Web.Pages;

/// <summary>A card, and where groups have it.</summary>
/// <param name="Words">What it says.</param>
/// <param name="Under">Under which topics, and by which walls.</param>
/// <param name="Unsorted">The walls on which it is not sorted yet.</param>
/// <param name="Alike">How far they agree, in per cent; null of fewer than two walls.</param>
public sealed record ComparedCard(string Words, IReadOnlyList<(string Topic, IReadOnlyList<LessonBoard> Walls)> Under, IReadOnlyList<LessonBoard> Unsorted, int? Alike);

/// <summary>How the walls of a part sorted the same cards: the most disputed ones first.</summary>
[Authorize]
public sealed class CompareModel(AccessResolver access, LessonPeople people, RoomHosts hosts, FrozenVersions versions, SchoolClock clock, IStringLocalizer<UiTexts> texts) : PageModel
{
    public LessonRecord Lesson { get; private set; } = null!;

    public int Part { get; private set; }

    public string PartName { get; private set; } = "";

    public IReadOnlyList<ComparedCard> Cards { get; private set; } = [];

    /// <summary>How far they agree on all cards, in per cent; null as long as no two have sorted the same card.</summary>
    public int? Alike { get; private set; }

    /// <summary>What that would be by chance.</summary>
    public int ByChance { get; private set; }

    /// <summary>When it was looked at.</summary>
    public string Now { get; private set; } = "";

    public async Task<IActionResult> OnGetAsync(Guid id, int part)
    {
        if (await access.LessonAsync(Visitor.Of(HttpContext), id, Power.Watches) is not { } lesson || lesson.FindPart(part) is not { } found || !PouringOut.IsSortedApart(found)) return NotFound();
        (Lesson, Part) = (lesson, part);
        var version = await versions.OfAsync(lesson.VersionId);
        PartName = lesson.Parts.Length == 1 ? "" : PartNames.Of(version.Find(part)!, ContentLanguage.Current, texts);
        Now = clock.Show(DateTimeOffset.UtcNow);
        var walls = await people.BoardsAsync(lesson, found);
        var sorted = new List<SortedCard>();
        var (words, topics) = (new Dictionary<long, string>(), new Dictionary<long, string>());
        for (var i = 0; i < walls.Count; i++)
        {
            var at = i;
            await (await hosts.GetAsync(walls[at].Id)).LookAsync(r => Read((Wall)r, at));
        }

        var agreement = SortingAgreement.Of(sorted);
        (Alike, ByChance) = (PerCent(agreement.Alike), PerCent(agreement.ByChance) ?? 0);
        Cards =
        [
            .. agreement.Cards.Select(c => new ComparedCard(
                words[c.Poured], [.. c.Under.Select(u => (topics[u.Topic], (IReadOnlyList<LessonBoard>)[.. u.Walls.Select(w => walls[w])]))], [.. c.Unsorted.Select(w => walls[w])], PerCent(c.Alike))),
        ];
        return Page();

        void Read(Wall wall, int at)
        {
            foreach (var topic in wall.Plan.TopicsShown) topics[topic.Id] = topic.Heading.For(ContentLanguage.Current);
            foreach (var card in wall.Cards.Values.Where(c => c.Poured > 0 && c.IsUp))
            {
                words[card.Poured] = card.Text.Length > 0 ? card.Text : texts["Compare.Shows", card.Shown.Length];
                sorted.Add(new(at, card.Poured, wall.Plan.TopicsShown.Any(t => t.Id == card.Topic) ? card.Topic : WallPlan.Nowhere));
            }
        }
    }

    private static int? PerCent(double? share) => share is { } known ? (int)Math.Round(100 * known) : null;
}
