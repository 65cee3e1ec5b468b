using System.Collections.Immutable;
using Yardang.Core.Judges;
using Yardang.Core.Rooms;
using Yardang.Core.Visibility;
using Yardang.Core.Walls;
using static Yardang.Core.Tests.Walls.WallScript;

namespace Yardang.Core.Tests.Walls;

/// <summary>Who may say what of whose card, who is told, and what is added up.</summary>
public class JudgingTests
{
    private static readonly Actor s_cleo = new(4, Role.Student);
    private static readonly WallRules s_agree = new(Judging: new(JudgingKind.Agree));
    private static readonly WallRules s_choose = new(Judging: new(JudgingKind.Choose, 2));

    [Fact]
    public void Nobody_judges_more_cards_than_each_may_and_may_say_something_else_of_one()
    {
        var wall = new WallScript(new(Judging: new(JudgingKind.Agree), MostJudged: 1));
        var (arch, beam) = (wall.PutUp(Maya, "arches push"), wall.PutUp(Maya, "beams bend"));
        wall.Do(Ben, new JudgeCard(arch, 1));
        Refused(Refusal.EnoughJudged, wall.Do(Ben, new JudgeCard(beam, 1)));
        Assert.IsType<Decision.Accepted>(wall.Do(Ben, new JudgeCard(arch, 3)));
        wall.Do(Ben, new JudgeCard(arch, 0));
        Assert.IsType<Decision.Accepted>(wall.Do(Ben, new JudgeCard(beam, 1)));
        Assert.NotNull(Plan(new(Judging: new(JudgingKind.Agree), LeastJudged: 2, MostJudged: 1)).Fault());
    }

    [Fact]
    public void Each_says_one_thing_of_a_card_and_may_say_another_or_nothing()
    {
        var wall = new WallScript(s_agree);
        var card = wall.PutUp(Maya, "arches push");
        wall.Do(Ben, new JudgeCard(card, 1));
        wall.Do(Ben, new JudgeCard(card, 3));
        wall.Do(s_cleo, new JudgeCard(card, 1));
        Assert.Equal([1, 0, 1], wall.Wall.Judgements.ResultsOf([card]).Single().Counts);
        wall.Do(s_cleo, new JudgeCard(card, 0));
        Assert.Equal([0, 0, 1], wall.Wall.Judgements.ResultsOf([card]).Single().Counts);
    }

    [Fact]
    public void Whose_word_a_teacher_leaves_out_counts_in_no_result_until_it_counts_again_and_only_they_are_told()
    {
        var wall = new WallScript(s_agree);
        var card = wall.PutUp(Maya, "arches push");
        wall.Do(Ben, new JudgeCard(card, 3));
        wall.Do(s_cleo, new JudgeCard(card, 1));
        Refused(Refusal.NotAllowed, wall.Do(Maya, new LeaveOutJudge(Ben.Number, true)));
        Refused(Refusal.NotFound, wall.Do(Teacher, new LeaveOutJudge(Maya.Number, true)));
        Refused(Refusal.ChangedSince, wall.Do(Teacher, new LeaveOutJudge(Ben.Number, false)));
        Assert.IsType<Decision.Accepted>(wall.Do(Teacher, new LeaveOutJudge(Ben.Number, true)));
        Assert.Equal([true, false, true], new[] { Ben, s_cleo, Teacher }.Select(reader => Sight.Of(reader, wall.Log[^1])));
        Assert.Equal([1, 0, 0], wall.Wall.Judgements.ResultsOf([card]).Single().Counts);

        // They may go on; it counts no more than before.
        wall.Do(Ben, new JudgeCard(card, 2));
        wall.Do(Teacher, new ShowResults());
        Assert.Equal([1, 0, 0], wall.Wall.Judgements.Results.Single().Counts);
        Refused(Refusal.JudgingEnded, wall.Do(Teacher, new LeaveOutJudge(Ben.Number, false)));
        wall.Do(Teacher, new GoOnJudging(NewRound: false));
        wall.Do(Teacher, new LeaveOutJudge(Ben.Number, false));
        Assert.Equal([1, 1, 0], wall.Wall.Judgements.ResultsOf([card]).Single().Counts);
    }

