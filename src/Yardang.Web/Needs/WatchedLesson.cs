using System.Collections.Immutable;
using Yardang.Core.Lessons;
using Yardang.Core.Needs;
using Yardang.Web.Rooms;

namespace Yardang.Web.Needs;

/// <summary>A lesson at one moment, as its room says.</summary>
internal sealed record LessonSeen(ImmutableArray<Person> People, bool MayWrite, NeedsSettings Settings, IReadOnlyDictionary<(int Person, NeedKind Kind), AnsweredNeed> Answered, IReadOnlyDictionary<int, LastVisit> Visits, ImmutableArray<WorkWaits> Waiting, IReadOnlyCollection<int> Here)
{
    public static async Task<LessonSeen> OfAsync(RoomHost host, long time)
    {
        LessonSeen? seen = null;
        await host.LookAsync(r =>
        {
            var lesson = (Lesson)r;
            seen = new([.. lesson.People.Values], lesson.IsWriting(time), lesson.Needs, lesson.Answered.ToDictionary(), lesson.Visits.ToDictionary(), [.. lesson.Waiting], []);
        });
        return seen! with { Here = host.StudentsHere };
    }
}

/// <summary>What somebody's work looks like over all rooms that are open to them.</summary>
/// <param name="Seen">When they did something last, and how much stands there; null where nobody may know, or somebody else of their group stands for them.</param>
/// <param name="Page">On which page they are; 0 where that is not known.</param>
/// <param name="PageSince">Since when, ms.</param>
internal sealed record WorkNow(WorkSeen? Seen, long Page, long PageSince)
{
    public static readonly WorkNow None = new(new WorkSeen(null, 0), 0, 0);
}

/// <summary>What was done in a room to things of others since it was looked at last, and of whose things several have told.</summary>
/// <param name="Room">Which.</param>
/// <param name="Through">The event up to which it was looked at.</param>
/// <param name="Touches">What students did, in order.</param>
/// <param name="ToldOf">Whose.</param>
internal sealed record TouchedRoom(Guid Room, long Through, IReadOnlyCollection<Touch> Touches, IReadOnlyCollection<Need> ToldOf);

/// <summary>What is remembered of a lesson from look to look: who was connected, in what rhythm each works, since when they may write.</summary>
internal sealed record WatchedLesson
{
    /// <summary>Nothing is remembered.</summary>
    public static readonly WatchedLesson New = new();

    private ImmutableDictionary<int, Contact> Contacts { get; init; } = ImmutableDictionary<int, Contact>.Empty;

    private ImmutableDictionary<int, Pace> Paces { get; init; } = ImmutableDictionary<int, Pace>.Empty;

    private IReadOnlyDictionary<int, WorkNow> Work { get; init; } = ImmutableDictionary<int, WorkNow>.Empty;

    /// <summary>What was seen of what may be mischief.</summary>
    private QuietAlerts Alerts { get; init; } = QuietAlerts.None;

    private ImmutableArray<Need> ToldOf { get; init; } = [];

    /// <summary>Up to which event each room was looked at.</summary>
    public ImmutableDictionary<Guid, long> Through { get; private init; } = ImmutableDictionary<Guid, long>.Empty;

    private bool MayWrite { get; init; }

    private long OpenSince { get; init; }

    private long LullUntil { get; init; }

    /// <summary>What is to be remembered now that it was looked again.</summary>
    public WatchedLesson Looked(LessonSeen lesson, IReadOnlyDictionary<int, WorkNow> work, long now)
    {
        var open = lesson.MayWrite && !MayWrite ? now : OpenSince;
        var paces = Paces;
        foreach (var person in lesson.People.Where(p => p.Standing == Standing.In))
        {
            if (work.GetValueOrDefault(person.Number, WorkNow.None).Seen is not { } seen) continue;
            var quiet = Math.Max(Math.Max(open, LullUntil), lesson.Visits.GetValueOrDefault(person.Number)?.At ?? 0);
            paces = paces.SetItem(person.Number, paces.GetValueOrDefault(person.Number, Pace.Unknown).Seen(seen.LastAct, seen.Size, quiet, now));
        }

        var looked = this with { MayWrite = lesson.MayWrite, OpenSince = open, Work = work, Paces = paces, Contacts = Connected(lesson, now) };
        return looked with { LullUntil = NeedsMe.LullUntil(LullUntil, looked.Students(lesson, looked.Contacts), now) };
    }

    /// <summary>What is to be remembered now that it was seen what students did to things of others.</summary>
    public WatchedLesson Touched(IReadOnlyCollection<TouchedRoom> rooms, long now)
    {
        var (alerts, through) = (Alerts, Through);
        foreach (var room in rooms) (alerts, through) = (alerts.With(room.Room, room.Touches, now), through.SetItem(room.Room, room.Through));
        return this with { Alerts = alerts, Through = through, ToldOf = [.. rooms.SelectMany(r => r.ToldOf)] };
    }

    /// <summary>The class now, for who needs the teacher. What the lesson itself says is new; what can be seen is as of the last look.</summary>
    public ClassNow Now(LessonSeen lesson, long now) =>
        new([.. Students(lesson, Connected(lesson, now))], lesson.MayWrite, lesson.Settings, lesson.Answered, lesson.Visits, lesson.Waiting, LullUntil, now, [.. Alerts.Listed(now), .. ToldOf]);

    /// <summary>Whether each is here.</summary>
    public IReadOnlyDictionary<int, Presence> Presences(LessonSeen lesson, long now)
    {
        var contacts = Connected(lesson, now);
        return lesson.People.ToDictionary(p => p.Number, p => Contact.Of(p, contacts.GetValueOrDefault(p.Number), now));
    }

    /// <summary>On which page each is who is on one.</summary>
    public IReadOnlyDictionary<int, long> Pages() => Work.Where(w => w.Value.Page != 0).ToDictionary(w => w.Key, w => w.Value.Page);

    private ImmutableDictionary<int, Contact> Connected(LessonSeen lesson, long now)
    {
        var contacts = Contacts;
        foreach (var person in lesson.People.Where(p => p.Standing == Standing.In))
        {
            var isHere = lesson.Here.Contains(person.Number);
            if (isHere || contacts.ContainsKey(person.Number)) contacts = contacts.SetItem(person.Number, Contact.Seen(contacts.GetValueOrDefault(person.Number), isHere, now));
        }

        return contacts;
    }

    private IEnumerable<Student> Students(LessonSeen lesson, ImmutableDictionary<int, Contact> contacts) => lesson.People.Select(person =>
    {
        var work = Work.GetValueOrDefault(person.Number, WorkNow.None);
        return new Student(person, contacts.GetValueOrDefault(person.Number), work.Seen is null ? null : Paces.GetValueOrDefault(person.Number, Pace.Unknown), work.Page, work.PageSince, OpenSince);
    });
}
