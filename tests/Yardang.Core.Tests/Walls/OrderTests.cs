using System.Collections.Immutable;
using Yardang.Core.Pages;
using Yardang.Core.Rooms;
using Yardang.Core.Visibility;
using Yardang.Core.Walls;
using static Yardang.Core.Tests.Walls.WallScript;

namespace Yardang.Core.Tests.Walls;

/// <summary>On a wall to order: who may place what where, what each knows of it, and the order of the class.</summary>
public class OrderTests
{
    private static readonly LinePlan s_ladder = new(LineKind.Ladder, Texts.In("en", "first"), Texts.In("en", "last"), 1, 4);
    private static readonly LinePlan s_years = new(LineKind.Years, Texts.None, Texts.None, -200, 2000);

    [Fact]
    public void Each_student_places_every_card_for_themselves_and_nobody_else_is_told_but_teachers()
    {
        var wall = Line();
        var card = wall.PutUp(Teacher, "the arch bridge");
        Accepted(Place(wall, Maya, card, 20));
        Accepted(Place(wall, Ben, card, 80.5));
        Accepted(Place(wall, Maya, card, 25));
        Refused(Refusal.ChangedSince, Place(wall, Maya, card, 25));
        Refused(Refusal.NotAllowed, Place(wall, Teacher, card, 50));
        Assert.Equal(new LineSpot(LineKind.Ends, 25), wall.Wall.Placements.Of(Maya.Number, card));
        Assert.Equal([new OwnPlace(Maya.Number, card, new(LineKind.Ends, 25))], Seen(wall, Maya).Placing.Own);
        Assert.Equal(2, Seen(wall, Teacher).Placing.Own.Length);
        Assert.All(wall.Log.Where(e => e.Event is CardPlacedAlone), e => Assert.Equal(e.Actor == Ben, Sight.Of(Ben, e)));
        Accepted(wall.Do(Maya, new PlaceCard(card, null)));
        Assert.Null(wall.Wall.Placements.Of(Maya.Number, card));
        Assert.Equal((1, 0, 0), (wall.Wall.ToPlace(Maya.Number), wall.Wall.ToPlace(Ben.Number), Together().Wall.ToPlace(Maya.Number)));
    }

    [Fact]
    public void Where_all_place_together_a_card_has_one_place_that_anybody_may_change()
    {
        var wall = Together();
        var card = wall.PutUp(Maya, "the rope bridge");
        Accepted(Place(wall, Ben, card, 10));
        Accepted(Place(wall, Teacher, card, 30));
        Assert.Equal(new LineSpot(LineKind.Ends, 30), wall.Wall.Cards[card].At);
        Assert.True(Sight.Of(Maya, wall.Log[^1]));
        Accepted(wall.Do(Maya, new PlaceCard(card, null)));
        Assert.Null(wall.Wall.Cards[card].At);
        Refused(Refusal.NotAllowed, wall.Do(Teacher, new ShowOrder(true)));
    }

    [Fact]
    public void While_each_sees_only_their_own_cards_nobody_is_told_where_a_classmate_places_theirs()
    {
        var wall = Line(LinePlan.Blank with { Together = true }, new WallRules(OwnFirst: true));
        var (mayas, teachers) = (wall.PutUp(Maya, "mine"), wall.PutUp(Teacher, "look"));
        Refused(Refusal.NotFound, Place(wall, Ben, mayas, 10));
        Refused(Refusal.NotAllowed, Place(wall, Ben, teachers, 10));
        Accepted(Place(wall, Maya, mayas, 10));
        Assert.False(Sight.Of(Ben, wall.Log[^1]));
        Assert.True(Sight.Of(Maya, wall.Log[^1]));
        wall.Do(Teacher, new SetPlan(wall.Wall.Plan with { Rules = WallRules.Free }));
        Assert.Equal(new LineSpot(LineKind.Ends, 10), Assert.IsType<CardsShown>(wall.Log[^1].Event).Cards.Single(c => c.Id == mayas).At);
    }

