using Yardang.Core.Likeness;

namespace Yardang.Core.Walls;

/// <summary>Cards that a teacher may want to look at: those that hardly say anything, two that say the same, and those that resemble what stands elsewhere.</summary>
public abstract record CardsToLookAt
{
    /// <summary>How many cards are looked at, the latest: each is compared with all others.</summary>
    public const int MostCards = 1_000;

    /// <summary>How many of each kind are found at most.</summary>
    public const int MostFound = 20;

    // Of what resembles another, both ways: nearly the same; somewhat; by chance.
    private const double Same = 0.6;
    private const double Like = 0.25;
    private const double Hardly = 0.15;
    private const int Fewest = 3;

    private CardsToLookAt()
    {
    }

    /// <summary>It says one word of few letters, or none, and shows nothing.</summary>
    public sealed record NearlyEmpty(long Card) : CardsToLookAt;

    /// <summary>Two cards of two people say nearly the same; the other was put up first.</summary>
    public sealed record NearlyEqual(long Card, long Other) : CardsToLookAt;

    /// <summary>It resembles cards under another topic, and none under its own.</summary>
    public sealed record Elsewhere(long Card, long Topic) : CardsToLookAt;

    /// <summary>All that there is to look at.</summary>
    /// <param name="cards">Those of the wall.</param>
    /// <param name="plan">What is planned for it.</param>
    public static IReadOnlyList<CardsToLookAt> In(IEnumerable<Card> cards, WallPlan plan)
    {
        var up = cards.Where(c => c.IsUp).OrderByDescending(c => c.PutUpAt).ThenByDescending(c => c.Id).Take(MostCards).OrderBy(c => c.PutUpAt).ThenBy(c => c.Id).ToList();
        var (byId, texts) = (up.ToDictionary(c => c.Id), new LikeTexts());
        foreach (var card in up) texts.Set(card.Id, card.Text);
        var (empty, equal, elsewhere) = (new List<CardsToLookAt>(), new List<CardsToLookAt>(), new List<CardsToLookAt>());
        foreach (var card in up.Where(c => !c.ByStaff))
        {
            if (card.Shown.IsEmpty && IsHardlyAnything(card.Text))
            {
                empty.Add(new NearlyEmpty(card.Id));
                continue;
            }

            if (card.Joined != 0 || LikeTexts.WordsOf(card.Text).Count() < Fewest) continue;
            var like = texts.Find(card.Text, Hardly, id => id != card.Id).ToDictionary(f => f.Id, f => f.Likeness);
            var same = like.Where(f => f.Value >= Same && byId[f.Key] is var other && other.Joined == 0 && (other.ByStaff || other.Author != card.Author) && IsBefore(other, card) && IsSame(other.Text, card.Id)).ToList();
            if (same.Count > 0 && plan.TopicsStand) equal.Add(new NearlyEqual(card.Id, same.MaxBy(f => (f.Value, -f.Key)).Key));
            if (plan.Purpose == Purpose.Sort && OtherTopic(card) is { } topic) elsewhere.Add(new Elsewhere(card.Id, topic));

            // Two of them there, and none here: one alone may be by chance.
            long? OtherTopic(Card of)
            {
                if (like.Keys.Any(id => byId[id].Topic == of.Topic)) return null;
                var there = like.Where(f => f.Value >= Like).Select(f => byId[f.Key].Topic).Where(t => t != WallPlan.Nowhere && plan.Topics.Any(p => p.Id == t)).GroupBy(t => t).MaxBy(g => g.Count());
                return there?.Count() >= 2 ? there.Key : null;
            }
        }

        return [.. empty.Take(MostFound), .. equal.Take(MostFound), .. elsewhere.Take(MostFound)];

        // Likeness lets what is there say more than what is looked for: the same is only what resembles both ways.
        bool IsSame(string text, long id) => texts.Find(text, Same, found => found == id).Count > 0;
    }

    private static bool IsBefore(Card one, Card other) => (one.PutUpAt, one.Id).CompareTo((other.PutUpAt, other.Id)) < 0;

    private static bool IsHardlyAnything(string text) => LikeTexts.WordsOf(text).Take(2).ToList() is [] or [{ Length: <= 2 }];
}
