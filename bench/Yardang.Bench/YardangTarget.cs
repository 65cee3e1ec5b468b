using System.Collections.Concurrent;
using System.Collections.Immutable;
using System.Diagnostics;
using System.Net;
using Microsoft.AspNetCore.SignalR.Client;
using Yardang.Core.Editing;
using Yardang.Core.Ink;
using Yardang.Core.Lessons;
using Yardang.Core.Marks;
using Yardang.Core.Rooms;
using Yardang.Core.Styles;
using Yardang.Data.Wire;

namespace Yardang.Bench;

/// <summary>Yardang as it is: accounts, codes, SQLite on disk, every stroke durable before it is shown.</summary>
public sealed class YardangTarget(int pointsPerStroke = 40) : ITarget
{
    private readonly YardangServer _server = new();
    private readonly List<Student> _students = [];

    private readonly ImmutableArray<InkPoint>[] _strokes = Strokes.Of(pointsPerStroke);
    private readonly ConcurrentDictionary<(string Board, int Counter), long> _sent = new();
    private readonly Arrivals _arrivals = new();
    private HubConnection? _teacher;
    private string _lesson = "";
    private int _teacherClient;
    private int _calls;
    private CookieContainer _teacherCookies = new();

    public Process Server => _server.Process;

    public async Task StartAsync(int boards, Action<long, bool> received)
    {
        await _server.StartAsync();
        var (teacher, code, lesson) = await _server.HandOutAsync("OneEach");
        _lesson = lesson;
        _teacherCookies = teacher;
        _teacher = await _server.ConnectAsync("", teacher);
        for (var i = 0; i < boards; i++)
        {
            var (cookies, page) = await _server.JoinAsync(code, $"Student {i}");
            var hub = await _server.ConnectAsync($"?as={page["as"]}", cookies);
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
            _ = student.Hub.SendAsync("Preview", student.Board, Strokes.Preview(stamp));
            return;
        }

        var counter = ++student.Counter;
        _sent[(student.Board, counter)] = stamp;
        var id = Ids.Of(student.Client, counter);
        _ = student.Hub.SendAsync("Submit", student.Board, CommandCodec.Encode(new Submission(
            student.Client, counter, counter - 1, id, new AddMark(id, 1, Grip.Own, new InkBody(_strokes[counter % _strokes.Length]), new Style(0, 60)))));
    }

    public async Task ListenAsync()
    {
        _teacherClient = await _teacher!.InvokeAsync<int>("Admit", _lesson);
        foreach (var (student, i) in _students.Select((s, i) => (s, i))) _ = FollowLessonAsync(student.Hub, i);
    }

    public async Task<double[]> CallAsync()
    {
        _arrivals.Begin(_students.Count);
        _calls++;
        await _teacher!.SendAsync("Submit", _lesson, CommandCodec.Encode(new Submission(_teacherClient, _calls, _calls - 1, 0, new CallClass([], "Look up for a moment.", null, Stays: false))));
        return await _arrivals.AllAsync();
    }

    // The call is known by the counter of the teacher's client.
    private async Task FollowLessonAsync(HubConnection hub, int student)
    {
        await foreach (var frame in hub.StreamAsync<byte[]>("Watch", _lesson, 0L))
        {
            FrameReader.Read(frame, (_, counter, _) => _arrivals.Note(student, counter == _calls ? _arrivals.Stamp : 0), _ => { });
        }
    }

    /// <summary>Fetches a board as somebody who joins late does: time in ms, and bytes on the wire.</summary>
    public async Task<(double Milliseconds, int Bytes)> SnapshotAsync(int board)
    {
        using var http = _server.Browser(_teacherCookies);
        var start = Stopwatch.GetTimestamp();
        var bytes = await http.GetByteArrayAsync($"/rooms/{_students[board].Board}/snapshot");
        return (Stopwatch.GetElapsedTime(start).TotalMilliseconds, bytes.Length);
    }

    public async ValueTask DisposeAsync()
    {
        foreach (var student in _students) await student.Hub.DisposeAsync();
        if (_teacher is not null) await _teacher.DisposeAsync();
        await _server.DisposeAsync();
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
            FrameReader.Read(
                frame,
                (_, counter, _) =>
                {
                    if (_sent.TryRemove((board, counter), out var stamp)) received(stamp, true);
                },
                stamp => received(stamp, false));
        }
    }

    private static async Task DrainAsync(HubConnection hub, string board)
    {
        await foreach (var _ in hub.StreamAsync<byte[]>("Watch", board, 0L))
        {
            // A student's own page reads along as well.
        }
    }
}
