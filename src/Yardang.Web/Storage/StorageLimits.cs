using System.Globalization;

namespace Yardang.Web.Storage;

/// <summary>How many bytes of pictures, recordings and files are kept. A school sets them in megabytes: <c>Yardang:Storage:LessonMB</c>, <c>TeacherMB</c>, <c>SchoolMB</c>.</summary>
/// <param name="Lesson">Of one lesson, or of one activity.</param>
/// <param name="Teacher">Of all lessons and activities of a teacher.</param>
/// <param name="School">Of all.</param>
public sealed record StorageLimits(long Lesson, long Teacher, long School)
{
    /// <summary>From this part on it is said that it is nearly used up.</summary>
    public const double Near = 0.8;

    private const long Megabyte = 1024 * 1024;

    /// <summary>What the settings say.</summary>
    public static StorageLimits Of(IConfiguration settings)
    {
        var section = settings.GetSection("Yardang:Storage");
        return new(section.GetValue("LessonMB", 1_000L) * Megabyte, section.GetValue("TeacherMB", 5_000L) * Megabyte, section.GetValue("SchoolMB", 50_000L) * Megabyte);
    }
}

/// <summary>What has no room for more.</summary>
public enum StorageOf
{
    /// <summary>A lesson or an activity.</summary>
    Lesson,

    /// <summary>All that is a teacher's.</summary>
    Teacher,

    /// <summary>The school.</summary>
    School,
}

/// <summary>How much of what there is room for is used, bytes.</summary>
public readonly record struct StorageUse(long Used, long Most)
{
    /// <summary>From 0 to 1, and beyond.</summary>
    public double Share => Most == 0 ? 1 : (double)Used / Most;

    /// <summary>In whole percent, never more than it is.</summary>
    public string Percent(CultureInfo culture) => (Math.Floor(Share * 100) / 100).ToString("P0", culture);

    /// <summary>Whether it is nearly used up.</summary>
    public bool IsNear => Share >= StorageLimits.Near;
}