    [Fact]
    public void A_card_stands_on_the_line_and_in_its_measure()
    {
        var ends = Line();
        var card = ends.PutUp(Teacher, "the arch bridge");
        foreach (var at in new[] { -0.1, 100.1, double.NaN, double.PositiveInfinity }) Refused(Refusal.OutOfRange, Place(ends, Maya, card, at));
        Refused(Refusal.OutOfRange, ends.Do(Maya, new PlaceCard(card, new(LineKind.Ladder, 1))));
        Refused(Refusal.OutOfRange, ends.Do(Maya, new PlaceCard(card, new((LineKind)9, 1))));

        var ladder = Line(s_ladder);
        card = ladder.PutUp(Teacher, "the arch bridge");
        Accepted(Place(ladder, Maya, card, 4));
        foreach (var at in new[] { 0, 1.5, 5 }) Refused(Refusal.OutOfRange, Place(ladder, Maya, card, at));

        var years = Line(s_years);
        card = years.PutUp(Teacher, "a stone bridge");
        Accepted(Place(years, Maya, card, -200));
        Refused(Refusal.OutOfRange, Place(years, Maya, card, 2001));
    }

    [Fact]
    public void What_is_not_there_not_up_or_not_to_be_ordered_is_not_placed()
    {
        var wall = Line();
        var (card, down) = (wall.PutUp(Maya, "up"), wall.PutUp(Maya, "down"));
        wall.Do(Maya, new TakeCardDown(down));
        Refused(Refusal.NotFound, Place(wall, Ben, down, 1));
        Refused(Refusal.NotFound, Place(wall, Ben, 99, 1));
        Refused(Refusal.TooLate, Place(wall, Ben with { HasLeft = true }, card, 1));
        wall.Allowed = new Allowed(PensDown: true);
        Refused(Refusal.TooLate, Place(wall, Ben, card, 1));
        wall.Allowed = Allowed.Everything;
        wall.Do(Teacher, new SetPlan(Plan()));
        Refused(Refusal.NotAllowed, Place(wall, Ben, card, 1));
        Refused(Refusal.NotAllowed, wall.Do(Teacher, new ShowOrder(true)));
    }

    [Fact]
    public void Once_the_order_of_the_class_is_shown_all_see_it_and_nobody_places_until_the_teacher_lets_them_go_on()
    {
        var wall = Line();
        var (arch, rope) = (wall.PutUp(Teacher, "arch"), wall.PutUp(Teacher, "rope"));
        foreach (var (who, first, second) in new[] { (Maya, 10, 40), (Ben, 20, 80) })
        {
            Place(wall, who, arch, first);
            Place(wall, who, rope, second);
        }

        Refused(Refusal.NotAllowed, wall.Do(Maya, new ShowOrder(true)));
        Refused(Refusal.ChangedSince, wall.Do(Teacher, new ShowOrder(false)));
        Accepted(wall.Do(Teacher, new ShowOrder(true)));
        var shown = Seen(wall, Ben).Placing.Shown!;
        Assert.Equal([(arch, 2, 15.0), (rope, 2, 60.0)], shown.Places.Select(p => (p.Card, p.People, p.Middle)));
        Assert.Equal((1L, 1L), (shown.Alike, shown.Compared));
        Refused(Refusal.TooLate, Place(wall, Maya, rope, 90));
        Refused(Refusal.ChangedSince, wall.Do(Teacher, new ShowOrder(true)));
        Accepted(wall.Do(Teacher, new ShowOrder(false)));
        Assert.Null(Seen(wall, Ben).Placing.Shown);
        Accepted(Place(wall, Maya, rope, 90));
    }

