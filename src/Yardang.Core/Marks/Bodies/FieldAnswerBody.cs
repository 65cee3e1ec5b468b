using Yardang.Core.Geometry;
using Yardang.Core.Pages;
using Yardang.Core.Styles;
using Yardang.Core.Wire;

namespace Yardang.Core.Marks;

/// <summary>
/// What somebody typed into an answer field. It stands where the field is (<see cref="Shapes.AnswerPlace"/>); X, Y is the top left corner that its
/// author saw, and holds when the field is gone.
/// </summary>
/// <param name="Field">Id of an answer field of the same page.</param>
/// <param name="X">1/100 mm to the right.</param>
/// <param name="Y">1/100 mm down.</param>
/// <param name="Width">1/100 mm.</param>
/// <param name="Height">1/100 mm: as high as the field, or as high as the words need.</param>
/// <param name="Words">What was typed.</param>
[Kind(13)]
public sealed record FieldAnswerBody(long Field, int X, int Y, int Width, int Height, Words Words) : MarkBody
{
    /// <inheritdoc/>
    public override Box Box() => new(X, Y, Width, Height);

    /// <inheritdoc/>
    public override ToolSet Tool(Looks looks) => ToolSet.Text;

    /// <summary>Whoever put a field on a page wants it filled in, whatever tools there are.</summary>
    public override bool IsGivenOn(Page page, Looks looks) => true;

    /// <inheritdoc/>
    public override bool MayBecome(MarkBody other) => other is FieldAnswerBody answer && answer.Field == Field;

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

    /// <inheritdoc/>
    public override IEnumerable<long> Ends() => [Field];

    /// <inheritdoc/>
    public override MarkBody WithEnds(Func<long, long> renamed) => this with { Field = renamed(Field) };
}
