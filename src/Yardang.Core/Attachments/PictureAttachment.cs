using Yardang.Core.Media;
using Yardang.Core.Rooms;
using Yardang.Core.Wire;

namespace Yardang.Core.Attachments;

/// <summary>A picture.</summary>
/// <param name="Media">Its name in the media store: the SHA-256 of its bytes, 64 hexadecimal digits.</param>
/// <param name="Width">In pixels.</param>
/// <param name="Height">In pixels.</param>
/// <param name="Description">What it shows, for those who cannot see it.</param>
[Kind(1)]
public sealed record PictureAttachment(string Media, int Width, int Height, string Description) : Attachment
{
    // Wider than any picture that is taken in.
    private const int MostPixels = 20_000;

    /// <inheritdoc/>
    public override AttachmentKinds Kind() => AttachmentKinds.Pictures;

    /// <inheritdoc/>
    public override bool IsValid() => MediaName.IsValid(Media) && Width is > 0 and <= MostPixels && Height is > 0 and <= MostPixels && Description.Length <= Limits.DescriptionLength;

    /// <inheritdoc/>
    public override int Weight() => Description.Length + Media.Length;

    /// <inheritdoc/>
    public override string Said() => Description;

    /// <inheritdoc/>
    public override IEnumerable<string> MediaNames() => [Media];

    /// <inheritdoc/>
    public override Attachment? WithMedia(IReadOnlyDictionary<string, string> names) => names.TryGetValue(Media, out var name) ? this with { Media = name } : null;
}
