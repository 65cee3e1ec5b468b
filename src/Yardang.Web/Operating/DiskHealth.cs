using Microsoft.Data.Sqlite;

namespace Yardang.Web.Operating;

/// <summary>Whether the last write to the disk went well, so that pages can say it when it did not.</summary>
public sealed class DiskHealth
{
    // https://www.sqlite.org/rescode.html
    private const int ReadOnly = 8;
    private const int Full = 13;

    private volatile string? _fault;

    /// <summary>The text that says what is wrong; null if nothing is.</summary>
    public string? Fault => _fault;

    /// <summary>Something was written, or was not for a reason.</summary>
    public void Wrote(Exception? why) => _fault = why switch
    {
        null => null,
        SqliteException { SqliteErrorCode: Full } => "Disk.Full",
        SqliteException { SqliteErrorCode: ReadOnly } => "Disk.ReadOnly",
        _ => _fault,
    };
}
