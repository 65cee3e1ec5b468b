using System.Collections.Immutable;

namespace Yardang.Core.Groups;

/// <summary>
/// Makes groups at random, as even in size as can be, with a teacher's wishes fulfilled and a hidden level balanced as far as possible:
/// simulated annealing over exchanges of two people (Kirkpatrick, Gelatt, Vecchi: Optimization by Simulated Annealing, Science 220, 1983).
/// The same chance gives the same groups.
/// </summary>
public static class GroupMaker
{
    private const int WishWeight = 1_000;
    private const int TriesPerPerson = 3_000;
    private const double Hot = 800;
    private const double Cold = 0.05;

    /// <summary>How many groups of about a size so many people make: so that no group is far from it.</summary>
    public static int CountFor(int people, int size) => people == 0 ? 0 : Math.Max(1, (int)Math.Round((double)people / Math.Max(1, size), MidpointRounding.AwayFromZero));

    /// <summary>Makes so many groups of all these people; sizes differ by one at most.</summary>
    /// <param name="people">Everybody, each once.</param>
    /// <param name="count">How many groups; no more than people are made.</param>
    /// <param name="wishes">Who with whom.</param>
    /// <param name="level">The hidden level of a person, any small number; null where nothing is to be balanced.</param>
    /// <param name="random">The chance.</param>
    public static ImmutableArray<ImmutableArray<int>> Make(IReadOnlyList<int> people, int count, Wishes wishes, Func<int, int>? level, Random random)
    {
        count = Math.Clamp(count, people.Count == 0 ? 0 : 1, Math.Max(people.Count, 0));
        if (count == 0) return [];
        var mixed = people.ToArray();
        random.Shuffle(mixed);
        var search = new Search(mixed, count, wishes, level, random);
        if (count > 1) search.Run(TriesPerPerson * mixed.Length);
        return search.Groups();
    }

    private sealed class Search
    {
        private readonly int[] _people;
        private readonly int[] _groupOf;
        private readonly List<int>[] _members;
        private readonly int[,] _weight;
        private readonly double[] _level;
        private readonly double[] _sum;
        private readonly double _mean;
        private readonly Random _random;

        public Search(int[] people, int count, Wishes wishes, Func<int, int>? level, Random random)
        {
            (_people, _random) = (people, random);
            _groupOf = [.. people.Select((_, i) => i % count)];
            _members = [.. Enumerable.Range(0, count).Select(g => Enumerable.Range(0, people.Length).Where(i => i % count == g).ToList())];
            _weight = new int[people.Length, people.Length];
            var at = people.Select((p, i) => (p, i)).ToDictionary(x => x.p, x => x.i);
            foreach (var (pairs, weight) in new[] { (wishes.Together, -WishWeight), (wishes.Apart, WishWeight) })
            {
                foreach (var (a, b) in pairs)
                {
                    if (at.TryGetValue(a, out var i) && at.TryGetValue(b, out var j)) _weight[i, j] = _weight[j, i] = weight;
                }
            }

            _level = [.. people.Select(p => (double)(level?.Invoke(p) ?? 0))];
            _mean = _level.Average();
            _sum = [.. _members.Select(m => m.Sum(i => _level[i] - _mean))];
        }

        public void Run(int tries)
        {
            for (var t = 0; t < tries; t++)
            {
                var heat = Hot * Math.Pow(Cold / Hot, (double)t / tries);
                int a = _random.Next(_people.Length), b = _random.Next(_people.Length);
                if (_groupOf[a] == _groupOf[b]) continue;
                var worse = Difference(a, b);
                if (worse <= 0 || _random.NextDouble() < Math.Exp(-worse / heat)) Exchange(a, b);
            }
        }

        public ImmutableArray<ImmutableArray<int>> Groups() => [.. _members.Select(m => m.Select(i => _people[i]).ToImmutableArray())];

        private double Difference(int a, int b)
        {
            int ga = _groupOf[a], gb = _groupOf[b];
            var wishes = Against(b, ga, a) + Against(a, gb, b) - Against(a, ga, a) - Against(b, gb, b);
            var shift = _level[b] - _level[a];
            double Square(double x) => x * x;
            return wishes + Square(_sum[ga] + shift) + Square(_sum[gb] - shift) - Square(_sum[ga]) - Square(_sum[gb]);
        }

        private int Against(int person, int group, int except)
        {
            var sum = 0;
            foreach (var other in _members[group])
            {
                if (other != except) sum += _weight[person, other];
            }

            return sum;
        }

        private void Exchange(int a, int b)
        {
            int ga = _groupOf[a], gb = _groupOf[b];
            _members[ga][_members[ga].IndexOf(a)] = b;
            _members[gb][_members[gb].IndexOf(b)] = a;
            (_groupOf[a], _groupOf[b]) = (gb, ga);
            _sum[ga] += _level[b] - _level[a];
            _sum[gb] += _level[a] - _level[b];
        }
    }
}
