using System.Collections.Immutable;
using Yardang.Core.Groups;

namespace Yardang.Core.Tests.Groups;

public class RotationTests
{
    private static Rotation Plan(int people, int size, int lessons, Wishes? wishes = null) =>
        Rotation.Plan([.. Enumerable.Range(2, people)], size, lessons, wishes ?? Wishes.None, new Random(5));

    private static void AssertWhole(Rotation plan, int people)
    {
        foreach (var lesson in plan.Lessons) Assert.Equal(Enumerable.Range(2, people), lesson.SelectMany(g => g).Order());
    }

    [Theory]
    [InlineData(15, 3, 7)]
    [InlineData(9, 3, 4)]
    [InlineData(16, 4, 5)]
    [InlineData(25, 5, 6)]
    [InlineData(32, 4, 8)]
    [InlineData(28, 4, 7)]
    public void Where_it_is_possible_no_pair_meets_twice(int people, int size, int lessons)
    {
        var plan = Plan(people, size, lessons);
        AssertWhole(plan, people);
        Assert.Equal(lessons, plan.Lessons.Length);
        Assert.Equal(0, plan.Repeats);
        Assert.All(plan.Lessons.SelectMany(l => l), g => Assert.Equal(size, g.Length));
    }

    [Theory]
    [InlineData(24, 4, 6, 14)]
    [InlineData(22, 4, 5, 6)]
    [InlineData(6, 2, 8, 12)]
    public void Otherwise_pairs_meet_again_as_little_as_the_search_finds(int people, int size, int lessons, int most)
    {
        var plan = Plan(people, size, lessons);
        AssertWhole(plan, people);
        Assert.InRange(plan.Repeats, plan.LeastRepeats, most);
        TestContext.Current.TestOutputHelper!.WriteLine($"{people} in groups of {size} over {lessons}: {plan.Repeats} repeats, no plan has fewer than {plan.LeastRepeats}.");
    }

    [Fact]
    public void Wishes_hold_in_every_lesson()
    {
        var wishes = new Wishes([(2, 3)], [(4, 5), (5, 6)]);
        var plan = Plan(18, 3, 5, wishes);
        Assert.All(plan.Lessons, lesson => Assert.Empty(wishes.BrokenBy(lesson)));
    }

    [Theory]
    [InlineData(6, 3, 8, 9)]
    [InlineData(9, 3, 4, 0)]
    [InlineData(4, 2, 4, 2)]
    public void No_plan_has_fewer_repeats_than_the_bound(int people, int groups, int lessons, int least) =>
        Assert.Equal(least, Rotation.LeastRepeatsFor(people, groups, lessons));

    [Fact]
    public void Who_is_to_stay_together_meets_again_without_being_counted()
    {
        ImmutableArray<ImmutableArray<ImmutableArray<int>>> plan = [[[2, 3], [4, 5]], [[3, 2], [5, 4]], [[2, 3], [4, 5]]];
        Assert.Equal(4, Rotation.RepeatsIn(plan, Wishes.None));
        Assert.Equal(2, Rotation.RepeatsIn(plan, Wishes.None with { Together = [(3, 2)] }));
        Assert.Equal(2, Rotation.RepeatsIn(plan, Wishes.None with { Together = [(2, 3)] }));
    }

    [Fact]
    public void Who_is_absent_changes_only_a_group_of_which_one_is_left()
    {
        Assert.Equal([[2, 3], [5, 6, 7], [8, 9, 10]], Without(Wishes.None, 4));
        Assert.Equal([[5, 6, 7], [9, 10, 2]], Without(Wishes.None, 3, 4, 8));
        Assert.Equal([[2]], Without(Wishes.None, 3, 4, 5, 6, 7, 8, 9, 10));
        Assert.Equal([[6, 7], [9, 2]], Without(Wishes.None, 3, 4, 5, 8, 10));
    }

    [Fact]
    public void Who_is_left_alone_joins_those_from_whom_nobody_keeps_them_apart_and_whom_they_meet_least()
    {
        Assert.Equal([[5, 6, 7, 2], [9, 10]], Without(new Wishes([], [(10, 2)]), 3, 4, 8));
        Assert.Equal([[5, 6, 7, 2], [9, 10]], Without(new Wishes([(2, 7)], []), 3, 4, 8));

        // In the other lesson 2 meets 5.
        Assert.Equal([[5, 6, 7], [8, 9, 10, 2]], Without(Wishes.None, 3, 4));
    }

    private static IEnumerable<int[]> Without(Wishes wishes, params int[] absent)
    {
        ImmutableArray<ImmutableArray<ImmutableArray<int>>> plan = [[[2, 3, 4], [5, 6, 7], [8, 9, 10]], [[2, 5, 11], [3, 6, 9], [4, 7, 10]]];
        return Rotation.Without(plan, 0, absent.ToHashSet(), wishes).Select(g => g.ToArray());
    }
}
