using System.Collections.Concurrent;
using System.Diagnostics;

namespace Yardang.Bench;

/// <summary>A server with one room in which everybody writes and reads.</summary>
public interface IRoomTarget : IAsyncDisposable
{
    /// <summary>Brings everybody in. Called back with the reader, the message's stamp, and whether it was an event.</summary>
    Task StartAsync(int writers, Action<int, long, bool> received);

    /// <summary>Sends a preview or an event.</summary>
    void Send(int writer, long stamp, bool isEvent);

    /// <summary>Says in a sentence whether everybody got everything once and in one order; empty if that cannot be told.</summary>
    Task<string> CheckAsync();

    /// <summary>The server's process.</summary>
    Process Server { get; }
}

/// <summary>Many writers in one room, each ten previews a second and a stroke a second. Latency is taken at every tenth reader.</summary>
public static class RoomLoad
{
    private const int MessagesPerSecond = 11;
    private const int SampleEvery = 10;
    private const int WarmUpSeconds = 5;

    public static async Task<(Figures Figures, string Check)> RunAsync(IRoomTarget target, int writers, int seconds)
    {
        var latencies = (Preview: new ConcurrentBag<double>(), Event: new ConcurrentBag<double>());
        var late = new List<double>();
        var measuring = false;
        var deliveries = 0;
        await using (target)
        {
            await target.StartAsync(writers, (reader, stamp, isEvent) =>
            {
                if (!Volatile.Read(ref measuring)) return;
                Interlocked.Increment(ref deliveries);
                if (reader % SampleEvery == 1) (isEvent ? latencies.Event : latencies.Preview).Add(Stopwatch.GetElapsedTime(stamp).TotalMilliseconds);
            });

            var start = Stopwatch.GetTimestamp();
            var perMessage = TimeSpan.FromSeconds(1.0 / (writers * MessagesPerSecond));
            var cpu = TimeSpan.Zero;
            for (var n = 0; n < (WarmUpSeconds + seconds) * writers * MessagesPerSecond; n++)
            {
                var due = n * perMessage;
                var wait = due - Stopwatch.GetElapsedTime(start);
                if (wait > TimeSpan.FromMilliseconds(1)) await Task.Delay(wait);
                if (due >= TimeSpan.FromSeconds(WarmUpSeconds))
                {
                    if (!measuring)
                    {
                        Volatile.Write(ref measuring, true);
                        target.Server.Refresh();
                        cpu = target.Server.TotalProcessorTime;
                    }

                    late.Add((Stopwatch.GetElapsedTime(start) - due).TotalMilliseconds);
                }

                target.Send(n % writers, Stopwatch.GetTimestamp(), isEvent: n / writers % MessagesPerSecond == 0);
            }

            var check = await target.CheckAsync();
            await Task.Delay(500);
            target.Server.Refresh();
            cpu = target.Server.TotalProcessorTime - cpu;
            return (new Figures(
                ClassLoad.At(latencies.Preview, 0.5), ClassLoad.At(latencies.Preview, 0.95), ClassLoad.At(latencies.Event, 0.5), ClassLoad.At(latencies.Event, 0.95),
                cpu.TotalSeconds, deliveries, ClassLoad.At(late, 0.99)), check);
        }
    }
}