    [Fact]
    public void Another_kind_of_line_shows_nothing_of_the_one_before_and_loses_none_of_it()
    {
        var wall = Line();
        var card = wall.PutUp(Teacher, "arch");
        Place(wall, Maya, card, 10);
        wall.Do(Teacher, new ShowOrder(true));
        wall.Do(Teacher, new SetPlan(wall.Wall.Plan with { Line = s_ladder }));
        Assert.Null(wall.Wall.Placements.Shown);
        Assert.Equal(1, wall.Wall.ToPlace(Maya.Number));
        Assert.Empty(wall.Wall.Order()!.Places);
        wall.Do(Teacher, new SetPlan(wall.Wall.Plan with { Line = LinePlan.Blank }));
        Assert.Equal(10, wall.Wall.Order()!.Places.Single().Middle);
    }

    [Fact]
    public void The_order_that_is_shown_says_nothing_of_cards_that_classmates_do_not_see_or_that_are_down()
    {
        var wall = Line(rules: new WallRules(OwnFirst: true));
        var (mayas, teachers, gone) = (wall.PutUp(Maya, "mine"), wall.PutUp(Teacher, "look"), wall.PutUp(Teacher, "wrong"));
        foreach (var card in new[] { mayas, teachers, gone }) Place(wall, Maya, card, 10);
        wall.Do(Teacher, new TakeCardDown(gone));
        wall.Do(Teacher, new ShowOrder(true));
        Assert.Equal([teachers], Assert.IsType<OrderShown>(wall.Log[^1].Event).Order.Places.Select(p => p.Card));
    }

    [Fact]
    public void Where_from_now_on_each_sees_only_their_own_cards_nothing_of_the_others_stays_shown()
    {
        var wall = Line();
        var mayas = wall.PutUp(Maya, "mine");
        Place(wall, Ben, mayas, 10);
        wall.Do(Teacher, new ShowOrder(true));
        wall.Do(Teacher, new SetPlan(wall.Wall.Plan with { Rules = new(OwnFirst: true) }));
        Assert.Null(Seen(wall, Ben).Placing.Shown);
        Assert.Contains(Ben.Number, wall.Wall.Writers);
    }

    [Fact]
    public void All_alike_agree_fully_and_opposites_not_at_all()
    {
        var same = ClassOrder.Of(LineKind.Ends, [.. Row(1, 10, 20, 30), .. Row(2, 1, 2, 90), .. Row(3, 0, 50, 100)], [1, 2, 3]);
        Assert.Equal((9L, 9L), (same.Alike, same.Compared));
        var opposites = ClassOrder.Of(LineKind.Ends, [.. Row(1, 10, 20, 30), .. Row(2, 30, 20, 10)], [1, 2, 3]);
        Assert.Equal((0L, 3L), (opposites.Alike, opposites.Compared));
        var ties = ClassOrder.Of(LineKind.Ends, [.. Row(1, 10, 10), .. Row(2, 10, 20)], [1, 2]);
        Assert.Equal((0L, 0L), (ties.Alike, ties.Compared));
    }

    [Fact]
    public void Where_two_cards_stand_at_the_same_middle_the_one_that_was_more_often_before_others_comes_first()
    {
        // Both have their median at 2; card 1 is before card 2 with three of five.
        OwnPlace[] own = [.. Row(1, 1, 2), .. Row(2, 1, 3), .. Row(3, 2, 1), .. Row(4, 3, 2), .. Row(5, 2, 3)];
        Assert.Equal([1, 2], ClassOrder.Of(LineKind.Ends, own, [1, 2]).Places.Select(p => p.Card));
    }

