using Yardang.Core.Judges;
using Yardang.Core.Pages;
using Yardang.Core.Rooms;
using Yardang.Core.Threads;
using Yardang.Core.Visibility;
using Yardang.Core.Walls;
using static Yardang.Core.Tests.Walls.WallScript;

namespace Yardang.Core.Tests.Walls;

/// <summary>Scores for a criterion: what is asked for beside them, what they come to, and what a teacher may want to look at.</summary>
public class ScoringTests
{
    private static readonly Actor s_cleo = new(4, Role.Student);

    [Fact]
    public void A_score_is_given_with_the_reason_and_the_words_that_are_asked_for()
    {
        var wall = new WallScript(Scored(Wanted.Must, Wanted.Must));
        var card = wall.PutUp(Maya, "Arches push\nagainst the banks");
        Refused(Refusal.OutOfRange, wall.Do(Ben, new JudgeCard(card, 3)));
        Refused(Refusal.OutOfRange, wall.Do(Ben, new JudgeCard(card, 3, "  ", "arches")));
        Refused(Refusal.OutOfRange, wall.Do(Ben, new JudgeCard(card, 3, "It says where")));
        Refused(Refusal.OutOfRange, wall.Do(Ben, new JudgeCard(card, 3, "It says where", "cables")));
        Refused(Refusal.OutOfRange, wall.Do(Ben, new JudgeCard(card, 5, "It says where", "arches")));
        Refused(Refusal.OutOfRange, wall.Do(Ben, new JudgeCard(card, 3, new string('x', Limits.StatementLength + 1), "arches")));
        Assert.IsType<Decision.Accepted>(wall.Do(Ben, new JudgeCard(card, 3, "It says where", "PUSH  against")));
        Assert.IsType<Decision.Accepted>(wall.Do(Ben, new JudgeCard(card, 0)));
        Assert.Empty(wall.Wall.Judgements.Given);
    }

    [Fact]
    public void Words_are_not_asked_for_where_a_card_has_none_and_what_is_not_asked_for_is_not_taken()
    {
        var wall = new WallScript(Scored(Wanted.No, Wanted.Must));
        var card = wall.PutUp(Teacher, "", shown: [Shown.Drawing()]);
        Assert.IsType<Decision.Accepted>(wall.Do(Ben, new JudgeCard(card, 2)));
        Refused(Refusal.NotAllowed, wall.Do(Ben, new JudgeCard(card, 2, "because")));
        wall.Do(Teacher, new SetPlan(Plan(new(Judging: new(JudgingKind.Agree)))));
        Refused(Refusal.NotAllowed, wall.Do(Ben, new JudgeCard(card, 1, "because")));
    }

    [Fact]
    public void All_are_shown_how_many_gave_what_and_why_but_not_who()
    {
        var wall = new WallScript(Scored(Wanted.May));
        var card = wall.PutUp(Maya, "Arches push");
        wall.Do(s_cleo, new JudgeCard(card, 4, "zeal"));
        wall.Do(Ben, new JudgeCard(card, 2, "because"));
        Assert.Equal("because", StateOf(wall, Ben).Given.Single().Reason);
        Assert.Empty(StateOf(wall, Maya).Given);
        wall.Do(Teacher, new ShowResults());
        var shown = StateOf(wall, Maya).Results.Single();
        Assert.Equal([0, 1, 0, 1], shown.Counts);
        Assert.Equal((3.0, 3.0), (shown.Mean, shown.Fair));
        Assert.Equal([new ScoreReason(4, "zeal", ""), new ScoreReason(2, "because", "")], shown.Reasons!);
    }

    [Fact]
    public void What_is_said_after_all_was_added_up_counts_in_the_same_round_and_not_in_another()
    {
        var wall = new WallScript(Scored());
        var card = wall.PutUp(Maya, "Arches push");
        wall.Do(Ben, new JudgeCard(card, 4));
        Assert.Equal(4, Result().Mean);
        wall.Do(s_cleo, new JudgeCard(card, 2));
        Assert.Equal((3.0, 3.0), (Result().Mean, Result().Fair));
        wall.Do(Ben, new JudgeCard(card, 0));
        Assert.Equal(2, Result().Mean);
        wall.Do(Teacher, new ShowResults());
        wall.Do(Teacher, new GoOnJudging(NewRound: true));
        Assert.Empty(wall.Wall.Judgements.ResultsOf([card]));

        CardResult Result() => wall.Wall.Judgements.ResultsOf([card]).Single();
    }

    [Fact]
    public void Another_number_of_points_is_another_round()
    {
        var wall = new WallScript(Scored());
        var card = wall.PutUp(Maya, "Arches push");
        wall.Do(Ben, new JudgeCard(card, 4));
        wall.Do(Teacher, new SetPlan(Plan(new(Judging: new(JudgingKind.Score, 3, new(Texts.In("en", "Says why, and how"), 4))))));
        Assert.Equal(1, wall.Wall.Judgements.Round);
        wall.Do(Teacher, new SetPlan(Plan(new(Judging: new(JudgingKind.Score, 3, new(Texts.None, 3))))));
        Assert.Equal((2, 3), (wall.Wall.Judgements.Round, wall.Wall.Judgements.Values));
        Refused(Refusal.OutOfRange, wall.Do(Ben, new JudgeCard(card, 4)));
    }

