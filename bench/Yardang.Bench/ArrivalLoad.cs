using System.Diagnostics;
using System.Net;

namespace Yardang.Bench;

/// <summary>
/// 300 students come in within a minute, all from one address, some of them mistyping the code first. From posting the code to the snapshot of the
/// board: p95 under 500 ms, the time for typing the name apart. Nobody is taken for an attack.
/// </summary>
public static class ArrivalLoad
{
    private const int Students = 300;
    private const int MistypeEvery = 3;
    private const double LimitMs = 500;
    private static readonly TimeSpan s_within = TimeSpan.FromSeconds(50);

    public static async Task RunAsync()
    {
        await using var server = new YardangServer();
        await server.StartAsync();
        var (_, code, _) = await server.HandOutAsync("OneEach");
        var started = Stopwatch.StartNew();
        var took = await Task.WhenAll(Enumerable.Range(0, Students).Select(async i =>
        {
            await Task.Delay(s_within * i / Students);
            return await ComeInAsync(server, code, i);
        }));
        var sorted = took.Order().ToList();
        Console.WriteLine(
            $"{Students} students in {started.Elapsed.TotalSeconds:F0} s from one address: code to snapshot p50 {sorted[Students / 2]:F0} ms, p95 {sorted[Students * 95 / 100]:F0} ms, longest {sorted[^1]:F0} ms (limit {LimitMs} ms at p95)");
    }

    private static async Task<double> ComeInAsync(YardangServer server, string code, int i)
    {
        using var http = server.Browser(new CookieContainer());
        if (i % MistypeEvery == 0) await YardangServer.PostAsync(http, "/", new() { ["code"] = "BCDFGHJK" });
        var began = Stopwatch.GetTimestamp();
        var door = await YardangServer.PostAsync(http, "/", new() { ["code"] = code });
        var board = await YardangServer.PostAsync(http, door.RequestMessage!.RequestUri!.AbsolutePath, new() { ["name"] = $"Student {i}" });
        var address = board.RequestMessage!.RequestUri!;
        var snapshot = await http.GetAsync($"/rooms/{address.Segments[^1]}/snapshot{address.Query}");
        if (!snapshot.IsSuccessStatusCode) throw new InvalidOperationException($"Student {i} was not let in: {address}");
        return Stopwatch.GetElapsedTime(began).TotalMilliseconds;
    }
}
