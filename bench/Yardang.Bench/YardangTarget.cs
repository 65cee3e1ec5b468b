using System.Collections.Concurrent;
using System.Collections.Immutable;
using System.Diagnostics;
using System.Net;
using System.Text.RegularExpressions;
using MessagePack;
using Microsoft.AspNetCore.SignalR.Client;
using Yardang.Core.Ink;
using Yardang.Core.Marks;
using Yardang.Core.Rooms;
using Yardang.Data.Wire;

namespace Yardang.Bench;

/// <summary>Yardang as it is: accounts, codes, SQLite on disk, every stroke durable before it is shown.</summary>
public sealed partial class YardangTarget(int pointsPerStroke = 40) : ITarget
{
    private readonly Uri _address = ServerProcess.FreeAddress();
    private readonly string _folder = Directory.CreateTempSubdirectory("yardang-bench-").FullName;
    private readonly List<Student> _students = [];

    // Unlike each other, as a hand's are: equal ones would compress to nothing.
    private readonly ImmutableArray<InkPoint>[] _strokes = [.. Enumerable.Range(0, 4_096).Select(seed => Wander(new Random(seed), pointsPerStroke))];
    private readonly ConcurrentDictionary<(string Board, int Counter), long> _sent = new();
    private HubConnection? _teacher;
    private CookieContainer _teacherCookies = new();

    public Process Server { get; private set; } = null!;

    public async Task StartAsync(int boards, Action<long, bool> received)
    {
        var web = Path.GetFullPath(Path.Combine(AppContext.BaseDirectory, "../../../../../../src/Yardang.Web"));
        var configuration = AppContext.BaseDirectory.Contains("/Release/", StringComparison.Ordinal) ? "Release" : "Debug";
        Server = await ServerProcess.StartAsync(_address, web, [Path.Combine(web, $"bin/{configuration}/net10.0/linux-x64/Yardang.Web.dll")], new Dictionary<string, string>
        {
            ["ASPNETCORE_URLS"] = _address.ToString(),
            ["ASPNETCORE_ENVIRONMENT"] = "Development",
            ["Yardang__Data"] = _folder,
            ["Logging__LogLevel__Default"] = "None",
        });
        var (teacher, code) = await HandOutAsync();
        _teacherCookies = teacher;
        _teacher = await ConnectAsync("", teacher);
        for (var i = 0; i < boards; i++)
        {
            var (cookies, page) = await JoinAsync(code, $"Student {i}");
            var hub = await ConnectAsync($"?as={page["as"]}", cookies);
            _students.Add(new Student(hub, page["board"], await hub.InvokeAsync<int>("Admit", page["board"])));
            _ = FollowAsync(page["board"], received);
            _ = DrainAsync(hub, page["board"]);
        }
    }

    public void Send(int board, long stamp, bool isEvent)
    {
        var student = _students[board];
        if (!isEvent)
        {
            _ = student.Hub.SendAsync("Preview", student.Board, MessagePackSerializer.Serialize(new object[] { stamp, 1, 0, 60, 0, s_previewPoints }));
            return;
        }

        var counter = ++student.Counter;
        _sent[(student.Board, counter)] = stamp;
        var id = Ids.Of(student.Client, counter);
        _ = student.Hub.SendAsync("Submit", student.Board, CommandCodec.Encode(new Submission(
            student.Client, counter, counter - 1, id, new AddMark(id, 1, Grip.Own, new InkBody(_strokes[counter % _strokes.Length]), new Style(0, 60)))));
    }

    /// <summary>Fetches a board as somebody who joins late does: time in ms, and bytes on the wire.</summary>
    public async Task<(double Milliseconds, int Bytes)> SnapshotAsync(int board)
    {
        using var http = Browser(_teacherCookies);
        var start = Stopwatch.GetTimestamp();
        var bytes = await http.GetByteArrayAsync($"/rooms/{_students[board].Board}/snapshot");
        return (Stopwatch.GetElapsedTime(start).TotalMilliseconds, bytes.Length);
    }

    public async ValueTask DisposeAsync()
    {
        foreach (var student in _students) await student.Hub.DisposeAsync();
        if (_teacher is not null) await _teacher.DisposeAsync();
        Server.Kill();
        await Server.WaitForExitAsync();
        Server.Dispose();
        Directory.Delete(_folder, recursive: true);
    }

    private static readonly int[] s_previewPoints = [.. Enumerable.Range(0, 32).Select(i => i * 7)];

