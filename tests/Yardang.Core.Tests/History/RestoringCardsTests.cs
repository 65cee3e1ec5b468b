using Yardang.Core.History;
using Yardang.Core.Rooms;
using Yardang.Core.Tests.Walls;
using Yardang.Core.Visibility;
using Yardang.Core.Walls;
using static Yardang.Core.Tests.Walls.WallScript;

namespace Yardang.Core.Tests.History;

public sealed class RestoringCardsTests
{
    [Fact]
    public void What_a_vandal_moved_and_took_down_is_put_back_and_what_came_since_stays()
    {
        var wall = new WallScript(WallRules.Free with { AnyMoves = true });
        var (mayas, bens) = (wall.PutUp(Maya, "Cables pull"), wall.PutUp(Ben, "Beams bend"));
        var then = wall.Wall.Number;
        wall.Do(Ben, new MoveCard(mayas, 12, 5));
        wall.Do(Ben, new TakeCardDown(bens));
        var later = wall.PutUp(Maya, "Piers press");

        Assert.Equal((1, 0, 0, 0), Counts(Plan(wall, then)));
        var plan = Plan(wall, then, RestoreDepth.Changed);
        Assert.Equal((1, 1, 0, 0), Counts(plan));
        Do(wall, plan);

        Assert.Equal(11, wall.Wall.Cards[mayas].Topic);
        Assert.True(wall.Wall.Cards[bens].IsUp);
        Assert.True(wall.Wall.Cards[later].IsUp);
    }

    [Fact]
    public void What_was_reworded_says_again_what_it_said_and_what_came_since_goes_if_the_teacher_says_so()
    {
        var wall = new WallScript();
        var card = wall.PutUp(Maya, "Cables pull");
        var then = wall.Wall.Number;
        wall.Do(Maya, new RewordCard(card, "en", "nonsense"));
        var later = wall.PutUp(Ben, "more nonsense");

        Do(wall, Plan(wall, then, RestoreDepth.Exactly));
        Assert.Equal(["Cables pull"], wall.Under(11));
        Assert.Equal(Teacher.Number, wall.Wall.Cards[later].DownBy);
    }

    [Fact]
    public void What_a_teacher_took_down_stays_down()
    {
        var wall = new WallScript();
        var card = wall.PutUp(Ben, "Maya cannot count");
        var then = wall.Wall.Number;
        wall.Do(Teacher, new TakeCardDown(card, "About the bridge, please"));
        Assert.Equal((0, 0, 0, 1), Counts(Plan(wall, then, RestoreDepth.Exactly)));
        Assert.Empty(Plan(wall, then, RestoreDepth.Exactly).Commands);
    }

    [Fact]
    public void Taken_back_everything_is_as_before_it_also_who_took_what_down_and_what_was_done_since_stays()
    {
        var wall = new WallScript();
        var (gone, reworded) = (wall.PutUp(Maya, "Cables pull"), wall.PutUp(Maya, "Beams bend"));
        var then = wall.Wall.Number;
        wall.Do(Maya, new TakeCardDown(gone));
        wall.Do(Maya, new RewordCard(reworded, "en", "Beams break"));
        var before = wall.Wall.Number;
        Do(wall, Plan(wall, then, RestoreDepth.Changed));
        var done = wall.Wall.Number;
        wall.Do(Maya, new RewordCard(reworded, "en", "Beams bend, then break"));

        var things = RestoringCards.LastTouched(wall.Log, Teacher.Number, before + 1, done);
        Assert.Equal([gone], things);
        var back = Plan(wall, before, RestoreDepth.Exactly, things);
        Do(wall, back);

        Assert.Equal(Maya.Number, wall.Wall.Cards[gone].DownBy);
        Assert.Equal("Beams bend, then break", wall.Wall.Cards[reworded].Text);
        Assert.IsType<Decision.Accepted>(wall.Do(Maya, new PutCardBack(gone)));
    }

    [Fact]
    public void Down_as_if_its_author_had_taken_it_down_tells_nobody_else_whose_it_is()
    {
        var wall = new WallScript();
        var card = wall.PutUp(Maya, "Cables pull");
        wall.Do(Teacher, new TakeCardDown(card, AsItsAuthor: true));
        Assert.Equal(new CardTakenDown(card), Sight.AsTold(Ben, wall.Log[^1]).Event);
        Assert.Equal(Maya.Number, Assert.IsType<CardTakenDown>(Sight.AsTold(Maya, wall.Log[^1]).Event).By);
    }

