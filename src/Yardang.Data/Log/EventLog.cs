using System.Threading.Channels;

namespace Yardang.Data.Log;

/// <summary>Makes events durable: whatever all rooms have handed in meanwhile goes to the disk in one commit.</summary>
public sealed class EventLog : IAsyncDisposable
{
    // Enough to fill a commit many times over; a room that finds it full waits, and its own mailbox fills up behind it.
    private const int Capacity = 4_096;

    private readonly IEventStore _store;
    private readonly Channel<Append> _waiting = Channel.CreateBounded<Append>(new BoundedChannelOptions(Capacity) { SingleReader = true });
    private readonly Task _writer;

    public EventLog(IEventStore store)
    {
        _store = store;
        _writer = Task.Factory.StartNew(WriteAll, CancellationToken.None, TaskCreationOptions.LongRunning, TaskScheduler.Default);
    }

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

    private void Commit(List<Append> batches)
    {
        try
        {
            _store.Write(batches);
        }
        catch (Exception) when (batches.Count > 1)
        {
            // One room's stale writer must not take the others down with it.
            foreach (var batch in batches) Commit([batch]);
            return;
        }
        catch (Exception e)
        {
            batches[0].Done(e);
            return;
        }

        foreach (var batch in batches) batch.Done(null);
    }
}
