using System.Collections.Immutable;
using System.Diagnostics;
using Microsoft.AspNetCore.SignalR.Client;
using Yardang.Core.Editing;
using Yardang.Core.Ink;
using Yardang.Core.Judges;
using Yardang.Core.Marks;
using Yardang.Core.Rooms;
using Yardang.Core.Styles;
using Yardang.Core.Threads;
using Yardang.Core.Walls;
using Yardang.Data.Wire;

namespace Yardang.Bench;

/// <summary>Everybody writes on one board of Yardang, or puts up cards on one wall. Each event must reach everybody once, in one order.</summary>
/// <param name="silent">Whether one more has the board open and never reads.</param>
/// <param name="isWall">Whether it is a wall.</param>
public sealed class TogetherTarget(bool silent, bool isWall = false) : IRoomTarget
{
    private const int PointsPerStroke = 40;
    private readonly YardangServer _server = new();
    private readonly ImmutableArray<InkPoint>[] _strokes = Strokes.Of(PointsPerStroke);
    private readonly List<Writer> _writers = [];
    private readonly System.Collections.Concurrent.ConcurrentDictionary<long, long> _sent = new();
    private readonly Random _random = new(2028);
    private System.Net.CookieContainer _teacher = new();
    private string _board = "";
    private string _code = "";
    private SilentReader? _silent;

    public Process Server => _server.Process;

    public async Task StartAsync(int writers, Action<int, long, bool> received)
    {
        await _server.StartAsync();
        (_teacher, _code, _) = await _server.HandOutAsync("AllTogether", isWall);
        for (var i = 0; i < writers; i++)
        {
            var (cookies, page) = await _server.JoinAsync(_code, $"Student {i}");
            _board = page["board"];
            var hub = await _server.ConnectAsync($"?as={page["as"]}", cookies);
            var writer = new Writer(i, hub, await hub.InvokeAsync<int>("Admit", _board));
            _writers.Add(writer);
            _ = FollowAsync(writer, received);
            if (silent && i == 0) _silent = await SilentReader.OpenAsync(_server.Address, $"/live?as={page["as"]}", cookies, "Watch", _board, 0);
        }
    }

    public void Send(int writer, long stamp, bool isEvent)
    {
        var w = _writers[writer];
        if (!isEvent)
        {
            _ = w.Hub.SendAsync("Preview", _board, Strokes.Preview(stamp));
            return;
        }

        var counter = ++w.Counter;
        var id = Ids.Of(w.Client, counter);
        _sent[id] = stamp;
        Command command = isWall
            ? new PutUpCard(id, WallPlan.Nowhere, "en", Sentences.Any(_random))
            : new AddMark(id, 1, Grip.Own, new InkBody(_strokes[(writer + counter) % _strokes.Length]), new Style(0, 60));
        _ = w.Hub.SendAsync("Submit", _board, CommandCodec.Encode(new Submission(w.Client, counter, counter - 1, id, command)));
    }

    public async Task<string> CheckAsync()
    {
        var sent = _writers.Sum(w => w.Counter);
        for (var waited = 0; waited < 200 && _writers.Exists(w => w.Events < sent); waited++) await Task.Delay(50);
        var wrong = _writers.Count(w => w.Events != sent || w.OutOfOrder > 0);
        return wrong == 0 ? $"every one of {sent} events reached all {_writers.Count} once, in one order" : $"WRONG: {wrong} of {_writers.Count} did not get {sent} events once and in order";
    }

    /// <summary>Students answer and judge what is on the wall, and the teacher shows the results.</summary>
    public async Task FillAsync(int answers, int judgements)
    {
        await using var teacher = await _server.ConnectAsync("", _teacher);
        var client = await teacher.InvokeAsync<int>("Admit", _board);
        await teacher.SendAsync("Submit", _board, CommandCodec.Encode(new Submission(client, 1, 0, 0, new SetPlan(WallPlan.Blank with { Rules = new(Answers: true, Judging: new(JudgingKind.Agree)) }))));
        await Task.Delay(200);
        var cards = _sent.Keys.ToList();
        for (var n = 0; n < answers + judgements; n++)
        {
            var w = _writers[n % _writers.Count];
            var card = cards[_random.Next(cards.Count)];
            while (Ids.ClientOf(card) == w.Client) card = cards[_random.Next(cards.Count)];
            var counter = ++w.Counter;
            Command command = n < answers ? new GiveAnswer(card, Ids.Of(w.Client, counter), 0, "en", Sentences.Any(_random)) : new JudgeCard(card, 1 + _random.Next(3));
            await w.Hub.SendAsync("Submit", _board, CommandCodec.Encode(new Submission(w.Client, counter, counter - 1, 0, command)));

            // As fast as a class could be, and no faster.
            if (n % _writers.Count == 0) await Task.Delay(20);
        }

        var expected = cards.Count + answers + 1;
        for (var waited = 0; waited < 400 && _writers.Exists(w => w.Events < expected + (judgements / _writers.Count)); waited++) await Task.Delay(50);
        await teacher.SendAsync("Submit", _board, CommandCodec.Encode(new Submission(client, 2, 1, 0, new ShowResults())));
        await Task.Delay(500);
    }

    /// <summary>What somebody fetches who comes in now: how long it takes, and its bytes on the wire.</summary>
    public async Task<(double Milliseconds, long Bytes)> SnapshotAsync()
    {
        var (cookies, page) = await _server.JoinAsync(_code, "Late comer");
        using var http = new HttpClient(new HttpClientHandler { CookieContainer = cookies, AutomaticDecompression = System.Net.DecompressionMethods.None }) { BaseAddress = _server.Address };
        http.DefaultRequestHeaders.AcceptEncoding.ParseAdd("br");
        var from = Stopwatch.GetTimestamp();
        var bytes = await http.GetByteArrayAsync($"/rooms/{_board}/snapshot?as={page["as"]}");
        return (Stopwatch.GetElapsedTime(from).TotalMilliseconds, bytes.Length);
    }

    public async ValueTask DisposeAsync()
    {
        if (_silent is not null) _silent.Dispose();
        foreach (var writer in _writers) await writer.Hub.DisposeAsync();
        await _server.DisposeAsync();
    }

    private sealed class Writer(int index, HubConnection hub, int client)
    {
        public int Index { get; } = index;

        public HubConnection Hub { get; } = hub;

        public int Client { get; } = client;

        public int Counter { get; set; }

        public int Events { get; set; }

        public int OutOfOrder { get; set; }

        public long LastNumber { get; set; }
    }

    private async Task FollowAsync(Writer writer, Action<int, long, bool> received)
    {
        await foreach (var frame in writer.Hub.StreamAsync<byte[]>("Watch", _board, 0L))
        {
            FrameReader.Read(
                frame,
                (number, counter, gesture) =>
                {
                    if (number <= writer.LastNumber) writer.OutOfOrder++;
                    writer.LastNumber = number;
                    if (counter == 0) return;
                    writer.Events++;
                    if (_sent.TryGetValue(gesture, out var stamp)) received(writer.Index, stamp, true);
                },
                stamp => received(writer.Index, stamp, false));
        }
    }
}
