using Microsoft.EntityFrameworkCore;
using Yardang.Core.Lessons;
using Yardang.Core.Rooms;
using Yardang.Data.School;
using Yardang.Web.BigScreen;

namespace Yardang.Web.Access;

/// <summary>What somebody may do with a room: who they are there.</summary>
/// <param name="Room">The room.</param>
/// <param name="Kind">Its kind.</param>
/// <param name="Actor">Who the visitor is in it.</param>
public sealed record RoomAccess(Guid Room, RoomKind Kind, Actor Actor)
{
    /// <summary>Whether they may see what is there.</summary>
    public bool MayLook => !Actor.HasLeft;

    /// <summary>Whether they may put something there.</summary>
    public bool MayWrite => Actor is { LooksOnly: false, HasLeft: false };
}

/// <summary>What a teacher may do in a lesson or with an activity. Each may all that those before it may.</summary>
public enum Power
{
    /// <summary>See everything.</summary>
    Watches = 0,

    /// <summary>Do everything but what is the owner's.</summary>
    Runs = 1,

    /// <summary>Invite others, put it away.</summary>
    Owns = 2,
}

/// <summary>The one place where it is decided who may see and do what: for pages, hub and files alike.</summary>
public sealed class AccessResolver(IDbContextFactory<SchoolContext> school, ScreenKeys screens)
{
    /// <summary>Who the visitor is in a room; null if they have no business there, or there is no such room.</summary>
    public async Task<RoomAccess?> ForRoomAsync(Visitor visitor, Guid room)
    {
        await using var db = await school.CreateDbContextAsync();
        if (await db.Rooms.FindAsync(room) is not { } record) return null;
        if (visitor.Embed is { } key) return await EmbeddedAsync(db, key) == room ? new(room, record.Kind, Actor.Onlooker) : null;
        if (visitor.As is { } participantId)
        {
            if (!visitor.Participants.Contains(participantId)) return null;
            return await db.Participants.FindAsync(participantId) is { } participant && await ForParticipantAsync(db, participant, record, visitor.Looks) is { } actor ? new(room, record.Kind, actor) : null;
        }

        if (visitor.TeacherId is not { } teacher || await OwnerAsync(db, record) is not { } owner) return null;
        if (await StaffAsync(db, teacher, owner, record.OfId) is not { } staff) return null;
        return record.Kind == RoomKind.Board && await db.Lessons.FindAsync(record.OfId) is { } lesson && (await KeptFromTeachersAsync(db, lesson)).Contains(record.Place) ? null : new(room, record.Kind, staff.Actor);
    }

    /// <summary>The boards of a lesson that not even teachers see now: those who work there have not shown them yet.</summary>
    public static async Task<IReadOnlySet<RoomPlace>> KeptFromTeachersAsync(SchoolContext db, LessonRecord lesson) => await KeptAsync(db, lesson, Privacy.AlsoFromTeachers);

    /// <summary>The boards of a lesson that nobody sees now but those who work there, and perhaps teachers.</summary>
    public static async Task<IReadOnlySet<RoomPlace>> KeptAsync(SchoolContext db, LessonRecord lesson) => await KeptAsync(db, lesson, Privacy.UntilShown);

    private static async Task<HashSet<RoomPlace>> KeptAsync(SchoolContext db, LessonRecord lesson, Privacy least)
    {
        var parts = lesson.Parts.Where(p => p.Privacy >= least && !p.AreUp && p.RoomKind == RoomKind.Board).ToList();
        if (parts.Count == 0) return [];
        var people = await db.Participants.Where(p => p.LessonId == lesson.Id && p.Standing == Standing.In).ToListAsync();
        var shown = parts.SelectMany(part => people.Where(p => p.ShownIn.Contains(part.Number)).Select(p => lesson.PlaceOf(p, part))).ToHashSet();

        // What people left behind is as private as what they work on.
        var numbers = parts.Select(p => p.Number).ToList();
        var rooms = await db.RoomsOf(lesson.Id).Where(r => numbers.Contains(r.Part)).ToListAsync();
        return [.. rooms.Select(r => r.Place).Where(place => place.Whose is Whose.Own or Whose.Group && !shown.Contains(place))];
    }

