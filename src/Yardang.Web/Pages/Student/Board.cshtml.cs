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

/// <summary>Where a student works, a board or a wall; or another one of the lesson, if they may look at it.</summary>
public sealed class BoardModel(
    AccessResolver access, IDbContextFactory<SchoolContext> school, ParticipantCookie cookie, ReentryKeys keys, MyPlace places, LessonPeople people, FrozenVersions versions, SchoolClock clock, IStringLocalizer<UiTexts> texts) : PageModel
{
    public WorkView View { get; private set; } = null!;

    public async Task<IActionResult> OnGetAsync(Guid id)
    {
        var visitor = Visitor.Of(HttpContext);
        if (await places.OfAsync(visitor, id) is not var (place, me)) return RedirectToPage("/Student/Index", new { unknown = true });
        if (await access.ForRoomAsync(visitor, id) is not { Kind: RoomKind.Board or RoomKind.Wall, Actor.IsStaff: false, MayLook: true } found) return Redirect(place.Address);

        await using var db = await school.CreateDbContextAsync();
        var lesson = await db.Lessons.Join(db.Rooms.Where(r => r.Id == id), l => l.Id, r => r.OfId, (l, _) => l).SingleAsync();
        var room = await db.Rooms.SingleAsync(r => r.Id == id);
        var content = await versions.OfAsync(lesson.VersionId);
        cookie.Remember(HttpContext, me.Id);
        var looks = !found.MayWrite;

        // Who came in while a part was being opened has no seat in it yet.
        if (!looks) await Seating.SitAsync(db, me, id);
        var heading = looks ? await WhoseAsync(db, id, found.Actor) : place.Lesson + place.Company;
        View = new WorkView(heading, content.Directions.For(ContentLanguage.Current), IsStaff: false, Signals: !looks, new
        {
            mode = looks ? "look" : "student",
            kind = found.Kind.ToString(),
            work = id,
            title = place.Lesson,
            company = place.Company,
            sign = looks ? null : place.Sign,
            lesson = lesson.Id,
            query = looks ? $"?as={me.Id}&look=1" : $"?as={me.Id}",
            together = room.Whose is Whose.Together or Whose.Group,
            part = room.Part,
            teachers = !looks && room.Kind == RoomKind.Board ? (Guid?)await Seating.RoomAsync(db, lesson, new(room.Part, Whose.Teacher, 0)) : null,
            shows = room is { Kind: RoomKind.Board, Whose: Whose.Own or Whose.Group },
            contents = looks ? [] : place.Contents,
            actor = found.Actor.Number,
            language = ContentLanguage.Current,
            written = lesson.Language,
            directions = content.Directions.ByLanguage,
            zone = clock.Zone.Id,
            home = me.Language,
            who = me.Id,
            texts = found.Kind == RoomKind.Wall ? WallTexts.For(texts) : BoardTexts.For(texts),
        }, looks ? $"/here?as={me.Id}" : null, looks ? texts["Board.BackToMine"].Value : null)
        {
            Kind = found.Kind,
            HasContents = !looks && place.Contents.Count > 0,
            LooksOnly = looks,
            Key = looks ? null : keys.Of(me).Text,
            OwnPast = !looks && room is { Kind: RoomKind.Board, Whose: Whose.Own } ? $"/board/{id}/history?as={me.Id}" : null,
            OthersHref = looks ? null : $"/others?as={me.Id}",
        };
        return Page();
    }

    private async Task<string> WhoseAsync(SchoolContext db, Guid board, Actor reader)
    {
        var record = await db.Rooms.SingleAsync(r => r.Id == board);
        if (record.Whose == Whose.Teacher) return texts["Board.Teachers"];
        var names = (await people.NamesAsync(board, reader)).Where(n => n.Number != Actor.Owner.Number).Select(n => n.Name);
        return texts["Beside.Heading", string.Join(", ", names)];
    }
}
