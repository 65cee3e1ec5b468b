using Yardang.Core.Rooms;
using Yardang.Core.Visibility;
using Yardang.Core.Walls;
using static Yardang.Core.Tests.Walls.WallScript;

namespace Yardang.Core.Tests.Walls;

/// <summary>Who sees what now is said by the lesson and by the wall, and the stricter of both holds.</summary>
public class LessonHoldsTests
{
    [Fact]
    public void While_the_lesson_says_so_each_sees_only_their_own_and_afterwards_all_see_what_was_put_up_meanwhile()
    {
        var wall = new WallScript();
        wall.PutUp(Maya, "arches push");
        Follow(wall, lesson: true);
        wall.PutUp(Ben, "cables pull");
        Assert.Equal(["arches push"], SeenBy(wall, Maya));
        Assert.Equal(["cables pull"], SeenBy(wall, Ben));
        Assert.DoesNotContain(Told(wall, Maya), e => e is CardPutUp { Card.Text: "cables pull" });
        Follow(wall, lesson: false);
        Assert.Equal(["arches push", "cables pull"], SeenBy(wall, Maya));
        Assert.Contains(Told(wall, Maya), e => e is CardsShown { Cards.Length: 2 });
    }

    [Theory]
    [InlineData(false, false, false)]
    [InlineData(false, true, true)]
    [InlineData(true, false, true)]
    [InlineData(true, true, true)]
    public void The_stricter_of_lesson_and_wall_holds_in_whatever_order_they_say_so(bool wallSays, bool lessonSays, bool holds)
    {
        foreach (var isWallFirst in new[] { true, false })
        {
            var wall = new WallScript(new WallRules(OwnFirst: !wallSays));
            if (isWallFirst) wall.Do(Teacher, new SetPlan(Plan(new(OwnFirst: wallSays))));
            Follow(wall, lessonSays);
            if (!isWallFirst) wall.Do(Teacher, new SetPlan(Plan(new(OwnFirst: wallSays))));
            Assert.Equal(holds, wall.Wall.Plan.Rules.OwnFirst);
            Follow(wall, lesson: false);
            Assert.Equal(wallSays, wall.Wall.Plan.Rules.OwnFirst);
        }
    }

    [Fact]
    public void A_teacher_cannot_end_on_a_wall_what_the_lesson_says()
    {
        var wall = new WallScript();
        Follow(wall, lesson: true);
        wall.PutUp(Ben, "cables pull");
        wall.Do(Teacher, new SetPlan(wall.Wall.Plan with { Rules = wall.Wall.Plan.Rules with { OwnFirst = false, Held = LessonHolds.No } }));
        Assert.Empty(SeenBy(wall, Maya));
    }

    [Fact]
    public void No_plan_that_somebody_sends_says_that_the_lesson_holds_a_wall()
    {
        var wall = new WallScript();
        wall.Do(Teacher, new SetPlan(Plan(new(Held: LessonHolds.WallHoldsToo, OwnFirst: true))));
        Assert.Equal(LessonHolds.No, wall.Wall.Plan.Rules.Held);
        Assert.Equal(LessonHolds.No, new Wall(Plan(new(Held: LessonHolds.WallHoldsToo))).Plan.Rules.Held);
        Assert.Equal(new Decision.Refused(Refusal.NotAllowed), wall.Do(Teacher, new FollowLesson()));
    }

    [Fact]
    public void Where_names_are_for_nobody_the_lesson_does_not_let_out_what_one_has_written()
    {
        var wall = new WallScript(new(Names: NamesTo.Nobody));
        Follow(wall, lesson: true);
        wall.PutUp(Maya, "arches push");
        Follow(wall, lesson: false);
        Assert.True(wall.Wall.Plan.Rules.OwnFirst);
        Assert.Equal(LessonHolds.No, wall.Wall.Plan.Rules.Held);
        Assert.Empty(SeenBy(wall, Ben));
    }

    private static void Follow(WallScript wall, bool lesson)
    {
        wall.Allowed = new(OwnFirst: lesson);
        wall.DoByProgram(new FollowLesson());
    }

    private static IEnumerable<RoomEvent> Told(WallScript wall, Actor reader) => wall.Log.Where(e => Sight.Of(reader, e)).Select(e => e.Event);

    private static IEnumerable<string> SeenBy(WallScript wall, Actor reader) => ((WallSnapshot)Snapshots.Of(wall.Wall, reader)).Cards.Select(c => c.Text);
}
