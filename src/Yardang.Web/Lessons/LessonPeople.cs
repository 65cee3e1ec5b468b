using Microsoft.EntityFrameworkCore;
using Yardang.Core.Lessons;
using Yardang.Data.School;

namespace Yardang.Web.Lessons;

/// <summary>Somebody in a lesson, as the teacher reads it.</summary>
/// <param name="Number">The actor number.</param>
/// <param name="Name">The name, told apart from others of the same name.</param>
/// <param name="Initials">Up to two letters.</param>
/// <param name="Board">The board they work on.</param>
public sealed record LessonPerson(int Number, string Name, string Initials, Guid Board);

/// <summary>A board of a lesson, and whose it is.</summary>
/// <param name="Id">The board room.</param>
/// <param name="People">Who works on it, in the order of arrival.</param>
/// <param name="Together">Whether it is everybody's.</param>
public sealed record LessonBoard(Guid Id, IReadOnlyList<LessonPerson> People, bool Together);

/// <summary>Who is in a lesson and on which board, in the order of arrival.</summary>
public sealed class LessonPeople(IDbContextFactory<SchoolContext> school)
{
    public async Task<IReadOnlyList<LessonPerson>> InAsync(Guid lesson)
    {
        await using var db = await school.CreateDbContextAsync();
        var people = await db.Participants.Where(p => p.LessonId == lesson).OrderBy(p => p.Number).ToListAsync();
        var names = PersonName.ToldApart(people.Select(p => p.Name));
        return [.. people.Select((p, i) => new LessonPerson(p.Number, names[i], PersonName.Initials(p.Name), p.BoardId))];
    }

    /// <summary>Whom one meets on a board: those who work on it, and the teacher. For whoever may open it.</summary>
    public async Task<IReadOnlyList<object>> NamesAsync(Guid board)
    {
        await using var db = await school.CreateDbContextAsync();
        var people = await db.Participants.Where(p => p.BoardId == board).OrderBy(p => p.Number).ToListAsync();
        var names = PersonName.ToldApart(people.Select(p => p.Name));
        var teacher = await db.Boards.Where(b => b.Id == board)
            .Join(db.Lessons, b => b.LessonId, l => l.Id, (_, l) => l.OwnerId)
            .Join(db.Users, o => o, u => u.Id, (_, u) => u.DisplayName).FirstOrDefaultAsync();
        return [.. people.Select((p, i) => new { number = p.Number, name = names[i] }), new { number = Core.Rooms.Actor.Owner.Number, name = teacher ?? "" }];
    }

    public async Task<IReadOnlyList<LessonBoard>> BoardsAsync(LessonRecord lesson)
    {
        var people = await InAsync(lesson.Id);
        return lesson.TogetherId is { } together
            ? [new(together, people, Together: true)]
            : [.. people.GroupBy(p => p.Board).Select(g => new LessonBoard(g.Key, [.. g], Together: false))];
    }
}