    private static ImmutableArray<InkPoint> Wander(Random random, int points)
    {
        var at = new InkPoint(random.Next(29_000), random.Next(20_000), 128, 0);
        return [.. Enumerable.Range(0, points).Select(_ => at = new InkPoint(
            at.X + random.Next(-60, 60), at.Y + random.Next(-60, 60), (byte)Math.Clamp(at.Pressure + random.Next(-9, 9), 20, 240), at.Ms + random.Next(8, 18)))];
    }

    private sealed class Student(HubConnection hub, string board, int client)
    {
        public HubConnection Hub { get; } = hub;

        public string Board { get; } = board;

        public int Client { get; } = client;

        public int Counter { get; set; }
    }

    private async Task FollowAsync(string board, Action<long, bool> received)
    {
        await foreach (var frame in _teacher!.StreamAsync<byte[]>("Watch", board, 0L))
        {
            var r = new MessagePackReader(frame);
            r.ReadArrayHeader();
            r.ReadInt64();
            for (var left = r.ReadArrayHeader(); left > 0; left--)
            {
                r.ReadArrayHeader();
                for (var skip = 0; skip < 5; skip++) r.Skip();
                var counter = r.ReadInt32();
                for (var skip = 0; skip < 4; skip++) r.Skip();
                if (_sent.TryRemove((board, counter), out var stamp)) received(stamp, true);
            }

            for (var left = r.ReadArrayHeader(); left > 0; left--)
            {
                var signed = new MessagePackReader(r.ReadBytes()!.Value);
                signed.ReadArrayHeader();
                signed.ReadInt32();
                signed.ReadInt32();
                var preview = new MessagePackReader(signed.ReadBytes()!.Value);
                preview.ReadArrayHeader();
                received(preview.ReadInt64(), false);
            }
        }
    }

    private static async Task DrainAsync(HubConnection hub, string board)
    {
        await foreach (var _ in hub.StreamAsync<byte[]>("Watch", board, 0L))
        {
            // A student's own page reads along as well.
        }
    }

    private async Task<HubConnection> ConnectAsync(string query, CookieContainer cookies)
    {
        var hub = new HubConnectionBuilder().WithUrl(new Uri(_address, $"/live{query}"), o => o.Cookies = cookies).AddMessagePackProtocol().Build();
        await hub.StartAsync();
        return hub;
    }

    private async Task<(CookieContainer Cookies, string Code)> HandOutAsync()
    {
        var cookies = new CookieContainer();
        using var http = Browser(cookies);
        await PostAsync(http, "/sign-up", new() { ["name"] = "Ilse Varga", ["email"] = "varga@ostlebrook.example", ["password"] = "bridge-over-brook" });
        var workshop = (await PostAsync(http, "/desk", [], "/desk?handler=New")).RequestMessage!.RequestUri!.Segments[^1];
        var code = await PostAsync(http, $"/hand-out/{workshop}", new() { ["className"] = "7 Amber", ["door"] = "Open" });
        return (cookies, CodePattern().Match(await code.Content.ReadAsStringAsync()).Groups["code"].Value);
    }

    private async Task<(CookieContainer Cookies, Dictionary<string, string> Page)> JoinAsync(string code, string name)
    {
        var cookies = new CookieContainer();
        using var http = Browser(cookies);
        var address = (await PostAsync(http, $"/join/{code}", new() { ["name"] = name })).RequestMessage!.RequestUri!;
        return (cookies, new() { ["board"] = address.Segments[^1], ["as"] = address.Query.Split('=')[1] });
    }

    private HttpClient Browser(CookieContainer cookies) => new(new HttpClientHandler { CookieContainer = cookies }) { BaseAddress = _address };

    private static async Task<HttpResponseMessage> PostAsync(HttpClient http, string form, Dictionary<string, string> fields, string? to = null)
    {
        fields["__RequestVerificationToken"] = TokenPattern().Match(await http.GetStringAsync(form)).Groups["token"].Value;
        return await http.PostAsync(to ?? form, new FormUrlEncodedContent(fields));
    }

    [GeneratedRegex("""name="__RequestVerificationToken" type="hidden" value="(?<token>[^"]+)""", RegexOptions.ExplicitCapture, 1_000)]
    private static partial Regex TokenPattern();

    [GeneratedRegex("""data-code="(?<code>[^"]+)""", RegexOptions.ExplicitCapture, 1_000)]
    private static partial Regex CodePattern();
}
