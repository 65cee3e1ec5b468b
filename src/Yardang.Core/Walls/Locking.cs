using Yardang.Core.Rooms;
using Yardang.Core.Threads;
using Yardang.Core.Wire;

namespace Yardang.Core.Walls;

/// <summary>Staff: students cannot change, answer or move a card any more, or can again. They go on reading, choosing and scoring it.</summary>
[Kind(109)]
public sealed record LockCard(long Card, bool On) : Command;

/// <summary>Staff: the same of all that stands under a topic, and of what would be put there; 0: of the whole wall.</summary>
[Kind(110)]
public sealed record LockTopic(long Topic, bool On) : Command;

/// <summary>A card is locked against students, or is not any more. <c>Whose</c>: the card's author where classmates do not see the card; else 0.</summary>
[Kind(143)]
public sealed record CardLocked(long Card, bool On, int Whose = 0) : RoomEvent
{
    /// <inheritdoc/>
    public override bool Names(int person) => person == Whose;
}

/// <summary>A topic is locked against students, or is not any more; 0: the whole wall.</summary>
[Kind(144)]
public sealed record TopicLocked(long Topic, bool On) : RoomEvent;

/// <summary>What a teacher has locked on a wall, and what touches it.</summary>
internal static class Locking
{
    /// <summary>The plan with a topic locked, or free; 0: the whole wall.</summary>
    public static WallPlan Locked(this WallPlan plan, long topic, bool on) => topic == WallPlan.Nowhere
        ? plan with { Rules = plan.Rules with { Locked = on } }
        : plan with { Topics = [.. plan.Topics.Select(t => t.Id == topic ? t with { Locked = on } : t)] };

    /// <summary>A plan that keeps what is locked now, whatever it says of it itself.</summary>
    public static WallPlan LockedAs(this WallPlan wished, WallPlan now) => wished with
    {
        Rules = wished.Rules with { Locked = now.Rules.Locked },
        Topics = [.. wished.Topics.Select(t => t with { Locked = now.Topics.Any(other => other.Id == t.Id && other.Locked) })],
    };

    /// <summary>Whether a topic is locked, or the whole wall; where topics do not stand, only that counts.</summary>
    public static bool IsLocked(this WallPlan plan, long topic) => plan.Rules.Locked || (plan.TopicsStand && plan.Topics.Any(t => t.Id == topic && t.Locked));

    /// <summary>Whether what students write with a command touches something that is locked. What they choose and score touches nothing.</summary>
    /// <param name="command">What is asked.</param>
    /// <param name="plan">The plan now.</param>
    /// <param name="cards">The cards, by id.</param>
    /// <param name="links">The links between them.</param>
    public static bool TouchesLocked(Command command, WallPlan plan, IReadOnlyDictionary<long, Card> cards, Links links)
    {
        bool Is(long id) => cards.TryGetValue(id, out var card) && (card.Locked || plan.IsLocked(card.Topic));
        bool IsBetween(long id) => links.All.TryGetValue(id, out var link) && (Is(link.From) || Is(link.To));
        return command switch
        {
            PutUpCard c => plan.IsLocked(c.Topic) || Is(c.Onto),
            MoveCard c => Is(c.Id) || plan.IsLocked(c.Topic),
            JoinCard c => Is(c.Card) || Is(c.Onto),
            LinkCards c => plan.Rules.Locked || Is(c.From) || Is(c.To),
            RewordCard c => Is(c.Id),
            ColourCard c => Is(c.Card),
            TakeCardDown c => Is(c.Id),
            PutCardBack c => Is(c.Id),
            GiveAnswer c => Is(c.About),
            RewordAnswer c => Is(c.About),
            TakeAnswerDown c => Is(c.About),
            PutAnswerBack c => Is(c.About),
            FileQuestion c => Is(c.Card),
            PlaceCard c => Is(c.Card),
            LayCard c => Is(c.Card),
            RewordLink c => IsBetween(c.Id),
            ReverseLink c => IsBetween(c.Id),
            TakeLinkDown c => IsBetween(c.Id),
            PutLinkBack c => IsBetween(c.Id),
            _ => false,
        };
    }
}
