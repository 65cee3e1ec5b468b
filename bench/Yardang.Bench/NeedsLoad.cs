using Yardang.Core.Lessons;
using Yardang.Core.Needs;

namespace Yardang.Bench;

/// <summary>The rules of who needs the teacher, on scripted lessons that were not used to tune them: who of the truly stuck is listed in time, and who is listed for nothing.</summary>
internal static class NeedsLoad
{
    private const int Tick = 5_000;
    private const long InTime = 120_000;

    // So long after somebody is listed the teacher has been with them; who was stuck has been helped and is left out from then on.
    private const long Comes = 60_000;

    private static readonly NeedKind[] s_seen = [NeedKind.Stopped, NeedKind.NotStarted, NeedKind.InCircles];

    public static void Run(int firstSeed, int seeds)
    {
        var (listed, alarms) = Measure(firstSeed, seeds, 1);

        // How far that rests on the lengths of pauses that were assumed.
        var (slower, heavier) = Measure(firstSeed, seeds, 1.25);
        Console.WriteLine($"where long pauses are longer (a standard deviation larger by a quarter): {slower:0.0} % listed in time, {heavier:0.0} an hour for nothing");
        Verdict.SayAtLeast("truly stuck, listed within 2 minutes", listed, 90, "%");
        Verdict.Say("listed for nothing, per hour of a class of 30", alarms, 3, "times");
    }

    private static (double Listed, double Alarms) Measure(int firstSeed, int seeds, double heaviness)
    {
        ScriptedClass.Heaviness = heaviness;
        var (stuck, listed, silent, silentListed, never, neverListed, off, offListed, alarms) = (0, 0, 0, 0, 0, 0, 0, 0, 0);
        var byKind = new Dictionary<NeedKind, int>();
        for (var seed = firstSeed; seed < firstSeed + seeds; seed++)
        {
            var scripts = ScriptedClass.Of(seed);
            var (first, wrong) = Follow(scripts);
            foreach (var kind in wrong) byKind[kind] = byKind.GetValueOrDefault(kind) + 1;
            alarms += wrong.Count;
            for (var i = 0; i < scripts.Count; i++)
            {
                var script = scripts[i];
                if (script.StuckAt is { } at && at < ScriptedClass.Length - InTime)
                {
                    var inTime = first.TryGetValue(i, out var found) && found - at <= InTime;
                    (stuck, listed) = (stuck + 1, listed + (inTime ? 1 : 0));
                    if (!script.Fiddles) (silent, silentListed) = (silent + 1, silentListed + (inTime ? 1 : 0));
                }
                else if (script.Habit == Habit.NeverStarts) (never, neverListed) = (never + 1, neverListed + (first.ContainsKey(i) ? 1 : 0));
                else if (script.OffFrom is not null && script.StuckAt is null) (off, offListed) = (off + 1, offListed + (first.ContainsKey(i) ? 1 : 0));
            }
        }

        Console.WriteLine($"{seeds} lessons from seed {firstSeed}; of {silent} who were stuck and silent {silentListed} were listed in time, of {stuck - silent} who wrote and took away {listed - silentListed}; of {never} who never started {neverListed}, of {off} who were off for 150 s {offListed}");
        Console.WriteLine("for nothing: " + string.Join(", ", byKind.Select(k => $"{k.Key} {k.Value}")));
        return (100.0 * listed / stuck, alarms / (seeds * (ScriptedClass.Length / 3_600_000.0)));
    }

    private static (Dictionary<int, long> First, List<NeedKind> Wrong) Follow(IReadOnlyList<Script> scripts)
    {
        var pace = scripts.Select(_ => Pace.Unknown).ToArray();
        var (next, size) = (new int[scripts.Count], new int[scripts.Count]);
        var first = new Dictionary<int, long>();
        var helped = new Dictionary<int, long>();
        var visits = new Dictionary<int, LastVisit>();
        var known = new HashSet<(int, NeedKind, long)>();
        var wrong = new List<NeedKind>();
        var lull = 0L;
        for (long now = Tick; now < ScriptedClass.Length; now += Tick)
        {
            for (var i = 0; i < scripts.Count; i++)
            {
                long? last = pace[i].LastAct;
                for (; next[i] < scripts[i].Acts.Count && scripts[i].Acts[next[i]].At <= now; next[i]++)
                {
                    size[i] += scripts[i].Acts[next[i]].Growth;
                    last = scripts[i].Acts[next[i]].At;
                }

                if (!helped.ContainsKey(i)) pace[i] = pace[i].Seen(last, size[i], Math.Max(lull, visits.GetValueOrDefault(i + 2)?.At ?? 0), now);
                if (helped.TryGetValue(i, out var at) && now >= at) visits[i + 2] = new(i + 2, now);
            }

            var students = scripts.Select((_, i) => new Student(new Person(i + 2, 0), new Contact(true, 0), pace[i], 0, 0, 0)).ToList();
            lull = NeedsMe.LullUntil(lull, students, now);
            var needs = NeedsMe.Of(new(students, MayWrite: true, NeedsSettings.Usual, new Dictionary<(int, NeedKind), AnsweredNeed>(), visits, [], lull, now, []));
            foreach (var need in needs.Where(n => s_seen.Contains(n.Kind)))
            {
                var i = need.Person - 2;
                var since = need.Kind == NeedKind.InCircles ? 0 : need.Since;
                if (helped.ContainsKey(i) || !known.Add((i, need.Kind, since))) continue;
                if (scripts[i].IsInNeed(now))
                {
                    first.TryAdd(i, now);
                    if (scripts[i].Habit == Habit.NeverStarts || scripts[i].StuckAt <= now) helped[i] = now + Comes;
                }
                else
                {
                    wrong.Add(need.Kind);
                    visits[need.Person] = new(need.Person, now);
                }
            }
        }

        return (first, wrong);
    }
}
