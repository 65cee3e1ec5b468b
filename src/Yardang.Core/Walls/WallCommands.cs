using System.Collections.Immutable;
using Yardang.Core.Attachments;
using Yardang.Core.Judges;
using Yardang.Core.Rooms;
using Yardang.Core.Wire;

namespace Yardang.Core.Walls;

/// <summary>Put a card up under a topic, behind those that are there. <c>For</c>: a teacher puts up what a student said aloud, by actor number; 0 for one's own. On a free field: <c>Spot</c> is where it is wanted, else it comes beside the card <c>Beside</c>; never on another card. <c>Onto</c>: the card that says the same and that it joins; <c>From</c>: those from which it grew; what is not there any more is left out. <c>Poured</c>: what a teacher pours out here from another wall.</summary>
[Kind(40)]
public sealed record PutUpCard(long Id, long Topic, string Language, string Text, [Since(2), NullIsEmpty] ImmutableArray<Attachment>? Attachments = null, [Since(3)] int For = 0, [Since(4)] FieldSpot? Spot = null, [Since(4)] long Beside = 0, [Since(5)] long Onto = 0, [Since(5), NullIsEmpty] ImmutableArray<long>? From = null, [Since(6)] long Poured = 0) : Command;

/// <summary>A card says something else, or shows something else.</summary>
[Kind(41)]
public sealed record RewordCard(long Id, string Language, string Text, [Since(2), NullIsEmpty] ImmutableArray<Attachment>? Attachments = null) : Command;

/// <summary>A card goes under another topic, or to another place under its own.</summary>
[Kind(42)]
public sealed record MoveCard(long Id, long Topic, double Order) : Command;

/// <summary>
/// Take a card down. It is kept. By a teacher: <c>Words</c> say why to whoever wrote it, at most <see cref="LateWork.LongestWords"/> letters, and may be empty; <c>Removes</c>: its author does not
/// see it any more either. Of one that is down already a teacher says so anew. <c>AsItsAuthor</c>: by a teacher who has things as they were at a moment; then it is down as
/// if its author had taken it down.
/// </summary>
[Kind(43)]
public sealed record TakeCardDown(long Id, [Since(2)] string Words = "", [Since(2)] bool Removes = false, [Since(3)] bool AsItsAuthor = false) : Command;

/// <summary>Put a card back that was taken down: whoever took it down, and teachers.</summary>
[Kind(44)]
public sealed record PutCardBack(long Id) : Command;

/// <summary>Staff: the wall is planned like this now. Cards of topics that are gone fit nowhere.</summary>
[Kind(45)]
public sealed record SetPlan(WallPlan Plan) : Command;

/// <summary>The program puts cards from an archive on a new wall.</summary>
/// <param name="Plan">What was planned for it at last.</param>
/// <param name="Cards">Those that were up.</param>
/// <param name="ChangedAt">When a student last changed it, ms; null if none did.</param>
/// <param name="Results">What all said of them; null for nothing.</param>
/// <param name="Order">The order of the class that was shown; null for none.</param>
/// <param name="Links">Those between its cards; null for none.</param>
/// <param name="Shifts">Who stood where and stands where, in numbers; null for nothing.</param>
public sealed record BringCards(WallPlan Plan, ImmutableArray<Card> Cards, long? ChangedAt, ImmutableArray<CardResult>? Results = null, ClassOrder? Order = null, ImmutableArray<Link>? Links = null, StanceShifts? Shifts = null) : Command;

/// <summary>A card is up.</summary>
[Kind(70)]
public sealed record CardPutUp(Card Card) : RoomEvent
{
    /// <inheritdoc/>
    public override bool Names(int person) => !Card.ByStaff && person == Card.Author;
}

/// <summary>A card says something else, or shows something else. <c>Whose</c>: the author's actor number where classmates do not see the card; else 0.</summary>
[Kind(71)]
public sealed record CardReworded(long Id, string Language, string Text, [Since(2)] int Whose = 0, [Since(3), NullIsEmpty] ImmutableArray<Attachment>? Attachments = null) : RoomEvent
{
    /// <inheritdoc/>
    public override bool Names(int person) => person == Whose;
}

/// <summary>A card is somewhere else. <c>Whose</c>: the author's actor number where classmates do not see the card; else 0.</summary>
[Kind(72)]
public sealed record CardMoved(long Id, long Topic, double Order, [Since(2)] int Whose = 0) : RoomEvent
{
    /// <inheritdoc/>
    public override bool Names(int person) => person == Whose;
}

/// <summary>
/// A card was taken down by the actor of the event. <c>Whose</c>: the author's actor number where classmates do not see the card; else 0. Where a teacher took it down, to its author and to
/// teachers: <c>Author</c>, why (<c>Words</c>; may be empty), whether its author does not see it either (<c>Removed</c>), and <c>By</c>: whose doing it counts as; 0: the actor's.
/// </summary>
[Kind(73)]
public sealed record CardTakenDown(long Id, [Since(2)] int Whose = 0, [Since(3)] int Author = 0, [Since(3)] string Words = "", [Since(3)] bool Removed = false, [Since(4)] int By = 0) : RoomEvent
{
    /// <inheritdoc/>
    public override bool Names(int person) => person == Whose;

    /// <inheritdoc/>
    public override bool Withdraws => Author != 0;

    /// <inheritdoc/>
    public override RoomEvent AsTold(int person) => Author == 0 || Author == person ? this : new CardTakenDown(Id, Whose);
}

/// <summary>A card is up again, as it stands, with its links: for those who never saw it.</summary>
[Kind(74)]
public sealed record CardPutBack(Card Card, [Since(2), NullIsEmpty] ImmutableArray<Link>? Links = null) : RoomEvent
{
    /// <inheritdoc/>
    public override bool Names(int person) => !Card.ByStaff && person == Card.Author;
}

/// <summary>The wall is planned like this now. <c>Laid</c>: where cards lie on the field from now on that had no place there.</summary>
[Kind(75)]
public sealed record PlanSet(WallPlan Plan, [Since(2), NullIsEmpty] ImmutableArray<CardSpot>? Laid = null) : RoomEvent;

/// <summary>Cards from an archive are up.</summary>
/// <param name="Plan">What was planned for the wall at last.</param>
/// <param name="Cards">The cards.</param>
/// <param name="ChangedAt">When a student last changed it, ms; null if none did.</param>
/// <param name="Results">What all said of them; null for nothing.</param>
/// <param name="Order">The order of the class that was shown; null for none.</param>
/// <param name="Links">Those between its cards; null for none.</param>
/// <param name="Shifts">Who stood where and stands where, in numbers; null for nothing.</param>
[Kind(76)]
public sealed record CardsBrought(WallPlan Plan, ImmutableArray<Card> Cards, long? ChangedAt, [Since(2), NullIsEmpty] ImmutableArray<CardResult>? Results = null, [Since(3)] ClassOrder? Order = null, [Since(4), NullIsEmpty] ImmutableArray<Link>? Links = null, [Since(5)] StanceShifts? Shifts = null) : RoomEvent;

/// <summary>Everybody sees all cards now, who saw only their own before: the plan, and every card that is up.</summary>
/// <param name="Plan">What is planned for the wall now.</param>
/// <param name="Cards">The cards.</param>
/// <param name="Links">Those between them; null for none.</param>
[Kind(77)]
public sealed record CardsShown(WallPlan Plan, ImmutableArray<Card> Cards, [Since(2), NullIsEmpty] ImmutableArray<Link>? Links = null) : RoomEvent;