    [Fact]
    public void Where_names_are_for_nobody_nobody_is_left_out()
    {
        var wall = new WallScript(s_agree with { Names = NamesTo.Nobody });
        Refused(Refusal.NotAllowed, wall.Do(Teacher, new LeaveOutJudge(Ben.Number, true)));
    }

    [Fact]
    public void Nobody_judges_their_own_card_or_one_they_do_not_see_and_teachers_judge_none()
    {
        var wall = new WallScript(s_agree);
        var card = wall.PutUp(Maya, "arches push");
        var down = wall.PutUp(Maya, "taken down");
        wall.Do(Maya, new TakeCardDown(down));
        Refused(Refusal.NotAllowed, wall.Do(Maya, new JudgeCard(card, 1)));
        Refused(Refusal.NotAllowed, wall.Do(Teacher, new JudgeCard(card, 1)));
        Refused(Refusal.NotFound, wall.Do(Ben, new JudgeCard(down, 1)));
        Refused(Refusal.NotFound, wall.Do(Ben, new JudgeCard(77, 1)));
        foreach (var value in new[] { -1, 4, int.MaxValue, int.MinValue }) Refused(Refusal.OutOfRange, wall.Do(Ben, new JudgeCard(card, value)));
        wall.Do(Teacher, new SetPlan(Plan(s_agree with { OwnFirst = true })));
        Refused(Refusal.NotFound, wall.Do(Ben, new JudgeCard(card, 1)));
    }

    [Fact]
    public void Where_some_are_chosen_each_chooses_so_many_and_one_that_was_taken_down_frees_a_choice()
    {
        var wall = new WallScript(s_choose);
        long[] cards = [.. Enumerable.Range(0, 4).Select(i => wall.PutUp(Maya, $"idea {i}"))];
        wall.Do(Ben, new JudgeCard(cards[0], 1));
        wall.Do(Ben, new JudgeCard(cards[1], 1));
        Refused(Refusal.EnoughChosen, wall.Do(Ben, new JudgeCard(cards[2], 1)));
        Refused(Refusal.OutOfRange, wall.Do(Ben, new JudgeCard(cards[0], 2)));
        wall.Do(Ben, new JudgeCard(cards[0], 0));
        Assert.IsType<Decision.Accepted>(wall.Do(Ben, new JudgeCard(cards[2], 1)));
        wall.Do(Maya, new TakeCardDown(cards[1]));
        Assert.IsType<Decision.Accepted>(wall.Do(Ben, new JudgeCard(cards[3], 1)));
    }

    [Fact]
    public void What_each_said_is_told_to_themselves_and_to_teachers_and_the_numbers_to_all_once_they_are_shown()
    {
        var wall = new WallScript(s_agree);
        var card = wall.PutUp(Maya, "arches push");
        wall.Do(Ben, new JudgeCard(card, 1));
        wall.Do(s_cleo, new JudgeCard(card, 2));
        var judged = wall.Log.Where(e => e.Event is CardJudged).ToList();
        Assert.All(judged, e => Assert.False(Sight.Of(Maya, e)));
        Assert.Equal([true, false], judged.Select(e => Sight.Of(Ben, e)));
        Assert.All(judged, e => Assert.True(Sight.Of(Teacher, e)));
        Assert.Equal([new Judgement(1, card, Ben.Number, 1)], StateOf(wall, Ben).Given);
        Assert.Empty(StateOf(wall, Maya).Given);
        Assert.Empty(StateOf(wall, Maya).Results);
        Assert.Empty(StateOf(wall, Actor.Onlooker).Given);
        Refused(Refusal.NotAllowed, wall.Do(Ben, new ShowResults()));
        wall.Do(Teacher, new ShowResults());
        Assert.Equal([new CardResult(1, card, [1, 1, 0])], StateOf(wall, Maya).Results);
        Assert.Equal([new Judgement(1, card, Ben.Number, 1)], StateOf(wall, Ben).Given);
    }

