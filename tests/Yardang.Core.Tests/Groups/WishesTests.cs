using Yardang.Core.Groups;

namespace Yardang.Core.Tests.Groups;

/// <summary>What a teacher wishes of groups.</summary>
public class WishesTests
{
    private static readonly Wishes s_wishes = new([(2, 3)], [(4, 5), (6, 4)]);

    [Fact]
    public void A_wish_to_keep_apart_speaks_against_a_group_whoever_of_the_two_comes()
    {
        Assert.Equal(1, s_wishes.Against(4, [5, 7]));
        Assert.Equal(1, s_wishes.Against(5, [4, 7]));
        Assert.Equal(2, s_wishes.Against(4, [5, 6]));
    }

    [Fact]
    public void A_wish_to_keep_together_speaks_for_it_and_no_wish_says_nothing()
    {
        Assert.Equal(-1, s_wishes.Against(3, [2, 9]));
        Assert.Equal(0, s_wishes.Against(7, [2, 3, 4, 5]));
        Assert.Equal(0, Wishes.None.Against(4, [5]));
    }

    [Fact]
    public void Only_wishes_of_those_who_are_there_can_be_broken()
    {
        Assert.Equal([(2, 3), (4, 5)], s_wishes.BrokenBy([[2, 4, 5], [3, 6]]));
        Assert.Empty(s_wishes.BrokenBy([[2, 4], [7]]));
    }
}
