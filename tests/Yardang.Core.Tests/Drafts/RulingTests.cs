using Yardang.Core.Pages;


namespace Yardang.Core.Tests.Drafts;

public class RulingTests
{
    private static readonly PageSize s_page = PageSize.A4Wide;

    public static TheoryData<PaperKind> Kinds => [.. Enum.GetValues<PaperKind>()];

    [Theory]
    [MemberData(nameof(Kinds))]
    public void Nothing_is_ruled_outside_the_page(PaperKind kind)
    {
        for (var seed = 0; seed < 40; seed++)
        {
            var random = new Random(seed);
            var size = new PageSize(random.Next(5_000, 60_000), random.Next(5_000, 60_000));
            var from = random.Next(-20_000, 20_000);
            var axis = new Axis(from, from + random.Next(1_000, 50_000), random.Next(500, 5_000));
            var paper = new Paper(kind, random.Next(2) == 0 ? 0 : random.Next(200, 5_000), axis, axis, random.Next(0, 60), random.Next(0, 60));
            if (!paper.IsValid) continue;
            var ruling = Ruling.Of(paper, size);
            foreach (var flat in new[] { ruling.Lines, ruling.Strong, ruling.Dots })
            {
                for (var i = 0; i < flat.Length; i += 2)
                {
                    Assert.InRange(flat[i], 0, size.Width);
                    Assert.InRange(flat[i + 1], 0, size.Height);
                }
            }
        }
    }

    [Fact]
    public void Plain_paper_has_no_ruling() => Assert.Equal((0, 0, 0), Ruling.Of(Paper.Plain, s_page) is var r ? (r.Lines.Length, r.Strong.Length, r.Dots.Length) : default);

    [Fact]
    public void The_axes_of_a_plane_cross_at_zero_and_zero_has_no_number()
    {
        var ruling = Ruling.Of(new Paper(PaperKind.CoordinatePlane, 0, new Axis(-5_000, 5_000, 1_000), new Axis(-5_000, 5_000, 1_000)), s_page);
        Assert.Equal(8, ruling.Strong.Length);
        Assert.Equal(s_page.Width / 2, ruling.Strong[0]);
        Assert.Equal(s_page.Height / 2, ruling.Strong[5]);
        Assert.DoesNotContain(ruling.Labels, l => l.Text == "0");
        Assert.Equal(20, ruling.Labels.Length);
    }

    [Fact]
    public void A_unit_is_as_long_up_as_across()
    {
        var ruling = Ruling.Of(new Paper(PaperKind.CoordinatePlane, 0, new Axis(0, 20_000, 1_000), new Axis(0, 5_000, 1_000)), s_page);
        int X(string n) => ruling.Labels.First(l => l.Text == n && l.Y == ruling.Labels.Max(m => m.Y)).X;
        var rows = ruling.Labels.Where(l => l.X == ruling.Labels.Min(m => m.X)).Select(l => l.Y).Order().ToList();
        Assert.InRange(Math.Abs(X("2") - X("1") - (rows[1] - rows[0])), 0, 1);
    }

    [Fact]
    public void A_number_line_in_quarters_says_quarters()
    {
        var ruling = Ruling.Of(new Paper(PaperKind.NumberLine, 0, new Axis(0, 1_000, 250)), s_page);
        Assert.Equal(["0", "0.25", "0.5", "0.75", "1"], ruling.Labels.Select(l => l.Text));
    }

    [Fact]
    public void A_table_of_seven_by_two_has_eight_upright_lines_and_three_lying_ones()
    {
        var ruling = Ruling.Of(new Paper(PaperKind.Table, Columns: 7, Rows: 2), s_page);
        var upright = Enumerable.Range(0, ruling.Strong.Length / 4).Count(i => ruling.Strong[4 * i] == ruling.Strong[(4 * i) + 2]);
        Assert.Equal((8, 3), (upright, (ruling.Strong.Length / 4) - upright));
    }
}
