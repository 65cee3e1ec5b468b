using Yardang.Core.History;
using Yardang.Core.Rooms;
using Yardang.Core.Tests.Walls;
using Yardang.Core.Threads;
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
        Assert.Equal([gone], things.Cards);
        var back = Plan(wall, before, RestoreDepth.Exactly, only: things);
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
        Assert.Equal(2, Plan(wall, then, topic: 11).Cards.Back);
        Assert.Equal(2, Plan(wall, then, person: Maya.Number).Cards.Back);
        Assert.Equal(1, Plan(wall, then, card: second).Cards.Back);
    }

    [Fact]
    public void Answers_come_back_and_say_what_they_said_and_those_that_a_teacher_took_down_stay_down()
    {
        var wall = new WallScript(WallRules.Free with { Answers = true });
        var card = wall.PutUp(Maya, "Cables pull");
        var (gone, reworded, unkind) = (wall.Answer(Ben, card, "From where?"), wall.Answer(Maya, card, "From the towers"), wall.Answer(Ben, card, "You cannot count"));
        var then = wall.Wall.Number;
        wall.Do(Ben, new TakeAnswerDown(card, gone));
        wall.Do(Maya, new RewordAnswer(card, reworded, "en", "nonsense"));
        wall.Do(Teacher, new TakeAnswerDown(card, unkind, "Kindly, please"));
        var later = wall.Answer(Ben, card, "later");

        Assert.Equal((1, 0, 0, 1), Numbers(Plan(wall, then).Answers));
        Assert.Equal((0, 1, 0, 0), Numbers(Plan(wall, then, RestoreDepth.Changed, person: Maya.Number).Answers));
        var plan = Plan(wall, then, RestoreDepth.Exactly);
        Assert.Equal((1, 1, 1, 1), Numbers(plan.Answers));
        Assert.Equal((0, 0, 0, 0), Counts(plan));
        Do(wall, plan);
        Assert.Equal(["From where?", "From the towers"], wall.Wall.Cards[card].Said.Where(a => a.IsUp).OrderBy(a => a.SaidAt).Select(a => a.Text));
        Assert.Equal(Teacher.Number, wall.Wall.Cards[card].Said.Single(a => a.Id == later).DownBy);
    }

    [Fact]
    public void An_answer_that_comes_back_and_goes_again_is_its_authors_to_put_back_and_nobody_else_is_told_whose_it_is()
    {
        var wall = new WallScript(WallRules.Free with { Answers = true });
        var card = wall.PutUp(Maya, "Cables pull");
        var gone = wall.Answer(Ben, card, "From where?");
        var then = wall.Wall.Number;
        wall.Do(Ben, new TakeAnswerDown(card, gone));
        var before = wall.Wall.Number;
        Do(wall, Plan(wall, then));
        Do(wall, Plan(wall, before, RestoreDepth.Exactly, only: RestoringCards.LastTouched(wall.Log, Teacher.Number, before + 1, wall.Wall.Number)));

        Assert.Equal(Ben.Number, wall.Wall.Cards[card].Said[0].DownBy);
        Assert.Equal(new AnswerTakenDown(card, gone), Sight.AsTold(Maya, wall.Log[^1]).Event);
        Assert.IsType<Decision.Accepted>(wall.Do(Ben, new PutAnswerBack(card, gone)));
        Assert.Equal(new Decision.Refused(Refusal.NotAllowed), wall.Do(Ben, new TakeAnswerDown(card, gone, AsItsAuthor: true)));
        Assert.Equal(new Decision.Refused(Refusal.NotAllowed), wall.Do(Teacher, new TakeAnswerDown(card, gone, "why", AsItsAuthor: true)));
    }

    [Fact]
    public void Cards_that_said_the_same_stand_together_again_and_those_that_did_not_stand_alone()
    {
        var wall = new WallScript(WallRules.Free with { SaidAlready = true });
        var (one, two, three) = (wall.PutUp(Maya, "Cables pull"), wall.PutUp(Ben, "Ropes pull"), wall.PutUp(Maya, "Beams bend"));
        wall.Do(Ben, new JoinCard(two, one));
        var then = wall.Wall.Number;
        wall.Do(Ben, new JoinCard(two, 0));
        wall.Do(Maya, new JoinCard(one, two));
        wall.Do(Maya, new JoinCard(three, two));

        Assert.Empty(Plan(wall, then).Commands);
        var plan = Plan(wall, then, RestoreDepth.Changed);
        Assert.Equal((0, 3, 0, 0), Counts(plan));
        Do(wall, plan);
        Assert.Equal((0, one, 0), (wall.Wall.Cards[one].Joined, wall.Wall.Cards[two].Joined, wall.Wall.Cards[three].Joined));
    }

    [Fact]
    public void Links_come_back_say_what_they_said_and_point_where_they_pointed()
    {
        var wall = new WallScript(purpose: Purpose.Connect);
        var (load, deck, pier) = (wall.PutUp(Maya, "load"), wall.PutUp(Ben, "deck"), wall.PutUp(Ben, "pier"));
        var (gone, other) = (Link(wall, Maya, load, deck), Link(wall, Ben, deck, pier));
        var then = wall.Wall.Number;
        wall.Do(Maya, new TakeLinkDown(gone));
        wall.Do(Ben, new RewordLink(other, 0, "en", "nonsense"));
        wall.Do(Ben, new ReverseLink(other));
        var later = Link(wall, Ben, pier, load);

        Assert.Equal((1, 0, 0, 0), Numbers(Plan(wall, then).Links));
        var plan = Plan(wall, then, RestoreDepth.Exactly);
        Assert.Equal((1, 1, 1, 0), Numbers(plan.Links));
        Do(wall, plan);
        var links = wall.Wall.Links.All;
        Assert.True(links[gone].IsUp);
        Assert.Equal((deck, pier, "pushes on"), (links[other].From, links[other].To, links[other].Text));
        Assert.False(links[later].IsUp);
    }

    [Fact]
    public void A_question_is_answered_again_by_what_answered_it()
    {
        var wall = new WallScript(WallRules.Free with { Answers = true }, purpose: Purpose.Ask);
        var question = wall.PutUp(Maya, "Why does it not fall?");
        var answer = wall.Answer(Ben, question, "It leans on the banks");
        wall.Do(Maya, new FileQuestion(question, answer));
        var then = wall.Wall.Number;
        wall.Do(Ben, new TakeAnswerDown(question, answer));
        wall.Do(Maya, new FileQuestion(question, wall.Answer(Ben, question, "No idea")));

        Do(wall, Plan(wall, then, RestoreDepth.Changed));
        Assert.Equal(answer, wall.Wall.Cards[question].AnsweredBy);
        Assert.True(wall.Wall.Cards[question].IsAnswered);
    }

    [Theory]
    [MemberData(nameof(Seeds))]
    public void Whatever_was_done_each_step_of_a_restore_is_possible_and_the_cards_are_as_they_were(int seed)
    {
        var random = new Random(seed);
        var wall = new WallScript(WallRules.Free with { AnyMoves = true, Answers = true, SaidAlready = true });
        WallPlay.Play(wall, random, 80);
        var at = random.Next((int)wall.Wall.Number);
        var plan = Plan(wall, at, RestoreDepth.Exactly);
        foreach (var command in plan.Commands) Assert.True(wall.Do(Teacher, command) is Decision.Accepted, command.ToString());

        var then = ThenAt(wall, at).Cards;
        var has = wall.Wall.Plan.Has;
        foreach (var card in wall.Wall.Cards.Values)
        {
            var was = then.GetValueOrDefault(card.Id);
            var isDown = !card.IsUp && (card.ByStaff || card.DownBy != card.Author);
            if (isDown) continue;
            Assert.Equal(was is { IsUp: true }, card.IsUp);
            if (was is not { IsUp: true }) continue;
            Assert.Equal((was.Text, has(was.Topic) ? was.Topic : card.Topic, was.Colour), (card.Text, card.Topic, card.Colour));
            foreach (var answer in card.Said.Where(a => a.IsUp || (!a.ByStaff && a.DownBy == a.Author)))
            {
                var said = Talk.Find(was.Said, answer.Id);
                Assert.Equal(said is { IsUp: true } ? said.Text : null, answer.IsUp ? answer.Text : null);
            }
        }

        Assert.Empty(Plan(wall, at, RestoreDepth.Exactly).Commands);
    }

    public static TheoryData<int> Seeds() => [.. Enumerable.Range(1, 60)];

    private static long Link(WallScript wall, Actor actor, long from, long to)
    {
        var id = wall.NextId(actor);
        Assert.IsType<Decision.Accepted>(wall.Do(actor, new LinkCards(id, from, to, 0, "en", "pushes on")));
        return id;
    }

    private static (int Back, int Changed, int Away, int Down) Counts(CardRestoration plan) => Numbers(plan.Cards);

    private static (int Back, int Changed, int Away, int Down) Numbers(RestoreCounts counts) => (counts.Back, counts.Changed, counts.Away, counts.Down);

    private static WallThen ThenAt(WallScript wall, long at)
    {
        var again = new Wall(wall.Log.Count == 0 ? wall.Wall.Plan : Beginning(wall), Key);
        foreach (var envelope in wall.Log.TakeWhile(e => e.Number <= at)) again.Apply(envelope);
        return WallThen.Of(again);
    }

    private static WallPlan Beginning(WallScript wall) => WallScript.Plan(wall.Wall.Plan.Rules) with { Purpose = wall.Wall.Plan.Purpose };

    private static CardRestoration Plan(WallScript wall, long at, RestoreDepth depth = RestoreDepth.Gone, long? card = null, long? topic = null, int person = 0, WallThings? only = null) =>
        RestoringCards.Plan(ThenAt(wall, at), wall.Wall, new(topic, person, card, depth, only));

    private static void Do(WallScript wall, CardRestoration plan)
    {
        foreach (var command in plan.Commands) Assert.IsType<Decision.Accepted>(wall.Do(Teacher, command));
    }
}
