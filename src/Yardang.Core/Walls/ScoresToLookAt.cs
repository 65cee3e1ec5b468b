namespace Yardang.Core.Walls;

/// <summary>What a teacher may want to look at in how students scored each other. It accuses nobody: it may all be deserved. Students are never told.</summary>
public abstract record ScoresToLookAt
{
    private const int LeastOfOne = 4;
    private const int LeastOthers = 3;

    private ScoresToLookAt()
    {
    }

    /// <summary>Each gave the other the highest score, and others scored both lower on the whole.</summary>
    public sealed record EachOther(int One, int Other) : ScoresToLookAt;

    /// <summary>Somebody gave so many cards the same score, the highest or the lowest.</summary>
    public sealed record AlwaysTheSame(int Judge, int Score, int Cards) : ScoresToLookAt;

    /// <summary>Somebody's score of a card is far from what all others gave it.</summary>
    /// <param name="Judge">Who, by actor number.</param>
    /// <param name="Card">Which.</param>
    /// <param name="Score">What they gave.</param>
    /// <param name="Others">The mean of what the others gave.</param>
    public sealed record FarFromOthers(int Judge, long Card, int Score, double Others) : ScoresToLookAt;

    /// <summary>All that there is to look at in a round.</summary>
    /// <param name="scores">Who gave which card how much.</param>
    /// <param name="authorOf">Whose card it is, by actor number; 0 for a teacher's.</param>
    /// <param name="points">The highest score.</param>
    public static IReadOnlyList<ScoresToLookAt> In(IReadOnlyCollection<(int Judge, long Card, int Score)> scores, Func<long, int> authorOf, int points)
    {
        var found = new List<ScoresToLookAt>();
        found.AddRange(Mutual(scores, authorOf, points));
        foreach (var judge in scores.GroupBy(s => s.Judge).OrderBy(g => g.Key))
        {
            var given = judge.Select(s => s.Score).Distinct().ToList();
            if (judge.Count() >= LeastOfOne && given is [var only] && (only == 1 || only == points)) found.Add(new AlwaysTheSame(judge.Key, only, judge.Count()));
        }

        // From half of the scale on: of 4 points, a 4 where all others gave 2 and less.
        var far = (points - 1) * 0.5;
        foreach (var card in scores.GroupBy(s => s.Card).OrderBy(g => g.Key).Where(c => c.Count() > LeastOthers))
        {
            foreach (var (judge, _, score) in card.OrderBy(s => s.Judge))
            {
                var others = (card.Sum(s => s.Score) - score) / (double)(card.Count() - 1);
                var isApart = card.Where(s => s.Judge != judge).All(s => Math.Sign(s.Score - score) == Math.Sign(others - score));
                if (isApart && Math.Abs(score - others) >= far) found.Add(new FarFromOthers(judge, card.Key, score, others));
            }
        }

        return found;
    }

    private static IEnumerable<EachOther> Mutual(IReadOnlyCollection<(int Judge, long Card, int Score)> scores, Func<long, int> authorOf, int points)
    {
        var between = scores.Where(s => authorOf(s.Card) != 0).GroupBy(s => (From: s.Judge, To: authorOf(s.Card))).ToDictionary(g => g.Key, g => g.All(s => s.Score == points));
        bool IsLowerElsewhere(int author, int besides)
        {
            var others = scores.Where(s => authorOf(s.Card) == author && s.Judge != besides).Select(s => s.Score).ToList();
            return others.Count > 0 && others.Average() < points - 0.5;
        }

        return between.Where(b => b.Value && b.Key.From < b.Key.To && between.GetValueOrDefault((b.Key.To, b.Key.From)))
            .Where(b => IsLowerElsewhere(b.Key.From, b.Key.To) && IsLowerElsewhere(b.Key.To, b.Key.From))
            .OrderBy(b => b.Key).Select(b => new EachOther(b.Key.From, b.Key.To));
    }
}
