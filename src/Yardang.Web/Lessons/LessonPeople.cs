using Microsoft.EntityFrameworkCore;
using Microsoft.Extensions.Localization;
using Yardang.Core.ClassLists;
using Yardang.Core.Lessons;
using Yardang.Core.Rooms;
using Yardang.Core.Walls;
using Yardang.Core.Visibility;
using Yardang.Data.School;
using Yardang.Web.Access;
using Yardang.Web.Rooms;

namespace Yardang.Web.Lessons;

/// <summary>Somebody in a lesson, as the teacher reads it.</summary>
/// <param name="Number">The actor number.</param>
/// <param name="Name">The name, told apart from others of the same name.</param>
/// <param name="Initials">Up to two letters.</param>
/// <param name="Group">The group in which they are; 0 for none.</param>
/// <param name="Standing">Whether they are in.</param>
/// <param name="ListNumber">Their number on the class list; 0 for who is not on it.</param>
public sealed record LessonPerson(int Number, string Name, string Initials, int Group, Standing Standing, int ListNumber);

/// <summary>Somebody in a lesson, and where they work in one of its parts.</summary>
/// <param name="Number">The actor number.</param>
/// <param name="Name">The name, told apart from others of the same name.</param>
/// <param name="Initials">Up to two letters.</param>
/// <param name="Board">The board on which they work; none where they have never been.</param>
/// <param name="Standing">Whether they are in.</param>
/// <param name="ListNumber">Their number on the class list; 0 for who is not on it.</param>
public sealed record SeatedPerson(int Number, string Name, string Initials, Guid Board, Standing Standing, int ListNumber);

/// <summary>A board or wall of a lesson, and whose it is.</summary>
/// <param name="Id">The room.</param>
/// <param name="Place">Where it stands in the lesson.</param>
/// <param name="Title">Whose, in words.</param>
/// <param name="People">Whose it is or was, in the order of arrival.</param>
/// <param name="Group">What the group is called whose board it is; null for other boards.</param>
public sealed record LessonBoard(Guid Id, RoomPlace Place, string Title, IReadOnlyList<LessonPerson> People, string? Group)
{
    /// <summary>The sign of the group whose board it is; null for other boards.</summary>
    public GroupSign? Sign => Group is null ? null : GroupSign.Of(Place.Number, Group);
}

/// <summary>A board of a lesson, and what has become of it.</summary>
/// <param name="Board">The board.</param>
/// <param name="IsUsedNow">Whether somebody works on it now.</param>
public sealed record KnownBoard(LessonBoard Board, bool IsUsedNow);

/// <summary>Somebody whom one meets on a board.</summary>
public sealed record BoardName(int Number, string Name);

/// <summary>Who is in a lesson and on which board, in the order of arrival.</summary>
public sealed class LessonPeople(IDbContextFactory<SchoolContext> school, RoomHosts hosts, Projections projections, BoardSummaries summaries, IStringLocalizer<UiTexts> texts)
{
    /// <summary>Everybody who was ever at the door of a lesson.</summary>
    public async Task<IReadOnlyList<LessonPerson>> InAsync(Guid lesson)
    {
        await using var db = await school.CreateDbContextAsync();
        var people = await db.Participants.Where(p => p.LessonId == lesson).OrderBy(p => p.Number).ToListAsync();
        var names = PersonName.ToldApart(people.Select(p => p.Name));
        return [.. people.Select((p, i) => new LessonPerson(p.Number, names[i], PersonName.Initials(p.Name), p.GroupNumber, p.Standing, p.ListNumber ?? 0))];
    }

    /// <summary>The same, with where each works in a part.</summary>
    public async Task<IReadOnlyList<SeatedPerson>> SeatedAsync(LessonRecord lesson, LessonPart part)
    {
        await using var db = await school.CreateDbContextAsync();
        var rooms = await db.RoomsOf(lesson.Id).Where(r => r.Part == part.Number).ToDictionaryAsync(r => r.Place, r => r.Id);
        return [.. (await InAsync(lesson.Id)).Select(p => new SeatedPerson(p.Number, p.Name, p.Initials, rooms.GetValueOrDefault(lesson.Parts.PlaceIn(part, p.Number, p.Group)), p.Standing, p.ListNumber))];
    }

