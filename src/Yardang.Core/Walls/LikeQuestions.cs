using Yardang.Core.Likeness;

namespace Yardang.Core.Walls;

/// <summary>Questions that were asked before, found while another one is typed.</summary>
public sealed class LikeQuestions
{
    /// <summary>Most that are found at once.</summary>
    public const int Most = 3;

    // Below it, what is found has only words in common that many have: measured with the questions of the bench.
    private const double LeastLikeness = 0.2;

    private readonly LikeTexts _texts = new();
    private readonly Dictionary<long, string> _known = [];

    /// <summary>The questions that resemble what is being typed, answered ones first, then the most alike.</summary>
    /// <param name="cards">All of the wall, by id.</param>
    /// <param name="isSeen">Whether who types may know of a card.</param>
    /// <param name="text">What is being typed.</param>
    public IReadOnlyList<long> Find(IReadOnlyDictionary<long, Card> cards, Func<Card, bool> isSeen, string text)
    {
        Follow(cards);
        return [.. _texts.Find(text, LeastLikeness, id => cards[id] is { IsUp: true } card && isSeen(card)).Take(Most).OrderByDescending(f => cards[f.Id].IsAnswered).Select(f => f.Id)];
    }

    // What was changed since it was looked at last. Cards are never forgotten, only taken down.
    private void Follow(IReadOnlyDictionary<long, Card> cards)
    {
        foreach (var (id, card) in cards)
        {
            if (_known.TryGetValue(id, out var text) && ReferenceEquals(text, card.Text)) continue;
            _known[id] = card.Text;
            _texts.Set(id, card.Text);
        }
    }
}
