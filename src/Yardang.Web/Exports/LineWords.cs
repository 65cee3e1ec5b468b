using System.Globalization;
using Microsoft.Extensions.Localization;
using Yardang.Core.Walls;

namespace Yardang.Web.Exports;

/// <summary>What places on a line are called, as the interface does (Client/walls/line-measure.ts); days as tables have them.</summary>
public static class LineWords
{
    private const long DayTicks = TimeSpan.TicksPerDay;

    /// <summary>A place.</summary>
    public static string Called(LineSpot spot, IStringLocalizer<UiTexts> texts)
    {
        var whole = (int)Math.Round(spot.At, MidpointRounding.AwayFromZero);
        return spot.On switch
        {
            // Astronomers' year 0 is the year before the year 1.
            LineKind.Years => whole > 0 ? whole.ToString(CultureInfo.InvariantCulture) : texts["Wall.BeforeYearOne", 1 - whole],
            LineKind.Days => new DateTime(DateTime.UnixEpoch.Ticks + (whole * DayTicks), DateTimeKind.Utc).ToString("yyyy-MM-dd", CultureInfo.InvariantCulture),
            LineKind.Field => texts["Wall.AcrossUp", whole, (int)Math.Round(spot.Up, MidpointRounding.AwayFromZero)],
            LineKind.Ladder => texts["Wall.Rung", Math.Round(spot.At, 1)],
            _ => texts["Wall.OfHundred", whole],
        };
    }

    /// <summary>How far along the line a place is, from 0 to 1; what the line does not reach any more stands at its end.</summary>
    public static double ShareOf(LinePlan line, double at) => Math.Clamp((at - line.From) / (line.To - line.From), 0, 1);
}
