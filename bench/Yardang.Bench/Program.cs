using System.Diagnostics;
using Yardang.Bench;

// bench serve-bare URL              the bare hub, as a server of its own
// bench join                        a room of 20,000 events: the snapshot that a late comer fetches
// bench arrival                   300 students come in within a minute from one address
// bench print                     35 boards of 5 pages as one PDF
// bench walls                     35 students put up 500 cards on one wall; coming in late; what the page weighs
// bench like                      like questions among 10,000: how quickly, and how often the right one
// bench tidy                      tidying 200 cards with 260 links: how quickly, and how many links cross
// bench needs [first seed] [lessons]   who needs the teacher, on scripted lessons: who is listed in time, and who for nothing
// bench moderate                  the word screen: false alarms on dictionaries, disguised words that are caught, how quickly; from adding what waits to all screens
// bench media                     ten voices at once, from "stop" to a classmate's player, beside others' ink (the rest in the browser, ./yardang bench media)
// bench circulate                 a command to 35 who write, beside the bare hub; what the teacher's page weighs (frames and memory: in the browser, ./yardang bench circulate)
// bench room [writers] [seconds] [rounds]   everybody on one board; then with one more who never reads
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

if (args is ["arrival", ..])
{
    await ArrivalLoad.RunAsync();
    return;
}

if (args is ["walls", ..])
{
    await WallLoad.RunAsync();
    return;
}

if (args is ["media", ..])
{
    await MediaLoad.RunAsync();
    DamagedPictures.Run();
    return;
}

if (args is ["circulate", ..])
{
    await CirculateLoad.RunAsync();
    return;
}

if (args is ["like", ..])
{
    LikeLoad.Run();
    return;
}

if (args is ["tidy", ..])
{
    TidyLoad.Run();
    return;
}

if (args is ["needs", .. var seeds])
{
    // Tuned on seeds 1 to 60; measured on others.
    NeedsLoad.Run(seeds is [var first, ..] ? int.Parse(first, System.Globalization.CultureInfo.InvariantCulture) : 1_001, seeds is [_, var many, ..] ? int.Parse(many, System.Globalization.CultureInfo.InvariantCulture) : 200);
    return;
}

if (args is ["moderate", ..])
{
    ScreenLoad.Run();
    await ApprovalLoad.RunAsync();
    return;
}

if (args is ["print", ..])
{
    PrintLoad.Run();
    return;
}

int Number(int at, int otherwise) => args.Length > at ? int.Parse(args[at], System.Globalization.CultureInfo.InvariantCulture) : otherwise;

if (args is ["room", ..])
{
    var (writers, secs, rounds) = (Number(1, 100), Number(2, 10), Number(3, 3));
    Console.WriteLine($"{writers} writers on one board, each 10 previews/s and a stroke a second; {secs} s a run, {rounds} rounds");
    Console.WriteLine(Heading);
    for (var round = 0; round < rounds; round++)
    {
        await ShowRoom("bare", new BareTogether(), writers, secs);
        await ShowRoom("yardang", new TogetherTarget(silent: false), writers, secs);
        await ShowRoom("one never reads", new TogetherTarget(silent: true), writers, secs);
    }

    return;
}

var (seconds, pairs) = (Number(1, 15), Number(2, 5));
var ours = new List<Figures>();
var bare = new List<Figures>();
Console.WriteLine($"35 boards, each 4 previews/s and a stroke a second, a teacher subscribed to all; {seconds} s a run, {pairs} interleaved pairs");
Console.WriteLine(Heading);
for (var tried = 0; ours.Count < pairs && tried < 3 * pairs; tried++)
{
    var first = await Show("yardang", ClassLoad.RunAsync(new YardangTarget(), seconds));
    var second = await Show("bare", ClassLoad.RunAsync(new BareTarget(), seconds));
    if (first.GeneratorWasLate || second.GeneratorWasLate) continue;
    ours.Add(first);
    bare.Add(second);
}

if (ours.Count == 0)
{
    Console.WriteLine("Every pair was rejected: this machine has no time for the generator now.");
    return;
}

var limitPreview = Math.Max(20, 2 * Median(bare, f => f.PreviewP95));
var limitEvent = Math.Max(20, 2 * Median(bare, f => f.EventP95));
Console.WriteLine($"""

    medians of {ours.Count}         yardang   bare   limit
    preview p95 ms       {Median(ours, f => f.PreviewP95),7:F1} {Median(bare, f => f.PreviewP95),6:F1} {limitPreview,7:F1}
    event p95 ms         {Median(ours, f => f.EventP95),7:F1} {Median(bare, f => f.EventP95),6:F1} {limitEvent,7:F1}
    CPU per delivery µs  {Median(ours, f => f.CpuMicroseconds),7:F0} {Median(bare, f => f.CpuMicroseconds),6:F0} {3 * Median(bare, f => f.CpuMicroseconds),7:F0}
    """);

static async Task ShowRoom(string name, IRoomTarget target, int writers, int seconds)
{
    var (figures, check) = await RoomLoad.RunAsync(target, writers, seconds);
    await Show(name, Task.FromResult(figures));
    if (check.Length > 0) Console.WriteLine($"                 {check}");
}

static double Median(List<Figures> runs, Func<Figures, double> of) => runs.Select(of).Order().ElementAt(runs.Count / 2);

static async Task<Figures> Show(string name, Task<Figures> run)
{
    var f = await run;
    Console.WriteLine($"{name,-16} {f.PreviewP50,11:F1} {f.PreviewP95,4:F1} {f.EventP50,11:F1} {f.EventP95,4:F1} {f.CpuSeconds,17:F2} {f.Deliveries,11} {f.LateP99,22:F1}{(f.GeneratorWasLate ? "  REJECT: generator was late" : "")}");
    return f;
}

/// <summary>What the program writes above the figures.</summary>
internal static partial class Program
{
    private const string Heading = "run              preview p50  p95   event p50  p95  ms   server CPU s  deliveries  generator late p99 ms";
}
