using Yardang.Core.Boards;
using Yardang.Core.Editing;
using Yardang.Core.Judges;
using Yardang.Core.Marks;
using Yardang.Core.Pages;
using Yardang.Core.Rooms;
using Yardang.Core.Styles;
using Yardang.Core.Tests.Walls;
using Yardang.Core.Threads;
using Yardang.Core.Visibility;
using Yardang.Core.Walls;
using static Yardang.Core.Tests.Boards.BoardScript;

namespace Yardang.Core.Tests.Boards;

/// <summary>What is said to the marks of a board, and chosen among them.</summary>
public class TalkTests
{
    private static long Say(BoardScript board, Actor actor, long mark, string text, long to = 0)
    {
        var id = board.NextId(actor);
        Assert.IsType<Decision.Accepted>(board.Do(actor, new GiveAnswer(mark, id, to, "en", text), 0));
        return id;
    }

    [Fact]
    public void Students_talk_about_a_classmates_mark_and_about_what_is_printed_to_any_depth()
    {
        var board = new BoardScript();
        var arch = board.Draw(Maya);
        var first = Say(board, Ben, arch, "Where does it push?");
        var second = Say(board, Maya, arch, "At the banks", first);
        Say(board, Teacher, arch, "What do the banks do?", second);
        Say(board, Ben, PrintedTitle, "First of how many?");
        Assert.Equal([0L, first, second], board.Board.Talk.About(arch).OrderBy(a => a.SaidAt).ThenBy(a => a.To == 0 ? 0 : a.To == first ? 1 : 2).Select(a => a.To));
        Assert.Equal("First of how many?", Assert.Single(board.Board.Talk.About(PrintedTitle)).Text);
    }

    [Fact]
    public void A_teacher_answers_a_mark_by_voice_and_it_goes_into_an_archive_with_its_file()
    {
        var board = new BoardScript();
        var arch = board.Draw(Maya);
        Assert.IsType<Decision.Accepted>(board.Do(Teacher, new GiveAnswer(arch, board.NextId(Teacher), 0, "en", "", Shown: Shown.Spoken), 0));
        var said = Assert.Single(board.Board.Talk.All).Standing()!;
        Assert.True(MarkThread.AreSound([said]));
        Assert.Equal([Shown.Spoken.Media], said.Answers.SelectMany(a => a.MediaNames()));
    }

    [Fact]
    public void Nobody_changes_a_classmates_answer_and_what_a_teacher_took_down_stays_down()
    {
        var board = new BoardScript();
        var arch = board.Draw(Maya);
        var bens = Say(board, Ben, arch, "Ugly");
        Assert.Equal(Refusal.NotYours, board.RefusalOf(Maya, new TakeAnswerDown(arch, bens)));
        Assert.Equal(Refusal.NotYours, board.RefusalOf(Maya, new RewordAnswer(arch, bens, "en", "Fine")));
        board.Do(Teacher, new TakeAnswerDown(arch, bens));
        Assert.Equal(Refusal.NotAllowed, board.RefusalOf(Ben, new PutAnswerBack(arch, bens)));
        Assert.Equal(Refusal.NotFound, board.RefusalOf(Maya, new RewordAnswer(arch, bens, "en", "Fine")));
        var mayas = (BoardSnapshot)Snapshots.Of(board.Board, Maya);
        Assert.Empty(mayas.Said);
        Assert.Equal(bens, Assert.Single(Assert.Single(((BoardSnapshot)Snapshots.Of(board.Board, Ben)).Said).Answers).Id);
    }

    [Fact]
    public void What_was_said_to_a_mark_stays_when_the_mark_is_rubbed_out_and_no_more_is_said()
    {
        var board = new BoardScript();
        var arch = board.Draw(Maya);
        Say(board, Ben, arch, "Where does it push?");
        board.Do(Maya, new MakeChanges([new Erasing(arch, true)]));
        Assert.Equal(Refusal.NotFound, board.RefusalOf(Ben, new GiveAnswer(arch, board.NextId(Ben), 0, "en", "Gone?")));
        Assert.Single(((BoardSnapshot)Snapshots.Of(board.Board, Maya)).Said);
    }

