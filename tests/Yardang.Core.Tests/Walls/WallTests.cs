using System.Collections.Immutable;
using Yardang.Core.Boards;
using Yardang.Core.Pages;
using Yardang.Core.Rooms;
using Yardang.Core.Threads;
using Yardang.Core.Visibility;
using Yardang.Core.Walls;
using static Yardang.Core.Tests.Walls.WallScript;

namespace Yardang.Core.Tests.Walls;

/// <summary>Who may put up, change, move and take down which cards, and what becomes of them.</summary>
public class WallTests
{
    [Fact]
    public void While_each_sees_only_their_own_nobody_is_told_of_a_classmates_card_whoever_changes_it_and_with_all_shown_everybody_is()
    {
        var wall = new WallScript(new WallRules(OwnFirst: true));
        var mayas = wall.PutUp(Maya, "arches push");
        var teachers = wall.PutUp(Teacher, "look at the school bridge");
        wall.Do(Teacher, new MoveCard(mayas, 12, 1));
        wall.Do(Teacher, new RewordCard(mayas, "en", "arches push sideways"));
        wall.Do(Teacher, new TakeCardDown(mayas));
        wall.Do(Teacher, new PutCardBack(mayas));
        bool IsTold(Actor reader, Envelope e) => Sight.Of(reader, e);
        var aboutMaya = wall.Log.Where(e => e.Event is CardPutUp { Card.ByStaff: false } or CardMoved or CardReworded or CardTakenDown or CardPutBack).ToList();
        Assert.Equal(5, aboutMaya.Count);
        Assert.All(aboutMaya, e => Assert.Equal((true, false, true, false), (IsTold(Maya, e), IsTold(Ben, e), IsTold(Teacher, e), IsTold(Actor.Onlooker, e))));
        Assert.Contains(wall.Log, e => e.Event is CardPutUp { Card.ByStaff: true } && IsTold(Ben, e));
        Assert.Equal([teachers], ((WallSnapshot)Snapshots.Of(wall.Wall, Ben)).Cards.Select(c => c.Id));

        // Ben cannot find out that there is one, nor from where his own comes to stand.
        Refused(Refusal.NotFound, wall.Do(Ben, new TakeCardDown(mayas)));
        var bens = wall.PutUp(Ben, "cables pull", topic: 12);
        Assert.Equal(1, wall.Wall.Cards[bens].Order);
        Assert.Null(((WallSnapshot)Snapshots.Of(wall.Wall, Actor.Onlooker)).LastActivity);

        wall.Do(Teacher, new SetPlan(WallScript.Plan()));
        var shown = Assert.IsType<CardsShown>(wall.Log[^1].Event);
        Assert.Equal(3, shown.Cards.Length);
        Assert.True(IsTold(Ben, wall.Log[^1]));
        wall.Do(Maya, new RewordCard(mayas, "en", "arches push outwards"));
        Assert.True(IsTold(Ben, wall.Log[^1]));
    }

    [Fact]
    public void What_came_late_while_each_saw_only_their_own_is_added_for_its_author_and_teachers()
    {
        var wall = new WallScript(new WallRules(OwnFirst: true)) { Allowed = new Allowed(PensDown: true) };
        wall.PutUp(Maya, "on the bus");
        wall.Do(Teacher, new AcceptLateWork(wall.Wall.SetAside.Keys.Single()));
        Assert.Equal((true, false), (Sight.Of(Maya, wall.Log[^1]), Sight.Of(Ben, wall.Log[^1])));
        Assert.Single(wall.Under(11));
    }

    [Fact]
    public void A_card_goes_up_behind_those_that_are_there()
    {
        var wall = new WallScript();
        wall.PutUp(Maya, "arches push");
        wall.PutUp(Ben, "cables pull");
        wall.PutUp(Teacher, "and decks?", topic: 12);
        Assert.Equal(["arches push", "cables pull"], wall.Under(11));
        Assert.Equal(["and decks?"], wall.Under(12));
    }

