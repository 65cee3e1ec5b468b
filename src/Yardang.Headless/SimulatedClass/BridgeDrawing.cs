using System.Collections.Immutable;
using Yardang.Core.Attachments;
using Yardang.Core.Ink;
using Yardang.Core.Marks;
using Yardang.Core.Styles;

namespace Yardang.Headless.SimulatedClass;

/// <summary>Bridges as children draw them: a few strokes with an unsteady hand. The same seed draws the same bridge.</summary>
public static class BridgeDrawing
{
    private const int MillisecondsPerPoint = 14;

    /// <summary>The strokes of a bridge, in page coordinates (1/100 mm).</summary>
    /// <param name="kind">0 beam, 1 arch, 2 truss, 3 hanging.</param>
    /// <param name="x">Left end of the deck.</param>
    /// <param name="y">Height of the deck.</param>
    /// <param name="span">Length of the deck.</param>
    /// <param name="random">The hand.</param>
    public static IReadOnlyList<ImmutableArray<InkPoint>> Of(int kind, int x, int y, int span, Random random)
    {
        var deck = Line(x, y, x + span, y, random);
        return (kind % 4) switch
        {
            0 => [deck, Line(x, y + 450, x + span, y + 450, random), Line(x + (span / 4), y + 450, x + (span / 4), y + 3200, random), Line(x + (3 * span / 4), y + 450, x + (3 * span / 4), y + 3200, random)],
            1 => [deck, Arc(x, y + 3000, span, -2800, random), Line(x + (span / 4), y, x + (span / 4), y + 900, random), Line(x + (3 * span / 4), y, x + (3 * span / 4), y + 900, random), Line(x, y, x, y + 3000, random), Line(x + span, y, x + span, y + 3000, random)],
            2 => [deck, Line(x + (span / 6), y - 2600, x + (5 * span / 6), y - 2600, random), Zigzag(x, y, span, 6, 2600, random), Line(x, y, x + (span / 6), y - 2600, random), Line(x + (5 * span / 6), y - 2600, x + span, y, random)],
            _ => [deck, Line(x + (span / 5), y - 3600, x + (span / 5), y + 2000, random), Line(x + (4 * span / 5), y - 3600, x + (4 * span / 5), y + 2000, random), Arc(x + (span / 5), y - 3500, 3 * span / 5, 2900, random), Line(x, y, x + (span / 5), y - 3500, random), Line(x + (4 * span / 5), y - 3500, x + span, y, random)],
        };
    }

    /// <summary>An arrow pointing down: where the load goes.</summary>
    public static IReadOnlyList<ImmutableArray<InkPoint>> LoadArrow(int x, int y, Random random) =>
        [Line(x, y - 2400, x, y - 300, random), Path([(x - 350, y - 800), (x, y - 250), (x + 350, y - 800)], random)];

    /// <summary>A bridge on a small sheet, as it is shown beside words.</summary>
    /// <param name="kind">As above.</param>
    /// <param name="random">The hand.</param>
    public static DrawingAttachment Sketch(int kind, Random random) => new(
        [
            .. Of(kind, 900, 3_900 - (kind * 300), 6_200, random).Select(s => Stroke(s, 0, Looks.None)),
            .. LoadArrow(4_000, 3_800 - (kind * 300), random).Select(s => Stroke(s, 1, Looks.FeltTip)),
        ],
        "");

    private static DrawnStroke Stroke(ImmutableArray<InkPoint> points, int colour, Looks looks) => new(
        [.. points.Select(p => new InkPoint(Math.Clamp(p.X, 0, DrawingAttachment.Width), Math.Clamp(p.Y, 0, DrawingAttachment.Height), p.Pressure, 0))], new Style(colour, looks == Looks.None ? 70 : 120, 0, looks));

    private static ImmutableArray<InkPoint> Line(int x1, int y1, int x2, int y2, Random random) => Path([(x1, y1), (x2, y2)], random);

    private static ImmutableArray<InkPoint> Arc(int x, int y, int span, int rise, Random random) =>
        Path([.. Enumerable.Range(0, 13).Select(i => (x + (span * i / 12), y + (int)(rise * Math.Sin(Math.PI * i / 12))))], random);

    private static ImmutableArray<InkPoint> Zigzag(int x, int y, int span, int bays, int height, Random random) =>
        Path([.. Enumerable.Range(0, bays + 1).Select(i => (x + (span * i / bays), i % 2 == 0 ? y : y - height))], random);

    /// <summary>A stroke through some corners.</summary>
    public static ImmutableArray<InkPoint> Path((int X, int Y)[] corners, Random random)
    {
        var points = ImmutableArray.CreateBuilder<InkPoint>();
        var wander = 0.0;
        for (var i = 1; i < corners.Length; i++)
        {
            var (ax, ay) = corners[i - 1];
            var (bx, by) = corners[i];
            var steps = Math.Max(2, (int)(Math.Sqrt(Math.Pow(bx - ax, 2) + Math.Pow(by - ay, 2)) / 260));
            for (var k = i == 1 ? 0 : 1; k <= steps; k++)
            {
                wander = (wander * 0.85) + ((random.NextDouble() - 0.5) * 40);
                var t = (double)k / steps;
                points.Add(new(
                    (int)(ax + ((bx - ax) * t) + wander), (int)(ay + ((by - ay) * t) - wander), (byte)(110 + random.Next(40)), points.Count * MillisecondsPerPoint));
            }
        }

        return points.Count <= 512 ? points.ToImmutable() : [.. points.Take(512)];
    }
}
