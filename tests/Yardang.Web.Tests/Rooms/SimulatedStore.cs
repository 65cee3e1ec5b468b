using Yardang.Core.Rooms;
using Yardang.Data.Log;

namespace Yardang.Web.Tests.Rooms;

/// <summary>A disk that can fail and lose power: what was committed stays, everything else is gone.</summary>
internal sealed class SimulatedStore : IEventStore
{
    private readonly Lock _lock = new();
    private readonly List<byte[]> _events;
    private byte[]? _snapshot;
    private int _epoch;
    private bool _off;

    public SimulatedStore() => _events = [];

    private SimulatedStore(List<byte[]> events, byte[]? snapshot, int epoch) => (_events, _snapshot, _epoch) = (events, snapshot, epoch);

    /// <summary>How many of the next commits fail.</summary>
    public int Failing { get; set; }

    public IReadOnlyList<byte[]> Events
    {
        get
        {
            lock (_lock) return [.. _events];
        }
    }

    /// <summary>The power goes: this disk takes nothing more, and what it holds is found again after the restart.</summary>
    public SimulatedStore PowerCut()
    {
        lock (_lock)
        {
            _off = true;
            return new([.. _events], _snapshot, _epoch);
        }
    }

    public IEnumerable<byte[]> ReadAll() => _snapshot is { } snapshot ? [.. Events, snapshot] : Events;

    public void Rewrite(Guid room, Func<byte[], byte[]> rewrite)
    {
        lock (_lock)
        {
            for (var i = 0; i < _events.Count; i++) _events[i] = rewrite(_events[i]);
            _snapshot = null;
            _epoch++;
        }
    }

    public void Delete(Guid room)
    {
        lock (_lock)
        {
            _events.Clear();
            _snapshot = null;
        }
    }

    public int Open(Guid room, RoomKind kind)
    {
        lock (_lock) return ++_epoch;
    }

    public void Write(IReadOnlyList<Append> batches)
    {
        lock (_lock)
        {
            if (_off) throw new IOException("The power is off.");
            if (Failing > 0)
            {
                Failing--;
                throw new IOException("The disk did not take it.");
            }

            var next = _events.Count + 1;
            foreach (var batch in batches)
            {
                if (batch.First != next || batch.Epoch != _epoch) throw new StaleWriterException();
                next += batch.Payloads.Count;
            }

            foreach (var batch in batches) _events.AddRange(batch.Payloads);
        }
    }

    public IReadOnlyList<byte[]> Read(Guid room, long after, int most = int.MaxValue)
    {
        lock (_lock) return [.. _events.Skip((int)after).Take(most)];
    }

    public IReadOnlyDictionary<Guid, long> LastNumbers() => throw new NotSupportedException("Nothing asks for it here.");

    public long LastNumber(Guid room)
    {
        lock (_lock) return _events.Count;
    }

    public byte[]? ReadSnapshot(Guid room)
    {
        lock (_lock) return _snapshot;
    }

    public void WriteSnapshot(Guid room, byte[]? snapshot)
    {
        lock (_lock)
        {
            if (!_off) _snapshot = snapshot;
        }
    }
}
