using System.Buffers;
using Yardang.Core.Rooms;
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
    // Path data that can only draw.
    private static readonly SearchValues<char> s_outline = SearchValues.Create("MLQCZ 0123456789.-");

    /// <inheritdoc/>
    public override AttachmentKinds Kind() => AttachmentKinds.Formulas;

    /// <inheritdoc/>
    public override bool IsValid() => !string.IsNullOrWhiteSpace(Source) && Width is > 0 and <= Limits.Reach && Height is > 0 and <= Limits.Reach && IsDrawn(Source, Outline);

    /// <inheritdoc/>
    public override int Weight() => Source.Length + Outline.Length;

    /// <inheritdoc/>
    public override string Said() => Source;

    /// <summary>Whether a formula and its drawing are within their limits.</summary>
    public static bool IsDrawn(string source, string outline) =>
        source.Length is > 0 and <= Limits.FormulaLength && outline.Length <= Limits.OutlineLength && outline.AsSpan().IndexOfAnyExcept(s_outline) < 0;
}
