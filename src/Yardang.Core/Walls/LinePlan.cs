using System.Text.Json.Serialization;
using Yardang.Core.Pages;
using Yardang.Core.Rooms;

namespace Yardang.Core.Walls;

/// <summary>What cards are ordered along. The numbers are on the wire.</summary>
public enum LineKind
{
    /// <summary>A line between two ends that have names: from 0 to <see cref="LinePlan.Length"/>.</summary>
    Ends = 1,

    /// <summary>A line of years; those before the year 1 are negative, as astronomers count them.</summary>
    Years = 2,

    /// <summary>A line of days, counted from 1 January 1970.</summary>
    Days = 3,

    /// <summary>Rungs, one below another: the first is 1. Several cards may stand on one.</summary>
    Ladder = 4,

    /// <summary>Two lines, one across and one up, each between two ends that have names.</summary>
    Field = 5,
}

/// <summary>Where a card stands on a line: on which kind, for there are different measures.</summary>
/// <param name="On">On which kind of line.</param>
/// <param name="At">Where, in the measure of that kind; whole but on a line between two ends.</param>
/// <param name="Up">In a field: how far up, from 0 to <see cref="LinePlan.Length"/>; else 0.</param>
public sealed record LineSpot(LineKind On, double At, double Up = 0);

/// <summary>Along what cards are ordered.</summary>
/// <param name="Kind">Which kind of line.</param>
/// <param name="Start">What its beginning is called; may be empty.</param>
/// <param name="End">What its end is called; may be empty.</param>
/// <param name="From">The first year, day or rung; 0 of a line between two ends.</param>
/// <param name="To">The last; <see cref="Length"/> of a line between two ends.</param>
/// <param name="Together">Whether all place cards on one line; else each student has a placement of their own, and the order of the class is computed from them.</param>
/// <param name="Low">Of a field: what its lower end is called; null for nothing.</param>
/// <param name="High">Of a field: what its upper end is called; null for nothing.</param>
public sealed record LinePlan(LineKind Kind, Texts Start, Texts End, int From, int To, bool Together = false, Texts? Low = null, Texts? High = null)
{
    /// <summary>How long a line between two ends is.</summary>
    public const int Length = 100;

    /// <summary>Most rungs of a ladder.</summary>
    public const int MostRungs = 60;

    private const int FarthestYear = 100_000;

    // 1 January of the year 1 and 31 December 9999: dates can be made of all between.
    private const int FirstDay = -719_162;
    private const int LastDay = 2_932_896;

    /// <summary>A line to begin with.</summary>
    public static readonly LinePlan Blank = new(LineKind.Ends, Texts.None, Texts.None, 0, Length);

    /// <summary>Whether a card can stand there.</summary>
    public bool Holds(LineSpot spot) => spot.On == Kind && spot.At >= From && spot.At <= To
        && (Kind is LineKind.Ends or LineKind.Field || Math.Floor(spot.At) == spot.At)
        && (Kind == LineKind.Field ? spot.Up is >= 0 and <= Length : spot.Up == 0);

    /// <summary>Whether all is within its ranges.</summary>
    internal bool IsValid() => AllNames.All(n => n.IsWithin(Limits.NameLength)) && Kind switch
    {
        LineKind.Ends or LineKind.Field => (From, To) == (0, Length),
        LineKind.Years => From < To && From >= -FarthestYear && To <= FarthestYear,
        LineKind.Days => From < To && From >= FirstDay && To <= LastDay,
        LineKind.Ladder => From == 1 && To is >= 2 and <= MostRungs,
        _ => false,
    };

    /// <summary>Whether somebody could have placed a card there, whatever the line was then.</summary>
    internal static bool CanBe(LineSpot spot) => double.IsFinite(spot.At) && Enum.IsDefined(spot.On) && Math.Abs(spot.At) <= LastDay && spot.Up is >= 0 and <= Length;

    /// <summary>What it says.</summary>
    [JsonIgnore]
    public IEnumerable<Texts> Names => Kind == LineKind.Field ? AllNames : [Start, End];

    private IEnumerable<Texts> AllNames => new[] { Start, End, Low, High }.OfType<Texts>();
}
