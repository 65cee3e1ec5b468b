using System.Diagnostics;
using Yardang.Bench;

// bench serve-bare URL              the bare hub, as a server of its own
// bench join                        a room of 20,000 events: the snapshot that a late comer fetches
// bench class [seconds] [pairs]     35 boards, a teacher subscribed to all: Yardang and the bare hub in turn
if (args is ["serve-bare", var url])
{
    var builder = WebApplication.CreateSlimBuilder();
    builder.Logging.ClearProviders();
    builder.Services.AddSignalR().AddMessagePackProtocol();
    var app = builder.Build();
    app.MapHub<BareHub>("/bare");
    app.MapGet("/healthz", () => "ok");
    await app.RunAsync(url);
    return;
}

if (args is ["join", ..])
{
    await JoinLoad.RunAsync();
    return;
}

var seconds = args.Length > 1 ? int.Parse(args[1], System.Globalization.CultureInfo.InvariantCulture) : 15;
var pairs = args.Length > 2 ? int.Parse(args[2], System.Globalization.CultureInfo.InvariantCulture) : 5;
var ours = new List<Figures>();
var bare = new List<Figures>();
Console.WriteLine($"35 boards, each 4 previews/s and a stroke a second, a teacher subscribed to all; {seconds} s a run, {pairs} interleaved pairs");
Console.WriteLine("run              preview p50  p95   event p50  p95  ms   server CPU s  deliveries  generator late p99 ms");
for (var pair = 0; pair < pairs; pair++)
{
    ours.Add(await Show("yardang", ClassLoad.RunAsync(new YardangTarget(), seconds)));
    bare.Add(await Show("bare", ClassLoad.RunAsync(new BareTarget(), seconds)));
}

var limitPreview = Math.Max(20, 2 * Median(bare, f => f.PreviewP95));
var limitEvent = Math.Max(20, 2 * Median(bare, f => f.EventP95));
Console.WriteLine($"""

    medians              yardang   bare   limit
    preview p95 ms       {Median(ours, f => f.PreviewP95),7:F1} {Median(bare, f => f.PreviewP95),6:F1} {limitPreview,7:F1}
    event p95 ms         {Median(ours, f => f.EventP95),7:F1} {Median(bare, f => f.EventP95),6:F1} {limitEvent,7:F1}
    CPU per delivery µs  {Median(ours, f => f.CpuMicroseconds),7:F0} {Median(bare, f => f.CpuMicroseconds),6:F0} {3 * Median(bare, f => f.CpuMicroseconds),7:F0}
    """);

static double Median(List<Figures> runs, Func<Figures, double> of) => runs.Select(of).Order().ElementAt(runs.Count / 2);

static async Task<Figures> Show(string name, Task<Figures> run)
{
    var f = await run;
    Console.WriteLine($"{name,-16} {f.PreviewP50,11:F1} {f.PreviewP95,4:F1} {f.EventP50,11:F1} {f.EventP95,4:F1} {f.CpuSeconds,17:F2} {f.Deliveries,11} {f.LateP99,22:F1}{(f.LateP99 > 20 ? "  REJECT: generator was late" : "")}");
    return f;
}
