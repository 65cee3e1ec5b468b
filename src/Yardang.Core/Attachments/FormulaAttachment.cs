using Yardang.Core.Marks;
using Yardang.Core.Wire;

namespace Yardang.Core.Attachments;

/// <summary>A formula, with the drawing that its author's screen made of it, so that no other screen or print needs to typeset it.</summary>
/// <param name="Width">Width of the drawing, 1/100 mm.</param>
/// <param name="Height">Height of the drawing, 1/100 mm.</param>
/// <param name="Source">LaTeX.</param>
/// <param name="Outline">Filled path from the top left corner: SVG path data of M, L, Q, C, Z and numbers.</param>
[Kind(3)]
public sealed record FormulaAttachment(int Width, int Height, string Source, string Outline) : Attachment
{
    /// <inheritdoc/>
    public override AttachmentKinds Kind() => AttachmentKinds.Formulas;

    /// <inheritdoc/>
    public override bool IsValid() => !string.IsNullOrWhiteSpace(Source) && AsMark().IsValid();

    /// <inheritdoc/>
    public override int Weight() => AsMark().Weight();

    /// <inheritdoc/>
    public override string Said() => Source;

    /// <summary>As it would stand on a page, in the corner.</summary>
    public FormulaBody AsMark() => new(0, 0, Width, Height, Source, Outline);
}
