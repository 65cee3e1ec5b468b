using System.Collections.Immutable;
using Yardang.Core.Pages;
using Yardang.Core.Rooms;
using Yardang.Core.Visibility;
using Yardang.Core.Walls;
using static Yardang.Core.Tests.Walls.WallScript;

namespace Yardang.Core.Tests.Walls;

/// <summary>Cards that say the same, cards that grew from others, and what a teacher is pointed to.</summary>
public class StacksTests
{
    private static readonly WallRules s_both = new(SaidAlready: true, BuildsOn: true);

    [Fact]
    public void What_joins_a_card_keeps_its_wording_and_stands_in_it()
    {
        var wall = new WallScript(s_both);
        var first = wall.PutUp(Maya, "Arches push");
        var (same, own) = (PutUp(wall, Ben, "An arch pushes", onto: first), wall.PutUp(Ben, "Arches press outwards"));
        wall.Do(Ben, new JoinCard(own, first));
        Assert.Equal(["Arches push", "An arch pushes", "Arches press outwards"], Stacks.Of(wall.Wall.Cards.Values)[first].Select(c => c.Text));
        wall.Do(Ben, new JoinCard(same, 0));
        Assert.Equal([same], Stacks.Of(wall.Wall.Cards.Values)[same].Select(c => c.Id));
        wall.Do(Maya, new TakeCardDown(first));
        Assert.Equal([own], Stacks.Of(wall.Wall.Cards.Values)[own].Select(c => c.Id));
        wall.Do(Maya, new PutCardBack(first));
        Assert.Equal([first, own], Stacks.Of(wall.Wall.Cards.Values)[first].Select(c => c.Id));
    }

    [Fact]
    public void Each_joins_only_their_own_where_it_is_asked_for_and_nothing_that_has_joined_or_holds_others()
    {
        var wall = new WallScript(s_both);
        var (mayas, bens, third) = (wall.PutUp(Maya, "Arches push"), wall.PutUp(Ben, "Cables pull"), wall.PutUp(Ben, "Beams bend"));
        Refused(Refusal.NotYours, wall.Do(Maya, new JoinCard(bens, mayas)));
        Refused(Refusal.NotFound, wall.Do(Maya, new JoinCard(mayas, 99)));
        Refused(Refusal.ChangedSince, wall.Do(Maya, new JoinCard(mayas, mayas)));
        Refused(Refusal.ChangedSince, wall.Do(Maya, new JoinCard(mayas, 0)));
        Assert.IsType<Decision.Accepted>(wall.Do(Teacher, new JoinCard(bens, mayas)));
        Refused(Refusal.ChangedSince, wall.Do(Ben, new JoinCard(third, bens)));
        Refused(Refusal.ChangedSince, wall.Do(Maya, new JoinCard(mayas, third)));
        wall.Do(Teacher, new SetPlan(Plan(WallRules.Free)));
        Refused(Refusal.NotAllowed, wall.Do(Ben, new JoinCard(third, mayas)));
        Assert.IsType<Decision.Accepted>(wall.Do(Teacher, new JoinCard(third, mayas)));
        Assert.IsType<Decision.Accepted>(wall.Do(Ben, new JoinCard(third, 0)));
    }

    [Fact]
    public void A_new_card_whose_like_is_gone_stands_alone_and_nothing_of_it_is_lost()
    {
        var wall = new WallScript(s_both);
        var first = wall.PutUp(Maya, "Arches push");
        wall.Do(Maya, new TakeCardDown(first));
        var late = PutUp(wall, Ben, "An arch pushes", onto: first, from: [first, 99]);
        Assert.Equal((0L, null), (wall.Wall.Cards[late].Joined, wall.Wall.Cards[late].From));
        Assert.True(wall.Wall.Cards[late].IsUp);
    }

    [Fact]
    public void Cards_grow_from_up_to_three_and_their_sources_know_their_uses()
    {
        var wall = new WallScript(s_both);
        var roots = Enumerable.Range(0, 4).Select(i => wall.PutUp(Maya, $"idea {i}")).ToList();
        var grown = PutUp(wall, Ben, "both together", from: [roots[1], roots[0], roots[0], roots[2], roots[3]]);
        Assert.Equal([roots[0], roots[1], roots[2]], wall.Wall.Cards[grown].Sources.Order());
        var further = PutUp(wall, Teacher, "and further", from: [grown]);
        PutUp(wall, Maya, "my own again", from: [roots[3]]);
        var uptake = Growth.UptakeOf([.. wall.Wall.Cards.Values]);
        Assert.Equal(new Growth.Uptake(roots[0], 1, 2, 2), uptake[0]);
        Assert.Equal(new Growth.Uptake(grown, 1, 1, 1), uptake.Single(u => u.Card == grown));
        Assert.DoesNotContain(uptake, u => u.Card == roots[3] || u.Card == further);
        wall.Do(Teacher, new SetPlan(Plan(WallRules.Free)));
        Assert.Null(wall.Wall.Cards[PutUp(wall, Ben, "not any more", from: [grown])].From);
    }

