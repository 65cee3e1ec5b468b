using System.Collections.Immutable;
using Yardang.Core.Attachments;
using Yardang.Core.Interchange;
using Yardang.Core.Lessons;
using Yardang.Core.Rooms;
using Yardang.Core.Threads;
using Yardang.Core.Visibility;
using Yardang.Core.Walls;
using static Yardang.Core.Tests.Walls.WallScript;

namespace Yardang.Core.Tests.Walls;

/// <summary>Who may answer whom, and what becomes of answers.</summary>
public class AnswerTests
{
    private static readonly WallRules s_open = new(Answers: true);

    [Fact]
    public void Answers_stand_with_their_card_and_answer_each_other_to_any_depth()
    {
        var wall = new WallScript(s_open);
        var card = wall.PutUp(Maya, "arches push");
        var first = wall.Answer(Ben, card, "Where to?");
        var second = wall.Answer(Maya, card, "To the banks", first);
        wall.Answer(Teacher, card, "And what do the banks do?", second);
        Assert.Equal([0L, first, second], wall.Wall.Cards[card].Said.OrderBy(a => a.SaidAt).Select(a => a.To));
        Assert.Equal(["Where to?", "To the banks", "And what do the banks do?"], wall.Wall.Cards[card].Said.OrderBy(a => a.SaidAt).Select(a => a.Text));
    }

    [Fact]
    public void Students_answer_only_where_the_teacher_lets_them_and_teachers_always()
    {
        var wall = new WallScript();
        var card = wall.PutUp(Maya, "arches push");
        Refused(Refusal.NotAllowed, wall.Do(Ben, new GiveAnswer(card, wall.NextId(Ben), 0, "en", "Where to?")));
        wall.Answer(Teacher, card, "Where to?");
        Assert.Single(wall.Wall.Cards[card].Said);
    }

    [Fact]
    public void Nobody_gives_more_answers_than_each_may_and_one_that_is_down_does_not_count()
    {
        var wall = new WallScript(s_open with { MostAnswers = 1 });
        var card = wall.PutUp(Maya, "arches push");
        var first = wall.Answer(Ben, card, "Where to?");
        Refused(Refusal.EnoughAnswers, wall.Do(Ben, new GiveAnswer(card, wall.NextId(Ben), 0, "en", "And why?")));
        wall.Answer(Teacher, card, "One");
        wall.Answer(Teacher, card, "Two");
        wall.Do(Ben, new TakeAnswerDown(card, first));
        wall.Answer(Ben, card, "And why?");
        Refused(Refusal.EnoughAnswers, wall.Do(Ben, new PutAnswerBack(card, first)));
        Assert.NotNull(Plan(s_open with { LeastAnswers = 2, MostAnswers = 1 }).Fault());
    }

    [Fact]
    public void A_teacher_answers_by_voice_with_what_is_said_in_it_or_nothing_written()
    {
        var wall = new WallScript(s_open);
        var card = wall.PutUp(Maya, "arches push");
        var voice = wall.NextId(Teacher);
        Assert.IsType<Decision.Accepted>(wall.Do(Teacher, new GiveAnswer(card, voice, 0, "en", "", Shown: Shown.Spoken)));
        wall.Do(Teacher, new RewordAnswer(card, voice, "en", "They push outwards"));
        wall.Answer(Ben, card, "I hear it", voice);
        var said = wall.Wall.Cards[card].Said.Single(a => a.Id == voice);
        Assert.Equal(("They push outwards", Shown.Spoken), (said.Text, said.Shown));
        Assert.Contains(Shown.Spoken.Media, wall.Wall.Cards[card].MediaNames());
        wall.Do(Teacher, new RewordAnswer(card, voice, "en", ""));
        wall.Do(Teacher, new TakeAnswerDown(card, voice));
        Assert.DoesNotContain(((WallSnapshot)Snapshots.Of(wall.Wall, Ben)).Cards.Single().Said, a => a.Shown is not null);
    }

