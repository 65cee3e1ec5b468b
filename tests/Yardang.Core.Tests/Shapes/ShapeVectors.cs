using System.Collections.Immutable;
using Yardang.Core.Marks;

namespace Yardang.Core.Tests.Shapes;

/// <summary>Shapes of each kind, as drawn, turned and scaled.</summary>
internal static class ShapeVectors
{
    public static IEnumerable<(ShapeBody Shape, Place Place, Scale? Scale)> All()
    {
        ShapeBody[] shapes =
        [
            new(ShapeKind.Line, [1_000, 1_000, 4_000, 5_000]),
            new(ShapeKind.Line, [0, 0, 1_000, 0, 1_000, 1_000, 3_000, 1_500]),
            Polygon(0, 0, 4_000, 0, 0, 3_000),
            Polygon(0, 0, 5_000, 300, 1_200, 3_100),
            Polygon(0, 0, 4_000, 0, 2_000, 5_000),
            Regular(3),
            Polygon(0, 0, 3_000, 0, 3_000, 3_000, 0, 3_000),
            Polygon(0, 0, 5_000, 0, 5_000, 3_000, 0, 3_000),
            Polygon(2_000, 0, 4_000, 1_500, 2_000, 3_000, 0, 1_500),
            Polygon(1_000, 0, 5_000, 0, 4_000, 2_000, 0, 2_000),
            Polygon(1_000, 0, 3_000, 0, 4_000, 2_000, 0, 2_000),
            Polygon(2_000, 0, 3_000, 1_200, 2_000, 4_000, 1_000, 1_200),
            Polygon(0, 0, 4_000, 200, 3_000, 2_900, 900, 2_000),
            Regular(5),
            Regular(8),
            Polygon(0, 0, 4_000, 0, 4_000, 4_000, 2_000, 1_000, 0, 4_000),
            new(ShapeKind.Ellipse, [1_000, 1_000, 4_000, 4_000]),
            new(ShapeKind.Ellipse, [5_000, 4_000, 1_000, 1_000]),
            new(ShapeKind.Arc, [0, 2_000, 2_000, 0, 4_000, 2_000]),
            new(ShapeKind.Arc, [4_000, 2_000, 2_000, 0, 500, 3_900]),
            new(ShapeKind.Arc, [0, 0, 1_000, 1_000, 3_000, 3_000]),
        ];
        foreach (var shape in shapes)
        {
            yield return (shape, Place.AsDrawn, null);
            yield return (shape, new Place(700, -300, 3_725), new Scale(1_500, 800));
        }
    }

    public static ShapeBody Polygon(params int[] points) => new(ShapeKind.Polygon, [.. points]);

    public static ShapeBody Regular(int corners, int radius = 3_000) => Polygon(
        [.. Enumerable.Range(0, corners).SelectMany(i => new[] { (int)Math.Round(radius * Math.Sin(i * 2 * Math.PI / corners)), (int)Math.Round(-radius * Math.Cos(i * 2 * Math.PI / corners)) })]);
}