    [Fact]
    public void In_a_field_the_class_has_a_middle_across_and_up_and_agrees_on_each_by_itself()
    {
        OwnPlace Of(int person, long card, double at, double up) => new(person, card, new(LineKind.Field, at, up));
        var order = ClassOrder.Of(LineKind.Field, [Of(2, 1, 10, 90), Of(2, 2, 20, 10), Of(3, 1, 30, 20), Of(3, 2, 60, 40)], [1, 2]);
        Assert.Equal([(1L, 20.0, 55.0), (2L, 40.0, 25.0)], order.Places.Select(p => (p.Card, p.Middle, p.Up!.Middle)));
        Assert.Equal((1L, 1L, 0L, 1L), (order.Alike, order.Compared, order.AlikeUp, order.ComparedUp));
        var wall = Line(new(LineKind.Field, Texts.None, Texts.None, 0, 100));
        var card = wall.PutUp(Teacher, "the arch bridge");
        Accepted(wall.Do(Maya, new PlaceCard(card, new(LineKind.Field, 12.5, 99))));
        Refused(Refusal.OutOfRange, wall.Do(Maya, new PlaceCard(card, new(LineKind.Field, 12.5, 101))));
        Refused(Refusal.OutOfRange, wall.Do(Maya, new PlaceCard(card, new(LineKind.Field, 12.5, double.NaN))));
        var ends = Line();
        card = ends.PutUp(Teacher, "the arch bridge");
        Refused(Refusal.OutOfRange, ends.Do(Maya, new PlaceCard(card, new(LineKind.Ends, 12.5, 1))));
    }

    [Fact]
    public void The_order_of_the_class_is_the_same_however_its_placements_come_and_says_what_it_should()
    {
        for (var seed = 0; seed < 60; seed++)
        {
            var random = new Random(seed);
            var own = Enumerable.Range(2, random.Next(1, 9)).SelectMany(person => Enumerable.Range(1, random.Next(1, 8)).Where(_ => random.Next(4) > 0)
                .Select(card => new OwnPlace(person, card, new(LineKind.Ends, random.Next(0, 12))))).ToList();
            var order = ClassOrder.Of(LineKind.Ends, own, Enumerable.Range(1, 9).Select(c => (long)c));
            var mixed = own.OrderBy(_ => random.Next()).ToList();
            Assert.Equal(order, ClassOrder.Of(LineKind.Ends, mixed, Enumerable.Range(1, 9).Select(c => (long)c).Reverse()));
            Assert.Equal(order.Places.Select(p => p.Middle).Order(), order.Places.Select(p => p.Middle));
            Assert.All(order.Places, p => Assert.True(p.Low <= p.Middle && p.Middle <= p.High && p.People == own.Count(o => o.Card == p.Card)));
            Assert.Equal(Pairs(own), (order.Alike, order.Compared));
        }
    }

    [Fact]
    public void No_more_cards_are_placed_than_can_be_compared()
    {
        var wall = Line();
        var cards = Enumerable.Range(0, Placements.MostCards + 1).Select(i => wall.PutUp(i % 2 == 0 ? Teacher : Ben, $"bridge {i}")).ToList();
        foreach (var card in cards.Take(Placements.MostCards)) Accepted(Place(wall, Maya, card, 1));
        Refused(Refusal.Full, Place(wall, Maya, cards[^1], 1));
        Refused(Refusal.Full, Place(wall, Ben, cards[^1], 1));
        Accepted(Place(wall, Maya, cards[0], 2));
        Accepted(Place(wall, Ben, cards[0], 2));
        foreach (var who in new[] { Maya, Ben }) Accepted(wall.Do(who, new PlaceCard(cards[0], null)));
        Accepted(Place(wall, Ben, cards[^1], 1));
    }

    [Theory]
    [InlineData(LineKind.Ends, 0, 100, true)]
    [InlineData(LineKind.Ends, 0, 99, false)]
    [InlineData(LineKind.Years, 1700, 1700, false)]
    [InlineData(LineKind.Years, -100_001, 0, false)]
    [InlineData(LineKind.Days, -719_162, 2_932_896, true)]
    [InlineData(LineKind.Days, 0, 2_932_897, false)]
    [InlineData(LineKind.Ladder, 1, 1, false)]
    [InlineData(LineKind.Ladder, 1, 61, false)]
    [InlineData(LineKind.Ladder, 0, 5, false)]
    [InlineData((LineKind)9, 0, 100, false)]
    public void A_line_is_within_its_ranges(LineKind kind, int from, int to, bool isGood) =>
        Assert.Equal(isGood, (Plan() with { Line = new(kind, Texts.None, Texts.None, from, to) }).Fault() is null);

