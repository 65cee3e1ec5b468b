using System.Collections.Concurrent;
using Microsoft.EntityFrameworkCore;
using Yardang.Core.Lessons;
using Yardang.Core.Needs;
using Yardang.Core.Rooms;
using Yardang.Data.School;
using Yardang.Web.Lessons;
using Yardang.Web.Rooms;

namespace Yardang.Web.Needs;

/// <summary>Who needs the teacher, and who is here.</summary>
/// <param name="Needs">In the order in which they should be gone to.</param>
/// <param name="Presences">Of everybody of the lesson.</param>
/// <param name="Pages">On which page each is who is on one.</param>
public sealed record WhoNeeds(IReadOnlyList<Need> Needs, IReadOnlyDictionary<int, Presence> Presences, IReadOnlyDictionary<int, long> Pages);

/// <summary>
/// Looks at the work of every lesson that is open, every few seconds, so that it can be said who needs the teacher (<see cref="NeedsMe"/>). What it remembers
/// is rhythm and presence; it is not stored, and after a restart is learnt anew.
/// </summary>
public sealed class Attention(IDbContextFactory<SchoolContext> school, RoomHosts hosts, Whereabouts whereabouts, TimeProvider clock, ILogger<Attention> logger) : BackgroundService
{
    /// <summary>How often it looks.</summary>
    public static readonly TimeSpan Tick = TimeSpan.FromSeconds(5);

    private readonly ConcurrentDictionary<Guid, WatchedLesson> _lessons = new();

    /// <summary>Looks at all lessons that are loaded.</summary>
    public async Task TickAsync()
    {
        var loaded = hosts.Loaded();
        whereabouts.KeepOnly(loaded.Select(h => h.Id).ToHashSet());
        var lessons = loaded.Where(h => h.Kind == RoomKind.Lesson && !h.Finished.IsCancellationRequested).ToDictionary(h => h.Id);
        foreach (var gone in _lessons.Keys.Except(lessons.Keys)) _lessons.TryRemove(gone, out _);
        foreach (var lesson in lessons.Values.Where(l => l.Readers > 0))
        {
            try
            {
                await LookAsync(lesson);
            }
            catch (Exception e) when (e is not OperationCanceledException)
            {
                // The others are looked at all the same, and this one again in a moment.
                logger.LogError(e, "The work of lesson {Lesson} was not looked at.", lesson.Id);
            }
        }
    }

    /// <summary>Who needs the teacher of a lesson now.</summary>
    public async Task<WhoNeeds> OfAsync(Guid lesson)
    {
        var host = await hosts.GetAsync(lesson);
        if (!_lessons.TryGetValue(lesson, out var watched)) watched = await LookAsync(host);
        var now = clock.GetUtcNow().ToUnixTimeMilliseconds();
        var seen = await LessonSeen.OfAsync(host, now);
        return new(NeedsMe.Of(watched.Now(seen, now)), watched.Presences(seen, now), watched.Pages());
    }

    /// <inheritdoc/>
    protected override async Task ExecuteAsync(CancellationToken stoppingToken)
    {
        using var timer = new PeriodicTimer(Tick, clock);
        while (await timer.WaitForNextTickAsync(stoppingToken))
        {
            try
            {
                await TickAsync();
            }
            catch (Exception e) when (e is not OperationCanceledException)
            {
                logger.LogError(e, "Lessons were not looked at; the next look is in {Seconds} s.", Tick.TotalSeconds);
            }
        }
    }

    private async Task<WatchedLesson> LookAsync(RoomHost host)
    {
        var now = clock.GetUtcNow().ToUnixTimeMilliseconds();
        var seen = await LessonSeen.OfAsync(host, now);
        var before = _lessons.GetValueOrDefault(host.Id, WatchedLesson.New);
        var (work, rooms) = await WorkOfAsync(host.Id);
        var touched = new List<TouchedRoom>();
        foreach (var room in rooms) touched.Add(await TouchedAsync(room, before.Through.GetValueOrDefault(room.Id, -1)));
        return _lessons[host.Id] = before.Looked(seen, work, now).Touched(touched, now);
    }

    // The first time, what was done before is no news; nor what is more than a room remembers. Where names are for nobody, nobody may know who did it.
    private static async Task<TouchedRoom> TouchedAsync(RoomHost host, long before)
    {
        var events = before < 0 ? [] : host.Lately(before) ?? [];
        IReadOnlyList<Touch> touches = [];
        IReadOnlyList<Need> toldOf = [];
        var through = host.Durable;
        await host.LookAsync(room =>
        {
            if (room.IsSealed) return;
            touches = [.. events.SelectMany(e => OthersWork.In(e, room))];
            toldOf = [.. QuietAlerts.ToldOf(host.Id, room)];
        });
        return new(host.Id, events.Count > 0 ? events[^1].Number : through, touches, toldOf);
    }

    private async Task<(IReadOnlyDictionary<int, WorkNow> Work, IReadOnlyList<RoomHost> Rooms)> WorkOfAsync(Guid id)
    {
        await using var db = await school.CreateDbContextAsync();
        var lesson = await db.Lessons.AsNoTracking().SingleAsync(l => l.Id == id);
        var people = await db.Participants.AsNoTracking().Where(p => p.LessonId == id && p.Standing == Standing.In).OrderBy(p => p.Number).ToListAsync();
        var rooms = await db.RoomsOf(id).ToDictionaryAsync(r => r.Place, r => r.Id);
        var works = new Dictionary<int, WorkNow>();
        var looked = new List<RoomHost>();
        foreach (var part in lesson.Parts.Where(p => p.IsOpen))
        {
            foreach (var place in people.GroupBy(p => lesson.Parts.PlaceIn(part, p.Number, p.GroupNumber)))
            {
                // A room that nobody has opened is not loaded for this: nothing happens there.
                if (!rooms.TryGetValue(place.Key, out var room) || await hosts.FindLoadedAsync(room) is not { } host || host.Finished.IsCancellationRequested) continue;
                looked.Add(host);
                IReadOnlyDictionary<int, WorkSeen>? all = null;
                await host.LookAsync(r => all = WorkSeen.In(r));
                var members = place.Select(p => p.Number).ToList();
                foreach (var person in members)
                {
                    WorkSeen? own = all is null ? null : place.Key.Whose == Whose.Group ? OfGroup(all, members, person) : all.GetValueOrDefault(person);
                    var (page, since) = whereabouts.Of(room, person);
                    works[person] = Together(works.GetValueOrDefault(person), new(own, page, since));
                }
            }
        }

        return (works, looked);
    }

    // Where one writes for a group, the others are not idle: the first of them stands for all.
    private static WorkSeen? OfGroup(IReadOnlyDictionary<int, WorkSeen> all, List<int> members, int person)
    {
        if (person != members[0]) return null;
        var seen = members.Select(m => all.GetValueOrDefault(m)).ToList();
        return new(seen.Max(s => s.LastAct), seen.Sum(s => s.Size));
    }

    // Who works on what nobody may know of is not called idle for what they do elsewhere.
    private static WorkNow Together(WorkNow? before, WorkNow more)
    {
        if (before is null) return more;
        WorkSeen? seen = before.Seen is { } a && more.Seen is { } b ? new(Latest(a.LastAct, b.LastAct), a.Size + b.Size) : null;
        return more.PageSince > before.PageSince ? more with { Seen = seen } : before with { Seen = seen };
    }

    private static long? Latest(long? a, long? b) => a is null ? b : b is null ? a : Math.Max(a.Value, b.Value);
}
