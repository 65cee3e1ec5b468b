using System.Collections.Immutable;
using Yardang.Core.Rooms;
using Yardang.Core.Wire;

namespace Yardang.Core.Walls;

/// <summary>Link a card to a card, with the teacher's words or one's own.</summary>
[Kind(61)]
public sealed record LinkCards(long Id, long From, long To, long Word, string Language, string Text) : Command;

/// <summary>A link says something else.</summary>
[Kind(62)]
public sealed record RewordLink(long Id, long Word, string Language, string Text) : Command;

/// <summary>A link points the other way.</summary>
[Kind(63)]
public sealed record ReverseLink(long Id) : Command;

/// <summary>Take a link down. It is kept.</summary>
[Kind(64)]
public sealed record TakeLinkDown(long Id) : Command;

/// <summary>Put a link back that was taken down: whoever took it down, and teachers.</summary>
[Kind(65)]
public sealed record PutLinkBack(long Id) : Command;

/// <summary>A card lies somewhere else on the field.</summary>
[Kind(66)]
public sealed record LayCard(long Card, FieldSpot Spot) : Command;

/// <summary>Staff: tidy the field.</summary>
[Kind(67)]
public sealed record TidyField : Command;

/// <summary>Staff: lay several cards at once, as after tidying where they lay before.</summary>
[Kind(68)]
public sealed record LayCards(ImmutableArray<CardSpot> Spots) : Command;

/// <summary>Where a card lies on the field.</summary>
public sealed record CardSpot(long Card, FieldSpot Spot);

/// <summary>Cards are linked. <c>Whose</c>: who alone is told of it besides teachers, by actor number; 0: all; <see cref="Links.Nobody"/>: nobody. So in the events that follow.</summary>
[Kind(95)]
public sealed record CardsLinked(Link Link, int Whose = 0) : RoomEvent
{
    /// <inheritdoc/>
    public override bool Names(int person) => person == Whose;
}

/// <summary>A link says something else.</summary>
[Kind(96)]
public sealed record LinkReworded(long Id, long Word, string Language, string Text, int Whose = 0) : RoomEvent
{
    /// <inheritdoc/>
    public override bool Names(int person) => person == Whose;
}

/// <summary>A link points the other way.</summary>
[Kind(97)]
public sealed record LinkReversed(long Id, int Whose = 0) : RoomEvent
{
    /// <inheritdoc/>
    public override bool Names(int person) => person == Whose;
}

/// <summary>A link was taken down by the actor of the event.</summary>
[Kind(98)]
public sealed record LinkTakenDown(long Id, int Whose = 0) : RoomEvent
{
    /// <inheritdoc/>
    public override bool Names(int person) => person == Whose;
}

/// <summary>A link is up again, as it stands: for those who never saw it.</summary>
[Kind(99)]
public sealed record LinkPutBack(Link Link, int Whose = 0) : RoomEvent
{
    /// <inheritdoc/>
    public override bool Names(int person) => person == Whose;
}

/// <summary>A card lies somewhere else on the field. <c>Whose</c>: the card's author where classmates do not see the card; else 0.</summary>
[Kind(100)]
public sealed record CardLaid(long Card, FieldSpot Spot, int Whose = 0) : RoomEvent
{
    /// <inheritdoc/>
    public override bool Names(int person) => person == Whose;
}

/// <summary>Cards lie somewhere else on the field, all at once.</summary>
[Kind(101)]
public sealed record FieldLaid(ImmutableArray<CardSpot> Spots) : RoomEvent;
