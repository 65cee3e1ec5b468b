using System.Collections.Immutable;
using System.Text.Json.Serialization;
using Yardang.Core.Rooms;
using Yardang.Core.Wire;

namespace Yardang.Core.Walls;

/// <summary>Cards that somebody is to read. It is seen by whom it is for, and by teachers.</summary>
/// <param name="Person">Who, by actor number.</param>
/// <param name="Cards">Which, by id.</param>
/// <param name="Read">Those of them that they have read.</param>
public sealed record ReadingList(int Person, ImmutableArray<long> Cards, ImmutableArray<long> Read)
{
    /// <summary>Those that they still have to read.</summary>
    [JsonIgnore]
    public IEnumerable<long> Unread => Cards.Where(c => !Read.Contains(c));
}

/// <summary>Staff: somebody is to read these cards, besides those of their list that they have read.</summary>
[Kind(72)]
public sealed record GiveReading(int Person, [AtMost(ReadingLists.MostEach)] ImmutableArray<long> Cards) : Command;

/// <summary>A card of one's list is read.</summary>
[Kind(73)]
public sealed record ReadCard(long Card) : Command;

/// <summary>Somebody is to read these cards, besides those of their list that they have read.</summary>
[Kind(105)]
public sealed record ReadingGiven(int Person, ImmutableArray<long> Cards) : RoomEvent
{
    /// <inheritdoc/>
    public override bool Names(int person) => person == Person;
}

/// <summary>The actor has read a card of their list.</summary>
[Kind(106)]
public sealed record CardRead(long Card) : RoomEvent;

/// <summary>Who is to read which cards, so that none is left unread, and who has.</summary>
public sealed class ReadingLists
{
    /// <summary>Most cards of a list.</summary>
    public const int MostEach = 20;

    private readonly SortedDictionary<int, ReadingList> _lists = [];

    /// <summary>The lists, by person.</summary>
    public IReadOnlyDictionary<int, ReadingList> All => _lists;

    /// <summary>
    /// Deals cards out so that the readers of each, those who have read it already among them, differ by as little as can be: each in turn takes the one that
    /// fewest read; then cards change hands along ways on which one that more read goes back and one that fewer read comes, until there is none (cost-reducing
    /// paths: N. J. A. Harvey, R. E. Ladner, L. Lovász, T. Tamir, "Semi-matchings for bipartite graphs and load balancing", Journal of Algorithms 59, 2006).
    /// </summary>
    /// <param name="cards">Those that are to be read: each with its author by actor number, 0 for a teacher.</param>
    /// <param name="people">Who reads; nobody reads their own, nor again what they have read.</param>
    /// <param name="each">How many each is to read now, if there are so many.</param>
    /// <param name="lists">Those that there are, by person: what was read counts.</param>
    /// <returns>What each reads now, by person.</returns>
    public static IReadOnlyDictionary<int, ImmutableArray<long>> Deal(IReadOnlyList<(long Id, int Author)> cards, IReadOnlyCollection<int> people, int each, IReadOnlyDictionary<int, ReadingList> lists)
    {
        var readers = lists.Values.SelectMany(l => l.Read).GroupBy(c => c).ToDictionary(g => g.Key, g => g.Count());
        var load = cards.ToDictionary(c => c.Id, c => readers.GetValueOrDefault(c.Id));
        var given = people.Distinct().Order().ToDictionary(p => p, _ => new HashSet<long>());
        var author = cards.ToDictionary(c => c.Id, c => c.Author);
        bool May(int person, long card) => author[card] != person && !given[person].Contains(card) && (!lists.TryGetValue(person, out var list) || !list.Read.Contains(card));
        for (var turn = 0; turn < each; turn++)
        {
            foreach (var (person, theirs) in given)
            {
                var next = cards.Where(c => May(person, c.Id)).OrderBy(c => load[c.Id]).ThenBy(c => c.Id).Select(c => c.Id).FirstOrDefault();
                if (next == 0) continue;
                theirs.Add(next);
                load[next]++;
            }
        }

        while (WayToLess() is { } way)
        {
            foreach (var (person, from, to) in way)
            {
                given[person].Remove(from);
                given[person].Add(to);
            }

            load[way[0].From]--;
            load[way[^1].To]++;
        }

        return given.ToDictionary(g => g.Key, g => g.Value.Order().ToImmutableArray());

        // From a card to one that at least two fewer read, each step by somebody who has the one and may have the other.
        List<(int Person, long From, long To)>? WayToLess()
        {
            foreach (var start in cards.Select(c => c.Id).OrderByDescending(c => load[c]).ThenBy(c => c))
            {
                var came = new Dictionary<long, (int Person, long From)> { [start] = default };
                var edge = new Queue<long>([start]);
                while (edge.TryDequeue(out var card))
                {
                    if (load[card] <= load[start] - 2) return Back(card);
                    foreach (var person in given.Where(g => g.Value.Contains(card)).Select(g => g.Key))
                    {
                        foreach (var (other, _) in cards)
                        {
                            if (!came.ContainsKey(other) && May(person, other))
                            {
                                came[other] = (person, card);
                                edge.Enqueue(other);
                            }
                        }
                    }
                }

                List<(int, long, long)> Back(long card)
                {
                    var way = new List<(int, long, long)>();
                    for (; card != start; card = came[card].From) way.Insert(0, (came[card].Person, came[card].From, card));
                    return way;
                }
            }

            return null;
        }
    }

    /// <summary>As a reader knows it.</summary>
    public ImmutableArray<ReadingList> For(Func<ReadingList, bool> isSeen) => [.. _lists.Values.Where(isSeen)];

    /// <summary>What comes of a command.</summary>
    /// <param name="command">One of those in this file.</param>
    /// <param name="actor">Whose command it is.</param>
    /// <param name="find">A card that the class may know of; null if there is none.</param>
    internal Decision Decide(Command command, Actor actor, Func<long, Card?> find)
    {
        if (actor.IsStaff == command is ReadCard) return Refusal.NotAllowed;
        switch (command)
        {
            case GiveReading(var person, var cards):
                if (person <= 0 || cards.Length > MostEach || cards.Distinct().Count() < cards.Length) return Refusal.OutOfRange;
                if (_lists.Count >= Limits.People && !_lists.ContainsKey(person)) return Refusal.Full;
                if (cards.Any(c => find(c) is null)) return Refusal.NotFound;
                if (cards.Any(c => find(c) is { ByStaff: false } card && card.Author == person)) return Refusal.NotAllowed;
                return new Decision.Accepted(new ReadingGiven(person, cards), Audience.NamedAndStaff);
            case ReadCard(var id):
                if (actor.HasLeft) return Refusal.TooLate;
                if (!_lists.TryGetValue(actor.Number, out var list) || !list.Cards.Contains(id)) return Refusal.NotFound;
                return list.Read.Contains(id) ? Refusal.ChangedSince : new Decision.Accepted(new CardRead(id), Audience.AuthorAndStaff);
            default: return Refusal.NotAllowed;
        }
    }

    internal void Set(RoomEvent happened, int actor)
    {
        switch (happened)
        {
            case ReadingGiven(var person, var cards):
                ImmutableArray<long> read = _lists.TryGetValue(person, out var before) ? before.Read : [];
                _lists[person] = new(person, [.. read.Concat(cards).Distinct().Order()], read);
                break;
            case CardRead(var card) when _lists.TryGetValue(actor, out var list): _lists[actor] = list with { Read = [.. list.Read, card] }; break;
        }
    }

    internal void Restore(ImmutableArray<ReadingList> lists)
    {
        foreach (var list in lists) _lists[list.Person] = list;
    }
}