    private static async Task<Guid?> OwnerAsync(SchoolContext db, RoomRecord room) => room.Kind == RoomKind.Draft
        ? (await db.Activities.FindAsync(room.OfId))?.OwnerId
        : (await db.Lessons.FindAsync(room.OfId))?.OwnerId;

    /// <summary>Whether somebody may have a live connection: a teacher, a participant of this device, or who was shown a board.</summary>
    public async Task<bool> HasBusinessAsync(Visitor visitor)
    {
        if (visitor.Embed is { } key) return await EmbeddedAsync(key) is not null;
        if (visitor.As is not { } participant) return visitor.TeacherId is not null;
        if (!visitor.Participants.Contains(participant)) return false;
        await using var db = await school.CreateDbContextAsync();
        return await db.Participants.AnyAsync(p => p.Id == participant);
    }

    /// <summary>The board that is shown under a key; null if none is: everybody's of the first open part in which all work together, else the teacher's own.</summary>
    public async Task<Guid?> EmbeddedAsync(string key)
    {
        await using var db = await school.CreateDbContextAsync();
        return await EmbeddedAsync(db, key);
    }

    /// <summary>The lesson whose big screen somebody has the key of; null if it is none.</summary>
    public async Task<LessonRecord?> BigScreenAsync(string key)
    {
        if (screens.Read(key) is not { } lesson) return null;
        await using var db = await school.CreateDbContextAsync();
        return await db.Lessons.FindAsync(lesson);
    }

    private static async Task<Guid?> EmbeddedAsync(SchoolContext db, string key)
    {
        if (await db.Lessons.SingleOrDefaultAsync(l => l.EmbedKey == key && !l.Waits) is not { } lesson) return null;
        var open = lesson.Parts.Where(p => p.IsOpen).ToList();
        var shown = open.Find(p => p.Way == Way.AllTogether) ?? open[0];
        return await Lessons.Seating.RoomAsync(db, lesson, new(shown.Number, shown.Way == Way.AllTogether ? Whose.Together : Whose.Teacher, 0));
    }

    // Owner, or invited by the owner.
    private static async Task<(Power Power, Actor Actor)?> StaffAsync(SchoolContext db, Guid teacher, Guid owner, Guid of)
    {
        if (owner == teacher) return (Power.Owns, Actor.Owner);
        if (await db.CoTeachers.SingleOrDefaultAsync(c => c.OfId == of && c.TeacherId == teacher) is not { } invited) return null;
        var watches = invited.Role == CoTeacherRole.Watches;
        return (watches ? Power.Watches : Power.Runs, new Actor(invited.Number, Role.Staff) { LooksOnly = watches });
    }

    // Who waits at the door hears of it in the lesson's room. Before a lesson or a part opens, nobody sees a board of it. Who has left a board may still hand in there what they did before.
    private static async Task<Actor?> ForParticipantAsync(SchoolContext db, ParticipantRecord participant, RoomRecord room, bool looks)
    {
        if (room.OfId != participant.LessonId) return null;
        var actor = new Actor(participant.Number, Role.Student);
        var isIn = participant.Standing == Standing.In;
        if (room.Kind == RoomKind.Lesson) return isIn || participant.Standing == Standing.Waiting ? actor : null;
        var lesson = await db.Lessons.FindAsync(participant.LessonId);
        if (isIn && lesson is { Waits: false } && lesson.FindPart(room.Part) is { IsOpen: true } part)
        {
            var isTheirs = lesson.PlaceOf(participant, part) == room.Place || (room.Whose == Whose.Own && room.Number == participant.Number);
            if (isTheirs) return actor with { LooksOnly = looks };
            if (looks && await MayLookAsync(db, lesson, part, room)) return actor with { LooksOnly = true };
        }

        // From those who were taken out or turned away nothing more is taken.
        return isIn && await db.Seats.AnyAsync(s => s.ParticipantId == participant.Id && s.BoardId == room.Id) ? actor with { HasLeft = true } : null;
    }

