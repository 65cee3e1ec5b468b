using Yardang.Core.Geometry;
using Yardang.Core.Marks;
using Yardang.Core.Pages;
using Yardang.Core.Shapes;
using Yardang.Core.Styles;
using Yardang.Core.Tests.Boards;

namespace Yardang.Core.Tests.Shapes;

public class ZoningTests
{
    private static readonly Mark s_square = Zone(1, ZoneRule.Centre, ShapeKind.Polygon, 0, 0, 10_000, 0, 10_000, 10_000, 0, 10_000);

    [Fact]
    public void A_mark_is_in_a_zone_when_its_middle_is_or_half_of_it_or_all_of_it()
    {
        var leaning = Note(-2_000, 4_000, 5_000, 2_000);
        var over = Note(-3_000, 4_000, 5_000, 2_000);
        Assert.True(Zoning.IsIn(leaning, s_square));
        Assert.True(Zoning.IsIn(leaning, By(ZoneRule.Half)));
        Assert.False(Zoning.IsIn(leaning, By(ZoneRule.Whole)));
        Assert.False(Zoning.IsIn(over, s_square));
        Assert.False(Zoning.IsIn(over, By(ZoneRule.Half)));
        Assert.True(Zoning.IsIn(Note(0, 0, 5_000, 2_000), By(ZoneRule.Whole)));
    }

    [Fact]
    public void A_mark_where_two_circles_overlap_is_in_both()
    {
        var left = Zone(1, ZoneRule.Centre, ShapeKind.Ellipse, 0, 0, 10_000, 10_000);
        var right = Zone(2, ZoneRule.Centre, ShapeKind.Ellipse, 6_000, 0, 16_000, 10_000);
        Assert.Equal([1L, 2L], Zoning.ZonesOf(Note(7_500, 4_500, 1_000, 1_000), [left, right]).Select(z => z.Id));
        Assert.Equal([1L], Zoning.ZonesOf(Note(2_000, 4_500, 1_000, 1_000), [left, right]).Select(z => z.Id));
        Assert.Empty(Zoning.ZonesOf(Note(7_500, 100, 1_000, 500), [left, right]));
    }

    [Fact]
    public void A_bay_of_a_zone_is_outside()
    {
        var horseshoe = Zone(1, ZoneRule.Centre, ShapeKind.Polygon, 0, 0, 9_000, 0, 9_000, 9_000, 6_000, 9_000, 6_000, 3_000, 3_000, 3_000, 3_000, 9_000, 0, 9_000);
        Assert.False(Zoning.IsIn(Note(4_000, 6_000, 1_000, 1_000), horseshoe));
        Assert.True(Zoning.IsIn(Note(500, 6_000, 1_000, 1_000), horseshoe));

        // Over the bay: of 9 000 by 1 000, 6 000 by 1 000 is inside.
        Assert.True(Zoning.IsIn(Note(0, 5_000, 9_000, 1_000), With(horseshoe, ZoneRule.Half)));
        Assert.False(Zoning.IsIn(Note(2_500, 5_000, 4_000, 1_000), With(horseshoe, ZoneRule.Half)));
    }

    [Fact]
    public void Zones_connectors_and_marks_of_other_pages_are_in_no_zone()
    {
        Assert.Empty(Zoning.ZonesOf(Zone(2, ZoneRule.Centre, ShapeKind.Ellipse, 1_000, 1_000, 2_000, 2_000), [s_square]));
        Assert.Empty(Zoning.ZonesOf(Note(1_000, 1_000, 500, 500) with { Page = 2 }, [s_square]));
        Assert.Empty(Zoning.ZonesOf(Note(1_000, 1_000, 500, 500), [s_square with { Erased = true }]));
    }

