using Yardang.Core.Geometry;
using Yardang.Core.Pages;
using Yardang.Core.Styles;
using Yardang.Core.Wire;

namespace Yardang.Core.Marks;

/// <summary>A stamp of the set in <see cref="Stamps"/>.</summary>
[Kind(8)]
public sealed record StampBody(int X, int Y, int Width, int Height, string Stamp) : MarkBody
{
    /// <inheritdoc/>
    public override Box Box() => new(X, Y, Width, Height);

    /// <inheritdoc/>
    public override ToolSet Tool(Looks looks) => ToolSet.Stamp;

    /// <inheritdoc/>
    public override bool IsValid() => Validity.IsBox(X, Y, Width, Height) && Stamps.Find(Stamp) is not null;

    /// <inheritdoc/>
    public override int Weight() => 1;

    /// <inheritdoc/>
    public override IEnumerable<string> Said() => [];
}
