using System.Collections.Immutable;
using System.IO.Compression;
using Yardang.Core.Activities;
using Yardang.Core.Editing;
using Yardang.Core.Marks;
using Yardang.Core.Pages;

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

    /// <summary>The most entries of an archive.</summary>
    public const int MostEntries = 10_000;

    // How each entry of a zip file's directory begins (APPNOTE.TXT, 4.3.12).
    private static readonly byte[] s_directoryEntry = [0x50, 0x4b, 0x01, 0x02];

    /// <summary>Where the pictures lie.</summary>
    public const string MediaFolder = "media/";

    /// <summary>Writes an archive with the pictures, films and sounds that the activity uses.</summary>
    public static byte[] Write(ActivityContent activity, Func<string, byte[]?> media, ArchivedWork? work = null)
    {
        using var bytes = new MemoryStream();
        using (var zip = new ZipArchive(bytes, ZipArchiveMode.Create, leaveOpen: true))
        {
            Add(zip, ActivityEntry, ActivityJson.Write(activity));
            if (work is not null) Add(zip, WorkEntry, WorkJson.Write(work));
            foreach (var name in MediaOf(activity).Concat(work?.Boards.SelectMany(MediaOf) ?? []).Distinct(StringComparer.Ordinal))
            {
                if (media(name) is { } file) Add(zip, MediaFolder + name, file);
            }
        }

        return bytes.ToArray();
    }

    /// <summary>The names in the media store that an activity uses, each once.</summary>
    public static IEnumerable<string> MediaOf(ActivityContent activity) =>
        MediaOf(activity.Pages, activity.Marks).Concat(activity.Steps.SelectMany(p => p.Wall?.MediaNames() ?? [])).Distinct(StringComparer.Ordinal);

    private static IEnumerable<string> MediaOf(ArchivedBoard board) =>
        board.Wall is { } wall ? wall.Plan.MediaNames().Concat(wall.Cards.SelectMany(c => c.MediaNames())) : MediaOf(board.Pages, board.Marks).Concat((board.Said ?? []).SelectMany(t => t.Answers).SelectMany(a => a.MediaNames()));

    private static IEnumerable<string> MediaOf(ImmutableArray<Page> pages, ImmutableArray<Mark> marks) => marks.SelectMany(m => m.Body.MediaNames())
        .Concat(pages.Select(p => p.Paper.Media).OfType<string>())
        .Concat(pages.Select(p => p.Stimulus).OfType<Stimulus>().Where(s => s.Kind != StimulusKind.Link).Select(s => s.Source));

    /// <summary>Reads an archive.</summary>
    /// <exception cref="FormatException">It is damaged, too large, newer than this program, or no archive; the message names the place.</exception>
    public static ArchivedActivity Read(byte[] bytes)
    {
        if (bytes.Length > MaxBytes) throw new FormatException("The file is larger than 128 MB.");
        try
        {
            // Before the directory is read, which takes memory for each entry.
            if (bytes.AsSpan().Count(s_directoryEntry) > MostEntries) throw new FormatException($"The file has more than {MostEntries} entries.");
            using var zip = new ZipArchive(new MemoryStream(bytes), ZipArchiveMode.Read);
            var entry = zip.GetEntry(ActivityEntry) ?? throw new FormatException($"The file has no {ActivityEntry}.");
            var media = zip.Entries.Where(e => e.FullName.StartsWith(MediaFolder, StringComparison.Ordinal) && e.Name.Length > 0).ToList();
            if (media.Select(e => e.Name).Distinct(StringComparer.Ordinal).Count() < media.Count) throw new FormatException("Two of the pictures, films and sounds have the same name.");
            var activity = ActivityJson.Read(Bytes(entry, MaxBytes, ActivityEntry));
            if (ContentRules.FaultIn(activity) is { } fault) throw new FormatException(fault.Sentence);
            var work = zip.GetEntry(WorkEntry) is { } file ? WorkJson.Read(Bytes(file, MaxBytes, WorkEntry)) : null;
            if (work is not null && WorkRules.FaultIn(work) is { } wrong) throw new FormatException(wrong.Sentence);
            if (work is not null && work.Boards.Any(b => activity.Find(b.OfPart)?.Kind is not { } kind || b.Wall is null != (kind == PartKind.Pages))) throw new FormatException("The work is not of this activity: a part is of boards in one, of walls in the other, or is not there.");
            return new(activity, Files(media), work);
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

    private static Dictionary<string, byte[]> Files(IEnumerable<ZipArchiveEntry> media)
    {
        var files = new Dictionary<string, byte[]>(StringComparer.Ordinal);
        var room = MaxBytes;
        foreach (var entry in media)
        {
            var bytes = Bytes(entry, room, "What is shown and played");
            room -= bytes.Length;
            files[entry.Name] = bytes;
        }

        return files;
    }

    // What an entry says of its length need not be so.
    private static byte[] Bytes(ZipArchiveEntry entry, int most, string what)
    {
        using var stream = entry.Open();
        using var bytes = new MemoryStream();
        var piece = new byte[64 * 1024];
        for (var read = stream.Read(piece); read > 0; read = stream.Read(piece))
        {
            if (bytes.Length + read > most) throw new FormatException($"{what} is larger than 128 MB.");
            bytes.Write(piece, 0, read);
        }

        return bytes.ToArray();
    }
}
