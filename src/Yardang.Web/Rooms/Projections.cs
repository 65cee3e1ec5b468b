using System.Collections.Concurrent;
using Microsoft.EntityFrameworkCore;
using Yardang.Core.Rooms;
using Yardang.Data.Log;
using Yardang.Data.School;

namespace Yardang.Web.Rooms;

/// <summary>
/// Keeps the tables up to date with what happens in rooms: a follower of all that are loaded, which writes what has changed together. What a crash left
/// out is made up for at the next start.
/// </summary>
public sealed class Projections(IDbContextFactory<SchoolContext> school, RoomHosts hosts, IEventStore log, IEnumerable<IProjection> projections, Followers followers, ILogger<Projections> logger) : BackgroundService
{
    private static readonly TimeSpan s_tick = TimeSpan.FromSeconds(5);

    private static readonly TimeSpan s_heldWhileCatchingUp = TimeSpan.FromSeconds(30);

    private readonly Dictionary<RoomKind, IProjection> _projections = projections.SelectMany(p => p.Kinds, (projection, kind) => (kind, projection)).ToDictionary(p => p.kind, p => p.projection);
    private readonly ConcurrentDictionary<Guid, long> _through = new();
    private readonly SemaphoreSlim _writing = new(1, 1);

    /// <summary>Projects what has happened in rooms that are loaded.</summary>
    public Task TickAsync() => ProjectAsync(hosts.Loaded());

    /// <summary>The same for some rooms, for a list that is asked for now. What is not loaded is up to date.</summary>
    public async Task BringUpToDateAsync(IEnumerable<Guid> rooms)
    {
        var loaded = new List<RoomHost>();
        foreach (var room in rooms)
        {
            if (await hosts.FindLoadedAsync(room) is { } host) loaded.Add(host);
        }

        await ProjectAsync(loaded);
    }

    /// <summary>Projects rooms of which the log knows more than the tables.</summary>
    public async Task CatchUpAsync(CancellationToken stop)
    {
        var last = log.LastNumbers();
        var behind = new List<Guid>();
        await using (var db = await school.CreateDbContextAsync(stop))
        {
            foreach (var projection in projections)
            {
                var known = await projection.KnownAsync(db);
                var rooms = await db.Rooms.Where(r => projection.Kinds.Contains(r.Kind)).Select(r => r.Id).ToListAsync(stop);
                behind.AddRange(rooms.Where(r => last.TryGetValue(r, out var number) && number > known.GetValueOrDefault(r)));
            }
        }

        foreach (var (i, room) in behind.Index())
        {
            stop.ThrowIfCancellationRequested();

            // After an update these may be all boards of a school: they are not held all at once.
            if (i % 50 == 49) await hosts.PutAwayAsync(s_heldWhileCatchingUp);
            try
            {
                if (await hosts.FindAsync(room) is { } host) await ProjectAsync([host]);
            }
            catch (Exception e) when (e is not OperationCanceledException)
            {
                // The others are listed all the same.
                logger.LogError(e, "What is listed of room {Room} may be old.", room);
            }
        }
    }

    protected override Task ExecuteAsync(CancellationToken stoppingToken) => followers.FollowAsync("What lists know of rooms", async (_, caughtUp) =>
    {
        await CatchUpAsync(stoppingToken);
        caughtUp();
        using var timer = new PeriodicTimer(s_tick);
        while (await timer.WaitForNextTickAsync(stoppingToken)) await TickAsync();
    }, stoppingToken);

    private async Task ProjectAsync(IEnumerable<RoomHost> rooms)
    {
        var changed = rooms.Where(r => _projections.ContainsKey(r.Kind) && r.Durable > _through.GetValueOrDefault(r.Id) && !r.Finished.IsCancellationRequested).ToList();
        if (changed.Count == 0) return;
        await _writing.WaitAsync();
        try
        {
            await using var db = await school.CreateDbContextAsync();
            var through = changed.ToDictionary(r => r.Id, r => r.Durable);
            foreach (var room in changed)
            {
                try
                {
                    await _projections[room.Kind].ProjectAsync(room, db);
                }
                catch (Exception e) when (e is System.Threading.Channels.ChannelClosedException or IOException)
                {
                    // It is being put away or loaded anew, and comes again then.
                    through.Remove(room.Id);
                }
                catch (Exception e) when (e is not OperationCanceledException)
                {
                    // The others are listed all the same; this one comes again when something happens there.
                    logger.LogError(e, "What is listed of room {Room} is old.", room.Id);
                }
            }

            await db.SaveChangesAsync();
            foreach (var (room, number) in through) _through[room] = number;
        }
        finally
        {
            _writing.Release();
        }
    }
}
