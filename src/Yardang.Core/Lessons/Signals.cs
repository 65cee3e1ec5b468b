using Yardang.Core.Rooms;
using Yardang.Core.Wire;

namespace Yardang.Core.Lessons;

/// <summary>What a student tells the teacher without words.</summary>
public enum Signal
{
    /// <summary>A hand is up: I need you.</summary>
    HandUp = 1,

    /// <summary>Please look at what I have done.</summary>
    ReadyForALook = 2,
}

/// <summary>Why a hand is up, if its owner says so. The numbers are on the wire.</summary>
public enum HandReason
{
    /// <summary>Nothing is said.</summary>
    None = 0,

    /// <summary>I do not understand the task.</summary>
    Task = 1,

    /// <summary>I need material.</summary>
    Material = 2,

    /// <summary>Please check what I have.</summary>
    Check = 3,
}

/// <summary>How somebody says that it is going. The numbers are on the wire.</summary>
public enum Report
{
    /// <summary>Nothing is said.</summary>
    None = 0,

    /// <summary>I can go on.</summary>
    GoesOn = 1,

    /// <summary>I am unsure.</summary>
    Unsure = 2,

    /// <summary>I am stuck.</summary>
    Stuck = 3,
}

/// <summary>Raise or lower a signal: a student their own, staff anybody's. A hand that is up keeps its place when its reason changes.</summary>
/// <param name="Person">Whose.</param>
/// <param name="Signal">Which.</param>
/// <param name="On">Whether it is raised.</param>
/// <param name="Reason">Of a hand: why.</param>
/// <param name="Words">Of a hand: why, in own words of at most <see cref="WordsLength"/> letters; may be empty.</param>
[Kind(21)]
public sealed record GiveSignal(int Person, Signal Signal, bool On, [Since(2)] HandReason Reason = HandReason.None, [Since(2)] string Words = "") : Command
{
    /// <summary>Most letters of a reason in own words.</summary>
    public const int WordsLength = 80;
}

/// <summary>A signal was raised or lowered.</summary>
[Kind(33)]
public sealed record SignalGiven(int Person, Signal Signal, bool On, [Since(2)] HandReason Reason = HandReason.None, [Since(2)] string Words = "") : RoomEvent
{
    /// <inheritdoc/>
    public override bool Names(int person) => person == Person;
}

/// <summary>Staff: all hands come down.</summary>
[Kind(81)]
public sealed record LowerHands : Command;

/// <summary>All hands are down.</summary>
[Kind(114)]
public sealed record HandsLowered : RoomEvent;

/// <summary>A student: how it is going, or nothing any more.</summary>
[Kind(82)]
public sealed record GiveReport(Report Report) : Command;

/// <summary>Somebody said how it is going.</summary>
[Kind(115)]
public sealed record ReportGiven(int Person, Report Report) : RoomEvent
{
    /// <inheritdoc/>
    public override bool Names(int person) => person == Person;
}

/// <summary>Staff: ask everybody how it is going, or end that. What was said before is forgotten.</summary>
[Kind(83)]
public sealed record AskCheckIn(bool On) : Command;

/// <summary>Everybody is asked, or no longer.</summary>
[Kind(116)]
public sealed record CheckInAsked(bool On) : RoomEvent;

/// <summary>Staff: I have opened somebody's work. What they waited for is done: hand, look, and that they are stuck or unsure.</summary>
[Kind(84)]
public sealed record VisitWork(int Person) : Command;

/// <summary>A teacher has opened somebody's work.</summary>
[Kind(117)]
public sealed record WorkVisited(int Person) : RoomEvent
{
    /// <inheritdoc/>
    public override bool Names(int person) => person == Person;
}
