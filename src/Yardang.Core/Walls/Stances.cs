using System.Collections.Immutable;
using Yardang.Core.Rooms;
using Yardang.Core.Wire;

namespace Yardang.Core.Walls;

/// <summary>How far a wall is with where students stand. The numbers are on the wire.</summary>
public enum StanceStage
{
    /// <summary>Each says where they stand at first.</summary>
    First = 0,

    /// <summary>Each says where they stand now, and which card moved them.</summary>
    Again = 1,

    /// <summary>Everybody sees who stands where in numbers, from first to now.</summary>
    Shown = 2,
}

/// <summary>Say where one stands: at one of the positions of the plan, from 1; 0 for nowhere. <c>Moved</c>: asked again, the card that moved one; 0 for none.</summary>
[Kind(74)]
public sealed record TakeStance(int At, long Moved) : Command;

/// <summary>Staff: ask again, show what moved, or go on.</summary>
[Kind(75)]
public sealed record SteerStances(StanceStage Stage) : Command;

/// <summary>The actor stands there now.</summary>
[Kind(107)]
public sealed record StanceTaken(StanceStage Stage, int At, long Moved) : RoomEvent;

/// <summary>It goes on like this. <c>Shifts</c>: where it is shown, what moved.</summary>
[Kind(108)]
public sealed record StancesSteered(StanceStage Stage, StanceShifts? Shifts) : RoomEvent;

/// <summary>Where somebody stands. It is known to them, and to teachers.</summary>
/// <param name="Person">Who, by actor number.</param>
/// <param name="First">At first: a position from 1; 0 if they did not say.</param>
/// <param name="Second">Asked again; 0 if they did not say.</param>
/// <param name="Moved">The card that moved them; 0 for none.</param>
public sealed record Stance(int Person, int First, int Second, long Moved);

/// <summary>A card that moved people.</summary>
/// <param name="Card">Which card.</param>
/// <param name="People">How many stand elsewhere than at first, and name it.</param>
public sealed record MovingCard(long Card, int People);

/// <summary>Who stood where and stands where, in numbers; of those who said both.</summary>
/// <param name="Table">How many went from each position to each: row by row, a row for each position at first. As many rows as columns.</param>
/// <param name="Cards">The cards that moved most, at most <see cref="MostCards"/>.</param>
public sealed record StanceShifts(ImmutableArray<int> Table, ImmutableArray<MovingCard> Cards)
{
    /// <summary>Most cards that are named.</summary>
    public const int MostCards = 5;

    /// <summary>Computes them: a turnover table, whose margins are where people stood and stand.</summary>
    /// <param name="positions">How many positions there are.</param>
    /// <param name="stances">Where each stands.</param>
    /// <param name="isKnown">Whether everybody may know of a card.</param>
    public static StanceShifts Of(int positions, IEnumerable<Stance> stances, Func<long, bool> isKnown)
    {
        var table = new int[positions * positions];
        var moved = new Dictionary<long, int>();
        foreach (var (_, first, second, card) in stances.Where(s => s.First > 0 && s.Second > 0))
        {
            table[((first - 1) * positions) + second - 1]++;
            if (first != second && card != 0 && isKnown(card)) moved[card] = moved.GetValueOrDefault(card) + 1;
        }

        return new([.. table], [.. InOrder(moved.Select(m => new MovingCard(m.Key, m.Value))).Take(MostCards)]);
    }

    /// <summary>How many people are in it.</summary>
    public int People() => Table.Sum();

    /// <summary>The same with cards that are known by other ids.</summary>
    public StanceShifts WithIds(Func<long, long> id) => this with { Cards = [.. InOrder(Cards.Select(c => c with { Card = id(c.Card) }))] };

    /// <summary>The same with some of the cards only.</summary>
    public StanceShifts OfThose(Func<long, bool> isThere) => this with { Cards = [.. Cards.Where(c => isThere(c.Card))] };

    /// <summary>Whether they can be what became of as many positions, with these cards.</summary>
    public bool IsSound(int positions, IReadOnlySet<long> cards) => Table.Length == positions * positions && Table.All(n => n is >= 0 and <= Limits.People)
        && People() <= Limits.People && Cards.Length <= MostCards && Cards.All(c => cards.Contains(c.Card) && c.People > 0 && c.People <= People()) && Cards.DistinctBy(c => c.Card).Count() == Cards.Length;

    /// <inheritdoc/>
    public bool Equals(StanceShifts? other) => other is not null && Table.AsSpan().SequenceEqual(other.Table.AsSpan()) && Cards.AsSpan().SequenceEqual(other.Cards.AsSpan());

    /// <inheritdoc/>
    public override int GetHashCode() => HashCode.Combine(People(), Cards.Length);

    private static IEnumerable<MovingCard> InOrder(IEnumerable<MovingCard> cards) => cards.OrderByDescending(c => c.People).ThenBy(c => c.Card);
}

/// <summary>What a reader knows of where students stand.</summary>
/// <param name="Stage">How far it is.</param>
/// <param name="Own">Who stands where: all, or their own.</param>
/// <param name="Shown">What moved, as it was shown; null if it is not.</param>
public sealed record StancesState(StanceStage Stage, ImmutableArray<Stance> Own, StanceShifts? Shown)
{
    /// <summary>Nothing yet.</summary>
    public static readonly StancesState Begun = new(StanceStage.First, [], null);
}