    [Fact]
    public void Only_a_teacher_takes_down_as_its_author_and_only_without_words()
    {
        var wall = new WallScript();
        var (mayas, teachers) = (wall.PutUp(Maya, "Cables pull"), wall.PutUp(Teacher, "And beams?"));
        Assert.Equal(new Decision.Refused(Refusal.NotAllowed), wall.Do(Maya, new TakeCardDown(mayas, AsItsAuthor: true)));
        Assert.Equal(new Decision.Refused(Refusal.NotAllowed), wall.Do(Teacher, new TakeCardDown(teachers, AsItsAuthor: true)));
        Assert.Equal(new Decision.Refused(Refusal.NotAllowed), wall.Do(Teacher, new TakeCardDown(mayas, "why", AsItsAuthor: true)));
        Assert.Equal(new Decision.Refused(Refusal.NotAllowed), wall.Do(Teacher, new TakeCardDown(mayas, Removes: true, AsItsAuthor: true)));
    }

    [Fact]
    public void Only_one_topic_one_person_or_one_card_is_restored_if_that_is_asked_for()
    {
        var wall = new WallScript();
        var (first, second, bens) = (wall.PutUp(Maya, "one"), wall.PutUp(Maya, "two", 12), wall.PutUp(Ben, "three"));
        var then = wall.Wall.Number;
        foreach (var (who, card) in new[] { (Maya, first), (Maya, second), (Ben, bens) }) wall.Do(who, new TakeCardDown(card));
        Assert.Equal(2, Plan(wall, then, topic: 11).Back);
        Assert.Equal(2, Plan(wall, then, person: Maya.Number).Back);
        Assert.Equal(1, Plan(wall, then, cards: new HashSet<long> { second }).Back);
    }

    [Theory]
    [MemberData(nameof(Seeds))]
    public void Whatever_was_done_each_step_of_a_restore_is_possible_and_the_cards_are_as_they_were(int seed)
    {
        var random = new Random(seed);
        var wall = new WallScript(WallRules.Free with { AnyMoves = true });
        WallPlay.Play(wall, random, 80);
        var at = random.Next((int)wall.Wall.Number);
        var plan = Plan(wall, at, RestoreDepth.Exactly);
        foreach (var command in plan.Commands) Assert.IsType<Decision.Accepted>(wall.Do(Teacher, command));

        var then = CardsAt(wall, at);
        var has = wall.Wall.Plan.Has;
        foreach (var card in wall.Wall.Cards.Values)
        {
            var was = then.GetValueOrDefault(card.Id);
            var isDown = !card.IsUp && (card.ByStaff || card.DownBy != card.Author);
            if (isDown) continue;
            Assert.Equal(was is { IsUp: true }, card.IsUp);
            if (was is { IsUp: true }) Assert.Equal((was.Text, has(was.Topic) ? was.Topic : card.Topic, was.Colour), (card.Text, card.Topic, card.Colour));
        }
    }

    public static TheoryData<int> Seeds() => [.. Enumerable.Range(1, 60)];

    private static (int Back, int Changed, int Away, int Down) Counts(CardRestoration plan) => (plan.Back, plan.Changed, plan.Away, plan.Down);

    private static Dictionary<long, Card> CardsAt(WallScript wall, long at)
    {
        var again = new Wall(wall.Log.Count == 0 ? wall.Wall.Plan : Beginning(wall), Key);
        foreach (var envelope in wall.Log.TakeWhile(e => e.Number <= at)) again.Apply(envelope);
        return new(again.Cards);
    }

    private static WallPlan Beginning(WallScript wall) => WallScript.Plan(wall.Wall.Plan.Rules) with { Purpose = wall.Wall.Plan.Purpose };

    private static CardRestoration Plan(WallScript wall, long at, RestoreDepth depth = RestoreDepth.Gone, IReadOnlySet<long>? cards = null, long? topic = null, int person = 0) =>
        RestoringCards.Plan(CardsAt(wall, at), wall.Wall, new(topic, person, cards ?? new HashSet<long>(), depth));

    private static void Do(WallScript wall, CardRestoration plan)
    {
        foreach (var command in plan.Commands) Assert.IsType<Decision.Accepted>(wall.Do(Teacher, command));
    }
}
