using System.Diagnostics;

namespace Yardang.Bench;

/// <summary>Joining a room of 20,000 events: at most 1.0 s and 1.5 MB on the wire.</summary>
public static class JoinLoad
{
    private const int Events = 20_000;
    private const int Batch = 500;

    // As in realtime.md: operations of about 8 pen points.
    private const int PointsPerStroke = 8;

    public static async Task RunAsync()
    {
        await using var target = new YardangTarget(PointsPerStroke);
        var kept = 0;
        await target.StartAsync(1, (_, _) => Interlocked.Increment(ref kept));
        for (var sent = 0; sent < Events;)
        {
            for (var n = 0; n < Batch; n++, sent++) target.Send(0, Stopwatch.GetTimestamp(), isEvent: true);
            while (Volatile.Read(ref kept) < sent) await Task.Delay(1);
        }

        for (var i = 0; i < 3; i++)
        {
            var (milliseconds, bytes) = await target.SnapshotAsync(0);
            Console.WriteLine($"{Events} strokes of {PointsPerStroke} points: snapshot {i + 1} in {milliseconds:F0} ms, {bytes / 1e6:F2} MB");
        }
    }
}
