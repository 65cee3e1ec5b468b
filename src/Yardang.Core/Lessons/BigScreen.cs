using System.Collections.Immutable;
using Yardang.Core.Rooms;
using Yardang.Core.Wire;

namespace Yardang.Core.Lessons;

/// <summary>What the class sees on the big screen. The numbers are on the wire.</summary>
public enum ScreenKind
{
    /// <summary>Nothing.</summary>
    Nothing = 0,

    /// <summary>How to come in, and how many are still expected.</summary>
    ComingIn = 1,

    /// <summary>Some boards or walls, side by side.</summary>
    Works = 2,

    /// <summary>The phase and its clock alone.</summary>
    Clock = 3,

    /// <summary>How it is going, in numbers.</summary>
    CheckIn = 4,

    /// <summary>The quick question, and how often each answer was chosen.</summary>
    Question = 5,
}

/// <summary>What the big screen shows. Nothing gets there by itself, and nobody's name.</summary>
/// <param name="Kind">What.</param>
/// <param name="Rooms">Of works: which boards or walls.</param>
/// <param name="Page">Of boards: which page; 0 for the first.</param>
/// <param name="WithClock">Whether the phase and its clock stand above it.</param>
/// <param name="Frozen">Whether works stay as they were when they were put there.</param>
/// <param name="Card">Of one wall: which card alone; 0 for the whole wall.</param>
public sealed record OnScreen(ScreenKind Kind, ImmutableArray<Guid> Rooms, long Page, bool WithClock, bool Frozen, [Since(2)] long Card = 0)
{
    /// <summary>The most works side by side.</summary>
    public const int MostWorks = 6;

    /// <summary>Nothing is shown.</summary>
    public static readonly OnScreen Nothing = new(ScreenKind.Nothing, [], 0, false, false);

    /// <summary>Whether it can be shown.</summary>
    public bool IsSound() => Enum.IsDefined(Kind) && Page >= 0 && Rooms.Length <= MostWorks && Rooms.Distinct().Count() == Rooms.Length && (Kind == ScreenKind.Works) == !Rooms.IsEmpty
        && (Card == 0 || (Card > 0 && Rooms.Length == 1));
}

/// <summary>Staff: show this on the big screen. Which rooms there are the lesson does not know; those of others are not shown.</summary>
[Kind(98)]
public sealed record ShowOnScreen([Inline] OnScreen Shown) : Command;

/// <summary>It is on the big screen. Told to teachers.</summary>
[Kind(132)]
public sealed record ScreenSet([Inline] OnScreen Shown) : RoomEvent;