/// <summary>
/// Where students stand on the question of a wall: at first, and once more when they have read what others put up, with the card that moved them. What each said
/// they know themselves, and teachers; all know what became of it in numbers, once a teacher shows it.
/// </summary>
public sealed class Stances
{
    /// <summary>Most positions of a wall.</summary>
    public const int Most = 5;

    /// <summary>Least positions, if there are any.</summary>
    public const int Least = 2;

    /// <summary>How many must have said both before anything is shown where names are hidden.</summary>
    public const int LeastPeople = 5;

    private readonly SortedDictionary<int, Stance> _own = [];

    /// <summary>How far it is.</summary>
    public StanceStage Stage { get; private set; }

    /// <summary>What moved, as it was shown; null if it is not.</summary>
    public StanceShifts? Shown { get; private set; }

    /// <summary>Where each stands, by actor number.</summary>
    public IReadOnlyDictionary<int, Stance> All => _own;

    /// <summary>As a reader knows it.</summary>
    public StancesState StateFor(Func<Stance, bool> isSeen) => new(Stage, [.. _own.Values.Where(isSeen)], Shown);

    /// <summary>What moved, as it is now.</summary>
    /// <param name="plan">What is planned for the wall.</param>
    /// <param name="isKnown">Whether everybody may know of a card.</param>
    public StanceShifts Now(WallPlan plan, Func<long, bool> isKnown) => StanceShifts.Of(plan.Rules.Positions.Length, _own.Values, isKnown);

    /// <summary>What comes of a command.</summary>
    /// <param name="command">One of those in this file.</param>
    /// <param name="plan">What is planned for the wall.</param>
    /// <param name="actor">Whose command it is.</param>
    /// <param name="mayWrite">Whether students may write now.</param>
    /// <param name="find">A card that is up and that the actor sees; null if there is none.</param>
    /// <param name="isKnown">Whether everybody may know of a card.</param>
    internal Decision Decide(Command command, WallPlan plan, Actor actor, bool mayWrite, Func<long, Card?> find, Func<long, bool> isKnown)
    {
        if (actor.IsStaff == command is TakeStance || plan.Rules.Positions.IsEmpty) return Refusal.NotAllowed;
        switch (command)
        {
            case TakeStance(var at, var moved):
                // What is said too late counts no more: others may have seen what moved meanwhile.
                if (actor.HasLeft || !mayWrite || Stage == StanceStage.Shown) return Refusal.TooLate;
                if (at < 0 || at > plan.Rules.Positions.Length) return Refusal.OutOfRange;
                var before = _own.GetValueOrDefault(actor.Number) ?? new(actor.Number, 0, 0, 0);
                if (Set(before, Stage, at, moved) == before) return Refusal.ChangedSince;
                if (before is { First: 0, Second: 0 } && _own.Count >= Limits.People) return Refusal.Full;
                if (moved == 0) return new Decision.Accepted(new StanceTaken(Stage, at, moved), Audience.AuthorAndStaff);
                if (Stage == StanceStage.First || at == 0) return Refusal.NotAllowed;
                if (find(moved) is not { } card) return Refusal.NotFound;
                return card.Author == actor.Number && !card.ByStaff ? Refusal.NotAllowed : new Decision.Accepted(new StanceTaken(Stage, at, moved), Audience.AuthorAndStaff);
            case SteerStances(var stage):
                if (!Enum.IsDefined(stage)) return Refusal.OutOfRange;
                if (stage == Stage) return Refusal.ChangedSince;
                if (stage != StanceStage.Shown) return new StancesSteered(stage, null);
                var shifts = Now(plan, isKnown);
                return plan.HidesNames && shifts.People() < LeastPeople ? Refusal.TooFew : new StancesSteered(stage, shifts);
            default: return Refusal.NotAllowed;
        }
    }

    internal void Set(RoomEvent happened, int actor)
    {
        switch (happened)
        {
            case StanceTaken(var stage, var at, var moved):
                var now = Set(_own.GetValueOrDefault(actor) ?? new(actor, 0, 0, 0), stage, at, moved);
                if (now is { First: 0, Second: 0 }) _own.Remove(actor);
                else _own[actor] = now;
                break;
            case StancesSteered(var stage, var shifts): (Stage, Shown) = (stage, shifts); break;
        }
    }

    /// <summary>
    /// The plan is another: where there are more or fewer positions it begins anew. What was shown is shown no more where from now on each sees only their own cards.
    /// </summary>
    internal void Follow(WallPlan before, WallPlan plan)
    {
        if (before.Rules.Positions.Length != plan.Rules.Positions.Length) Restore(StancesState.Begun);
        else if (plan.Rules.OwnFirst && !before.Rules.OwnFirst && Stage == StanceStage.Shown) (Stage, Shown) = (StanceStage.Again, null);
    }

    internal void Restore(StancesState state)
    {
        _own.Clear();
        foreach (var stance in state.Own) _own[stance.Person] = stance;
        (Stage, Shown) = (state.Stage, state.Shown);
    }

    private static Stance Set(Stance before, StanceStage stage, int at, long moved) => stage == StanceStage.First ? before with { First = at } : before with { Second = at, Moved = moved };
}
