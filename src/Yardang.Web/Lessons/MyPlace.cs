using Microsoft.EntityFrameworkCore;
using Microsoft.Extensions.Localization;
using Yardang.Core.Lessons;
using Yardang.Core.Rooms;
using Yardang.Data.School;
using Yardang.Web.Access;
using Yardang.Web.Rooms;

namespace Yardang.Web.Lessons;

/// <summary>Where a student's place in their lesson is now.</summary>
/// <param name="Standing">Whether they are in.</param>
/// <param name="Board">The board or wall on which they work.</param>
/// <param name="Part">The part in which they are.</param>
/// <param name="Address">The page to be on.</param>
/// <param name="Group">What their group is called; null if they are in none.</param>
/// <param name="Others">With whom they share the board, by name or mask.</param>
/// <param name="Lesson">What the lesson is called.</param>
/// <param name="Contents">The parts and pages of the lesson, where there are several parts.</param>
/// <param name="Sign">The sign of that group, where it is among others above the board; else null.</param>
/// <param name="Company">What stands behind it above the board: the group and who is in it. Empty for who works alone.</param>
public sealed record StudentPlace(Standing Standing, Guid Board, int Part, string Address, string? Group, IReadOnlyList<string> Others, string Lesson, IReadOnlyList<ContentsPart> Contents, string Company, GroupSign? Sign);

/// <summary>Tells a student where their place is: asked when they come back, when they are let in, and when they are put into a group.</summary>
public sealed class MyPlace(IDbContextFactory<SchoolContext> school, RoomHosts hosts, LessonPeople people, Contents contents, IStringLocalizer<UiTexts> texts)
{
    /// <summary>The place of a participant.</summary>
    /// <param name="participant">Who.</param>
    /// <param name="at">The room in which they are: they stay in its part as long as it is open. Null to go where the lesson is.</param>
    public async Task<StudentPlace> OfAsync(ParticipantRecord participant, Guid? at = null)
    {
        await using var db = await school.CreateDbContextAsync();
        var lesson = await db.Lessons.SingleAsync(l => l.Id == participant.LessonId);
        var plan = await LessonPlan.OfAsync(await hosts.GetAsync(participant.LessonId));
        var planned = plan.People.TryGetValue(participant.Number, out var person) ? person.Standing : Standing.Removed;

        // Who has been let in is in once they have been seated: until then their board would send them back here.
        var standing = planned == Standing.In ? participant.Standing : planned;
        var group = plan.Grouping.Of(participant.Number);
        var me = new Actor(participant.Number, Role.Student);
        IReadOnlyList<string> others = standing == Standing.In && group is not null
            ? [.. (await people.NamedAsync(lesson.Id, group.People, plan.NamesMasked, me)).Where(n => n.Number != participant.Number).Select(n => n.Name)]
            : [];
        var part = await PartOfAsync(db, lesson, at);
        var isIn = standing == Standing.In && !lesson.Waits;
        var board = await Seating.RoomAsync(db, lesson, lesson.PlaceOf(participant, part));
        var address = isIn ? $"/board/{board}?as={participant.Id}" : $"/join/{lesson.Code}?as={participant.Id}";
        var isAmongOthers = lesson.Parts.IsByGroup(part);
        return new(standing, board, part.Number, address, group?.Name, others, lesson.Name, isIn ? await contents.OfAsync(db, lesson, participant) : [], isAmongOthers ? CompanyOf(group?.Name, others) : "", isAmongOthers && group is not null ? GroupSign.Of(group.Number, group.Name) : null);
    }

    private static async Task<LessonPart> PartOfAsync(SchoolContext db, LessonRecord lesson, Guid? at)
    {
        var number = await db.RoomsOf(lesson.Id).Where(r => r.Id == at).Select(r => r.Part).SingleOrDefaultAsync();
        return lesson.FindPart(number) is { IsOpen: true } here ? here : lesson.FindPart(lesson.CurrentPart)!;
    }

    /// <summary>The same for the participant as whom a tab acts; null if it acts as nobody.</summary>
    public async Task<(StudentPlace Place, ParticipantRecord Participant)?> OfAsync(Visitor visitor, Guid? at = null)
    {
        if (visitor.As is not { } id || !visitor.Participants.Contains(id)) return null;
        await using var db = await school.CreateDbContextAsync();
        return await db.Participants.FindAsync(id) is { } participant ? (await OfAsync(participant, at), participant) : null;
    }

    private string CompanyOf(string? group, IReadOnlyList<string> others) => group is null ? ""
        : others.Count == 0 ? $" · {group}"
        : $" · {texts["Board.GroupHeading", group, string.Join(", ", others)]}";
}
