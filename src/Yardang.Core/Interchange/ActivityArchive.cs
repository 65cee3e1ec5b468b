using System.IO.Compression;
using Yardang.Core.Activities;
using Yardang.Core.Marks;

namespace Yardang.Core.Interchange;

/// <summary>What an archive holds.</summary>
/// <param name="Activity">The activity.</param>
/// <param name="Pictures">Its pictures, by the names that its marks use; not yet looked at.</param>
public sealed record ArchivedActivity(ActivityContent Activity, IReadOnlyDictionary<string, byte[]> Pictures);

/// <summary>
/// An activity as a file, <c>.yardang.zip</c>: a zip with <c>activity.json</c> and its pictures under <c>media/</c>. Described in docs/archive.md. Other entries are left alone,
/// so that later versions can add to it.
/// </summary>
public static class ActivityArchive
{
    /// <summary>The entry that holds the activity.</summary>
    public const string ActivityEntry = "activity.json";

    /// <summary>Largest archive, and largest activity inside, bytes.</summary>
    public const int MaxBytes = 32 * 1024 * 1024;

    /// <summary>Where the pictures lie.</summary>
    public const string MediaFolder = "media/";

    /// <summary>Writes an archive with the pictures that the activity shows.</summary>
    public static byte[] Write(ActivityContent activity, Func<string, byte[]?> picture)
    {
        using var bytes = new MemoryStream();
        using (var zip = new ZipArchive(bytes, ZipArchiveMode.Create, leaveOpen: true))
        {
            Add(zip, ActivityEntry, ActivityJson.Write(activity));
            foreach (var name in activity.Marks.Select(m => m.Body).OfType<PictureBody>().Select(p => p.Media).Distinct(StringComparer.Ordinal))
            {
                if (picture(name) is { } shown) Add(zip, MediaFolder + name, shown);
            }
        }

        return bytes.ToArray();
    }

    /// <summary>Reads an archive.</summary>
    /// <exception cref="FormatException">It is damaged, too large, newer than this program, or no archive; the message names the place.</exception>
    public static ArchivedActivity Read(byte[] bytes)
    {
        if (bytes.Length > MaxBytes) throw new FormatException("The file is larger than 32 MB.");
        try
        {
            using var zip = new ZipArchive(new MemoryStream(bytes), ZipArchiveMode.Read);
            var entry = zip.GetEntry(ActivityEntry) ?? throw new FormatException($"The file has no {ActivityEntry}.");
            if (entry.Length > MaxBytes) throw new FormatException($"{ActivityEntry} is larger than 32 MB.");
            var pictures = zip.Entries.Where(e => e.FullName.StartsWith(MediaFolder, StringComparison.Ordinal) && e.Name.Length > 0).ToList();
            if (pictures.Sum(e => e.Length) > MaxBytes) throw new FormatException("The pictures are larger than 32 MB.");
            return new(ActivityJson.Read(Bytes(entry)), pictures.ToDictionary(e => e.Name, Bytes, StringComparer.Ordinal));
        }
        catch (InvalidDataException e)
        {
            throw new FormatException("The file is not a zip file, or it is damaged.", e);
        }
    }

    private static void Add(ZipArchive zip, string name, byte[] content)
    {
        using var entry = zip.CreateEntry(name).Open();
        entry.Write(content);
    }

    private static byte[] Bytes(ZipArchiveEntry entry)
    {
        using var stream = entry.Open();
        using var bytes = new MemoryStream();
        stream.CopyTo(bytes);
        return bytes.ToArray();
    }
}
