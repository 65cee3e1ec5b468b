using System.Collections.Concurrent;
using System.Diagnostics;
using System.Net.Http.Json;
using System.Security.Cryptography;
using System.Text.Json;
using System.Text.RegularExpressions;
using Microsoft.AspNetCore.SignalR.Client;
using Yardang.Core.Activities;
using Yardang.Core.Attachments;
using Yardang.Core.Editing;
using Yardang.Core.Ink;
using Yardang.Core.Marks;
using Yardang.Core.Pages;
using Yardang.Core.Rooms;
using Yardang.Core.Styles;
using Yardang.Core.Walls;
using Yardang.Data.Wire;

namespace Yardang.Bench;

/// <summary>Ten students say something of ten seconds at once: from "stop" until a classmate has all of it; and what that costs the ink of others on the same server.</summary>
public static partial class MediaLoad
{
    private const int Speakers = 10;
    private const int Warm = 2;
    private const int Rounds = 8;
    private const int Writers = 10;
    private const int StrokesPerSecond = 8;
    private const double LimitMs = 1_500;
    private const double MostTimesInk = 2;

    // Uncompressed, four times as large as what browsers record in ten seconds.
    private const int Seconds = 10;
    private const int Rate = 8_000;
    private const int Piece = 256 * 1024;
    private const int Pairs = 5;

    // Five times as often as anybody can speak for ten seconds.
    private static readonly TimeSpan s_every = TimeSpan.FromSeconds(2);

    public static async Task RunAsync()
    {
        await using var server = new YardangServer();
        await server.StartAsync();
        var (cookies, pageCode, _) = await server.HandOutAsync("AllTogether");
        var wall = WallPlan.Blank with { Rules = WallRules.Free with { Shows = AttachmentKinds.Voices } };
        var (wallCode, _) = await server.HandOutAsync(cookies, "AllTogether", ActivityContent.BlankWall("en", "Say it") with { Parts = [new Part(1, PartKind.Wall, wall)] });

        var page = ActivityContent.Blank("en", "Say it on the page");
        var (shownCode, _) = await server.HandOutAsync(cookies, "AllTogether", page with { Pages = [page.Pages[0] with { Shows = new PageShows(AttachmentKinds.Voices, Seconds) }] });

        using var ended = new CancellationTokenSource();
        var ink = new Ink();
        var writing = await ink.BeginAsync(server, pageCode, ended.Token);
        var onPage = await Task.WhenAll(Enumerable.Range(0, Speakers).Select(i => Speaker.JoinAsync(server, shownCode, $"Speaker {i}", onPage: true)));
        var besidePage = await Speaker.JoinAsync(server, shownCode, "Classmate", onPage: true);
        _ = besidePage.FollowAsync();
        await RoundsAsync(onPage, besidePage, Warm);
        Verdict.Say($"a voice of {Seconds} s on a page, from stop to playable by a classmate, {Speakers} at once, p95", ClassLoad.At(await RoundsAsync(onPage, besidePage, Rounds), 0.95), LimitMs, "ms");
        var speakers = await Task.WhenAll(Enumerable.Range(0, Speakers).Select(i => Speaker.JoinAsync(server, wallCode, $"Speaker {i}")));
        var classmate = await Speaker.JoinAsync(server, wallCode, "Classmate");
        _ = classmate.FollowAsync();
        await RoundsAsync(speakers, classmate, Warm);
        var (heard, times, alone) = (new List<double>(), new List<double>(), 0.0);
        for (var pair = 0; pair < Pairs; pair++)
        {
            _ = ink.Take();
            await Task.Delay(s_every * Rounds);
            alone = ClassLoad.At(ink.Take(), 0.95);
            heard.AddRange(await RoundsAsync(speakers, classmate, Rounds));
            times.Add(ClassLoad.At(ink.Take(), 0.95) / alone);
        }

        await ended.CancelAsync();
        await writing;
        Verdict.Say($"a voice of {Seconds} s, from stop to playable by a classmate, {Speakers} at once, p95", ClassLoad.At(heard, 0.95), LimitMs, "ms");
        Verdict.Say($"ink of {Writers} others while {Speakers} voices come every {s_every.TotalSeconds:0} s, p95, times that without ({alone:0.0} ms), median of {Pairs}", ClassLoad.At(times, 0.5), MostTimesInk, "times");
    }

    private static async Task<IReadOnlyList<double>> RoundsAsync(Speaker[] speakers, Speaker classmate, int rounds)
    {
        var took = new List<double>();
        using var timer = new PeriodicTimer(s_every);
        for (var round = 0; round < rounds && await timer.WaitForNextTickAsync(); round++) took.AddRange(await Task.WhenAll(speakers.Select(s => s.SayAsync(classmate))));
        return took;
    }

    [GeneratedRegex("data-token=\"(?<token>[^\"]+)", RegexOptions.ExplicitCapture, 1_000)]
    private static partial Regex TokenPattern();

    /// <summary>Others, who write on a page, and one of them who sees when each stroke is there.</summary>
    private sealed class Ink
    {
        private readonly ConcurrentDictionary<long, long> _sent = new();
        private ConcurrentBag<double> _took = [];

        public double[] Take() => [.. Interlocked.Exchange(ref _took, [])];

        public async Task<Task> BeginAsync(YardangServer server, string code, CancellationToken stop)
        {
            var strokes = Strokes.Of(80);
            var writers = new List<(HubConnection Hub, string Board, int Client)>();
            for (var i = 0; i < Writers; i++)
            {
                var (own, page) = await server.JoinAsync(code, $"Writer {i}");
                var hub = await server.ConnectAsync($"?as={page["as"]}", own);
                writers.Add((hub, page["board"], await hub.InvokeAsync<int>("Admit", page["board"], stop)));
            }

            _ = WatchAsync(writers[0].Hub, writers[0].Board);
            return Task.WhenAll(writers.Select((w, i) => WriteAsync(w.Hub, w.Board, w.Client, i, strokes, stop)));
        }

