using System.Threading.Channels;
using Yardang.Core.Threads;

namespace Yardang.Data.Log;

/// <summary>Makes events durable: whatever all rooms have handed in meanwhile goes to the disk in one commit.</summary>
public sealed class EventLog : IAsyncDisposable
{
    /// <summary>How many batches may wait: enough to fill a commit many times over; a room that finds it full waits, and its own mailbox fills up behind it.</summary>
    public const int Capacity = 4_096;

    // More than can be failing at once and still be waited for; the store refuses what does not follow in any case.
    private const int FailuresKept = 10_000;

    private readonly IEventStore _store;
    private readonly Channel<Append> _waiting = Channel.CreateBounded<Append>(new BoundedChannelOptions(Capacity) { SingleReader = true });
    private readonly Task _writer;

    // Rooms of which an append failed, and in which epoch: nothing more of it is taken.
    private readonly Dictionary<Guid, int> _failed = [];

    public EventLog(IEventStore store)
    {
        _store = store;
        _writer = Task.Factory.StartNew(WriteAll, CancellationToken.None, TaskCreationOptions.LongRunning, TaskScheduler.Default);
    }

    /// <summary>Told after each append, with the reason if it failed.</summary>
    public Action<Exception?>? Wrote { get; set; }

    /// <summary>How many batches of events wait for their commit.</summary>
    public int Waiting => _waiting.Reader.Count;

    /// <summary>Hands events in. Batches of one room become durable in the order they were handed in.</summary>
    public ValueTask AppendAsync(Append append, CancellationToken stop) => _waiting.Writer.WriteAsync(append, stop);

    /// <summary>Writes what is waiting and ends.</summary>
    public async ValueTask DisposeAsync()
    {
        _waiting.Writer.TryComplete();
        await _writer;
    }

    private void WriteAll()
    {
        var batches = new List<Append>();
        while (_waiting.Reader.WaitToReadAsync().AsTask().GetAwaiter().GetResult())
        {
            batches.Clear();
            while (batches.Count < Capacity && _waiting.Reader.TryRead(out var append)) batches.Add(append);
            Commit(batches);
        }
    }

    private void Commit(List<Append> waiting)
    {
        var batches = waiting.FindAll(b => !_failed.TryGetValue(b.Room, out var epoch) || b.Epoch > epoch);
        foreach (var late in waiting.Except(batches)) Answer(late, new StaleWriterException());
        if (batches.Count == 0) return;
        var began = System.Diagnostics.Stopwatch.GetTimestamp();
        try
        {
            _store.Write(batches);
            LogMetrics.Committed(began, batches);
        }
        catch (Exception) when (batches.Count > 1)
        {
            // One room's stale writer must not take the others down with it.
            foreach (var batch in batches) Commit([batch]);
            return;
        }
        catch (Exception e)
        {
            if (_failed.Count >= FailuresKept) _failed.Clear();
            _failed[batches[0].Room] = batches[0].Epoch;
            LogMetrics.Failed();
            Answer(batches[0], e);
            return;
        }

        foreach (var batch in batches) Answer(batch, null);
    }

    // What the one who waits does with it must not stop the log of the whole school.
    private void Answer(Append append, Exception? failure)
    {
        Wrote?.Invoke(failure);
        try
        {
            append.Done(failure);
        }
        catch (Exception e)
        {
            Wrote?.Invoke(e);
        }
    }
}
