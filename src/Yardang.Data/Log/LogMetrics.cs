using System.Diagnostics;
using System.Diagnostics.Metrics;

namespace Yardang.Data.Log;

/// <summary>How the log does, for whoever watches over the server. Nothing is measured while nobody listens.</summary>
public static class LogMetrics
{
    /// <summary>The name under which all of Yardang's figures are told.</summary>
    public const string Meter = "Yardang";

    private static readonly Meter s_meter = new(Meter);
    private static readonly Histogram<double> s_commit = s_meter.CreateHistogram<double>("yardang.log.commit", "ms", "How long a commit took that made events durable.");
    private static readonly Counter<long> s_events = s_meter.CreateCounter<long>("yardang.log.events", "{event}", "Events that became durable.");
    private static readonly Counter<long> s_failed = s_meter.CreateCounter<long>("yardang.log.failed", "{commit}", "Commits that failed: the rooms were loaded anew, and nobody was told that it was kept.");

    /// <summary>A commit went well.</summary>
    public static void Committed(long began, IReadOnlyList<Append> batches)
    {
        if (!s_events.Enabled && !s_commit.Enabled) return;
        var events = 0;
        for (var i = 0; i < batches.Count; i++) events += batches[i].Payloads.Count;
        s_events.Add(events);
        s_commit.Record(Stopwatch.GetElapsedTime(began).TotalMilliseconds);
    }

    /// <summary>A commit failed.</summary>
    public static void Failed() => s_failed.Add(1);
}