    [Fact]
    public void A_student_does_not_answer_by_voice_and_nothing_else_is_heard_in_an_answer()
    {
        var wall = new WallScript(s_open);
        var card = wall.PutUp(Maya, "arches push");
        Decision Show(Actor actor, Attachment shown) => wall.Do(actor, new GiveAnswer(card, wall.NextId(actor), 0, "en", "listen", Shown: shown));
        Refused(Refusal.NotAllowed, Show(Ben, Shown.Spoken));
        foreach (var shown in new Attachment[] { Shown.Voice, Shown.Film, Shown.File, Shown.Picture, Shown.Link, Shown.Spoken with { Media = "x" }, Shown.Spoken with { Duration = 0 }, Shown.Spoken with { Loudness = "a" } })
        {
            Refused(Refusal.OutOfRange, Show(Teacher, shown));
        }
    }

    [Fact]
    public void Of_an_answer_by_voice_that_came_without_its_file_it_is_known_that_something_was_said()
    {
        var voice = new Answer(7, 0, 1, ByStaff: true, "en", "", 1_000, Shown: Shown.Spoken);
        var written = new Answer(8, 7, 2, ByStaff: false, "en", "yes", 2_000);
        var names = new Dictionary<string, string>(StringComparer.Ordinal) { [Shown.Spoken.Media] = new('9', 64) };
        Assert.Equal([voice with { Shown = Shown.Spoken with { Media = new('9', 64) } }, written], Talk.WithMedia([voice, written], names));
        var without = Talk.WithMedia([voice, written], new Dictionary<string, string>(StringComparer.Ordinal));
        Assert.Equal([voice with { Shown = null, Aloud = true }, written], without);
        Assert.True(Talk.AreSound(without));
        Assert.True(Talk.AreSound([voice, written]));
        Assert.False(Talk.AreSound([voice with { ByStaff = false }]));
        Assert.False(Talk.AreSound([voice with { Shown = Shown.Film }]));
    }

    [Fact]
    public void Nobody_changes_a_classmates_answer_and_a_teacher_may()
    {
        var wall = new WallScript(s_open);
        var card = wall.PutUp(Maya, "arches push");
        var bens = wall.Answer(Ben, card, "Where to?");
        var teachers = wall.Answer(Teacher, card, "Good");
        Refused(Refusal.NotYours, wall.Do(Maya, new RewordAnswer(card, bens, "en", "no")));
        Refused(Refusal.NotYours, wall.Do(Maya, new TakeAnswerDown(card, bens)));
        Refused(Refusal.NotYours, wall.Do(Ben, new TakeAnswerDown(card, teachers)));
        wall.Do(Ben, new RewordAnswer(card, bens, "en", "Where do they push to?"));
        wall.Do(Teacher, new TakeAnswerDown(card, bens));
        Refused(Refusal.NotAllowed, wall.Do(Ben, new PutAnswerBack(card, bens)));
        Refused(Refusal.NotFound, wall.Do(Maya, new RewordAnswer(card, bens, "en", "no")));
        wall.Do(Teacher, new PutAnswerBack(card, bens));
        Assert.Equal("Where do they push to?", wall.Wall.Cards[card].Said.Single(a => a.Id == bens).Text);
        Assert.True(wall.Wall.Cards[card].Said.All(a => a.IsUp));
    }

    [Fact]
    public void An_answer_that_was_taken_down_is_seen_by_its_author_and_teachers_and_outlives_that_its_card_comes_back()
    {
        var wall = new WallScript(s_open);
        var card = wall.PutUp(Maya, "arches push");
        var bens = wall.Answer(Ben, card, "Where to?");
        wall.Do(Ben, new TakeAnswerDown(card, bens));
        int SeenBy(Actor reader) => ((WallSnapshot)Snapshots.Of(wall.Wall, reader)).Cards.Single().Said.Length;
        Assert.Equal((0, 1, 1, 0), (SeenBy(Maya), SeenBy(Ben), SeenBy(Teacher), SeenBy(Actor.Onlooker)));
        wall.Do(Maya, new TakeCardDown(card));
        wall.Do(Maya, new PutCardBack(card));
        Assert.Empty(((CardPutBack)wall.Log[^1].Event).Card.Said);
        Assert.Equal((0, 1, 1), (SeenBy(Maya), SeenBy(Ben), SeenBy(Teacher)));
        Assert.Null((wall.Do(Ben, new PutAnswerBack(card, bens)) as Decision.Refused)?.Reason);
    }

