using Yardang.Core.Pages;
using Yardang.Core.Rooms;
using Yardang.Core.Threads;
using Yardang.Core.Visibility;
using Yardang.Core.Walls;
using static Yardang.Core.Tests.Walls.WallScript;

namespace Yardang.Core.Tests.Walls;

/// <summary>On a wall to ask: who asks the same, what answers a question, and who may say so.</summary>
public class QuestionTests
{
    private static readonly Actor s_cleo = new(4, Role.Student);

    [Fact]
    public void Whoever_asks_the_same_is_counted_once_and_may_stop_asking()
    {
        var (wall, question) = Asked();
        wall.Do(Ben, new AskToo(question, true));
        Refused(Refusal.ChangedSince, wall.Do(Ben, new AskToo(question, true)));
        wall.Do(s_cleo, new AskToo(question, true));
        Assert.Equal([Ben.Number, s_cleo.Number], wall.Wall.Cards[question].Askers);
        wall.Do(Ben, new AskToo(question, false));
        Refused(Refusal.ChangedSince, wall.Do(Ben, new AskToo(question, false)));
        Assert.Equal([s_cleo.Number], wall.Wall.Cards[question].Askers);
    }

    [Fact]
    public void Nobody_asks_their_own_question_too_and_teachers_ask_none()
    {
        var (wall, question) = Asked();
        Refused(Refusal.NotAllowed, wall.Do(Maya, new AskToo(question, true)));
        Refused(Refusal.NotAllowed, wall.Do(Teacher, new AskToo(question, true)));
        Refused(Refusal.NotFound, wall.Do(Ben, new AskToo(7, true)));
        wall.Do(Maya, new TakeCardDown(question));
        Refused(Refusal.NotFound, wall.Do(Ben, new AskToo(question, true)));
    }

    [Fact]
    public void On_a_wall_to_sort_nobody_asks_too_and_nothing_is_filed()
    {
        var wall = new WallScript(new WallRules(Answers: true));
        var card = wall.PutUp(Maya, "arches push");
        var answer = wall.Answer(Teacher, card, "Why?");
        Refused(Refusal.NotAllowed, wall.Do(Ben, new AskToo(card, true)));
        Refused(Refusal.NotAllowed, wall.Do(Teacher, new FileQuestion(card, answer)));
    }

    [Fact]
    public void A_question_is_filed_with_its_answer_by_its_teacher_or_by_whoever_asked_it()
    {
        var (wall, question) = Asked();
        var bens = wall.Answer(Ben, question, "They lean on the banks");
        Refused(Refusal.NotYours, wall.Do(Ben, new FileQuestion(question, bens)));
        Refused(Refusal.NotFound, wall.Do(Maya, new FileQuestion(question, 77)));
        wall.Do(Maya, new FileQuestion(question, bens));
        Assert.True(wall.Wall.Cards[question].IsAnswered);
        Refused(Refusal.ChangedSince, wall.Do(Teacher, new FileQuestion(question, bens)));
        wall.Do(Teacher, new FileQuestion(question, 0));
        Assert.False(wall.Wall.Cards[question].IsAnswered);
        Refused(Refusal.ChangedSince, wall.Do(Maya, new FileQuestion(question, 0)));
    }

    [Fact]
    public void A_question_whose_answer_is_taken_down_is_open_and_answered_again_when_it_comes_back()
    {
        var (wall, question) = Asked();
        var answer = wall.Answer(Ben, question, "They lean on the banks");
        wall.Do(Maya, new FileQuestion(question, answer));
        wall.Do(Ben, new TakeAnswerDown(question, answer));
        Assert.False(wall.Wall.Cards[question].IsAnswered);
        Assert.Equal(0, wall.Wall.Cards[question].Standing().AnsweredBy);
        wall.Do(Ben, new PutAnswerBack(question, answer));
        Assert.True(wall.Wall.Cards[question].IsAnswered);
    }

