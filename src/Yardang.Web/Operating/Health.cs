using System.Net;
using Yardang.Data.Log;
using Yardang.Web.Rooms;
using Yardang.Web.Storage;

namespace Yardang.Web.Operating;

/// <summary>
/// How the server is, for whoever watches over it: nothing about anybody. Everybody is told whether all is well; who asks on the machine itself, also in figures.
/// </summary>
public sealed class Health(DiskHealth disk, Followers followers, RoomHosts hosts, LiveConnections connections, EventLog log, DataFolder folder, StorageLimits limits, TimeProvider clock)
{
    private const long LittleRoom = 500_000_000;

    private readonly DateTimeOffset _since = clock.GetUtcNow();

    /// <summary>"ok", or what is wrong with status 503; or both with figures.</summary>
    public IResult Say(HttpContext context)
    {
        var free = Disk.FreeAt(folder.Path);
        string[] faults =
        [
            .. disk.Fault is { } fault ? [fault] : Array.Empty<string>(),
            .. followers.Failing > 0 ? [$"Followers.Failing {followers.Failing}"] : Array.Empty<string>(),
        ];
        var status = faults.Length == 0 ? StatusCodes.Status200OK : StatusCodes.Status503ServiceUnavailable;
        if (!IsOnThisMachine(context)) return Results.Text(faults.Length == 0 ? "ok" : string.Join('\n', faults), statusCode: status);
        var rooms = hosts.Loaded();
        var figures = new
        {
            status = faults.Length == 0 ? "ok" : "ill",
            faults,
            version = ProgramVersion.Text,
            since = _since,
            rooms = new { loaded = rooms.Count, readers = rooms.Sum(r => r.Readers) },
            connections = connections.Open,
            followers = new { failing = followers.Failing },
            queue = new { waiting = log.Waiting, most = EventLog.Capacity },
            disk = new { freeMB = free / 1_000_000, isNearlyFull = free < LittleRoom, logMB = Size(folder.LogFile), schoolMB = Size(folder.SchoolFile), filesMostMB = limits.School / 1_000_000 },
        };
        return Results.Json(figures, statusCode: status);
    }

    // What came through a proxy says so, whether the settings know of the proxy or not.
    private static bool IsOnThisMachine(HttpContext context) =>
        context.Connection.RemoteIpAddress is { } from && IPAddress.IsLoopback(from) && !context.Request.Headers.Keys.Any(k => k.StartsWith("X-Forwarded-", StringComparison.OrdinalIgnoreCase) || k.StartsWith("X-Original-", StringComparison.OrdinalIgnoreCase) || k.Equals("Forwarded", StringComparison.OrdinalIgnoreCase));

    private static long Size(string file) => File.Exists(file) ? new FileInfo(file).Length / 1_000_000 : 0;
}
