using System.Collections.Immutable;

namespace Yardang.Core.Walls;

/// <summary>What the links of a wall say together. The browser computes the same, held equal by golden vectors.</summary>
/// <param name="Loose">Cards without a link, by id.</param>
/// <param name="Chains">Cards that lead from one to the next: each but the first and last has one link that comes and one that goes; three cards at least. By their first cards.</param>
/// <param name="Loops">Cards that lead back to the first: of each set in which every card leads to every other, the shortest way round through its first card, found breadth first. By
/// their first cards.</param>
public sealed record LinkReading(ImmutableArray<long> Loose, ImmutableArray<ImmutableArray<long>> Chains, ImmutableArray<ImmutableArray<long>> Loops)
{
    /// <summary>Reads links between cards.</summary>
    /// <param name="cards">The ids of cards.</param>
    /// <param name="links">Links between them; what joins others does not count.</param>
    public static LinkReading Of(IEnumerable<long> cards, IEnumerable<Link> links)
    {
        var all = cards.Order().ToList();
        var known = all.ToHashSet();
        var pairs = links.Where(l => known.Contains(l.From) && known.Contains(l.To)).Select(l => (l.From, l.To)).Distinct().Order().ToList();
        var to = pairs.ToLookup(p => p.From, p => p.To);
        var from = pairs.ToLookup(p => p.To, p => p.From);
        return new([.. all.Where(c => !to.Contains(c) && !from.Contains(c))], ChainsIn(all, to, from), LoopsIn(all, to));
    }

    private static ImmutableArray<ImmutableArray<long>> ChainsIn(List<long> all, ILookup<long, long> to, ILookup<long, long> from)
    {
        bool IsInner(long card) => to[card].Count() == 1 && from[card].Count() == 1 && to[card].First() != from[card].First();
        var chains = ImmutableArray.CreateBuilder<ImmutableArray<long>>();
        foreach (var first in all.Where(c => !IsInner(c)))
        {
            foreach (var second in to[first])
            {
                List<long> chain = [first, second];
                while (IsInner(chain[^1])) chain.Add(to[chain[^1]].First());
                if (chain.Count > 2 && chain[^1] != first) chains.Add([.. chain]);
            }
        }

        return chains.ToImmutable();
    }

    private static ImmutableArray<ImmutableArray<long>> LoopsIn(List<long> all, ILookup<long, long> to)
    {
        var loops = ImmutableArray.CreateBuilder<ImmutableArray<long>>();
        var seen = new HashSet<long>();
        foreach (var first in all.Where(c => !seen.Contains(c)))
        {
            if (ShortestRound(first, to) is not { } loop) continue;
            loops.Add(loop);

            // All that lead here and to which this leads are of the same set.
            var forth = Reached(first, to);
            seen.UnionWith(forth.Where(c => Reached(c, to).Contains(first)));
        }

        return loops.ToImmutable();
    }

    // Breadth first: the shortest, and of those the one with the smallest ids.
    private static ImmutableArray<long>? ShortestRound(long first, ILookup<long, long> to)
    {
        var before = new Dictionary<long, long>();
        var queue = new Queue<long>([first]);
        while (queue.TryDequeue(out var card))
        {
            foreach (var next in to[card])
            {
                if (next == first)
                {
                    List<long> loop = [card];
                    while (loop[^1] != first) loop.Add(before[loop[^1]]);
                    loop.Reverse();
                    return [.. loop];
                }

                if (before.TryAdd(next, card)) queue.Enqueue(next);
            }
        }

        return null;
    }

    private static HashSet<long> Reached(long first, ILookup<long, long> to)
    {
        var reached = new HashSet<long>();
        var queue = new Queue<long>([first]);
        while (queue.TryDequeue(out var card))
        {
            foreach (var next in to[card])
            {
                if (reached.Add(next)) queue.Enqueue(next);
            }
        }

        return reached;
    }
}
