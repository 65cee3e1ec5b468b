using System.Text.Json;
using Yardang.Core.Activities;

namespace Yardang.Core.Interchange;

/// <summary>The work of a lesson as JSON: <c>work.json</c> of an archive. Described in docs/archive.md.</summary>
public static class WorkJson
{
    // What lies beside an activity has a number of its own.
    private const int FormatVersion = 2;

    // Boards alone are written as they always were.
    private const int OfBoards = 1;

    private sealed record WorkFile(int Format, ArchivedWork Work);

    /// <summary>The work of a lesson as UTF-8 JSON.</summary>
    public static byte[] Write(ArchivedWork work) => JsonSerializer.SerializeToUtf8Bytes(new WorkFile(work.Boards.Any(b => b.Wall is not null || b.Part is not null || b.Said is not null || b.Results is not null) ? FormatVersion : OfBoards, work), ActivityJson.Options);

    /// <summary>Reads what <see cref="Write"/> wrote.</summary>
    /// <exception cref="FormatException">It is damaged or newer than this program; the message names the place.</exception>
    public static ArchivedWork Read(ReadOnlySpan<byte> json)
    {
        try
        {
            var file = JsonSerializer.Deserialize<WorkFile>(json, ActivityJson.Options) ?? throw new FormatException("The work is empty.");
            if (file.Format > FormatVersion) throw new FormatException($"The work has format {file.Format}; this program reads up to {FormatVersion}.");
            return file.Work;
        }
        catch (Exception e) when (e is JsonException or NotSupportedException or InvalidOperationException)
        {
            throw new FormatException($"The work cannot be read at {(e as JsonException)?.Path ?? "its start"}.", e);
        }
    }
}
