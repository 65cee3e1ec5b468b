using Yardang.Core.Activities;

namespace Yardang.Core.Tests.Drafts;

public class OutlineTests
{
    [Fact]
    public void Marked_headings_become_pages_with_what_stands_under_them()
    {
        var pages = Outline.Read("# First ideas\nDraw a bridge.\nName its parts.\n\n## Measure\n\nMeasure each side.");
        Assert.Equal([new("First ideas", "Draw a bridge.\nName its parts."), new OutlinePage("Measure", "Measure each side.")], pages);
    }

    [Fact]
    public void Without_marks_short_lines_after_a_gap_are_headings_and_sentences_are_not()
    {
        var pages = Outline.Read("First ideas\r\nDraw a bridge.\r\n\r\nThis is a sentence.\r\n\r\nMeasure\r\nMeasure each side.");
        Assert.Equal(["First ideas", "Measure"], pages.Select(p => p.Title));
        Assert.Contains("This is a sentence.", pages[0].Directions, StringComparison.Ordinal);
    }

    [Fact]
    public void What_stands_before_the_first_heading_is_kept() =>
        Assert.Equal([new("", "For 7 Amber"), new OutlinePage("Build it", "")], Outline.Read("For 7 Amber\n# Build it"));

    [Theory]
    [InlineData("")]
    [InlineData(" \n \n")]
    [InlineData("#\n##")]
    public void Nothing_gives_no_pages_or_no_empty_titles(string text) => Assert.DoesNotContain(Outline.Read(text), p => p.Title.Length == 0 && p.Directions.Length == 0);

    [Fact]
    public void There_are_never_more_than_the_most_pages() =>
        Assert.Equal(Outline.MostPages, Outline.Read(string.Join('\n', Enumerable.Range(0, 200).Select(i => $"# Page {i}"))).Count);
}
