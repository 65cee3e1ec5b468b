namespace Yardang.Core.Attachments;

/// <summary>On what places are shown: a map, or any other picture of a teacher's.</summary>
/// <param name="Media">Its name in the media store: the SHA-256 of its bytes, 64 hexadecimal digits.</param>
/// <param name="Width">In pixels.</param>
/// <param name="Height">In pixels.</param>
/// <param name="Description">What it shows, for those who cannot see it.</param>
public sealed record MapPicture(string Media, int Width, int Height, string Description)
{
    /// <summary>The picture alone, as it is shown.</summary>
    public PictureAttachment AsPicture() => new(Media, Width, Height, Description);

    /// <summary>The same with a file that is kept under another name; null if it is not kept.</summary>
    /// <param name="names">The new names by the old.</param>
    public MapPicture? WithMedia(IReadOnlyDictionary<string, string> names) => names.TryGetValue(Media, out var name) ? this with { Media = name } : null;
}
