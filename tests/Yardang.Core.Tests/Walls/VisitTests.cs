using System.Collections.Immutable;
using Yardang.Core.Attachments;
using Yardang.Core.Pages;
using Yardang.Core.Rooms;
using Yardang.Core.Visibility;
using Yardang.Core.Walls;
using static Yardang.Core.Tests.Walls.WallScript;

namespace Yardang.Core.Tests.Walls;

/// <summary>On a wall to visit: who was where, round trips, and where one may put something up.</summary>
public class VisitTests
{
    [Fact]
    public void Groups_visit_all_stations_equally_at_every_moment_of_a_round_trip()
    {
        for (var groups = 1; groups <= 30; groups++)
        {
            for (var stations = 1; stations <= 30; stations++)
            {
                var visits = new int[stations];
                for (var stop = 0; stop < stations; stop++)
                {
                    var now = new int[stations];
                    for (var group = 0; group < groups; group++) now[RoundTrip.StationOf(group, groups, stations, stop)]++;
                    Assert.True(now.Max() - now.Min() <= 1, $"{groups} groups, {stations} stations, stop {stop}: at one station are more than at another.");
                    for (var i = 0; i < stations; i++) visits[i] += now[i];
                    Assert.True(visits.Max() - visits.Min() <= 1, $"{groups} groups, {stations} stations, through stop {stop}: one station was visited more than another.");
                }

                for (var group = 0; group < groups; group++) Assert.Equal(stations, Enumerable.Range(0, stations).Select(stop => RoundTrip.StationOf(group, groups, stations, stop)).Distinct().Count());
            }
        }
    }

    [Fact]
    public void On_a_round_trip_students_put_up_where_their_group_is_or_was_and_teachers_everywhere()
    {
        var wall = Gallery();
        wall.Do(Teacher, new BeginTrip([new("Arches", [Maya.Number]), new("Beams", [Ben.Number]), new("Cables", [])]));
        Assert.Equal(11, PutUp(wall, Maya, 11));
        Refused(Refusal.NotHere, Put(wall, Maya, 12));
        Refused(Refusal.NotHere, Put(wall, Maya, WallPlan.Nowhere));
        Refused(Refusal.NotHere, Put(wall, Ben, 11));
        Assert.Equal(13, PutUp(wall, Teacher, 13));
        wall.Do(Teacher, new MoveOn(1));
        Assert.Equal(11, PutUp(wall, Maya, 11));
        var card = wall.PutUp(Maya, "at the second", 12);
        Refused(Refusal.NotHere, wall.Do(Maya, new MoveCard(card, 13, 1)));
        wall.Do(Teacher, new MoveOn(0));
        Refused(Refusal.NotHere, Put(wall, Maya, 12));
        wall.Do(Teacher, new EndTrip());
        Assert.Equal(13, PutUp(wall, Maya, 13));
    }

    [Fact]
    public void Who_comes_later_is_taken_along_by_a_group()
    {
        var trip = new RoundTrip([new("Arches", [2]), new("Beams", [3])], 0);
        Assert.Equal(0, trip.GroupOf(2));
        Assert.Equal(1, trip.GroupOf(3));
        Assert.All(Enumerable.Range(4, 20), person => Assert.InRange(trip.GroupOf(person), 0, 1));
        Assert.Equal(10, Enumerable.Range(4, 20).Count(person => trip.GroupOf(person) == 0));
    }

    [Fact]
    public void Round_trips_are_steered_by_teachers_within_their_limits_and_only_on_walls_to_visit()
    {
        var wall = Gallery();
        ImmutableArray<TripGroup> groups = [new("Arches", [2])];
        Refused(Refusal.NotAllowed, wall.Do(Maya, new BeginTrip(groups)));
        Refused(Refusal.NotFound, wall.Do(Teacher, new MoveOn(1)));
        Refused(Refusal.ChangedSince, wall.Do(Teacher, new EndTrip()));
        foreach (var wrong in new ImmutableArray<TripGroup>[] { [], [new("A", [2]), new("B", [2])], [new("A", [0])], [new(new string('a', 500), [2])], [.. Enumerable.Range(0, RoundTrip.MostGroups + 1).Select(i => new TripGroup("", [i + 2]))], [new("", [.. Enumerable.Range(2, RoundTrip.MostPeople + 1)])] })
        {
            Refused(Refusal.OutOfRange, wall.Do(Teacher, new BeginTrip(wrong)));
        }

        wall.Do(Teacher, new BeginTrip(groups));
        foreach (var stop in new[] { -1, int.MinValue, int.MaxValue, WallPlan.MostTopics }) Refused(Refusal.OutOfRange, wall.Do(Teacher, new MoveOn(stop)));
        Refused(Refusal.ChangedSince, wall.Do(Teacher, new MoveOn(0)));
        Refused(Refusal.NotAllowed, wall.Do(Maya, new MoveOn(1)));
        Refused(Refusal.NotAllowed, wall.Do(Maya, new EndTrip()));
        wall.Do(Teacher, new SetPlan(Plan()));
        Refused(Refusal.NotAllowed, wall.Do(Teacher, new MoveOn(1)));
        Assert.Equal(12, PutUp(wall, Maya, 12));
        Refused(Refusal.NotFound, Gallery([]).Do(Teacher, new BeginTrip(groups)));
    }

