using Yardang.Core.Lessons;
using Yardang.Core.Rooms;
using Yardang.Core.Visibility;

namespace Yardang.Core.Tests.Lessons;

/// <summary>What a teacher puts on the big screen.</summary>
public class BigScreenTests
{
    private static readonly Guid s_board = new("01938f2e-7d3a-7c41-9a5e-2f6b8c0d1e2f");

    private readonly LessonScript _script = new(people: 2) { Now = 5_000 };

    [Fact]
    public void Nothing_is_there_until_a_teacher_puts_it_there_and_students_are_not_told()
    {
        Assert.Equal(OnScreen.Nothing, _script.Lesson.Screen);
        Show(new(ScreenKind.Works, [s_board], 2, true, true));
        Assert.Equal((ScreenKind.Works, 5_000), (_script.Lesson.Screen.Kind, _script.Lesson.ScreenSetAt));
        var maya = new Actor(2, Role.Student);
        Assert.False(Sight.Of(maya, _script.Log[^1]));
        Assert.Equal((OnScreen.Nothing, 0), (((LessonSnapshot)Snapshots.Of(_script.Lesson, maya)).Screen, ((LessonSnapshot)Snapshots.Of(_script.Lesson, maya)).ScreenSetAt));
        Assert.IsType<Decision.Refused>(_script.Do(new ShowOnScreen(OnScreen.Nothing), maya));
    }

    [Fact]
    public void One_to_six_works_stand_side_by_side_and_nothing_else_has_works()
    {
        Guid Room(int n) => new(n, 0, 0, new byte[8]);
        Refuse(new(ScreenKind.Works, [], 0, false, false));
        Refuse(new(ScreenKind.Works, [.. Enumerable.Range(1, OnScreen.MostWorks + 1).Select(Room)], 0, false, false));
        Refuse(new(ScreenKind.Works, [s_board, s_board], 0, false, false));
        Refuse(new(ScreenKind.CheckIn, [s_board], 0, false, false));
        Refuse(new((ScreenKind)17, [], 0, false, false));
        Refuse(new(ScreenKind.Works, [s_board], -1, false, false));
        Refuse(new(ScreenKind.Works, [s_board], 0, false, false, Card: -1));
        Refuse(new(ScreenKind.Works, [s_board, Room(1)], 0, false, false, Card: 7));
        Refuse(new(ScreenKind.Clock, [], 0, false, false, Card: 7));
        Show(new(ScreenKind.Works, [s_board], 0, false, false, Card: 7));
        Show(new(ScreenKind.Works, [.. Enumerable.Range(1, OnScreen.MostWorks).Select(Room)], 0, false, false));
        Show(OnScreen.Nothing);
    }

    private void Show(OnScreen shown) => Assert.IsType<Decision.Accepted>(_script.Do(new ShowOnScreen(shown), Actor.Owner));

    private void Refuse(OnScreen shown) => Assert.Equal(Refusal.OutOfRange, Assert.IsType<Decision.Refused>(_script.Do(new ShowOnScreen(shown), Actor.Owner)).Reason);
}
