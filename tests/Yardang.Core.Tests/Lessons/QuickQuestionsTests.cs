using System.Collections.Immutable;
using Yardang.Core.Lessons;
using Yardang.Core.Rooms;
using Yardang.Core.Visibility;

namespace Yardang.Core.Tests.Lessons;

/// <summary>A question of the teacher's own, asked now and answered by each for themselves.</summary>
public class QuickQuestionsTests
{
    private static readonly Actor s_maya = new(2, Role.Student);
    private static readonly Actor s_ben = new(3, Role.Student);
    private static readonly ImmutableArray<string> s_arches = ["An arch", "A beam"];

    private readonly LessonScript _script = new(people: 2);

    private QuickQuestions Questions => _script.Lesson.Questions;

    [Fact]
    public void Each_answers_in_the_form_that_is_asked_for_and_the_last_answer_counts()
    {
        Do(new PoseQuestion(" Which carries more? ", ReplyForm.Choice, s_arches), Actor.Owner);
        Do(new GiveReply(1, 1, ""), s_maya);
        Do(new GiveReply(1, 2, ""), s_maya);
        Do(new GiveReply(1, 1, ""), s_ben);
        Assert.Equal("Which carries more?", Questions.Open!.Words);
        Assert.Equal([(2, 2), (3, 1)], Questions.All[1].Replies.Select(r => (r.Person, r.Choice)));
        Assert.Equal(Refusal.OutOfRange, Refused(new GiveReply(1, 3, ""), s_ben));
        Assert.Equal(Refusal.OutOfRange, Refused(new GiveReply(1, 0, "both"), s_ben));
        Do(new CloseQuestion(1), Actor.Owner);
        Assert.Equal(Refusal.TooLate, Refused(new GiveReply(1, 1, ""), s_maya));
        Do(new PoseQuestion("Why?", ReplyForm.Words, []), Actor.Owner);
        Assert.Equal(Refusal.TooLate, Refused(new GiveReply(1, 0, "late"), s_maya));
        Assert.Equal(Refusal.OutOfRange, Refused(new GiveReply(2, 0, "  "), s_maya));
        Assert.Equal(Refusal.OutOfRange, Refused(new GiveReply(2, 1, "words"), s_maya));
        Do(new GiveReply(2, 0, " It pushes outwards "), s_maya);
        Assert.Equal("It pushes outwards", Assert.Single(Questions.All[2].Replies).Words);
    }

    [Fact]
    public void What_one_answers_no_classmate_is_told()
    {
        Do(new PoseQuestion("How sure are you?", ReplyForm.Scale, ["not at all", "quite sure"]), Actor.Owner);
        Do(new GiveReply(1, 5, ""), s_maya);
        Assert.False(Sight.Of(s_ben, _script.Log[^1]));
        Assert.True(Sight.Of(s_maya, _script.Log[^1]));
        Assert.Empty(Assert.Single(((LessonSnapshot)Snapshots.Of(_script.Lesson, s_ben)).Questions).Replies);
        Assert.Single(Assert.Single(((LessonSnapshot)Snapshots.Of(_script.Lesson, s_maya)).Questions).Replies);
    }

    [Fact]
    public void A_question_is_short_has_a_form_and_is_the_only_one_that_takes_answers()
    {
        Assert.Equal(Refusal.OutOfRange, Refused(new PoseQuestion(" ", ReplyForm.Words, []), Actor.Owner));
        Assert.Equal(Refusal.OutOfRange, Refused(new PoseQuestion(new string('a', QuickQuestion.WordsLength + 1), ReplyForm.Words, []), Actor.Owner));
        Assert.Equal(Refusal.OutOfRange, Refused(new PoseQuestion("Which?", ReplyForm.Choice, ["one"]), Actor.Owner));
        Assert.Equal(Refusal.OutOfRange, Refused(new PoseQuestion("Which?", ReplyForm.Choice, ["one", "one "]), Actor.Owner));
        Assert.Equal(Refusal.OutOfRange, Refused(new PoseQuestion("Which?", ReplyForm.Choice, ["one", ""]), Actor.Owner));
        Assert.Equal(Refusal.OutOfRange, Refused(new PoseQuestion("How?", ReplyForm.Scale, ["low"]), Actor.Owner));
        Assert.Equal(Refusal.OutOfRange, Refused(new PoseQuestion("How?", (ReplyForm)7, []), Actor.Owner));
        Assert.Equal(Refusal.NotAllowed, Refused(new PoseQuestion("Why?", ReplyForm.Words, []), s_maya));
        Do(new PoseQuestion("Why?", ReplyForm.Words, []), Actor.Owner);
        Assert.Equal(Refusal.ChangedSince, Refused(new PoseQuestion("Why not?", ReplyForm.Words, []), Actor.Owner));
        Assert.Equal(Refusal.NotAllowed, Refused(new GiveReply(1, 0, "because"), Actor.Owner));
    }

    [Fact]
    public void Of_the_last_questions_the_lesson_remembers_what_was_answered()
    {
        for (var n = 1; n <= QuickQuestion.Remembered + 3; n++)
        {
            Do(new PoseQuestion("Why?", ReplyForm.Words, []), Actor.Owner);
            Do(new GiveReply(n, 0, "because"), s_maya);
            Do(new CloseQuestion(n), Actor.Owner);
        }

        Assert.Equal(QuickQuestion.Remembered, Questions.All.Count);
        Assert.Equal(4, Questions.All.Keys.First());
    }

    private void Do(Command command, Actor actor) => Assert.IsType<Decision.Accepted>(_script.Do(command, actor));

    private Refusal Refused(Command command, Actor actor) => Assert.IsType<Decision.Refused>(_script.Do(command, actor)).Reason;
}
