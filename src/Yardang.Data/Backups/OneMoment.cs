using Microsoft.Data.Sqlite;

namespace Yardang.Data.Backups;

/// <summary>
/// Copies SQLite files as they are at one moment, while others write to them. For that moment writers wait: all files are held, a reader of each is begun,
/// and they are let go again, a few milliseconds later. What the readers see from then on does not change however long copying takes
/// (<see href="https://www.sqlite.org/isolation.html"/>).
/// </summary>
public static class OneMoment
{
    /// <summary>How long a writer that is busy is waited for, seconds.</summary>
    private const int Patience = 30;

    /// <summary>Copies files.</summary>
    /// <param name="files">From where to where. Nobody may hold them in another order while writing to more than one.</param>
    /// <exception cref="SqliteException">One cannot be read or written, or was busy for too long.</exception>
    public static void Copy(IReadOnlyList<(string From, string To)> files)
    {
        List<SqliteConnection> readers = [];
        try
        {
            List<SqliteConnection> holders = [];
            try
            {
                foreach (var (from, _) in files) holders.Add(Begin(from, "BEGIN IMMEDIATE"));

                // A reader's view begins with what it first reads.
                foreach (var (from, _) in files) readers.Add(Begin(from, "BEGIN; SELECT COUNT(*) FROM sqlite_schema"));
            }
            finally
            {
                foreach (var holder in holders) holder.Dispose();
            }

            foreach (var ((_, to), reader) in files.Zip(readers))
            {
                using var copy = new SqliteConnection(new SqliteConnectionStringBuilder { DataSource = to, Pooling = false }.ToString());
                copy.Open();
                reader.BackupDatabase(copy);
            }
        }
        finally
        {
            foreach (var reader in readers) reader.Dispose();
        }
    }

    /// <summary>Whether a file is a database that is whole.</summary>
    public static bool IsWhole(string file)
    {
        try
        {
            using var connection = Open(file);
            using var check = connection.CreateCommand();
            check.CommandText = "PRAGMA quick_check(1)";
            return check.ExecuteScalar() is "ok";
        }
        catch (SqliteException)
        {
            return false;
        }
    }

    private static SqliteConnection Begin(string file, string how)
    {
        var connection = Open(file);
        try
        {
            using var begin = connection.CreateCommand();
            begin.CommandText = how;
            begin.ExecuteNonQuery();
            return connection;
        }
        catch
        {
            connection.Dispose();
            throw;
        }
    }

    // Not made if it is not there: an empty copy would look like a school in which nothing happened.
    private static SqliteConnection Open(string file)
    {
        var connection = new SqliteConnection(new SqliteConnectionStringBuilder { DataSource = file, Mode = SqliteOpenMode.ReadWrite, Pooling = false, DefaultTimeout = Patience }.ToString());
        connection.Open();
        return connection;
    }
}