    /// <summary>What some are called, told apart from others of the same name in their lessons as the teacher reads it.</summary>
    public async Task<IReadOnlyDictionary<Guid, string>> NamesAmongAsync(IEnumerable<ParticipantRecord> some)
    {
        var names = new Dictionary<Guid, string>();
        foreach (var lesson in some.GroupBy(p => p.LessonId))
        {
            // Most are the only ones of this device: nobody else has to be looked at.
            var told = lesson.DistinctBy(p => p.Name, StringComparer.OrdinalIgnoreCase).Count() == lesson.Count() ? null : (await InAsync(lesson.Key)).ToDictionary(p => p.Number, p => p.Name);
            foreach (var person in lesson) names[person.Id] = told?.GetValueOrDefault(person.Number) ?? person.Name;
        }

        return names;
    }

    /// <summary>The hidden levels of those who came from a class list, by actor number. They never leave the server.</summary>
    public async Task<IReadOnlyDictionary<int, int>> LevelsAsync(Guid lesson)
    {
        await using var db = await school.CreateDbContextAsync();
        return await db.Participants.Where(p => p.LessonId == lesson && p.Level > 0).ToDictionaryAsync(p => p.Number, p => p.Level);
    }

    /// <summary>
    /// Whom one meets on a board: those who work or worked on it, and the teacher. For whoever may look at it; students see masks of the others
    /// if the teacher wishes it so.
    /// </summary>
    public async Task<IReadOnlyList<BoardName>> NamesAsync(Guid board, Actor reader)
    {
        if (reader == Actor.Onlooker) return [];
        await using var db = await school.CreateDbContextAsync();
        var lesson = await db.Lessons.SingleAsync(l => db.Rooms.Any(r => r.Id == board && r.OfId == l.Id));
        var teacher = await db.Users.Where(u => u.Id == lesson.OwnerId).Select(u => u.DisplayName).SingleOrDefaultAsync();
        var (areHidden, unsealed) = await HidesNamesAsync(db, board, reader);
        var areNamed = !areHidden;
        var here = await db.Participants.Where(p => p.LessonId == lesson.Id && db.Seats.Any(s => s.BoardId == board && s.ParticipantId == p.Id)).Select(p => p.Number).ToListAsync();
        var plan = await LessonPlan.OfAsync(await hosts.GetAsync(lesson.Id));
        var coTeachers = await db.CoTeachers.Where(c => c.OfId == lesson.Id).Join(db.Users, c => c.TeacherId, u => u.Id, (c, u) => new BoardName(c.Number, u.DisplayName)).ToListAsync();
        return [.. await NamedAsync(lesson.Id, areNamed ? here : [.. here.Where(n => n == reader.Number || unsealed.Contains(n))], plan.NamesMasked, reader), new BoardName(Actor.Owner.Number, teacher ?? ""), .. coTeachers];
    }

    // On a wall without names it is no matter of a student's who else is there; where they are for nobody, of a teacher's neither, but for whose seals are broken.
    private async Task<(bool AreHidden, IReadOnlySet<int> Unsealed)> HidesNamesAsync(SchoolContext db, Guid board, Actor reader)
    {
        if (!await db.Rooms.AnyAsync(r => r.Id == board && r.Kind == RoomKind.Wall)) return (false, new HashSet<int>());
        var host = await hosts.GetAsync(board);
        if (!reader.IsStaff) return (host.NamesHidden is not null, new HashSet<int>());
        var unsealed = new HashSet<int>();
        if (host.IsSealed) await host.LookAsync(r => unsealed = [.. HiddenNames.AsTeachersKnow((Wall)r).Cards.Values.Where(c => c is { IsUnsealed: true, ByStaff: false }).Select(c => c.Author)]);
        return (host.IsSealed, unsealed);
    }

    /// <summary>Those who run a lesson, by actor number.</summary>
    public async Task<IReadOnlyList<BoardName>> TeachersAsync(LessonRecord lesson)
    {
        await using var db = await school.CreateDbContextAsync();
        var owner = await db.Users.Where(u => u.Id == lesson.OwnerId).Select(u => u.DisplayName).SingleOrDefaultAsync();
        var others = await db.CoTeachers.Where(c => c.OfId == lesson.Id && c.Role == CoTeacherRole.Runs).OrderBy(c => c.Number).Join(db.Users, c => c.TeacherId, u => u.Id, (c, u) => new BoardName(c.Number, u.DisplayName)).ToListAsync();
        return [new BoardName(Actor.Owner.Number, owner ?? ""), .. others];
    }

