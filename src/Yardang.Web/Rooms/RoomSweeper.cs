namespace Yardang.Web.Rooms;

/// <summary>Puts away rooms that nobody has used for a while.</summary>
public sealed class RoomSweeper(RoomHosts hosts, TimeProvider clock, ILogger<RoomSweeper> logger) : BackgroundService
{
    private static readonly TimeSpan s_every = TimeSpan.FromMinutes(1);
    private static readonly TimeSpan s_unused = TimeSpan.FromMinutes(10);

    protected override async Task ExecuteAsync(CancellationToken stoppingToken)
    {
        using var timer = new PeriodicTimer(s_every, clock);
        try
        {
            while (await timer.WaitForNextTickAsync(stoppingToken)) await SweepAsync();
        }
        catch (OperationCanceledException) when (stoppingToken.IsCancellationRequested)
        {
            // The server stops; the rooms are stopped where they are owned.
        }
    }

    private async Task SweepAsync()
    {
        try
        {
            await hosts.PutAwayAsync(s_unused);
        }
        catch (Exception e)
        {
            logger.LogError(e, "Unused rooms were not put away; the next try is in a minute.");
        }
    }
}
