using CsCheck;
using Yardang.Core.Lessons;

namespace Yardang.Core.Tests.Lessons;

/// <summary>Groups are known by a colour and a shape, which agree with what they are called.</summary>
public class GroupSignTests
{
    [Fact]
    public void The_first_sixty_four_groups_all_look_different_and_the_first_eight_in_both() =>
        Assert.Equal((64, 8, 8), (
            Enumerable.Range(1, 64).Select(n => GroupSign.Of(n, $"Group {n}")).Distinct().Count(),
            Enumerable.Range(1, 8).Select(n => GroupSign.Of(n, "").Colour).Distinct().Count(),
            Enumerable.Range(1, 8).Select(n => GroupSign.Of(n, "").Shape).Distinct().Count()));

    [Theory]
    [InlineData("The red ones", 2, null)]
    [InlineData("Rojos", 2, null)]
    [InlineData("Los azules", 1, null)]
    [InlineData("Triángulos", null, 2)]
    [InlineData("Green stars", 3, 7)]
    [InlineData("ARCH", null, 6)]
    [InlineData("Redwood", null, null)]
    [InlineData("Scarred", null, null)]
    public void A_group_that_is_called_after_a_colour_or_a_shape_has_it(string name, int? colour, int? shape)
    {
        var usual = GroupSign.Of(5, "");
        Assert.Equal(new GroupSign(colour ?? usual.Colour, shape ?? usual.Shape), GroupSign.Of(5, name));
    }

    [Fact]
    public void Whatever_a_group_is_called_it_has_a_sign() =>
        Gen.Int.Select(Gen.String).Sample(g => Assert.True(GroupSign.Of(g.Item1, g.Item2) is { Colour: >= 0 and < GroupSign.Kinds, Shape: >= 0 and < GroupSign.Kinds } sign && sign.Fill.Length == 7 && sign.Path.Length > 0));
}
