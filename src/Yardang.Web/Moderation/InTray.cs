using Microsoft.EntityFrameworkCore;
using Microsoft.Extensions.Localization;
using Yardang.Core.Boards;
using Yardang.Core.Editing;
using Yardang.Core.InTray;
using Yardang.Core.Lessons;
using Yardang.Core.Rooms;
using Yardang.Core.Threads;
using Yardang.Core.Walls;
using Yardang.Data.School;
using Yardang.Web.Access;
using Yardang.Web.Lessons;
using Yardang.Web.Rooms;

namespace Yardang.Web.Moderation;

/// <summary>What stood before, and what its author was told of it.</summary>
public sealed record Returned(string Words, string Said);

/// <summary>Who told of something, and why. Where names are for nobody: not who.</summary>
public sealed record Told(string Name, string Reason, string Words);

/// <summary>Something that waits for a teacher's decision, as the in-tray shows it.</summary>
/// <param name="Key">Which it is; the same as long as it waits.</param>
/// <param name="Kind">What: "card", "wording", "answer", "link", "note", "drawn" or "door".</param>
/// <param name="Why">Why: "approval", "words", "late", "door", or "concern" where students told of it.</param>
/// <param name="Lesson">The lesson.</param>
/// <param name="LessonName">What it is called, and for which class.</param>
/// <param name="Room">The wall or board; the lesson for people at the door.</param>
/// <param name="Part">Of which part.</param>
/// <param name="Person">Whose it is, or who waits.</param>
/// <param name="Name">What they are called.</param>
/// <param name="Numbers">By which it is decided: the events that set it aside; of what students told of, the card or mark, and the answer to it or 0.</param>
/// <param name="Since">Since when, server time in ms.</param>
/// <param name="Words">What was written last.</param>
/// <param name="Where">Under which topic, or on which page; empty if it is nowhere in particular.</param>
/// <param name="About">What it answers, links or is instead of; empty for nothing.</param>
/// <param name="Beside">What stands beside it, at most <see cref="InTray.MostBeside"/>.</param>
/// <param name="Before">What was returned before.</param>
/// <param name="Shows">Whether there is something to look at beside words.</param>
/// <param name="MayDecide">Whether this teacher may decide it.</param>
/// <param name="ToldBy">Of what students told of: who, and why.</param>
/// <param name="IsDown">Of what students told of: whether it is down already.</param>
public sealed record TrayThing(
    string Key, string Kind, string Why, Guid Lesson, string LessonName, Guid Room, int Part, int Person, string Name, IReadOnlyList<long> Numbers, long Since, string Words, string Where, string About,
    IReadOnlyList<string> Beside, IReadOnlyList<Returned> Before, bool Shows, bool MayDecide, IReadOnlyList<Told> ToldBy, bool IsDown);

/// <summary>All that waits for a teacher's decision, over all their running lessons.</summary>
public sealed class InTray(IDbContextFactory<SchoolContext> school, RoomHosts hosts, AccessResolver access, LessonPeople people, TrayConcerns toldOf, IStringLocalizer<UiTexts> texts)
{
    /// <summary>Most things that are shown at once; those that wait longest.</summary>
    public const int Most = 1_000;

    /// <summary>Most things that are shown beside one.</summary>
    public const int MostBeside = 3;

    /// <summary>Most lessons that are looked through: those handed out last.</summary>
    public const int MostLessons = 40;

    /// <summary>What waits, longest first.</summary>
    /// <param name="visitor">For whom.</param>
    /// <param name="only">One lesson; null for all.</param>
    public async Task<IReadOnlyList<TrayThing>> OfAsync(Visitor visitor, Guid? only)
    {
        var things = new List<TrayThing>();
        foreach (var lesson in await LessonsAsync(visitor, only)) things.AddRange(await OfAsync(visitor, lesson));
        return [.. things.OrderBy(t => t.Since).ThenBy(t => t.Key, StringComparer.Ordinal).Take(Most)];
    }

    /// <summary>How much waits, as far as lessons know.</summary>
    public async Task<int> CountAsync(Visitor visitor)
    {
        var count = 0;
        foreach (var lesson in await LessonsAsync(visitor, only: null))
        {
            var host = await hosts.GetAsync(lesson.Id);
            await host.LookAsync(r => count += ((Lesson)r).Waiting.Sum(w => w.Count) + ((Lesson)r).People.Values.Count(p => p.Standing == Standing.Waiting));
        }

        return count;
    }

    private async Task<IReadOnlyList<LessonRecord>> LessonsAsync(Visitor visitor, Guid? only)
    {
        if (visitor.TeacherId is not { } teacher) return [];
        await using var db = await school.CreateDbContextAsync();
        return await db.Lessons.AsNoTracking().Where(l => l.ClosedAt == null && (only == null || l.Id == only) && (l.OwnerId == teacher || db.CoTeachers.Any(c => c.OfId == l.Id && c.TeacherId == teacher)))
            .OrderByDescending(l => l.HandedOutAt).Take(MostLessons).ToListAsync();
    }

