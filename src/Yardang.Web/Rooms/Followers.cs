using System.Collections.Concurrent;

namespace Yardang.Web.Rooms;

/// <summary>
/// Parts of the program that follow a room's events. One that fails is begun again from its checkpoint, after a pause that grows, until the room's host
/// ends; so what it does must do no harm when it is done twice. Who is failing now is seen in the server's health.
/// </summary>
public sealed class Followers(TimeProvider clock, ILogger<Followers> logger)
{
    private static readonly TimeSpan s_longestPause = TimeSpan.FromSeconds(10);
    private static readonly TimeSpan s_shortestPause = TimeSpan.FromMilliseconds(200);

    private readonly ConcurrentDictionary<string, int> _failing = new(StringComparer.Ordinal);

    /// <summary>How many are failing now.</summary>
    public int Failing => _failing.Count;

    /// <summary>Begins to follow.</summary>
    /// <param name="name">For the log.</param>
    /// <param name="follow">Follows until it is stopped. It is told whether it failed before, and so must not trust that what it knows was done; and calls back once it has caught up.</param>
    /// <param name="until">The end of the room's host.</param>
    public void Begin(string name, Func<bool, Action, Task> follow, CancellationToken until) => _ = Task.Run(() => FollowAsync(name, follow, until), CancellationToken.None);

    /// <summary>The same, for those who wait for its end.</summary>
    public async Task FollowAsync(string name, Func<bool, Action, Task> follow, CancellationToken until)
    {
        var pause = s_shortestPause;
        var again = false;
        while (!until.IsCancellationRequested)
        {
            try
            {
                await follow(again, () =>
                {
                    _failing.TryRemove(name, out _);
                    pause = s_shortestPause;
                });
                break;
            }
            catch (OperationCanceledException) when (until.IsCancellationRequested)
            {
                break;
            }
            catch (Exception e)
            {
                logger.LogError(e, "{Follower} failed and is begun again in {Milliseconds} ms.", name, pause.TotalMilliseconds);
                _failing[name] = 1;
                again = true;
                await Task.Delay(pause, clock, CancellationToken.None);
                pause = pause * 2 < s_longestPause ? pause * 2 : s_longestPause;
            }
        }

        _failing.TryRemove(name, out _);
    }
}
