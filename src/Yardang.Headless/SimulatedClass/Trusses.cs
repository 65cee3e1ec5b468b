using Yardang.Core.Lessons;
using Yardang.Core.Marks;
using Yardang.Core.Styles;

namespace Yardang.Headless.SimulatedClass;

/// <summary>"Triangles in trusses": a truss of one's own with its measures, and the four frames sorted. Some sort them wrongly.</summary>
public static class Trusses
{
    private const Looks Measured = Looks.ShowsSides | Looks.ShowsAngles;

    /// <summary>What a student does, step by step.</summary>
    /// <param name="student">Position in the roster, from 0.</param>
    public static IReadOnlyList<Doing> Of(int student)
    {
        var random = new Random(100 + student);
        var steps = Enumerable.Repeat<Doing>(new Thinks(), student % 4).ToList();
        int x = 16_000 + (100 * random.Next(6)), y = 12_000, side = 3_000 + (500 * random.Next(3)), rise = 3_000 + (500 * random.Next(4));
        if (student % 5 == 3)
        {
            // By hand, without a ruler.
            steps.AddRange(BridgeDrawing.Of(2, x, y, 2 * side, random).Select(s => new Draws(s, 0)));
        }
        else
        {
            steps.Add(Triangle(x, y, side, rise));
            steps.Add(Triangle(x + side, y, side, rise));
            steps.Add(new DrawsShape(new ShapeBody(ShapeKind.Line, [x + (side / 2), y - rise, x + side + (side / 2), y - rise]), new Style(0, 60)));
        }

        steps.Add(new Types(x, y + 500, $"{side / 1000.0:0.0} cm, {rise / 1000.0:0.0} cm"));
        if (student % 7 == 5) return [.. steps, new Signals(Signal.HandUp, true)];

        // Frames 0 (a triangle) and 1 to 3 (four sides): stiff on the left, giving way on the right.
        for (var frame = 0; frame < 4; frame++)
        {
            var isStiff = frame == 0 || (frame == 1 && student % 3 == 1);
            steps.Add(new Moves(frame, (isStiff ? 4_500 : 17_500) + (2_900 * (frame % 4)), 6_500 + random.Next(4_500)) { Page = 1 });
        }

        steps.Add(new PutsUpNote(4_000, 11_000 - random.Next(1_500), student % 3 == 1 ? "I think a square is strong too" : "Three sides fix the angles", student % 6) { Page = 1 });
        if (student % 8 == 4) steps.Add(new Signals(Signal.ReadyForALook, true));
        return steps;
    }

    private static DrawsShape Triangle(int x, int y, int side, int rise) =>
        new(new ShapeBody(ShapeKind.Polygon, [x, y, x + side, y, x + (side / 2), y - rise]), new Style(0, 60, 0, Measured));
}
