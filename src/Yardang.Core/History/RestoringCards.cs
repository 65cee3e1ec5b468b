using System.Collections.Immutable;
using Yardang.Core.Rooms;
using Yardang.Core.Threads;
using Yardang.Core.Walls;

namespace Yardang.Core.History;

/// <summary>What on a wall is to be as it was at a moment.</summary>
/// <param name="Topic">Under which topic it stands or stood; null for all.</param>
/// <param name="Person">Whose cards, answers and links, by actor number; 0 for everybody's.</param>
/// <param name="Card">Which card, with what is said to it and its links; null for all.</param>
/// <param name="Depth">How far it goes.</param>
/// <param name="Only">Nothing but these; null for no such bound.</param>
public sealed record CardRestoreOrder(long? Topic, int Person, long? Card, RestoreDepth Depth, WallThings? Only = null);

/// <summary>Some of what is on a wall.</summary>
/// <param name="Cards">Cards, by id.</param>
/// <param name="Answers">Answers, by the card and their id.</param>
/// <param name="Links">Links, by id.</param>
public sealed record WallThings(IReadOnlySet<long> Cards, IReadOnlySet<(long Card, long Answer)> Answers, IReadOnlySet<long> Links)
{
    /// <summary>Whether there is nothing among them.</summary>
    public bool IsEmpty => Cards.Count == 0 && Answers.Count == 0 && Links.Count == 0;
}

/// <summary>What stood on a wall at a moment.</summary>
/// <param name="Cards">Its cards, by id.</param>
/// <param name="Links">Its links, by id.</param>
public sealed record WallThen(IReadOnlyDictionary<long, Card> Cards, IReadOnlyDictionary<long, Link> Links)
{
    /// <summary>What stands on a wall now, whatever becomes of it.</summary>
    public static WallThen Of(Wall wall) => new(new Dictionary<long, Card>(wall.Cards), new Dictionary<long, Link>(wall.Links.All));
}

/// <summary>What a restore does to things of a kind.</summary>
/// <param name="Back">How many come back.</param>
/// <param name="Changed">How many that are up are changed.</param>
/// <param name="Away">How many go.</param>
/// <param name="Down">How many stay away because a teacher took them down.</param>
public sealed record RestoreCounts(int Back, int Changed, int Away, int Down);

/// <summary>What a restore would do.</summary>
/// <param name="Commands">The commands of a teacher that do it, in order.</param>
/// <param name="Cards">What it does to cards.</param>
/// <param name="Answers">What it does to answers.</param>
/// <param name="Links">What it does to links between cards.</param>
public sealed record CardRestoration(ImmutableArray<Command> Commands, RestoreCounts Cards, RestoreCounts Answers, RestoreCounts Links);

/// <summary>
/// How a wall becomes what it was: card by card, then which say the same, then what is said to them, then the links between them; by what a teacher may do with each, so that everybody is told as ever of
/// what they may know. What students chose, scored, asked too and responded stays: nobody answers for them. It is taken back by having the same things as they were before it. What a teacher took down stays down.
/// </summary>
public static class RestoringCards
{
    /// <summary>What has to be done, so that things are as they were.</summary>
    /// <param name="then">The wall at the moment.</param>
    /// <param name="now">The wall as it is.</param>
    /// <param name="order">What is to be restored.</param>
    public static CardRestoration Plan(WallThen then, Wall now, CardRestoreOrder order) => new WallRestore(then, now, order).Plan();

    /// <summary>That to which a person did something from one event to another, and nobody anything since: to take a restore back, and nothing that was done after it.</summary>
    /// <param name="log">The wall's events.</param>
    /// <param name="person">Who, by actor number.</param>
    /// <param name="from">The first event.</param>
    /// <param name="through">The last.</param>
    public static WallThings LastTouched(IEnumerable<Envelope> log, int person, long from, long through)
    {
        var (cards, answers, links) = (new HashSet<long>(), new HashSet<(long, long)>(), new HashSet<long>());
        foreach (var envelope in log.Where(e => e.Number >= from))
        {
            bool? isTheirs = envelope.Number > through ? false : envelope.Actor.Number == person ? true : null;
            if (CardOf(envelope.Event) is { } card) Note(cards, card, isTheirs);
            if (AnswerOf(envelope.Event) is { } answer) Note(answers, answer, isTheirs);
            if (LinkOf(envelope.Event) is { } link) Note(links, link, isTheirs);
        }

        return new(cards, answers, links);
    }

    private static void Note<T>(HashSet<T> touched, T thing, bool? isTheirs)
    {
        if (isTheirs == true) touched.Add(thing);
        else if (isTheirs == false) touched.Remove(thing);
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
        QuestionFiled e => e.Card,
        _ => null,
    };

    private static (long Card, long Answer)? AnswerOf(RoomEvent happened) => happened switch
    {
        AnswerGiven e => (e.About, e.Answer.Id),
        AnswerPutBack e => (e.About, e.Answer.Id),
        AnswerReworded e => (e.About, e.Id),
        AnswerTakenDown e => (e.About, e.Id),
        _ => null,
    };

    private static long? LinkOf(RoomEvent happened) => happened switch
    {
        CardsLinked(var link, _) => link.Id,
        LinkPutBack(var link, _) => link.Id,
        LinkReworded e => e.Id,
        LinkReversed e => e.Id,
        LinkTakenDown e => e.Id,
        _ => null,
    };
}
