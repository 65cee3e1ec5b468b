using Yardang.Core.Wire;

namespace Yardang.Core.Rooms;

/// <summary>Who is ever sent an event. What is not meant for somebody never leaves the server.</summary>
public enum Audience
{
    /// <summary>All who are in the room.</summary>
    Everyone = 0,

    /// <summary>Teachers only.</summary>
    Staff = 1,

    /// <summary>The actor of the event, and teachers.</summary>
    AuthorAndStaff = 2,

    /// <summary>Those whom the event names, and teachers.</summary>
    NamedAndStaff = 3,
}

/// <summary>Something that a client asks of a room. Closed sets: see <c>MarkCommands</c>, <c>LessonCommands</c>, <c>WallCommands</c>.</summary>
[Family]
public abstract record Command;

/// <summary>Something that happened in a room. Closed sets, beside the commands.</summary>
[Family]
public abstract record RoomEvent
{
    /// <summary>Whether it is about this person, by actor number: for <see cref="Audience.NamedAndStaff"/>.</summary>
    public virtual bool Names(int person) => false;

    /// <summary>Whether a teacher takes something from others' sight with it: who was away meanwhile is given the room as it is then, not what led there.</summary>
    public virtual bool Withdraws => false;

    /// <summary>The same as a student is told it who is sent it: of others it may say more than they are to know.</summary>
    public virtual RoomEvent AsTold(int person) => this;
}

/// <summary>An event with all that is said of it in the log and on the wire.</summary>
/// <param name="Number">Position in the room's log, from 1, without gaps.</param>
/// <param name="Time">The server's clock, ms since 1970-01-01 UTC.</param>
/// <param name="Actor">Who did it.</param>
/// <param name="Client">Client number of the tab, 0 for the program.</param>
/// <param name="Counter">The client's count of its commands, 0 for the program.</param>
/// <param name="Gesture">What it was part of; the unit of undo. 0 if it cannot be undone.</param>
/// <param name="Audience">Who is sent it.</param>
/// <param name="Event">What happened.</param>
public sealed record Envelope(
    long Number, long Time, Actor Actor, int Client, int Counter, long Gesture, Audience Audience, RoomEvent Event);

/// <summary>A command on its way into a room.</summary>
/// <param name="Client">Client number that the room handed out to this tab; 0 for commands of the program.</param>
/// <param name="Counter">The client's count, from 1, rising.</param>
/// <param name="After">The counter of the client's command before this one that still counts; 0 if none. A gap is seen by it.</param>
/// <param name="Gesture">What it is part of, an id of the same client; 0 if it cannot be undone.</param>
/// <param name="Command">What is asked.</param>
public sealed record Submission(int Client, int Counter, int After, long Gesture, Command Command)
{
    /// <summary>A command of the program.</summary>
    public static Submission ByProgram(Command command) => new(0, 0, 0, 0, command);
}

/// <summary>What a room says to a submission.</summary>
public abstract record Decision
{
    /// <summary>It becomes this event.</summary>
    public sealed record Accepted(RoomEvent Event, Audience Audience = Audience.Everyone) : Decision;

    /// <summary>It changes nothing.</summary>
    /// <param name="Reason">Why.</param>
    /// <param name="Number">With <see cref="Refusal.Resend"/>: the counter after which to resend.</param>
    public sealed record Refused(Refusal Reason, int Number = 0) : Decision;

    /// <summary>It is in the log already: this is a retry.</summary>
    public sealed record Known : Decision;

    /// <summary>Acceptance for everyone in the room.</summary>
    public static implicit operator Decision(RoomEvent happened) => new Accepted(happened);

    /// <summary>Refusal with a reason.</summary>
    public static implicit operator Decision(Refusal reason) => new Refused(reason);
}