    [Fact]
    public void A_student_changes_moves_and_takes_down_their_own_cards_only_and_a_teacher_everybodys()
    {
        var wall = new WallScript();
        var card = wall.PutUp(Maya, "arches push");
        foreach (Command command in new Command[] { new RewordCard(card, "en", "no"), new MoveCard(card, 12, 1), new TakeCardDown(card) })
        {
            Refused(Refusal.NotYours, wall.Do(Ben, command));
        }

        wall.Do(Maya, new RewordCard(card, "en", "arches push sideways"));
        wall.Do(Maya, new MoveCard(card, 12, 1));
        wall.Do(Teacher, new MoveCard(card, WallPlan.Nowhere, 1));
        Assert.Equal(["arches push sideways"], wall.Under(WallPlan.Nowhere));
        Assert.Equal(11, wall.Wall.Cards[card].PutUnder);
        var teachers = wall.PutUp(Teacher, "look at this");
        Refused(Refusal.NotYours, wall.Do(Maya, new TakeCardDown(teachers)));
    }

    [Fact]
    public void What_its_author_took_down_they_put_back_and_what_a_teacher_took_down_only_a_teacher()
    {
        var wall = new WallScript();
        var card = wall.PutUp(Maya, "arches push");
        wall.Do(Maya, new TakeCardDown(card));
        Assert.Empty(wall.Under(11));
        Refused(Refusal.NotFound, wall.Do(Ben, new PutCardBack(card)));
        wall.Do(Maya, new PutCardBack(card));
        Assert.Equal(["arches push"], wall.Under(11));

        wall.Do(Teacher, new TakeCardDown(card));
        Refused(Refusal.NotAllowed, wall.Do(Maya, new PutCardBack(card)));
        Refused(Refusal.NotFound, wall.Do(Maya, new RewordCard(card, "en", "still here?")));
        wall.Do(Teacher, new PutCardBack(card));
        Assert.Equal(["arches push"], wall.Under(11));
    }

    [Fact]
    public void A_card_that_was_taken_down_is_sent_to_nobody_but_its_author_and_teachers()
    {
        var wall = new WallScript();
        var card = wall.PutUp(Maya, "a word in anger");
        wall.Do(Teacher, new TakeCardDown(card));
        Assert.False(Sight.Of(Ben, wall.Wall.Cards[card], wall.Wall.Plan.Rules));
        Assert.False(Sight.Of(Actor.Onlooker, wall.Wall.Cards[card], wall.Wall.Plan.Rules));
        Assert.True(Sight.Of(Maya, wall.Wall.Cards[card], wall.Wall.Plan.Rules));
    }

    [Fact]
    public void Sentences_may_begin_in_so_many_ways_each_of_which_says_something()
    {
        ImmutableArray<Texts> starters = [.. Enumerable.Repeat(Texts.In("en", "I think that"), WallRules.MostStarters)];
        Assert.Null(Plan(new(Starters: starters)).Fault());
        Assert.Contains(starters[0], Plan(new(Starters: starters)).Texts);
        Assert.NotNull(Plan(new(Starters: starters.Add(starters[0]))).Fault());
        Assert.NotNull(Plan(new(Starters: [Texts.None])).Fault());
        Assert.NotNull(Plan(new(Starters: [Texts.In("en", new string('a', Limits.NameLength + 1))])).Fault());
    }

    [Fact]
    public void A_topic_can_be_for_some_only_and_all_read_what_they_write_there()
    {
        var wall = new WallScript(new(Least: 1, PerTopic: true));
        var plan = Plan(new(Least: 1, PerTopic: true));
        plan = plan with { Topics = [plan.Topics[0] with { Only = [Maya.Number] }, .. plan.Topics.Skip(1)] };
        wall.Do(Teacher, new SetPlan(plan));
        Assert.Equal((2, 1), (wall.Wall.Owed(Maya.Number), wall.Wall.Owed(Ben.Number)));
        var mayas = wall.PutUp(Maya, "arches push", topic: 11);
        Refused(Refusal.NotForYou, wall.Do(Ben, new PutUpCard(wall.NextId(Ben), 11, "en", "me too")));
        var bens = wall.PutUp(Ben, "wind", topic: 12);
        Refused(Refusal.NotForYou, wall.Do(Ben, new MoveCard(bens, 11, 1)));
        Assert.True(Sight.Of(Ben, wall.Wall.Cards[mayas], wall.Wall));
        Assert.IsType<Decision.Accepted>(wall.Do(Teacher, new MoveCard(bens, 11, 1)));

        // Where names are hidden it would tell whose a card is.
        Assert.NotNull((plan with { Rules = plan.Rules with { Names = NamesTo.Teachers } }).Fault());
        Assert.NotNull((plan with { Topics = [plan.Topics[0] with { Only = [1] }] }).Fault());
        Assert.NotNull((plan with { Topics = [plan.Topics[0] with { Only = [2, 2] }] }).Fault());
        wall.Do(Teacher, new SetPlan(plan with { Purpose = Purpose.Ask }));
        wall.PutUp(Ben, "does wind push?", topic: 11);
    }

