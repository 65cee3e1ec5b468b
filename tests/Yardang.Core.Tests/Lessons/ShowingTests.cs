using Yardang.Core.Lessons;
using Yardang.Core.Rooms;

namespace Yardang.Core.Tests.Lessons;

/// <summary>Boards that are private until they are shown.</summary>
public class ShowingTests
{
    private readonly LessonScript _script = new(people: 3);

    private Lesson Lesson => _script.Lesson;

    [Fact]
    public void Of_lesson_and_part_the_stricter_says_from_whom_boards_are_kept()
    {
        Do(new SetPrivacy(SetPrivacy.WholeLesson, Privacy.UntilShown), Actor.Owner);
        Assert.Equal(Privacy.UntilShown, Lesson.Showing.In(1));
        Do(new SetPrivacy(1, Privacy.AlsoFromTeachers), Actor.Owner);
        Assert.Equal(Privacy.AlsoFromTeachers, Lesson.Showing.In(1));
        Do(new SetPrivacy(1, Privacy.None), Actor.Owner);
        Assert.Equal(Privacy.UntilShown, Lesson.Showing.In(1));
        Assert.Equal(Refusal.NotFound, Refused(new SetPrivacy(9, Privacy.UntilShown), Actor.Owner));
        Assert.Equal(Refusal.OutOfRange, Refused(new SetPrivacy(1, (Privacy)7), Actor.Owner));
        Assert.Equal(Refusal.NotAllowed, Refused(new SetPrivacy(1, Privacy.None), Student(2)));
    }

    [Fact]
    public void Students_show_their_own_work_and_take_it_back_and_nobody_shows_it_for_them()
    {
        Do(new ShowWork(1, true), Student(2));
        Assert.Equal([1], Lesson.Showing.ShownBy(2));
        Assert.Empty(Lesson.Showing.ShownBy(4));
        Assert.Equal(Refusal.ChangedSince, Refused(new ShowWork(1, true), Student(2)));
        Assert.Equal(Refusal.NotAllowed, Refused(new ShowWork(1, true), Actor.Owner));
        Assert.Equal(Refusal.NotAllowed, Refused(new ShowWork(1, true), Student(77)));
        Do(new ShowWork(1, false), Student(2));
        Assert.Empty(Lesson.Showing.ShownBy(2));
    }

    [Fact]
    public void When_boards_go_down_what_students_have_shown_themselves_stays_shown()
    {
        Do(new ShowWork(1, true), Student(4));
        Do(new CallBoardsUp(1, [2, 4], true), Actor.Owner);
        Assert.Equal([1], Lesson.Showing.ShownBy(2));
        Do(new CallBoardsUp(1, [], true), Actor.Owner);
        Assert.True(Lesson.Showing.AreUp(1));
        Do(new CallBoardsUp(1, [], false), Actor.Owner);
        Assert.False(Lesson.Showing.AreUp(1));
        Assert.Equal([1], Lesson.Showing.ShownBy(4));
        Assert.Empty(Lesson.Showing.ShownBy(2));
        Assert.Equal(Refusal.ChangedSince, Refused(new CallBoardsUp(1, [], false), Actor.Owner));
        Assert.Equal(Refusal.NotAllowed, Refused(new CallBoardsUp(1, [], true), Student(4)));
        Assert.Equal(Refusal.NotFound, Refused(new CallBoardsUp(1, [99], true), Actor.Owner));
    }

    [Fact]
    public void Who_is_put_into_a_group_has_shown_nothing_of_it()
    {
        Do(new ShowWork(1, true), Student(4));
        Do(new ShowWork(1, true), Student(3));
        Do(new SetGroups([new(1, "Piers", [2, 4])], Lesson.GroupingVersion), Actor.Owner);
        Assert.Empty(Lesson.Showing.ShownBy(4));
        Assert.Equal([1], Lesson.Showing.ShownBy(3));
        Do(new ShowWork(1, true), Student(4));
        Do(new UndoGroups(), Actor.Owner);
        Assert.Empty(Lesson.Showing.ShownBy(4));
    }

    [Fact]
    public void Nothing_is_shown_in_a_lesson_that_is_over()
    {
        Do(new CloseLesson(), Actor.Owner);
        Assert.Equal(Refusal.Closed, Refused(new ShowWork(1, true), Student(4)));
    }

    private static Actor Student(int number) => new(number, Role.Student);

    private void Do(Command command, Actor actor) => Assert.IsType<Decision.Accepted>(_script.Do(command, actor));

    private Refusal Refused(Command command, Actor actor) => Assert.IsType<Decision.Refused>(_script.Do(command, actor)).Reason;
}
