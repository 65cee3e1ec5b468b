using System.Diagnostics;
using System.Net;
using System.Net.Sockets;
using Microsoft.EntityFrameworkCore;
using Yardang.Core.Activities;
using Yardang.Core.Boards;
using Yardang.Core.Editing;
using Yardang.Core.Ink;
using Yardang.Core.Lessons;
using Yardang.Core.Rooms;
using Yardang.Data.Log;
using Yardang.Data.School;
using Yardang.Data.Wire;
using Yardang.Headless.SimulatedClass;

namespace Yardang.Web.Tests.Rooms;

/// <summary>The server is killed while students write; the last commits that nobody has heard of are missing, and the write behind them is torn. CRASH_ROUNDS=20 CRASH_STUDENTS=35 for a class on a bad day.</summary>
public sealed class CrashTests : IAsyncDisposable
{
    private readonly string _folder = Directory.CreateTempSubdirectory("yardang-crash-").FullName;
    private readonly Uri _address = new($"http://127.0.0.1:{FreePort()}");
    private readonly List<ClassMember> _students = [];
    private Process? _server;

    private string Log => Path.Combine(_folder, "log.db");

    [Fact(Timeout = 300_000)]
    public async Task Killing_the_server_loses_nothing_and_doubles_nothing()
    {
        var stop = TestContext.Current.CancellationToken;
        await StartAsync(stop);
        var lesson = await HandOutAsync();
        for (var i = 0; i < Setting("CRASH_STUDENTS", 6); i++) _students.Add(await ClassMember.JoinAsync(_address, lesson.Code.Text, Roster.Names[i % Roster.Names.Length]));

        var drawn = new int[_students.Count];
        using var enough = CancellationTokenSource.CreateLinkedTokenSource(stop);
        var writing = Task.WhenAll(_students.Select((student, i) => WriteAsync(student, () => drawn[i]++, enough.Token)));
        var lost = 0;
        for (var round = 0; round < Setting("CRASH_ROUNDS", 2); round++)
        {
            // Everybody is back and has delivered what piled up, give or take what is on its way.
            await Eventually.IsAsync(() => !(_students.Exists(s => s.Waiting > 10)));
            var goal = drawn.Sum() + (20 * _students.Count);
            await Eventually.IsAsync(() => !(drawn.Sum() < goal));
            _server!.Kill();
            await _server.WaitForExitAsync(stop);
            lost += await LoseUnheardCommitsAsync(stop);
            new WriteAheadLog(Log + "-wal").Tear(round);
            await StartAsync(stop);
        }

        await enough.CancelAsync();
        await writing;
        await Eventually.IsAsync(() => !(_students.Exists(s => s.Waiting > 0)));
        _server!.Kill();
        await _server.WaitForExitAsync(stop);

        Assert.Equal(drawn, await InLogAsync());
        TestContext.Current.TestOutputHelper!.WriteLine($"{lost} commits were missing after the restarts; nobody had heard of them.");
    }

    public async ValueTask DisposeAsync()
    {
        foreach (var student in _students) await student.DisposeAsync();
        if (_server is { HasExited: false }) _server.Kill();
        _server?.Dispose();
        Microsoft.Data.Sqlite.SqliteConnection.ClearAllPools();
        Directory.Delete(_folder, recursive: true);
    }

    private static int Setting(string name, int otherwise) =>
        int.TryParse(Environment.GetEnvironmentVariable(name), System.Globalization.CultureInfo.InvariantCulture, out var value) ? value : otherwise;

    private static int FreePort()
    {
        using var listener = new TcpListener(IPAddress.Loopback, 0);
        listener.Start();
        return ((IPEndPoint)listener.LocalEndpoint).Port;
    }

    private static async Task WriteAsync(ClassMember student, Action drawn, CancellationToken enough)
    {
        while (!enough.IsCancellationRequested)
        {
            await student.DoAsync(new Draws([new InkPoint(100, 100, 128, 0), new InkPoint(900, 300, 128, 20)], 0), lively: false, CancellationToken.None);
            drawn();
            await Task.Delay(10, CancellationToken.None);
        }
    }

    // The disk loses the commits that it had not flushed: at most those of which nobody has heard. Returns how many.
    private async Task<int> LoseUnheardCommitsAsync(CancellationToken stop)
    {
        // Once their stream has ended, the students know all that they will ever know of this run.
        await Eventually.IsAsync(() => !(_students.Exists(s => s.IsFollowing)));
        var heard = _students.ConvertAll(s => s.Acknowledged);
        var wal = new WriteAheadLog(Log + "-wal");
        var commits = wal.Commits();
        var lost = 0;

        // The file was just begun anew: everything is in the database.
        if (commits.Count == 0) return 0;
        while (lost + 1 < commits.Count && HoldsAll(heard, commits[^(lost + 2)])) lost++;
        wal.CutAt(commits[^(lost + 1)]);
        return lost;
    }

