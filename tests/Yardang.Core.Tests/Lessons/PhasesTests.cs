using Yardang.Core.Activities;
using Yardang.Core.Lessons;
using Yardang.Core.Rooms;
using Yardang.Core.Visibility;

namespace Yardang.Core.Tests.Lessons;

/// <summary>The phases of a lesson: what each allows, its clock, and going back.</summary>
public class PhasesTests
{
    private const long Minute = 60_000;

    private static readonly Actor s_maya = new(2, Role.Student);
    private static readonly Actor s_ben = new(3, Role.Student);
    private static readonly RoomPlace s_own = new(1, Whose.Own, 2);

    private readonly LessonScript _script = new(people: 2) { Now = 1_000_000 };

    private Allowed Here => _script.Lesson.AllowedIn(s_own);

    private Phase? Now => _script.Lesson.Phases.Now;

    [Fact]
    public void While_each_thinks_only_their_own_is_seen_and_while_they_talk_what_may_be_seen_is()
    {
        Begin(PhaseKind.Think);
        Assert.True(Here.OwnFirst);
        Assert.True(Here.Lets(StudentActs.Write, s_maya, 1_000_000));
        Begin(PhaseKind.Talk);
        Assert.False(Here.OwnFirst);
        Do(new SetOwnFirst(SetOwnFirst.WholeLesson, true));
        Assert.True(Here.OwnFirst);
    }

    [Fact]
    public void While_they_choose_nobody_writes_and_everybody_chooses()
    {
        Begin(PhaseKind.Choose);
        Assert.False(Here.Lets(StudentActs.Write, s_maya, 1_000_000));
        Assert.True(Here.Lets(StudentActs.Judge, s_maya, 1_000_000));
        Assert.True(Here.Lets(StudentActs.Write, Actor.Owner, 1_000_000));
        Assert.False(_script.Lesson.AllowedIn(new(1, Whose.Teacher, 0)).Withheld.HasFlag(StudentActs.Write));
        Do(new SetPens(true));
        Assert.False(Here.Lets(StudentActs.Judge, s_maya, 1_000_000));
    }

    [Fact]
    public void A_phase_withholds_what_it_says_until_it_is_over_and_again_when_it_goes_on()
    {
        Do(new BeginPhase(new(PhaseKind.Work, "Only sort", 0, false, 0, StudentActs.Write | StudentActs.Answer, 2)));
        Assert.Equal(StudentActs.Write | StudentActs.Answer, Here.Withheld);
        Assert.True(Here.Lets(StudentActs.Move, s_maya, 1_000_000));
        Do(new BeginPhase(new(PhaseKind.Choose, "", 0, false, 0, StudentActs.Judge)));
        Assert.Equal(StudentActs.All, Here.Withheld);
        Do(new EndPhase(false));
        Assert.Equal(StudentActs.None, Here.Withheld);
        Do(new EndPhase(true));
        Do(new EndPhase(true));
        Assert.Equal(StudentActs.Write | StudentActs.Answer, Here.Withheld);
        Assert.Equal(2, Now!.Plan.Planned);
    }

    [Fact]
    public void A_time_that_is_over_closes_writing_only_where_it_ends_by_itself_and_to_the_millisecond()
    {
        Begin(PhaseKind.Work, minutes: 5);
        Assert.True(Here.Lets(StudentActs.Write, s_maya, 1_000_000 + (60 * Minute)));
        Begin(PhaseKind.Work, minutes: 5, endsItself: true);
        Assert.True(Here.Lets(StudentActs.Write, s_maya, 1_000_000 + (5 * Minute) - 1));
        Assert.False(Here.Lets(StudentActs.Write, s_maya, 1_000_000 + (5 * Minute)));
        Assert.False(Here.Lets(StudentActs.Judge, s_maya, 1_000_000 + (5 * Minute)));
        Do(new EndPhase(false));
        Assert.True(Here.Lets(StudentActs.Write, s_maya, 1_000_000 + (5 * Minute)));
    }

    [Fact]
    public void One_is_given_more_time_than_the_others_and_nobody_else_is_told()
    {
        Begin(PhaseKind.Work, minutes: 5, endsItself: true);
        Do(new GiveTime(3, 2));
        Assert.True(Here.Lets(StudentActs.Write, s_maya, 1_000_000 + (7 * Minute)));
        Assert.False(Here.Lets(StudentActs.Write, s_ben, 1_000_000 + (7 * Minute)));
        Assert.False(Sight.Of(s_ben, _script.Log[^1]));
        Assert.Empty(((LessonSnapshot)Snapshots.Of(_script.Lesson, s_ben)).Phase!.Longer);
        Do(new GiveTime(2, 0));
        Assert.Equal(1_000_000 + (7 * Minute), Now!.EndsAt);
    }

    [Fact]
    public void Time_that_is_given_after_the_end_begins_now_and_no_time_ends_before_now()
    {
        Begin(PhaseKind.Work, minutes: 1);
        _script.Now = 1_000_000 + (10 * Minute);
        Do(new GiveTime(2, 0));
        Assert.Equal(_script.Now + (2 * Minute), Now!.EndsAt);
        Do(new GiveTime(-600, 0));
        Assert.Equal(_script.Now, Now.EndsAt);
    }

