using Yardang.Core.Geometry;
using Yardang.Core.Pages;
using Yardang.Core.Styles;
using Yardang.Core.Wire;

namespace Yardang.Core.Marks;

/// <summary>Words in a bubble whose tip points at who or what says them. X, Y is the top left corner of the bubble without its tip.</summary>
[Kind(6)]
public sealed record BubbleBody(int X, int Y, int Width, int Height, Words Words, int TipX, int TipY) : MarkBody
{
    /// <inheritdoc/>
    public override Box Box() => new(X, Y, Width, Height);

    /// <inheritdoc/>
    public override ToolSet Tool(Looks looks) => ToolSet.Note;

    /// <inheritdoc/>
    public override bool IsValid() => Validity.IsBox(X, Y, Width, Height) && Validity.IsNear(TipX) && Validity.IsNear(TipY) && Validity.IsValid(Words);

    /// <inheritdoc/>
    public override int Weight() => Words.Text.Length;

    /// <inheritdoc/>
    public override IEnumerable<string> Said() => [Words.Text];

    /// <inheritdoc/>
    public override Words? Written() => Words;

    /// <inheritdoc/>
    public override MarkBody With(Words words, int width, int height) => this with { Words = words, Width = width, Height = height };
}
