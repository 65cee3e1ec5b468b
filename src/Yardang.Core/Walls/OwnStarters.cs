using System.Collections.Immutable;
using Yardang.Core.Pages;
using Yardang.Core.Rooms;
using Yardang.Core.Wire;

namespace Yardang.Core.Walls;

/// <summary>How sentences may begin for one student, besides those for everybody. Classmates are not told.</summary>
/// <param name="Person">Who, by actor number.</param>
/// <param name="Starters">At least one.</param>
public sealed record OwnStarters(int Person, ImmutableArray<Texts> Starters);

/// <summary>Staff: how sentences may begin for one student; nothing takes them away.</summary>
[Kind(80)]
public sealed record GiveStarters(int Person, [AtMost(WallRules.MostStarters)] ImmutableArray<Texts> Starters) : Command;

/// <summary>How sentences may begin for one student now.</summary>
[Kind(113)]
public sealed record StartersGiven(int Person, [AtMost(WallRules.MostStarters)] ImmutableArray<Texts> Starters) : RoomEvent
{
    /// <inheritdoc/>
    public override bool Names(int person) => person == Person;
}

/// <summary>
/// Sentence starters that only some students have. Where names are for nobody there are none: how a card begins would tell teachers whose it is.
/// </summary>
public sealed class StartersForSome
{
    private readonly SortedDictionary<int, OwnStarters> _all = [];

    /// <summary>Everybody's, by actor number.</summary>
    public IReadOnlyDictionary<int, OwnStarters> All => _all;

    /// <summary>Those of the people whom a reader may know of.</summary>
    public ImmutableArray<OwnStarters> For(Func<OwnStarters, bool> isSeen) => [.. _all.Values.Where(isSeen)];

    internal Decision Decide(GiveStarters give, WallPlan plan, Actor actor)
    {
        if (!actor.IsStaff || plan.IsSealed) return Refusal.NotAllowed;
        if (give.Person <= Actor.Owner.Number || !WallRules.AreStarters(give.Starters)) return Refusal.OutOfRange;
        if (!_all.ContainsKey(give.Person) && (give.Starters.IsEmpty || _all.Count >= Limits.People)) return give.Starters.IsEmpty ? Refusal.ChangedSince : Refusal.Full;
        return new Decision.Accepted(new StartersGiven(give.Person, give.Starters), Audience.NamedAndStaff);
    }

    internal void Set(StartersGiven given)
    {
        if (given.Starters.IsEmpty) _all.Remove(given.Person);
        else _all[given.Person] = new(given.Person, given.Starters);
    }

    internal void Follow(WallPlan plan)
    {
        if (plan.IsSealed) _all.Clear();
    }

    internal void Restore(ImmutableArray<OwnStarters> all)
    {
        _all.Clear();
        foreach (var own in all) _all[own.Person] = own;
    }
}
