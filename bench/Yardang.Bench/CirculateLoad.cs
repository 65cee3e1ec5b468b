namespace Yardang.Bench;

/// <summary>A teacher says something to all while 35 students write: how long it takes to the last screen, beside the bare hub. And what her page weighs.</summary>
public static class CirculateLoad
{
    private const int Students = 35;
    private const int MessagesPerSecond = 5;
    private const int Warm = 10;
    private const int Calls = 60;
    private const double LimitMs = 300;
    private const double LimitKilobytes = 150;
    private static readonly TimeSpan s_pause = TimeSpan.FromMilliseconds(250);

    public static async Task RunAsync()
    {
        var ours = await LastScreenAsync(new YardangTarget());
        var bare = await LastScreenAsync(new BareTarget());
        Verdict.Say("a command to 35 who write, on every screen, p95", ours, LimitMs, "ms");
        Console.WriteLine($"the same through the bare hub: {bare:0.0} ms; {ours / bare:0.0} times as long");
        Verdict.Say("the teacher's page, JS and CSS gzipped", PageWeight.OfCirculate() / 1e3, LimitKilobytes, "kB");
    }

    private static async Task<double> LastScreenAsync(ITarget target)
    {
        await using var running = target;
        await target.StartAsync(Students, (_, _) => { });
        await target.ListenAsync();
        using var stop = new CancellationTokenSource();
        var writing = WriteAsync(target, stop.Token);
        var last = new List<double>();
        for (var i = 0; i < Warm + Calls; i++)
        {
            await Task.Delay(s_pause);
            var arrived = await target.CallAsync();
            if (i >= Warm) last.Add(arrived.Max());
        }

        await stop.CancelAsync();
        await writing;
        return ClassLoad.At(last, 0.95);
    }

    private static async Task WriteAsync(ITarget target, CancellationToken stop)
    {
        var start = System.Diagnostics.Stopwatch.GetTimestamp();
        for (var n = 0; !stop.IsCancellationRequested; n++)
        {
            var wait = (n * TimeSpan.FromSeconds(1.0 / (Students * MessagesPerSecond))) - System.Diagnostics.Stopwatch.GetElapsedTime(start);
            if (wait > TimeSpan.Zero) await Task.Delay(wait, CancellationToken.None);
            target.Send(n % Students, System.Diagnostics.Stopwatch.GetTimestamp(), isEvent: n / Students % MessagesPerSecond == 0);
        }
    }
}
