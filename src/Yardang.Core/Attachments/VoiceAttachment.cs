using Yardang.Core.Media;
using Yardang.Core.Rooms;
using Yardang.Core.Wire;

namespace Yardang.Core.Attachments;

/// <summary>Something that was said, and recorded.</summary>
/// <param name="Media">Its name in the media store: the SHA-256 of its bytes, 64 hexadecimal digits.</param>
/// <param name="Duration">How long it is, ms.</param>
/// <param name="Loudness">How loud it is from its beginning to its end, in as many equal parts as there are digits: from 0, silent, to 9.</param>
/// <param name="Words">What is said, for those who cannot hear it; may be empty.</param>
[Kind(6)]
public sealed record VoiceAttachment(string Media, int Duration, string Loudness, string Words) : Attachment
{
    /// <summary>Most parts of which it is told how loud they are.</summary>
    public const int MostParts = 64;

    /// <inheritdoc/>
    public override AttachmentKinds Kind() => AttachmentKinds.Voices;

    /// <inheritdoc/>
    public override bool IsValid() => MediaName.IsValid(Media) && Recordings.IsDuration(Duration) && Loudness.Length <= MostParts && Loudness.All(char.IsAsciiDigit) && Words.Length <= Limits.StatementLength;

    /// <inheritdoc/>
    public override int Weight() => Words.Length + Media.Length + Loudness.Length;

    /// <inheritdoc/>
    public override string Said() => Words;

    /// <inheritdoc/>
    public override int Lasts() => Duration;

    /// <inheritdoc/>
    public override IEnumerable<string> MediaNames() => [Media];

    /// <inheritdoc/>
    public override Attachment? WithMedia(IReadOnlyDictionary<string, string> names) => names.TryGetValue(Media, out var name) ? this with { Media = name } : null;
}
