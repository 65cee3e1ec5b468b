using System.Collections.Immutable;
using Yardang.Core.Geometry;
using Yardang.Core.Ink;
using Yardang.Core.Styles;

namespace Yardang.Core.Marks;

/// <summary>The points of a piece of ink as they are to be outlined: scaled, and of even pressure where the pen is one of even width.</summary>
public static class InkLook
{
    private const byte EvenPressure = 128;
    private const double PerMille = 1_000;

    /// <summary>The points of a part of a mark's ink, scaled about the mark's middle.</summary>
    public static ImmutableArray<InkPoint> Of(ImmutableArray<InkPoint> part, Mark mark, Spot middle)
    {
        var even = mark.Style.Looks.HasFlag(Looks.FeltTip) || mark.Style.Looks.HasFlag(Looks.Highlighter);
        if (!even && mark.Scale is null) return part;
        double sx = (mark.Scale?.X ?? PerMille) / PerMille, sy = (mark.Scale?.Y ?? PerMille) / PerMille;
        return [.. part.Select(p => p with
        {
            X = (int)Math.Floor(middle.X + ((p.X - middle.X) * sx) + 0.5),
            Y = (int)Math.Floor(middle.Y + ((p.Y - middle.Y) * sy) + 0.5),
            Pressure = even ? EvenPressure : p.Pressure,
        })];
    }
}
