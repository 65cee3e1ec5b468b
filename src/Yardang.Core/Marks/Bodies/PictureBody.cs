using Yardang.Core.Geometry;
using Yardang.Core.Media;
using Yardang.Core.Pages;
using Yardang.Core.Rooms;
using Yardang.Core.Styles;
using Yardang.Core.Wire;

namespace Yardang.Core.Marks;

/// <summary>A picture. X, Y is its top left corner.</summary>
/// <param name="X">From the left.</param>
/// <param name="Y">From the top.</param>
/// <param name="Width">How wide it is shown.</param>
/// <param name="Height">How high it is shown.</param>
/// <param name="Media">Its name in the media store: the SHA-256 of its bytes, 64 hexadecimal digits.</param>
/// <param name="Description">What it shows, for those who cannot see it.</param>
/// <param name="Text">The words that can be read on it, for search and screen readers: of a page of a document. Null for none.</param>
[Kind(5)]
public sealed record PictureBody(int X, int Y, int Width, int Height, string Media, string Description, [Since(2)] string? Text = null) : MarkBody
{
    /// <inheritdoc/>
    public override Box Box() => new(X, Y, Width, Height);

    /// <inheritdoc/>
    public override ToolSet Tool(Looks looks) => ToolSet.Picture;

    /// <inheritdoc/>
    public override bool IsValid() => Validity.IsBox(X, Y, Width, Height) && MediaName.IsValid(Media)
        && Description.Length <= Limits.DescriptionLength && Text is null or { Length: <= Limits.PictureTextLength };

    /// <inheritdoc/>
    public override int Weight() => Description.Length + (Text?.Length ?? 0);

    /// <inheritdoc/>
    public override IEnumerable<string> Said() => [Description, Text ?? ""];

    /// <inheritdoc/>
    public override IEnumerable<string> MediaNames() => [Media];

    /// <inheritdoc/>
    public override MarkBody? WithMedia(IReadOnlyDictionary<string, string> names) => names.TryGetValue(Media, out var name) ? this with { Media = name } : null;
}