    [Fact]
    public void What_is_said_to_a_card_that_classmates_do_not_see_is_told_to_its_author_and_teachers()
    {
        var wall = new WallScript(new WallRules(OwnFirst: true, Answers: true));
        var mayas = wall.PutUp(Maya, "arches push");
        var teachers = wall.PutUp(Teacher, "look at the school bridge");
        var asked = wall.Answer(Teacher, mayas, "Where to?");
        wall.Answer(Maya, mayas, "To the banks", asked);
        var about = wall.Log.Where(e => e.Event is AnswerGiven).ToList();
        Assert.Equal(2, about.Count);
        Assert.All(about, e => Assert.Equal((true, false, true), (Sight.Of(Maya, e), Sight.Of(Ben, e), Sight.Of(Teacher, e))));
        Refused(Refusal.NotFound, wall.Do(Ben, new GiveAnswer(mayas, wall.NextId(Ben), 0, "en", "Me too")));
        Refused(Refusal.NotAllowed, wall.Do(Ben, new GiveAnswer(teachers, wall.NextId(Ben), 0, "en", "All would read it")));

        // With all shown, everybody is told of them.
        wall.Do(Teacher, new SetPlan(Plan(s_open)));
        Assert.Equal(2, ((CardsShown)wall.Log[^1].Event).Cards.Single(c => c.Id == mayas).Said.Length);
    }

    [Fact]
    public void There_are_limits_and_nothing_is_said_to_what_is_not_there()
    {
        var wall = new WallScript(s_open);
        var card = wall.PutUp(Maya, "arches push");
        Refused(Refusal.NotFound, wall.Do(Ben, new GiveAnswer(7, wall.NextId(Ben), 0, "en", "x")));
        Refused(Refusal.NotFound, wall.Do(Ben, new GiveAnswer(card, wall.NextId(Ben), 99, "en", "x")));
        Refused(Refusal.OutOfRange, wall.Do(Ben, new GiveAnswer(card, wall.NextId(Ben), 0, "en", " ")));
        Refused(Refusal.OutOfRange, wall.Do(Ben, new GiveAnswer(card, wall.NextId(Ben), 0, "en", new string('x', 1_001))));
        Refused(Refusal.Malformed, wall.Do(Ben, new GiveAnswer(card, card, 0, "en", "x")));
        for (var i = 0; i < Answer.MostAboutOne; i++) wall.Answer(Ben, card, "x");
        Refused(Refusal.Full, wall.Do(Ben, new GiveAnswer(card, wall.NextId(Ben), 0, "en", "x")));
        wall.Do(Maya, new TakeCardDown(card));
        Refused(Refusal.NotFound, wall.Do(Ben, new GiveAnswer(card, wall.NextId(Ben), 0, "en", "x")));
    }

    [Fact]
    public void An_answer_that_comes_too_late_waits_with_what_it_answers()
    {
        var wall = new WallScript(s_open) { Allowed = new Allowed(PensDown: true) };
        var card = wall.PutUp(Maya, "written on the bus");
        var first = wall.Answer(Maya, card, "And one more thing");
        wall.Answer(Maya, card, "And another", first);
        wall.Do(Maya, new RewordAnswer(card, first, "en", "One more thing"));
        Assert.Equal(4, wall.Wall.SetAside.Count);
        wall.Allowed = Allowed.Everything;
        foreach (var late in wall.Wall.SetAside.Keys.ToList()) wall.Do(Teacher, new AcceptLateWork(late));
        Assert.Equal(["One more thing", "And another"], wall.Wall.Cards[card].Said.Select(a => a.Text));
    }

