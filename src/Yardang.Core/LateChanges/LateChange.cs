using System.Collections.Immutable;
using Yardang.Core.Rooms;
using Yardang.Core.Wire;

namespace Yardang.Core.LateChanges;

/// <summary>Something that was handed out while the lesson ran: pages, a corrected printed layer, or marks.</summary>
/// <param name="Number">Counted from 1 in a lesson.</param>
/// <param name="Content">Under which id the side tables keep what was handed out.</param>
/// <param name="At">When, server time in ms.</param>
/// <param name="Groups">The groups that get it.</param>
/// <param name="People">The people who get it on their own boards. If there are neither groups nor people, everybody gets it.</param>
/// <param name="Received">On whose screen it has arrived.</param>
/// <param name="TakenBack">Whether it was taken back.</param>
public sealed record LateChange(
    int Number, Guid Content, long At, ImmutableArray<int> Groups, ImmutableArray<int> People, ImmutableSortedSet<int> Received, bool TakenBack = false)
{
    /// <summary>The most of a lesson.</summary>
    public const int Most = 90;

    /// <summary>Whether all boards get it.</summary>
    public bool IsForEverybody => Groups.IsEmpty && People.IsEmpty;

    /// <summary>Whether a room of the lesson gets it.</summary>
    public bool IsFor(RoomPlace place) => IsForEverybody || place.Whose switch
    {
        Whose.Group => Groups.Contains(place.Number),
        Whose.Own => People.Contains(place.Number),
        _ => false,
    };
}

/// <summary>The program: hand something out while the lesson runs, to some groups and people, or to everybody if none are named.</summary>
public sealed record HandOutLateChange(Guid Content, ImmutableArray<int> Groups, ImmutableArray<int> People) : Command;

/// <summary>The program: take a late change back from all boards.</summary>
public sealed record TakeLateChangeBack(int Number) : Command;

/// <summary>A student: a late change is on my screen.</summary>
[Kind(33)]
public sealed record ConfirmLateChange(int Number) : Command;

/// <summary>Something was handed out late.</summary>
[Kind(49)]
public sealed record LateChangeHandedOut(int Number, Guid Content, ImmutableArray<int> Groups, ImmutableArray<int> People) : RoomEvent;

/// <summary>It was taken back.</summary>
[Kind(50)]
public sealed record LateChangeTakenBack(int Number) : RoomEvent;

/// <summary>It has arrived on somebody's screen.</summary>
[Kind(51)]
public sealed record LateChangeReceived(int Person, int Number) : RoomEvent;
