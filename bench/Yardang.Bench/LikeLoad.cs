using System.Diagnostics;
using Yardang.Core.Pages;
using Yardang.Core.Rooms;
using Yardang.Core.Walls;

namespace Yardang.Bench;

/// <summary>Like questions among 10,000: how long it takes to find them, and how often the right one is among the first three (<see cref="LikeSet"/>).</summary>
internal static class LikeLoad
{
    private const int Typed = 1_000;

    public static void Run()
    {
        var set = LikeSet.Make(7);
        var wall = new Wall(new WallPlan(Purpose.Ask, Texts.In("en", "What do you want to know?"), [], WallRules.Free));
        var cards = set.Select((q, i) => new Card(i + 1, WallPlan.Nowhere, WallPlan.Nowhere, (i / 40) + 2, false, i, "en", q.Asked, i));
        wall.Apply(new Envelope(1, 1, Actor.Program, 0, 0, 0, Audience.Everyone, new CardsBrought(wall.Plan, [.. cards], null)));
        var clock = Stopwatch.StartNew();
        wall.Like("how old is the bridge", _ => true);
        Console.WriteLine($"{set.Count} questions; the first look-up, which takes all of them in: {clock.Elapsed.TotalMilliseconds:0} ms");
        var again = Measure(wall, set, q => q.Again);
        var otherwise = Measure(wall, set, q => q.Otherwise);
        Console.WriteLine($"{Typed} typed in other words, of which one or two are the same: the right one among the first three in {otherwise.Right:0.0} %, in {otherwise.P95:0.0} ms");
        Verdict.Say("like questions among 10,000, p95", Math.Max(again.P95, otherwise.P95), 50, "ms");
        Verdict.SayAtLeast("the same asked again: the right one among the first three", again.Right, 90, "%");
    }

    private static (double P95, double Right) Measure(Wall wall, IReadOnlyList<LikePair> set, Func<LikePair, string> typed)
    {
        var times = new List<double>();
        var found = 0;
        foreach (var i in Enumerable.Range(0, set.Count).OrderBy(i => (i * 7_919L) % set.Count).Take(Typed))
        {
            var from = Stopwatch.GetTimestamp();
            var like = wall.Like(typed(set[i]), _ => true);
            times.Add(Stopwatch.GetElapsedTime(from).TotalMilliseconds);
            if (like.Contains(i + 1)) found++;
        }

        times.Sort();
        return (times[(int)(times.Count * 0.95)], 100.0 * found / Typed);
    }
}
