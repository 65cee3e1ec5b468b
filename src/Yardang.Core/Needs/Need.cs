using System.Collections.Immutable;
using Yardang.Core.Lessons;

namespace Yardang.Core.Needs;

/// <summary>Somebody needs the teacher, and why.</summary>
/// <param name="Kind">For what.</param>
/// <param name="Person">Who, by actor number.</param>
/// <param name="Since">Since when, server time in ms.</param>
/// <param name="Reason">Of a hand: why.</param>
/// <param name="Words">Of a hand: why, in own words; may be empty.</param>
/// <param name="Others">Of those who are compared: how many of the others go on, or have started, or are on the page where most are. Of what may be mischief: with how many people it has to do.</param>
/// <param name="Of">Out of how many.</param>
/// <param name="Count">How much work waits; of what may be mischief, how many things.</param>
/// <param name="Board">Where it waits; null for where they work.</param>
/// <param name="IsStranger">Of who waits at the door: whether there is a class list, and they are not on it.</param>
public sealed record Need(NeedKind Kind, int Person, long Since, HandReason Reason = HandReason.None, string Words = "", int Others = 0, int Of = 0, int Count = 0, Guid? Board = null, bool IsStranger = false);

/// <summary>One student, as far as it matters for who needs the teacher.</summary>
/// <param name="Person">As the lesson knows them.</param>
/// <param name="Contact">What is known of their devices.</param>
/// <param name="Pace">In what rhythm they work; null where nobody may know what they do (names are for nobody).</param>
/// <param name="Page">On which page they are; 0 where that is not known.</param>
/// <param name="PageSince">Since when, ms.</param>
/// <param name="OpenSince">Since when they can write where they work, ms.</param>
public sealed record Student(Person Person, Contact? Contact, Pace? Pace, long Page, long PageSince, long OpenSince);

/// <summary>A class at one moment.</summary>
/// <param name="Students">Everybody whom the lesson knows.</param>
/// <param name="MayWrite">Whether students may write now.</param>
/// <param name="Settings">What is listed by itself.</param>
/// <param name="Answered">What became of needs.</param>
/// <param name="Visits">When a teacher last opened whose work.</param>
/// <param name="Waiting">What waits for a decision.</param>
/// <param name="LullUntil">Until when the class as a whole did nothing, ms (<see cref="NeedsMe.LullUntil"/>).</param>
/// <param name="Now">Server time, ms.</param>
/// <param name="Alerts">What may be mischief, as it was seen.</param>
public sealed record ClassNow(
    IReadOnlyCollection<Student> Students, bool MayWrite, NeedsSettings Settings, IReadOnlyDictionary<(int Person, NeedKind Kind), AnsweredNeed> Answered, IReadOnlyDictionary<int, LastVisit> Visits, IReadOnlyCollection<WorkWaits> Waiting, long LullUntil, long Now, ImmutableArray<Need> Alerts);
