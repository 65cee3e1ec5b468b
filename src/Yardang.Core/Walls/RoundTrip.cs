using System.Collections.Immutable;
using Yardang.Core.Wire;

namespace Yardang.Core.Walls;

/// <summary>A group on a round trip.</summary>
/// <param name="Name">What it is called.</param>
/// <param name="People">By actor number.</param>
public sealed record TripGroup(string Name, ImmutableArray<int> People);

/// <summary>Groups on their way round the stations of a wall, all moving on together.</summary>
/// <param name="Groups">In order; at least one.</param>
/// <param name="Stop">How often they have moved on, from 0.</param>
public sealed record RoundTrip(ImmutableArray<TripGroup> Groups, int Stop)
{
    /// <summary>Most groups.</summary>
    public const int MostGroups = 60;

    /// <summary>Most people of all groups together.</summary>
    public const int MostPeople = 1_000;

    /// <summary>
    /// At which station a group is, by its place, from 0. Groups begin as evenly spread as can be and move on by one, so that at no stop have two stations been visited
    /// by numbers of groups that differ by more than one, and after as many stops as there are stations each group has been at each: the places of the groups are a
    /// balanced sequence (M. Morse, G. A. Hedlund, "Symbolic dynamics II. Sturmian trajectories", American Journal of Mathematics 62, 1940).
    /// </summary>
    /// <param name="group">The group's place among them, from 0.</param>
    /// <param name="groups">How many there are.</param>
    /// <param name="stations">How many stations there are; at least one.</param>
    /// <param name="stop">How often they have moved on.</param>
    public static int StationOf(int group, int groups, int stations, int stop) => (int)((((long)group * stations / groups) + stop) % stations);

    /// <summary>The place of somebody's group, from 0. Who came later is taken along by one of them.</summary>
    public int GroupOf(int person)
    {
        for (var i = 0; i < Groups.Length; i++)
        {
            if (Groups[i].People.Contains(person)) return i;
        }

        return person % Groups.Length;
    }

    /// <summary>Whether somebody may put something up at a station: where their group is, or was before.</summary>
    /// <param name="person">By actor number.</param>
    /// <param name="station">The station's place, from 0.</param>
    /// <param name="stations">How many there are.</param>
    public bool MayPutUp(int person, int station, int stations)
    {
        var group = GroupOf(person);
        return Enumerable.Range(0, Math.Min(Stop + 1, stations)).Any(stop => StationOf(group, Groups.Length, stations, Stop - stop) == station);
    }

    /// <summary>Whether all is within its ranges, and nobody is in two groups.</summary>
    internal static bool AreSound(ImmutableArray<TripGroup> groups)
    {
        if (groups.Length is < 1 or > MostGroups || groups.Sum(g => g.People.Length) > MostPeople) return false;
        var people = groups.SelectMany(g => g.People).ToList();
        return people.TrueForAll(p => p > 0) && people.Distinct().Count() == people.Count && groups.All(g => g.Name.Length <= Rooms.Limits.NameLength);
    }
}

/// <summary>Where somebody was. It is known to them and to teachers.</summary>
/// <param name="Person">Who, by actor number.</param>
/// <param name="Stations">Where they have been, in the order in which they came there first.</param>
/// <param name="Now">Where they were seen last.</param>
public sealed record Visit(int Person, ImmutableArray<long> Stations, long Now);

/// <summary>Staff: groups set out on a round trip.</summary>
[Kind(55)]
public sealed record BeginTrip(ImmutableArray<TripGroup> Groups) : Rooms.Command;

/// <summary>Staff: all groups move on, or back: so often they have moved on then.</summary>
[Kind(56)]
public sealed record MoveOn(int Stop) : Rooms.Command;

/// <summary>Staff: the round trip is over; everybody goes where they like.</summary>
[Kind(57)]
public sealed record EndTrip : Rooms.Command;

/// <summary>I am at a station.</summary>
[Kind(58)]
public sealed record VisitStation(long Station) : Rooms.Command;

/// <summary>Groups set out on a round trip.</summary>
[Kind(87)]
public sealed record TripBegun(ImmutableArray<TripGroup> Groups) : Rooms.RoomEvent;

/// <summary>All groups have moved on.</summary>
[Kind(88)]
public sealed record TripMovedOn(int Stop) : Rooms.RoomEvent;

/// <summary>The round trip is over.</summary>
[Kind(89)]
public sealed record TripEnded : Rooms.RoomEvent;

/// <summary>The actor is at a station.</summary>
[Kind(90)]
public sealed record StationVisited(long Station) : Rooms.RoomEvent;
