using System.Runtime.InteropServices;

namespace Yardang.Web;

/// <summary>The one folder that holds everything: two SQLite files, media, archives of deleted lessons, and the keys of the cookies. Only the program's own user can read it.</summary>
public sealed partial class DataFolder
{
    private const UnixFileMode Mine = UnixFileMode.UserRead | UnixFileMode.UserWrite;
    private const UnixFileMode MyFolder = Mine | UnixFileMode.UserExecute;
    private const uint NobodyElse = 0b000_111_111;

    private readonly string _path;

    /// <summary>The folder that the settings name, which the program is to work in.</summary>
    /// <exception cref="IOException">Nothing can be written there; the message says so in a sentence.</exception>
    public DataFolder(IConfiguration configuration)
        : this(PathIn(configuration))
    {
        try
        {
            Directory.CreateDirectory(_path);
            Close();
            var probe = System.IO.Path.Combine(_path, "probe");
            File.WriteAllBytes(probe, new byte[4_096]);
            File.Delete(probe);
        }
        catch (Exception e) when (e is IOException or UnauthorizedAccessException)
        {
            throw new IOException($"Yardang cannot write to its data folder {_path}: {e.Message} Give it a folder that it may write to (Yardang:Data), with room on its disk.", e);
        }
    }

    private DataFolder(string path) => _path = path;

    /// <summary>Where it is.</summary>
    public string Path => _path;

    /// <summary>The log of all rooms.</summary>
    public string LogFile => System.IO.Path.Combine(_path, "log.db");

    /// <summary>Everything else.</summary>
    public string SchoolFile => System.IO.Path.Combine(_path, "school.db");

    /// <summary>Pictures.</summary>
    public string Media => System.IO.Path.Combine(_path, "media");

    /// <summary>Files that have come in part.</summary>
    public string Uploads => System.IO.Path.Combine(_path, "uploads");

    /// <summary>The archive of a deleted lesson, as long as it can be taken along.</summary>
    public string ArchiveOf(Guid lesson) => System.IO.Path.Combine(Archives, $"{lesson:N}.yardang.zip");

    /// <summary>The secret from which students' keys are made.</summary>
    public string ReentrySecret => System.IO.Path.Combine(_path, "reentry.secret");

    /// <summary>The secret from which ids are made where names are hidden.</summary>
    public string VeilSecret => System.IO.Path.Combine(_path, "veil.secret");

    /// <summary>The keys that protect cookies.</summary>
    public string Keys => System.IO.Path.Combine(_path, "keys");

    /// <summary>Archives of deleted lessons.</summary>
    public string Archives => System.IO.Path.Combine(_path, "archives");

    /// <summary>A folder as it is, perhaps that of a server that is running: nothing in it is touched.</summary>
    public static DataFolder At(string path) => new(System.IO.Path.GetFullPath(path));

    /// <summary>Where the settings say that it is.</summary>
    public static string PathIn(IConfiguration configuration) => System.IO.Path.GetFullPath(configuration["Yardang:Data"] ?? "data");

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
        foreach (var folder in Directory.EnumerateDirectories(_path, "*", SearchOption.AllDirectories)) Set(folder, MyFolder);
        foreach (var file in Directory.EnumerateFiles(_path, "*", SearchOption.AllDirectories)) Set(file, Mine);
    }

    // An operator's command may come while the server is running, which deletes what it is done with.
    [System.Runtime.Versioning.UnsupportedOSPlatform("windows")]
    private static void Set(string path, UnixFileMode mode)
    {
        try
        {
            File.SetUnixFileMode(path, mode);
        }
        catch (Exception e) when (e is FileNotFoundException or DirectoryNotFoundException)
        {
            return;
        }
    }

    [LibraryImport("libc", EntryPoint = "umask")]
    private static partial uint Umask(uint mask);
}
