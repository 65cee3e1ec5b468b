using Yardang.Core.Attachments;
using Yardang.Core.Geometry;
using Yardang.Core.Pages;
using Yardang.Core.Rooms;
using Yardang.Core.Styles;
using Yardang.Core.Wire;

namespace Yardang.Core.Marks;

/// <summary>A formula, with the drawing that its author's screen made of it, so that no other screen or print needs to typeset it.</summary>
/// <param name="X">Left edge.</param>
/// <param name="Y">Top edge.</param>
/// <param name="Width">Width of the drawing.</param>
/// <param name="Height">Height of the drawing.</param>
/// <param name="Source">LaTeX.</param>
/// <param name="Outline">Filled path from the top left corner: SVG path data of M, L, Q, C, Z and numbers.</param>
[Kind(7)]
public sealed record FormulaBody(int X, int Y, int Width, int Height, string Source, string Outline) : MarkBody
{
    /// <inheritdoc/>
    public override Box Box() => new(X, Y, Width, Height);

    /// <inheritdoc/>
    public override ToolSet Tool(Looks looks) => ToolSet.Formula;

    /// <inheritdoc/>
    public override bool IsValid() => Validity.IsBox(X, Y, Width, Height) && FormulaAttachment.IsDrawn(Source, Outline);

    /// <inheritdoc/>
    public override int Weight() => Source.Length + Outline.Length;

    /// <inheritdoc/>
    public override IEnumerable<string> Said() => [Source];
}
