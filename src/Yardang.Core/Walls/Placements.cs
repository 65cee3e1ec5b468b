using Yardang.Core.Rooms;

namespace Yardang.Core.Walls;

/// <summary>
/// On a wall to order: where each student placed cards for themselves. What each did is told to themselves and to teachers, until a teacher shows the order of the
/// class: then nobody places any more, so that nobody follows the others.
/// </summary>
public sealed class Placements
{
    /// <summary>Most cards that are placed, by all together: each is compared with each.</summary>
    public const int MostCards = 300;

    /// <summary>Most places of all placements.</summary>
    public const int Most = 100_000;

    private readonly SortedDictionary<(int Person, long Card), LineSpot> _own = [];
    private readonly Dictionary<long, int> _placed = [];

    /// <summary>All placements, by person and card.</summary>
    public IEnumerable<OwnPlace> Own => _own.Select(p => new OwnPlace(p.Key.Person, p.Key.Card, p.Value));

    /// <summary>The order of the class as it was shown; null if it is not.</summary>
    public ClassOrder? Shown { get; private set; }

    /// <summary>As a reader knows it.</summary>
    public PlacingState StateFor(Func<OwnPlace, bool> isSeen) => new([.. Own.Where(isSeen)], Shown);

    /// <summary>Where somebody placed a card; null if they did not.</summary>
    public LineSpot? Of(int person, long card) => _own.GetValueOrDefault((person, card));

    /// <summary>Who has placed anything, by actor number.</summary>
    public IEnumerable<int> People => _own.Keys.Select(k => k.Person).Distinct();

    /// <summary>The order of the class now, of some cards.</summary>
    public ClassOrder Order(LineKind kind, IEnumerable<long> cards) => ClassOrder.Of(kind, Own, cards);

    /// <summary>Why somebody cannot place a card that they see; null if they can.</summary>
    /// <param name="place">What they do.</param>
    /// <param name="card">The card.</param>
    /// <param name="plan">What is planned for the wall.</param>
    /// <param name="actor">Who.</param>
    internal Refusal? WhyNot(PlaceCard place, Card card, WallPlan plan, Actor actor)
    {
        if (plan.LineShown is not { } line) return Refusal.NotAllowed;
        if (place.At is { } at && !line.Holds(at)) return Refusal.OutOfRange;
        if (!line.Together) return WhyNotAlone(place, actor);

        // While each sees only their own, a teacher's card that is placed on everybody's line would be seen there by all.
        if (!actor.IsStaff && plan.Rules.OwnFirst && card.ByStaff) return Refusal.NotAllowed;
        return card.At == place.At ? Refusal.ChangedSince : null;
    }

    // What comes too late counts no more: others may have seen the order meanwhile.
    private Refusal? WhyNotAlone(PlaceCard place, Actor actor)
    {
        if (actor.IsStaff) return Refusal.NotAllowed;
        if (Shown is not null) return Refusal.TooLate;
        var before = Of(actor.Number, place.Card);
        if (before == place.At) return Refusal.ChangedSince;
        if (place.At is null || before is not null) return null;
        return _own.Count >= Most || (_placed.Count >= MostCards && !_placed.ContainsKey(place.Card)) ? Refusal.Full : null;
    }

    /// <summary>The plan is another: what was shown of another line is shown no more, nor anything where from now on each sees only their own cards.</summary>
    internal void Follow(WallPlan before, WallPlan plan)
    {
        if (plan.Line is null || plan.Line.Together || plan.Line.Kind != Shown?.Kind || (plan.Rules.OwnFirst && !before.Rules.OwnFirst)) Shown = null;
    }

    internal void Place(int person, long card, LineSpot? at)
    {
        if (_own.Remove((person, card)) && --_placed[card] == 0) _placed.Remove(card);
        if (at is null) return;
        _own[(person, card)] = at;
        _placed[card] = _placed.GetValueOrDefault(card) + 1;
    }

    internal void Show(ClassOrder? order) => Shown = order;

    internal void Restore(PlacingState state)
    {
        foreach (var (person, card, at) in state.Own) Place(person, card, at);
        Shown = state.Shown;
    }
}