    [Fact]
    public void Where_a_card_is_answered_in_pairs_each_says_one_strength_and_one_question()
    {
        var wall = new WallScript(new WallRules(Answers: true, InPairs: true));
        var card = wall.PutUp(Maya, "An arch pushes outwards");
        Decision Say(Actor actor, AnswerKind says, long to = 0, string text = "clear") => wall.Do(actor, new GiveAnswer(card, wall.NextId(actor), to, "en", text, Says: says));
        Assert.Equal(new Decision.Refused(Refusal.NotAllowed), Say(Ben, AnswerKind.Plain));
        Assert.Equal(new Decision.Refused(Refusal.OutOfRange), Say(Ben, (AnswerKind)7));
        Assert.Equal(new Decision.Refused(Refusal.OutOfRange), Say(Ben, AnswerKind.Strength, text: " "));
        Assert.IsType<Decision.Accepted>(Say(Ben, AnswerKind.Strength));
        Assert.Equal(new Decision.Refused(Refusal.ChangedSince), Say(Ben, AnswerKind.Strength));
        Assert.IsType<Decision.Accepted>(Say(Ben, AnswerKind.Question));

        // One that was taken down makes room for another, and cannot come back beside it.
        var strength = wall.Wall.Cards[card].Said.Single(a => a.Says == AnswerKind.Strength).Id;
        wall.Do(Ben, new TakeAnswerDown(card, strength));
        Assert.IsType<Decision.Accepted>(Say(Ben, AnswerKind.Strength));
        Assert.Equal(new Decision.Refused(Refusal.ChangedSince), wall.Do(Ben, new PutAnswerBack(card, strength)));

        // What is said to an answer is free, and so is a teacher.
        Assert.IsType<Decision.Accepted>(Say(Maya, AnswerKind.Plain, strength = wall.Wall.Cards[card].Said.First(a => a.IsUp).Id));
        Assert.Equal(new Decision.Refused(Refusal.NotAllowed), Say(Maya, AnswerKind.Question, strength));
        Assert.IsType<Decision.Accepted>(Say(Teacher, AnswerKind.Plain));

        wall.Do(Teacher, new SetPlan(Plan(new(Answers: true))));
        Assert.Equal(new Decision.Refused(Refusal.NotAllowed), Say(Ben, AnswerKind.Question));
    }

    [Fact]
    public void Each_owes_answers_to_so_many_cards_of_others()
    {
        var wall = new WallScript(new WallRules(Answers: true, LeastAnswers: 2));
        var (mayas, bens, teachers) = (wall.PutUp(Maya, "arch"), wall.PutUp(Ben, "beam"), wall.PutUp(Teacher, "look"));
        Assert.Equal(2, wall.Wall.AnswersOwed(Ben.Number));
        wall.Answer(Ben, bens, "and more");
        var first = wall.Answer(Ben, mayas, "why?");
        wall.Answer(Ben, mayas, "and how?");
        Assert.Equal(1, wall.Wall.AnswersOwed(Ben.Number));
        wall.Answer(Ben, teachers, "I see");
        Assert.Equal(0, wall.Wall.AnswersOwed(Ben.Number));
        wall.Do(Ben, new TakeAnswerDown(mayas, first));
        Assert.Equal(0, wall.Wall.AnswersOwed(Ben.Number));
        wall.Do(Maya, new TakeCardDown(mayas));
        Assert.Equal(1, wall.Wall.AnswersOwed(Ben.Number));
        wall.Do(Teacher, new SetPlan(Plan(new(OwnFirst: true, Answers: true, LeastAnswers: 2))));
        Assert.Equal(0, wall.Wall.AnswersOwed(Ben.Number));
        Assert.NotNull(Plan(new(LeastAnswers: -1)).Fault());
    }

    [Fact]
    public void An_archive_holds_the_answers_that_are_up_and_each_answers_something_that_is_there()
    {
        var wall = new WallScript(s_open);
        var card = wall.PutUp(Maya, "arches push");
        var first = wall.Answer(Ben, card, "Where to?");
        var second = wall.Answer(Maya, card, "To the banks", first);
        wall.Answer(Ben, card, "I see", second);
        wall.Do(Maya, new TakeAnswerDown(card, second));
        var standing = wall.Wall.Cards[card].Standing();
        Assert.Equal([0L, first], standing.Said.OrderBy(a => a.SaidAt).Select(a => a.To));
        Assert.Null(Card.FaultIn(Plan(), [standing]));
        var answer = standing.Said[0];
        foreach (var wrong in new[] { answer with { To = 99 }, answer with { To = answer.Id }, answer with { Text = " " }, answer with { Id = 0 }, answer with { SaidAt = -1 }, answer with { DownBy = 2 } })
        {
            Assert.NotNull(Card.FaultIn(Plan(), [standing with { Answers = [wrong] }]));
        }

        Assert.NotNull(Card.FaultIn(Plan(), [standing with { Answers = [answer, answer] }]));
        var foreign = new ArchivedBoard([2], [], [], Wall: new(Plan(), [standing with { Answers = [answer with { Author = 77 }] }]));
        Assert.NotNull(WorkRules.FaultIn(new("x", "", DateTimeOffset.UnixEpoch, Way.AllTogether, [new(2, "Maya"), new(3, "Ben")], [foreign])));
    }

    private static void Refused(Refusal why, Decision decision) => Assert.Equal(why, (decision as Decision.Refused)?.Reason);
}
