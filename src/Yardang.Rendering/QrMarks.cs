using System.Globalization;
using System.Text;
using Yardang.Core.Marks;
using Yardang.Core.Styles;

namespace Yardang.Rendering;

/// <summary>A QR code as marks: its dark squares on a white sheet.</summary>
internal static class QrMarks
{
    private const int White = 10;

    /// <summary>The marks, back to front.</summary>
    /// <param name="squares">Row by row, dark squares true; with the quiet zone.</param>
    /// <param name="x">Of the top left corner, 1/100 mm.</param>
    /// <param name="y">The same, from the top.</param>
    /// <param name="side">How wide and high, 1/100 mm.</param>
    public static IEnumerable<(MarkBody Body, Style Style)> Of(IReadOnlyList<IReadOnlyList<bool>> squares, int x, int y, int side)
    {
        yield return (new ShapeBody(ShapeKind.Polygon, [x, y, x + side, y, x + side, y + side, x, y + side]), new Style(0, 0, White));
        var square = side / squares.Count;
        var extent = squares.Count * square;
        var edge = (side - extent) / 2;
        yield return (new FormulaBody(x + edge, y + edge, extent, extent, "", Outline(squares, square)), new Style(0, 0));
    }

    // Dark squares side by side are one rectangle: no line is seen between them.
    private static string Outline(IReadOnlyList<IReadOnlyList<bool>> squares, int square)
    {
        var path = new StringBuilder();
        for (var row = 0; row < squares.Count; row++)
        {
            for (var from = 0; from < squares[row].Count; from++)
            {
                if (!squares[row][from]) continue;
                var to = from;
                while (to < squares[row].Count && squares[row][to]) to++;
                var (left, right, top, bottom) = (from * square, to * square, row * square, (row + 1) * square);
                path.Append(CultureInfo.InvariantCulture, $"M{left} {top}L{right} {top}L{right} {bottom}L{left} {bottom}Z");
                from = to;
            }
        }

        return path.ToString();
    }
}
