using System.Collections.Immutable;

namespace Yardang.Core.Groups;

/// <summary>Groups for several lessons, so that partners repeat as little as possible.</summary>
/// <param name="Lessons">For each lesson its groups.</param>
/// <param name="Repeats">Over all pairs of people, the meetings beyond the first; of pairs who are to stay together, none is counted.</param>
/// <param name="LeastRepeats">No plan for so many people, groups and lessons can have fewer.</param>
public sealed record Rotation(ImmutableArray<ImmutableArray<ImmutableArray<int>>> Lessons, int Repeats, int LeastRepeats)
{
    private const int TriesPerSeat = 40_000;
    private const double Hot = 2.2;
    private const double Cold = 0.12;

    /// <summary>
    /// Plans the groups of several lessons. Where a construction without any repeat is known (<see cref="Constructions"/>) and there are no wishes,
    /// it is used; otherwise simulated annealing over exchanges within a lesson, as for the "social golfer problem" (Dotú, Van Hentenryck: Scheduling
    /// Social Golfers Locally, CPAIOR 2005, with annealing in place of tabu search).
    /// </summary>
    /// <param name="people">Everybody, each once; at least two.</param>
    /// <param name="size">About how many in a group.</param>
    /// <param name="lessons">How many lessons, at least one.</param>
    /// <param name="wishes">Who with whom, in every lesson.</param>
    /// <param name="random">The chance.</param>
    public static Rotation Plan(IReadOnlyList<int> people, int size, int lessons, Wishes wishes, Random random)
    {
        var count = GroupMaker.CountFor(people.Count, size);
        var mixed = people.ToArray();
        random.Shuffle(mixed);
        var isFree = wishes.Together.IsEmpty && wishes.Apart.IsEmpty;
        var plan = (isFree ? Constructions.Find(people.Count, size, lessons) : null) is { } known
            ? Named(known, mixed)
            : new Search(mixed, count, lessons, wishes, random).Run();
        return new(plan, RepeatsIn(plan, wishes), LeastRepeatsFor(people.Count, count, lessons));
    }

    /// <summary>
    /// One lesson's groups without those who are absent, with the fewest changes: only who is left alone joins another group; one that their wishes
    /// allow, of those the smallest, of those the one whose people they meet least in the other lessons.
    /// </summary>
    /// <param name="plan">The groups of all lessons.</param>
    /// <param name="nth">The lesson, from 0.</param>
    /// <param name="absent">Who is not there.</param>
    /// <param name="wishes">Who is to be in one group, and who is not.</param>
    public static ImmutableArray<ImmutableArray<int>> Without(ImmutableArray<ImmutableArray<ImmutableArray<int>>> plan, int nth, IReadOnlySet<int> absent, Wishes wishes)
    {
        var left = plan[nth].Select(g => g.Where(p => !absent.Contains(p)).ToList()).Where(g => g.Count > 0).ToList();
        foreach (var alone in left.Where(g => g.Count == 1).ToList())
        {
            // Another who was alone may have come to them meanwhile.
            if (alone.Count != 1 || left.Count == 1) continue;
            var one = alone[0];
            left.Remove(alone);
            left.MinBy(g => (wishes.Against(one, g), g.Count, plan.RemoveAt(nth).SelectMany(lesson => lesson).Where(g2 => g2.Contains(one)).Sum(g2 => g2.Count(g.Contains))))!.Add(one);
        }

        return [.. left.Select(g => g.ToImmutableArray())];
    }

    /// <summary>
    /// A lower bound: more meetings than there are pairs must repeat, and so must those of one person who meets more than there are others.
    /// </summary>
    public static int LeastRepeatsFor(int people, int groups, int lessons)
    {
        if (groups == 0) return 0;
        var sizes = Enumerable.Range(0, groups).Select(g => (people / groups) + (g < people % groups ? 1 : 0)).ToList();
        var pairs = lessons * sizes.Sum(s => s * (s - 1) / 2);
        var smallest = people / groups;
        var perPerson = Math.Max(0, (lessons * (smallest - 1)) - (people - 1));
        return Math.Max(Math.Max(0, pairs - (people * (people - 1) / 2)), ((people * perPerson) + 1) / 2);
    }

    /// <summary>Over all pairs of people, the meetings beyond the first; of pairs who are to stay together, none is counted.</summary>
    public static int RepeatsIn(ImmutableArray<ImmutableArray<ImmutableArray<int>>> plan, Wishes wishes)
    {
        var meetings = new Dictionary<(int, int), int>();
        foreach (var group in plan.SelectMany(lesson => lesson))
        {
            for (var i = 0; i < group.Length; i++)
            {
                for (var j = 0; j < i; j++)
                {
                    var pair = (Math.Min(group[i], group[j]), Math.Max(group[i], group[j]));
                    meetings[pair] = meetings.GetValueOrDefault(pair) + 1;
                }
            }
        }

        foreach (var (a, b) in wishes.Together) meetings.Remove((Math.Min(a, b), Math.Max(a, b)));
        return meetings.Values.Sum(m => m - 1);
    }

