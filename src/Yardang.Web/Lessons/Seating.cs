using Microsoft.EntityFrameworkCore;
using Yardang.Core.Lessons;
using Yardang.Core.Rooms;
using Yardang.Data.School;
using Yardang.Web.Rooms;

namespace Yardang.Web.Lessons;

/// <summary>What a lesson's room says about who is in and who shares a board.</summary>
public sealed record LessonPlan(IReadOnlyDictionary<int, Person> People, Grouping Grouping, bool NamesMasked, bool SeesOtherBoards, bool SeesTeachersBoard, bool Closed)
{
    /// <summary>What the room says now.</summary>
    public static async Task<LessonPlan> OfAsync(RoomHost lesson)
    {
        LessonPlan? plan = null;
        await lesson.LookAsync(r => plan = Of((Lesson)r));
        return plan!;
    }

    private static LessonPlan Of(Lesson l) =>
        new(l.People.ToDictionary(p => p.Key, p => p.Value), l.Grouping, l.NamesMasked, l.SeesOtherBoards, l.SeesTeachersBoard, l.Closed);
}

/// <summary>
/// Gives everybody in a lesson the board that is theirs now, and keeps it in the tables by which access is decided. What was worked on before
/// stays where it is.
/// </summary>
public sealed class Seating(IDbContextFactory<SchoolContext> school)
{
    /// <summary>The board, or wall, of a participant, a group or the teacher; made if it is not there yet.</summary>
    public static async Task<Guid> BoardAsync(SchoolContext db, Guid lesson, Whose whose, int number)
    {
        // Two may need the same board at once: whoever comes first makes it.
        var (id, part) = (Guid.CreateVersion7(), RoomPlace.OnlyPart);
        await db.Database.ExecuteSqlAsync($"INSERT OR IGNORE INTO Rooms (Id, Kind, OfId, Part, Whose, Number) SELECT {id}, WorkKind, Id, {part}, {(int)whose}, {number} FROM Lessons WHERE Id = {lesson}");
        return await db.RoomsOf(lesson).Where(r => r.Part == part && r.Whose == whose && r.Number == number).Select(r => r.Id).SingleAsync();
    }

    /// <summary>The board on which somebody works by the plan.</summary>
    public static async Task<Guid> BoardOfAsync(SchoolContext db, LessonRecord lesson, LessonPlan plan, int person)
    {
        if (lesson.TogetherId is { } together) return together;
        return plan.Grouping.Of(person) is { } group
            ? await BoardAsync(db, lesson.Id, Whose.Group, group.Number)
            : await BoardAsync(db, lesson.Id, Whose.Own, person);
    }

    /// <summary>Makes the tables say what the plan says.</summary>
    /// <returns>The boards whose people have changed, and the people.</returns>
    public async Task<(IReadOnlySet<Guid> Boards, IReadOnlySet<int> People)> SeatAllAsync(Guid lessonId, LessonPlan plan)
    {
        await using var db = await school.CreateDbContextAsync();
        var lesson = await db.Lessons.SingleAsync(l => l.Id == lessonId);
        (lesson.SeesOtherBoards, lesson.SeesTeachersBoard) = (plan.SeesOtherBoards, plan.SeesTeachersBoard);
        var known = await db.RoomsOf(lessonId).ToDictionaryAsync(b => (b.Whose, b.Number), b => b.Id);
        async Task<Guid> BoardOfAsync(Whose whose, int number) =>
            known.TryGetValue((whose, number), out var id) ? id : known[(whose, number)] = await BoardAsync(db, lessonId, whose, number);
        foreach (var group in plan.Grouping.Now) await BoardOfAsync(Whose.Group, group.Number);

        var boards = new HashSet<Guid>();
        var people = new HashSet<int>();
        foreach (var participant in await db.Participants.Where(p => p.LessonId == lessonId).ToListAsync())
        {
            if (!plan.People.TryGetValue(participant.Number, out var person)) continue;
            if (person.Standing == Standing.Expected) continue;
            var group = plan.Grouping.Of(participant.Number);
            var board = lesson.TogetherId ?? await BoardOfAsync(group is null ? Whose.Own : Whose.Group, group?.Number ?? participant.Number);
            if (participant.BoardId == board && participant.Standing == person.Standing) continue;
            boards.UnionWith([participant.BoardId, board]);
            people.Add(participant.Number);
            (participant.BoardId, participant.Standing) = (board, person.Standing);
            await SitAsync(db, participant);
        }

        await db.SaveChangesAsync();
        return (boards, people);
    }

    /// <summary>Notes that somebody works on their board.</summary>
    public static Task SitAsync(SchoolContext db, ParticipantRecord participant) =>
        db.Database.ExecuteSqlAsync($"INSERT OR IGNORE INTO Seats (ParticipantId, BoardId) VALUES ({participant.Id}, {participant.BoardId})");
}
