using Yardang.Core.Rooms;
using Yardang.Core.Wire;

namespace Yardang.Core.Walls;

/// <summary>Staff, where names are for nobody: learn whose a card is. Everybody sees that it was done, and why.</summary>
/// <param name="Card">The card.</param>
/// <param name="Reason">Why, in up to <see cref="Seal.ReasonLength"/> letters.</param>
[Kind(77)]
public sealed record BreakSeal(long Card, string Reason) : Command;

/// <summary>The seal of a card is broken.</summary>
/// <param name="Card">The card.</param>
/// <param name="Reason">Why.</param>
/// <param name="Author">To teachers, whose it is, by actor number; to others 0.</param>
[Kind(110)]
public sealed record SealBroken(long Card, string Reason, int Author) : RoomEvent;

/// <summary>What keeps from teachers whose a card is, where names are for nobody. Of no other card it tells that it is of the same author.</summary>
public static class Seal
{
    /// <summary>Most letters of a reason.</summary>
    public const int ReasonLength = 200;

    /// <summary>Why a seal cannot be broken; null if it can.</summary>
    /// <param name="seal">What is asked for.</param>
    /// <param name="card">The card, if the teacher knows it.</param>
    /// <param name="plan">What is planned for the wall.</param>
    internal static Refusal? WhyNot(BreakSeal seal, Card? card, WallPlan plan)
    {
        if (!plan.IsSealed) return Refusal.NotAllowed;
        if (card is null) return Refusal.NotFound;
        if (card.ByStaff) return Refusal.NotAllowed;
        if (card.IsUnsealed) return Refusal.ChangedSince;
        return string.IsNullOrWhiteSpace(seal.Reason) || seal.Reason.Length > ReasonLength ? Refusal.OutOfRange : null;
    }
}