    [Fact]
    public void While_each_sees_only_their_own_no_card_tells_of_one_that_its_readers_may_not_know()
    {
        var wall = new WallScript(s_both with { OwnFirst = true });
        var (mayas, teachers) = (wall.PutUp(Maya, "Arches push"), wall.PutUp(Teacher, "Look at this"));
        Assert.Equal(0, wall.Wall.Cards[PutUp(wall, Ben, "An arch pushes", onto: mayas, from: [mayas])].Joined);
        Assert.Equal([teachers], wall.Wall.Cards[PutUp(wall, Ben, "I see it", from: [mayas, teachers])].Sources);
        Assert.Null(wall.Wall.Cards[PutUp(wall, Teacher, "As one of you says", onto: mayas, from: [mayas])].From);
        var bens = wall.PutUp(Ben, "Arches push, too");
        Refused(Refusal.NotAllowed, wall.Do(Teacher, new JoinCard(bens, mayas)));
        Refused(Refusal.NotFound, wall.Do(Ben, new JoinCard(bens, mayas)));
        Assert.IsType<Decision.Accepted>(wall.Do(Ben, new JoinCard(bens, teachers)));
    }

    [Fact]
    public void Where_names_are_hidden_what_has_joined_what_is_told_by_ids_that_say_nothing()
    {
        var wall = new WallScript(s_both with { Names = NamesTo.Teachers });
        var mayas = wall.PutUp(Maya, "Arches push");
        wall.Do(Teacher, new LetCardsOut());
        var known = wall.Wall.Veil.Over(Ben, mayas);
        PutUp(wall, Ben, "An arch pushes", onto: known, from: [known]);
        wall.Do(Teacher, new LetCardsOut());
        var told = ((WallSnapshot)Snapshots.Of(wall.Wall, Maya)).Cards.Single(c => c.Author == 0);
        Assert.Equal((mayas, 1), (told.Joined, told.Sources.Length));
        var cleos = ((WallSnapshot)Snapshots.Of(wall.Wall, new Actor(9, Role.Student))).Cards;
        Assert.All(cleos, c => Assert.True(Veil.IsOver(c.Id) && (c.Joined == 0 || Veil.IsOver(c.Joined)) && c.Sources.All(Veil.IsOver)));
    }

    [Fact]
    public void No_play_of_any_commands_makes_a_card_join_itself()
    {
        for (var seed = 0; seed < 300; seed++)
        {
            var wall = new WallScript(s_both);
            WallPlay.Play(wall, new Random(seed), 120);
            foreach (var card in wall.Wall.Cards.Values)
            {
                var (seen, at) = (new HashSet<long>(), card);
                while (at.Joined != 0 && wall.Wall.Cards.TryGetValue(at.Joined, out var onto))
                {
                    Assert.True(seen.Add(at.Id));
                    at = onto;
                }
            }

            Assert.Null(Card.FaultIn(wall.Wall.Plan, [.. Stacks.AmongThemselves(wall.Wall.Cards.Values).Select(c => c.Standing())]));
        }
    }

    [Fact]
    public void What_is_brought_neither_joins_what_has_joined_nor_grows_from_itself()
    {
        Card Put(long id, long joined = 0, params long[] from) => new(id, 11, 11, Maya.Number, ByStaff: false, id, "en", $"card {id}", 1_000, Joined: joined, From: from.Length == 0 ? null : [.. from]);
        Assert.NotNull(Fault(Put(5, joined: 5)));
        Assert.NotNull(Fault(Put(5, joined: 6)));
        Assert.NotNull(Fault(Put(5, joined: 6), Put(6, joined: 7), Put(7)));
        Assert.NotNull(Fault(Put(5, 0, 5)));
        Assert.NotNull(Fault(Put(5, 0, 6), Put(6, 0, 7), Put(7, 0, 5)));
        Assert.NotNull(Fault(Put(5, 0, 99)));
        Assert.NotNull(Fault(Put(5), Put(6), Put(7), Put(8), Put(9, 0, 5, 6, 7, 8)));
        Assert.Null(Fault(Put(5), Put(6, joined: 5), Put(7, 0, 5, 6), Put(8, 0, 7)));

        static string? Fault(params Card[] cards) => Card.FaultIn(Plan(), [.. cards]);
    }

    [Fact]
    public void A_teacher_is_pointed_to_what_says_nothing_says_the_same_or_seems_to_stand_elsewhere()
    {
        var wall = new WallScript(s_both);
        var empty = wall.PutUp(Maya, "ok");
        var first = wall.PutUp(Maya, "The stones of the arch push against the banks of the river");
        var same = wall.PutUp(Ben, "The stones of an arch push against the banks of the river");
        wall.PutUp(Maya, "Rust eats the iron chains of the old bridge", 12);
        wall.PutUp(Ben, "Rust has eaten through iron chains there", 12);
        var elsewhere = wall.PutUp(Ben, "Rust in the iron chains made it fall");
        var other = wall.PutUp(Ben, "Triangles cannot be bent out of shape");
        var found = CardsToLookAt.In(wall.Wall.Cards.Values, wall.Wall.Plan);
        Assert.Equal([new CardsToLookAt.NearlyEmpty(empty), new CardsToLookAt.NearlyEqual(same, first), new CardsToLookAt.Elsewhere(elsewhere, 12)], found);
        Assert.DoesNotContain(found, f => f is CardsToLookAt.NearlyEqual(var a, _) && a == other);
        wall.Do(Teacher, new JoinCard(same, first));
        Assert.DoesNotContain(CardsToLookAt.In(wall.Wall.Cards.Values, wall.Wall.Plan), f => f is CardsToLookAt.NearlyEqual);
    }

    private static long PutUp(WallScript wall, Actor actor, string text, long onto = 0, ImmutableArray<long>? from = null)
    {
        var id = wall.NextId(actor);
        Assert.IsType<Decision.Accepted>(wall.Do(actor, new PutUpCard(id, 11, "en", text, Onto: onto, From: from)));
        return id;
    }

    private static void Refused(Refusal reason, Decision decision) => Assert.Equal(reason, Assert.IsType<Decision.Refused>(decision).Reason);
}
