using System.Diagnostics;
using Microsoft.AspNetCore.SignalR.Client;

namespace Yardang.Bench;

/// <summary>The bare hub: a group for each board, the teacher in all of them, payloads of the same sizes.</summary>
public sealed class BareTarget : ITarget
{
    private readonly Uri _address = ServerProcess.FreeAddress();
    private readonly List<HubConnection> _students = [];
    private const string Lesson = "lesson";
    private readonly Arrivals _arrivals = new();
    private HubConnection? _teacher;

    public Process Server { get; private set; } = null!;

    public async Task StartAsync(int boards, Action<long, bool> received)
    {
        Server = await ServeAsync(_address);
        _teacher = await ConnectAsync(_address);
        _teacher.On<byte[]>("Passed", bytes => received(Payload.StampOf(bytes), Payload.IsEvent(bytes)));
        for (var i = 0; i < boards; i++)
        {
            var student = await ConnectAsync(_address);
            await student.InvokeAsync("Enter", $"{i}");
            await _teacher.InvokeAsync("Enter", $"{i}");
            _students.Add(student);
        }
    }

    public void Send(int board, long stamp, bool isEvent) => _ = _students[board].SendAsync("Pass", $"{board}", Payload.Of(stamp, isEvent));

    public async Task ListenAsync()
    {
        foreach (var (student, i) in _students.Select((s, i) => (s, i)))
        {
            student.On<byte[]>("Passed", bytes => _arrivals.Note(i, Payload.StampOf(bytes)));
            await student.InvokeAsync("Enter", Lesson);
        }
    }

    public async Task<double[]> CallAsync()
    {
        var stamp = _arrivals.Begin(_students.Count);
        await _teacher!.SendAsync("Pass", Lesson, Payload.Of(stamp, isEvent: true));
        return await _arrivals.AllAsync();
    }

    public async ValueTask DisposeAsync()
    {
        foreach (var student in _students) await student.DisposeAsync();
        if (_teacher is not null) await _teacher.DisposeAsync();
        Server.Kill();
        Server.Dispose();
    }

    public static Task<Process> ServeAsync(Uri address) => ServerProcess.StartAsync(
        address, AppContext.BaseDirectory, [typeof(BareTarget).Assembly.Location, "serve-bare", address.ToString()], new Dictionary<string, string>());

    public static async Task<HubConnection> ConnectAsync(Uri address)
    {
        var hub = new HubConnectionBuilder().WithUrl(new Uri(address, "/bare")).AddMessagePackProtocol().Build();
        await hub.StartAsync();
        return hub;
    }
}