    [Fact]
    public void Cards_to_begin_with_are_up_from_the_beginning_and_read_in_each_of_their_languages()
    {
        var plan = Plan() with
        {
            GivenCards = [new(1, 11, Texts.In("en", "An arch pushes").With("es", "Un arco empuja")), new(2, 0, Texts.In("es", "Solo en español")), new(3, 11, Texts.None), new(4, 11, Texts.None, [Shown.Picture])],
        };
        Assert.Null(plan.Fault());
        var wall = new Wall(plan);
        Assert.Equal([("An arch pushes", "en", 11L), ("Solo en español", "es", 0L), ("", "", 11L)], wall.Cards.Values.Select(c => (c.Text, c.Language, c.Topic)));
        Assert.All(wall.Cards.Values, c => Assert.True(c.ByStaff && Ids.ClientOf(c.Id) == 0));
        Assert.Equal(["Un arco empuja", "Solo en español"], wall.Cards.Values.Take(2).Select(c => plan.TextOf(c, "es")));
        Assert.Equal("It pushes", plan.TextOf(wall.Cards[1] with { Text = "It pushes" }, "es"));
        Assert.Equal(0, Array.FindIndex([.. plan.MediaNames()], n => n == Shown.Picture.Media));
    }

    [Fact]
    public void Where_only_teachers_put_up_cards_a_student_is_told_so_also_late()
    {
        var wall = Line(rules: new WallRules(Least: 2, OnlyGiven: true));
        Assert.Equal(0, wall.Wall.Owed(Maya.Number));
        var put = new PutUpCard(wall.NextId(Maya), 0, "en", "mine, too");
        Refused(Refusal.NotAllowed, wall.Do(Maya, put));
        wall.Allowed = new Allowed(PensDown: true);
        Refused(Refusal.NotAllowed, wall.Do(Maya, put));
        wall.PutUp(Teacher, "the arch bridge", 0);
        Assert.Equal(["the arch bridge"], wall.Under(0));
    }

    [Fact]
    public void Cards_to_begin_with_each_have_a_number_and_a_place_and_do_not_say_too_much()
    {
        GivenCard good = new(1, 11, Texts.In("en", "An arch pushes"));
        ImmutableArray<GivenCard>[] bad =
        [
            [good, good], [good with { Id = 0 }], [good with { Id = GivenCard.LargestId + 1 }], [good with { Topic = 99 }], [good with { Text = Texts.In("en", new('x', 1_001)) }],
            [.. Enumerable.Range(1, GivenCard.Most + 1).Select(i => good with { Id = i })],
        ];
        Assert.All(bad, given => Assert.NotNull((Plan() with { GivenCards = given }).Fault()));
        Assert.Null((Plan() with { GivenCards = [good] }).Fault());
    }

    [Fact]
    public void A_wall_that_is_brought_has_the_order_that_was_shown_and_no_card_that_was_taken_down()
    {
        var plan = Plan() with { Purpose = Purpose.Order, GivenCards = [new(1, 11, Texts.In("en", "arch")), new(2, 11, Texts.In("en", "rope"))] };
        var card = new Wall(plan).Cards[1];
        var order = new ClassOrder(LineKind.Ends, 3, [new(1, 3, 20, 10, 30)], 2, 3);
        var wall = new Wall(plan);
        var brought = Assert.IsType<Decision.Accepted>(wall.Decide(Submission.ByProgram(new BringCards(plan, [card], null, null, order)), Actor.Program, Situation.Open));
        wall.Apply(new Envelope(1, 9_000, Actor.Program, 0, 0, 0, brought.Audience, brought.Event));
        Assert.Equal([1L], wall.Cards.Keys);
        Assert.Equal(order, wall.Placements.Shown);
        foreach (var wrong in new[] { order with { Kind = (LineKind)9 }, order with { Alike = 4 }, order with { Places = [new(7, 3, 20, 10, 30)] }, order with { Places = [new(1, 4, 20, 10, 30)] }, order with { Places = [new(1, 3, 5, 10, 30)] }, order with { Places = [new(1, 3, double.NaN, 10, 30)] } })
        {
            Refused(Refusal.OutOfRange, new Wall(plan).Decide(Submission.ByProgram(new BringCards(plan, [card], null, null, wrong)), Actor.Program, Situation.Open));
        }
    }

