using System.Globalization;
using System.Security.Cryptography;
using Microsoft.Data.Sqlite;

namespace Yardang.Data.Log;

/// <summary>
/// Which log this is: a number in the log's file that changes when a backup is put in its place. Pages that were open then know events that are in no log any
/// more; they are told another number when they connect again, and begin anew.
/// </summary>
/// <param name="Number">From 0, which is a log that never was restored.</param>
public sealed record LogIdentity(int Number)
{
    /// <summary>That of a log.</summary>
    public static LogIdentity Of(string file)
    {
        using var log = Open(file);
        using var read = log.CreateCommand();
        read.CommandText = "PRAGMA user_version";
        return new(Convert.ToInt32(read.ExecuteScalar(), CultureInfo.InvariantCulture));
    }

    /// <summary>Gives a log that nobody has open another number.</summary>
    public static void Renew(string file)
    {
        using var log = Open(file);
        using var write = log.CreateCommand();
        write.CommandText = string.Create(CultureInfo.InvariantCulture, $"PRAGMA user_version = {RandomNumberGenerator.GetInt32(1, int.MaxValue)}");
        write.ExecuteNonQuery();
    }

    private static SqliteConnection Open(string file)
    {
        var log = new SqliteConnection(new SqliteConnectionStringBuilder { DataSource = file, Pooling = false }.ToString());
        log.Open();
        return log;
    }
}
