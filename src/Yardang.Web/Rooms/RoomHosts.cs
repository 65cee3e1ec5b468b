using System.Collections.Concurrent;
using Yardang.Core.Rooms;
using Yardang.Data.Log;

namespace Yardang.Web.Rooms;

/// <summary>What all room hosts share.</summary>
public sealed record RoomSupport(EventLog Log, IEventStore Store, TimeProvider Clock, ILogger Logger);

/// <summary>Knows how to begin a room that is not loaded.</summary>
public interface IRoomSource
{
    /// <summary>Makes the empty room, and says what its lesson allows now; null if there is no such room.</summary>
    Task<Opening?> FindAsync(Guid room, RoomHosts hosts);

    /// <summary>Called when a room was loaded, before anybody is given it.</summary>
    Task LoadedAsync(RoomHost host, RoomHosts hosts);
}

/// <summary>The rooms that are loaded. A room is loaded when somebody needs it, and put away when nobody has for a while.</summary>
public sealed class RoomHosts(RoomSupport support, IRoomSource source) : IAsyncDisposable
{
    private readonly ConcurrentDictionary<Guid, Lazy<Task<RoomHost?>>> _hosts = new();

    /// <summary>The host of a room, loaded if need be; null if there is no such room.</summary>
    public async Task<RoomHost?> FindAsync(Guid room)
    {
        while (true)
        {
            var entry = _hosts.GetOrAdd(room, id => new(() => ForMany.BeginAsync(() => OpenAsync(id))));
            RoomHost? host;
            try
            {
                host = await entry.Value;
            }
            catch
            {
                _hosts.TryRemove(new(room, entry));
                throw;
            }

            if (host is null) _hosts.TryRemove(new(room, entry));
            if (host is null || !host.Finished.IsCancellationRequested) return host;
            _hosts.TryUpdate(room, new(() => ForMany.BeginAsync(() => ReopenAsync(room, host.StopAsync()))), entry);
        }
    }

    /// <summary>The host of a room that must exist.</summary>
    public async Task<RoomHost> GetAsync(Guid room) =>
        await FindAsync(room) ?? throw new InvalidOperationException($"There is no room {room}.");

    /// <summary>The host of a room if it is loaded or being loaded.</summary>
    public async Task<RoomHost?> FindLoadedAsync(Guid room) => _hosts.TryGetValue(room, out var entry) && entry.IsValueCreated ? await entry.Value : null;

    /// <summary>The hosts that are loaded.</summary>
    public IReadOnlyList<RoomHost> Loaded() => [.. _hosts.Values.Where(e => e.IsValueCreated && e.Value.IsCompletedSuccessfully).Select(e => e.Value.Result).OfType<RoomHost>()];

    /// <summary>Puts away rooms that nobody reads and that were not used for the given time.</summary>
    public async Task PutAwayAsync(TimeSpan unused)
    {
        foreach (var (id, entry) in _hosts)
        {
            if (!entry.IsValueCreated || !entry.Value.IsCompletedSuccessfully || await entry.Value is not { } host) continue;
            if (host.Readers > 0 || support.Clock.GetElapsedTime(host.LastUsed) < unused) continue;

            // Whoever asks from now on waits until the old host is done; what it held is not held for longer.
            var stopped = new TaskCompletionSource(TaskCreationOptions.RunContinuationsAsynchronously);
            if (!_hosts.TryUpdate(id, new(() => ForMany.BeginAsync(() => ReopenAsync(id, stopped.Task))), entry)) continue;
            try
            {
                await host.StopAsync();
            }
            finally
            {
                stopped.SetResult();
            }
        }
    }

    /// <summary>Stops a room that is to be deleted: whoever has it open is sent away first.</summary>
    public async Task DropAsync(Guid room)
    {
        if (!_hosts.TryGetValue(room, out var entry) || await entry.Value is not { } host) return;
        host.Recall(_ => true);
        await host.StopAsync();
        _hosts.TryRemove(new(room, entry));
    }

    /// <summary>Stops all rooms, with a snapshot of each.</summary>
    public async ValueTask DisposeAsync()
    {
        foreach (var entry in _hosts.Values.Where(e => e.IsValueCreated && e.Value.IsCompletedSuccessfully))
        {
            if (await entry.Value is { } host) await host.StopAsync();
        }
    }

    private async Task<RoomHost?> ReopenAsync(Guid room, Task stopped)
    {
        await stopped;
        return await OpenAsync(room);
    }

    private async Task<RoomHost?> OpenAsync(Guid room)
    {
        if (await source.FindAsync(room, this) is not var (create, allowed)) return null;
        var host = await Task.Run(() => RoomHost.Open(room, create, allowed, support));
        await source.LoadedAsync(host, this);
        return host;
    }
}
