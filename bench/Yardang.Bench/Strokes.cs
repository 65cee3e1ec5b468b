using System.Collections.Immutable;
using MessagePack;
using Yardang.Core.Ink;

namespace Yardang.Bench;

/// <summary>Ink for the load: unlike each other, as a hand's strokes are; equal ones would compress to nothing.</summary>
public static class Strokes
{
    private const int Count = 4_096;
    private static readonly int[] s_previewPoints = [.. Enumerable.Range(0, 32).Select(i => i * 7)];

    public static ImmutableArray<InkPoint>[] Of(int points) => [.. Enumerable.Range(0, Count).Select(seed => Wander(new Random(seed), points))];

    /// <summary>A preview of eight points that carries a stamp.</summary>
    public static byte[] Preview(long stamp) => MessagePackSerializer.Serialize(new object[] { stamp, 1, 0, 60, 0, s_previewPoints });

    private static ImmutableArray<InkPoint> Wander(Random random, int points)
    {
        var at = new InkPoint(random.Next(29_000), random.Next(20_000), 128, 0);
        return [.. Enumerable.Range(0, points).Select(_ => at = new InkPoint(
            at.X + random.Next(-60, 60), at.Y + random.Next(-60, 60), (byte)Math.Clamp(at.Pressure + random.Next(-9, 9), 20, 240), at.Ms + random.Next(8, 18)))];
    }
}
