using System.Globalization;
using Microsoft.Extensions.Localization;
using Yardang.Core.Lessons;

namespace Yardang.Web;

/// <summary>The clock on the school's wall. Its time zone is <c>Yardang:TimeZone</c> (such as <c>Europe/Madrid</c>), else that of the machine.</summary>
public sealed class SchoolClock(IConfiguration configuration, TimeProvider clock, IStringLocalizer<UiTexts> texts)
{
    private const string FieldFormat = "yyyy-MM-dd'T'HH:mm";

    /// <summary>Where it hangs.</summary>
    public TimeZoneInfo Zone { get; } = configuration["Yardang:TimeZone"] is { Length: > 0 } id ? TimeZoneInfo.FindSystemTimeZoneById(id) : clock.LocalTimeZone;

    /// <summary>A moment in words: the day, the year only if it is another, and the time.</summary>
    public string Show(DateTimeOffset moment)
    {
        var wall = TimeZoneInfo.ConvertTime(moment, Zone);
        var format = wall.Year == TimeZoneInfo.ConvertTime(clock.GetUtcNow(), Zone).Year ? "Time.ThisYear" : "Time.OtherYear";
        return wall.ToString(texts[format], CultureInfo.CurrentCulture);
    }

    /// <summary>The day alone.</summary>
    public string Day(DateTimeOffset moment) => TimeZoneInfo.ConvertTime(moment, Zone).ToString(texts["Time.Day"], CultureInfo.CurrentCulture);

    /// <summary>The moment in words for a time of a room, in ms since 1970-01-01 UTC.</summary>
    public string Show(long ms) => Show(DateTimeOffset.FromUnixTimeMilliseconds(ms));

    /// <summary>The moment to the minute, in the order in which a table sorts it.</summary>
    public string Minute(long ms) => TimeZoneInfo.ConvertTime(DateTimeOffset.FromUnixTimeMilliseconds(ms), Zone).ToString("yyyy-MM-dd HH:mm", CultureInfo.InvariantCulture);

    /// <summary>The same to the second.</summary>
    public string Second(long ms) => TimeZoneInfo.ConvertTime(DateTimeOffset.FromUnixTimeMilliseconds(ms), Zone).ToString("yyyy-MM-dd HH:mm:ss", CultureInfo.InvariantCulture);

    /// <summary>A moment as a browser's field for day and time takes it.</summary>
    public string Field(long? ms) =>
        ms is { } given ? TimeZoneInfo.ConvertTime(DateTimeOffset.FromUnixTimeMilliseconds(given), Zone).ToString(FieldFormat, CultureInfo.InvariantCulture) : "";

    /// <summary>The moment that such a field means, in ms; null if it is empty or says nothing.</summary>
    public long? Read(string? field) =>
        DateTime.TryParseExact(field, [FieldFormat, "yyyy-MM-dd'T'HH:mm:ss"], CultureInfo.InvariantCulture, DateTimeStyles.None, out var wall) && wall.Year is > 1970 and < 3000
            ? WallTime.Moment(wall, Zone).ToUnixTimeMilliseconds()
            : null;
}
