using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using Microsoft.EntityFrameworkCore;
using Microsoft.Extensions.Localization;
using Yardang.Core.Activities;
using Yardang.Core.Lessons;
using Yardang.Core.Rooms;
using Yardang.Data.School;
using Yardang.Web.Access;
using Yardang.Web.Lessons;

namespace Yardang.Web.Pages;

/// <summary>The boards that a student may look at besides their own.</summary>
public sealed class OthersModel(MyPlace places, LessonPeople people, FrozenVersions versions, IDbContextFactory<SchoolContext> school, IStringLocalizer<UiTexts> texts) : PageModel
{
    public IReadOnlyList<(string Address, string Title, GroupSign? Sign)> Boards { get; private set; } = [];

    public string Back { get; private set; } = "";

    public async Task<IActionResult> OnGetAsync()
    {
        if (await places.OfAsync(Visitor.Of(HttpContext)) is not var (place, me)) return RedirectToPage("/Student/Index", new { unknown = true });
        if (place.Standing != Standing.In) return Redirect(place.Address);
        Back = place.Address;
        await using var db = await school.CreateDbContextAsync();
        var lesson = await db.Lessons.SingleAsync(l => l.Id == me.LessonId);
        var found = new List<(string, string, GroupSign?)>();
        string Address(Guid board) => $"/board/{board}?as={me.Id}&look=1";
        var version = await versions.OfAsync(lesson.VersionId);
        foreach (var part in lesson.Parts.Where(p => p.IsOpen))
        {
            var name = lesson.Parts.Length == 1 ? "" : $"{PartNames.Of(version.Find(part.Number)!, ContentLanguage.Current, texts)}: ";
            if (lesson.SeesTeachersBoard && part.Kind == PartKind.Pages) found.Add((Address(await Seating.RoomAsync(db, lesson, new(part.Number, Whose.Teacher, 0))), name + texts["Board.Teachers"], null));
            var isPrivate = part is { Privacy: not Privacy.None, RoomKind: RoomKind.Board };
            if (isPrivate ? lesson.Thinks : !lesson.SeesOtherBoards) continue;
            var kept = isPrivate ? await AccessResolver.KeptAsync(db, lesson) : System.Collections.Immutable.ImmutableHashSet<RoomPlace>.Empty;
            foreach (var board in (await people.BoardsAsync(lesson, part)).Where(b => b.Place != lesson.PlaceOf(me, part) && b.People.Count > 0 && !kept.Contains(b.Place)))
            {
                // By the names that this student may read.
                var names = (await people.NamesAsync(board.Id, new Actor(me.Number, Role.Student))).Where(n => board.People.Any(p => p.Number == n.Number)).Select(n => n.Name);
                found.Add((Address(board.Id), name + (board.Group ?? string.Join(", ", names)), board.Sign));
            }
        }

        Boards = found;
        return Page();
    }
}