    [Fact]
    public void What_a_teacher_said_aloud_needs_no_note_and_no_student_says_anything_aloud()
    {
        var (wall, question) = Asked();
        Refused(Refusal.NotAllowed, wall.Do(Ben, new GiveAnswer(question, wall.NextId(Ben), 0, "en", "me", Aloud: true)));
        var aloud = wall.NextId(Teacher);
        Assert.IsType<Decision.Accepted>(wall.Do(Teacher, new GiveAnswer(question, aloud, 0, "en", "", Aloud: true)));
        Refused(Refusal.OutOfRange, wall.Do(Teacher, new GiveAnswer(question, wall.NextId(Teacher), 0, "en", "")));
        Assert.IsType<Decision.Accepted>(wall.Do(Teacher, new RewordAnswer(question, aloud, "en", "It leans on the banks")));
        Assert.IsType<Decision.Accepted>(wall.Do(Teacher, new RewordAnswer(question, aloud, "en", "")));
        Refused(Refusal.OutOfRange, wall.Do(Teacher, new RewordAnswer(question, aloud, "en", new string('a', Limits.StatementLength + 1))));
        wall.Do(Teacher, new FileQuestion(question, aloud));
        Assert.True(wall.Wall.Cards[question].IsAnswered);
    }

    [Fact]
    public void What_comes_while_pens_are_down_is_refused_and_does_not_wait()
    {
        var (wall, question) = Asked();
        var answer = wall.Answer(Ben, question, "They lean on the banks");
        wall.Allowed = new Allowed(PensDown: true);
        Refused(Refusal.TooLate, wall.Do(Ben, new AskToo(question, true)));
        Refused(Refusal.TooLate, wall.Do(Maya, new FileQuestion(question, answer)));
        Assert.Empty(wall.Wall.SetAside);
        Assert.IsType<Decision.Accepted>(wall.Do(Teacher, new FileQuestion(question, answer)));
        wall.Allowed = Allowed.Everything;
        Refused(Refusal.TooLate, wall.Do(Ben with { HasLeft = true }, new AskToo(question, true)));
    }

    [Fact]
    public void While_each_sees_only_their_own_questions_nobody_finds_or_asks_those_of_others()
    {
        var (wall, question) = Asked(new WallRules(OwnFirst: true, Answers: true));
        var teachers = wall.PutUp(Teacher, "What holds it up?", WallPlan.Nowhere);
        Refused(Refusal.NotFound, wall.Do(Ben, new AskToo(question, true)));
        Refused(Refusal.NotAllowed, wall.Do(Ben, new AskToo(teachers, true)));
        Assert.Empty(Found(wall, Ben, "Why do arches push?"));
        Assert.Equal([question], Found(wall, Maya, "Why do arches push?"));
        var answer = wall.Answer(Teacher, question, "They lean");
        wall.Do(Teacher, new FileQuestion(question, answer));
        Assert.All(wall.Log.Where(e => e.Event is QuestionFiled or AnswerGiven), e => Assert.False(Sight.Of(Ben, e)));
        Assert.All(wall.Log.Where(e => e.Event is QuestionFiled or AnswerGiven), e => Assert.True(Sight.Of(Maya, e)));
    }

    [Fact]
    public void While_a_question_is_typed_like_ones_are_found_answered_ones_first_and_none_that_is_down()
    {
        var (wall, first) = Asked();
        var second = wall.PutUp(Ben, "Why does an arch push outwards?", WallPlan.Nowhere);
        wall.PutUp(Ben, "Who paints the railings?", WallPlan.Nowhere);
        var down = wall.PutUp(Ben, "Why do arches push so?", WallPlan.Nowhere);
        wall.Do(Ben, new TakeCardDown(down));
        wall.Do(Teacher, new FileQuestion(second, wall.Answer(Teacher, second, "It is bent")));
        Assert.Equal([second, first], Found(wall, s_cleo, "why do arches push?"));
        wall.Do(Ben, new RewordCard(second, "en", "How long is the ferry?"));
        Assert.Equal([first], Found(wall, s_cleo, "why do arches push?"));
        Assert.Empty(Found(wall, s_cleo, "   "));
        Assert.Empty(Found(wall, s_cleo, "\0\uD800 ‮ ~~~ 💥"));
    }

