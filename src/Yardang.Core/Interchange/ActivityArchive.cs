using System.Collections.Immutable;
using System.IO.Compression;
using Yardang.Core.Activities;
using Yardang.Core.Marks;

namespace Yardang.Core.Interchange;

/// <summary>What an archive holds.</summary>
/// <param name="Activity">The activity.</param>
/// <param name="Media">Its pictures, films and sounds, by the names that it uses; not yet looked at.</param>
/// <param name="Work">The work of a lesson; null if the activity came alone.</param>
public sealed record ArchivedActivity(ActivityContent Activity, IReadOnlyDictionary<string, byte[]> Media, ArchivedWork? Work = null);

/// <summary>
/// An activity as a file, <c>.yardang.zip</c>: a zip with <c>activity.json</c> and its pictures, films and sounds under <c>media/</c>. Described in docs/archive.md. Other entries are left alone,
/// so that later versions can add to it.
/// </summary>
public static class ActivityArchive
{
    /// <summary>The entry that holds the activity.</summary>
    public const string ActivityEntry = "activity.json";

    /// <summary>The entry that holds the work of a lesson, if there is one.</summary>
    public const string WorkEntry = "work.json";

    /// <summary>Largest archive, and largest activity inside, bytes.</summary>
    public const int MaxBytes = 128 * 1024 * 1024;

    /// <summary>Where the pictures lie.</summary>
    public const string MediaFolder = "media/";

    /// <summary>Writes an archive with the pictures, films and sounds that the activity uses.</summary>
    public static byte[] Write(ActivityContent activity, Func<string, byte[]?> media, ArchivedWork? work = null)
    {
        using var bytes = new MemoryStream();
        using (var zip = new ZipArchive(bytes, ZipArchiveMode.Create, leaveOpen: true))
        {
            Add(zip, ActivityEntry, ActivityJson.Write(activity));
            if (work is not null) Add(zip, WorkEntry, ActivityJson.WriteWork(work));
            foreach (var name in MediaOf(activity).Concat(work?.Boards.SelectMany(b => MediaOf(b.Pages, b.Marks)) ?? []).Distinct(StringComparer.Ordinal))
            {
                if (media(name) is { } file) Add(zip, MediaFolder + name, file);
            }
        }

        return bytes.ToArray();
    }

    /// <summary>The names in the media store that an activity uses, each once.</summary>
    public static IEnumerable<string> MediaOf(ActivityContent activity) => MediaOf(activity.Pages, activity.Marks).Distinct(StringComparer.Ordinal);

    private static IEnumerable<string> MediaOf(ImmutableArray<Page> pages, ImmutableArray<Mark> marks) => marks.Select(m => m.Body).OfType<PictureBody>().Select(p => p.Media)
        .Concat(pages.Select(p => p.Paper.Media).OfType<string>())
        .Concat(pages.Select(p => p.Stimulus).OfType<Stimulus>().Where(s => s.Kind != StimulusKind.Link).Select(s => s.Source));

    /// <summary>Reads an archive.</summary>
    /// <exception cref="FormatException">It is damaged, too large, newer than this program, or no archive; the message names the place.</exception>
    public static ArchivedActivity Read(byte[] bytes)
    {
        if (bytes.Length > MaxBytes) throw new FormatException("The file is larger than 128 MB.");
        try
        {
            using var zip = new ZipArchive(new MemoryStream(bytes), ZipArchiveMode.Read);
            var entry = zip.GetEntry(ActivityEntry) ?? throw new FormatException($"The file has no {ActivityEntry}.");
            if (entry.Length > MaxBytes) throw new FormatException($"{ActivityEntry} is larger than 128 MB.");
            var media = zip.Entries.Where(e => e.FullName.StartsWith(MediaFolder, StringComparison.Ordinal) && e.Name.Length > 0).ToList();
            if (media.Sum(e => e.Length) > MaxBytes) throw new FormatException("The pictures, films and sounds are larger than 128 MB.");
            var work = zip.GetEntry(WorkEntry);
            if (work?.Length > MaxBytes) throw new FormatException($"{WorkEntry} is larger than 128 MB.");
            return new(ActivityJson.Read(Bytes(entry)), media.ToDictionary(e => e.Name, Bytes, StringComparer.Ordinal), work is null ? null : ActivityJson.ReadWork(Bytes(work)));
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
