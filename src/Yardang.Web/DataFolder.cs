using System.Runtime.InteropServices;

namespace Yardang.Web;

/// <summary>The one folder that holds everything: two SQLite files, media, archives of deleted lessons, and the keys of the cookies. Only the program's own user can read it.</summary>
public sealed partial class DataFolder
{
    private const UnixFileMode Mine = UnixFileMode.UserRead | UnixFileMode.UserWrite;
    private const UnixFileMode MyFolder = Mine | UnixFileMode.UserExecute;
    private const uint NobodyElse = 0b000_111_111;

    private readonly string _path;

    /// <exception cref="IOException">Nothing can be written there; the message says so in a sentence.</exception>
    public DataFolder(IConfiguration configuration)
    {
        _path = Path.GetFullPath(configuration["Yardang:Data"] ?? "data");
        try
        {
            Directory.CreateDirectory(_path);
            Close();
            var probe = Path.Combine(_path, "probe");
            File.WriteAllBytes(probe, new byte[4_096]);
            File.Delete(probe);
        }
        catch (Exception e) when (e is IOException or UnauthorizedAccessException)
        {
            throw new IOException($"Yardang cannot write to its data folder {_path}: {e.Message} Give it a folder that it may write to (Yardang:Data), with room on its disk.", e);
        }
    }

    /// <summary>The log of all rooms.</summary>
    public string LogFile => Path.Combine(_path, "log.db");

    /// <summary>Everything else.</summary>
    public string SchoolFile => Path.Combine(_path, "school.db");

    /// <summary>Pictures.</summary>
    public string Media => Path.Combine(_path, "media");

    /// <summary>Files that have come in part.</summary>
    public string Uploads => Path.Combine(_path, "uploads");

    /// <summary>The archive of a deleted lesson, as long as it can be taken along.</summary>
    public string ArchiveOf(Guid lesson) => Path.Combine(_path, "archives", $"{lesson:N}.yardang.zip");

    /// <summary>The secret from which students' keys are made.</summary>
    public string ReentrySecret => Path.Combine(_path, "reentry.secret");

    /// <summary>The secret from which ids are made where names are hidden.</summary>
    public string VeilSecret => Path.Combine(_path, "veil.secret");

    /// <summary>The keys that protect cookies.</summary>
    public string Keys => Path.Combine(_path, "keys");

    /// <summary>From now on, whatever the program makes is for its own user alone.</summary>
    public static void KeepToOneself()
    {
        if (!OperatingSystem.IsWindows()) _ = Umask(NobodyElse);
    }

    // Also what an earlier version left open.
    private void Close()
    {
        if (OperatingSystem.IsWindows()) return;
        File.SetUnixFileMode(_path, MyFolder);
        foreach (var folder in Directory.EnumerateDirectories(_path, "*", SearchOption.AllDirectories)) File.SetUnixFileMode(folder, MyFolder);
        foreach (var file in Directory.EnumerateFiles(_path, "*", SearchOption.AllDirectories)) File.SetUnixFileMode(file, Mine);
    }

    [LibraryImport("libc", EntryPoint = "umask")]
    private static partial uint Umask(uint mask);
}