    [Fact]
    public void Questions_come_back_from_an_archive_with_who_asks_them_and_what_answers_them_and_unsound_ones_do_not()
    {
        var answer = new Answer(5, 0, 1, true, "en", "", 10, Aloud: true);
        var card = new Card(9, 0, 0, 2, false, 1, "en", "Why?", 5, Answers: [answer], AskedToo: [3, 4], AnsweredBy: 5);
        Assert.IsType<Decision.Accepted>(Bring(card));
        foreach (var wrong in new[] { card with { AskedToo = [2] }, card with { AskedToo = [3, 3] }, card with { AskedToo = [0] }, card with { AnsweredBy = 6 }, card with { Answers = [answer with { ByStaff = false }] }, card with { AskedToo = [.. Enumerable.Range(10, Questions.MostAskers + 1)] } })
        {
            Refused(Refusal.OutOfRange, Bring(wrong));
        }

        static Decision Bring(Card card) => new Wall(Plan()).Decide(Submission.ByProgram(new BringCards(Plan(), [card], null)), Actor.Program, Situation.Open);
    }

    [Fact]
    public void Cards_become_questions_and_questions_cards_and_nothing_is_lost()
    {
        var (wall, question) = Asked();
        wall.Do(Ben, new AskToo(question, true));
        wall.Do(Teacher, new FileQuestion(question, wall.Answer(Teacher, question, "They lean")));
        var before = wall.Wall.Cards[question];
        wall.Do(Teacher, new SetPlan(Plan()));
        wall.Do(Teacher, new SetPlan(Plan() with { Purpose = Purpose.Ask }));
        Assert.Equal(before, wall.Wall.Cards[question]);
        Refused(Refusal.OutOfRange, wall.Do(Teacher, new SetPlan(Plan() with { Purpose = (Purpose)99 })));
    }

    [Fact]
    public void Answered_questions_stand_under_the_words_that_tell_them_apart()
    {
        string[] asked = ["How thick must the rope be?", "Who made the first rope bridge?", "How heavy is an arch?", "Does an arch need stones?", "Why do bridges swing?", "Can a bridge swing too much?"];
        var cards = asked.Select((text, i) => new Card(i + 1, 0, 0, 2, false, i, "en", text, i));
        var index = QuestionIndex.Of(cards, new HashSet<string>(["must", "first", "made", "does", "need", "much"]));
        Assert.Equal(["arch", "bridge", "bridges", "heavy", "rope", "stones", "swing", "thick"], index.Select(w => w.Word));
        Assert.Equal([1, 2], index.Single(w => w.Word == "rope").Cards);
        Assert.Equal([5, 6], index.Single(w => w.Word == "swing").Cards);
        Assert.All(cards, c => Assert.InRange(index.Count(w => w.Cards.Contains(c.Id)), 1, QuestionIndex.MostWords));
        Assert.Empty(QuestionIndex.Of([], new HashSet<string>()));
        Assert.Equal("árbol", QuestionIndex.Of([new Card(1, 0, 0, 2, false, 1, "es", "¿Árbol?", 0)], new HashSet<string>()).Single().Word);
    }

    private static (WallScript Wall, long Question) Asked(WallRules? rules = null)
    {
        var wall = new WallScript(rules ?? new WallRules(Answers: true));
        wall.Do(Teacher, new SetPlan(Plan(rules ?? new WallRules(Answers: true)) with { Purpose = Purpose.Ask, Topics = [] }));
        return (wall, wall.PutUp(Maya, "Why do arches push sideways?", WallPlan.Nowhere));
    }

    private static IReadOnlyList<long> Found(WallScript wall, Actor reader, string text) => wall.Wall.Like(text, card => Sight.Of(reader, card, wall.Wall.Plan.Rules));

    private static void Refused(Refusal reason, Decision decision) => Assert.Equal(reason, Assert.IsType<Decision.Refused>(decision).Reason);
}
