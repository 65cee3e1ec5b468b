using System.Collections.Concurrent;

namespace Yardang.Web.Needs;

/// <summary>On which page students are, as their devices say; kept in memory, and forgotten with the rooms.</summary>
public sealed class Whereabouts(TimeProvider clock)
{
    private readonly ConcurrentDictionary<(Guid Room, int Person), (long Page, long Since)> _pages = new();

    /// <summary>Somebody has turned to a page.</summary>
    public void Note(Guid room, int person, long page)
    {
        var now = clock.GetUtcNow().ToUnixTimeMilliseconds();
        _pages.AddOrUpdate((room, person), (page, now), (_, before) => before.Page == page ? before : (page, now));
    }

    /// <summary>Where somebody is on a board, and since when, ms; page 0 if that is not known.</summary>
    public (long Page, long Since) Of(Guid room, int person) => _pages.GetValueOrDefault((room, person));

    /// <summary>Forgets rooms that are not loaded any more.</summary>
    public void KeepOnly(IReadOnlySet<Guid> rooms)
    {
        foreach (var key in _pages.Keys.Where(k => !rooms.Contains(k.Room))) _pages.TryRemove(key, out _);
    }
}
