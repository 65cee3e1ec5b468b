using Yardang.Core.LateChanges;
using Yardang.Core.Lessons;
using Yardang.Core.Rooms;
using Yardang.Data.Wire;

namespace Yardang.Core.Tests.Lessons;

/// <summary>When a lesson opens, is due and closes; handing in and taking back.</summary>
public class TimesTests
{
    private static readonly Actor s_maya = new(2, Role.Student);
    private static readonly Actor s_ben = new(3, Role.Student);

    // The script's clock stands a little after 1,000 ms.
    private const long Later = 9_000;

    private readonly LessonScript _lesson = new(people: 3);

    [Fact]
    public void Before_it_opens_nobody_writes_or_hands_in()
    {
        Set(new LessonTimes(OpensAt: Later, HandsIn: true));
        Assert.False(_lesson.Lesson.Allowed.StudentsMayWrite);
        Assert.Equal(Refusal.NotAllowed, Why(new HandIn(), s_maya));
        _lesson.Now = Later;
        _lesson.Do(new AnnounceMoment(Moment.Opens), Actor.Program);
        Assert.True(_lesson.Lesson.Allowed.StudentsMayWrite);
    }

    [Fact]
    public void Only_the_program_announces_that_a_moment_has_come()
    {
        Set(new LessonTimes(OpensAt: Later));
        Assert.Equal(Refusal.NotAllowed, Why(new AnnounceMoment(Moment.Opens), Actor.Owner));
    }

    [Fact]
    public void Times_that_are_out_of_order_are_refused()
    {
        Assert.Equal(Refusal.OutOfRange, Why(new SetTimes(new LessonTimes(OpensAt: Later, DueAt: Later - 1)), Actor.Owner));
        Assert.Equal(Refusal.OutOfRange, Why(new SetTimes(new LessonTimes(DueAt: Later, ClosesAt: Later)), Actor.Owner));
        Assert.Equal(Refusal.NotAllowed, Why(new SetTimes(new LessonTimes()), s_maya));
    }

    [Fact]
    public void What_was_handed_in_can_be_taken_back_until_it_is_due()
    {
        Set(new LessonTimes(DueAt: Later, HandsIn: true));
        _lesson.Do(new HandIn(), s_maya);
        Assert.NotNull(_lesson.Lesson.People[2].HandedInAt);
        Assert.Null(_lesson.Lesson.People[3].HandedInAt);
        _lesson.Do(new TakeWorkBack(), s_maya);
        Assert.Null(_lesson.Lesson.People[2].HandedInAt);

        _lesson.Do(new HandIn(), s_maya);
        _lesson.Now = Later;
        _lesson.Do(new AnnounceMoment(Moment.Due), Actor.Program);
        Assert.Equal(Refusal.NotAllowed, Why(new TakeWorkBack(), s_maya));
        Assert.IsType<Decision.Accepted>(_lesson.Do(new HandIn(), s_ben));
    }

    [Fact]
    public void One_of_a_group_hands_in_for_all_of_it()
    {
        Set(new LessonTimes(HandsIn: true));
        _lesson.Do(new SetGroups([new Group(1, "Arches", [2, 3])], 0), Actor.Owner);
        _lesson.Do(new HandIn(), s_ben);
        Assert.NotNull(_lesson.Lesson.People[2].HandedInAt);
        Assert.Null(_lesson.Lesson.People[4].HandedInAt);
        Assert.Equal(Refusal.ChangedSince, Why(new HandIn(), s_maya));
    }

    [Fact]
    public void Nobody_hands_in_where_nothing_is_collected_or_the_lesson_is_over()
    {
        Assert.Equal(Refusal.NotAllowed, Why(new HandIn(), s_maya));
        Set(new LessonTimes(HandsIn: true));
        _lesson.Do(new CloseLesson(), Actor.Owner);
        Assert.Equal(Refusal.Closed, Why(new HandIn(), s_maya));
    }

    [Fact]
    public void A_lesson_that_is_reopened_after_its_end_does_not_close_by_itself_again()
    {
        Set(new LessonTimes(ClosesAt: 1));
        _lesson.Do(new CloseLesson(), Actor.Program);
        _lesson.Do(new ReopenLesson(), Actor.Owner);
        Assert.Null(_lesson.Lesson.Times.ClosesAt);
    }