    [Fact]
    public void The_least_and_the_most_cards_can_count_under_each_topic()
    {
        var wall = new WallScript(new(Least: 1, Most: 1, PerTopic: true));
        Assert.Equal(2, wall.Wall.Owed(Maya.Number));
        var (first, second) = (wall.PutUp(Maya, "arches push", topic: 11), wall.PutUp(Maya, "wind", topic: 12));
        Assert.Equal(0, wall.Wall.Owed(Maya.Number));
        Refused(Refusal.EnoughCards, wall.Do(Maya, new PutUpCard(wall.NextId(Maya), 11, "en", "one more")));
        Refused(Refusal.EnoughCards, wall.Do(Maya, new MoveCard(first, 12, 1)));
        var third = wall.PutUp(Maya, "fits nowhere", topic: 0);
        wall.Do(Maya, new TakeCardDown(third));
        wall.Do(Maya, new MoveCard(second, 0, 1));
        Assert.Equal(1, wall.Wall.Owed(Maya.Number));
        Refused(Refusal.EnoughCards, wall.Do(Maya, new PutCardBack(third)));
        Assert.IsType<Decision.Accepted>(wall.Do(Maya, new MoveCard(first, 12, 1)));

        // A teacher may move it anywhere, and without topics cards are counted altogether.
        Assert.IsType<Decision.Accepted>(wall.Do(Teacher, new MoveCard(first, 0, 1)));
        wall.Do(Teacher, new SetPlan(Plan(new(Least: 1, Most: 2, PerTopic: true)) with { Topics = [] }));
        Refused(Refusal.EnoughCards, wall.Do(Maya, new PutUpCard(wall.NextId(Maya), 0, "en", "one more")));
    }

    [Fact]
    public void Nobody_has_more_cards_up_than_they_may_and_what_is_owed_is_counted()
    {
        var wall = new WallScript(new WallRules(Least: 2, Most: 2));
        Assert.Equal(2, wall.Wall.Owed(Maya.Number));
        var first = wall.PutUp(Maya, "arches push");
        wall.PutUp(Maya, "cables pull");
        Assert.Equal(0, wall.Wall.Owed(Maya.Number));
        Refused(Refusal.EnoughCards, wall.Do(Maya, new PutUpCard(wall.NextId(Maya), 11, "en", "one more")));
        wall.Do(Maya, new TakeCardDown(first));
        Assert.Equal(1, wall.Wall.Owed(Maya.Number));
        wall.PutUp(Maya, "decks bend");
        Refused(Refusal.EnoughCards, wall.Do(Maya, new PutCardBack(first)));
        Assert.Equal(2, wall.Wall.Owed(Ben.Number));
        for (var i = 0; i < 3; i++) wall.PutUp(Teacher, $"sample {i}");
        Assert.Equal(5, wall.Under(11).Count());
    }

    [Fact]
    public void Cards_of_a_topic_that_is_gone_fit_nowhere_and_nothing_is_lost()
    {
        var wall = new WallScript();
        var card = wall.PutUp(Maya, "arches push");
        var down = wall.PutUp(Maya, "taken down");
        wall.Do(Maya, new TakeCardDown(down));
        wall.Do(Teacher, new SetPlan(Plan() with { Topics = [Plan().Topics[1]] }));
        Assert.Equal(WallPlan.Nowhere, wall.Wall.Cards[card].Topic);
        Refused(Refusal.NotFound, wall.Do(Maya, new PutUpCard(wall.NextId(Maya), 11, "en", "too late for this topic")));
        wall.Do(Maya, new PutCardBack(down));
        Assert.Equal(["arches push", "taken down"], wall.Under(WallPlan.Nowhere));
        Refused(Refusal.NotAllowed, wall.Do(Maya, new SetPlan(Plan())));
    }