    [Fact]
    public void What_is_whole_in_a_zone_is_half_in_it_and_moving_turning_and_growing_both_together_changes_nothing()
    {
        for (var seed = 1; seed <= 500; seed++)
        {
            var random = new Random(seed);
            var round = random.Next(2) == 0;
            int x = random.Next(8_000), y = random.Next(8_000), w = 500 + random.Next(8_000), h = 500 + random.Next(8_000);
            var zone = round
                ? Zone(1, ZoneRule.Centre, ShapeKind.Ellipse, x, y, x + w, y + h)
                : Zone(1, ZoneRule.Centre, ShapeKind.Polygon, x, y, x + w, y + 200, x + (w / 2), y + (h / 3), x + w, y + h, x, y + h);
            var mark = Note(random.Next(12_000), random.Next(12_000), 200 + random.Next(4_000), 200 + random.Next(4_000), new Place(0, 0, random.Next(36_000)));
            if (Zoning.IsIn(mark, With(zone, ZoneRule.Whole))) Assert.True(Zoning.IsIn(mark, With(zone, ZoneRule.Half)), $"seed {seed}");

            var (dx, dy) = (random.Next(-5_000, 5_000), random.Next(-5_000, 5_000));
            foreach (var rule in Enum.GetValues<ZoneRule>())
            {
                var before = Zoning.IsIn(mark, With(zone, rule));
                var after = Zoning.IsIn(mark with { Place = new Place(dx, dy, mark.Place.Turn) }, With(zone, rule) with { Place = new Place(dx, dy, 0) });
                Assert.True(before == after, $"seed {seed}, {rule}");
            }
        }
    }

    [Fact]
    public void The_share_inside_is_that_which_a_fine_grid_counts()
    {
        for (var seed = 1; seed <= 60; seed++)
        {
            var random = new Random(seed);
            int x = random.Next(4_000), y = random.Next(4_000), w = 2_000 + random.Next(6_000), h = 2_000 + random.Next(6_000);
            var zone = Zone(1, ZoneRule.Half, ShapeKind.Polygon, x, y, x + w, y, x + w, y + h, x + (w / 2), y + (h / 4), x, y + h);
            var mark = Note(random.Next(6_000), random.Next(6_000), 1_000 + random.Next(4_000), 1_000 + random.Next(4_000), new Place(0, 0, random.Next(36_000)));
            var share = CountedShare(mark, zone);
            if (Math.Abs(share - 0.5) > 0.02) Assert.True(share > 0.5 == Zoning.IsIn(mark, zone), $"seed {seed}: {share}");
        }
    }

    // 60 by 60 small parts of the mark, each in or out by its middle.
    private static double CountedShare(Mark mark, Mark zone)
    {
        const int n = 60;
        var box = mark.Body.Box();
        var inside = 0;
        for (var i = 0; i < n * n; i++)
        {
            var spot = MarkGeometry.OnPage(mark, new(box.X + (box.Width * ((i % n) + 0.5) / n), box.Y + (box.Height * ((i / n) + 0.5) / n)));
            var crumb = Note((int)spot.X, (int)spot.Y, 1, 1);
            if (Zoning.IsIn(crumb, With(zone, ZoneRule.Centre))) inside++;
        }

        return inside / (double)(n * n);
    }

    private static Mark By(ZoneRule rule) => With(s_square, rule);

    private static Mark With(Mark zone, ZoneRule rule) => zone with { Body = (ZoneBody)zone.Body with { Rule = rule } };

    private static Mark Zone(long id, ZoneRule rule, ShapeKind shape, params int[] points) => MarkOf(id, ObjectVectors.Zone(shape, rule, points), Place.AsDrawn);

    private static Mark Note(int x, int y, int width, int height, Place place = default) => MarkOf(100, new NoteBody(x, y, width, height, BoardScript.Say("pier")), place);

    private static Mark MarkOf(long id, MarkBody body, Place place) => new(id, 1, 1, ByStaff: true, Grip.Printed, 1, body, new Style(0, 0, 1), place, [], Erased: false);
}
