using Yardang.Core.Rooms;
using Yardang.Core.Wire;

namespace Yardang.Core.Walls;

/// <summary>Give a card one of the twelve colours of slips, from 1; 0: that of its topic.</summary>
[Kind(76)]
public sealed record ColourCard(long Card, int Colour) : Command;

/// <summary>A card has another colour. <c>Whose</c>: the card's author where classmates do not see the card; else 0.</summary>
[Kind(109)]
public sealed record CardColoured(long Card, int Colour, int Whose = 0) : RoomEvent
{
    /// <inheritdoc/>
    public override bool Names(int person) => person == Whose;
}