    [Fact]
    public void What_comes_while_pens_are_down_or_from_who_has_left_waits_for_the_teacher_with_all_that_rests_on_it()
    {
        var wall = new WallScript { Allowed = new Allowed(PensDown: true) };
        var card = wall.PutUp(Maya, "written on the bus");
        wall.Do(Maya, new RewordCard(card, "en", "written on the bus, mended"));
        Assert.Empty(wall.Under(11));
        Refused(Refusal.NotFound, wall.Do(Ben, new TakeCardDown(card)));
        foreach (var late in wall.Wall.SetAside.Keys.ToList()) wall.Do(Teacher, new AcceptLateWork(late));
        Assert.Equal(["written on the bus, mended"], wall.Under(11));
        Assert.Equal(Maya.Number, wall.Wall.Cards[card].Author);

        wall.Allowed = Allowed.Everything;
        wall.PutUp(Ben with { HasLeft = true }, "from my old place");
        Assert.Equal(["written on the bus, mended"], wall.Under(11));
        Assert.Single(wall.Wall.SetAside);
    }

    [Theory]
    [InlineData("")]
    [InlineData(" \n\t")]
    [InlineData(null)]
    public void A_card_says_something_and_not_too_much(string? text)
    {
        var wall = new WallScript();
        Refused(Refusal.OutOfRange, wall.Do(Maya, new PutUpCard(wall.NextId(Maya), 11, "en", text ?? new string('x', Limits.StatementLength + 1))));
        Refused(Refusal.OutOfRange, wall.Do(Maya, new PutUpCard(wall.NextId(Maya), 11, new string('x', 36), "arches")));
        Refused(Refusal.Malformed, wall.Do(Maya, new PutUpCard(7, 11, "en", "somebody else's number")));
        var card = wall.PutUp(Maya, "arches");
        Refused(Refusal.Duplicate, wall.Do(Maya, new PutUpCard(card, 11, "en", "again")));
        Refused(Refusal.OutOfRange, wall.Do(Maya, new MoveCard(card, 11, double.NaN)));
        Refused(Refusal.OutOfRange, wall.Do(Maya, new MoveCard(card, 11, double.PositiveInfinity)));
    }

    [Fact]
    public void Nobody_fills_a_wall_alone()
    {
        var wall = new WallScript();
        for (var i = 0; i < Card.MostOfOne; i++) wall.PutUp(Maya, $"idea {i}");
        Refused(Refusal.Full, wall.Do(Maya, new PutUpCard(wall.NextId(Maya), 11, "en", "one more")));
        wall.PutUp(Ben, "my turn");
        Assert.Equal(Card.MostOfOne + 1, wall.Under(11).Count());
    }

    [Theory]
    [MemberData(nameof(WrongPlans))]
    public void A_plan_that_cannot_be_is_refused_in_words(string what, WallPlan plan)
    {
        Assert.False(string.IsNullOrEmpty(plan.Fault()), what);
        Refused(Refusal.OutOfRange, new WallScript().Do(Teacher, new SetPlan(plan)));
    }

    public static TheoryData<string, WallPlan> WrongPlans()
    {
        var topic = Plan().Topics[0];
        return new()
        {
            { "two topics of one number", Plan() with { Topics = [topic, topic] } },
            { "a topic without a number", Plan() with { Topics = [topic with { Id = 0 }] } },
            { "too many topics", Plan() with { Topics = [.. Enumerable.Range(1, WallPlan.MostTopics + 1).Select(i => topic with { Id = i })] } },
            { "an endless heading", Plan() with { Topics = [topic with { Heading = Texts.In("en", new string('x', Limits.NameLength + 1)) }] } },
            { "an endless prompt", Plan() with { Topics = [topic with { Prompt = Texts.In("en", new string('x', WallPlan.PromptLength + 1)) }] } },
            { "an endless question", Plan() with { Question = Texts.In("en", new string('x', WallPlan.PromptLength + 1)) } },
            { "a colour that is none", Plan() with { Topics = [topic with { Colour = 12 }] } },
            { "a purpose that is none", Plan() with { Purpose = (Purpose)77 } },
            { "more owed than allowed", Plan(new WallRules(Least: 3, Most: 2)) },
            { "less than nothing owed", Plan(new WallRules(Least: -1)) },
        };
    }

    [Fact]
    public void Teachers_lists_know_who_did_something_last_and_how_many_cards_there_are()
    {
        var wall = new WallScript();
        wall.PutUp(Maya, "arches push");
        wall.PutUp(Ben, "cables pull", topic: 12);
        wall.PutUp(Teacher, "mine does not count", topic: 12);
        var summary = BoardSummary.Of(wall.Wall, wall.Wall.Number)();
        Assert.Equal([(2, 11L), (3, 12L)], summary.Acts.Select(a => (a.Person, a.Page)));
        Assert.Equal([(11L, 1), (12L, 1)], summary.Zones.Select(z => (z.Zone, z.Marks)));
        Assert.Equal(wall.Wall.LastActivity, summary.LastActivity);
    }

