namespace Yardang.Web.Access;

/// <summary>
/// How many newcomers one device and one address may bring into a lesson: a whole school that comes in within a minute goes through, and somebody who makes
/// people up is slowed down until their teacher has seen it (<see cref="Flood"/>).
/// </summary>
public sealed class JoinLimit(TimeProvider clock)
{
    /// <summary>How many people one shared device may be in a lesson.</summary>
    public const int OfDevice = 12;

    /// <summary>How many may come from one address at once.</summary>
    public const int OfAddress = 320;

    // One in two seconds after that; and nobody is kept waiting, for they would try again.
    private readonly Pace _pace = new(OfAddress, 0.5, 0, clock);

    /// <summary>Whether one more may come in.</summary>
    public bool LetsIn(HttpContext context, Guid lesson, int peopleOfDevice) =>
        peopleOfDevice < OfDevice && _pace.TakeTurn($"{lesson:N} {SourceAddress.Of(context)}") is not null;
}