    [Fact]
    public void A_station_less_leaves_nobody_on_a_trip_without_a_place()
    {
        var wall = Gallery();
        wall.Do(Teacher, new BeginTrip([new("Arches", [Maya.Number]), new("Beams", [Ben.Number])]));
        wall.Do(Teacher, new MoveOn(2));
        wall.Do(Teacher, new SetPlan(wall.Wall.Plan with { Topics = [wall.Wall.Plan.Topics[0]] }));
        Assert.Equal(11, PutUp(wall, Maya, 11));
        wall.Do(Teacher, new SetPlan(wall.Wall.Plan with { Topics = [] }));
        Assert.Equal(WallPlan.Nowhere, PutUp(wall, Maya, WallPlan.Nowhere));
    }

    [Fact]
    public void Where_somebody_was_is_known_to_them_and_to_teachers_and_is_nothing_that_they_did()
    {
        var wall = Gallery();
        foreach (var station in new long[] { 11, 13, 11 }) wall.Do(Maya, new VisitStation(station));
        Refused(Refusal.ChangedSince, wall.Do(Maya, new VisitStation(11)));
        Refused(Refusal.NotFound, wall.Do(Maya, new VisitStation(77)));
        Refused(Refusal.NotFound, wall.Do(Maya, new VisitStation(WallPlan.Nowhere)));
        Refused(Refusal.NotAllowed, wall.Do(Teacher, new VisitStation(11)));
        Refused(Refusal.TooLate, wall.Do(Maya with { HasLeft = true }, new VisitStation(12)));
        var visit = wall.Wall.Visits.All[Maya.Number];
        Assert.Equal([11, 13], visit.Stations);
        Assert.Equal(11, visit.Now);
        Assert.Null(wall.Wall.LastActivity);
        Assert.All(wall.Log.Where(e => e.Event is StationVisited), e => Assert.False(Sight.Of(Ben, e)));
        Assert.Empty(VisitsFor(wall, Ben));
        Assert.Single(VisitsFor(wall, Maya));
        Assert.Single(VisitsFor(wall, Teacher));
        wall.Allowed = new Allowed(PensDown: true);
        Assert.IsType<Decision.Accepted>(wall.Do(Maya, new VisitStation(13)));
    }

    [Fact]
    public void At_so_many_stations_of_their_choice_each_is_asked_for_something()
    {
        var wall = Gallery(rules: new(Stations: 2));
        Assert.Equal(2, wall.Wall.StationsOwed(Maya.Number));
        wall.PutUp(Maya, "one", 11);
        wall.PutUp(Maya, "two", 11);
        wall.PutUp(Maya, "nowhere", WallPlan.Nowhere);
        Assert.Equal(1, wall.Wall.StationsOwed(Maya.Number));
        var card = wall.PutUp(Maya, "three", 13);
        Assert.Equal(0, wall.Wall.StationsOwed(Maya.Number));
        wall.Do(Maya, new TakeCardDown(card));
        Assert.Equal(1, wall.Wall.StationsOwed(Maya.Number));
        Refused(Refusal.OutOfRange, wall.Do(Teacher, new SetPlan(wall.Wall.Plan with { Rules = new(Stations: -1) })));
    }

    [Fact]
    public void A_station_shows_pictures_and_something_to_watch_and_nothing_unsound()
    {
        var wall = Gallery();
        var station = wall.Wall.Plan.Topics[0];
        var film = new Stimulus(StimulusKind.Video, new string('b', 64), "How it was built");
        Assert.IsType<Decision.Accepted>(With(station with { Shown = [Shown.Picture], Stimulus = film }));
        Assert.Equal([.. Shown.Picture.MediaNames(), film.Source], wall.Wall.Plan.MediaNames());
        var kept = wall.Wall.Plan.WithMedia(new Dictionary<string, string>(StringComparer.Ordinal) { [film.Source] = new string('c', 64) });
        Assert.Null(kept.Topics[0].Shown);
        Assert.Equal(new string('c', 64), kept.Topics[0].Stimulus!.Source);
        Refused(Refusal.OutOfRange, With(station with { Stimulus = film with { Source = "../x" } }));
        Refused(Refusal.OutOfRange, With(station with { Stimulus = new(StimulusKind.Link, "javascript:alert(1)", "") }));
        Refused(Refusal.OutOfRange, With(station with { Shown = [Shown.Picture with { Media = "../x" }] }));
        Refused(Refusal.OutOfRange, With(station with { Shown = [.. Enumerable.Repeat<Attachment>(Shown.Picture, Attachment.Most + 1)] }));

        Decision With(Topic changed) => wall.Do(Teacher, new SetPlan(wall.Wall.Plan with { Topics = [changed, .. wall.Wall.Plan.Topics.Skip(1)] }));
    }

    private static WallScript Gallery(ImmutableArray<Topic>? stations = null, WallRules? rules = null)
    {
        var wall = new WallScript(rules);
        wall.Do(Teacher, new SetPlan(Plan(rules) with { Purpose = Purpose.Visit, Topics = stations ?? [.. Plan().Topics, new(13, Texts.In("en", "The mill bridge"), Texts.None, 4)] }));
        return wall;
    }

    // Under which station it stands.
    private static long PutUp(WallScript wall, Actor actor, long station) => wall.Wall.Cards[wall.PutUp(actor, "seen", station)].Topic;

    private static Decision Put(WallScript wall, Actor actor, long station) => wall.Do(actor, new PutUpCard(wall.NextId(actor), station, "en", "seen"));

    private static ImmutableArray<Visit> VisitsFor(WallScript wall, Actor reader) => ((WallSnapshot)Snapshots.Of(wall.Wall, reader)).Visits;

    private static void Refused(Refusal reason, Decision decision) => Assert.Equal(reason, Assert.IsType<Decision.Refused>(decision).Reason);
}
