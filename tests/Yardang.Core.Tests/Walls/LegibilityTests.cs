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
    public void On_a_page_the_type_is_as_large_as_on_the_screen_that_it_fills()
    {
        // Across, a sheet A4 is 297 mm by 210 mm: on a screen 16:9 its height fills it. Very wide ones fill it with their width.
        Assert.Equal(21_000 * 0.064, Legibility.TypeOn(new(29_700, 21_000)), 6);
        Assert.Equal(29_700 * 0.064, Legibility.TypeOn(new(21_000, 29_700)), 6);
        Assert.Equal(40_000 / (16 / 9.0) * 0.064, Legibility.TypeOn(new(40_000, 10_000)), 6);
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
