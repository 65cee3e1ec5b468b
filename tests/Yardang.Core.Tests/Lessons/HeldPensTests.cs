using Yardang.Core.Lessons;
using Yardang.Core.Rooms;
using Yardang.Core.Visibility;

namespace Yardang.Core.Tests.Lessons;

/// <summary>Pens that are down for some of the class.</summary>
public class HeldPensTests
{
    private static readonly Actor s_maya = new(2, Role.Student);
    private static readonly Actor s_ben = new(3, Role.Student);
    private static readonly RoomPlace s_group = new(1, Whose.Group, 1);

    private readonly LessonScript _script = new(people: 3) { Now = 100_000 };

    private Allowed Here => _script.Lesson.AllowedIn(s_group);

    [Fact]
    public void Whose_pens_are_down_cannot_write_on_the_groups_board_and_the_others_can()
    {
        Do(new HoldPens([2], true, 0), Actor.Owner);
        Assert.False(Here.Lets(StudentActs.Write, s_maya, 200_000));
        Assert.True(Here.Lets(StudentActs.Write, s_ben, 200_000));
        Assert.True(Here.Lets(StudentActs.Write, Actor.Owner, 200_000));
        Do(new HoldPens([2], false, 0), Actor.Owner);
        Assert.True(Here.Lets(StudentActs.Write, s_maya, 200_000));
    }

    [Fact]
    public void A_pause_ends_by_itself_to_the_millisecond()
    {
        Do(new HoldPens([2, 3], true, 5), Actor.Owner);
        Assert.False(Here.Lets(StudentActs.Write, s_maya, 100_000 + (5 * 60_000) - 1));
        Assert.True(Here.Lets(StudentActs.Write, s_maya, 100_000 + (5 * 60_000)));
    }

    [Fact]
    public void A_classmate_is_told_nothing_of_it_and_of_two_each_only_their_own()
    {
        Do(new HoldPens([2, 3], true, 5), Actor.Owner);
        Assert.False(Sight.Of(new(4, Role.Student), _script.Log[^1]));
        Assert.Equal([3], ((PensHeld)Sight.AsTold(s_ben, _script.Log[^1]).Event).People);
    }

    [Fact]
    public void It_is_said_why_to_those_whom_it_concerns_until_pens_are_up_again()
    {
        Do(new HoldPens([2], true, 5, " Read the rules again, please. "), Actor.Owner);
        Assert.Equal("Read the rules again, please.", _script.Lesson.People[2].HeldWhy);
        Assert.False(Sight.Of(s_ben, _script.Log[^1]));
        Assert.Contains(((LessonSnapshot)Snapshots.Of(_script.Lesson, s_maya)).People, p => p.HeldWhy.Length > 0);
        Assert.DoesNotContain(((LessonSnapshot)Snapshots.Of(_script.Lesson, s_ben)).People, p => p.HeldWhy.Length > 0);
        Do(new HoldPens([2], false, 0), Actor.Owner);
        Assert.Equal("", _script.Lesson.People[2].HeldWhy);
        Assert.Equal(Refusal.OutOfRange, Refused(new HoldPens([2], true, 5, new string('a', Call.WordsLength + 1)), Actor.Owner));
        Assert.Equal(Refusal.OutOfRange, Refused(new HoldPens([2], true, 5, "a\u0007b"), Actor.Owner));
        Assert.Equal(Refusal.OutOfRange, Refused(new HoldPens([2], false, 0, "for nothing"), Actor.Owner));
    }

    [Fact]
    public void Who_is_taken_out_and_let_in_again_begins_with_the_pen_up()
    {
        Do(new HoldPens([2], true, 0), Actor.Owner);
        Do(new RemovePerson(2), Actor.Owner);
        Do(new AdmitPerson(2), Actor.Owner);
        Assert.True(Here.Lets(StudentActs.Write, s_maya, 200_000));
    }

    [Fact]
    public void It_is_for_people_who_are_in_for_a_time_that_there_is_and_a_teachers_to_say()
    {
        Assert.Equal(Refusal.OutOfRange, Refused(new HoldPens([], true, 0), Actor.Owner));
        Assert.Equal(Refusal.OutOfRange, Refused(new HoldPens([2], true, -1), Actor.Owner));
        Assert.Equal(Refusal.OutOfRange, Refused(new HoldPens([2], true, HoldPens.Longest + 1), Actor.Owner));
        Assert.Equal(Refusal.OutOfRange, Refused(new HoldPens([2], false, 5), Actor.Owner));
        Assert.Equal(Refusal.NotFound, Refused(new HoldPens([9], true, 0), Actor.Owner));
        Assert.Equal(Refusal.NotFound, Refused(new HoldPens([2, 2], true, 0), Actor.Owner));
        Assert.Equal(Refusal.NotAllowed, Refused(new HoldPens([2], false, 0), s_maya));
    }

    private void Do(Command command, Actor actor) => Assert.IsType<Decision.Accepted>(_script.Do(command, actor));

    private Refusal Refused(Command command, Actor actor) => Assert.IsType<Decision.Refused>(_script.Do(command, actor)).Reason;
}
