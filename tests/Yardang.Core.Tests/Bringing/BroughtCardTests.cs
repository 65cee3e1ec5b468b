using System.Collections.Immutable;
using Yardang.Core.Attachments;
using Yardang.Core.Bringing;
using Yardang.Core.Ink;
using Yardang.Core.Marks;
using Yardang.Core.Styles;
using Yardang.Core.Walls;

namespace Yardang.Core.Tests.Bringing;

/// <summary>What stands on a board becomes a card.</summary>
public class BroughtCardTests
{
    private static readonly string s_picture = new('a', 64);

    [Fact]
    public void Words_are_read_from_the_top_and_from_the_left()
    {
        var card = Brought(Note(3, 9_000, 100, "and the piers"), Note(1, 100, 4_000, "to the ground"), Note(2, 100, 100, "The deck carries"))!;
        Assert.Equal("The deck carries\nand the piers\nto the ground", card.Text);
        Assert.Empty(card.Attachments);
    }

    [Fact]
    public void All_ink_becomes_one_drawing_as_it_stands_without_what_was_rubbed_out()
    {
        var moved = Ink(1, [new(0, 0, 128, 0), new(1_000, 0, 128, 40)]) with { Place = new(500, 2_000, 0) };
        var cut = Ink(2, [new(0, 0, 128, 0), new(1_000, 0, 128, 40)]) with { Cuts = [400, 600] };
        var drawing = Assert.IsType<DrawingAttachment>(Assert.Single(Brought(moved, cut)!.Attachments));
        Assert.Equal(3, drawing.Strokes.Length);
        Assert.True(drawing.IsValid());

        // As it lay to one another: the moved one 20 mm below the other and 5 mm to the right, as large as it was.
        var (upper, lower) = (drawing.Strokes.MinBy(s => s.Points[0].Y)!, drawing.Strokes.MaxBy(s => s.Points[0].Y)!);
        Assert.Equal(2_000, lower.Points[0].Y - upper.Points[0].Y);
        Assert.Equal(1_000, lower.Points[^1].X - lower.Points[0].X);
        Assert.All(drawing.Strokes.SelectMany(s => s.Points), p => Assert.Equal(0, p.Ms));
    }

    [Theory]
    [InlineData(1)]
    [InlineData(2)]
    [InlineData(3)]
    [InlineData(4)]
    [InlineData(5)]
    public void A_drawing_of_any_size_turned_or_made_larger_fits_its_sheet(int seed)
    {
        var random = new Random(seed);
        var marks = Enumerable.Range(1, 12).Select(id => Ink(id, [.. Enumerable.Range(0, random.Next(1, 30)).Select(i => new InkPoint(random.Next(-20_000, 60_000), random.Next(-20_000, 60_000), 128, i))]) with
        {
            Place = new(random.Next(-5_000, 5_000), random.Next(-5_000, 5_000), random.Next(36_000)),
            Scale = random.Next(2) == 0 ? null : new Scale(random.Next(100, 4_000), random.Next(100, 4_000)),
        });
        var card = Brought([.. marks])!;
        Assert.True(Card.CanSay(card.Text, card.Attachments));
    }

    [Fact]
    public void Pictures_and_formulas_are_shown_and_what_is_not_there_any_more_is_not()
    {
        Mark[] marks = [Made(1, new PictureBody(0, 0, 4_000, 3_000, s_picture, "an arch")), Made(2, new PictureBody(0, 0, 4_000, 3_000, new('b', 64), "gone")), Made(3, new FormulaBody(0, 0, 900, 300, "F=ma", "M0 0Z"))];
        var card = Brought(marks)!;
        Assert.Equal([new PictureAttachment(s_picture, 640, 480, "an arch"), new FormulaAttachment(900, 300, "F=ma", "M0 0Z")], card.Attachments);
        Assert.Equal("", card.Text);
    }

    [Fact]
    public void What_says_and_shows_nothing_is_no_card()
    {
        Assert.Null(Brought());
        Assert.Null(Brought(Note(1, 0, 0, "  ")));
        Assert.Null(Brought(Note(1, 0, 0, "rubbed out") with { Erased = true }));
    }

    private static BroughtCard? Brought(params Mark[] marks) => BroughtCard.Of(marks, name => string.Equals(name, s_picture, StringComparison.Ordinal) ? (640, 480) : null);

    private static Mark Note(long id, int x, int y, string text) => Made(id, new NoteBody(x, y, 3_000, 3_000, new Words(text, "en", [text], 700)));

    private static Mark Ink(long id, ImmutableArray<InkPoint> points) => Made(id, new InkBody(points), new Style(1, 60));

    private static Mark Made(long id, MarkBody body, Style style = default) => new(id, 1, 2, false, Grip.Own, id, body, style, Place.AsDrawn, [], false);
}
