using System.Diagnostics;
using Yardang.Core.Judges;

namespace Yardang.Bench;

/// <summary>35 students put up 500 cards on one wall, as fast as in one minute instead of ten; then somebody comes in late; and what the page weighs.</summary>
public static class WallLoad
{
    private const int Students = 35;
    private const int Cards = 500;
    private const int Rounds = 3;
    private const int Answers = 2_000;
    private const int Judgements = 2_000;
    private const double FloorMs = 50;
    private static readonly TimeSpan s_perCard = TimeSpan.FromMinutes(1) / Cards;

    public static async Task RunAsync()
    {
        Console.WriteLine($"{Students} students, {Cards} cards in a minute, seen by all; {Rounds} interleaved pairs");
        var (ours, bare, snapshots, full) = (new List<double>(), new List<double>(), new List<(double Milliseconds, long Bytes)>(), new List<(double Milliseconds, long Bytes)>());
        for (var round = 0; round < Rounds; round++)
        {
            bare.Add(await SeenByAllAsync(new BareTogether()));
            var target = new TogetherTarget(silent: false, isWall: true);
            ours.Add(await SeenByAllAsync(target, async () =>
            {
                snapshots.Add(await target.SnapshotAsync());
                await target.FillAsync(Answers, Judgements);
                full.Add(await target.SnapshotAsync());
            }));
            Console.WriteLine(
                $"round {round + 1}: bare {bare[^1]:F1} ms, yardang {ours[^1]:F1} ms, snapshot {snapshots[^1].Milliseconds:F0} ms, {snapshots[^1].Bytes / 1e3:F1} kB; answered and judged {full[^1].Milliseconds:F0} ms, {full[^1].Bytes / 1e3:F1} kB");
        }

        Verdict.Say("a card seen by all, p95", Median(ours), Math.Max(FloorMs, 2 * Median(bare)), "ms");
        Verdict.Say("snapshot of a wall of 500 cards", Median([.. snapshots.Select(s => s.Bytes / 1e3)]), 250, "kB");
        Verdict.Say($"the same with {Answers} answers and {Judgements} judgements", Median([.. full.Select(s => s.Bytes / 1e3)]), 250, "kB");
        Verdict.Say("a student's wall page, JS and CSS gzipped", PageWeight.OfWall() / 1e3, 120, "kB");
    }

    private static double Median(List<double> all) => all.Order().ElementAt(all.Count / 2);

    // Each card's latency is that of whoever sees it last.
    private static async Task<double> SeenByAllAsync(IRoomTarget target, Func<Task>? then = null)
    {
        var last = new System.Collections.Concurrent.ConcurrentDictionary<long, double>();
        await using (target)
        {
            await target.StartAsync(Students, (_, stamp, _) => last[stamp] = Stopwatch.GetElapsedTime(stamp).TotalMilliseconds);
            var start = Stopwatch.GetTimestamp();
            for (var n = 0; n < Cards; n++)
            {
                var wait = (n * s_perCard) - Stopwatch.GetElapsedTime(start);
                if (wait > TimeSpan.Zero) await Task.Delay(wait);
                target.Send(n % Students, Stopwatch.GetTimestamp(), isEvent: true);
            }

            var check = await target.CheckAsync();
            if (check.Length > 0) Console.WriteLine(check);
            await Task.Delay(500);
            if (then is not null) await then();
        }

        return last.Values.Order().ElementAt((int)(last.Count * 0.95));
    }
}
