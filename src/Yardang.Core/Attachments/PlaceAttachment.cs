using Yardang.Core.Rooms;
using Yardang.Core.Wire;

namespace Yardang.Core.Attachments;

/// <summary>A place on a map, or on any picture of the teacher's. It holds the map, and so stays true when the wall is given another.</summary>
/// <param name="Map">The map.</param>
/// <param name="X">From its left edge, 1/10,000 of its width.</param>
/// <param name="Y">From its top edge, 1/10,000 of its height.</param>
/// <param name="Name">What the place is called; may be empty.</param>
[Kind(4)]
public sealed record PlaceAttachment(MapPicture Map, int X, int Y, string Name) : Attachment
{
    /// <summary>Where a map ends, from its left and top edge.</summary>
    public const int End = 10_000;

    /// <inheritdoc/>
    public override AttachmentKinds Kind() => AttachmentKinds.Places;

    /// <inheritdoc/>
    public override bool IsValid() => Map.AsPicture().IsValid() && X is >= 0 and <= End && Y is >= 0 and <= End && Name.Length <= Limits.NameLength;

    /// <inheritdoc/>
    public override int Weight() => Map.AsPicture().Weight() + Name.Length;

    /// <inheritdoc/>
    public override string Said() => Name;

    /// <inheritdoc/>
    public override IEnumerable<string> MediaNames() => [Map.Media];

    /// <inheritdoc/>
    public override Attachment? WithMedia(IReadOnlyDictionary<string, string> names) => Map.WithMedia(names) is { } map ? this with { Map = map } : null;
}