    private static ImmutableArray<ImmutableArray<ImmutableArray<int>>> Named(IReadOnlyList<int[][]> plan, int[] people) =>
        [.. plan.Select(lesson => lesson.Select(group => group.Select(i => people[i]).ToImmutableArray()).ToImmutableArray())];

    private sealed class Search
    {
        private const int WishWeight = 50;
        private readonly int[] _people;
        private readonly int _count;
        private readonly int _lessons;
        private readonly int[,] _met;
        private readonly int[,] _wish;
        private readonly int[][][] _groups;
        private readonly Random _random;
        private int _cost;

        public Search(int[] people, int count, int lessons, Wishes wishes, Random random)
        {
            (_people, _count, _lessons, _random) = (people, count, lessons, random);
            _met = new int[people.Length, people.Length];
            _wish = new int[people.Length, people.Length];
            var at = people.Select((p, i) => (p, i)).ToDictionary(x => x.p, x => x.i);
            foreach (var (pairs, weight) in new[] { (wishes.Together, -WishWeight), (wishes.Apart, WishWeight) })
            {
                foreach (var (a, b) in pairs)
                {
                    if (!at.TryGetValue(a, out var i) || !at.TryGetValue(b, out var j)) continue;
                    _wish[i, j] = _wish[j, i] = weight;

                    // So that nothing is left to wish for at 0.
                    if (weight < 0) _cost += lessons * WishWeight;
                }
            }

            _groups = [.. Enumerable.Range(0, lessons).Select(_ => Dealt())];
            foreach (var group in _groups.SelectMany(g => g))
            {
                for (var i = 0; i < group.Length; i++)
                {
                    for (var j = 0; j < i; j++) _cost += Meet(group[i], group[j]);
                }
            }
        }

        public ImmutableArray<ImmutableArray<ImmutableArray<int>>> Run()
        {
            var tries = TriesPerSeat * _people.Length;
            var best = (Cost: _cost, Groups: Copy());
            for (var t = 0; t < tries && best.Cost > 0; t++)
            {
                var lesson = _groups[_random.Next(_lessons)];
                if (_count < 2) break;
                var (a, b) = (lesson[_random.Next(_count)], lesson[_random.Next(_count)]);
                if (a == b) continue;
                int i = _random.Next(a.Length), j = _random.Next(b.Length);
                var worse = Exchange(a, i, b, j);
                var heat = Hot * Math.Pow(Cold / Hot, (double)t / tries);
                if (worse > 0 && _random.NextDouble() >= Math.Exp(-worse / heat))
                {
                    Exchange(a, i, b, j);
                    continue;
                }

                _cost += worse;
                if (_cost < best.Cost) best = (_cost, Copy());
            }

            return [.. best.Groups.Select(lesson => lesson.Select(g => g.Select(i => _people[i]).ToImmutableArray()).ToImmutableArray())];
        }

        private int[][][] Copy() => [.. _groups.Select(lesson => lesson.Select(g => g.ToArray()).ToArray())];

        private int[][] Dealt()
        {
            var all = Enumerable.Range(0, _people.Length).ToArray();
            _random.Shuffle(all);
            return [.. Enumerable.Range(0, _count).Select(g => all.Where((_, i) => i % _count == g).ToArray())];
        }

        // Each further meeting of a pair costs one more than the one before, so that none meets very often.
        private int Meet(int a, int b)
        {
            _met[b, a] = ++_met[a, b];
            return _wish[a, b] < 0 ? _wish[a, b] : _met[a, b] - 1 + _wish[a, b];
        }

        private int Part(int a, int b)
        {
            _met[b, a] = --_met[a, b];
            return _wish[a, b] < 0 ? -_wish[a, b] : -(_met[a, b] + _wish[a, b]);
        }

        private int Exchange(int[] a, int i, int[] b, int j)
        {
            var worse = 0;
            foreach (var other in a.Where((_, k) => k != i)) worse += Part(a[i], other);
            foreach (var other in b.Where((_, k) => k != j)) worse += Part(b[j], other);
            (a[i], b[j]) = (b[j], a[i]);
            foreach (var other in a.Where((_, k) => k != i)) worse += Meet(a[i], other);
            foreach (var other in b.Where((_, k) => k != j)) worse += Meet(b[j], other);
            return worse;
        }
    }
}
