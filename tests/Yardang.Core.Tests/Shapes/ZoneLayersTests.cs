using System.Collections.Immutable;
using Yardang.Core.Marks;
using Yardang.Core.Pages;
using Yardang.Core.Shapes;
using Yardang.Core.Styles;

namespace Yardang.Core.Tests.Shapes;

/// <summary>A zone never covers what is in it.</summary>
public class ZoneLayersTests
{
    [Fact]
    public void What_was_there_before_a_zone_lies_over_it_all_the_same() =>
        Assert.Equal([2, 1, 3], Laid(Note(1, 1_000, 1_000), Zone(2, 0, 0, 9_000, 9_000), Note(3, 2_000, 2_000)));

    [Fact]
    public void A_zone_that_is_put_on_a_picture_or_a_figure_is_seen_on_it()
    {
        Assert.Equal([1, 3, 2], Laid(Figure(1, 0, 0, 9_000, 9_000), Note(2, 1_000, 1_000), Zone(3, 500, 500, 4_000, 4_000)));

        // What is smaller than the zone, or came later, is in it.
        Assert.Equal([2, 1], Laid(Figure(1, 1_000, 1_000, 500, 500), Zone(2, 0, 0, 9_000, 9_000)));
        Assert.Equal([1, 2], Laid(Zone(1, 1_000, 1_000, 500, 500), Figure(2, 0, 0, 9_000, 9_000)));
    }

    [Fact]
    public void A_zone_within_a_zone_lies_over_it_whichever_came_first()
    {
        Assert.Equal([2, 1], Laid(Zone(1, 1_000, 1_000, 500, 500), Zone(2, 0, 0, 9_000, 9_000)));
        Assert.Equal([1, 2], Laid(Zone(1, 0, 0, 9_000, 9_000), Zone(2, 1_000, 1_000, 500, 500)));
    }

    [Theory]
    [MemberData(nameof(Seeds))]
    public void Everything_but_the_zones_keeps_its_order_and_nothing_is_lost(int seed)
    {
        var random = new Random(seed);
        var marks = Enumerable.Range(1, 30).Select(id => random.Next(3) switch
        {
            0 => Zone(id, random.Next(9) * 1_000, random.Next(9) * 1_000, random.Next(1, 9) * 1_000, random.Next(1, 9) * 1_000),
            1 => Figure(id, random.Next(9) * 1_000, random.Next(9) * 1_000, random.Next(1, 9) * 1_000, random.Next(1, 9) * 1_000),
            _ => Note(id, random.Next(9) * 1_000, random.Next(9) * 1_000),
        }).ToArray();
        var laid = ZoneLayers.Lay(marks).ToList();
        Assert.Equal(marks.Where(m => m.Body is not ZoneBody).Select(m => m.Id), laid.Where(m => m.Body is not ZoneBody).Select(m => m.Id));
        Assert.Equal(marks.Select(m => m.Id).Order(), laid.Select(m => m.Id).Order());
        Assert.DoesNotContain(laid.Index(), z => z.Item.Body is ZoneBody && laid.Take(z.Index).Any(m => m.Body is NoteBody or TextBody) && !laid.Take(z.Index).Any(m => m.Body is ShapeBody));
    }

    public static TheoryData<int> Seeds() => [.. Enumerable.Range(1, 30)];

    private static IEnumerable<long> Laid(params Mark[] marks) => ZoneLayers.Lay(marks).Select(m => m.Id);

    private static Mark Zone(long id, int x, int y, int width, int height) => Printed(id, new ZoneBody(ShapeKind.Polygon, Round(x, y, width, height), Texts.None));

    private static Mark Figure(long id, int x, int y, int width, int height) => Printed(id, new ShapeBody(ShapeKind.Polygon, Round(x, y, width, height)));

    private static Mark Note(long id, int x, int y) => Printed(id, new NoteBody(x, y, 500, 500, new Words("Span", "en", ["Span"], 300)));

    private static ImmutableArray<int> Round(int x, int y, int width, int height) => [x, y, x + width, y, x + width, y + height, x, y + height];

    private static Mark Printed(long id, MarkBody body) => new(id, 1, 1, ByStaff: true, Grip.Printed, id, body, new Style(0, 60), Place.AsDrawn, [], Erased: false);
}
