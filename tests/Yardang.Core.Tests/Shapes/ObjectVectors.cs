using Yardang.Core.Geometry;
using Yardang.Core.Marks;
using Yardang.Core.Pages;
using Yardang.Core.Tests.Boards;
using Yardang.Core.Tests.Walls;

namespace Yardang.Core.Tests.Shapes;

/// <summary>One body of each kind that is neither ink, words on the page nor a plain shape.</summary>
internal static class ObjectVectors
{
    public static IEnumerable<MarkBody> Bodies()
    {
        yield return new BubbleBody(100, 200, 5_200, 3_000, BoardScript.Say("I push back"), -300, 5_000);
        yield return new PictureBody(1, 2, 300, 400, new string('a', 64), "The old footbridge");
        yield return new PictureBody(1, 2, 300, 400, new string('b', 64), "Page 3", "Load and deflection");
        yield return new ShownBody(100, 200, 8_000, 2_717, Shown.Voice);
        yield return new ShownBody(100, 200, 8_000, 5_000, Shown.Film);
        yield return new FormulaBody(0, 0, 900, 400, @"\frac{F}{A}", "M0 0L10 0Q5 5 0 0Z");
        yield return new StampBody(10, 20, 1_800, 1_800, "strong");
        yield return new ConnectorBody(7, 8, [0, 0, 900, 900], BoardScript.Say("pushes"));
        yield return new ConnectorBody(7, 8, [0, 0, 900, 900], null);
        yield return Zone(ShapeKind.Ellipse, ZoneRule.Half, 0, 0, 4_000, 3_000);
        yield return new AnswerFieldBody(100, 200, 9_000, 1_800, Texts.In("en", "What pushes back?").With("es", "¿Qué empuja?"));
        yield return Zone(ShapeKind.Polygon, ZoneRule.Whole, 0, 0, 4_000, 0, 2_000, 3_000) with { Expected = new Expectation([7, 8], ["arch", "beam"], 1, null) };
    }

    public static IEnumerable<Box> Boxes()
    {
        yield return new(0, 0, 1_000, 600);
        yield return new(3_000, 200, 500, 2_000);
        yield return new(-4_000, -3_501, 333, 77);
        yield return new(400, 300, 1_000, 1_000);
        yield return new(0, 9_000, 0, 0);
    }

    public static ZoneBody Zone(ShapeKind shape, ZoneRule rule, params int[] points) => new(shape, [.. points], Texts.In("en", "our bank"), rule);
}
