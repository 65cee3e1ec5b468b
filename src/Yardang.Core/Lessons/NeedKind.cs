using Yardang.Core.Rooms;
using Yardang.Core.Wire;

namespace Yardang.Core.Lessons;

/// <summary>For what somebody is listed among those who need the teacher. The numbers are on the wire; they are listed in this order, but for what may be mischief, which stands before what is only seen.</summary>
public enum NeedKind
{
    /// <summary>They wait at the door.</summary>
    Door = 1,

    /// <summary>Their hand is up.</summary>
    Hand = 2,

    /// <summary>They say that they are stuck.</summary>
    Stuck = 3,

    /// <summary>They ask for a look.</summary>
    Ready = 4,

    /// <summary>Work of theirs waits for a decision.</summary>
    LateWork = 5,

    /// <summary>They say that they are unsure.</summary>
    Unsure = 6,

    /// <summary>They are back after a time without a network, or away.</summary>
    CameBack = 7,

    /// <summary>They have not started, while others have.</summary>
    NotStarted = 8,

    /// <summary>They have stopped, while others go on.</summary>
    Stopped = 9,

    /// <summary>They write and take away, and nothing comes of it.</summary>
    InCircles = 10,

    /// <summary>They look at another page than nearly everybody.</summary>
    OtherPage = 11,

    /// <summary>Their device is not there any more.</summary>
    Offline = 12,

    /// <summary>Several have told their teacher of things of theirs.</summary>
    ToldOf = 13,

    /// <summary>They took away or moved much of what others made, in a short time.</summary>
    ClearsAway = 14,

    /// <summary>They changed what many others wrote.</summary>
    Rewrites = 15,
}

/// <summary>What is listed by itself, and after how long. Zero: never.</summary>
/// <param name="NotStartedAfter">Seconds without a beginning.</param>
/// <param name="StoppedAfter">Seconds of silence, at least; who pauses for long and then goes on is given longer.</param>
/// <param name="InCirclesAfter">Seconds in which somebody writes and takes away.</param>
/// <param name="OtherPageAfter">Seconds on another page than nearly everybody.</param>
/// <param name="OfflineAfter">Seconds without the device; who comes back after that is listed, too.</param>
/// <param name="WithoutAlerts">Whether what may be mischief (<see cref="NeedKind.ToldOf"/> and after) is not listed.</param>
public sealed record NeedsSettings(int NotStartedAfter = 120, int StoppedAfter = 105, int InCirclesAfter = 90, int OtherPageAfter = 180, int OfflineAfter = 60, [Since(2)] bool WithoutAlerts = false)
{
    /// <summary>Most seconds of each.</summary>
    public const int Most = 3_600;

    /// <summary>As they are until a teacher says otherwise.</summary>
    public static readonly NeedsSettings Usual = new();

    /// <summary>Whether each is a time that there is.</summary>
    public bool AreSound() => new[] { NotStartedAfter, StoppedAfter, InCirclesAfter, OtherPageAfter, OfflineAfter }.All(s => s is 0 or (>= 15 and <= Most));
}

/// <summary>Staff: what is listed by itself, and after how long.</summary>
[Kind(85)]
public sealed record SetNeeds([Inline] NeedsSettings Settings) : Command;

/// <summary>What is listed by itself was set.</summary>
[Kind(118)]
public sealed record NeedsSet([Inline] NeedsSettings Settings) : RoomEvent;

/// <summary>Staff: this one need is seen to, or is put off.</summary>
/// <param name="Person">Whose.</param>
/// <param name="Need">Which.</param>
/// <param name="Minutes">For how long it is put off; 0: it is done, until it comes anew.</param>
[Kind(86)]
public sealed record AnswerNeed(int Person, NeedKind Need, int Minutes) : Command
{
    /// <summary>Most minutes for which something is put off.</summary>
    public const int Most = 60;
}

/// <summary>A need was seen to, or put off. Told to teachers.</summary>
[Kind(119)]
public sealed record NeedAnswered(int Person, NeedKind Need, int Minutes) : RoomEvent;

/// <summary>What became of a need.</summary>
/// <param name="Person">Whose.</param>
/// <param name="Kind">Which.</param>
/// <param name="At">When, server time in ms. What began before is answered.</param>
/// <param name="Until">Until when it is put off; null if it is done.</param>
public sealed record AnsweredNeed(int Person, NeedKind Kind, long At, [OrMinusOne] long? Until);

/// <summary>When a teacher last opened somebody's work.</summary>
public sealed record LastVisit(int Person, long At);
