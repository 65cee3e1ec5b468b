using System.Text;
using Yardang.Core.Ink;
using Yardang.Core.Interchange;
using Yardang.Core.Marks;
using Yardang.Core.Styles;

namespace Yardang.Core.Tests.Interchange;

public class InkMlTests
{
    [Fact]
    public void Ink_that_goes_out_comes_back_point_for_point()
    {
        var points = new[] { new InkPoint(100, 250, 128, 0), new InkPoint(1_234, -56, 255, 17), new InkPoint(2_000, 900, 3, 40) };
        var stroke = Assert.Single(Read(InkMl.Write([Ink([.. points])])));
        Assert.Equal(points, stroke.Points);
        Assert.Equal(Palette.Ink[1], stroke.Rgb);
        Assert.Equal(80, stroke.Width);
    }

    [Fact]
    public void What_goes_out_is_what_stands_on_the_page()
    {
        var line = Ink([new InkPoint(0, 0, 128, 0), new InkPoint(1_000, 0, 128, 10)]) with { Place = new Place(500, 700, 18_000), Cuts = [400, 600] };
        var parts = Read(InkMl.Write([line]));
        Assert.Equal(2, parts.Count);
        Assert.Equal((1_500, 700), (parts[0].Points[0].X, parts[0].Points[0].Y));
        Assert.Equal((500, 700), (parts[1].Points[^1].X, parts[1].Points[^1].Y));
    }

    [Fact]
    public void Differences_and_other_units_are_understood()
    {
        const string file = """
            <ink xmlns="http://www.w3.org/2003/InkML"><traceFormat><channel name="Y" units="cm"/><channel name="X" units="cm"/></traceFormat>
            <trace>1 2, '1'3, 1 3, "1"0, * *</trace></ink>
            """;
        var stroke = Assert.Single(Read(Encoding.UTF8.GetBytes(file)));
        Assert.Equal([(2_000, 1_000), (5_000, 2_000), (8_000, 3_000), (11_000, 5_000), (14_000, 7_000)], stroke.Points.Select(p => (p.X, p.Y)));
    }

    [Fact]
    public void A_stroke_of_many_points_comes_in_pieces_that_meet()
    {
        var trace = string.Join(',', Enumerable.Range(0, 1_200).Select(i => $"{i} {i}"));
        var pieces = Read(Encoding.UTF8.GetBytes($"<ink xmlns=\"http://www.w3.org/2003/InkML\"><trace>{trace}</trace></ink>"));
        Assert.Equal(3, pieces.Count);
        Assert.Equal(pieces[0].Points[^1].X, pieces[1].Points[0].X);
        Assert.Equal(1_199, pieces[^1].Points[^1].X);
    }

    [Theory]
    [InlineData("no ink at all")]
    [InlineData("<svg xmlns=\"http://www.w3.org/2000/svg\"/>")]
    [InlineData("<ink xmlns=\"http://www.w3.org/2003/InkML\"><trace>1 2, three 4</trace></ink>")]
    [InlineData("<ink xmlns=\"http://www.w3.org/2003/InkML\"><trace>1 2, 3</trace></ink>")]
    [InlineData("<!DOCTYPE x [<!ENTITY e \"eee\">]><ink xmlns=\"http://www.w3.org/2003/InkML\"><trace>&e;</trace></ink>")]
    [InlineData("<ink xmlns=\"http://www.w3.org/2003/InkML\"><trace>1 2</tra")]
    public void What_is_no_ink_is_refused_in_words(string file) => Assert.NotEmpty(Assert.Throws<FormatException>(() => Read(Encoding.UTF8.GetBytes(file))).Message);

    private static List<TracedStroke> Read(byte[] file) => [.. InkMl.Read(new MemoryStream(file))];

    private static Mark Ink(System.Collections.Immutable.ImmutableArray<InkPoint> points) =>
        new(1, 1, 2, ByStaff: false, Grip.Own, 1, new InkBody(points), new Style(1, 80), Place.AsDrawn, [], Erased: false);
}
