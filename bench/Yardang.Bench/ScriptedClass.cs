namespace Yardang.Bench;

/// <summary>How somebody behaves in a scripted lesson.</summary>
internal enum Habit
{
    /// <summary>Writes with short pauses.</summary>
    Steady,

    /// <summary>Writes in bursts and thinks between them.</summary>
    Thinker,

    /// <summary>Writes, and is off to somewhere else for a while.</summary>
    Wanderer,

    /// <summary>Never begins.</summary>
    NeverStarts,
}

/// <summary>What happens to somebody in a scripted lesson: when they write and take away, and when they truly are in need.</summary>
/// <param name="Habit">How they behave.</param>
/// <param name="Acts">When they do something, ms, and how much more stands there then (less than zero: they take away).</param>
/// <param name="StuckAt">When they are stuck from, ms; null if never. They do not go on by themselves.</param>
/// <param name="Fiddles">Whether they write and take away when they are stuck; else they do nothing.</param>
/// <param name="OffFrom">When they are off to somewhere else, ms; null if never.</param>
/// <param name="OffTo">Until when.</param>
internal sealed record Script(Habit Habit, IReadOnlyList<(long At, int Growth)> Acts, long? StuckAt, bool Fiddles, long? OffFrom, long? OffTo)
{
    public bool IsInNeed(long now) => Habit == Habit.NeverStarts || (StuckAt <= now) || (OffFrom <= now && now <= OffTo + 30_000);
}

/// <summary>
/// A class of 30 for 40 minutes, by chance. Lengths of pauses are our own assumptions, log-normal as reaction and thinking times commonly are: steady writers
/// pause for 6 s (median; one of 100 pauses longer than 35 s), thinkers write 5 to 15 times and then think for 35 s (median; one of 100 for longer than 90 s). Everybody revises now and then, which takes away, and listens together to the teacher twice.
/// </summary>
internal static class ScriptedClass
{
    public const int People = 30;
    public const long Length = 40 * 60_000;

    /// <summary>How much longer the long pauses are.</summary>
    public static double Heaviness { get; set; } = 1;

    private const double FiddlersOfStuck = 0.25;

    public static IReadOnlyList<Script> Of(int seed)
    {
        var random = new Random(seed);
        (long From, long To)[] talks = [Talk(random, 9), Talk(random, 24)];
        return [.. Enumerable.Range(0, People).Select(i => One(random, HabitOf(random.NextDouble()), isStuck: i % 6 == 0, talks))];
    }

    private static (long From, long To) Talk(Random random, int minute)
    {
        var from = (minute * 60_000L) + random.Next(240_000);
        return (from, from + 90_000 + random.Next(120_000));
    }

    private static Habit HabitOf(double chance) => chance < 0.6 ? Habit.Steady : chance < 0.86 ? Habit.Thinker : chance < 0.96 ? Habit.Wanderer : Habit.NeverStarts;

    private static Script One(Random random, Habit habit, bool isStuck, (long From, long To)[] talks)
    {
        if (habit == Habit.NeverStarts) return new(habit, [], null, false, null, null);
        long? stuckAt = isStuck ? StuckAt(random, talks) : null;
        var fiddles = random.NextDouble() < FiddlersOfStuck;
        long? off = habit == Habit.Wanderer ? (5 * 60_000) + random.Next(28 * 60_000) : null;
        var acts = new List<(long At, int Growth)>();
        var (now, left, revising, stands) = (5_000L + (long)LogNormal(random, 18_000, 0.6), random.Next(5, 16), 0, 0);
        while (now < Length)
        {
            foreach (var (from, to) in talks)
            {
                if (now >= from && now < to) now = to + random.Next(20_000);
            }

            if (off is { } away && now >= away && now < away + 150_000) now = away + 150_000;
            if (now >= stuckAt)
            {
                if (acts.Count > 0 && !fiddles) stuckAt = acts[^1].At;
                break;
            }

            if (revising == 0 && stands > 4 && random.NextDouble() < 0.006) revising = random.Next(2, 5);
            var growth = revising > 0 ? -1 : random.NextDouble() < 0.05 && stands > 0 ? -1 : 1;
            if (revising > 0) revising--;
            stands += growth;
            acts.Add((now, growth));
            now += (long)(habit != Habit.Thinker ? LogNormal(random, 6_000, 0.75 * Heaviness) : --left > 0 ? LogNormal(random, 5_000, 0.6) : Think(random, ref left));
        }

        if (stuckAt is { } at && fiddles)
        {
            var level = stands;
            for (now = at; now < Length; now += 4_000 + random.Next(6_000))
            {
                // What they write does not stay.
                var growth = stands <= level || (stands < level + 3 && random.NextDouble() < 0.5) ? 1 : -1;
                stands += growth;
                acts.Add((now, growth));
            }
        }

        return new(habit, acts, acts.Count == 0 ? null : stuckAt, fiddles, off, off + 150_000);
    }

    // While the class listens nobody can be told apart.
    private static long StuckAt(Random random, (long From, long To)[] talks)
    {
        while (true)
        {
            var at = (4 * 60_000L) + random.Next(32 * 60_000);
            if (talks.All(t => at + 120_000 < t.From || at > t.To + 60_000)) return at;
        }
    }

    private static double Think(Random random, ref int left)
    {
        left = random.Next(5, 16);
        return LogNormal(random, 35_000, 0.4 * Heaviness);
    }

    // Box, Muller 1958.
    private static double LogNormal(Random random, double median, double sigma) =>
        median * Math.Exp(sigma * Math.Sqrt(-2 * Math.Log(1 - random.NextDouble())) * Math.Cos(2 * Math.PI * random.NextDouble()));
}