    [Fact]
    public void What_is_no_answer_is_refused()
    {
        var board = new BoardScript();
        var arch = board.Draw(Maya);
        var key = Printed(PrintedTitle + 40, Grip.Key, "it pushes");
        board.ByProgram(new SetKey(new AnswerKey([key], [])));
        Assert.Equal(Refusal.NotFound, board.RefusalOf(Ben, new GiveAnswer(key.Id, board.NextId(Ben), 0, "en", "I know")));
        Assert.Equal(Refusal.NotFound, board.RefusalOf(Teacher, new GiveAnswer(key.Id, board.NextId(Teacher), 0, "en", "All would read it")));
        Assert.Equal(Refusal.OutOfRange, board.RefusalOf(Ben, new GiveAnswer(arch, board.NextId(Ben), 0, "en", "  ")));
        Assert.Equal(Refusal.OutOfRange, board.RefusalOf(Ben, new GiveAnswer(arch, board.NextId(Ben), 0, "en", new string('a', Limits.StatementLength + 1))));
        Assert.Equal(Refusal.OutOfRange, board.RefusalOf(Ben, new GiveAnswer(arch, board.NextId(Ben), 0, "en", "Good", Says: AnswerKind.Strength)));
        Assert.Equal(Refusal.NotAllowed, board.RefusalOf(Ben, new GiveAnswer(arch, board.NextId(Ben), 0, "en", "Good", Aloud: true)));
        Assert.Equal(Refusal.NotAllowed, board.RefusalOf(Ben, new GiveAnswer(arch, board.NextId(Ben), 0, "en", "Good", Shown: Shown.Spoken)));
        Assert.Equal(Refusal.OutOfRange, board.RefusalOf(Teacher, new GiveAnswer(arch, board.NextId(Teacher), 0, "en", "Good", Shown: Shown.Film)));
        Assert.Equal(Refusal.NotFound, board.RefusalOf(Ben, new GiveAnswer(arch, board.NextId(Ben), 99, "en", "To whom?")));
        Assert.Equal(Refusal.Malformed, board.RefusalOf(Ben, new GiveAnswer(arch, board.NextId(Maya), 0, "en", "As Maya")));
    }

    [Fact]
    public void Where_a_teacher_does_not_give_it_out_students_say_nothing_and_teachers_may()
    {
        var content = Content();
        var board = new Board(content with { Pages = [content.Pages[0] with { Withheld = ToolSet.Answer }] });
        Decision By(Actor actor, int client) => board.Decide(new Submission(client, 1, 0, 0, new GiveAnswer(PrintedTitle, Ids.Of(client, 1), 0, "en", "First?")), actor, Situation.Open);
        foreach (var actor in new[] { Teacher, Maya })
        {
            var admitted = (Decision.Accepted)board.Decide(Submission.ByProgram(new AdmitClient()), actor, Situation.Open);
            board.Apply(new Envelope(board.Number + 1, 0, actor, 0, 0, 0, Audience.Everyone, admitted.Event));
        }

        Assert.Equal(Refusal.Withheld, Assert.IsType<Decision.Refused>(By(Maya, 2)).Reason);
        Assert.IsType<Decision.Accepted>(By(Teacher, 1));
    }

