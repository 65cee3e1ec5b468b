namespace Yardang.Core.Lessons;

/// <summary>Times as a school's clock shows them, and the moments they mean.</summary>
public static class WallTime
{
    /// <summary>
    /// The moment at which a clock on the wall shows a time. Where the clock is put forward over it, the time as much later as the clock is put
    /// forward; where it is put back and shows the time twice, the first.
    /// </summary>
    /// <param name="wall">What the clock shows.</param>
    /// <param name="zone">Where it hangs.</param>
    public static DateTimeOffset Moment(DateTime wall, TimeZoneInfo zone)
    {
        var shown = DateTime.SpecifyKind(wall, DateTimeKind.Unspecified);
        var offset = zone.IsAmbiguousTime(shown) ? zone.GetAmbiguousTimeOffsets(shown).Max()
            : zone.IsInvalidTime(shown) ? zone.GetUtcOffset(shown.AddDays(-1))
            : zone.GetUtcOffset(shown);
        return new DateTimeOffset(shown, offset).ToUniversalTime();
    }
}
