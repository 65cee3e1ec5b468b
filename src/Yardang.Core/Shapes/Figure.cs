using System.Collections.Immutable;
using Yardang.Core.Marks;

namespace Yardang.Core.Shapes;

/// <summary>What a shape is called in school. The interface has a word for each.</summary>
public enum Figure
{
    /// <summary>A straight line.</summary>
    Line,

    /// <summary>Several straight lines in a row.</summary>
    Polyline,

    /// <summary>No two sides equal.</summary>
    ScaleneTriangle,

    /// <summary>Two sides equal.</summary>
    IsoscelesTriangle,

    /// <summary>Three sides equal.</summary>
    EquilateralTriangle,

    /// <summary>One right angle, no two sides equal.</summary>
    RightTriangle,

    /// <summary>Four equal sides, right angles.</summary>
    Square,

    /// <summary>Right angles.</summary>
    Rectangle,

    /// <summary>Four equal sides.</summary>
    Rhombus,

    /// <summary>Opposite sides parallel.</summary>
    Parallelogram,

    /// <summary>One pair of sides parallel.</summary>
    Trapezium,

    /// <summary>Two pairs of neighbouring sides equal.</summary>
    Kite,

    /// <summary>Any other with four sides.</summary>
    Quadrilateral,

    /// <summary>All sides and angles equal, five sides or more.</summary>
    RegularPolygon,

    /// <summary>Any other polygon.</summary>
    Polygon,

    /// <summary>Equally far from its middle all round.</summary>
    Circle,

    /// <summary>A stretched circle.</summary>
    Ellipse,

    /// <summary>A part of a circle.</summary>
    Arc,
}

/// <summary>
/// Names a shape from its measures, and never from how it was drawn: a rectangle dragged to equal sides is a square. Lengths count as
/// equal within 1 %, angles within 1 degree: what the eye takes for equal on paper.
/// </summary>
public static class Figures
{
    private const double LengthSlack = 0.01;
    private const double AngleSlack = 1;

    /// <summary>The name of a shape as it stands on the page.</summary>
    public static Figure Of(ShapeBody shape, Scale? scale)
    {
        switch (shape.Shape)
        {
            case ShapeKind.Line: return shape.Points.Length == 4 ? Figure.Line : Figure.Polyline;
            case ShapeKind.Arc: return Figure.Arc;
            case ShapeKind.Ellipse:
                double width = Math.Abs(shape.Points[2] - shape.Points[0]) * (scale?.X ?? 1_000.0), height = Math.Abs(shape.Points[3] - shape.Points[1]) * (scale?.Y ?? 1_000.0);
                return Same(width, height) ? Figure.Circle : Figure.Ellipse;
        }

        var m = ShapeMeasures.Of(shape, scale);
        return m.Sides.Length switch
        {
            3 => Triangle(m),
            4 => Quadrilateral(m),
            _ => AllSame(m.Sides) && m.Angles.All(a => Near(a, m.Angles[0])) ? Figure.RegularPolygon : Figure.Polygon,
        };
    }

    private static Figure Triangle(ShapeMeasures m)
    {
        var equal = Enumerable.Range(0, 3).Count(i => Same(m.Sides[i], m.Sides[(i + 1) % 3]));
        return equal switch
        {
            3 => Figure.EquilateralTriangle,
            > 0 => Figure.IsoscelesTriangle,
            _ => m.Angles.Any(a => Near(a, 90)) ? Figure.RightTriangle : Figure.ScaleneTriangle,
        };
    }

    private static Figure Quadrilateral(ShapeMeasures m)
    {
        if (m.Angles.All(a => Near(a, 90))) return AllSame(m.Sides) ? Figure.Square : Figure.Rectangle;
        if (AllSame(m.Sides)) return Figure.Rhombus;

        // Two sides are parallel if the angles along the side between them add up to half a turn.
        bool first = Near(m.Angles[0] + m.Angles[1], 180), second = Near(m.Angles[1] + m.Angles[2], 180);
        if (first && second) return Figure.Parallelogram;
        if (first || second) return Figure.Trapezium;
        var kite = (Same(m.Sides[0], m.Sides[1]) && Same(m.Sides[2], m.Sides[3])) || (Same(m.Sides[1], m.Sides[2]) && Same(m.Sides[3], m.Sides[0]));
        return kite ? Figure.Kite : Figure.Quadrilateral;
    }

    private static bool AllSame(ImmutableArray<double> lengths) => lengths.All(l => Same(l, lengths[0]));

    private static bool Same(double a, double b) => Math.Abs(a - b) <= LengthSlack * Math.Max(a, b);

    private static bool Near(double a, double b) => Math.Abs(a - b) <= AngleSlack;
}
