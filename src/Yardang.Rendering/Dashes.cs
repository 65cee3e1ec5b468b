namespace Yardang.Rendering;

/// <summary>
/// How long the dashes of a line are. Usually five times its width; but of a fine line that goes a long way there would be millions, so that there are
/// never more than <see cref="Most"/> of them. The browser does the same (<c>Client/shapes/draw-shape.ts</c>).
/// </summary>
internal static class Dashes
{
    private const float Length = 5;
    private const float Most = 180;

    /// <summary>Whether they are longer than usual, because there would be too many; then their ends, which cost the most, are plain.</summary>
    public static bool AreFew(float[] dashes, float width) => dashes[0] > Length * width;

    /// <summary>A dash and the gap behind it, in the unit of width and length; null for a line without width or length.</summary>
    public static float[]? Of(float width, float length) =>
        width <= 0 || length <= 0 ? null : Math.Max(Length * width, length / (1.5f * Most)) is var dash ? [dash, dash / 2] : null;
}
