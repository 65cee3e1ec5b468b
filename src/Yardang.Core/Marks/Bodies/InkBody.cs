using System.Collections.Immutable;
using Yardang.Core.Geometry;
using Yardang.Core.Ink;
using Yardang.Core.Pages;
using Yardang.Core.Rooms;
using Yardang.Core.Styles;
using Yardang.Core.Wire;

namespace Yardang.Core.Marks;

/// <summary>A stroke of ink.</summary>
[Kind(1)]
public sealed record InkBody(ImmutableArray<InkPoint> Points) : MarkBody
{
    /// <inheritdoc/>
    public override Box Box() => Geometry.Box.Round([.. Points.Select(p => new Spot(p.X, p.Y))]);

    /// <inheritdoc/>
    public override ToolSet Tool(Looks looks) => looks.HasFlag(Looks.Highlighter) ? ToolSet.Highlighter : ToolSet.Pen;

    /// <inheritdoc/>
    public override bool IsValid() =>
        Points.Length is > 0 and <= Limits.InkPoints && Points.All(p => Validity.IsNear(p.X) && Validity.IsNear(p.Y) && p.Ms is >= 0 and < 600_000);

    /// <summary>Whether these lengths can be rubbed out of the stroke.</summary>
    public bool HasCuts(ImmutableArray<int> cuts) =>
        !cuts.IsEmpty && CutIntervals.IsNormal(cuts) && cuts.Length <= 2 * Limits.InkPoints && cuts[^1] <= Stroke.Length(Points) + 1;

    /// <inheritdoc/>
    public override int Weight() => Points.Length;

    /// <inheritdoc/>
    public override IEnumerable<string> Said() => [];
}
