using Yardang.Core.Activities;
using Yardang.Core.Lessons;
using Yardang.Core.Rooms;

namespace Yardang.Core.Tests.Lessons;

/// <summary>A lesson has the parts of its activity, and students see those that are open.</summary>
public class LessonPartsTests
{
    private static readonly Actor s_student = new(2, Role.Student);

    private readonly LessonScript _script = new(people: 0);

    private Lesson Lesson => _script.Lesson;

    [Fact]
    public void A_lesson_of_before_has_one_part_and_it_is_open()
    {
        Assert.Equal([1], Lesson.Parts);
        Assert.Equal(1, Lesson.CurrentPart);
        Assert.False(Lesson.AllowedIn(new RoomPlace(1, Whose.Own, 2)).Waits);
    }

    [Fact]
    public void Of_parts_that_are_opened_one_by_one_only_the_first_is_open_and_in_the_others_nobody_writes()
    {
        Do(new PlanParts([3, 1, 2], OneByOne: true), Actor.Program);
        Assert.Equal([3], Lesson.OpenParts);
        Assert.Equal(3, Lesson.CurrentPart);
        Assert.True(Lesson.AllowedIn(new RoomPlace(3, Whose.Own, 2)).StudentsMayWrite);
        Assert.False(Lesson.AllowedIn(new RoomPlace(1, Whose.Own, 2)).StudentsMayWrite);
    }

    [Fact]
    public void Students_begin_where_the_teacher_opened_last_as_long_as_it_is_open()
    {
        Do(new PlanParts([1, 2, 3], OneByOne: true), Actor.Program);
        Do(new SetPart(3, true), Actor.Owner);
        Assert.Equal(3, Lesson.CurrentPart);
        Do(new SetPart(2, true), Actor.Owner);
        Assert.Equal(2, Lesson.CurrentPart);
        Do(new SetPart(2, false), Actor.Owner);
        Assert.Equal(1, Lesson.CurrentPart);
    }

    [Fact]
    public void There_is_always_somewhere_to_be()
    {
        Do(new PlanParts([1, 2], OneByOne: true), Actor.Program);
        Assert.Equal(Refusal.NotAllowed, Try(new SetPart(1, false), Actor.Owner));
        Do(new SetPart(2, true), Actor.Owner);
        Assert.Null(Try(new SetPart(1, false), Actor.Owner));
        Assert.Equal(2, Lesson.CurrentPart);
    }

    [Fact]
    public void Only_teachers_open_parts_and_only_those_that_there_are()
    {
        Do(new PlanParts([1, 2], OneByOne: true), Actor.Program);
        Do(new Join(), Actor.Program);
        Assert.Equal(Refusal.NotAllowed, Try(new SetPart(2, true), s_student));
        Assert.Equal(Refusal.NotAllowed, Try(new PlanParts([1], OneByOne: false), Actor.Owner));
        Assert.Equal(Refusal.NotFound, Try(new SetPart(9, true), Actor.Owner));
        Assert.Equal(Refusal.ChangedSince, Try(new SetPart(1, true), Actor.Owner));
        Do(new CloseLesson(), Actor.Owner);
        Assert.Equal(Refusal.Closed, Try(new SetPart(2, true), Actor.Owner));
    }

    [Fact]
    public void Each_sees_only_their_own_on_the_walls_of_a_part_or_of_all_as_the_teacher_says()
    {
        Do(new PlanParts([1, 2], OneByOne: false), Actor.Program);
        Do(new Join(), Actor.Program);
        bool IsIn(int part) => Lesson.AllowedIn(new RoomPlace(part, Whose.Together, 0)).OwnFirst;
        Do(new SetOwnFirst(2, true), Actor.Owner);
        Assert.False(IsIn(1));
        Assert.True(IsIn(2));
        Do(new SetOwnFirst(SetOwnFirst.WholeLesson, true), Actor.Owner);
        Assert.True(IsIn(1));
        Do(new SetOwnFirst(2, false), Actor.Owner);
        Assert.True(IsIn(2));
        Assert.Equal(Refusal.NotAllowed, Try(new SetOwnFirst(1, true), s_student));
        Assert.Equal(Refusal.NotFound, Try(new SetOwnFirst(9, true), Actor.Owner));
        Assert.Equal(Refusal.ChangedSince, Try(new SetOwnFirst(2, false), Actor.Owner));
    }

    [Fact]
    public void Parts_are_planned_once()
    {
        Assert.Equal(Refusal.OutOfRange, Try(new PlanParts([], OneByOne: true), Actor.Program));
        Assert.Equal(Refusal.OutOfRange, Try(new PlanParts([1, 1], OneByOne: true), Actor.Program));
        Assert.Equal(Refusal.OutOfRange, Try(new PlanParts([0, 1], OneByOne: true), Actor.Program));
        Do(new PlanParts([1, 2], OneByOne: false), Actor.Program);
        Assert.Equal([1, 2], Lesson.OpenParts);
        Assert.Equal(Refusal.ChangedSince, Try(new PlanParts([1, 2], OneByOne: true), Actor.Program));
    }

    [Theory]
    [InlineData(Way.OneEach, 0, Whose.Own, 7)]
    [InlineData(Way.OneEach, 4, Whose.Own, 7)]
    [InlineData(Way.ByGroup, 0, Whose.Own, 7)]
    [InlineData(Way.ByGroup, 4, Whose.Group, 4)]
    [InlineData(Way.AllTogether, 4, Whose.Together, 0)]
    public void Each_part_has_its_own_way(Way way, int group, Whose whose, int number)
    {
        LessonPart[] parts = [new(1, PartKind.Pages, Way.OneEach), new(2, PartKind.Wall, way)];
        Assert.Equal(new RoomPlace(2, whose, number), parts.PlaceIn(parts[1], 7, group));
        Assert.Equal(way == Way.ByGroup, parts.IsByGroup(parts[1]));
    }

    [Fact]
    public void Where_there_is_one_part_alone_groups_that_are_made_later_share_a_board()
    {
        LessonPart[] parts = [new(1, PartKind.Pages, Way.OneEach)];
        Assert.Equal(new RoomPlace(1, Whose.Group, 4), parts.PlaceIn(parts[0], 7, 4));
        Assert.Equal(new RoomPlace(1, Whose.Own, 7), parts.PlaceIn(parts[0], 7, 0));
    }

    private void Do(Command command, Actor actor) => Assert.Null(Try(command, actor));

    private Refusal? Try(Command command, Actor actor) => (_script.Do(command, actor) as Decision.Refused)?.Reason;
}
