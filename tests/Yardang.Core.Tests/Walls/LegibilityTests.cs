using Yardang.Core.Pages;
using Yardang.Core.Walls;

namespace Yardang.Core.Tests.Walls;

/// <summary>What is read from the last row.</summary>
public class LegibilityTests
{
    [Fact]
    public void Letters_are_as_large_as_the_rule_asks_for_and_so_many_stand_in_a_line()
    {
        // 8 m, divided by 200, is 40 mm: 3.2 % of a screen 1.25 m high, and half of the size of the type.
        Assert.Equal(0.064, Legibility.TypeSize, 6);
        Assert.Equal(50, Legibility.LettersInLine);
    }

    [Fact]
    public void A_question_is_read_in_three_lines_and_a_heading_in_one_in_every_language()
    {
        var question = Texts.In("en", new string('a', 150));
        Assert.True(Legibility.IsRead(question));
        Assert.False(Legibility.IsRead(Texts.In("en", new string('a', 151))));
        Assert.False(Legibility.IsRead(Texts.In("en", "Why?").With("es", new string('a', 151))));
        Assert.False(Legibility.IsRead(Texts.In("en", "a\nb\nc\nd")));
        Assert.True(Legibility.IsRead(Texts.None));
        Assert.True(Legibility.IsHeadingRead(Texts.In("en", new string('a', 50))));
        Assert.False(Legibility.IsHeadingRead(Texts.In("en", new string('a', 51))));
    }
}
