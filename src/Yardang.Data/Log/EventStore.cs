using Microsoft.Data.Sqlite;
using Microsoft.EntityFrameworkCore;
using Yardang.Core.Rooms;

namespace Yardang.Data.Log;

/// <summary>Events of one room on their way to the disk.</summary>
/// <param name="Room">The room.</param>
/// <param name="First">Number of the first event.</param>
/// <param name="Epoch">The writer's epoch.</param>
/// <param name="Payloads">One for each event, in order.</param>
/// <param name="Done">Called when they are durable, or with the reason why they are not. Must be brief.</param>
public sealed record Append(Guid Room, long First, int Epoch, IReadOnlyList<byte[]> Payloads, Action<Exception?> Done);

/// <summary>Where logs and snapshots are kept. Tests put faults in its place.</summary>
public interface IEventStore
{
    /// <summary>Opens a room for writing, creating it if need be, and gives its new epoch.</summary>
    int Open(Guid room, RoomKind kind);

    /// <summary>Writes all batches or none.</summary>
    /// <exception cref="StaleWriterException">A batch does not follow what is in the log, or its writer's epoch is over.</exception>
    void Write(IReadOnlyList<Append> batches);

    /// <summary>A room's events after a number, in order, and no more than so many.</summary>
    IReadOnlyList<byte[]> Read(Guid room, long after, int most = int.MaxValue);

    /// <summary>Every event and snapshot of every room, one after the other.</summary>
    IEnumerable<byte[]> ReadAll();

    /// <summary>The numbers of the last events of all rooms that have any.</summary>
    IReadOnlyDictionary<Guid, long> LastNumbers();

    /// <summary>The number of a room's last event; 0 if it has none.</summary>
    long LastNumber(Guid room);

    /// <summary>The last snapshot; null if there is none.</summary>
    byte[]? ReadSnapshot(Guid room);

    /// <summary>Replaces the snapshot.</summary>
    void WriteSnapshot(Guid room, byte[]? snapshot);

    /// <summary>Puts other events in place of some, for good, and forgets the snapshot. What was there is overwritten on the disk. Whoever had the room open cannot write any more.</summary>
    /// <param name="room">The room.</param>
    /// <param name="rewrite">What stands in place of an event; the same bytes if it stays.</param>
    void Rewrite(Guid room, Func<byte[], byte[]> rewrite);

    /// <summary>Deletes a room that nobody has open: its log and its snapshot.</summary>
    void Delete(Guid room);
}

/// <summary>Logs in a SQLite file. Writing has one connection, kept open; each read opens its own.</summary>
public sealed class SqliteEventStore : IEventStore, IDisposable
{
    private readonly string _connectionString;
    private readonly SqliteConnection _writer;
    private readonly Lock _writing = new();

    public SqliteEventStore(string path)
    {
        _connectionString = new SqliteConnectionStringBuilder { DataSource = path }.ToString();
        using (var context = new LogContext(new DbContextOptionsBuilder<LogContext>().UseSqlite(_connectionString).Options))
        {
            context.Database.Migrate();
        }

        _writer = Connect();
    }

    public int Open(Guid room, RoomKind kind)
    {
        lock (_writing)
        {
            using var command = _writer.CreateCommand();
            command.CommandText =
                """
                INSERT INTO Rooms (Id, Kind, Epoch) VALUES ($room, $kind, 1)
                ON CONFLICT (Id) DO UPDATE SET Epoch = Epoch + 1 RETURNING Epoch
                """;
            command.Parameters.AddWithValue("$room", room.ToByteArray());
            command.Parameters.AddWithValue("$kind", (int)kind);
            return Convert.ToInt32(command.ExecuteScalar(), System.Globalization.CultureInfo.InvariantCulture);
        }
    }

    public void Write(IReadOnlyList<Append> batches)
    {
        lock (_writing)
        {
            using var transaction = _writer.BeginTransaction();
            using var insert = _writer.CreateCommand();
            insert.Transaction = transaction;

            // The database itself sees that the writer is the room's last and the number the next one.
            insert.CommandText =
                """
                INSERT INTO Events (Room, Number, Epoch, Payload)
                SELECT $room, $number, $epoch, $payload
                WHERE (SELECT Epoch FROM Rooms WHERE Id = $room) = $epoch
                  AND COALESCE((SELECT MAX(Number) FROM Events WHERE Room = $room), 0) = $number - 1
                """;
            var room = insert.Parameters.Add("$room", SqliteType.Blob);
            var number = insert.Parameters.Add("$number", SqliteType.Integer);
            var epoch = insert.Parameters.Add("$epoch", SqliteType.Integer);
            var payload = insert.Parameters.Add("$payload", SqliteType.Blob);
            foreach (var batch in batches)
            {
                room.Value = batch.Room.ToByteArray();
                epoch.Value = batch.Epoch;
                for (var i = 0; i < batch.Payloads.Count; i++)
                {
                    number.Value = batch.First + i;
                    payload.Value = batch.Payloads[i];
                    if (insert.ExecuteNonQuery() != 1) throw new StaleWriterException();
                }
            }

            transaction.Commit();
        }
    }

