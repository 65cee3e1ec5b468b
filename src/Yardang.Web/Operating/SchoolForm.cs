using Microsoft.Data.Sqlite;
using Microsoft.EntityFrameworkCore;
using Yardang.Data.School;

namespace Yardang.Web.Operating;

/// <summary>The form of the school's file: which changes (migrations) it has seen.</summary>
public static class SchoolForm
{
    /// <summary>The last change that a file has seen; empty if none.</summary>
    public static string LastOf(string file)
    {
        using var connection = new SqliteConnection(new SqliteConnectionStringBuilder { DataSource = file, Pooling = false }.ToString());
        connection.Open();
        using var command = connection.CreateCommand();
        command.CommandText = "SELECT MAX(MigrationId) FROM __EFMigrationsHistory";
        return command.ExecuteScalar() as string ?? "";
    }

    /// <summary>Whether this program knows a change.</summary>
    public static bool Knows(string change)
    {
        using var db = new SchoolContext(new DbContextOptionsBuilder<SchoolContext>().UseSqlite("Data Source=:memory:").Options);
        return change.Length == 0 || db.Database.GetMigrations().Contains(change, StringComparer.Ordinal);
    }
}
