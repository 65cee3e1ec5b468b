using System.Collections.Immutable;
using Yardang.Core.Moderation;
using Yardang.Core.Rooms;
using Yardang.Core.Wire;

namespace Yardang.Core.Lessons;

/// <summary>Whether newcomers walk in.</summary>
public enum Door
{
    /// <summary>Whoever has the code walks in.</summary>
    Open = 0,

    /// <summary>Newcomers wait until the teacher lets them in.</summary>
    Ask = 1,

    /// <summary>Newcomers are turned away; those who are in come and go.</summary>
    Closed = 2,
}

/// <summary>The program: hand out the activity.</summary>
public sealed record OpenLesson : Command;

/// <summary>The program: so many people of a class list are expected. The lesson gives them numbers; the side tables know who they are.</summary>
public sealed record ExpectPeople(int Count) : Command;

/// <summary>The program says that somebody's name was corrected.</summary>
public sealed record NoteNames : Command;

/// <summary>
/// The program: somebody comes to the door. Null for a newcomer, whom the lesson gives a number; the side tables know the name. Those who were
/// turned away or removed may ask again.
/// </summary>
/// <param name="Person">Who, if they are known.</param>
/// <param name="Asks">Whether they have to ask also at an open door: somebody who is not on the class list.</param>
public sealed record Join(int? Person = null, bool Asks = false) : Command;

/// <summary>Staff: let somebody in who waits, or who was taken out or turned away.</summary>
[Kind(25)]
public sealed record AdmitPerson(int Person) : Command;

/// <summary>Staff: do not let somebody in who waits.</summary>
[Kind(26)]
public sealed record TurnAway(int Person) : Command;

/// <summary>Staff: take somebody out of the lesson. Their work stays.</summary>
[Kind(27)]
public sealed record RemovePerson(int Person) : Command;

/// <summary>Staff: these are the groups now.</summary>
/// <param name="Groups">All groups; people in none of them work on their own.</param>
/// <param name="Version">Of the groups when this was thought of; refused if somebody was faster.</param>
[Kind(28)]
public sealed record SetGroups([AtMost(Grouping.Most)] ImmutableArray<Group> Groups, int Version) : Command;

/// <summary>Staff: the groups as they were before the last change.</summary>
[Kind(29)]
public sealed record UndoGroups : Command;

/// <summary>Staff: the change of groups that was taken back, again.</summary>
[Kind(30)]
public sealed record RedoGroups : Command;

/// <summary>The program: everybody's place is as the lesson says, up to this event.</summary>
public sealed record ConfirmSeats(long Through) : Command;

/// <summary>Staff: whether classmates see masks instead of names.</summary>
[Kind(31)]
public sealed record MaskNames(bool Masked) : Command;

/// <summary>Staff: whether students may look at the other boards, at the teacher's own, and at how their own came to be, and whether they may take their own work along.</summary>
[Kind(32)]
public sealed record SetSight(bool OtherBoards, bool TeachersBoard, [Since(2)] bool OwnPast = false, [Since(3)] bool TakeAlong = false) : Command;

/// <summary>Staff: what is looked for in what students write, and what is done where it is found.</summary>
[Kind(102)]
public sealed record SetWordScreen([Inline] WordScreening Screening) : Command;

/// <summary>What is looked for in what students write, and what is done where it is found. Teachers alone are told.</summary>
[Kind(136)]
public sealed record WordScreenSet([Inline] WordScreening Screening) : RoomEvent;

/// <summary>Staff: set the door.</summary>
[Kind(20)]
public sealed record SetDoor(Door Door) : Command;

/// <summary>Staff: pens down, or up again.</summary>
[Kind(22)]
public sealed record SetPens(bool Down) : Command;

/// <summary>The program: every board's writer has taken note of the pens.</summary>
public sealed record ConfirmPens(bool Down, int Boards) : Command;

/// <summary>Staff: end the lesson. The boards stay readable, the code stays.</summary>
[Kind(23)]
public sealed record CloseLesson : Command;

/// <summary>Staff: go on with a closed lesson.</summary>
[Kind(24)]
public sealed record ReopenLesson : Command;

/// <summary>The lesson began.</summary>
[Kind(30)]
public sealed record LessonOpened : RoomEvent;

/// <summary>People are expected, with the numbers from the first on.</summary>
[Kind(38)]
public sealed record PeopleExpected(int First, int Count) : RoomEvent;

/// <summary>Somebody is called otherwise from now on: names that are held have to be asked for anew. Whose, nobody is told here.</summary>
[Kind(142)]
public sealed record NamesCorrected : RoomEvent;