    // Where boards are private, they are seen as soon as they are shown, and not before; while each thinks on their own, no board of anybody else.
    private static async Task<bool> MayLookAsync(SchoolContext db, LessonRecord lesson, LessonPart part, RoomRecord room)
    {
        if (room.Whose == Whose.Teacher) return lesson.SeesTeachersBoard;
        if (part.Privacy == Privacy.None || room.Kind != RoomKind.Board || room.Whose == Whose.Together) return lesson.SeesOtherBoards;
        return !lesson.Thinks && !(await KeptAsync(db, lesson)).Contains(room.Place);
    }

    /// <summary>Who a student is on a board whose past they may look at: one that is theirs alone, where the teacher lets them; null otherwise.</summary>
    public async Task<Actor?> OnOwnPastAsync(Visitor visitor, Guid room)
    {
        if (await ForRoomAsync(visitor, room) is not { Kind: RoomKind.Board, MayWrite: true, Actor: { Role: Role.Student } actor }) return null;
        await using var db = await school.CreateDbContextAsync();
        var isAllowed = await db.Rooms.Where(r => r.Id == room && r.Whose == Whose.Own && r.Number == actor.Number).Join(db.Lessons.Where(l => l.SeesOwnPast), r => r.OfId, l => l.Id, (r, _) => r).AnyAsync();
        return isAllowed ? actor : null;
    }

    /// <summary>Who a student is in a room of which they may take their own work along: where they work, and their teacher lets them; null otherwise.</summary>
    public async Task<RoomAccess?> OnTakingAlongAsync(Visitor visitor, Guid room)
    {
        if (await ForRoomAsync(visitor, room) is not { Kind: RoomKind.Board or RoomKind.Wall, MayWrite: true, Actor.Role: Role.Student } found) return null;
        await using var db = await school.CreateDbContextAsync();
        return await db.Rooms.Where(r => r.Id == room).Join(db.Lessons.Where(l => l.TakesAlong), r => r.OfId, l => l.Id, (r, _) => r).AnyAsync() ? found : null;
    }

    /// <summary>A lesson in which this teacher may at least so much; null otherwise.</summary>
    public async Task<LessonRecord?> LessonAsync(Visitor visitor, Guid id, Power least)
    {
        if (visitor.TeacherId is not { } teacher) return null;
        await using var db = await school.CreateDbContextAsync();
        return await db.Lessons.SingleOrDefaultAsync(l => l.Id == id) is { } lesson && (await StaffAsync(db, teacher, lesson.OwnerId, id))?.Power >= least ? lesson : null;
    }

    /// <summary>An activity with which this teacher may at least so much; null otherwise.</summary>
    public async Task<ActivityRecord?> ActivityAsync(Visitor visitor, Guid id, Power least)
    {
        if (visitor.TeacherId is not { } teacher) return null;
        await using var db = await school.CreateDbContextAsync();
        return await db.Activities.SingleOrDefaultAsync(a => a.Id == id) is { } activity && (await StaffAsync(db, teacher, activity.OwnerId, id))?.Power >= least ? activity : null;
    }

    /// <summary>As whom this teacher acts in the rooms of a lesson or activity; null if not at all.</summary>
    public async Task<Actor?> StaffActorAsync(Visitor visitor, Guid owner, Guid of)
    {
        if (visitor.TeacherId is not { } teacher) return null;
        await using var db = await school.CreateDbContextAsync();
        return (await StaffAsync(db, teacher, owner, of))?.Actor;
    }

    /// <summary>The participants that this device was in a lesson, the latest first.</summary>
    public async Task<IReadOnlyList<ParticipantRecord>> ParticipantsAsync(Visitor visitor, Guid lesson)
    {
        await using var db = await school.CreateDbContextAsync();
        var found = await db.Participants.Where(p => p.LessonId == lesson && visitor.Participants.Contains(p.Id)).ToListAsync();
        return [.. visitor.Participants.Select(id => found.Find(p => p.Id == id)).OfType<ParticipantRecord>()];
    }
}
