using System.Collections.Immutable;
using Yardang.Core.Geometry;
using Yardang.Core.Pages;
using Yardang.Core.Rooms;
using Yardang.Core.Styles;
using Yardang.Core.Wire;

namespace Yardang.Core.Marks;

/// <summary>How the points of a shape are meant. The numbers are on the wire.</summary>
public enum ShapeKind
{
    /// <summary>Two points or more, in a row.</summary>
    Line = 1,

    /// <summary>Three corners or more, closed.</summary>
    Polygon = 2,

    /// <summary>Two opposite corners of the box that it fills; a circle if the box is square.</summary>
    Ellipse = 3,

    /// <summary>Where a part of a circle begins, a point on the way, and where it ends.</summary>
    Arc = 4,
}

/// <summary>A line, polygon, ellipse or arc.</summary>
/// <param name="Shape">Which.</param>
/// <param name="Points">x, y, x, y ...</param>
[Kind(4)]
public sealed record ShapeBody(ShapeKind Shape, ImmutableArray<int> Points) : MarkBody
{
    /// <inheritdoc/>
    public override Box Box() => Geometry.Box.Round(Spot.All(Points));

    /// <inheritdoc/>
    public override ImmutableArray<Spot> Corners() => Shape switch
    {
        ShapeKind.Line or ShapeKind.Polygon => Spot.All(Points),
        ShapeKind.Arc => ArcCircle.Along(Spot.All(Points)),
        ShapeKind.Ellipse => base.Corners(),
        _ => throw new InvalidOperationException($"{Shape} is no shape."),
    };

    /// <inheritdoc/>
    public override ToolSet Tool(Looks looks) => ToolSet.Shape;

    /// <inheritdoc/>
    public override bool IsValid()
    {
        var corners = Points.Length / 2;
        var enough = Shape switch
        {
            ShapeKind.Line => corners >= 2,
            ShapeKind.Polygon => corners >= 3,
            ShapeKind.Ellipse => corners == 2,
            ShapeKind.Arc => corners == 3,
            _ => false,
        };
        return enough && Points.Length % 2 == 0 && corners <= Limits.Corners && Points.All(Validity.IsNear);
    }

    /// <inheritdoc/>
    public override int Weight() => Points.Length;

    /// <inheritdoc/>
    public override IEnumerable<string> Said() => [];
}
