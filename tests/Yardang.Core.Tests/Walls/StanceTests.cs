using System.Collections.Immutable;
using Yardang.Core.Pages;
using Yardang.Core.Rooms;
using Yardang.Core.Visibility;
using Yardang.Core.Walls;
using static Yardang.Core.Tests.Walls.WallScript;

namespace Yardang.Core.Tests.Walls;

/// <summary>Where students stand, at first and when they have read what others say, and what moved them.</summary>
public class StanceTests
{
    private static readonly ImmutableArray<Texts> s_positions = [Texts.In("en", "For"), Texts.In("en", "Against"), Texts.In("en", "Unsure")];
    private static readonly WallRules s_rules = new(Stances: s_positions);

    [Fact]
    public void First_and_second_stand_beside_one_another_and_the_card_that_moved_somebody_is_counted()
    {
        var wall = new WallScript(s_rules);
        var (mayas, bens) = (wall.PutUp(Maya, "An arch carries more"), wall.PutUp(Ben, "Steel bends before it breaks"));
        wall.Do(Maya, new TakeStance(1, 0));
        wall.Do(Ben, new TakeStance(3, 0));
        wall.Do(Ben, new TakeStance(2, 0));
        wall.Do(Teacher, new SteerStances(StanceStage.Again));
        wall.Do(Ben, new TakeStance(1, mayas));
        wall.Do(Maya, new TakeStance(1, bens));
        wall.Do(Teacher, new SteerStances(StanceStage.Shown));
        var shown = wall.Wall.Stances.Shown!;
        Assert.Equal([1, 0, 0, 1, 0, 0, 0, 0, 0], shown.Table);

        // Who stands where they stood was moved by nothing, whatever they name.
        Assert.Equal([new(mayas, 1)], shown.Cards);
        Assert.Equal(new(3, 2, 1, mayas), wall.Wall.Stances.All[3]);
    }

    [Fact]
    public void The_table_adds_up_whoever_says_what_and_those_who_said_one_only_are_not_in_it()
    {
        var random = new Random(9);
        for (var trial = 0; trial < 300; trial++)
        {
            var positions = random.Next(2, 6);
            ImmutableArray<Stance> all = [.. Enumerable.Range(2, random.Next(30)).Select(p => new Stance(p, random.Next(positions + 1), random.Next(positions + 1), random.Next(4)))];
            var shifts = StanceShifts.Of(positions, all, card => card != 3);
            var both = all.Where(s => s.First > 0 && s.Second > 0).ToList();
            Assert.Equal(both.Count, shifts.People());
            for (var at = 1; at <= positions; at++)
            {
                Assert.Equal(both.Count(s => s.First == at), shifts.Table.Skip((at - 1) * positions).Take(positions).Sum());
                Assert.Equal(both.Count(s => s.Second == at), Enumerable.Range(0, positions).Sum(from => shifts.Table[(from * positions) + at - 1]));
            }

            Assert.All(shifts.Cards, c => Assert.Equal(both.Count(s => s.First != s.Second && s.Moved == c.Card), c.People));
            Assert.DoesNotContain(shifts.Cards, c => c.Card is 0 or 3);
            Assert.Equal(shifts.Cards.OrderByDescending(c => c.People).ThenBy(c => c.Card), shifts.Cards);
            Assert.True(shifts.IsSound(positions, new HashSet<long> { 1, 2 }));
            Assert.Equal(shifts, StanceShifts.Of(positions, all.Reverse(), card => card != 3));
        }
    }

    [Fact]
    public void What_cannot_be_said_is_refused()
    {
        var wall = new WallScript(s_rules);
        var (mayas, down) = (wall.PutUp(Maya, "arches push"), wall.PutUp(Ben, "down"));
        wall.Do(Ben, new TakeCardDown(down));
        Refused(Refusal.NotAllowed, wall.Do(Teacher, new TakeStance(1, 0)));
        Refused(Refusal.OutOfRange, wall.Do(Maya, new TakeStance(4, 0)));
        Refused(Refusal.OutOfRange, wall.Do(Maya, new TakeStance(-1, 0)));
        Refused(Refusal.ChangedSince, wall.Do(Maya, new TakeStance(0, 0)));
        Refused(Refusal.NotAllowed, wall.Do(Ben, new TakeStance(1, mayas)));
        Refused(Refusal.NotAllowed, wall.Do(Maya, new SteerStances(StanceStage.Again)));
        Refused(Refusal.OutOfRange, wall.Do(Teacher, new SteerStances((StanceStage)7)));
        Refused(Refusal.ChangedSince, wall.Do(Teacher, new SteerStances(StanceStage.First)));
        wall.Do(Teacher, new SteerStances(StanceStage.Again));
        Refused(Refusal.NotAllowed, wall.Do(Maya, new TakeStance(1, mayas)));
        Refused(Refusal.NotFound, wall.Do(Maya, new TakeStance(1, down)));
        Refused(Refusal.NotAllowed, wall.Do(Ben, new TakeStance(0, mayas)));
        wall.Allowed = new Allowed(PensDown: true);
        Refused(Refusal.TooLate, wall.Do(Ben, new TakeStance(1, mayas)));
        wall.Allowed = Allowed.Everything;
        Refused(Refusal.TooLate, wall.Do(Ben with { HasLeft = true }, new TakeStance(1, mayas)));
        wall.Do(Teacher, new SteerStances(StanceStage.Shown));
        Refused(Refusal.TooLate, wall.Do(Ben, new TakeStance(1, mayas)));
        Refused(Refusal.NotAllowed, new WallScript().Do(Maya, new TakeStance(1, 0)));
        Refused(Refusal.NotAllowed, new WallScript().Do(Teacher, new SteerStances(StanceStage.Again)));
    }