    [Fact]
    public void Once_results_are_shown_the_round_is_over_until_a_teacher_lets_it_go_on()
    {
        var wall = new WallScript(s_agree);
        var card = wall.PutUp(Maya, "arches push");
        wall.Do(Ben, new JudgeCard(card, 1));
        wall.Do(Teacher, new ShowResults());
        Refused(Refusal.JudgingEnded, wall.Do(s_cleo, new JudgeCard(card, 1)));
        Refused(Refusal.JudgingEnded, wall.Do(Ben, new JudgeCard(card, 0)));
        Refused(Refusal.JudgingEnded, wall.Do(Teacher, new ShowResults()));
        Refused(Refusal.NotAllowed, wall.Do(Ben, new GoOnJudging(NewRound: false)));
        wall.Do(Teacher, new GoOnJudging(NewRound: false));
        Refused(Refusal.ChangedSince, wall.Do(Teacher, new GoOnJudging(NewRound: false)));
        wall.Do(s_cleo, new JudgeCard(card, 1));
        wall.Do(Teacher, new ShowResults());
        Assert.Equal([new CardResult(1, card, [2, 0, 0])], wall.Wall.Judgements.Results);
    }

    [Fact]
    public void A_second_round_is_kept_apart_from_the_first()
    {
        var wall = new WallScript(s_agree);
        var card = wall.PutUp(Maya, "arches push");
        wall.Do(Ben, new JudgeCard(card, 3));
        wall.Do(Teacher, new ShowResults());
        wall.Do(Teacher, new GoOnJudging(NewRound: true));
        Assert.Equal((2, false), (wall.Wall.Judgements.Round, wall.Wall.Judgements.IsShown));
        wall.Do(Ben, new JudgeCard(card, 1));
        wall.Do(Teacher, new ShowResults());
        Assert.Equal([new CardResult(1, card, [0, 0, 1]), new CardResult(2, card, [1, 0, 0])], wall.Wall.Judgements.Results);
        Assert.Equal([1, 0, -1], wall.Wall.Judgements.Results[1].ShiftFrom(wall.Wall.Judgements.Results[0])!);
        Assert.Null(new CardResult(3, card, [4]).ShiftFrom(wall.Wall.Judgements.Results[1]));
        Assert.Equal([3, 1], wall.Wall.Judgements.Given.Select(g => g.Value));
        for (var round = 3; round <= Judging.MostRounds; round++) wall.Do(Teacher, new GoOnJudging(NewRound: true));
        Refused(Refusal.Full, wall.Do(Teacher, new GoOnJudging(NewRound: true)));
    }

    [Fact]
    public void Judging_otherwise_is_another_round_and_no_judging_leaves_what_was_said()
    {
        var wall = new WallScript(s_agree);
        var card = wall.PutUp(Maya, "arches push");
        wall.Do(Ben, new JudgeCard(card, 2));
        wall.Do(Teacher, new SetPlan(Plan()));
        Refused(Refusal.JudgingEnded, wall.Do(Ben, new JudgeCard(card, 1)));
        Refused(Refusal.JudgingEnded, wall.Do(Teacher, new ShowResults()));
        wall.Do(Teacher, new SetPlan(Plan(s_agree)));
        Assert.Equal([0, 1, 0], wall.Wall.Judgements.ResultsOf([card]).Single().Counts);
        wall.Do(Teacher, new SetPlan(Plan(s_choose)));
        Assert.Equal((2, JudgingKind.Choose), (wall.Wall.Judgements.Round, wall.Wall.Judgements.Kind));
        wall.Do(Ben, new JudgeCard(card, 1));
        Assert.Equal([1], wall.Wall.Judgements.ResultsOf([card]).Single().Counts);
    }

    [Fact]
    public void What_comes_while_pens_are_down_does_not_count_and_does_not_wait()
    {
        var wall = new WallScript(s_agree);
        var card = wall.PutUp(Maya, "arches push");
        wall.Allowed = new Allowed(PensDown: true);
        Refused(Refusal.JudgingEnded, wall.Do(Ben, new JudgeCard(card, 1)));
        wall.Allowed = Allowed.Everything;
        Refused(Refusal.JudgingEnded, wall.Do(Ben with { HasLeft = true }, new JudgeCard(card, 1)));
        Assert.Empty(wall.Wall.SetAside);
    }