    /// <summary>Placements by chance, and the order of the class: the browser computes the same.</summary>
    internal static IEnumerable<object> Vectors()
    {
        for (var seed = 0; seed < 20; seed++)
        {
            var random = new Random(seed);
            var own = Enumerable.Range(2, random.Next(1, 12)).SelectMany(person => Enumerable.Range(1, random.Next(1, 9)).Where(_ => random.Next(4) > 0)
                .Select(card => new OwnPlace(person, card, new(random.Next(8) == 0 ? LineKind.Ladder : LineKind.Ends, random.Next(0, 25) / 2.0)))).ToList();
            if (seed % 3 == 0) own = [.. own.Select(o => o with { At = new(LineKind.Field, o.At.At, random.Next(0, 9)) })];
            var kind = seed % 3 == 0 ? LineKind.Field : LineKind.Ends;
            var order = ClassOrder.Of(kind, own, [1, 2, 3, 4, 5, 6, 8]);
            yield return new
            {
                kind,
                own = own.Select(o => new double[] { o.Person, o.Card, (int)o.At.On, o.At.At, o.At.Up }),
                people = order.People,
                places = order.Places.Select(p => new[] { p.Card, p.People, p.Middle, p.Low, p.High, p.Up?.Middle ?? -1, p.Up?.Low ?? -1, p.Up?.High ?? -1 }),
                alike = order.Alike,
                compared = order.Compared,
                up = new[] { order.AlikeUp, order.ComparedUp },
            };
        }
    }

    // Of one person: where cards 1, 2, 3 ... stand.
    private static IEnumerable<OwnPlace> Row(int person, params double[] places) => places.Select((at, i) => new OwnPlace(person, i + 1, new(LineKind.Ends, at)));

    // By looking at every two people and every two cards.
    private static (long Alike, long Compared) Pairs(List<OwnPlace> own)
    {
        var (alike, compared) = (0L, 0L);
        var people = own.GroupBy(o => o.Person).Select(g => g.ToDictionary(o => o.Card, o => o.At.At)).ToList();
        for (var i = 0; i < people.Count; i++)
        {
            for (var j = i + 1; j < people.Count; j++)
            {
                var both = people[i].Keys.Intersect(people[j].Keys).Order().ToList();
                foreach (var (a, b) in both.SelectMany(a => both.Where(b => b > a).Select(b => (a, b))))
                {
                    var (one, other) = (Math.Sign(people[i][a] - people[i][b]), Math.Sign(people[j][a] - people[j][b]));
                    if (one == 0 || other == 0) continue;
                    compared++;
                    if (one == other) alike++;
                }
            }
        }

        return (alike, compared);
    }

    private static WallScript Line(LinePlan? line = null, WallRules? rules = null)
    {
        var wall = new WallScript(rules);
        wall.Do(Teacher, new SetPlan(Plan(rules) with { Purpose = Purpose.Order, Line = line }));
        return wall;
    }

    private static WallSnapshot Seen(WallScript wall, Actor reader) => Assert.IsType<WallSnapshot>(Snapshots.Of(wall.Wall, reader));

    private static WallScript Together() => Line(LinePlan.Blank with { Together = true });

    private static Decision Place(WallScript wall, Actor actor, long card, double at) => wall.Do(actor, new PlaceCard(card, new(wall.Wall.Plan.LineShown?.Kind ?? LineKind.Ends, at)));

    private static void Accepted(Decision decision) => Assert.IsType<Decision.Accepted>(decision);

    private static void Refused(Refusal reason, Decision decision) => Assert.Equal(reason, Assert.IsType<Decision.Refused>(decision).Reason);
}