    // Asked of a copy: opening a database mends what it finds.
    private bool HoldsAll(List<(Guid Board, int Client, int Counter)> heard, long end)
    {
        var folder = Directory.CreateDirectory(Path.Combine(_folder, "copy")).FullName;
        var copy = Path.Combine(folder, "log.db");
        File.Copy(Log, copy, overwrite: true);
        File.Copy(Log + "-wal", copy + "-wal", overwrite: true);
        File.Delete(copy + "-shm");
        new WriteAheadLog(copy + "-wal").CutAt(end);
        using var store = new SqliteEventStore(copy);
        var holds = heard.TrueForAll(h => h.Counter == 0 || store.Read(h.Board, 0).Select(e => EventCodec.Decode(e)).Any(e => e.Client == h.Client && e.Counter == h.Counter));
        Microsoft.Data.Sqlite.SqliteConnection.ClearAllPools();
        return holds;
    }

    private async Task StartAsync(CancellationToken stop)
    {
        var web = Path.GetFullPath(Path.Combine(AppContext.BaseDirectory, "../../../../../src/Yardang.Web"));
        var start = new ProcessStartInfo("dotnet", [Path.Combine(web, "bin/Debug/net10.0/linux-x64/Yardang.Web.dll")]) { WorkingDirectory = web, UseShellExecute = false, RedirectStandardOutput = true, RedirectStandardError = true };
        start.Environment["ASPNETCORE_URLS"] = _address.ToString();
        start.Environment["ASPNETCORE_ENVIRONMENT"] = "Development";
        start.Environment["Yardang__Data"] = _folder;
        start.Environment["Logging__LogLevel__Default"] = "None";
        _server?.Dispose();
        _server = Process.Start(start)!;
        _server.BeginOutputReadLine();
        _server.BeginErrorReadLine();
        using var http = new HttpClient { BaseAddress = _address };
        while (true)
        {
            try
            {
                await http.GetStringAsync("/healthz", stop);
                return;
            }
            catch (HttpRequestException)
            {
                await Task.Delay(50, stop);
            }
        }
    }

    // Straight into the tables: what a teacher's clicks would have put there.
    private async Task<LessonRecord> HandOutAsync()
    {
        await using var db = School();
        var json = ActivityJson.Write(ActivityContent.Blank("en", "Load test log"));
        var version = new VersionRecord { Id = Guid.CreateVersion7(), ActivityId = Guid.CreateVersion7(), Hash = "crash", Content = json, FrozenAt = DateTimeOffset.UtcNow };
        var lesson = new LessonRecord
        {
            Id = Guid.CreateVersion7(),
            OwnerId = Guid.CreateVersion7(),
            ActivityId = version.ActivityId,
            VersionId = version.Id,
            Code = JoinCode.New(),
            Name = "Load test log",
            ClassName = "7 Amber",
            Parts = [new(1, PartKind.Pages, Way.OneEach)],
            CurrentPart = 1,
            HandedOutAt = DateTimeOffset.UtcNow,
        };
        db.AddRange(version, lesson, RoomRecord.OfLesson(lesson));
        await db.SaveChangesAsync();
        return lesson;
    }

    private async Task<int[]> InLogAsync()
    {
        await using var db = School();
        var boards = await db.Rooms.Where(r => r.Whose == Whose.Own && r.Kind == RoomKind.Board).OrderBy(r => r.Number).Select(r => r.Id).ToListAsync();
        using var store = new SqliteEventStore(Log);
        return [.. boards.Select(id =>
        {
            var log = store.Read(id, 0).Select(e => EventCodec.Decode(e)).ToList();
            var board = new Board(ActivityContent.Blank("en", "Load test log"));
            foreach (var envelope in log) board.Apply(envelope);
            var commands = log.Where(e => e.Counter > 0).Select(e => (e.Client, e.Counter)).ToList();
            Assert.Equal(commands.Count, commands.Distinct().Count());
            return board.Sheets.Marks.Count;
        })];
    }

    private SchoolContext School() =>
        new(new DbContextOptionsBuilder<SchoolContext>().UseSqlite($"Data Source={Path.Combine(_folder, "school.db")}").Options);
}
