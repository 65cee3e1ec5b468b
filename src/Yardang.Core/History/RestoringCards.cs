using System.Collections.Immutable;
using Yardang.Core.Rooms;
using Yardang.Core.Walls;

namespace Yardang.Core.History;

/// <summary>What on a wall is to be as it was at a moment.</summary>
/// <param name="Topic">Under which topic it stands or stood; null for all.</param>
/// <param name="Person">Whose cards, by actor number; 0 for everybody's.</param>
/// <param name="Cards">Which cards; empty for all.</param>
/// <param name="Depth">How far it goes.</param>
public sealed record CardRestoreOrder(long? Topic, int Person, IReadOnlySet<long> Cards, RestoreDepth Depth);

/// <summary>What a restore would do.</summary>
/// <param name="Commands">The commands of a teacher that do it, card by card.</param>
/// <param name="Back">How many cards come back.</param>
/// <param name="Changed">How many that are up are changed.</param>
/// <param name="Away">How many go.</param>
/// <param name="Down">How many stay away because a teacher took them down.</param>
public sealed record CardRestoration(ImmutableArray<Command> Commands, int Back, int Changed, int Away, int Down);

/// <summary>
/// How a wall becomes what it was: card by card, by what a teacher may do with each, so that everybody is told as ever of what they may know. What is said to cards, and what was chosen, stays.
/// It is taken back by having the same cards as they were before it. What a teacher took down stays down.
/// </summary>
public static class RestoringCards
{
    /// <summary>What has to be done, so that the cards are as they were.</summary>
    /// <param name="then">The cards at the moment.</param>
    /// <param name="now">The wall as it is.</param>
    /// <param name="order">What is to be restored.</param>
    public static CardRestoration Plan(IReadOnlyDictionary<long, Card> then, Wall now, CardRestoreOrder order)
    {
        var commands = ImmutableArray.CreateBuilder<Command>();
        var (back, changed, away, down) = (0, 0, 0, 0);
        foreach (var card in now.Cards.Values.OrderBy(c => c.Id))
        {
            var known = then.GetValueOrDefault(card.Id);
            var before = known is { IsUp: true } ? known : null;
            if (!IsMeant(card, before, order)) continue;
            if (before is null)
            {
                if (!card.IsUp || order.Depth != RestoreDepth.Exactly) continue;
                commands.Add(new TakeCardDown(card.Id, AsItsAuthor: known is { ByStaff: false } && known.DownBy == known.Author));
                away++;
            }
            else if (card.IsUp)
            {
                List<Command> differences = order.Depth == RestoreDepth.Gone ? [] : [.. Differences(before, card, now.Plan)];
                commands.AddRange(differences);
                if (differences.Count > 0) changed++;
            }
            else if (IsTakenDownByTeacher(card))
            {
                down++;
            }
            else
            {
                commands.Add(new PutCardBack(card.Id));
                commands.AddRange(Differences(before, card, now.Plan));
                back++;
            }
        }

        return new(commands.ToImmutable(), back, changed, away, down);
    }

    /// <summary>The cards about which a person did something from one event to another, and nobody anything since: to take a restore back, and nothing that was done after it.</summary>
    /// <param name="log">The wall's events.</param>
    /// <param name="person">Who, by actor number.</param>
    /// <param name="from">The first event.</param>
    /// <param name="through">The last.</param>
    public static IReadOnlySet<long> LastTouched(IEnumerable<Envelope> log, int person, long from, long through)
    {
        var touched = new HashSet<long>();
        foreach (var envelope in log.Where(e => e.Number >= from))
        {
            if (CardOf(envelope.Event) is not { } card) continue;
            if (envelope.Number <= through && envelope.Actor.Number == person) touched.Add(card);
            else if (envelope.Number > through) touched.Remove(card);
        }

        return touched;
    }

    private static long? CardOf(RoomEvent happened) => happened switch
    {
        CardPutUp(var card) => card.Id,
        CardPutBack(var card, _) => card.Id,
        CardReworded e => e.Id,
        CardMoved e => e.Id,
        CardTakenDown e => e.Id,
        CardColoured e => e.Card,
        CardJoined e => e.Card,
        CardLaid e => e.Card,
        CardPlaced e => e.Card,
        _ => null,
    };

    private static bool IsMeant(Card card, Card? before, CardRestoreOrder order) =>
        (order.Topic is not { } topic || (before?.Topic ?? card.Topic) == topic)
        && (order.Person == 0 || (card.Author == order.Person && !card.ByStaff))
        && (order.Cards.Count == 0 || order.Cards.Contains(card.Id));

    private static bool IsTakenDownByTeacher(Card card) => card.ByStaff || card.DownBy != card.Author;

    private static IEnumerable<Command> Differences(Card before, Card now, WallPlan plan)
    {
        if (!string.Equals(before.Text, now.Text, StringComparison.Ordinal) || !before.Shown.SequenceEqual(now.Shown)) yield return new RewordCard(now.Id, before.Language, before.Text, before.Attachments);
        if ((before.Topic != now.Topic || before.Order != now.Order) && plan.Has(before.Topic)) yield return new MoveCard(now.Id, before.Topic, before.Order);
        if (before.Colour != now.Colour) yield return new ColourCard(now.Id, before.Colour);
        if (before.Spot is { } spot && spot != now.Spot && plan.FieldShown is not null) yield return new LayCard(now.Id, spot);
        if (before.At != now.At && plan.LineShown is { Together: true } line && (before.At is not { } at || line.Holds(at))) yield return new PlaceCard(now.Id, before.At);
    }
}
