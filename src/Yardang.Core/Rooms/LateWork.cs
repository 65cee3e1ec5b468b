using Yardang.Core.Wire;

namespace Yardang.Core.Rooms;

/// <summary>Staff: put work that was set aside in place after all. The number is that of the event that set it aside.</summary>
[Kind(5)]
public sealed record AcceptLateWork(long Number) : Command;

/// <summary>Staff, or whoever wrote it: leave work that was set aside off.</summary>
/// <param name="Number">The event that set it aside.</param>
/// <param name="Words">Why, in the teacher's words, for whoever wrote it; may be empty. At most <see cref="LateWork.LongestWords"/> letters.</param>
[Kind(6)]
public sealed record DiscardLateWork(long Number, [Since(2)] string Words = "") : Command;

/// <summary>Staff: whoever wrote what waits is told what to mend. It goes on waiting, for them, until they write it otherwise or take it back.</summary>
/// <param name="Number">The event that set it aside.</param>
/// <param name="Words">What to mend, in the teacher's words; 1 to <see cref="LateWork.LongestWords"/> letters.</param>
[Kind(104)]
public sealed record ReturnWork(long Number, string Words) : Command;

/// <summary>The program: a teacher takes back that they left something off, or returned it; it waits for them as before.</summary>
/// <param name="Work">What waited.</param>
public sealed record TakeUpAgain(LateWork Work) : Command;

/// <summary>Why work waits for the teacher's decision. The numbers are on the wire.</summary>
public enum WhySetAside
{
    /// <summary>It came when it could no longer be put in place.</summary>
    Late = 0,

    /// <summary>The word screen found something in it.</summary>
    Words = 1,

    /// <summary>It rests on work that waits.</summary>
    Rests = 2,

    /// <summary>The teacher looks at it before others see it.</summary>
    Approval = 3,

    /// <summary>It touches what a teacher has locked meanwhile.</summary>
    Locked = 4,
}

/// <summary>Work was not put in place; it is kept for the teacher's decision.</summary>
/// <param name="Command">What was asked.</param>
/// <param name="Why">Why it waits.</param>
[Kind(14)]
public sealed record WorkSetAside([Inline] Command Command, [Since(2)] WhySetAside Why = WhySetAside.Late) : RoomEvent;

/// <summary>The teacher put it in place after all.</summary>
/// <param name="Number">The event that set it aside.</param>
/// <param name="Outcome">What it did, on behalf of its author; null if it no longer fits.</param>
/// <param name="Person">Whose work it is, by actor number; 0 in old logs.</param>
/// <param name="Gesture">What it was part of; 0 in old logs.</param>
[Kind(15)]
public sealed record LateWorkAccepted(long Number, [Inline, Since(2)] RoomEvent? Outcome, [Since(3)] int Person = 0, [Since(3)] long Gesture = 0) : RoomEvent
{
    /// <inheritdoc/>
    public override bool Names(int person) => person == Person;
}

/// <summary>The teacher left it off, or whoever wrote it took it back.</summary>
/// <param name="Number">The event that set it aside.</param>
/// <param name="Person">Whose work it is, by actor number; 0 in old logs.</param>
/// <param name="Words">Why, in the teacher's words; may be empty.</param>
[Kind(16)]
public sealed record LateWorkDiscarded(long Number, [Since(2)] int Person = 0, [Since(3)] string Words = "") : RoomEvent
{
    /// <inheritdoc/>
    public override bool Names(int person) => person == Person;
}

/// <summary>Whoever wrote what waits was told what to mend.</summary>
/// <param name="Number">The event that set it aside.</param>
/// <param name="Person">Whose work it is, by actor number.</param>
/// <param name="Words">What to mend, in the teacher's words.</param>
[Kind(138)]
public sealed record WorkReturned(long Number, int Person, string Words) : RoomEvent
{
    /// <inheritdoc/>
    public override bool Names(int person) => person == Person;
}

/// <summary>What was left off, or returned, waits for the teacher again.</summary>
/// <param name="Work">What waits.</param>
[Kind(146)]
public sealed record WorkTakenUpAgain(LateWork Work) : RoomEvent
{
    /// <inheritdoc/>
    public override bool Names(int person) => person == Work.Actor.Number;
}

/// <summary>Work that was not put in place, kept for the teacher's decision.</summary>
/// <param name="Number">The event that set it aside.</param>
/// <param name="Actor">Whose work it is.</param>
/// <param name="Client">From which tab.</param>
/// <param name="Counter">Which of its commands.</param>
/// <param name="Gesture">What it was part of.</param>
/// <param name="Command">What was asked.</param>
/// <param name="Why">Why it waits.</param>
/// <param name="Returned">What its author was told to mend; empty while it waits for the teacher.</param>
/// <param name="At">When it was set aside, server time in ms.</param>
public sealed record LateWork(long Number, [Inline] Actor Actor, int Client, int Counter, long Gesture, [Inline] Command Command, WhySetAside Why = WhySetAside.Late, string Returned = "", long At = 0)
{
    /// <summary>Most letters of what a teacher says of it.</summary>
    public const int LongestWords = 300;

    internal static Decision LeaveOff(LateWork? work, string words) => !CanSay(words) ? Refusal.OutOfRange : work is null ? Refusal.NotFound
        : new Decision.Accepted(new LateWorkDiscarded(work.Number, work.Actor.Number, words.Trim()), Audience.NamedAndStaff);

    internal static Decision Return(LateWork? work, string words) => !CanSay(words) || string.IsNullOrWhiteSpace(words) ? Refusal.OutOfRange : work is null ? Refusal.NotFound
        : new Decision.Accepted(new WorkReturned(work.Number, work.Actor.Number, words.Trim()), Audience.NamedAndStaff);

    internal static Decision Again(TakeUpAgain again, Actor actor, IReadOnlyDictionary<long, LateWork> waiting, long now) => actor.Role != Role.Program || again.Work.Number is <= 0 || again.Work.Number > now ? Refusal.NotAllowed
        : waiting.TryGetValue(again.Work.Number, out var known) && known.Returned.Length == 0 ? Refusal.ChangedSince
        : waiting.Values.Count(w => w.Actor.Number == again.Work.Actor.Number) >= Limits.LateWork ? Refusal.Full
        : new Decision.Accepted(new WorkTakenUpAgain(again.Work with { Returned = "" }), Audience.NamedAndStaff);

    /// <summary>Whether a teacher can say this of it.</summary>
    public static bool CanSay(string words) => words.Length <= LongestWords && !words.Any(c => char.IsControl(c) && c != '\n');
}

/// <summary>A room in which students work: what they write too late is kept, and it is known what each did last.</summary>
public interface IWorkRoom
{
    /// <summary>Work waiting for the teacher's decision, by the number of its event.</summary>
    IReadOnlyDictionary<long, LateWork> SetAside { get; }

    /// <summary>Who has put something there that is not the teacher's, by actor number.</summary>
    IEnumerable<int> Writers { get; }

    /// <summary>What each student did last there, by actor number.</summary>
    IReadOnlyDictionary<int, LastAct> Acts { get; }

    /// <summary>What students told their teacher of.</summary>
    Concerns Concerns { get; }
}
