using System.Buffers;
using System.Globalization;
using Yardang.Core.Media;
using Yardang.Core.Rooms;
using Yardang.Core.Wire;

namespace Yardang.Core.Attachments;

/// <summary>A file that is taken along and opened elsewhere: a document, a table, slides.</summary>
/// <param name="Media">Its name in the media store: the SHA-256 of its bytes, 64 hexadecimal digits.</param>
/// <param name="Name">What it is called, with its ending.</param>
/// <param name="Format">What it is.</param>
/// <param name="Size">How large it is, bytes.</param>
/// <param name="Picture">The name of a picture of its first page; empty for none.</param>
/// <param name="Description">What is in it; may be empty.</param>
[Kind(8)]
public sealed record FileAttachment(string Media, string Name, FileFormat Format, int Size, string Picture, string Description) : Attachment
{
    /// <summary>The largest, bytes.</summary>
    public const int Largest = 20 * 1024 * 1024;

    /// <summary>Longest that one is called.</summary>
    public const int NameLength = 120;

    /// <inheritdoc/>
    public override AttachmentKinds Kind() => AttachmentKinds.Files;

    /// <inheritdoc/>
    public override bool IsValid() =>
        MediaName.IsValid(Media) && IsName(Name) && Enum.IsDefined(Format) && Size is > 0 and <= Largest && (Picture.Length == 0 || MediaName.IsValid(Picture)) && Description.Length <= Limits.DescriptionLength;

    /// <inheritdoc/>
    public override int Weight() => Name.Length + Description.Length + Media.Length + Picture.Length;

    /// <inheritdoc/>
    public override string Said() => Description.Length > 0 ? $"{Name}: {Description}" : Name;

    /// <inheritdoc/>
    public override IEnumerable<string> MediaNames() => Picture.Length > 0 ? [Media, Picture] : [Media];

    /// <summary>A file whose picture is not kept is shown without.</summary>
    public override Attachment? WithMedia(IReadOnlyDictionary<string, string> names) =>
        names.TryGetValue(Media, out var name) ? this with { Media = name, Picture = names.GetValueOrDefault(Picture, "") } : null;

    /// <summary>Whether a file may be called so on any device: no folders, nothing that is not seen.</summary>
    public static bool IsName(string name) =>
        name.Length is > 0 and <= NameLength && name.Trim().Length == name.Length && !name.StartsWith('.') && name.AsSpan().IndexOfAny(s_notInNames) < 0 && !name.Any(c => char.IsControl(c) || char.GetUnicodeCategory(c) == UnicodeCategory.Format);

    private static readonly SearchValues<char> s_notInNames = SearchValues.Create("/\\:*?\"<>|");
}
