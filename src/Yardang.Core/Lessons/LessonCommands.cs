using Yardang.Core.Rooms;

namespace Yardang.Core.Lessons;

/// <summary>Whether newcomers walk in.</summary>
public enum Door
{
    /// <summary>Whoever has the code walks in.</summary>
    Open = 0,

    /// <summary>Newcomers are turned away; those who are in come and go.</summary>
    Closed = 2,
}

/// <summary>What a student tells the teacher without words.</summary>
public enum Signal
{
    /// <summary>A hand is up: I need you.</summary>
    HandUp = 1,

    /// <summary>Please look at what I have done.</summary>
    ReadyForALook = 2,
}

/// <summary>The program: hand out the activity.</summary>
public sealed record OpenLesson : Command;

/// <summary>The program: somebody joins. The lesson gives them a number; the side tables know the name.</summary>
public sealed record Join : Command;

/// <summary>Staff: set the door.</summary>
public sealed record SetDoor(Door Door) : Command;

/// <summary>Raise or lower a signal: a student their own, staff anybody's.</summary>
public sealed record GiveSignal(int Person, Signal Signal, bool On) : Command;

/// <summary>Staff: pens down, or up again.</summary>
public sealed record SetPens(bool Down) : Command;

/// <summary>The program: every board's writer has taken note of the pens.</summary>
public sealed record ConfirmPens(bool Down, int Boards) : Command;

/// <summary>Staff: end the lesson. The boards stay readable, the code stays.</summary>
public sealed record CloseLesson : Command;

/// <summary>Staff: go on with a closed lesson.</summary>
public sealed record ReopenLesson : Command;

/// <summary>The lesson began.</summary>
public sealed record LessonOpened : RoomEvent;

/// <summary>Somebody joined.</summary>
public sealed record PersonJoined(int Person) : RoomEvent;

/// <summary>The door was set.</summary>
public sealed record DoorSet(Door Door) : RoomEvent;

/// <summary>A signal was raised or lowered.</summary>
public sealed record SignalGiven(int Person, Signal Signal, bool On) : RoomEvent;

/// <summary>The pens are to be down, or up.</summary>
public sealed record PensSet(bool Down) : RoomEvent;

/// <summary>They are, on so many boards.</summary>
public sealed record PensConfirmed(bool Down, int Boards) : RoomEvent;

/// <summary>The lesson ended.</summary>
public sealed record LessonClosed : RoomEvent;

/// <summary>The lesson goes on.</summary>
public sealed record LessonReopened : RoomEvent;
