using Microsoft.EntityFrameworkCore;
using Yardang.Core.Activities;
using Yardang.Core.Rooms;
using Yardang.Data.School;
using Yardang.Web.Access;

namespace Yardang.Web.Lessons;

/// <summary>A lesson from which something can be shown again.</summary>
/// <param name="Id">Its room.</param>
/// <param name="Name">What it is called, for whom, and of when.</param>
public sealed record EarlierLesson(Guid Id, string Name);

/// <summary>A board or wall of it.</summary>
/// <param name="Id">Its room.</param>
/// <param name="Title">Whose it is.</param>
/// <param name="IsWall">Whether it is a wall.</param>
public sealed record EarlierBoard(Guid Id, string Title, bool IsWall);

/// <summary>Work of a teacher's lessons, to be shown at stations: what she may read there, and nothing of anybody else's.</summary>
public sealed class EarlierWork(IDbContextFactory<SchoolContext> school, AccessResolver access, LessonPeople people, SchoolClock clock)
{
    /// <summary>Most lessons that are offered, the latest first.</summary>
    public const int MostLessons = 100;

    /// <summary>The lessons that a teacher runs.</summary>
    public async Task<IReadOnlyList<EarlierLesson>> LessonsAsync(Guid teacher)
    {
        await using var db = await school.CreateDbContextAsync();
        var lessons = await db.Lessons.Where(l => l.OwnerId == teacher || db.CoTeachers.Any(c => c.OfId == l.Id && c.TeacherId == teacher)).ToListAsync();
        return [.. lessons.OrderByDescending(l => l.HandedOutAt).Take(MostLessons).Select(l => new EarlierLesson(l.Id, string.Join(" · ", new[] { l.Name, l.ClassName, clock.Day(l.HandedOutAt) }.Where(w => w.Length > 0))))];
    }

    /// <summary>The boards and walls of a lesson on which somebody worked; null if it is none of hers.</summary>
    public async Task<IReadOnlyList<EarlierBoard>?> BoardsAsync(Visitor visitor, Guid lesson)
    {
        if (await access.LessonAsync(visitor, lesson, Power.Runs) is not { } record) return null;
        var boards = (await people.AllBoardsAsync(record)).Where(b => b.People.Count > 0 || b.Place.Whose == Whose.Together);
        return [.. boards.Select(b => new EarlierBoard(b.Id, b.Title, record.FindPart(b.Place.Part)!.Kind == PartKind.Wall))];
    }
}
