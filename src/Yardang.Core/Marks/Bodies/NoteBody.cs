using Yardang.Core.Geometry;
using Yardang.Core.Pages;
using Yardang.Core.Styles;
using Yardang.Core.Wire;

namespace Yardang.Core.Marks;

/// <summary>Words on a coloured slip. X, Y is its top left corner.</summary>
[Kind(3)]
public sealed record NoteBody(int X, int Y, int Width, int Height, Words Words) : MarkBody
{
    /// <inheritdoc/>
    public override Box Box() => new(X, Y, Width, Height);

    /// <inheritdoc/>
    public override ToolSet Tool(Looks looks) => ToolSet.Note;

    /// <inheritdoc/>
    public override bool IsValid() => Validity.IsBox(X, Y, Width, Height) && Validity.IsValid(Words);

    /// <inheritdoc/>
    public override int Weight() => Words.Text.Length;

    /// <inheritdoc/>
    public override IEnumerable<string> Said() => [Words.Text];

    /// <inheritdoc/>
    public override Words? Written() => Words;

    /// <inheritdoc/>
    public override MarkBody With(Words words, int width, int height) => this with { Words = words, Width = width, Height = height };
}