    [Fact]
    public void Late_changes_are_counted_aimed_and_confirmed()
    {
        var content = Guid.NewGuid();
        Assert.Equal(Refusal.NotFound, Why(new HandOutLateChange(content, [7], []), Actor.Program));
        Assert.Equal(Refusal.NotAllowed, Why(new HandOutLateChange(content, [], []), Actor.Owner));
        var accepted = Assert.IsType<Decision.Accepted>(_lesson.Do(new HandOutLateChange(content, [], [2]), Actor.Program));
        Assert.Equal(Audience.Staff, accepted.Audience);
        Assert.Equal(Refusal.NotFound, Why(new ConfirmLateChange(2), s_maya));
        _lesson.Do(new ConfirmLateChange(1), s_maya);
        Assert.Equal([2], _lesson.Lesson.LateChanges[1].Received);
        Assert.Equal(Refusal.Duplicate, Why(new ConfirmLateChange(1), s_maya));
        _lesson.Do(new TakeLateChangeBack(1), Actor.Program);
        Assert.True(_lesson.Lesson.LateChanges[1].TakenBack);
    }

    [Fact]
    public void A_snapshot_keeps_all_of_it_and_tells_a_student_only_their_own()
    {
        Set(new LessonTimes(OpensAt: null, DueAt: Later, ClosesAt: Later * 2, HandsIn: true));
        _lesson.Do(new HandOutLateChange(Guid.NewGuid(), [], [2, 3]), Actor.Program);
        _lesson.Do(new ConfirmLateChange(1), s_maya);
        _lesson.Do(new HandIn(), s_ben);
        var restored = new Lesson();
        SnapshotCodec.Restore(SnapshotCodec.Encode(_lesson.Lesson, Actor.Program), restored);
        Assert.Equal(SnapshotCodec.Encode(_lesson.Lesson, Actor.Program), SnapshotCodec.Encode(restored, Actor.Program));

        var bens = new Lesson();
        SnapshotCodec.Restore(SnapshotCodec.Encode(_lesson.Lesson, s_ben), bens);
        Assert.Empty(bens.LateChanges);
        Assert.Equal([3], bens.People.Keys);
    }

    [Fact]
    public void Every_event_comes_back_from_the_log_as_it_went_in()
    {
        Set(new LessonTimes(DueAt: Later, HandsIn: true));
        _lesson.Do(new HandOutLateChange(Guid.NewGuid(), [], [2, 3]), Actor.Program);
        _lesson.Do(new ConfirmLateChange(1), s_maya);
        _lesson.Do(new HandIn(), s_ben);
        _lesson.Do(new TakeWorkBack(), s_ben);
        _lesson.Now = Later;
        _lesson.Do(new AnnounceMoment(Moment.Due), Actor.Program);
        _lesson.Do(new TakeLateChangeBack(1), Actor.Program);
        var replayed = new Lesson();
        foreach (var envelope in _lesson.Log) replayed.Apply(EventCodec.Decode(EventCodec.Encode(envelope)));
        Assert.Equal(SnapshotCodec.Encode(_lesson.Lesson, Actor.Program), SnapshotCodec.Encode(replayed, Actor.Program));
    }

    [Theory]
    [InlineData("2026-03-29T02:30", "2026-03-29T01:30")] // Put forward at 02:00: the time that never is, is an hour later.
    [InlineData("2026-10-25T02:30", "2026-10-25T00:30")] // Put back at 03:00: the first of the two.
    [InlineData("2026-12-03T09:00", "2026-12-03T08:00")]
    [InlineData("2026-07-03T09:00", "2026-07-03T07:00")]
    public void The_clock_on_the_wall_is_read_right_also_when_it_is_changed(string wall, string utc) => Assert.Equal(
        DateTime.Parse(utc, System.Globalization.CultureInfo.InvariantCulture),
        WallTime.Moment(DateTime.Parse(wall, System.Globalization.CultureInfo.InvariantCulture), TimeZoneInfo.FindSystemTimeZoneById("Europe/Madrid")).UtcDateTime);

    private void Set(LessonTimes times) => Assert.IsType<Decision.Accepted>(_lesson.Do(new SetTimes(times), Actor.Owner));

    private Refusal Why(Command command, Actor actor) => Assert.IsType<Decision.Refused>(_lesson.Do(command, actor)).Reason;
}
