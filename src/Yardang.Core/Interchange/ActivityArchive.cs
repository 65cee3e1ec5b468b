using System.IO.Compression;
using Yardang.Core.Activities;

namespace Yardang.Core.Interchange;

/// <summary>
/// An activity as a file, <c>.yardang.zip</c>: a zip with <c>activity.json</c>. Described in docs/archive.md. Other entries are left alone,
/// so that later versions can add to it.
/// </summary>
public static class ActivityArchive
{
    /// <summary>The entry that holds the activity.</summary>
    public const string ActivityEntry = "activity.json";

    /// <summary>Largest archive, and largest activity inside, bytes.</summary>
    public const int MaxBytes = 32 * 1024 * 1024;

    /// <summary>Writes an archive.</summary>
    public static byte[] Write(ActivityContent activity)
    {
        using var bytes = new MemoryStream();
        using (var zip = new ZipArchive(bytes, ZipArchiveMode.Create, leaveOpen: true))
        {
            using var entry = zip.CreateEntry(ActivityEntry).Open();
            entry.Write(ActivityJson.Write(activity));
        }

        return bytes.ToArray();
    }

    /// <summary>Reads an archive.</summary>
    /// <exception cref="FormatException">It is damaged, too large, newer than this program, or no archive; the message names the place.</exception>
    public static ActivityContent Read(byte[] bytes)
    {
        if (bytes.Length > MaxBytes) throw new FormatException("The file is larger than 32 MB.");
        try
        {
            using var zip = new ZipArchive(new MemoryStream(bytes), ZipArchiveMode.Read);
            var entry = zip.GetEntry(ActivityEntry) ?? throw new FormatException($"The file has no {ActivityEntry}.");
            if (entry.Length > MaxBytes) throw new FormatException($"{ActivityEntry} is larger than 32 MB.");
            using var stream = entry.Open();
            using var json = new MemoryStream();
            stream.CopyTo(json);
            return ActivityJson.Read(json.ToArray());
        }
        catch (InvalidDataException e)
        {
            throw new FormatException("The file is not a zip file, or it is damaged.", e);
        }
    }
}