    [Fact]
    public void Anybody_moves_any_card_where_the_teacher_lets_them_and_does_nothing_else_to_it()
    {
        var wall = new WallScript();
        var (mayas, teachers) = (wall.PutUp(Maya, "arch"), wall.PutUp(Teacher, "beam"));
        Assert.Equal(new Decision.Refused(Refusal.NotYours), wall.Do(Ben, new MoveCard(mayas, 12, 1)));
        wall.Do(Teacher, new SetPlan(Plan(new(AnyMoves: true))));
        foreach (var card in new[] { mayas, teachers }) Assert.IsType<Decision.Accepted>(wall.Do(Ben, new MoveCard(card, 12, 1)));
        Assert.Equal(["arch", "beam"], wall.Under(12).Order());
        Assert.Equal((11L, 12L, Maya.Number), (wall.Wall.Cards[mayas].PutUnder, wall.Wall.Cards[mayas].Topic, wall.Wall.Cards[mayas].Author));
        Assert.Equal(new Decision.Refused(Refusal.NotYours), wall.Do(Ben, new RewordCard(mayas, "en", "mine")));
        Assert.Equal(new Decision.Refused(Refusal.NotYours), wall.Do(Ben, new TakeCardDown(mayas)));

        // What is not seen is not moved, nor what would then stand there for all.
        wall.Do(Teacher, new SetPlan(Plan(new(AnyMoves: true, OwnFirst: true))));
        Assert.Equal(new Decision.Refused(Refusal.NotFound), wall.Do(Ben, new MoveCard(mayas, 11, 1)));
        Assert.Equal(new Decision.Refused(Refusal.NotYours), wall.Do(Ben, new MoveCard(teachers, 11, 1)));
        wall.Do(Teacher, new SetPlan(Plan(new(AnyMoves: true)) with { Purpose = Purpose.Visit }));
        Assert.Equal(new Decision.Refused(Refusal.NotYours), wall.Do(Ben, new MoveCard(teachers, 11, 1)));
    }

    [Fact]
    public void A_teacher_puts_up_what_a_student_said_aloud_and_it_is_that_students_card()
    {
        var wall = new WallScript(new WallRules(1, 1, OwnFirst: true));
        PutUpCard Said(Actor by, int author) => new(wall.NextId(by), 11, "en", "The stones lean on each other", For: author);
        Assert.IsType<Decision.Accepted>(wall.Do(Teacher, Said(Teacher, Maya.Number)));
        var card = wall.Wall.Cards.Values.Single();
        Assert.Equal((Maya.Number, false, Teacher.Number), (card.Author, card.ByStaff, card.PutUpBy));
        Assert.Equal((true, false), (Sight.Of(Maya, wall.Log[^1]), Sight.Of(Ben, wall.Log[^1])));
        Assert.Equal(0, wall.Wall.Owed(Maya.Number));
        Refused(Refusal.NotAllowed, wall.Do(Ben, Said(Ben, Maya.Number)));
        Refused(Refusal.NotAllowed, wall.Do(Maya, Said(Maya, Maya.Number)));
        Refused(Refusal.NotAllowed, wall.Do(Teacher, Said(Teacher, -1)));
        Assert.IsType<Decision.Accepted>(wall.Do(Maya, new RewordCard(card.Id, "en", "The stones push each other")));
    }

    [Theory]
    [MemberData(nameof(Seeds))]
    public void The_same_log_gives_the_same_wall(int seed)
    {
        var wall = new WallScript(new WallRules(1, 9));
        WallPlay.Play(wall, new Random(seed), 1_200);
        var again = new Wall(Plan(new WallRules(1, 9)));
        foreach (var envelope in wall.Log) again.Apply(envelope);
        Assert.Equal(Data.Wire.SnapshotCodec.Encode(wall.Wall, Teacher), Data.Wire.SnapshotCodec.Encode(again, Teacher));
        Assert.Contains(wall.Log, e => e.Event is CardPutUp);
    }

    public static TheoryData<int> Seeds() => [.. Enumerable.Range(1, 20)];

    private static void Refused(Refusal reason, Decision decision) => Assert.Equal(reason, Assert.IsType<Decision.Refused>(decision).Reason);
}