    [Fact]
    public void An_answer_that_comes_while_pens_are_down_waits_for_the_teacher_with_the_mark_on_which_it_rests()
    {
        var board = new BoardScript { Allowed = new Allowed(PensDown: true) };
        var note = board.NextId(Maya);
        board.Do(Maya, new AddMark(note, 1, Grip.Own, new NoteBody(0, 0, 5200, 5200, BoardScript.Say("arch")), new Style(1, 0)));
        var answer = board.NextId(Maya);
        board.Do(Maya, new GiveAnswer(note, answer, 0, "en", "It pushes"), 0);
        Assert.Equal(Refusal.OutOfRange, board.RefusalOf(Maya, new GiveAnswer(note, board.NextId(Maya), 0, "en", " ")));
        Assert.Empty(board.Board.Talk.All);
        Assert.Equal(2, board.Board.SetAside.Count);
        foreach (var number in board.Board.SetAside.Keys.ToList()) board.Do(Teacher, new AcceptLateWork(number), 0);
        var said = Assert.Single(board.Board.Talk.About(note));
        Assert.Equal((Maya.Number, false, answer), (said.Author, said.ByStaff, said.Id));
    }

    [Fact]
    public void Each_chooses_so_many_of_the_others_marks_and_nobody_knows_of_whom_until_it_is_shown()
    {
        var board = new BoardScript();
        var (mine, arch, beam) = (board.Draw(Ben), board.Draw(Maya), board.Draw(Maya));
        Assert.Equal(Refusal.JudgingEnded, board.RefusalOf(Ben, new JudgeCard(arch, 1)));
        Assert.Equal(Refusal.NotAllowed, board.RefusalOf(Ben, new SetMarkJudging(new Judging(JudgingKind.Choose, 1))));
        board.Do(Teacher, new SetMarkJudging(new Judging(JudgingKind.Choose, 1)), 0);
        Assert.Equal(Refusal.NotAllowed, board.RefusalOf(Ben, new JudgeCard(mine, 1)));
        Assert.Equal(Audience.AuthorAndStaff, Assert.IsType<Decision.Accepted>(board.Do(Ben, new JudgeCard(arch, 1), 0)).Audience);
        Assert.Equal(Refusal.EnoughChosen, board.RefusalOf(Ben, new JudgeCard(beam, 1)));
        Assert.Empty(((BoardSnapshot)Snapshots.Of(board.Board, Maya)).Judging.State.Given);

        // What is rubbed out is chosen no more.
        board.Do(Maya, new MakeChanges([new Erasing(arch, true)]));
        board.Do(Ben, new JudgeCard(beam, 1), 0);
        board.Do(Teacher, new ShowResults(), 0);
        Assert.Equal(beam, Assert.Single(((BoardSnapshot)Snapshots.Of(board.Board, Maya)).Judging.State.Results).Card);
        Assert.Equal(Refusal.JudgingEnded, board.RefusalOf(Ben, new JudgeCard(beam, 0)));
        board.Do(Teacher, new GoOnJudging(NewRound: true), 0);
        board.Do(Ben, new JudgeCard(beam, 1), 0);
        Assert.Equal(2, board.Board.Choice.Judgements.Round);
    }

    [Fact]
    public void Marks_are_not_scored_and_with_pens_down_nothing_counts_any_more()
    {
        var board = new BoardScript();
        var arch = board.Draw(Maya);
        Assert.Equal(Refusal.OutOfRange, board.RefusalOf(Teacher, new SetMarkJudging(new Judging(JudgingKind.Score))));
        Assert.Equal(Refusal.OutOfRange, board.RefusalOf(Teacher, new SetMarkJudging(new Judging(JudgingKind.Choose, 0))));
        board.Do(Teacher, new SetMarkJudging(new Judging(JudgingKind.Agree)), 0);
        Assert.Equal(Refusal.OutOfRange, board.RefusalOf(Ben, new JudgeCard(arch, 4)));
        board.Allowed = new Allowed(PensDown: true);
        Assert.Equal(Refusal.JudgingEnded, board.RefusalOf(Ben, new JudgeCard(arch, 1)));
        Assert.Equal(Refusal.NotAllowed, board.RefusalOf(Teacher, new JudgeCard(arch, 1)));
    }
}