    [Fact]
    public void One_press_goes_back_to_the_phase_before_with_its_time_from_the_beginning()
    {
        Begin(PhaseKind.Think, minutes: 3);
        _script.Now += Minute;
        Begin(PhaseKind.Talk);
        _script.Now += Minute;
        Do(new EndPhase(Back: true));
        Assert.Equal((PhaseKind.Think, _script.Now + (3 * Minute)), (Now!.Plan.Kind, Now.EndsAt));
        Do(new EndPhase(false));
        Assert.Null(Now);
        Do(new EndPhase(Back: true));
        Assert.Equal(PhaseKind.Think, Now!.Plan.Kind);
        Assert.Equal(Refusal.NothingToUndo, Refused(new EndPhase(Back: true)));
    }

    [Fact]
    public void Nobody_is_waited_for_to_write_while_the_class_talks_or_chooses_or_its_time_is_over()
    {
        Assert.True(_script.Lesson.IsWriting(1_000_000));
        foreach (var (kind, writes) in new[] { (PhaseKind.Think, true), (PhaseKind.Talk, false), (PhaseKind.Choose, false), (PhaseKind.Work, true) })
        {
            Begin(kind);
            Assert.Equal(writes, _script.Lesson.IsWriting(1_000_000));
        }

        Begin(PhaseKind.Work, minutes: 1, endsItself: true);
        Assert.True(_script.Lesson.IsWriting(1_000_000));
        Assert.False(_script.Lesson.IsWriting(1_000_000 + Minute));
    }

    [Fact]
    public void A_phase_opens_its_part()
    {
        var script = new LessonScript(people: 2);
        script.Do(new PlanParts([1, 2], OneByOne: true), Actor.Program);
        Assert.IsType<Decision.Accepted>(script.Do(new BeginPhase(new(PhaseKind.Think, "", 0, false, 2)), Actor.Owner));
        Assert.Contains(2, script.Lesson.OpenParts);
        Assert.Equal(2, script.Lesson.CurrentPart);
        Assert.Equal(script.Lesson.Number, script.Lesson.PlacesAsOf);
    }

    [Fact]
    public void A_phase_is_one_that_there_can_be_and_a_teachers_to_begin()
    {
        Assert.Equal(Refusal.OutOfRange, Refused(new BeginPhase(new((PhaseKind)9, "", 0, false, 0))));
        Assert.Equal(Refusal.OutOfRange, Refused(new BeginPhase(new(PhaseKind.Work, new string('a', PlannedPhase.WordsLength + 1), 0, false, 0))));
        Assert.Equal(Refusal.OutOfRange, Refused(new BeginPhase(new(PhaseKind.Work, "", PlannedPhase.Longest + 1, false, 0))));
        Assert.Equal(Refusal.OutOfRange, Refused(new BeginPhase(new(PhaseKind.Work, "", 0, true, 0))));
        Assert.Equal(Refusal.OutOfRange, Refused(new BeginPhase(new(PhaseKind.Work, "", 0, false, 7))));
        Assert.Equal(Refusal.OutOfRange, Refused(new BeginPhase(new(PhaseKind.Work, "", 0, false, 0, (StudentActs)16))));
        Assert.Equal(Refusal.OutOfRange, Refused(new BeginPhase(new(PhaseKind.Work, "", 0, false, 0, StudentActs.None, -1))));
        Assert.Equal(Refusal.OutOfRange, Refused(new BeginPhase(new(PhaseKind.Work, "", 0, false, 0, StudentActs.None, PlannedPhase.Most + 1))));
        Assert.Equal(Refusal.ChangedSince, Refused(new EndPhase(false)));
        Assert.Equal(Refusal.ChangedSince, Refused(new GiveTime(2, 0)));
        Begin(PhaseKind.Work);
        Assert.Equal(Refusal.NotFound, Refused(new GiveTime(2, 2)));
        Assert.Equal(Refusal.OutOfRange, Refused(new GiveTime(0, 0)));
        Assert.Equal(Refusal.OutOfRange, Refused(new GiveTime(PlannedPhase.Longest + 1, 0)));
        Assert.IsType<Decision.Refused>(_script.Do(new EndPhase(false), s_maya));
        Assert.IsType<Decision.Refused>(_script.Do(new GiveTime(5, 2), s_maya));
        Do(new CloseLesson());
        Assert.Equal(Refusal.Closed, Refused(new BeginPhase(new(PhaseKind.Talk, "", 0, false, 0))));
    }

    private void Begin(PhaseKind kind, int minutes = 0, bool endsItself = false) => Do(new BeginPhase(new(kind, "", minutes, endsItself, 0)));

    private void Do(Command command) => Assert.IsType<Decision.Accepted>(_script.Do(command, Actor.Owner));

    private Refusal Refused(Command command) => Assert.IsType<Decision.Refused>(_script.Do(command, Actor.Owner)).Reason;
}
