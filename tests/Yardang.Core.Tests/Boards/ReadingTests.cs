using CsCheck;
using Yardang.Core.Marks;

namespace Yardang.Core.Tests.Boards;

public class ReadingTests
{
    // As it stands on paper: the parts from left to right, those read from right to left with their letters turned round.
    private static string OnPaper(string line)
    {
        var rightToLeft = Reading.IsRightToLeft(line);
        return string.Concat(Reading.Runs(line, rightToLeft).Select(r => r.RightToLeft
            ? new string([.. line.Substring(r.Start, r.Length).Reverse()])
            : line.Substring(r.Start, r.Length)));
    }

    [Theory]
    [InlineData("The bridge", false)]
    [InlineData("12 الجسر", true)]
    [InlineData("«גשר» is a bridge", true)]
    [InlineData("1 + 2", false)]
    [InlineData("", false)]
    public void The_first_letter_says_in_which_direction_a_text_is_read(string text, bool rightToLeft) =>
        Assert.Equal(rightToLeft, Reading.IsRightToLeft(text));

    [Theory]
    [InlineData("The word גשר means bridge", "The word רשג means bridge")]
    [InlineData("גשר means bridge", "means bridge רשג")]
    [InlineData("גשר ארוך 12.5 מטר", "רטמ 12.5 ךורא רשג")]
    [InlineData("גשר 50% ארוך", "ךורא 50% רשג")]
    [InlineData("a 12 גשר 7 b", "a 12 7 רשג b")]
    public void Numbers_and_foreign_words_keep_their_own_direction(string line, string onPaper) => Assert.Equal(onPaper, OnPaper(line));

    [Fact]
    public void Every_letter_stands_on_paper_exactly_once() =>
        Gen.String[Gen.OneOf(Gen.Char['a', 'c'], Gen.Char['א', 'ג'], Gen.Char['0', '9'], Gen.Char[" .,%("]), 0, 30].Select(Gen.Bool).Sample((line, rightToLeft) =>
        {
            var places = Reading.Runs(line, rightToLeft).SelectMany(r => Enumerable.Range(r.Start, r.Length));
            Assert.Equal(Enumerable.Range(0, line.Length), places.Order());
        });
}
