using Yardang.Core.Geometry;
using Yardang.Core.Marks;
using Yardang.Core.Shapes;
using static Yardang.Core.Tests.Shapes.ShapeVectors;

namespace Yardang.Core.Tests.Shapes;

public class ShapeTests
{
    [Fact]
    public void A_3_4_5_triangle_has_its_sides_angles_perimeter_and_area()
    {
        var m = ShapeMeasures.Of(Polygon(0, 0, 4_000, 0, 0, 3_000), null);
        Assert.Equal([40.0, 50.0, 30.0], m.Sides);
        Assert.Equal(90, m.Angles[0], 6);
        Assert.Equal(180, m.Angles.Sum(), 6);
        Assert.Equal(120, m.Perimeter, 6);
        Assert.Equal(600, m.Area, 6);
    }

    [Fact]
    public void An_inner_corner_has_an_angle_of_more_than_180() =>
        Assert.Equal(360 - (2 * Math.Atan2(2_000, 3_000) * 180 / Math.PI), ShapeMeasures.Of(Polygon(0, 0, 4_000, 0, 4_000, 4_000, 2_000, 1_000, 0, 4_000), null).Angles[3], 6);

    [Fact]
    public void A_circle_has_its_perimeter_and_area()
    {
        var m = ShapeMeasures.Of(new ShapeBody(ShapeKind.Ellipse, [0, 0, 2_000, 2_000]), null);
        Assert.Equal(2 * Math.PI * 10, m.Perimeter, 9);
        Assert.Equal(Math.PI * 100, m.Area, 9);
    }

    [Fact]
    public void Half_a_circle_is_as_long_as_half_its_perimeter() =>
        Assert.Equal(Math.PI * 20, ShapeMeasures.Of(new ShapeBody(ShapeKind.Arc, [0, 2_000, 2_000, 0, 4_000, 2_000]), null).Perimeter, 9);

    [Fact]
    public void The_way_of_an_arc_leads_over_its_middle_point()
    {
        var shortWay = ArcCircle.Through(new(1, 0), new(Math.Cos(0.3), Math.Sin(0.3)), new(0, 1))!.Value;
        var longWay = ArcCircle.Through(new(1, 0), new(-1, 0), new(0, 1))!.Value;
        Assert.Equal(Math.PI / 2, shortWay.Sweep, 9);
        Assert.Equal(-1.5 * Math.PI, longWay.Sweep, 9);
    }

    [Theory]
    [InlineData(Figure.RightTriangle, 0, 0, 4_000, 0, 0, 3_000)]
    [InlineData(Figure.ScaleneTriangle, 0, 0, 5_000, 300, 1_200, 3_100)]
    [InlineData(Figure.IsoscelesTriangle, 0, 0, 4_000, 0, 2_000, 5_000)]
    [InlineData(Figure.Square, 0, 0, 3_000, 0, 3_000, 3_000, 0, 3_000)]
    [InlineData(Figure.Rectangle, 0, 0, 5_000, 0, 5_000, 3_000, 0, 3_000)]
    [InlineData(Figure.Rhombus, 2_000, 0, 4_000, 1_500, 2_000, 3_000, 0, 1_500)]
    [InlineData(Figure.Parallelogram, 1_000, 0, 5_000, 0, 4_000, 2_000, 0, 2_000)]
    [InlineData(Figure.Trapezium, 1_000, 0, 3_000, 0, 4_000, 2_000, 0, 2_000)]
    [InlineData(Figure.Kite, 2_000, 0, 3_000, 1_200, 2_000, 4_000, 1_000, 1_200)]
    [InlineData(Figure.Quadrilateral, 0, 0, 4_000, 200, 3_000, 2_900, 900, 2_000)]
    public void A_shape_is_named_by_its_measures(Figure figure, params int[] points) => Assert.Equal(figure, Figures.Of(Polygon(points), null));

    [Fact]
    public void A_square_made_wider_is_a_rectangle() =>
        Assert.Equal(Figure.Rectangle, Figures.Of(Polygon(0, 0, 3_000, 0, 3_000, 3_000, 0, 3_000), new Scale(1_500, 1_000)));

    [Theory]
    [InlineData(5)]
    [InlineData(6)]
    [InlineData(10)]
    public void A_regular_polygon_is_regular(int corners) => Assert.Equal(Figure.RegularPolygon, Figures.Of(Regular(corners), null));

    [Fact]
    public void Turning_and_moving_change_no_measure()
    {
        foreach (var (shape, place, scale) in All())
        {
            var mark = new Mark(1, 1, 2, ByStaff: false, Grip.Own, 1, shape, default, place, [], Erased: false, scale);
            if (shape.Shape != ShapeKind.Polygon) continue;
            var turned = Polygon([.. Spot.All(shape.Points).Select(c => MarkGeometry.OnPage(mark, c)).SelectMany(c => new[] { (int)Math.Round(c.X), (int)Math.Round(c.Y) })]);
            Assert.Equal(ShapeMeasures.Of(shape, scale).Perimeter, ShapeMeasures.Of(turned, null).Perimeter, 0.2);
            Assert.Equal(Figures.Of(shape, scale), Figures.Of(turned, null));
        }
    }
}