/// <summary>Somebody joined.</summary>
[Kind(31)]
public sealed record PersonJoined(int Person) : RoomEvent
{
    /// <inheritdoc/>
    public override bool Names(int person) => person == Person;
}

/// <summary>Somebody asked to come in.</summary>
[Kind(39)]
public sealed record PersonAsked(int Person) : RoomEvent
{
    /// <inheritdoc/>
    public override bool Names(int person) => person == Person;
}

/// <summary>Somebody who waited, or was out, was let in.</summary>
[Kind(40)]
public sealed record PersonAdmitted(int Person) : RoomEvent
{
    /// <inheritdoc/>
    public override bool Names(int person) => person == Person;
}

/// <summary>Somebody who waited was not let in.</summary>
[Kind(41)]
public sealed record PersonTurnedAway(int Person) : RoomEvent
{
    /// <inheritdoc/>
    public override bool Names(int person) => person == Person;
}

/// <summary>Somebody was taken out of the lesson.</summary>
[Kind(42)]
public sealed record PersonRemoved(int Person) : RoomEvent
{
    /// <inheritdoc/>
    public override bool Names(int person) => person == Person;
}

/// <summary>Staff: newcomers who do not belong here are sent away, all at once, and the door is closed behind them.</summary>
public sealed record SendAway(ImmutableArray<int> People) : Command;

/// <summary>They are out, and the door is closed.</summary>
[Kind(56)]
public sealed record SentAway(ImmutableArray<int> People) : RoomEvent
{
    /// <inheritdoc/>
    public override bool Names(int person) => People.Contains(person);
}

/// <summary>The program: somebody of a lesson that comes from an archive, and when they came and handed in, ms.</summary>
public sealed record BringPerson(long JoinedAt, long? HandedInAt) : Command;

/// <summary>They are in the lesson.</summary>
[Kind(58)]
public sealed record PersonBrought(int Person, long JoinedAt, [OrMinusOne] long? HandedInAt) : RoomEvent
{
    /// <inheritdoc/>
    public override bool Names(int person) => person == Person;
}

/// <summary>The program: so much work of somebody waits on a board of the lesson for a teacher's decision.</summary>
public sealed record NoteWaiting(Guid Board, int Person, int Count) : Command;

/// <summary>So much work of somebody waits on a board; 0 if it waits no longer. Told to teachers.</summary>
[Kind(57)]
public sealed record WorkWaits(Guid Board, int Person, int Count) : RoomEvent;

/// <summary>These are the groups.</summary>
[Kind(43)]
public sealed record GroupsSet([AtMost(Grouping.Most)] ImmutableArray<Group> Groups) : RoomEvent;

/// <summary>The last change of the groups was taken back.</summary>
/// <param name="Groups">The groups now, for those who do not know the earlier ones; null in old logs.</param>
[Kind(44)]
public sealed record GroupsUndone([Since(2), AtMost(Grouping.Most)] ImmutableArray<Group>? Groups = null) : RoomEvent;

/// <summary>It was done again.</summary>
/// <param name="Groups">The groups now; null in old logs.</param>
[Kind(45)]
public sealed record GroupsRedone([Since(2), AtMost(Grouping.Most)] ImmutableArray<Group>? Groups = null) : RoomEvent;

/// <summary>Everybody's place is as the lesson says, up to this event.</summary>
[Kind(46)]
public sealed record SeatsConfirmed(long Through) : RoomEvent;

/// <summary>Classmates see masks, or names again.</summary>
[Kind(47)]
public sealed record NamesMasked(bool Masked) : RoomEvent;

/// <summary>What students may look at besides their own board as it is, and whether they may take their own work along.</summary>
[Kind(48)]
public sealed record SightSet(bool OtherBoards, bool TeachersBoard, [Since(2)] bool OwnPast = false, [Since(3)] bool TakeAlong = false) : RoomEvent;

/// <summary>The door was set.</summary>
[Kind(32)]
public sealed record DoorSet(Door Door) : RoomEvent;

/// <summary>The pens are to be down, or up.</summary>
[Kind(34)]
public sealed record PensSet(bool Down) : RoomEvent;

/// <summary>They are, on so many boards.</summary>
[Kind(35)]
public sealed record PensConfirmed(bool Down, int Boards) : RoomEvent;

/// <summary>The lesson ended.</summary>
[Kind(36)]
public sealed record LessonClosed : RoomEvent;

/// <summary>The lesson goes on.</summary>
[Kind(37)]
public sealed record LessonReopened : RoomEvent;