        private async Task WatchAsync(HubConnection hub, string board)
        {
            await foreach (var frame in hub.StreamAsync<byte[]>("Watch", board, 0L))
            {
                FrameReader.Read(frame, (_, _, gesture) =>
                {
                    if (_sent.TryRemove(gesture, out var at)) _took.Add(Stopwatch.GetElapsedTime(at).TotalMilliseconds);
                }, _ => { });
            }
        }

        private async Task WriteAsync(HubConnection hub, string board, int client, int writer, System.Collections.Immutable.ImmutableArray<InkPoint>[] strokes, CancellationToken stop)
        {
            using var timer = new PeriodicTimer(TimeSpan.FromSeconds(1.0 / StrokesPerSecond));
            try
            {
                for (var counter = 1; await timer.WaitForNextTickAsync(stop); counter++)
                {
                    var id = Ids.Of(client, counter);
                    _sent[id] = Stopwatch.GetTimestamp();
                    await hub.SendAsync("Submit", board, CommandCodec.Encode(new Submission(client, counter, counter - 1, id, new AddMark(id, 1, Grip.Own, new InkBody(strokes[(writer + counter) % strokes.Length]), new Style(0, 60)))), stop);
                }
            }
            catch (OperationCanceledException)
            {
                await hub.DisposeAsync();
            }
        }
    }

    /// <summary>Somebody on the wall.</summary>
    private sealed class Speaker(HttpClient http, HubConnection hub, string wall, string query, string token, int client, bool onPage)
    {
        private readonly ConcurrentDictionary<long, TaskCompletionSource> _seen = new();
        private int _counter;

        public static async Task<Speaker> JoinAsync(YardangServer server, string code, string name, bool onPage = false)
        {
            var (own, page) = await server.JoinAsync(code, name);
            var (http, wall, query) = (server.Browser(own), page["board"], $"as={page["as"]}");
            var hub = await server.ConnectAsync($"?{query}", own);
            var token = TokenPattern().Match(await http.GetStringAsync($"/board/{wall}?{query}")).Groups["token"].Value;
            return new(http, hub, wall, query, token, await hub.InvokeAsync<int>("Admit", wall), onPage);
        }

        public async Task FollowAsync()
        {
            await foreach (var frame in hub.StreamAsync<byte[]>("Watch", wall, 0L)) FrameReader.Read(frame, (_, _, gesture) => Seen(gesture).TrySetResult(), _ => { });
        }

        /// <summary>As a browser does it: its name is worked out, it is sent in pieces, the card or mark is put there, and the classmate fetches it. Gives ms.</summary>
        public async Task<double> SayAsync(Speaker classmate)
        {
            var voice = Voice();
            var began = Stopwatch.GetTimestamp();
            var media = Convert.ToHexStringLower(SHA256.HashData(voice));
            var upload = Guid.NewGuid();
            for (var at = 0; at < voice.Length; at += Piece) await SendAsync(upload, voice, at);
            var card = Ids.Of(client, ++_counter);
            var shown = new VoiceAttachment(media, Seconds * 1_000, "0490", "");
            Command put = onPage ? new AddMark(card, 1, Grip.Own, new ShownBody(0, 0, 9_500, 3_200, shown), new Style(0, 0)) : new PutUpCard(card, 0, "en", "", [shown]);
            await hub.SendAsync("Submit", wall, CommandCodec.Encode(new Submission(client, _counter, _counter - 1, card, put)));
            await classmate.Seen(card).Task.WaitAsync(TimeSpan.FromSeconds(20));
            var got = await classmate.GetAsync(media);
            if (got != voice.Length) throw new InvalidOperationException($"The classmate has {got} bytes of {voice.Length}.");
            return Stopwatch.GetElapsedTime(began).TotalMilliseconds;
        }

        private TaskCompletionSource Seen(long card) => _seen.GetOrAdd(card, _ => new(TaskCreationOptions.RunContinuationsAsynchronously));

        private async Task<int> GetAsync(string media) => (await http.GetByteArrayAsync($"/rooms/{wall}/media/{media}?{query}")).Length;

        private async Task SendAsync(Guid upload, byte[] voice, int at)
        {
            using var piece = new HttpRequestMessage(HttpMethod.Put, $"/rooms/{wall}/uploads/{upload}?what=voice&{query}&at={at}&of={voice.Length}") { Content = new ByteArrayContent(voice, at, Math.Min(Piece, voice.Length - at)) };
            piece.Headers.Add("RequestVerificationToken", token);
            using var answer = await http.SendAsync(piece);
            if (!answer.IsSuccessStatusCode) throw new InvalidOperationException($"A piece was not taken: {await answer.Content.ReadFromJsonAsync<JsonElement>()}");
        }

        // Each is another, as each voice is.
        private static byte[] Voice()
        {
            var sound = RandomNumberGenerator.GetBytes(Seconds * Rate * 2);
            return [.. "RIFF"u8, .. BitConverter.GetBytes(36 + sound.Length), .. "WAVEfmt "u8, .. BitConverter.GetBytes(16), 1, 0, 1, 0, .. BitConverter.GetBytes(Rate), .. BitConverter.GetBytes(Rate * 2), 2, 0, 16, 0, .. "data"u8, .. BitConverter.GetBytes(sound.Length), .. sound];
        }
    }
}
