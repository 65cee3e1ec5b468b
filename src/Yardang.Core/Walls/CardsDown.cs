using Yardang.Core.Rooms;
using Yardang.Core.Threads;

namespace Yardang.Core.Walls;

/// <summary>Taking cards down, as answers are (<see cref="AnswersDown"/>).</summary>
public static class CardsDown
{
    /// <summary>Whether a teacher says anew why a card is down, or whether its author sees it.</summary>
    internal static bool SaysAnew(TakeCardDown take, Card card, Actor actor) =>
        actor.IsStaff && card is { IsUp: false, ByStaff: false } && AnswersDown.IsAnew(card.Removed, card.DownWhy, take.Removes, take.Words);

    /// <summary>A card is taken down.</summary>
    internal static CardTakenDown Of(TakeCardDown take, Card card, int whose, Actor actor) =>
        take.AsItsAuthor ? new(take.Id, whose, card.Author, By: card.Author)
        : actor.IsStaff && !card.ByStaff ? new(take.Id, whose, card.Author, take.Words.Trim(), take.Removes) : new(take.Id, whose);
}
