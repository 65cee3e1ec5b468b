using System.Diagnostics.Metrics;
using OpenTelemetry.Exporter;
using OpenTelemetry.Metrics;
using Yardang.Data.Log;
using Yardang.Web.Rooms;

namespace Yardang.Web.Operating;

/// <summary>How the server does, in figures for whoever watches over it: never of whom, never of which room.</summary>
public sealed class ServerMetrics : IDisposable
{
    private readonly Meter _meter = new(LogMetrics.Meter);

    public ServerMetrics(RoomHosts hosts, LiveConnections connections, Followers followers, EventLog log, DataFolder folder)
    {
        _meter.CreateObservableGauge("yardang.rooms", () => hosts.Loaded().Count, "{room}", "Rooms that are loaded.");
        _meter.CreateObservableGauge("yardang.readers", () => hosts.Loaded().Sum(h => h.Readers), "{reader}", "Pages that follow a room; a page of a teacher may follow many.");
        _meter.CreateObservableGauge("yardang.connections", () => connections.Open, "{connection}", "Live connections.");
        _meter.CreateObservableGauge("yardang.followers.failing", () => followers.Failing, "{follower}", "Parts of the program that are being begun again.");
        _meter.CreateObservableGauge("yardang.log.waiting", () => log.Waiting, "{batch}", "Batches of events that wait for their commit.");
        _meter.CreateObservableGauge("yardang.disk.free", () => Disk.FreeAt(folder.Path), "By", "Room on the disk of the data folder.");
    }

    public void Dispose() => _meter.Dispose();
}

/// <summary>The way out for figures: to a collector that the school names, by OTLP over HTTP (<see href="https://opentelemetry.io/docs/specs/otlp/"/>). Without one nothing is measured or sent.</summary>
public static class MetricsExport
{
    /// <summary>Adds it, if <c>Yardang:Metrics:Endpoint</c> is set.</summary>
    public static void AddMetricsExport(this IServiceCollection services, IConfiguration configuration)
    {
        if (configuration["Yardang:Metrics:Endpoint"] is not { Length: > 0 } endpoint || !Uri.TryCreate(endpoint, UriKind.Absolute, out var address)) return;
        services.AddOpenTelemetry().WithMetrics(metrics => metrics
            .AddMeter(LogMetrics.Meter, "System.Runtime", "Microsoft.AspNetCore.Hosting", "Microsoft.AspNetCore.Server.Kestrel")

            // Routes are told as they are written here, without what stands in them; hosts would be whatever a visitor claims.
            .AddView("http.server.request.duration", new MetricStreamConfiguration { TagKeys = ["http.request.method", "http.response.status_code", "http.route"] })
            .AddOtlpExporter((exporter, reader) =>
            {
                (exporter.Endpoint, exporter.Protocol) = (address, OtlpExportProtocol.HttpProtobuf);
                reader.PeriodicExportingMetricReaderOptions.ExportIntervalMilliseconds = 15_000;
            }));
    }
}