    /// <summary>Some of a lesson by the names that somebody may read: masks of others where the class sees masks.</summary>
    public async Task<IReadOnlyList<BoardName>> NamedAsync(Guid lesson, IReadOnlyCollection<int> numbers, bool masked, Actor reader)
    {
        var people = (await InAsync(lesson)).Where(p => numbers.Contains(p.Number));
        return [.. people.Select((p, i) => new BoardName(p.Number, masked && !reader.IsStaff && p.Number != reader.Number ? texts["Board.Classmate", i + 1] : p.Name))];
    }

    /// <summary>The boards and walls of a part in which people work now.</summary>
    public async Task<IReadOnlyList<LessonBoard>> BoardsAsync(LessonRecord lesson, LessonPart part) => [.. (await FindAsync(lesson, part)).Where(b => b.IsUsedNow).Select(b => b.Board)];

    /// <summary>All boards and walls on which there is or was anything: also those of dissolved groups, and the own boards of those who are in a group now.</summary>
    public async Task<IReadOnlyList<LessonBoard>> AllBoardsAsync(LessonRecord lesson)
    {
        await using var db = await school.CreateDbContextAsync();
        var kept = await AccessResolver.KeptFromTeachersAsync(db, lesson);
        return [.. (await FindAsync(lesson)).Select(b => b.Board).Where(b => !kept.Contains(b.Place))];
    }

    /// <summary>All boards and walls of a lesson, part by part, with what has become of each.</summary>
    public async Task<IReadOnlyList<KnownBoard>> FindAsync(LessonRecord lesson)
    {
        var found = new List<KnownBoard>();
        foreach (var part in lesson.Parts) found.AddRange(await FindAsync(lesson, part));
        return found;
    }

    private async Task<IReadOnlyList<KnownBoard>> FindAsync(LessonRecord lesson, LessonPart part)
    {
        var people = await InAsync(lesson.Id);
        await using var db = await school.CreateDbContextAsync();
        var boards = await db.RoomsOf(lesson.Id).Where(r => r.Part == part.Number).ToListAsync();
        if (part.Way == Way.AllTogether) return [.. boards.Where(b => b.Whose == Whose.Together).Select(b => new KnownBoard(new(b.Id, b.Place, texts["Board.Everybody"], people, null), true))];

        var plan = await LessonPlan.OfAsync(await hosts.GetAsync(lesson.Id));
        var seats = (await Seating.SeatsOf(db, lesson.Id).Join(db.Participants, s => s.ParticipantId, p => p.Id, (s, p) => new { s.BoardId, p.Number }).ToListAsync()).ToLookup(s => s.BoardId, s => s.Number);
        await projections.BringUpToDateAsync(boards.Select(b => b.Id));
        var known = await summaries.OfAsync(lesson.Id);
        var earlier = plan.Grouping.Past.Concat(plan.Grouping.Future).SelectMany(groups => groups).ToLookup(g => g.Number, g => g.Name);
        var found = new List<KnownBoard>();
        foreach (var board in boards)
        {
            var now = people.Where(p => p.Standing == Standing.In && lesson.Parts.PlaceIn(part, p.Number, p.Group) == board.Place).ToList();
            var group = board.Whose == Whose.Group ? plan.Grouping.Now.FirstOrDefault(g => g.Number == board.Number) : null;
            var isUsedNow = now.Count > 0 || group is not null;
            if (board.Whose != Whose.Teacher && !isUsedNow && !known.ContainsKey(board.Id)) continue;
            var whose = now.Count > 0 ? now : people.Where(p => seats[board.Id].Contains(p.Number)).ToList();
            var name = board.Whose == Whose.Group ? group?.Name ?? (earlier[board.Number].LastOrDefault() is { } called ? texts["Groups.DissolvedNamed", called] : texts["Groups.Dissolved", board.Number]).Value : null;
            var title = board.Whose == Whose.Teacher ? texts["Board.Teachers"].Value : name is null ? whose.FirstOrDefault()?.Name ?? "?" : string.Join(": ", [name, string.Join(", ", whose.Select(p => p.Name))]);
            found.Add(new(new(board.Id, board.Place, title, whose, name), isUsedNow));
        }

        return [.. found.OrderBy(b => b.Board.Place.Whose != Whose.Group).ThenBy(b => b.Board.Place.Number)];
    }
}
