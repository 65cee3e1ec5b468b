using System.Collections.Immutable;
using Yardang.Core.Wire;

namespace Yardang.Core.Moderation;

/// <summary>When a teacher looks at what students write before others see it. The numbers are on the wire.</summary>
public enum ApprovalWhen
{
    /// <summary>Never: all is seen at once.</summary>
    Never = 0,

    /// <summary>Until the teacher says otherwise.</summary>
    Always = 1,

    /// <summary>While no lesson is held.</summary>
    OutsideHours = 2,
}

/// <summary>The hours of a week in which lessons are held.</summary>
/// <param name="Zone">The time zone in which they are told, as in the IANA's database.</param>
/// <param name="Days">On which days: 1 for Monday, 2 for Tuesday, 4 for Wednesday and so on, added up; 0 to 127.</param>
/// <param name="From">From this minute of the day on, 0 to 1439.</param>
/// <param name="To">Until before this minute of the day, 1 to 1440; later than <paramref name="From"/>.</param>
public sealed record LessonHours(string Zone, int Days, int From, int To)
{
    private const int AllDays = 127;
    private const int MinutesOfDay = 1440;
    private const int LongestZone = 64;

    /// <summary>Monday to Friday, from eight to four.</summary>
    public static readonly LessonHours Usual = new("UTC", Days: 31, From: 480, To: 960);

    /// <summary>Whether it is within its ranges, and in a time zone that is known.</summary>
    public bool AreSound() => Days is >= 0 and <= AllDays && From is >= 0 and < MinutesOfDay && To <= MinutesOfDay && To > From && Zone.Length <= LongestZone && TimeZoneInfo.TryFindSystemTimeZoneById(Zone, out _);

    /// <summary>Whether a moment lies within them. Where the time zone is not known (any more), no moment does.</summary>
    /// <param name="time">Server time, ms.</param>
    public bool Have(long time)
    {
        if (!TimeZoneInfo.TryFindSystemTimeZoneById(Zone, out var zone)) return false;
        var there = TimeZoneInfo.ConvertTime(DateTimeOffset.FromUnixTimeMilliseconds(time), zone);
        var day = ((int)there.DayOfWeek + 6) % 7;
        return (Days & (1 << day)) != 0 && (int)there.TimeOfDay.TotalMinutes is var minute && minute >= From && minute < To;
    }
}

/// <summary>Whose work waits for the teacher in a part of a lesson before others see it, and when.</summary>
/// <param name="When">When.</param>
/// <param name="People">Whose, by actor number; nobody named: everybody's.</param>
/// <param name="Hours">The hours outside which it does, where that is asked for.</param>
public sealed record Approval(ApprovalWhen When, [AtMost(Approval.MostPeople)] ImmutableArray<int> People, [Inline] LessonHours Hours)
{
    /// <summary>Most who can be named: as many as a lesson can have.</summary>
    public const int MostPeople = 1_000;

    /// <summary>All is seen at once.</summary>
    public static readonly Approval None = new(ApprovalWhen.Never, [], LessonHours.Usual);

    /// <summary>Whether it is within its ranges.</summary>
    public bool IsSound() => Enum.IsDefined(When) && People.Length <= MostPeople && Hours.AreSound();

    /// <summary>Whether it asks for somebody's work now.</summary>
    /// <param name="person">Who, by actor number.</param>
    /// <param name="time">Server time, ms.</param>
    public bool AsksFor(int person, long time) => (People.IsEmpty || People.Contains(person)) && When switch
    {
        ApprovalWhen.Always => true,
        ApprovalWhen.OutsideHours => !Hours.Have(time),
        _ => false,
    };
}

/// <summary>What is asked for in a part of a lesson.</summary>
/// <param name="Part">The part by its number.</param>
/// <param name="Approval">Whose work waits there, and when.</param>
public sealed record ApprovalIn(int Part, [Inline] Approval Approval);
