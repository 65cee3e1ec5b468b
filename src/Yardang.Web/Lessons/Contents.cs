using Microsoft.EntityFrameworkCore;
using Microsoft.Extensions.Localization;
using Yardang.Core.Activities;
using Yardang.Data.School;

namespace Yardang.Web.Lessons;

/// <summary>A page in the list of contents.</summary>
/// <param name="Id">The page.</param>
/// <param name="Name">What it is called.</param>
public sealed record ContentsPage(long Id, string Name);

/// <summary>A part in the list of contents.</summary>
/// <param name="Number">Its number.</param>
/// <param name="Name">What it is called; empty as long as it is not open.</param>
/// <param name="Address">Where this student works in it; null as long as it is not open.</param>
/// <param name="Pages">Its pages; none of a wall.</param>
public sealed record ContentsPart(int Number, string Name, string? Address, IReadOnlyList<ContentsPage> Pages);

/// <summary>The parts and pages of a lesson as one list, for one student. Of a part that is not open they are told that there is one.</summary>
public sealed class Contents(FrozenVersions versions, IStringLocalizer<UiTexts> texts)
{
    /// <summary>The list; empty where there is one part alone.</summary>
    public async Task<IReadOnlyList<ContentsPart>> OfAsync(SchoolContext db, LessonRecord lesson, ParticipantRecord participant)
    {
        if (lesson.Parts.Length == 1) return [];
        var version = await versions.OfAsync(lesson.VersionId);
        var list = new List<ContentsPart>();
        foreach (var part in lesson.Parts)
        {
            if (!part.IsOpen)
            {
                list.Add(new(part.Number, "", null, []));
                continue;
            }

            var room = await Seating.RoomAsync(db, lesson, lesson.PlaceOf(participant, part));
            var pages = version.PagesOf(part.Number).Pages.Select((p, i) => new ContentsPage(p.Id, p.Name.For(ContentLanguage.Current) is { Length: > 0 } named ? named : texts["Contents.Page", i + 1].Value));
            list.Add(new(part.Number, PartNames.Of(version.Find(part.Number)!, ContentLanguage.Current, texts), $"/board/{room}?as={participant.Id}", [.. pages]));
        }

        return list;
    }
}
