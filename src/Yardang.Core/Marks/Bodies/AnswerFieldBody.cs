using Yardang.Core.Geometry;
using Yardang.Core.Pages;
using Yardang.Core.Rooms;
using Yardang.Core.Styles;
using Yardang.Core.Wire;

namespace Yardang.Core.Marks;

/// <summary>A place on a page where students type an answer (<see cref="FieldAnswerBody"/>). X, Y is its top left corner.</summary>
/// <param name="X">1/100 mm to the right.</param>
/// <param name="Y">1/100 mm down.</param>
/// <param name="Width">1/100 mm.</param>
/// <param name="Height">1/100 mm, with its name.</param>
/// <param name="Name">What is asked for; may be empty.</param>
[Kind(12)]
public sealed record AnswerFieldBody(int X, int Y, int Width, int Height, Texts Name) : MarkBody
{
    /// <inheritdoc/>
    public override Box Box() => new(X, Y, Width, Height);

    /// <inheritdoc/>
    public override ToolSet Tool(Looks looks) => ToolSet.Text;

    /// <inheritdoc/>
    public override bool BelongsToPage() => true;

    /// <inheritdoc/>
    public override bool MayTurn() => false;

    /// <inheritdoc/>
    public override bool IsValid() => Validity.IsBox(X, Y, Width, Height) && Name.IsWithin(Limits.NameLength);

    /// <inheritdoc/>
    public override int Weight() => 1 + Name.ByLanguage.Values.Sum(name => name.Length);

    /// <inheritdoc/>
    public override IEnumerable<string> Said() => Name.ByLanguage.Values;

    /// <inheritdoc/>
    public override Texts? Named() => Name;

    /// <inheritdoc/>
    public override MarkBody ReadIn(string? language, string written) => this with { Name = Texts.In(written, Name.In([language ?? written]) ?? Name.For(written)) };
}