    public IReadOnlyList<byte[]> Read(Guid room, long after, int most = int.MaxValue)
    {
        using var connection = Connect();
        using var command = connection.CreateCommand();
        command.CommandText = "SELECT Payload FROM Events WHERE Room = $room AND Number > $after ORDER BY Number LIMIT $most";
        command.Parameters.AddWithValue("$room", room.ToByteArray());
        command.Parameters.AddWithValue("$after", after);
        command.Parameters.AddWithValue("$most", most);
        using var reader = command.ExecuteReader();
        var payloads = new List<byte[]>();
        while (reader.Read()) payloads.Add((byte[])reader[0]);
        return payloads;
    }

    public IEnumerable<byte[]> ReadAll()
    {
        using var connection = Connect();
        using var command = connection.CreateCommand();
        command.CommandText = "SELECT Payload FROM Events UNION ALL SELECT Snapshot FROM Rooms WHERE Snapshot IS NOT NULL";
        using var reader = command.ExecuteReader();
        while (reader.Read()) yield return (byte[])reader[0];
    }

    public IReadOnlyDictionary<Guid, long> LastNumbers()
    {
        using var connection = Connect();
        using var command = connection.CreateCommand();
        command.CommandText = "SELECT Room, MAX(Number) FROM Events GROUP BY Room";
        using var reader = command.ExecuteReader();
        var numbers = new Dictionary<Guid, long>();
        while (reader.Read()) numbers[new Guid((byte[])reader[0])] = reader.GetInt64(1);
        return numbers;
    }

    public long LastNumber(Guid room)
    {
        using var connection = Connect();
        using var command = connection.CreateCommand();
        command.CommandText = "SELECT COALESCE(MAX(Number), 0) FROM Events WHERE Room = $room";
        command.Parameters.AddWithValue("$room", room.ToByteArray());
        return Convert.ToInt64(command.ExecuteScalar(), System.Globalization.CultureInfo.InvariantCulture);
    }

    public byte[]? ReadSnapshot(Guid room)
    {
        using var connection = Connect();
        using var command = connection.CreateCommand();
        command.CommandText = "SELECT Snapshot FROM Rooms WHERE Id = $room";
        command.Parameters.AddWithValue("$room", room.ToByteArray());
        return command.ExecuteScalar() as byte[];
    }

    public void WriteSnapshot(Guid room, byte[]? snapshot)
    {
        lock (_writing)
        {
            using var command = _writer.CreateCommand();
            command.CommandText = "UPDATE Rooms SET Snapshot = $snapshot WHERE Id = $room";
            command.Parameters.AddWithValue("$room", room.ToByteArray());
            command.Parameters.AddWithValue("$snapshot", (object?)snapshot ?? DBNull.Value);
            command.ExecuteNonQuery();
        }
    }

    public void Rewrite(Guid room, Func<byte[], byte[]> rewrite)
    {
        var payloads = Read(room, 0);
        OverwritingWhatWas(transaction =>
        {
            using var update = _writer.CreateCommand();
            update.Transaction = transaction;
            update.CommandText = "UPDATE Events SET Payload = $payload WHERE Room = $room AND Number = $number";
            update.Parameters.AddWithValue("$room", room.ToByteArray());
            var number = update.Parameters.Add("$number", SqliteType.Integer);
            var payload = update.Parameters.Add("$payload", SqliteType.Blob);
            for (var i = 0; i < payloads.Count; i++)
            {
                if (rewrite(payloads[i]) is var other && ReferenceEquals(other, payloads[i])) continue;
                (number.Value, payload.Value) = (i + 1, other);
                update.ExecuteNonQuery();
            }

            using var forget = _writer.CreateCommand();
            forget.Transaction = transaction;
            forget.CommandText = "UPDATE Rooms SET Snapshot = NULL, Epoch = Epoch + 1 WHERE Id = $room";
            forget.Parameters.AddWithValue("$room", room.ToByteArray());
            forget.ExecuteNonQuery();
        });
    }

    public void Delete(Guid room) => OverwritingWhatWas(transaction =>
    {
        using var command = _writer.CreateCommand();
        command.Transaction = transaction;
        command.CommandText = "DELETE FROM Events WHERE Room = $room; DELETE FROM Rooms WHERE Id = $room";
        command.Parameters.AddWithValue("$room", room.ToByteArray());
        command.ExecuteNonQuery();
    });

    // Also in what is written beside the file until it is taken over.
    private void OverwritingWhatWas(Action<SqliteTransaction> write)
    {
        lock (_writing)
        {
            using (var transaction = _writer.BeginTransaction())
            {
                write(transaction);
                transaction.Commit();
            }

            Run("PRAGMA wal_checkpoint(TRUNCATE)");
        }
    }

    public void Dispose() => _writer.Dispose();

    private void Run(string pragma)
    {
        using var command = _writer.CreateCommand();
        command.CommandText = pragma;
        command.ExecuteNonQuery();
    }

    private SqliteConnection Connect()
    {
        var connection = new SqliteConnection(_connectionString);
        connection.Open();
        using var pragma = connection.CreateCommand();
        pragma.CommandText = "PRAGMA journal_mode=WAL; PRAGMA synchronous=FULL; PRAGMA busy_timeout=5000; PRAGMA secure_delete=ON";
        pragma.ExecuteNonQuery();
        return connection;
    }
}
