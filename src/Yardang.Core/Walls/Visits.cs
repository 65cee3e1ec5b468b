using System.Collections.Immutable;
using Yardang.Core.Rooms;

namespace Yardang.Core.Walls;

/// <summary>On a wall to visit: who was where, and groups on their way round.</summary>
public sealed class Visits
{
    private readonly SortedDictionary<int, Visit> _visits = [];

    /// <summary>The round trip; null if everybody goes where they like.</summary>
    public RoundTrip? Trip { get; private set; }

    /// <summary>Who was where, by actor number.</summary>
    public IReadOnlyDictionary<int, Visit> All => _visits;

    /// <summary>What comes of a command of a round trip, or of a visit.</summary>
    /// <param name="command">One of those in RoundTrip.cs.</param>
    /// <param name="plan">What is planned for the wall.</param>
    /// <param name="actor">Whose command it is.</param>
    internal Decision Decide(Command command, WallPlan plan, Actor actor)
    {
        if (plan.Purpose != Purpose.Visit || actor.IsStaff == command is VisitStation) return Refusal.NotAllowed;
        return command switch
        {
            BeginTrip(var groups) => plan.Topics.IsEmpty ? Refusal.NotFound : RoundTrip.AreSound(groups) ? new TripBegun(groups) : Refusal.OutOfRange,
            MoveOn(var stop) => Trip is null ? Refusal.NotFound : stop == Trip.Stop ? Refusal.ChangedSince : stop is >= 0 and < WallPlan.MostTopics ? new TripMovedOn(stop) : Refusal.OutOfRange,
            EndTrip => Trip is null ? Refusal.ChangedSince : new TripEnded(),
            VisitStation when actor.HasLeft => Refusal.TooLate,
            VisitStation(var station) when station == WallPlan.Nowhere || !plan.Has(station) => Refusal.NotFound,
            VisitStation(var station) => _visits.TryGetValue(actor.Number, out var visit) && visit.Now == station ? Refusal.ChangedSince : new Decision.Accepted(new StationVisited(station), Audience.AuthorAndStaff),
            _ => Refusal.NotAllowed,
        };
    }

    /// <summary>Whether a student may put something up at a station now.</summary>
    public bool MayPutUp(WallPlan plan, int person, long station)
    {
        if (plan.Purpose != Purpose.Visit || Trip is null || plan.Topics.IsEmpty) return true;
        for (var i = 0; i < plan.Topics.Length; i++)
        {
            if (plan.Topics[i].Id == station) return Trip.MayPutUp(person, i, plan.Topics.Length);
        }

        return false;
    }

    internal void Set(RoomEvent happened, int actor)
    {
        switch (happened)
        {
            case TripBegun(var groups): Trip = new(groups, 0); break;
            case TripMovedOn(var stop): Trip = Trip is { } trip ? trip with { Stop = stop } : null; break;
            case TripEnded: Trip = null; break;
            case StationVisited(var station):
                ImmutableArray<long> before = _visits.TryGetValue(actor, out var visit) ? visit.Stations : [];
                _visits[actor] = new(actor, before.Contains(station) ? before : before.Add(station), station);
                break;
        }
    }

    internal void Restore(RoundTrip? trip, ImmutableArray<Visit> visits)
    {
        Trip = trip;
        foreach (var visit in visits) _visits[visit.Person] = visit;
    }
}
