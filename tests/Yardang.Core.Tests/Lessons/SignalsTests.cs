using Yardang.Core.Lessons;
using Yardang.Core.Rooms;
using Yardang.Core.Visibility;

namespace Yardang.Core.Tests.Lessons;

/// <summary>What students tell the teacher without words, or in few; and what becomes of it.</summary>
public class SignalsTests
{
    private static readonly Actor s_maya = new(2, Role.Student);
    private static readonly Actor s_ben = new(3, Role.Student);

    private readonly LessonScript _script = new(people: 2);

    private Person Maya => _script.Lesson.People[2];

    [Fact]
    public void A_hand_that_is_up_keeps_its_place_when_its_owner_says_why()
    {
        Do(new GiveSignal(2, Signal.HandUp, true), s_maya);
        var since = Maya.HandUpAt;
        Do(new GiveSignal(2, Signal.HandUp, true, HandReason.Task), s_maya);
        Do(new GiveSignal(2, Signal.HandUp, true, Words: " Where is the ruler? "), s_maya);
        Assert.Equal((since, HandReason.None, "Where is the ruler?"), (Maya.HandUpAt, Maya.Reason, Maya.Words));
        Do(new GiveSignal(2, Signal.HandUp, false), s_maya);
        Assert.Equal((null, ""), (Maya.HandUpAt, Maya.Words));
    }

    [Fact]
    public void A_reason_is_short_and_belongs_to_a_hand_that_is_up()
    {
        Assert.Equal(Refusal.OutOfRange, Refused(new GiveSignal(2, Signal.HandUp, true, Words: new string('a', GiveSignal.WordsLength + 1)), s_maya));
        Assert.Equal(Refusal.OutOfRange, Refused(new GiveSignal(2, Signal.HandUp, true, Words: "two\nlines"), s_maya));
        Assert.Equal(Refusal.OutOfRange, Refused(new GiveSignal(2, Signal.HandUp, true, (HandReason)9), s_maya));
        Assert.Equal(Refusal.OutOfRange, Refused(new GiveSignal(2, Signal.ReadyForALook, true, HandReason.Check), s_maya));
        Assert.Equal(Refusal.OutOfRange, Refused(new GiveSignal(2, Signal.HandUp, false, Words: "why"), s_maya));
        Do(new GiveSignal(2, Signal.HandUp, true, Words: new string('a', GiveSignal.WordsLength)), s_maya);
    }

    [Fact]
    public void A_visit_is_what_hand_look_and_being_stuck_waited_for_and_not_what_can_go_on()
    {
        Do(new GiveSignal(2, Signal.HandUp, true, HandReason.Check), s_maya);
        Do(new GiveSignal(2, Signal.ReadyForALook, true), s_maya);
        Do(new GiveReport(Report.Stuck), s_maya);
        Do(new GiveReport(Report.GoesOn), s_ben);
        Do(new VisitWork(2), Actor.Owner);
        Do(new VisitWork(3), Actor.Owner);
        Assert.Equal((null, HandReason.None, null, Report.None), (Maya.HandUpAt, Maya.Reason, Maya.ReadyAt, Maya.Report));
        Assert.Equal(Report.GoesOn, _script.Lesson.People[3].Report);
        Assert.Contains(2, _script.Lesson.Visits.Keys);
    }

    [Fact]
    public void Whoever_is_asked_says_it_anew_and_each_for_themselves()
    {
        Do(new GiveReport(Report.Unsure), s_maya);
        Do(new AskCheckIn(true), Actor.Owner);
        Assert.Equal(Report.None, Maya.Report);
        Assert.NotNull(_script.Lesson.CheckInAt);
        Do(new GiveReport(Report.GoesOn), s_maya);
        Do(new AskCheckIn(false), Actor.Owner);
        Assert.Equal((Report.GoesOn, null), (Maya.Report, _script.Lesson.CheckInAt));
        Assert.Equal(Refusal.ChangedSince, Refused(new AskCheckIn(false), Actor.Owner));
        Assert.Equal(Refusal.OutOfRange, Refused(new GiveReport((Report)4), s_maya));
        Assert.Equal(Refusal.NotAllowed, Refused(new GiveReport(Report.Stuck), Actor.Owner));
        Assert.Equal(Refusal.NotAllowed, Refused(new AskCheckIn(true), s_maya));
    }

    [Fact]
    public void All_hands_come_down_in_one_act_of_a_teacher()
    {
        Assert.Equal(Refusal.ChangedSince, Refused(new LowerHands(), Actor.Owner));
        Do(new GiveSignal(2, Signal.HandUp, true), s_maya);
        Do(new GiveSignal(3, Signal.HandUp, true), s_ben);
        Assert.Equal(Refusal.NotAllowed, Refused(new LowerHands(), s_maya));
        Do(new LowerHands(), Actor.Owner);
        Assert.All(_script.Lesson.People.Values, p => Assert.Null(p.HandUpAt));
    }

    [Fact]
    public void What_one_says_no_classmate_is_told_nor_what_became_of_it()
    {
        Do(new GiveSignal(2, Signal.HandUp, true, Words: "I am ashamed to ask"), s_maya);
        Do(new GiveReport(Report.Stuck), s_maya);
        Do(new AnswerNeed(2, NeedKind.Stopped, 5), Actor.Owner);
        Do(new SetNeeds(NeedsSettings.Usual with { StoppedAfter = 300 }), Actor.Owner);
        Do(new VisitWork(2), Actor.Owner);
        Assert.DoesNotContain(_script.Log, e => e.Event is SignalGiven or ReportGiven or NeedAnswered or NeedsSet or WorkVisited && Sight.Of(s_ben, e));
        Assert.DoesNotContain(_script.Log, e => e.Event is NeedAnswered or NeedsSet && Sight.Of(s_maya, e));
        var told = (LessonSnapshot)Snapshots.Of(_script.Lesson, s_ben);
        Assert.Empty(told.Visits);
        Assert.Empty(told.Answered);
        Assert.Equal(NeedsSettings.Usual, told.Needs);
    }

    [Fact]
    public void What_is_listed_and_put_off_is_within_reason_and_a_teachers_to_say()
    {
        Assert.Equal(Refusal.OutOfRange, Refused(new SetNeeds(NeedsSettings.Usual with { OfflineAfter = 5 }), Actor.Owner));
        Assert.Equal(Refusal.OutOfRange, Refused(new SetNeeds(NeedsSettings.Usual with { OfflineAfter = NeedsSettings.Most + 1 }), Actor.Owner));
        Assert.Equal(Refusal.OutOfRange, Refused(new AnswerNeed(2, (NeedKind)99, 0), Actor.Owner));
        Assert.Equal(Refusal.OutOfRange, Refused(new AnswerNeed(2, NeedKind.Hand, 61), Actor.Owner));
        Assert.Equal(Refusal.NotFound, Refused(new AnswerNeed(9, NeedKind.Hand, 0), Actor.Owner));
        Assert.Equal(Refusal.NotAllowed, Refused(new SetNeeds(NeedsSettings.Usual), s_maya));
        Assert.Equal(Refusal.NotAllowed, Refused(new VisitWork(2), s_maya));
    }

    private void Do(Command command, Actor actor) => Assert.IsType<Decision.Accepted>(_script.Do(command, actor));

    private Refusal Refused(Command command, Actor actor) => Assert.IsType<Decision.Refused>(_script.Do(command, actor)).Reason;
}
