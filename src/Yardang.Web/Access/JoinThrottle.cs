namespace Yardang.Web.Access;

/// <summary>
/// Slows down guessing of codes. Of one address 300 wrong ones are answered at once, enough for a whole school behind it to mistype; after that one in
/// a tenth of a second, and whoever tries meanwhile waits for their turn, some seconds at most. A right code takes no turn away. Devices that were let in
/// before have turns of their own, so that strangers at the same address do not hold them up; anybody can become one of them, so they have no more. At that pace one
/// address tries 1.7 million of 1.1 × 10^11 codes a day: of a school's 50 open lessons it finds one on fewer than one day in a thousand.
/// </summary>
public sealed class JoinThrottle(TimeProvider clock)
{
    /// <summary>How many wrong codes of those of an address who were let in before, and of the others, are answered at once.</summary>
    public const int AtOnce = 300;

    /// <summary>How many a second after that.</summary>
    public const double PerSecond = 10;

    // Twenty seconds for the last of them.
    private const int MostWaiting = 200;

    // A password is shorter than a code, and who guesses at it knows the code.
    private const int TurnsOfPassword = 10;

    private readonly Pace _pace = new(AtOnce, PerSecond, MostWaiting, clock);

    /// <summary>Before a code is looked up: waits for a turn. False if too many wait already.</summary>
    public Task<bool> EnterAsync(HttpContext context) => _pace.EnterAsync(SourceOf(context), context.RequestAborted);

    /// <summary>The code was right.</summary>
    public void WasRight(HttpContext context) => _pace.GiveBack(SourceOf(context));

    /// <summary>The password of a lesson was wrong.</summary>
    public void WrongPassword(HttpContext context) => _pace.TakeTurn(SourceOf(context), TurnsOfPassword);

    private static string SourceOf(HttpContext context) => (Visitor.Of(context).Participants.Count > 0 ? "let in " : "") + SourceAddress.Of(context);
}
