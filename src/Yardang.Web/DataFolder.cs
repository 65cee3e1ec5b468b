namespace Yardang.Web;

/// <summary>The one folder that holds everything: two SQLite files, media, and the keys of the cookies.</summary>
public sealed class DataFolder
{
    private readonly string _path;

    public DataFolder(IConfiguration configuration)
    {
        _path = Path.GetFullPath(configuration["Yardang:Data"] ?? "data");
        Directory.CreateDirectory(_path);
    }

    /// <summary>The log of all rooms.</summary>
    public string LogFile => Path.Combine(_path, "log.db");

    /// <summary>Everything else.</summary>
    public string SchoolFile => Path.Combine(_path, "school.db");

    /// <summary>Pictures.</summary>
    public string Media => Path.Combine(_path, "media");

    /// <summary>The secret from which students' keys are made.</summary>
    public string ReentrySecret => Path.Combine(_path, "reentry.secret");

    /// <summary>The keys that protect cookies.</summary>
    public string Keys => Path.Combine(_path, "keys");
}
