using System.Globalization;

namespace Yardang.Web.Demo;

/// <summary>A clock that always says the same, for pictures that come out the same: <c>Yardang:Clock</c>.</summary>
public sealed class FixedClock(DateTimeOffset now) : TimeProvider
{
    /// <inheritdoc/>
    public override DateTimeOffset GetUtcNow() => now;

    /// <summary>The clock that the configuration asks for; null if it asks for none.</summary>
    public static TimeProvider? From(IConfiguration configuration) =>
        configuration["Yardang:Clock"] is { Length: > 0 } text ? new FixedClock(DateTimeOffset.Parse(text, CultureInfo.InvariantCulture)) : null;
}
