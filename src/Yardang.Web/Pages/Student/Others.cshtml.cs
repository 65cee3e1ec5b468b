using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using Microsoft.EntityFrameworkCore;
using Microsoft.Extensions.Localization;
using Yardang.Core.Lessons;
using Yardang.Core.Rooms;
using Yardang.Data.School;
using Yardang.Web.Access;
using Yardang.Web.Lessons;

namespace Yardang.Web.Pages;

/// <summary>The boards that a student may look at besides their own.</summary>
public sealed class OthersModel(MyPlace places, LessonPeople people, IDbContextFactory<SchoolContext> school, IStringLocalizer<UiTexts> texts) : PageModel
{
    public IReadOnlyList<(string Address, string Title)> Boards { get; private set; } = [];

    public string Back { get; private set; } = "";

    public async Task<IActionResult> OnGetAsync()
    {
        if (await places.OfAsync(Visitor.Of(HttpContext)) is not var (place, me)) return RedirectToPage("/Student/Index", new { unknown = true });
        if (place.Standing != Standing.In) return Redirect(place.Address);
        Back = place.Address;
        await using var db = await school.CreateDbContextAsync();
        var lesson = await db.Lessons.SingleAsync(l => l.Id == me.LessonId);
        var found = new List<(string, string)>();
        string Address(Guid board) => $"/board/{board}?as={me.Id}&look=1";
        if (lesson.SeesTeachersBoard) found.Add((Address(await Seating.BoardAsync(db, lesson.Id, Whose.Teacher, 0)), texts["Board.Teachers"]));
        if (lesson.SeesOtherBoards)
        {
            foreach (var board in (await people.BoardsAsync(lesson)).Where(b => b.Id != me.BoardId && b.People.Count > 0))
            {
                // By the names that this student may read.
                var names = (await people.NamesAsync(board.Id, new Actor(me.Number, Role.Student))).Where(n => board.People.Any(p => p.Number == n.Number)).Select(n => n.Name);
                found.Add((Address(board.Id), board.Group ?? string.Join(", ", names)));
            }
        }

        Boards = found;
        return Page();
    }
}
