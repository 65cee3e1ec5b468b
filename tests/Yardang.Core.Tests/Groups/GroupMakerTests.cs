using System.Collections.Immutable;
using CsCheck;
using Yardang.Core.Groups;

namespace Yardang.Core.Tests.Groups;

public class GroupMakerTests
{
    private static int[] People(int n) => [.. Enumerable.Range(2, n)];

    private static ImmutableArray<ImmutableArray<int>> Make(int people, int count, Wishes? wishes = null, Func<int, int>? level = null, int seed = 7) =>
        GroupMaker.Make(People(people), count, wishes ?? Wishes.None, level, new Random(seed));

    [Fact]
    public void Everybody_is_in_exactly_one_group_and_sizes_differ_by_one_at_most() =>
        Gen.Select(Gen.Int[0, 40], Gen.Int[1, 12], Gen.Int[0, 1_000]).Sample(
            (people, count, seed) =>
            {
                var groups = Make(people, count, seed: seed);
                Assert.Equal(People(people), groups.SelectMany(g => g).Order());
                if (people > 0) Assert.InRange(groups.Max(g => g.Length) - groups.Min(g => g.Length), 0, 1);
            }, iter: 60);

    [Theory]
    [InlineData(24, 4, 6)]
    [InlineData(25, 4, 6)]
    [InlineData(27, 4, 7)]
    [InlineData(2, 4, 1)]
    [InlineData(0, 4, 0)]
    public void Groups_of_a_size_come_as_near_to_it_as_they_can(int people, int size, int count) => Assert.Equal(count, GroupMaker.CountFor(people, size));

    [Fact]
    public void Wishes_that_can_be_fulfilled_are_fulfilled()
    {
        var wishes = new Wishes([(2, 3), (3, 4), (10, 20)], [(2, 5), (5, 6), (6, 7), (8, 9), (11, 12)]);
        for (var seed = 0; seed < 10; seed++) Assert.Empty(wishes.BrokenBy(Make(24, 6, wishes, seed: seed)));
    }

    [Fact]
    public void Of_wishes_that_contradict_each_other_as_few_as_possible_are_broken()
    {
        var wishes = new Wishes([(2, 3)], [(2, 3)]);
        Assert.Single(wishes.BrokenBy(Make(8, 2, wishes)));
        var allApart = new Wishes([], [(2, 3), (2, 4), (3, 4)]);
        Assert.Single(allApart.BrokenBy(Make(8, 2, allApart)));
    }

    [Fact]
    public void A_hidden_level_is_spread_evenly()
    {
        // Levels 1 to 3, eight of each: six groups of four with a sum of eight each.
        var groups = Make(24, 6, level: p => (p % 3) + 1);
        Assert.All(groups, g => Assert.InRange(g.Sum(p => (p % 3) + 1), 7, 9));
    }

    [Fact]
    public void The_same_chance_gives_the_same_groups_and_another_gives_others()
    {
        Assert.Equal(Make(24, 6, seed: 1).SelectMany(g => g), Make(24, 6, seed: 1).SelectMany(g => g));
        Assert.NotEqual(Make(24, 6, seed: 1).SelectMany(g => g), Make(24, 6, seed: 2).SelectMany(g => g));
    }
}
