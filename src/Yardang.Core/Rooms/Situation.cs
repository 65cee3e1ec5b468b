using System.Collections.Immutable;
using Yardang.Core.Moderation;

namespace Yardang.Core.Rooms;

/// <summary>What a lesson allows in one of its rooms now.</summary>
/// <param name="PensDown">Students cannot write; what they write is set aside.</param>
/// <param name="Closed">The lesson is over; its rooms can be read.</param>
/// <param name="Waits">The lesson is not open yet.</param>
/// <param name="OwnFirst">On walls each sees only their own.</param>
/// <param name="Held">Whose pens are down besides, by actor number, and until when, server time in ms; 0: until a teacher says otherwise. Null: nobody's.</param>
/// <param name="Withheld">What students cannot do besides, while all else is open to them.</param>
/// <param name="Ends">When nobody writes any more, server time in ms; null: no end is set.</param>
/// <param name="EndsFor">For whom that is at another time.</param>
/// <param name="Screen">What looks at what students write before others see it; null for nothing.</param>
/// <param name="ScreenWhereHidden">The same where names are hidden: it looks for names of classmates besides. Null: no other.</param>
/// <param name="Approval">Whose work a teacher looks at before others see it; null for nobody's.</param>
public sealed record Allowed(bool PensDown = false, bool Closed = false, bool Waits = false, bool OwnFirst = false, ImmutableSortedDictionary<int, long>? Held = null, StudentActs Withheld = StudentActs.None, long? Ends = null, ImmutableSortedDictionary<int, long>? EndsFor = null, WordScreen? Screen = null, Approval? Approval = null, WordScreen? ScreenWhereHidden = null)
{
    /// <summary>Nothing is restricted.</summary>
    public static readonly Allowed Everything = new();

    /// <summary>Whether students may write now.</summary>
    public bool StudentsMayWrite => !PensDown && !Closed && !Waits;

    /// <summary>Whether somebody may do this now.</summary>
    /// <param name="act">What; one.</param>
    /// <param name="actor">Who.</param>
    /// <param name="time">Server time in ms.</param>
    public bool Lets(StudentActs act, Actor actor, long time) =>
        actor.IsStaff || (StudentsMayWrite && !Withheld.HasFlag(act) && !IsHeld(actor.Number, time) && !IsOver(actor.Number, time));

    private bool IsHeld(int person, long time) => Held is not null && Held.TryGetValue(person, out var until) && (until == 0 || until > time);

    private bool IsOver(int person, long time) => (EndsFor is not null && EndsFor.TryGetValue(person, out var later) ? later : Ends) <= time;
}

/// <summary>All that a decision rests on besides the room, the command and who asks: so the same log and the same situation give the same decision.</summary>
/// <param name="Allowed">What the lesson allows here now.</param>
/// <param name="Time">The server's clock, ms since 1970-01-01 UTC; the event is given the same.</param>
/// <param name="Seed">Of chance. It follows from the room and the number of its next event, both of which are in the log.</param>
public sealed record Situation(Allowed Allowed, long Time, ulong Seed)
{
    /// <summary>Whether somebody may do this now.</summary>
    public bool Lets(StudentActs act, Actor actor) => Allowed.Lets(act, actor, Time);

    /// <summary>Whether what somebody writes waits for a teacher before others see it.</summary>
    public bool AsksForApproval(Actor actor) => !actor.IsStaff && Allowed.Approval?.AsksFor(actor.Number, Time) == true;

    /// <summary>Nothing is restricted, and it is the beginning of time.</summary>
    public static readonly Situation Open = new(Allowed.Everything, 0, 0);

    /// <summary>The situation in which a room decides about its next event.</summary>
    public static Situation Of(Guid room, long number, Allowed allowed, long time) => new(allowed, time, Chance.SeedOf(room, number));

    /// <summary>Chance, from its beginning.</summary>
    public Chance Chance => new(Seed);
}
