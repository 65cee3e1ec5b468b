using System.Collections.Concurrent;
using System.Diagnostics;

namespace Yardang.Bench;

/// <summary>What a run gave. Latency is from sending at one client to receipt at the teacher, ms.</summary>
public sealed record Figures(double PreviewP50, double PreviewP95, double EventP50, double EventP95, double CpuSeconds, int Deliveries, double LateP99)
{
    private const double LateMs = 20;

    /// <summary>Whether the run says more about the generator than about the server.</summary>
    public bool GeneratorWasLate => LateP99 > LateMs;

    public double CpuMicroseconds => CpuSeconds * 1e6 / Deliveries;
}

/// <summary>A server under load: Yardang, or the bare hub.</summary>
public interface ITarget : IAsyncDisposable
{
    /// <summary>Starts the server and brings everybody in. The teacher calls back with each message's stamp, and whether it was an event.</summary>
    Task StartAsync(int boards, Action<long, bool> received);

    /// <summary>Sends a preview (or an event) of a board, marked with a stamp.</summary>
    void Send(int board, long stamp, bool isEvent);

    /// <summary>Everybody listens for what the teacher says to all.</summary>
    Task ListenAsync();

    /// <summary>The teacher says something to all: how long it takes until it is on each screen, ms.</summary>
    Task<double[]> CallAsync();

    /// <summary>The server's process.</summary>
    Process Server { get; }
}

/// <summary>35 boards, each four previews a second and a stroke a second, spread evenly over time; a teacher subscribed to all.</summary>
public static class ClassLoad
{
    private const int Boards = 35;
    private const int MessagesPerSecond = 5;
    private const int WarmUpSeconds = 12;

    public static async Task<Figures> RunAsync(ITarget target, int seconds)
    {
        var latencies = (Preview: new ConcurrentBag<double>(), Event: new ConcurrentBag<double>());
        var late = new List<double>();
        var measuring = false;
        await using (target)
        {
            await target.StartAsync(Boards, (stamp, isEvent) =>
            {
                if (Volatile.Read(ref measuring)) (isEvent ? latencies.Event : latencies.Preview).Add(Stopwatch.GetElapsedTime(stamp).TotalMilliseconds);
            });

            var start = Stopwatch.GetTimestamp();
            var perMessage = TimeSpan.FromSeconds(1.0 / (Boards * MessagesPerSecond));
            var cpu = TimeSpan.Zero;
            for (var n = 0; n < (WarmUpSeconds + seconds) * Boards * MessagesPerSecond; n++)
            {
                var due = n * perMessage;
                var wait = due - Stopwatch.GetElapsedTime(start);
                if (wait > TimeSpan.Zero) await Task.Delay(wait);
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

                target.Send(n % Boards, Stopwatch.GetTimestamp(), isEvent: n / Boards % MessagesPerSecond == 0);
            }

            await Task.Delay(500);
            target.Server.Refresh();
            cpu = target.Server.TotalProcessorTime - cpu;
            return new Figures(
                At(latencies.Preview, 0.5), At(latencies.Preview, 0.95), At(latencies.Event, 0.5), At(latencies.Event, 0.95),
                cpu.TotalSeconds, latencies.Preview.Count + latencies.Event.Count, At(late, 0.99));
        }
    }

    /// <summary>A quantile; NaN of nothing.</summary>
    public static double At(IEnumerable<double> values, double share)
    {
        var sorted = values.Order().ToList();
        return sorted.Count == 0 ? double.NaN : sorted[(int)(share * (sorted.Count - 1))];
    }
}