    [Fact]
    public void Where_names_are_hidden_nothing_is_shown_of_fewer_than_five_and_a_card_that_is_not_out_is_not_named()
    {
        var wall = new WallScript(s_rules with { Names = NamesTo.Teachers });
        Actor[] people = [Maya, Ben, new(4, Role.Student), new(5, Role.Student), new(6, Role.Student)];
        var known = wall.PutUp(Maya, "arches push");
        foreach (var person in people) wall.Do(person, new TakeStance(1, 0));
        wall.Do(Teacher, new LetCardsOut());
        var unknown = wall.PutUp(Maya, "not out yet");
        wall.Do(Teacher, new SteerStances(StanceStage.Again));
        var moved = Assert.IsType<Decision.Accepted>(wall.Do(Ben, new TakeStance(2, wall.Wall.Veil.Over(Ben, known))));
        Assert.Equal(Audience.AuthorAndStaff, moved.Audience);
        Refused(Refusal.NotFound, wall.Do(Ben, new TakeStance(2, wall.Wall.Veil.Over(Ben, unknown))));
        foreach (var person in people[2..4]) wall.Do(person, new TakeStance(2, 0));
        wall.Do(Maya, new TakeStance(3, 0));
        Refused(Refusal.TooFew, wall.Do(Teacher, new SteerStances(StanceStage.Shown)));
        wall.Do(people[4], new TakeStance(2, wall.Wall.Veil.Over(people[4], known)));
        wall.Do(Teacher, new SteerStances(StanceStage.Shown));
        var told = Assert.IsType<WallSnapshot>(Snapshots.Of(wall.Wall, Ben)).Stances;
        Assert.Equal(2, told.Shown!.Cards.Single().People);
        Assert.Equal(wall.Wall.Veil.Over(Ben, known), told.Shown.Cards.Single().Card);
        Assert.NotEqual(known, told.Shown.Cards.Single().Card);
        Assert.Equal([new(3, 1, 2, wall.Wall.Veil.Over(Ben, known))], told.Own);
        var happened = HiddenNames.AsTold(Ben, wall.Log[^1], wall.Wall.Veil).Event;
        Assert.Equal(told.Shown, Assert.IsType<StancesSteered>(happened).Shifts);
    }

    [Fact]
    public void With_more_or_fewer_positions_it_begins_anew_and_with_other_words_it_goes_on()
    {
        var wall = new WallScript(s_rules);
        wall.Do(Maya, new TakeStance(1, 0));
        wall.Do(Teacher, new SteerStances(StanceStage.Again));
        wall.Do(Teacher, new SetPlan(Plan(new(Stances: [.. s_positions.Take(2), Texts.In("en", "I do not know")]))));
        Assert.Equal(1, wall.Wall.Stances.All[2].First);
        Assert.Equal(StanceStage.Again, wall.Wall.Stances.Stage);
        wall.Do(Teacher, new SetPlan(Plan(new(Stances: [.. s_positions.Take(2)]))));
        Assert.Empty(wall.Wall.Stances.All);
        Assert.Equal(StanceStage.First, wall.Wall.Stances.Stage);
    }

    [Fact]
    public void A_plan_with_one_position_or_six_is_none()
    {
        Assert.NotNull(Plan(new(Stances: [s_positions[0]])).Fault());
        Assert.NotNull(Plan(new(Stances: [.. s_positions, .. s_positions])).Fault());
        Assert.NotNull(Plan(new(Stances: [Texts.In("en", new string('x', Limits.NameLength + 1)), Texts.None])).Fault());
        Assert.Null(Plan(s_rules).Fault());
        Assert.Contains(s_positions[2], Plan(s_rules).Texts);
    }

    [Fact]
    public void What_moved_comes_with_the_work_and_what_cannot_be_does_not()
    {
        var plan = Plan(s_rules);
        Card card = new(7, 11, 11, 2, ByStaff: false, 1, "en", "arches push", 100);
        StanceShifts shifts = new([1, 0, 0, 2, 0, 0, 0, 0, 0], [new(7, 2)]);
        Decision Bring(StanceShifts brought) => new Wall(WallPlan.Blank).Decide(Submission.ByProgram(new BringCards(plan, [card], 100, Shifts: brought)), Actor.Program, Situation.Open);
        foreach (var wrong in new StanceShifts[] { shifts with { Table = [1, 0] }, shifts with { Table = [-1, 0, 0, 2, 0, 0, 0, 0, 0] }, shifts with { Cards = [new(8, 1)] }, shifts with { Cards = [new(7, 4)] }, shifts with { Cards = [new(7, 1), new(7, 1)] } })
        {
            Refused(Refusal.OutOfRange, Bring(wrong));
        }

        Assert.Equal(shifts, Assert.IsType<CardsBrought>(Assert.IsType<Decision.Accepted>(Bring(shifts)).Event).Shifts);
    }

    private static void Refused(Refusal reason, Decision decision) => Assert.Equal(reason, Assert.IsType<Decision.Refused>(decision).Reason);
}
