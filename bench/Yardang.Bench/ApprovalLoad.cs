using Microsoft.AspNetCore.SignalR.Client;
using Yardang.Core.Lessons;
using Yardang.Core.Moderation;
using Yardang.Core.Rooms;
using Yardang.Core.Walls;
using Yardang.Data.Wire;

namespace Yardang.Bench;

/// <summary>A teacher adds what waits on a wall of 35 students who watch it, and hides it again: how long it takes to the last screen.</summary>
public static class ApprovalLoad
{
    private const int Students = 35;
    private const int Warm = 10;
    private const int Cards = 100;
    private const double LimitMs = 300;
    private static readonly TimeSpan s_carried = TimeSpan.FromSeconds(2);

    public static async Task RunAsync()
    {
        await using var server = new YardangServer();
        await server.StartAsync();
        var (cookies, code, lesson) = await server.HandOutAsync("AllTogether", isWall: true);
        var teacher = await server.ConnectAsync("", cookies);
        var (students, wall) = (new List<(HubConnection Hub, int Client)>(), "");
        var arrivals = new Arrivals();
        long added = 0;
        for (var i = 0; i < Students; i++)
        {
            var (own, page) = await server.JoinAsync(code, $"Student {i}");
            wall = page["board"];
            var hub = await server.ConnectAsync($"?as={page["as"]}", own);
            students.Add((hub, await hub.InvokeAsync<int>("Admit", wall)));
            _ = FollowAsync(hub, wall, i, (student, _, gesture) => arrivals.Note(student, gesture == added ? arrivals.Stamp : 0));
        }

        var (inLesson, onWall) = (await teacher.InvokeAsync<int>("Admit", lesson), await teacher.InvokeAsync<int>("Admit", wall));
        await SubmitAsync(teacher, lesson, inLesson, 1, 0, new SetApproval(RoomPlace.FirstPart, new(ApprovalWhen.Always, [], LessonHours.Usual)));
        await Task.Delay(s_carried);
        var waiting = new System.Collections.Concurrent.ConcurrentDictionary<long, TaskCompletionSource<long>>();
        TaskCompletionSource<long> Waits(long gesture) => waiting.GetOrAdd(gesture, _ => new(TaskCreationOptions.RunContinuationsAsynchronously));
        _ = FollowAsync(teacher, wall, 0, (_, number, gesture) => Waits(gesture).TrySetResult(number));
        var (last, gone, counter) = (new List<double>(), new List<double>(), 0);
        for (var n = 0; n < Warm + Cards; n++)
        {
            var (hub, client) = students[n % Students];
            var card = Ids.Of(client, (n / Students) + 1);
            await SubmitAsync(hub, wall, client, (n / Students) + 1, card, new PutUpCard(card, 0, "en", $"Stone {n} pushes against the bank"));
            var number = await Waits(card).Task.WaitAsync(TimeSpan.FromSeconds(10));
            var toAll = await DoneAsync(new AcceptLateWork(number));
            var toNone = await DoneAsync(new TakeCardDown(card, "Not here, please."));
            if (n < Warm) continue;
            last.Add(toAll);
            gone.Add(toNone);
        }

        async Task<double> DoneAsync(Command command)
        {
            added = Ids.Of(onWall, ++counter);
            arrivals.Begin(Students);
            await SubmitAsync(teacher, wall, onWall, counter, added, command);
            return (await arrivals.AllAsync()).Max();
        }

        Verdict.Say($"from adding what waits to all {Students} screens, p95", ClassLoad.At(last, 0.95), LimitMs, "ms");
        Verdict.Say($"from hiding a card until it is gone from all {Students} screens, p95", ClassLoad.At(gone, 0.95), LimitMs, "ms");
        foreach (var (hub, _) in students) await hub.DisposeAsync();
        await teacher.DisposeAsync();
    }

    private static Task SubmitAsync(HubConnection hub, string room, int client, int counter, long gesture, Command command) =>
        hub.SendAsync("Submit", room, CommandCodec.Encode(new Submission(client, counter, counter - 1, gesture, command)));

    private static async Task FollowAsync(HubConnection hub, string wall, int student, Action<int, long, long> happened)
    {
        await foreach (var frame in hub.StreamAsync<byte[]>("Watch", wall, 0L)) FrameReader.Read(frame, (number, _, gesture) => happened(student, number, gesture), _ => { });
    }
}
