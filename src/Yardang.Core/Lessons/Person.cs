using Yardang.Core.Wire;

namespace Yardang.Core.Lessons;

/// <summary>How a person stands to a lesson. The numbers are on the wire.</summary>
public enum Standing
{
    /// <summary>In: they work.</summary>
    In = 0,

    /// <summary>They have asked to come in, and wait at the door.</summary>
    Waiting = 1,

    /// <summary>They were not let in.</summary>
    TurnedAway = 2,

    /// <summary>They were in, and the teacher has removed them.</summary>
    Removed = 3,

    /// <summary>They are on the class list and have not come yet.</summary>
    Expected = 4,
}

/// <summary>A participant as the lesson knows them: a number and what they signal.</summary>
/// <param name="Number">The actor number.</param>
/// <param name="JoinedAt">When they came or asked, server time in ms; 0 as long as they are expected.</param>
/// <param name="HandUpAt">Since when the hand is up, server time in ms; null if it is down.</param>
/// <param name="ReadyAt">Since when they are ready for a look; null if not.</param>
/// <param name="Standing">Whether they are in.</param>
/// <param name="HandedInAt">When their work was handed in, server time in ms; null if it is not.</param>
/// <param name="IsListed">Whether they are on the class list of the lesson.</param>
/// <param name="Reason">Why the hand is up, if they say so.</param>
/// <param name="Words">The same in own words; may be empty.</param>
/// <param name="Report">How they say that it is going.</param>
/// <param name="ReportAt">Since when, server time in ms; null while they say nothing.</param>
/// <param name="PensDownUntil">Until when their own pens are down, server time in ms; <see cref="HoldPens.UntilSaid"/>: until a teacher says otherwise; null: they are not.</param>
/// <param name="HeldWhy">Why, in the teacher's words; may be empty.</param>
public sealed record Person(int Number, long JoinedAt, [OrMinusOne] long? HandUpAt = null, [OrMinusOne] long? ReadyAt = null, Standing Standing = Standing.In, [OrMinusOne] long? HandedInAt = null, bool IsListed = false, HandReason Reason = HandReason.None, string Words = "", Report Report = Report.None, [OrMinusOne] long? ReportAt = null, [OrMinusOne] long? PensDownUntil = null, string HeldWhy = "")
{
    /// <summary>The same with nothing left that they waited for: no hand, no look, neither stuck nor unsure.</summary>
    public Person SeenTo() => this with { HandUpAt = null, Reason = HandReason.None, Words = "", ReadyAt = null, Report = Report == Report.GoesOn ? Report : Report.None, ReportAt = Report == Report.GoesOn ? ReportAt : null };

    /// <summary>The same with a signal raised or lowered. A hand that is up keeps its place.</summary>
    internal Person Signalling(SignalGiven given, long time) => given switch
    {
        { Signal: Signal.ReadyForALook } => this with { ReadyAt = given.On ? time : null },
        { On: true } => this with { HandUpAt = HandUpAt ?? time, Reason = given.Reason, Words = given.Words },
        _ => this with { HandUpAt = null, Reason = HandReason.None, Words = "" },
    };

    /// <summary>Whether their own pen is down.</summary>
    /// <param name="time">Server time, ms.</param>
    public bool IsHeld(long time) => PensDownUntil is { } until && (until == HoldPens.UntilSaid || until > time);

    /// <summary>Whether they belong to the class of this lesson: in, or still to come.</summary>
    public bool Belongs => Standing is Standing.In or Standing.Expected;
}
