using System.Collections.Immutable;
using Microsoft.EntityFrameworkCore;
using Yardang.Core.Activities;
using Yardang.Core.Lessons;
using Yardang.Core.Rooms;
using Yardang.Data.School;
using Yardang.Web.Rooms;

namespace Yardang.Web.Lessons;

/// <summary>What a lesson's room says about who is in, who shares a room, and which parts are open.</summary>
public sealed record LessonPlan(
    IReadOnlyDictionary<int, Person> People, Grouping Grouping, bool NamesMasked, bool SeesOtherBoards, bool SeesTeachersBoard, bool SeesOwnPast, bool TakesAlong, bool Closed, ImmutableSortedSet<int> OpenParts, int CurrentPart, bool Thinks, Func<int, (Privacy Privacy, bool AreUp)> PrivacyIn, Func<int, ImmutableArray<int>> ShownBy)
{
    /// <summary>What the room says now.</summary>
    public static async Task<LessonPlan> OfAsync(RoomHost lesson)
    {
        LessonPlan? plan = null;
        await lesson.LookAsync(r => plan = Of((Lesson)r));
        return plan!;
    }

    private static LessonPlan Of(Lesson l)
    {
        var privacies = l.Parts.ToDictionary(part => part, part => (l.Showing.In(part), l.Showing.AreUp(part)));
        var shown = l.People.Keys.ToDictionary(person => person, person => l.Showing.ShownBy(person).ToImmutableArray());
        return new(l.People.ToDictionary(p => p.Key, p => p.Value), l.Grouping, l.NamesMasked, l.SeesOtherBoards && l.Phases.Now?.Plan.Kind != PhaseKind.Think, l.SeesTeachersBoard, l.SeesOwnPast, l.TakesAlong, l.Closed, l.OpenParts, l.CurrentPart, l.Phases.Now?.Plan.Kind == PhaseKind.Think, part => privacies.GetValueOrDefault(part), person => shown.GetValueOrDefault(person, []));
    }
}

/// <summary>
/// Gives everybody in a lesson the room that is theirs in each open part, and keeps in the tables what access is decided by. What was worked on before
/// stays where it is.
/// </summary>
public sealed class Seating(IDbContextFactory<SchoolContext> school)
{
    /// <summary>The room at a place in a lesson; made if it is not there yet.</summary>
    public static async Task<Guid> RoomAsync(SchoolContext db, LessonRecord lesson, RoomPlace place)
    {
        // Two may need the same room at once: whoever comes first makes it.
        var (id, kind) = (Guid.CreateVersion7(), (int)lesson.FindPart(place.Part)!.RoomKind);
        await db.Database.ExecuteSqlAsync($"INSERT OR IGNORE INTO Rooms (Id, Kind, OfId, Part, Whose, Number) VALUES ({id}, {kind}, {lesson.Id}, {place.Part}, {(int)place.Whose}, {place.Number})");
        return await db.RoomsOf(lesson.Id).Where(r => r.Part == place.Part && r.Whose == place.Whose && r.Number == place.Number).Select(r => r.Id).SingleAsync();
    }

    /// <summary>Makes the tables say what the plan says.</summary>
    /// <returns>The rooms whose people have changed, and the people.</returns>
    public async Task<(IReadOnlySet<Guid> Rooms, IReadOnlySet<int> People)> SeatAllAsync(Guid lessonId, LessonPlan plan)
    {
        await using var db = await school.CreateDbContextAsync();
        var lesson = await db.Lessons.SingleAsync(l => l.Id == lessonId);
        (lesson.SeesOtherBoards, lesson.SeesTeachersBoard, lesson.SeesOwnPast, lesson.TakesAlong, lesson.Thinks) = (plan.SeesOtherBoards, plan.SeesTeachersBoard, plan.SeesOwnPast, plan.TakesAlong, plan.Thinks);
        lesson.Parts = [.. lesson.Parts.Select(p => p with { IsOpen = plan.OpenParts.Contains(p.Number), Privacy = plan.PrivacyIn(p.Number).Privacy, AreUp = plan.PrivacyIn(p.Number).AreUp })];
        lesson.CurrentPart = plan.CurrentPart;
        var open = lesson.Parts.Where(p => p.IsOpen).ToList();
        var known = await db.RoomsOf(lessonId).ToDictionaryAsync(r => r.Place, r => r.Id);
        async Task<Guid> RoomOfAsync(RoomPlace place) => known.TryGetValue(place, out var id) ? id : known[place] = await RoomAsync(db, lesson, place);
        foreach (var part in open.Where(lesson.Parts.IsByGroup))
        {
            foreach (var group in plan.Grouping.Now) await RoomOfAsync(new(part.Number, Whose.Group, group.Number));
        }

        var rooms = new HashSet<Guid>();
        var people = new HashSet<int>();
        var seats = (await SeatsOf(db, lessonId).ToListAsync()).Select(s => (s.ParticipantId, s.BoardId)).ToHashSet();
        foreach (var participant in await db.Participants.Where(p => p.LessonId == lessonId).ToListAsync())
        {
            if (!plan.People.TryGetValue(participant.Number, out var person)) continue;
            var group = plan.Grouping.Of(participant.Number)?.Number ?? 0;
            var hasChanged = participant.GroupNumber != group || participant.Standing != person.Standing;
            var before = open.Select(part => lesson.PlaceOf(participant, part)).ToList();
            (participant.GroupNumber, participant.Standing, participant.ShownIn) = (group, person.Standing, plan.ShownBy(participant.Number));
            if (person.Standing == Standing.Expected) continue;
            if (hasChanged)
            {
                people.Add(participant.Number);
                rooms.UnionWith(before.Where(known.ContainsKey).Select(place => known[place]));
            }

            foreach (var part in open)
            {
                var room = await RoomOfAsync(lesson.PlaceOf(participant, part));
                if (hasChanged) rooms.Add(room);
                if (seats.Add((participant.Id, room))) await SitAsync(db, participant, room);
            }
        }

        await db.SaveChangesAsync();
        return (rooms, people);
    }

    /// <summary>Notes somebody who comes in, and that they work in each open part. Whoever reads of them reads also where they are.</summary>
    public static async Task SeatAsync(SchoolContext db, LessonRecord lesson, ParticipantRecord participant)
    {
        var rooms = new List<Guid>();
        foreach (var part in lesson.Parts.Where(p => p.IsOpen)) rooms.Add(await RoomAsync(db, lesson, lesson.PlaceOf(participant, part)));
        await db.SaveChangesAsync();
        foreach (var room in rooms) await SitAsync(db, participant, room);
    }

    /// <summary>Who works or worked where in a lesson.</summary>
    public static IQueryable<SeatRecord> SeatsOf(SchoolContext db, Guid lesson) => db.Seats.Where(s => db.Rooms.Any(r => r.Id == s.BoardId && r.OfId == lesson));

    /// <summary>Notes that somebody works in a room, or once did.</summary>
    public static Task SitAsync(SchoolContext db, ParticipantRecord participant, Guid room) =>
        db.Database.ExecuteSqlAsync($"INSERT OR IGNORE INTO Seats (ParticipantId, BoardId) VALUES ({participant.Id}, {room})");
}
