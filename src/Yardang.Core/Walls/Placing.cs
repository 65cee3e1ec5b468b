using System.Collections.Immutable;
using Yardang.Core.Wire;

namespace Yardang.Core.Walls;

/// <summary>Place a card on the line; null takes it off. Where all place together it is the card's place, else the actor's own.</summary>
[Kind(59)]
public sealed record PlaceCard(long Card, LineSpot? At) : Rooms.Command;

/// <summary>Staff: show all the order of the class, or with <c>On</c> false go on placing, and show it no more.</summary>
[Kind(60)]
public sealed record ShowOrder(bool On) : Rooms.Command;

/// <summary>A card stands somewhere on the line that all share, or is off it. <c>Whose</c>: the card's author where classmates do not see the card; else 0.</summary>
[Kind(91)]
public sealed record CardPlaced(long Card, LineSpot? At, int Whose = 0) : Rooms.RoomEvent
{
    /// <inheritdoc/>
    public override bool Names(int person) => person == Whose;
}

/// <summary>A card stands somewhere in the actor's own placement, or is off it.</summary>
[Kind(92)]
public sealed record CardPlacedAlone(long Card, LineSpot? At) : Rooms.RoomEvent;

/// <summary>Everybody sees the order of the class.</summary>
[Kind(93)]
public sealed record OrderShown(ClassOrder Order) : Rooms.RoomEvent;

/// <summary>Everybody goes on placing.</summary>
[Kind(94)]
public sealed record OrderHidden : Rooms.RoomEvent;

/// <summary>Where somebody placed a card for themselves. It is known to them and to teachers.</summary>
/// <param name="Person">Who, by actor number.</param>
/// <param name="Card">Which card.</param>
/// <param name="At">Where.</param>
public sealed record OwnPlace(int Person, long Card, LineSpot At);

/// <summary>What a reader knows of how cards were ordered.</summary>
/// <param name="Own">Placements: all, or their own.</param>
/// <param name="Shown">The order of the class, as it was shown; null if it is not.</param>
public sealed record PlacingState(ImmutableArray<OwnPlace> Own, ClassOrder? Shown)
{
    /// <summary>Nothing yet.</summary>
    public static readonly PlacingState Begun = new([], null);
}
