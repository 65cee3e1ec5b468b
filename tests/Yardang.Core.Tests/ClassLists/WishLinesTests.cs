using Yardang.Core.ClassLists;

namespace Yardang.Core.Tests.ClassLists;

/// <summary>Wishes as a teacher writes them.</summary>
public class WishLinesTests
{
    private static readonly ClassEntry[] s_class = [new(1, "Amara Nwosu"), new(2, "Ben Osei"), new(3, "Maya Lind"), new(4, "Ben Osei")];

    [Fact]
    public void Every_two_of_a_line_are_meant_by_number_or_name()
    {
        var (pairs, unknown) = WishLines.Read("1, 2, maya lind\n\n 3 ; 1 ", s_class);
        Assert.Equal([(1, 2), (1, 3), (2, 3), (3, 1)], pairs);
        Assert.Empty(unknown);
    }

    [Theory]
    [InlineData("1, 9", "9")]
    [InlineData("Leif, 2", "Leif")]
    [InlineData("Ben Osei, 1", "Ben Osei")]
    public void Who_is_nobody_or_several_is_named_and_nothing_is_taken(string line, string named)
    {
        var (pairs, unknown) = WishLines.Read(line, s_class);
        Assert.Empty(pairs);
        Assert.Equal([named], unknown);
    }

    [Fact]
    public void Nobody_is_kept_apart_from_themselves() => Assert.Empty(WishLines.Read("1, 1", s_class).Pairs);
}