    [Fact]
    public void What_is_shown_counts_cards_that_are_up_and_leaves_out_those_that_nobody_judged()
    {
        var wall = new WallScript(s_agree);
        var (judged, down) = (wall.PutUp(Maya, "arches push"), wall.PutUp(Maya, "no"));
        wall.PutUp(Maya, "nobody judges this");
        wall.Do(Ben, new JudgeCard(judged, 1));
        wall.Do(Ben, new JudgeCard(down, 3));
        wall.Do(Maya, new TakeCardDown(down));
        wall.Do(Teacher, new ShowResults());
        Assert.Equal([judged], wall.Wall.Judgements.Results.Select(r => r.Card));
    }

    [Fact]
    public void Results_come_back_from_an_archive_and_unsound_ones_do_not()
    {
        ImmutableArray<CardResult> sound = [new(1, 5, [3, 0, 1]), new(2, 5, [4])];
        Assert.IsType<Decision.Accepted>(Bring(sound));
        foreach (var wrong in new CardResult[] { new(0, 5, [1]), new(10, 5, [1]), new(1, 5, []), new(1, 5, [1, 2]), new(1, 5, [-1]), new(1, 5, [int.MaxValue]) }) Refused(Refusal.OutOfRange, Bring([wrong]));
        Refused(Refusal.OutOfRange, Bring([sound[0], sound[0]]));
        var wall = new Wall(Plan());
        wall.Apply(new Envelope(1, 9_000, Actor.Program, 0, 0, 0, Audience.Everyone, new CardsBrought(Plan(s_choose), [], null, sound)));
        Assert.Equal((2, JudgingKind.Choose, true), (wall.Judgements.Round, wall.Judgements.Kind, wall.Judgements.IsShown));

        static Decision Bring(ImmutableArray<CardResult> results) => new Wall(Plan()).Decide(Submission.ByProgram(new BringCards(Plan(), [], null, results)), Actor.Program, Situation.Open);
    }

    private static JudgingState StateOf(WallScript wall, Actor reader) => ((WallSnapshot)Snapshots.Of(wall.Wall, reader)).Judging;

    [Fact]
    public void What_each_is_asked_to_judge_is_owed_until_it_is_said_or_the_numbers_are_shown()
    {
        var wall = new WallScript(new(Judging: new(JudgingKind.Agree), LeastJudged: 3));
        var (mayas, bens, teachers) = (wall.PutUp(Maya, "arches push"), wall.PutUp(Ben, "cables pull"), wall.PutUp(Teacher, "beams bend"));

        // No more than there are, and not one's own.
        Assert.Equal((2, 2), (wall.Wall.JudgingOwed(Maya.Number), wall.Wall.JudgingOwed(Ben.Number)));
        wall.Do(Maya, new JudgeCard(bens, 1));
        wall.Do(Maya, new JudgeCard(teachers, 2));
        wall.Do(Ben, new JudgeCard(mayas, 3));
        Assert.Equal((0, 1), (wall.Wall.JudgingOwed(Maya.Number), wall.Wall.JudgingOwed(Ben.Number)));
        wall.Do(Teacher, new ShowResults());
        Assert.Equal(0, wall.Wall.JudgingOwed(Ben.Number));
        wall.Do(Teacher, new GoOnJudging(true));
        Assert.Equal((2, 2), (wall.Wall.JudgingOwed(Maya.Number), wall.Wall.JudgingOwed(Ben.Number)));
        wall.Do(Teacher, new SetPlan(Plan(new(Judging: new(JudgingKind.Choose, 1), LeastJudged: 3))));
        Assert.Equal(1, wall.Wall.JudgingOwed(Ben.Number));
        wall.Do(Teacher, new SetPlan(Plan(new(LeastJudged: 3))));
        Assert.Equal(0, wall.Wall.JudgingOwed(Ben.Number));
        Assert.NotNull(Plan(new(LeastJudged: -1)).Fault());
    }

    private static void Refused(Refusal reason, Decision decision) => Assert.Equal(reason, Assert.IsType<Decision.Refused>(decision).Reason);
}
