using System.Collections.Immutable;
using Yardang.Core.Geometry;
using Yardang.Core.Pages;
using Yardang.Core.Styles;
using Yardang.Core.Wire;

namespace Yardang.Core.Marks;

/// <summary>
/// A line from one mark to another, which follows them. It can be seen while both can be seen. Where it runs is computed
/// (<see cref="Shapes.ConnectorPath"/>); <paramref name="Points"/> holds the outcome, or what its author saw.
/// </summary>
/// <param name="From">Id of a mark of the same page.</param>
/// <param name="To">Id of another.</param>
/// <param name="Points">x, y of its beginning and of its end.</param>
/// <param name="Label">What stands at its middle; null for nothing.</param>
[Kind(9)]
public sealed record ConnectorBody(long From, long To, ImmutableArray<int> Points, Words? Label = null) : MarkBody
{
    /// <inheritdoc/>
    public override Box Box() => Geometry.Box.Round(Spot.All(Points));

    /// <inheritdoc/>
    public override ToolSet Tool(Looks looks) => ToolSet.Shape;

    /// <inheritdoc/>
    public override bool IsValid() => From != To && Points.Length == 4 && Points.All(Validity.IsNear) && (Label is null || Validity.IsValid(Label));

    /// <inheritdoc/>
    public override int Weight() => 1 + (Label?.Text.Length ?? 0);

    /// <inheritdoc/>
    public override IEnumerable<string> Said() => Label is null ? [] : [Label.Text];

    /// <inheritdoc/>
    public override IEnumerable<long> Ends() => [From, To];

    /// <inheritdoc/>
    public override MarkBody WithEnds(Func<long, long> renamed) => this with { From = renamed(From), To = renamed(To) };
}
