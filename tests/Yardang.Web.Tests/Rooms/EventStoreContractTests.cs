using Microsoft.Data.Sqlite;
using Yardang.Core.Rooms;
using Yardang.Data.Log;

namespace Yardang.Web.Tests.Rooms;

/// <summary>What every store of events has to do: the one that ships, and the one that stands for a disk in the simulations.</summary>
public abstract class EventStoreContractTests
{
    protected static readonly Guid Room = Guid.CreateVersion7();

    [Fact]
    public void Events_are_found_again_in_order()
    {
        var store = Create();
        var epoch = store.Open(Room, RoomKind.Board);
        store.Write([Batch(1, epoch, 1, 2), Batch(3, epoch, 3)]);
        Assert.Equal([1, 2, 3], store.Read(Room, 0).Select(e => e[0]));
        Assert.Equal([3], store.Read(Room, 2).Select(e => e[0]));
        Assert.Equal([2], store.Read(Room, 1, 1).Select(e => e[0]));
        Assert.Equal(3, store.LastNumber(Room));
    }

    [Theory]
    [InlineData(2)]
    [InlineData(4)]
    public void What_does_not_follow_the_log_is_refused_and_leaves_nothing(long first)
    {
        var store = Create();
        var epoch = store.Open(Room, RoomKind.Board);
        store.Write([Batch(1, epoch, 1, 2)]);
        Assert.Throws<StaleWriterException>(() => store.Write([Batch(first, epoch, 9)]));
        Assert.Equal([1, 2], store.Read(Room, 0).Select(e => e[0]));
        store.Write([Batch(3, epoch, 3)]);
    }

    [Fact]
    public void All_batches_are_written_or_none()
    {
        var store = Create();
        var epoch = store.Open(Room, RoomKind.Board);
        Assert.Throws<StaleWriterException>(() => store.Write([Batch(1, epoch, 1), Batch(3, epoch, 3)]));
        Assert.Empty(store.Read(Room, 0));
    }

    [Fact]
    public void A_writer_whose_room_was_opened_anew_writes_no_more()
    {
        var store = Create();
        var before = store.Open(Room, RoomKind.Board);
        store.Write([Batch(1, before, 1)]);
        var after = store.Open(Room, RoomKind.Board);
        Assert.Throws<StaleWriterException>(() => store.Write([Batch(2, before, 9)]));
        store.Write([Batch(2, after, 2)]);
        Assert.Equal([1, 2], store.Read(Room, 0).Select(e => e[0]));
    }

    [Fact]
    public void A_room_that_is_deleted_is_gone_and_its_number_begins_anew()
    {
        var store = Create();
        store.Write([Batch(1, store.Open(Room, RoomKind.Board), 1)]);
        store.WriteSnapshot(Room, [7]);
        store.Delete(Room);
        Assert.Empty(store.Read(Room, 0));
        Assert.Null(store.ReadSnapshot(Room));
        store.Write([Batch(1, store.Open(Room, RoomKind.Board), 5)]);
        Assert.Equal([5], store.Read(Room, 0).Select(e => e[0]));
    }

    [Fact]
    public async Task After_an_append_that_failed_nothing_of_that_room_is_appended_until_it_is_opened_anew()
    {
        var store = Create();
        var other = Guid.CreateVersion7();
        var epoch = store.Open(Room, RoomKind.Board);
        await using var log = new EventLog(store);
        Assert.Null(await AppendAsync(log, Batch(1, epoch, 1)));
        Assert.NotNull(await AppendAsync(log, Batch(3, epoch, 3)));
        Assert.NotNull(await AppendAsync(log, Batch(2, epoch, 2)));
        Assert.Equal([1], store.Read(Room, 0).Select(e => e[0]));
        Assert.Null(await AppendAsync(log, Batch(2, store.Open(Room, RoomKind.Board), 2)));
    }

    protected abstract IEventStore Create();

    private static async Task<Exception?> AppendAsync(EventLog log, Append append)
    {
        var done = new TaskCompletionSource<Exception?>(TaskCreationOptions.RunContinuationsAsynchronously);
        await log.AppendAsync(append with { Done = e => done.SetResult(e) }, TestContext.Current.CancellationToken);
        return await done.Task;
    }

    private static Append Batch(long first, int epoch, params byte[] events) => new(Room, first, epoch, [.. events.Select(e => new[] { e })], _ => { });
}

/// <summary>The store that ships.</summary>
public sealed class SqliteEventStoreTests : EventStoreContractTests, IDisposable
{
    private readonly string _folder = Directory.CreateTempSubdirectory("yardang-store-").FullName;
    private readonly List<SqliteEventStore> _stores = [];

    [Fact]
    public void A_delete_that_fails_says_so_and_holds_nobody_up()
    {
        var store = (SqliteEventStore)Create();
        var epoch = store.Open(Room, RoomKind.Board);
        store.Write([new Append(Room, 1, epoch, [[1]], _ => { })]);
        var other = Guid.CreateVersion7();
        using (var spoiler = new SqliteConnection($"Data Source={Path.Combine(_folder, "0.db")}"))
        {
            spoiler.Open();
            using var command = spoiler.CreateCommand();
            command.CommandText = "CREATE TRIGGER no BEFORE DELETE ON Rooms BEGIN SELECT RAISE(FAIL, 'not today'); END";
            command.ExecuteNonQuery();
        }

        Assert.Throws<SqliteException>(() => store.Delete(Room));
        Assert.Single(store.Read(Room, 0));
        store.Write([new Append(other, 1, store.Open(other, RoomKind.Board), [[1]], _ => { })]);
        store.Write([new Append(Room, 2, epoch, [[2]], _ => { })]);
        Assert.Equal(2, store.LastNumber(Room));
    }

    public void Dispose()
    {
        foreach (var store in _stores) store.Dispose();
        SqliteConnection.ClearAllPools();
        Directory.Delete(_folder, recursive: true);
    }

    protected override IEventStore Create()
    {
        var store = new SqliteEventStore(Path.Combine(_folder, $"{_stores.Count}.db"));
        _stores.Add(store);
        return store;
    }
}

/// <summary>The store of the simulations.</summary>
public sealed class SimulatedStoreTests : EventStoreContractTests
{
    protected override IEventStore Create() => new SimulatedStore();
}