    [Fact]
    public void Reasons_have_a_limit_over_all()
    {
        var judgements = new WallScript(Scored(Wanted.May));
        var reason = new string('x', Limits.StatementLength);
        var cards = Enumerable.Range(0, Card.MostOfOne).Select(i => judgements.PutUp(Maya, $"idea {i}")).ToList();
        var refusals = Enumerable.Range(10, 6).SelectMany(person => cards.Select(card => judgements.Do(new Actor(person, Role.Student), new JudgeCard(card, 1, reason)))).OfType<Decision.Refused>().ToList();
        Assert.Equal((6 * Card.MostOfOne) - (Judging.MostReasons / reason.Length), refusals.Count);
        Assert.All(refusals, r => Assert.Equal(Refusal.Full, r.Reason));
        judgements.Do(new Actor(10, Role.Student), new JudgeCard(cards[0], 0));
        Assert.IsType<Decision.Accepted>(judgements.Do(new Actor(15, Role.Student), new JudgeCard(cards[^1], 1, reason)));
    }

    [Fact]
    public void Who_judges_strictly_does_little_harm_to_those_whom_they_judge()
    {
        // All cards are worth the same; judge 1 gives one less, and judges only the first three: by the mean they are a fifth of a point worse.
        (int, long, int)[] scores = [(1, 10, 2), (1, 11, 2), (1, 12, 2), .. from judge in Enumerable.Range(2, 4) from card in Enumerable.Range(10, 5) select (judge, (long)card, 3)];
        var fair = Scoring.EvenedOut(scores, 4);
        Assert.Equal(0.2, scores.Where(s => s.Item2 == 14).Average(s => s.Item3) - scores.Where(s => s.Item2 == 10).Average(s => s.Item3), 1e-9);
        Assert.InRange(fair[14] - fair[10], 0, 0.06);
    }

    [Fact]
    public void Evened_out_it_is_where_no_change_of_card_or_judge_would_fit_better()
    {
        var random = new Random(7);
        for (var trial = 0; trial < 200; trial++)
        {
            var points = random.Next(2, 11);
            var scores = Enumerable.Range(1, random.Next(2, 9)).SelectMany(judge => Enumerable.Range(1, random.Next(2, 12)).Where(_ => random.Next(3) > 0).Select(card => (Judge: judge, Card: (long)card, Score: random.Next(1, points + 1)))).ToList();
            var fair = Scoring.EvenedOut(scores, points);
            Assert.Equal(fair, Scoring.EvenedOut([.. scores.OrderBy(_ => random.Next())], points));
            foreach (var card in scores.GroupBy(s => s.Card))
            {
                // The best strictness of each judge follows from the cards: the slope is nil there but for rounding and clamping.
                var inside = fair[card.Key] > 1.01 && fair[card.Key] < points - 0.01;
                var slope = card.Sum(s => s.Score + StrictnessOf(s.Judge) - fair[card.Key]);
                if (inside && scores.All(s => fair[s.Card] > 1 && fair[s.Card] < points)) Assert.InRange(slope, -0.1, 0.1);
                Assert.InRange(fair[card.Key], 1, points);
            }

            double StrictnessOf(int judge) => scores.Where(s => s.Judge == judge).ToList() is var theirs ? theirs.Sum(s => fair[s.Card] - s.Score) / (theirs.Count + 1.0) : 0;
        }
    }

    [Fact]
    public void Where_all_scored_all_it_is_the_mean()
    {
        (int, long, int)[] scores = [(1, 10, 4), (1, 11, 2), (2, 10, 3), (2, 11, 1), (3, 10, 3), (3, 11, 1)];
        Assert.Equal([(10L, 3.33), (11L, 1.33)], Scoring.EvenedOut(scores, 4).Select(f => (f.Key, f.Value)).Order());
        Assert.Empty(Scoring.EvenedOut([], 4));
    }

    [Fact]
    public void A_teacher_may_want_to_look_at_two_who_praise_each_other()
    {
        (int, long, int)[] scores = [(2, 30, 4), (3, 20, 4), (4, 20, 2), (4, 30, 3), (5, 40, 4), (4, 50, 4), (5, 30, 3)];
        var found = ScoresToLookAt.In(scores, card => (int)(card / 10), 4);
        Assert.Equal([new ScoresToLookAt.EachOther(2, 3)], found.OfType<ScoresToLookAt.EachOther>());
        Assert.DoesNotContain(ScoresToLookAt.In([(2, 30, 4), (3, 20, 4), (4, 20, 4), (4, 30, 4)], card => (int)(card / 10), 4), f => f is ScoresToLookAt.EachOther);
    }

    [Fact]
    public void And_at_whoever_gives_everybody_the_same_or_is_far_from_the_others()
    {
        (int, long, int)[] scores = [(2, 1, 4), (2, 2, 4), (2, 3, 4), (2, 4, 4), (3, 1, 2), (4, 1, 1), (5, 1, 2), (3, 2, 3), (4, 2, 4), (5, 2, 4)];
        var found = ScoresToLookAt.In(scores, _ => 9, 4);
        Assert.Contains(new ScoresToLookAt.AlwaysTheSame(2, 4, 4), found);
        Assert.Contains(found, f => f is ScoresToLookAt.FarFromOthers { Judge: 2, Card: 1, Score: 4 });
        Assert.DoesNotContain(found, f => f is ScoresToLookAt.FarFromOthers { Card: 2 });
    }

    private static WallRules Scored(Wanted reason = Wanted.No, Wanted words = Wanted.No) => new(Judging: new(JudgingKind.Score, 3, new(Texts.In("en", "It says why."), 4, reason, words)));

    private static JudgingState StateOf(WallScript wall, Actor reader) => ((WallSnapshot)Snapshots.Of(wall.Wall, reader)).Judging;

    private static void Refused(Refusal reason, Decision decision) => Assert.Equal(reason, Assert.IsType<Decision.Refused>(decision).Reason);
}
