using Yardang.Core.Media;
using Yardang.Core.Rooms;
using Yardang.Core.Wire;

namespace Yardang.Core.Attachments;

/// <summary>Something that was filmed, with a camera or from a screen.</summary>
/// <param name="Media">Its name in the media store: the SHA-256 of its bytes, 64 hexadecimal digits.</param>
/// <param name="Still">The name of a picture out of it, which stands for it until it is played; empty for none.</param>
/// <param name="Width">In pixels.</param>
/// <param name="Height">In pixels.</param>
/// <param name="Duration">How long it is, ms.</param>
/// <param name="Words">What is said and to be seen, for those who cannot hear or see it; may be empty.</param>
[Kind(7)]
public sealed record FilmAttachment(string Media, string Still, int Width, int Height, int Duration, string Words) : Attachment
{
    // Larger than any screen.
    private const int MostPixels = 10_000;

    /// <inheritdoc/>
    public override AttachmentKinds Kind() => AttachmentKinds.Films;

    /// <inheritdoc/>
    public override bool IsValid() =>
        MediaName.IsValid(Media) && (Still.Length == 0 || MediaName.IsValid(Still)) && Width is > 0 and <= MostPixels && Height is > 0 and <= MostPixels && Recordings.IsDuration(Duration) && Words.Length <= Limits.StatementLength;

    /// <inheritdoc/>
    public override int Weight() => Words.Length + Media.Length + Still.Length;

    /// <inheritdoc/>
    public override string Said() => Words;

    /// <inheritdoc/>
    public override int Lasts() => Duration;

    /// <inheritdoc/>
    public override IEnumerable<string> MediaNames() => Still.Length > 0 ? [Media, Still] : [Media];

    /// <summary>A film whose still is not kept is shown without.</summary>
    public override Attachment? WithMedia(IReadOnlyDictionary<string, string> names) =>
        names.TryGetValue(Media, out var name) ? this with { Media = name, Still = names.GetValueOrDefault(Still, "") } : null;
}