    private async Task<IReadOnlyList<TrayThing>> OfAsync(Visitor visitor, LessonRecord lesson)
    {
        var (rooms, atDoor) = (new List<Guid>(), new List<Person>());
        var host = await hosts.GetAsync(lesson.Id);
        await host.LookAsync(r =>
        {
            rooms = [.. ((Lesson)r).Waiting.Select(w => w.Board).Distinct()];
            atDoor = [.. ((Lesson)r).People.Values.Where(p => p.Standing == Standing.Waiting)];
        });
        if (rooms.Count == 0 && atDoor.Count == 0) return [];
        var names = (await people.InAsync(lesson.Id)).ToDictionary(p => p.Number, p => p.Name);
        var title = string.IsNullOrEmpty(lesson.ClassName) ? lesson.Name : $"{lesson.Name} · {lesson.ClassName}";
        var mayRun = await access.LessonAsync(visitor, lesson.Id, Power.Runs) is not null;
        var things = atDoor.Select(p => new TrayThing($"{lesson.Id}-{p.Number}", "door", "door", lesson.Id, title, lesson.Id, 0, p.Number, names.GetValueOrDefault(p.Number, ""), [], p.JoinedAt, "", "", "", [], [], false, mayRun, [], false)).ToList();
        foreach (var room in rooms)
        {
            // Boards that are kept even from teachers are decided about when they are shown.
            if (await access.ForRoomAsync(visitor, room) is not { MayLook: true, Actor.IsStaff: true } found) continue;
            var part = await PartAsync(room);
            var work = await hosts.GetAsync(room);
            await work.LookAsync(r =>
            {
                things.AddRange(WaitingThing.In(((IWorkRoom)r).SetAside.Values).Where(t => t.Returned.Length == 0)
                    .Select(t => Describe(r, t) with { Lesson = lesson.Id, LessonName = title, Room = room, Key = $"{room}-{t.Person}-{t.Id}", Part = part, Name = names.GetValueOrDefault(t.Person, ""), MayDecide = found.MayWrite }));
                things.AddRange(toldOf.In(r, found.Actor, names).Select(t => t with { Lesson = lesson.Id, LessonName = title, Room = room, Part = part, Key = $"{room}-told-{t.Key}", MayDecide = found.MayWrite }));
            });
        }

        return things;
    }

    private async Task<int> PartAsync(Guid room)
    {
        await using var db = await school.CreateDbContextAsync();
        return await db.Rooms.Where(r => r.Id == room).Select(r => r.Part).SingleAsync();
    }

    private TrayThing Describe(Room room, WaitingThing thing)
    {
        var (kind, where, about, beside) = room switch
        {
            Wall wall => Describe(wall, thing),
            Board board => Describe(board, thing),
            _ => ("drawn", "", "", []),
        };
        var why = thing.Why switch { WhySetAside.Words => "words", WhySetAside.Approval => "approval", WhySetAside.Locked => "locked", _ => "late" };
        var shows = room is Board ? kind is not "answer" : thing.Works.Select(w => w.Command switch { PutUpCard put => put.Attachments, RewordCard reword => reword.Attachments, _ => null }).LastOrDefault(shown => shown is not null) is { Length: > 0 };
        return new("", kind, why, Guid.Empty, "", Guid.Empty, 0, thing.Person, "", [.. thing.Works.Select(w => w.Number)], thing.Since, thing.Words, where, about, beside, [.. thing.Exchange.Select(e => new Returned(e.Words, e.Returned))], shows, false, [], false);
    }

    private static (string Kind, string Where, string About, IReadOnlyList<string> Beside) Describe(Wall wall, WaitingThing thing)
    {
        string Under(long topic) => TrayPlaces.Under(wall, topic);
        string TextOf(long card) => wall.Cards.GetValueOrDefault(card)?.Text ?? "";
        return thing.Works[0].Command switch
        {
            PutUpCard put => ("card", Under(put.Topic), "", [.. wall.Known.Where(c => c.Topic == put.Topic).OrderByDescending(c => c.PutUpAt).Take(MostBeside).Select(c => c.Text)]),
            RewordCard reword => ("wording", Under(wall.Cards.GetValueOrDefault(reword.Id)?.Topic ?? 0), TextOf(reword.Id), []),
            GiveAnswer { About: var on } => ("answer", Under(wall.Cards.GetValueOrDefault(on)?.Topic ?? 0), TextOf(on), [.. SaidTo(wall, on)]),
            RewordAnswer { About: var on } => ("answer", Under(wall.Cards.GetValueOrDefault(on)?.Topic ?? 0), TextOf(on), [.. SaidTo(wall, on)]),
            LinkCards { From: var from, To: var to } => ("link", "", $"{TextOf(from)} → {TextOf(to)}", []),
            RewordLink { Id: var id } when wall.Links.All.GetValueOrDefault(id) is { } link => ("link", "", $"{TextOf(link.From)} → {TextOf(link.To)}", []),
            _ => ("drawn", "", "", []),
        };
    }

    private static IEnumerable<string> SaidTo(Wall wall, long card) => (wall.Cards.GetValueOrDefault(card)?.Said ?? []).Where(a => a.IsUp).TakeLast(MostBeside).Select(a => a.Text);

    private (string Kind, string Where, string About, IReadOnlyList<string> Beside) Describe(Board board, WaitingThing thing)
    {
        var on = thing.Works[0].Command switch
        {
            AddMark add => add.Page,
            AddMarks add => add.Page,
            MakeChanges { Changes: [var first, ..] } => board.Sheets.Marks.GetValueOrDefault(first.Target)?.Page ?? 0,
            GiveAnswer answer => board.Sheets.Marks.GetValueOrDefault(answer.About)?.Page ?? 0,
            _ => 0,
        };
        var where = TrayPlaces.OnPage(board, on, texts);
        var about = thing.Works[0].Command switch
        {
            MakeChanges { Changes: [var first, ..] } => board.Sheets.Marks.GetValueOrDefault(first.Target)?.Body.Written()?.Text ?? "",
            GiveAnswer answer => board.Sheets.Marks.GetValueOrDefault(answer.About)?.Body.Written()?.Text ?? "",
            _ => "",
        };
        var kind = thing.Id == 0 ? "drawn" : thing.Works[0].Command switch { GiveAnswer or RewordAnswer => "answer", MakeChanges => "wording", _ => "note" };
        return (kind, where, about, []);
    }
}
